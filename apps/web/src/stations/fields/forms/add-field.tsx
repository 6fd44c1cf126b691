import { type CropId, FIELD_NAMES } from '@fanega/core';
import { post } from '../../../data/api';
import { useFarm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { area, count, system } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureBox, textBox } from '../../../widgets/record-boxes';

export function AddField({ onClose }: { onClose: () => void }) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const form = useFields({
    keptAs: `add-field.${farm.id}.${system()}`,
    boxes: {
      name: textBox(FIELD_NAMES.name, 'The field needs a name'),
      acres: figureBox(FIELD_NAMES.acres, area),
      tag: textBox(FIELD_NAMES.tag, 'The tag is missing'),
      crop: oneOf<CropId>(),
      variety: textBox(FIELD_NAMES.variety),
      season: figureBox(FIELD_NAMES.season, count, { missing: 'A year like 2026' }),
    },
    start: () => ({
      name: '',
      acres: '',
      crop: 'corn',
      variety: '',
      tag: '',
      season: String(new Date(farm.data.now).getUTCFullYear()),
    }),
    close: onClose,
    save: async (body) => {
      await write(farm.id, post('/api/farms/{farmId}/fields', { path: { farmId: farm.id } }, body));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title="Add a field" button="Add the field">
      <TextBox label="Name" {...form.box('name')} />
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Area" {...form.box('acres')} />
        <TextBox label="Tag" hint="two or three letters" {...form.box('tag')} />
      </div>
      <SelectBox label="Crop" {...form.box('crop')}>
        {farm.crops.map((crop) => (
          <option key={crop.id} value={crop.id}>
            {crop.name}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Variety" {...form.box('variety')} />
        <TextBox label="Season" {...form.box('season')} />
      </div>
    </FormDrawer>
  );
}
