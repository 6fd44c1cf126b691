import { describe, expect, it } from 'vitest';
import { asTyped, boxAt, nested, oneOf, readBoxes, rows, words, yesNo } from './box';

const BOXES = {
  name: words(4, 'It needs a name'),
  note: words(4),
  kind: oneOf<'a' | 'b'>(),
  on: yesNo,
  axles: rows((i) => ({ at: words(3, `Where is axle ${i + 1}?`), pins: rows(() => ({ is: asTyped('m') })) })),
};
const TEXTS = { name: ' Ash ', note: '', kind: 'b' as const, on: true, axles: [{ at: '1', pins: [{ is: '9' }] }] };

describe('boxes of a form', () => {
  it('are read as they are nested, trimmed, each by its own kind', () => {
    expect(readBoxes(BOXES, TEXTS)).toEqual({
      values: { name: 'Ash', note: '', kind: 'b', on: true, axles: [{ at: '1', pins: [{ is: '9' }] }] },
      errors: {},
    });
  });
  it('say what is wrong at their own path, each row by its number', () => {
    const { errors } = readBoxes(BOXES, {
      ...TEXTS,
      name: '  ',
      note: 'five!',
      axles: [
        { at: '1', pins: [] },
        { at: '', pins: [] },
      ],
    });
    expect(errors).toEqual({ name: 'It needs a name', note: 'At most 4 letters', 'axles.1.at': 'Where is axle 2?' });
    expect(nested(errors)).toEqual({
      name: { type: 'typed', message: 'It needs a name' },
      note: { type: 'typed', message: 'At most 4 letters' },
      axles: { 1: { at: { type: 'typed', message: 'Where is axle 2?' } } },
    });
  });
  it('that are not asked are not read, and refuse nothing', () => {
    const { values, errors } = readBoxes(BOXES, { ...TEXTS, name: '' }, ['name']);
    expect([values.name, errors]).toEqual([undefined, {}]);
  });
  it('are found by their path, and nothing else is', () => {
    expect(boxAt(BOXES, 'name')?.control?.maxLength).toBe(4);
    expect(boxAt(BOXES, 'axles.3.at')?.control?.maxLength).toBe(3);
    expect(boxAt(BOXES, 'axles.0.pins.2.is')?.control?.unit).toBe('m');
    expect([boxAt(BOXES, 'axles'), boxAt(BOXES, 'axles.0'), boxAt(BOXES, 'weight')]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
  });
});
