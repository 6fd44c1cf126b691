import { CROP_IDS, SAFETY_CARDS, SAFETY_CARDS_ES } from '@fanega/core';
import { describe, expect, it } from 'vitest';
import { EN, type WordKey } from './en';
import { ES } from './es';
import { say } from '.';

const placeholders = (text: string): string[] => (text.match(/\{\w+\}/g) ?? []).sort();
const keys = Object.keys(EN) as WordKey[];

describe('the words of the cab, its alarms and its cautions', () => {
  it('are all there in Spanish, and none is English still', () => {
    expect(Object.keys(ES)).toEqual(keys);
    expect(keys.filter((key) => ES[key].trim() === '' || ES[key] === EN[key])).toEqual([]);
  });
  it('put in the same things', () => {
    for (const key of keys)
      expect(`${key} ${placeholders(ES[key]).join()}`).toBe(`${key} ${placeholders(EN[key]).join()}`);
    expect(say('driedTo', { place: 'Bin A', at: '15.0 %' })).toBe('Bin A: dried to 15.0 %');
  });
  it('know every crop and every caution', () => {
    for (const crop of CROP_IDS) expect(keys).toContain(`crop_${crop}`);
    expect(Object.keys(SAFETY_CARDS_ES)).toEqual(Object.keys(SAFETY_CARDS));
    for (const [card, { title, lines }] of Object.entries(SAFETY_CARDS)) {
      const spanish = SAFETY_CARDS_ES[card as keyof typeof SAFETY_CARDS];
      expect(spanish.lines).toHaveLength(lines.length);
      expect(spanish.title).not.toBe(title);
      for (const line of spanish.lines) expect(lines as readonly string[]).not.toContain(line);
    }
  });
});
