import {
  type CropId,
  type CropPosition,
  cropOf,
  fieldFacts,
  type Market,
  type Offers,
  positionOf,
  TICKET,
  CONTRACT_PRICE,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { type Farm, useFields, useNotebook } from '../../../data/farm';
import { bushels, dollars, money, number, price, priceText } from '../../../quantity/quantity';
import { dayText } from '../../../quantity/time';
import { Below } from '../../../ui/below';
import { Button, Empty, Loading } from '../../../ui';
import { Section } from '../../../ui/page';
import { Status } from '../../../ui/status';
import { Verdict } from '../../../ui/verdict';
import { pricedBuyers, useOffers } from '../../../widgets/use-offers';
import { Working } from '../../../widgets/working';
import { HEDGE_WORDS, HedgeForm } from '../forms/hedge-form';
import { KIND_WORDS } from '../forms/contract-form';
import { PlanForm } from '../forms/plan-form';
import { type SellBook, useSellBook } from '../../../widgets/use-sell-book';

type Open =
  | { readonly what: 'plan'; readonly crop: CropId }
  | { readonly what: 'hedge'; readonly crop: CropId; readonly id: string | null };

/** Today's market by crop: what the bids say, else the best price that any buyer gives. */
function marketHere(farm: Farm, book: SellBook, offers: Offers): Readonly<Record<string, Market>> {
  const market: Record<string, Market> = { ...book.market };
  for (const crop of new Set(farm.data.lots.map((lot) => lot.crop))) {
    if (market[crop]?.cash !== undefined) continue;
    const most = pricedBuyers(farm, offers, crop)[0]?.price ?? 0;
    if (most > 0) market[crop] = { ...market[crop], cash: most };
  }
  return market;
}

/** What is sold and not sold, crop by crop, in the farm's own bushels. */
export default function Position({ farm, season: chosen }: { farm: Farm; season: number | undefined }) {
  const season = chosen ?? Math.max(...farm.data.lots.map((lot) => lot.season), 0);
  const book = useSellBook(farm, chosen);
  const offers = useOffers(farm);
  const rows = useFields(season).data;
  const notebook = useNotebook().data;
  const [open, setOpen] = useState<Open | null>(null);
  const crops = useMemo(() => {
    if (!book || !offers || !rows || !notebook) return null;
    const of = rows.filter(({ lot }) => lot.season === season);
    return positionOf({
      farm,
      season,
      facts: fieldFacts(farm, of, notebook),
      accounts: book.accounts,
      contracts: book.contracts,
      plans: Object.values(book.records.settings.sellPlan).map(({ value }) => value),
      hedges: Object.values(book.records.settings.hedge).map(({ value }) => value),
      market: marketHere(farm, book, offers),
    })
      .filter(({ expected, contracted, delivered }) => expected + contracted + delivered >= 1)
      .sort((a, b) => Math.abs(b.tenCents) - Math.abs(a.tenCents));
  }, [farm, season, book, offers, rows, notebook]);
  if (!crops || !book) return <Loading what="Adding up what is sold" />;
  const [first] = crops;
  if (!first)
    return (
      <Empty title={`Nothing of ${season} is expected yet.`}>
        <p>As soon as a field has a yield or a contract is signed, what is sold and not sold stands here.</p>
      </Empty>
    );
  const plan = open?.what === 'plan' ? book.records.settings.sellPlan[`${open.crop}-${season}`] : undefined;
  const hedges = Object.entries(book.records.settings.hedge);
  const hedge = open?.what === 'hedge' && open.id !== null ? book.records.settings.hedge[open.id] : undefined;
  const name = cropOf(first.crop)?.short ?? first.crop;
  const per = farm.kgPerBu(first.crop);
  const said = (bu: number): string => bushels(Math.round(bu), per).text;
  const over = first.unsold < -0.5;
  return (
    <>
      <Section label="Position">
        <Verdict
          bad={over}
          about={`Own ${name} of ${season}, what moves most with the market`}
          figure={bushels.figure(Math.round(Math.abs(first.unsold)), per)}
          unit={over ? `${bushels.unit} more signed for than there is` : `${bushels.unit} ${name} unsold`}
        >
          {over ? (
            <>Contracts ask for more than is expected: a bought-in bushel costs what the market says then.</>
          ) : (
            <>
              Ten cents more or less move <b>{dollars(first.tenCents)}</b>
              {first.futuresOpen > 0.5 ? `, ${said(first.futuresOpen)} with open futures counted in` : ''}
              {first.hedged > 0 ? `, ${said(first.hedged)} sold on the hedge account taken off` : ''}.
            </>
          )}
        </Verdict>
        <Working
          what={`${said(first.unsold)} of ${name} unsold`}
          formulas={[CONTRACT_PRICE, TICKET]}
          inputs={[
            {
              name: 'Harvested',
              value: said(first.harvested),
              from: 'the book, the farm’s own shares, dry at the base',
            },
            { name: 'Still standing', value: said(first.standing), from: 'acres left × expected yield' },
            { name: 'Delivered', value: said(first.delivered), from: 'tickets of the season' },
            {
              name: 'Left on contracts',
              value: said(first.onContractLeft),
              from: `${number(first.contracts.length)} contracts`,
            },
          ]}
          worked={[`${said(first.expected)} − ${said(first.delivered)} − ${said(first.onContractLeft)} = ${said(first.unsold)}`]} // prettier-ignore
          not="landlords’ shares, and where prices go."
        />
      </Section>
      <ul aria-label="By crop" className="border-t border-ink">
        {crops.map((one) => (
          <Below key={one.crop}>
            <Crop
              farm={farm}
              one={one}
              hedges={hedges.filter(([, { value }]) => value.crop === one.crop)}
              onOpen={setOpen}
            />
          </Below>
        ))}
      </ul>
      {open?.what === 'plan' && (
        <PlanForm
          farm={farm}
          crop={open.crop}
          season={season}
          kept={plan ?? null}
          byFields={(() => {
            const of = crops.find(({ crop }) => crop === open.crop);
            return (of?.harvested ?? 0) + (of?.standing ?? 0);
          })()}
          onClose={() => setOpen(null)}
        />
      )}
      {open?.what === 'hedge' && (
        <HedgeForm
          farm={farm}
          crop={open.crop}
          kept={hedge && open.id !== null ? { id: open.id, ...hedge } : null}
          onClose={() => setOpen(null)}
        />
      )}
    </>
  );
}

/** Parts of a crop's bar, in the order in which grain becomes money; told apart by fill and by their words. */
const PARTS = [
  { id: 'delivered', words: 'delivered', fill: 'bg-ink text-paper' },
  { id: 'priced', words: 'on contract, priced', fill: 'bg-muted text-paper' },
  { id: 'open', words: 'on contract, a part open', fill: 'bg-sand text-ink' },
  { id: 'unsold', words: 'unsold', fill: 'bg-paper text-ink' },
] as const;

function Crop({
  farm,
  one,
  hedges,
  onOpen,
}: {
  farm: Farm;
  one: CropPosition;
  hedges: readonly (readonly [string, { readonly value: Parameters<typeof positionOf>[0]['hedges'][number] }])[];
  onOpen: (open: Open) => void;
}) {
  const per = farm.kgPerBu(one.crop);
  const crop = cropOf(one.crop);
  const said = (bu: number): string => bushels(Math.round(bu), per).text;
  const openLeft = Math.min(one.onContractLeft, Math.max(one.basisOpen, one.futuresOpen));
  const parts = {
    delivered: one.delivered,
    priced: Math.max(0, one.onContractLeft - openLeft),
    open: openLeft,
    unsold: Math.max(0, one.unsold),
  };
  const whole = Math.max(
    1,
    Object.values(parts).reduce((sum, part) => sum + part, 0),
  );
  const cropId = one.crop as CropId;
  return (
    <li className="space-y-2 border-b border-rule px-5 py-4 lg:px-6">
      <p className="flex flex-wrap items-baseline justify-between gap-x-6">
        <b className="text-xl">{crop?.name ?? one.crop}</b>
        <span>
          {one.average === null ? (
            'nothing is priced'
          ) : (
            <>
              a mean of <b className="text-lg">{priceText(one.average, per)}</b> over {said(one.priced)} priced
            </>
          )}
        </span>
      </p>
      <div className="flex h-9 border border-ink" aria-hidden="true">
        {PARTS.map(({ id, fill }) =>
          parts[id] / whole < 0.005 ? null : (
            <span
              key={id}
              className={`flex items-center overflow-hidden border-r border-ink px-1 text-sm font-semibold whitespace-nowrap last:border-r-0 ${fill}`}
              style={{ width: `${(100 * parts[id]) / whole}%` }}
            >
              {parts[id] / whole > 0.1 ? bushels.figure(Math.round(parts[id]), per) : ''}
            </span>
          ),
        )}
      </div>
      <ul className="flex flex-wrap gap-x-5 gap-y-1 text-sm" aria-label={`${crop?.short ?? one.crop}, its parts`}>
        {PARTS.map(({ id, words, fill }) => (
          <li key={id} className="flex items-center gap-1.5">
            <span className={`inline-block h-3 w-3 border border-ink ${fill}`} aria-hidden="true" />
            {words} <b>{said(parts[id])}</b>
          </li>
        ))}
      </ul>
      <dl className="grid grid-cols-2 gap-x-6 gap-y-1 text-sm sm:grid-cols-4">
        {(
          [
            ['Expected', `${said(one.expected)}${one.standing >= 1 ? `, ${said(one.standing)} standing` : ''}`],
            ['Insured', one.insured === null ? 'not entered' : said(one.insured)],
            ['Stored', said(one.stored)],
            ...(one.atBuyers > 0 ? [['In buyers’ storage', said(one.atBuyers)] as const] : []),
            ['On a settlement', said(one.paid)],
            ['Basis open', said(one.basisOpen)],
            ['Futures open', said(one.futuresOpen)],
            ['Ten cents move', dollars(one.tenCents)],
            [
              'All at today’s market',
              one.today === null
                ? 'no price known'
                : `${priceText(one.today.average, per)} (${money(price.shown(one.today.low, per))} to ${money(price.shown(one.today.high, per))})`,
            ],
          ] as const
        ).map(([what, figure]) => (
          <div key={what}>
            <dt className="text-muted">{what}</dt>
            <dd className="font-semibold">{figure}</dd>
          </div>
        ))}
      </dl>
      {one.insured !== null && one.onContractLeft + one.delivered > one.insured && (
        <Status state="watch">
          {said(one.onContractLeft + one.delivered - one.insured)} more is sold than is insured: what hail takes of it
          must be bought in.
        </Status>
      )}
      {one.contracts.length > 0 && (
        <ul aria-label={`Contracts for ${crop?.short ?? one.crop}`}>
          {one.contracts.map(({ id, contract, delivered, state }) => (
            <li key={id} className="flex flex-wrap items-baseline gap-x-3 py-0.5 text-sm">
              <b>{contract.number}</b> {farm.placeName(contract.buyerId)}, {KIND_WORDS[contract.kind]},{' '}
              {dayText(contract.opens)} to {dayText(contract.closes)}: {said(delivered)} of {said(contract.bushels)}
              {state === 'late' && <Status state="bad">late</Status>}
              {state === 'soon' && <Status state="watch">due soon</Status>}
            </li>
          ))}
        </ul>
      )}
      {one.byMonth.length > 0 && (
        <p className="text-sm text-muted">
          Still to deliver:{' '}
          {one.byMonth
            .map(({ month, bushels: much }) => `${said(much)} by the end of ${dayText(`${month}-01`).slice(0, 3)}`)
            .join(', ')}
          .
        </p>
      )}
      {hedges.length > 0 && (
        <p className="text-sm">
          Hedge account:{' '}
          {hedges.map(([id, { value }]) => (
            <Button
              key={id}
              look="quiet"
              className="mr-3 !min-h-8 !px-0 text-sm"
              onClick={() => onOpen({ what: 'hedge', crop: cropId, id })}
            >
              {value.side} {said(value.bushels)} {HEDGE_WORDS[value.what]} {value.month} at{' '}
              {priceText(value.price, per)}
              {value.closedOn === undefined ? '' : ', closed'}
            </Button>
          ))}
          {one.hedgeGain !== null && `At today’s futures that is ${money(one.hedgeGain)}.`}
        </p>
      )}
      <p className="flex flex-wrap gap-x-5">
        <Button look="quiet" className="!px-0 text-sm" onClick={() => onOpen({ what: 'plan', crop: cropId })}>
          Insured and expected
        </Button>
        <Button
          look="quiet"
          className="!px-0 text-sm"
          onClick={() => onOpen({ what: 'hedge', crop: cropId, id: null })}
        >
          A hedge position
        </Button>
      </p>
    </li>
  );
}
