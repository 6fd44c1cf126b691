import {
  type AlarmFacts,
  type AlarmNow,
  alarmsNow,
  byPart,
  calendarDay,
  coveredPlaces,
  coversToClose,
  type Deadline,
  dewBegins,
  FIRE_STOP,
  living,
  partHeat,
  rainBegins,
  secondLooks,
  startOfDay,
  toWallTime,
  type ToClose,
  zonesStanding,
} from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useFuel, useHaul, useNotebook, useShed, useWeather } from '../data/farm';
import { clock, DAY_MS, HOUR_MS, soon } from '../quantity/time';
import { grain, percent, wind as windKind } from '../quantity/quantity';
import { say } from '../words';
import { leavingTruck } from './leaving-truck';
import { useSite } from './site';
import { siteAlarms } from './site-alarms';
import { dangerOf, hourAt } from './weather-now';

export interface Alarm extends AlarmFacts {
  /** What is the matter, and what to do: one sentence, as it is read aloud too. */
  readonly words: string;
  /** The same as it is read over its list. */
  readonly head?: string;
  /** the rain's own list */
  readonly close?: readonly ToClose[];
}

/** A part that was too hot is an alarm until it is measured again, for a day. */
const HEAT_MS = 24 * HOUR_MS;
/** Work on the reserve of fuel begins within this many hours. */
const FUEL_SOON = 1.5;
/** As full as a tank is said to be full. */
const FULL = 0.97;
/** A truck that has longer until its buyer closes is not hurried. */
const CLOSING_MS = 2 * HOUR_MS;

/**
 * Everything that cannot wait, in one order for the whole farm or for one cab; null while the farm is asked.
 * @param wet deadlines of what is wet, where they are known
 */
export function useAlarms(
  farm: Farm,
  place: string | null,
  wet: readonly Deadline[] | null,
): readonly AlarmNow<Alarm>[] | null {
  const notebook = useNotebook().data;
  const shed = useShed().data;
  const weather = useWeather(1, 1).data;
  const haul = useHaul().data;
  const fuel = useFuel().data;
  const site = useSite(farm);
  const nowMs = Math.floor(farm.clock() / 60_000) * 60_000;
  const crew = shed?.settings.crew.farm?.value;
  const found = useMemo(() => {
    if (!notebook || !shed) return null;
    const { timeZone } = farm.data.farm;
    const found: Alarm[] = [];
    for (const [key, readings] of byPart(living(shed.logs.partHeat).map(({ body }) => body))) {
      const heat = partHeat(readings);
      if (heat.verdict === 'stop' && nowMs - Date.parse(heat.newest.at) < HEAT_MS)
        found.push({
          key: `heat ${key.slice(0, 80)} ${Date.parse(heat.newest.at)}`,
          kind: 'heat',
          byMs: null,
          places: [heat.newest.placeId],
          words: say('alarm_heat', { place: farm.placeName(heat.newest.placeId), part: heat.newest.part }),
        });
    }
    const hour = hourAt(weather, nowMs);
    const stopAt = shed.settings.seasonPlan.farm?.value.fireStopAt ?? FIRE_STOP;
    if (hour && crew?.windLine !== undefined && hour.wind >= crew.windLine)
      found.push({
        key: `wind ${calendarDay(nowMs, timeZone)}`,
        kind: 'wind',
        byMs: nowMs,
        places: null,
        words: say('alarm_wind', { wind: windKind(hour.wind).text, line: windKind(crew.windLine).text }),
      });
    const cutting = Object.values(farm.data.flow.cut).some((kg) => kg > 0);
    const dewMs = weather && crew?.dewLine !== undefined && cutting ? dewBegins(weather.map((one) => ({ atMs: Date.parse(one.at), humidity: one.humidity })), crew.dewLine, nowMs) : null; // prettier-ignore
    if (dewMs !== null && crew?.dewLine !== undefined)
      found.push({
        key: `dew ${calendarDay(dewMs, timeZone)}`,
        kind: 'dew',
        byMs: dewMs,
        places: farm.data.places.filter((one) => one.kind === 'combine').map((one) => one.id),
        words: say(dewMs <= nowMs ? 'alarm_dewNow' : 'alarm_dew', { time: clock(dewMs, timeZone), line: percent(crew.dewLine, 0) }), // prettier-ignore
      });
    if (hour && dangerOf(hour, stopAt).level === 'stop')
      found.push({
        key: `fire ${calendarDay(nowMs, timeZone)}`,
        kind: 'fire',
        byMs: null,
        places: null,
        words: say('alarm_fire'),
      });
    const rainMs = weather ? rainBegins(weather.map((one) => ({ atMs: Date.parse(one.at), chance: one.rainChance })), nowMs) : null; // prettier-ignore
    if (rainMs !== null) {
      const close = coversToClose(coveredPlaces(farm, notebook), rainMs);
      const open = close.filter(({ closed }) => !closed);
      if (open.length > 0)
        found.push({
          // A forecast moves by the hour: the shower of an afternoon stays one alarm.
          key: `rain ${calendarDay(rainMs, timeZone)} ${Math.floor(rainMs / (6 * HOUR_MS))}`,
          kind: 'rain',
          byMs: Math.min(...open.map(({ startByMs }) => startByMs)),
          places: open.map(({ placeId }) => placeId),
          close,
          head: say('alarm_rainHead', { time: clock(rainMs, timeZone), n: open.length }),
          words: say('alarm_rain', {
            time: clock(rainMs, timeZone),
            places: open.map((one) => coverWords(farm, one)).join('; '),
          }),
        });
    }
    for (const { placeId, dueMs } of wet ?? [])
      found.push({
        key: `wet ${placeId} ${dueMs === null ? 'now' : Math.floor(dueMs / (12 * HOUR_MS))}`,
        kind: 'wet grain',
        byMs: dueMs ?? nowMs,
        places: [placeId],
        words:
          dueMs === null || dueMs <= nowMs
            ? say('alarm_wetNow', { place: farm.placeName(placeId) })
            : say('alarm_wet', { place: farm.placeName(placeId), time: soon(dueMs, nowMs, timeZone) }),
      });
    for (const { placeId, state } of fuel ?? [])
      if (state && state.hoursLeft <= FUEL_SOON)
        found.push({
          key: `fuel ${placeId} ${state.fullAtMs}`,
          kind: 'fuel',
          byMs: Math.max(nowMs, state.fillByMs),
          places: [placeId],
          words: say('alarm_fuel', { place: farm.placeName(placeId), time: clock(Math.max(nowMs, state.fillByMs), timeZone) }), // prettier-ignore
        });
    for (const { id, kind, capacityBu } of farm.data.places) {
      if (kind !== 'combine' || !capacityBu || farm.bushels(farm.held(id).wetLots) < FULL * capacityBu) continue;
      const carts = farm.data.places.filter((one) => one.kind === 'cart').map((one) => one.id);
      found.push({
        key: `full ${id} ${farm.data.tape.find(({ entry }) => entry.type === 'harvest' && entry.to === id)?.entry.id ?? ''}`,
        kind: 'full',
        byMs: nowMs,
        places: [id, ...carts],
        words: say('alarm_full', { place: farm.placeName(id) }),
      });
    }
    for (const { id } of haul ? farm.data.places.filter(({ kind }) => kind === 'truck') : []) {
      const truck = leavingTruck(farm, notebook, haul!, id);
      if (truck && truck.leaveByMs >= nowMs && truck.leaveByMs - nowMs <= CLOSING_MS)
        found.push({
          key: `closing ${id} ${calendarDay(nowMs, timeZone)}`,
          kind: 'closing',
          byMs: truck.leaveByMs,
          places: [id],
          words: say('alarm_closing', { truck: farm.placeName(id), leave: clock(truck.leaveByMs, timeZone) }),
        });
    }
    for (const { id, placeId, machine, what, by, fromMs } of secondLooks(shed, nowMs, timeZone))
      found.push({
        key: `look ${id}`,
        kind: 'look',
        byMs: Math.max(nowMs, fromMs),
        places: placeId === null ? null : [placeId],
        words: say('alarm_look', { machine, what, who: by }),
      });
    const today = calendarDay(nowMs, timeZone);
    for (const { id, zone } of zonesStanding(notebook.settings.fieldZone, today).filter(({ retestDue }) => retestDue)) {
      const lot = farm.data.lots.find(({ fieldId, season }) => fieldId === zone.fieldId && season === zone.season);
      if (lot)
        found.push({
          key: `retest ${id} ${today}`,
          kind: 'retest',
          byMs: startOfDay(nowMs, timeZone) + DAY_MS - 1,
          places: null,
          words: say('alarm_retest', { zone: zone.name, field: lot.fieldName }),
        });
    }
    return found;
  }, [farm, notebook, shed, weather, haul, fuel, wet, nowMs, crew]);
  if (found === null || !notebook) return null;
  const danger = siteAlarms(farm, site, nowMs).map(({ key, kind, head, what }): Alarm => ({ key, kind, byMs: null, places: null, words: `${head} ${what}` })); // prettier-ignore
  return alarmsNow([...danger, ...found], {
    nowMs,
    hour: Number(toWallTime(nowMs, farm.data.farm.timeZone).slice(11, 13)),
    heard: new Set(living(notebook.logs.alarmHeard).map(({ body }) => body.key)),
    place,
    quietFrom: crew?.quietFrom,
    quietTo: crew?.quietTo,
  });
}

/** "close Truck 3", or what must leave it before it closes, with who and by when. */
export function coverWords(farm: Farm, { placeId, mustGoBu, cover, startByMs }: ToClose): string {
  const place = farm.placeName(placeId);
  const per = farm.kgPerBu(farm.cropOf(farm.held(placeId).lots));
  const first =
    mustGoBu >= 1
      ? say('alarm_rainFirst', { place, much: grain(Math.ceil(mustGoBu) * per, per).text })
      : say('alarm_rainClose', { place });
  return [first, say('alarm_rainBegin', { time: clock(startByMs, farm.data.farm.timeZone) }), cover.who.trim()].filter((part) => part !== '').join(', '); // prettier-ignore
}
