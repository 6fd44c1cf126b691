import type { Method } from '@fanega/core';
import { scaleUnit, type WeightUnit } from '../../quantity/quantity';

export type RecordKind = 'harvest' | 'move' | 'condition' | 'measure' | 'loss';

export const KINDS: readonly { readonly value: RecordKind; readonly label: string; readonly key: string }[] = [
  { value: 'harvest', label: 'Cut', key: 'c' },
  { value: 'move', label: 'Load', key: 'l' },
  { value: 'condition', label: 'Dry', key: 'd' },
  { value: 'measure', label: 'Level', key: 'v' },
  { value: 'loss', label: 'Spill', key: 's' },
];

/** How much was moved: all of it, a net weight, or what the scale showed full and empty. */
export type Amount = 'all' | 'net' | 'gross';

/** What is typed, as it is typed: nothing is lost when it is wrong, refused or not sent yet. */
export interface Draft {
  readonly kind: RecordKind;
  /** ULID of the entry to be; the same for every try to send it. */
  readonly id: string;
  readonly lot: string;
  /** Part of the field; empty: none told. */
  readonly zone: string;
  readonly from: string;
  readonly to: string;
  readonly place: string;
  readonly amount: Amount;
  readonly unit: WeightUnit;
  readonly weight: string;
  readonly gross: string;
  readonly tare: string;
  readonly emptied: boolean;
  /** Out through the spout in its wall. */
  readonly sideDraw: boolean;
  readonly moisture: string;
  readonly method: Method | '';
  readonly ticket: string;
  readonly price: string;
  readonly reason: string;
  /** Wall time on the farm; empty: now. */
  readonly time: string;
  /** It was long ago, and that is no slip of the year. */
  readonly longAgo: boolean;
  /** Why it goes where something speaks against it; empty: nobody said. */
  readonly anyway: string;
  readonly note: string;
  /** Who it was, where that is not who is signed in; empty: who is. */
  readonly by: string;
  /** The entry that this one replaces. */
  readonly replaces: string;
  /** Id of the void that goes with it. */
  readonly voidId: string;
  /** What was sent without an answer, as JSON: whether it arrived is not known. Empty when nothing was. */
  readonly tried: string;
  /** The draft as it was then. */
  readonly triedAs: string;
  /** The entry that it was filled in from, as JSON: what was not changed stays exact, to the second and the pound. Empty when it was not. */
  readonly was: string;
  /** Place in the queue of the refused entry that this one stands for; it leaves the queue when this one is in the book, or waits itself. */
  readonly queued: string;
}

export type DraftField = keyof Draft;
export type DraftErrors = Partial<Record<DraftField, string>>;

export function emptyDraft(newId: () => string, given: Partial<Draft> = {}): Draft {
  return {
    kind: 'move',
    id: newId(),
    lot: '',
    zone: '',
    from: '',
    to: '',
    place: '',
    amount: 'all',
    unit: scaleUnit(),
    weight: '',
    gross: '',
    tare: '',
    emptied: false,
    sideDraw: false,
    moisture: '',
    method: '',
    ticket: '',
    price: '',
    reason: 'spill',
    time: '',
    longAgo: false,
    anyway: '',
    note: '',
    by: '',
    replaces: '',
    voidId: newId(),
    tried: '',
    triedAs: '',
    was: '',
    queued: '',
    ...given,
  };
}
