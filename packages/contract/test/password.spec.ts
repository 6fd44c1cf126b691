import { describe, expect, it } from 'vitest';
import { passwordStrength } from '../src/password.js';

describe('a password that somebody chooses', () => {
  it('is not taken where it is among the first that are guessed, however it is written', () => {
    for (const password of ['password1234', 'Password1234', 'p4ssw0rd1234', '123456789012', 'iloveyou1234'])
      expect(passwordStrength(password).wrong, password).toMatch(/first that are guessed|letters in a row/);
  });
  it('is not taken where letters go on by themselves', () => {
    for (const password of ['aaaaaaaaaaaa', 'corncorncorn', 'qwertyuiop12', 'abcdefghijkl'])
      expect(passwordStrength(password).wrong, password).toMatch(/letters in a row/);
  });
  it('is not taken where it is what everybody knows of him', () => {
    const own = ['Dell', 'dell@example.invalid', 'Kestrel Levee'];
    for (const password of ['dell@example.invalid', 'kestrellevee', 'KestrelLevee1'])
      expect(passwordStrength(password, own).wrong, password).toMatch(/name, address or farm/);
    // The same word of another farm is one of many.
    expect(passwordStrength('KestrelLevee1', ['Dell']).wrong).toBeNull();
  });
  it('is a few words put together, and harder with each', () => {
    const words = ['heron', 'stubble', 'auger', 'nine'];
    const scores = [2, 3, 4].map((n) => passwordStrength(words.slice(0, n).join(' ')).score);
    expect(scores).toEqual([...scores].sort());
    expect(scores.at(-1)).toBe(4);
  });
  it('costs no more where somebody sends a long one: what is beyond its first letters is not looked at', () => {
    const start = 'p4ssw0rd!@$l1'.repeat(3).slice(0, 32);
    expect(passwordStrength(start + 'x'.repeat(96))).toEqual(passwordStrength(start));
  });
});
