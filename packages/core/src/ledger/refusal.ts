/** A refusal is data: its code is the rule that was broken, with the facts. Wording is in `wordRefusal`. */
export interface Refusal {
  readonly code: RefusalCode;
  /** Where: `entries[3]`, `lots[0]`, `defaults` … */
  readonly path: string;
  /** The id of the entry, lot or place, where it has one. */
  readonly id?: string;
  readonly field?: string;
  readonly value?: unknown;
  /** What would have been right, in a few words or as a list. */
  readonly expected?: string;
}

export type RefusalCode =
  | 'not_a_book'
  | 'not_an_object'
  | 'field_missing'
  | 'field_of_wrong_type'
  | 'id_duplicate'
  | 'date_is_none'
  | 'value_not_in_list'
  | 'mass_out_of_range'
  | 'moisture_out_of_range'
  | 'dry_loss_out_of_range'
  | 'lot_not_in_book'
  | 'place_not_in_book'
  | 'buyer_holds_no_grain'
  | 'refers_to_no_entry'
  | 'refers_to_wrong_type'
  | 'voids_in_a_circle'
  | 'voids_too_deep'
  | 'before_checkpoint'
  | 'net_differs'
  | 'shares_not_whole';

const show = (value: unknown): string => {
  const text = typeof value === 'string' ? `"${value}"` : JSON.stringify(value);
  return text === undefined ? String(value) : text.length > 60 ? `${text.slice(0, 57)}…` : text;
};

const WORDS = {
  not_a_book: (r) => `this is not a grain book: ${r.field} is ${show(r.value)}, expected ${r.expected}`,
  not_an_object: (r) => `expected an object, found ${show(r.value)}`,
  field_missing: (r) => `${r.field} is missing`,
  field_of_wrong_type: (r) => `${r.field} is ${show(r.value)}; it must be ${r.expected}`,
  id_duplicate: (r) => `the id ${show(r.value)} is used twice`,
  date_is_none: (r) =>
    `${r.field} is ${show(r.value)}, which is no date; write it like 2026-09-08T14:52:00Z, with its zone`,
  value_not_in_list: (r) => `${r.field} is ${show(r.value)}; it must be one of ${r.expected}`,
  mass_out_of_range: (r) => `${r.field} is ${show(r.value)} kg; a weight is from 0 to 1,000,000,000 kg`,
  moisture_out_of_range: (r) =>
    `${r.field} is ${show(r.value)}; moisture is a wet-basis fraction from 0 to 0.6 (16.5 % is 0.165)`,
  dry_loss_out_of_range: (r) => `${r.field} is ${show(r.value)}; the lost part of the dry matter is from 0 to below 1`,
  lot_not_in_book: (r) => `${r.field} names the lot ${show(r.value)}, which the book does not have`,
  place_not_in_book: (r) => `${r.field} names the place ${show(r.value)}, which the book does not have`,
  buyer_holds_no_grain: (r) =>
    `${r.field} names the buyer ${show(r.value)}; grain leaves the farm there and cannot be taken, dried or measured`,
  refers_to_no_entry: (r) => `${r.field} names the entry ${show(r.value)}, which the book does not have`,
  refers_to_wrong_type: (r) => `${r.field} names ${show(r.value)}, which is not ${r.expected}`,
  voids_in_a_circle: (r) => `${r.field} names ${show(r.value)}, and the voids come back to this entry`,
  voids_too_deep: (r) =>
    `${r.field} takes back what was taken back more than ${r.expected} times; record the load again instead`,
  net_differs: (r) =>
    `net is not gross minus tare: ${r.field} is ${show(r.value)} kg, gross minus tare is ${r.expected} kg`,
  shares_not_whole: () => 'the parts of the owners must come to the whole',
  before_checkpoint: (r) => `${r.field} is ${show(r.value)}, before the checkpoint that this state continues from`,
} satisfies Record<RefusalCode, (r: Refusal) => string>;

/** One plain sentence that names the entry, the field and what to do. */
export function wordRefusal(refusal: Refusal): string {
  const where = refusal.id === undefined ? refusal.path : `${refusal.path} (${refusal.id})`;
  return where === '' ? WORDS[refusal.code](refusal) : `${where}: ${WORDS[refusal.code](refusal)}`;
}

/** Only what is wrong, for a place on the screen that already shows which entry it is. */
export function wordRefusalAtField(refusal: Refusal): string {
  return WORDS[refusal.code](refusal);
}

/** Thrown by operations that take a whole book or batch; nothing of it was applied. */
export class BookRefused extends Error {
  constructor(readonly refusals: readonly Refusal[]) {
    super(
      refusals.slice(0, 20).map(wordRefusal).join('\n') +
        (refusals.length > 20 ? `\n… and ${refusals.length - 20} more` : ''),
    );
    this.name = 'BookRefused';
  }
}
