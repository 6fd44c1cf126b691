import type { CuttingWindow, FieldForecast, ReadingMark, ReadingSource } from '@fanega/core';
import { memo } from 'react';
import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  usePlotArea,
  XAxis,
  YAxis,
  ZIndexLayer,
} from 'recharts';
import { clock, day, HOUR_MS } from '../../../quantity/time';
import { SOURCE_WORDS } from '../../../widgets/source-words';
import { moisture } from '../../../quantity/quantity';
import { ChartFrame } from '../../../ui/chart-frame';

/** Outlines of the marks about a point. */
const PATHS: Readonly<Record<ReadingSource, (x: number, y: number, r: number) => string>> = {
  hand: (x, y, r) => `M${x} ${y - r}a${r} ${r} 0 1 1 0 ${2 * r}a${r} ${r} 0 1 1 0 ${-2 * r}Z`,
  combine: (x, y, r) => `M${x} ${y - r}l${r} ${1.8 * r}h${-2 * r}Z`,
  elevator: (x, y, r) => `M${x - 0.85 * r} ${y - 0.85 * r}h${1.7 * r}v${1.7 * r}h${-1.7 * r}Z`,
  bench: (x, y, r) => `M${x} ${y - 1.15 * r}l${r} ${1.15 * r}l${-r} ${1.15 * r}l${-r} ${-1.15 * r}Z`,
  bite: (x, y, r) => `M${x - r} ${y - r}l${2 * r} ${2 * r}M${x - r} ${y + r}l${2 * r} ${-2 * r}`,
};
const FILLED: readonly ReadingSource[] = ['elevator', 'combine'];

/** The look of a source: told apart by its shape, not by a color. */
const markLook = (source: ReadingSource) =>
  ({
    fill: FILLED.includes(source) ? 'var(--ink)' : source === 'bite' ? 'none' : 'var(--paper)',
    stroke: 'var(--ink)',
    strokeWidth: 1.8,
  }) as const;

export function SourceName({ source }: { source: ReadingSource }) {
  return (
    <span className="inline-flex items-center gap-1.5 whitespace-nowrap">
      <svg width="16" height="16" aria-hidden="true">
        <path d={PATHS[source](8, 8, 5)} {...markLook(source)} />
      </svg>
      {SOURCE_WORDS[source]}
    </span>
  );
}

const percent = (fraction: number): number => Math.round(fraction * 1e5) / 1e3;

/** What was read, and the course every six hours. */
const figures = (
  marks: readonly ReadingMark[],
  forecast: FieldForecast | null,
  from: number,
  to: number,
  timeZone: string,
): string[][] =>
  [
    ...marks.map(({ atMs, moisture: read }) => ({ atMs, row: [moisture.figure(read), '', ''] })),
    ...(forecast?.points ?? [])
      .filter(({ atMs }) => atMs >= from && atMs <= to && atMs % (6 * HOUR_MS) < HOUR_MS)
      .map(({ atMs, likely, low, high }) => ({
        atMs,
        row: ['', moisture.figure(likely), `${moisture.figure(low)} to ${moisture.figure(high)}`],
      })),
  ]
    .sort((a, b) => a.atMs - b.atMs)
    .map(({ atMs, row }) => [`${day(atMs, timeZone)} ${clock(atMs, timeZone)}`, ...row]);

/** A field's readings against its window, with the forecast as a band that holds eight of ten. */
export const MoistureChart = memo(function MoistureChart({
  marks,
  bites,
  forecast,
  window,
  nowMs,
  from,
  to,
  timeZone,
  label,
}: {
  marks: readonly ReadingMark[];
  bites: readonly { readonly atMs: number; readonly cracked: number }[];
  forecast: FieldForecast | null;
  window: CuttingWindow | undefined;
  nowMs: number;
  from: number;
  to: number;
  timeZone: string;
  label: string;
}) {
  const shown = marks.filter((mark) => mark.atMs >= from && mark.atMs <= to);
  const points = (forecast?.points ?? [])
    .filter((point) => point.atMs >= from - 26 * HOUR_MS && point.atMs <= to + 26 * HOUR_MS)
    .map(({ atMs, likely, low, high }) => ({ atMs, likely: percent(likely), band: [percent(low), percent(high)] }));
  const inside = points.filter((point) => point.atMs >= from && point.atMs <= to);
  const values = [
    ...shown.flatMap((mark) => [percent(mark.low), percent(mark.high)]),
    ...inside.flatMap((point) => point.band),
    ...(window ? [percent(window.bestFrom), percent(window.bestTo)] : []),
  ];
  const low = Math.floor(Math.min(...values, 20) - 0.7);
  const high = Math.ceil(Math.max(...values, low + 3) + 0.7);
  const rise = Math.max(1, Math.ceil((high - low) / 7));
  const levels = Array.from({ length: Math.floor((high - low) / rise) + 1 }, (_, i) => low + i * rise);
  const long = to - from > 3 * 24 * HOUR_MS;
  const step = long ? 24 * HOUR_MS * Math.max(1, Math.round((to - from) / (24 * HOUR_MS) / 8)) : 3 * HOUR_MS;
  const ticks: number[] = [];
  for (let at = from; at <= to; at += step) ticks.push(at);
  const moment = (at: number | null): at is number => at !== null && at > from && at < to;
  const { enters, leaves } = forecast ?? { enters: null, leaves: null };
  return (
    <ChartFrame
      label={label}
      heads={['When', 'Read', 'Likely', 'Eight of ten']}
      rows={() => figures(shown, forecast, from, to, timeZone)}
      className="h-[19rem]"
    >
      <ComposedChart margin={{ top: 14, right: 16, bottom: 4, left: 0 }} accessibilityLayer={false}>
        <CartesianGrid stroke="var(--rule)" vertical={false} strokeWidth={0.7} />
        <XAxis
          type="number"
          dataKey="atMs"
          domain={[from, to]}
          ticks={ticks}
          allowDataOverflow
          tickFormatter={(at: number) => (long ? day(at, timeZone) : clock(at, timeZone))}
          stroke="var(--ink)"
          tick={{ fill: 'var(--ink)', fontSize: 14 }}
        />
        <YAxis
          type="number"
          domain={[low, high]}
          allowDataOverflow
          width={46}
          unit=" %"
          stroke="var(--ink)"
          tick={{ fill: 'var(--ink)', fontSize: 14 }}
          ticks={levels}
        />
        {window && (
          <ReferenceArea
            y1={percent(window.bestFrom)}
            y2={percent(window.bestTo)}
            fill="var(--sand)"
            fillOpacity={1}
            stroke="var(--rule)"
            label={{ value: 'best', position: 'insideTopLeft', fill: 'var(--muted)', fontSize: 13 }}
          />
        )}
        {window && percent(window.refuseAbove) < high && (
          <ReferenceLine
            y={percent(window.refuseAbove)}
            stroke="var(--clay)"
            strokeWidth={2}
            label={{ value: 'refused above', position: 'insideBottomLeft', fill: 'var(--clay)', fontSize: 13 }}
          />
        )}
        {window && percent(window.tooDryBelow) > low && (
          <ReferenceLine
            y={percent(window.tooDryBelow)}
            stroke="var(--clay)"
            strokeWidth={2}
            strokeDasharray="6 4"
            label={{ value: 'too dry below', position: 'insideTopLeft', fill: 'var(--clay)', fontSize: 13 }}
          />
        )}
        <Area
          data={points}
          dataKey="band"
          stroke="none"
          fill="var(--ink)"
          fillOpacity={0.16}
          isAnimationActive={false}
          activeDot={false}
        />
        <Line
          data={points}
          dataKey="likely"
          stroke="var(--ink)"
          strokeWidth={2}
          strokeDasharray="7 4"
          dot={false}
          activeDot={false}
          isAnimationActive={false}
        />
        <ReferenceLine
          x={nowMs}
          stroke="var(--ink)"
          strokeWidth={1.5}
          label={{ value: 'now', position: 'top', dx: -18, fill: 'var(--ink)', fontSize: 13 }}
        />
        {moment(enters?.likely ?? null) && enters!.likely! > nowMs + 60_000 && (
          <ReferenceLine
            x={enters!.likely!}
            stroke="var(--clay)"
            label={{
              value: `in ${long ? day(enters!.likely!, timeZone) : clock(enters!.likely!, timeZone)}`,
              position: 'top',
              dx: 36,
              fill: 'var(--clay)',
              fontSize: 13,
            }}
          />
        )}
        {moment(leaves?.likely ?? null) && (
          <ReferenceLine
            x={leaves!.likely!}
            stroke="var(--clay)"
            label={{
              value: `out ${long ? day(leaves!.likely!, timeZone) : clock(leaves!.likely!, timeZone)}`,
              position: 'top',
              dx: 36,
              fill: 'var(--clay)',
              fontSize: 13,
            }}
          />
        )}
        {/* Above the window's field: what was read is never hidden. */}
        <ZIndexLayer zIndex={700}>
          <Marks
            marks={shown}
            bites={bites.filter((bite) => bite.atMs >= from && bite.atMs <= to)}
            from={from}
            to={to}
            low={low}
            high={high}
          />
        </ZIndexLayer>
      </ComposedChart>
    </ChartFrame>
  );
});

/**
 * All marks as one outline for each source: hundreds of them cost no more than one. Several readings in one mark are drawn with the
 * span that they had.
 */
function Marks({
  marks,
  bites,
  from,
  to,
  low,
  high,
}: {
  marks: readonly ReadingMark[];
  bites: readonly { readonly atMs: number; readonly cracked: number }[];
  from: number;
  to: number;
  low: number;
  high: number;
}) {
  const area = usePlotArea();
  if (!area) return null;
  const x = (atMs: number): number => Math.round(10 * (area.x + (area.width * (atMs - from)) / (to - from))) / 10;
  const y = (moisture: number): number =>
    Math.round(10 * (area.y + area.height - (area.height * (100 * moisture - low)) / (high - low))) / 10;
  const spans = marks.filter((mark) => mark.count > 1).map((mark) => `M${x(mark.atMs)} ${y(mark.high)}V${y(mark.low)}`);
  const sources = [...new Set(marks.map((mark) => mark.source as ReadingSource))];
  const foot = area.y + area.height - 12;
  return (
    <g className="recharts-marks">
      {spans.length > 0 && <path d={spans.join('')} stroke="var(--ink)" strokeWidth="1.2" fill="none" />}
      {sources.map((source) => (
        <path
          key={source}
          d={marks
            .filter((mark) => mark.source === source)
            .map((mark) => PATHS[source](x(mark.atMs), y(mark.moisture), mark.count > 1 ? 4 : 5.5))
            .join('')}
          {...markLook(source)}
        />
      ))}
      {bites.map((bite) => (
        <g key={bite.atMs}>
          <path d={PATHS.bite(x(bite.atMs), foot, 5)} {...markLook('bite')} />
          <text x={x(bite.atMs) + 9} y={foot + 4} fontSize="13" fill="var(--ink)">
            {bite.cracked} of 10
          </text>
        </g>
      ))}
    </g>
  );
}
