import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { KG_PER_LB, kilogramsPerBushel, type WetBushels } from '../units/index.js';

const WEIGHT = quantity('weight', 0, 200_000, 'kg');

/** A weight taken whole or axle by axle. */
export type Weighing =
  { readonly kind: 'whole'; readonly kg: number } | { readonly kind: 'axles'; readonly kg: readonly number[] };

/** Sum of a weighing. Axle by axle is an estimate: 1 to 2 % with level approaches, and not legal for trade (NIST Handbook 44, 2.20, from memory). */
export function weighed(weighing: Weighing): { kg: number; estimate: boolean } {
  if (weighing.kind === 'whole') return { kg: within(WEIGHT, weighing.kg), estimate: false };
  requireInRange('axles weighed', weighing.kg.length, 1, 20, '');
  return { kg: weighing.kg.reduce((sum, axle) => sum + within(WEIGHT, axle), 0), estimate: true };
}

/** Empty weight of one combination of tractor and trailer, as it was weighed. */
export interface Tare {
  readonly weighing: Weighing;
  /** Days since. */
  readonly ageDays: number;
}

export interface NetWeight {
  readonly grossKg: number;
  readonly tareKg: number;
  readonly netKg: number;
  readonly netBushels: WetBushels;
  /** By axle, where both were weighed by axle. */
  readonly axlesNet: readonly number[] | null;
  readonly estimate: boolean;
  /** What speaks against the tare: it is old, or an axle is lighter loaded than empty. */
  readonly doubts: readonly ('tare is old' | 'axle lighter than empty' | 'axles do not match the tare')[];
}

/**
 * Gross less tare. @param oldAfterDays a tare counts as old, 30 by default
 * @throws RangeRefusal when the gross is below the tare: that is another vehicle
 */
export function netWeight(gross: Weighing, tare: Tare, legalPounds: number, oldAfterDays = 30): NetWeight {
  const [g, t] = [weighed(gross), weighed(tare.weighing)];
  requireInRange('gross weight', g.kg, t.kg, WEIGHT.most, 'kg');
  const doubts: NetWeight['doubts'][number][] = [];
  if (
    requireInRange('age of the tare', tare.ageDays, 0, 10_000, 'days') >
    requireInRange('days after which a tare is old', oldAfterDays, 0, 10_000, 'days')
  )
    doubts.push('tare is old');
  let axlesNet: number[] | null = null;
  if (gross.kind === 'axles' && tare.weighing.kind === 'axles') {
    const empty = tare.weighing.kg;
    if (empty.length !== gross.kg.length) doubts.push('axles do not match the tare');
    else {
      axlesNet = gross.kg.map((kg, i) => kg - empty[i]!);
      // A steer axle can lift a little; more than 2 % lighter is another axle.
      if (axlesNet.some((kg, i) => kg < -0.02 * empty[i]!)) doubts.push('axle lighter than empty');
    }
  }
  const netKg = g.kg - t.kg;
  return {
    grossKg: g.kg,
    tareKg: t.kg,
    netKg,
    netBushels: (netKg / kilogramsPerBushel(legalPounds)) as WetBushels,
    axlesNet,
    estimate: g.estimate || t.estimate,
    doubts,
  };
}

/** Does a new empty weight fit this combination's own history? Without two weighings there is nothing to say. @param tolerance fraction, 0.01 by default */
export function emptyWeightFits(
  newKg: number,
  history: readonly number[],
  tolerance = 0.01,
): { fits: boolean | null; usualKg: number | null; drift: number | null } {
  within(WEIGHT, newKg);
  requireInRange('tolerance of a tare', tolerance, 0, 1, 'fraction');
  if (history.length < 2) return { fits: null, usualKg: history[0] ?? null, drift: null };
  const sorted = [...history].map((kg) => requireInRange('tare', kg, 1, WEIGHT.most, 'kg')).sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  const usualKg = sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
  const drift = newKg / usualKg - 1;
  return { fits: Math.abs(drift) <= tolerance, usualKg, drift };
}

/** Loads still standing in a field. @param loadKg what a truck takes @returns whole loads and what the last one holds */
export function loadsLeft(input: {
  readonly areaLeft: number;
  readonly yieldKgPerHa: number;
  readonly alreadyHeldKg?: number;
  readonly loadKg: number;
}): {
  kg: number;
  loads: number;
  lastLoadKg: number;
} {
  const kg =
    requireInRange('area left', input.areaLeft, 0, 1e5, 'ha') *
      requireInRange('yield', input.yieldKgPerHa, 0, 40_000, 'kg/ha') +
    requireInRange('grain on wheels', input.alreadyHeldKg ?? 0, 0, 1e7, 'kg');
  const loadKg = requireInRange('load', input.loadKg, 1, 100_000, 'kg');
  const loads = Math.ceil(kg / loadKg - 1e-9);
  return { kg, loads, lastLoadKg: loads === 0 ? 0 : kg - (loads - 1) * loadKg };
}

export const FIELD_WEIGHTS: Formula = {
  id: 'field-weights',
  title: 'Display, cart and tickets of one field',
  equation:
    'factor = cart / display; missing ticket = its cart weight x sum(tickets)/sum(cart) of the loads that have both',
  standing: 'common practice',
  source: 'No printed source; the scale with the certificate is the truth',
  inputs: [WEIGHT],
};

export interface FieldWeights {
  readonly cartKg: number;
  readonly cartBushels: WetBushels;
  /** A display's bushels times this are the cart's. */
  readonly factor: number | null;
  /** Tickets against the cart, on loads that have both; fraction. */
  readonly difference: number | null;
  readonly agrees: boolean | null;
  /** Loads without a ticket: what one would likely say, and the money that hangs on it. */
  readonly missing: readonly {
    readonly load: string;
    readonly expectedKg: number;
    readonly bushels: number;
    readonly money: number;
  }[];
  readonly totalKg: number;
  /** "7 tickets + 1 cart": what the total is made of. */
  readonly label: string;
  /** Loads with a ticket and no cart weight: they count by ticket. */
  readonly onlyTicket: number;
}

/**
 * Display, cart and tickets of one field side by side. A load without a ticket is expected at its cart weight times what tickets and
 * cart agreed on elsewhere; it is listed with its money so that somebody asks for it.
 * Range and source: {@link FIELD_WEIGHTS}.
 * @param displayBu bushels that the monitor showed @param tolerance of tickets against cart, fraction; 0.005 by default
 * @example eight loads of 371,840 lb on the cart, seven tickets of 318,020: 0.27 % under, load 5 expected at 52,817 lb
 */
export function fieldWeights(input: {
  readonly loads: readonly { readonly id: string; readonly cartKg?: number; readonly ticketKg?: number }[];
  readonly displayBu?: number;
  readonly legalPounds: number;
  readonly pricePerBu: number;
  readonly tolerance?: number;
}): FieldWeights {
  requireInRange('number of loads', input.loads.length, 1, 10_000, '');
  requireInRange('price', input.pricePerBu, 0, 1000, '$/bu');
  const kgPerBu = kilogramsPerBushel(input.legalPounds);
  let [cartKg, bothCart, bothTicket, tickets, carts, onlyTicket, ticketKg] = [0, 0, 0, 0, 0, 0, 0];
  for (const load of input.loads) {
    if (load.cartKg === undefined && load.ticketKg === undefined)
      requireInRange(`weights of load ${load.id}`, 0, 1, 2, '');
    cartKg += within(WEIGHT, load.cartKg ?? 0);
    if (load.ticketKg !== undefined) {
      tickets++;
      ticketKg += within(WEIGHT, load.ticketKg);
      if (load.cartKg === undefined) onlyTicket++;
      else {
        bothCart += load.cartKg;
        bothTicket += load.ticketKg;
      }
    } else carts++;
  }
  const ratio = bothCart > 0 ? bothTicket / bothCart : 1;
  const missing = input.loads.flatMap(({ id, cartKg: cart, ticketKg: ticket }) => {
    if (ticket !== undefined || cart === undefined) return [];
    const expectedKg = cart * ratio;
    return [{ load: id, expectedKg, bushels: expectedKg / kgPerBu, money: (expectedKg / kgPerBu) * input.pricePerBu }];
  });
  const difference = bothCart > 0 ? ratio - 1 : null;
  const cartBushels = (cartKg / kgPerBu) as WetBushels;
  const parts = [
    tickets > 0 ? `${tickets} ticket${tickets === 1 ? '' : 's'}` : '',
    carts > 0 ? `${carts} cart` : '',
  ].filter(Boolean);
  return {
    cartKg,
    cartBushels,
    factor:
      input.displayBu !== undefined &&
      requireInRange('bushels on the display', input.displayBu, 0, 1e8, 'bu') > 0 &&
      cartKg > 0
        ? cartBushels / input.displayBu
        : null,
    difference,
    agrees:
      difference === null
        ? null
        : Math.abs(difference) <= requireInRange('tolerance', input.tolerance ?? 0.005, 0, 1, 'fraction'),
    missing,
    totalKg:
      ticketKg + input.loads.reduce((sum, load) => sum + (load.ticketKg === undefined ? (load.cartKg ?? 0) : 0), 0),
    label: parts.join(' + '),
    onlyTicket,
  };
}

/** lb of a weight that is a whole number of pounds on a ticket. */
export function wholePounds(kg: number): number {
  return Math.round(within(WEIGHT, kg) / KG_PER_LB);
}
