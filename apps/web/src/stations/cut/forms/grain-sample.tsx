import { GRAIN_SAMPLE, SAMPLE_PLACES, type SamplePlace } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { share } from '../../../quantity/quantity';
import { Choices, SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureOrNone, pastBox, textBox } from '../../../widgets/record-boxes';
import { useRecorded } from '../../../widgets/take-back';
import { SAMPLE_WORDS, TAKEN_WORDS } from '../words';

/** A handful out of the tank, off the dryer's screen or from the tester, sieved and picked: what it says of the settings. */
export function GrainSampleForm({ farm, machineId, lotId, onClose }: { farm: Farm; machineId: string; lotId: string; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const [id] = useState(ulid);
  const { fields } = GRAIN_SAMPLE;
  // Kept in percent, typed as a share.
  const part = (name: 'fines' | 'cracked' | 'foreign') => figureOrNone(fields[name], share, { times: 100 });
  const form = useFields({
    boxes: {
      lotId: oneOf<string>(),
      takenAt: oneOf<SamplePlace>(),
      fines: part('fines'),
      cracked: part('cracked'),
      foreign: part('foreign'),
      note: textBox(fields.note),
      when: pastBox(farm.data.farm.timeZone, farm.clock),
    },
    start: () => ({ lotId, takenAt: 'tank' as SamplePlace, fines: '', cracked: '', foreign: '', note: '', when: '' }),
    together: ({ fines, cracked, foreign }): Record<string, string> =>
      fines === undefined && cracked === undefined && foreign === undefined ? { fines: 'At least one of the three' } : {},
    close: onClose,
    save: async ({ lotId: of, takenAt, fines, cracked, foreign, note, when }) => {
      const body = {
        id,
        at: new Date(when ?? farm.clock()).toISOString(),
        machineId,
        lotId: of,
        takenAt,
        ...(fines === undefined ? {} : { fines }),
        ...(cracked === undefined ? {} : { cracked }),
        ...(foreign === undefined ? {} : { foreign }),
        ...(note === '' ? {} : { note }),
      };
      await write(farm.id, logged(farm.id, 'grainSample', body), 'a sample');
      recorded('Sample recorded', 'grainSample', id);
      await refresh();
    },
  });
  const season = farm.lot(lotId)?.season;
  return (
    <FormDrawer form={form} title="A sample of grain" button="Record the sample">
      <p className="text-muted">By weight, of what you sieved. Blank: not looked at.</p>
      <SelectBox label="Field" {...form.box('lotId')}>
        {farm.data.lots
          .filter((lot) => lot.season === season)
          .map((lot) => (
            <option key={lot.id} value={lot.id}>
              {lot.fieldName}
            </option>
          ))}
      </SelectBox>
      <Choices label="Taken from" {...form.choice('takenAt')} choices={SAMPLE_PLACES.map((value) => ({ value, label: TAKEN_WORDS[value] }))} />
      <div className="grid grid-cols-3 gap-3">
        <TextBox label={SAMPLE_WORDS.fines} {...form.box('fines')} />
        <TextBox label={SAMPLE_WORDS.cracked} {...form.box('cracked')} />
        <TextBox label={SAMPLE_WORDS.foreign} {...form.box('foreign')} />
      </div>
      <TextBox label="Taken at" hint="blank: now" {...form.box('when')} />
      <TextBox label="Note" {...form.box('note')} />
    </FormDrawer>
  );
} // prettier-ignore
