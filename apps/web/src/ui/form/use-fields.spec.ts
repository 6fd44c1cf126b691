import { describe, expect, it } from 'vitest';
import { typedSince } from './use-fields';

const START = { note: '', on: false, rows: [{ field: '', crop: 'corn' }] };
const SENT = { note: 'wet', on: true, rows: [{ field: 'Ash', crop: 'corn' }, { field: 'Gum', crop: 'oats' }, ...START.rows] }; // prettier-ignore

describe('what the boxes say after a save', () => {
  it('is what they began with, where nobody typed meanwhile', () => {
    expect(typedSince(structuredClone(SENT), SENT, START)).toBe(START);
  });
  it('keeps a box that was changed meanwhile, and lets the others start over', () => {
    expect(typedSince({ ...SENT, note: 'dry' }, SENT, START)).toEqual({ ...START, note: 'dry' });
    expect(typedSince({ ...SENT, on: false, note: '' }, SENT, START)).toEqual(START);
  });
  it('keeps rows that were typed meanwhile, without those that were sent and with one empty row at the end', () => {
    const more = { field: 'Elm', crop: 'corn' };
    const now = { ...SENT, rows: [SENT.rows[0]!, SENT.rows[1]!, more, START.rows[0]!] };
    expect(typedSince(now, SENT, START)).toEqual({ ...START, rows: [more, START.rows[0]] });
  });
  it('keeps a sent row that was changed meanwhile: it is not what the farm has', () => {
    const now = { ...SENT, rows: [SENT.rows[0]!, { field: 'Gum east', crop: 'oats' }, START.rows[0]!] };
    expect(typedSince(now, SENT, START).rows).toEqual([now.rows[1], START.rows[0]]);
  });
});
