import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { MASS, MOISTURE, PRICE } from '../units/index.js';
import { type KnownGrade, type MoistureTerms, valueOfMoisture } from './moisture-schedule.js';

const MINUTES = quantity('minutes', 0, 1440, 'min');
const COST = quantity('truck with its driver', 0, 2000, '$/h');

export const WHERE_MOST: Formula = {
  id: 'where-most',
  title: 'Where a load brings most',
  standing: 'common practice',
  source: 'Arithmetic',
  equation:
    'net = paid by the buyer’s own terms - hours × cost of the truck - 2 × way × running cost; hours = 2 × road + loading + tarp + line + dumping',
  inputs: [MASS, MOISTURE, PRICE, MINUTES, COST],
  note: 'The highest bid is the worst where its dock and its road take more than it is ahead. Test weight, damage and foreign material count where they are typed, by each buyer’s posted sheet; a buyer without one is counted without them.',
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
  /** one way; left out: nobody said it */
  readonly km?: number | null;
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
  /** $ of the truck: its hours, and its kilometers both ways */
  readonly road: number;
  /** $ of its kilometers alone */
  readonly running: number;
  /** $ in hand; null where he refuses it */
  readonly net: number | null;
  readonly perWetBushel: number | null;
  readonly perHour: number | null;
  /** null where the field's yield is not known */
  readonly perAcre: number | null;
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
  /** What else is known of it; counts where a buyer's sheet docks it. */
  readonly grade?: KnownGrade;
  /** Dry bushels an acre of its field, and those of the load, for what an acre brings. */
  readonly acre?: { readonly yield: number; readonly bushels: number };
  readonly buyers: readonly BuyerAhead[];
  readonly times: { readonly loadMin: number; readonly tarpMin: number; readonly unloadMin: number };
  readonly truckCostPerHour: number;
  /** fuel, tires and wear; left out: they are in the hour */
  readonly truckCostPerKm?: number;
}): Where {
  const { times, buyers } = input;
  const moisture = within(MOISTURE, input.moisture);
  const loadKg = within(MASS, input.loadKg);
  requireInRange('bushel weight', input.kgPerBu, 0.5, 100, 'kg');
  const cost = within(COST, input.truckCostPerHour);
  const perKm = requireInRange('running cost', input.truckCostPerKm ?? 0, 0, 50, '$/km');
  const minutes = (value: number): number => within(MINUTES, value);
  const bidOf = ({ bid, price }: BuyerAhead): number => within(PRICE, bid ?? price);
  const most = Math.max(...buyers.map(bidOf));
  const wetBushels = loadKg / input.kgPerBu;
  const { acre, grade = {} } = input;
  for (const [name, value] of Object.entries({
    ...grade.factors,
    ...(grade.dockage === undefined ? {} : { dockage: grade.dockage }),
    'foreign material, as a share': grade.foreignMaterial ?? 0,
  }))
    requireInRange(name, value, 0, 200, '');
  const acres =
    acre === undefined
      ? null
      : requireInRange('bushels of the load', acre.bushels, 1e-6, 1e6, 'bu') /
        requireInRange('bushels an acre', acre.yield, 0.1, 2000, 'bu/ac');
  const rows = buyers.map((buyer): WhereRow => {
    const { id, terms, price, roadMin, lineMin, km } = buyer;
    const aKg = valueOfMoisture(terms, price, input.grade)(moisture);
    const hours = (2 * minutes(roadMin ?? 0) + minutes(lineMin) + minutes(times.loadMin) + minutes(times.tarpMin) + minutes(times.unloadMin)) / 60; // prettier-ignore
    const running = 2 * requireInRange('way', km ?? 0, 0, 1000, 'km') * perKm;
    const road = hours * cost + running;
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
      running,
      net,
      perWetBushel: net === null || wetBushels === 0 ? null : net / wetBushels,
      perAcre: net === null || acres === null ? null : net / acres,
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
      : valueOfMoisture(nextTerms, next.price + 1, input.grade)(moisture)! * loadKg - next.paid;
  return {
    rows,
    ahead,
    turnsAt: ahead === null || perDollar <= 0 ? null : ahead / perDollar,
    notTheHighestBid: best !== undefined && rows.some(({ refused, bid }) => !refused && bid > best.bid + 1e-9),
  };
}
