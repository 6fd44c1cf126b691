import { number, optional, text, whole } from './field.js';

/** What a field and its lot are called, and how large it is. */
export const FIELD_NAMES = {
  name: text(60, 1),
  /** two or three letters that stand for it in drawings */
  tag: text(4, 1),
  variety: optional(text(40)),
  acres: number(0.01, 50_000, 'ac'),
  season: whole(2000, 2100),
  /** whose a part of it is */
  owner: text(60, 1),
  part: number(0.0001, 1, 'fraction'),
};

/** What a place is called and holds, struck. */
export const PLACE_NAMES = { name: text(60, 1), capacityBu: number(1, 10_000_000, 'bu') };

export const DEVICE_NAMES = { name: text(60, 1) };

/** A farm and who signs in. */
export const PEOPLE_NAMES = {
  farm: text(80, 1),
  name: text(80, 1),
  code: text(80, 1),
  driver: text(60, 1),
  device: text(50, 1),
};

/**
 * Letters of a password that somebody chooses.
 * Source: OWASP ASVS 4.0.3, 2.1.1 and 2.1.2 (from memory)
 */
export const PASSWORD_LETTERS = { least: 12, most: 128 } as const;

/** Why what the book is read with was changed. */
export const REVISION_REASON = text(200, 1);
