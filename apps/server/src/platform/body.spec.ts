import { isLong } from './errors.filter.js';
import { describe, expect, it } from 'vitest';
import { findWrong } from './body.js';

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
