import { ulid } from 'ulid';
import type { Command } from '../../../data/api';
import type { Farm } from '../../../data/farm';
import { logged } from '../../../data/records';
import { percent } from '../../../quantity/quantity';
import { Choices, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { moistureBox } from '../../../widgets/record-boxes';
import { say } from '../../../words';
import { PadDrawer } from './pad-drawer';
import { usePad } from './use-pad';

/** A sample at the dryer: going in or coming out, and a number. */
export function SamplePad({
  farm,
  onClose,
  onKeep,
}: {
  farm: Farm;
  onClose: () => void;
  onKeep: (command: Command, what: string) => void;
}) {
  const dryers = farm.data.places.filter(({ kind }) => kind === 'dryer');
  const form = useFields({
    boxes: {
      dryer: oneOf<string>(),
      which: oneOf<'out' | 'in'>(),
      moisture: moistureBox(say('moistureMissing')),
    },
    start: () => ({ dryer: dryers[0]?.id ?? '', which: 'out' as 'out' | 'in', moisture: '' }),
    close: onClose,
    save: ({ dryer, which, moisture }) => {
      const body = {
        id: ulid(),
        at: new Date(farm.clock()).toISOString(),
        placeId: dryer,
        ...(which === 'out' ? { moistureOut: moisture! } : { moistureIn: moisture! }),
      };
      onKeep(logged(farm.id, 'dryerSample', body), say(which === 'out' ? 'comesOutAt' : 'goesInAt', { at: percent(moisture!) })); // prettier-ignore
      return Promise.resolve(false);
    },
  });
  const pad = usePad(form, 'moisture');
  return (
    <PadDrawer form={form} title={say('takeSample')} disabled={dryers.length === 0} onKey={pad.onKey}>
      {dryers.length > 1 && (
        <Choices
          label={say('which')}
          {...form.choice('dryer')}
          choices={dryers.map(({ id, name }) => ({ value: id, label: name }))}
        />
      )}
      <Choices
        label={say('ofDryer')}
        hidden
        {...form.choice('which')}
        choices={[
          { value: 'out', label: say('comingOut') },
          { value: 'in', label: say('goingIn') },
        ]}
      />
      <TextBox label={say('moisture')} {...pad.box('moisture')} />
    </PadDrawer>
  );
}
