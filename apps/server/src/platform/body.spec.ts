import { isLong } from './errors.filter.js';
import { createServer, type Server } from 'node:http';
import { type AddressInfo, connect } from 'node:net';
import { json, type Request, type Response } from 'express';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { findWrong, plain, readBody } from './body.js';

const deep = (levels: number): unknown => {
  let value: unknown = 1;
  for (let i = 0; i < levels; i++) value = i % 2 === 0 ? { a: value } : [value];
  return value;
};

describe('what no body has', () => {
  it('is found whatever the body is about, and named by its field', () => {
    expect(findWrong({ entries: [{ note: 'a\ud800b' }] })).toEqual({
      field: 'note',
      code: 'malformed',
      message: 'note holds half a letter',
    });
    expect(findWrong({ ['a\udc00']: 1 })?.message).toBe('the name of a field holds half a letter');
    expect(findWrong(JSON.parse('{"wetKg":1e999}'))?.field).toBe('wetKg');
    expect(findWrong(deep(33))?.message).toBe('the body is nested more than 32 deep');
  });
  it('is found in a body of a million levels as well, without falling over it', () => {
    expect(findWrong(deep(1_000_000))?.code).toBe('malformed');
  });
  it('is in no ordinary one', () => {
    for (const body of [undefined, null, {}, [], 'text', 0, { a: [{ b: '😀 ü' }], c: null }, deep(32)])
      expect(findWrong(body)).toBeUndefined();
  });
});

describe('what is still being sent', () => {
  it('is long by what it says, or where it does not say; a request without a body never is', () => {
    const of = (headers: Record<string, string>): boolean => isLong({ headers });
    expect([of({ 'content-length': '65537' }), of({ 'transfer-encoding': 'chunked' })]).toEqual([true, true]);
    expect([of({ 'content-length': '65536' }), of({ 'content-length': '0' }), of({})]).toEqual([false, false, false]);
  });
});

describe('a body is read as the library reads it', () => {
  const LIMIT = 4096;
  const ours = plain(LIMIT, 60_000);
  const theirs = { read: json({ limit: LIMIT, inflate: false }), patienceMs: 60_000 };
  let server: Server;
  let said: (what: unknown) => void;
  beforeAll(async () => {
    server = createServer((request, response) => {
      const taking = request.url === '/ours' ? ours : theirs;
      readBody(request as unknown as Request, response as unknown as Response, taking)
        .then(
          () => ({ body: (request as unknown as Request).body as unknown }),
          ({ status, type }: { status?: number; type?: string }) => ({ status, type }),
        )
        .then((what) => {
          said(what);
          response.end();
        })
        .catch(() => undefined);
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  });
  afterAll(() => server.close());

  /** What became of bytes that were sent in pieces; `cut` closes the line behind them. */
  const send = (path: string, head: string, pieces: readonly Buffer[], cut: boolean): Promise<unknown> =>
    new Promise((resolve) => {
      const socket = connect((server.address() as AddressInfo).port, '127.0.0.1');
      said = (what) => {
        resolve(what);
        socket.destroy();
      };
      socket.on('error', () => undefined);
      socket.write(`POST ${path} HTTP/1.1\r\nHost: here\r\n${head}\r\n`);
      const next = (i: number): void => {
        if (i < pieces.length) socket.write(pieces[i]!, () => setImmediate(next, i + 1));
        else if (cut) socket.destroy();
      };
      next(0);
    });

  const TYPE = 'Content-Type: application/json\r\n';
  const long = (text: string | Buffer): string => `Content-Length: ${Buffer.byteLength(text)}\r\n`;
  const good = JSON.stringify({ note: 'Grüße, 70 °F 🌽', list: [1, null, { a: 'b' }] });
  const cases: readonly { name: string; head: string; text: string | Buffer; cut?: boolean }[] = [
    { name: 'JSON', head: TYPE + long(good), text: good },
    {
      name: 'with its letters named',
      head: `Content-Type: application/json; charset=utf-8\r\n${long(good)}`,
      text: good,
    },
    { name: 'in other letters', head: `Content-Type: application/json; charset=utf-16le\r\n${long(Buffer.from(good, 'utf16le'))}`, text: Buffer.from(good, 'utf16le') }, // prettier-ignore
    { name: 'without a length', head: `${TYPE}Transfer-Encoding: chunked\r\n`, text: '7\r\n{"a":1}\r\n0\r\n\r\n' },
    { name: 'nothing', head: TYPE, text: '' },
    { name: 'nothing, and it says so', head: TYPE + long(''), text: '' },
    { name: 'of another kind', head: `Content-Type: text/plain\r\n${long(good)}`, text: good },
    { name: 'no JSON', head: TYPE + long('{"a":'), text: '{"a":' },
    { name: 'too long, and it says so', head: `${TYPE}Content-Length: 5000\r\n`, text: 'x'.repeat(5000) },
    { name: 'packed', head: `${TYPE}Content-Encoding: gzip\r\n${long('....')}`, text: '....' },
    { name: 'cut off', head: `${TYPE}Content-Length: 200\r\n`, text: '{"a":', cut: true },
  ];
  it.each(cases)('$name', async ({ head, text, cut = false }) => {
    const bytes = Buffer.from(text);
    const pieces = [0, 1, 2, 3].map((i) => bytes.subarray((i * bytes.length) / 4, ((i + 1) * bytes.length) / 4));
    const mine = await send('/ours', head, pieces, cut);
    expect(mine).toEqual(await send('/theirs', head, pieces, cut));
    expect(mine).toBeDefined();
  });

  it('but for a bare value, which is refused a step later, as no object', async () => {
    const [mine, library] = [await send('/ours', TYPE + long('5'), [Buffer.from('5')], false), await send('/theirs', TYPE + long('5'), [Buffer.from('5')], false)]; // prettier-ignore
    expect([mine, library]).toEqual([{ body: 5 }, { status: 400, type: 'entity.parse.failed' }]);
  });
});
