import { toWallTime } from '../kernel/index.js';
import { cropOf } from '../crops/index.js';
import {
  type Entry,
  type FarmBook,
  instantOf,
  type Ledger,
  type LotInfo,
  placesOf,
  type PlaceInfo,
} from '../ledger/index.js';

/** What a search found, the newest first. */
export interface TraceFound {
  readonly fields: readonly LotInfo[];
  readonly places: readonly PlaceInfo[];
  readonly entries: readonly { readonly entry: Entry; readonly delivery: boolean; readonly ticket: string | null }[];
  /** Entries that match; more than are listed where there are many. */
  readonly matches: number;
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const WORDS: Readonly<Partial<Record<Entry['type'], string>>> = {
  harvest: 'load cut',
  move: 'move',
  condition: 'dried',
  loss: 'loss',
  measure: 'level',
  witness: 'weighed again',
};

/** Each text once, by a number: rows say the same few names, days and words again and again. */
class Said {
  readonly texts: string[] = [];
  private readonly numbers = new Map<string, number>();

  numberOf(text: string): number {
    let number = this.numbers.get(text);
    if (number === undefined) this.numbers.set(text, (number = this.texts.push(text) - 1));
    return number;
  }

  /** 1 where the text answers. */
  that(answers: (text: string) => boolean): Uint8Array {
    return Uint8Array.from(this.texts, (text) => (answers(text) ? 1 : 0));
  }
}

/** What the entries of a book may be found by, in columns by their order of arrival. */
class SearchIndex {
  readonly lots = new Said();
  readonly places = new Said();
  /** Days in the ways in which they are typed; only what looks like a day is sought in them. */
  readonly days = new Said();
  readonly words = new Said();
  readonly lot: number[] = [];
  readonly day: number[] = [];
  /** Places of all rows, one row after the other, and where each row's end. */
  readonly place: number[] = [];
  readonly placeEnd: number[] = [];
  readonly word: number[] = [];
  readonly wordEnd: number[] = [];
  private readonly dayOfHour = new Map<number, number>();

  constructor(private readonly timeZone: string) {}

  /** Takes in what arrived since; the entries of a book only grow. */
  read(all: readonly Entry[]): void {
    for (let i = this.day.length; i < all.length; i++) {
      const entry = all[i]!;
      const { ticket, note, reason, by, lot } = entry as unknown as Readonly<Record<string, string | undefined>>;
      this.day.push(this.dayNumber(instantOf(entry.at)));
      this.lot.push(lot === undefined ? -1 : this.lots.numberOf(lot));
      for (const id of placesOf(entry)) this.place.push(this.places.numberOf(id));
      this.placeEnd.push(this.place.length);
      for (const text of [ticket, note, reason, by, WORDS[entry.type]])
        if (text) this.word.push(this.words.numberOf(text.toLowerCase()));
      this.wordEnd.push(this.word.length);
    }
  }

  private dayNumber(ms: number): number {
    // Zones change at whole hours or their quarters: one look-up serves an hour of entries, but for those quarters.
    const hour = Math.floor(ms / HOUR);
    let number = this.dayOfHour.get(hour);
    if (number === undefined) {
      const day = toWallTime(hour * HOUR, this.timeZone).slice(0, 10);
      const [month, date] = [Number(day.slice(5, 7)), Number(day.slice(8))];
      number = this.days.numberOf(`${day} ${month}/${date}/${day.slice(0, 4)} #${MONTHS[month - 1]}-${date}#`);
      this.dayOfHour.set(hour, number);
    }
    return number;
  }
}

/** Made once for each book and clock. */
const indexes = new WeakMap<Ledger, Map<string, SearchIndex>>();

const HOUR = 3_600_000;

function indexOf(ledger: Ledger, timeZone: string): SearchIndex {
  const own = indexes.get(ledger) ?? new Map<string, SearchIndex>();
  indexes.set(ledger, own);
  const index = own.get(timeZone) ?? new SearchIndex(timeZone);
  own.set(timeZone, index);
  index.read(ledger.arrivals);
  return index;
}

/** "sep 8" is a day, whatever else has an 8 in it. */
const plainWords = (asked: string): string[] =>
  asked
    .toLowerCase()
    .replace(/\b(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.? +(\d{1,2})\b/g, '#$1-$2#')
    .split(/[\s,;]+/)
    .filter(Boolean)
    .slice(0, 8);

/** "truck 3" is one thing where something is called that. */
function termsOf(asked: string, names: readonly (readonly [string, string])[]): string[] {
  const terms: string[] = [];
  for (const word of plainWords(asked)) {
    const joined = terms.length > 0 ? `${terms.at(-1)!} ${word}` : word;
    if (terms.length > 0 && names.some(([, text]) => holds(text, joined))) terms[terms.length - 1] = joined;
    else terms.push(word);
  }
  return terms;
}

/** A word of one or two letters must be a whole one: a 3 stands in most numbers. */
function holds(text: string, term: string): boolean {
  const short = term.length <= 2 || /(^|\s)\S{1,2}$/.test(term);
  for (let at = text.indexOf(term); at >= 0; at = text.indexOf(term, at + 1)) {
    const [before, after] = [text[at - 1] ?? ' ', text[at + term.length] ?? ' '];
    if (!short || (!/[a-z0-9]/.test(before) && !/[a-z0-9]/.test(after))) return true;
  }
  return false;
}

/**
 * Fields, places and entries by what people remember of them: a ticket's number, a day, a truck, a bin, a field, a name, a word of a note. Every
 * word must fit. Voided entries are left out.
 */
export function searchBook(book: FarmBook, asked: string, timeZone: string, most = 50): TraceFound {
  const { ledger, lots, places } = book;
  const lotText = lots.map((lot) => [lot.id, `${lot.fieldName} ${lot.tag} ${lot.season} ${cropOf(lot.crop)?.name ?? lot.crop} ${lot.variety} ${lot.shares.map(({ owner }) => owner).join(' ')}`.toLowerCase()] as const); // prettier-ignore
  const placeText = places.map(({ id, name, kind }) => [id, `${name} ${kind}`.toLowerCase()] as const);
  const words = termsOf(asked, [...lotText, ...placeText]);
  if (words.length === 0) return { fields: [], places: [], entries: [], matches: 0 };
  const having = (texts: readonly (readonly [string, string])[], word: string): ReadonlySet<string> =>
    new Set(texts.filter(([, text]) => holds(text, word)).map(([id]) => id));
  const sets = words.map((word) => ({
    word,
    isDay: /[/#-]/.test(word),
    isId: word.length === 26,
    lots: having(lotText, word),
    places: having(placeText, word),
  }));
  const every = (id: string, of: 'lots' | 'places'): boolean => sets.every((set) => set[of].has(id));
  const index = indexOf(ledger, timeZone);
  const found = new Map<string, Entry>();
  const all = ledger.arrivals;
  // Each name, day and word is asked once; a row only looks up what was answered.
  const asks = sets.map((set) => ({
    lots: index.lots.that((id) => set.lots.has(id)),
    places: index.places.that((id) => set.places.has(id)),
    days: index.days.that((day) => set.isDay && day.includes(set.word)),
    words: index.words.that((text) => holds(text, set.word)),
    id: set.isId ? set.word : null,
  }));
  const some = (column: readonly number[], ends: readonly number[], row: number, hits: Uint8Array): boolean => {
    for (let i = row === 0 ? 0 : ends[row - 1]!; i < ends[row]!; i++) if (hits[column[i]!] === 1) return true;
    return false;
  };
  const fits = (row: number): boolean =>
    asks.every(
      ({ lots, places, days, words, id }) =>
        (index.lot[row]! >= 0 && lots[index.lot[row]!] === 1) ||
        days[index.day[row]!] === 1 ||
        some(index.place, index.placeEnd, row, places) ||
        some(index.word, index.wordEnd, row, words) ||
        (id !== null && all[row]!.id.toLowerCase() === id),
    );
  for (let row = 0; row < all.length; row++) {
    if (!fits(row)) continue;
    const entry = all[row]!;
    if (entry.type === 'void' || ledger.isVoided(entry.id)) continue;
    // A ticket that came late leads to its load.
    const load = entry.type === 'witness' ? ledger.entry(entry.of) : entry;
    if (load && !ledger.isVoided(load.id)) found.set(load.id, load);
  }
  const newest = newestFirst([...found.values()]);
  return {
    fields: lots.filter(({ id }) => every(id, 'lots')).sort((a, b) => b.season - a.season),
    places: places.filter(({ id }) => every(id, 'places')),
    entries: newest.slice(0, most).map((entry) => ({
      entry,
      delivery: ledger.isDelivery(entry.id),
      ticket: ticketOf(ledger, entry),
    })),
    matches: newest.length,
  };
}

/** By time, the newest first; each time is read once. */
function newestFirst(entries: readonly Entry[]): Entry[] {
  const timed = entries.map((entry) => ({ entry, ms: instantOf(entry.at) }));
  return timed.sort((a, b) => b.ms - a.ms || (a.entry.id < b.entry.id ? 1 : -1)).map(({ entry }) => entry);
}

function ticketOf(ledger: Ledger, entry: Entry): string | null {
  const late = ledger.witnessesOf(entry.id).reverse().find((one) => 'ticket' in one && one.ticket !== undefined); // prettier-ignore
  const said = late ?? entry;
  return ('ticket' in said ? said.ticket : undefined) ?? null;
}
