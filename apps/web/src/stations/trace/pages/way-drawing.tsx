import { cropOf, CROPS, dryBushels, gathered, type TracePath, type TraceStop } from '@fanega/core';
import { sankey, sankeyJustify, sankeyLinkHorizontal, type SankeyGraph } from 'd3-sankey';
import { useMemo, useState } from 'react';
import type { Farm } from '../../../data/farm';
import { bushels } from '../../../quantity/quantity';
import { useBox } from '../../../ui/use-box';
import { lotFill } from '../../../widgets/weave';

interface Node {
  readonly id: string;
  readonly node: TraceStop;
}
interface Link {
  readonly source: string;
  readonly target: string;
  readonly value: number;
  readonly entries: number;
  readonly lots: Readonly<Record<string, number>>;
}

const nameOf = (node: TraceStop, farm: Farm): string => {
  switch (node.what) {
    case 'lot':
      return farm.lot(node.of)?.fieldName ?? 'unknown field';
    case 'lots':
      return `${node.of} smaller fields`;
    case 'lost':
      return `lost: ${node.of}`;
    case 'standing':
      return `stands in ${farm.placeName(node.of)}`;
    case 'place':
      return farm.placeName(node.of) + (node.out ? ', out' : '');
  }
};

/** Room at the right for the names of the last stops. */
const NAMES = 185;

/** The way of the grain as a flow: as wide as the dry bushels that went there. */
export function WayDrawing({ farm, way: whole, crop }: { farm: Farm; way: TracePath; crop: string | undefined }) {
  const [open, setOpen] = useState(false);
  const few = useMemo(() => gathered(whole), [whole]);
  const way = open ? whole : few;
  const [frame, box] = useBox<HTMLDivElement>('way');
  const width = Math.max(880, box?.width ?? 900);
  const height = Math.min(open ? 1800 : 480, Math.max(130, way.nodes.length * 27));
  const graph = useMemo((): SankeyGraph<Node, Link> => {
    const nodes = way.nodes.map((node): Node => ({ id: node.id, node }));
    const links = way.links.map(({ from, to, dryKg, lots, entries }): Link => ({
      source: from,
      target: to,
      value: dryKg,
      entries,
      lots,
    }));
    return sankey<Node, Link>()
      .nodeId((node) => node.id)
      .nodeAlign(sankeyJustify)
      .nodeWidth(9)
      .nodePadding(26)
      .extent([
        [1, 18],
        [width - NAMES, height - 18],
      ])({ nodes, links });
  }, [way, width, height]);
  const { legalPounds, baseMoisture } = cropOf(crop ?? '') ?? CROPS.corn;
  const bu = (kg: number) => bushels(dryBushels(kg, legalPounds, baseMoisture), farm.kgPerBu(crop)).text;
  const path = sankeyLinkHorizontal<Node, Link>();
  return (
    <div ref={frame} className="mt-2 overflow-x-auto">
      {few !== whole && (
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          className="min-h-11 font-semibold underline decoration-rule underline-offset-4"
        >
          {open
            ? 'Gather the small fields'
            : `Show all ${whole.nodes.filter(({ what }) => what === 'lot').length} fields`}
        </button>
      )}
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={way.links.map((l) => `${l.entries} × ${bu(l.dryKg)}`).join(', ')}
        className="block"
      >
        <g className="grain" fill="none">
          {graph.links.map((link, i) => (
            <g key={i}>
              {ribbons(link, farm).map(({ lot, d }) => (
                <path key={lot} d={d} fill={lotFill(farm.lotIndex(lot))} stroke="var(--paper)" strokeWidth="0.6" />
              ))}
              <path d={path(link) ?? ''} stroke="transparent" strokeWidth={Math.max(6, link.width ?? 1)}>
                <title>{`${bu(link.value)} in ${link.entries} ${link.entries === 1 ? 'load' : 'loads'}`}</title>
              </path>
            </g>
          ))}
        </g>
        {graph.nodes.map((node) => {
          const x0 = node.x0 ?? 0;
          const y0 = node.y0 ?? 0;
          const y1 = node.y1 ?? 0;
          const name = nameOf(node.node, farm);
          return (
            <g key={node.id}>
              <rect x={x0} y={y0} width={9} height={Math.max(2, y1 - y0)} fill="var(--ink)" />
              <text
                x={x0 + 15}
                y={(y0 + y1) / 2 - 3}
                fontSize="13"
                fill="var(--ink)"
                stroke="var(--paper)"
                strokeWidth="4"
                paintOrder="stroke"
                strokeLinejoin="round"
              >
                <tspan fontWeight="700">{name}</tspan>
                <tspan x={x0 + 15} dy="15">
                  {bu(node.value ?? 0)}
                </tspan>
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}

/** A stream as closed ribbons, one a lot, as wide as its part: weaves cannot be stroked evenly along a curve. */
function ribbons(link: SankeyGraph<Node, Link>['links'][number], farm: Farm): { lot: string; d: string }[] {
  const source = link.source as unknown as { x1: number };
  const target = link.target as unknown as { x0: number };
  const width = Math.max(1, link.width ?? 1);
  const [x0, x1] = [source.x1, target.x0];
  const middle = (x0 + x1) / 2;
  let [y0, y1] = [(link.y0 ?? 0) - width / 2, (link.y1 ?? 0) - width / 2];
  const lots = Object.entries(link.lots).sort((a, b) => farm.lotIndex(a[0]) - farm.lotIndex(b[0]));
  const total = lots.reduce((sum, [, kg]) => sum + kg, 0) || 1;
  return lots.map(([lot, kg]) => {
    const w = (width * kg) / total;
    const d = `M${x0} ${y0}C${middle} ${y0} ${middle} ${y1} ${x1} ${y1}v${w}C${middle} ${y1 + w} ${middle} ${y0 + w} ${x0} ${y0 + w}Z`;
    y0 += w;
    y1 += w;
    return { lot, d };
  });
}
