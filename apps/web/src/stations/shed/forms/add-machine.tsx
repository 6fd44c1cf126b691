import {
  type CropId,
  CROPS,
  isCrop,
  MACHINE,
  MACHINE_KINDS,
  type MachineKind,
  READINESS_ITEM,
  type ShedRecords,
  templateOf,
} from '@fanega/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { SelectBox, TextBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { oneOf, rows, yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { newMachine } from '../../../widgets/new-machine';
import { textBox } from '../../../widgets/record-boxes';

/** A machine that comes into the shed, with the farm's own list for its kind. */
export function AddMachine({ farm, shed, onClose }: { farm: Farm; shed: ShedRecords; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const navigate = useNavigate();
  const [id] = useState(() => ulid());
  const grown = [...new Set(farm.data.lots.map((lot) => lot.crop))].filter(isCrop);
  const form = useFields({
    boxes: {
      kind: oneOf<MachineKind>(),
      name: textBox(MACHINE.fields.name, 'The machine needs a name'),
      owner: textBox(READINESS_ITEM.owner),
      crops: rows(() => ({ on: yesNo })),
    },
    start: () => ({ kind: 'combine' as MachineKind, name: '', owner: '', crops: grown.map(() => ({ on: false })) }),
    close: onClose,
    save: async ({ kind, name, owner, crops }) => {
      const only = grown.filter((_, i) => crops[i]!.on);
      const place = farm.everyPlace.find((one) => one.name.toLowerCase() === name.toLowerCase());
      const value = newMachine(farm, shed, id, { kind, name, owner, crops: only, placeId: place?.id });
      await write(farm.id, setting(farm.id, 'machine', id, { revision: 0, value }));
      await refresh();
      void navigate(`/shed/${id}`);
    },
  });
  return (
    <FormDrawer form={form} title="Add a machine" button="Add the machine">
      <SelectBox label="What it is" {...form.box('kind')}>
        {(Object.keys(MACHINE_KINDS) as MachineKind[]).map((one) => (
          <option key={one} value={one}>
            {MACHINE_KINDS[one]}
          </option>
        ))}
      </SelectBox>
      <TextBox label="Name" {...form.box('name')} />
      <TextBox label="Who takes care of it" {...form.box('owner')} />
      <fieldset>
        <legend className="text-sm font-semibold">Only for (none: for all crops)</legend>
        {grown.map((crop, i) => (
          <CheckBox
            key={crop}
            className="mr-5 !inline-flex"
            checked={form.texts.crops[i]!.on}
            onChange={(on) =>
              form.set(
                'crops',
                form.texts.crops.map((one, k) => (k === i ? { on } : one)),
              )
            }
          >
            {CROPS[crop as CropId].short}
          </CheckBox>
        ))}
      </fieldset>
      <p className="text-sm text-muted">
        It comes with {templateOf(shed, form.texts.kind).length} usual lines, due before its first day.
      </p>
    </FormDrawer>
  );
}
