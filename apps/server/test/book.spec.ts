import { request } from 'node:http';
import { Ledger, parseBook, poundsToKilograms } from '@fanega/core';
import { ulid } from 'ulid';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { type Client, entry, Harness, smallFarm } from './harness.js';

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

interface Positions {
  [place: string]: { wetKg: number; dryKg: number; lots: Record<string, number>; wetLots: Record<string, number> };
}
interface Refusal {
  code: string;
  message: string;
  issues: { index: number; entry: string; field: string; code: string; message: string }[];
}

const append = <T = { seq: number; accepted: { id: string; seq: number; known: boolean }[]; joined: object[] }>(
  ...entries: object[]
) => client.post<T>(`/farms/${farmId}/entries`, { entries });
const positions = async (of: Client = client) => (await of.get<Positions>(`/farms/${farmId}/positions`)).body;
const harvest = (more: object = {}) =>
  entry({ type: 'harvest', lot: p.hs, to: p.cart, wetKg: 4000, moisture: 0.18, ...more });
const entryCount = async () => Number((await harness.db.query('SELECT COUNT(*) AS n FROM entries'))[0].n);

/** Empties every place, so that each test reads its own figures. */
beforeEach(async () => {
  const held = await positions();
  const full = Object.entries(held).filter(([, position]) => position.wetKg > 0);
  if (full.length > 0) await append(...full.map(([place]) => entry({ type: 'measure', place, wetKg: 0 })));
});

describe('appending', () => {
  it('the same entry again is accepted and nothing is doubled; another under its id is a 409', async () => {
    const load = harvest();
    const first = await append(load);
    expect(first.body.accepted).toEqual([{ id: load.id, seq: first.body.seq, known: false }]);
    const again = await append(load);
    expect([again.status, again.body.accepted[0]]).toEqual([200, { id: load.id, seq: first.body.seq, known: true }]);
    expect((await positions())[p.cart]!.wetKg).toBe(4000);
    const other = await append<Refusal>({ ...load, wetKg: 4001 });
    expect([other.status, other.body.code, other.body.issues[0]!.field]).toEqual([409, 'id_used_otherwise', 'id']);
  });

  it('many at once get the same answer as one by one, and sequence numbers without a gap', async () => {
    const loads = Array.from({ length: 12 }, () => harvest({ wetKg: 100 }));
    const answers = await Promise.all([...loads, ...loads].map((load) => append(load)));
    expect(answers.every((answer) => answer.status === 200)).toBe(true);
    expect((await positions())[p.cart]!.wetKg).toBeCloseTo(1200, 9);
    const rows: { seq: number }[] = await harness.db.query('SELECT seq FROM entries ORDER BY seq');
    expect(rows.map((row) => row.seq)).toEqual(rows.map((_, i) => i + 1));
  });

  it('is all or nothing, with an error for each bad entry at its place', async () => {
    const before = await entryCount();
    const answer = await append<Refusal>(
      harvest(),
      harvest({ to: 'nowhere' }),
      entry({ type: 'move', from: p.mill, to: p.cart }),
      entry({ type: 'void', voids: ulid() }),
    );
    expect(answer.status).toBe(422);
    expect(answer.body.issues.map(({ index, field, code }) => [index, field, code])).toEqual([
      [1, 'to', 'place_not_in_book'],
      [2, 'from', 'buyer_holds_no_grain'],
    ]);
    expect(await entryCount()).toBe(before);
    expect((await positions())[p.cart]!.wetKg).toBe(0);
  });

  it('a void may stand before its target in the batch', async () => {
    const load = harvest();
    const answer = await append(entry({ type: 'void', voids: load.id }), load);
    expect(answer.status).toBe(200);
    expect((await positions())[p.cart]!.wetKg).toBe(0);
  });

  it('a correction is a void and a new entry, both or neither', async () => {
    const wrong = harvest({ wetKg: 40_000 });
    await append(wrong);
    const undo = entry({ type: 'void', voids: wrong.id });
    const bad = await client.post<Refusal>(`/farms/${farmId}/corrections`, {
      void: undo,
      entry: harvest({ lot: 'none' }),
    });
    expect(bad.status).toBe(422);
    expect((await positions())[p.cart]!.wetKg).toBe(40_000);
    expect((await client.post(`/farms/${farmId}/corrections`, { void: undo, entry: harvest() })).status).toBe(200);
    expect((await positions())[p.cart]!.wetKg).toBe(4000);
    expect((await client.post<Refusal>(`/farms/${farmId}/corrections`, { void: harvest() })).status).toBe(400);
  });

  it('two phones with one load become one, visibly, and it can be undone', async () => {
    await append(harvest({ wetKg: 60_000 }));
    const cart = entry({
      type: 'move',
      from: p.cart,
      to: p.truck,
      wetKg: poundsToKilograms(51_480),
      device: 'cart phone',
      method: 'cartScale',
    });
    const truck = {
      ...cart,
      id: ulid(),
      at: String(cart.at).replace(/00\.000Z$/, '40.000Z'),
      device: 'truck phone',
      wetKg: poundsToKilograms(51_500),
    };
    await append(cart);
    const second = await append(truck);
    expect(second.body.joined).toEqual([{ first: cart.id, second: truck.id }]);
    expect((await positions())[p.truck]!.wetKg).toBeCloseTo(poundsToKilograms(51_480), 6);
    const rows: { body: string | { type: string; id: string } }[] = await harness.db.query(
      'SELECT body FROM entries ORDER BY seq DESC LIMIT 2',
    );
    const joins = rows.map(({ body }) =>
      typeof body === 'string' ? (JSON.parse(body) as { type: string; id: string }) : body,
    );
    expect(joins.map((join) => join.type).sort()).toEqual(['void', 'witness']);
    await append(...joins.map((join) => entry({ type: 'void', voids: join.id })));
    expect((await positions())[p.truck]!.wetKg).toBeCloseTo(poundsToKilograms(51_480 + 51_500), 6);
  });

  it('one tap in the cab and the scale’s own record are one load: all of it is what the cart held', async () => {
    await append(harvest({ wetKg: 20_000 }));
    const tap = entry({ type: 'move', from: p.cart, to: p.truck, device: 'cab' });
    const scale = {
      ...tap,
      id: ulid(),
      at: String(tap.at).replace(/00\.000Z$/, '30.000Z'),
      device: 'cart scale',
      wetKg: 20_120,
      method: 'cartScale',
    };
    const before = (await positions())[p.truck]!.wetKg;
    await append(tap);
    expect((await append(scale)).body.joined).toEqual([{ first: tap.id, second: scale.id }]);
    // The scale's weight counts, once, and no grain of an unknown field has come up.
    expect((await positions())[p.truck]!.wetKg - before).toBeCloseTo(20_120, 6);
    expect((await positions())[p.cart]!.wetKg).toBe(0);
  });
  it('a correction of a load that somebody else corrected meanwhile is refused: it would be there twice', async () => {
    const wrong = harvest({ wetKg: 7000 });
    await append(wrong);
    const correct = (wetKg: number) => ({
      void: entry({ type: 'void', voids: wrong.id, note: 'made again' }),
      entry: harvest({ wetKg }),
    });
    const mine = correct(7100);
    expect((await client.post(`/farms/${farmId}/corrections`, mine)).status).toBe(200);
    // Sent again after a lost answer it is the same one.
    expect((await client.post(`/farms/${farmId}/corrections`, mine)).status).toBe(200);
    expect(await client.post<Refusal>(`/farms/${farmId}/corrections`, correct(7200))).toMatchObject({
      status: 409,
      body: { code: 'corrected_already' },
    });
  });
});

describe('a wrong body is explained, and never a 500', () => {
  it.each([
    ['no body', {}, 'entries'],
    ['an empty batch', { entries: [] }, 'entries'],
    ['no list', { entries: 'all' }, 'entries'],
    ['an unknown field', { entries: [{ ...({} as object), color: 'red' }] }, 'color'],
  ])('%s', async (_, body, field) => {
    const patched =
      'entries' in body && Array.isArray(body.entries) && body.entries.length > 0
        ? { entries: [{ ...harvest(), ...body.entries[0] }] }
        : body;
    const answer = await client.post<Refusal>(`/farms/${farmId}/entries`, patched);
    expect([answer.status, answer.body.code, answer.body.issues[0]!.field]).toEqual([400, 'body_wrong', field]);
  });

  it.each([
    [{ id: 'x' }, 'id'],
    [{ at: 'yesterday' }, 'at'],
    [{ at: '2026-02-30T10:00:00Z' }, 'at'],
    [{ at: '2026-09-08T10:00:00' }, 'at'],
    [{ type: 'eat' }, 'type'],
    [{ wetKg: -1 }, 'wetKg'],
    [{ wetKg: '4000' }, 'wetKg'],
    [{ wetKg: 1e12 }, 'wetKg'],
    [{ wetKg: null }, 'wetKg'],
    [{ moisture: 18 }, 'moisture'],
    [{ moisture: undefined }, 'moisture'],
    [{ lot: 7 }, 'lot'],
    [{ lot: { $gt: '' } }, 'lot'],
    [{ method: 'guess' }, 'method'],
    [{ note: 'x'.repeat(501) }, 'note'],
    [{ by: ['me'] }, 'by'],
  ])('%j names the field %s', async (change, field) => {
    const before = await entryCount();
    const answer = await append<Refusal>(harvest(), { ...harvest(), ...change });
    expect(answer.status).toBe(400);
    expect(answer.body.issues.map((issue) => [issue.index, issue.field])).toContainEqual([1, field]);
    expect(await entryCount()).toBe(before);
  });

  it('gross minus tare must be the net', async () => {
    const answer = await append<Refusal>(
      entry({ type: 'move', from: p.truck, to: p.mill, grossKg: 36_000, tareKg: 12_000, wetKg: 23_000 }),
    );
    expect([answer.status, answer.body.issues[0]!.field]).toEqual([422, 'wetKg']);
  });

  it('broken JSON, a huge body, strange ids and paths', async () => {
    expect((await client.post(`/farms/${farmId}/entries`, '{"entries": [')).status).toBe(400);
    expect(
      (await client.post(`/farms/${farmId}/entries`, { entries: [harvest({ note: 'x'.repeat(3_000_000) })] })).status,
    ).toBe(413);
    expect((await client.get(`/farms/${farmId}/deliveries/${'x'.repeat(300)}/trace`)).status).toBe(404);
    expect((await client.get(`/farms/${farmId}/lots/%27%20OR%201=1/trace`)).status).toBe(404);
    expect((await client.get(`/farms/nobody/now`)).status).toBe(403);
    expect((await client.get(`/farms/${farmId}/entries?limit=many`)).status).toBe(400);
    expect((await client.get(`/farms/${farmId}/entries?limit=-1`)).status).toBe(400);
  }, 10_000);
});

describe('derived answers', () => {
  it('moment M1 through the server: a truck of two fields, and the ticket decides', async () => {
    const lb = poundsToKilograms;
    const loads = [
      harvest({ wetKg: lb(9420), moisture: 0.178 }),
      harvest({ lot: p.pt, wetKg: lb(46_900), moisture: 0.162 }),
      entry({ type: 'move', from: p.cart, to: p.truck, wetKg: lb(50_000), method: 'cartScale' }),
    ];
    const ticket = entry({
      type: 'move',
      from: p.truck,
      to: p.mill,
      wetKg: lb(50_120),
      moisture: 0.165,
      method: 'ticket',
      emptied: true,
      ticket: '118',
      pricePerBu: 4.42,
    });
    await append(...loads, ticket);
    interface Trace {
      delivery: { netKg: number; wetLots: Record<string, number>; ticket: string };
      loads: { dryKg: number }[];
      moves: object[];
      path: { links: object[] };
    }
    const { body } = await client.get<Trace>(`/farms/${farmId}/deliveries/${ticket.id}/trace`);
    const pounds = (kg: number) => Math.round(kg / lb(1));
    expect([pounds(body.delivery.wetLots[p.hs]!), pounds(body.delivery.wetLots[p.pt]!)]).toEqual([8383, 41_737]);
    expect(body.loads).toHaveLength(2);
    expect(body.moves).toHaveLength(2);
    expect(body.path.links).toHaveLength(4);
    const rows = (await client.get<{ lot: { id: string }; balance: { balances: boolean } }[]>(`/farms/${farmId}/lots`))
      .body;
    expect(rows.every((row) => row.balance.balances)).toBe(true);
  });

  it('agree with the core on the exported book, which is lossless', async () => {
    await append(harvest(), entry({ type: 'move', from: p.cart, to: p.bin, note: 'ünïcödé, "quoted"' }));
    const book = parseBook(JSON.stringify((await client.get<object>(`/farms/${farmId}/book`)).body));
    const ledger = Ledger.of(book);
    const server = await positions();
    for (const [place, position] of Object.entries(ledger.positions())) expect(server[place]).toEqual(position);
    expect(book.entries.at(-1)).toMatchObject({ note: 'ünïcödé, "quoted"', by: 'Oona' });
    expect((await client.get<object>(`/farms/${farmId}/accounts`)).body).toEqual(ledger.accounts());
  });

  it('a second server over the same database sees what the first one wrote', async () => {
    const address = await harness.another();
    const other = harness.client(1);
    other.cookie = client.cookie;
    expect(other.address).toBe(address);
    await positions(other);
    await append(harvest({ wetKg: 777 }));
    expect((await positions(other))[p.cart]!.wetKg).toBe(777);
    const load = entry({ type: 'move', from: p.cart, to: p.truck });
    expect((await other.post(`/farms/${farmId}/entries`, { entries: [load] })).status).toBe(200);
    expect((await positions())[p.truck]!.wetKg).toBe(777);
  });

  it('two servers that append at the same time give each entry one place', async () => {
    const other = harness.client(1);
    other.cookie = client.cookie;
    const loads = Array.from({ length: 20 }, () => harvest({ wetKg: 50 }));
    const answers = await Promise.all(
      loads.flatMap((load) => [append(load), other.post(`/farms/${farmId}/entries`, { entries: [load] })]),
    );
    expect(answers.map((answer) => answer.status)).toEqual(answers.map(() => 200));
    expect((await positions())[p.cart]!.wetKg).toBeCloseTo(1000, 9);
    expect((await positions(other))[p.cart]!.wetKg).toBeCloseTo(1000, 9);
    const rows: { seq: number }[] = await harness.db.query('SELECT seq FROM entries ORDER BY seq');
    expect(rows.map((row) => row.seq)).toEqual(rows.map((_, i) => i + 1));
  });

  it('the tape pages backward and shows only what is asked for', async () => {
    interface Line {
      seq: number;
      entry: { type: string; from?: string; to?: string };
      wetKg: number | null;
      voided: boolean;
    }
    const load = harvest();
    await append(load, entry({ type: 'move', from: p.cart, to: p.truck }));
    await append(entry({ type: 'void', voids: load.id }));
    const page = (query: string) =>
      client.get<Line[]>(`/farms/${farmId}/entries?${query}`).then((answer) => answer.body);
    const newest = await page('limit=3');
    expect(newest.map(({ entry: { type }, voided }) => [type, voided])).toEqual([
      ['void', false],
      ['move', false],
      ['harvest', true],
    ]);
    expect((await page(`limit=2&before=${newest[1]!.seq}`)).map((line) => line.seq)).toEqual([
      newest[1]!.seq - 1,
      newest[1]!.seq - 2,
    ]);
    expect(new Set((await page('types=harvest&limit=50')).map((line) => line.entry.type))).toEqual(
      new Set(['harvest']),
    );
    const atTruck = await page(`places=${p.truck}&limit=50`);
    expect(
      atTruck.every(
        ({ entry: e }) => e.from === p.truck || e.to === p.truck || (e as { place?: string }).place === p.truck,
      ),
    ).toBe(true);
    const one = (await client.get<Line>(`/farms/${farmId}/entries/${load.id}`)).body;
    expect([one.voided, one.wetKg]).toEqual([true, null]);
  });

  it('a reading is the last moisture of its field until a newer load is cut', async () => {
    interface Row {
      lot: { id: string; fieldId: string };
      lastMoisture: { moisture: number; source: string } | null;
    }
    const row = async () => (await client.get<Row[]>(`/farms/${farmId}/lots`)).body.find((r) => r.lot.id === p.pt)!;
    const { fieldId } = (await row()).lot;
    const reading = { id: ulid(), fieldId, at: '2026-09-20T12:00:00Z', moisture: 0.171, source: 'hand' };
    expect((await client.post(`/farms/${farmId}/fields/reading`, reading)).status).toBe(200);
    expect((await row()).lastMoisture).toMatchObject({ moisture: 0.171, source: 'hand' });
    const load = { ...harvest({ lot: p.pt, moisture: 0.166 }), at: '2026-09-20T13:00:00Z' };
    await append(load);
    expect((await row()).lastMoisture).toMatchObject({ source: 'combine' });
    await append(entry({ type: 'void', voids: load.id }));
    expect((await row()).lastMoisture).toMatchObject({ source: 'hand' });
    expect(
      (await client.post(`/farms/${farmId}/fields/reading`, { ...reading, id: ulid(), fieldId: 'none' })).status,
    ).toBe(404);
    expect(
      (await client.post(`/farms/${farmId}/fields/reading`, { ...reading, id: ulid(), moisture: 17.1 })).status,
    ).toBe(400);
  });

  it('a field added later can be cut at once', async () => {
    const { lotId } = (
      await client.post<{ lotId: string }>(`/farms/${farmId}/fields`, {
        name: 'Crane Bend',
        acres: 96,
        crop: 'soybean',
        tag: 'cb',
        season: 2026,
      })
    ).body;
    expect((await append(harvest({ lot: lotId }))).status).toBe(200);
    expect(Object.keys((await positions())[p.cart]!.lots)).toEqual([lotId]);
    const twice = await client.post<Refusal>(`/farms/${farmId}/fields`, {
      name: 'Crane Bend',
      acres: 1,
      crop: 'corn',
      tag: 'x',
      season: 2026,
    });
    expect([twice.status, twice.body.issues[0]!.field]).toEqual([409, 'name']);
  });

  it('what entries point to cannot be deleted, not even in the database', async () => {
    await append(harvest());
    for (const sql of ['DELETE FROM places', 'DELETE FROM lots', 'DELETE FROM fields', 'DELETE FROM farms'])
      await expect(harness.db.query(sql)).rejects.toThrow(/foreign key/);
  });
});

describe('the change feed', () => {
  /** Collects events until `enough`, then closes. */
  function listen(
    after: number,
    enough: (events: { seq: number }[]) => boolean,
    headers: Record<string, string> = {},
  ): Promise<{ seq: number }[]> {
    return new Promise((resolve, reject) => {
      const events: { seq: number }[] = [];
      const call = request(
        `${harness.address()}/api/farms/${farmId}/feed?after=${after}`,
        { headers: { Cookie: client.cookie, ...headers } },
        (response) => {
          let text = '';
          response.setEncoding('utf8');
          response.on('data', (part: string) => {
            text += part;
            for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
              const data = /^data: (.*)$/m.exec(text.slice(0, end))?.[1];
              text = text.slice(end + 2);
              if (data) events.push(JSON.parse(data) as { seq: number });
            }
            if (enough(events)) {
              call.destroy();
              resolve(events);
            }
          });
        },
      );
      call.on('error', (error) => (enough(events) ? resolve(events) : reject(error)));
      call.setTimeout(5000, () => call.destroy(new Error(`no event in 5 s, had ${JSON.stringify(events)}`)));
      call.end();
    });
  }

  it('tells a listener of an append by either server, and resumes by sequence', async () => {
    const { seq } = (await append(harvest())).body;
    const heard = listen(seq, (events) => events.some((event) => event.seq === seq + 1));
    const other = harness.client(1);
    other.cookie = client.cookie;
    await other.post(`/farms/${farmId}/entries`, { entries: [harvest()] });
    await heard;
    // Back after a while: the newest number comes at once.
    expect((await listen(seq - 3, (events) => events.length > 0))[0]!.seq).toBe(seq + 1);
    expect((await listen(-1, (events) => events.length > 0, { 'Last-Event-ID': String(seq) }))[0]!.seq).toBe(seq + 1);
  });

  it('answers go out compressed, the streams as they are told', async () => {
    const head = (path: string): Promise<string | undefined> =>
      new Promise((resolve, reject) => {
        const call = request(
          `${harness.address()}/api/farms/${farmId}/${path}`,
          { headers: { Cookie: client.cookie, 'Accept-Encoding': 'gzip' } },
          (response) => {
            resolve(response.headers['content-encoding']);
            call.destroy();
          },
        );
        call.on('error', reject).end();
      });
    expect(await head('now')).toBe('gzip');
    expect(await head('feed')).toBeUndefined();
    expect(await head('live')).toBeUndefined();
  });
});
