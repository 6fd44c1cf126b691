import { currentSeason, READING } from '@fanega/core';
import { ulid } from 'ulid';
import { keepTester, usualTester } from '../../../data/usual-tester';
import { logged } from '../../../data/records';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { percent } from '../../../quantity/quantity';
import { moistureBox, textBox } from '../../../widgets/record-boxes';
import { type PadGiven, PadDrawer } from './pad-drawer';
import { usePad } from './use-pad';
import { say } from '../../../words';

/** A reading from the cab: the field that is cut, a number, done. */
export function ReadMoisture({ farm, lotId, onClose, onKeep }: PadGiven & { readonly lotId: string | undefined }) {
  const season = currentSeason(farm.data.lots);
  const lots = farm.data.lots.filter((one) => one.season === season);
  const form = useFields({
    boxes: {
      fieldId: oneOf<string>(),
      moisture: moistureBox(say('moistureMissing')),
      tester: textBox(READING.fields.tester),
    },
    start: () => ({
      fieldId: farm.lot(lotId ?? '')?.fieldId ?? lots[0]?.fieldId ?? '',
      moisture: '',
      tester: usualTester() ?? '',
    }),
    close: onClose,
    save: ({ fieldId, moisture, tester }) => {
      keepTester(tester);
      const name = lots.find((lot) => lot.fieldId === fieldId)?.fieldName ?? '';
      const body = {
        id: ulid(),
        fieldId,
        at: new Date(farm.clock()).toISOString(),
        moisture: moisture!,
        source: 'hand' as const,
        ...(tester === '' ? {} : { tester }),
      };
      onKeep(logged(farm.id, 'reading', body), say('fieldRead', { field: name, at: percent(moisture!) }));
      return Promise.resolve(false);
    },
  });
  const pad = usePad(form, 'moisture');
  return (
    <PadDrawer form={form} title={say('way_reading')} button={say('keepReading')} onKey={pad.onKey}>
      <SelectBox label={say('field')} {...form.box('fieldId')}>
        {lots.map((lot) => (
          <option key={lot.id} value={lot.fieldId}>
            {lot.tag} {lot.fieldName}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label={say('moisture')} {...pad.box('moisture')} />
        <TextBox label={say('tester')} hint={say('whichOne')} {...form.box('tester')} />
      </div>
    </PadDrawer>
  );
}
