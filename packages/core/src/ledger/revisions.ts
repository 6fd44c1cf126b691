import type { Book, BookDefaults, BookHeader, Revision, RevisionChange } from './model.js';

/** The header with one change applied. */
export function revised(header: BookHeader, change: RevisionChange): BookHeader {
  const defaults = (more: Partial<BookDefaults>): BookHeader => ({
    ...header,
    defaults: { ...header.defaults, ...more },
  });
  switch (change.what) {
    case 'shares':
      return {
        ...header,
        lots: header.lots.map((lot) => (lot.id === change.lot ? { ...lot, shares: change.shares } : lot)),
      };
    case 'trust':
      return defaults({ trust: change.trust });
    case 'defaultMoisture':
      return defaults({ moisture: change.moisture });
    case 'baseMoisture':
      return defaults({ bases: { ...header.defaults.bases, [change.crop]: change.moisture } });
    case 'withdrawal':
      return {
        ...header,
        places: header.places.map((place) =>
          place.id === change.place ? { ...place, withdrawal: change.withdrawal } : place,
        ),
      };
  }
}

/** What the header was before the change: read off the header that the change is applied to. */
export function undoing(header: BookHeader, change: RevisionChange): RevisionChange {
  switch (change.what) {
    case 'shares':
      return {
        ...change,
        shares: (header.lots.find((lot) => lot.id === change.lot)?.shares ?? []) as typeof change.shares,
      };
    case 'trust':
      return { ...change, trust: header.defaults.trust };
    case 'defaultMoisture':
      return { ...change, moisture: header.defaults.moisture };
    case 'baseMoisture':
      return { ...change, moisture: header.defaults.bases?.[change.crop] ?? change.moisture };
    case 'withdrawal':
      return { ...change, withdrawal: header.places.find((place) => place.id === change.place)?.withdrawal ?? 'mixed' };
  }
}

/** The header after all of these changes, in their order. */
export const withRevisions = (header: BookHeader, revisions: readonly Pick<Revision, 'change'>[]): BookHeader =>
  revisions.reduce((before, { change }) => revised(before, change), header);

/**
 * The book as it was read when its sequence had come to a number: the entries and revisions that had arrived by then, in their order of
 * arrival, and nothing that came later. A statement printed with that number can be printed again to the digit.
 * @param sequence 0 is the empty book; a number beyond the end is the whole of it
 */
export function bookAsOf(book: Book, sequence: number): Book {
  const revisions = book.revisions ?? [];
  // The nth revision stands after its `after` entries and the n revisions before it.
  const kept = revisions.filter((revision, n) => revision.after + n + 1 <= sequence);
  return {
    ...book,
    entries: book.entries.slice(0, Math.max(0, sequence - kept.length)),
    ...(book.revisions === undefined ? {} : { revisions: kept }),
    ...(book.chain === undefined ? {} : { chain: book.chain.slice(0, Math.max(0, sequence)) }),
  };
}

/** What a book is read with now: its header after its revisions. */
export const readingHeader = (book: Book): BookHeader =>
  withRevisions({ defaults: book.defaults, lots: book.lots, places: book.places }, book.revisions ?? []);
