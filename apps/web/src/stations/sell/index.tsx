import {
  baseMoistureOf,
  cropOf,
  type Delivery,
  KG_PER_LB,
  type SoldDelivery,
  type TicketAccount,
  sameNumbers,
  ticketGaps,
  sellView,
  soldDeliveries,
  TICKET,
  WATER_SHRINK,
} from '@fanega/core';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Link, Route, Routes } from 'react-router';
import { type Farm, useDeliveries, useFarm } from '../../data/farm';
import { useRecorder } from '../../widgets/record';
import { Button, Empty, Loading } from '../../ui';
import { type Column, DataTable } from '../../ui/table';
import { QueryBoundary } from '../../ui/query-boundary';
import { bushels, mass, moisture, money, number, percent, plain, price, Shown, system } from '../../quantity/quantity';
import { day } from '../../quantity/time';
import { figureColumn, momentColumn, wordColumn } from '../../widgets/columns';
import { Swatch } from '../../widgets/weave';
import { Callout } from '../../ui/callout';
import { Page } from '../../ui/page';
import { type State, Status } from '../../ui/status';
import { Working } from '../../widgets/working';
import { SeasonBox, useSeason } from '../../widgets/season-box';
import { paperCheck } from './pages/paper-check';
import { PrintLink } from './pages/print-link';
import { type SellBook, useSellBook } from '../../widgets/use-sell-book';
import { lazily } from '../../ui/lazily';

const NextLoad = lazily(() => import('./pages/next-load'), '/sell/next');
const Where = lazily(() => import('./pages/where'), '/sell/where');
const Contracts = lazily(() => import('./pages/contracts'), '/sell/contracts');
const Hold = lazily(() => import('./pages/hold'), '/sell/hold');
const Position = lazily(() => import('./pages/position'), '/sell/position');
const Settle = lazily(() => import('./pages/settle'), '/sell/settle');
const Buyers = lazily(() => import('./pages/buyers'), '/sell/buyers');
const WaitingPhotos = lazily(() => import('./pages/waiting-photos'), '/sell');
const Ticket = lazy(async () => ({ default: (await import('./pages/ticket-drawer')).TicketDrawer }));

const PAGES = [
  { path: '', name: 'Tickets' },
  { path: 'next', name: 'The next load' },
  { path: 'where', name: 'Where it brings most' },
  { path: 'position', name: 'Position' },
  { path: 'contracts', name: 'Contracts' },
  { path: 'settle', name: 'Settle' },
  { path: 'buyers', name: 'Buyers' },
  { path: 'hold', name: 'Hold or sell' },
] as const;

/** Tickets, what is sold ahead, where the next load counts, and whether to wait. */
export default function Sell() {
  const farm = useFarm();
  const chosen = useSeason(farm);
  return (
    <Page title="Sell" base="/sell" pages={PAGES} beside={<SeasonBox {...chosen} />}>
      <Suspense fallback={<Loading what="Opening" />}>
        <Routes>
          <Route index element={<AllTickets farm={farm} season={chosen.season} />} />
          <Route path="next" element={<NextLoad farm={farm} />} />
          <Route path="where" element={<Where farm={farm} />} />
          <Route path="contracts" element={<Contracts farm={farm} />} />
          <Route path="position" element={<Position farm={farm} season={chosen.season} />} />
          <Route path="settle" element={<Settle farm={farm} season={chosen.season} />} />
          <Route path="buyers" element={<Buyers farm={farm} />} />
          <Route path="hold" element={<Hold farm={farm} />} />
        </Routes>
      </Suspense>
    </Page>
  );
}

/** Every delivery with its ticket. */
function AllTickets({ farm, season }: { farm: Farm; season: number | undefined }) {
  const deliveries = useDeliveries(season);
  const recorder = useRecorder();
  return (
    <QueryBoundary answer={deliveries} what="Collecting the tickets">
      {(rows) =>
        rows.length === 0 ? (
          <Empty title={`Nothing of ${season ?? 'this season'} is sold yet.`}>
            <p>A load into a buyer is a delivery; its ticket comes in here.</p>
            <Button className="mt-3" onClick={() => recorder.open({ kind: 'move', amount: 'gross', emptied: true })}>
              Record a ticket
            </Button>
          </Empty>
        ) : (
          <Tickets farm={farm} rows={rows} season={season} />
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

function Tickets({ farm, rows, season }: { farm: Farm; rows: readonly Delivery[]; season: number | undefined }) {
  const recorder = useRecorder();
  const book = useSellBook(farm, season);
  const { own, others } = useMemo(() => sellView(farm, rows, book?.papers), [farm, rows, book]);
  const [open, setOpen] = useState<string | null>(null);
  const [photo, setPhoto] = useState<string | undefined>();
  const columns = useMemo(() => ticketColumns(farm, setOpen), [farm]);
  // Until it is known what buyers post and pay, what the book alone says.
  const sold = useMemo((): readonly TicketRow[] => {
    if (!book) return soldDeliveries(farm, rows).map((one) => ({ ...one, check: null, account: null }));
    const accounts = new Map(book.settled.accounts.map((account) => [account.due.entryId, account]));
    return book.sold.map((one) => {
      const account = accounts.get(one.delivery.entry.id) ?? null;
      return { ...one, account, check: account && ticketCheck(book, account) };
    });
  }, [book, farm, rows]);
  const wrong = sold.filter(({ check }) => check?.state === 'bad');
  const gaps = useMemo(() => (book ? ticketGaps(book.dues, farm.data.farm.timeZone) : []), [book, farm]);
  const twice = useMemo(() => (book ? sameNumbers(book.dues) : []), [book]);
  const opened = book?.dues.find(({ entryId }) => entryId === open);
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
        <Button
          className="ml-auto self-start"
          onClick={() => recorder.open({ kind: 'move', amount: 'gross', emptied: true })}
        >
          Record a ticket
        </Button>
      </div>
      {wrong.length > 0 && (
        <Callout icon className="mx-5 mb-3 px-3 py-2 lg:mx-6">
          <b>
            {wrong.length === 1 ? 'One ticket does' : `${number(wrong.length)} tickets do`} not add up by the
            buyer&rsquo;s own sheet
          </b>
          : {wrong.map(({ delivery }) => delivery.ticket ?? 'no number').join(', ')}. Open one for the sentence to say
          on the phone.
        </Callout>
      )}
      {book && book.records.logs.ticketPhoto.length > 0 && (
        <Suspense>
          <WaitingPhotos
            farm={farm}
            book={book}
            onChosen={(entryId, of) => {
              setPhoto(of);
              setOpen(entryId);
            }}
          />
        </Suspense>
      )}
      {(gaps.length > 0 || twice.length > 0) && (
        <p className="px-5 pb-3 text-sm lg:px-6">
          {twice.map((same) => (
            <span key={same[0]!.entryId} className="mr-4">
              ◐ {farm.placeName(same[0]!.buyerId)} gave number {same[0]!.ticketNo} to {number(same.length)} loads.
            </span>
          ))}
          {gaps.slice(0, 3).map((gap) => (
            <span key={gap.after} className="mr-4">
              ◐ Between {gap.after} and {gap.before} at {farm.placeName(gap.buyerId)},{' '}
              {day(gap.atMs, farm.data.farm.timeZone)}, {gap.numbers.join(', ')} is missing: a lost ticket, or another
              farm’s.
            </span>
          ))}
        </p>
      )}
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
        Brings: by the buyer&rsquo;s posted sheet at the ticket&rsquo;s price; where none is entered, dry grain before
        his discounts and over-dry grain at its own weight.{' '}
        <PrintLink farm={farm} what="deliveries" season={season}>
          Print the statement of deliveries
        </PrintLink>
      </p>
      {book && opened && (
        <Suspense>
          <Ticket
            farm={farm}
            book={book}
            due={opened}
            photo={photo}
            onClose={() => {
              setOpen(null);
              setPhoto(undefined);
            }}
          />
        </Suspense>
      )}
    </>
  );
}

/** A ticket with what is known of its check and its money. */
interface TicketRow extends SoldDelivery {
  readonly check: { readonly state: State; readonly words: string } | null;
  readonly account: TicketAccount | null;
}

/** How a ticket stands: what its paper says against the sheet, and what came for it. */
function ticketCheck(book: SellBook, account: TicketAccount): NonNullable<TicketRow['check']> {
  const audit = paperCheck(book, account.due);
  if (audit !== null && !audit.agrees)
    return {
      state: 'bad',
      words: audit.shortMoney === null ? 'differs' : audit.shortMoney >= 0 ? `${money(audit.shortMoney)} short` : `${money(-audit.shortMoney)} over`, // prettier-ignore
    };
  if (account.sheets.length > 0) {
    if (account.open === null) return { state: 'open', words: 'price open' };
    if (Math.abs(account.open) <= 0.05) return { state: 'good', words: 'paid' };
    return { state: 'bad', words: account.open > 0 ? `${money(account.open)} short` : `${money(-account.open)} over` };
  }
  if (account.due.ticketNo === null) return { state: 'watch', words: 'no ticket' };
  return { state: 'none', words: audit === null ? 'not paid' : 'agrees, not paid' };
}

/** Every ticket as the buyer printed it, and what it brings. */
function ticketColumns(farm: Farm, open: (entryId: string) => void): Column<TicketRow>[] {
  const { timeZone } = farm.data.farm;
  const per = ({ crop }: SoldDelivery): number => farm.kgPerBu(crop);
  const words = ({ check }: TicketRow): string => check?.words ?? '';
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
    wordColumn('buyer', 'Buyer', ({ delivery }) => farm.placeName(delivery.to), { choice: true }),
    wordColumn('crop', 'Crop', ({ crop }) => cropOf(crop ?? '')?.name ?? crop ?? '', { choice: true, extra: true }),
    {
      id: 'fields',
      head: 'Fields',
      value: ({ delivery }) => Object.keys(delivery.lots).map(farm.tag).join(' '),
      show: ({ delivery }) => (
        <span>
          {Object.keys(delivery.lots)
            .slice(0, 4)
            .map((lot) => (
              <span key={lot} className="mr-2 inline-block whitespace-nowrap">
                <Swatch index={farm.lotIndex(lot)} size={14} /> {farm.tag(lot)}
              </span>
            ))}
        </span>
      ),
    },
    figureColumn('gross', 'Gross', mass, ({ delivery }) => delivery.grossKg, { extra: true }),
    figureColumn('tare', 'Tare', mass, ({ delivery }) => delivery.tareKg, { extra: true }),
    figureColumn('net', 'Net', mass, ({ delivery }) => delivery.netKg, {
      show: ({ delivery }) => <b>{mass.figure(delivery.netKg)}</b>,
      summed: {},
    }),
    figureColumn('moisture', 'Moist.', moisture, ({ delivery }) => delivery.moisture),
    figureColumn('dry', 'Dry', bushels, (one) => one.bushels, { per }),
    figureColumn('price', 'Price', price, ({ delivery }) => delivery.pricePerBu, { per }),
    {
      id: 'check',
      head: 'Check',
      value: words,
      show: (row) =>
        row.check === null ? (
          ''
        ) : (
          <button
            type="button"
            className="min-h-9 text-left whitespace-nowrap underline decoration-rule underline-offset-4"
            onClick={() => open(row.delivery.entry.id)}
          >
            <Status state={row.check.state}>{row.check.words}</Status>
          </button>
        ),
    },
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
