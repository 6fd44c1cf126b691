import {
  aerationPlan,
  type AerationPlan,
  bookLevel,
  type CablesNow,
  COOLING_CYCLE,
  cropOf,
  CROPS,
  cycleBegan,
  fanHours,
  fanInBin,
  keepsFor,
  type FieldRecords,
  type PlaceInfo,
  RangeRefusal,
  type SensorNow,
  switchesOf,
  USUAL_AERATION,
  wireKilowatts,
} from '@fanega/core';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { ulid } from 'ulid';
import { type Farm, useBinSetups, useCables, useNotebook, useRefreshFarm, useWeather } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import {
  airOfBushel,
  count,
  dollars,
  length,
  number,
  percent,
  temperature,
  warmer,
  moisture,
} from '../../../quantity/quantity';
import { day, DAY_MS, moment, soon } from '../../../quantity/time';
import { Button, Empty, Loading, Problem, SelectBox } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { Section } from '../../../ui/page';
import { useMedia } from '../../../ui/use-media';
import { useTicking } from '../../../ui/use-ticking';
import { Verdict } from '../../../ui/verdict';
import { Ago } from '../../../widgets/ago';
import { BinFanDrawer, USUAL_FAN } from '../../../widgets/bin-fan';
import { strataOf } from '../../../widgets/core-sample';
import { Hazard } from '../../../widgets/hazard';
import { useRecorded } from '../../../widgets/take-back';
import { useKeepingRules } from '../../../widgets/use-deadlines';
import { useWarmth } from '../../../widgets/use-warmth';
import { WarmthDrawer } from '../../../widgets/warmth-drawer';
import { Working } from '../../../widgets/working';
import { AerationDrawer, CablesDrawer, MODE_WORDS } from '../forms/aeration';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, momentColumn, wordColumn } from '../../../widgets/columns';

/** Whether a bin's fan runs now, and how warm its grain is. */
export default function Air({ farm }: { farm: Farm }) {
  const notebook = useNotebook().data;
  const store = useBinSetups().data;
  const [params, setParams] = useSearchParams();
  if (!notebook || !store) return <Loading what="Opening" />;
  const bins = farm.data.places.filter(({ kind }) => kind === 'bin');
  const rank = ({ id }: PlaceInfo): number =>
    (store.settings.binCables[id] ? 4 : 0) +
    (notebook.settings.binFan[id] ? 2 : 0) +
    (farm.bushels(farm.held(id).wetLots) >= 1 ? 1 : 0);
  const bin =
    bins.find(({ id }) => id === params.get('bin')) ??
    [...bins].filter((one) => farm.bushels(farm.held(one.id).wetLots) >= 1).sort((a, b) => rank(b) - rank(a))[0] ??
    bins[0];
  if (!bin) return <Empty title="No bin is in the book yet: add one, and its air is figured here." />;
  return (
    <BinAir
      key={bin.id}
      farm={farm}
      bin={bin}
      bins={bins}
      notebook={notebook}
      store={store}
      onBin={(id) => setParams({ bin: id }, { replace: true })}
    />
  );
}

type Store = NonNullable<ReturnType<typeof useBinSetups>['data']>;

function BinAir({
  farm,
  bin,
  bins,
  notebook,
  store,
  onBin,
}: {
  farm: Farm;
  bin: PlaceInfo;
  bins: readonly PlaceInfo[];
  notebook: FieldRecords;
  store: Store;
  onBin: (id: string) => void;
}) {
  useTicking();
  const { timeZone } = farm.data.farm;
  const weather = useWeather(7, 10).data;
  const cables = useCables(bin.id).data?.cables;
  const warmth = useWarmth(farm, notebook).of(bin.id);
  const [open, setOpen] = useState<'fan' | 'rules' | 'cables' | 'warmth' | null>(null);
  const now = farm.clock();
  const held = farm.held(bin.id);
  const crop = cropOf(farm.cropOf(held.lots) ?? '') ?? CROPS.corn;
  const setup = store.settings.binSetup[bin.id]?.value;
  const keptRules = store.settings.aeration[bin.id];
  const rules = keptRules?.value ?? USUAL_AERATION;
  const switches = switchesOf(store.logs.fanSwitch, bin.id);
  const began = cycleBegan(switches, now);
  const ran = fanHours(switches, began ?? now, now);
  const celsius = cables?.mean ?? warmth.celsius;
  const warmFrom = typeof cables?.mean === 'number' ? 'cables' : warmth.measuredMs !== null ? 'measured' : 'air';
  const hot = cables?.spots.find(({ verdict }) => verdict === 'hot') ?? null;
  const keptFan = notebook.settings.binFan[bin.id];
  const level = setup && held.wetKg > 1 ? bookLevel(setup, crop, held.moisture ?? crop.baseMoisture, held.wetKg) : null;
  const point =
    keptFan && setup
      ? fanInBin(keptFan.value, setup, { crop, moisture: held.moisture ?? crop.baseMoisture, wetKg: held.wetKg })
      : null;
  const plan = planOf();

  function planOf(): AerationPlan | string | null {
    if (held.moisture === null || weather === undefined) return null;
    try {
      return aerationPlan({
        crop,
        moisture: held.moisture,
        celsius,
        hotSpot: hot?.celsius ?? null,
        air: weather.map(({ at, temperature: t, humidity }) => ({ atMs: Date.parse(at), temperature: t, humidity })),
        rules,
        fanHeat: point?.heatKelvin ?? 1,
        cfmPerBushel: point && point.cfmPerBushel > 0.01 && point.cfmPerBushel < 5 ? point.cfmPerBushel : null,
        hoursRun: ran.hours,
        kilowatts: point ? wireKilowatts(point) : 0,
        powerPrice: (keptFan?.value ?? USUAL_FAN).powerPrice,
        nowMs: now,
      });
    } catch (error) {
      if (error instanceof RangeRefusal) return error.message;
      throw error;
    }
  }

  return (
    <div className="lg:grid lg:grid-cols-[1.55fr_1fr]">
      <div className="min-w-0">
        <Section label="The fan">
          {held.wetKg <= 1 ? (
            <Verdict small shape="●" figure="Empty" about={bin.name}>
              It is empty.
            </Verdict>
          ) : plan === null ? (
            <Loading what="Looking at the air ahead" />
          ) : typeof plan === 'string' ? (
            <Problem>{plan}</Problem>
          ) : (
            <FanAnswer
              farm={farm}
              bin={bin}
              plan={plan}
              on={ran.on}
              hot={hot !== null}
              what={`${percent(held.moisture!)} ${crop.short} at ${temperature(Math.round(celsius)).text}`}
            />
          )}
          {held.wetKg > 1 && <FanSwitch farm={farm} placeId={bin.id} on={ran.on} />}
          {plan !== null && typeof plan !== 'string' && (
            <>
              {plan.cycle && (
                <p className="mt-3">
                  {plan.cycle.left <= 0 ? (
                    <>
                      The last cooling front is <b>through</b>: {number(ran.hours)} fan hours
                      {began === null ? '' : ` since ${day(began, timeZone)}`}, about {number(plan.cycle.hours)} needed.
                    </>
                  ) : (
                    <>
                      The cooling front has come <b>{percent(plan.cycle.share, 0)}</b> of the way: {number(ran.hours)}{' '}
                      of about {number(plan.cycle.hours)} fan hours
                      {began === null ? '' : `, since ${day(began, timeZone)}`}.{' '}
                      {plan.throughMs === null
                        ? 'Through later than the forecast reaches.'
                        : `Through by ${soon(plan.throughMs, now, timeZone)}.`}
                    </>
                  )}{' '}
                  {plan.kWh !== null && plan.cycle.left > 0 && (
                    <>
                      Still {number(plan.kWh)} kWh, {dollars(plan.money ?? 0)}.
                    </>
                  )}
                </p>
              )}
              <Working
                what={`${bin.name}: the fan`}
                formulas={[COOLING_CYCLE]}
                inputs={[
                  { name: 'Moisture', value: percent(held.moisture!), from: 'the book' },
                  {
                    name: 'Grain temperature',
                    value: temperature(celsius).text,
                    from:
                      warmFrom === 'cables'
                        ? 'its cables, the mean of what lies in grain'
                        : warmFrom === 'measured'
                          ? 'measured in it'
                          : 'never measured: as the air was in the last day',
                    at: warmFrom === 'cables' ? (cables?.newestMs ?? null) : warmth.measuredMs,
                    ...(warmFrom === 'air' ? { enter: `/store/air?bin=${bin.id}` } : {}),
                  },
                  {
                    name: 'Airflow',
                    value: point ? airOfBushel(point.cfmPerBushel).text : 'not known',
                    from: point ? 'the fan’s curve against this depth' : 'set the fan and the bin’s size',
                  },
                  {
                    name: 'The air ahead',
                    value: `${number(plan.hours.length)} hours`,
                    from: 'the forecast, with the fan’s own heat',
                  },
                ]}
                worked={
                  plan.cycle && point
                    ? [
                        `15 (12 in warm air, 20 in cold) ÷ ${airOfBushel(point.cfmPerBushel).text} = ${number(plan.cycle.hours)} h`,
                        `${number(plan.cycle.hours)} − ${number(ran.hours)} = ${number(plan.cycle.left)} h left`,
                      ]
                    : []
                }
                not="whether anybody may go in: nobody may."
              />
              <Ahead plan={plan} timeZone={timeZone} />
            </>
          )}
        </Section>
        <section aria-label="How warm it is" className="border-t border-ink px-5 py-5 lg:px-6">
          {cables === undefined ? (
            <Loading what="Looking at the cables" />
          ) : cables === null ? (
            <>
              <h2 className="font-semibold">No cables hang in it</h2>
              <p className="mt-1 text-muted">
                {warmth.measuredMs === null ? (
                  'This grain was never measured: it is taken to be as warm as the air was.'
                ) : (
                  <>
                    Measured <Ago at={warmth.measuredMs} />: {temperature(warmth.celsius).text}.
                  </>
                )}
              </p>
            </>
          ) : (
            <Temperatures
              farm={farm}
              cables={cables}
              names={store.settings.binCables[bin.id]!.value.cables}
              now={now}
              level={level}
            />
          )}
        </section>
        <KeepingClock farm={farm} bin={bin} cables={cables ?? null} level={level} celsius={celsius} />
      </div>
      <section
        aria-label="The bin and its fan"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        <SelectBox label="Bin" value={bin.id} onChange={(event) => onBin(event.target.value)}>
          {bins.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </SelectBox>
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
          <dt className="text-muted">Grain</dt>
          <dd className="text-right">{level === null ? 'its size is not known' : `${length(level).text} deep`}</dd>
          <dt className="text-muted">Fan</dt>
          <dd className="text-right">
            {point ? `${airOfBushel(point.cfmPerBushel).text}` : keptFan ? 'needs the bin’s size' : 'not set'}
          </dd>
          <dt className="text-muted">It runs</dt>
          <dd className="text-right">{MODE_WORDS[rules.mode]}</dd>
          {rules.mode === 'window' && (
            <>
              <dt className="text-muted">Air cooler by</dt>
              <dd className="text-right">{warmer(rules.coolBy).text}</dd>
              <dt className="text-muted">May wet it by</dt>
              <dd className="text-right">
                {count.text(rules.mostRewet)} {rules.mostRewet === 1 ? 'point' : 'points'}
              </dd>
            </>
          )}
        </dl>
        <div className="flex flex-wrap gap-3">
          <Button onClick={() => setOpen('rules')}>When it runs</Button>
          <Button onClick={() => setOpen('fan')}>The fan</Button>
          <Button onClick={() => setOpen('cables')}>Cables</Button>
          <Button onClick={() => setOpen('warmth')}>Measure by hand</Button>
        </div>
        <Callout icon className="px-3 py-2 text-sm">
          Cool grain and clean figures say nothing of going in: a bin is never safe to enter. Unload locked out,
          harness, a watcher at the hatch, air tested; by the local rules.
        </Callout>
        <Hazard card="binEntry" before={`air in ${bin.id}`} />
      </section>
      {open === 'fan' && <BinFanDrawer placeId={bin.id} kept={keptFan} onClose={() => setOpen(null)} />}
      {open === 'rules' && (
        <AerationDrawer
          farm={farm}
          placeId={bin.id}
          start={rules}
          revision={keptRules?.revision ?? 0}
          onClose={() => setOpen(null)}
        />
      )}
      {open === 'cables' && (
        <CablesDrawer
          farm={farm}
          placeId={bin.id}
          kept={store.settings.binCables[bin.id]}
          onClose={() => setOpen(null)}
        />
      )}
      {open === 'warmth' && <WarmthDrawer placeId={bin.id} onClose={() => setOpen(null)} />}
    </div>
  );
}

function FanAnswer({
  farm,
  bin,
  plan,
  on,
  hot,
  what,
}: {
  farm: Farm;
  bin: PlaceInfo;
  plan: AerationPlan;
  on: boolean;
  /** A hot spot counts before everything. */
  hot: boolean;
  what: string;
}) {
  const { timeZone } = farm.data.farm;
  const now = farm.clock();
  const [first] = plan.windows;
  const said = (ms: number): string => soon(ms, now, timeZone);
  const about = `${bin.name}, ${what}`;
  switch (plan.now) {
    case 'run now':
      return (
        <Verdict about={about} figure={on ? 'Let it run' : 'Run it now'} unit={`until ${said(first!.untilMs)}`}>
          {hot ? 'A spot in it is hot: any air cooler than it will do' : 'This air cools the grain'}
          {on ? '.' : ', and the fan is off.'}
        </Verdict>
      );
    case 'wait':
      return (
        <Verdict
          about={about}
          bad={on}
          figure={on ? 'Switch it off' : 'Leave it off'}
          unit={`until ${said(first!.fromMs)}`}
        >
          {hot ? 'The air now is too warm even for the hot spot.' : 'The air now warms or wets it.'} Run it from{' '}
          {said(first!.fromMs)} to {said(first!.untilMs)}.
        </Verdict>
      );
    case 'no hour':
      return (
        <Verdict about={about} bad={on} figure={on ? 'Switch it off' : 'Leave it off'}>
          No hour of the forecast cools it enough without wetting it.
        </Verdict>
      );
    case 'cool enough':
      return (
        <Verdict about={about} small shape="●" figure="Cool enough">
          The air ahead would not make it cooler.{on ? ' The fan can be switched off.' : ''}
        </Verdict>
      );
    case 'off':
      return (
        <Verdict about={about} small figure="Not aired" bad={on}>
          By the farm’s own rule for this bin.{on ? ' The fan runs all the same.' : ''}
        </Verdict>
      );
    case 'no forecast':
      return (
        <Verdict about={about} small figure="No forecast">
          It takes a forecast to say: a weather station is added in Shed, Devices.
        </Verdict>
      );
  }
}

/** One tap: the fan is on or off from now. Its hours follow. */
function FanSwitch({ farm, placeId, on }: { farm: Farm; placeId: string; on: boolean }) {
  const sending = useSend();
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const turn = async (): Promise<void> => {
    const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), placeId, on: !on };
    const what = on ? 'the fan is off' : 'the fan is on';
    if (await sending.send(() => write(farm.id, logged(farm.id, 'fanSwitch', body), what).then(() => true))) {
      recorded(on ? 'The fan is off' : 'The fan is on', 'fanSwitch', body.id);
      await refresh();
    }
  };
  return (
    <div className="mt-4 flex flex-wrap items-center gap-4">
      <Button look="do" disabled={sending.busy} onClick={() => void turn()}>
        {on ? 'I switched it off' : 'I switched it on'}
      </Button>
      <span className="text-muted">{on ? 'By the log it runs.' : 'By the log it stands.'}</span>
      {sending.message && <p className="text-clay">{sending.message}</p>}
    </div>
  );
}

const DOES = { cools: 'cools', warms: 'warms', holds: '–' } as const;
const WETS = { dries: 'dries', wets: 'wets', holds: '–' } as const;

/** What each of the next hours would do to this grain. */
function Ahead({ plan, timeZone }: { plan: AerationPlan; timeZone: string }) {
  const [all, setAll] = useState(false);
  if (plan.hours.length === 0) return null;
  const shown = all ? plan.hours : plan.hours.filter((_, i) => i % 3 === 0).slice(0, 12);
  const columns: Column<AerationPlan['hours'][number]>[] = [
    momentColumn('hour', 'Hour', ({ atMs }) => atMs, timeZone, { phone: 'title' }),
    figureColumn('air', 'Air at the grain', temperature, ({ does }) => does.air.temperature, {
      show: ({ does: { air } }) =>
        `${temperature(Math.round(air.temperature)).text}, ${percent(air.relativeHumidity, 0)}`,
    }),
    wordColumn('temperature', 'Temperature', ({ does }) => DOES[does.temperature]),
    wordColumn('moisture', 'Moisture', ({ does }) => WETS[does.moisture]),
    figureColumn('end', 'Would end at', moisture, ({ does }) => does.equilibrium.moisture),
    wordColumn('fan', 'Fan', ({ runs }) => (runs ? '● runs' : 'off'), { phone: 'verdict' }),
  ];
  return (
    <div className="mt-3" role="region" aria-label="The hours ahead">
      <DataTable
        name="Hours ahead"
        one="hour"
        many="hours"
        rows={shown}
        columns={columns}
        rowId={({ atMs }) => String(atMs)}
        rowClass={({ runs }) => (runs ? 'bg-sand font-semibold' : '')}
        flush
      />
      <Button look="quiet" className="!px-0 text-sm" onClick={() => setAll(!all)}>
        {all ? 'Every third hour' : `All ${number(plan.hours.length)} hours`}
      </Button>
    </div>
  );
}

const STATE_WORDS = { reads: '', silent: 'silent', jumps: 'jumps', 'never read': 'never read' } as const;

/** Hot spots by name, the picture of height and time, and each sensor as it stands. */
function Temperatures({
  farm,
  cables,
  names,
  now,
  level,
}: {
  farm: Farm;
  cables: CablesNow;
  names: readonly { readonly name: string }[];
  now: number;
  level: number | null;
}) {
  const nameOf = (one: SensorNow): string => `${names[one.cable]?.name ?? `cable ${one.cable + 1}`}, ${length(one.height).text} up`; // prettier-ignore
  const [hottest] = cables.spots;
  return (
    <>
      {cables.newestMs === null ? (
        <Verdict small figure="No readings">
          Its cables have sent nothing in the last 30 days.
        </Verdict>
      ) : hottest ? (
        <Verdict
          small
          bad={hottest.verdict === 'hot'}
          shape="▲"
          figure={temperature(hottest.celsius!).text}
          unit={nameOf(hottest)}
        >
          {hottest.verdict === 'hot' ? 'A hot spot' : 'Watch it'}:{' '}
          {[
            hottest.weekRise === null || hottest.weekRise < 0.5
              ? ''
              : `${warmer(hottest.weekRise).text} warmer in a week`,
            hottest.aboveNeighbors === null || hottest.aboveNeighbors < 0.5
              ? ''
              : `${warmer(hottest.aboveNeighbors).text} above the grain around it`,
          ]
            .filter((one) => one !== '')
            .join(', ')}
          .{' '}
          {hottest.verdict === 'hot'
            ? 'The fan’s hours above are set for it; if it does not cool in two days, move that grain while it still flows.'
            : 'Look again tomorrow; the fan’s hours above count.'}
        </Verdict>
      ) : (
        <Verdict
          small
          shape="●"
          figure="No hot spot"
          unit={cables.warmest ? `warmest ${temperature(cables.warmest.celsius!).text}` : undefined}
        >
          {cables.warmest ? `${nameOf(cables.warmest)}. ` : ''}
          {cables.mean === null ? '' : `The mean of the grain is ${temperature(cables.mean).text}.`}
        </Verdict>
      )}
      {cables.newestMs !== null && (
        <p className="mt-1 text-sm text-muted">
          Read <Ago at={cables.newestMs} />
          {cables.level
            ? `; by their daily swing grain ends between ${length(cables.level.above).text} and ${length(cables.level.below).text}${
                level === null
                  ? ''
                  : level < cables.level.above - 0.3 || level > cables.level.below + 0.3
                    ? `, and the book says ${length(level).text}: tape it`
                    : `, as the book says (${length(level).text})`
              }`
            : ''}
          .
        </p>
      )}
      {cables.leftOut.length > 0 && (
        <Callout className="mt-2 px-3 py-2">
          Left out:{' '}
          {cables.leftOut
            .map(
              (one) =>
                `${nameOf(one)} (${STATE_WORDS[one.state]}${one.state === 'silent' && one.atMs !== null ? ` since ${moment(one.atMs, farm.data.farm.timeZone)}` : ''})`,
            )
            .join('; ')}
          .
        </Callout>
      )}
      {cables.newestMs !== null && (
        <Picture cables={cables} timeZone={farm.data.farm.timeZone} level={level} now={now} />
      )}
      <SensorTable cables={cables} names={names} />
    </>
  );
}

/** Height over time, the warmer the darker; figures at the right are the newest. */
function Picture({
  cables,
  timeZone,
  level,
  now,
}: {
  cables: CablesNow;
  timeZone: string;
  level: number | null;
  now: number;
}) {
  const { heights, celsius, fromMs, stepMs } = cables.picture;
  const figures = celsius.flat().filter((value): value is number => value !== null);
  const [least, most] = [Math.min(...figures), Math.max(...figures)];
  const range = Math.max(3, most - least);
  const wide = useMedia('(min-width: 40rem)');
  const [W, ROW] = [wide ? 600 : 250, 26];
  const H = ROW * heights.length;
  const cell = W / celsius.length;
  const shade = (value: number): number => Math.round(8 + (84 * (value - least)) / range);
  const newest = heights.map((_, h) => [...celsius].reverse().find((column) => column[h] !== null)?.[h] ?? null);
  const y = (m: number): number => {
    const [lowest, spacing] = [heights[0]!, (heights[1] ?? heights[0]! + 1) - heights[0]!];
    return H - ((m - lowest) / spacing + 0.5) * ROW;
  };
  const days = (wide ? [0, 0.25, 0.5, 0.75, 1] : [0, 0.5, 1]).map((part) => ({
    part,
    at: fromMs + part * stepMs * celsius.length,
  }));
  return (
    <figure className="mt-3">
      <svg
        viewBox={`0 0 ${W + 120} ${H + 24}`}
        role="img"
        aria-label={`Temperature by height in the last 30 days, from ${temperature(least).text} to ${temperature(most).text}`}
        className="block w-full max-w-3xl"
      >
        {celsius.map((column, i) =>
          column.map((value, h) =>
            value === null ? null : (
              <rect
                key={`${i} ${h}`}
                x={56 + i * cell}
                y={H - (h + 1) * ROW}
                width={cell + 0.4}
                height={ROW + 0.4}
                fill={`color-mix(in srgb, var(--clay) ${shade(value)}%, var(--paper))`}
              />
            ),
          ),
        )}
        {heights.map((height, h) => (
          <g key={height} fontSize="13" fill="var(--ink)">
            <text x="50" y={H - (h + 0.5) * ROW + 4} textAnchor="end">
              {length(height).text}
            </text>
            <text x={62 + W} y={H - (h + 0.5) * ROW + 4} fontWeight="700">
              {newest[h] === null ? '' : temperature(newest[h]!).text}
            </text>
          </g>
        ))}
        {level !== null && y(level) > 0 && y(level) < H && (
          <g>
            <line
              x1="56"
              x2={56 + W}
              y1={y(level)}
              y2={y(level)}
              stroke="var(--ink)"
              strokeWidth="2"
              strokeDasharray="6 4"
            />
            <text x="60" y={y(level) < 20 ? y(level) + 14 : y(level) - 5} fontSize="12" fill="var(--ink)">
              grain by the book
            </text>
          </g>
        )}
        {days.map(({ part, at }) => (
          <text
            key={part}
            x={56 + part * W}
            y={H + 18}
            fontSize="13"
            fill="var(--ink)"
            textAnchor={part === 0 ? 'start' : part === 1 ? 'end' : 'middle'}
          >
            {part === 1 && now - at < DAY_MS ? 'now' : day(at, timeZone)}
          </text>
        ))}
      </svg>
      <figcaption className="text-sm text-muted">
        Light is {temperature(least).text}, dark {temperature(most).text}; the mean of all cables at each height.
      </figcaption>
    </figure>
  );
}

/** Every sensor as it stands, by height and cable. */
function SensorTable({ cables, names }: { cables: CablesNow; names: readonly { readonly name: string }[] }) {
  const heights = [...new Set(cables.sensors.map(({ height }) => Math.round(100 * height) / 100))].sort(
    (a, b) => b - a,
  );
  const at = (height: number, cable: number): SensorNow | undefined =>
    cables.sensors.find((one) => one.cable === cable && Math.abs(one.height - height) < 0.01);
  return (
    <div className="mt-3 overflow-x-auto" tabIndex={0} role="region" aria-label="Every sensor">
      <table className="w-full max-w-3xl">
        <thead className="border-y border-ink text-sm">
          <tr>
            <th className="py-1 pr-2 text-left">Up</th>
            {names.map(({ name }, i) => (
              <th key={i} className="px-2 text-right">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {heights.map((height) => (
            <tr key={height} className="border-b border-rule">
              <td className="py-0.5 pr-2">{length(height).text}</td>
              {names.map((_, i) => {
                const one = at(height, i);
                return (
                  <td
                    key={i}
                    className={`px-2 text-right ${one?.verdict ? 'font-bold text-clay' : one?.inGrain === false ? 'text-muted' : ''}`}
                  >
                    {one === undefined
                      ? ''
                      : one.state !== 'reads'
                        ? STATE_WORDS[one.state]
                        : `${one.verdict === 'hot' ? '▲▲ ' : one.verdict === 'watch' ? '▲ ' : ''}${temperature(one.celsius!).text}${one.inGrain ? '' : ' air'}`}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** How long each layer keeps as it is: its moisture by the book, its temperature by the cables at its height. */
function KeepingClock({
  farm,
  bin,
  cables,
  level,
  celsius,
}: {
  farm: Farm;
  bin: PlaceInfo;
  cables: CablesNow | null;
  level: number | null;
  celsius: number;
}) {
  const rules = useKeepingRules();
  const strata = strataOf(farm, bin.id);
  const whole = strata.reduce((sum, { bushels }) => sum + bushels, 0);
  if (whole < 1) return null;
  let below = 0;
  const rows = strata
    .map(({ bushels, moisture, wetLots }) => {
      const [from, to] = [below / whole, (below + bushels) / whole];
      below += bushels;
      const near =
        cables === null || level === null
          ? []
          : cables.sensors.filter((one) => one.state === 'reads' && one.inGrain && one.height >= from * level - 0.7 && one.height <= to * level + 0.7); // prettier-ignore
      const warm = near.length === 0 ? celsius : Math.max(...near.map((one) => one.celsius!));
      const crop = cropOf(farm.cropOf(wetLots) ?? '') ?? CROPS.corn;
      const days = moisture === null ? null : (keepsFor(crop, moisture, warm, rules, rules.soybeanShift)?.days ?? null);
      return { lot: Object.keys(wetLots)[0] ?? '', moisture, warm, days };
    })
    .reverse();
  const shortest = rows.reduce((least, one) => Math.min(least, one.days ?? Infinity), Infinity);
  return (
    <section aria-label="How long it keeps" className="border-t border-ink px-5 py-4 lg:px-6">
      <h2 className="font-semibold">
        {Number.isFinite(shortest)
          ? `As warm as it is, its worst layer keeps ${shortest > 999 ? 'over 999' : number(Math.floor(shortest))} days from dry`
          : 'No table says how long it keeps'}
      </h2>
      <ol className="mt-1 max-w-3xl border-t border-ink" aria-label="Keeping by layer, the top first">
        {rows.slice(0, 12).map((one, i) => (
          <li key={i} className="flex justify-between gap-3 border-b border-rule py-1">
            <span className="min-w-0 truncate">{farm.tag(one.lot)}</span>
            <span className="shrink-0">
              {one.moisture === null ? '–' : percent(one.moisture)} at {temperature(Math.round(one.warm)).text}:{' '}
              <b>
                {one.days === null
                  ? 'no table'
                  : one.days > 999
                    ? 'over 999 days'
                    : `${number(Math.floor(one.days))} days`}
              </b>
            </span>
          </li>
        ))}
      </ol>
      {rows.length > 12 && <p className="text-sm text-muted">{number(rows.length - 12)} layers more below.</p>}
    </section>
  );
}
