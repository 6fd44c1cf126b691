import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { PRICE } from '../units/index.js';
import { ACRES, COST, HOURS } from './quantities.js';

const GAIN = quantity('loss saved', -1000, 1000, 'bu/ac');
const CHANCE = quantity('chance', 0, 1, 'fraction');

export const WEAR_PART: Formula = {
  id: 'wear-part',
  title: 'Does a wear part pay?',
  equation: 'saved = (loss old - loss new) x acres x price;  break-even acres = (part + hours x $/h) / ((loss old - loss new) x price)', // prettier-ignore
  standing: 'computed',
  source: 'Units; whether the loss differs at all by the error of the counts (see Loss count)',
  inputs: [GAIN, ACRES, PRICE, COST, HOURS, CHANCE],
  note: 'Grain saved and nothing else: what the part does to the sample, to fuel or to speed is not in it.',
};

export interface WearPartInput {
  /** bu/ac less with the new one */
  readonly gain: number;
  /** half of the interval that the counts leave, bu/ac */
  readonly uncertainty: number;
  /** ac that are still cut this season, and that the part lasts */
  readonly acresLeft: number;
  readonly acresLife: number;
  /** $/bu */
  readonly price: number;
  /** $ */
  readonly part: number;
  /** h to put it on, and what an hour of hands costs, $ */
  readonly hours: number;
  readonly hourly: number;
  /** chance that the old one breaks before the season ends, h that the harvest then stands, $ an hour of standing */
  readonly breaks: number;
  readonly standsHours: number;
  readonly standsHourly: number;
}

export interface WearPartResult {
  /** part and hands, $ */
  readonly cost: number;
  /** $ of grain this season and over its life */
  readonly savedSeason: number;
  readonly savedLife: number;
  /** ac at which it has paid; null where it saves nothing */
  readonly breakEvenAcres: number | null;
  /** the least and most that the counts allow, ac; null: no end */
  readonly breakEvenFrom: number | null;
  readonly breakEvenTo: number | null;
  readonly shown: boolean;
  readonly verdict: 'this season' | 'over its life' | 'does not pay' | 'not shown to differ';
  /** the two schools in dollars until the season ends, the part's rest of life taken off: what is paid, lost and stood for */
  readonly now: number;
  readonly untilItBreaks: number;
}

/**
 * A wear part against the grain that it saves, and the two schools beside it: at first sign, or until it breaks.
 * Range and source: {@link WEAR_PART}.
 * @example 0.75 bu/ac at $4.40 over 640 ac against $1,500 and 6 h of $30: it pays after 509 ac, this season; $2,112 saved
 */
export function wearPart(input: WearPartInput): WearPartResult {
  const { gain, uncertainty } = input;
  within(GAIN, gain);
  requireInRange('uncertainty', uncertainty, 0, 1000, 'bu/ac');
  within(ACRES, input.acresLeft);
  requireInRange('acres that it lasts', input.acresLife, 1, 1_000_000, 'ac');
  const price = within(PRICE, input.price);
  const cost = within(COST, input.part) + within(HOURS, input.hours) * within(COST, input.hourly);
  const standing = within(CHANCE, input.breaks) * within(HOURS, input.standsHours) * within(COST, input.standsHourly);
  const evenAt = (bushels: number): number | null => (bushels > 0 && price > 0 ? cost / (bushels * price) : null);
  const breakEvenAcres = evenAt(gain);
  const shown = Math.abs(gain) > uncertainty;
  const savedSeason = gain * price * input.acresLeft;
  const savedLife = gain * price * input.acresLife;
  const used = Math.min(1, input.acresLeft / input.acresLife);
  return {
    cost,
    savedSeason,
    savedLife,
    breakEvenAcres,
    breakEvenFrom: evenAt(gain + uncertainty),
    breakEvenTo: evenAt(gain - uncertainty),
    shown,
    verdict: !shown
      ? 'not shown to differ'
      : savedSeason >= cost && gain > 0
        ? 'this season'
        : savedLife >= cost && gain > 0
          ? 'over its life'
          : 'does not pay',
    now: cost * used,
    untilItBreaks: Math.max(0, savedSeason) + input.breaks * cost * used + standing,
  };
}
