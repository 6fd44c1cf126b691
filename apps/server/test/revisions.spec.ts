import type { LayersAnswer, RevisionInfo } from '@fanega/contract';
import { type Book, bookFromJson, type Delivery, Ledger, readingHeader } from '@fanega/core';
import { ulid } from 'ulid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, entry, farmNow, Harness, shedRecords, smallFarm } from './harness.js';

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

const get = async <T>(where: string): Promise<T> => (await client.get<T>(`/farms/${farmId}/${where}`)).body;
const append = async (...entries: object[]) => {
  const answer = await client.post<{ message?: string }>(`/farms/${farmId}/entries`, { entries });
  expect(answer.status, answer.body.message).toBe(200);
};
const change = (what: object, reason = 'as agreed', id = ulid(), by = client) =>
  by.post<{ seq: number; message: string; code: string }>(`/farms/${farmId}/revisions`, { id, reason, change: what });

describe('what the book is read with', () => {
  it('is changed by dated revisions with author and reason; the book as it was read before can be had to the digit', async () => {
    const load = entry({ type: 'harvest', lot: p.hs, to: p.truck, wetKg: 10_000, moisture: 0.17, method: 'cartScale' });
    await append(load, entry({ type: 'witness', of: load.id, wetKg: 9900, method: 'bridge' }));
    const { seq, positions } = await farmNow(client, farmId);
    expect(positions[p.truck]!.wetKg).toBeCloseTo(9900, 9);
    const before = await get<Book>('book');
    const id = ulid();
    const trust = ['cartScale', 'ticket', 'bridge', 'volume', 'monitor', 'estimate'];
    expect((await change({ what: 'trust', trust }, 'the bridge was off by a lug', id)).body.seq).toBe(seq + 1);
    // Sent again after a lost answer, it is the same one.
    expect((await change({ what: 'trust', trust }, 'the bridge was off by a lug', id)).status).toBe(200);
    expect((await farmNow(client, farmId)).positions[p.truck]!.wetKg).toBeCloseTo(10_000, 9);
    await append(entry({ type: 'move', from: p.truck, to: p.mill, wetKg: 4000, method: 'ticket', ticket: '12' }));
    const list = await get<RevisionInfo[]>('revisions');
    expect(list.map(({ seq: n, reason, by }) => [n, reason, by])).toEqual([
      [seq + 1, 'the bridge was off by a lug', 'Oona'],
    ]);
    // As of the number that was printed: the same entries, the same order of trust, the same figures.
    const asOf = await get<Book>(`book?asOf=${seq}`);
    expect(asOf.entries).toEqual(before.entries);
    const replayed = (book: Book): Ledger => {
      const read = new Ledger(readingHeader(bookFromJson(book)));
      read.append(book.entries);
      return read;
    };
    expect(replayed(asOf).positions()[p.truck]!.wetKg).toBe(positions[p.truck]!.wetKg);
    expect(replayed(await get<Book>('book')).positions()).toEqual((await farmNow(client, farmId)).positions);
  });

  it('shares, base moistures and withdrawal too; what cannot be is refused at its place, and an operator may not', async () => {
    expect(
      (await change({ what: 'shares', lot: p.hs, shares: [{ owner: 'Vance heirs', part: 0.4 }] })).body.message,
    ).toMatch(/come to the whole/);
    expect((await change({ what: 'shares', lot: 'none', shares: [{ owner: 'V', part: 1 }] })).status).toBe(422);
    expect((await change({ what: 'baseMoisture', crop: 'corn', moisture: 0.155 })).status).toBe(200);
    expect((await farmNow(client, farmId)).farm.defaults.bases).toEqual({ corn: 0.155 });
    expect((await change({ what: 'withdrawal', place: p.bin, withdrawal: 'firstIn' })).status).toBe(200);
    expect((await farmNow(client, farmId)).places.find(({ id }) => id === p.bin)!.withdrawal).toBe('firstIn');
    expect((await change({ what: 'withdrawal', place: p.bin, withdrawal: 'sideways' })).status).toBe(422);
    expect((await change({ what: 'color', lot: p.hs })).status).toBe(422);
    expect(
      (await change({ what: 'defaultMoisture', moisture: 0.16 }, 'x', ulid(), await harness.member(farmId, 'operator')))
        .status,
    ).toBe(403);
  });

  it('a saved book carries them into an empty farm, and opens there as it was', async () => {
    const book = await get<Book>('book');
    expect([book.version, book.revisions!.length]).toEqual([2, 3]);
    const fresh = await Harness.start();
    const other = await fresh.owner();
    expect((await other.client.post(`/farms/${other.farmId}/book`, book)).status).toBe(200);
    expect((await other.client.get<Book>(`/farms/${other.farmId}/book`)).body).toEqual(book);
    expect((await farmNow(other.client, other.farmId)).positions).toEqual((await farmNow(client, farmId)).positions);
    await fresh.stop();
  });
});

describe('a ticket that came late', () => {
  it('brings its number and its price with it', async () => {
    const gone = entry({ type: 'move', from: p.truck, to: p.mill, wetKg: 3000 });
    await append(gone);
    const delivery = async () => (await get<Delivery[]>('deliveries')).find(({ entry: own }) => own.id === gone.id)!;
    expect([(await delivery()).ticket, (await delivery()).pricePerBu]).toEqual([null, null]);
    await append(
      entry({ type: 'witness', of: gone.id, wetKg: 2980, method: 'ticket', ticket: '40151', pricePerBu: 4.31 }),
    );
    const told = await delivery();
    expect([told.ticket, told.pricePerBu]).toEqual(['40151', 4.31]);
    expect(told.netKg).toBeCloseTo(2980, 6);
  });
});

describe('what changed is told by its topic', () => {
  /** Events of the feed until one satisfies, at most for the test's own time. */
  async function feed(
    n: number,
    wanted: (event: { seq: number; topics: Record<string, number> }) => boolean,
  ): Promise<() => Promise<{ seq: number; topics: Record<string, number> }>> {
    const abort = new AbortController();
    const response = await fetch(`${harness.address(n)}/api/farms/${farmId}/feed`, {
      headers: { Cookie: client.cookie, Accept: 'text/event-stream' },
      signal: abort.signal,
    });
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
    let text = '';
    return async () => {
      for (;;) {
        const found = text.split('\n').flatMap((line) => (line.startsWith('data: {') ? [JSON.parse(line.slice(6)) as { seq: number; topics: Record<string, number> }] : [])).find(wanted); // prettier-ignore
        if (found) {
          abort.abort();
          return found;
        }
        text += (await reader.read()).value ?? '';
      }
    };
  }

  it('to every listener, one that comes in the same moment swallows nothing, and also to those of another process', async () => {
    await harness.another();
    const { seq } = await farmNow(client, farmId);
    const first = await feed(0, (event) => event.seq > seq);
    const elsewhere = await feed(1, (event) => event.seq > seq);
    await append(entry({ type: 'harvest', lot: p.pt, to: p.cart, wetKg: 5000, moisture: 0.18 }));
    const late = await feed(0, (event) => event.seq > seq);
    expect((await Promise.all([first(), elsewhere(), late()])).map((event) => event.seq)).toEqual([
      seq + 1,
      seq + 1,
      seq + 1,
    ]);
  });

  it('a reading changes fields alone; the strata of a place that did not change are not sent again', async () => {
    const before = (await farmNow(client, farmId)).topics;
    const all = await get<LayersAnswer>('layers');
    const have = Object.entries(all.places).map(([place, { mark }]) => `${place}:${mark}`);
    await append(entry({ type: 'measure', place: p.cart, wetKg: 4900 }));
    const news = await get<LayersAnswer>(`layers?have=${encodeURIComponent(have.join(','))}`);
    expect(Object.keys(news.places)).toEqual([p.cart]);
    expect((await farmNow(client, farmId)).topics.fields).toBe(before.fields);
  });
});

describe('a bin', () => {
  it('holds what its geometry says, until somebody types a capacity', async () => {
    const put = (path: string, body: object) =>
      client.call<{ message: string; revision: number }>('PUT', `/farms/${farmId}/${path}`, body);
    const bin = async () => (await farmNow(client, farmId)).places.find(({ id }) => id === p.bin)!;
    expect((await bin()).capacityBu).toBeNull();
    // 30 ft across, 18 ft to the eave: pi/4 · 30² · 18 ft3 is 12,723 ft3, 10,224 struck bushels; packed a few in a hundred more.
    const value = { diameter: 9.144, eave: 5.4864, hopper: 0, roofDegrees: 30, floor: 'full perforated', crop: 'corn' };
    expect((await put(`store/bin-setup/${p.bin}`, { revision: 0, value })).status).toBe(200);
    const by = await bin();
    expect([by.capacityByGeometry, by.reservedFor, by.diameterM]).toEqual([true, 'corn', 9.144]);
    expect(by.capacityBu! / 10_224).toBeGreaterThan(1);
    expect(by.capacityBu! / 10_224).toBeLessThan(1.1);
    expect((await put(`places/${p.bin}`, { name: 'Bin A', capacityBu: 9000 })).status).toBe(200);
    expect([(await bin()).capacityBu, (await bin()).capacityByGeometry ?? false]).toEqual([9000, false]);
    expect((await put(`store/bin-setup/${p.bin}`, { revision: 1, value: { ...value, hopper: 80 } })).status).toBe(400);
    expect((await put('store/bin-setup/none', { revision: 0, value })).status).toBe(404);
  });

  it('and a truck is one machine, in Store and in the shed, under one name', async () => {
    const machines = async () =>
      Object.entries((await shedRecords(client, farmId)).settings.machine).map(([id, { value }]) => [
        id,
        value.name,
        value.placeId,
      ]);
    expect(await machines()).toEqual(expect.arrayContaining([[p.truck, 'Truck 2', p.truck], [p.cart, 'Cart 1', p.cart]])); // prettier-ignore
    await client.call('PUT', `/farms/${farmId}/places/${p.truck}`, { name: 'Old red' });
    expect(await machines()).toContainEqual([p.truck, 'Old red', p.truck]);
  });

  it('and is put away when nothing hangs on it, with its machine; what was recorded of it stays', async () => {
    const put = (where: string, body: object, by = client) =>
      by.call<{ code: string; message: string }>('PUT', `/farms/${farmId}/${where}`, body);
    const cartId = (await client.post<{ placeId: string }>(`/farms/${farmId}/places`, { name: 'Cart 9', kind: 'cart' })).body.placeId; // prettier-ignore
    const operator = await harness.member(farmId, 'operator');
    expect((await put(`places/${cartId}/in-use`, { inUse: false }, operator)).status).toBe(403);
    expect((await put('places/none/in-use', { inUse: false })).status).toBe(404);
    expect((await put(`places/${cartId}/in-use`, {})).status).toBe(400);
    await append(entry({ type: 'harvest', lot: p.hs, to: cartId, wetKg: 3000, moisture: 0.16 }));
    const full = await put(`places/${cartId}/in-use`, { inUse: false });
    expect([full.status, full.body.message]).toEqual([409, expect.stringMatching(/Cart 9 still holds grain/)]);
    await append(entry({ type: 'move', from: cartId, to: p.truck, wetKg: 3000 }));
    expect((await put(`places/${cartId}/in-use`, { inUse: false })).status).toBe(200);
    const cart = async () => {
      const machines = Object.values((await shedRecords(client, farmId)).settings.machine);
      return [
        (await farmNow(client, farmId)).places.find(({ id }) => id === cartId)!.putAway ?? false,
        machines.find(({ value }) => value.placeId === cartId)!.value.retired,
      ];
    };
    expect(await cart()).toEqual([true, true]);
    // A phone that was without a signal still brings its load: nothing recorded is lost.
    await append(entry({ type: 'harvest', lot: p.hs, to: cartId, wetKg: 2000, moisture: 0.16 }));
    expect((await put(`places/${cartId}/in-use`, { inUse: true })).status).toBe(200);
    expect(await cart()).toEqual([false, false]);

    const contract = { number: '118', buyerId: p.mill, crop: 'corn', kind: 'flat', price: 4.5, bushels: 5000, opens: '2026-10-01', closes: '2026-12-15', overage: 'spot', done: false }; // prettier-ignore
    expect((await put('sell/contract/c118', { revision: 0, value: contract })).status).toBe(200);
    const owed = await put(`places/${p.mill}/in-use`, { inUse: false });
    expect([owed.status, owed.body.message]).toEqual([409, expect.stringMatching(/Contract 118 with .* is open/)]);
    expect((await put('sell/contract/c118', { revision: 1, value: { ...contract, done: true } })).status).toBe(200);
    expect((await put(`places/${p.mill}/in-use`, { inUse: false })).status).toBe(200);
  });
});
