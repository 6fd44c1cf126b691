import type { Notebook } from '@fanega/contract';
import type { HaulingDay, TrucksWorth } from '@fanega/core';
import { useMemo, useState } from 'react';
import { Bar, BarChart, CartesianGrid, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { Farm } from '../../data/farm';
import { useScience } from '../../science';
import { Loading, SelectBox, TextBox } from '../../ui';
import { formatBushels, parseNumber } from '../../widgets/quantity';
import { NO_HAUL } from '../../widgets/haul-facts';

const MOST = 8;
const REPLICATIONS = 200;
const SEED = 20261124;
/** A truck that brings less than this is company, not help; a setting here. */
const LEAST_GAIN = '60';
const hourText = (hour: number): string => `${String(Math.floor(hour)).padStart(2, '0')}:${String(Math.floor((hour % 1) * 60)).padStart(2, '0')}`;

interface Text {
  combine: string;
  combines: string;
  tank: string;
  cart: string;
  carts: string;
  truck: string;
  road: string;
  unload: string;
  others: string;
  begins: string;
  ends: string;
  opens: string;
  closes: string;
  gain: string;
}
const BOXES: readonly (readonly [keyof Text, string, string, number, number])[] = [
  ['combines', 'Combines', '', 1, 10],
  ['combine', 'Each brings', 'bu/h', 50, 10_000],
  ['tank', 'Tank', 'bu', 20, 2000],
  ['carts', 'Carts', '', 0, 10],
  ['cart', 'Cart', 'bu', 50, 5000],
  ['truck', 'Truck', 'bu', 50, 5000],
  ['road', 'Road, one way', 'min', 1, 300],
  ['unload', 'Scale and pit', 'min', 1, 240],
  ['others', 'Other trucks an hour', '', 0, 60],
  ['begins', 'Cutting from', 'h', 0, 23],
  ['ends', 'until', 'h', 1, 24],
  ['opens', 'Elevator from', 'h', 0, 23],
  ['closes', 'until', 'h', 1, 24],
  ['gain', 'A truck must bring', 'bu/h', 0, 10_000],
];

/** The same two hundred days with one truck, two, three …: what the next one brings, and who waits. */
export default function HowManyTrucks({ farm, notebook }: { farm: Farm; notebook: Notebook }) {
  const haul = notebook.haul?.sheet ?? NO_HAUL;
  const of = (kind: string) => farm.data.places.filter((place) => place.kind === kind);
  const mean = (kind: string, otherwise: number): string => {
    const sizes = of(kind).flatMap((place) => (place.capacityBu === null ? [] : [place.capacityBu]));
    return String(Math.round(sizes.length === 0 ? otherwise : sizes.reduce((a, b) => a + b, 0) / sizes.length));
  };
  const [to, setTo] = useState(() => of('buyer')[0]?.id ?? '');
  const [text, setText] = useState<Text>(() => {
    const machines = Object.values(notebook.machines).map(({ sheet }) => sheet);
    const set = notebook.nextField?.sheet.combineBushelsPerHour;
    const combines = Math.max(1, of('combine').length);
    const rate =
      set !== undefined
        ? set / combines
        : machines.length === 0
          ? 1500
          : machines.reduce((sum, m) => sum + (m.goodRate * m.fieldEfficiency) / farm.kgPerBu(undefined), 0) / machines.length;
    return {
      combines: String(combines),
      combine: String(Math.round(rate)),
      tank: mean('combine', 300),
      carts: String(of('cart').length),
      cart: mean('cart', 1000),
      truck: mean('truck', 900),
      road: String(haul.roadMin[of('buyer')[0]?.id ?? ''] ?? 25),
      unload: String(haul.unloadMin),
      others: String(haul.othersPerHour),
      begins: '10',
      ends: '20',
      opens: '7',
      closes: '19',
      gain: LEAST_GAIN,
    };
  });
  const errors: Partial<Record<keyof Text, string>> = {};
  const value = {} as Record<keyof Text, number>;
  for (const [key, , , least, most] of BOXES) {
    value[key] = parseNumber(text[key]);
    const whole = key === 'combines' || key === 'carts';
    if (!(value[key] >= least && value[key] <= most) || (whole && !Number.isInteger(value[key])))
      errors[key] = `${whole ? 'A whole number' : 'A number'} from ${least} to ${most.toLocaleString('en-US')}`;
  }
  if (!errors.ends && !errors.begins && value.ends <= value.begins) errors.ends = 'After it begins';
  if (!errors.closes && !errors.opens && value.closes <= value.opens) errors.closes = 'After it opens';
  const right = Object.keys(errors).length === 0;
  const input = useMemo(() => {
    if (!right) return null;
    const day: HaulingDay = {
      startHour: value.begins,
      stopHour: value.ends,
      combines: Array.from({ length: value.combines }, () => ({ bushelsPerHour: value.combine, rateCv: 0.15, tank: value.tank, unloadPerHour: 9000, onTheGo: true })),
      carts: Array.from({ length: value.carts }, () => ({ capacity: value.cart, unloadPerHour: 20_000, drive: { mean: 3, cv: 0.3 } })),
      trucks: [{ capacity: value.truck, tarpMin: haul.tarpMin }],
      road: { out: { mean: value.road, cv: 0.15 }, back: { mean: value.road * 0.9, cv: 0.15 } },
      destination: { kind: 'elevator', opens: value.opens, closes: value.closes, pits: 1, unload: { mean: value.unload, cv: 0.35 }, othersPerHour: value.others },
    };
    return { day, most: MOST, replications: REPLICATIONS, seed: SEED, leastGain: value.gain };
    // The texts are what changes; the figures follow from them.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [text, right, haul.tarpMin]);
  const { data, error, isValidating } = useScience('trucks', input);
  return (
    <div className="lg:grid lg:grid-cols-[1.3fr_1fr]">
      <section aria-label="Trucks" className="min-w-0 px-5 py-5 lg:px-6">
        {error && (
          <p role="alert" className="font-semibold text-clay">
            {error.message}
          </p>
        )}
        {data ? (
          <Fleets fleets={data.fleets} worth={data.worth} busy={isValidating} />
        ) : right && !error ? (
          <Loading what={`Driving ${REPLICATIONS} days with 1 to ${MOST} trucks`} />
        ) : (
          !error && <p className="text-muted">A figure at the right does not fit.</p>
        )}
      </section>
      <section aria-label="The day" className="border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6">
        {of('buyer').length > 0 && (
          <div className="mb-3">
            <SelectBox
              label="To"
              value={to}
              onChange={(event) => {
                setTo(event.target.value);
                const road = haul.roadMin[event.target.value];
                if (road !== undefined) setText({ ...text, road: String(road) });
              }}
            >
              {of('buyer').map((buyer) => (
                <option key={buyer.id} value={buyer.id}>
                  {buyer.name}
                </option>
              ))}
            </SelectBox>
          </div>
        )}
        <div className="grid grid-cols-2 gap-3">
          {BOXES.map(([key, label, unit]) => (
            <TextBox
              key={key}
              label={label}
              unit={unit || undefined}
              inputMode="decimal"
              value={text[key]}
              error={errors[key]}
              onChange={(event) => setText({ ...text, [key]: event.target.value })}
            />
          ))}
        </div>
        <p className="mt-3 text-sm text-muted">
          {REPLICATIONS} days, the same for each number of trucks, with times that scatter as such times do. A truck that cannot be in line by closing keeps its load overnight.
        </p>
      </section>
    </div>
  );
}

function Fleets({ fleets, worth, busy }: { fleets: readonly TrucksWorth[]; worth: number; busy: boolean }) {
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
        {more !== undefined && more.gain !== null ? `One more would bring ${formatBushels(more.gain)} bu/h.` : ''}{' '}
        {best.gain !== null ? `One less would cost ${formatBushels(best.gain)} bu/h.` : ''}
      </p>
      <p className="mt-1">
        Held back by: <b>{result.heldBackBy}</b>.{' '}
        {result.firstStop.hour === null
          ? 'No combine stands full.'
          : `A combine first stands full about ${hourText(result.firstStop.hour)}, on ${Math.round(100 * result.firstStop.share)} % of days.`}{' '}
        A truck waits {Math.round(result.lineMinutes)} minutes in line. {formatBushels(result.onWheels)} bu stay on wheels overnight.
      </p>
      <div
        role="img"
        aria-label={`Bushels an hour by trucks: ${fleets.map((fleet) => `${fleet.trucks}: ${formatBushels(fleet.result.bushelsPerHour.mean)}`).join(', ')}`}
        className="mt-4 h-60 overflow-hidden"
      >
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 480, height: 240 }}>
          <BarChart
            data={fleets.map((fleet) => ({ trucks: fleet.trucks, rate: fleet.result.bushelsPerHour.mean }))}
            margin={{ top: 8, right: 8, bottom: 4, left: 0 }}
            accessibilityLayer={false}
          >
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis dataKey="trucks" stroke="var(--ink)" tick={{ fill: 'var(--ink)', fontSize: 14 }} />
            <YAxis width={58} stroke="var(--ink)" tick={{ fill: 'var(--ink)', fontSize: 14 }} tickFormatter={(v: number) => formatBushels(v)} />
            <Bar dataKey="rate" fill="var(--ink)" isAnimationActive={false} />
          </BarChart>
        </ResponsiveContainer>
      </div>
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Table by number of trucks">
        <table className="mt-2 w-full min-w-[34rem]" aria-label="By number of trucks">
          <thead className="border-y border-ink text-left text-sm">
            <tr>
              <th className="py-1.5 pr-2">Trucks</th>
              <th className="px-2 text-right">bu/h</th>
              <th className="px-2 text-right">The last one brings</th>
              <th className="px-2 text-right">Combine stands</th>
              <th className="px-2 text-right">Truck in line</th>
              <th className="py-1.5 pl-2 text-right">On wheels at night</th>
            </tr>
          </thead>
          <tbody>
            {fleets.map((fleet) => (
              <tr key={fleet.trucks} className={`border-b border-rule ${fleet.trucks === worth ? 'bg-sand font-semibold' : ''}`}>
                <td className="py-1 pr-2">{fleet.trucks}</td>
                <td className="px-2 text-right">{formatBushels(fleet.result.bushelsPerHour.mean)}</td>
                <td className="px-2 text-right">{fleet.gain === null ? '' : formatBushels(fleet.gain)}</td>
                <td className="px-2 text-right">{fleet.result.waits.combine.toFixed(1)} h</td>
                <td className="px-2 text-right">{Math.round(fleet.result.lineMinutes)} min</td>
                <td className="py-1 pl-2 text-right">{formatBushels(fleet.result.onWheels)} bu</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}
