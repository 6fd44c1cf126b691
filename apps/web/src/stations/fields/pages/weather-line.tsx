import type { WeatherHourInfo } from '@fanega/contract';
import { FIRE_DANGER, FIRE_STOP, type FireLevel } from '@fanega/core';
import { Wind } from 'lucide-react';
import { clock, HOUR_MS, weekday } from '../../../quantity/time';
import { FIRE_CARE } from '../words';
import { dangerOf } from '../../../widgets/weather-now';
import { Working } from '../../../widgets/working';
import { number, percent, temperature, wind as windKind } from '../../../quantity/quantity';

/** Dew, rain, wind and fire danger, hour by hour, on the same line as the day's chart. */
export function WeatherLine({
  weather,
  from,
  to,
  timeZone,
  inset = false,
  stopAt = FIRE_STOP,
}: {
  weather: readonly WeatherHourInfo[];
  from: number;
  to: number;
  timeZone: string;
  inset?: boolean;
  stopAt?: number;
}) {
  const hours = weather.filter((hour) => Date.parse(hour.at) >= from && Date.parse(hour.at) < to);
  if (hours.length === 0)
    return <p className="mt-2 text-sm text-muted">No weather for these hours: a station or a forecast sends it.</p>;
  const x = (at: number): number => ((at - from) / (to - from)) * 1000;
  const wide = (HOUR_MS / (to - from)) * 1000;
  const mostWind = Math.max(9, ...hours.map((hour) => hour.wind));
  const rows = [
    {
      name: 'dew',
      words: 'dew or rain on the crop',
      share: (hour: WeatherHourInfo) => (hour.wet ? 1 : 0),
      loud: () => false,
    },
    {
      name: 'rain',
      words: `chance of rain, most ${percent(Math.max(...hours.map((hour) => hour.rainChance)), 0)}`,
      share: (hour: WeatherHourInfo) => hour.rainChance,
      loud: () => false,
    },
    {
      name: 'wind',
      words: `wind, most ${windKind(Math.max(...hours.map((hour) => hour.wind)))}`,
      share: (hour: WeatherHourInfo) => hour.wind / mostWind,
      loud: () => false,
    },
    {
      name: 'fire',
      words: `fire danger, most ${Math.round(Math.max(...hours.map((hour) => dangerOf(hour, stopAt).index)))} of ${stopAt}`,
      share: (hour: WeatherHourInfo) => Math.min(1, dangerOf(hour, stopAt).index / stopAt),
      loud: (hour: WeatherHourInfo) => dangerOf(hour, stopAt).index >= 0.7 * stopAt,
    },
  ];
  return (
    <figure className={inset ? 'pr-4' : ''} aria-label="Weather by the hour">
      {rows.map(({ name, words, share, loud }) => (
        <div key={name} className="grid grid-cols-[46px_1fr] items-end" role="img" aria-label={words} title={words}>
          <span className="pr-2 text-right text-xs text-muted">{name}</span>
          <svg
            viewBox="0 0 1000 16"
            preserveAspectRatio="none"
            className="block h-4 w-full border-b border-rule"
            aria-hidden="true"
          >
            {hours.map((hour) => {
              const tall = 15 * Math.min(1, share(hour));
              return (
                <rect
                  key={hour.at}
                  x={x(Date.parse(hour.at)) + wide * 0.12}
                  y={16 - tall}
                  width={wide * 0.76}
                  height={tall}
                  fill={loud(hour) ? 'var(--clay)' : 'var(--ink)'}
                  opacity={hour.forecast ? 0.5 : 0.85}
                />
              );
            })}
          </svg>
        </div>
      ))}
      {!inset && (
        <figcaption className="flex justify-between pl-[46px] text-xs text-muted">
          {[0, 0.25, 0.5, 0.75, 1].map((part) => (
            <span key={part}>{clock(from + part * (to - from), timeZone)}</span>
          ))}
        </figcaption>
      )}
    </figure>
  );
}

const WORDS: Record<FireLevel, string> = { low: '○ low', watch: '◐ watch', high: '▲ high', stop: '■ stop' };

/** The weather now, when the dew goes, when rain comes, and the fire line with what to do. */
export function WeatherNow({
  weather,
  nowMs,
  timeZone,
  stopAt = FIRE_STOP,
}: {
  weather: readonly WeatherHourInfo[];
  nowMs: number;
  timeZone: string;
  stopAt?: number;
}) {
  const now = [...weather].reverse().find((hour) => Date.parse(hour.at) <= nowMs);
  if (!now) return null;
  const ahead = weather.filter(
    (hour) => Date.parse(hour.at) > nowMs - HOUR_MS && Date.parse(hour.at) < nowMs + 36 * HOUR_MS,
  );
  const dry = now.wet ? ahead.find((hour) => !hour.wet) : null;
  const rain = ahead.find((hour) => hour.rainChance >= 0.4);
  const old = nowMs - Date.parse(now.at) > 3 * HOUR_MS;
  const danger = dangerOf(now, stopAt);
  const measured = now.forecast ? 'forecast' : 'weather station';
  const until = nowMs + 12 * HOUR_MS;
  const worst = ahead
    .filter((hour) => Date.parse(hour.at) < until)
    .reduce((a, b) => (dangerOf(b, stopAt).index > dangerOf(a, stopAt).index ? b : a), now);
  const peak = dangerOf(worst, stopAt);
  const when = (at: string): string =>
    Date.parse(at) - nowMs < 16 * HOUR_MS ? clock(at, timeZone) : `${weekday(at, timeZone)}, ${clock(at, timeZone)}`;
  return (
    <div className="grid gap-x-10 gap-y-3 lg:grid-cols-[auto_1fr]">
      <p className="min-w-56">
        <span className="text-2xl font-bold">{temperature(now.temperature).text}</span> {percent(now.humidity, 0)}{' '}
        humid, <Wind size={16} className="inline align-[-0.15em]" aria-label="wind" /> {windKind(now.wind).text}
        <span className="block text-sm text-muted">
          {old ? `as of ${when(now.at)}, old. ` : ''}
          {now.wet
            ? dry
              ? `Dew or rain on the crop until about ${when(dry.at)}. `
              : 'Dew or rain on the crop. '
            : 'No dew on the crop. '}
          {rain
            ? `Rain likely (${percent(rain.rainChance, 0)}) from ${when(rain.at)}.`
            : 'No rain likely in the next 36 hours.'}
        </span>
      </p>
      <div className={`border-l-4 pl-3 ${['high', 'stop'].includes(peak.level) ? 'border-clay' : 'border-ink'}`}>
        <p>
          <b>Fire danger {WORDS[danger.level]}</b> ({Math.round(danger.index)} of {stopAt})
          {peak.level !== danger.level ? `, ${WORDS[peak.level]} at ${when(worst.at)}` : ''}.{' '}
          <span className="text-sm">{FIRE_CARE[peak.level].join(' ')}</span>
        </p>
        <p className="text-sm text-muted">
          Burn bans and the fire department have the last word, whatever this figure says.
        </p>
        <Working
          what={`Fire danger ${WORDS[danger.level]}`}
          formulas={[FIRE_DANGER]}
          inputs={[
            {
              name: 'Temperature',
              value: temperature(now.temperature).text,
              from: measured,
              at: now.at,
            },
            {
              name: 'Humidity',
              value: percent(now.humidity, 0),
              from: measured,
              at: now.at,
            },
            {
              name: 'Wind',
              value: windKind(now.wind).text,
              from: measured,
              at: now.at,
            },
            {
              name: 'Stop at',
              value: `${stopAt}`,
              from:
                stopAt === FIRE_STOP
                  ? 'usual limit; the farm’s own is set in the shed’s season plan'
                  : 'set in the season plan',
            },
          ]}
          worked={[
            `2 exp(−23.6 + 5.01 ln 100 + 0.0281 × ${number(now.temperature, 1)} − 0.226 √${number(100 * now.humidity)} + 0.633 √${number(3.6 * now.wind, 1)}) = ${number(danger.index)}`,
          ]}
          not="straw, slope, and what a machine carries into the field."
        />
      </div>
    </div>
  );
}
