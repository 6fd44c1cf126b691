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

interface Row {
  readonly text: string;
  /** The day in the ways in which it is typed; only what looks like a day is sought in it. */
  readonly dates: string;
  readonly lot: string | undefined;
  readonly places: readonly string[];
  /** Of a ticket that came late: the load that it is of. */
  readonly of: string | undefined;
}
/** What each entry may be found by, made once; the entries of a book only grow. */
const indexes = new WeakMap<Ledger, Row[]>();

const HOUR = 3_600_000;

function indexOf(ledger: Ledger, timeZone: string): readonly Row[] {
  const rows = indexes.get(ledger) ?? [];
  indexes.set(ledger, rows);
  const days = new Map<number, string>();
  const dayOf = (ms: number): string => {
    // Zones change at whole hours or their quarters: one look-up serves an hour of entries, but for those quarters.
    const hour = Math.floor(ms / HOUR);
    let day = days.get(hour);
    if (day === undefined) days.set(hour, (day = toWallTime(hour * HOUR, timeZone).slice(0, 10)));
    return day;
  };
  const all = ledger.arrivals;
  for (let i = rows.length; i < all.length; i++) {
    const entry = all[i]!;
    const { ticket, note, reason, by, lot } = entry as unknown as Readonly<Record<string, string | undefined>>;
    const day = dayOf(instantOf(entry.at));
    const month = Number(day.slice(5, 7));
    const date = Number(day.slice(8));
    rows.push({
      text: [ticket, note, reason, by, WORDS[entry.type]].filter(Boolean).join(' \n').toLowerCase(),
      dates: `${day} ${month}/${date}/${day.slice(0, 4)} #${MONTHS[month - 1]}-${date}#`,
      lot,
      places: placesOf(entry),
      of: entry.type === 'witness' ? entry.of : undefined,
    });
  }
  return rows;
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
  const rows = indexOf(ledger, timeZone);
  const found = new Map<string, Entry>();
  const all = ledger.arrivals;
  const text = (row: Row, id: string): boolean =>
    sets.every(
      (set) =>
        (row.lot !== undefined && set.lots.has(row.lot)) ||
        row.places.some((place) => set.places.has(place)) ||
        (set.isDay && row.dates.includes(set.word)) ||
        (set.isId && id.toLowerCase() === set.word) ||
        holds(row.text, set.word),
    );
  rows.forEach((row, i) => {
    const entry = all[i]!;
    if (!text(row, entry.id)) return;
    if (entry.type === 'void' || ledger.isVoided(entry.id)) return;
    // A ticket that came late leads to its load.
    const load = row.of === undefined ? entry : ledger.entry(row.of);
    if (load && !ledger.isVoided(load.id)) found.set(load.id, load);
  });
  const newest = [...found.values()].sort((a, b) => instantOf(b.at) - instantOf(a.at) || (a.id < b.id ? 1 : -1));
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

function ticketOf(ledger: Ledger, entry: Entry): string | null {
  const late = ledger.witnessesOf(entry.id).reverse().find((one) => 'ticket' in one && one.ticket !== undefined); // prettier-ignore
  const said = late ?? entry;
  return ('ticket' in said ? said.ticket : undefined) ?? null;
}
