import { CAUTIOUS_LIFE, cropOf, type Deadline, groupBy, SELF_HEATING, STORAGE_LIFE } from '@fanega/core';
import { useState } from 'react';
import type { Farm } from '../../../data/farm';
import { bushels, heldText, moisture, percent, temperature } from '../../../quantity/quantity';
import { clock, moment, soon, spanText } from '../../../quantity/time';
import { Button, Loading } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { Section } from '../../../ui/page';
import { type Column, DataTable } from '../../../ui/table';
import { useTicking } from '../../../ui/use-ticking';
import { Verdict } from '../../../ui/verdict';
import { wordColumn } from '../../../widgets/columns';
import { useDeadlines } from '../../../widgets/use-deadlines';
import { Working } from '../../../widgets/working';
import { WarmthDrawer } from '../../../widgets/warmth-drawer';

const HOUR = 3_600_000;
/** So near that it is said in red. */
const NEAR_MS = 24 * HOUR;

interface Row extends Deadline {
  readonly layers: number;
  readonly allLots: Readonly<Record<string, number>>;
  readonly driest: number;
  readonly wettest: number;
}

/** Everything wet and where it is, by the hour it must be dried, cooled or gone. */
export default function Deadlines({ farm }: { farm: Farm }) {
  useTicking();
  const all = useDeadlines(farm);
  const [measuring, setMeasuring] = useState<string | null>(null);
  const { timeZone } = farm.data.farm;
  const now = farm.clock();
  if (!all) return <Loading what="Looking for wet grain" />;
  const [first] = all;
  const left = (due: number | null): string =>
    due === null || due <= now
      ? 'no time left'
      : due - now < 48 * HOUR
        ? `${spanText(Math.floor((due - now) / 60_000))} left`
        : `${Math.floor((due - now) / (24 * HOUR))} days ${due - now < 14 * 24 * HOUR ? `${Math.floor(((due - now) / HOUR) % 24)} h ` : ''}left`;
  const when = (due: number | null): string => (due === null || due <= now ? 'now' : soon(due, now, timeZone));
  const short = (crop: string): string => cropOf(crop)?.short ?? crop;
  // One line for a place and crop: its nearest layer decides, the others are in its bushels.
  const groups = groupBy(all, ({ placeId, crop }) => `${placeId} ${crop}`);
  const places = [...groups.values()].map((layers): Row => {
    const allLots: Record<string, number> = {};
    for (const { wetLots } of layers)
      for (const [lot, kg] of Object.entries(wetLots)) allLots[lot] = (allLots[lot] ?? 0) + kg;
    const moistures = layers.map((one) => one.moisture);
    return {
      ...layers[0]!,
      layers: layers.length,
      allLots,
      driest: Math.min(...moistures),
      wettest: Math.max(...moistures),
    };
  });
  const columns: Column<Row>[] = [
    wordColumn('place', 'Where', (one) => farm.placeName(one.placeId), {
      phone: 'title',
      as: (name) => <b className="font-semibold">{name}</b>,
    }),
    wordColumn('what', 'What', (one) => {
      const wet =
        one.layers === 1 || one.wettest - one.driest < 5e-4
          ? percent(one.wettest)
          : `${moisture.figure(one.driest)} to ${percent(one.wettest)}, ${one.layers} layers`;
      return `${heldText(farm, one.allLots)} ${short(one.crop)} at ${wet}`;
    }),
    {
      id: 'warm',
      head: 'Grain at',
      right: true,
      value: (one) => one.warmth.celsius,
      show: (one) => (
        <span className="whitespace-nowrap">
          {temperature(one.warmth.celsius).text}{' '}
          <span className="text-sm text-muted">
            {one.warmth.measuredMs === null ? 'as the air' : clock(one.warmth.measuredMs, timeZone)}
          </span>
        </span>
      ),
    },
    {
      id: 'cut',
      head: 'Cut',
      right: true,
      value: (one) => one.cutMs,
      show: (one) => (one.cutMs === null ? '–' : moment(one.cutMs, timeZone)),
    },
    {
      id: 'used',
      head: 'Life used',
      right: true,
      value: (one) => one.lifeUsed,
      show: (one) => percent(Math.min(1, one.lifeUsed), 0),
    },
    {
      id: 'due',
      head: 'By',
      right: true,
      phone: 'verdict',
      value: (one) => one.dueMs ?? 0,
      show: (one) => (
        <span
          className={`whitespace-nowrap ${(one.dueMs ?? 0) - now < NEAR_MS ? 'font-semibold text-clay' : 'font-semibold'}`}
        >
          {(one.dueMs ?? 0) - now < NEAR_MS ? '■ ' : ''}
          {when(one.dueMs)} <span className="text-sm font-normal text-muted">{left(one.dueMs)}</span>
        </span>
      ),
    },
    {
      id: 'measure',
      head: 'How warm',
      value: () => '',
      show: (one) => (
        <Button look="quiet" className="!px-0 text-sm" onClick={() => setMeasuring(one.placeId)}>
          Measure it
        </Button>
      ),
    },
  ];
  return (
    <>
      <Section label="The nearest deadline">
        {!first ? (
          <Verdict small shape="●" figure="Nothing wet">
            All that lies on the farm is near its base.
          </Verdict>
        ) : (
          <>
            <Verdict
              about={`${farm.placeName(first.placeId)}, ${bushels(first.wetKg / farm.kgPerBu(first.crop), farm.kgPerBu(first.crop)).text} of ${short(first.crop)} at ${percent(first.moisture)}`}
              figure={when(first.dueMs)}
              unit={left(first.dueMs)}
              bad={(first.dueMs ?? 0) - now < NEAR_MS}
            >
              {first.aired === null
                ? 'Wetter or warmer than every table: dry it, cool it or move it at once.'
                : first.standsStill && first.still
                  ? `Without air it heats itself, to ${temperature(first.still.celsius).text} by then. With air through it, until ${moment(now + first.aired.days * 24 * HOUR, timeZone)}.`
                  : 'Dried, cooled or gone by then: half a percent of its dry matter is about one grade.'}
            </Verdict>
            <Working
              what={`${farm.placeName(first.placeId)}: ${when(first.dueMs)}`}
              formulas={[CAUTIOUS_LIFE, STORAGE_LIFE, SELF_HEATING]}
              inputs={[
                { name: 'Moisture', value: percent(first.moisture), from: 'the book, by layer' },
                {
                  name: 'Grain temperature',
                  value: temperature(first.warmth.celsius).text,
                  from:
                    first.warmth.measuredMs === null
                      ? 'never measured: as the air was in the last day'
                      : 'measured in it',
                  at: first.warmth.measuredMs,
                  ...(first.warmth.measuredMs === null ? { enter: '/dry/deadlines' } : {}),
                },
                {
                  name: 'Cut',
                  value: first.cutMs === null ? '–' : moment(first.cutMs, timeZone),
                  from: 'the loads it came from, back along the book',
                },
                {
                  name: 'Life used',
                  value: percent(Math.min(1, first.lifeUsed), 0),
                  from: 'as wet and warm since it was cut',
                },
              ]}
              worked={
                first.still && first.standsStill
                  ? [
                      `still: ${spanText(Math.floor(first.still.days * 24 * 60))} left at ${percent(first.moisture)}, no heat escaping`,
                    ]
                  : []
              }
              not="mold that was there before, and broken grain, which keeps shorter."
            />
          </>
        )}
      </Section>
      {all.length > 0 && (
        <div className="border-t border-ink">
          <DataTable
            name="Deadlines"
            one="place"
            many="places"
            rows={places}
            columns={columns}
            rowId={(one) => `${one.placeId} ${one.crop}`}
            sortedBy={{ id: 'due', down: false }}
          />
        </div>
      )}
      <div className="px-5 py-4 lg:px-6">
        <Callout icon className="px-3 py-2 text-sm">
          Grain that smells sour, steams or has a crust is beyond any table. Nobody goes into a bin to look: from the
          hatch or the ground, unload locked out, never alone.
        </Callout>
      </div>
      {measuring !== null && <WarmthDrawer placeId={measuring} onClose={() => setMeasuring(null)} />}
    </>
  );
}
