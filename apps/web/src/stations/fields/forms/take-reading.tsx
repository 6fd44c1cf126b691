import { currentSeason, type ReadingSource } from '@fanega/core';
import { useRef, useState } from 'react';
import { ulid } from 'ulid';
import { ApiError } from '../../../data/api';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { useFarm, useRefreshFarm } from '../../../data/farm';
import { keepTester, usualTester } from '../../../data/usual-tester';
import { Button, Choices, SelectBox, TextBox } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { parseNumber, readMoisture } from '../../../quantity/quantity';
import { useRecorded } from '../../../widgets/take-back';
import { SOURCE_WORDS } from '../words';

// The contract's classes are the server's: only their types may come into the page.
const SOURCES = (Object.keys(SOURCE_WORDS) as ReadingSource[]).map((value) => ({ value, label: SOURCE_WORDS[value] }));

/** A moisture from the field in two taps and a number; teeth count how many of ten beans crack. */
export function TakeReading({
  open,
  onClose,
  fieldId: given,
  tester: usual = '',
}: {
  open: boolean;
  onClose: () => void;
  fieldId?: string;
  tester?: string;
}) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const season = currentSeason(farm.data.lots);
  const lots = farm.data.lots.filter((lot) => lot.season === season);
  const [fieldId, setFieldId] = useState(given ?? lots[0]?.fieldId ?? '');
  const [source, setSource] = useState<ReadingSource>('hand');
  const [figure, setFigure] = useState('');
  const [typedTester, setTester] = useState(usualTester);
  const tester = typedTester ?? usual;
  const [spot, setSpot] = useState('');
  const [error, setError] = useState<{ field: string; message: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const recorded = useRecorded();
  // One id until it is saved: sent again over a broken line, it stays one reading.
  const id = useRef(ulid());
  const bite = source === 'bite';

  const save = async (): Promise<void> => {
    const cracked = parseNumber(figure);
    const { value, error: wrong } = readMoisture(figure);
    if (bite && !(Number.isInteger(cracked) && cracked >= 0 && cracked <= 10))
      return setError({ field: 'figure', message: 'How many of ten cracked, from 0 to 10?' });
    if (!bite && value === undefined) return setError({ field: 'figure', message: wrong ?? 'The moisture is missing' });
    setBusy(true);
    setError(null);
    try {
      const body = {
        id: id.current,
        fieldId,
        at: new Date(farm.clock()).toISOString(),
        source,
        ...(bite ? { cracked } : { moisture: value! }),
        // The buyer's test and the teeth are no tester of ours.
        ...(tester.trim() && source !== 'elevator' && !bite ? { tester: tester.trim() } : {}),
        ...(spot.trim() ? { spot: spot.trim() } : {}),
      };
      await write(farm.id, logged(farm.id, 'reading', body), 'a reading');
      recorded('Reading recorded', 'reading', id.current);
      id.current = ulid();
      keepTester(tester.trim());
      setFigure('');
      await refresh();
      onClose();
    } catch (failure) {
      if (!(failure instanceof ApiError)) throw failure;
      setError({
        field: failure.issues[0]?.field === 'moisture' || failure.issues[0]?.field === 'cracked' ? 'figure' : 'all',
        message: failure.message,
      });
    } finally {
      setBusy(false);
    }
  };

  return (
    <Drawer open={open} title="Take a reading" onClose={onClose}>
      <form
        className="space-y-4 px-5 py-4"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <SelectBox label="Field" value={fieldId} onChange={(event) => setFieldId(event.target.value)}>
          {lots.map((lot) => (
            <option key={lot.id} value={lot.fieldId}>
              {lot.tag} {lot.fieldName}
            </option>
          ))}
        </SelectBox>
        <Choices label="Read by" value={source} onChange={setSource} choices={SOURCES} />
        <TextBox
          label={bite ? 'Cracked, of ten' : 'Moisture'}
          unit={bite ? 'of 10' : '%'}
          inputMode="decimal"
          value={figure}
          onChange={(event) => setFigure(event.target.value)}
          error={error?.field === 'figure' ? error.message : undefined}
        />
        <div className="grid grid-cols-2 gap-3">
          <TextBox
            label="Tester"
            maxLength={40}
            hint="which one, if any"
            value={tester}
            onChange={(event) => setTester(event.target.value)}
          />
          <TextBox
            label="Spot"
            maxLength={40}
            hint="gate, middle, far end"
            value={spot}
            onChange={(event) => setSpot(event.target.value)}
          />
        </div>
        {error?.field === 'all' && (
          <p role="alert" className="font-semibold text-clay">
            {error.message}
          </p>
        )}
        <Button look="do" type="submit" className="min-h-14 w-full text-lg" disabled={busy || fieldId === ''}>
          Record the reading
        </Button>
      </form>
    </Drawer>
  );
}
