import { inOrder, requireInRange } from '../kernel/index.js';
import { type ChangeResult, compareLoss, type LossCheck } from './losses.js';
import { type Setting, type Settings, SETTINGS } from '../records/index.js';
import { type Tried } from './adviser.js';

/** A settings entry as the log has it. */
export interface LoggedSettings {
  readonly id: string;
  readonly atMs: number;
  readonly values: Settings;
  /** The entry that this one takes back. */
  readonly undoes?: string;
}

/** A loss check, with the entry that it was counted under. */
export interface LoggedCheck {
  readonly id: string;
  readonly atMs: number;
  readonly entryId: string | null;
  readonly check: LossCheck;
}

export interface SettingChange {
  readonly setting: Setting;
  readonly from: number | null;
  readonly to: number | null;
}

/** One entry of the trail: what was changed, what was counted under it, and what the change did. */
export interface TrailStep {
  readonly entry: LoggedSettings;
  readonly changed: readonly SettingChange[];
  /** The newest count under it. */
  readonly check: LoggedCheck | null;
  /** Against the count under the entry before; null where one of them was not counted. */
  readonly result: ChangeResult | null;
  /** `go back` for a change that made it worse or did nothing that a count could show; `nothing learnt` when two things were changed. */
  readonly verdict: 'keep' | 'go back' | 'nothing learnt' | 'count first' | 'count again' | 'taken back' | null;
}

const NAMES = Object.keys(SETTINGS) as Setting[];

/** What differs between two sheets. @throws RangeRefusal for a setting that no machine has */
export function changedSettings(before: Settings, after: Settings): SettingChange[] {
  for (const values of [before, after])
    for (const name of NAMES)
      if (values[name] !== undefined)
        requireInRange(
          SETTINGS[name].name,
          values[name],
          SETTINGS[name].least,
          SETTINGS[name].most,
          SETTINGS[name].unit,
        );
  return NAMES.flatMap((setting) =>
    before[setting] === after[setting] ? [] : [{ setting, from: before[setting] ?? null, to: after[setting] ?? null }],
  );
}

/**
 * The way of a machine's settings in one field: each change with what it did. A change is judged by the counts before and after it
 * and by nothing else; when two settings moved at once, the count cannot say which of them it was.
 * Range and source: {@link LOSS_COUNT}.
 * @param sheets of one machine and field @param pricePerBu and
 * @param areaLeft ha, for what a change is worth
 * @returns oldest first
 */
export function settingsTrail(
  sheets: readonly LoggedSettings[],
  checks: readonly LoggedCheck[],
  worth: { readonly pricePerBu: number; readonly areaLeft: number },
): TrailStep[] {
  const order = [...sheets].sort((a, b) => a.atMs - b.atMs || inOrder(a.id, b.id));
  const takenBack = new Set(order.flatMap((entry) => (entry.undoes === undefined ? [] : [entry.undoes])));
  const newest = new Map<string, LoggedCheck>();
  for (const check of [...checks].sort((a, b) => a.atMs - b.atMs))
    if (check.entryId !== null) newest.set(check.entryId, check);
  // Counts to compare with: a entry that takes another back stands where the one before that stood.
  const standsFor = new Map<string, LoggedCheck | null>();
  let before: LoggedSettings | undefined;
  const beforeOf = new Map<string, LoggedSettings | undefined>();
  return order.map((entry): TrailStep => {
    beforeOf.set(entry.id, before);
    const check = newest.get(entry.id) ?? null;
    const changed = before ? changedSettings(before.values, entry.values) : [];
    const reference = before ? (standsFor.get(before.id) ?? null) : null;
    const restored = entry.undoes === undefined ? undefined : beforeOf.get(entry.undoes);
    standsFor.set(entry.id, check ?? (restored ? (standsFor.get(restored.id) ?? null) : null));
    const first = before === undefined;
    before = entry;
    const judged = entry.undoes === undefined && !first && changed.length > 0;
    const result = judged && check && reference ? compareLoss(reference.check, check.check, worth) : null;
    const verdict = takenBack.has(entry.id)
      ? 'taken back'
      : !judged
        ? null
        : result === null
          ? 'count first'
          : result.verdict === 'no result'
            ? 'count again'
            : changed.length > 1
              ? 'nothing learnt'
              : result.verdict === 'better'
                ? 'keep'
                : 'go back';
    return { entry, changed, check, result, verdict };
  });
}

/** What was tried, for the adviser: single changes with their outcome, oldest first. */
export function triedOf(trail: readonly TrailStep[]): Tried[] {
  return trail.flatMap(({ changed, result }): Tried[] => {
    const [change] = changed;
    if (
      !change ||
      changed.length > 1 ||
      result === null ||
      change.from === null ||
      change.to === null ||
      result.verdict === 'no result'
    )
      return [];
    return [{ setting: change.setting, direction: change.to > change.from ? 'up' : 'down', outcome: result.verdict }];
  });
}
