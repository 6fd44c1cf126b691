import type { LotInfo, PlaceInfo, PlaceKind } from '../ledger/index.js';

/** What a farm needs before its first load, in the order in which the grain comes to it. */
export const FIRST_STEPS = ['fields', 'machines', 'bins', 'buyers', 'load'] as const;
export type FirstStepName = (typeof FIRST_STEPS)[number];

export interface FirstStep {
  readonly name: FirstStepName;
  /** so many are there */
  readonly count: number;
  readonly done: boolean;
}

/** Kinds of place that each step asks for. */
export const STEP_KINDS = {
  machines: ['combine', 'cart', 'truck', 'dryer'],
  bins: ['bin', 'wetBin', 'pit', 'overhead', 'pile'],
  buyers: ['buyer'],
} as const satisfies Readonly<Record<string, readonly PlaceKind[]>>;

/**
 * How far a farm has come in its first hour. A field without a combine and a place to put it is no harvest: each step is done with its
 * first; bins or a buyer are enough for each other, since a farm may store all or sell all.
 * @param entries of the book
 */
export function firstHour(
  lots: readonly Pick<LotInfo, 'fieldId'>[],
  places: readonly Pick<PlaceInfo, 'kind'>[],
  entries: number,
): readonly FirstStep[] {
  const of = (kinds: readonly string[]): number => places.filter(({ kind }) => kinds.includes(kind)).length;
  const [bins, buyers] = [of(STEP_KINDS.bins), of(STEP_KINDS.buyers)];
  const step = (name: FirstStepName, count: number, done = count > 0): FirstStep => ({ name, count, done });
  return [
    step('fields', new Set(lots.map(({ fieldId }) => fieldId)).size),
    step('machines', of(STEP_KINDS.machines)),
    step('bins', bins, bins > 0 || buyers > 0),
    step('buyers', buyers, bins > 0 || buyers > 0),
    step('load', entries),
  ];
}

/** What lists of a farm's machines, bins and buyers call their columns; common practice, no source. */
export const PLACE_HEADS = {
  what: [/^(what|kind|type|equipment)$/, /kind|type/],
  name: [/^(name|bin|machine|unit|buyer|elevator)$/, /name|number|no\.?$|id$/],
  across: [/^(diameter|across|width)/, /diam|across/],
  eave: [/^(eave|height|wall)/, /eave|height|ring/],
  holds: [/^(holds|capacity|bushels|bu|size)/, /capacity|bushel|holds/],
} as const;

const WORDS: readonly (readonly [PlaceKind, RegExp])[] = [
  ['wetBin', /\bwet\b|hopper tank|holding/],
  ['combine', /combine|harvester/],
  ['cart', /cart|auger wagon|grain wagon|\bwagon\b|chaser/],
  ['truck', /truck|semi|tandem|hopper|trailer|tractor/],
  ['dryer', /dry(er|ing)/],
  ['pit', /\bpit\b|dump/],
  ['overhead', /overhead|load ?out/],
  ['pile', /pile|bag|bunker|ground/],
  ['buyer', /elevator|buyer|mill|plant|co-?op|terminal|feeder|feedlot/],
  ['bin', /bin|silo|tank/],
];

/** What somebody calls a place or a machine ("grain cart", "semi", "wet holding"): its kind, or null where no word says it. */
export const placeKindIn = (text: string): PlaceKind | null =>
  WORDS.find(([, pattern]) => pattern.test(text.trim().toLowerCase()))?.[0] ?? null;
