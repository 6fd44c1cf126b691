import { living, PART_FEELS, PART_HEAT } from '@fanega/core';
import { ulid } from 'ulid';
import { useShed, useWeather } from '../../../data/farm';
import { logged } from '../../../data/records';
import { temperature } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { Dictate } from '../../../widgets/dictate';
import { oneOf, yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { SwitchBox } from '../../../ui/switch-box';
import { figureOrNone, textBox } from '../../../widgets/record-boxes';
import { hourAt } from '../../../widgets/weather-now';
import { say } from '../../../words';
import { type MachinePadGiven, PadDrawer } from './pad-drawer';
import { usePad } from './use-pad';

const NOTICED = 120;

/** How hot a part is, by hand or by an infrared thermometer; the air's temperature is the weather's. */
export function HeatPad({ farm, me, onClose, onKeep }: MachinePadGiven) {
  const { fields } = PART_HEAT;
  const shed = useShed().data;
  const air = hourAt(useWeather(1, 1).data, farm.clock());
  const heats = living(shed?.logs.partHeat ?? []).filter(({ body }) => body.placeId === me.id);
  const worn =
    Object.values(shed?.settings.machine ?? {}).find(({ value }) => value.placeId === me.id)?.value.wear ?? [];
  const parts = [...new Set([...heats.map(({ body }) => body.part), ...worn.map(({ name }) => name)])];
  const form = useFields({
    keptAs: `heat.${farm.id}.${me.id}`,
    boxes: {
      part: textBox(fields.part, say('partMissing')),
      celsius: figureOrNone(fields.celsius, temperature),
      feels: oneOf<'' | (typeof PART_FEELS)[number]>(),
      noticed: textBox(fields.noticed),
      greased: yesNo,
    },
    start: () => ({
      part: heats[0]?.body.part ?? '',
      celsius: '',
      feels: '' as const,
      noticed: '',
      greased: false as boolean,
    }),
    together: ({ celsius, feels }) => (celsius === undefined && feels === '' ? { celsius: say('heatMissing') } : {}),
    close: onClose,
    save: ({ part, celsius, feels, noticed, greased }) => {
      const body = {
        id: ulid(),
        at: new Date(farm.clock()).toISOString(),
        placeId: me.id,
        part,
        noticed,
        greased,
        ...(celsius === undefined ? {} : { celsius, ...(air ? { airCelsius: air.temperature } : {}) }),
        ...(feels === '' ? {} : { feels }),
      };
      onKeep(logged(farm.id, 'partHeat', body), say('heatKept', { part }));
      return Promise.resolve(true);
    },
  });
  const pad = usePad(form, 'celsius');
  return (
    <PadDrawer form={form} title={say('way_heat')} onKey={pad.onKey}>
      <TextBox label={say('heatPart')} list="parts-known" {...form.box('part')} />
      <datalist id="parts-known">
        {parts.map((part) => (
          <option key={part} value={part} />
        ))}
      </datalist>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label={say('heatHow')} {...pad.box('celsius')} />
        <SelectBox label={say('heatFeels')} {...form.box('feels')}>
          <option value="">{say('feels_')}</option>
          {PART_FEELS.map((feels) => (
            <option key={feels} value={feels}>
              {say(`feels_${feels}`)}
            </option>
          ))}
        </SelectBox>
      </div>
      <TextBox label={say('heatNoticed')} {...form.box('noticed')} />
      <Dictate text={form.texts.noticed} most={NOTICED} onText={(text) => form.set('noticed', text)} />
      <SwitchBox large className="text-lg" on={form.texts.greased} onChange={(on) => form.set('greased', on)}>
        {say('heatGreased')}
      </SwitchBox>
    </PadDrawer>
  );
}
