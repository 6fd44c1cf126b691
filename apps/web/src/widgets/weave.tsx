import type { ReactNode } from 'react';

/** Twelve earths and eight weaves: a lot has one of each and a tag, so that it reads in glare and without color. */
const COLORS = [
  '#c8952b',
  '#8a5230',
  '#7c8248',
  '#a44e63',
  '#4a568f',
  '#3f7f78',
  '#b8602f',
  '#6d4470',
  '#4f6b3a',
  '#5f7387',
  '#a98d4a',
  '#5a4038',
] as const;

const WEAVES: readonly ReactNode[] = [
  <g key="dots" fill="var(--weave)">
    <circle cx="3" cy="3" r="1.1" />
    <circle cx="9" cy="9" r="1.1" />
  </g>,
  <path key="twill" d="M-1 4 4 -1M-1 13 13 -1M8 13 13 8" stroke="var(--weave)" strokeWidth="1.3" />,
  <path key="reeds" d="M0 3H12M0 9H12" stroke="var(--weave)" strokeWidth="1.3" />,
  <path key="grid" d="M0 3H12M3 0V12" stroke="var(--weave)" strokeWidth="1" />,
  <path key="rows" d="M3 0V12M9 0V12" stroke="var(--weave)" strokeWidth="1.4" />,
  <path key="waves" d="M0 6Q3 2 6 6T12 6" stroke="var(--weave)" strokeWidth="1.4" fill="none" />,
  <path key="crosses" d="M3 1V5M1 3H5M9 7V11M7 9H11" stroke="var(--weave)" strokeWidth="1.2" />,
  <path key="chevrons" d="M0 8 6 3 12 8" stroke="var(--weave)" strokeWidth="1.3" fill="none" />,
];

const colorOf = (index: number): number => index % COLORS.length;
const weaveOf = (index: number): number => (index + 3 * Math.floor(index / WEAVES.length)) % WEAVES.length;

/** Fill for SVG: a pattern defined once by {@link WeaveDefs}. Negative: grain that no field is known for. */
export const lotFill = (index: number): string =>
  index < 0 ? 'url(#weave-unknown)' : `url(#weave-${colorOf(index)}-${weaveOf(index)})`;

/** All patterns, once a page; drawings refer to them by id. */
export function WeaveDefs({ lots }: { lots: number }) {
  const pairs = new Map<string, [number, number]>();
  for (let i = 0; i < lots; i++) pairs.set(`${colorOf(i)}-${weaveOf(i)}`, [colorOf(i), weaveOf(i)]);
  return (
    <svg width="0" height="0" className="absolute" aria-hidden="true">
      <defs>
        {[...pairs].map(([key, [color, weave]]) => (
          <pattern key={key} id={`weave-${key}`} width="12" height="12" patternUnits="userSpaceOnUse">
            <rect width="12" height="12" fill={COLORS[color]} />
            {WEAVES[weave]}
          </pattern>
        ))}
        <pattern id="weave-unknown" width="10" height="10" patternUnits="userSpaceOnUse">
          <rect width="10" height="10" fill="var(--paper)" />
          <path d="M0 10 10 0M-2 2 2 -2M8 12 12 8" stroke="var(--clay)" strokeWidth="1.6" />
        </pattern>
      </defs>
    </svg>
  );
}

/** A small piece of a lot's cloth. */
export function Swatch({ index, size = 18 }: { index: number; size?: number }) {
  return (
    <svg width={size} height={size} className="grain inline-block shrink-0 align-[-0.2em]" aria-hidden="true">
      <rect x="0.5" y="0.5" width={size - 1} height={size - 1} fill={lotFill(index)} stroke="var(--ink)" />
    </svg>
  );
}
