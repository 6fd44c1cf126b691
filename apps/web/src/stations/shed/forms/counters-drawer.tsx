import { PARTS_COUNTER, PARTS_COUNTERS, type PartsCounter, type ShedRecords } from '@fanega/core';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { minutes } from '../../../quantity/quantity';
import { likeMinute, minuteText, readMinute } from '../../../quantity/time';
import { Button, TextBox } from '../../../ui';
import { type Box, rows } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureBox, textBox } from '../../../widgets/record-boxes';

/** Hours of one day, "8 am to 5:30 pm"; empty where it is shut. */
const hoursBox: Box<{ opens: number; closes: number } | undefined> = {
  read: (typed) => {
    if (typed.trim() === '') return { value: undefined };
    const parts = typed.split(/\s*(?:-|–|to)\s*/);
    const [opens, closes] = parts.map(readMinute);
    if (parts.length !== 2 || !(opens! >= 0) || !(closes! >= 0)) return { error: `${likeMinute()} to another` };
    if (closes! <= opens!) return { error: 'It closes before it opens' };
    return { value: { opens: opens! / 60, closes: closes! / 60 } };
  },
};
const hoursText = (opens: number | undefined, closes: number | undefined): string =>
  opens === undefined || closes === undefined
    ? ''
    : `${minuteText(Math.round(60 * opens))} to ${minuteText(Math.round(60 * closes))}`;

const EMPTY = { name: '', phone: '', roadMin: '', week: '', saturday: '', sunday: '' };
const MOST = PARTS_COUNTERS.fields.counters.spec.kind === 'list' ? PARTS_COUNTERS.fields.counters.spec.most : 0;

/** Dealers' parts counters: their hours, their road, their number. */
export function CountersDrawer({ farm, shed, onClose }: { farm: Farm; shed: ShedRecords; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const kept = shed.settings.partsCounters.farm;
  const form = useFields({
    keptAs: `counters.${farm.id}`,
    boxes: {
      counters: rows(() => ({
        name: textBox(PARTS_COUNTER.name, 'What is it called?'),
        phone: textBox(PARTS_COUNTER.phone),
        roadMin: figureBox(PARTS_COUNTER.roadMin, minutes, { missing: 'How many minutes to drive?' }),
        week: hoursBox,
        saturday: hoursBox,
        sunday: hoursBox,
      })),
    },
    start: () => ({
      counters: (kept?.value.counters ?? []).map((one) => ({
        name: one.name,
        phone: one.phone,
        roadMin: minutes.text(one.roadMin),
        week: hoursText(one.opens, one.closes),
        saturday: hoursText(one.saturdayOpens, one.saturdayCloses),
        sunday: hoursText(one.sundayOpens, one.sundayCloses),
      })),
    }),
    close: onClose,
    save: async ({ counters }) => {
      const value = {
        counters: counters.map(({ name, phone, roadMin, week, saturday, sunday }): PartsCounter => ({
          name,
          phone,
          roadMin,
          ...(week ? { opens: week.opens, closes: week.closes } : {}),
          ...(saturday ? { saturdayOpens: saturday.opens, saturdayCloses: saturday.closes } : {}),
          ...(sunday ? { sundayOpens: sunday.opens, sundayCloses: sunday.closes } : {}),
        })),
      };
      await write(farm.id, setting(farm.id, 'partsCounters', 'farm', { revision: kept?.revision ?? 0, value }));
      await refresh();
    },
  });
  const list = form.texts.counters;
  return (
    <FormDrawer form={form} title="Parts counters" button="Save">
      {list.map((_, i) => (
        <fieldset key={i} className="space-y-3 border-b border-rule pb-4">
          <legend className="sr-only">Counter {i + 1}</legend>
          <TextBox label="Name" {...form.box(`counters.${i}.name`)} />
          <div className="grid grid-cols-2 gap-3">
            <TextBox label="Phone" type="tel" {...form.box(`counters.${i}.phone`)} />
            <TextBox label="Drive" {...form.box(`counters.${i}.roadMin`)} />
          </div>
          <TextBox label="Monday to Friday" hint="like 7 am to 5:30 pm" {...form.box(`counters.${i}.week`)} />
          <div className="grid grid-cols-2 gap-3">
            <TextBox label="Saturday" hint="blank: shut" {...form.box(`counters.${i}.saturday`)} />
            <TextBox label="Sunday" hint="blank: shut" {...form.box(`counters.${i}.sunday`)} />
          </div>
          <Button
            look="quiet"
            className="!px-0"
            onClick={() =>
              form.set(
                'counters',
                list.filter((__, k) => k !== i),
              )
            }
          >
            Take it off
          </Button>
        </fieldset>
      ))}
      <Button disabled={list.length >= MOST} onClick={() => form.set('counters', [...list, EMPTY])}>
        Add a counter
      </Button>
    </FormDrawer>
  );
}
