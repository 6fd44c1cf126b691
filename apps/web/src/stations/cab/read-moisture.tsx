import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { ulid } from 'ulid';
import { post } from '../../data/api';
import { type Farm, useRefreshFarm } from '../../data/farm';
import { useSend } from '../../data/use-send';
import { Button, Problem, SelectBox, Sheet, TextBox } from '../../ui';
import { NumberPad, typed } from '../../widgets/number-pad';
import { readMoisture } from '../../widgets/quantity';

/** A reading from the cab: the field that is cut, a number, done. */
export function ReadMoisture({ farm, lotId, by, onClose }: { farm: Farm; lotId: string | undefined; by: string; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const id = useRef(ulid());
  const season = Math.max(...farm.data.lots.map((one) => one.season));
  const lots = farm.data.lots.filter((one) => one.season === season);
  const [fieldId, setField] = useState(farm.lot(lotId ?? '')?.fieldId ?? lots[0]?.fieldId ?? '');
  const [text, setText] = useState('');
  const [tried, setTried] = useState(false);
  const { value, error } = readMoisture(text);
  const save = async (): Promise<void> => {
    setTried(true);
    if (value === undefined) return;
    const body = { id: id.current, fieldId, at: new Date(farm.clock()).toISOString(), moisture: value, source: 'hand', tester: by };
    if (!(await sending.send(() => post<{ readingId: string }>(`/farms/${farm.id}/readings`, body)))) return;
    toast('Reading kept');
    await refresh();
    onClose();
  };
  return (
    <Sheet open title="Moisture reading" onClose={onClose}>
      <form
        className="flex min-h-full flex-col gap-3 px-4 py-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <SelectBox label="Field" value={fieldId} onChange={(event) => setField(event.target.value)}>
          {lots.map((lot) => (
            <option key={lot.id} value={lot.fieldId}>
              {lot.tag} {lot.fieldName}
            </option>
          ))}
        </SelectBox>
        <TextBox
          label="Moisture"
          unit="%"
          inputMode="decimal"
          value={text}
          error={tried ? (error ?? (value === undefined ? 'The moisture is missing' : sending.at.moisture)) : undefined}
          onChange={(event) => setText(event.target.value)}
        />
        <NumberPad onKey={(key) => setText(typed(text, key, false))} />
        <Problem>{sending.message}</Problem>
        <Button look="do" type="submit" className="mt-auto min-h-20 w-full !text-2xl" disabled={sending.busy}>
          Keep the reading
        </Button>
      </form>
    </Sheet>
  );
}
