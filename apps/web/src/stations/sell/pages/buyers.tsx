import {
  bidPrice,
  type BuyerFacts,
  type BuyerSheet,
  calendarDay,
  type CropId,
  cropOf,
  CROPS,
  type FieldRecords,
  type HaulTimes,
  hoursOn,
  inOrder,
  KG_PER_LB,
  lineByHour,
  living,
  type LogEntry,
  type OwnTimes,
  type PlaceInfo,
  roadKm,
  USUAL_HAUL_TIMES,
} from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { CartesianGrid, Line, LineChart, XAxis, YAxis } from 'recharts';
import { type Farm, useContracts, useHaul, useNotebook } from '../../../data/farm';
import {
  aBushel,
  count,
  distance,
  dollars,
  mass,
  money,
  number,
  percent,
  price,
  priceText,
} from '../../../quantity/quantity';
import { day, DAY_MS, dayText, hourText, spanText } from '../../../quantity/time';
import { Button, Loading } from '../../../ui';
import { AXIS, ChartFrame, MARGIN, SeriesMark, seriesLine, timeAxis } from '../../../ui/chart-frame';
import { Section } from '../../../ui/page';
import { Verdict } from '../../../ui/verdict';
import { CropBox } from '../../../widgets/crop-box';
import { RoadsDrawer } from '../../../widgets/roads-drawer';
import { pricedBuyers, useOffers } from '../../../widgets/use-offers';
import { BODY_WORDS } from '../../../widgets/body-words';
import { BuyerForm } from '../forms/buyer-form';
import { BidForm } from '../forms/bid-form';
import { PasteBids } from '../forms/paste-bids';
import { SheetForm, SHRINK_WORDS } from '../forms/sheet-form';
import { capital } from '../../../words';

type Open =
  | { readonly what: 'paste' }
  | { readonly what: 'facts'; readonly buyerId: string }
  | { readonly what: 'roads'; readonly buyerId: string }
  | { readonly what: 'bid'; readonly buyerId: string }
  | { readonly what: 'sheet'; readonly buyerId: string; readonly id: string | null };

/** What each buyer bids and posts for a crop, from which day on. */
export default function Buyers({ farm }: { farm: Farm }) {
  const records = useContracts().data;
  const offers = useOffers(farm);
  const haul = useNotebook().data;
  const rounds = useHaul().data;
  const cropsHere = [...new Set(farm.data.lots.map(({ crop }) => crop))];
  const [chosen, setCrop] = useState<string>(cropsHere[0] ?? 'corn');
  const [open, setOpen] = useState<Open | null>(null);
  if (!records || !offers || !haul) return <Loading what="Opening" />;
  const crop = cropOf(chosen) ?? CROPS.corn;
  const cropId = crop.id as CropId;
  const per = farm.kgPerBu(crop.id);
  const today = calendarDay(farm.data.now, farm.data.farm.timeZone);
  const buyers = farm.data.places.filter(({ kind }) => kind === 'buyer');
  const sheets = Object.entries(records.settings.buyerSheet)
    .filter(([, { value }]) => value.crop === crop.id)
    .sort(([, a], [, b]) => inOrder(b.value.from, a.value.from));
  const bids = living<'bid'>(records.logs.bid).filter(({ body }) => body.crop === crop.id);
  const [best, next] = pricedBuyers(farm, offers, crop.id);
  const facts = haul.settings.buyerFacts;
  const kept = open?.what === 'sheet' && open.id !== null ? records.settings.buyerSheet[open.id] : undefined;
  return (
    <>
      <Section label="Buyers">
        <div className="mb-4 max-w-60">
          <CropBox value={crop.id} onChange={setCrop} also={cropsHere} />
        </div>
        {best === undefined ? (
          <Verdict small figure="No price known">
            Enter a bid, or set a buyer’s window in Fields.
          </Verdict>
        ) : (
          <Verdict
            about={`The highest price for ${crop.short} today`}
            figure={money(price.shown(best.price, per))}
            unit={`${aBushel()} at ${best.buyer.name}`}
          >
            {next
              ? `${priceText(best.price - next.price, per)} more than ${next.buyer.name}. Which one brings most, road and dock taken off, stands on “Where it brings most”.`
              : 'No other buyer has a price.'}
          </Verdict>
        )}
        <Button className="mt-4" onClick={() => setOpen({ what: 'paste' })}>
          Paste the day’s bids
        </Button>
      </Section>
      <Bids farm={farm} crop={cropId} buyers={buyers} bids={bids} />
      <ul className="border-t border-ink" aria-label="By buyer">
        {buyers.map((buyer) => {
          const offer = offers(crop.id, buyer.id);
          const own = sheets.filter(([, { value }]) => value.buyerId === buyer.id);
          const now = own.find(([, { value }]) => value.from <= today);
          return (
            <li key={buyer.id} className="space-y-2 border-b border-rule px-5 py-4 lg:px-6">
              <p className="flex flex-wrap items-baseline justify-between gap-x-6">
                <b className="text-lg">{buyer.name}</b>
                <span>
                  {offer === null || offer.price === null ? (
                    'no price'
                  ) : (
                    <>
                      <b>{priceText(offer.price, per)}</b>{' '}
                      <span className="text-muted">
                        {offer.from === 'bid' && offer.bid
                          ? `bid ${day(offer.bid.at, farm.data.farm.timeZone)}, for ${dayText(offer.bid.from)} to ${dayText(offer.bid.until)}`
                          : 'by his window in Fields'}
                      </span>
                    </>
                  )}
                </span>
              </p>
              {now ? (
                <SheetWords sheet={now[1].value} per={per} />
              ) : (
                <p className="text-sm text-muted">
                  No posted sheet is entered: tickets are worked out before his discounts.
                </p>
              )}
              <Hours facts={facts[buyer.id]?.value} today={today} />
              <Roads farm={farm} haul={haul} buyerId={buyer.id} />
              {rounds?.times[buyer.id] && (
                <LineHours
                  farm={farm}
                  times={rounds.times[buyer.id]!}
                  haul={haul.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES}
                  buyerId={buyer.id}
                />
              )}
              <div className="flex flex-wrap gap-x-5">
                <Button look="quiet" className="!px-0" onClick={() => setOpen({ what: 'bid', buyerId: buyer.id })}>
                  Enter a bid
                </Button>
                {own.map(([id, { value }]) => (
                  <Button
                    key={id}
                    look="quiet"
                    className="!px-0"
                    onClick={() => setOpen({ what: 'sheet', buyerId: buyer.id, id })}
                  >
                    Sheet from {dayText(value.from)}
                  </Button>
                ))}
                <Button
                  look="quiet"
                  className="!px-0"
                  onClick={() => setOpen({ what: 'sheet', buyerId: buyer.id, id: null })}
                >
                  {own.length === 0 ? 'Enter his sheet' : 'A newer sheet'}
                </Button>
                <Button look="quiet" className="!px-0" onClick={() => setOpen({ what: 'facts', buyerId: buyer.id })}>
                  Hours and whom to call
                </Button>
                <Button look="quiet" className="!px-0" onClick={() => setOpen({ what: 'roads', buyerId: buyer.id })}>
                  Roads
                </Button>
              </div>
            </li>
          );
        })}
      </ul>
      {open?.what === 'paste' && <PasteBids farm={farm} onClose={() => setOpen(null)} />}
      {open?.what === 'roads' && (
        <RoadsDrawer farm={farm} to={open.buyerId} name={farm.placeName(open.buyerId)} onClose={() => setOpen(null)} />
      )}
      {open?.what === 'facts' && (
        <BuyerForm
          farm={farm}
          buyer={farm.place(open.buyerId)!}
          kept={facts[open.buyerId]}
          onClose={() => setOpen(null)}
        />
      )}
      {open?.what === 'bid' && (
        <BidForm farm={farm} buyerId={open.buyerId} crop={cropId} onClose={() => setOpen(null)} />
      )}
      {open?.what === 'sheet' && (
        <SheetForm
          farm={farm}
          kept={kept && open.id !== null ? { id: open.id, ...kept } : null}
          from={sheets.find(([, { value }]) => value.buyerId === open.buyerId)?.[1].value}
          buyerId={open.buyerId}
          crop={cropId}
          onClose={() => setOpen(null)}
        />
      )}
    </>
  );
}

/** Whom to call, and today's hours where somebody entered them. */
/** How far it is: from the yard, and from the fields that have a road of their own. */
function Roads({ farm, haul, buyerId }: { farm: Farm; haul: FieldRecords; buyerId: string }) {
  const roads = haul.settings.buyerRoads[buyerId]?.value;
  const yard = haul.settings.haulTimes.farm?.value.roadMin[buyerId];
  const km = roadKm(haul, buyerId, null);
  if (yard === undefined && km === null && (roads?.legs ?? []).length === 0) return null;
  const way = (min: number | undefined, far: number | null | undefined): string =>
    [min === undefined ? '' : spanText(min), far === null || far === undefined ? '' : distance(1000 * far).text].filter(Boolean).join(', '); // prettier-ignore
  const fields = (roads?.legs ?? []).map(({ from, minutes, km: far }) => `${farm.data.lots.find(({ fieldId }) => fieldId === from)?.fieldName ?? from} ${way(minutes, far)}`); // prettier-ignore
  return (
    <p className="text-sm">
      Road {way(yard, km) || 'not known'} from the yard{fields.length > 0 ? `; from ${fields.join('; ')}` : ''}.
    </p>
  );
}

function Hours({ facts, today }: { facts: BuyerFacts | undefined; today: string }) {
  const now = hoursOn(facts, today);
  const parts = [
    ...(now
      ? [now.closed ? 'closed today' : `takes grain today from ${hourText(now.opens)} to ${hourText(now.closes)}`]
      : []),
    ...(facts?.call === undefined ? [] : [`call ${facts.call}`]),
    ...(facts?.tester === undefined ? [] : [`tests with ${facts.tester}`]),
    ...(facts?.grossLimitLb === undefined ? [] : [`at most ${mass(facts.grossLimitLb * KG_PER_LB).text} gross`]),
  ];
  if (facts?.takes) parts.push(`takes ${facts.takes.map((body) => BODY_WORDS[body].many).join(' and ')} only`);
  const next = facts?.exceptions.find(({ on }) => on > today);
  if (next)
    parts.push(
      `${dayText(next.on)} ${next.closed ? 'closed' : `from ${hourText(next.opens)} to ${hourText(next.closes)}`}${next.note ? `, ${next.note}` : ''}`,
    );
  if (parts.length === 0) return null;
  const words = parts.join('; ');
  return <p className="text-sm">{capital(words)}.</p>;
}

/** A sheet in a sentence or two. */
function SheetWords({ sheet, per }: { sheet: BuyerSheet; per: number }) {
  const parts = [
    `base ${percent(sheet.base)}`,
    sheet.shrink === 'flat'
      ? `shrink ${count.text(sheet.shrinkPerPoint)} % a point`
      : sheet.shrink === 'water'
        ? `shrink: ${SHRINK_WORDS.water}`
        : 'no shrink, the price is docked',
    ...(sheet.handling ? [`${percent(sheet.handling)} handling`] : []),
    ...(sheet.dryingPerPoint
      ? [
          `drying ${dollars(sheet.dryingPerPoint)} a point${sheet.dryingStep ? ` by ${number(sheet.dryingStep, 1)}` : ''}`,
        ]
      : []),
    ...(sheet.refuseAbove ? [`refused above ${percent(sheet.refuseAbove)}`] : []),
    ...(sheet.dockage ? ['dockage off the weight'] : []),
    ...(sheet.factors.length > 0
      ? [
          `${number(sheet.factors.length)} ${sheet.factors.length === 1 ? 'discount' : 'discounts'} on ${sheet.discountsOn} bushels`,
        ]
      : []),
    ...(sheet.feePerBu ? [`fee ${priceText(sheet.feePerBu, per)}`] : []),
    ...(sheet.checkoffPercent ? [`checkoff ${number(sheet.checkoffPercent, 2)} %`] : []),
  ];
  return (
    <p className="text-sm">
      Posted from {dayText(sheet.from)}: {parts.join('; ')}.
    </p>
  );
}

/** How a crop was bid for: a line a buyer. */
function Bids({
  farm,
  crop,
  buyers,
  bids,
}: {
  farm: Farm;
  crop: CropId;
  buyers: readonly PlaceInfo[];
  bids: readonly LogEntry<'bid'>[];
}) {
  const per = farm.kgPerBu(crop);
  const { timeZone } = farm.data.farm;
  // What was bid for later is another price.
  const sorted = bids
    .map(({ body }) => body)
    .filter(({ at, from }) => from <= calendarDay(Date.parse(at) + DAY_MS, timeZone))
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const named = buyers.filter(({ id }) => sorted.filter(({ buyerId }) => buyerId === id).length > 0);
  // A line needs two points.
  if (!named.some(({ id }) => sorted.filter(({ buyerId }) => buyerId === id).length > 1)) return null;
  const points = sorted.map((bid) => ({ at: Date.parse(bid.at), [bid.buyerId]: price.shown(bidPrice(bid), per) }));
  return (
    <Section label="Bids">
      <ChartFrame
        label={`Bids for ${cropOf(crop)?.short ?? crop} by buyer`}
        heads={['When', 'Buyer', `Bid, ${price.unit}`]}
        rows={() => [...sorted].reverse().map((bid) => [day(bid.at, timeZone), farm.placeName(bid.buyerId), price.figure(bidPrice(bid), per)])} // prettier-ignore
        className="h-56"
      >
        <LineChart data={points} margin={MARGIN} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--rule)" />
          <XAxis
            dataKey="at"
            {...timeAxis(
              points.map(({ at }) => Number(at)),
              (at) => day(at, timeZone),
            )}
          />
          <YAxis width={56} domain={['auto', 'auto']} {...AXIS} tickFormatter={(v: number) => number(v, 2)} />
          {named.map(({ id }, i) => (
            <Line
              key={id}
              dataKey={id}
              connectNulls
              {...seriesLine(i)}
              dot={{ r: 2.5, fill: 'var(--ink)', strokeDasharray: '' }}
              isAnimationActive={false}
            />
          ))}
        </LineChart>
      </ChartFrame>
      <ul className="flex flex-wrap gap-x-5 text-sm" aria-label="Lines of the picture">
        {named.map(({ id, name }, i) => (
          <li key={id} className="flex items-center gap-2">
            <SeriesMark i={i} />
            {name}
          </li>
        ))}
      </ul>
    </Section>
  );
}

/** How long own loads took there, by the hour of the ticket: line and dump together. */
function LineHours({ farm, times, haul, buyerId }: { farm: Farm; times: OwnTimes; haul: HaulTimes; buyerId: string }) {
  const road = haul.roadMin[buyerId];
  if (road === undefined)
    return (
      <p className="text-sm text-muted">
        How long the line is follows from your own loads once the road is known:{' '}
        <Link to="/haul/trucks">type it in Haul</Link>.
      </p>
    );
  const hours = lineByHour(times, haul, road, farm.data.farm.timeZone);
  const most = Math.max(1, ...hours.map(({ minutes }) => minutes));
  const loads = hours.reduce((sum, one) => sum + one.loads, 0);
  return (
    <figure>
      <figcaption className="text-sm text-muted">
        Line and dump by the hour of the ticket, {number(loads)} own loads
      </figcaption>
      <ol
        className="mt-1 flex flex-wrap items-end gap-x-3 gap-y-2"
        aria-label={`Line by the hour at ${farm.placeName(buyerId)}`}
      >
        {hours.map(({ hour, minutes, loads: count }) => (
          <li key={hour} className="w-17 text-center text-sm">
            <b className="block whitespace-nowrap">{spanText(Math.round(minutes))}</b>
            <span className="block bg-clay" style={{ height: Math.max(2, (28 * minutes) / most) }} aria-hidden="true" />
            <span className="block whitespace-nowrap">{hourText(hour)}</span>
            <span className="block text-muted">
              {number(count)} {count === 1 ? 'load' : 'loads'}
            </span>
          </li>
        ))}
      </ol>
    </figure>
  );
}
