import {
  averageFlow,
  AVERAGE_FLOW,
  cropCut,
  type FieldRecords,
  type FieldRow,
  type GrainStanding,
  type HarvestCosts,
  type HaulingDay,
  HAULING_DAY,
  type TrucksWorth,
  TRUCKS_WORTH,
  USUAL_HARVEST_COSTS,
  USUAL_HAUL_TIMES,
  type HaulView,
} from '@fanega/core';
import { useLayoutEffect, useMemo, useState } from 'react';
import { Bar, BarChart, CartesianGrid, Cell, XAxis, YAxis } from 'recharts';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { useWorker } from '../../../data/worker';
import { Button, Choices, Problem, TextBox } from '../../../ui';
import { Verdict } from '../../../ui/verdict';
import { Progress } from '../../../ui/progress';
import {
  bushels,
  dollarsTyped,
  grainRate,
  money,
  number,
  percent,
  price,
  priceText,
  hours,
  minutes,
} from '../../../quantity/quantity';
import { hourText, spanText } from '../../../quantity/time';
import {
  atBuyer,
  dayErrors,
  dayOf,
  groupsOf,
  LABELS,
  ownRounds,
  rateOf,
  startTexts,
  type TimesFrom,
  trucksBoxes,
  unasked,
} from '../forms/trucks-form';
import { AXIS, ChartFrame } from '../../../ui/chart-frame';
import { useFields } from '../../../ui/form/use-fields';
import { Section } from '../../../ui/page';
import { toast } from '../../../ui/toast';
import { LoadsGoTo, useLoadsGoTo } from '../../../widgets/loads-go-to';
import { Working } from '../../../widgets/working';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, wordColumn } from '../../../widgets/columns';

const MOST = 8;
const REPLICATIONS = 200;
const SEED = 20261124;

/** The same two hundred days with one truck, two, three …: what the next one brings, and who waits. */
export default function HowManyTrucks({
  farm,
  notebook,
  haul,
  rows,
}: {
  farm: Farm;
  notebook: FieldRecords;
  haul: HaulView;
  rows: readonly FieldRow[];
}) {
  const sheet = notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES;
  const loads = useLoadsGoTo(farm, notebook);
  const to = loads.to.buyerId;
  const per = farm.kgPerBu(cropCut(rows));
  const own = ownRounds(haul, to);
  const [from, setFrom] = useState<TimesFrom>('tickets');
  const times = from === 'tickets' && to !== '' ? own : null;
  const asked: TimesFrom = times ? 'tickets' : 'typed';
  const start = () => startTexts(farm, notebook, rows, sheet, to);
  const form = useFields({
    boxes: trucksBoxes(per),
    unasked: () => unasked(to, asked),
    start,
    together: (values) => dayErrors(values, to, per),
    // Worked out as one types, and not sent; what a truck costs is kept by a button of its own.
    save: () => Promise.resolve(false),
  });
  // Another place, said here or on another page, brings its own road and hours.
  const [textsOf, setTextsOf] = useState(to);
  useLayoutEffect(() => {
    if (textsOf === to) return;
    setTextsOf(to);
    const { road, opens, closes } = start();
    form.set('road', road);
    form.set('opens', opens);
    form.set('closes', closes);
  }, [to, textsOf]); // eslint-disable-line react-hooks/exhaustive-deps -- only another place brings its own
  const { values: read, errors } = form.read();
  // No day is simulated with the road of the place before.
  const values = textsOf === to ? read : null;
  // Two hundred days are simulated again only when the boxes say another day.
  const said = JSON.stringify(values);
  const day = useMemo(() => (values ? dayOf(values, to, times, sheet) : null), [said, to, times, sheet]); // eslint-disable-line react-hooks/exhaustive-deps -- `said` is `values`
  const rate = values ? rateOf(values) : 0;
  const truckPerHour = dollarsTyped.read(form.texts.truckCost).value ?? 0;
  const combinePerHour = dollarsTyped.read(form.texts.combineCost).value ?? 0;
  const input = useMemo(
    () =>
      day && {
        day,
        most: Math.max(MOST, day.trucks.length),
        replications: REPLICATIONS,
        seed: SEED,
        costs: { truckPerHour, combinePerHour },
      },
    [day, truckPerHour, combinePerHour],
  );
  const { data, error, isValidating, done } = useWorker('trucks', input);
  const there = times && day ? atBuyer(times, sheet, values?.road ?? 0) : null;
  return (
    <div className="lg:grid lg:grid-cols-[1.35fr_1fr]">
      <Section label="Trucks">
        {error && (
          <p role="alert" className="font-semibold text-clay">
            {error.message}
          </p>
        )}
        {isValidating && (
          <Progress label="Simulated" done={done}>
            driving {REPLICATIONS} days with 1 to {input?.most ?? MOST} trucks
          </Progress>
        )}
        {data && day ? (
          <Fleets
            fleets={data.fleets}
            worth={data.worth}
            day={day}
            per={per}
            busy={isValidating}
            costs={{ truckPerHour, combinePerHour }}
            line={there?.lineMin ?? 0}
          />
        ) : (
          !isValidating && !error && <p className="text-muted">A number on the right needs fixing.</p>
        )}
      </Section>
      <section
        aria-label="The day"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        <LoadsGoTo farm={farm} loads={loads} line={false} />
        {own && to !== '' && (
          <div>
            <Choices
              label="Line, scale and pit there"
              value={from}
              onChange={setFrom}
              choices={[
                { value: 'tickets', label: `by ${own.rounds} own tickets` },
                { value: 'typed', label: 'typed' },
              ]}
            />
            {there && own && (
              <p className="mt-1 text-sm text-muted">
                {Math.round(own.toTicket.mean)} min from the last grain to the ticket
                {there.pit.mean > 1
                  ? `: ${Math.round(there.lineMin)} of them in others’ line, ${Math.round(there.pit.mean)} at scale and pit.`
                  : '. That is no more than tarp and road: is the road really so long?'}
              </p>
            )}
          </div>
        )}
        {groupsOf(to, asked).map(({ title, keys }) => (
          <fieldset key={title}>
            <legend className="mb-1 font-bold">{title}</legend>
            <div className="grid grid-cols-2 gap-3">
              {keys.map((key) => (
                <TextBox
                  key={key}
                  label={LABELS[key]}
                  {...form.box(key)}
                  error={errors[key]}
                  hint={key === 'acres' && rate >= 50 ? `${grainRate(rate, per)} each` : undefined}
                />
              ))}
              {title === 'Carts and trucks' && (
                <div className="col-span-2">
                  <TextBox
                    label={LABELS.trucks}
                    {...form.box('trucks')}
                    error={errors.trucks}
                    hint="more than these are like the first"
                  />
                </div>
              )}
            </div>
          </fieldset>
        ))}
        {!errors.truckCost && !errors.combineCost && (
          <KeepCosts farm={farm} notebook={notebook} truckPerHour={truckPerHour} combinePerHour={combinePerHour} />
        )}
        <p className="text-sm text-muted">
          {REPLICATIONS} days, the same for each number of trucks, with times that scatter as such times do. A truck
          that cannot be in line by closing keeps its load overnight.
        </p>
      </section>
    </div>
  );
}

function Fleets({
  fleets,
  worth,
  day,
  per,
  busy,
  costs,
  line,
}: {
  fleets: readonly TrucksWorth[];
  worth: number;
  day: HaulingDay;
  costs: HarvestCosts;
  /** minutes in others’ line that are in the road already */
  line: number;
  /** kg of a bushel of what is cut */
  per: number;
  busy: boolean;
}) {
  const best = fleets[worth - 1]!;
  const columns: Column<TrucksWorth>[] = [
    wordColumn('trucks', 'Trucks', ({ trucks }) => String(trucks), { value: ({ trucks }) => trucks, phone: 'title' }),
    figureColumn('rate', 'Comes home', grainRate, ({ result: { bushelsPerHour } }) => bushelsPerHour.mean, {
      per: () => per,
      phone: 'verdict',
    }),
    figureColumn('gain', 'The last one brings', grainRate, ({ gain }) => gain, { per: () => per }),
    figureColumn('cost', 'Costs', price, ({ costPerBushel }) => costPerBushel, { per: () => per }),
    figureColumn('stands', 'Combine idle', hours, ({ result: { waits } }) => waits.combine),
    figureColumn('line', 'Truck in line', minutes, ({ result: { lineMinutes } }) => lineMinutes),
    figureColumn('night', 'On wheels at night', bushels, ({ result: { onWheels } }) => onWheels, { per: () => per }),
  ];
  const more = fleets[worth];
  const { result } = best;
  return (
    <div aria-busy={busy} className={busy ? 'opacity-60' : ''}>
      <Verdict figure={worth} unit={worth === 1 ? 'truck' : 'trucks'}>
        <b>{grainRate(result.bushelsPerHour.mean, per).text}</b> (8 days in 10 between{' '}
        {grainRate.figure(result.bushelsPerHour.low, per)} and {grainRate.figure(result.bushelsPerHour.high, per)}).{' '}
        <b>{priceText(best.costPerBushel, per)}</b> for combines and trucks.{' '}
        {more !== undefined && more.gain !== null
          ? `One more brings ${grainRate(more.gain, per)} and makes it ${priceText(more.costPerBushel, per)}: it does not pay.`
          : `No more than ${fleets.length} were tried.`}{' '}
        {best.gain !== null
          ? `One less costs ${grainRate(best.gain, per)}: ${priceText(fleets[worth - 2]!.costPerBushel, per)}.`
          : ''}
      </Verdict>
      <p className="mt-1">
        {result.firstStop.hour === null ? (
          <b>The combines set the pace: on no day do they wait with full tanks.</b>
        ) : (
          <>
            Held back by <b>{result.heldBackBy}</b> on {percent(result.firstStop.share, 0)} of days, first about{' '}
            {hourText(result.firstStop.hour)}.
          </>
        )}{' '}
        A truck waits {Math.round(result.lineMinutes)} minutes in line, a cart {number(60 * result.waits.cart)} minutes
        a day for trucks.
      </p>
      <p className="mt-1">
        <b>
          {day.destination.kind === 'elevator'
            ? `At closing, ${hourText(day.destination.closes)}`
            : `When cutting ends, ${hourText(day.stopHour)}`}
          :
        </b>{' '}
        {standing(result.atClose, day, worth, per)}. <b>Overnight on wheels: {bushels(result.onWheels, per).text}</b>
        {result.onWheels >= 1 ? ` (${standing(result.overnight, day, worth, per)})` : ''}.
      </p>
      <Averages day={day} fleet={worth} per={per} line={line} />
      <Working
        what={`${worth} ${worth === 1 ? 'truck' : 'trucks'}`}
        formulas={[TRUCKS_WORTH, HAULING_DAY, AVERAGE_FLOW]}
        inputs={[
          { name: 'Trucks', value: String(worth), from: 'tried from one up' },
          {
            name: 'Bushels an hour',
            value: grainRate(result.bushelsPerHour.mean, per).text,
            from: `the mean of ${REPLICATIONS} simulated days`,
          },
          { name: 'A truck and driver', value: `${money(costs.truckPerHour)} an hour`, from: 'typed on the right' },
          { name: 'A combine and driver', value: `${money(costs.combinePerHour)} an hour`, from: 'typed on the right' },
        ]}
        worked={[
          `(${day.combines.length} × ${money(costs.combinePerHour)} + ${worth} × ${money(costs.truckPerHour)}) ÷ ${grainRate(result.bushelsPerHour.mean, per).text} = ${priceText(best.costPerBushel, per)}`,
          ...(more === undefined
            ? []
            : [
                `(${day.combines.length} × ${money(costs.combinePerHour)} + ${worth + 1} × ${money(costs.truckPerHour)}) ÷ ${grainRate(more.result.bushelsPerHour.mean, per).text} = ${priceText(more.costPerBushel, per)}`,
              ]),
        ]}
        not="days lost to weather, and what a crop loses standing while it waits."
      />
      <ChartFrame
        label={`${grainRate.unit} by trucks: ${fleets.map((fleet) => `${fleet.trucks}: ${grainRate.figure(fleet.result.bushelsPerHour.mean, per)}`).join(', ')}`}
        heads={['Trucks', grainRate.unit]}
        rows={() =>
          fleets.map((fleet) => [String(fleet.trucks), grainRate.figure(fleet.result.bushelsPerHour.mean, per)])
        }
        className="mt-4 h-56"
      >
        <BarChart
          data={fleets.map((fleet) => ({
            trucks: fleet.trucks,
            rate: grainRate.shown(fleet.result.bushelsPerHour.mean, per),
          }))}
          margin={{ top: 8, right: 8, bottom: 4, left: 0 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--rule)" vertical={false} />
          <XAxis dataKey="trucks" {...AXIS} />
          <YAxis width={58} {...AXIS} tickFormatter={(v: number) => number(v)} />
          <Bar dataKey="rate" isAnimationActive={false}>
            {fleets.map((fleet) => (
              <Cell key={fleet.trucks} fill={fleet.trucks === worth ? 'var(--clay)' : 'var(--ink)'} />
            ))}
          </Bar>
        </BarChart>
      </ChartFrame>
      <DataTable
        name="By number of trucks"
        one="number of trucks"
        many="numbers of trucks"
        rows={fleets}
        columns={columns}
        rowId={({ trucks }) => String(trucks)}
        rowClass={({ trucks }) => (trucks === worth ? 'bg-sand font-semibold' : '')}
        flush
      />
    </div>
  );
}

/** The same day by plain averages, as done on the back of an envelope: said to be just that. */
function Averages({ day, fleet, per, line }: { day: HaulingDay; fleet: number; per: number; line: number }) {
  const flow = averageFlow({
    ...day,
    trucks: Array.from({ length: fleet }, (_, i) => day.trucks[i] ?? day.trucks[0]!),
  });
  const lasts = flow.roomLastsMin;
  return (
    <section aria-label="Plain average figures" className="mt-3 border-t border-rule pt-2">
      <h3 className="font-semibold">Plain average figures, {fleet === 1 ? 'one truck' : `${fleet} trucks`}</h3>
      <p>
        A round takes <b>{Math.round(flow.roundMin)} min</b>
        {line >= 1 ? `, ${Math.round(line)} of them in line` : ''}; one truck hauls{' '}
        <b>{grainRate(flow.perTruck, per).text}</b>, the combines cut {grainRate(flow.combines, per).text}:{' '}
        <b>
          {flow.trucksNeeded} {flow.trucksNeeded === 1 ? 'truck' : 'trucks'} needed
        </b>
        .{' '}
        {flow.shortBy < 1 ? (
          'Nothing is short.'
        ) : (
          <>
            Short by <b>{grainRate(flow.shortBy, per).text}</b>
            {flow.pit < flow.trucks ? ', because scale and pit take no more' : ''}; tanks and carts hold{' '}
            {bushels(flow.room, per).text}, and that lasts {lasts === null ? '' : spanText(lasts)}.
          </>
        )}{' '}
        {flow.wetBin !== null &&
          (flow.wetBin.lastsMin === null
            ? 'The dryer keeps up.'
            : `The wet bin gains ${grainRate(flow.wetBin.gains, per).text} over the dryer and is full in ${spanText(flow.wetBin.lastsMin)}.`)}
      </p>
      <p className="text-sm text-muted">
        Without waiting for each other, closing hours or chance; the {REPLICATIONS} days above have them, and bring
        less.
      </p>
    </section>
  );
}

/** What an hour costs is the same tomorrow. */
function KeepCosts({
  farm,
  notebook,
  truckPerHour,
  combinePerHour,
}: HarvestCosts & { farm: Farm; notebook: FieldRecords }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const kept = notebook.settings.haulTimes.farm;
  const value = kept?.value ?? USUAL_HAUL_TIMES;
  if (
    truckPerHour === (value.truckCostPerHour ?? USUAL_HARVEST_COSTS.truckPerHour) &&
    combinePerHour === (value.combineCostPerHour ?? USUAL_HARVEST_COSTS.combinePerHour)
  )
    return null;
  const save = async (): Promise<void> => {
    const body = { ...value, truckCostPerHour: truckPerHour, combineCostPerHour: combinePerHour };
    const saved = await sending.send(() =>
      write(farm.id, setting(farm.id, 'haulTimes', 'farm', { revision: kept?.revision ?? 0, value: body })),
    );
    if (!saved) return;
    toast('What an hour costs is kept');
    await refresh();
  };
  return (
    <div>
      <Button disabled={sending.busy} onClick={() => void save()}>
        Keep these costs
      </Button>
      <Problem className="mt-2">{sending.message}</Problem>
    </div>
  );
}

/** As full as this is called full. */
const FULL = 0.9;

/** "tanks 310 bu, carts full (1,930 bu), trucks 2,400 bu": what stands where, and what of it is full. */
function standing(
  { tanks, carts, trucks, wetBin }: GrainStanding,
  day: HaulingDay,
  fleet: number,
  per: number,
): string {
  const sum = (sizes: readonly number[]): number => sizes.reduce((a, b) => a + b, 0);
  const holds = [
    ['tanks', tanks, sum(day.combines.map(({ tank }) => tank))],
    ['carts', carts, sum(day.carts.map(({ capacity }) => capacity))],
    ['trucks', trucks, sum(Array.from({ length: fleet }, (_, i) => (day.trucks[i] ?? day.trucks[0]!).capacity))],
    ...(day.destination.kind === 'home' ? ([['the wet bin', wetBin, day.destination.wetBin]] as const) : []),
  ] as const;
  const words = holds
    .filter(([, held]) => held >= 1)
    .map(
      ([name, held, most]) => `${name} ${held >= FULL * most ? `full (${bushels(held, per)})` : bushels(held, per)}`,
    );
  return words.length === 0 ? 'everything is empty' : words.join(', ');
}
