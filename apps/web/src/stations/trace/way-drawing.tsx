import { cropOf, CROPS, dryBushels, type GrainWay, type WayNode } from '@fanega/core';
import { sankey, sankeyJustify, sankeyLinkHorizontal, type SankeyGraph } from 'd3-sankey';
import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import { type Farm } from '../../data/farm';
import { formatBushels } from '../../widgets/quantity';
import { lotFill } from '../../widgets/weave';

interface Node {
  readonly id: string;
  readonly node: WayNode;
}
interface Link {
  readonly source: string;
  readonly target: string;
  readonly value: number;
  readonly entries: number;
  /** Lots that this link's grain is known to be of; a mixed stream is plain. */
  readonly lot: string | null;
}

const nameOf = (node: WayNode, farm: Farm): string => {
  switch (node.what) {
    case 'lot':
      return farm.lot(node.of)?.fieldName ?? 'unknown field';
    case 'lost':
      return `lost: ${node.of}`;
    case 'standing':
      return `stands in ${farm.placeName(node.of)}`;
    case 'place':
      return farm.placeName(node.of) + (node.out ? ', out' : '');
  }
};

/** The way of the grain as a flow: as wide as the dry bushels that went there. */
export function WayDrawing({ farm, way, crop }: { farm: Farm; way: GrainWay; crop: string | undefined }) {
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(900);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(Math.max(620, entry!.contentRect.width)));
    observer.observe(frame.current!);
    return () => observer.disconnect();
  }, []);
  const lots = way.nodes.filter((node) => node.what === 'lot');
  const only = lots.length === 1 ? lots[0]!.of : null;
  const height = Math.min(480, Math.max(130, way.nodes.length * 27));
  const graph = useMemo((): SankeyGraph<Node, Link> => {
    const nodes = way.nodes.map((node): Node => ({ id: node.id, node }));
    const links = way.links.map(({ from, to, dryKg, entries }): Link => {
      const source = way.nodes.find((node) => node.id === from);
      return { source: from, target: to, value: dryKg, entries, lot: source?.what === 'lot' ? source.of : only };
    });
    return sankey<Node, Link>()
      .nodeId((node) => node.id)
      .nodeAlign(sankeyJustify)
      .nodeWidth(9)
      .nodePadding(26)
      .extent([
        [1, 18],
        [width - 1, height - 18],
      ])({ nodes, links });
  }, [way, only, width, height]);
  const { legalPounds, baseMoisture } = cropOf(crop ?? '') ?? CROPS.corn;
  const bu = (kg: number) => `${formatBushels(dryBushels(kg, legalPounds, baseMoisture))} bu`;
  const path = sankeyLinkHorizontal<Node, Link>();
  return (
    <div ref={frame} className="mt-2 overflow-x-auto">
      <svg width={width} height={height} role="img" aria-label={way.links.map((l) => `${l.entries} × ${bu(l.dryKg)}`).join(', ')} className="block">
        <g className="grain" fill="none">
          {graph.links.map((link, i) => {
            const lot = link.lot;
            const d = path(link) ?? '';
            // Weaves cannot be stroked evenly along a curve, so a stream is drawn as its own closed ribbon.
            return (
              <g key={i}>
                <path d={ribbon(link)} fill={lot ? lotFill(farm.lotIndex(lot)) : 'var(--sand)'} stroke="var(--rule)" strokeWidth="0.75" opacity={0.9} />
                <path d={d} stroke="transparent" strokeWidth={Math.max(6, link.width ?? 1)}>
                  <title>{`${bu(link.value)} in ${link.entries} ${link.entries === 1 ? 'load' : 'loads'}`}</title>
                </path>
              </g>
            );
          })}
        </g>
        {graph.nodes.map((node) => {
          const x0 = node.x0 ?? 0;
          const y0 = node.y0 ?? 0;
          const y1 = node.y1 ?? 0;
          const right = (node.sourceLinks?.length ?? 0) === 0;
          const name = nameOf(node.node, farm);
          return (
            <g key={node.id}>
              <rect x={x0} y={y0} width={9} height={Math.max(2, y1 - y0)} fill="var(--ink)" />
              <text
                x={right ? x0 - 6 : x0 + 15}
                y={(y0 + y1) / 2 - 3}
                textAnchor={right ? 'end' : 'start'}
                fontSize="13"
                fill="var(--ink)"
                stroke="var(--paper)"
                strokeWidth="4"
                paintOrder="stroke"
                strokeLinejoin="round"
              >
                <tspan fontWeight="700">{name}</tspan>
                <tspan x={right ? x0 - 6 : x0 + 15} dy="15">
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

function ribbon(link: SankeyGraph<Node, Link>['links'][number]): string {
  const source = link.source as unknown as { x1: number };
  const target = link.target as unknown as { x0: number };
  const half = Math.max(0.5, (link.width ?? 1) / 2);
  const [x0, x1] = [source.x1, target.x0];
  const [y0, y1] = [link.y0 ?? 0, link.y1 ?? 0];
  const middle = (x0 + x1) / 2;
  return `M${x0} ${y0 - half}C${middle} ${y0 - half} ${middle} ${y1 - half} ${x1} ${y1 - half}L${x1} ${y1 + half}C${middle} ${y1 + half} ${middle} ${y0 + half} ${x0} ${y0 + half}Z`;
}
