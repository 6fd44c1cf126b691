import { type ReactNode, Suspense, useEffect } from 'react';
import { NavLink, useLocation } from 'react-router';
import { type Farm, useFarm } from '../data/farm';
import { grainOf, moisture, percent } from '../quantity/quantity';
import { lotFill } from '../widgets/weave';
import { lazily } from '../ui/lazily';
import { useBox } from '../ui/use-box';

const ShedFigure = lazily(() => import('./shed-figure'), true);

interface Station {
  readonly path: string;
  readonly name: string;
  readonly figure: (farm: Farm) => ReactNode;
}

const sum = (o: Readonly<Record<string, number>>): number => Object.values(o).reduce((a, b) => a + b, 0);
const heldIn = (farm: Farm, ...kinds: string[]) => farm.data.places.filter((place) => kinds.includes(place.kind));
/** All grain in places of some kinds, kg by lot. */
function lotsIn(farm: Farm, ...kinds: string[]): Readonly<Record<string, number>> {
  const all: Record<string, number> = {};
  for (const place of heldIn(farm, ...kinds))
    for (const [lot, kg] of Object.entries(farm.held(place.id).wetLots)) all[lot] = (all[lot] ?? 0) + kg;
  return all;
}
const bushelsIn = (farm: Farm, ...kinds: string[]) =>
  heldIn(farm, ...kinds).reduce((total, place) => total + farm.bushels(farm.held(place.id).wetLots), 0);

/** The way of the grain, with the figure that tells how each part of the day goes. */
const STATIONS: readonly Station[] = [
  {
    path: '/',
    name: 'Today',
    figure: (farm) => (farm.data.steps.length === 0 ? 'nothing waits' : `${farm.data.steps.length} to do`),
  },
  {
    path: '/fields',
    name: 'Fields',
    figure: (farm) => {
      const cutting = Object.keys(farm.data.flow.cut).length;
      return cutting > 0 ? `cutting ${cutting}` : 'none cutting';
    },
  },
  { path: '/cut', name: 'Cut', figure: (farm) => `${grainOf(farm, farm.data.flow.cut)} today` },
  {
    path: '/haul',
    name: 'Haul',
    figure: (farm) => {
      const trucks = heldIn(farm, 'truck');
      return `${trucks.filter((truck) => farm.held(truck.id).wetKg > 1).length} of ${trucks.length} loaded`;
    },
  },
  {
    path: '/dry',
    name: 'Dry',
    figure: (farm) =>
      farm.data.dried
        ? `${moisture.figure(farm.data.dried.from)} → ${moisture(farm.data.dried.to)}`
        : `${grainOf(farm, lotsIn(farm, 'wetBin', 'dryer'))} wet`,
  },
  {
    path: '/store',
    name: 'Store',
    figure: (farm) => {
      const room = heldIn(farm, 'bin').reduce((total, bin) => total + (bin.capacityBu ?? 0), 0);
      return room > 0
        ? `${percent(bushelsIn(farm, 'bin') / room, 0)} full`
        : grainOf(farm, lotsIn(farm, 'bin', 'pile')).text;
    },
  },
  { path: '/sell', name: 'Sell', figure: (farm) => `${grainOf(farm, farm.data.flow.sell)} today` },
  { path: '/trace', name: 'Trace', figure: (farm) => (farm.data.balance.balances ? 'balances' : 'does not balance') },
  // Beside the way of the grain.
  {
    path: '/shed',
    name: 'Shed',
    // What machines need is reckoned after the page is there.
    figure: (farm) => (
      <Suspense fallback="machines">
        <ShedFigure farm={farm} />
      </Suspense>
    ),
  },
];

/** On a screen that is narrower than the way of the grain, where one is stands in its middle. */
function bringIntoView(nav: HTMLElement): void {
  if (nav.scrollWidth > nav.clientWidth)
    nav.querySelector('[aria-current=page]')?.scrollIntoView({ inline: 'center', block: 'nearest' });
}

export function StationsBar() {
  const farm = useFarm();
  const { pathname } = useLocation();
  const [nav, box] = useBox<HTMLElement>('stations');
  const width = box?.width ?? 0;
  useEffect(() => {
    if (width === 0) return;
    // When the page is laid out: asking for it here would lay it out in the same stroke that draws it.
    const laidOut = new IntersectionObserver(() => {
      laidOut.disconnect();
      bringIntoView(nav.current!);
    });
    laidOut.observe(nav.current!);
    return () => laidOut.disconnect();
  }, [nav, width, pathname]);
  return (
    <nav ref={nav} aria-label="The way of the grain" className="relative overflow-x-auto">
      <ul className="relative flex lg:grid lg:grid-cols-9 lg:pb-9">
        {STATIONS.map((station) => (
          <li key={station.path} className={`shrink-0 ${station.path === '/shed' ? 'border-l border-rule' : ''}`}>
            <NavLink
              to={station.path}
              end={station.path === '/'}
              className="group block min-h-14 px-4 py-1.5 text-center aria-[current=page]:bg-sand lg:min-h-0 lg:aria-[current=page]:bg-transparent"
            >
              <span className="block text-[17px] font-bold group-aria-[current=page]:text-clay">{station.name}</span>
              <span className="block text-sm whitespace-nowrap text-muted">{station.figure(farm)}</span>
            </NavLink>
          </li>
        ))}
      </ul>
      {width > 900 && (
        <Band
          farm={farm}
          width={width}
          current={STATIONS.findIndex(({ path }) => (path === '/' ? pathname === '/' : pathname.startsWith(path)))}
        />
      )}
    </nav>
  );
}

const BAND = 34;
const THICK = 24;

/**
 * Today's grain on its way from Fields to Sell: at each station as thick as what went by there, lot by lot in its own
 * weave. Where it narrows, something waits.
 */
function Band({ farm, width, current }: { farm: Farm; width: number; current: number }) {
  const { flow } = farm.data;
  const column = width / STATIONS.length;
  const stops = [flow.cut, flow.cut, flow.haul, flow.dry, flow.store, flow.sell].map((byLot, i) => ({
    x: (i + 1.5) * column,
    byLot,
    total: sum(byLot),
  }));
  const most = Math.max(...stops.map((stop) => stop.total));
  const middle = BAND / 2;
  const lots = [...new Set(stops.flatMap((stop) => Object.keys(stop.byLot)))].sort(
    (a, b) => farm.lotIndex(a) - farm.lotIndex(b),
  );
  const tops = stops.map((stop) => middle - (most > 0 ? (THICK * stop.total) / most / 2 : 0));
  const bands = lots.map((lot) => {
    const upper = [...tops];
    stops.forEach((stop, i) => (tops[i] = tops[i]! + (most > 0 ? (THICK * (stop.byLot[lot] ?? 0)) / most : 0)));
    return (
      <path
        key={lot}
        d={ribbon(
          stops.map((s) => s.x),
          upper,
          [...tops],
        )}
        fill={lotFill(farm.lotIndex(lot))}
      />
    );
  });
  return (
    <svg width={width} height={BAND} className="pointer-events-none absolute bottom-0 left-0" aria-hidden="true">
      <line x1={stops[0]!.x} x2={stops.at(-1)!.x} y1={middle} y2={middle} stroke="var(--rule)" strokeWidth="1.5" />
      <g className="grain">{bands}</g>
      {stops.map((stop) => (
        <line key={stop.x} x1={stop.x} x2={stop.x} y1="2" y2={BAND - 2} stroke="var(--ink)" strokeWidth="2" />
      ))}
      {current >= 0 && <path d={`M${(current + 0.5) * column - 9} ${BAND}h18l-9 -9z`} fill="var(--clay)" />}
    </svg>
  );
}

/** A closed ribbon through the stops, with level ends so that it leaves each station straight. */
function ribbon(xs: readonly number[], upper: readonly number[], lower: readonly number[]): string {
  const curve = (order: readonly number[], ys: readonly number[]): string =>
    order
      .slice(1)
      .map((to, k) => {
        const from = order[k]!;
        const half = (xs[from]! + xs[to]!) / 2;
        return `C${half} ${ys[from]} ${half} ${ys[to]} ${xs[to]} ${ys[to]}`;
      })
      .join('');
  const forth = xs.map((_, i) => i);
  const back = [...forth].reverse();
  const end = back[0]!;
  return `M${xs[0]} ${upper[0]}${curve(forth, upper)}L${xs[end]} ${lower[end]}${curve(back, lower)}Z`;
}
