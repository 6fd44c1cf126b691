import { requireInRange } from '../kernel/index.js';
import type { Cause } from '../records/index.js';

export const CAUSES = {
  wear: 'worn out',
  foreign: 'stone, wire, post',
  plug: 'plugged',
  electric: 'wires and sensors',
  hydraulic: 'hydraulics',
  engine: 'engine',
  operator: 'set or driven wrong',
  other: 'other',
} as const satisfies Record<Cause, string>;

export interface Breakdown {
  readonly machineId: string;
  readonly cause: Cause;
  /** $ for parts and hands. */
  readonly cost: number;
  /** Hours of work lost: nights and Sundays do not count, so it is said and not derived. */
  readonly hoursLost: number;
  readonly acresLost: number;
  /** Name of the spare that was not on the shelf; '' when none was wanted. */
  readonly missingSpare: string;
}

export interface BreakdownSum {
  readonly times: number;
  readonly cost: number;
  readonly hoursLost: number;
  readonly acresLost: number;
}

export interface BreakdownSummary {
  readonly all: BreakdownSum;
  readonly byMachine: Readonly<Record<string, BreakdownSum>>;
  readonly byCause: Readonly<Record<string, BreakdownSum>>;
  /** Spares that were missing, by the hours they cost, most first. */
  readonly missingSpares: readonly (BreakdownSum & { readonly name: string })[];
}

/** What breakdowns cost in a season, by machine, by cause, and by the spare that was missing. The parts sum to the whole. */
export function breakdownSummary(breakdowns: readonly Breakdown[]): BreakdownSummary {
  const zero: BreakdownSum = { times: 0, cost: 0, hoursLost: 0, acresLost: 0 };
  const add = (sum: BreakdownSum, b: Breakdown): BreakdownSum => ({
    times: sum.times + 1,
    cost: sum.cost + requireInRange('cost of a breakdown', b.cost, 0, 1e7, '$'),
    hoursLost: sum.hoursLost + requireInRange('hours lost', b.hoursLost, 0, 10_000, 'h'),
    acresLost: sum.acresLost + requireInRange('acres lost', b.acresLost, 0, 1e6, 'ac'),
  });
  const by = (key: (b: Breakdown) => string): Record<string, BreakdownSum> => {
    const groups: Record<string, BreakdownSum> = {};
    for (const b of breakdowns) if (key(b) !== '') groups[key(b)] = add(groups[key(b)] ?? zero, b);
    return groups;
  };
  return {
    all: breakdowns.reduce(add, zero),
    byMachine: by((b) => b.machineId),
    byCause: by((b) => b.cause),
    missingSpares: Object.entries(by((b) => b.missingSpare.trim().toLowerCase()))
      .map(([name, sum]) => ({ name, ...sum }))
      .sort((a, b) => b.hoursLost - a.hoursLost || b.cost - a.cost),
  };
}
