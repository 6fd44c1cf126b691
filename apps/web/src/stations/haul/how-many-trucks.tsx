import type { FieldRow, HaulAnswer, Notebook } from '@fanega/contract';
import type { GrainStanding, HaulingDay, TrucksWorth } from '@fanega/core';
import { useMemo, useState } from 'react';
import { Bar, BarChart, CartesianGrid, Cell, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { Farm } from '../../data/farm';
import { useScience } from '../../science';
import { Choices, SelectBox, TextBox } from '../../ui';
import { formatBushels } from '../../widgets/quantity';
import { likelyTo } from '../../widgets/chain-facts';
import { NO_HAUL } from '../../widgets/haul-facts';
import { atBuyer, boxesOf, type Key, ownRounds, readDay, startTexts, type Texts, type TimesFrom } from './trucks-form';

const MOST = 8;
const REPLICATIONS = 200;
const SEED = 20261124;
const hourText = (hour: number): string => `${String(Math.floor(hour)).padStart(2, '0')}:${String(Math.floor((hour % 1) * 60)).padStart(2, '0')}`;

/** The same two hundred days with one truck, two, three …: what the next one brings, and who waits. */
export default function HowManyTrucks({ farm, notebook, haul, rows }: { farm: Farm; notebook: Notebook; haul: HaulAnswer; rows: readonly FieldRow[] }) {
  const sheet = notebook.haul?.sheet ?? NO_HAUL;
  const buyers = farm.data.places.filter((place) => place.kind === 'buyer');
  const hasHome = farm.data.places.some((place) => place.kind === 'wetBin');
  const [to, setTo] = useState(() => likelyTo(farm).buyerId);
  const [texts, setTexts] = useState<Texts>(() => startTexts(farm, notebook, rows, sheet, likelyTo(farm).buyerId));
  const own = ownRounds(haul, to);
  const [from, setFrom] = useState<TimesFrom>('tickets');
  const times = from === 'tickets' && to !== '' ? own : null;
  const { day, errors, rate } = useMemo(() => readDay(texts, to, times, sheet), [texts, to, times, sheet]);
  const [leastGain, mostLineMin] = [Number(texts.gain), Number(texts.line)];
  const input = useMemo(
    () => day && { day, most: Math.max(MOST, day.trucks.length), replications: REPLICATIONS, seed: SEED, leastGain, mostLineMin },
    [day, leastGain, mostLineMin],
  );
  const { data, error, isValidating, done } = useScience('trucks', input);
  const there = times && day ? atBuyer(times, sheet, Number(texts.road)) : null;
  const goTo = (next: string): void => {
    setTo(next);
    const { road, opens, closes } = startTexts(farm, notebook, rows, sheet, next);
    setTexts({ ...texts, road, opens, closes });
  };
  const set = (key: Key, text: string): void => setTexts({ ...texts, [key]: text });
  return (
    <div className="lg:grid lg:grid-cols-[1.35fr_1fr]">
      <section aria-label="Trucks" className="min-w-0 px-5 py-5 lg:px-6">
        {error && (
          <p role="alert" className="font-semibold text-clay">
            {error.message}
          </p>
        )}
        {isValidating && (
          <p className="mb-3 flex items-center gap-3 text-sm text-muted">
            <progress aria-label="Simulated" className="h-2 w-40 accent-[var(--clay)]" value={done} max={1} /> driving {REPLICATIONS} days with 1 to {input?.most ?? MOST} trucks
          </p>
        )}
        {data && day ? (
          <Fleets fleets={data.fleets} worth={data.worth} day={day} busy={isValidating} />
        ) : (
          !isValidating && !error && <p className="text-muted">A figure at the right does not fit.</p>
        )}
      </section>
      <section aria-label="The day" className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6">
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
              {boxes.map(({ key, label, unit }) => (
                <TextBox
                  key={key}
                  label={label}
                  unit={unit || undefined}
                  inputMode="decimal"
                  value={texts[key]}
                  error={errors[key]}
                  hint={key === 'acres' && rate >= 50 ? `${formatBushels(rate)} bu/h each` : undefined}
                  onChange={(event) => set(key, event.target.value)}
                />
              ))}
              {title === 'Carts and trucks' && (
                <div className="col-span-2">
                  <TextBox
                    label="Trucks, what each holds"
                    unit="bu"
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
          {REPLICATIONS} days, the same for each number of trucks, with times that scatter as such times do. A truck that cannot be in line by closing keeps its load overnight.
        </p>
      </section>
    </div>
  );
}

function Fleets({ fleets, worth, day, busy }: { fleets: readonly TrucksWorth[]; worth: number; day: HaulingDay; busy: boolean }) {
  const best = fleets[worth - 1]!;
  const more = fleets[worth];
  const { result } = best;
  return (
    <div aria-busy={busy} className={busy ? 'opacity-60' : ''}>
      <p className="text-7xl leading-none font-bold">
        {worth} <span className="text-2xl font-normal text-muted">{worth === 1 ? 'truck' : 'trucks'}</span>
      </p>
      <p className="mt-3 text-xl">
        <b>{formatBushels(result.bushelsPerHour.mean)} bu/h</b> (8 days of 10 between {formatBushels(result.bushelsPerHour.low)} and {formatBushels(result.bushelsPerHour.high)}).{' '}
        {more !== undefined && more.gain !== null
          ? `One more would bring ${formatBushels(more.gain)} bu/h${more.result.lineMinutes > 60 ? `, and wait ${Math.round(more.result.lineMinutes)} minutes in line` : ''}.`
          : ''}{' '}
        {best.gain !== null ? `One less would cost ${formatBushels(best.gain)} bu/h.` : ''}
      </p>
      <p className="mt-1">
        Held back by: <b>{result.heldBackBy}</b>.{' '}
        {result.firstStop.hour === null
          ? 'No combine stands full.'
          : `A combine first stands full about ${hourText(result.firstStop.hour)}, on ${Math.round(100 * result.firstStop.share)} % of days.`}{' '}
        A truck waits {Math.round(result.lineMinutes)} minutes in line, a cart {(60 * result.waits.cart).toFixed(0)} minutes a day for trucks.
      </p>
      <p className="mt-1">
        <b>{day.destination.kind === 'elevator' ? `At closing, ${hourText(day.destination.closes)}` : `When cutting ends, ${hourText(day.stopHour)}`}:</b>{' '}
        {standing(result.atClose, day, worth)}. <b>Overnight on wheels: {formatBushels(result.onWheels)} bu</b>
        {result.onWheels >= 1 ? ` (${standing(result.overnight, day, worth)})` : ''}.
      </p>
      <div
        role="img"
        aria-label={`Bushels an hour by trucks: ${fleets.map((fleet) => `${fleet.trucks}: ${formatBushels(fleet.result.bushelsPerHour.mean)}`).join(', ')}`}
        className="mt-4 h-56 overflow-hidden"
      >
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 480, height: 224 }}>
          <BarChart
            data={fleets.map((fleet) => ({ trucks: fleet.trucks, rate: fleet.result.bushelsPerHour.mean }))}
            margin={{ top: 8, right: 8, bottom: 4, left: 0 }}
            accessibilityLayer={false}
          >
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis dataKey="trucks" stroke="var(--ink)" tick={{ fill: 'var(--ink)', fontSize: 14 }} />
            <YAxis width={58} stroke="var(--ink)" tick={{ fill: 'var(--ink)', fontSize: 14 }} tickFormatter={(v: number) => formatBushels(v)} />
            <Bar dataKey="rate" isAnimationActive={false}>
              {fleets.map((fleet) => (
                <Cell key={fleet.trucks} fill={fleet.trucks === worth ? 'var(--clay)' : 'var(--ink)'} />
              ))}
            </Bar>
          </BarChart>
        </ResponsiveContainer>
      </div>
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Table by number of trucks">
        <table className="mt-2 w-full" aria-label="By number of trucks">
          <thead className="border-y border-ink text-left text-sm">
            <tr>
              <th className="py-1.5 pr-2">Trucks</th>
              <th className="px-1 text-right">bu/h</th>
              <th className="px-1 text-right">The last one brings</th>
              <th className="px-1 text-right">Combine stands</th>
              <th className="px-1 text-right">Truck in line</th>
              <th className="py-1.5 pl-1 text-right">On wheels at night</th>
            </tr>
          </thead>
          <tbody>
            {fleets.map((fleet) => (
              <tr key={fleet.trucks} className={`border-b border-rule ${fleet.trucks === worth ? 'bg-sand font-semibold' : ''}`}>
                <td className="py-1 pr-2">{fleet.trucks}</td>
                <td className="px-1 text-right">{formatBushels(fleet.result.bushelsPerHour.mean)}</td>
                <td className="px-1 text-right">{fleet.gain === null ? '' : formatBushels(fleet.gain)}</td>
                <td className="px-1 text-right whitespace-nowrap">{fleet.result.waits.combine.toFixed(1)} h</td>
                <td className="px-1 text-right whitespace-nowrap">{Math.round(fleet.result.lineMinutes)} min</td>
                <td className="py-1 pl-1 text-right whitespace-nowrap">{formatBushels(fleet.result.onWheels)} bu</td>
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
function standing({ tanks, carts, trucks, wetBin }: GrainStanding, day: HaulingDay, fleet: number): string {
  const sum = (sizes: readonly number[]): number => sizes.reduce((a, b) => a + b, 0);
  const holds = [
    ['tanks', tanks, sum(day.combines.map(({ tank }) => tank))],
    ['carts', carts, sum(day.carts.map(({ capacity }) => capacity))],
    ['trucks', trucks, sum(Array.from({ length: fleet }, (_, i) => (day.trucks[i] ?? day.trucks[0]!).capacity))],
    ...(day.destination.kind === 'home' ? ([['the wet bin', wetBin, day.destination.wetBin]] as const) : []),
  ] as const;
  const words = holds
    .filter(([, held]) => held >= 1)
    .map(([name, held, most]) => `${name} ${held >= FULL * most ? `full (${formatBushels(held)} bu)` : `${formatBushels(held)} bu`}`);
  return words.length === 0 ? 'everything is empty' : words.join(', ');
}
