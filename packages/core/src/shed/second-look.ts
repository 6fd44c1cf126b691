import { fromWallTime, requireFinite, toWallTime } from '../kernel/index.js';
import { living, type ShedRecords } from '../records/index.js';
import { instantOf } from '../ledger/index.js';

/** What is mended between these hours of the farm's day is mended by lamp, by tired hands. Common practice, no source. */
const NIGHT_FROM = 20;
const NIGHT_TO = 6;
/** Nobody asks for it later than so long after. */
const ASKED_MS = 30 * 3_600_000;

/** A repair of the night that somebody should look at again by daylight, before the machine runs. */
export interface SecondLook {
  /** of the breakdown's record */
  readonly id: string;
  readonly machineId: string;
  /** its vessel in the book; null: it holds no grain */
  readonly placeId: string | null;
  readonly machine: string;
  readonly what: string;
  readonly by: string;
  readonly mendedMs: number;
  /** the morning after, ms */
  readonly fromMs: number;
}

/** Repairs of the last night, the oldest first. A machine that is out of use is not asked about. */
export function secondLooks(shed: ShedRecords, nowMs: number, timeZone: string): SecondLook[] {
  requireFinite('time', nowMs, 'ms');
  return living<'breakdown'>(shed.logs.breakdown)
    .flatMap(({ body, by }): SecondLook[] => {
      const machine = shed.settings.machine[body.assetId]?.value;
      const mendedMs = instantOf(body.at);
      if (!body.mended || !machine || machine.retired || mendedMs > nowMs || nowMs - mendedMs > ASKED_MS) return [];
      const wall = toWallTime(mendedMs, timeZone);
      const hour = Number(wall.slice(11, 13));
      if (hour >= NIGHT_TO && hour < NIGHT_FROM) return [];
      const day = hour >= NIGHT_FROM ? toWallTime(mendedMs + (24 - NIGHT_FROM + 1) * 3_600_000, timeZone) : wall;
      const fromMs = fromWallTime(`${day.slice(0, 10)}T0${NIGHT_TO}:00`, timeZone);
      return [{ id: body.id, machineId: body.assetId, placeId: machine.placeId ?? null, machine: machine.name, what: body.what, by, mendedMs, fromMs }]; // prettier-ignore
    })
    .sort((a, b) => a.mendedMs - b.mendedMs);
}
