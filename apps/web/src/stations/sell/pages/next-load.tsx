import {
  CONTRACT_PRICE,
  type ContractNow,
  cropOf,
  CROPS,
  type LegalView,
  type NextLoad as Way,
  type NotOnContract,
  notOnContract,
  type OwnerPart,
  type PlaceInfo,
} from '@fanega/core';
import { useState } from 'react';
import type { Farm } from '../../../data/farm';
import {
  bushels,
  bushelsFine,
  dollars,
  grainOf,
  mass,
  money,
  number,
  percent,
  priceText,
} from '../../../quantity/quantity';
import { dayText } from '../../../quantity/time';
import { Choices, Empty, Loading, TextBox } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { Section } from '../../../ui/page';
import { type Column, DataTable } from '../../../ui/table';
import { Verdict } from '../../../ui/verdict';
import { wordColumn } from '../../../widgets/columns';
import { LeaveBy } from '../../../widgets/chain-line';
import { Working } from '../../../widgets/working';
import { OVERAGE_WORDS } from '../forms/contract-form';
import { type LoadWays, useNextLoad } from '../../../widgets/use-next-load';

const KINDS = ['truck', 'cart'];

/** This truck, before it leaves: which buyer and which contract, and what hangs on the bushels beyond its end. */
export default function NextLoad({ farm }: { farm: Farm }) {
  const loaded = farm.data.places.filter(
    ({ id, kind }) => KINDS.includes(kind) && farm.bushels(farm.held(id).wetLots) >= 1,
  );
  const [chosen, setChosen] = useState('');
  const truck = loaded.find(({ id }) => id === chosen) ?? loaded.find(({ kind }) => kind === 'truck') ?? loaded[0];
  if (!truck)
    return (
      <Empty title="No truck is loaded.">
        <p>As soon as one is, this page says which contract its load counts on, and what the rest brings.</p>
      </Empty>
    );
  return <OneLoad key={truck.id} farm={farm} truck={truck} loaded={loaded} onTruck={setChosen} />;
}

function OneLoad({
  farm,
  truck,
  loaded,
  onTruck,
}: {
  farm: Farm;
  truck: PlaceInfo;
  loaded: readonly PlaceInfo[];
  onTruck: (id: string) => void;
}) {
  const [typed, setTyped] = useState<string | undefined>();
  const likely = cropOf(farm.cropOf(farm.held(truck.id).lots) ?? '') ?? CROPS.corn;
  const typedBu =
    typed === undefined
      ? undefined
      : bushelsFine.read(typed, { least: 1, most: 5000, per: farm.kgPerBu(likely.id), wanted: true });
  const found = useNextLoad(farm, truck, typedBu?.value);
  if (!found) return <Loading what="Collecting contracts and tickets" />;
  const { book, crop, base, byBook, spot: spotOf, legalTo } = found;
  const held = farm.held(truck.id);
  const per = farm.kgPerBu(crop.id);
  const shown = typed ?? bushelsFine.text(byBook, per);
  const much = typedBu ?? bushelsFine.read(shown, { least: 1, most: 5000, per, wanted: true });
  const ways = much.value === undefined ? [] : found.ways;
  const ranked = ways.filter(({ money: brings, net }) => brings !== null && net !== null);
  const best = ranked[0] ?? ways.find(({ money: brings, dumps }) => dumps && brings !== null);
  const next = ranked[1];
  const someRefuse = ways.some(({ dumps }) => !dumps);
  const said = (bu: number): string => bushelsFine(bu, per).text;
  return (
    <div className="lg:grid lg:grid-cols-[1.45fr_1fr]">
      <Section label="The next load">
        {much.value === undefined ? (
          <p className="text-lg text-muted">The bushels on the right need fixing.</p>
        ) : !best ? (
          <Verdict small figure={someRefuse ? 'No buyer takes this truck' : 'No price known'}>
            {someRefuse && 'What their pits take stands in Sell, Buyers. '}No buyer has a contract or a price for{' '}
            {crop.short}: set his window in Fields, or add a contract.
          </Verdict>
        ) : (
          <>
            <Verdict
              about={`${truck.name}, ${grainOf(farm, held.wetLots).text} of ${crop.short}${held.moisture === null ? '' : ` at ${percent(held.moisture)}`}`}
              figure={farm.placeName(best.buyerId)}
              unit={best.contract ? `on contract ${best.contract.contract.number}` : 'at the day’s price'}
            >
              It brings <b>{money(best.money!)}</b>
              {best.net === null
                ? ' before discounts and the road'
                : `, ${money(best.net)} in hand after his terms and the road`}
              {next && best.net !== null
                ? `: ${dollars(best.net - next.net!)} more than ${farm.placeName(next.buyerId)}`
                : ''}
              .
              {best.contract &&
                best.crossing === null &&
                ` ${said(best.contract.left - much.value)} are left on it then.`}
            </Verdict>
            {ways
              .filter(({ crossing }) => crossing !== null)
              .map((way) => (
                <Crossing key={way.buyerId} farm={farm} way={way} per={per} />
              ))}
            {best.others > 0.5 && (
              <p className="mt-2 text-lg">
                {said(best.others)} of it are other owners&rsquo;: {best.contract?.contract.number} takes the
                farm&rsquo;s own only, they go at the day&rsquo;s price.
              </p>
            )}
            <Law farm={farm} view={legalTo(best.buyerId)} to={best.buyerId} per={per} />
            {truck.kind === 'truck' && <LeaveBy farm={farm} truckId={truck.id} className="mt-3 text-lg" />}
            <Working
              what={`${truck.name} to ${farm.placeName(best.buyerId)}`}
              formulas={[CONTRACT_PRICE]}
              inputs={[
                {
                  name: 'Bushels',
                  value: said(much.value),
                  from: typed === undefined ? `the book, dry at ${percent(base)}` : 'typed',
                },
                ...(best.contract
                  ? [
                      {
                        name: `Contract ${best.contract.contract.number}`,
                        value: `${said(best.contract.left)} left of ${said(best.contract.contract.bushels)}`,
                        from: `${number(best.contract.loads.length)} deliveries on it in the book`,
                      },
                    ]
                  : []),
                {
                  name: 'The day’s price',
                  value: spotOf(best.buyerId) === null ? 'not known' : priceText(spotOf(best.buyerId)!, per),
                  from: 'his bid, his window, or his last ticket',
                },
              ]}
              worked={
                best.crossing
                  ? [
                      `${said(best.crossing.onContract)} × ${priceText(best.contract!.price.today!, per)} = ${money(best.crossing.contractMoney)}`,
                      `${said(best.crossing.over)} × ${priceText(spotOf(best.buyerId)!, per)} = ${money(best.crossing.overMoney)}`,
                    ]
                  : [`${said(much.value)} × … = ${money(best.money!)}`]
              }
              not="the buyer’s test, his discounts and his own rule for what is beyond a contract."
            />
          </>
        )}
        {ways.length > 0 && (
          <div className="mt-4">
            <DataTable
              name="By buyer"
              one="buyer"
              many="buyers"
              rows={ways}
              columns={wayColumns(farm)}
              rowId={({ buyerId }) => buyerId}
              flush
            />
          </div>
        )}
        <NotOn farm={farm} book={book.contracts} ways={ways} load={found.load} />
      </Section>
      <section
        aria-label="The load"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        {loaded.length > 1 && (
          <Choices
            label="Loaded"
            value={truck.id}
            onChange={onTruck}
            choices={loaded.map(({ id, name }) => ({ value: id, label: name }))}
          />
        )}
        <TextBox
          label="Bushels as the contract counts them"
          unit={bushelsFine.unit}
          inputMode="decimal"
          value={shown}
          error={much.error}
          hint={typed === undefined ? 'by the book; the buyer’s ticket rules' : undefined}
          onChange={(event) => setTyped(event.target.value)}
        />
      </section>
    </div>
  );
}

const wayColumns = (farm: Farm): Column<LoadWays['ways'][number]>[] => [
  wordColumn('buyer', 'Buyer', ({ buyerId }) => farm.placeName(buyerId), { phone: 'title' }),
  wordColumn('counts', 'Counts on', ({ contract, money: brings }) =>
    contract
      ? `${contract.contract.number}, by ${dayText(contract.contract.closes)}`
      : brings === null
        ? 'takes none of it'
        : 'the day’s price',
  ),
  wordColumn('brings', 'Brings', (way) => (way.money === null ? '–' : money(way.money)), {
    right: true,
    by: (way) => way.money,
  }),
  wordColumn(
    'inHand',
    'In hand',
    (way) =>
      way.net !== null
        ? money(way.net)
        : !way.dumps
          ? 'does not take this truck'
          : way.money === null
            ? '–'
            : 'too wet',
    { phone: 'verdict', right: true, by: (way) => way.net, as: (words) => <b className="font-semibold">{words}</b> },
  ),
];

/** What the law lets on this truck on the road to a buyer. */
function Law({ farm, view, to, per }: { farm: Farm; view: LegalView | null; to: string; per: number }) {
  if (!view?.legal) return null;
  const { roomKg } = view.legal;
  const over = roomKg < 0;
  return (
    <p className={`mt-3 text-lg ${over ? 'font-semibold text-clay' : ''}`}>
      {over
        ? `■ ${mass(-roomKg).text} over the law on the road to ${farm.placeName(to)}: take ${bushels(Math.ceil(-roomKg / per), per).text} off.`
        : `By law ${mass(roomKg).text} to spare on the road to ${farm.placeName(to)}.`}{' '}
      {view.permit
        ? `${view.permit.name} holds there.`
        : view.permitNot === 'road'
          ? `${view.setup!.permit!.name} does not name this road: counted without it.`
          : view.permitNot === 'date'
            ? `${view.setup!.permit!.name} does not hold today: counted without it.`
            : ''}
    </p>
  );
}

const NOT_WORDS: Readonly<Record<NotOnContract, string>> = {
  otherBuyer: 'is another buyer’s',
  otherCrop: 'is for another crop',
  othersGrain: 'takes the farm’s own grain only',
  notOpen: 'is not open yet',
  done: 'is done',
  full: 'is full',
};

/** Contracts of the buyers that take this load, and why each of the others does not. */
function NotOn({
  farm,
  book,
  ways,
  load,
}: {
  farm: Farm;
  book: readonly ContractNow[];
  ways: readonly Way[];
  load: { readonly crop: string; readonly ownPart?: number; readonly owners?: readonly OwnerPart[] };
}) {
  const lines = ways.flatMap(({ buyerId }) =>
    book
      .filter(({ contract, state }) => contract.buyerId === buyerId && state !== 'done')
      .flatMap((one) => {
        const why = notOnContract(one, { ...load, buyerId });
        return why === null ? [] : [{ one, why }];
      }),
  );
  if (lines.length === 0) return null;
  return (
    <ul className="mt-3 text-sm text-muted" aria-label="Contracts that do not take it">
      {lines.map(({ one, why }) => (
        <li key={one.id}>
          {one.contract.number}, {farm.placeName(one.contract.buyerId)}, {NOT_WORDS[why]}
          {why === 'otherCrop' ? `: ${cropOf(one.contract.crop)?.short ?? one.contract.crop}` : ''}
          {why === 'notOpen' ? `: from ${dayText(one.contract.opens)}` : ''}.
        </li>
      ))}
    </ul>
  );
}

/** What goes on the contract, what over its end, and what may be done about it. */
function Crossing({ farm, way, per }: { farm: Farm; way: Way; per: number }) {
  const { crossing, contract } = way;
  if (!crossing || !contract) return null;
  const said = (bu: number): string => bushelsFine(bu, per).text;
  return (
    <Callout icon className="mt-4 px-3 py-2 text-lg">
      <p>
        <b>
          To {farm.placeName(way.buyerId)} it crosses the end of {contract.contract.number}:
        </b>{' '}
        {said(crossing.onContract)} on it, <b>{said(crossing.over)} over</b>. All of it on the contract would be{' '}
        {money(crossing.allOnContract)}: {money(crossing.atStake)} depend on his rule. Signed: what is beyond goes{' '}
        {OVERAGE_WORDS[contract.contract.overage]}.
      </p>
      <ul className="mt-2 list-disc pl-5" aria-label="What may be done">
        {crossing.offers.map((offer) => (
          <li key={`${offer.kind} ${'contract' in offer ? offer.contract : ''}`}>
            {offer.kind === 'other contract'
              ? `Place ${said(offer.bushels)} on another open contract there: ${money(offer.money)} in all.`
              : offer.kind === 'take less'
                ? `Load ${bushels(offer.bushels, per).text} only: the contract is filled, nothing is over.`
                : `Sell the ${said(offer.bushels)} at the day’s price: ${money(offer.money)} in all.`}
          </li>
        ))}
      </ul>
    </Callout>
  );
}
