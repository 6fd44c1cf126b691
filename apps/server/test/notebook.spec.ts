import type { WeatherHourInfo } from '@fanega/contract';
import { readingsOf } from '@fanega/core';
import { ulid } from 'ulid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, entry, fieldRecords, Harness, smallFarm } from './harness.js';

let harness: Harness;
let client: Client;
let farmId: string;
let p: Awaited<ReturnType<typeof smallFarm>>;
let fieldId: string;

beforeAll(async () => {
  harness = await Harness.start();
  ({ client, farmId } = await harness.owner());
  p = await smallFarm(client, farmId);
  fieldId = (await client.get<{ lot: { id: string; fieldId: string } }[]>(`/farms/${farmId}/lots`)).body.find(
    (row) => row.lot.id === p.hs,
  )!.lot.fieldId;
});
afterAll(() => harness.stop());

interface Refusal {
  code: string;
  message: string;
  issues: { field: string; message: string }[];
}
const at = '2026-09-20T12:00:00.000Z';
const reading = (more: object = {}) => ({
  id: ulid(),
  fieldId,
  at,
  moisture: 0.171,
  source: 'hand',
  tester: 'Handheld 2',
  spot: 'gate',
  ...more,
});
const loss = (more: object = {}) => ({
  id: ulid(),
  at,
  machineId: p.cart,
  lotId: p.hs,
  behind: [{ kernels: 31, area: 0.93 }],
  before: [],
  atHeader: [],
  kernelGrams: 0.29,
  pricePerBu: 4.4,
  ...more,
});
const notebook = () => fieldRecords(client, farmId);
const readings = async () => readingsOf(await notebook(), fieldId);
const post = <T = Refusal>(path: string, body: object) => client.post<T>(`/farms/${farmId}/${path}`, body);
const put = <T = Refusal>(path: string, body: object) => client.call<T>('PUT', `/farms/${farmId}/${path}`, body);

describe('readings', () => {
  it('keep tester, spot and teeth, newest first, and one sent twice is one', async () => {
    const first = reading();
    expect([(await post('fields/reading', first)).status, (await post('fields/reading', first)).status]).toEqual([
      200, 200,
    ]);
    await post(
      'fields/reading',
      reading({ at: '2026-09-20T13:00:00Z', source: 'bite', moisture: undefined, cracked: 3 }),
    );
    const kept = await readings();
    expect(
      kept.map(({ source, moisture, cracked, tester, spot }) => [source, moisture, cracked, tester, spot]),
    ).toEqual([
      ['bite', null, 3, 'Handheld 2', 'gate'],
      ['hand', 0.171, null, 'Handheld 2', 'gate'],
    ]);
    expect((await post('fields/reading', { ...first, moisture: 0.18 })).status).toBe(409);
  });

  it('one that was taken back counts no longer, and is still there', async () => {
    const wrong = reading({ at: '2026-09-21T12:00:00Z', moisture: 0.271 });
    await post('fields/reading', wrong);
    const last = async () =>
      (
        await client.get<{ lot: { id: string }; lastMoisture: { moisture: number } }[]>(`/farms/${farmId}/lots`)
      ).body.find((row) => row.lot.id === p.hs)!.lastMoisture.moisture;
    expect(await last()).toBe(0.271);
    expect((await post(`fields/reading/${wrong.id}/void`, {})).status).toBe(200);
    expect(await last()).toBe(0.171);
    const kept = await readings();
    expect(kept.find(({ id }) => id === wrong.id)!.voided).toBe(true);
    expect((await post('fields/reading/none/void', {})).status).toBe(404);
  });

  it('are refused at their place when they cannot be', async () => {
    for (const [body, message] of [
      [reading({ moisture: 160 }), /from 0 to 0.6 as a wet-basis fraction/],
      [reading({ moisture: undefined }), /needs its moisture/],
      [reading({ source: 'bite', moisture: undefined }), /a bite test its count/],
      [reading({ source: 'guess' }), /Source is one of hand/],
      [reading({ at: 'noon' }), /is no date/],
    ] as const) {
      const answer = await post('fields/reading', body);
      expect([answer.status, answer.body.issues.length]).toEqual([400, 1]);
      expect(answer.body.message).toMatch(message);
    }
  });

  it('do not make the server replay the book, and a bite is no moisture of the field', async () => {
    await post('entries', {
      entries: [entry({ type: 'harvest', lot: p.hs, to: p.cart, wetKg: 4000, moisture: 0.18 })],
    });
    const count = async () =>
      (await harness.db.query<{ topic: string; version: number }[]>('SELECT topic, version FROM farm_topics')).reduce(
        (all, { topic, version }) => ({ ...all, [topic]: version }),
        {} as Record<string, number>,
      );
    const before = await count();
    await post('fields/reading', reading({ at: '2026-09-22T12:00:00Z', moisture: 0.166 }));
    await post(
      'fields/reading',
      reading({ at: '2026-09-23T12:00:00Z', source: 'bite', moisture: undefined, cracked: 8 }),
    );
    const after = await count();
    // Only who shows fields asks again: the book and its names stand as they stood.
    expect(Object.keys(after).filter((topic) => after[topic] !== before[topic])).toEqual(['fields']);
    expect(after.fields! - before.fields!).toBe(2);
    const rows = (
      await client.get<{ lot: { id: string }; lastMoisture: { moisture: number } }[]>(`/farms/${farmId}/lots`)
    ).body;
    expect(rows.find((row) => row.lot.id === p.hs)!.lastMoisture.moisture).toBe(0.166);
  });
});

describe('what was seen and set in the field', () => {
  it('a loss check, the settings it was counted under, a tester pair and strips come back as they went in', async () => {
    const settings = {
      id: ulid(),
      at,
      machineId: p.cart,
      lotId: p.hs,
      values: { rotor: 380, concave: 28 },
      why: 'as last year',
      moisture: 0.18,
    };
    const check = loss({ settingsId: settings.id, symptom: 'rotorLoss', atHeader: [{ kernels: 4, area: 0.93 }] });
    const pair = { id: ulid(), at, tester: 'Handheld 2', testerMoisture: 0.15, buyerMoisture: 0.157 };
    const strips = { id: ulid(), at, lotId: p.hs, what: 'deck plates', differences: [4.1, -0.6, 2.5] };
    for (const [kind, body] of [
      ['cut/settings-entry', settings],
      ['cut/loss-check', check],
      ['fields/tester-pair', pair],
      ['cut/strip-trial', strips],
    ] as const) {
      expect([(await post(kind, body)).status, (await post(kind, body)).status], kind).toEqual([200, 200]);
    }
    const { logs } = await notebook();
    expect([logs.settingsEntry, logs.lossCheck, logs.testerPair, logs.stripTrial]).toEqual(
      [settings, check, pair, strips].map((body) => [{ body, by: 'Oona', voided: false }]),
    );
    await post(`cut/loss-check/${check.id}/void`, {});
    expect((await notebook()).logs.lossCheck[0]!.voided).toBe(true);
    expect((await post('cut/loss-check', { ...check, pricePerBu: 5 })).status).toBe(409);
  });

  it('names what is wrong: a count of -3, no frame, a rotor of 9,000, another farm’s machine', async () => {
    const wrong = async (kind: string, body: object) => {
      const answer = await post(kind, body);
      return [answer.status, answer.body.message];
    };
    expect(await wrong('cut/loss-check', loss({ behind: [{ kernels: -3, area: 1 }] }))).toEqual([
      400,
      'A count is from 0 to 100,000.',
    ]);
    expect(await wrong('cut/loss-check', loss({ behind: [] }))).toEqual([
      400,
      'Frames counted behind the machine: at least 1.',
    ]);
    const settings = { id: ulid(), at, machineId: p.cart, lotId: p.hs, why: '' };
    expect(await wrong('cut/settings-entry', { ...settings, values: { rotor: 9000 } })).toEqual([
      400,
      'A setting is from 0 to 2,000.',
    ]);
    expect(await wrong('cut/settings-entry', { ...settings, values: { wings: 2 } })).toMatchObject([
      400,
      /wings is not a field|not a field/,
    ]);
    expect(await wrong('cut/loss-check', loss({ machineId: 'none' }))).toEqual([
      404,
      'There is no such machine or place.',
    ]);
    expect(await wrong('cut/strip-trial', { id: ulid(), at, lotId: p.hs, what: 'x', differences: [1] })).toEqual([
      400,
      'Pairs of strips: at least 2.',
    ]);
  });
});

describe('settings of the farm', () => {
  const sheet = {
    tooDryBelow: 0.1,
    bestFrom: 0.12,
    bestTo: 0.13,
    refuseAbove: 0.15,
    price: 10.4,
    shrinkPerPoint: 1.4,
    dockPerPoint: 0.04,
  };
  it('change by revision: who was slower is told and loses nothing', async () => {
    expect(
      (await put<{ revision: number }>('fields/cutting-window/soybean', { revision: 0, value: sheet })).body.revision,
    ).toBe(1);
    const late = await put('fields/cutting-window/soybean', { revision: 0, value: { ...sheet, price: 9 } });
    expect([late.status, late.body.code]).toEqual([409, 'setting_changed']);
    expect((await notebook()).settings.cuttingWindow.soybean).toEqual({ revision: 1, value: sheet });
  });
  it('limits that do not rise, an unknown crop and a head of no width are refused', async () => {
    expect(
      (await put('fields/cutting-window/soybean', { revision: 1, value: { ...sheet, bestTo: 0.11 } })).status,
    ).toBe(400);
    expect((await put('fields/cutting-window/maize', { revision: 0, value: sheet })).status).toBe(404);
    const machine = {
      kind: 'rotary',
      headWidth: 0,
      headConfirmed: '',
      goodRate: 1e5,
      speedLimit: 2.9,
      tankBu: 350,
      fieldEfficiency: 0.7,
      ranges: { rotor: [200, 1000] },
    };
    expect((await put(`cut/combine-profile/${p.cart}`, { revision: 0, value: machine })).body.message).toMatch(
      /width of the head is from 0.3 to 30 m/,
    );
    expect(
      (
        await put(`cut/combine-profile/${p.cart}`, {
          revision: 0,
          value: { ...machine, headWidth: 9, ranges: { rotor: [9, 1] } },
        })
      ).body.message,
    ).toMatch(/least and its most/);
    expect((await put(`cut/combine-profile/none`, { revision: 0, value: { ...machine, headWidth: 9 } })).status).toBe(
      404,
    );
  });
});

describe('weather', () => {
  const hour = (h: number, more: object = {}) => ({
    at: `2026-09-20T${String(h).padStart(2, '0')}:00:00Z`,
    temperature: 20 + h,
    humidity: 0.6,
    wind: 3,
    rainChance: 0.1,
    wet: false,
    forecast: true,
    ...more,
  });
  it('a measured hour replaces its forecast, and a late forecast does not replace it', async () => {
    expect((await post<{ hours: number }>('weather', { hours: [hour(1), hour(2)] })).body.hours).toBe(2);
    await post('weather', { hours: [hour(1, { temperature: 18, forecast: false })] });
    expect(
      (
        await post<{ hours: number }>('weather', {
          hours: [hour(1, { temperature: 30 }), hour(2, { temperature: 25 })],
        })
      ).body.hours,
    ).toBe(1);
    const kept = (
      await client.get<WeatherHourInfo[]>(`/farms/${farmId}/weather?from=2026-09-20T00:00:00Z&to=2026-09-20T23:00:00Z`)
    ).body;
    expect(kept.map(({ temperature, forecast }) => [temperature, forecast])).toEqual([
      [18, false],
      [25, true],
    ]);
    expect((await post('weather', { hours: [hour(3, { humidity: 60 })] })).body.message).toMatch(
      /humidity is a fraction/,
    );
    expect((await client.get(`/farms/${farmId}/weather?from=x&to=y`)).status).toBe(400);
  });
});
