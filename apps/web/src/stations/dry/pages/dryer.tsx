import {
  calendarDay,
  chainNow,
  cropCut,
  cropOf,
  CROPS,
  DRYER_NOW,
  dryerNow,
  bushelPointsAt,
  dryerOf,
  energyOfFuelPerPointBushel,
  dryerCry,
  type DryerSample,
  type FieldRecords,
  type FieldRow,
  FUELS,
  HIGH_TEMPERATURE_DRYING,
  living,
  type LogEntry,
  loadsGoTo,
  type PlaceInfo,
  quickDryingCost,
  runShares,
  type RunShare,
  USUAL_HAUL_TIMES,
  WET_ABOVE,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceArea, XAxis, YAxis } from 'recharts';
import { ulid } from 'ulid';
import { type Farm, useDown, useFields, useHaul, useNotebook, useRefreshFarm, useTapePage } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged, takenBack } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import {
  bushels,
  dollars,
  dryingRate,
  fuelText,
  grainRate,
  mass,
  moisture,
  money,
  number,
  percent,
  temperature,
  share,
} from '../../../quantity/quantity';
import { clock, day, DAY_MS, moment, soon, spanText } from '../../../quantity/time';
import { Below } from '../../../ui/below';
import { Button, Problem } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { AXIS, ChartFrame, MARGIN, timeAxis } from '../../../ui/chart-frame';
import { Section } from '../../../ui/page';
import { toast } from '../../../ui/toast';
import { useTicking } from '../../../ui/use-ticking';
import { Verdict } from '../../../ui/verdict';
import { openNotice } from '../../../widgets/open-notice';
import { TakeBack } from '../../../widgets/take-back';
import { Working } from '../../../widgets/working';
import { SampleDrawer } from '../forms/dryer-logs';
import { DryerSetupDrawer, USUAL_DRYER } from '../forms/dryer-setup';
import { Ago } from '../../../widgets/ago';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, wordColumn } from '../../../widgets/columns';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
/** A sample of what goes in or out counts for so long. */
const FRESH_MS = 6 * HOUR;
/** Lines of the book that runs are read from: some weeks of drying. */
const RUN_LINES = 400;
/** What was dried in a run leaves the dryer within so long after it. */
const EMPTIES_MS = 30 * MINUTE;
const ALARMS: Readonly<Record<NonNullable<DryerSample['alarm']>, { readonly figure: string; readonly what: string }>> =
  {
    'out of grain': {
      figure: 'Out of grain',
      what: 'It shuts off. Bring wet grain, or let it cool down by the operator’s manual.',
    },
    flame: {
      figure: 'No flame',
      what: 'Burner out. Close the gas, let the fan clear it, then by the operator’s manual.',
    },
    overheat: {
      figure: 'Too hot',
      what: 'Fans off first, gas closed, discharge stopped. On smoke call the fire department; nobody opens it.',
    },
    'unload stopped': {
      figure: 'Unload stopped',
      what: 'Grain stands in the heat: burner off at once. Lock out before anybody looks.',
    },
  };
/** Nothing came off a field for longer: nothing is coming. */
const CUTTING_MS = 2 * HOUR;

/** Whether the dryer keeps up, when it is done, and what to turn: one answer, from what the book and the samples say. */
export function TheDryer({ farm, dryer }: { farm: Farm; dryer: PlaceInfo }) {
  const notebook = useNotebook().data;
  const rows = useFields().data;
  if (!notebook || !rows) return null;
  return <Dryer farm={farm} dryer={dryer} notebook={notebook} rows={rows} />;
}

function Dryer({
  farm,
  dryer,
  notebook,
  rows,
}: {
  farm: Farm;
  dryer: PlaceInfo;
  notebook: FieldRecords;
  rows: readonly FieldRow[];
}) {
  useTicking();
  const haul = useHaul().data;
  const down = useDown();
  const [open, setOpen] = useState<'setup' | 'sample' | null>(null);
  const { timeZone } = farm.data.farm;
  const now = farm.clock();
  const kept = notebook.settings.dryerSetup[dryer.id];
  const able = dryerOf(notebook, dryer.id) ?? dryerOf(notebook);
  const setup = kept?.value ?? {
    ...USUAL_DRYER,
    ...(able ? { bushelPointsPerHour: able.bushelPointsPerHour, dryTo: able.dryTo } : {}),
  };
  const samples = useMemo(
    () => living(notebook.logs.dryerSample).filter(({ body }) => body.placeId === dryer.id),
    [notebook, dryer.id],
  );
  const cry = dryerCry(samples, now);
  const wetBins = farm.data.places.filter((place) => place.kind === 'wetBin');
  const held = farm.held(dryer.id);
  const wetLots = [...wetBins.map(({ id }) => farm.held(id)), held];
  const crop = farm.cropOf(Object.assign({}, ...wetLots.map(({ lots }) => lots))) ?? cropCut(rows);
  const per = farm.kgPerBu(crop);
  const isWet = (one: number | null): boolean => one !== null && one > setup.dryTo + WET_ABOVE;
  const wetAt = (ids: readonly string[]): number =>
    ids.reduce((sum, id) => (isWet(farm.held(id).moisture) ? sum + farm.bushels(farm.held(id).wetLots) : sum), 0);
  const home = wetAt([...wetBins.map(({ id }) => id), dryer.id]);
  const wheels = wetAt(
    farm.data.places.filter(({ kind }) => ['combine', 'cart', 'truck'].includes(kind)).map(({ id }) => id),
  );
  const room = wetBins.reduce(
    (sum, bin) => sum + Math.max(0, (bin.capacityBu ?? 0) - farm.bushels(farm.held(bin.id).wetLots)),
    0,
  );
  const fresh = (at: string): boolean => now - Date.parse(at) < FRESH_MS;
  const newest = <K extends 'moistureIn' | 'bushelsPerHour'>(key: K): number | null => {
    const found = samples.find(({ body }) => body[key] !== undefined && fresh(body.at));
    return found?.body[key] ?? null;
  };
  const wetMoisture = wetBins.map(({ id }) => farm.held(id)).find((one) => isWet(one.moisture))?.moisture ?? null;
  const moistureIn = newest('moistureIn') ?? wetMoisture ?? (isWet(held.moisture) ? held.moisture : null);
  const out = samples
    .filter(({ body }) => body.moistureOut !== undefined && fresh(body.at))
    .map(({ body }) => body.moistureOut!)
    .reverse();
  // What the combines bring now, where it goes home and is wet.
  const plan = loadsGoTo(farm, notebook);
  const cutLately = farm.data.tape.some(
    ({ entry, voided }) =>
      !voided && entry.type === 'harvest' && isWet(entry.moisture) && now - Date.parse(entry.at) < CUTTING_MS,
  );
  const chain =
    haul && plan.to.kind === 'home' && cutLately
      ? chainNow(farm, notebook, haul, rows, notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES, plan, down)
      : null;
  const coming = chain ? chain.chain.combines.reduce((sum, one) => sum + one.bushelsPerHour, 0) : 0;
  const readPerHour = newest('bushelsPerHour');
  const points = moistureIn === null ? null : Math.max(0, 100 * (moistureIn - setup.dryTo));
  const bushelPoints = bushelPointsAt(setup, points ?? 0);
  const input = {
    now,
    bushelPointsPerHour: bushelPoints,
    ...(setup.mostBushelsPerHour === undefined ? {} : { mostBushelsPerHour: setup.mostBushelsPerHour }),
    dryTo: setup.dryTo,
    band: setup.band,
    moistureIn,
    moistureOut: out,
    readPerHour,
    wetBushels: home,
    roomBushels: room,
    wheelsBushels: wheels,
    comingPerHour: coming,
    ...(setup.refillMin === undefined ? {} : { refillMin: setup.refillMin }),
  };
  const answer = dryerNow(input);
  const plenum = samples.find(({ body }) => body.plenum !== undefined && fresh(body.at))?.body.plenum;
  const known = kept !== undefined || able !== null;
  const at = (ms: number | null): string => (ms === null ? '' : soon(ms, now, timeZone));
  const rate = answer.perHour === null ? null : grainRate(answer.perHour, per);
  const cost =
    points === null
      ? null
      : quickDryingCost(points, setup.fuelPerPointBushel, setup.fuelPrice, setup.kWhPerPointBushel, setup.powerPrice);
  return (
    <>
      <div className="border-b border-ink lg:grid lg:grid-cols-[1.35fr_1fr]">
        <Section label="The dryer now">
          {cry !== null ? (
            <Verdict
              bad
              shape="■"
              figure={ALARMS[cry.alarm].figure}
              about={`The dryer’s control, ${clock(cry.at, timeZone)}`}
            >
              {ALARMS[cry.alarm].what}
            </Verdict>
          ) : answer.answer === 'falls behind' ? (
            <Verdict figure={bushels.figure(answer.gains, per)} unit={`${grainRate.unit} behind`}>
              {rate!.text} through it, {grainRate(coming, per).text} come.{' '}
              <b>{room < 1 ? 'The wet bin is full.' : `The wet bin is full at ${at(answer.fullMs)}.`}</b>
            </Verdict>
          ) : answer.answer === 'done at' ? (
            <Verdict about="Nothing wet comes any more; done at" figure={at(answer.doneMs)}>
              {bushels(home + wheels, per).text} still wet at {rate!.text}.
            </Verdict>
          ) : answer.answer === 'runs dry' ? (
            <Verdict figure={at(answer.emptyMs)} unit="the wet bin is empty">
              {rate!.text} through it, {grainRate(coming, per).text} come.{' '}
              <b>Without wet grain it shuts off at {at(answer.shutsOffMs)}.</b>
            </Verdict>
          ) : answer.answer === 'keeps up' ? (
            <Verdict small shape="●" figure="Keeps up">
              {rate!.text} through it, {grainRate(coming, per).text} come.
              {answer.emptyMs === null ? '' : ` The wet bin is empty at ${at(answer.emptyMs)}.`}
            </Verdict>
          ) : answer.answer === 'nothing wet' ? (
            <Verdict small shape="●" figure="Nothing wet">
              Nothing is wet at home or on wheels.
            </Verdict>
          ) : (
            <Verdict small figure="Not known yet">
              {known
                ? 'How wet it goes in is not known: take a sample, or let the first load come in.'
                : 'Write down what the dryer takes, and this page says whether it keeps up.'}
            </Verdict>
          )}
          <ul className="mt-3 grid gap-x-8 gap-y-1 sm:grid-cols-2" aria-label="Figures of the dryer">
            <Fact name="Wet at home">{bushels(home, per).text}</Fact>
            <Fact name="On wheels, wet">{bushels(wheels, per).text}</Fact>
            <Fact name="Room in the wet bin">{bushels(room, per).text}</Fact>
            <Fact name="Goes in">
              {moistureIn === null ? '–' : percent(moistureIn)}
              {newest('moistureIn') === null && moistureIn !== null ? ' by the book' : ''}
            </Fact>
            <Fact name="Comes out">
              {out.length === 0 ? 'no sample yet' : percent(out.at(-1)!)}, wanted {percent(setup.dryTo)}
            </Fact>
            <Fact name="Costs">{cost === null ? '–' : `${money(cost)} a bushel, ${number(points!, 1)} points`}</Fact>
          </ul>
          {plenum !== undefined && setup.mostPlenum !== undefined && plenum > setup.mostPlenum && (
            <Callout icon role="alert" className="mt-3 px-3 py-2">
              Plenum {temperature(plenum).text}, its limit is {temperature(setup.mostPlenum).text}. Turn the burner down
              by the operator&rsquo;s manual: too hot scorches grain and can set it on fire.
            </Callout>
          )}
          {answer.setPerHour !== null && (
            <Callout icon className="mt-3 px-3 py-2">
              It comes out {number(Math.abs(answer.driftPoints!), 1)} points{' '}
              {answer.driftPoints! > 0 ? 'too wet' : 'too dry'}. Set the discharge to about{' '}
              <b>{grainRate(answer.setPerHour, per).text}</b>, one column through, then look again. The machine&rsquo;s
              book decides.
            </Callout>
          )}
          <Working
            what={answer.answer === 'falls behind' ? `${grainRate(answer.gains, per).text} behind` : 'The dryer now'}
            formulas={[DRYER_NOW, HIGH_TEMPERATURE_DRYING]}
            inputs={[
              {
                name: 'It takes',
                value: dryingRate(bushelPoints, per).text,
                from: setup.byPoints
                  ? 'its table, at these points'
                  : kept
                    ? 'its own sheet'
                    : able
                      ? 'as Which field next? was told'
                      : 'assumed',
                ...(kept ? {} : { enter: '/dry' }),
              },
              {
                name: 'Goes in',
                value: moistureIn === null ? '–' : percent(moistureIn),
                from: newest('moistureIn') === null ? 'the book: what lies in the wet bin' : 'the newest sample',
              },
              { name: 'Wanted', value: percent(setup.dryTo), from: kept ? 'its own sheet' : 'assumed' },
              {
                name: 'Combines bring',
                value: grainRate(coming, per).text,
                from: cutLately
                  ? 'wet grain cut in the last two hours, at the rate of their profiles'
                  : 'nothing wet is cut now',
              },
              {
                name: 'Fuel',
                value: `${fuelText(setup.fuelPerPointBushel, FUELS[setup.fuel].unit, 4)} a point and bushel; a ${FUELS[setup.fuel].unit} costs ${money(setup.fuelPrice)}`,
                from: kept ? 'its own sheet' : 'usual; enter the farm’s own',
                ...(kept ? {} : { enter: '/dry' }),
              },
            ]}
            worked={[
              ...(points !== null && points > 0 && answer.limitedBy !== 'read' && rate
                ? [`${dryingRate(bushelPoints, per).text} ÷ ${number(points, 1)} points = ${rate.text}`]
                : []),
              ...(answer.fullMs !== null
                ? [
                    `${bushels(room, per).text} of room ÷ (${grainRate(coming, per).text} − ${rate!.text}) = ${spanText((answer.fullMs - now) / MINUTE)}`,
                  ]
                : []),
              ...(cost !== null
                ? [
                    `${number(points!, 1)} points × (${setup.fuelPerPointBushel} ${FUELS[setup.fuel].unit} × ${money(setup.fuelPrice)} + ${setup.kWhPerPointBushel} kWh × $${setup.powerPrice}) = ${money(cost)} a bushel`,
                    ...heatLine(setup, moistureIn, crop),
                  ]
                : []),
            ]}
            not="labor, handling shrink, and what a breakdown costs."
          />
          <div className="mt-3 flex flex-wrap gap-3">
            <Button look="do" onClick={() => setOpen('sample')}>
              Take a sample
            </Button>
            <Button onClick={() => setOpen('setup')}>{kept ? 'What it takes' : 'Write down what it takes'}</Button>
          </div>
        </Section>
        <section
          aria-label="Moisture in and out"
          className="border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
        >
          <Course samples={samples} setup={setup} now={now} timeZone={timeZone} />
        </section>
      </div>
      <StepNote farm={farm} notebook={notebook} mostStep={setup.mostStep} />
      <Below>
        <Runs farm={farm} notebook={notebook} dryer={dryer} samples={samples} per={per} setup={setup} />
      </Below>
      {open === 'setup' && (
        <DryerSetupDrawer placeId={dryer.id} kept={kept} kgPerBu={per} onClose={() => setOpen(null)} />
      )}
      {open === 'sample' && (
        <SampleDrawer
          placeId={dryer.id}
          kgPerBu={per}
          meterUnit={FUELS[setup.fuel].unit}
          onClose={() => setOpen(null)}
        />
      )}
    </>
  );
}

/** What the fuel comes to in heat for each pound of water: the check of a meter. */
function heatLine(setup: typeof USUAL_DRYER, moistureIn: number | null, crop: string): string[] {
  if (moistureIn === null || moistureIn <= setup.dryTo + 0.001) return [];
  const joules = energyOfFuelPerPointBushel({
    fuel: setup.fuel,
    unitsPerPointBushel: setup.fuelPerPointBushel,
    from: moistureIn,
    to: setup.dryTo,
    legalPounds: (cropOf(crop) ?? CROPS.corn).legalPounds,
    basis: 'wet bushel',
  });
  return [`that is ${number(joules / 2326)} BTU for each pound of water`];
}

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <li className="flex justify-between gap-4 border-b border-rule py-1">
      <span className="text-muted">{name}</span>
      <b className="text-right">{children}</b>
    </li>
  );
}

function Course({
  samples,
  setup,
  now,
  timeZone,
}: {
  samples: readonly {
    readonly body: { readonly at: string; readonly moistureIn?: number; readonly moistureOut?: number };
  }[];
  setup: typeof USUAL_DRYER;
  now: number;
  timeZone: string;
}) {
  const points = samples
    .map(({ body }) => ({
      at: Date.parse(body.at),
      in: body.moistureIn === undefined ? null : 100 * body.moistureIn,
      out: body.moistureOut === undefined ? null : 100 * body.moistureOut,
    }))
    .filter(({ at }) => at <= now + MINUTE)
    .sort((a, b) => a.at - b.at)
    // The day that ends with the newest of them: the last run, where nothing burns today.
    .filter(({ at }, _, all) => at > all.at(-1)!.at - DAY_MS);
  const last = points.at(-1)?.at ?? now;
  const heading = (
    <h2 className="text-sm text-muted">
      Moisture in and out, {now - last < DAY_MS ? 'the last day' : `the last run, ${day(last, timeZone)}`}
    </h2>
  );
  if (points.length < 2)
    return (
      <>
        {heading}
        <p className="mt-2 text-muted">Two samples make a line. Take one each hour, and after every change.</p>
      </>
    );
  const [low, high] = [100 * (setup.dryTo - setup.band), 100 * (setup.dryTo + setup.band)];
  return (
    <>
      {heading}
      <ChartFrame
        label={`Moisture in and out: ${points.length} samples, the last out ${points.findLast(({ out }) => out !== null)?.out ?? '–'} %`}
        heads={['When', 'In, %', 'Out, %']}
        rows={() =>
          points.map((point) => [
            clock(point.at, timeZone),
            point.in === null ? '' : number(point.in, 1),
            point.out === null ? '' : number(point.out, 1),
          ])
        }
        className="mt-2 h-60"
      >
        <LineChart data={points} margin={MARGIN} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--rule)" vertical={false} />
          <ReferenceArea y1={low} y2={high} fill="var(--sand)" fillOpacity={1} />
          <XAxis
            dataKey="at"
            {...timeAxis(
              points.map(({ at }) => at),
              (at) => clock(at, timeZone),
            )}
          />
          <YAxis
            width={44}
            unit=" %"
            // Whole points, and the band in the picture whatever was read.
            domain={[
              (least: number) => Math.floor(Math.min(least, low)),
              (most: number) => Math.ceil(Math.max(most, high)),
            ]}
            allowDecimals={false}
            {...AXIS}
            tickFormatter={(v: number) => number(v)}
          />
          <Line
            dataKey="in"
            stroke="var(--ink)"
            strokeDasharray="5 4"
            dot={{ r: 3, strokeDasharray: 'none' }}
            connectNulls
            isAnimationActive={false}
          />
          <Line
            dataKey="out"
            stroke="var(--clay)"
            strokeWidth={2}
            dot={{ r: 3 }}
            connectNulls
            isAnimationActive={false}
          />
        </LineChart>
      </ChartFrame>
      <p className="text-sm text-muted">
        dashed: going in; full: coming out; the band is {moisture.figure(setup.dryTo - setup.band)} to{' '}
        {moisture(setup.dryTo + setup.band).text}
      </p>
    </>
  );
}

/** The step that comes is told before its first load, and the keeper says that he heard it. */
function StepNote({ farm, notebook, mostStep }: { farm: Farm; notebook: FieldRecords; mostStep: number }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const notice = openNotice(farm, notebook)?.body;
  if (!notice) return null;
  const heard = living(notebook.logs.stepHeard).find(({ body }) => body.noticeId === notice.id);
  const step = notice.step ?? null;
  const hear = async (): Promise<void> => {
    const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), noticeId: notice.id };
    if (!(await sending.send(() => write(farm.id, logged(farm.id, 'stepHeard', body), 'the step was heard')))) return;
    toast('The combines see that you heard it');
    await refresh();
  };
  return (
    <section aria-label="The step that comes" className="border-b border-ink px-5 py-4 lg:px-6">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p className="text-lg">
          {step !== null && Math.abs(step) > mostStep ? (
            <b className="text-clay">
              ■ A step of {number(Math.abs(step), 1)} points; this dryer takes {number(mostStep, 1)} at once.
            </b>
          ) : heard ? (
            'What comes next is known at the dryer.'
          ) : (
            'What comes next waits to be heard at the dryer.'
          )}
        </p>
        {heard ? (
          <span>
            ● heard by <b>{heard.by}</b> <Ago at={heard.body.at} />
          </span>
        ) : (
          <Button look="do" disabled={sending.busy} onClick={() => void hear()}>
            I heard it, the dryer is set
          </Button>
        )}
      </div>
      <Problem className="mt-2">{sending.message}</Problem>
    </section>
  );
}

/** Stretches in which it ran: begun and ended by a tap, each with its bushels out of the book and what they cost. */
function Runs({
  farm,
  notebook,
  dryer,
  samples,
  per,
  setup,
}: {
  farm: Farm;
  notebook: FieldRecords;
  dryer: PlaceInfo;
  samples: readonly LogEntry<'dryerSample'>[];
  per: number;
  setup: typeof USUAL_DRYER;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const { timeZone } = farm.data.farm;
  const runs = living(notebook.logs.dryerRun).filter(({ body }) => body.placeId === dryer.id);
  const open = runs.find(({ body }) => body.until === undefined);
  const begin = async (): Promise<void> => {
    const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), placeId: dryer.id };
    if (await sending.send(() => write(farm.id, logged(farm.id, 'dryerRun', body), 'a dryer run'))) await refresh();
  };
  const end = async (): Promise<void> => {
    if (!open) return;
    // A record is never changed: the open one is taken back, the whole one takes its place.
    const body = { ...open.body, id: ulid(), until: new Date(farm.clock()).toISOString() };
    const ended = await sending.send(async () => {
      await write(farm.id, logged(farm.id, 'dryerRun', body), 'a dryer run');
      return write(farm.id, takenBack(farm.id, 'dryerRun', open.body.id), 'a dryer run');
    });
    if (ended) await refresh();
  };
  const lines = useTapePage(RUN_LINES, 'move,condition', [dryer.id]).data;
  /** What the book dried in it: its runs of grain to a moisture, by when they were recorded. */
  const dried = (from: number, until: number): number =>
    (lines ?? []).reduce((sum, { entry, voided, wetKg }) => {
      const ms = Date.parse(entry.at);
      return !voided && entry.type === 'condition' && entry.place === dryer.id && ms >= from && ms <= until
        ? sum + (wetKg ?? 0) / per
        : sum;
    }, 0);
  /** Of a run before the oldest line nothing is known here. */
  const oldest = lines === undefined || lines.length < RUN_LINES ? undefined : lines.at(-1)?.entry.at;
  const onTape = (from: number): boolean => lines !== undefined && (oldest === undefined || Date.parse(oldest) <= from);
  return (
    <section aria-label="Runs" className="border-b border-ink px-5 py-4 lg:px-6">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="text-xl">Runs</h2>
        {open ? (
          <Button disabled={sending.busy} onClick={() => void end()}>
            End the run
          </Button>
        ) : (
          <Button disabled={sending.busy} onClick={() => void begin()}>
            Begin a run
          </Button>
        )}
      </div>
      <Problem>{sending.message}</Problem>
      {runs.length === 0 ? (
        <p className="text-muted">
          A run is from burner on to burner off: samples and dried grain of that time belong to it.
        </p>
      ) : (
        <ul className="mt-1">
          {runs.slice(0, 6).map(({ body, by }) => {
            const from = Date.parse(body.at);
            const until = body.until === undefined ? farm.clock() : Date.parse(body.until);
            const own = samples.filter(({ body: s }) => Date.parse(s.at) >= from && Date.parse(s.at) <= until);
            const meters = own.flatMap(({ body: s }) => (s.fuelMeter === undefined ? [] : [s.fuelMeter]));
            const fuel = body.fuelUsed ?? (meters.length >= 2 ? Math.max(...meters) - Math.min(...meters) : undefined);
            const much = dried(from, until);
            return (
              <li
                key={body.id}
                className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-rule py-1.5"
              >
                <span>
                  <b>
                    {calendarDay(from, timeZone) === calendarDay(until, timeZone)
                      ? `${moment(from, timeZone)} to ${body.until === undefined ? 'now' : clock(until, timeZone)}`
                      : `${moment(from, timeZone)} to ${body.until === undefined ? 'now' : moment(until, timeZone)}`}
                  </b>{' '}
                  <span className="text-sm text-muted">
                    {spanText((until - from) / MINUTE)}, {own.length} {own.length === 1 ? 'sample' : 'samples'}, {by}
                  </span>
                </span>
                <span className="flex items-baseline gap-4">
                  <span>
                    {much >= 1
                      ? `${bushels(much, per).text} dried`
                      : onTape(from)
                        ? 'nothing dried in the book yet'
                        : ''}
                    {fuel === undefined
                      ? ''
                      : `${much >= 1 || onTape(from) ? ', ' : ''}${fuelText(fuel, FUELS[setup.fuel].unit)}${much >= 1 ? `, ${money((fuel * setup.fuelPrice) / much)} of fuel a bushel` : ''}`}
                  </span>
                  <TakeBack of="dryerRun" id={body.id} />
                </span>
                <Shares
                  farm={farm}
                  shares={lines === undefined ? [] : runShares(lines, dryer.id, from, until + EMPTIES_MS)}
                  cost={fuel === undefined ? null : fuel * setup.fuelPrice}
                />
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}

/** What a run did to each field's grain: water, dry matter lost, shrink, and its share of the fuel. */
function Shares({ farm, shares, cost }: { farm: Farm; shares: readonly RunShare[]; cost: number | null }) {
  if (shares.length === 0) return null;
  const perOf = ({ lotId }: RunShare): number => farm.kgPerBu(farm.lot(lotId)?.crop);
  const columns: Column<RunShare>[] = [
    wordColumn('field', 'Field', ({ lotId }) => farm.lot(lotId)?.fieldName ?? 'unknown field', { phone: 'title' }),
    figureColumn('out', 'Out', bushels, (one) => one.outKg / perOf(one), { per: perOf, phone: 'verdict' }),
    figureColumn('moisture', 'From, to', moisture, ({ inMoisture }) => inMoisture, {
      show: ({ inMoisture, outMoisture }) => `${moisture.figure(inMoisture)} → ${moisture.figure(outMoisture)}`,
      text: ({ inMoisture, outMoisture }) => `${moisture.figure(inMoisture)} → ${moisture.figure(outMoisture)}`,
    }),
    figureColumn('water', 'Water', mass, ({ waterKg }) => waterKg),
    figureColumn('lost', 'Dry matter lost', mass, ({ dryLossKg }) => dryLossKg),
    figureColumn('shrink', 'Shrink', share, ({ shrink }) => shrink),
    wordColumn('fuel', 'Fuel', ({ part }) => (cost === null ? '' : dollars(cost * part)), {
      right: true,
      value: ({ part }) => (cost === null ? null : cost * part),
    }),
  ];
  return (
    <div className="w-full">
      <DataTable
        name="The run by field"
        one="field"
        many="fields"
        rows={shares}
        columns={columns}
        rowId={({ lotId }) => lotId}
        flush
      />
    </div>
  );
}
