import { expect, it } from 'vitest';
import { matchHeads } from '../kernel/index.js';
import { firstHour, PLACE_HEADS, placeKindIn } from './first-hour.js';

const done = (lots: string[], kinds: string[], entries = 0): string =>
  firstHour(lots.map((fieldId) => ({ fieldId })), kinds.map((kind) => ({ kind })) as never, entries)
    .map(({ name, count, done: is }) => `${name} ${count}${is ? ' done' : ''}`)
    .join(', '); // prettier-ignore

it('a farm has come as far as what it has; who stores all needs no buyer, who sells all no bin', () => {
  expect(done([], [])).toBe('fields 0, machines 0, bins 0, buyers 0, load 0');
  // Two lots of one field are one field.
  expect(done(['a', 'a', 'b'], ['combine', 'cart'])).toBe('fields 2 done, machines 2 done, bins 0, buyers 0, load 0');
  expect(done(['a'], ['bin', 'wetBin'])).toBe('fields 1 done, machines 0, bins 2 done, buyers 0 done, load 0');
  expect(done(['a'], ['buyer'], 3)).toBe('fields 1 done, machines 0, bins 0 done, buyers 1 done, load 3 done');
});

it('knows a machine or a place by what farmers call it', () => {
  const says = (words: Record<string, string>): void => {
    for (const [text, kind] of Object.entries(words)) expect([text, placeKindIn(text)]).toEqual([text, kind]);
  };
  says({ Combine: 'combine', 'grain cart': 'cart', 'auger wagon': 'cart', Semi: 'truck', 'hopper bottom trailer': 'truck', 'tandem truck': 'truck' }); // prettier-ignore
  says({ 'Wet bin': 'wetBin', 'wet holding': 'wetBin', 'Bin 3': 'bin', silo: 'bin', 'dump pit': 'pit', 'overhead tank': 'overhead', 'load-out bin': 'bin', 'loadout tank': 'overhead', bunker: 'pile', Dryer: 'dryer', 'Redbud elevator': 'buyer', 'feed mill': 'buyer' }); // prettier-ignore
  expect(placeKindIn('the yellow one')).toBeNull();
});

it('finds the columns of a list of bins, whatever they are called', () => {
  expect(matchHeads(['Bin', 'Diameter (ft)', 'Eave height', 'Capacity bu'], PLACE_HEADS)).toEqual({ name: 'Bin', across: 'Diameter (ft)', eave: 'Eave height', holds: 'Capacity bu' }); // prettier-ignore
  expect(matchHeads(['Type', 'Name', 'Bushels'], PLACE_HEADS)).toEqual({
    what: 'Type',
    name: 'Name',
    holds: 'Bushels',
  });
});
