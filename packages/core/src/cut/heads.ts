import { type Formula, mean, quantity, requireInRange, standardError, tOf95, within } from '../kernel/index.js';
import { PRICE } from '../units/index.js';
import { ACRES, COST, HOURS } from './quantities.js';

const LOSS = quantity('loss', 0, 1000, 'bu/ac');
const RATE = quantity('acres an hour', 0.01, 500, 'ac/h');

export const DEW_OR_DRY: Formula = {
  id: 'dew-or-dry',
  title: 'What the head loses in dew and in dry straw',
  equation: 'difference = mean in dew - mean in the dry; half of the interval = t x sqrt(s1^2/n1 + s2^2/n2), Welch’s degrees of freedom', // prettier-ignore
  standing: 'published, from memory',
  source: 'B. L. Welch, Biometrika 34 (1947): two means with variances of their own',
  inputs: [LOSS],
  note: 'Another field, another speed and another hour lie between the counts: the nearer they are, the more it says.',
};

/** Counts below this say nothing of their scatter. */
const LEAST = 2;

export interface DewOrDry {
  readonly dew: { readonly counts: number; readonly loss: number | null };
  readonly dry: { readonly counts: number; readonly loss: number | null };
  /** bu/ac more in dew; null: too few counts on one side */
  readonly difference: number | null;
  /** 95 % half-width of it */
  readonly uncertainty: number | null;
  readonly verdict: 'dew costs' | 'dry costs' | 'not shown to differ' | 'count more';
}

/**
 * Loss at the head with the straw damp against dry, from the farm's own counts.
 * Range and source: {@link DEW_OR_DRY}.
 * @param counts header loss of each count, bu/ac, and the relative humidity (fraction) of its hour @param dewLine from which straw is damp
 * @example damp 1.4, 1.6, 1.5 against dry 0.5, 0.7, 0.6 bu/ac: 0.9 ± 0.23 more in dew
 */
export function dewOrDry(counts: readonly { readonly loss: number; readonly humidity: number }[], dewLine: number): DewOrDry {
  requireInRange('dew line', dewLine, 0.3, 1, 'fraction');
  for (const { loss, humidity } of counts) {
    within(LOSS, loss);
    requireInRange('humidity', humidity, 0, 1, 'fraction');
  }
  const [dew, dry] = [counts.filter(({ humidity }) => humidity >= dewLine), counts.filter(({ humidity }) => humidity < dewLine)].map((side) => side.map(({ loss }) => loss)) as [number[], number[]]; // prettier-ignore
  const side = (losses: readonly number[]) => ({ counts: losses.length, loss: losses.length === 0 ? null : mean(losses) });
  const known = { dew: side(dew), dry: side(dry) };
  if (dew.length < LEAST || dry.length < LEAST) return { ...known, difference: null, uncertainty: null, verdict: 'count more' };
  const difference = mean(dew) - mean(dry);
  const [a, b] = [standardError(dew) ** 2, standardError(dry) ** 2];
  const freedom = a + b === 0 ? dew.length + dry.length - 2 : (a + b) ** 2 / (a ** 2 / (dew.length - 1) + b ** 2 / (dry.length - 1));
  const uncertainty = tOf95(Math.max(1, freedom + 1e-9)) * Math.sqrt(a + b);
  return {
    ...known,
    difference,
    uncertainty,
    verdict: difference > uncertainty ? 'dew costs' : difference < -uncertainty ? 'dry costs' : 'not shown to differ',
  };
} // prettier-ignore

export const BORROWED_HEAD: Formula = {
  id: 'borrowed-head',
  title: 'Does a borrowed head pay?',
  equation: 'saved = hours saved x $/h + (loss own - loss other) x acres x price - rent - rent an acre x acres - fetching; hours = acres / (ac/h)', // prettier-ignore
  standing: 'computed',
  source: 'Units; rates and losses are the farm’s own or the neighbor’s word',
  inputs: [ACRES, RATE, LOSS, PRICE, COST, HOURS],
  note: 'Grain, hours and money alone: what the other head does to the sample or to the stubble is not in it.',
};

export interface HeadSide {
  readonly acresPerHour: number;
  /** bu/ac at the head */
  readonly loss: number;
}

export interface BorrowedHeadInput {
  readonly acres: number;
  readonly own: HeadSide;
  readonly other: HeadSide;
  /** $/bu */
  readonly price: number;
  /** an hour of the combine with its driver and its part of the cart, $ */
  readonly hourly: number;
  /** $ for having it, and for each acre */
  readonly rent: number;
  readonly rentPerAcre: number;
  /** h to fetch it, put it on, and bring it back, at the same cost an hour */
  readonly fetchHours: number;
}

export interface BorrowedHeadResult {
  readonly hoursOwn: number;
  readonly hoursOther: number;
  /** $ */
  readonly time: number;
  readonly grain: number;
  readonly cost: number;
  readonly saved: number;
  /** acres from which on it pays; null: however many, it does not */
  readonly breakEvenAcres: number | null;
  readonly verdict: 'borrow' | 'keep the own' | 'even';
}

/** Within this many dollars nobody drives for it. Common practice, no source. */
const EVEN = 50;

/**
 * A head that could be had against the own one: hours, grain and rent.
 * Range and source: {@link BORROWED_HEAD}.
 * @example 300 ac, own 8 ac/h losing 1.2 bu/ac, other 11 ac/h losing 0.8; $10.20, $250/h, rent $5/ac, 3 h to fetch: $2,557 + $1,224 - $2,250
 * leave $1,531
 */
export function borrowedHead(input: BorrowedHeadInput): BorrowedHeadResult {
  const acres = within(ACRES, input.acres);
  const price = within(PRICE, input.price);
  const hourly = within(COST, input.hourly);
  for (const { acresPerHour, loss } of [input.own, input.other]) {
    within(RATE, acresPerHour);
    within(LOSS, loss);
  }
  const perAcre =
    hourly / input.own.acresPerHour -
    hourly / input.other.acresPerHour +
    (input.own.loss - input.other.loss) * price -
    within(COST, input.rentPerAcre);
  const fixed = within(COST, input.rent) + within(HOURS, input.fetchHours) * hourly;
  const [hoursOwn, hoursOther] = [acres / input.own.acresPerHour, acres / input.other.acresPerHour];
  const saved = perAcre * acres - fixed;
  return {
    hoursOwn,
    hoursOther,
    time: (hoursOwn - hoursOther) * hourly,
    grain: (input.own.loss - input.other.loss) * price * acres,
    cost: fixed + input.rentPerAcre * acres,
    saved,
    breakEvenAcres: perAcre > 0 ? fixed / perAcre : null,
    verdict: Math.abs(saved) <= EVEN ? 'even' : saved > 0 ? 'borrow' : 'keep the own',
  };
}
