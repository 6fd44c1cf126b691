import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';

const RATE = quantity('rate', 0, 1e6, 'kg/h');
const LOSS = quantity('loss of the machine', 0, 5000, 'kg/ha');

export const LOSS_BY_RATE: Formula = {
  id: 'loss-by-rate',
  title: 'The fastest rate at which the loss is still accepted',
  equation:
    'counts in order of rate, averaged where a faster one shows less (pool adjacent violators); straight between them, to the accepted loss',
  standing: 'computed',
  source: 'Isotonic regression, any statistics handbook; that loss rises with rate is common practice, no source',
  inputs: [RATE, LOSS],
  note: 'Nothing is read beyond the slowest and the fastest count. Settings changed too between the counts: a hint, no proof.',
};

/** A loss count of a machine, and the rate at which it was driving. */
export interface CountedAtRate {
  /** kg/h while cutting */
  readonly rate: number;
  /** of the machine alone, kg/ha */
  readonly loss: number;
}

export interface LossByRate {
  /** The counts smoothed: by rising rate, never falling loss. */
  readonly course: readonly CountedAtRate[];
  /** Fastest rate at which the loss is accepted, kg/h. Null where every count, even the slowest, is above it. */
  readonly most: number | null;
  /** The fastest count is still accepted: beyond it nobody counted. */
  readonly uncountedBeyond: boolean;
}

/**
 * How a machine's loss goes with its rate, and where it passes what is accepted. Null without a count.
 * Range and source: {@link LOSS_BY_RATE}.
 * @param accepted kg/ha
 */
export function lossByRate(counts: readonly CountedAtRate[], accepted: number): LossByRate | null {
  requireInRange('number of counts', counts.length, 0, 100_000, '');
  within({ ...LOSS, name: 'accepted loss' }, accepted);
  if (counts.length === 0) return null;
  const pools: { rates: number[]; loss: number }[] = [];
  for (const { rate, loss } of [...counts].sort((a, b) => a.rate - b.rate || a.loss - b.loss)) {
    within(RATE, rate);
    within(LOSS, loss);
    let pool = { rates: [rate], loss };
    for (let last = pools.at(-1); last && last.loss >= pool.loss; last = pools.at(-1)) {
      const n = last.rates.length + pool.rates.length;
      pool = {
        rates: [...last.rates, ...pool.rates],
        loss: (last.loss * last.rates.length + pool.loss * pool.rates.length) / n,
      };
      pools.pop();
    }
    pools.push(pool);
  }
  const course = pools.flatMap(({ rates, loss }) => [...new Set(rates)].map((rate) => ({ rate, loss })));
  const over = course.findIndex(({ loss }) => loss > accepted);
  if (over === -1) return { course, most: course.at(-1)!.rate, uncountedBeyond: true };
  if (over === 0) return { course, most: null, uncountedBeyond: false };
  const [below, above] = [course[over - 1]!, course[over]!];
  const most = below.rate + ((above.rate - below.rate) * (accepted - below.loss)) / (above.loss - below.loss);
  return { course, most, uncountedBeyond: false };
}

/**
 * Loss at a rate by the course of the counts, kg/ha; null outside of the rates that were counted.
 * Range and source: {@link LOSS_BY_RATE}.
 */
export function lossAtRate({ course }: Pick<LossByRate, 'course'>, rate: number): number | null {
  within(RATE, rate);
  for (const one of course) {
    within(RATE, one.rate);
    within(LOSS, one.loss);
  }
  const at = course.findIndex((one) => one.rate >= rate * (1 - 1e-9));
  if (at === -1) return null;
  const upper = course[at]!;
  if (Math.abs(upper.rate - rate) <= rate * 1e-9) return upper.loss;
  if (at === 0) return null;
  const lower = course[at - 1]!;
  return lower.loss + ((upper.loss - lower.loss) * (rate - lower.rate)) / (upper.rate - lower.rate);
}
