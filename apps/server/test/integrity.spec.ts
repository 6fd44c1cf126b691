import type { BookCheckAnswer, FarmNow, FieldsRecords, ShedRecordsAnswer } from '@fanega/contract';
import { type Book, chainOf, checkChain, fingerprintOf } from '@fanega/core';
import { ulid } from 'ulid';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { type Client, entry, Harness, smallFarm } from './harness.js';

let harness: Harness;
let owner: Client;
let farmId: string;
let places: Awaited<ReturnType<typeof smallFarm>>;

beforeEach(async () => {
  harness = await Harness.start();
  ({ client: owner, farmId } = await harness.owner());
  places = await smallFarm(owner, farmId);
});
afterEach(() => harness.stop());

const load = (wetKg: number, more: object = {}): Record<string, unknown> & { id: string } =>
  entry({ type: 'harvest', lot: places.hs, to: places.cart, wetKg, moisture: 0.2, ...more });
const append = async (...entries: object[]): Promise<number> =>
  (await owner.post(`/farms/${farmId}/entries`, { entries })).status;
const check = async (): Promise<BookCheckAnswer> =>
  (await owner.get<BookCheckAnswer>(`/farms/${farmId}/book/check`)).body;
const share = async (owner_: string): Promise<number> =>
  (
    await owner.post(`/farms/${farmId}/revisions`, {
      id: ulid(),
      reason: 'the lease',
      change: { what: 'shares', lot: places.hs, shares: [{ owner: owner_, part: 1 }] },
    })
  ).status;

describe('the chain of the book', () => {
  it('is that of its records, entries and revisions in the order in which they came, and goes on over a restart', async () => {
    expect(await append(load(9000), load(8000))).toBe(200);
    expect(await share('Tolland')).toBe(200);
    await harness.another();
    const second = harness.client(1);
    second.cookie = owner.cookie;
    expect((await second.post(`/farms/${farmId}/entries`, { entries: [load(7000)] })).status).toBe(200);
    const book = (await owner.get<Book>(`/farms/${farmId}/book`)).body;
    expect(book.chain).toEqual(chainOf(book));
    expect(checkChain(book)).toMatchObject({ sound: true, records: 4 });
    expect(await check()).toEqual({ sound: true, records: 4, fingerprint: fingerprintOf(book.chain![3]!), changed: null, header: [], broken: [] }); // prettier-ignore
    const asked = async (text: string) =>
      (await owner.get<object>(`/farms/${farmId}/book/fingerprint?text=${encodeURIComponent(text)}`)).body;
    expect(await asked(fingerprintOf(book.chain![2]!).toUpperCase())).toEqual({ seq: 3 });
    expect(await asked('0000-0000-0000-0000-0000')).toEqual({ seq: null });
    expect(checkChain((await owner.get<Book>(`/farms/${farmId}/book?asOf=3`)).body)).toMatchObject({ sound: true, records: 3 }); // prettier-ignore
  });

  it('shows what was changed, taken away or added behind the program’s back', async () => {
    await append(load(9000), load(8000), load(7000));
    const db = harness.db;
    const [row] = await db.query<{ body: string; id: string }[]>('SELECT CAST(body AS CHAR) body, id FROM entries WHERE seq = 2'); // prettier-ignore
    await db.query('UPDATE entries SET body = ? WHERE seq = 2', [row!.body.replace('8000', '18000')]);
    expect(await check()).toMatchObject({ sound: false, changed: { seq: 2, id: row!.id, missing: false } });
    await db.query('UPDATE entries SET body = ? WHERE seq = 2', [row!.body]);
    expect(await check()).toMatchObject({ sound: true });
    await db.query('DELETE FROM entries WHERE seq = 3');
    expect(await check()).toMatchObject({ sound: false, changed: { seq: 3, missing: true } });
  });

  it('shows shares that no revision made', async () => {
    expect(await share('Tolland')).toBe(200);
    expect((await check()).header).toEqual([]);
    await harness.db.query("UPDATE lot_shares SET owner = 'Somebody'");
    expect(await check()).toMatchObject({ sound: false, changed: null, header: [`shares ${places.hs}`] });
  });

  it('does not let a book file in that was changed since', async () => {
    await append(load(9000), load(8000));
    const book = (await owner.get<Book>(`/farms/${farmId}/book`)).body;
    const fresh = await Harness.start();
    try {
      const { client, farmId: other } = await fresh.owner();
      const changed = JSON.parse(JSON.stringify(book).replace('"wetKg":8000', '"wetKg":8800')) as Book;
      const refused = await client.post<{ message: string }>(`/farms/${other}/book`, changed);
      expect([refused.status, refused.body.message]).toEqual([422, expect.stringContaining('record 2 is not what it was')]); // prettier-ignore
      expect((await client.post(`/farms/${other}/book`, book)).status).toBe(200);
      expect((await client.get<Book>(`/farms/${other}/book`)).body.chain).toEqual(book.chain);
    } finally {
      await fresh.stop();
    }
  });
});

describe('what cannot be read', () => {
  it('an entry is left out and shown, the farm goes on, and it can be taken out', async () => {
    const bad = load(8000);
    await append(load(9000), bad, entry({ type: 'witness', of: bad.id, wetKg: 8100 }), load(7000));
    await harness.db.query("UPDATE entries SET body = JSON_SET(body, '$.wetKg', 'much') WHERE id = ?", [bad.id]);
    // Another process, which has not read it yet.
    await harness.another();
    const reader = harness.client(1);
    reader.cookie = owner.cookie;
    const now = async () => (await reader.get<FarmNow>(`/farms/${farmId}/now`)).body;
    expect((await now()).positions[places.cart]!.wetKg).toBe(16_000);
    for (const where of ['lots', 'haul', 'entries', 'accounts', 'deliveries', 'book'])
      expect((await reader.get(`/farms/${farmId}/${where}`)).status, where).toBe(200);
    const looked = async () => (await reader.get<BookCheckAnswer>(`/farms/${farmId}/book/check`)).body;
    const found = await looked();
    expect(found).toMatchObject({ sound: false, changed: { seq: 2 } });
    // The weight that was of it goes with it.
    expect(found.broken.map(({ id, seq, settled }) => [id, seq, settled])).toEqual([[bad.id, 2, false], [expect.any(String), 3, false]]); // prettier-ignore
    expect(found.broken[0]!.message).toContain('wetKg is "much"');
    const undone = entry({ type: 'void', voids: bad.id });
    expect((await reader.post(`/farms/${farmId}/entries`, { entries: [undone, load(8000)] })).status).toBe(200);
    expect((await looked()).broken[0]!.settled).toBe(true);
    expect((await now()).positions[places.cart]!.wetKg).toBe(24_000);
    expect((await reader.post(`/farms/${farmId}/entries`, { entries: [entry({ type: 'void', voids: ulid() })] })).status).toBe(422); // prettier-ignore
  });

  it('a record is left out and shown, and is taken out or set again', async () => {
    const readings = `/farms/${farmId}/fields/reading`;
    const [{ lot }] = (await owner.get<[{ lot: { fieldId: string } }]>(`/farms/${farmId}/lots`)).body;
    const reading = (moisture: number) => ({ id: ulid(), at: '2026-09-08T12:00:00Z', fieldId: lot.fieldId, source: 'hand', moisture }); // prettier-ignore
    const [good, bad] = [reading(0.2), reading(0.21)];
    for (const one of [good, bad]) expect((await owner.post(readings, one)).status).toBe(200);
    // By hand, and told: what is in memory counts until somebody says that it changed.
    const told = () => harness.db.query('UPDATE farm_topics SET version = version + 1');
    await harness.db.query("UPDATE readings SET source = 'a stone' WHERE id = ?", [bad.id]);
    await told();
    const fields = async () => (await owner.get<FieldsRecords>(`/farms/${farmId}/fields/records?seasons=2026`)).body;
    const found = await fields();
    expect(found.logs.reading.map(({ body }) => body.id)).toEqual([good.id]);
    expect(found.broken).toEqual([{ kind: 'reading', isLog: true, id: bad.id, at: '2026-09-08T12:00:00.000Z', by: 'Oona', message: expect.stringContaining('source') }]); // prettier-ignore
    expect((await owner.post(`${readings}/${bad.id}/void`)).status).toBe(200);
    expect((await fields()).broken).toEqual([]);
    // A setting: as if it had never been set, and set again from there.
    const shed = async () => (await owner.get<ShedRecordsAnswer>(`/farms/${farmId}/shed/records`)).body;
    const [id, { revision, value }] = Object.entries((await shed()).settings.machine)[0]!;
    await harness.db.query("UPDATE machines SET kind = 'a stone' WHERE id = ?", [id]);
    await told();
    expect((await shed()).broken).toMatchObject([{ kind: 'machine', isLog: false, id, message: expect.any(String) }]);
    expect((await shed()).settings.machine[id]).toBeUndefined();
    const again = (from: number) => owner.put<{ revision: number }>(`/farms/${farmId}/shed/machine/${id}`, { revision: from, value }); // prettier-ignore
    expect((await again(revision + 5)).status).toBe(409);
    expect((await again(0)).body).toEqual({ revision: revision + 1 });
    expect((await shed()).broken).toEqual([]);
    expect((await shed()).settings.machine[id]!.value).toEqual(value);
    expect((await again(0)).status).toBe(409);
  });
});

describe('batches that wait for one farm', () => {
  const version = async (): Promise<number> => (await owner.get<FarmNow>(`/farms/${farmId}/now`)).body.topics.book;

  it('are written together, each with its own answer; one that is refused spoils none', async () => {
    const before = await version();
    const good = Array.from({ length: 40 }, () => load(100));
    const again = good[7]!;
    const bad = load(100, { lot: 'no-such-lot' });
    const sent = [...good.slice(0, 20), bad, ...good.slice(20), again];
    const answers = await Promise.all(
      sent.map((one) => owner.post<{ seq: number; accepted: { seq: number; known: boolean }[] }>(`/farms/${farmId}/entries`, { entries: [one] })), // prettier-ignore
    );
    expect(answers.map(({ status }) => status)).toEqual(sent.map((one) => (one === bad ? 422 : 200)));
    const seqs = answers.flatMap(({ body }) => body.accepted ?? []).map(({ seq }) => seq);
    expect([...new Set(seqs)].sort((a, b) => a - b)).toEqual(Array.from({ length: 40 }, (_, i) => i + 1));
    expect((await version()) - before).toBeLessThan(20);
    expect((await check()).sound).toBe(true);
    expect((await owner.get<FarmNow>(`/farms/${farmId}/now`)).body.positions[places.cart]!.wetKg).toBeCloseTo(4000, 6);
  });

  it('one at which the database itself stumbles fails alone, and the book in memory is that of the disk', async () => {
    const stone = load(999);
    await harness.db.query(
      `CREATE TRIGGER stumble BEFORE INSERT ON entries FOR EACH ROW IF NEW.id = '${stone.id}' THEN SIGNAL SQLSTATE '45000'; END IF`,
    );
    const sent = [load(100), load(100), stone, load(100), load(100)];
    const answers = await Promise.all(sent.map((one) => append(one)));
    expect(answers).toEqual([200, 200, 500, 200, 200]);
    expect((await owner.get<FarmNow>(`/farms/${farmId}/now`)).body.positions[places.cart]!.wetKg).toBeCloseTo(400, 6);
    await harness.db.query('DROP TRIGGER stumble');
    expect(await append(stone)).toBe(200);
    expect(await check()).toMatchObject({ sound: true, records: 5 });
  });
});
