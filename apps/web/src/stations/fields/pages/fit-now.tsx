import type { WeatherHourInfo } from '@fanega/contract';
import {
  type CuttingWindow,
  type FieldFacts,
  type FieldForecast,
  fitToCut,
  type FitVerdict,
  likelyBuyerReading,
  type Tester,
} from '@fanega/core';
import { Moisture, moisture as wetness, percent } from '../../../quantity/quantity';
import { clock, HOUR_MS, weekday } from '../../../quantity/time';
import { Verdict } from '../../../ui/verdict';
import { FIT_LOOK, OLD_AFTER_HOURS } from './fitness';
import type { Known } from './forecast-moments';
import { forecastAt, Moments } from './forecast-moments';

export function isWet(weather: readonly WeatherHourInfo[], nowMs: number): boolean {
  return weather.some((hour) => hour.wet && Date.parse(hour.at) <= nowMs && Date.parse(hour.at) > nowMs - HOUR_MS);
}

/** The answer in one glance: go, wait or stop, the likely moisture, and when the window opens. */
export function Fit({
  facts,
  last,
  tester,
  window,
  forecast,
  nowMs,
  timeZone,
  corrected,
  wetNow,
  byDollars,
}: {
  facts: FieldFacts;
  last: Known['readings'][number] | undefined;
  tester: Tester | undefined;
  window: CuttingWindow | undefined;
  forecast: FieldForecast | null;
  nowMs: number;
  timeZone: string;
  corrected: boolean;
  wetNow: boolean;
  byDollars: { readonly title: string; readonly rest: string } | null;
}) {
  if (facts.acresLeft === 0 && !facts.cuttingToday)
    return <p className="px-5 py-4 text-lg lg:px-6">Nothing stands here any more: all of it is cut.</p>;
  if (!window)
    return (
      <p className="px-5 py-4 text-lg lg:px-6">
        No window is set for {facts.crop.name}: with one, this page says go, wait or stop.
      </p>
    );
  const at = forecast && forecast.by === 'the day’s weather' ? forecastAt(forecast, nowMs) : null;
  const moisture = at?.likely ?? last?.likely ?? null;
  const trend =
    forecast && forecast.by === 'the day’s weather'
      ? 100 * (forecastAt(forecast, nowMs + HOUR_MS).likely - forecastAt(forecast, nowMs).likely)
      : 0;
  const verdict: FitVerdict = fitToCut({
    moisture,
    window,
    ageHours: last ? Math.max(0, Math.min(9999, (nowMs - last.atMs) / HOUR_MS)) : 0,
    trend: Math.max(-5, Math.min(5, trend)),
    wetStraw: wetNow && facts.crop.like === 'soybean',
    oldAfterHours: OLD_AFTER_HOURS[facts.row.lot.crop] ?? 72,
  });
  const [shape, word] = FIT_LOOK[verdict.verdict];
  const test =
    last?.moisture !== null && last !== undefined ? likelyBuyerReading(last.moisture, tester?.pairs ?? []) : null;
  return (
    <section aria-label="Is it fit?" className="flex flex-wrap items-start gap-x-10 gap-y-4 px-5 py-5 lg:px-6">
      <Verdict shape={shape} figure={word} bad={verdict.verdict === 'stop'}>
        {verdict.because}
        {verdict.also.length > 0 ? `; ${verdict.also.join(', ')}` : ''}
      </Verdict>
      <div>
        <Verdict small figure={<Moisture value={moisture} />} />
        <p className="mt-2 text-muted">
          {at
            ? `likely now, ${wetness.figure(at.low)} to ${wetness.figure(at.high)}`
            : last
              ? `read ${weekday(last.atMs, timeZone)}, ${clock(last.atMs, timeZone)}`
              : 'nobody has read it'}
          {corrected ? ', as the buyer would test it' : ''}
        </p>
      </div>
      <div className="max-w-md min-w-64 flex-1 space-y-1.5">
        {last && test && (
          <p aria-label="Likely at the buyer">
            Last: {last.tester || 'read'} {percent(last.moisture!)} at {clock(last.atMs, timeZone)}.{' '}
            {test.likely ? (
              <b>
                At the buyer likely {wetness.figure(test.likely.moisture)}, {wetness.figure(test.likely.low)} to{' '}
                {wetness.figure(test.likely.high)}
                {test.likely.high > window.refuseAbove ? ': do not haul' : ''}.
              </b>
            ) : last.source === 'elevator' ? (
              'That is the buyer’s own test.'
            ) : (
              `Too little to go on for the buyer’s test: ${test.pairs} of 3 pairs${last.tester ? ` for ${last.tester}` : ''}.`
            )}
          </p>
        )}
        {forecast && <Moments forecast={forecast} nowMs={nowMs} timeZone={timeZone} />}
        {byDollars && (
          <p>
            By dollars: <b>{byDollars.title}</b> {byDollars.rest}
          </p>
        )}
      </div>
    </section>
  );
}
