import type { TapeLine } from '../ledger/index.js';
import { requireFinite } from '../kernel/index.js';

/** What a run of the dryer did to the grain of one field. */
export interface RunShare {
  readonly lotId: string;
  /** kg that came out dried, as it is */
  readonly outKg: number;
  /** wet-basis fractions, by weight */
  readonly inMoisture: number;
  readonly outMoisture: number;
  readonly waterKg: number;
  readonly dryLossKg: number;
  /** Weight lost of what went in: water and dry matter, fraction. */
  readonly shrink: number;
  /** Of the run's water, and so of its cost. */
  readonly part: number;
}

/** Grain that went in before the run began, and comes out in it. */
const BEFORE_MS = 24 * 3_600_000;

/**
 * A run by the fields whose grain came out in it: water by the balance of dry matter, dry matter lost as the book has it. Fuel and power are
 * shared by the water that each gave off. Range and source: balance of water and dry matter, computed.
 * @param lines moves and conditions of the dryer, in any order
 */
export function runShares(lines: readonly TapeLine[], dryerId: string, fromMs: number, untilMs: number): RunShare[] {
  requireFinite('begin of the run', fromMs, 'ms');
  requireFinite('end of the run', untilMs, 'ms');
  const living = lines.filter(({ voided, wetKg }) => !voided && wetKg !== null);
  const at = ({ entry }: TapeLine): number => Date.parse(entry.at);
  const went = new Map<string, { wet: number; dry: number }>();
  const came = new Map<string, { wet: number; dry: number }>();
  const lossOf = new Map<string, number>();
  const losses = living
    .flatMap((line) =>
      line.entry.type === 'condition' && line.entry.place === dryerId
        ? [{ ms: at(line), loss: line.entry.dryLoss ?? 0 }]
        : [],
    )
    .sort((a, b) => a.ms - b.ms);
  for (const line of living) {
    const { entry, wetLots } = line;
    if (entry.type !== 'move' && entry.type !== 'harvest') continue;
    const ms = at(line);
    const dryOf = (line.dryKg ?? 0) / Math.max(1e-9, line.wetKg!);
    const add = (to: Map<string, { wet: number; dry: number }>): void => {
      for (const [lot, wet] of Object.entries(wetLots)) {
        const before = to.get(lot) ?? { wet: 0, dry: 0 };
        to.set(lot, { wet: before.wet + wet, dry: before.dry + wet * dryOf });
      }
    };
    if (entry.to === dryerId && ms >= fromMs - BEFORE_MS && ms <= untilMs) add(went);
    if (entry.type === 'move' && entry.from === dryerId && ms >= fromMs && ms <= untilMs) {
      add(came);
      const { loss = 0 } = losses.findLast((one) => one.ms <= ms) ?? {};
      for (const [lot, wet] of Object.entries(wetLots))
        lossOf.set(lot, (lossOf.get(lot) ?? 0) + (wet * dryOf * loss) / (1 - loss));
    }
  }
  const shares = [...came].flatMap(([lotId, out]): Omit<RunShare, 'part'>[] => {
    const before = went.get(lotId);
    if (!before || out.wet <= 0) return [];
    const inMoisture = 1 - before.dry / before.wet;
    const outMoisture = 1 - out.dry / out.wet;
    const dryLossKg = lossOf.get(lotId) ?? 0;
    const inKg = (out.dry + dryLossKg) / (1 - inMoisture);
    const waterKg = Math.max(0, inKg - out.wet - dryLossKg);
    return [{ lotId, outKg: out.wet, inMoisture, outMoisture, waterKg, dryLossKg, shrink: inKg > 0 ? 1 - out.wet / inKg : 0 }]; // prettier-ignore
  });
  const water = shares.reduce((sum, { waterKg }) => sum + waterKg, 0);
  return shares
    .map((share) => ({ ...share, part: water > 0 ? share.waterKg / water : 0 }))
    .sort((a, b) => b.waterKg - a.waterKg);
}
