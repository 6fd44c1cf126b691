import {
  fitLine,
  type Formula,
  inOrder,
  mean,
  quantity,
  requireInRange,
  standardDeviation,
  tOf95,
  within,
} from '../kernel/index.js';

const WEIGHT = quantity('weight', 0, 200_000, 'kg');
const DAY = 86_400_000;

/** The same grain on several scales. */
export interface GrainWeighed {
  readonly id: string;
  readonly atMs: number;
  readonly weights: readonly {
    readonly method: string;
    /** Whose scale: a cart, the own bridge, a buyer, a combine. */ readonly scale: string;
    readonly kg: number;
  }[];
}

export const SCALE_COMPARISON: Formula = {
  id: 'scale-comparison',
  title: 'Scales side by side',
  equation:
    'difference = own / trusted - 1 of each load; drift = slope of the differences over days; factor = sum trusted / sum own',
  standing: 'common practice',
  source: 'No printed source; the scale with the certificate is the truth',
  inputs: [WEIGHT, quantity('tolerance', 0, 1, 'fraction')],
  note: 'The trusted weight of a load is that of the method first in the farm’s own order. Drift is shown where zero lies outside the slope’s 95 % interval.',
};

/** What a scale is worth against the trusted ones. */
export interface ScaleStanding {
  readonly scale: string;
  readonly method: string;
  readonly loads: number;
  /** All loads together: own over trusted, less one. */
  readonly difference: number;
  /** Standard deviation of the single differences; null with one load. */
  readonly scatter: number | null;
  /** Of the newest five loads. */
  readonly newest: number;
  /** Change of the difference in ten days; null with fewer than five loads. */
  readonly driftIn10Days: number | null;
  readonly driftShown: boolean;
  /** Enough loads (three), and the difference is beyond the tolerance. */
  readonly outOfTolerance: boolean;
  /** Own weights times this are the trusted ones. */
  readonly factor: number;
  readonly pairs: readonly {
    readonly id: string;
    readonly atMs: number;
    readonly ownKg: number;
    readonly trustedKg: number;
    readonly trusted: string;
    readonly difference: number;
  }[];
}

/** Fewer say nothing about a scale; common practice, no source. */
const ENOUGH = 3;

/**
 * Every scale against the most trusted one of each load that has two.
 * Range and source: {@link SCALE_COMPARISON}.
 * @param trust methods, most trusted first: which scale counts is a rule of the farm
 * @param tolerance fraction; 0.005 by default
 * @returns worst first
 */
export function compareScales(
  loads: readonly GrainWeighed[],
  trust: readonly string[],
  tolerance = 0.005,
): ScaleStanding[] {
  requireInRange('tolerance', tolerance, 0, 1, 'fraction');
  const rank = (method: string): number => {
    const at = trust.indexOf(method);
    return at < 0 ? trust.length : at;
  };
  const byScale = new Map<string, { scale: string; method: string; pairs: ScaleStanding['pairs'][number][] }>();
  for (const { id, atMs, weights } of loads) {
    requireInRange('time of a load', atMs, 0, 1e14, 'ms');
    const known = weights.filter(({ kg }) => within(WEIGHT, kg) > 0);
    const [best] = [...known].sort((a, b) => rank(a.method) - rank(b.method));
    for (const own of known) {
      if (!best || own === best) continue;
      const key = `${own.method} ${own.scale}`;
      const entry = byScale.get(key) ?? { scale: own.scale, method: own.method, pairs: [] };
      entry.pairs.push({
        id,
        atMs,
        ownKg: own.kg,
        trustedKg: best.kg,
        trusted: best.scale,
        difference: own.kg / best.kg - 1,
      });
      byScale.set(key, entry);
    }
  }
  return [...byScale.values()]
    .map(({ scale, method, pairs }): ScaleStanding => {
      pairs.sort((a, b) => a.atMs - b.atMs || inOrder(a.id, b.id));
      const sum = (key: 'ownKg' | 'trustedKg'): number => pairs.reduce((total, pair) => total + pair[key], 0);
      const differences = pairs.map((pair) => pair.difference);
      const difference = sum('ownKg') / sum('trustedKg') - 1;
      const spread = pairs.at(-1)!.atMs - pairs[0]!.atMs;
      const line =
        pairs.length >= 5 && spread > 0
          ? fitLine(pairs.map((pair) => ({ x: (pair.atMs - pairs[0]!.atMs) / DAY, y: pair.difference })))
          : null;
      return {
        scale,
        method,
        loads: pairs.length,
        difference,
        scatter: pairs.length >= 2 ? standardDeviation(differences) : null,
        newest: mean(differences.slice(-5)),
        driftIn10Days: line && 10 * line.slope,
        driftShown:
          line !== null && line.slopeError !== null && Math.abs(line.slope) > tOf95(pairs.length - 2) * line.slopeError,
        outOfTolerance: pairs.length >= ENOUGH && Math.abs(difference) > tolerance,
        factor: sum('trustedKg') / sum('ownKg'),
        pairs,
      };
    })
    .sort((a, b) => Math.abs(b.difference) - Math.abs(a.difference));
}
