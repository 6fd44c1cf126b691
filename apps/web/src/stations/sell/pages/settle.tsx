import {
  ACCOUNT_WORDS,
  calendarDay,
  type Due,
  type OwnerSum,
  ownersOf,
  type Posting,
  type SheetCheck,
  sumOfMoney,
  type TicketAccount,
  type TicketOnSheet,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { takenBack } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { bushels, bushelsFine, mass, money, number, plain, price, priceText } from '../../../quantity/quantity';
import { day, dayText, since } from '../../../quantity/time';
import { Button, Empty, Loading, Problem } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { Drawer } from '../../../ui/drawer';
import { Section } from '../../../ui/page';
import { type State, Status } from '../../../ui/status';
import { csvFile, csvOf, saveFile } from '../../../ui/table/csv';
import { type Column, DataTable } from '../../../ui/table';
import { Verdict } from '../../../ui/verdict';
import { figureColumn, moneyColumn, momentColumn, wordColumn } from '../../../widgets/columns';
import { TakeBack } from '../../../widgets/take-back';
import { Working } from '../../../widgets/working';
import { FileDrawer, importsOf } from '../forms/file-drawer';
import { LeaseForm } from '../forms/lease-form';
import { DEDUCTION_WORDS, SettlementForm } from '../forms/settlement-form';
import { PrintLink } from './print-link';
import { type SellBook, useSellBook } from '../../../widgets/use-sell-book';

const ROUNDS = 0.05;
type Open =
  | { readonly what: 'new'; readonly buyerId: string; readonly corrects?: { readonly ticket: string; readonly money: number } }
  | { readonly what: 'file' }
  | { readonly what: 'sheet'; readonly id: string }
  | { readonly what: 'lease'; readonly owner: string; readonly id: string | null }; // prettier-ignore

/** What buyers paid, against tickets and contracts; what is short, and whose the money is. */
export default function Settle({ farm, season }: { farm: Farm; season: number | undefined }) {
  const book = useSellBook(farm, season);
  const [open, setOpen] = useState<Open | null>(null);
  const owners = useMemo(() => (book ? ownersOf(farm, book) : null), [farm, book]);
  if (!book || !owners) return <Loading what="Adding up what was paid" />;
  const { settled, records } = book;
  const buyers = farm.data.places.filter(({ kind }) => kind === 'buyer');
  const today = calendarDay(farm.data.now, farm.data.farm.timeZone);
  const wrong = settled.accounts.filter(({ sheets, open: rest }) => sheets.length > 0 && rest !== null && Math.abs(rest) > ROUNDS); // prettier-ignore
  const twice = settled.sheets.flatMap(({ tickets }) => tickets.filter(({ state }) => state === 'twice'));
  const netShort = settled.sheets.reduce((sum, one) => sum + one.netShort, 0);
  const deferred = settled.sheets.filter(({ settlement }) => (settlement.deferredTo ?? '') > today);
  const first = buyers[0]?.id ?? '';
  const shown = open?.what === 'sheet' ? settled.sheets.find(({ id }) => id === open.id) : undefined;
  const lease = open?.what === 'lease' && open.id !== null ? records.settings.ownerTerms[open.id] : undefined;
  const imports = importsOf(records);
  const buyersOf = (of: readonly TicketAccount[]): string => [...new Set(of.map(({ due }) => farm.placeName(due.buyerId)))].join(' and '); // prettier-ignore
  const short = settled.short + Math.max(0, netShort);
  return (
    <>
      <Section label="Settle">
        {settled.sheets.length === 0 ? (
          <Verdict small shape="○" figure="Nothing is settled yet">
            Take in a buyer’s sheet, typed or as his file: each ticket on it is worked out again and held against yours.
          </Verdict>
        ) : short > ROUNDS ? (
          <Verdict
            bad
            about={`${number(settled.sheets.length)} ${settled.sheets.length === 1 ? 'settlement' : 'settlements'} against your own arithmetic`}
            figure={money(short)}
            unit={`short on ${number(wrong.filter(({ open: rest }) => rest! > 0).length)} ${wrong.filter(({ open: rest }) => rest! > 0).length === 1 ? 'ticket' : 'tickets'}`}
          >
            {buyersOf(wrong.filter(({ open: rest }) => rest! > 0))}{' '}
            {netShort > ROUNDS && wrong.length === 0
              ? 'The lines do not add up to the check.'
              : 'paid less than his own posted sheet says. Open the sheet for what to say on the phone.'}
          </Verdict>
        ) : (
          <Verdict small shape="●" figure="Every paid ticket adds up">
            {settled.over > ROUNDS
              ? `${money(settled.over)} came in over: he will want it back.`
              : 'What came is what was due, to the cent.'}
          </Verdict>
        )}
        {settled.sheets.length > 0 && short > ROUNDS && settled.over > ROUNDS && (
          <p className="mt-2">{money(settled.over)} came too much on others.</p>
        )}
        {twice.length > 0 && (
          <Callout icon className="mt-3 px-3 py-2">
            Paid twice: {twice.map(({ ticket }) => ticket).join(', ')}. He will find it too; tell him first.
          </Callout>
        )}
        <dl className="mt-4 flex flex-wrap gap-x-10 gap-y-2">
          <Fact name="Not paid yet" figure={money(settled.unpaid.money)}>
            {settled.unpaid.count === 0
              ? 'nothing is open'
              : `${number(settled.unpaid.count)} ${settled.unpaid.count === 1 ? 'ticket' : 'tickets'}, the oldest ${since(settled.unpaid.sinceMs!, farm.data.now)}`}
          </Fact>
          {deferred.length > 0 && (
            <Fact name="Deferred" figure={money(deferred.reduce((sum, one) => sum + one.settlement.net, 0))}>
              until {deferred.map(({ settlement }) => dayText(settlement.deferredTo!)).join(', ')}
            </Fact>
          )}
        </dl>
        <div className="mt-4 flex flex-wrap gap-3">
          <Button look={settled.sheets.length === 0 ? 'do' : 'plain'} onClick={() => setOpen({ what: 'file' })}>
            Take in a buyer’s file
          </Button>
          <Button onClick={() => setOpen({ what: 'new', buyerId: first })}>Type a settlement</Button>
          {settled.sheets.length > 0 && (
            <PrintLink farm={farm} what="settlements" season={season}>
              Print the check
            </PrintLink>
          )}
        </div>
        {imports.length > 0 && <UndoImport farm={farm} one={imports[0]!} />}
      </Section>
      {settled.sheets.length > 0 && (
        <ul aria-label="Settlements" className="border-t border-ink">
          {settled.sheets.map((one) => (
            <SheetLine
              key={one.id}
              farm={farm}
              one={one}
              today={today}
              onOpen={() => setOpen({ what: 'sheet', id: one.id })}
            />
          ))}
        </ul>
      )}
      <ByOwner
        farm={farm}
        book={book}
        sums={owners.sums}
        postings={owners.postings}
        onLease={(owner, id) => setOpen({ what: 'lease', owner, id })}
      />
      <Unpaid farm={farm} accounts={book.accounts} withoutTicket={settled.withoutTicket} />
      {shown && (
        <SheetDrawer
          farm={farm}
          book={book}
          one={shown}
          onCorrect={(ticket, missing) => setOpen({ what: 'new', buyerId: shown.settlement.buyerId, corrects: { ticket, money: missing } })} // prettier-ignore
          onClose={() => setOpen(null)}
        />
      )}
      {open?.what === 'new' && (
        <SettlementForm
          key={open.corrects?.ticket ?? 'new'}
          farm={farm}
          settled={settled}
          buyerId={open.buyerId}
          corrects={open.corrects}
          onClose={() => setOpen(null)}
        />
      )}
      {open?.what === 'file' && (
        <FileDrawer farm={farm} records={records} buyerId={first} onClose={() => setOpen(null)} />
      )}
      {open?.what === 'lease' && (
        <LeaseForm
          farm={farm}
          owner={open.owner}
          kept={lease && open.id !== null ? { id: open.id, ...lease } : null}
          onClose={() => setOpen(null)}
        />
      )}
    </>
  );
}

function Fact({ name, figure, children }: { name: string; figure: string; children: React.ReactNode }) {
  return (
    <div>
      <dt className="text-sm text-muted">{name}</dt>
      <dd>
        <span className="text-2xl font-bold">{figure}</span> <span className="block text-sm">{children}</span>
      </dd>
    </div>
  );
}

function UndoImport({ farm, one }: { farm: Farm; one: ReturnType<typeof importsOf>[number] }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [sure, setSure] = useState(false);
  const undo = async (): Promise<void> => {
    if (!sure) return setSure(true);
    await sending.send(async () => {
      for (const id of one.ids) await write(farm.id, takenBack(farm.id, 'settlement', id), 'a file taken back');
      return true;
    });
    await refresh();
    setSure(false);
  };
  return (
    <p className="mt-3 text-sm">
      The last file brought {number(one.lines)} lines on {number(one.ids.length)}{' '}
      {one.ids.length === 1 ? 'sheet' : 'sheets'}.{' '}
      <Button look="quiet" className="!px-0 text-sm" disabled={sending.busy} onClick={() => void undo()}>
        {sure ? 'Yes, take all of it back' : 'Take it back as one'}
      </Button>
      {sending.message !== null && <Problem>{sending.message}</Problem>}
    </p>
  );
}

function stateOf(one: SheetCheck): { readonly state: State; readonly words: string } {
  if (one.netShort > ROUNDS)
    return { state: 'bad', words: `its lines come to ${money(one.netShort)} more than the check` };
  if (one.netShort < -ROUNDS)
    return { state: 'watch', words: `the check is ${money(-one.netShort)} more than its lines` };
  if (one.short > 0) return { state: 'bad', words: `${money(one.short)} short when it came` };
  if (one.over > 0) return { state: 'watch', words: `${money(one.over)} too much` };
  const open = one.tickets.filter(({ state }) => state === 'noLoad' || state === 'open').length;
  if (open > 0) return { state: 'watch', words: `${number(open)} cannot be checked` };
  return { state: 'good', words: one.tickets.length === 0 ? 'a correction' : 'adds up' };
}

function SheetLine({ farm, one, today, onOpen }: { farm: Farm; one: SheetCheck; today: string; onOpen: () => void }) {
  const { settlement } = one;
  const { state, words } = stateOf(one);
  return (
    <li className="border-b border-rule">
      <button
        type="button"
        onClick={onOpen}
        className="flex w-full flex-wrap items-baseline justify-between gap-x-6 px-5 py-3 text-left lg:px-6"
      >
        <span>
          <b className="text-lg">{settlement.number}</b> {farm.placeName(settlement.buyerId)},{' '}
          {dayText(settlement.paidOn)}
          {(settlement.deferredTo ?? '') > today ? `, deferred until ${dayText(settlement.deferredTo!)}` : ''}
        </span>
        <span className="flex flex-wrap items-baseline gap-x-5">
          <Status state={state}>{words}</Status>
          <b className="text-lg">{money(settlement.net)}</b>
        </span>
      </button>
    </li>
  );
}

const TICKET_WORDS: Readonly<Record<TicketOnSheet['state'], { readonly state: State; readonly words: string }>> = {
  agrees: { state: 'good', words: 'adds up' },
  short: { state: 'bad', words: 'short' },
  over: { state: 'watch', words: 'too much' },
  twice: { state: 'bad', words: 'paid before' },
  noLoad: { state: 'watch', words: 'no load of yours' },
  open: { state: 'open', words: 'price open' },
};

/** What to say on the phone about a ticket that is short. */
function phoneWords(farm: Farm, one: TicketOnSheet): string {
  const { due, short, differences } = one;
  if (due === null || short === null) return '';
  const per = farm.kgPerBu(due.sold.crop);
  const first = differences[0];
  const { delivery } = due.sold;
  const facts = `${mass(delivery.netKg).text} at ${moistureWords(delivery.moisture)}`;
  const reason =
    first === undefined
      ? `you paid ${money(one.money)}, by your sheet it is ${money(due.money!)}`
      : first.what === 'bushels'
        ? `you paid ${bushelsFine(first.paid, per).text}; ${facts} by your posted shrink are ${bushelsFine(first.own, per).text}`
        : first.what === 'price'
          ? `you paid ${priceText(first.paid, per)}; it is due at ${priceText(first.own, per)}`
          : first.what === 'taken'
            ? `you took ${money(first.paid)} off; by your posted sheet it is ${money(first.own)} for ${facts}`
            : `your own figures on the sheet come to ${money(first.own)}, you paid ${money(first.paid)}`;
  return `“Ticket ${one.ticket} of ${day(due.atMs, farm.data.farm.timeZone)}: ${reason}. That is ${money(Math.abs(short))} ${short > 0 ? 'short' : 'too much'}.”`;
}
const moistureWords = (moisture: number): string => `${number(100 * moisture, 1)} %`;

function SheetDrawer({
  farm,
  book,
  one,
  onCorrect,
  onClose,
}: {
  farm: Farm;
  book: SellBook;
  one: SheetCheck;
  onCorrect: (ticket: string, missing: number) => void;
  onClose: () => void;
}) {
  const { settlement, tickets } = one;
  const openOf = (ticket: TicketOnSheet): number | null =>
    book.settled.accounts.find(({ due }) => due === ticket.due)?.open ?? null;
  const wrong = tickets.filter(({ state }) => state === 'short' || state === 'over');
  return (
    <Drawer open onClose={onClose} title={`${settlement.number}, ${farm.placeName(settlement.buyerId)}`} wide>
      <div className="space-y-5 px-5 py-4">
        <Verdict
          small
          bad={one.short > 0 || one.netShort > ROUNDS}
          about={`Paid ${dayText(settlement.paidOn)}${settlement.deferredTo === undefined ? '' : `, deferred until ${dayText(settlement.deferredTo)}`}`}
          figure={money(settlement.net)}
        >
          {stateOf(one).words}.
        </Verdict>
        {wrong.map((ticket) => {
          const rest = openOf(ticket);
          return (
            <Callout key={ticket.ticket}>
              <p>{phoneWords(farm, ticket)}</p>
              {ticket.differences.length > 1 && (
                <p className="text-sm">
                  {ticket.differences
                    .map((of) => `${of.what === 'taken' ? 'taken off' : of.what}: ${money(of.short)}`)
                    .join('; ')}
                </p>
              )}
              {rest !== null && Math.abs(rest) <= ROUNDS ? (
                <p className="text-sm font-semibold">Set right by a later sheet.</p>
              ) : (
                rest !== null && (
                  <Button look="quiet" className="!px-0 text-sm" onClick={() => onCorrect(ticket.ticket, rest)}>
                    Enter his correction
                  </Button>
                )
              )}
            </Callout>
          );
        })}
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Lines of the sheet">
          <table className="w-full">
            <thead className="border-y border-ink text-left text-sm">
              <tr>
                <th className="py-1 pr-2">Ticket</th>
                <th className="px-2 text-right">Paid for</th>
                <th className="px-2 text-right">Yours</th>
                <th className="px-2 text-right">Money</th>
                <th className="px-2 text-right">Due</th>
                <th className="py-1 pl-2">Check</th>
              </tr>
            </thead>
            <tbody>
              {tickets.map((ticket) => {
                const per = farm.kgPerBu(ticket.due?.sold.crop);
                const { state, words } = TICKET_WORDS[ticket.state];
                return (
                  <tr key={ticket.ticket} className="border-b border-rule align-top">
                    <td className="py-1 pr-2 font-semibold">
                      {ticket.due === null ? (
                        ticket.ticket
                      ) : (
                        <Link
                          to={`/trace/delivery/${ticket.due.entryId}`}
                          className="underline decoration-rule underline-offset-4"
                        >
                          {ticket.ticket}
                        </Link>
                      )}
                    </td>
                    <td className="px-2 text-right whitespace-nowrap">{bushelsFine(ticket.bushels, per).text}</td>
                    <td className="px-2 text-right whitespace-nowrap">
                      {ticket.due?.ticket ? bushelsFine(ticket.due.ticket.paidBushels, per).text : '–'}
                    </td>
                    <td className="px-2 text-right">{money(ticket.money)}</td>
                    <td className="px-2 text-right">
                      {ticket.due === null || ticket.due.money === null ? '–' : money(ticket.due.money)}
                    </td>
                    <td className="py-1 pl-2">
                      <Status state={state}>
                        {words}
                        {ticket.state === 'short' || ticket.state === 'over'
                          ? ` ${money(Math.abs(ticket.short!))}`
                          : ''}
                      </Status>
                      {ticket.likely.length > 0 && (
                        <span className="block text-sm">
                          Likely the load of{' '}
                          {ticket.likely
                            .map(
                              (due) =>
                                `${day(due.atMs, farm.data.farm.timeZone)}, ${mass(due.sold.delivery.netKg).text}`,
                            )
                            .join(' or of ')}
                          : give it this number on Tickets.
                        </span>
                      )}
                    </td>
                  </tr>
                );
              })}
              {settlement.lines
                .filter(({ kind }) => kind === 'correction')
                .map((line, i) => (
                  <tr key={`c${i}`} className="border-b border-rule">
                    <td className="py-1 pr-2 font-semibold">{line.ticket}</td>
                    <td className="px-2" colSpan={2}>
                      a correction
                    </td>
                    <td className="px-2 text-right">{money(line.money)}</td>
                    <td />
                    <td />
                  </tr>
                ))}
              {settlement.deductions.map(({ kind, amount, note }, i) => (
                <tr key={i} className="border-b border-rule">
                  <td className="py-1 pr-2" colSpan={3}>
                    {DEDUCTION_WORDS[kind]}
                    {note ? `, ${note}` : ''}
                  </td>
                  <td className="px-2 text-right">−{money(amount)}</td>
                  <td colSpan={2} />
                </tr>
              ))}
              <tr className="border-t border-ink font-bold">
                <td className="py-1 pr-2" colSpan={3}>
                  Its lines come to
                </td>
                <td className="px-2 text-right">{money(one.should)}</td>
                <td colSpan={2} className="px-2 text-sm font-normal">
                  {Math.abs(one.netShort) > ROUNDS ? `the check says ${money(settlement.net)}` : 'as the check says'}
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <TakeBack of="settlement" id={one.id} label="Take this sheet back" />
      </div>
    </Drawer>
  );
}

const accountsOf = ({ byAccount }: OwnerSum): [account: string, amount: string][] =>
  Object.entries(byAccount)
    .filter(([, amount]) => amount !== 0)
    .map(([account, amount]) => [ACCOUNT_WORDS[account as Posting['account']], money(amount)]);

function ownerColumns(farm: Farm, postings: readonly Posting[]): Column<OwnerSum>[] {
  const paidKg = new Map<string, number>();
  for (const { owner, crop, bushels: paid } of postings)
    paidKg.set(owner, (paidKg.get(owner) ?? 0) + paid * farm.kgPerBu(crop ?? undefined));
  return [
    wordColumn('owner', 'Owner', ({ owner }) => owner, {
      phone: 'title',
      as: (owner) => <b className="font-semibold">{owner}</b>,
    }),
    // Of any crops: what a bushel of them weighs together.
    figureColumn('paid', 'Paid', bushels, (one) => one.bushels, {
      per: ({ owner, bushels: paid }) => (paidKg.get(owner) ?? 0) / (paid || 1),
    }),
    moneyColumn('money', 'Money', (one) => one.money, {
      phone: 'verdict',
      show: (one) => <b className="text-lg font-bold">{money(one.money)}</b>,
    }),
    wordColumn(
      'of',
      'Of it',
      (one) =>
        accountsOf(one)
          .map((line) => line.join(' '))
          .join('; '),
      {
        as: (_, one) =>
          accountsOf(one).map(([account, amount], i) => (
            <span key={account}>
              {i > 0 && '; '}
              {account} <span className="whitespace-nowrap">{amount}</span>
            </span>
          )),
      },
    ),
  ];
}

function ByOwner({
  farm,
  book,
  sums,
  postings,
  onLease,
}: {
  farm: Farm;
  book: SellBook;
  sums: readonly OwnerSum[];
  postings: readonly Posting[];
  onLease: (owner: string, id: string | null) => void;
}) {
  const terms = Object.entries(book.records.settings.ownerTerms);
  const all = sumOfMoney(sums.map((one) => one.money));
  const columns = useMemo(() => ownerColumns(farm, postings), [farm, postings]);
  const cash = terms.filter(([, { value }]) => value.kind === 'cash');
  const leased = new Set(terms.map(([, { value }]) => value.owner));
  const sharing = new Set(farm.data.lots.flatMap(({ shares }) => shares.map(({ owner }) => owner)));
  const bookFile = (): void =>
    saveFile(
      'postings.csv',
      csvFile(
        csvOf(
          [
            { head: 'date', text: (one: Posting) => one.paidOn },
            { head: 'buyer', text: (one) => farm.placeName(one.buyerId) },
            { head: 'check', text: (one) => one.check },
            { head: 'ticket', text: (one) => one.ticket ?? '' },
            { head: 'owner', text: (one) => one.owner },
            { head: 'field', text: (one) => (one.lot === null ? '' : (farm.lot(one.lot)?.fieldName ?? one.lot)) },
            { head: 'crop', text: (one) => one.crop ?? '' },
            { head: 'bushels', text: (one) => (one.bushels === 0 ? '' : plain(one.bushels, 2)) },
            { head: 'account', text: (one) => ACCOUNT_WORDS[one.account] },
            { head: 'amount', text: (one) => plain(one.amount, 2) },
          ],
          postings,
        ),
      ),
    );
  return (
    <Section label="By owner">
      <h2 className="text-xl font-bold">Whose the money is</h2>
      {sums.length === 0 ? (
        <p className="mt-1 text-muted">
          As soon as a sheet is taken in, each owner’s part of it stands here, to the cent.
        </p>
      ) : (
        <>
          <div className="mt-2">
            <DataTable
              name="By owner"
              one="owner"
              many="owners"
              rows={sums}
              columns={columns}
              rowId={({ owner }) => owner}
              flush
            />
          </div>
          <p className="mt-2 text-lg">
            All of it <b className="font-bold">{money(all)}</b>; what the sheets come to:{' '}
            {money(sumOfMoney(book.settled.sheets.map(({ should }) => should)))}
          </p>
          <div className="mt-2">
            <Button look="quiet" className="!px-0" onClick={bookFile}>
              CSV for the bookkeeper, a line a posting
            </Button>
          </div>
          <Working
            what={`${number(sums.length)} owners: ${money(all)}`}
            formulas={[]}
            inputs={[
              { name: 'Shares', value: 'by field', from: 'each load’s fields and their owners' },
              { name: 'Leases', value: number(terms.length), from: 'below' },
            ]}
            worked={['Each line is split by the shares in its load, in whole cents; what a lease moves is given to one and taken from the other.']} // prettier-ignore
            not="rent, and what is not on a sheet yet."
          />
        </>
      )}
      <p className="mt-3 flex flex-wrap items-baseline gap-x-5">
        <span className="text-sm text-muted">Leases:</span>
        {terms.map(([id, { value }]) => (
          <Button key={id} look="quiet" className="!px-0" onClick={() => onLease(value.owner, id)}>
            {value.owner}
            {value.kind === 'cash' ? `, cash rent ${money(value.rent ?? 0)}` : ''}
          </Button>
        ))}
        {[...sharing]
          .filter((owner) => owner !== farm.data.farm.name && !leased.has(owner))
          .map((owner) => (
            <Button key={owner} look="quiet" className="!px-0" onClick={() => onLease(owner, null)}>
              Enter {owner}’s lease
            </Button>
          ))}
        <Button look="quiet" className="!px-0" onClick={() => onLease('', null)}>
          Another lease
        </Button>
      </p>
      {cash.length > 0 && (
        <p className="mt-1 text-sm text-muted">
          Cash rent is paid by the farm from its own money; it is not in the table.
        </p>
      )}
    </Section>
  );
}

function Unpaid({
  farm,
  accounts,
  withoutTicket,
}: {
  farm: Farm;
  accounts: readonly TicketAccount[];
  withoutTicket: readonly Due[];
}) {
  const open = accounts.filter(({ sheets }) => sheets.length === 0);
  const { timeZone } = farm.data.farm;
  const per = ({ due }: TicketAccount): number => farm.kgPerBu(due.sold.crop);
  const columns: Column<TicketAccount>[] = [
    wordColumn('ticket', 'Ticket', ({ due }) => due.ticketNo ?? 'no ticket', { phone: 'title' }),
    momentColumn('when', 'Delivered', ({ due }) => due.atMs, timeZone),
    wordColumn('buyer', 'Buyer', ({ due }) => farm.placeName(due.buyerId), { choice: true }),
    figureColumn('paid', 'To be paid', bushelsFine, ({ due }) => due.ticket?.paidBushels ?? due.sold.bushels, { per }),
    figureColumn('price', 'Price', price, ({ due }) => due.price, { per }),
    {
      id: 'due',
      head: 'Due',
      right: true,
      phone: 'verdict',
      value: ({ due }) => due.money,
      text: ({ due }) => (due.money === null ? '' : plain(due.money, 2)),
      show: ({ due }) => (due.money === null ? 'price open' : money(due.money)),
      sum: (rows) => money(rows.reduce((sum, { due }) => sum + (due.money ?? 0), 0)),
    },
  ];
  return (
    <section aria-label="Not paid yet" className="border-t border-ink">
      <h2 className="px-5 pt-4 text-xl font-bold lg:px-6">Not paid yet</h2>
      {withoutTicket.length > 0 && (
        <p className="px-5 text-sm lg:px-6">
          {number(withoutTicket.length)} {withoutTicket.length === 1 ? 'load has' : 'loads have'} no ticket number: open{' '}
          {withoutTicket.length === 1 ? 'it' : 'them'} on Tickets to type it.
        </p>
      )}
      <DataTable
        name="Unpaid tickets"
        one="unpaid ticket"
        many="unpaid tickets"
        rows={open}
        columns={columns}
        rowId={({ due }) => due.entryId}
        sortedBy={{ id: 'when' }}
        empty={<Empty title="Every delivery is on a settlement." />}
      />
    </section>
  );
}
