import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { PRICE } from '../units/index.js';
import { ACRES } from './quantities.js';

const WINDOW = quantity('hours until it rains or gets dark', 0, 48, 'h');
const ACRES_AN_HOUR = quantity('acres an hour', 0, 500, 'ac/h');
const YIELD = quantity('yield', 0, 1000, 'bu/ac');
const SHARE = quantity('share lost if it is left', 0, 1, 'fraction');
const WAY = quantity('hours on the way', 0, 24, 'h');

export const CHANGE_PLAN: Formula = {
  id: 'change-plan',
  title: 'Stay or switch before the rain',
  equation:
    'bushels = min(acres x yield, acres an hour x hours x yield, room + what is taken an hour x hours open); brings = bushels x price - what is left of both x price x share lost; switching costs the change-over and the road first', // prettier-ignore
  standing: 'computed',
  source: 'Units; the share that the rain takes is the farm’s own',
  inputs: [WINDOW, ACRES, ACRES_AN_HOUR, YIELD, PRICE, SHARE, WAY],
  note: 'A bushel that is cut later still brings its price; what counts is what these hours bring, and what the rain takes of the rest.',
};

/** A field, or a crop, that could be cut now. */
export interface SwitchSide {
  readonly acres: number;
  readonly acresPerHour: number;
  /** paid bu/ac */
  readonly yieldBu: number;
  /** $/bu after moisture and docks */
  readonly price: number;
  /** of its value, where it stands through the rain: fraction */
  readonly lostIfLeft: number;
  /** bu/h that dryer, pit or buyer take; left out: all */
  readonly takesPerHour?: number;
  /** bu that wet bin and trucks still take; 0 where left out */
  readonly room?: number;
  /** h that the buyer is still open; left out: as long as it is cut */
  readonly openHours?: number;
}

export interface ChangePlanInput {
  /** h until it rains or gets dark */
  readonly window: number;
  readonly stay: SwitchSide;
  readonly other: SwitchSide;
  /** h: head, sieves, cleaning out */
  readonly changeOver: number;
  /** h on the road */
  readonly road: number;
}

export interface SwitchOutcome {
  /** h that it cuts at all */
  readonly hours: number;
  readonly bushels: number;
  readonly acres: number;
  /** what ends it first */
  readonly by: 'rain or dark' | 'the field' | 'what is taken';
  /** $ of what is cut */
  readonly cut: number;
  /** $ that the rain takes of what is left of both */
  readonly lost: number;
  readonly total: number;
}

export interface ChangePlanResult {
  readonly stay: SwitchOutcome;
  readonly switch: SwitchOutcome;
  readonly better: 'stay' | 'switch' | 'even';
  /** $ */
  readonly difference: number;
  /** h: as long as that it must stay dry for the switch to bring as much; null: never within two days */
  readonly paysFrom: number | null;
}

function bushelsOf(side: SwitchSide, hours: number): { readonly bushels: number; readonly by: SwitchOutcome['by'] } {
  const { takesPerHour = Infinity, room = 0, openHours = Infinity } = side;
  const field = side.acres * side.yieldBu;
  const rate = side.acresPerHour * side.yieldBu * hours;
  const taken = takesPerHour === Infinity && openHours === Infinity ? Infinity : room + (takesPerHour === Infinity ? side.acresPerHour * side.yieldBu : takesPerHour) * Math.min(hours, openHours); // prettier-ignore
  const bushels = Math.min(field, rate, taken);
  return { bushels, by: bushels === rate ? 'rain or dark' : bushels === field ? 'the field' : 'what is taken' };
}

function outcome(chosen: SwitchSide, left: SwitchSide, hours: number): SwitchOutcome {
  const { bushels, by } = bushelsOf(chosen, hours);
  const rest = (side: SwitchSide, cut: number): number =>
    Math.max(0, side.acres * side.yieldBu - cut) * side.price * side.lostIfLeft;
  const cut = bushels * chosen.price;
  const lost = rest(chosen, bushels) + rest(left, 0);
  const acres = chosen.yieldBu > 0 ? bushels / chosen.yieldBu : 0;
  return { hours, bushels, acres, by, cut, lost, total: cut - lost };
}

function both({ stay, other, changeOver, road }: ChangePlanInput, window: number): [SwitchOutcome, SwitchOutcome] {
  return [outcome(stay, other, window), outcome(other, stay, Math.max(0, window - changeOver - road))];
}

const EVEN = 1;
const LONGEST = 48;

/**
 * What the hours until the rain bring: going on where one is, or changing over and driving to the other crop.
 * Range and source: {@link CHANGE_PLAN}.
 * @example 5 h dry; corn 9 ac/h x 180 bu at $4.20 against beans 12 ac/h x 55 bu at $10.20, 1.5 h to change, 3 % of the beans lost
 * if left: corn $34,020, beans $23,562 and less lost
 */
export function changePlan(input: ChangePlanInput): ChangePlanResult {
  const window = within(WINDOW, input.window);
  within(WAY, input.changeOver);
  within(WAY, input.road);
  for (const side of [input.stay, input.other]) {
    within(ACRES, side.acres);
    within(ACRES_AN_HOUR, side.acresPerHour);
    within(YIELD, side.yieldBu);
    within(PRICE, side.price);
    within(SHARE, side.lostIfLeft);
    if (side.takesPerHour !== undefined) requireInRange('bushels taken an hour', side.takesPerHour, 0, 1e6, 'bu/h');
    if (side.room !== undefined) requireInRange('room', side.room, 0, 1e9, 'bu');
    if (side.openHours !== undefined) requireInRange('hours open', side.openHours, 0, LONGEST, 'h');
  }
  const [stay, goes] = both(input, window);
  const difference = goes.total - stay.total;
  const gain = (hours: number): number => {
    const [a, b] = both(input, hours);
    return b.total - a.total;
  };
  let paysFrom: number | null = null;
  for (let hours = 0; hours <= LONGEST && paysFrom === null; hours += 0.25) if (gain(hours) > EVEN) paysFrom = hours;
  if (paysFrom !== null && paysFrom > 0) {
    let [low, high] = [paysFrom - 0.25, paysFrom];
    for (let i = 0; i < 30; i++) {
      const middle = (low + high) / 2;
      if (gain(middle) > EVEN) high = middle;
      else low = middle;
    }
    paysFrom = high;
  }
  return {
    stay,
    switch: goes,
    better: Math.abs(difference) <= EVEN ? 'even' : difference > 0 ? 'switch' : 'stay',
    difference,
    paysFrom,
  };
}
