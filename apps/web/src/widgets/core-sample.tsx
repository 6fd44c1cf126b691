import { layerRuns } from '@fanega/core';
import type { Farm } from '../data/farm';
import { lotFill } from './weave';
import { percent } from '../quantity/quantity';

/** One stratum: how much of the height it takes and which lots stand in it. */
export interface Stratum {
  /** bushels, for the height */
  readonly bushels: number;
  readonly wetLots: Readonly<Record<string, number>>;
  readonly moisture: number | null;
}

interface Props {
  readonly farm: Farm;
  readonly strata: readonly Stratum[];
  readonly x: number;
  readonly width: number;
  /** y of the surface over each stratum's top, given the bushels below it: 0 is the lowest point. */
  readonly yAt: (bushels: number) => number;
  readonly onLot?: ((lotId: string) => void) | undefined;
}

/** Thinner than this, layers of the same fields are drawn as one: a line for each load would leave nothing but lines. */
const THIN = 4;

function seenApart(
  strata: readonly Stratum[],
  yAt: (bushels: number) => number,
): readonly { readonly bushels: number; readonly wetLots: Readonly<Record<string, number>> }[] {
  let below = 0;
  const drawn = strata.map((stratum) => {
    const bottom = yAt(below);
    below += stratum.bushels;
    // The height is what adds up here.
    return { ...stratum, wetKg: stratum.bushels, thin: Math.abs(bottom - yAt(below)) < THIN };
  });
  return layerRuns(drawn, ({ thin }) => thin).map(({ wetKg, wetLots }) => ({ bushels: wetKg, wetLots }));
}

/**
 * The grain in a vessel. Layers lie: strata in their order, to scale. Mixtures stand: inside a stratum the lots are
 * staves, as wide as their shares.
 */
export function Grain({ farm, strata, x, width, yAt, onLot }: Props) {
  let below = 0;
  const drawn = seenApart(strata, yAt).map((stratum, i) => {
    const bottom = yAt(below);
    below += stratum.bushels;
    const top = yAt(below);
    const entries = Object.entries(stratum.wetLots)
      .filter(([, kg]) => kg > 0)
      .sort((a, b) => farm.lotIndex(a[0]) - farm.lotIndex(b[0]));
    const total = entries.reduce((sum, [, kg]) => sum + kg, 0) || 1;
    let left = x;
    return (
      <g key={i}>
        {entries.map(([lot, kg]) => {
          const w = (width * kg) / total;
          const rect = (
            <rect
              key={lot}
              x={left}
              y={top}
              width={w}
              height={Math.max(0, bottom - top)}
              fill={lotFill(farm.lotIndex(lot))}
              {...(onLot && farm.lot(lot) ? { onClick: () => onLot(lot), className: 'cursor-pointer' } : {})}
            >
              <title>{`${farm.lot(lot)?.fieldName ?? 'unknown'}: ${percent(kg / total, 0)}`}</title>
            </rect>
          );
          left += w;
          return rect;
        })}
        {i > 0 && <line x1={x} x2={x + width} y1={bottom} y2={bottom} stroke="var(--paper)" strokeWidth="1.2" />}
      </g>
    );
  });
  return <g className="grain">{drawn}</g>;
}

/** Strata of a place as the farm knows them, oldest first. */
export function strataOf(farm: Farm, placeId: string): Stratum[] {
  return (farm.data.layers[placeId] ?? []).map((layer) => ({
    bushels: farm.bushels(layer.wetLots),
    wetLots: layer.wetLots,
    moisture: layer.moisture,
  }));
}

/** A cart, truck, tank or load: a box as full as the vessel is. */
export function BoxSample({
  farm,
  strata,
  capacity,
  width,
  height,
  label,
}: {
  farm: Farm;
  strata: readonly Stratum[];
  capacity: number;
  width: number;
  height: number;
  label: string;
}) {
  const inner = height - 4;
  const full = Math.max(
    capacity,
    strata.reduce((sum, s) => sum + s.bushels, 0),
    1,
  );
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      role="img"
      aria-label={label}
      className="block h-auto max-w-full"
    >
      <Grain farm={farm} strata={strata} x={2} width={width - 4} yAt={(bu) => height - 2 - (inner * bu) / full} />
      <rect x="1" y="1" width={width - 2} height={height - 2} fill="none" stroke="var(--ink)" strokeWidth="2" />
    </svg>
  );
}
