import { type Entry, type Method, METHODS } from '@fanega/core';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { ulid } from 'ulid';
import { post } from '../data/api';
import { type Farm, useRefreshFarm } from '../data/farm';
import { useSend } from '../data/use-send';
import { deviceName } from '../record';
import { Button, Choices, Problem, SelectBox, TextBox } from '../ui';
import { METHOD_WORDS } from './method-words';
import { readMoisture, readWeight, type WeightUnit } from './quantity';

/** What likely weighed it too: the display beside the cart, the buyer's ticket that came late, the cart. */
function likelyMethod(farm: Farm, entry: Entry): Method {
  if (entry.type === 'move' && farm.place(entry.to)?.kind === 'buyer' && entry.method !== 'ticket') return 'ticket';
  return entry.type === 'harvest' && entry.method !== 'monitor' ? 'monitor' : 'cartScale';
}

/** Another measurement of the same grain: the display's figure beside the cart's, the farm's own bridge beside the ticket. Which one counts is the farm's rule. */
export function WeighAgain({ farm, entry, crop, onDone }: { farm: Farm; entry: Entry; crop: string | undefined; onDone: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const id = useRef(ulid());
  const [weight, setWeight] = useState('');
  const [unit, setUnit] = useState<WeightUnit>('lb');
  const [moisture, setMoisture] = useState('');
  const [method, setMethod] = useState<Method>(() => likelyMethod(farm, entry));
  const [wrong, setWrong] = useState<{ weight?: string; moisture?: string }>({});
  const save = async (): Promise<void> => {
    const w = readWeight(weight, unit, farm.kgPerBu(crop));
    const m = readMoisture(moisture);
    const errors = {
      ...(w.error ? { weight: w.error } : w.kg === undefined && m.value === undefined ? { weight: 'A weight, or a moisture' } : {}),
      ...(m.error ? { moisture: m.error } : {}),
    };
    setWrong(errors);
    if (Object.keys(errors).length > 0) return;
    const witness = {
      id: id.current,
      type: 'witness',
      of: entry.id,
      at: new Date(farm.clock()).toISOString(),
      method,
      device: deviceName(),
      ...(w.kg === undefined ? {} : { wetKg: w.kg }),
      ...(m.value === undefined ? {} : { moisture: m.value }),
    };
    if (!(await sending.send(() => post<object>(`/farms/${farm.id}/entries`, { entries: [witness] })))) return;
    toast('Beside the first measurement');
    await refresh();
    onDone();
  };
  return (
    <form
      aria-label="Another measurement"
      className="space-y-3 border-t border-rule pt-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <SelectBox label="Measured by" value={method} onChange={(event) => setMethod(event.target.value as Method)}>
        {METHODS.map((one) => (
          <option key={one} value={one}>
            {METHOD_WORDS[one]}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-[1fr_7.5rem] items-start gap-3">
        <TextBox label="Weight" inputMode="decimal" value={weight} error={wrong.weight ?? sending.at.wetKg} onChange={(event) => setWeight(event.target.value)} />
        <Choices
          label="Unit"
          value={unit}
          onChange={setUnit}
          choices={[
            { value: 'lb', label: 'lb' },
            { value: 'bu', label: 'bu' },
          ]}
        />
      </div>
      <TextBox
        label="Moisture, if measured"
        unit="%"
        inputMode="decimal"
        value={moisture}
        error={wrong.moisture ?? sending.at.moisture}
        onChange={(event) => setMoisture(event.target.value)}
      />
      <Problem>{sending.message}</Problem>
      <Button type="submit" disabled={sending.busy}>
        Put it beside
      </Button>
    </form>
  );
}
