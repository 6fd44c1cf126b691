import { type Crew, type FieldBoundary, type FieldZone, instantOf } from '@fanega/core';
import { type DemoFarm, STRIP } from './farm.js';
import { seeded } from './random.js';
import type { DemoLog, DemoSetting } from './records.js';
import { ulidAt } from './ulid.js';

export interface DemoFieldWork {
  readonly settings: readonly DemoSetting[];
  readonly logs: readonly DemoLog[];
}

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;
/** Central daylight time. */
const LOCAL = 5 * HOUR;
const M2_PER_ACRE = 4046.8564224;
/** Nowhere: open water, so that the fields of a made-up farm are nobody's; at a longitude by which the sun sets when the farm's clock says it. */
const ORIGIN = { lon: -90.62, lat: 27.12 };
const M_PER_DEGREE = 111_195;

/** Meters east and north of a field's corner as longitude and latitude. */
const at = (corner: { readonly lon: number; readonly lat: number }, east: number, north: number) => ({
  lon: corner.lon + east / (M_PER_DEGREE * Math.cos((ORIGIN.lat * Math.PI) / 180)),
  lat: corner.lat + north / M_PER_DEGREE,
});

/** Where the fields lie, what is marked in the one being cut, who works here, and what is covered against the rain. */
export function demoFieldWork(farm: DemoFarm, seed = 20260918): DemoFieldWork {
  const random = seeded(seed);
  const id = (ms: number): string => ulidAt(ms, random);
  const iso = (ms: number): string => new Date(ms).toISOString();
  const end = Math.max(...farm.entries.map((entry) => instantOf(entry.at)));
  const today = (days: number): string => new Date(end - LOCAL + days * DAY).toISOString().slice(0, 10);
  const season = Math.max(...farm.lots.map((lot) => lot.season));
  const settings: DemoSetting[] = [];
  const logs: DemoLog[] = [];

  // Twelve fields on a road, each a strip with its far side along the levee.
  const corners = new Map(
    farm.fields.map((field, i) => [field.id, at(ORIGIN, (i % 4) * 1100, Math.floor(i / 4) * 1300)]),
  );
  const shape = (acres: number): readonly (readonly [east: number, north: number])[] => {
    const area = acres * M2_PER_ACRE;
    // A half mile deep, but for one corner that the levee takes off.
    const north = 780;
    const cut = 60;
    const east = (area + (cut * cut * 2) / 2) / north;
    return [[0, 0], [east, 0], [east, north - cut], [east - 2 * cut, north], [0, north]]; // prettier-ignore
  };
  for (const field of farm.fields.slice(0, 12)) {
    const ring = shape(field.acres).map(([east, north]) => at(corners.get(field.id)!, east, north));
    const points: FieldBoundary['points'] = [...ring, ring[0]!].map((corner) => ({ part: 0, ring: 0, ...corner }));
    settings.push({ kind: 'fieldBoundary', subject: `boundary-${field.id}`, body: { field: field.id, points } });
  }

  // The field that is cut: a wet hole that waits, and spots that everybody knows and nobody ever wrote down.
  const last = farm.entries.findLast((entry) => entry.type === 'harvest');
  const lot = farm.lots.find(({ id: lotId }) => last?.type === 'harvest' && lotId === last.lot)!;
  const corner = corners.get(lot.fieldId)!;
  const hole = ([[60, 300], [150, 290], [170, 380], [110, 430], [50, 390]] as const).map(([east, north]) => at(corner, east, north)); // prettier-ignore
  const zone: FieldZone = {
    fieldId: lot.fieldId,
    season,
    name: 'Replanted hole',
    kind: 'replanted',
    acres: 2.9,
    ring: hole,
    leaveUntil: today(6),
    retestOn: today(4),
    why: 'planted again three weeks later',
  };
  settings.push({ kind: 'fieldZone', subject: 'zone-replanted', body: zone });
  const ofStrip = farm.entries.filter((entry) => entry.type === 'harvest' && entry.zone === STRIP);
  const strip = farm.lots.find(({ id: lotId }) => ofStrip[0]?.type === 'harvest' && ofStrip[0].lot === lotId);
  const whole = farm.fields.find(({ id: fieldId }) => fieldId === strip?.fieldId);
  if (strip && whole) {
    const ofField = farm.entries.filter((entry) => entry.type === 'harvest' && entry.lot === strip.id);
    const kg = (entries: typeof ofField): number => entries.reduce((sum, entry) => sum + (entry.type === 'harvest' ? entry.wetKg * (1 - entry.moisture) : 0), 0); // prettier-ignore
    // It brought a twentieth more an acre than the rest: so many acres it had.
    const acres =
      Math.round((10 * whole.acres * kg(ofStrip)) / (kg(ofStrip) + 1.05 * (kg(ofField) - kg(ofStrip)))) / 10;
    settings.push({
      kind: 'fieldZone',
      subject: STRIP,
      body: { fieldId: strip.fieldId, season, name: 'South strip', kind: 'strip', acres, ring: [], variety: 'KL 2231', cutOn: ofStrip.at(-1)!.at.slice(0, 10), why: '' }, // prettier-ignore
    });
  }
  const pins = [
    ['lowWire', 190, 4, 'Fold the auger; 14 ft at the road', 80],
    ['washout', 30, 610, 'Down the old ditch, three rows wide', 60],
    ['doublePlanted', 210, 770, '', 60],
  ] as const;
  for (const [kind, east, north, note, warnWithin] of pins)
    logs.push({
      kind: 'fieldPin',
      body: { id: id(end - 5 * HOUR), at: iso(end - 5 * HOUR), fieldId: lot.fieldId, kind, ...at(corner, east, north), accuracy: 5, note, warnWithin }, // prettier-ignore
      by: 'Oona',
      voided: false,
    });

  const crew: Crew = {
    people: [
      { name: 'Oona', phone: '555-0118', trainee: false, vehicle: 'white pickup' },
      { name: 'Bea', phone: '555-0124', trainee: false },
      { name: 'Dell', phone: '555-0160', trainee: false, vehicle: 'blue pickup' },
      { name: 'Tilda', phone: '555-0175', trainee: false },
      { name: 'Marlo', phone: '555-0182', trainee: true },
    ],
    call: 'Oona',
    mostHours: 13,
    quietFrom: 22,
    quietTo: 5,
    windLine: 18,
    dewLine: 0.85,
  };
  settings.push({ kind: 'crew', subject: 'farm', body: crew });
  // How they go from field to field, and how long that took whenever one was changed for another.
  const combines = farm.places.filter(({ kind }) => kind === 'combine');
  for (const { id: placeId, kind } of farm.places)
    if (kind === 'combine')
      settings.push({ kind: 'rigRoad', subject: placeId, body: { width: 4.57, speed: 8, readyMin: 20, headOnCart: true, escort: true } }); // prettier-ignore
    else if (kind === 'cart')
      settings.push({ kind: 'rigRoad', subject: placeId, body: { width: 3.66, speed: 8.9, readyMin: 5, headOnCart: false, escort: false } }); // prettier-ignore
  const cuts = farm.entries.filter((entry) => entry.type === 'harvest');
  for (const { id: placeId } of combines) {
    const own = cuts.filter((entry) => entry.to === placeId || entry.device?.startsWith(`${placeId}-`));
    own.slice(1).forEach((entry, i) => {
      const before = own[i]!;
      const [left, there] = [instantOf(before.at) + 9 * MINUTE, instantOf(entry.at) - 12 * MINUTE];
      // Of the same day, with time for the road between: what was brought over at night nobody timed.
      const comesBack = own.slice(i + 1).some((later) => later.lot === before.lot);
      if (entry.lot === before.lot || comesBack || there - left < 8 * MINUTE || there - left > 3 * HOUR) return;
      const way = Math.min(there - left, (14 + Math.round(8 * random())) * MINUTE);
      logs.push({
        kind: 'rigMove',
        body: { id: id(there), at: iso(there), leftAt: iso(there - way), placeId, fromLot: before.lot, toLot: entry.lot, along: ['white pickup'] }, // prettier-ignore
        by: 'Oona',
        voided: false,
      });
    });
  }
  for (const { id: placeId, kind } of farm.places)
    if (kind === 'truck') settings.push({ kind: 'cover', subject: placeId, body: { kind: 'tarp', minutes: 4, who: 'its driver' } }); // prettier-ignore
    else if (kind === 'cart') settings.push({ kind: 'cover', subject: placeId, body: { kind: 'tarp', minutes: 6, who: 'Dell' } }); // prettier-ignore
    else if (kind === 'combine')
      settings.push({ kind: 'cover', subject: placeId, body: { kind: 'lid', closesUpTo: 300, minutes: 3, who: 'its operator' } }); // prettier-ignore

  // A bearing that somebody feels every evening.
  for (const [days, celsius, air, greased] of [
    [9, 44, 31, true],
    [7, 46, 33, false],
    [5, 43, 30, false],
    [2, 47, 32, true],
    [1, 49, 33, false],
  ] as const)
    logs.push({
      kind: 'partHeat',
      body: { id: id(end - days * DAY), at: iso(end - days * DAY + 4 * HOUR), placeId: 'combine-2', part: 'Beater bearing, left', celsius, airCelsius: air, noticed: '', greased }, // prettier-ignore
      by: 'Bea',
      voided: false,
    });
  return { settings, logs };
}
