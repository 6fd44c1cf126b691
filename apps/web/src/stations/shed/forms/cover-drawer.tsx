import { COVER, COVER_KINDS, type SettingEntry } from '@fanega/core';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { bushels, minutes } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureBox, figureOrNone, textBox } from '../../../widgets/record-boxes';

export const COVER_WORDS: Readonly<Record<(typeof COVER_KINDS)[number], string>> = {
  tarp: 'tarp',
  lid: 'lids',
  door: 'door',
  sheet: 'sheet over a pile',
};
const USUAL_MINUTES = 5;

/** What is closed over a place before it rains. */
export function CoverDrawer({
  farm,
  placeId,
  kept,
  onClose,
}: {
  farm: Farm;
  placeId: string;
  kept: SettingEntry<'cover'> | undefined;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const was = kept?.value;
  const per = farm.kgPerBu(farm.cropOf(farm.held(placeId).lots));
  const { fields } = COVER;
  const form = useFields({
    boxes: {
      kind: oneOf<(typeof COVER_KINDS)[number]>(),
      closesUpTo: figureOrNone(fields.closesUpTo, bushels, { per, was: was?.closesUpTo }),
      minutes: figureBox(fields.minutes, minutes, { missing: 'How long does it take?' }),
      who: textBox(fields.who),
    },
    start: () => ({
      kind: was?.kind ?? ('tarp' as const),
      closesUpTo: bushels.text(was?.closesUpTo, per),
      minutes: minutes.text(was?.minutes ?? USUAL_MINUTES),
      who: was?.who ?? '',
    }),
    close: onClose,
    save: async ({ kind, closesUpTo, minutes: takes, who }) => {
      const value = { kind, minutes: takes, who, ...(closesUpTo === undefined ? {} : { closesUpTo }) };
      await write(farm.id, setting(farm.id, 'cover', placeId, { revision: kept?.revision ?? 0, value }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={`Cover of ${farm.placeName(placeId)}`} button="Keep it">
      <SelectBox label="It is a" {...form.box('kind')}>
        {COVER_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {COVER_WORDS[kind]}
          </option>
        ))}
      </SelectBox>
      <TextBox label="Closes up to" hint="heaped higher it does not; blank: always" {...form.box('closesUpTo')} />
      <TextBox label="Closing it takes" {...form.box('minutes')} />
      <TextBox label="Who closes it" {...form.box('who')} />
    </FormDrawer>
  );
}
