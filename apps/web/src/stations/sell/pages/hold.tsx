import {
  bidPrice,
  breakEvenByMonth,
  cropOf,
  CROPS,
  HOLD_OR_SELL,
  holdOrSell,
  living,
  type PlanOutcome,
  RangeRefusal,
  type WaitingPlan,
  USUAL_INTEREST,
} from '@fanega/core';
import { CartesianGrid, Line, LineChart, ReferenceLine, Scatter, XAxis, YAxis } from 'recharts';
import { type Farm, useContracts, useNotebook } from '../../../data/farm';
import {
  bushels,
  count,
  dollars,
  dollarsTyped,
  money,
  number,
  price,
  priceText,
  share,
} from '../../../quantity/quantity';
import { Choices, Loading, TextBox } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { AXIS, ChartFrame, MARGIN } from '../../../ui/chart-frame';
import { Section } from '../../../ui/page';
import { useKept } from '../../../ui/use-kept';
import { Verdict } from '../../../ui/verdict';
import { CropBox } from '../../../widgets/crop-box';
import { pricedBuyers, useOffers } from '../../../widgets/use-offers';
import { Working } from '../../../widgets/working';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, moneyColumn, wordColumn } from '../../../widgets/columns';

/** Ways of waiting, each with its own costs. */
const WAYS = ['bin', 'elevator', 'pile', 'delayed'] as const;
type WayId = (typeof WAYS)[number];
const NAME: Readonly<Record<WayId | 'sell', string>> = {
  sell: 'Sell at harvest',
  bin: 'Own bin',
  elevator: 'Elevator storage',
  pile: 'A pile',
  delayed: 'Delayed price',
};

/** Figures of a way, as they are typed. */
interface WayText {
  readonly later: string;
  readonly months: string;
  readonly loss: string;
  readonly perMonth: string;
  readonly handling: string;
  readonly once: string;
  /** of a bin that must be built first */
  readonly build: string;
  readonly years: string;
}
interface Texts {
  readonly crop: string;
  readonly much: string;
  readonly now: string;
  readonly interest: string;
  readonly one: WayId;
  readonly against: WayId | 'sell';
  readonly ways: Readonly<Partial<Record<WayId, Partial<WayText>>>>;
}

/** What is usual, until somebody types the farm's own; common practice, no source. */
const USUAL: Readonly<Record<WayId, { readonly loss: number; readonly perMonth: number; readonly handling: number }>> =
  {
    bin: { loss: 0.003, perMonth: 0.01, handling: 0.03 },
    elevator: { loss: 0, perMonth: 0.055, handling: 0 },
    pile: { loss: 0.008, perMonth: 0, handling: 0 },
    delayed: { loss: 0, perMonth: 0.05, handling: 0 },
  };

const MONTHS_AHEAD = 12;
const MONTH_MS = (365.25 / 12) * 86_400_000;

/** One way of waiting against a named one: what it brings more or less, and the price that it needs. */
export default function Hold({ farm }: { farm: Farm }) {
  const notebook = useNotebook().data;
  const sell = useContracts().data;
  const offers = useOffers(farm);
  const bins = farm.data.places.filter(({ kind }) => kind === 'bin');
  const stored = [...bins].sort((a, b) => farm.held(b.id).wetKg - farm.held(a.id).wetKg)[0];
  const [texts, setTexts] = useKept<Texts>(`hold.${farm.id}`, () => ({
    crop: (stored && farm.cropOf(farm.held(stored.id).lots)) ?? 'corn',
    much: '',
    now: '',
    interest: '',
    one: 'bin',
    against: 'sell',
    ways: {},
  }));
  if (!notebook || !offers) return <Loading what="Opening" />;
  const crop = cropOf(texts.crop) ?? CROPS.corn;
  const per = farm.kgPerBu(crop.id);
  const inBins = bins.reduce((sum, { id }) => {
    const held = farm.held(id);
    return farm.cropOf(held.lots) === crop.id ? sum + farm.bushels(held.wetLots) : sum;
  }, 0);
  // The same price as on Buyers and Position: the highest that any buyer gives today.
  const best = pricedBuyers(farm, offers, crop.id)[0]?.price ?? 0;
  const shown = {
    much: texts.much || bushels.text(Math.round(inBins) || 10_000, per),
    now: texts.now || price.text(best > 0 ? Math.round(best * 1e4) / 1e4 : 4.4, per),
    interest:
      texts.interest === ''
        ? share.text(sell?.settings.farmPrices.farm?.value.interest ?? USUAL_INTEREST)
        : texts.interest,
  };
  const read = {
    much: bushels.read(shown.much, { least: 1, most: 1e7, per, wanted: true }),
    now: price.read(shown.now, { least: 0.01, most: 1000, per, wanted: true }),
    interest: share.read(shown.interest, { least: 0, most: 0.5, wanted: true }),
  };
  const wayText = (id: WayId): WayText => ({
    later: price.text((read.now.value ?? 4.4) * 1.08, per),
    months: '5',
    loss: share.text(USUAL[id].loss),
    perMonth: price.text(USUAL[id].perMonth, per),
    handling: price.text(USUAL[id].handling, per),
    once: '0',
    build: '0',
    years: '15',
    ...texts.ways[id],
  });
  const wayRead = (id: WayId) => {
    const text = wayText(id);
    return {
      later: price.read(text.later, { least: 0, most: 1000, per, wanted: true }),
      months: count.read(text.months, { least: 0, most: 36, wanted: true }),
      loss: share.read(text.loss, { least: 0, most: 1, wanted: true }),
      perMonth: price.read(text.perMonth, { least: 0, most: 10, per, wanted: true }),
      handling: price.read(text.handling, { least: 0, most: 10, per, wanted: true }),
      once: dollarsTyped.read(text.once, { least: 0, most: 1e8, wanted: true }),
      build: dollarsTyped.read(text.build, { least: 0, most: 1e8, wanted: true }),
      years: count.read(text.years, { least: 1, most: 60, wanted: true }),
    };
  };
  const planOf = (id: WayId): WaitingPlan | null => {
    const { later, months, loss, perMonth, handling, once, build, years } = wayRead(id);
    if ([later, months, loss, perMonth, handling, once, build, years].some(({ value }) => value === undefined))
      return null;
    return {
      id,
      months: months.value!,
      laterPrice: later.value!,
      loss: loss.value!,
      storagePerMonth: perMonth.value!,
      handlingPerBu: handling.value!,
      costs: [
        { what: 'once', money: once.value! },
        // A bin that is built for it stands for years: one year’s part of it is this harvest’s.
        ...(id === 'bin' ? [{ what: 'the bin', money: build.value! / years.value! }] : []),
      ],
    };
  };
  const against = texts.against === texts.one ? 'sell' : texts.against;
  const asked: WayId[] = against === 'sell' ? [texts.one] : [texts.one, against];
  const plans = asked.map(planOf);
  const fits = Object.values(read).every(({ value }) => value !== undefined) && plans.every((plan) => plan !== null);
  let answer: ReturnType<typeof holdOrSell> | null = null;
  let problem: string | null = null;
  if (fits)
    try {
      answer = holdOrSell({ bushels: read.much.value!, harvestPrice: read.now.value!, interest: read.interest.value!, plans: plans as WaitingPlan[] }); // prettier-ignore
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      problem = error.message;
    }
  // What the market itself pays for waiting: bids for a later delivery.
  const deferred = living<'bid'>(sell?.logs.bid ?? []).flatMap(({ body }) => {
    const month = (Date.parse(`${body.from}T00:00:00Z`) - farm.data.now) / MONTH_MS;
    return body.crop === crop.id && month > 0.5 && month <= MONTHS_AHEAD
      ? [{ month, price: bidPrice(body), buyer: farm.placeName(body.buyerId) }]
      : [];
  });
  const own = answer?.plans.find(({ id }) => id === texts.one);
  const other = answer?.plans.find(({ id }) => id === against);
  const more = own && (other ? own.net - other.net : own.againstHarvest);
  const setWay = (id: WayId, key: keyof WayText, value: string): void =>
    setTexts({ ...texts, ways: { ...texts.ways, [id]: { ...texts.ways[id], [key]: value } } });
  return (
    <div className="lg:grid lg:grid-cols-[1.35fr_1fr]">
      <Section label="Hold or sell">
        {!answer || !own || more === undefined ? (
          <p className="text-lg text-muted">{problem ?? 'A number on the right needs fixing.'}</p>
        ) : (
          <>
            <Verdict
              about={`${NAME[texts.one]} against ${NAME[against].toLowerCase()}, ${bushels(read.much.value!, per).text} of ${crop.short}`}
              figure={dollars(Math.abs(more))}
              unit={more >= 0 ? 'more' : 'less'}
              bad={more < 0}
            >
              {more >= 0 ? `${NAME[texts.one]} is ahead` : `${NAME[against]} is ahead`}, if the price comes.{' '}
              {Number.isFinite(own.breakEvenPrice) &&
                `It needs ${priceText(own.breakEvenPrice, per)} to be even with selling at harvest.`}
              {own.carryPerMonth !== null && ` Waiting costs ${priceText(own.carryPerMonth, per)} a month.`}
            </Verdict>
            <Outcomes answer={answer} per={per} bu={read.much.value!} />
            <ByMonth
              points={breakEvenByMonth({ bushels: read.much.value!, harvestPrice: read.now.value!, interest: read.interest.value! }, plans[0]!, MONTHS_AHEAD)} // prettier-ignore
              now={read.now.value!}
              deferred={deferred}
              per={per}
              way={NAME[texts.one]}
            />
            <Working
              what={`${NAME[texts.one]}: ${dollars(Math.abs(more))} ${more >= 0 ? 'more' : 'less'}`}
              formulas={[HOLD_OR_SELL]}
              inputs={[
                {
                  name: 'Bushels',
                  value: bushels(read.much.value!, per).text,
                  from: texts.much ? 'typed' : 'the book: in the bins',
                },
                {
                  name: 'At harvest',
                  value: priceText(read.now.value!, per),
                  from: texts.now ? 'typed' : 'the highest price of a buyer today',
                },
                {
                  name: 'Interest a year',
                  value: share(read.interest.value!).text,
                  from: 'typed; on the harvest value, under every way that waits',
                },
              ]}
              worked={[
                `sale ${money(own.sale)} − storage ${money(own.storage)} − costs ${money(own.costs)} − interest ${money(own.interest)} = ${money(own.net)}`,
                other
                  ? `${money(own.net)} − ${money(other.net)} = ${money(own.net - other.net)}`
                  : `${money(own.net)} − ${money(answer.harvest)} = ${money(own.againstHarvest)}`,
              ]}
              not="tax, the price itself, and what a bin costs that must be built first. Price and rent are never added to each other."
            />
          </>
        )}
        <Callout className="mt-4 px-3 py-2 text-sm">
          This page does not predict prices. It compares one way with another; figures are before tax.
        </Callout>
      </Section>
      <section
        aria-label="What is compared"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        <Choices
          label="This way"
          value={texts.one}
          onChange={(one) => setTexts({ ...texts, one: one as WayId })}
          choices={WAYS.map((id) => ({ value: id, label: NAME[id] }))}
        />
        <Choices
          label="against"
          value={against}
          onChange={(value) => setTexts({ ...texts, against: value as WayId | 'sell' })}
          choices={(['sell', ...WAYS] as const)
            .filter((id) => id !== texts.one)
            .map((id) => ({ value: id, label: NAME[id] }))}
        />
        <CropBox
          value={crop.id}
          onChange={(value) => setTexts({ ...texts, crop: value, much: '', now: '' })}
          also={farm.data.lots.map((lot) => lot.crop)}
        />
        <div className="grid grid-cols-2 gap-3">
          <TextBox
            label="Bushels"
            unit={bushels.unit}
            inputMode="decimal"
            value={shown.much}
            error={read.much.error}
            onChange={(event) => setTexts({ ...texts, much: event.target.value })}
          />
          <TextBox
            label="Price at harvest"
            unit={price.unit}
            inputMode="decimal"
            value={shown.now}
            error={read.now.error}
            onChange={(event) => setTexts({ ...texts, now: event.target.value })}
          />
          <TextBox
            label="Interest a year"
            unit={share.unit}
            inputMode="decimal"
            value={shown.interest}
            error={read.interest.error}
            onChange={(event) => setTexts({ ...texts, interest: event.target.value })}
          />
        </div>
        {asked.map((id) => {
          const [text, values] = [wayText(id), wayRead(id)];
          const box = (key: keyof WayText, label: string, unit: string, hint?: string) => (
            <TextBox
              label={`${NAME[id]}: ${label}`}
              unit={unit}
              inputMode="decimal"
              value={text[key]}
              error={values[key].error}
              {...(hint ? { hint } : {})}
              onChange={(event) => setWay(id, key, event.target.value)}
            />
          );
          return (
            <fieldset key={id} className="grid grid-cols-2 gap-3 border-t border-rule pt-3">
              <legend className="font-semibold">{NAME[id]}</legend>
              {box('later', 'price then', price.unit)}
              {box('months', 'months', 'months')}
              {box('loss', 'lost', share.unit)}
              {box('perMonth', 'storage a month', price.unit)}
              {box('handling', 'in and out', price.unit)}
              {box('once', 'costs once', '$', 'tarp, fuel, labor')}
              {id === 'bin' && box('build', 'to build it', '$', '0: it stands')}
              {id === 'bin' && box('years', 'over', 'years')}
            </fieldset>
          );
        })}
      </section>
    </div>
  );
}

/** What the price must come to in each month to be even, and what the market bids for later. */
function ByMonth({
  points,
  now,
  deferred,
  per,
  way,
}: {
  points: readonly { readonly month: number; readonly price: number }[];
  now: number;
  deferred: readonly { readonly month: number; readonly price: number; readonly buyer: string }[];
  per: number;
  way: string;
}) {
  const shown = points.map(({ month, price: at }) => ({ month, needs: price.shown(at, per) }));
  const bids = deferred.map(({ month, price: at }) => ({ month, bid: price.shown(at, per) }));
  return (
    <div className="mt-4">
      <h3 className="font-semibold">What it must bring, by month of waiting</h3>
      <ChartFrame
        label={`${way}: price to be even with harvest, by month`}
        heads={['Months', `Even at, ${price.unit}`, 'Bid for then']}
        rows={() =>
          points.map(({ month, price: at }) => [
            number(month),
            price.figure(at, per),
            deferred
              .filter((bid) => Math.round(bid.month) === month)
              .map((bid) => `${bid.buyer} ${price.figure(bid.price, per)}`)
              .join(', '),
          ])
        }
        className="h-52"
      >
        <LineChart data={shown} margin={MARGIN} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--rule)" />
          <XAxis type="number" dataKey="month" domain={[0, MONTHS_AHEAD]} ticks={[0, 2, 4, 6, 8, 10, 12]} {...AXIS} />
          <YAxis width={56} domain={['auto', 'auto']} {...AXIS} tickFormatter={(v: number) => number(v, 2)} />
          <ReferenceLine y={price.shown(now, per)} stroke="var(--ink)" strokeDasharray="3 4" />
          <Line dataKey="needs" stroke="var(--ink)" strokeWidth={3} dot={false} isAnimationActive={false} />
          <Scatter data={bids} dataKey="bid" fill="var(--clay)" isAnimationActive={false} />
        </LineChart>
      </ChartFrame>
      <p className="text-sm text-muted">
        Thick: even with harvest. Dashed: the price at harvest.{' '}
        {bids.length > 0
          ? 'Points: what buyers bid today for a later delivery; above the line the market pays for the wait.'
          : 'No buyer’s bid for a later delivery is entered: with one it stands here as a point.'}
      </p>
    </div>
  );
}

function Outcomes({ answer, per, bu }: { answer: ReturnType<typeof holdOrSell>; per: number; bu: number }) {
  const rows: readonly Pick<PlanOutcome, 'id' | 'sale' | 'storage' | 'costs' | 'interest' | 'net'>[] = [
    { id: 'sell', sale: answer.harvest, storage: 0, costs: 0, interest: 0, net: answer.harvest },
    ...answer.plans,
  ];
  type Row = (typeof rows)[number];
  const off = (id: string, head: string, of: (row: Row) => number): Column<Row> =>
    moneyColumn(id, head, of, { show: (row) => (of(row) === 0 ? '–' : `−${dollars(of(row))}`) });
  const columns: Column<Row>[] = [
    wordColumn('way', 'Way', ({ id }) => NAME[id as WayId | 'sell'], { phone: 'title' }),
    moneyColumn('sale', 'Sale', ({ sale }) => sale, { show: ({ sale }) => dollars(sale) }),
    off('storage', 'Storage', ({ storage }) => storage),
    off('costs', 'Costs', ({ costs }) => costs),
    off('interest', 'Interest', ({ interest }) => interest),
    moneyColumn('net', 'Nets', ({ net }) => net, { phone: 'verdict', show: ({ net }) => <b>{money(net)}</b> }),
    figureColumn('perBushel', 'Nets', price, ({ net }) => net / bu, { per: () => per }),
  ];
  return (
    <div className="mt-4">
      <DataTable name="Each way" one="way" many="ways" rows={rows} columns={columns} rowId={({ id }) => id} flush />
    </div>
  );
}
