import { requireInRange, within } from '../kernel/index.js';
import { MOISTURE } from '../units/index.js';

/** A farm's own limits for one crop and buyer, wet-basis fractions: too dry below, best between, accepted up to, refused above. */
export interface FitWindow {
  readonly tooDryBelow: number;
  readonly bestFrom: number;
  readonly bestTo: number;
  readonly refuseAbove: number;
}

export type FitReason =
  | 'refused above'
  | 'wetter than best'
  | 'in the best window'
  | 'drier than best'
  | 'too dry'
  | 'dew or rain on it'
  | 'reading too old'
  | 'too few readings';

export interface FitVerdict {
  readonly verdict: 'go' | 'wait' | 'stop';
  /** Which limit decided. */
  readonly because: FitReason;
  /** Points from the limit that decided; positive is above it. */
  readonly points: number;
  /** What else is worth knowing. */
  readonly also: readonly FitReason[];
}

/**
 * Go, wait or stop, with the reason. `stop` is for grain that a buyer refuses, for wet straw, and for grain so dry that every bushel
 * loses weight and shatters; `wait` where an hour or a reading changes the answer.
 * @param moisture wet-basis fraction, the field's likely one; null: nobody has read it
 * @param ageHours of the newest reading; @param trend points an hour, negative is drying
 */
export function fitToCut(input: {
  readonly moisture: number | null;
  readonly window: FitWindow;
  readonly ageHours?: number;
  readonly trend?: number;
  readonly wetStraw?: boolean;
  /** Hours after which a reading counts no longer; 3 by default for beans in a drying wind. */
  readonly oldAfterHours?: number;
}): FitVerdict {
  const { window } = input;
  const order = [window.tooDryBelow, window.bestFrom, window.bestTo, window.refuseAbove].map((v) =>
    within(MOISTURE, v),
  );
  for (let i = 1; i < order.length; i++)
    requireInRange('limits of the window, rising', order[i]!, order[i - 1]!, MOISTURE.most, 'wb fraction');
  if (input.wetStraw) return { verdict: 'stop', because: 'dew or rain on it', points: 0, also: [] };
  if (input.moisture === null) return { verdict: 'wait', because: 'too few readings', points: 0, also: [] };
  const m = within(MOISTURE, input.moisture);
  const old =
    requireInRange('age of the reading', input.ageHours ?? 0, 0, 1e4, 'h') >
    requireInRange('hours after which a reading is old', input.oldAfterHours ?? 3, 0, 1e4, 'h');
  const from = (limit: number): number => Math.round(1e4 * (m - limit)) / 100;
  const trend = requireInRange('trend', input.trend ?? 0, -5, 5, 'points/h');
  const answer = (verdict: FitVerdict['verdict'], because: FitReason, limit: number): FitVerdict =>
    // An old reading cannot say go; it can still say what it said.
    old && verdict === 'go'
      ? { verdict: 'wait', because: 'reading too old', points: from(limit), also: [because] }
      : { verdict, because, points: from(limit), also: old ? ['reading too old'] : [] };
  if (m > window.refuseAbove) return answer(trend < 0 ? 'wait' : 'stop', 'refused above', window.refuseAbove);
  if (m < window.tooDryBelow) return answer(trend > 0 ? 'wait' : 'stop', 'too dry', window.tooDryBelow);
  if (m > window.bestTo) return answer('go', 'wetter than best', window.bestTo);
  if (m < window.bestFrom) return answer('go', 'drier than best', window.bestFrom);
  return answer('go', 'in the best window', window.bestTo);
}
