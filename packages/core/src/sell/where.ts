import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { MASS, MOISTURE, PRICE } from '../units/index.js';
import { type MoistureTerms, valueOfMoisture } from './moisture-schedule.js';

const MINUTES = quantity('minutes', 0, 1440, 'min');
const COST = quantity('truck with its driver', 0, 2000, '$/h');

export const WHERE_MOST: Formula = {
  id: 'where-most',
  title: 'Where a load brings most',
  standing: 'common practice',
  source: 'Arithmetic',
  equation:
    'net = paid by the buyer’s own terms - hours × cost of the truck; hours = 2 × road + loading + tarp + line + dumping',
  inputs: [MASS, MOISTURE, PRICE, MINUTES, COST],
  note: 'The highest bid is the worst where its dock and its road take more than it is ahead. Test weight, damage and foreign material are left out: they cost the same share at most buyers, and are on the ticket.',
};

export interface BuyerAhead {
  readonly id: string;
  readonly terms: MoistureTerms;
  /** $/bu at the base that this load is paid: on a contract, or at the day's */
  readonly price: number;
  /** $/bu that he bids today; left out: that is the price */
  readonly bid?: number;
  /** one way; null where nobody knows the road */
  readonly roadMin: number | null;
  readonly lineMin: number;
}

export interface WhereRow {
  readonly id: string;
  /** $/bu that it is paid at, and what he bids today */
  readonly price: number;
  readonly bid: number;
  /** Wetter than he takes. */
  readonly refused: boolean;
  /** $ of the load by his terms */
  readonly paid: number;
  /** h of the truck */
  readonly hours: number;
  /** $ of the truck */
  readonly road: number;
  /** $ in hand; null where he refuses it */
  readonly net: number | null;
  readonly perWetBushel: number | null;
  readonly perHour: number | null;
  readonly highestBid: boolean;
  /** The road is not known: no cost of it is taken off. */
  readonly roadUnknown: boolean;
}

export interface Where {
  /** Best first, refused last. */
  readonly rows: readonly WhereRow[];
  /** $ that the best is ahead of the next; null without a next. */
  readonly ahead: number | null;
  /** $/bu that the next would have to bid more to be even; null without a next. */
  readonly turnsAt: number | null;
  /** The best bid less than another that takes the load. */
  readonly notTheHighestBid: boolean;
}

/**
 * All buyers for a load as it is now, by what is in hand after their own terms and the road both ways.
 * Range and source: {@link WHERE_MOST}.
 * @param moisture wet-basis fraction @param loadKg kg on the truck @param kgPerBu legal bushel
 */
export function whereItBringsMost(input: {
  readonly moisture: number;
  readonly loadKg: number;
  readonly kgPerBu: number;
  readonly buyers: readonly BuyerAhead[];
  readonly times: { readonly loadMin: number; readonly tarpMin: number; readonly unloadMin: number };
  readonly truckCostPerHour: number;
}): Where {
  const { times, buyers } = input;
  const moisture = within(MOISTURE, input.moisture);
  const loadKg = within(MASS, input.loadKg);
  requireInRange('bushel weight', input.kgPerBu, 0.5, 100, 'kg');
  const cost = within(COST, input.truckCostPerHour);
  const minutes = (value: number): number => within(MINUTES, value);
  const bidOf = ({ bid, price }: BuyerAhead): number => within(PRICE, bid ?? price);
  const most = Math.max(...buyers.map(bidOf));
  const wetBushels = loadKg / input.kgPerBu;
  const rows = buyers.map((buyer): WhereRow => {
    const { id, terms, price, roadMin, lineMin } = buyer;
    const aKg = valueOfMoisture(terms, price)(moisture);
    const hours = (2 * minutes(roadMin ?? 0) + minutes(lineMin) + minutes(times.loadMin) + minutes(times.tarpMin) + minutes(times.unloadMin)) / 60; // prettier-ignore
    const road = hours * cost;
    const paid = (aKg ?? 0) * loadKg;
    const net = aKg === null ? null : paid - road;
    return {
      id,
      price,
      bid: bidOf(buyer),
      refused: aKg === null,
      paid,
      hours,
      road,
      net,
      perWetBushel: net === null || wetBushels === 0 ? null : net / wetBushels,
      perHour: net === null || hours === 0 ? null : net / hours,
      highestBid: bidOf(buyer) === most,
      roadUnknown: roadMin === null,
    };
  });
  rows.sort((a, b) => Number(a.refused) - Number(b.refused) || (b.net ?? 0) - (a.net ?? 0));
  const [best, next] = rows.filter(({ refused }) => !refused);
  const ahead = best && next ? best.net! - next.net! : null;
  // What the next is paid for: a dollar more of its price is so many dollars of the load.
  const nextTerms = buyers.find(({ id }) => id === next?.id)?.terms;
  const perDollar =
    next === undefined || nextTerms === undefined
      ? 0
      : valueOfMoisture(nextTerms, next.price + 1)(moisture)! * loadKg - next.paid;
  return {
    rows,
    ahead,
    turnsAt: ahead === null || perDollar <= 0 ? null : ahead / perDollar,
    notTheHighestBid: best !== undefined && rows.some(({ refused, bid }) => !refused && bid > best.bid + 1e-9),
  };
}
