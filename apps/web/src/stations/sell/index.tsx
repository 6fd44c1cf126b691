import {
  baseMoistureOf,
  cropOf,
  type Delivery,
  KG_PER_LB,
  type SoldDelivery,
  sellView,
  TICKET,
  WATER_SHRINK,
} from '@fanega/core';
import { lazy, Suspense, useMemo } from 'react';
import { Link, Route, Routes } from 'react-router';
import { type Farm, useDeliveries, useFarm } from '../../data/farm';
import { useRecorder } from '../../widgets/record';
import { Button, Empty, Loading } from '../../ui';
import { type Column, DataTable } from '../../ui/table';
import { QueryBoundary } from '../../ui/query-boundary';
import { bushels, mass, moisture, money, percent, plain, price, Shown, system } from '../../quantity/quantity';
import { figureColumn, momentColumn, wordColumn } from '../../widgets/columns';
import { Swatch } from '../../widgets/weave';
import { Page } from '../../ui/page';
import { Working } from '../../widgets/working';
import { SeasonBox, useSeason } from '../../widgets/season-box';

const NextLoad = lazy(() => import('./pages/next-load'));
const Where = lazy(() => import('./pages/where'));
const Contracts = lazy(() => import('./pages/contracts'));
const Hold = lazy(() => import('./pages/hold'));

const PAGES = [
  { path: '', name: 'Tickets' },
  { path: 'next', name: 'The next load' },
  { path: 'where', name: 'Where it brings most' },
  { path: 'contracts', name: 'Contracts' },
  { path: 'hold', name: 'Hold or sell' },
] as const;

/** Tickets, what is sold ahead, where the next load counts, and whether to wait. */
export default function Sell() {
  const farm = useFarm();
  const recorder = useRecorder();
  const chosen = useSeason(farm);
  return (
    <Page
      title="Sell"
      base="/sell"
      pages={PAGES}
      beside={<SeasonBox {...chosen} />}
      actions={
        <Button onClick={() => recorder.open({ kind: 'move', amount: 'gross', emptied: true })}>Record a ticket</Button>
      }
    >
      <Suspense fallback={<Loading what="Opening" />}>
        <Routes>
          <Route index element={<AllTickets farm={farm} season={chosen.season} />} />
          <Route path="next" element={<NextLoad farm={farm} />} />
          <Route path="where" element={<Where farm={farm} />} />
          <Route path="contracts" element={<Contracts farm={farm} />} />
          <Route path="hold" element={<Hold farm={farm} />} />
        </Routes>
      </Suspense>
    </Page>
  );
}

/** Every delivery with its ticket. */
function AllTickets({ farm, season }: { farm: Farm; season: number | undefined }) {
  const deliveries = useDeliveries(season);
  return (
    <QueryBoundary answer={deliveries} what="Collecting the tickets">
      {(rows) =>
        rows.length === 0 ? (
          <Empty title={`Nothing of ${season ?? 'this season'} is sold yet.`}>
            <p>A load into a buyer is a delivery; its ticket comes in here.</p>
          </Empty>
        ) : (
          <Tickets farm={farm} rows={rows} />
        )
      }
    </QueryBoundary>
  );
}

/** How the farm's own bushels and dollars of a crop came about, with the newest ticket as its example. */
function OwnWorking({
  farm,
  crop,
  dry,
  brings,
  sold,
}: {
  farm: Farm;
  crop: string | undefined;
  dry: number;
  brings: number;
  sold: readonly SoldDelivery[];
}) {
  const known = cropOf(crop ?? '');
  const of = sold.filter((row) => row.crop === crop);
  const unpriced = of.filter((row) => row.money === null).length;
  const per = farm.kgPerBu(crop);
  const base = baseMoistureOf(crop ?? '', farm.data.farm.defaults);
  const newest = [...of].sort((a, b) => Date.parse(b.delivery.entry.at) - Date.parse(a.delivery.entry.at))[0];
  if (!known || !newest) return null;
  const { delivery } = newest;
  return (
    <Working
      what={`${known.name}: ${bushels(dry, per).text}, ${money(brings)}`}
      formulas={[WATER_SHRINK, TICKET]}
      inputs={[
        {
          name: 'Tickets',
          value: `${of.length}`,
          from: unpriced === 0 ? 'the book' : `the book; ${unpriced} of them without a price count no dollars`,
          at: delivery.entry.at,
        },
        { name: 'Base moisture', value: percent(base), from: 'the farm’s own, by crop' },
        { name: 'Own part', value: known.name, from: 'shares of each load’s fields' },
      ]}
      worked={[
        `${delivery.ticket === null ? 'one ticket' : `ticket ${delivery.ticket}`}: ${mass(delivery.netKg).text} × (100 − ${moisture.figure(delivery.moisture)}) ÷ (100 − ${moisture.figure(base)})${system() === 'us' ? ` ÷ ${mass(known.legalPounds * KG_PER_LB).text}` : ''} = ${bushels(newest.bushels, per).text} dry`,
        ...(newest.money === null || delivery.pricePerBu === null
          ? []
          : [`paid at ${price(delivery.pricePerBu, per).text}: ${money(newest.money)}`]),
      ]}
      not="the buyer’s discounts for moisture, test weight, damage and foreign material; over-dry grain is paid by its weight."
    />
  );
}

function Tickets({ farm, rows }: { farm: Farm; rows: readonly Delivery[] }) {
  const { rows: sold, own, others } = useMemo(() => sellView(farm, rows), [farm, rows]);
  const columns = useMemo(() => ticketColumns(farm), [farm]);
  const cropName = (crop: string | undefined): string => cropOf(crop ?? '')?.name ?? crop ?? 'Unknown crop';
  return (
    <>
      <div className="flex flex-wrap gap-x-10 gap-y-3 px-5 py-4 lg:px-6">
        {own.map(({ crop, bushels: dry, money: brings }) => (
          <div key={crop ?? ''}>
            <span className="block text-sm text-muted">
              {cropName(crop)} delivered, own, dry at {percent(baseMoistureOf(crop ?? '', farm.data.farm.defaults))}
            </span>
            <span className="text-3xl font-bold">
              <Shown of={bushels(dry, farm.kgPerBu(crop))} />
            </span>
            <span className="block">{money(brings)}</span>
            <OwnWorking farm={farm} crop={crop} dry={dry} brings={brings} sold={sold} />
          </div>
        ))}
        {others.length > 0 && (
          <div>
            <p className="text-sm text-muted">of others, split by their shares</p>
            <ul>
              {others.map(({ owner, crop, bushels: dry, money: brings }) => (
                <li key={`${owner} ${crop}`}>
                  <b>
                    {owner}, {cropName(crop).toLowerCase()}
                  </b>{' '}
                  <Shown of={bushels(dry, farm.kgPerBu(crop))} /> · {money(brings)}
                </li>
              ))}
            </ul>
          </div>
        )}
      </div>
      <DataTable
        name="Tickets"
        one="ticket"
        many="tickets"
        rows={sold}
        columns={columns}
        rowId={({ delivery }) => delivery.entry.id}
        sortedBy={{ id: 'when', down: true }}
      />
      <p className="px-5 py-3 text-sm text-muted lg:px-6">
        Brings: dry grain at the price, before the buyer&rsquo;s discounts; over-dry grain at its own weight.
      </p>
    </>
  );
}

/** Every ticket as the buyer printed it, and what it brings. */
function ticketColumns(farm: Farm): Column<SoldDelivery>[] {
  const { timeZone } = farm.data.farm;
  const per = ({ crop }: SoldDelivery): number => farm.kgPerBu(crop);
  return [
    {
      id: 'ticket',
      head: 'Ticket',
      phone: 'title',
      value: ({ delivery }) => delivery.ticket ?? 'no ticket',
      show: ({ delivery: row }) => (
        <span className="font-semibold whitespace-nowrap">
          <Link to={`/trace/delivery/${row.entry.id}`} className="underline decoration-rule underline-offset-4">
            {row.ticket ?? 'no ticket'}
          </Link>
          {row.witnesses.length > 0 && (
            <span className="ml-1 text-sm font-normal text-muted">
              {row.witnesses.filter((w) => 'wetKg' in w).length + 1}×<span className="sr-only"> weighed</span>
            </span>
          )}
        </span>
      ),
    },
    momentColumn('when', 'When', ({ delivery }) => delivery.entry.at, timeZone),
    wordColumn('buyer', 'Buyer', ({ delivery }) => farm.placeName(delivery.to), {
      choice: true,
      as: (words) => <span className="whitespace-nowrap">{words}</span>,
    }),
    wordColumn('crop', 'Crop', ({ crop }) => cropOf(crop ?? '')?.name ?? crop ?? '', { choice: true, extra: true }),
    {
      id: 'fields',
      head: 'Fields',
      value: ({ delivery }) => Object.keys(delivery.lots).map(farm.tag).join(' '),
      show: ({ delivery }) => (
        <span className="whitespace-nowrap">
          {Object.keys(delivery.lots)
            .slice(0, 4)
            .map((lot) => (
              <span key={lot} className="mr-2">
                <Swatch index={farm.lotIndex(lot)} size={14} /> {farm.tag(lot)}
              </span>
            ))}
        </span>
      ),
    },
    figureColumn('gross', 'Gross', mass, ({ delivery }) => delivery.grossKg),
    figureColumn('tare', 'Tare', mass, ({ delivery }) => delivery.tareKg),
    figureColumn('net', 'Net', mass, ({ delivery }) => delivery.netKg, {
      show: ({ delivery }) => <b>{mass.figure(delivery.netKg)}</b>,
      summed: {},
    }),
    figureColumn('moisture', 'Moist.', moisture, ({ delivery }) => delivery.moisture),
    figureColumn('dry', 'Dry', bushels, (one) => one.bushels, { per }),
    figureColumn('price', 'Price', price, ({ delivery }) => delivery.pricePerBu, { per }),
    {
      id: 'brings',
      head: 'Brings',
      right: true,
      phone: 'verdict',
      value: (one) => one.money,
      text: (one) => (one.money === null ? '' : plain(one.money, 2)),
      show: (one) => (one.money === null ? '' : money(one.money)),
      sum: (rows) => money(rows.reduce((sum, one) => sum + (one.money ?? 0), 0)),
    },
  ];
}
