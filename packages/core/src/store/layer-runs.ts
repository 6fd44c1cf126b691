import { tally } from '../kernel/index.js';

/** What a layer must say to be taken together with its neighbors. */
export interface LayerSaid {
  readonly wetKg: number;
  /** wet-basis fraction; null where there is no grain */
  readonly moisture: number | null;
  /** wet kg by lot */
  readonly wetLots: Readonly<Record<string, number>>;
}

/** Neighboring layers of the same fields: forty loads of one field, one on the other, are one thing to whoever empties the bin. */
export interface LayerRun {
  readonly layers: number;
  readonly wetKg: number;
  /** wet-basis fractions of the driest and the wettest of them; null where none says one */
  readonly driest: number | null;
  readonly wettest: number | null;
  /** wet kg by lot, in the order in which the lots came first */
  readonly wetLots: Readonly<Record<string, number>>;
}

/**
 * Layers of a place taken together where neighbors hold grain of the same lots, in their order.
 * Common practice, no source: a bin is emptied field by field, not load by load.
 * @param layers oldest first @param together whether a layer may join the run before it at all; default: all may
 */
export function layerRuns<L extends LayerSaid>(
  layers: readonly L[],
  together: (layer: L) => boolean = () => true,
): LayerRun[] {
  const runs: { key: string; joins: boolean; run: LayerRun }[] = [];
  for (const layer of layers) {
    const key = Object.keys(layer.wetLots).sort().join('\n');
    const last = runs.at(-1);
    const joins = together(layer);
    const before = last !== undefined && last.key === key && joins && last.joins ? last.run : undefined;
    const wetLots = tally<number>();
    for (const kg of [before?.wetLots ?? {}, layer.wetLots])
      for (const [lot, more] of Object.entries(kg)) wetLots[lot] = (wetLots[lot] ?? 0) + more;
    const said = [before?.driest, before?.wettest, layer.moisture].filter((one) => one !== null && one !== undefined);
    const run: LayerRun = {
      layers: (before?.layers ?? 0) + 1,
      wetKg: (before?.wetKg ?? 0) + layer.wetKg,
      driest: said.length > 0 ? Math.min(...said) : null,
      wettest: said.length > 0 ? Math.max(...said) : null,
      wetLots,
    };
    if (before) runs[runs.length - 1] = { key, joins, run };
    else runs.push({ key, joins, run });
  }
  return runs.map(({ run }) => run);
}
