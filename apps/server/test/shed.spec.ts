import { crc32, deflateSync } from 'node:zlib';
import type { ReadingInfo } from '@fanega/contract';
import type { Machine, MonitorView } from '@fanega/core';
import { ulid } from 'ulid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, entry, fieldRecords, Harness, shedRecords, smallFarm } from './harness.js';

let harness: Harness;
let client: Client;
let farmId: string;
let p: Awaited<ReturnType<typeof smallFarm>>;

beforeAll(async () => {
  harness = await Harness.start();
  ({ client, farmId } = await harness.owner());
  p = await smallFarm(client, farmId);
});
afterAll(() => harness.stop());

interface Refusal {
  code: string;
  message: string;
  issues: { field: string; message: string }[];
}
const at = '2026-09-20T12:00:00.000Z';
const put = <T = Refusal>(path: string, body: object, by = client) =>
  by.call<T>('PUT', `/farms/${farmId}/${path}`, body);
const post = <T = Refusal>(path: string, body: object) => client.post<T>(`/farms/${farmId}/${path}`, body);
const shed = () => shedRecords(client, farmId);
const asset = (more: Partial<Machine> = {}): Machine => ({
  kind: 'header',
  name: 'Flex 35',
  retired: false,
  engineHours: 0,
  separatorHours: 0,
  acres: 7420,
  crops: ['soybean'],
  items: [
    {
      id: 'knife',
      what: 'Knives and guards',
      owner: 'Ruiz',
      due: '2026-09-10',
      doneOn: null,
      skipped: null,
      needed: true,
      part: { name: 'Knife drive gearbox', onHand: false, leadDays: 12, orderedOn: null },
      card: 'headerLock',
    },
  ],
  services: [{ id: 'grease', what: 'Grease', by: 'separator', everyHours: 50, lastAt: 0, skipped: 0 }],
  wear: [
    {
      id: 'k',
      name: 'Knife',
      position: 'both halves',
      hoursAtFit: 0,
      acresAtFit: 6900,
      lastsHours: null,
      lastsAcres: 2400,
      photos: [],
    },
  ],
  ...more,
});

/** A PNG of one gray, so large. */
function png(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer): Buffer => {
    const body = Buffer.concat([Buffer.from(type, 'ascii'), data]);
    const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc32(body));
    return Buffer.concat([length, body, sum]);
  };
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(height, 4);
  header.set([8, 0, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from('89504e470d0a1a0a', 'hex'),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(Buffer.alloc((width + 1) * height))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

async function upload(
  bytes: Buffer,
  id = ulid(),
  by = client,
): Promise<{ status: number; body: Refusal & { photoId?: string; width?: number } }> {
  const response = await fetch(`${by.address}/api/farms/${farmId}/photos/${id}?about=knife`, {
    method: 'POST',
    headers: { Origin: by.address, Cookie: by.cookie, 'Content-Type': 'application/octet-stream' },
    body: new Uint8Array(bytes),
  });
  return { status: response.status, body: (await response.json()) as Refusal & { photoId?: string; width?: number } };
}

describe('machines and lists', () => {
  it('come back as they went in, change by revision, and the season says when they must be ready', async () => {
    expect(
      (await put<{ revision: number }>('shed/machine/flex-35', { revision: 0, value: asset() })).body.revision,
    ).toBe(1);
    const late = await put('shed/machine/flex-35', { revision: 0, value: asset({ name: 'other' }) });
    expect([late.status, late.body.code]).toEqual([409, 'setting_changed']);
    await put('shed/season-plan/farm', {
      revision: 0,
      value: { firstDays: { soybean: '2026-09-17' }, acknowledge: ['headerLock'] },
    });
    await put('shed/readiness-template/header', {
      revision: 0,
      value: { lines: [{ what: 'Oil', needed: true, daysBefore: 7 }] },
    });
    await put('shed/changeover/flex-35', {
      revision: 0,
      value: { from: 'corn', to: 'soybean', done: [{ step: 'header', at, by: 'Bea', noPhoto: 'dark' }] },
    });
    const kept = await shed();
    expect(kept.settings.machine['flex-35']).toEqual({ revision: 1, value: asset() });
    expect(kept.settings.seasonPlan.farm!.value.acknowledge).toEqual(['headerLock']);
    expect(kept.settings.readinessTemplate.header!.value.lines[0]!.daysBefore).toBe(7);
    expect(kept.settings.changeover['flex-35']!.value.done[0]).toMatchObject({ step: 'header', noPhoto: 'dark' });
  });

  it('name what is wrong at its place', async () => {
    const wrong = async (more: Partial<Machine>) =>
      (await put('shed/machine/other', { revision: 0, value: asset(more) })).body.message;
    const [item] = asset().items;
    expect(await wrong({ name: '' })).toMatch(/The name is missing/);
    expect(await wrong({ kind: 'boat' as never })).toMatch(/Kind is one of combine/);
    expect(await wrong({ acres: -3 })).toMatch(/^Acres is from 0 to 1,000,000 ac\.$/);
    expect(await wrong({ items: [{ ...item!, due: 'Friday' }] })).toMatch(/day it is due is no date/i);
    expect(await wrong({ items: [{ ...item!, part: { ...item!.part!, leadDays: 9000 } }] })).toMatch(
      /lead time is from 0 to 730 days/,
    );
    expect(await wrong({ items: [{ ...item!, skipped: '' }] })).toMatch(/Why it is left out/);
    expect(
      (
        await put('shed/season-plan/farm', {
          revision: 1,
          value: { firstDays: { maize: '2026-09-01' }, acknowledge: [] },
        })
      ).body.message,
    ).toMatch(/maize/);
    expect(
      (await put('shed/season-plan/farm', { revision: 1, value: { firstDays: {}, acknowledge: ['flying'] } })).body
        .message,
    ).toMatch(/card is one of/);
    expect((await put('shed/readiness-template/boat', { revision: 0, value: { lines: [] } })).status).toBe(404);
    expect(
      (await put('shed/changeover/none', { revision: 0, value: { from: null, to: 'corn', done: [] } })).status,
    ).toBe(404);
    expect((await put('shed/machine/a%20b', { revision: 0, value: asset() })).status).toBe(400);
  });

  it('an operator ticks, a viewer looks, and only a manager changes lists and first days', async () => {
    const operator = await harness.member(farmId, 'operator');
    const viewer = await harness.member(farmId, 'viewer');
    expect((await put('shed/machine/by-operator', { revision: 0, value: asset() }, operator)).status).toBe(200);
    expect(
      (await put('shed/season-plan/farm', { revision: 1, value: { firstDays: {}, acknowledge: [] } }, operator)).status,
    ).toBe(403);
    expect((await put('shed/machine/by-viewer', { revision: 0, value: asset() }, viewer)).status).toBe(403);
    expect((await viewer.get(`/farms/${farmId}/shed/records`)).status).toBe(200);
    expect((await (await harness.member(null)).get(`/farms/${farmId}/shed/records`)).status).toBe(403);
  });
});

describe('breakdowns and acknowledgements', () => {
  const broke = (more: object = {}) => ({
    id: ulid(),
    at,
    assetId: 'flex-35',
    what: 'Knife head',
    cause: 'wear',
    cost: 210,
    hoursLost: 2.5,
    acresLost: 17,
    missingSpare: 'knife head',
    mended: false,
    ...more,
  });
  it('are records of the shed: once each, taken back and made again', async () => {
    const first = broke();
    expect([(await post('shed/breakdown', first)).status, (await post('shed/breakdown', first)).status]).toEqual([
      200, 200,
    ]);
    const ack = { id: ulid(), at, card: 'headerLock', before: 'Flex 35: Knives and guards' };
    await post('shed/acknowledgement', ack);
    await post('shed/breakdown', broke({ mended: true }));
    await post(`shed/breakdown/${first.id}/void`, {});
    const { logs } = await shed();
    expect(logs.breakdown.length).toBe(2);
    expect(logs.breakdown.find(({ body }) => body.id === first.id)).toMatchObject({ voided: true, by: 'Oona' });
    expect(logs.acknowledgement[0]!.body).toEqual(ack);
  });
  it('are refused for a machine that is not there, a cause that is none, a cost below zero', async () => {
    expect((await post('shed/breakdown', broke({ assetId: 'none' }))).body.message).toBe(
      'There is no such machine in the shed.',
    );
    expect((await post('shed/breakdown', broke({ cost: -3 }))).body.message).toMatch(/The cost is from 0/);
    expect((await post('shed/breakdown', broke({ cause: 'ghosts' }))).status).toBe(400);
    expect((await post('shed/acknowledgement', { id: ulid(), at, card: 'flying', before: '' })).status).toBe(400);
  });
});

describe('photographs', () => {
  it('are kept as they are, shown as pictures and nothing else, and sent twice are one', async () => {
    const [id, picture] = [ulid(), png(40, 30)];
    expect(await upload(picture, id)).toMatchObject({ status: 201, body: { photoId: id, width: 40, height: 30 } });
    expect((await upload(picture, id)).status).toBe(201);
    expect((await upload(png(41, 30), id)).status).toBe(409);
    const response = await fetch(`${client.address}/api/farms/${farmId}/photos/${id}`, {
      headers: { Cookie: client.cookie },
    });
    expect(response.headers.get('content-type')).toBe('image/png');
    expect(response.headers.get('x-content-type-options')).toBe('nosniff');
    expect(response.headers.get('content-security-policy')).toContain('sandbox');
    expect(Buffer.from(await response.arrayBuffer()).equals(picture)).toBe(true);
    const rows = await harness.db.query<{ id: string }[]>('SELECT id FROM photos');
    expect(rows.map((row) => row.id)).toEqual([id]);
  });
  it('a program, a drawing that runs scripts, nothing, a giant and a file of ten megabytes are refused in words', async () => {
    const words = async (bytes: Buffer) => {
      const { status, body } = await upload(bytes);
      return [status, body.message];
    };
    expect(await words(Buffer.from('\u007fELF\u0002\u0001\u0001 not a picture at all'))).toEqual([
      400,
      'This file is not a photograph. Choose a JPEG, PNG or WebP picture.',
    ]);
    expect(await words(Buffer.from('#!/bin/sh\necho photo.jpg\n'))).toEqual([
      400,
      'This file is not a photograph. Choose a JPEG, PNG or WebP picture.',
    ]);
    expect(
      await words(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>1</script></svg>')),
    ).toEqual([400, 'A svg is not kept here. Choose a JPEG, PNG or WebP picture.']);
    expect(await words(Buffer.alloc(0))).toEqual([400, 'The photograph is missing.']);
    expect((await words(png(3, 3)))[1]).toMatch(/8 to 12,000 pixels/);
    expect(await words(Buffer.alloc(10_000_000, 1))).toEqual([
      413,
      'The photograph is larger than 4 MB; take it smaller, or let the page scale it.',
    ]);
  });
  it('belong to their farm', async () => {
    const id = ulid();
    await upload(png(20, 20), id);
    const stranger = await harness.member(null);
    expect((await stranger.get(`/farms/${farmId}/photos/${id}`)).status).toBe(403);
    expect((await upload(png(20, 20), ulid(), await harness.member(farmId, 'viewer'))).status).toBe(403);
    expect((await client.get(`/farms/${farmId}/photos/${ulid()}`)).status).toBe(404);
  });
});

describe('windows of buyers and the next field', () => {
  const window = {
    tooDryBelow: 0.1,
    bestFrom: 0.12,
    bestTo: 0.13,
    refuseAbove: 0.15,
    price: 10.4,
    shrinkPerPoint: 1.4,
    dockPerPoint: 0.04,
  };
  it('a buyer has limits and hours of his own beside the farm’s', async () => {
    await put('fields/cutting-window/soybean', { revision: 0, value: window });
    expect(
      (
        await put(`fields/cutting-window/soybean@${p.mill}`, {
          revision: 0,
          value: { ...window, refuseAbove: 0.14, opensAt: 8, closesAt: 17.5, dockStep: 0.5 },
        })
      ).status,
    ).toBe(200);
    const { cuttingWindow } = (await fieldRecords(client, farmId)).settings;
    expect([cuttingWindow.soybean!.value.refuseAbove, cuttingWindow[`soybean@${p.mill}`]!.value.closesAt]).toEqual([
      0.15, 17.5,
    ]);
    expect(
      (
        await put(`fields/cutting-window/soybean@${p.mill}`, {
          revision: 1,
          value: { ...window, opensAt: 18, closesAt: 8 },
        })
      ).body.message,
    ).toBe('It must close after it opens.');
    expect((await put('fields/cutting-window/soybean@none', { revision: 0, value: window })).status).toBe(404);
  });
  it('how the farm hauls is one sheet, and a road of a day is refused', async () => {
    const haul = {
      roadMin: { [p.mill]: 24 },
      loadMin: 6,
      tarpMin: 3,
      unloadMin: 11,
      othersPerHour: 3,
      lidsCloseBu: 300,
    };
    expect((await put<{ revision: number }>('haul/haul-times/farm', { revision: 0, value: haul })).body.revision).toBe(
      1,
    );
    expect((await fieldRecords(client, farmId)).settings.haulTimes.farm).toEqual({ revision: 1, value: haul });
    expect(
      (await put('haul/haul-times/farm', { revision: 1, value: { ...haul, roadMin: { [p.mill]: 1440 } } })).body
        .message,
    ).toMatch(/road is from 0 to 600 min/);
    expect((await put('haul/haul-times/farm', { revision: 1, value: { ...haul, tarpMin: -3 } })).body.message).toMatch(
      /Tarp min is from 0/,
    );
  });
  it('the field that comes next is a note that everybody sees', async () => {
    await post('fields/next-field-notice', {
      id: ulid(),
      at,
      lotId: p.hs,
      moisture: 0.168,
      step: -0.3,
      dryerBushelsPerHour: 1444,
      wetBinFullHours: 6.2,
    });
    const [note] = (await fieldRecords(client, farmId)).logs.nextFieldNotice;
    expect(note).toMatchObject({ by: 'Oona', body: { lotId: p.hs, dryerBushelsPerHour: 1444 } });
    expect(
      (await post('fields/next-field-notice', { id: ulid(), at, lotId: p.hs, moisture: 16.8 })).body.message,
    ).toMatch(/fraction/);
  });
});

describe('display and scale', () => {
  it('come out of the book with their entries, and restating is void and made again', async () => {
    const harvest = (minutes: number, more: object) =>
      entry({
        type: 'harvest',
        lot: p.hs,
        to: p.cart,
        moisture: 0.17,
        at: new Date(Date.parse(at) + minutes * 60_000).toISOString(),
        device: 'combine-tablet',
        ...more,
      });
    const weighed = harvest(0, { wetKg: 6000, method: 'cartScale' });
    const alone = harvest(12, { wetKg: 5200, method: 'monitor' });
    await post('entries', {
      entries: [weighed, alone, entry({ type: 'witness', of: weighed.id, wetKg: 6240, method: 'monitor', at })],
    });
    const monitors = async () => (await client.get<MonitorView[]>(`/farms/${farmId}/monitors`)).body;
    const [own] = await monitors();
    expect([own!.machine, own!.pairs.length, own!.pairs[0]!.monitorKg, own!.pairs[0]!.scaleKg]).toEqual([
      'combine-tablet',
      1,
      6240,
      6000,
    ]);
    expect(own!.only.map((load) => [load.id, load.monitorKg, load.entry.lot])).toEqual([[alone.id, 5200, p.hs]]);
    const restated = harvest(12, { wetKg: 5000, method: 'monitor', note: 'restated: display 11,464 lb × 0.9615' });
    expect((await post('entries', { entries: [entry({ type: 'void', voids: alone.id, at }), restated] })).status).toBe(
      200,
    );
    expect((await monitors())[0]!.only).toEqual([]);
  });
  it('loads are moistures of the field too, newest first', async () => {
    const kept = (await client.get<ReadingInfo[]>(`/farms/${farmId}/lots/${p.hs}/moistures`)).body;
    expect(kept.map(({ source, moisture }) => [source, moisture!.toFixed(9)])).toEqual([
      ['combine', '0.170000000'],
      ['combine', '0.170000000'],
    ]);
    expect((await client.get(`/farms/${farmId}/lots/none/moistures`)).status).toBe(404);
  });
});
