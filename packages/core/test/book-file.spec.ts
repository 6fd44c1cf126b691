import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Ajv from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  type Book,
  bookSchema,
  CHAIN_START,
  chainOf,
  instantOf,
  Ledger,
  originOf,
  serializeBook,
} from '../src/index.js';
import { TSC } from '../../../scripts/lib/run.mjs';
import { anyBook, BookBuilder } from './books.js';

const root = new URL('../../../', import.meta.url).pathname;
const schemaFile = join(root, 'docs/fanega-book.schema.json');

describe('the JSON Schema', () => {
  const valid = new Ajv({ allowUnionTypes: true }).compile(bookSchema);

  it('in docs/ is the one that the code has', () => {
    expect(JSON.parse(readFileSync(schemaFile, 'utf8'))).toEqual(JSON.parse(JSON.stringify(bookSchema)));
  });

  it('takes every book that the ledger takes', () => {
    fc.assert(
      fc.property(anyBook, (book) => valid(book)),
      { seed: 7, numRuns: 100 },
    );
  });

  it('refuses a percentage for a fraction and a date without a zone', () => {
    const b = new BookBuilder([{ id: 'A' }], [{ id: 'cart' }]);
    b.harvest('A', 'cart', 1000, 16.5);
    expect(valid(b.book())).toBe(false);
    const c = new BookBuilder([{ id: 'A' }], [{ id: 'cart' }]);
    c.harvest('A', 'cart', 1000, 0.165, { at: '2026-09-08T12:00:00' });
    expect(valid(c.book())).toBe(false);
  });
});

describe('instants', () => {
  it('agree with the platform wherever it reads the same text', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('1971-01-01'), max: new Date('2199-01-01'), noInvalidDate: true }),
        (date) => {
          expect(instantOf(date.toISOString())).toBeCloseTo(date.getTime(), 3);
        },
      ),
      { seed: 11, numRuns: 500 },
    );
    expect(instantOf('2026-11-01T01:40:00-05:00')).toBe(Date.parse('2026-11-01T06:40:00Z'));
    expect(instantOf('2024-02-29T10:00Z')).toBe(Date.parse('2024-02-29T10:00:00Z'));
  });

  it.each([
    '2026-13-01T00:00:00Z',
    '2025-02-29T00:00:00Z',
    '2026-09-08T24:00:00Z',
    '2026-09-08T10:60:00Z',
    '2026-09-08',
    '2026-09-08T10:00:00',
    'x',
    '2026-09-08T10:00:00Zz',
  ])('%s is none', (text) => {
    expect(instantOf(text)).toBeNaN();
  });
});

describe('fanega-book', () => {
  const dir = mkdtempSync(join(tmpdir(), 'fanega-book-'));
  const file = join(dir, 'book.json');
  const run = (...args: string[]) =>
    spawnSync('node', ['packages/core/bin/fanega-book.mjs', ...args], { cwd: root, encoding: 'utf8' });
  let delivery = '';

  beforeAll(() => {
    // The compiler that builds everything, for which what is built is up to date: another one would write all files anew, under
    // whoever starts meanwhile.
    execFileSync(TSC, ['-b', 'packages/core'], { cwd: root });
    const b = new BookBuilder(
      [{ id: 'A' }, { id: 'B' }],
      [
        { id: 'cart', kind: 'cart' },
        { id: 'mill', kind: 'buyer' },
      ],
    );
    const load = b.harvest('A', 'cart', 1000, 0.2);
    b.harvest('B', 'cart', 3000, 0.2);
    delivery = b.move('cart', 'mill', { wetKg: 2000 });
    expect(load).toBe('E0001');
    writeFileSync(file, serializeBook(b.book()));
  }, 60_000);

  it('answers positions, accounts and a trace in the shape of the design', () => {
    expect(JSON.parse(run('positions', file).stdout)).toEqual({
      cart: { wetKg: 2000, dryKg: 1600, moisture: expect.closeTo(0.2, 9), layers: 1, lots: { A: 400, B: 1200 } },
    });
    expect(JSON.parse(run('accounts', file).stdout).A).toEqual({
      harvestedDryKg: 800,
      restatedDryKg: 0,
      lostDryKg: {},
      waterRemovedKg: 0,
      inStockDryKg: 400,
      deliveredDryKg: 400,
    });
    expect(JSON.parse(run('trace', file, '--delivery', delivery).stdout)).toEqual({
      entry: delivery,
      to: 'mill',
      wetKg: 2000,
      dryKg: 1600,
      lots: { A: 400, B: 1200 },
      loads: { E0001: 400, E0002: 1200 },
      moves: { [delivery]: 1600 },
    });
    expect(JSON.parse(run('check', file).stdout)).toMatchObject({ ok: true, entries: 3 });
  });

  it('verifies the chain, and finds the record that was changed', () => {
    const book = JSON.parse(readFileSync(file, 'utf8')) as Book;
    const chained = join(dir, 'chained.json');
    const text = serializeBook({ ...book, chain: chainOf(book) });
    writeFileSync(chained, text);
    const sound = JSON.parse(run('verify', chained).stdout) as { fingerprint: string };
    expect(sound).toMatchObject({ ok: true, records: 3 });
    expect(JSON.parse(run('verify', chained, '--fingerprint', sound.fingerprint).stdout)).toMatchObject({ at: 3 });
    expect(run('verify', chained, '--fingerprint=0000-0000-0000').stderr).toContain('never had the fingerprint');
    writeFileSync(chained, text.replace('"wetKg":3000', '"wetKg":3001'));
    expect(run('verify', chained)).toMatchObject({ status: 1, stdout: '' });
    expect(run('verify', chained).stderr).toContain('record 2 (E0002) is not what was first written down');
    expect(run('verify', file).stderr).toContain('carries no chain');
  });

  it('verifies an origin, alone and with its book', () => {
    const book = JSON.parse(readFileSync(file, 'utf8')) as Book;
    const chain = chainOf(book);
    const [whole, given] = [join(dir, 'whole.json'), join(dir, 'origin.json')];
    writeFileSync(whole, serializeBook({ ...book, chain }));
    const origin = originOf({ ledger: Ledger.of(book), lots: [], places: [] }, { kind: 'delivery', id: delivery }, '2026-09-09T00:00:00Z')!; // prettier-ignore
    const records = book.entries.map((record, i) => ({ seq: i + 1, before: chain[i - 1] ?? CHAIN_START, link: chain[i]!, record })); // prettier-ignore
    const text = JSON.stringify({ format: 'fanega-origin', version: 1, farm: 'Test', timeZone: 'UTC', origin, seq: 3, link: chain[2], records }); // prettier-ignore
    writeFileSync(given, text);
    expect(JSON.parse(run('verify', given).stdout)).toMatchObject({ ok: true, loads: 2 });
    expect(JSON.parse(run('verify', whole, '--origin', given).stdout)).toMatchObject({ ok: true, at: 3 });
    writeFileSync(given, text.replace('"wetKg":3000', '"wetKg":3001'));
    expect(run('verify', given).stderr).toContain('E0002: record changed');
    writeFileSync(given, text.replace(/"lot":"A","field"/, '"lot":"B","field"'));
    expect(run('verify', whole, '--origin', given)).toMatchObject({ status: 1, stdout: '' });
    writeFileSync(given, '{"format":"fanega-origin"}');
    expect(run('verify', given).stderr).toContain('no origin file');
  });

  it('says on standard error what is wrong, and ends with 1', () => {
    const bad = join(dir, 'bad.json');
    writeFileSync(bad, readFileSync(file, 'utf8').replace('"wetKg":3000', '"wetKg":-3000'));
    const answer = run('positions', bad);
    expect([answer.status, answer.stdout]).toEqual([1, '']);
    expect(answer.stderr).toContain('entries[1] (E0002): wetKg is -3000 kg');
    writeFileSync(bad, '{');
    expect(run('check', bad)).toMatchObject({ status: 1, stdout: '' });
    expect(run('trace', file, '--delivery', 'E0001').stderr).toContain('is not a move into a buyer');
    expect(run('positions', join(dir, 'none.json')).stderr).toContain('cannot read');
    expect(run('dance', file).status).toBe(1);
  });
});
