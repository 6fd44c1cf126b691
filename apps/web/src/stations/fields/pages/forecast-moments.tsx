import type { ReadingInfo } from '@fanega/contract';
import type { FieldForecast } from '@fanega/core';
import { moisture, number } from '../../../quantity/quantity';
import { clock, day, HOUR_MS, weekday } from '../../../quantity/time';

/** What the readings come to, corrected to the buyer's tester or as they were read. */
export interface Known {
  readonly readings: readonly (ReadingInfo & { readonly atMs: number; readonly likely: number })[];
  readonly bites: readonly { readonly atMs: number; readonly cracked: number }[];
}

/** The forecast at an instant, straight between its points; its first or last one beyond them. */
export function forecastAt(
  forecast: FieldForecast,
  at: number,
): Pick<FieldForecast['points'][number], 'likely' | 'low' | 'high'> {
  const { points } = forecast;
  const i = points.findIndex((point) => point.atMs > at);
  const [a, b] = [points[i - 1], points[i]];
  if (!a || !b) return i === 0 ? points[0]! : points.at(-1)!;
  const share = (at - a.atMs) / (b.atMs - a.atMs);
  const between = (key: 'likely' | 'low' | 'high'): number => a[key] + share * (b[key] - a[key]);
  return { likely: between('likely'), low: between('low'), high: between('high') };
}

export function Moments({ forecast, nowMs, timeZone }: { forecast: FieldForecast; nowMs: number; timeZone: string }) {
  const hours = forecast.by === 'the day’s weather';
  const when = (ms: number): string =>
    hours ? (Math.abs(ms - nowMs) < 20 * HOUR_MS ? clock(ms, timeZone) : weekday(ms, timeZone)) : day(ms, timeZone);
  const range = (moment: FieldForecast['enters']): string => {
    const early = moment.early === null ? null : when(moment.early);
    const late = moment.late === null ? 'not at all' : when(moment.late);
    return early === null || early === late ? '' : ` (${early} to ${late})`;
  };
  const { enters, leaves } = forecast;
  return (
    <>
      <p>
        {enters.likely === null ? (
          <>
            Not in its best window {hours ? 'as far as the forecast reaches' : 'in the next weeks'}
            {enters.early === null ? '' : `, with luck at ${when(enters.early)}`}.
          </>
        ) : enters.likely <= nowMs + 60_000 ? (
          <b>In its best window now.</b>
        ) : (
          <>
            <b>Enters its best window {hours ? `at ${when(enters.likely)}` : when(enters.likely)}</b>
            {range(enters)}.
          </>
        )}
      </p>
      {leaves.likely !== null && (
        <p>
          Leaves it {hours ? `at ${when(leaves.likely)}` : when(leaves.likely)}
          {range(leaves)}, {leaves.how}.
        </p>
      )}
      {forecast.pointsPerDay !== null && (
        <p className="text-muted">Loses {number(forecast.pointsPerDay, 1)} points a day standing.</p>
      )}
    </>
  );
}

/** The forecast of the readings before, held against what was read. */
export function Held({
  forecast,
  last,
  timeZone,
}: {
  forecast: FieldForecast;
  last: Known['readings'][number];
  timeZone: string;
}) {
  if (last.atMs < forecast.points[0]!.atMs || last.atMs > forecast.points.at(-1)!.atMs) return null;
  const said = forecastAt(forecast, last.atMs);
  const inside = last.likely >= said.low - 1e-9 && last.likely <= said.high + 1e-9;
  return (
    <p className="mt-2" aria-label="Forecast against reading">
      Before it, the forecast for {clock(last.atMs, timeZone)} said {moisture.figure(said.likely)} (
      {moisture.figure(said.low)} to {moisture.figure(said.high)}); it read {moisture.figure(last.likely)}:{' '}
      {inside ? 'as forecast' : last.likely > said.high ? 'wetter than forecast' : 'drier than forecast'}.
    </p>
  );
}
