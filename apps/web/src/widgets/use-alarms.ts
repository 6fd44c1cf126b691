import {
  type AlarmFacts,
  type AlarmNow,
  alarmsNow,
  coversToClose,
  calendarDay,
  fireDanger,
  FIRE_STOP,
  living,
  type OpenPlace,
  type PartHeat,
  partHeat,
  rainBegins,
  startOfDay,
  toWallTime,
  type ToClose,
  trucksNow,
  USUAL_HAUL_TIMES,
  zonesStanding,
} from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useFuel, useHaul, useNotebook, useShed, useWeather } from '../data/farm';
import { clock, DAY_MS, HOUR_MS, soon, spanText } from '../quantity/time';
import { grain, wind as windKind } from '../quantity/quantity';
import { say } from '../words';
import { type Site, useSite } from './site';
import { useDeadlines } from './use-deadlines';

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

/** Readings by machine and part, newest first. */
export function heatOf(heats: readonly PartHeat[]): Map<string, PartHeat[]> {
  const parts = new Map<string, PartHeat[]>();
  for (const heat of [...heats].sort((a, b) => Date.parse(b.at) - Date.parse(a.at))) {
    const key = `${heat.placeId} ${heat.part.trim().toLowerCase()}`;
    parts.set(key, [...(parts.get(key) ?? []), heat]);
  }
  return parts;
}

/** What has a cover, how it stands, and what is in it. */
export function openPlaces(farm: Farm, notebook: NonNullable<ReturnType<typeof useNotebook>['data']>): OpenPlace[] {
  const moved = living(notebook.logs.coverMoved);
  return Object.entries(notebook.settings.cover).map(([placeId, { value: cover }]): OpenPlace => {
    const last = moved
      .filter(({ body }) => body.placeId === placeId)
      .reduce<(typeof moved)[number] | null>(
        (newest, one) => (newest && Date.parse(newest.body.at) >= Date.parse(one.body.at) ? newest : one),
        null,
      );
    const touched = farm.data.tape.find(
      ({ entry, voided }) =>
        !voided &&
        ((entry.type === 'move' && (entry.from === placeId || entry.to === placeId)) ||
          (entry.type === 'harvest' && entry.to === placeId)),
    );
    return {
      placeId,
      cover,
      heldBu: farm.bushels(farm.held(placeId).wetLots),
      closedMs: last?.body.closed ? Date.parse(last.body.at) : null,
      touchedMs: touched ? Date.parse(touched.entry.at) : null,
    };
  });
}

/** Everything that cannot wait, in one order for the whole farm or for one cab; null while the farm is asked. */
export function useAlarms(farm: Farm, place: string | null): readonly AlarmNow<Alarm>[] | null {
  const notebook = useNotebook().data;
  const shed = useShed().data;
  const weather = useWeather(1, 1).data;
  const haul = useHaul().data;
  const fuel = useFuel().data;
  const site = useSite(farm);
  const wet = useDeadlines(farm);
  const nowMs = Math.floor(farm.clock() / 60_000) * 60_000;
  const crew = shed?.settings.crew.farm?.value;
  const found = useMemo(() => {
    if (!notebook || !shed) return null;
    const { timeZone } = farm.data.farm;
    const found: Alarm[] = [];
    const heats = living(shed.logs.partHeat).map(({ body }) => body);
    for (const [key, readings] of heatOf(heats)) {
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
    const hour = weather?.find(({ at }) => Date.parse(at) <= nowMs && nowMs < Date.parse(at) + HOUR_MS);
    const stopAt = shed.settings.seasonPlan.farm?.value.fireStopAt ?? FIRE_STOP;
    if (hour && crew?.windLine !== undefined && hour.wind >= crew.windLine)
      found.push({
        key: `wind ${calendarDay(nowMs, timeZone)}`,
        kind: 'wind',
        byMs: nowMs,
        places: null,
        words: say('alarm_wind', { wind: windKind(hour.wind).text, line: windKind(crew.windLine).text }),
      });
    if (
      hour &&
      fireDanger(
        Math.min(55, Math.max(-10, hour.temperature)),
        Math.max(0.01, Math.min(1, hour.humidity)),
        Math.min(40, hour.wind),
        1,
        stopAt,
      ).level === 'stop'
    )
      found.push({
        key: `fire ${calendarDay(nowMs, timeZone)}`,
        kind: 'fire',
        byMs: null,
        places: null,
        words: say('alarm_fire'),
      });
    const rainMs = weather ? rainBegins(weather.map((one) => ({ atMs: Date.parse(one.at), chance: one.rainChance })), nowMs) : null; // prettier-ignore
    if (rainMs !== null) {
      const close = coversToClose(openPlaces(farm, notebook), rainMs);
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
    if (haul)
      for (const crop of new Set(farm.data.lots.map((lot) => lot.crop)))
        for (const truck of trucksNow(
          farm,
          notebook,
          haul,
          notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES,
          crop,
        ))
          // prettier-ignore
          if (
            truck.leaveByMs !== null &&
            truck.bushels >= 1 &&
            truck.state !== 'unloading' &&
            farm.cropOf(farm.held(truck.id).lots) === crop &&
            truck.leaveByMs >= nowMs &&
            truck.leaveByMs - nowMs <= 2 * HOUR_MS
          )
            found.push({
              key: `closing ${truck.id} ${calendarDay(nowMs, timeZone)}`,
              kind: 'closing',
              byMs: truck.leaveByMs,
              places: [truck.id],
              words: say('alarm_closing', {
                truck: farm.placeName(truck.id),
                leave: clock(truck.leaveByMs, timeZone),
              }),
            });
    const today = calendarDay(nowMs, timeZone);
    const standing = Object.entries(notebook.settings.fieldZone).map(([id, { value }]) => [id, value] as const);
    for (const lot of farm.data.lots)
      for (const { id, zone, retestDue } of zonesStanding(standing, lot.fieldId, lot.season, today))
        if (retestDue)
          found.push({
            key: `retest ${id} ${today}`,
            kind: 'retest',
            byMs: startOfDay(nowMs, timeZone) + DAY_MS - 1,
            places: null,
            words: say('alarm_retest', { zone: zone.name, field: lot.fieldName }),
          });
    return found;
  }, [farm, notebook, shed, weather, haul, fuel, wet, nowMs, crew]);
  if (found === null || !notebook) return null;
  return alarmsNow([...siteAlarms(farm, site, nowMs), ...found], {
    nowMs,
    hour: Number(toWallTime(nowMs, farm.data.farm.timeZone).slice(11, 13)),
    heard: new Set(living(notebook.logs.alarmHeard).map(({ body }) => body.key)),
    place,
    quietFrom: crew?.quietFrom,
    quietTo: crew?.quietTo,
  });
}

/** A leg that stands while it is fed, and somebody who has not come down. */
function siteAlarms(farm: Farm, site: Site | null, nowMs: number): Alarm[] {
  if (site === null) return [];
  const found: Alarm[] = [];
  for (const { stopped, stop, sinceMs } of site.alarms)
    found.push({
      key: `motor ${stopped} ${sinceMs}`,
      kind: 'machine',
      byMs: null,
      places: null,
      words: `${say('machineStopped', { machine: site.nameOf(stopped) })} ${say('stopNow', { machines: stop.map(site.nameOf).join(', ') })}`,
    });
  for (const { placeId, who, second, sinceMs } of site.climbing.filter(({ overdue }) => overdue))
    found.push({
      key: `climb ${placeId} ${who} ${sinceMs}`,
      kind: 'person',
      byMs: null,
      places: null,
      words: `${say('notDown', { who, place: farm.placeName(placeId), span: spanText(Math.floor((nowMs - sinceMs) / 60_000)) })} ${say('goLook', { second })}`,
    });
  return found;
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
