import { inOrder, mean, requireInRange, within } from '../kernel/index.js';
import { MASS } from '../units/index.js';
import { type CalibrationLoad } from './yield-monitor.js';

/** A load off the field as the book has it, with everything that weighed it. */
export interface HarvestedLoad {
  readonly id: string;
  /** Whose display it is: the combine, or the device that wrote the entry. */
  readonly machine: string;
  readonly lot: string;
  /** A display is off by another factor in each crop. */
  readonly crop: string;
  readonly atMs: number;
  readonly measured: readonly { readonly method: string; readonly wetKg: number }[];
  readonly note: string;
}

export interface MonitorPair extends CalibrationLoad {
  readonly id: string;
  /** Empty for a pair that was typed: it is of no field. */
  readonly lot: string;
  readonly crop: string;
  readonly atMs: number;
}

/** A load that only the display measured. */
export interface MonitorOnly {
  readonly id: string;
  readonly lot: string;
  readonly crop: string;
  readonly atMs: number;
  readonly monitorKg: number;
  /** kg/s by the display; left out where nobody knows how long it took. */
  readonly flow?: number;
}

/** Begins the note of a load that was restated: it is not restated twice. */
export const RESTATED = 'restated: display ';

const SCALES = ['ticket', 'bridge', 'cartScale'] as const;
/** A tank that takes longer was standing, not cutting; common practice, no source. */
const LONGEST_TANK_MS = 45 * 60_000;

/**
 * Pairs of display and scale that are in the book already, by machine, and the loads that only the display measured. The scale is the
 * best of ticket, bridge and cart scale. Flow is the load over the time since the same machine's last one; where that is longer than a
 * tank takes, nobody knows it.
 * @returns in order of time
 */
export function monitorLoads(
  loads: readonly HarvestedLoad[],
): Map<string, { readonly pairs: MonitorPair[]; readonly only: MonitorOnly[] }> {
  const byMachine = new Map<string, { pairs: MonitorPair[]; only: MonitorOnly[] }>();
  const last = new Map<string, number>();
  for (const load of [...loads].sort((a, b) => a.atMs - b.atMs || inOrder(a.id, b.id))) {
    requireInRange('time of a load', load.atMs, 0, 1e14, 'ms');
    for (const { wetKg } of load.measured) within(MASS, wetKg);
    const before = last.get(load.machine);
    last.set(load.machine, load.atMs);
    const of = (method: string): number | undefined => load.measured.find((m) => m.method === method)?.wetKg;
    const monitorKg = of('monitor');
    if (monitorKg === undefined || monitorKg <= 0) continue;
    const own = byMachine.get(load.machine) ?? { pairs: [], only: [] };
    byMachine.set(load.machine, own);
    const scaleKg = SCALES.map(of).find((kg) => kg !== undefined);
    const { id, lot, crop, atMs } = load;
    const took = before === undefined ? Infinity : atMs - before;
    const flowOf = (kg: number): { flow?: number } =>
      took > 0 && took <= LONGEST_TANK_MS ? { flow: (1000 * kg) / took } : {};
    if (scaleKg === undefined) {
      if (!load.note.startsWith(RESTATED)) own.only.push({ id, lot, crop, atMs, monitorKg, ...flowOf(monitorKg) });
      continue;
    }
    if (scaleKg <= 0) continue;
    own.pairs.push({ id, lot, crop, atMs, monitorKg, scaleKg, ...flowOf(scaleKg) });
  }
  return byMachine;
}

/** Mean error of the newest loads against those before them: a display that drifts. Fraction; null with fewer than three on a side. */
export function monitorDrift(pairs: readonly MonitorPair[]): number | null {
  for (const pair of pairs) requireInRange('time of a load', pair.atMs, 0, 1e14, 'ms');
  const inTime = [...pairs].sort((x, y) => x.atMs - y.atMs);
  const errors = inTime.map(
    (pair) =>
      within(MASS, pair.monitorKg) / requireInRange('load on the scale', pair.scaleKg, 1e-6, MASS.most, 'kg') - 1,
  );
  const newest = errors.slice(-Math.max(3, Math.floor(errors.length / 3)));
  const older = errors.slice(0, errors.length - newest.length);
  return older.length < 3 ? null : mean(newest) - mean(older);
}
