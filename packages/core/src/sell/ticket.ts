import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { cents, KG_PER_LB, MOISTURE, PRICE, roundDecimal, roundToStep, type Rounding } from '../units/index.js';
import { type ShrinkRule, shrinkBy } from '../grain/index.js';

/** A stretch of a factor that costs money. */
export interface DiscountBand {
  /** In the factor's unit; a band reaches to the next one's start. */
  readonly from: number;
  readonly per: 'bu' | 'cwt' | 'percentOfPrice';
  /** $/bu, $/cwt or % of the price for each step (or once, when flat). */
  readonly amount: number;
  /** Size of a step; left out: the amount is flat for the whole band. */
  readonly step?: number;
}

/** How a buyer docks one factor. */
export interface FactorSchedule {
  readonly factor: string;
  /** Docked above its limit (damage) or below (test weight). */
  readonly worse: 'above' | 'below';
  readonly bands: readonly DiscountBand[];
  /** Parts of a step: in proportion, only whole steps, or each started one. */
  readonly steps: 'proportion' | 'whole' | 'started';
  /** Bands passed on the way count too; otherwise only the band that the value lies in. */
  readonly cumulative: boolean;
  readonly refuseBeyond?: number;
}

/** How a buyer turns a load into money. */
export interface BuyerSchedule {
  readonly legalPounds: number;
  readonly shrink: ShrinkRule;
  /** Moisture is brought to this step first (0.001 = a tenth of a percent); 0: not at all. */
  readonly moistureStep?: number;
  readonly moistureRounding?: Rounding;
  readonly refuseMoistureAbove?: number;
  /** $ a point above base on each wet bushel, for drying. */
  readonly dryingPerPoint?: number;
  /** Points of one step of the drying charge; each started one counts. Left out: in proportion. */
  readonly dryingStep?: number;
  /** Share of the weight taken out first: dockage in whole tenths (below is dropped), and foreign material beyond a free share. */
  readonly dockage?: boolean;
  readonly foreignMaterialFree?: number;
  readonly factors: readonly FactorSchedule[];
  /** $/bu on paid bushels: checkoff, storage and other fees. */
  readonly feePerBu?: number;
  /** Percent of the net market value: what a national checkoff takes. */
  readonly checkoffPercent?: number;
  /** Bushels on which discounts are counted: those that are paid, by default, or all over the scale. */
  readonly discountsOn?: 'paid' | 'gross';
  /** Decimals of bushels on the ticket; 2 by default. */
  readonly bushelDecimals?: number;
}

/** Of a buyer who posts no sheet: the water is taken off by dry matter, and nothing else. @param base wet-basis fraction */
export const waterOnly = (legalPounds: number, base: number): BuyerSchedule => ({
  legalPounds,
  shrink: { kind: 'exact', base },
  factors: [],
});

export interface TicketInput {
  readonly grossKg: number;
  readonly tareKg: number;
  /** wet-basis fraction */
  readonly moisture: number;
  /** fractions of weight */
  readonly dockage?: number;
  readonly foreignMaterial?: number;
  /** By factor name, in the schedule's unit. */
  readonly factors?: Readonly<Record<string, number>>;
  /** $/bu */
  readonly price: number;
}

/** A price for some of a ticket's paid bushels: what of it counts on a contract, and what at the day's. */
export interface PricedPart {
  readonly bushels: number;
  /** $/bu */
  readonly price: number;
}

const GROSS = quantity('gross weight', 0, 200_000, 'kg');

export const TICKET: Formula = {
  id: 'ticket',
  title: 'A buyer’s ticket',
  equation:
    'net = gross - tare; less dockage and foreign material; less moisture shrink; bushels x (price - discounts) - drying - fees',
  standing: 'common practice',
  source: 'Posted schedules of buyers; dockage in whole tenths per 7 CFR 810 (from memory)',
  inputs: [GROSS, MOISTURE, PRICE],
  note: 'Every buyer’s schedule is its own: the figures come from the user.',
};

export interface Ticket {
  readonly netKg: number;
  readonly cleanKg: number;
  readonly paidKg: number;
  readonly moistureUsed: number;
  readonly wetBushels: number;
  readonly paidBushels: number;
  /** $/bu off, by factor; only those that cost something. */
  readonly discounts: readonly { readonly factor: string; readonly perBu: number }[];
  readonly pricePaid: number;
  /** $ of the paid bushels at their price, before anything is taken off. */
  readonly value: number;
  /** $ that all discounts take. */
  readonly docked: number;
  readonly drying: number;
  readonly fees: number;
  readonly checkoff: number;
  readonly money: number;
  /** Factors beyond what the buyer takes. */
  readonly refused: readonly string[];
}

/**
 * $/bu that a factor costs.
 * Range and source: {@link TICKET}.
 * @param price $/bu, for discounts in percent of it
 */
export function factorDiscount(schedule: FactorSchedule, value: number, price: number, legalPounds: number): number {
  requireInRange(schedule.factor, value, 0, 200, '');
  const sign = schedule.worse === 'above' ? 1 : -1;
  const bands = [...schedule.bands].sort((a, b) => sign * (a.from - b.from));
  let perBu = 0;
  bands.forEach((band, i) => {
    const into = sign * (value - band.from);
    if (into <= 1e-9) return;
    const next = bands[i + 1];
    const width = next ? sign * (next.from - band.from) : Infinity;
    const passed = into > width + 1e-9;
    if (passed && !schedule.cumulative) return;
    const depth = Math.min(into, width);
    const steps = band.step === undefined ? 1 : depth / requireInRange('step of a discount', band.step, 1e-6, 100, '');
    const counted =
      band.step === undefined || schedule.steps === 'proportion'
        ? steps
        : schedule.steps === 'whole'
          ? Math.floor(steps + 1e-9)
          : Math.ceil(steps - 1e-9);
    const amount = requireInRange('discount', band.amount, 0, 100, '');
    perBu +=
      counted *
      (band.per === 'bu' ? amount : band.per === 'cwt' ? (amount * legalPounds) / 100 : (amount / 100) * price);
  });
  return perBu;
}

/** Bushels of a weight as a ticket prints them. @param decimals of bushels on the ticket */
function printedBushels(kg: number, legalPounds: number, decimals = 2): number {
  requireInRange('decimals of bushels', decimals, 0, 6, '');
  return roundDecimal(kg / (requireInRange('legal bushel weight', legalPounds, 1, 200, 'lb/bu') * KG_PER_LB), decimals);
}

const paidWeight = (cleanKg: number, moisture: number, shrink: ShrinkRule): number =>
  cleanKg * (1 - shrinkBy(shrink, moisture));

/**
 * Bushels that are paid for: the weight less the shrink. Every dollar of a sale, here and in {@link computeTicket}, is these at a price.
 * Range and source: {@link TICKET}.
 * @param cleanKg kg after dockage @param moisture wet-basis fraction @param decimals of bushels on the ticket
 */
export function paidBushels(
  cleanKg: number,
  moisture: number,
  shrink: ShrinkRule,
  legalPounds: number,
  decimals?: number,
): number {
  return printedBushels(paidWeight(cleanKg, moisture, shrink), legalPounds, decimals);
}

/** $ of paid bushels at what is paid for one, to the cent. */
export const moneyFor = (bushels: number, pricePaid: number): number => cents(bushels * pricePaid);

/** A schedule is typed from a posted sheet: every figure of it is checked, also those that this load does not touch. */
function checkSchedule(schedule: BuyerSchedule): void {
  if (schedule.refuseMoistureAbove !== undefined)
    within({ ...MOISTURE, name: 'moisture that is refused' }, schedule.refuseMoistureAbove);
  requireInRange('free foreign material', schedule.foreignMaterialFree ?? 0, 0, 1, 'fraction');
  for (const { factor, refuseBeyond, bands } of schedule.factors) {
    if (refuseBeyond !== undefined) requireInRange(`${factor} that is refused`, refuseBeyond, 0, 200, '');
    for (const band of bands) {
      requireInRange(`start of a discount on ${factor}`, band.from, 0, 200, '');
      requireInRange(`discount on ${factor}`, band.amount, 0, 100, '');
      if (band.step !== undefined) requireInRange(`step of a discount on ${factor}`, band.step, 1e-6, 100, '');
    }
  }
}

/**
 * What a load comes to by a buyer's schedule, line by line.
 * @param parts of the paid bushels at their own prices, where a contract ends within the load; `price` is then their mean
 * Range and source: {@link TICKET}.
 * @throws RangeRefusal when gross is below tare or a figure cannot be
 */
export function computeTicket(input: TicketInput, schedule: BuyerSchedule, parts?: readonly PricedPart[]): Ticket {
  checkSchedule(schedule);
  within(GROSS, input.grossKg);
  requireInRange('tare weight', input.tareKg, 0, input.grossKg, 'kg');
  within(MOISTURE, input.moisture);
  within(PRICE, input.price);
  const step = requireInRange('step of the moisture', schedule.moistureStep ?? 0, 0, 0.05, 'wb fraction');
  const moistureUsed = step > 0 ? roundToStep(input.moisture, step, schedule.moistureRounding) : input.moisture;
  const netKg = input.grossKg - input.tareKg;
  const dockage = schedule.dockage
    ? roundDecimal(100 * requireInRange('dockage', input.dockage ?? 0, 0, 1, 'fraction'), 1, 'down') / 100
    : 0;
  const foreign =
    schedule.foreignMaterialFree === undefined
      ? 0
      : Math.max(
          0,
          requireInRange('foreign material', input.foreignMaterial ?? 0, 0, 1, 'fraction') -
            schedule.foreignMaterialFree,
        );
  const cleanKg = netKg * (1 - dockage) * (1 - foreign);
  const paidKg = paidWeight(cleanKg, moistureUsed, schedule.shrink);
  const paid = printedBushels(paidKg, schedule.legalPounds, schedule.bushelDecimals);
  const wetBushels = printedBushels(netKg, schedule.legalPounds, schedule.bushelDecimals);
  const refused: string[] = [];
  if (schedule.refuseMoistureAbove !== undefined && moistureUsed > schedule.refuseMoistureAbove)
    refused.push('moisture');
  const discounts = schedule.factors.flatMap((factor) => {
    // Its own moisture is what the ticket counts with, rounded as the buyer rounds it.
    const value = factor.factor === 'moisture' ? roundDecimal(100 * moistureUsed, 9) : input.factors?.[factor.factor];
    if (value === undefined) return [];
    if (
      factor.refuseBeyond !== undefined &&
      (factor.worse === 'above' ? value > factor.refuseBeyond : value < factor.refuseBeyond)
    )
      refused.push(factor.factor);
    const perBu = factorDiscount(factor, value, input.price, schedule.legalPounds);
    return perBu > 0 ? [{ factor: factor.factor, perBu }] : [];
  });
  const perBu = discounts.reduce((sum, discount) => sum + discount.perBu, 0);
  const pricePaid = Math.max(0, input.price - perBu);
  const points = Math.max(0, 100 * (moistureUsed - schedule.shrink.base));
  const dryingStep = requireInRange('step of the drying charge', schedule.dryingStep ?? 0, 0, 5, 'points');
  const charged = dryingStep > 0 ? dryingStep * Math.ceil(points / dryingStep - 1e-9) : points;
  const drying = cents(
    charged * requireInRange('drying charge', schedule.dryingPerPoint ?? 0, 0, 10, '$/point/bu') * wetBushels,
  );
  const fees = moneyFor(paid, requireInRange('fee', schedule.feePerBu ?? 0, 0, 10, '$/bu'));
  // A contract's end may lie within the load: each part at its own price, to the cent, as a settlement prints it.
  const value =
    parts === undefined
      ? moneyFor(paid, input.price)
      : cents(parts.reduce((sum, part) => sum + moneyFor(part.bushels, within(PRICE, part.price)), 0));
  const docked =
    schedule.discountsOn === 'gross'
      ? Math.min(value, cents(discounts.reduce((sum, one) => sum + moneyFor(wetBushels, one.perBu), 0)))
      : parts === undefined
        ? cents(value - moneyFor(paid, pricePaid))
        : Math.min(value, moneyFor(paid, perBu));
  const percent = requireInRange('checkoff', schedule.checkoffPercent ?? 0, 0, 5, '%');
  const checkoff = cents((percent / 100) * (value - docked));
  return {
    netKg,
    cleanKg,
    paidKg,
    moistureUsed,
    wetBushels,
    paidBushels: paid,
    discounts,
    pricePaid,
    value,
    docked,
    drying,
    fees,
    checkoff,
    money: cents(value - docked - drying - fees - checkoff),
    refused,
  };
}

/** What stands on the paper; what was not printed is left out. */
export interface PrintedTicket {
  readonly netKg?: number;
  readonly moisture?: number;
  readonly paidBushels?: number;
  readonly pricePaid?: number;
  readonly drying?: number;
  readonly money?: number;
}

export type TicketLine = keyof PrintedTicket;

export interface TicketAudit {
  readonly agrees: boolean;
  /** Lines that differ by more than the tolerance, in the order of the ticket; the first is where to look. */
  readonly differences: readonly {
    readonly line: TicketLine;
    readonly printed: number;
    readonly computed: number;
    readonly money: number;
  }[];
  /** $ that the farm is short (positive) or was overpaid (negative); null when no money is printed. */
  readonly shortMoney: number | null;
}

/** Differences that rounding explains: 5 kg on the scale, 0.0005 of moisture, 0.05 bu, a tenth of a cent, 5 cents. */
const LINE_TOLERANCE: Readonly<Record<TicketLine, number>> = {
  netKg: 5,
  moisture: 0.00051,
  paidBushels: 0.05,
  pricePaid: 0.001,
  drying: 0.05,
  money: 0.05,
};

/**
 * A printed ticket against the farm's own arithmetic by the buyer's posted schedule.
 * Range and source: {@link TICKET}.
 */
export function auditTicket(
  printed: PrintedTicket,
  input: TicketInput,
  schedule: BuyerSchedule,
  tolerance: Partial<Record<TicketLine, number>> = {},
): TicketAudit {
  const own = computeTicket(input, schedule);
  const value: Readonly<Record<TicketLine, number>> = {
    netKg: own.netKg,
    moisture: own.moistureUsed,
    paidBushels: own.paidBushels,
    pricePaid: own.pricePaid,
    drying: own.drying,
    money: own.money,
  };
  /** What a difference of a line is worth by itself. */
  const worth: Readonly<Record<TicketLine, number>> = {
    netKg: own.netKg > 0 ? (own.paidBushels / own.netKg) * own.pricePaid : 0,
    moisture: 0,
    paidBushels: own.pricePaid,
    pricePaid: own.paidBushels,
    drying: -1,
    money: 1,
  };
  const lines = Object.keys(LINE_TOLERANCE) as TicketLine[];
  const differences = lines.flatMap((line) => {
    const paper = printed[line];
    if (paper === undefined) return [];
    requireInRange(`${line} on the ticket`, paper, -1e9, 1e9, '');
    const gap = value[line] - paper;
    if (Math.abs(gap) <= (tolerance[line] ?? LINE_TOLERANCE[line]) + 1e-9) return [];
    return [
      {
        line,
        printed: paper,
        computed: value[line],
        money:
          line === 'moisture'
            ? computeTicket({ ...input, moisture: Math.min(MOISTURE.most, input.moisture) }, schedule).money -
              computeTicket({ ...input, moisture: within(MOISTURE, paper) }, schedule).money
            : gap * worth[line],
      },
    ];
  });
  return {
    agrees: differences.length === 0,
    differences,
    shortMoney: printed.money === undefined ? null : cents(own.money - printed.money),
  };
}
