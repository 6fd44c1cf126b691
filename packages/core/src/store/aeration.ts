import type { Crop } from '../crops/index.js';
import { aerationFrontHours } from '../dry/index.js';
import { type AirOnGrain, airOnGrain } from '../grain/index.js';
import { type Formula, mean, quantity, requireFinite, requireInRange, within } from '../kernel/index.js';
import type { Aeration } from '../records/index.js';
import { MOISTURE } from '../units/index.js';

const AIRFLOW = quantity('airflow', 0.01, 5, 'cfm/bu');
const HOUR = 3_600_000;

export const COOLING_CYCLE: Formula = {
  id: 'cooling-cycle',
  title: 'Hours of fan until a cooling front is through',
  standing: 'published, from memory',
  source: 'Extension bulletins on aeration (MWPS-13 family)',
  equation: 'hours = 15 / (cfm a bushel) in fall, 20 in winter, 12 in spring and summer',
  inputs: [AIRFLOW],
  note: 'The front goes with the hours that the fan runs, whenever they are. Never stop it half way for long: moisture gathers where it stands.',
};

/** How the farm aerates until it says otherwise: 10 °F cooler, at most half a point wetter; common practice, no source. */
export const USUAL_AERATION: Aeration = { mode: 'window', coolBy: 5.6, mostRewet: 0.5, leastCelsius: 2 };

/** Above this the short figure of spring and summer counts, below the other the long one of winter, °C. */
const WARM_AIR = 18;
const COLD_AIR = 5;

/** Season of a cooling front by the air that is blown. */
const seasonOf = (airCelsius: number): 'fall' | 'winter' | 'spring' =>
  airCelsius > WARM_AIR ? 'spring' : airCelsius < COLD_AIR ? 'winter' : 'fall';

/** A fan switched on or off, at a moment. */
export interface Switched {
  readonly atMs: number;
  readonly on: boolean;
}

/** Hours that a fan ran since a moment, by its switches in any order; on where the last one says so. */
export function fanHours(
  switches: readonly Switched[],
  sinceMs: number,
  nowMs: number,
): { hours: number; on: boolean } {
  for (const ms of [sinceMs, nowMs, ...switches.map(({ atMs }) => atMs)]) requireFinite('time', ms, 'ms');
  const ordered = switches.filter(({ atMs }) => atMs <= nowMs).sort((a, b) => a.atMs - b.atMs);
  let on = false;
  let from = sinceMs;
  let ms = 0;
  for (const one of ordered) {
    if (on && !one.on) ms += Math.max(0, one.atMs - from);
    if (one.on && !on) from = Math.max(sinceMs, one.atMs);
    on = one.on;
  }
  if (on) ms += Math.max(0, nowMs - from);
  return { hours: ms / HOUR, on };
}

/** When the present cycle began: the first switching on after a pause of more than ten days, ms; null where it never ran. */
export function cycleBegan(switches: readonly Switched[], nowMs: number): number | null {
  for (const ms of [nowMs, ...switches.map(({ atMs }) => atMs)]) requireFinite('time', ms, 'ms');
  const PAUSE_MS = 10 * 24 * HOUR;
  let began: number | null = null;
  let lastOffMs = -Infinity;
  let on = false;
  for (const one of switches.filter(({ atMs }) => atMs <= nowMs).sort((a, b) => a.atMs - b.atMs)) {
    if (one.on && !on && (began === null || one.atMs - lastOffMs > PAUSE_MS)) began = one.atMs;
    if (!one.on && on) lastOffMs = one.atMs;
    on = one.on;
  }
  return !on && began !== null && nowMs - lastOffMs > PAUSE_MS ? null : began;
}

export interface AirHour {
  readonly atMs: number;
  /** °C outside */
  readonly temperature: number;
  /** fraction */
  readonly humidity: number;
}

export interface AerationInput {
  readonly crop: Crop;
  /** wet-basis fraction of the grain that the air meets, and °C of all of it */
  readonly moisture: number;
  readonly celsius: number;
  /** °C of a hot spot; null without one. It outranks the limit of wetting: the fan runs in whatever air is cooler than it. */
  readonly hotSpot: number | null;
  /** Hours ahead, in order. */
  readonly air: readonly AirHour[];
  readonly rules: Aeration;
  /** K that the fan adds */
  readonly fanHeat: number;
  /** null: nobody knows the fan */
  readonly cfmPerBushel: number | null;
  /** of this cycle already */
  readonly hoursRun: number;
  /** of the fan's motor */
  readonly kilowatts: number;
  /** $/kWh */
  readonly powerPrice: number;
  readonly nowMs: number;
}

export interface HourOnGrain {
  readonly atMs: number;
  readonly does: AirOnGrain;
  /** By the rules the fan runs in it. */
  readonly runs: boolean;
}

/** A stretch in which the fan should run. */
export interface FanWindow {
  readonly fromMs: number;
  readonly untilMs: number;
}

export type AerationNow =
  /** The rules say: never. */
  | 'off'
  /** Grain is as cool as the air will make it. */
  | 'cool enough'
  | 'run now'
  | 'wait'
  /** No hour ahead cools it without wetting it. */
  | 'no hour'
  /** Nobody knows the weather ahead. */
  | 'no forecast';

export interface AerationPlan {
  readonly now: AerationNow;
  readonly hours: readonly HourOnGrain[];
  readonly windows: readonly FanWindow[];
  /** Fan hours of a whole cycle, and the share that the front has come; null where nobody knows the fan. */
  readonly cycle: { readonly hours: number; readonly share: number; readonly left: number } | null;
  /** When the front is through if the fan runs in these windows, ms; null beyond the forecast or where nobody knows the fan. */
  readonly throughMs: number | null;
  /** Of what is left of the cycle. */
  readonly kWh: number | null;
  readonly money: number | null;
}

/**
 * Whether the fan runs now, in which hours ahead, and when the front is through. It says nothing of whether a bin is safe to enter: it
 * never is.
 * Range and source: {@link COOLING_CYCLE}; what an hour of air does: `airOnGrain`.
 */
export function aerationPlan(input: AerationInput): AerationPlan {
  const { crop, celsius, air, rules, fanHeat, cfmPerBushel, hoursRun, kilowatts, powerPrice, nowMs } = input;
  within(MOISTURE, input.moisture);
  requireInRange('temperature of the grain', celsius, -40, 90, '°C');
  requireInRange('hours run', hoursRun, 0, 1e5, 'h');
  requireInRange('power of the fan', kilowatts, 0, 1000, 'kW');
  requireInRange('price of power', powerPrice, 0, 10, '$/kWh');
  requireFinite('time', nowMs, 'ms');
  requireInRange('heat of the fan', fanHeat, 0, 30, 'K');
  requireInRange('cooler by', rules.coolBy, 0, 20, 'K');
  requireInRange('wetter by', rules.mostRewet, -5, 10, 'points');
  requireInRange('never cooled below', rules.leastCelsius, -20, 30, '°C');
  for (const { atMs } of air) requireFinite('time', atMs, 'ms');
  if (input.hotSpot !== null) requireInRange('hot spot', input.hotSpot, -40, 90, '°C');
  const warm = input.hotSpot ?? celsius;
  const ahead = air.filter(({ atMs }) => atMs + HOUR > nowMs);
  const hours = ahead.map(({ atMs, temperature, humidity }): HourOnGrain => {
    const does = airOnGrain(crop, { moisture: input.moisture, temperature: Math.min(60, celsius) }, { temperature, relativeHumidity: humidity }, fanHeat); // prettier-ignore
    const cools = does.air.temperature <= warm - rules.coolBy && does.air.temperature >= rules.leastCelsius;
    const wets = input.hotSpot === null && does.points > rules.mostRewet;
    const runs = rules.mode === 'always' || (rules.mode === 'window' && cools && !wets);
    return { atMs, does, runs };
  });
  const windows: FanWindow[] = [];
  for (const { atMs, runs } of hours) {
    if (!runs) continue;
    const last = windows.at(-1);
    if (last && last.untilMs === atMs) windows[windows.length - 1] = { fromMs: last.fromMs, untilMs: atMs + HOUR };
    else windows.push({ fromMs: Math.max(atMs, nowMs), untilMs: atMs + HOUR });
  }
  const running = hours.filter(({ runs }) => runs);
  const blown = running.length > 0 ? running : hours;
  if (cfmPerBushel !== null) within(AIRFLOW, cfmPerBushel);
  const whole =
    cfmPerBushel === null || hours.length === 0
      ? null
      : aerationFrontHours(cfmPerBushel, seasonOf(mean(blown.map(({ does }) => does.air.temperature))));
  const cycle =
    whole === null ? null : { hours: whole, share: Math.min(1, hoursRun / whole), left: Math.max(0, whole - hoursRun) };
  let throughMs: number | null = null;
  if (cycle !== null) {
    let left = cycle.left * HOUR;
    for (const { fromMs, untilMs } of windows) {
      if (left <= untilMs - fromMs) {
        throughMs = fromMs + left;
        break;
      }
      left -= untilMs - fromMs;
    }
  }
  const coldest = hours.reduce((least, { does }) => Math.min(least, does.air.temperature), Infinity);
  const now: AerationNow =
    rules.mode === 'off'
      ? 'off'
      : hours.length === 0
        ? 'no forecast'
        : rules.mode === 'window' && (warm <= rules.leastCelsius || coldest > warm - rules.coolBy)
          ? warm <= rules.leastCelsius || coldest > warm - 1
            ? 'cool enough'
            : 'no hour'
          : windows.length === 0
            ? 'no hour'
            : windows[0]!.fromMs <= nowMs
              ? 'run now'
              : 'wait';
  return {
    now,
    hours,
    windows,
    cycle,
    throughMs,
    kWh: cycle === null ? null : cycle.left * kilowatts,
    money: cycle === null ? null : cycle.left * kilowatts * powerPrice,
  };
}
