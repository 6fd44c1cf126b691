import { AERATION, type Aeration, AERATION_MODES, CABLE, type SettingEntry } from '@fanega/core';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { count, length, temperature, warmer } from '../../../quantity/quantity';
import { Button, SelectBox, TextBox } from '../../../ui';
import { oneOf, rows } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureBox, textBox } from '../../../widgets/record-boxes';

export const MODE_WORDS: Readonly<Record<Aeration['mode'], string>> = {
  always: 'all the time, until the front is through',
  window: 'in hours that cool it and do not wet it',
  off: 'not at all',
};

/** When the fan of a bin runs: schools of the trade, a setting. */
export function AerationDrawer({
  farm,
  placeId,
  start,
  revision,
  onClose,
}: {
  farm: Farm;
  placeId: string;
  start: Aeration;
  revision: number;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const { fields } = AERATION;
  const form = useFields({
    keptAs: `aeration.${farm.id}.${placeId}`,
    boxes: {
      mode: oneOf<Aeration['mode']>(),
      coolBy: figureBox(fields.coolBy, warmer),
      mostRewet: figureBox(fields.mostRewet, count),
      leastCelsius: figureBox(fields.leastCelsius, temperature),
    },
    start: () => ({
      mode: start.mode,
      coolBy: warmer.text(start.coolBy),
      mostRewet: count.text(start.mostRewet),
      leastCelsius: temperature.text(start.leastCelsius),
    }),
    close: onClose,
    save: async (value) => {
      await write(farm.id, setting(farm.id, 'aeration', placeId, { revision, value }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={`${farm.placeName(placeId)}: when its fan runs`} button="Keep it">
      <SelectBox label="It runs" {...form.box('mode')}>
        {AERATION_MODES.map((mode) => (
          <option key={mode} value={mode}>
            {MODE_WORDS[mode]}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Air cooler than the grain by" hint="after the fan’s own heat" {...form.box('coolBy')} />
        <TextBox label="May wet it by" unit="points" hint="0: never wetter" {...form.box('mostRewet')} />
        <TextBox label="Never cooled below" {...form.box('leastCelsius')} />
      </div>
      <p className="text-sm text-muted">
        Some run a fan nonstop until the front is through: more hours, and no front stuck half way. Others run only the
        hours that cool and do not wet: fewer hours over a longer time.
      </p>
    </FormDrawer>
  );
}

const EMPTY = { name: '', fromCenter: '', lowest: '', spacing: '', sensors: '' };

/** The cables that hang in a bin, in the order in which their device counts them. */
export function CablesDrawer({
  farm,
  placeId,
  kept,
  onClose,
}: {
  farm: Farm;
  placeId: string;
  kept: SettingEntry<'binCables'> | undefined;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const form = useFields({
    keptAs: `cables.${farm.id}.${placeId}`,
    boxes: {
      cables: rows(() => ({
        name: textBox(CABLE.name, 'What is it called?'),
        fromCenter: figureBox(CABLE.fromCenter, length),
        lowest: figureBox(CABLE.lowest, length),
        spacing: figureBox(CABLE.spacing, length),
        sensors: figureBox(CABLE.sensors, count),
      })),
    },
    start: () => ({
      cables: kept?.value.cables.map((one) => ({
        name: one.name,
        fromCenter: length.text(one.fromCenter),
        lowest: length.text(one.lowest),
        spacing: length.text(one.spacing),
        sensors: count.text(one.sensors),
      })) ?? [{ ...EMPTY, name: 'middle' }],
    }),
    together: ({ cables }): Record<string, string> => (cables.length === 0 ? { cables: 'At least one cable' } : {}),
    close: onClose,
    save: async (value) => {
      await write(farm.id, setting(farm.id, 'binCables', placeId, { revision: kept?.revision ?? 0, value }));
      await refresh();
    },
  });
  const { texts, set } = form;
  return (
    <FormDrawer form={form} title={`${farm.placeName(placeId)}: its cables`} button="Keep it">
      <p className="text-sm text-muted">
        Add a device of the kind “Bin cables” in Shed, Devices; it counts the cables in this order, and each cable’s
        sensors from the lowest up.
      </p>
      {texts.cables.map((_, i) => (
        <fieldset key={i} className="space-y-3 border-t border-rule pt-3">
          <legend className="font-semibold">Cable {i + 1}</legend>
          <TextBox label="Name" {...form.box(`cables.${i}.name`)} />
          <div className="grid grid-cols-2 gap-3">
            <TextBox label="From the middle" {...form.box(`cables.${i}.fromCenter`)} />
            <TextBox label="Sensors" {...form.box(`cables.${i}.sensors`)} />
            <TextBox label="Lowest above the floor" {...form.box(`cables.${i}.lowest`)} />
            <TextBox label="Between sensors" {...form.box(`cables.${i}.spacing`)} />
          </div>
          {texts.cables.length > 1 && (
            <Button
              look="quiet"
              className="!px-0"
              onClick={() =>
                set(
                  'cables',
                  texts.cables.filter((__, k) => k !== i),
                )
              }
            >
              Leave out
            </Button>
          )}
        </fieldset>
      ))}
      <Button onClick={() => set('cables', [...texts.cables, { ...(texts.cables.at(-1) ?? EMPTY), name: '' }])}>
        Another cable
      </Button>
    </FormDrawer>
  );
}
