import {
  CONTRACT_PRICE,
  type ContractNow,
  type ContractState,
  cropOf,
  fixesByContract,
  pricedLater,
  type PriceFix,
  storageCharge,
} from '@fanega/core';
import { useState } from 'react';
import type { Farm } from '../../../data/farm';
import { bushels, money, number, priceText } from '../../../quantity/quantity';
import { dayText } from '../../../quantity/time';
import { Button, Empty, Loading } from '../../../ui';
import { Section } from '../../../ui/page';
import { Verdict } from '../../../ui/verdict';
import { Working } from '../../../widgets/working';
import { ContractForm, KIND_WORDS } from '../forms/contract-form';
import { FixForm } from '../forms/fix-form';
import { PrintLink } from './print-link';
import { useSellBook } from '../../../widgets/use-sell-book';

const STATE: Readonly<Record<ContractState, string>> = {
  over: '■ over',
  late: '■ late',
  soon: '▲ due soon',
  open: 'open',
  ahead: 'not open yet',
  filled: '● filled',
  done: 'done',
};
/** What presses comes first. */
const ORDER: readonly ContractState[] = ['late', 'over', 'soon', 'open', 'ahead', 'filled', 'done'];

/** What is sold ahead, what is delivered on it, and what must be there by when. */
export default function Contracts({ farm }: { farm: Farm }) {
  const book = useSellBook(farm);
  const [open, setOpen] = useState<string | 'new' | null>(null);
  const [fixing, setFixing] = useState<string | null>(null);
  if (!book) return <Loading what="Collecting contracts and tickets" />;
  const sorted = [...book.contracts].sort((a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state) || a.daysLeft - b.daysLeft); // prettier-ignore
  const toFix = book.contracts.find(({ id }) => id === fixing);
  const fixes = fixesByContract(book.records.logs.priceFix);
  const kept = open !== null && open !== 'new' ? { id: open, ...book.kept[open]! } : null;
  return (
    <>
      {sorted.length === 0 ? (
        <Empty title="No contract is written down yet.">
          <p>With number, bushels, window and price, each delivery counts on its contract by itself.</p>
          <Button className="mt-3" onClick={() => setOpen('new')}>
            Add a contract
          </Button>
        </Empty>
      ) : (
        <>
          <Section label="Contracts">
            <First farm={farm} first={sorted[0]!} />
            <div className="mt-3 flex flex-wrap gap-5">
              <Button onClick={() => setOpen('new')}>Add a contract</Button>
              <PrintLink farm={farm} what="contracts">
                Print the list
              </PrintLink>
            </div>
          </Section>
          <ul aria-label="All contracts" className="border-t border-ink">
            {sorted.map((one) => (
              <Line
                key={one.id}
                farm={farm}
                one={one}
                fixes={fixes.get(one.id) ?? []}
                onOpen={() => setOpen(one.id)}
                onFix={() => setFixing(one.id)}
              />
            ))}
          </ul>
          {book.spot.length > 0 && (
            <p className="px-5 py-3 text-sm text-muted lg:px-6">
              {number(book.spot.length)} {book.spot.length === 1 ? 'delivery' : 'deliveries'} of this season count on no
              contract, or only in part: they are paid at the day’s price.
            </p>
          )}
        </>
      )}
      {toFix && (
        <FixForm
          key={toFix.id}
          farm={farm}
          one={toFix}
          fixes={fixes.get(toFix.id) ?? []}
          onClose={() => setFixing(null)}
        />
      )}
      {open !== null && <ContractForm farm={farm} kept={kept} onClose={() => setOpen(null)} />}
    </>
  );
}

function First({ farm, first }: { farm: Farm; first: ContractNow }) {
  const { contract, left, delivered, state, daysLeft } = first;
  const per = farm.kgPerBu(contract.crop);
  const said = (bu: number): string => bushels(Math.round(bu), per).text;
  const about = `Contract ${contract.number}, ${farm.placeName(contract.buyerId)}, ${cropOf(contract.crop)?.short ?? contract.crop}`;
  const working = (
    <Working
      what={`${about}: ${said(left)} left`}
      formulas={[CONTRACT_PRICE]}
      inputs={[
        { name: 'Signed for', value: said(contract.bushels), from: 'the contract' },
        {
          name: 'Delivered',
          value: said(delivered),
          from: `${number(first.loads.length)} deliveries in the book, dry at the base`,
        },
        { name: 'Window', value: `${dayText(contract.opens)} to ${dayText(contract.closes)}`, from: 'the contract' },
      ]}
      worked={[`${said(contract.bushels)} − ${said(delivered)} = ${said(Math.max(0, contract.bushels - delivered))}`]}
      not="the buyer’s own count: his tickets and rounding rule what is filled."
    />
  );
  switch (state) {
    case 'late':
      return (
        <>
          <Verdict bad about={about} figure={bushels.figure(Math.round(left), per)} unit={`${bushels.unit} missing`}>
            Its window ended {dayText(contract.closes)}. Call the buyer before he buys in at your cost.
          </Verdict>
          {working}
        </>
      );
    case 'over':
      return (
        <>
          <Verdict
            bad
            about={about}
            figure={bushels.figure(Math.round(delivered - contract.bushels), per)}
            unit={`${bushels.unit} over`}
          >
            More is counted on it than it is for: his rule for what is beyond says what that pays.
          </Verdict>
          {working}
        </>
      );
    case 'soon':
      return (
        <>
          <Verdict
            about={about}
            figure={bushels.figure(Math.round(left), per)}
            unit={`${bushels.unit} due by ${dayText(contract.closes)}`}
          >
            {daysLeft === 0 ? 'Today is the last day.' : `${number(daysLeft)} ${daysLeft === 1 ? 'day' : 'days'} left.`}
          </Verdict>
          {working}
        </>
      );
    default:
      return (
        <Verdict small shape="●" figure="All in time" about={about}>
          Nothing is late, nothing is due within two weeks.
        </Verdict>
      );
  }
}

function Line({
  farm,
  one,
  fixes,
  onOpen,
  onFix,
}: {
  farm: Farm;
  one: ContractNow;
  fixes: readonly PriceFix[];
  onOpen: () => void;
  onFix: () => void;
}) {
  const charge = pricedLater(one.contract) ? storageCharge(one, fixes, farm.data.now) : null;
  const { contract, delivered, left, state, price: now, parts } = one;
  const per = farm.kgPerBu(contract.crop);
  const part = Math.min(1, delivered / contract.bushels);
  const openPart = contract.kind === 'futuresFixed' ? parts.basis : parts.futures;
  const said = (bu: number): string => bushels(Math.round(bu), per).text;
  return (
    <li className="border-b border-rule">
      <button type="button" onClick={onOpen} className="block w-full px-5 py-3 text-left lg:px-6">
        <span className="flex flex-wrap items-baseline justify-between gap-x-6">
          <span>
            <b className="text-lg">{contract.number}</b> {farm.placeName(contract.buyerId)},{' '}
            {cropOf(contract.crop)?.short ?? contract.crop}
          </span>
          <span className={state === 'late' || state === 'over' ? 'font-bold text-clay' : ''}>
            {STATE[state]}, {dayText(contract.opens)} to {dayText(contract.closes)}
          </span>
        </span>
        <span className="mt-1 block h-3 border border-ink" aria-hidden="true">
          <span className="block h-full bg-clay" style={{ width: `${100 * part}%` }} />
        </span>
        <span className="mt-1 flex flex-wrap justify-between gap-x-6 text-sm">
          <span>
            {said(delivered)} of {said(contract.bushels)} delivered, <b>{said(left)} left</b>
          </span>
          <span>
            {now.price === null
              ? pricedLater(contract)
                ? KIND_WORDS[contract.kind]
                : `${KIND_WORDS[contract.kind]} at ${priceText((contract.kind === 'basisFixed' ? contract.basis : contract.futures) ?? 0, per)}`
              : priceText(now.price, per)}
          </span>
        </span>
      </button>
      {(contract.changes ?? []).length > 0 && (
        <ul className="px-5 pb-2 text-sm text-muted lg:px-6" aria-label={`Changes of ${contract.number}`}>
          {contract.changes!.map((change, i) => (
            <li key={i}>
              From {dayText(change.on)}: {change.note}
              {change.closes === undefined ? '' : `, until ${dayText(change.closes)}`}
              {change.bushels === undefined ? '' : `, ${said(change.bushels)}`}
              {change.fee === undefined ? '' : `, for ${priceText(change.fee, per)}`}.
            </li>
          ))}
        </ul>
      )}
      {contract.kind !== 'flat' && contract.kind !== 'bothFixed' && !contract.done && (
        <p className="flex flex-wrap items-baseline gap-x-5 px-5 pb-3 text-sm lg:px-6">
          <span>
            {now.price !== null
              ? pricedLater(contract)
                ? 'All of it is priced.'
                : 'Both parts are fixed.'
              : openPart.bushels > 0
                ? `${said(openPart.bushels)} fixed at a mean of ${priceText(openPart.average!, per)}, ${said(contract.bushels - openPart.bushels)} open.`
                : pricedLater(contract)
                  ? 'Nothing of it is priced yet.'
                  : 'Nothing of the open part is fixed yet.'}
            {now.price === null && now.today !== null && ` At today’s market: ${priceText(now.today, per)}.`}
          </span>
          <Button look="quiet" className="!px-0 text-sm" onClick={onFix}>
            {now.price !== null ? 'What was fixed' : pricedLater(contract) ? 'Price it' : `Fix the ${now.open}`}
          </Button>
        </p>
      )}
      {charge && charge.open > 0 && contract.chargePerMonth !== undefined && (
        <p className="px-5 pb-3 text-sm lg:px-6">
          {said(charge.open)} are there unpriced at {priceText(contract.chargePerMonth, per)} a month
          {contract.freeUntil === undefined ? '' : `, free until ${dayText(contract.freeUntil)}`}:{' '}
          <b>{money(charge.soFar)} so far</b>, {money(charge.aDay)} more each day.
        </p>
      )}
      {contract.quality !== undefined && <p className="px-5 pb-3 text-sm lg:px-6">Grade agreed: {contract.quality}</p>}
      {contract.counts === 'named' && (
        <p className="px-5 pb-3 text-sm lg:px-6">Counts only grain of {contract.owners?.join(', ')}.</p>
      )}
    </li>
  );
}
