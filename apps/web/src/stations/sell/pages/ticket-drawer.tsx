import {
  cropOf,
  type Due,
  FACTOR_WORDS,
  type SheetFactor,
  TICKET,
  type TicketAudit,
  type TicketLine,
  type TicketPaper,
} from '@fanega/core';
import { type Farm, useDeliveryTrace } from '../../../data/farm';
import { bushelsFine, mass, money, number, percent, price, priceText } from '../../../quantity/quantity';
import { day, dayText } from '../../../quantity/time';
import { Drawer } from '../../../ui/drawer';
import { Verdict } from '../../../ui/verdict';
import { methodWords } from '../../../widgets/method-words';
import { Working } from '../../../widgets/working';
import { CountsOn } from '../forms/counts-on';
import { PaperForm } from '../forms/paper-form';
import { paperCheck } from './paper-check';
import type { SellBook } from '../../../widgets/use-sell-book';

const LINE_WORDS: Readonly<Record<TicketLine, string>> = {
  netKg: 'net weight',
  moisture: 'moisture',
  paidBushels: 'paid bushels',
  pricePaid: 'price after discounts',
  drying: 'drying',
  money: 'money',
};

/** A sentence for the phone: which line differs first, what it says and what it should. */
function sentence(farm: Farm, due: Due, audit: TicketAudit, per: number): string {
  const [first] = audit.differences;
  if (!first) return '';
  const figure = (value: number): string =>
    first.line === 'paidBushels'
      ? bushelsFine(value, per).text
      : first.line === 'pricePaid'
        ? priceText(value, per)
        : first.line === 'netKg'
          ? mass(value).text
          : first.line === 'moisture'
            ? percent(value)
            : money(value);
  const short = audit.shortMoney ?? first.money;
  return `“Ticket ${due.ticketNo ?? ''} of ${day(due.atMs, farm.data.farm.timeZone)}: your ${LINE_WORDS[first.line]} says ${figure(first.printed)}; by your posted sheet ${mass(due.sold.delivery.netKg).text} at ${percent(due.sold.delivery.moisture)} come to ${figure(first.computed)}. That is ${money(Math.abs(short))} ${short >= 0 ? 'short' : 'too much'}.”`;
}

/** One ticket: its weights beside each other, worked out line by line, its paper, its contract, and what was paid. */
export function TicketDrawer({
  farm,
  book,
  due,
  photo,
  onClose,
}: {
  farm: Farm;
  book: SellBook;
  due: Due;
  /** A photograph that is typed now. */
  photo?: string | undefined;
  onClose: () => void;
}) {
  const { sold, ticket, parts, entryId } = due;
  const { delivery, crop } = sold;
  const per = farm.kgPerBu(crop);
  const paper: TicketPaper | undefined = book.papers.papers.get(entryId);
  const audit = paperCheck(book, due);
  const account = book.settled.accounts.find((one) => one.due.entryId === entryId);
  const contractNo = (id: string): string => book.kept[id]?.value.number ?? id;
  const before = useDeliveryTrace(entryId).data?.weighed ?? [];
  const weights = delivery.witnesses.filter((witness) => 'wetKg' in witness && witness.wetKg !== undefined);
  const bu = (value: number): string => bushelsFine(value, per).text;
  return (
    <Drawer
      open
      onClose={onClose}
      title={due.ticketNo === null ? 'A load without a ticket' : `Ticket ${due.ticketNo}`}
      wide
    >
      <div className="space-y-5 px-5 py-4">
        <Verdict
          small
          bad={audit !== null && !audit.agrees}
          about={`${farm.placeName(delivery.to)}, ${day(due.atMs, farm.data.farm.timeZone)}, ${mass(delivery.netKg).text} ${cropOf(crop ?? '')?.short ?? ''} at ${percent(delivery.moisture)}`}
          figure={due.money === null ? 'Price open' : money(due.money)}
          {...(due.price === null ? {} : { unit: `at ${priceText(due.price, per)}` })}
        >
          {audit !== null && !audit.agrees
            ? sentence(farm, due, audit, per)
            : sold.ticket === null
              ? 'Before the buyer’s discounts: no posted sheet is entered for him.'
              : audit?.agrees
                ? 'The paper agrees with his posted sheet.'
                : 'By his posted sheet; type what the paper says, and the two are held against each other.'}
        </Verdict>
        {audit !== null && audit.differences.length > 0 && (
          <ul className="list-disc pl-5" aria-label="What differs">
            {audit.differences.map((one) => (
              <li key={one.line}>
                {LINE_WORDS[one.line]}: {number(one.printed, 2)} on the paper, {number(one.computed, 2)} by the sheet
                {one.line === 'moisture' ? '' : `, worth ${money(one.money)}`}
              </li>
            ))}
          </ul>
        )}
        {ticket !== null && (
          <table className="w-full" aria-label="Worked out">
            <tbody>
              {(
                [
                  ['Over the scale', bu(ticket.wetBushels)],
                  ['Paid for, after shrink', bu(ticket.paidBushels)],
                  ...parts.map((part) => [
                    part.contractId === null ? 'at the day’s price' : `on contract ${contractNo(part.contractId)}`,
                    part.price === null ? bu(part.bushels) : `${bu(part.bushels)} × ${price(part.price, per).text}`,
                  ]),
                  ['Value', money(ticket.value)],
                  ...ticket.discounts.map(({ factor, perBu }) => [
                    `Discount for ${FACTOR_WORDS[factor as SheetFactor]?.words ?? factor}`,
                    `−${priceText(perBu, per)}`,
                  ]),
                  ...(ticket.docked > 0 ? [['Discounts', `−${money(ticket.docked)}`]] : []),
                  ...(ticket.drying > 0 ? [['Drying', `−${money(ticket.drying)}`]] : []),
                  ...(ticket.fees > 0 ? [['Fees', `−${money(ticket.fees)}`]] : []),
                  ...(ticket.checkoff > 0 ? [['Checkoff', `−${money(ticket.checkoff)}`]] : []),
                  ['Due', money(ticket.money)],
                ] as [string, string][]
              ).map(([what, figure], i) => (
                <tr key={i} className={`border-b border-rule ${what === 'Due' ? 'font-bold' : ''}`}>
                  <th scope="row" className="py-1 pr-3 text-left font-normal">
                    {what}
                  </th>
                  <td className="py-1 text-right">{figure}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {ticket !== null && (
          <Working
            what={`Ticket ${due.ticketNo ?? ''}: ${money(ticket.money)}`}
            formulas={[TICKET]}
            inputs={[
              {
                name: 'Net',
                value: mass(delivery.netKg).text,
                from: 'the book’s most trusted weight',
                at: delivery.entry.at,
              },
              { name: 'Moisture', value: percent(delivery.moisture), from: ticket.moistureUsed === delivery.moisture ? 'the ticket' : `counted as ${percent(ticket.moistureUsed)}` }, // prettier-ignore
              { name: 'Terms', value: sold.sheetId === null ? 'none' : `sheet from ${dayText(book.papers.sheets.byId(sold.sheetId)!.from)}`, from: 'Sell, Buyers' }, // prettier-ignore
            ]}
            worked={[`${bu(ticket.paidBushels)} × ${due.price === null ? '…' : price(due.price, per).text} − ${money(ticket.value - ticket.money)} = ${money(ticket.money)}`]} // prettier-ignore
            not={
              paper === undefined ? 'the ticket’s factors: they are not typed yet.' : 'what the buyer rounds otherwise.'
            }
          />
        )}
        {(weights.length > 0 || before.length > 0) && (
          <div>
            <h3 className="font-semibold">The same grain, weighed before</h3>
            <ul>
              {before.map(({ method, ticketKg, saidKg, part }) => (
                <li key={method}>
                  {methodWords(method)}: {mass(saidKg).text}, <Off of={saidKg / ticketKg - 1} />
                  {part < 0.98 && ` (${percent(part, 0)} of the load)`}
                </li>
              ))}
              {weights.map((witness) => {
                const kg = (witness as { wetKg: number }).wetKg;
                return (
                  <li key={witness.id}>
                    {methodWords(witness.method)}: {mass(kg).text},{' '}
                    <Off of={delivery.netKg > 0 ? kg / delivery.netKg - 1 : 0} />
                  </li>
                );
              })}
            </ul>
          </div>
        )}
        {account && (
          <p>
            {account.sheets.length === 0
              ? 'Not on a settlement yet.'
              : account.open === null
                ? `${money(account.paid)} came for it; its price is still open.`
                : Math.abs(account.open) <= 0.05
                  ? `Paid: ${money(account.paid)}.`
                  : account.open > 0
                    ? `Paid ${money(account.paid)}, ${money(account.open)} short.`
                    : `Paid ${money(account.paid)}, ${money(-account.open)} too much.`}
          </p>
        )}
        <CountsOn farm={farm} book={book} due={due} />
        <section aria-label="The paper" className="border-t border-ink">
          <PaperForm
            key={paper?.id ?? 'new'}
            farm={farm}
            entryId={entryId}
            crop={crop}
            needsNumber={delivery.ticket === null}
            kept={paper}
            photographed={photo}
            onDone={onClose}
          />
        </section>
      </div>
    </Drawer>
  );
}

/** How far a scale is off the ticket. */
const Off = ({ of }: { of: number }) => (
  <>
    {of >= 0 ? '+' : '−'}
    {number(100 * Math.abs(of), 2)} % of the ticket
  </>
);
