import { expect, it } from 'vitest';
import { isSignedBy, signedBy, signerOf } from './signature.js';

it('an entry is by the account that wrote it, with the name that was typed before it, once', () => {
  expect(signedBy(undefined, 'Oona')).toBe('Oona');
  expect(signedBy('  ', 'Oona')).toBe('Oona');
  expect(signedBy('Oona', 'Oona')).toBe('Oona');
  expect(signedBy('Iwona', 'Oona')).toBe('Iwona (Oona)');
  expect(signedBy(signedBy('Iwona', 'Oona'), 'Oona')).toBe('Iwona (Oona)');
  // Another's name in brackets is no account of his.
  expect(signedBy('Bea (Owner)', 'Oona')).toBe('Bea (Owner) (Oona)');
});
it('is known by that name while it waits and when it came, and by no other', () => {
  for (const by of ['Iwona', 'Iwona (Oona)']) expect(isSignedBy(by, 'Iwona')).toBe(true);
  for (const by of [undefined, 'Iwon', 'Iwonas (Oona)', 'Oona (Iwona)']) expect(isSignedBy(by, 'Iwona')).toBe(false);
});
it('names who stands in front', () => {
  expect(['Iwona (Oona)', 'Oona', 'Ana (on Truck 3’s phone)', 'Bo (on Bin keeper (east))', 'Bea (Owner) (Oona)', ''].map(signerOf)).toEqual(['Iwona', 'Oona', 'Ana', 'Bo', 'Bea (Owner)', '']); // prettier-ignore
  expect(signerOf(undefined)).toBe('');
});
