import type { CablesAnswer, DeviceHello, DeviceInfo, MotorInfo, NewDevice, WeatherHourInfo } from '@fanega/contract';
import { readingsOf } from '@fanega/core';
import { binReadings, Link, STAND_IN_CABLES, stationWeather } from '@fanega/devices';
import { ulid } from 'ulid';
import { DataSource } from 'typeorm';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { DeviceTokens } from '../src/platform/access.js';
import { type Client, fieldRecords, Harness, smallFarm } from './harness.js';

let harness: Harness;
let client: Client;
let farmId: string;
let fieldId: string;

beforeAll(async () => {
  harness = await Harness.start();
  ({ client, farmId } = await harness.owner());
  const { hs } = await smallFarm(client, farmId);
  fieldId = (await client.get<{ lot: { id: string; fieldId: string } }[]>(`/farms/${farmId}/lots`)).body.find(
    (row) => row.lot.id === hs,
  )!.lot.fieldId;
});
afterAll(() => harness.stop());

const add = async (kind: string, name = kind) =>
  (await client.post<NewDevice>(`/farms/${farmId}/devices`, { name, kind })).body;
const list = async () => (await client.get<DeviceInfo[]>(`/farms/${farmId}/devices`)).body;

describe('the device interface', () => {
  it('the stand-in station says hello, writes its hours once, and is seen', async () => {
    const { token, deviceId } = await add('weather', 'Roof station');
    const link = new Link(client.address, token);
    const hello: DeviceHello = await link.hello();
    expect(hello).toMatchObject({
      farm: 'Test Levee',
      timeZone: 'America/Chicago',
      name: 'Roof station',
      kind: 'weather',
    });
    const hours = stationWeather({
      now: Date.parse(hello.now),
      offset: 5 * 3_600_000,
      seed: 1,
      hoursBack: 3,
      hoursAhead: 24,
    });
    expect(await link.send('weather', { hours })).toEqual({ hours: 28 });
    await link.send('weather', { hours });
    const kept = (
      await client.get<WeatherHourInfo[]>(`/farms/${farmId}/weather?from=${hours[0]!.at}&to=${hours.at(-1)!.at}`)
    ).body;
    expect(kept).toEqual(hours);
    expect((await list()).find(({ id }) => id === deviceId)!.lastSeen).not.toBeNull();
  });

  it('machines that call in the same moment are looked up at one question, and one that was cut off is not among them', async () => {
    const kinds = ['weather', 'tester', 'cartScale', 'truckScale'];
    const many = await Promise.all(kinds.map((kind) => add(kind, `One of many: ${kind}`)));
    const tokens = harness.app().get(DeviceTokens);
    const asked = vi.spyOn(harness.app().get(DataSource), 'query');
    try {
      const calling = [...many.map(({ token }) => token), many[0]!.token];
      const rows = await Promise.all(calling.map((token) => tokens.of(`Bearer ${token}`)));
      expect(rows.map(({ kind, farmId: of }) => [kind, of])).toEqual(
        [...kinds, kinds[0]].map((kind) => [kind, farmId]),
      );
      expect(asked.mock.calls.filter(([sql]) => sql.includes('FROM devices'))).toHaveLength(1);
    } finally {
      asked.mockRestore();
    }
    await client.post(`/farms/${farmId}/devices/${many[1]!.deviceId}/revoke`, {});
    const after = await Promise.allSettled(many.map(({ token }) => tokens.of(`Bearer ${token}`)));
    expect(after.map(({ status }) => status)).toEqual(['fulfilled', 'rejected', 'fulfilled', 'fulfilled']);
  });

  it('each kind writes its own and nothing else, in words', async () => {
    const tester = new Link(client.address, (await add('tester', 'Handheld 2')).token);
    const reading = { id: ulid(), fieldId, at: '2026-09-20T12:00:00Z', moisture: 0.163, source: 'hand' };
    expect(await tester.send('readings', reading)).toEqual({ readingId: reading.id });
    await tester.send('readings', reading);
    const kept = readingsOf(await fieldRecords(client, farmId), fieldId);
    expect(kept.map(({ moisture, tester: name, by }) => [moisture, name, by])).toEqual([
      [0.163, 'Handheld 2', 'Handheld 2'],
    ]);
    await expect(tester.send('weather', { hours: [] })).rejects.toThrow(/hours must contain|elements/);
    await expect(
      tester.send('weather', {
        hours: stationWeather({ now: Date.now(), offset: 0, seed: 1, hoursBack: 0, hoursAhead: 1 }),
      }),
    ).rejects.toThrow('A device of the kind tester does not write this; it takes weather.');
    await expect(tester.send('readings', { ...reading, id: ulid(), moisture: 160 })).rejects.toThrow(
      /from 0 to 0.6 as a wet-basis fraction/,
    );
  });

  it('bin cables: hour by hour, once, the hot spot named; a bin that is none and figures that are none are refused', async () => {
    const { placeId } = (
      await client.post<{ placeId: string }>(`/farms/${farmId}/places`, {
        name: 'Bin 7',
        kind: 'bin',
        capacityBu: 8000,
      })
    ).body;
    const path = `/farms/${farmId}/places/${placeId}/cables`;
    expect((await client.get<CablesAnswer>(path)).body).toEqual({ cables: null });
    await client.put(`/farms/${farmId}/store/bin-cables/${placeId}`, {
      revision: 0,
      value: { cables: STAND_IN_CABLES },
    });
    const link = new Link(client.address, (await add('binCables', 'Cables of bin 7')).token, 40);
    const { now } = await link.hello();
    const readings = binReadings({ placeId, now: Date.parse(now), days: 12, levelM: 5, hot: true, seed: 4 });
    for (let i = 0; i < readings.length; i += 1000)
      expect(await link.send('cables', { readings: readings.slice(i, i + 1000) })).toMatchObject({
        samples: Math.min(1000, readings.length - i),
      });
    await link.send('cables', { readings: readings.slice(-20) });
    const seen = (await client.get<CablesAnswer>(`${path}?days=12`)).body.cables!;
    expect(seen.spots[0]).toMatchObject({ cable: 1, verdict: 'hot' });
    expect(seen.sensors).toHaveLength(18);
    expect(seen.sensors[0]!.celsius).toBe(readings.at(-3)!.celsius[0]);
    await expect(link.send('cables', { readings: [{ ...readings[0]!, placeId: 'nowhere' }] })).rejects.toThrow(
      'reading 1: There is no such place in the book.',
    );
    await expect(link.send('cables', { readings: [{ ...readings[0]!, celsius: ['warm'] }] })).rejects.toThrow(
      /celsius is a list of numbers from -60 to 120 °C, or null/,
    );
    expect((await client.get(`${path}?days=4000`)).status).toBe(400);
  });

  it('motors: a start and a stop are news, the same again is none, what comes late turns nothing back', async () => {
    const value = {
      machines: [{ id: 'leg-1', name: 'Leg 1', kind: 'leg', rate: 4000, driven: true }],
      links: [],
    };
    const link = new Link(client.address, (await add('motors', 'Panel')).token, 40);
    const said = (seconds: number, running: boolean, machineId = 'leg-1') => ({
      motors: [{ machineId, at: new Date(Date.now() + 1000 * seconds).toISOString(), running }],
    });
    await expect(link.send('motors', said(0, true))).rejects.toThrow('motor 1: The site has no machine "leg-1"');
    await client.put(`/farms/${farmId}/store/site-equipment/farm`, { revision: 0, value });
    expect(await link.send('motors', said(0, true))).toEqual({ samples: 1 });
    expect(await link.send('motors', said(1, true))).toEqual({ samples: 0 });
    expect(await link.send('motors', said(5, false))).toEqual({ samples: 1 });
    expect(await link.send('motors', said(3, true))).toEqual({ samples: 0 });
    const motors = (await client.get<MotorInfo[]>(`/farms/${farmId}/motors`)).body;
    expect(motors.map(({ machineId, running }) => [machineId, running])).toEqual([['leg-1', false]]);
    await expect(link.send('motors', { motors: [{ ...said(6, true).motors[0], running: 'yes' }] })).rejects.toThrow(
      'running is true or false',
    );
  });

  it('a token that is wrong or revoked opens nothing, and no other door', async () => {
    const { token, deviceId } = await add('weather');
    const link = new Link(client.address, token);
    await link.hello();
    // A device's token is no session: the farm's own pages stay closed to it.
    const asPage = await fetch(`${client.address}/api/farms/${farmId}/now`, {
      headers: { Authorization: `Bearer ${token}` },
    });
    expect(asPage.status).toBe(401);
    expect((await fetch(`${client.address}/api/device/hello`, { headers: { Cookie: client.cookie } })).status).toBe(
      401,
    );
    await client.post(`/farms/${farmId}/devices/${deviceId}/revoke`);
    await expect(link.hello()).rejects.toThrow(/missing, wrong or revoked/);
    await expect(new Link(client.address, 'x'.repeat(43)).hello()).rejects.toThrow(/missing, wrong or revoked/);
    const stored: { token_hash: string }[] = await harness.db.query('SELECT token_hash FROM devices');
    expect(stored.some((row) => row.token_hash === token)).toBe(false);
  });

  it('one that calls too often is told to put more into one call', async () => {
    const link = new Link(client.address, (await add('weather')).token);
    const answers = await Promise.allSettled(Array.from({ length: 80 }, () => link.hello()));
    const refused = answers.filter((answer) => answer.status === 'rejected');
    expect(refused.length).toBeGreaterThan(0);
    expect(refused.length).toBeLessThan(80);
    expect(String((refused[0] as PromiseRejectedResult).reason)).toMatch(/at most 10 times a second/);
  });

  it('one that is patient is answered in the end, and never by a refusal that stays', async () => {
    const link = new Link(client.address, (await add('weather')).token, 40);
    const answers = await Promise.all(Array.from({ length: 60 }, () => link.hello()));
    expect(answers.every(({ kind }) => kind === 'weather')).toBe(true);
    // A no is a no: it is not asked forty times.
    const other = new Link(client.address, (await add('weather')).token, 40);
    const calls = vi.spyOn(globalThis, 'fetch');
    try {
      await expect(
        other.send('readings', { id: ulid(), fieldId, at: '2026-09-20T12:00:00Z', moisture: 0.163, source: 'hand' }),
      ).rejects.toThrow(/does not write this/);
      expect(calls).toHaveBeenCalledTimes(1);
    } finally {
      calls.mockRestore();
    }
  });

  it('only a manager adds or revokes', async () => {
    const operator = await harness.member(farmId, 'operator');
    expect((await operator.post(`/farms/${farmId}/devices`, { name: 'x', kind: 'weather' })).status).toBe(403);
    expect((await operator.get(`/farms/${farmId}/devices`)).status).toBe(200);
    expect((await client.post(`/farms/${farmId}/devices`, { name: '', kind: 'weather' })).status).toBe(400);
    expect((await client.post(`/farms/${farmId}/devices/none/revoke`)).status).toBe(404);
  });
});
