import type { ReadingSource, WindowBody } from '@fanega/contract';
import type { FieldForecast, ReadingMark } from '@fanega/core';
import { memo } from 'react';
import { Area, CartesianGrid, ComposedChart, Line, ReferenceArea, ReferenceLine, ResponsiveContainer, Scatter, XAxis, YAxis } from 'recharts';
import { clock, day } from '../../widgets/time';

export const SOURCE_WORDS: Readonly<Record<ReadingSource, string>> = { hand: 'Hand tester', combine: 'Combine', elevator: 'Elevator', bench: 'Bench', bite: 'Teeth' };

const PATHS: Readonly<Record<ReadingSource, (r: number) => string>> = {
  hand: (r) => `M0 ${-r}A${r} ${r} 0 1 1 0 ${r}A${r} ${r} 0 1 1 0 ${-r}Z`,
  combine: (r) => `M0 ${-r}L${r} ${r * 0.8}H${-r}Z`,
  elevator: (r) => `M${-r * 0.85} ${-r * 0.85}H${r * 0.85}V${r * 0.85}H${-r * 0.85}Z`,
  bench: (r) => `M0 ${-r * 1.15}L${r} 0 0 ${r * 1.15} ${-r} 0Z`,
  bite: (r) => `M${-r} ${-r}L${r} ${r}M${-r} ${r}L${r} ${-r}`,
};
const FILLED: readonly ReadingSource[] = ['elevator', 'combine'];

/** The mark of a source: told apart by its shape, not by a colour. */
export function SourceMark({ source, cx = 8, cy = 8, r = 5 }: { source: ReadingSource; cx?: number; cy?: number; r?: number }) {
  const filled = FILLED.includes(source);
  return (
    <path
      d={PATHS[source](r)}
      transform={`translate(${cx} ${cy})`}
      fill={filled ? 'var(--ink)' : source === 'bite' ? 'none' : 'var(--paper)'}
      stroke="var(--ink)"
      strokeWidth="1.8"
    />
  );
}

export function SourceName({ source }: { source: ReadingSource }) {
  return (
    <span className="inline-flex items-center gap-1.5 whitespace-nowrap">
      <svg width="16" height="16" aria-hidden="true">
        <SourceMark source={source} />
      </svg>
      {SOURCE_WORDS[source]}
    </span>
  );
}

const HOUR = 3_600_000;
const percent = (fraction: number): number => Math.round(fraction * 1e5) / 1e3;

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
  window: WindowBody | undefined;
  nowMs: number;
  from: number;
  to: number;
  timeZone: string;
  label: string;
}) {
  const shown = marks.filter((mark) => mark.atMs >= from && mark.atMs <= to);
  const points = (forecast?.points ?? [])
    .filter((point) => point.atMs >= from - 26 * HOUR && point.atMs <= to + 26 * HOUR)
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
  const long = to - from > 3 * 24 * HOUR;
  const step = long ? 24 * HOUR * Math.max(1, Math.round((to - from) / (24 * HOUR) / 8)) : 3 * HOUR;
  const ticks: number[] = [];
  for (let at = from; at <= to; at += step) ticks.push(at);
  const moment = (at: number | null): at is number => at !== null && at > from && at < to;
  const { enters, leaves } = forecast ?? { enters: null, leaves: null };
  return (
    <div role="img" aria-label={label} className="h-[19rem] w-full">
      <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 640, height: 304 }}>
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
          <YAxis type="number" domain={[low, high]} allowDataOverflow width={46} unit=" %" stroke="var(--ink)" tick={{ fill: 'var(--ink)', fontSize: 14 }} ticks={levels} />
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
          <Area data={points} dataKey="band" stroke="none" fill="var(--ink)" fillOpacity={0.16} isAnimationActive={false} activeDot={false} />
          <Line data={points} dataKey="likely" stroke="var(--ink)" strokeWidth={2} strokeDasharray="7 4" dot={false} activeDot={false} isAnimationActive={false} />
          <ReferenceLine x={nowMs} stroke="var(--ink)" strokeWidth={1.5} label={{ value: 'now', position: 'top', fill: 'var(--ink)', fontSize: 13 }} />
          {moment(enters?.likely ?? null) && enters!.likely! > nowMs + 60_000 && (
            <ReferenceLine
              x={enters!.likely!}
              stroke="var(--clay)"
              label={{ value: `in ${long ? day(enters!.likely!, timeZone) : clock(enters!.likely!, timeZone)}`, position: 'top', fill: 'var(--clay)', fontSize: 13 }}
            />
          )}
          {moment(leaves?.likely ?? null) && (
            <ReferenceLine
              x={leaves!.likely!}
              stroke="var(--clay)"
              label={{ value: `out ${long ? day(leaves!.likely!, timeZone) : clock(leaves!.likely!, timeZone)}`, position: 'top', fill: 'var(--clay)', fontSize: 13 }}
            />
          )}
          <Scatter
            data={shown.map(({ source, atMs, moisture, low: least, high: most, count }) => ({
              source,
              atMs,
              y: percent(moisture),
              least: percent(least),
              most: percent(most),
              count,
            }))}
            dataKey="y"
            isAnimationActive={false}
            shape={(props: unknown) => <Mark {...(props as MarkProps)} perPercent={(high - low) / 270} />}
          />
          {bites.length > 0 && (
            <Scatter
              data={bites.filter((bite) => bite.atMs >= from && bite.atMs <= to).map(({ atMs, cracked }) => ({ source: 'bite', atMs, y: low + (high - low) * 0.05, cracked }))}
              dataKey="y"
              isAnimationActive={false}
              shape={(props: unknown) => <Mark {...(props as MarkProps)} perPercent={1} />}
            />
          )}
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
});

interface MarkProps {
  readonly cx: number;
  readonly cy: number;
  readonly payload: { readonly source: ReadingSource; readonly count?: number; readonly y: number; readonly least?: number; readonly most?: number; readonly cracked?: number };
}

/** One mark; several readings in one are drawn with the span that they had. */
function Mark({ cx, cy, payload, perPercent }: MarkProps & { perPercent: number }) {
  const { source, count = 1, y, least = y, most = y, cracked } = payload;
  return (
    <g>
      {count > 1 && <line x1={cx} x2={cx} y1={cy - (most - y) / perPercent} y2={cy + (y - least) / perPercent} stroke="var(--ink)" strokeWidth="1.2" />}
      <SourceMark source={source} cx={cx} cy={cy} r={count > 1 ? 4 : 5.5} />
      {cracked !== undefined && (
        <text x={cx + 9} y={cy + 4} fontSize="13" fill="var(--ink)">
          {cracked} of 10
        </text>
      )}
    </g>
  );
}
