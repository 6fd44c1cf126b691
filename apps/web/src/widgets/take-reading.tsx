import { currentSeason, READING, type ReadingSource } from '@fanega/core';
import { type ReactNode, useState } from 'react';
import { ulid } from 'ulid';
import { write } from '../data/outbox';
import { logged } from '../data/records';
import { useFarm, useRefreshFarm } from '../data/farm';
import { keepTester, usualTester } from '../data/usual-tester';
import { count } from '../quantity/quantity';
import { momentTyped } from '../quantity/time';
import { Choices, SelectBox, TextBox } from '../ui';
import { oneOf } from '../ui/form/box';
import { useFields } from '../ui/form/use-fields';
import { FormDrawer } from '../ui/form-drawer';
import { figureBox, pastBox, moistureBox, textBox } from './record-boxes';
import { useRecorded } from './take-back';
import { SOURCE_WORDS } from './source-words';

const SOURCES = (Object.keys(SOURCE_WORDS) as ReadingSource[]).map((value) => ({ value, label: SOURCE_WORDS[value] }));

/** A moisture from the field in two taps and a number; teeth count how many of ten beans crack. */
export function TakeReading({
  onClose,
  fieldId: given,
  tester: usual = '',
  zone,
  readAt,
  photo,
  onSaved,
}: {
  onClose: () => void;
  fieldId?: string;
  tester?: string;
  /** of a part of the field alone */
  zone?: { readonly id: string; readonly name: string };
  /** when it was read, where that is known already; ISO */
  readAt?: string;
  /** of the display that is typed here */
  photo?: ReactNode;
  onSaved?: (readingId: string) => Promise<void>;
}) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const season = currentSeason(farm.data.lots);
  const lots = farm.data.lots.filter((lot) => lot.season === season);
  // One id until it is saved: sent again over a broken line, it stays one reading.
  const [id] = useState(ulid);
  const { fields } = READING;
  const form = useFields({
    boxes: {
      fieldId: oneOf<string>(),
      source: oneOf<ReadingSource>(),
      moisture: moistureBox('The moisture is missing'),
      cracked: figureBox(fields.cracked, count, { missing: 'How many of ten cracked, from 0 to 10?' }),
      tester: textBox(fields.tester),
      spot: textBox(fields.spot),
      when: pastBox(farm.data.farm.timeZone, farm.clock),
    },
    unasked: ({ source }) => [source === 'bite' ? 'moisture' : 'cracked'],
    start: () => ({
      fieldId: given ?? lots[0]?.fieldId ?? '',
      source: 'hand' as ReadingSource,
      moisture: '',
      cracked: '',
      tester: usualTester() ?? usual,
      spot: zone?.name ?? '',
      when: readAt === undefined ? '' : momentTyped(Date.parse(readAt), farm.data.farm.timeZone),
    }),
    together: ({ fieldId }): Record<string, string> =>
      fieldId === '' ? { '': 'No field stands this season: add one first' } : {},
    close: onClose,
    save: async ({ fieldId, source, moisture, cracked, tester, spot, when }) => {
      const bite = source === 'bite';
      const body = {
        id,
        fieldId,
        at: new Date(when ?? farm.clock()).toISOString(),
        source,
        ...(bite ? { cracked } : { moisture: moisture! }),
        // The buyer's test and the teeth are no tester of ours.
        ...(tester && source !== 'elevator' && !bite ? { tester } : {}),
        ...(spot ? { spot } : {}),
        ...(zone ? { zoneId: zone.id } : {}),
      };
      await write(farm.id, logged(farm.id, 'reading', body), 'a reading');
      recorded('Reading recorded', 'reading', id);
      keepTester(tester);
      await onSaved?.(id);
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={zone ? `Read ${zone.name}` : 'Take a reading'} button="Record the reading">
      {photo}
      <SelectBox label="Field" {...form.box('fieldId')}>
        {lots.map((lot) => (
          <option key={lot.id} value={lot.fieldId}>
            {lot.tag} {lot.fieldName}
          </option>
        ))}
      </SelectBox>
      <Choices label="Read by" {...form.choice('source')} choices={SOURCES} />
      {form.texts.source === 'bite' ? (
        <TextBox label="Cracked, of ten" {...form.box('cracked')} unit="of 10" />
      ) : (
        <TextBox label="Moisture" {...form.box('moisture')} />
      )}
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Tester" hint="which one, if any" {...form.box('tester')} />
        <TextBox label="Spot" hint="gate, middle, far end" {...form.box('spot')} />
      </div>
      <TextBox
        label="Read at"
        hint={`leave blank for now; “${momentTyped(farm.clock(), farm.data.farm.timeZone)}” for another time`}
        autoComplete="off"
        {...form.box('when')}
      />
    </FormDrawer>
  );
}
