import {
  type Account,
  cropOf,
  CROPS,
  type Delivery,
  type DeliveryTraceView,
  dryBushels,
  type FieldRow,
  type LotTraceView,
  type TraceLoad,
} from '@fanega/core';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { addressOf } from '../../data/api';
import { type Farm, useDeliveries, useDeliveryTrace, useFarm, useFields, useLotTrace } from '../../data/farm';
import { Empty, Loading } from '../../ui';
import { type Column, DataTable } from '../../ui/table';
import { QueryBoundary } from '../../ui/query-boundary';
import { EntryDrawer } from '../../widgets/entry-drawer';
import { headline } from '../../widgets/headline';
import {
  area,
  bushels,
  bushelsFine,
  grainOf,
  mass,
  number,
  Moisture,
  percent,
  priceText,
  share,
  Shown,
  type Said,
} from '../../quantity/quantity';
import { methodWords } from '../../widgets/method-words';
import { figureColumn, momentColumn, wordColumn } from '../../widgets/columns';
import { Owners } from '../../widgets/owners';
import { ShareList } from '../../widgets/share-list';
import { clock, day, stamp } from '../../quantity/time';
import { Swatch } from '../../widgets/weave';
import { HowSure } from './pages/how-sure';
import { LotMoney } from './pages/lot-money';
import { TraceSearch } from './pages/search';
import { TheBook } from './pages/the-book';
import { WayDrawing } from './pages/way-drawing';
import { Below } from '../../ui/below';
import { Page } from '../../ui/page';
import { SeasonBox, useSeason } from '../../widgets/season-box';
import { StartLink } from '../../widgets/start-link';
import { lazily } from '../../ui/lazily';

const Day = lazily(() => import('./pages/day'), '/trace/day');
const Year = lazily(() => import('./pages/year'), '/trace/year');
const Years = lazily(() => import('./pages/years'), '/trace/years');
const Insurance = lazily(() => import('./pages/insurance'), '/trace/insurance');
const InAndOut = lazily(() => import('./pages/in-and-out'), '/trace/data');
const PlaceOrigin = lazy(() => import('./pages/place'));
const OwnerStatements = lazily(() => import('./pages/owners'), '/trace/owners');

const PAGES = [
  { path: '', name: 'Fields and tickets' },
  { path: 'day', name: 'The day' },
  { path: 'year', name: 'The year' },
  { path: 'years', name: 'Years' },
  { path: 'owners', name: 'Owners' },
  { path: 'insurance', name: 'Insurance' },
  { path: 'data', name: 'Data in and out' },
  { path: 'book', name: 'The book itself' },
] as const;

/** From a field to its tickets and back: the reason for the whole program. */
export default function Trace({
  page,
}: {
  page?: 'day' | 'year' | 'years' | 'owners' | 'insurance' | 'data' | 'book';
}) {
  const { lotId, entryId, placeId } = useParams();
  if (page !== undefined && page !== 'book') return <OfSeason page={page} />;
  if (page === 'book')
    return (
      <Page title="Trace" base="/trace" pages={PAGES}>
        <TheBook />
      </Page>
    );
  if (entryId) return <DeliveryPage key={entryId} entryId={entryId} />;
  if (placeId)
    return (
      <Suspense fallback={<Loading what="Opening" />}>
        <PlaceOrigin key={placeId} />
      </Suspense>
    );
  if (lotId) return <LotPage key={lotId} lotId={lotId} />;
  return <Start />;
}

const dryAtBase = (cropId: string | undefined, dryKg: number): number => {
  const crop = cropOf(cropId ?? '') ?? CROPS.corn;
  return dryBushels(dryKg, crop.legalPounds, crop.baseMoisture);
};
/** Dry matter at the crop's base, as it is shown. */
const dryGrain = (farm: Farm, cropId: string | undefined, dryKg: number): Said =>
  bushels(dryAtBase(cropId, dryKg), farm.kgPerBu(cropId));
const baseOf = (cropId: string | undefined): string => percent((cropOf(cropId ?? '') ?? CROPS.corn).baseMoisture);

/** A page that is of one season. */
function OfSeason({ page }: { page: 'day' | 'year' | 'years' | 'owners' | 'insurance' | 'data' }) {
  const farm = useFarm();
  const chosen = useSeason(farm);
  const { season } = chosen;
  return (
    <Page title="Trace" base="/trace" pages={PAGES} beside={page !== 'years' && <SeasonBox {...chosen} />}>
      <Suspense fallback={<Loading what="Opening" />}>
        {page === 'day' ? (
          <Day farm={farm} />
        ) : page === 'data' ? (
          <InAndOut farm={farm} season={season} />
        ) : page === 'years' ? (
          <Years farm={farm} />
        ) : season === undefined ? (
          <Empty title="No field is in the book yet." />
        ) : page === 'insurance' ? (
          <Insurance key={season} farm={farm} season={season} />
        ) : page === 'year' ? (
          <Year farm={farm} season={season} />
        ) : (
          <OwnerStatements farm={farm} season={season} />
        )}
      </Suspense>
    </Page>
  );
}

function Start() {
  const farm = useFarm();
  const chosen = useSeason(farm);
  const fields = useFields(chosen.season);
  const deliveries = useDeliveries(chosen.season);
  const [accounts, tickets] = useMemo(() => [accountColumns(farm), ticketColumns(farm)], [farm]);
  return (
    <Page
      title="Trace"
      base="/trace"
      pages={PAGES}
      beside={<SeasonBox {...chosen} />}
      lead="Pick a field to see where its grain went, or a ticket to see which fields it came from."
    >
      <TraceSearch farm={farm} />
      <div className="xl:grid xl:grid-cols-[1.4fr_1fr]">
        <section
          aria-label="Accounts of the fields"
          className="min-w-0 border-b border-ink py-4 xl:border-r xl:border-b-0"
        >
          <h2 className="px-5 text-xl lg:px-6">Accounts, dry</h2>
          <QueryBoundary answer={fields} tall what="Adding up the accounts">
            {(rows) => {
              const cut = rows.filter((row) => row.account.harvestedDryKg !== 0 || row.account.restatedDryKg !== 0);
              if (cut.length === 0)
                return (
                  <Empty title="No grain is in the book yet.">
                    <StartLink step="load">How it begins</StartLink>
                  </Empty>
                );
              return (
                <DataTable
                  name="Accounts"
                  one="field"
                  many="fields"
                  rows={cut}
                  columns={accounts}
                  rowId={({ lot }) => lot.id}
                />
              );
            }}
          </QueryBoundary>
        </section>
        <section aria-label="Tickets" className="min-w-0 py-4">
          <h2 className="px-5 text-xl lg:px-6">Tickets</h2>
          <QueryBoundary answer={deliveries} what="Collecting the tickets">
            {(rows) =>
              rows.length === 0 ? (
                <p className="mt-2 px-5 text-muted lg:px-6">Nothing is delivered yet.</p>
              ) : (
                <Below>
                  <DataTable
                    name="Tickets delivered"
                    one="ticket"
                    many="tickets"
                    rows={rows}
                    columns={tickets}
                    rowId={({ entry }) => entry.id}
                  />
                </Below>
              )
            }
          </QueryBoundary>
        </section>
      </div>
    </Page>
  );
}

const ticketLink = ({ entry, ticket }: Delivery) => (
  <Link
    to={`/trace/delivery/${entry.id}`}
    className="font-semibold whitespace-nowrap underline decoration-rule underline-offset-4"
  >
    {ticket ?? 'no ticket'}
  </Link>
);

function accountColumns(farm: Farm): Column<FieldRow>[] {
  const dry = (id: string, head: string, kg: (row: FieldRow) => number, more: Partial<Column<FieldRow>> = {}) =>
    figureColumn<FieldRow>(id, head, bushels, (row) => dryAtBase(row.lot.crop, kg(row)), {
      per: ({ lot }) => farm.kgPerBu(lot.crop),
      ...more,
    });
  return [
    wordColumn('field', 'Field', ({ lot }) => `${lot.tag} ${lot.fieldName}`, {
      phone: 'title',
      as: (_, { lot }) => (
        <Link to={`/trace/lot/${lot.id}`} className="font-semibold whitespace-nowrap">
          <Swatch index={farm.lotIndex(lot.id)} /> {lot.tag}{' '}
          <span className="underline decoration-rule underline-offset-4">{lot.fieldName}</span>
        </Link>
      ),
    }),
    wordColumn('crop', 'Crop', ({ lot }) => cropOf(lot.crop)?.name ?? lot.crop, { choice: true, extra: true }),
    dry('cut', 'Cut', ({ balance }) => balance.harvested),
    dry('restated', 'Restated', ({ account }) => account.restatedDryKg, {
      show: ({ lot, account }) =>
        bushels.signed(dryAtBase(lot.crop, account.restatedDryKg), farm.kgPerBu(lot.crop)).figure,
    }),
    dry('lost', 'Lost', ({ balance }) => balance.lost),
    dry('stock', 'In stock', ({ balance }) => balance.inStock),
    dry('delivered', 'Delivered', ({ balance }) => balance.delivered),
    wordColumn('balances', 'Closes', ({ balance }) => (balance.balances ? 'balances' : 'does not balance'), {
      phone: 'verdict',
      as: (words, { balance }) => (
        <span title={words}>
          {balance.balances ? '=' : '≠'}
          <span className="sr-only"> {words}</span>
        </span>
      ),
    }),
  ];
}

function ticketColumns(farm: Farm): Column<Delivery>[] {
  const { timeZone } = farm.data.farm;
  return [
    wordColumn('ticket', 'Ticket', ({ ticket }) => ticket ?? 'no ticket', {
      phone: 'title',
      as: (_, row) => ticketLink(row),
    }),
    {
      id: 'when',
      head: 'When',
      value: ({ entry }) => entry.at,
      text: ({ entry }) => stamp(entry.at, timeZone),
      show: ({ entry }) => <span className="whitespace-nowrap text-muted">{day(entry.at, timeZone)}</span>,
    },
    wordColumn('buyer', 'Buyer', ({ to }) => farm.placeName(to), { choice: true }),
    wordColumn('fields', 'Fields', ({ lots }) => Object.keys(lots).map(farm.tag).slice(0, 5).join(' ')),
    {
      id: 'grain',
      head: 'Weight',
      unit: bushels.unit,
      right: true,
      phone: 'verdict',
      value: ({ wetLots }) => farm.bushels(wetLots),
      text: ({ wetLots }) => grainOf(farm, wetLots).figure.replace(/,/g, ''),
      show: ({ wetLots }) => grainOf(farm, wetLots).figure,
    },
  ];
}

/** A ticket's part of one field. */
type PartOfTicket = LotTraceView['deliveries'][number];

function partColumns(farm: Farm, crop: string): Column<PartOfTicket>[] {
  const { timeZone } = farm.data.farm;
  const per = farm.kgPerBu(crop);
  return [
    wordColumn('ticket', 'Ticket', ({ delivery }) => delivery.ticket ?? 'no ticket', {
      phone: 'title',
      as: (_, { delivery }) => ticketLink(delivery),
    }),
    momentColumn('when', 'When', ({ delivery }) => delivery.entry.at, timeZone),
    wordColumn('buyer', 'Buyer', ({ delivery }) => farm.placeName(delivery.to), { choice: true }),
    figureColumn('weight', 'Of this field', mass, ({ wetKg }) => wetKg, { summed: {} }),
    figureColumn('share', 'Share by weight', share, ({ wetKg, delivery }) => wetKg / delivery.netKg),
    figureColumn('dry', 'Dry', bushels, ({ dryKg }) => dryAtBase(crop, dryKg), {
      per: () => per,
      phone: 'verdict',
      summed: { per },
    }),
  ];
}

/** Harvested + restated − lost = in stock + delivered, written out. */
function Identity({ farm, account, crop }: { farm: Farm; account: Account; crop: string }) {
  const lost = Object.values(account.lostDryKg).reduce((a, b) => a + b, 0);
  const parts: readonly [string, number, string][] = [
    ['', account.harvestedDryKg, 'cut'],
    [account.restatedDryKg < 0 ? '−' : '+', Math.abs(account.restatedDryKg), 'restated'],
    ['−', lost, 'lost'],
    ['=', account.inStockDryKg, 'in stock'],
    ['+', account.deliveredDryKg, 'delivered'],
  ];
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
      <dl aria-label="Balance of the field" className="flex flex-wrap items-end gap-x-3 gap-y-2">
        {parts.map(([sign, kg, word]) => (
          <div key={word}>
            <dt className={`text-sm text-muted ${sign ? 'pl-7' : ''}`}>{word}</dt>
            <dd className="text-2xl font-bold">
              {sign && <span className="inline-block w-7 font-normal text-muted">{sign}</span>}
              <Shown of={bushelsFine(dryAtBase(crop, kg), farm.kgPerBu(crop))} />
            </dd>
          </div>
        ))}
      </dl>
      <span className="pb-1 text-sm text-muted">dry at {baseOf(crop)}</span>
    </div>
  );
}

function Back() {
  return (
    <Link to="/trace" className="text-sm underline decoration-rule underline-offset-4">
      All fields and tickets
    </Link>
  );
}

function LotPage({ lotId }: { lotId: string }) {
  const farm = useFarm();
  return (
    <QueryBoundary answer={useLotTrace(lotId)} what="Following the grain">
      {(data) => <LotFacts farm={farm} data={data} />}
    </QueryBoundary>
  );
}

const SHEET_LINK = 'inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink'; // prettier-ignore

function LotFacts({ farm, data }: { farm: Farm; data: LotTraceView }) {
  const { row, path, deliveries } = data;
  const { lot } = row;
  const columns = useMemo(() => partColumns(farm, lot.crop), [farm, lot.crop]);
  return (
    <div>
      <div className="border-b border-ink px-5 py-4 lg:px-6">
        <Back />
        <h1 className="mt-1 flex flex-wrap items-center gap-3 text-3xl">
          <Swatch index={farm.lotIndex(lot.id)} size={30} /> {lot.fieldName}
          <span className="text-lg font-normal text-muted">
            {[
              lot.tag,
              `${cropOf(lot.crop)?.name ?? lot.crop} ${lot.season}`,
              lot.variety,
              lot.acres > 0 ? area(lot.acres).text : '',
            ]
              .filter(Boolean)
              .join(' · ')}
          </span>
        </h1>
        <div className="mt-4">
          <Identity farm={farm} account={row.account} crop={lot.crop} />
        </div>
        <p className="mt-2 flex flex-wrap gap-x-6">
          <a
            href={addressOf('/api/farms/{farmId}/lots/{lotId}/statement/pdf', { farmId: farm.id, lotId: lot.id })}
            target="_blank"
            rel="noreferrer"
            className={SHEET_LINK}
          >
            Print its statement
          </a>
          <a
            href={addressOf('/api/farms/{farmId}/lots/{lotId}/statement/csv', { farmId: farm.id, lotId: lot.id })}
            download
            className={SHEET_LINK}
          >
            Its lines as CSV
          </a>
        </p>
        {lot.shares.some((share) => share.owner !== farm.data.farm.name) && (
          <p className="mt-3 text-muted">
            {lot.shares
              .map(
                (share) =>
                  `${share.owner}: ${percent(share.part)} of every load, ${dryGrain(farm, lot.crop, row.account.deliveredDryKg * share.part)} delivered`,
              )
              .join(' · ')}
          </p>
        )}
      </div>
      {deliveries.length > 0 && <LotMoney farm={farm} lotId={lot.id} season={lot.season} crop={lot.crop} />}
      <section aria-label="Its way" className="border-b border-ink px-5 py-4 lg:px-6">
        <h2 className="text-sm text-muted">Its path, dry {bushels.unit}</h2>
        {path.links.length === 0 ? (
          <p className="mt-2 text-muted">No grain has come off this field yet.</p>
        ) : (
          <WayDrawing farm={farm} way={path} crop={lot.crop} />
        )}
      </section>
      <section aria-label="Its tickets" className="py-4">
        <h2 className="px-5 text-xl lg:px-6">
          {deliveries.length === 0
            ? 'On no ticket yet'
            : `On ${number(deliveries.length)} ${deliveries.length === 1 ? 'ticket' : 'tickets'}`}
        </h2>
        {deliveries.length > 0 && (
          <DataTable
            name={`Tickets of ${lot.fieldName}`}
            one="ticket"
            many="tickets"
            rows={deliveries}
            columns={columns}
            rowId={({ delivery }) => delivery.entry.id}
          />
        )}
      </section>
    </div>
  );
}

function DeliveryPage({ entryId }: { entryId: string }) {
  const farm = useFarm();
  return (
    <QueryBoundary answer={useDeliveryTrace(entryId)} what="Following the load back to the fields">
      {(data) => <DeliveryFacts farm={farm} data={data} />}
    </QueryBoundary>
  );
}

function DeliveryFacts({ farm, data }: { farm: Farm; data: DeliveryTraceView }) {
  const { delivery, loads, moves, path } = data;
  const crop = farm.cropOf(delivery.lots);
  const { timeZone } = farm.data.farm;
  const [open, setOpen] = useState<string | null>(null);
  const unknown = delivery.lots.unknown ?? 0;
  return (
    <div>
      <div className="grid gap-x-10 gap-y-4 border-b border-ink px-5 py-4 lg:grid-cols-[auto_1fr] lg:px-6">
        <div>
          <Back />
          <h1 className="mt-1 text-3xl">
            {delivery.ticket ? `Ticket ${delivery.ticket}` : 'Delivery'}
            <span className="block text-lg font-normal text-muted">
              {farm.placeName(delivery.to)} · {day(delivery.entry.at, timeZone)} {clock(delivery.entry.at, timeZone)}
            </span>
          </h1>
          <p className="mt-3 text-4xl font-bold">
            <Shown of={mass(delivery.netKg)} /> <span className="text-lg font-normal text-muted">net</span>
          </p>
          <p className="mt-1">
            {delivery.grossKg !== null && delivery.tareKg !== null && (
              <>
                {mass.figure(delivery.grossKg)} gross − {mass.figure(delivery.tareKg)} tare ·{' '}
              </>
            )}
            <Moisture value={delivery.moisture} />
            {delivery.pricePerBu !== null && ` · ${priceText(delivery.pricePerBu, farm.kgPerBu(crop))}`}
          </p>
          <p className="mt-1">
            <Shown of={grainOf(farm, delivery.wetLots)} basis="by weight" /> ·{' '}
            <Shown of={dryGrain(farm, crop, delivery.dryKg)} basis={`dry at ${baseOf(crop)}`} />
          </p>
        </div>
        <div>
          <h2 className="text-sm text-muted">Whose grain it was</h2>
          <ShareList farm={farm} wetLots={delivery.wetLots} />
          <Owners farm={farm} wetLots={delivery.wetLots} className="mt-2 text-lg" />
          <p className="mt-1 text-sm text-muted">
            The shares sum to {mass(Object.values(delivery.wetLots).reduce((a, b) => a + b, 0)).text}.
            {unknown > 0 && ` ${mass(unknown)} of dry matter came from grain that no field is known for.`}
          </p>
          {delivery.witnesses.length > 0 && (
            <p className="mt-1 text-sm">
              Also weighed:{' '}
              {delivery.witnesses
                .map((w) =>
                  'wetKg' in w && w.wetKg !== undefined ? `${mass(w.wetKg)} by ${methodWords(w.method)}` : '',
                )
                .join(', ')}
            </p>
          )}
        </div>
      </div>
      <section aria-label="Its way" className="border-b border-ink px-5 py-4 lg:px-6">
        <h2 className="text-sm text-muted">Its path, dry {bushels.unit} of this ticket</h2>
        <WayDrawing farm={farm} way={path} crop={crop} />
      </section>
      <HowSure farm={farm} subject={{ kind: 'delivery', id: delivery.entry.id }} />
      <div className="xl:grid xl:grid-cols-2">
        <Steps
          title={`Down to ${loads.length === 1 ? 'one load' : `${loads.length} loads`} off the field`}
          farm={farm}
          steps={loads}
          delivery={delivery}
          crop={crop}
          onOpen={setOpen}
        />
        <Steps
          title="Every move on the way"
          farm={farm}
          steps={moves}
          delivery={delivery}
          crop={crop}
          onOpen={setOpen}
        />
      </div>
      <EntryDrawer entryId={open} onClose={() => setOpen(null)} />
    </div>
  );
}

function Steps({
  title,
  farm,
  steps,
  delivery,
  crop,
  onOpen,
}: {
  title: string;
  farm: Farm;
  steps: readonly TraceLoad[];
  delivery: Delivery;
  crop: string | undefined;
  onOpen: (id: string) => void;
}) {
  const columns = useMemo((): Column<TraceLoad>[] => {
    const per = farm.kgPerBu(crop);
    return [
      wordColumn('what', 'What', ({ entry }) => headline(entry, farm), {
        phone: 'title',
        as: (words, { entry }) => (
          <button
            type="button"
            onClick={() => onOpen(entry.id)}
            className="text-left font-semibold underline decoration-rule underline-offset-4"
          >
            {words}
          </button>
        ),
      }),
      momentColumn('when', 'When', ({ entry }) => entry.at, farm.data.farm.timeZone),
      figureColumn('dry', 'Dry', bushels, ({ dryKg }) => dryAtBase(crop, dryKg), {
        per: () => per,
        phone: 'verdict',
        summed: { per },
      }),
      figureColumn('share', 'Of the ticket', share, ({ dryKg }) => dryKg / delivery.dryKg),
    ];
  }, [farm, crop, delivery, onOpen]);
  return (
    <section aria-label={title} className="min-w-0 py-4 xl:border-r xl:border-rule">
      <h2 className="px-5 pb-2 text-xl lg:px-6">{title}</h2>
      <DataTable
        name={title}
        one="entry"
        many="entries"
        rows={steps}
        columns={columns}
        rowId={({ entry }) => entry.id}
        sortedBy={{ id: 'dry', down: true }}
        pageSize={25}
      />
    </section>
  );
}
