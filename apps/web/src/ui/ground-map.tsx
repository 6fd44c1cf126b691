import type { MouseEvent, ReactNode } from 'react';

/** [longitude, latitude] in degrees. */
export type Spot = readonly [number, number];

export interface MapShape {
  readonly key: string;
  readonly ring: readonly Spot[];
  readonly look: 'field' | 'zone' | 'waits' | 'drawn';
  readonly label?: string;
}
export interface MapPin {
  readonly key: string;
  readonly at: Spot;
  readonly letter: string;
  readonly label: string;
}

const WIDTH = 640;
const MOST_HEIGHT = 420;
const EDGE = 26;
/** A pin stands above its spot. */
const PIN = 18;
const WIDEST_BAR = 160;
const tenth = (value: number): number => Math.round(10 * value) / 10;
const LOOKS = {
  field: { fill: 'var(--sand)', stroke: 'var(--ink)', strokeWidth: 2 },
  zone: { fill: 'none', stroke: 'var(--ink)', strokeWidth: 2, strokeDasharray: '7 4' },
  waits: { fill: 'url(#waits)', stroke: 'var(--ink)', strokeWidth: 2 },
  drawn: { fill: 'none', stroke: 'var(--clay)', strokeWidth: 3 },
} as const;

/** A field as lines and letters, north up, with a scale; no tiles, no server. A tap says where it was. */
export function GroundMap({
  shapes,
  pins,
  here,
  label,
  bars,
  onTap,
}: {
  shapes: readonly MapShape[];
  pins: readonly MapPin[];
  here: Spot | null;
  label: string;
  /** round lengths for the scale, the shortest first */
  bars: readonly { readonly meters: number; readonly text: string }[];
  onTap?: ((spot: Spot) => void) | undefined;
}): ReactNode {
  const all = [...shapes.flatMap(({ ring }) => ring), ...pins.map(({ at }) => at), ...(here ? [here] : [])];
  if (all.length === 0) return null;
  const lons = all.map(([lon]) => lon);
  const lats = all.map(([, lat]) => lat);
  const [west, east, south, north] = [Math.min(...lons), Math.max(...lons), Math.min(...lats), Math.max(...lats)];
  const narrow = Math.cos((((south + north) / 2) * Math.PI) / 180);
  // One degree of latitude is as long everywhere; of longitude it is narrower by the cosine.
  const [wide, tall] = [Math.max((east - west) * narrow, 1e-5), Math.max(north - south, 1e-5)];
  const scale = Math.min((WIDTH - 2 * EDGE) / wide, (MOST_HEIGHT - 2 * EDGE) / tall);
  const height = tall * scale + 2 * EDGE + PIN + 20;
  const left = (WIDTH - wide * scale) / 2;
  const x = (lon: number): number => left + (lon - west) * narrow * scale;
  const y = (lat: number): number => EDGE + PIN + (north - lat) * scale;
  const metersOfUnit = 111_195 / scale;
  const bar = bars.reduce((best, one) => (one.meters / metersOfUnit <= WIDEST_BAR ? one : best), bars[0]!);
  const tap = (event: MouseEvent<SVGSVGElement>): void => {
    const box = event.currentTarget.getBoundingClientRect();
    const [px, py] = [
      ((event.clientX - box.left) / box.width) * WIDTH,
      ((event.clientY - box.top) / box.height) * height,
    ];
    onTap?.([west + (px - left) / (narrow * scale), north - (py - EDGE - PIN) / scale]);
  };
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label={label}
      className={`w-full max-w-3xl ${onTap ? 'cursor-crosshair' : ''}`}
      onClick={onTap ? tap : undefined}
    >
      <defs>
        <pattern id="waits" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V8" stroke="var(--ink)" strokeWidth="1.5" opacity="0.5" />
        </pattern>
      </defs>
      {shapes.map(({ key, ring, look }) => (
        <path
          key={key}
          d={`${ring.map(([lon, lat], i) => `${i === 0 ? 'M' : 'L'}${tenth(x(lon))} ${tenth(y(lat))}`).join('')}${look === 'drawn' ? '' : 'Z'}`}
          {...LOOKS[look]}
        />
      ))}
      {shapes
        .filter(({ look }) => look === 'drawn')
        .flatMap(({ ring, key }) =>
          ring.map(([lon, lat], i) => <circle key={`${key}${i}`} cx={x(lon)} cy={y(lat)} r="5" fill="var(--clay)" />),
        )}
      {shapes
        .filter(({ label: words, ring }) => words !== undefined && ring.length > 0)
        .map(({ key, ring, label: words }) => (
          <text
            key={key}
            x={ring.reduce((sum, [lon]) => sum + x(lon), 0) / ring.length}
            y={ring.reduce((sum, [, lat]) => sum + y(lat), 0) / ring.length}
            textAnchor="middle"
            fontSize="15"
            fill="var(--ink)"
            paintOrder="stroke"
            stroke="var(--paper)"
            strokeWidth="4"
          >
            {words}
          </text>
        ))}
      {pins.map(({ key, at: [lon, lat], letter, label: words }) => (
        <g key={key}>
          <title>{words}</title>
          <path
            d={`M${x(lon)} ${y(lat)}l-11 -17a13 13 0 1 1 22 0Z`}
            fill="var(--paper)"
            stroke="var(--clay)"
            strokeWidth="2.5"
          />
          <text x={x(lon)} y={y(lat) - 18} textAnchor="middle" fontSize="14" fontWeight="700" fill="var(--ink)">
            {letter}
          </text>
        </g>
      ))}
      {here && (
        <g>
          <circle cx={x(here[0])} cy={y(here[1])} r="9" fill="var(--paper)" stroke="var(--ink)" strokeWidth="3" />
          <circle cx={x(here[0])} cy={y(here[1])} r="4" fill="var(--ink)" />
        </g>
      )}
      <g transform={`translate(${EDGE} ${height - 12})`}>
        <path
          d={`M0 0H${bar.meters / metersOfUnit}M0 -5V5M${bar.meters / metersOfUnit} -5V5`}
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        <text x={bar.meters / metersOfUnit + 8} y="5" fontSize="14" fill="var(--ink)">
          {bar.text}
        </text>
      </g>
      <text x={WIDTH - EDGE} y={height - 8} textAnchor="end" fontSize="14" fill="var(--ink)">
        north ↑
      </text>
    </svg>
  );
}
