import { connect } from 'node:net';
import { gzipSync } from 'node:zlib';
import { ulid } from 'ulid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { hostAllowed } from '../src/platform/hosts.js';
import { WorkQueue } from '../src/platform/queue.js';
import { Buckets } from '../src/platform/buckets.js';
import { SignInLimit } from '../src/features/people/sign-in-limit.js';
import { SignInRepository } from '../src/features/people/sign-in.repository.js';
import { Client, entry, Harness, SET_UP_CODE, smallFarm } from './harness.js';

let harness: Harness;
let owner: Client;
let farmId: string;
let places: Awaited<ReturnType<typeof smallFarm>>;

beforeAll(async () => {
  harness = await Harness.start();
  ({ client: owner, farmId } = await harness.owner());
  places = await smallFarm(owner, farmId);
});
afterAll(() => harness.stop());

/** What a server says to a request that is written by hand, and how much of it the server took before it hung up. */
function raw(head: string, chunks: Iterable<Buffer>): Promise<{ answer: string; taken: number }> {
  const { port, hostname } = new URL(harness.address());
  return new Promise((resolve) => {
    const socket = connect(Number(port), hostname);
    let answer = '';
    socket.on('data', (part) => (answer += part.toString()));
    socket.on('error', () => undefined);
    socket.on('close', () => resolve({ answer, taken: socket.bytesWritten }));
    socket.write(head);
    const iterator = chunks[Symbol.iterator]();
    const more = (): void => {
      const { value, done } = iterator.next();
      if (done || socket.destroyed) return;
      if (socket.write(value)) setImmediate(more);
      else socket.once('drain', more);
    };
    more();
  });
}

describe('a body', () => {
  const host = () => new URL(harness.address()).host;
  const post = (path: string, length: number, more = ''): string =>
    `POST /api${path} HTTP/1.1\r\nHost: ${host()}\r\nOrigin: ${harness.address()}\r\nContent-Type: application/json\r\nContent-Length: ${length}\r\n${more}\r\n`;
  const megabytes = function* (count: number): Iterable<Buffer> {
    for (let i = 0; i < count * 16; i++) yield Buffer.alloc(65_536, 0x20);
  };

  it('of somebody unknown is not read: the answer comes first, and the line is closed', async () => {
    for (const path of [`/farms/${farmId}/entries`, `/farms/${farmId}/book`, `/farms/${farmId}/photos/${ulid()}`]) {
      const { answer, taken } = await raw(post(path, 200 * 1_048_576), megabytes(200));
      expect(answer, path).toMatch(/^HTTP\/1\.1 401 /);
      expect(taken, path).toBeLessThan(20 * 1_048_576);
    }
  });
  it('of a viewer is not read either where he may not write', async () => {
    const viewer = await harness.member(farmId, 'viewer');
    const head = post(`/farms/${farmId}/book`, 200 * 1_048_576, `Cookie: ${viewer.cookie}\r\n`);
    const { answer, taken } = await raw(head, megabytes(200));
    expect(answer).toMatch(/^HTTP\/1\.1 403 /);
    expect(taken).toBeLessThan(20 * 1_048_576);
  });
  it('of a sign-in is small, one of a member a megabyte', async () => {
    const long = { email: 'a@example.invalid', password: 'x'.repeat(20_000) };
    expect((await harness.client().post('/auth/sign-in', long)).status).toBe(413);
    const entries = [
      entry({ type: 'harvest', lot: places.hs, to: places.cart, wetKg: 1, note: 'x'.repeat(1_100_000) }),
    ];
    expect((await owner.post(`/farms/${farmId}/entries`, { entries })).status).toBe(413);
  });
  it('that is packed is refused before it is unpacked', async () => {
    const bomb = gzipSync(Buffer.alloc(50_000_000, 0x20));
    expect(bomb.length).toBeLessThan(60_000);
    const response = await fetch(`${harness.address()}/api/farms/${farmId}/entries`, {
      method: 'POST',
      headers: {
        Origin: harness.address(),
        Cookie: owner.cookie,
        'Content-Type': 'application/json',
        'Content-Encoding': 'gzip',
      },
      body: bomb,
    });
    expect([response.status, ((await response.json()) as { message: string }).message]).toEqual([
      415,
      'what is packed is not taken: send the body as it is',
    ]);
  });
  it('that is a list, nothing, or too deep is a 400 wherever an object belongs', async () => {
    const load = entry({ type: 'harvest', lot: places.hs, to: places.cart, wetKg: 1000, moisture: 0.2 });
    const asVoid = entry({ type: 'void', voids: load.id });
    const deep = `{"a":`.repeat(3000) + '1' + '}'.repeat(3000);
    const bodies: readonly [string, unknown][] = [
      ['entries', []],
      ['entries', 'null'],
      ['entries', { entries: [[load]] }],
      ['entries', { entries: [[]] }],
      ['entries', { entries: [null] }],
      ['entries', { entries: load }],
      ['entries', { entries: { 0: load, length: 1 } }],
      ['entries', deep],
      ['corrections', { void: [asVoid] }],
      ['corrections', { void: null }],
      ['corrections', {}],
      ['corrections', { void: asVoid, entry: [load] }],
      ['fields', { name: 'A', tag: 'A', acres: 1, crop: 'corn', season: 2026, shares: [[{ owner: 'B', part: 1 }]] }],
      ['fields', { name: 'a\ud800', tag: 'A', acres: 1, crop: 'corn', season: 2026 }],
      ['fields', { name: null, tag: 'A', acres: 1, crop: 'corn', season: 2026 }],
      ['fields', `{"name":"A","tag":"A","acres":1e999,"crop":"corn","season":2026}`],
    ];
    for (const [path, body] of bodies) {
      const answer = await owner.post<{ code: string }>(`/farms/${farmId}/${path}`, body);
      const what = `${path} ${JSON.stringify(body).slice(0, 80)}`;
      expect(answer.status, what).toBeGreaterThanOrEqual(400);
      expect(answer.status, what).toBeLessThan(500);
    }
    // And the farm is read as ever.
    expect((await owner.get(`/farms/${farmId}/now`)).status).toBe(200);
    expect((await owner.get<unknown[]>(`/farms/${farmId}/entries`)).body).toEqual([]);
  });
});

describe('voids', () => {
  it('of voids are refused where they go on too long, and the farm stays readable', async () => {
    const load = entry({ type: 'harvest', lot: places.hs, to: places.cart, wetKg: 4000, moisture: 0.2 });
    expect((await owner.post(`/farms/${farmId}/entries`, { entries: [load] })).status).toBe(200);
    const chain = [load];
    for (let i = 0; i < 999; i++) chain.push(entry({ type: 'void', voids: chain.at(-1)!.id }));
    const answer = await owner.post<{ code: string; message: string }>(`/farms/${farmId}/entries`, {
      entries: chain.slice(1),
    });
    expect([answer.status, answer.body.code]).toEqual([422, 'book_refuses']);
    expect(answer.body.message).toMatch(/takes back what was taken back more than 100 times/);
    const { body } = await owner.get<{ positions: Record<string, { wetKg: number }> }>(`/farms/${farmId}/now`);
    expect(body.positions[places.cart]!.wetKg).toBeCloseTo(4000, 6);
  });
});

describe('what is told later', () => {
  it('has a year that can be: a slip in it would be the newest of everything for good', async () => {
    for (const at of ['2206-09-08T14:52:00Z', '1026-09-08T14:52:00Z']) {
      const entries = [entry({ type: 'harvest', lot: places.hs, to: places.cart, wetKg: 1, moisture: 0.2, at })];
      const answer = await owner.post<{ message: string; issues: { field: string; index: number }[] }>(
        `/farms/${farmId}/entries`,
        { entries },
      );
      expect(answer.status).toBe(400);
      expect(answer.body.issues, JSON.stringify(answer.body)).toMatchObject([{ field: 'at', index: 0 }]);
      expect(answer.body.message).toMatch(/^entry 1: the year is \d{4}: from 1990 to a year from now/);
      const delay = { id: ulid(), at, link: 'trucks', minutes: 5 };
      expect((await owner.post(`/farms/${farmId}/haul/delay`, delay)).status).toBe(400);
    }
    expect((await owner.get(`/farms/${farmId}/haul`)).status).toBe(200);
    expect((await owner.get(`/farms/${farmId}/monitors`)).status).toBe(200);
  });
  it('stands under the account that told it: another name is written beside it, never instead', async () => {
    const operator = await harness.member(farmId, 'operator');
    const load = entry({ type: 'harvest', lot: places.hs, to: places.cart, wetKg: 100, moisture: 0.2 });
    const byOf = async (id: string) =>
      (await owner.get<{ entry: { by: string } }>(`/farms/${farmId}/entries/${id}`)).body.entry.by;
    expect((await operator.post(`/farms/${farmId}/entries`, { entries: [{ ...load, by: 'Oona' }] })).status).toBe(200);
    expect(await byOf(load.id)).toBe('Oona (operator)');
    // Sent again, letter by letter, it is the same entry; under the owner's account as well.
    for (const client of [operator, owner])
      expect((await client.post(`/farms/${farmId}/entries`, { entries: [{ ...load, by: 'Oona' }] })).status).toBe(200);
    const own = entry({ type: 'harvest', lot: places.hs, to: places.cart, wetKg: 100, moisture: 0.2, by: 'Oona' });
    expect((await owner.post(`/farms/${farmId}/entries`, { entries: [own] })).status).toBe(200);
    expect(await byOf(own.id)).toBe('Oona');
  });
  it('belongs to the farm that is named, letter by letter', async () => {
    for (const id of [`${farmId}%20`, farmId.toLowerCase(), `${farmId}%09`])
      expect((await owner.get(`/farms/${id}/now`)).status, id).toBe(403);
  });
});

describe('pages about the server itself', () => {
  it('are for those who are signed in', async () => {
    for (const path of ['/docs', '/docs-json', '/docs-yaml', '/docs/swagger-ui-init.js']) {
      expect((await harness.client().get(path)).status, path).toBe(401);
      expect((await owner.get(path)).status, path).toBe(200);
    }
  });
});

describe('an address', () => {
  it('that asks too often without being signed in is told when to come again, and health is always said', async () => {
    const slow = await Harness.start({ strangerLimit: 2 });
    try {
      const stranger = slow.client();
      const statuses: number[] = [];
      for (let i = 0; i < 40; i++) statuses.push((await stranger.get('/auth/me')).status);
      expect(statuses.slice(0, 20).every((status) => status === 200)).toBe(true);
      expect(statuses).toContain(429);
      const refused = await stranger.get('/auth/me');
      expect(Number(refused.headers.get('retry-after'))).toBeGreaterThan(0);
      for (let i = 0; i < 30; i++) expect((await stranger.get('/health')).status).toBe(200);
    } finally {
      await slow.stop();
    }
  });
  it('is remembered among ten thousand others, and no more of them are kept', () => {
    const buckets = new Buckets(2, 1);
    expect([buckets.take('a', 0), buckets.take('a', 0), buckets.take('a', 0), buckets.take('a', 1000)]).toEqual([
      true,
      true,
      false,
      true,
    ]);
    for (let i = 0; i < 50_000; i++) buckets.take(`address ${i}`, 1000);
    // It was quiet longest, and is forgotten: it begins again.
    expect(buckets.take('a', 1000)).toBe(true);
  });
});

describe('the name of the host', () => {
  it('is this machine’s, an address, or one that was told; another page’s name is refused', async () => {
    for (const host of ['localhost:7300', '127.0.0.1:7300', '[::1]:7300', '192.168.4.20', 'farm.localhost'])
      expect(hostAllowed(host, []), host).toBe(true);
    for (const host of ['evil.example', 'localhost.evil.example', '127.0.0.1.evil.example', '', undefined])
      expect(hostAllowed(host, []), String(host)).toBe(false);
    expect(hostAllowed('Levee.Example:7300', ['levee.example'])).toBe(true);
    expect(hostAllowed('office.levee.example', ['*.levee.example'])).toBe(true);
    expect(hostAllowed('levee.example.evil', ['levee.example', '*.levee.example'])).toBe(false);
    const { port } = new URL(harness.address());
    const { answer } = await raw(
      `GET /api/health HTTP/1.1\r\nHost: evil.example:${port}\r\nConnection: close\r\n\r\n`,
      [],
    );
    expect(answer).toMatch(/^HTTP\/1\.1 421 .*host_wrong/s);
  });
});

describe('signing in', () => {
  const body = { email: 'oona@example.invalid', password: 'wrong password' };

  it('counts a try before it looks at it: forty at once are no way around the limit', async () => {
    const few = await Harness.start({ signInLimit: 5 });
    try {
      await few.owner();
      const answers = await Promise.all(Array.from({ length: 40 }, () => few.client().post('/auth/sign-in', body)));
      expect(answers.filter(({ status }) => status === 401)).toHaveLength(5);
      expect(answers.filter(({ status }) => status === 429)).toHaveLength(35);
    } finally {
      await few.stop();
    }
  });
  it('counts by the account for all servers together, and spares where it signed in before', async () => {
    const few = await Harness.start({ signInLimit: 3 });
    try {
      // Two servers of one database.
      const limits = [0, 1].map(() => new SignInLimit(new SignInRepository(few.db), { signInLimit: 3 }));
      const begin = (account: string, address: string, at = 1_000_000) => limits[address.length % 2]!.begin(account, address, at); // prettier-ignore
      await limits[0]!.signedIn('u1', 'home', 1_000_000);
      for (let i = 0; i < 3; i++) await begin('u1', `bot ${'x'.repeat(i)}`);
      await expect(begin('u1', 'bot 9')).rejects.toThrow('Too many wrong passwords');
      await (
        await begin('u1', 'home')
      )();
      await begin('u1', 'bot 9', 1_000_000 + 15 * 60_000);
      // A right one is taken off again.
      for (let i = 0; i < 5; i++) await (await begin('u2', 'barn'))();
      expect(JSON.stringify(await few.db.query('SELECT * FROM sign_in_tries'))).not.toMatch(/u1|bot|barn/);
    } finally {
      await few.stop();
    }
  });
  it('finds one account under letters that the database holds to be the same', async () => {
    const few = await Harness.start({ signInLimit: 3 });
    try {
      await few.owner();
      const written = ['oona@example.invalid', 'OONA@example.invalid', 'óona@example.invalid', 'öona@example.invalid'];
      const statuses: number[] = [];
      for (const email of written) statuses.push((await few.client().post('/auth/sign-in', { ...body, email })).status);
      expect(statuses.filter((status) => status === 401).length).toBeLessThanOrEqual(3);
      expect(statuses.at(-1)).not.toBe(204);
    } finally {
      await few.stop();
    }
  });
  it('hashes a few passwords at a time, and says so where the line is full', async () => {
    const queue = new WorkQueue(1, 1);
    let free = (): void => undefined;
    const first = queue.run(() => new Promise<void>((resolve) => (free = resolve)));
    const second = queue.run(() => Promise.resolve('second'));
    await expect(queue.run(() => Promise.resolve('third'))).rejects.toMatchObject({ code: 'busy', retryAfter: 30 });
    free();
    await first;
    expect(await second).toBe('second');
    expect(await queue.run(() => Promise.resolve('again'))).toBe('again');
  });
  it('needs the code of the first run, and none is enough where none was set', async () => {
    for (const setUpCode of [SET_UP_CODE, null]) {
      const fresh = await Harness.start({ setUpCode });
      try {
        const setUp = {
          farm: 'A',
          name: 'B',
          email: 'b@example.invalid',
          password: 'a long password',
          timeZone: 'America/Chicago',
        };
        const begin = (code: unknown) => fresh.client().post<{ issues: { field: string }[] }>('/auth/set-up', { ...setUp, code }); // prettier-ignore
        for (const code of [undefined, '', 'a guess', 7, `${SET_UP_CODE} `]) {
          const answer = await begin(code);
          expect([400, 403], String(code)).toContain(answer.status);
          expect(answer.body.issues.map(({ field }) => field)).toContain('code');
        }
        expect((await begin(SET_UP_CODE)).status).toBe(setUpCode === null ? 403 : 204);
      } finally {
        await fresh.stop();
      }
    }
  });
});
