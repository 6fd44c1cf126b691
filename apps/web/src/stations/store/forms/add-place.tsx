import { hasVessel, type MachineKind, PLACE_KINDS, PLACE_NAMES, WITHDRAWALS } from '@fanega/core';
import { post } from '../../../data/api';
import { useFarm, useRefreshFarm, useShed } from '../../../data/farm';
import { setting } from '../../../data/records';
import { newMachine } from '../../../widgets/new-machine';
import { write } from '../../../data/outbox';
import { system } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { textBox } from '../../../widgets/record-boxes';
import { KIND_WORDS, ORDERED_PLACES, OUT_WORDS } from '../../../widgets/place-words';
import { capacityBox, capacityHint } from '../../../widgets/capacity';

/** A place that holds grain, or takes it. */
export function AddPlace({ onClose }: { onClose: () => void }) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const shed = useShed().data;
  const form = useFields({
    keptAs: `add-place.${farm.id}.${system()}`,
    boxes: {
      kind: oneOf<(typeof PLACE_KINDS)[number]>(),
      name: textBox(PLACE_NAMES.name, 'The place needs a name'),
      withdrawal: oneOf<(typeof WITHDRAWALS)[number]>(),
      capacityBu: capacityBox(farm),
    },
    unasked: ({ kind }) => (kind === 'buyer' ? ['capacityBu'] : []),
    start: () => ({ kind: 'cart' as const, name: '', withdrawal: 'mixed' as const, capacityBu: '' }),
    close: onClose,
    save: async ({ kind, name, withdrawal, capacityBu }) => {
      const body = {
        kind,
        name,
        withdrawal: ORDERED_PLACES.includes(kind) ? withdrawal : ('mixed' as const),
        ...(capacityBu === undefined ? {} : { capacityBu }),
      };
      const sent = await write(farm.id, post('/api/farms/{farmId}/places', { path: { farmId: farm.id } }, body));
      // What is a machine too stands in the shed already, bare: it gets the usual list of its kind, as one that was added there does.
      if (shed && hasVessel(kind) && !sent.waits) {
        const { placeId } = sent.answer;
        const value = newMachine(farm, shed, placeId, { kind: kind as MachineKind, name, placeId });
        await write(farm.id, setting(farm.id, 'machine', placeId, { revision: 1, value }));
      }
      await refresh();
    },
  });
  const { kind } = form.texts;
  return (
    <FormDrawer form={form} title="Add a place" button="Add the place">
      <SelectBox label="What it is" {...form.box('kind')}>
        {PLACE_KINDS.map((value) => (
          <option key={value} value={value}>
            {KIND_WORDS[value]}
          </option>
        ))}
      </SelectBox>
      <TextBox label="Name" {...form.box('name')} />
      {ORDERED_PLACES.includes(kind) && (
        <SelectBox label="Grain comes out" {...form.box('withdrawal')}>
          {WITHDRAWALS.map((value) => (
            <option key={value} value={value}>
              {OUT_WORDS[value]}
            </option>
          ))}
        </SelectBox>
      )}
      {kind !== 'buyer' && <TextBox label="Holds" hint={capacityHint()} {...form.box('capacityBu')} />}
    </FormDrawer>
  );
}
