import type { HaulAnswer } from '@fanega/contract';
import {
  cropCut,
  type FieldRecords,
  type FieldRow,
  type GrainStanding,
  type HaulingDay,
  likelyTo,
  type TrucksWorth,
  USUAL_HAUL_TIMES,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { Bar, BarChart, CartesianGrid, Cell, XAxis, YAxis } from 'recharts';
import type { Farm } from '../../../data/farm';
import { useWorker } from '../../../data/worker';
import { Choices, SelectBox, TextBox } from '../../../ui';
import { Verdict } from '../../../ui/verdict';
import { Progress } from '../../../ui/progress';
import { bushels, grainRate, minutes, number, percent } from '../../../quantity/quantity';
import { hourText } from '../../../quantity/time';
import {
  atBuyer,
  boxesOf,
  type Key,
  ownRounds,
  readDay,
  startTexts,
  type Texts,
  type TimesFrom,
} from '../forms/trucks-form';
import { ChartFrame } from '../../../ui/chart-frame';
import { Section } from '../../../ui/page';

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
  haul: HaulAnswer;
  rows: readonly FieldRow[];
}) {
  const sheet = notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES;
  const buyers = farm.data.places.filter((place) => place.kind === 'buyer');
  const hasHome = farm.data.places.some((place) => place.kind === 'wetBin');
  const [to, setTo] = useState(() => likelyTo(farm).buyerId);
  const per = farm.kgPerBu(cropCut(rows));
  const [texts, setTexts] = useState<Texts>(() => startTexts(farm, notebook, rows, sheet, likelyTo(farm).buyerId));
  const own = ownRounds(haul, to);
  const [from, setFrom] = useState<TimesFrom>('tickets');
  const times = from === 'tickets' && to !== '' ? own : null;
  const { day, errors, rate } = useMemo(() => readDay(texts, to, times, sheet, per), [texts, to, times, sheet, per]);
  const leastGain = grainRate.read(texts.gain, { per }).value ?? 0;
  const mostLineMin = minutes.read(texts.line).value ?? 0;
  const input = useMemo(
    () =>
      day && {
        day,
        most: Math.max(MOST, day.trucks.length),
        replications: REPLICATIONS,
        seed: SEED,
        leastGain,
        mostLineMin,
      },
    [day, leastGain, mostLineMin],
  );
  const { data, error, isValidating, done } = useWorker('trucks', input);
  const there = times && day ? atBuyer(times, sheet, minutes.read(texts.road).value ?? 0) : null;
  const goTo = (next: string): void => {
    setTo(next);
    const { road, opens, closes } = startTexts(farm, notebook, rows, sheet, next);
    setTexts({ ...texts, road, opens, closes });
  };
  const set = (key: Key, text: string): void => setTexts({ ...texts, [key]: text });
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
          <Fleets fleets={data.fleets} worth={data.worth} day={day} per={per} busy={isValidating} />
        ) : (
          !isValidating && !error && <p className="text-muted">A figure at the right does not fit.</p>
        )}
      </Section>
      <section
        aria-label="The day"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        <SelectBox label="Loads go to" value={to} onChange={(event) => goTo(event.target.value)}>
          {hasHome && <option value="">home, the wet bin</option>}
          {buyers.map((buyer) => (
            <option key={buyer.id} value={buyer.id}>
              {buyer.name}
            </option>
          ))}
          {!hasHome && buyers.length === 0 && <option value="">home</option>}
        </SelectBox>
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
        {boxesOf(to, times ? 'tickets' : 'typed').map(({ title, boxes }) => (
          <fieldset key={title}>
            <legend className="mb-1 font-bold">{title}</legend>
            <div className="grid grid-cols-2 gap-3">
              {boxes.map(({ key, label, kind }) => (
                <TextBox
                  key={key}
                  label={label}
                  unit={kind.unit || undefined}
                  inputMode="decimal"
                  value={texts[key]}
                  error={errors[key]}
                  hint={key === 'acres' && rate >= 50 ? `${grainRate(rate, per)} each` : undefined}
                  onChange={(event) => set(key, event.target.value)}
                />
              ))}
              {title === 'Carts and trucks' && (
                <div className="col-span-2">
                  <TextBox
                    label="Trucks, what each holds"
                    unit={bushels.unit}
                    value={texts.trucks}
                    error={errors.trucks}
                    hint="more than these are like the first"
                    onChange={(event) => set('trucks', event.target.value)}
                  />
                </div>
              )}
            </div>
          </fieldset>
        ))}
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
}: {
  fleets: readonly TrucksWorth[];
  worth: number;
  day: HaulingDay;
  /** kg of a bushel of what is cut */
  per: number;
  busy: boolean;
}) {
  const best = fleets[worth - 1]!;
  const more = fleets[worth];
  const { result } = best;
  return (
    <div aria-busy={busy} className={busy ? 'opacity-60' : ''}>
      <Verdict figure={worth} unit={worth === 1 ? 'truck' : 'trucks'}>
        <b>{grainRate(result.bushelsPerHour.mean, per).text}</b> (8 days of 10 between{' '}
        {grainRate.figure(result.bushelsPerHour.low, per)} and {grainRate.figure(result.bushelsPerHour.high, per)}).{' '}
        {more !== undefined && more.gain !== null
          ? `One more would bring ${grainRate(more.gain, per)}${more.result.lineMinutes > 60 ? `, and wait ${Math.round(more.result.lineMinutes)} minutes in line` : ''}.`
          : ''}{' '}
        {best.gain !== null ? `One less would cost ${grainRate(best.gain, per)}.` : ''}
      </Verdict>
      <p className="mt-1">
        Held back by: <b>{result.heldBackBy}</b>.{' '}
        {result.firstStop.hour === null
          ? 'No combine waits with a full tank.'
          : `A combine first waits with a full tank about ${hourText(result.firstStop.hour)}, on ${percent(result.firstStop.share, 0)} of days.`}{' '}
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
      <ChartFrame
        label={`${grainRate.unit} by trucks: ${fleets.map((fleet) => `${fleet.trucks}: ${grainRate.figure(fleet.result.bushelsPerHour.mean, per)}`).join(', ')}`}
        heads={['Trucks', grainRate.unit]}
        rows={fleets.map((fleet) => [String(fleet.trucks), grainRate.figure(fleet.result.bushelsPerHour.mean, per)])}
        className="mt-4 h-56"
        size={{ width: 480, height: 224 }}
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
          <XAxis dataKey="trucks" stroke="var(--ink)" tick={{ fill: 'var(--ink)', fontSize: 14 }} />
          <YAxis
            width={58}
            stroke="var(--ink)"
            tick={{ fill: 'var(--ink)', fontSize: 14 }}
            tickFormatter={(v: number) => number(v)}
          />
          <Bar dataKey="rate" isAnimationActive={false}>
            {fleets.map((fleet) => (
              <Cell key={fleet.trucks} fill={fleet.trucks === worth ? 'var(--clay)' : 'var(--ink)'} />
            ))}
          </Bar>
        </BarChart>
      </ChartFrame>
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Table by number of trucks">
        <table className="mt-2 w-full" aria-label="By number of trucks">
          <thead className="border-y border-ink text-left text-sm">
            <tr>
              <th className="py-1.5 pr-2">Trucks</th>
              <th className="px-1 text-right">{grainRate.unit}</th>
              <th className="px-1 text-right">The last one brings</th>
              <th className="px-1 text-right">Combine stands</th>
              <th className="px-1 text-right">Truck in line</th>
              <th className="py-1.5 pl-1 text-right">On wheels at night</th>
            </tr>
          </thead>
          <tbody>
            {fleets.map((fleet) => (
              <tr
                key={fleet.trucks}
                className={`border-b border-rule ${fleet.trucks === worth ? 'bg-sand font-semibold' : ''}`}
              >
                <td className="py-1 pr-2">{fleet.trucks}</td>
                <td className="px-1 text-right">{grainRate.figure(fleet.result.bushelsPerHour.mean, per)}</td>
                <td className="px-1 text-right">{fleet.gain === null ? '' : grainRate.figure(fleet.gain, per)}</td>
                <td className="px-1 text-right whitespace-nowrap">{number(fleet.result.waits.combine, 1)} h</td>
                <td className="px-1 text-right whitespace-nowrap">{Math.round(fleet.result.lineMinutes)} min</td>
                <td className="py-1 pl-1 text-right whitespace-nowrap">{bushels(fleet.result.onWheels, per).text}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
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
