import { PILE_BASES, PILE_COVERS, PILE_SETUP, type PileSetup, type SettingEntry } from '@fanega/core';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { length } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureOrNone, textBox } from '../../../widgets/record-boxes';

export const BASE_WORDS: Readonly<Record<PileSetup['base'], string>> = {
  ground: 'bare ground',
  gravel: 'packed gravel',
  asphalt: 'asphalt',
  concrete: 'concrete',
};

/** What a pile lies on and under. */
export function PileSetupDrawer({
  farm,
  placeId,
  kept,
  onClose,
}: {
  farm: Farm;
  placeId: string;
  kept: SettingEntry<'pileSetup'> | undefined;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const { fields } = PILE_SETUP;
  const form = useFields({
    keptAs: `pile.${farm.id}.${placeId}`,
    boxes: {
      base: oneOf<PileSetup['base']>(),
      cover: oneOf<PileSetup['cover']>(),
      aired: oneOf<'yes' | 'no'>(),
      width: figureOrNone(fields.width, length),
      note: textBox(fields.note),
    },
    start: () => ({
      base: kept?.value.base ?? 'ground',
      cover: kept?.value.cover ?? 'none',
      aired: kept?.value.aired ? ('yes' as const) : ('no' as const),
      width: length.text(kept?.value.width),
      note: kept?.value.note ?? '',
    }),
    close: onClose,
    save: async ({ base, cover, aired, width, note }) => {
      const value: PileSetup = {
        base,
        cover,
        aired: aired === 'yes',
        ...(width === undefined ? {} : { width }),
        ...(note === '' ? {} : { note }),
      };
      await write(farm.id, setting(farm.id, 'pileSetup', placeId, { revision: kept?.revision ?? 0, value }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={`${farm.placeName(placeId)}: what it lies on`} button="Keep it">
      <SelectBox label="On" {...form.box('base')}>
        {PILE_BASES.map((base) => (
          <option key={base} value={base}>
            {BASE_WORDS[base]}
          </option>
        ))}
      </SelectBox>
      <SelectBox label="Cover" {...form.box('cover')}>
        {PILE_COVERS.map((cover) => (
          <option key={cover} value={cover}>
            {cover === 'tarp' ? 'tarp' : 'none'}
          </option>
        ))}
      </SelectBox>
      <SelectBox label="Fans draw air through it" {...form.box('aired')}>
        <option value="no">no</option>
        <option value="yes">yes</option>
      </SelectBox>
      <TextBox label="The strip is wide" hint="blank: a round pile" {...form.box('width')} />
      <TextBox label="Note" {...form.box('note')} />
    </FormDrawer>
  );
}
