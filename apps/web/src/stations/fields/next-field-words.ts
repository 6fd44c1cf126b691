import type { RankedField, Why, WhyCode } from '@fanega/core';
import { distance, number } from '../../quantity/quantity';

const one = (value: number): string => number(value, 1);
const RIPENESS = ['still filling', 'just mature', 'ripe', 'ripe for long'];
const STANDING = ['stands well, it can wait', 'some weak stalks', 'weak stalks', 'going down'];
const step = (points: number): string =>
  `${Math.abs(points) < 0.05 ? 'as wet as' : `${one(Math.abs(points))} points ${points > 0 ? 'wetter' : 'drier'} than`} the last loads`;

const WORDS: Readonly<Record<WhyCode, (value: number) => string>> = {
  ripenessUnknown: () => 'maturity not checked',
  ripeness: (level) => RIPENESS[level]!,
  noClosing: () => 'no closing time is set',
  goesHome: () => 'goes home, whatever the buyer’s hours',
  buyerClosed: () => 'the buyer is closed',
  closesInHours: (hours) => `${one(hours)} h until the buyer closes`,
  pastDryer: () => 'skips the dryer',
  stepPoints: step,
  noReadingForDryer: () => 'no reading against the dryer',
  neverRead: () => 'not read yet',
  atBase: () => 'at or below base',
  pointsAboveBase: (points) => `${one(points)} points above base`,
  standing: (level) => STANDING[level]!,
  kilometersAway: (km) => `${distance(1000 * km)} away`,
  noRain: () => 'no rain in the forecast',
  doneBeforeRain: (hours) => `done before the rain (${one(hours)} h)`,
  rainHoursTooEarly: (hours) => `rain comes ${one(hours)} h too early`,
  hoursOfCutting: (hours) => `${one(hours)} h of cutting`,
  fillsNoWetBin: () => 'takes no room in the wet bin',
  dryerKeepsUp: () => 'the dryer keeps up',
  wetBinFullAfterHours: (hours) => `wet bin full after ${one(hours)} h`,
  noDryer: () => 'no dryer in the way',
};

export const whyWords = ({ code, value = 0 }: Why): string => WORDS[code](value);

/** What speaks for a field and against it, in one sentence. */
export const reasonWords = ({ reasons, against }: RankedField): string =>
  [...reasons.map(whyWords), ...(against ? [`but ${whyWords(against)}`] : [])].join('; ');

export const blockedWords = (points: number): string =>
  `a step of ${points > 0 ? '+' : '−'}${one(Math.abs(points))} points is more than the dryer keeper permits`;
