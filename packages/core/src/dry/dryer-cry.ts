import type { DryerSample, LogEntry } from '../records/index.js';
import { requireFinite } from '../kernel/index.js';

/** What a dryer's control cried out, and when. */
export interface DryerCry {
  readonly alarm: NonNullable<DryerSample['alarm']>;
  readonly at: string;
}

/** An alarm of a dryer's control is news for so long; common practice, no source. */
const CRIES_MS = 2 * 3_600_000;

/**
 * What a dryer's control cries out now: its last word counts, for two hours.
 * @param samples the newest first
 */
export function dryerCry(samples: readonly LogEntry<'dryerSample'>[], nowMs: number): DryerCry | null {
  requireFinite('time', nowMs, 'ms');
  const last = samples[0]?.body;
  return last?.alarm !== undefined && nowMs - Date.parse(last.at) < CRIES_MS
    ? { alarm: last.alarm, at: last.at }
    : null;
}
