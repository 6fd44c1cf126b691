import type { AtWheelInfo } from '@fanega/contract';
import type { FieldRow, SheetQuality } from '@fanega/core';
import { Link } from '@fanega/devices';
import { ulid } from 'ulid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { type Client, farmNow, fieldRecords, Harness, shedRecords, smallFarm } from './harness.js';
import { pairedPhone } from './paired.js';

let harness: Harness;
let owner: Client;
let farmId: string;
let p: Awaited<ReturnType<typeof smallFarm>>;
const HOUR = 3_600_000;

beforeAll(async () => {
  harness = await Harness.start();
  ({ client: owner, farmId } = await harness.owner());
  p = await smallFarm(owner, farmId);
});
afterAll(() => harness.stop());

const at = (path: string): string => `/farms/${farmId}/${path}`;
const fieldOf = async (lotId: string) => (await farmNow(owner, farmId)).lots.find(({ id }) => id === lotId)!;

it('a zone is a part of its field, and its reading says nothing of the rest', async () => {
  const { fieldId, acres, season } = await fieldOf(p.hs);
  const zone = {
    fieldId,
    season,
    name: 'wet hole',
    kind: 'wet',
    acres: 3,
    ring: [],
    why: '',
    leaveUntil: '2027-01-01',
  };
  const put = (value: object, id = 'z1', revision = 0) => owner.put<{ issues?: { field: string; code: string }[] }>(at(`fields/field-zone/${id}`), { revision, value }); // prettier-ignore
  const tooLarge = await put({ ...zone, acres: acres + 1 });
  expect([tooLarge.status, tooLarge.body.issues?.[0]]).toMatchObject([400, { field: 'acres', code: 'larger_than_field' }]); // prettier-ignore
  const bow = [[0, 0], [0.001, 0.001], [0.001, 0], [0, 0.001]].map(([lon, lat]) => ({ lon, lat })); // prettier-ignore
  expect((await put({ ...zone, ring: bow })).body.issues?.[0]).toMatchObject({ field: 'ring', code: 'crosses_itself' });
  expect((await put({ ...zone, ring: bow.slice(0, 2) })).status).toBe(400);
  expect((await put({ ...zone, fieldId: 'nowhere' })).status).toBe(404);
  expect((await put(zone)).status).toBe(200);

  const reading = (moisture: number, more: object = {}, ms = Date.now()) => ({ id: ulid(), at: new Date(ms).toISOString(), fieldId, moisture, source: 'hand', ...more }); // prettier-ignore
  expect((await owner.post(at('fields/reading'), reading(0.17, {}, Date.now() - HOUR))).status).toBe(200);
  expect((await owner.post(at('fields/reading'), reading(0.26, { zoneId: 'z1' }))).status).toBe(200);
  const row = (await owner.get<FieldRow[]>(at('lots'))).body.find(({ lot }) => lot.id === p.hs)!;
  expect(row.lastMoisture?.moisture).toBe(0.17);
  const kept = await fieldRecords(owner, farmId);
  expect(kept.settings.fieldZone.z1?.value.leaveUntil).toBe('2027-01-01');
  expect(kept.logs.reading.some(({ body }) => body.zoneId === 'z1')).toBe(true);
});

it('a machine’s phone marks spots, counts rows and closes its own cover, and no other’s; everybody sees to an alarm once', async () => {
  const { fieldId } = await fieldOf(p.hs);
  const phone = await pairedPhone(harness, owner, farmId, { kind: 'machine', placeId: p.cart, label: 'Cart phone' });
  const now = new Date().toISOString();
  const pin = { id: ulid(), at: now, fieldId, kind: 'lowWire', lon: -38.6, lat: 33.4, note: '', warnWithin: 60 };
  expect((await phone.post(at('fields/field-pin'), pin)).status).toBe(200);
  const moved = (placeId: string) => ({ id: ulid(), at: now, placeId, closed: true });
  expect((await phone.post(at('haul/cover-moved'), moved(p.cart))).status).toBe(200);
  expect((await phone.post(at('haul/cover-moved'), moved(p.truck))).status).toBe(403);
  expect((await phone.post(at('haul/alarm-heard'), { id: ulid(), at: now, key: 'rain 1', what: 'Rain' })).status).toBe(
    200,
  );
  expect((await fieldRecords(owner, farmId)).logs.alarmHeard.map(({ body }) => body.key)).toEqual(['rain 1']);
  const handed = { id: ulid(), at: now, placeId: p.cart, from: 'Ana', to: 'Bo', machine: 'pulls left', promised: '' };
  expect((await phone.post(at('shed/handover'), handed)).status).toBe(200);
  expect((await phone.put(at('haul/cover/' + p.cart), { revision: 0, value: { kind: 'tarp', minutes: 4, who: '' } })).status).toBe(403); // prettier-ignore
  // A cart drives in the field, but nobody counts rows from it.
  expect((await phone.post(at('fields/rows-left'), { id: ulid(), at: now, lotId: p.hs, rows: 12, rowSpacing: 0.76, passLength: 400 })).status).toBe(403); // prettier-ignore
});

it('a part’s heat wants a figure or a hand, and says so at its box', async () => {
  const heat = (more: object) => ({ id: ulid(), at: new Date().toISOString(), placeId: p.cart, part: 'Auger bearing', noticed: '', greased: false, ...more }); // prettier-ignore
  const wrong = await owner.post<{ issues: { field: string; message: string }[] }>(at('shed/part-heat'), heat({}));
  expect([wrong.status, wrong.body.issues[0]]).toMatchObject([400, { field: 'celsius', message: expect.stringContaining('how hot') }]); // prettier-ignore
  expect((await owner.post(at('shed/part-heat'), heat({ feels: 'tooHotToHold' }))).status).toBe(200);
  expect((await owner.post(at('shed/part-heat'), heat({ celsius: 48, airCelsius: 30 }))).status).toBe(200);
  expect((await shedRecords(owner, farmId)).logs.partHeat).toHaveLength(2);
});

it('hours at the wheel are by what each recorded today, under the name typed in the cab; the farm’s line asks for a rest', async () => {
  const now = Date.now();
  // Every half an hour, as far as today reaches back, at most four hours.
  const entries = Array.from({ length: 9 }, (_, i) => ({ id: ulid(), type: 'harvest', lot: p.hs, to: p.cart, wetKg: 900, moisture: 0.16, at: new Date(now - (8 - i) * (HOUR / 2)).toISOString(), by: 'Marlo' })); // prettier-ignore
  expect((await owner.post(at('entries'), { entries })).status).toBe(200);
  const wheel = async () => (await owner.get<AtWheelInfo[]>(at('wheel'))).body.find(({ name }) => name === 'Marlo');
  const found = (await wheel())!;
  expect(found.hours).toBeGreaterThanOrEqual(0);
  expect(found.hours).toBeCloseTo((now - found.sinceMs) / HOUR, 1);
  expect(found.rest).toBe(false);
  const crew = { people: [{ name: 'Marlo', phone: '555-0182', trainee: true }], call: 'Marlo', mostHours: 1 };
  expect((await owner.put(at('shed/crew/farm'), { revision: 0, value: crew })).status).toBe(200);
  expect((await wheel())!.rest).toBe((await wheel())!.hours >= 1);
});

it('a paired phone reads no price and no cost, and no number but that of whom it calls', async () => {
  const window = { tooDryBelow: 0.13, bestFrom: 0.15, bestTo: 0.18, refuseAbove: 0.24, price: 4.42, shrinkPerPoint: 1.4, dockPerPoint: 0.04, closesAt: 18 }; // prettier-ignore
  expect((await owner.put(at('fields/cutting-window/corn'), { revision: 0, value: window })).status).toBe(200);
  const { revision } = (await shedRecords(owner, farmId)).settings.crew.farm!;
  const crew = { people: [{ name: 'Marlo', phone: '555-0182', trainee: true }, { name: 'Iwona', phone: '555-0147', trainee: false }], call: 'Iwona', mostHours: 12 }; // prettier-ignore
  expect((await owner.put(at('shed/crew/farm'), { revision, value: crew })).status).toBe(200);
  const phone = await pairedPhone(harness, owner, farmId, { kind: 'machine', placeId: p.cart, label: 'Cart phone 2' });
  const windows = (await fieldRecords(phone, farmId)).settings.cuttingWindow;
  expect(windows.corn?.value).toMatchObject({ price: 0, dockPerPoint: 0, closesAt: 18, bestTo: 0.18 });
  expect((await fieldRecords(owner, farmId)).settings.cuttingWindow.corn?.value.price).toBe(4.42);
  expect((await shedRecords(phone, farmId)).settings.crew.farm?.value.people.map(({ phone: number }) => number)).toEqual(['', '555-0147']); // prettier-ignore
});

it('a display says what it counted of the field that is open on it: the field knows what is left, and two displays count together', async () => {
  const add = async (name: string) =>
    (await owner.post<{ token: string }>(at('devices'), { name, kind: 'monitor' })).body;
  const [one, two] = [new Link(owner.address, (await add('Display 1')).token), new Link(owner.address, (await add('Display 2')).token)]; // prettier-ignore
  const says = (link: Link, areaM2: number, ms: number, lotId = p.hs) =>
    link.send('flows', { lotId, samples: [{ at: new Date(ms).toISOString(), flow: 5, moisture: 0.18, speed: 2, lon: -90.6, lat: 27.1, areaM2 }] }); // prettier-ignore
  const rowOf = async () => (await owner.get<FieldRow[]>(at('lots'))).body.find(({ lot }) => lot.id === p.hs)!;
  const now = Date.now();
  expect((await rowOf()).displayArea).toBeUndefined();
  await says(one, 8000, now - 60_000);
  await says(two, 4000, now - 30_000);
  expect((await rowOf()).displayArea).toEqual({ m2: 12_000, at: new Date(now - 30_000).toISOString() });
  // Late news of a display that was out of reach says less than what is known.
  await says(one, 2000, now - 120_000);
  await says(one, 12_000, now);
  expect((await rowOf()).displayArea!.m2).toBe(16_000);
  await expect(says(one, 12_000, now + 1, 'nowhere')).rejects.toThrow('That field is not on this farm.');
});

it('samples and tickets are said of the sheet that the grain was cut with; moves and roads are kept by whoever may', async () => {
  const now = Date.now();
  const iso = (ms: number): string => new Date(ms).toISOString();
  const combine = (await owner.post<{ placeId: string }>(at('places'), { name: 'Sample combine', kind: 'combine', capacityBu: 350 })).body.placeId; // prettier-ignore
  const sheet = {
    id: ulid(),
    at: iso(now - HOUR),
    machineId: combine,
    lotId: p.hs,
    values: { rotor: 400 },
    why: 'wet',
  };
  expect((await owner.post(at('cut/settings-entry'), sheet)).status).toBe(200);
  const load = ulid();
  const sold = ulid();
  const buyer = (await owner.post<{ placeId: string }>(at('places'), { name: 'Sample mill', kind: 'buyer' })).body
    .placeId;
  const entries = [
    { id: load, type: 'harvest', lot: p.hs, to: combine, wetKg: 5000, moisture: 0.18, at: iso(now - HOUR / 2) },
    { id: sold, type: 'move', from: combine, to: buyer, wetKg: 5000, emptied: true, moisture: 0.18, method: 'ticket', ticket: 'S-1', at: iso(now - HOUR / 4) }, // prettier-ignore
  ];
  expect((await owner.post(at('entries'), { entries })).status).toBe(200);
  const paper = { id: ulid(), at: iso(now), entryId: sold, factors: { foreignMaterial: 3, damage: 2 } };
  expect((await owner.post(at('sell/ticket-paper'), paper)).status).toBe(200);
  const sample = { id: ulid(), at: iso(now), machineId: combine, lotId: p.hs, takenAt: 'tank', fines: 4 };
  expect((await owner.post(at('cut/grain-sample'), sample)).status).toBe(200);
  const said = (await owner.get<SheetQuality[]>(at('cut/quality'))).body;
  expect(said).toEqual([{ sheetId: sheet.id, figures: { foreign: 3, fines: 4 }, samples: 1, tickets: 1 }]);
  const empty = await owner.post<{ issues?: { field: string }[] }>(at('cut/grain-sample'), { ...sample, id: ulid(), fines: undefined }); // prettier-ignore
  expect([empty.status, empty.body.issues?.[0]?.field]).toEqual([400, 'fines']);

  const move = { id: ulid(), at: iso(now), leftAt: iso(now - HOUR / 3), placeId: combine, toLot: p.hs, along: ['blue pickup'] }; // prettier-ignore
  expect((await owner.post(at('haul/rig-move'), { ...move, leftAt: iso(now + HOUR) })).status).toBe(400);
  expect((await owner.post(at('haul/rig-move'), move)).status).toBe(200);
  expect((await owner.put(at(`haul/rig-road/${combine}`), { revision: 0, value: { width: 4.5, speed: 8, readyMin: 20, headOnCart: true, escort: true } })).status).toBe(200); // prettier-ignore
  const kept = await fieldRecords(owner, farmId);
  expect(kept.logs.rigMove[0]!.body).toEqual(move);
  expect(kept.settings.rigRoad[combine]!.value.escort).toBe(true);
});
