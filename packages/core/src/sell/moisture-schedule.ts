import { requireInRange, within } from '../kernel/index.js';
import { MOISTURE, PRICE } from '../units/index.js';
import { type BuyerSchedule, computeTicket, type TicketInput } from './ticket.js';

/** What a buyer does about moisture alone, as his sheet says it. */
export interface MoistureTerms {
  readonly legalPounds: number;
  /** Moisture that he pays in full for, wet-basis fraction. */
  readonly base: number;
  /** Percent of weight for each point above the base. */
  readonly shrinkPerPoint: number;
  /** $ a bushel for each point above the base, by started steps of `dockStep` points (0.5 where nothing is said). */
  readonly dockPerPoint: number;
  /** Percent of the price for each point above the base, by the same steps. */
  readonly dockPercent?: number;
  readonly dockStep?: number;
  readonly refuseAbove: number;
  /** His posted sheet, where there is one: it says more than these and is what he pays by. */
  readonly sheet?: BuyerSchedule;
}

/** The terms as a schedule of {@link TICKET}. */
export function moistureSchedule(terms: MoistureTerms): BuyerSchedule {
  if (terms.sheet !== undefined) return terms.sheet;
  const step = requireInRange('step of the dock', terms.dockStep ?? 0.5, 0.05, 5, 'points');
  const dock = (per: 'bu' | 'percentOfPrice', aPoint: number): BuyerSchedule['factors'][number] => ({
    factor: 'moisture',
    worse: 'above',
    bands: [{ from: 100 * terms.base, per, amount: aPoint * step, step }],
    steps: 'started',
    cumulative: true,
  });
  return {
    legalPounds: requireInRange('legal bushel weight', terms.legalPounds, 1, 200, 'lb/bu'),
    shrink:
      requireInRange('shrink a point', terms.shrinkPerPoint, 0, 5, '%') === 0
        ? { kind: 'none', base: within(MOISTURE, terms.base) }
        : { kind: 'flat', base: within(MOISTURE, terms.base), percentPerPoint: terms.shrinkPerPoint },
    refuseMoistureAbove: within({ ...MOISTURE, name: 'moisture that is refused' }, terms.refuseAbove),
    factors: [
      dock('bu', requireInRange('dock', terms.dockPerPoint, 0, 10, '$/point/bu')),
      ...(terms.dockPercent
        ? [dock('percentOfPrice', requireInRange('dock in percent', terms.dockPercent, 0, 20, '%/point'))]
        : []),
    ],
  };
}

const LOAD_KG = 25_000;

/** What of a load's grade is known, in the units of a ticket; what is left out costs nothing. */
export type KnownGrade = Pick<TicketInput, 'dockage' | 'foreignMaterial' | 'factors'>;

/**
 * What a kg over the buyer's scale brings at a moisture, $; null where he refuses it. Rounded as a ticket of one load is.
 * Range and source: {@link TICKET}.
 */
export function valueOfMoisture(
  terms: MoistureTerms,
  pricePerBu: number,
  grade: KnownGrade = {},
): (moisture: number) => number | null {
  const schedule = moistureSchedule(terms);
  within(PRICE, pricePerBu);
  return (moisture) => {
    const ticket = computeTicket({ ...grade, grossKg: LOAD_KG, tareKg: 0, moisture, price: pricePerBu }, schedule);
    return ticket.refused.length > 0 ? null : ticket.money / LOAD_KG;
  };
}
