import { knowZone, zoneTable, type ZoneTable } from '@fanega/core';
import { DAY_MS } from './time';

/**
 * When the farm's clocks change, kept on the device: a page that opens reads its times in it, and leaves the browser's own tables alone,
 * which take longer to open than the page.
 */
const KEY = 'fanega.zone';
/** Lands change their clocks by law, and browsers learn of it with their next version. */
const GOOD_FOR_MS = 7 * DAY_MS;
/** What is asked of the browser at one stroke. */
const PIECE_MS = 40 * DAY_MS;
/** Of this season and the last; the time of an older entry is asked of the browser. */
const [YEARS_BEFORE, YEARS_AHEAD] = [1, 2];

interface Kept {
  readonly timeZone: string;
  readonly table: ZoneTable;
  /** By which browser, and when. */
  readonly by: string;
  readonly at: number;
}

const isTable = ({ from, until, offsets }: ZoneTable): boolean =>
  [from, until, ...offsets.flat()].every(Number.isFinite) &&
  offsets[0]?.[0] === from &&
  offsets.every(([at], i) => at < until && (i === 0 || at > offsets[i - 1]![0]));

function kept(): Kept | undefined {
  try {
    const found = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Kept | null;
    return found && isTable(found.table) ? found : undefined;
  } catch {
    // Not ours, or not whole: it is made again.
    return undefined;
  }
}

/** Reads what this device knows of a zone; before the first time is shown. */
export function readZone(): void {
  const found = kept();
  if (found) knowZone(found.timeZone, found.table);
}

/** Keeps the farm's zone for the next time that a page opens, where it is not kept yet or was kept long ago. */
export async function keepZone(timeZone: string, now = Date.now()): Promise<void> {
  const found = kept();
  const by = navigator.userAgent;
  if (found?.timeZone === timeZone && found.by === by && Math.abs(now - found.at) < GOOD_FOR_MS) return;
  const { tzOffset } = await import('@date-fns/tz');
  const year = new Date(now).getUTCFullYear();
  const [begin, end] = [Date.UTC(year - YEARS_BEFORE, 0, 1), Date.UTC(year + YEARS_AHEAD, 0, 1)];
  const offsets: (readonly [number, number])[] = [];
  for (let from = begin; from < end; from += PIECE_MS) {
    const piece = zoneTable(from, Math.min(end, from + PIECE_MS), (ms) => tzOffset(timeZone, new Date(ms)) * 60_000);
    offsets.push(...piece.offsets.filter(([, offset], i) => i > 0 || offset !== offsets.at(-1)?.[1]));
    // Three years at one stroke would hold up whoever taps meanwhile.
    await new Promise((resolve) => setTimeout(resolve));
  }
  const table: ZoneTable = { from: begin, until: end, offsets };
  localStorage.setItem(KEY, JSON.stringify({ timeZone, table, by, at: now } satisfies Kept));
}
