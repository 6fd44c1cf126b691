import { Readable } from 'node:stream';
import { describe, expect, it } from 'vitest';
import { type Incoming, readLargeJson } from './large-json.js';

const LIMIT = 1_000_000;
/** A body in pieces of so many bytes, wherever a letter or a number is cut. */
function body(text: string | Buffer, piece = 7, headers: Incoming['headers'] = {}): Incoming {
  const bytes = Buffer.from(text);
  const pieces = Array.from({ length: Math.ceil(bytes.length / piece) }, (_, i) => bytes.subarray(i * piece, (i + 1) * piece)); // prettier-ignore
  return Object.assign(Readable.from(pieces, { objectMode: false }), { headers });
}
const read = (one: Incoming): Promise<object> => readLargeJson(one, LIMIT, 5000);

describe('a large body as it comes', () => {
  const book = {
    format: 'fanega-book',
    numbers: [0, -0.5, 1e-7, 123456.789, 9007199254740991, 1.7976931348623157e308],
    words: ['“Slough”', '€', '🌽', 'tab\t', 'back\\slash', ''],
    deep: { of: { null: null, yes: true, no: false, empty: {}, none: [] } },
  };
  it('is what the whole text says, however it is cut', async () => {
    for (const piece of [1, 2, 3, 7, 64, 100_000])
      expect(await read(body(JSON.stringify(book), piece))).toEqual(JSON.parse(JSON.stringify(book)));
  });
  it('is refused where it is none: cut off, no JSON, no object, more than one', async () => {
    const whole = JSON.stringify(book);
    for (const text of [whole.slice(0, -1), `${whole}x`, 'book', '', '[1]', '"book"', '{"a":01}', '{"a":NaN}'])
      await expect(read(body(text)), text).rejects.toMatchObject({ code: 'body_wrong' });
  });
  it('is bounded before it is there, and where it says less than it brings', async () => {
    await expect(read(body('{}', 7, { 'content-length': String(LIMIT + 1) }))).rejects.toMatchObject({ code: 'too_large' }); // prettier-ignore
    const large = JSON.stringify({ a: 'x'.repeat(2 * LIMIT) });
    await expect(read(body(large, 65_536, { 'content-length': '10' }))).rejects.toMatchObject({ code: 'too_large' });
    await expect(read(body('{}', 7, { 'content-encoding': 'gzip' }))).rejects.toMatchObject({ code: 'body_wrong' });
  });
  it('has no half letters, no numbers that are none, and is nested no deeper than ours', async () => {
    for (const text of ['{"a":"\\ud800"}', '{"a":1e999}', `{"a":${'['.repeat(40)}${']'.repeat(40)}}`])
      await expect(read(body(text)), text).rejects.toMatchObject({ code: 'body_wrong' });
  });
  it('that stops to come is not waited for', async () => {
    const stuck: Incoming = Object.assign(new Readable({ read: () => undefined }), { headers: {} });
    stuck.push('{"a":');
    await expect(readLargeJson(stuck, LIMIT, 50)).rejects.toMatchObject({ code: 'too_slow' });
  });
});
