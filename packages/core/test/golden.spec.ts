import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import * as core from '../src/index.js';
import { CROPS, RangeRefusal } from '../src/index.js';
import { call, CALLS, numbersIn, withAt } from './calls.js';

// What stands fixed until somebody changes it on purpose: limits, constants, and the answers of a working call of every science. They
// say nothing about what is right (the published values do: science.spec.ts); they say that a digit has moved. `vitest -u` rewrites them.

/** Nine digits: the last ones of an exponential are the engine's own. */
const rounded = (_: string, value: unknown): unknown =>
  typeof value === 'number' && Number.isFinite(value)
    ? Number(value.toPrecision(9))
    : value === Infinity
      ? 'Infinity'
      : value instanceof Float64Array
        ? [...value]
        : value;
const LONG = 400;
const text = (value: unknown): string => {
  const made = JSON.stringify(value, rounded) ?? String(value);
  return made.length <= LONG
    ? made
    : `${made.slice(0, 80)}… ${createHash('sha256').update(made).digest('hex').slice(0, 16)}`;
};
const lines = (entries: readonly (readonly [string, string])[]): string =>
  `${entries.map(([name, what]) => `${name}\n  ${what}`).join('\n')}\n`;

/** The refusal of a call with one number replaced; none where it is answered, or refused for something else. */
function refused(
  name: string,
  args: readonly unknown[],
  path: readonly (string | number)[],
  value: number,
): RangeRefusal | null {
  try {
    call(name, withAt(args, path, value) as unknown[]);
    return null;
  } catch (error) {
    return error instanceof RangeRefusal ? error : null;
  }
}

const HEAVY = new Set(['simulateHauling', 'trucksWorthHaving', 'allocate']);

const LIMITS = Object.entries(CALLS).flatMap(([name, args]) =>
  numbersIn(args).flatMap((path) =>
    [-1e15, 1e15].flatMap((far) => {
      const refusal = refused(name, args, path, far);
      // A refusal of another quantity, worked out from this one, has no limit of this number's.
      return refusal && refusal.value === far ? [{ name, args, path, far, refusal }] : [];
    }),
  ),
);

describe('limits', () => {
  it('are those that were written down', async () => {
    const seen = LIMITS.map(({ name, path, refusal }): [string, string] => [
      `${name} ${path.join('.')}`,
      `${refusal.quantity}: ${refusal.least} to ${refusal.most} ${refusal.unit}`,
    ]);
    const unique = new Map(seen.map(([where, limit]) => [`${where} ${limit}`, [where, limit] as const]));
    expect(unique.size).toBeGreaterThan(500);
    await expect(lines([...unique.values()])).toMatchFileSnapshot('golden/limits.txt');
  });

  it('hold to the last part in a million: just outside is refused, the limit itself is not', () => {
    for (const { name, args, path, far, refusal } of LIMITS) {
      const limit = far < 0 ? refusal.least : refusal.most;
      const outside = limit + Math.sign(far) * Math.max(1e-9, Math.abs(limit) * 1e-6);
      const where = `${name} ${path.join('.')}`;
      expect(refused(name, args, path, outside)?.quantity, `${where} = ${outside}`).toBe(refusal.quantity);
      // A simulation at its largest takes minutes, and says nothing of the limit.
      if (HEAVY.has(name)) continue;
      const at = refused(name, args, path, limit);
      // Two quantities may be limited by one figure: the limit itself may be refused for the other.
      if (at)
        expect(
          at.quantity === refusal.quantity &&
            at.value === limit &&
            at.least === refusal.least &&
            at.most === refusal.most,
          `${where} = ${limit} is refused`,
        ).toBe(false);
    }
  }, 240_000);
});

describe('constants', () => {
  it('are those that were written down', async () => {
    const constants = Object.entries(core as Record<string, unknown>).filter(
      ([, value]) => typeof value !== 'function',
    );
    const flat = (name: string, value: unknown): [string, string][] =>
      typeof value === 'object' && value !== null && JSON.stringify(value, rounded).length > LONG
        ? Object.entries(value).flatMap(([key, inner]) => flat(`${name}.${key}`, inner))
        : [[name, text(value)]];
    await expect(
      lines(constants.flatMap(([name, value]) => flat(name, value)).sort(([a], [b]) => (a < b ? -1 : 1))),
    ).toMatchFileSnapshot('golden/constants.txt');
  });
});

/** What it says, or that it refuses. */
function answered(work: () => string): string {
  try {
    return work();
  } catch (error) {
    return `refused: ${error instanceof Error ? error.name : String(error)}`;
  }
}

describe('answers', () => {
  it('of a working call of every science are those that were seen', async () => {
    await expect(
      lines(Object.entries(CALLS).map(([name, args]) => [name, text(call(name, args))])),
    ).toMatchFileSnapshot('golden/answers.txt');
  });

  it('of the tables that no single call shows: the adviser for every symptom, storage life over its range, the crops at their moistures', async () => {
    const present = {
      rotor: 400,
      concave: 25,
      fan: 900,
      chaffer: 16,
      sieve: 10,
      speed: 2,
      reel: 1.3,
      deckPlates: 32,
      headerHeight: 300,
    };
    const advice = core.SYMPTOM_NAMES.flatMap((symptom): [string, string][] => {
      const { next, then } = core.advise({ symptom, present, ranges: {} });
      return [next!, ...then].map((change, i) => [`advise ${symptom} ${i}`, text(change)]);
    });
    const history = [{ hours: 30, moisture: 0.2, temperature: 18 }];
    const keeping = core.CROP_IDS.flatMap((id): [string, string][] =>
      [0.13, 0.16, 0.2, 0.24].flatMap((moisture) =>
        [5, 12, 20, 30].flatMap((temperature): [string, string][] =>
          [[], history].map((been): [string, string] => [
            `safeDaysLeft ${id} ${moisture} ${temperature}${been.length > 0 ? ' after 30 h' : ''}`,
            answered(() => text(core.safeDaysLeft(CROPS[id], { moisture, temperature }, been))),
          ]),
        ),
      ),
    );
    const tried = { machine: 'c', crop: 'corn', variety: 'v', moisture: 0.18, values: { rotor: 400 } };
    const best = [
      { loss: 1, dirt: 2 },
      { loss: null, dirt: 2 },
      { loss: 1.4, dirt: null },
      { loss: null, dirt: null },
    ].map((judged, i) => ({ id: String(i), ...tried, moisture: 0.18 + i / 100, ...judged }));
    const ranked = core.bestSettings(best, { machine: 'c', crop: 'corn', variety: 'w', moisture: 0.19 });
    keeping.push(...ranked.map((one, i): [string, string] => [`bestSettings ${i}`, text(one)]));
    await expect(lines([...advice, ...keeping])).toMatchFileSnapshot('golden/tables.txt');
  });
});
