import { cropOfOwn, isOwnCropId, type OwnCrop } from '../crops/index.js';
import { isObject, RangeRefusal, UnknownRefusal } from '../kernel/index.js';
import { MAX_MOISTURE } from '../units/index.js';
import {
  type Book,
  type BookDefaults,
  type BookHeader,
  DEFAULT_MOISTURE,
  DEFAULT_TRUST,
  type Entry,
  isBuyer,
  type Lot,
  METHODS,
  type Place,
  type Revision,
  WITHDRAWALS,
} from './model.js';
import { instantOf } from './instant.js';
import { BookRefused, type Refusal, type RefusalCode } from './refusal.js';

type Fields = Record<string, unknown>;
type Report = (code: RefusalCode, field: string, value: unknown, expected?: string) => void;

/** JSON writers put null where a field was left out. */
const absent = (value: unknown): boolean => value === undefined || value === null;

function text(value: unknown, field: string, report: Report): string | undefined {
  if (absent(value)) report('field_missing', field, value);
  else if (typeof value !== 'string' || value === '') report('field_of_wrong_type', field, value, 'a text');
  else return value;
  return undefined;
}

function optionalText(value: unknown, field: string, report: Report): void {
  if (!absent(value) && typeof value !== 'string') report('field_of_wrong_type', field, value, 'a text');
}

/** Forty million bushels: more than any one place on earth holds; a sum of such weights still adds up to the gram. */
export const MAX_MASS_KG = 1e9;

function mass(value: unknown, field: string, required: boolean, report: Report): void {
  if (absent(value)) {
    if (required) report('field_missing', field, value);
  } else if (typeof value !== 'number') report('field_of_wrong_type', field, value, 'a number of kg');
  else if (!(value >= 0 && value <= MAX_MASS_KG)) report('mass_out_of_range', field, value);
}

function moisture(value: unknown, field: string, required: boolean, report: Report): void {
  if (absent(value)) {
    if (required) report('field_missing', field, value);
  } else if (typeof value !== 'number') report('field_of_wrong_type', field, value, 'a number from 0 to 0.6');
  else if (!(value >= 0 && value <= MAX_MOISTURE)) report('moisture_out_of_range', field, value);
}

function oneOf(value: unknown, field: string, list: readonly string[], report: Report): void {
  if (!absent(value) && !(typeof value === 'string' && list.includes(value)))
    report('value_not_in_list', field, value, list.join(', '));
}

/** Half a kilogram: scales show whole pounds. */
export const NET_TOLERANCE_KG = 0.5;

/** Net is gross less tare, wherever all three are written down. */
function net(o: Fields, report: Report): void {
  mass(o.grossKg, 'grossKg', false, report);
  mass(o.tareKg, 'tareKg', false, report);
  const { grossKg, tareKg, wetKg } = o;
  if (typeof grossKg !== 'number' || typeof tareKg !== 'number' || typeof wetKg !== 'number') return;
  if (Math.abs(grossKg - tareKg - wetKg) > NET_TOLERANCE_KG)
    report('net_differs', 'wetKg', wetKg, String(grossKg - tareKg));
}

/** What entries may name, looked up by id. */
export interface Names {
  readonly lots: ReadonlyMap<string, unknown>;
  /** place id -> true for a buyer */
  readonly places: ReadonlyMap<string, boolean>;
}

export function namesOf(header: BookHeader): Names {
  return {
    lots: new Map(header.lots.map((lot) => [lot.id, lot])),
    places: new Map(header.places.map((place) => [place.id, isBuyer(place)])),
  };
}

function lotField(value: unknown, names: Names, report: Report): void {
  const id = text(value, 'lot', report);
  if (id !== undefined && !names.lots.has(id)) report('lot_not_in_book', 'lot', id);
}

function placeField(value: unknown, field: string, names: Names, buyerAllowed: boolean, report: Report): void {
  const id = text(value, field, report);
  if (id === undefined) return;
  const buyer = names.places.get(id);
  if (buyer === undefined) report('place_not_in_book', field, id);
  else if (buyer && !buyerAllowed) report('buyer_holds_no_grain', field, id);
}

const TYPE_CHECKS: Record<Entry['type'], (o: Fields, names: Names, report: Report) => void> = {
  harvest(o, names, report) {
    lotField(o.lot, names, report);
    optionalText(o.zone, 'zone', report);
    placeField(o.to, 'to', names, true, report);
    mass(o.wetKg, 'wetKg', true, report);
    moisture(o.moisture, 'moisture', true, report);
  },
  move(o, names, report) {
    placeField(o.from, 'from', names, false, report);
    placeField(o.to, 'to', names, true, report);
    mass(o.wetKg, 'wetKg', false, report);
    moisture(o.moisture, 'moisture', false, report);
    for (const field of ['emptied', 'sideDraw'] as const)
      if (!absent(o[field]) && typeof o[field] !== 'boolean')
        report('field_of_wrong_type', field, o[field], 'true or false');
    net(o, report);
  },
  condition(o, names, report) {
    placeField(o.place, 'place', names, false, report);
    moisture(o.moisture, 'moisture', true, report);
    const loss = o.dryLoss;
    if (absent(loss)) return;
    if (typeof loss !== 'number') report('field_of_wrong_type', 'dryLoss', loss, 'a number from 0 to below 1');
    else if (!(loss >= 0 && loss < 1)) report('dry_loss_out_of_range', 'dryLoss', loss);
  },
  loss(o, names, report) {
    placeField(o.place, 'place', names, false, report);
    mass(o.wetKg, 'wetKg', true, report);
    text(o.reason, 'reason', report);
  },
  measure(o, names, report) {
    placeField(o.place, 'place', names, false, report);
    mass(o.wetKg, 'wetKg', true, report);
    moisture(o.moisture, 'moisture', false, report);
  },
  witness(o, _names, report) {
    text(o.of, 'of', report);
    mass(o.wetKg, 'wetKg', false, report);
    moisture(o.moisture, 'moisture', false, report);
    net(o, report);
  },
  void(o, _names, report) {
    text(o.voids, 'voids', report);
  },
};

export const ENTRY_TYPES = Object.keys(TYPE_CHECKS) as Entry['type'][];

/** Where an entry stands in its list; made only when there is something to say of it. */
const entryPath = (index: number): string => `entries[${index}]`;

/**
 * A check of entries by themselves and against the lots and places; what they say of other entries is checked by {@link checkReferences}. It
 * reports into `refusals`. One reporter serves all: a book has hundreds of thousands of entries, and next to none of them has anything to
 * report.
 */
export function entryCheck(names: Names, refusals: Refusal[]): (value: unknown, index: number) => void {
  let entry: Fields = {};
  let at = 0;
  const report: Report = (code, field, found, expected) => {
    const id = typeof entry.id === 'string' ? { id: entry.id } : {};
    refusals.push({
      code,
      path: entryPath(at),
      ...id,
      field,
      value: found,
      ...(expected === undefined ? {} : { expected }),
    });
  };
  return (value, index) => {
    if (!isObject(value)) {
      refusals.push({ code: 'not_an_object', path: entryPath(index), value });
      return;
    }
    entry = value;
    at = index;
    checkEntry(value, names, report);
  };
}

function checkEntry(value: Fields, names: Names, report: Report): void {
  text(value.id, 'id', report);
  const at = text(value.at, 'at', report);
  if (at !== undefined && Number.isNaN(instantOf(at))) report('date_is_none', 'at', at);
  const recordedAt = value.recordedAt;
  if (!absent(recordedAt) && (typeof recordedAt !== 'string' || Number.isNaN(instantOf(recordedAt)))) {
    report('date_is_none', 'recordedAt', recordedAt);
  }
  optionalText(value.by, 'by', report);
  optionalText(value.device, 'device', report);
  optionalText(value.method, 'method', report);
  optionalText(value.note, 'note', report);
  const type = text(value.type, 'type', report);
  if (type === undefined) return;
  if (Object.hasOwn(TYPE_CHECKS, type)) TYPE_CHECKS[type as Entry['type']](value, names, report);
  else report('value_not_in_list', 'type', type, ENTRY_TYPES.join(', '));
}

/**
 * What new entries say of other entries: a void's and a witness's target exists, a witness is of a harvest or move, and
 * no chain of voids is a circle. `referring` lists which of them are witnesses and voids; `find` knows the new entries and those already in the book.
 */
export function checkReferences(
  entries: readonly Entry[],
  referring: readonly number[],
  find: (id: string) => Entry | undefined,
  refusals: Refusal[],
  mostVoids: number,
): void {
  for (const i of referring) {
    const entry = entries[i]!;
    if (entry.type === 'witness') {
      const target = find(entry.of);
      const at = { path: entryPath(i), id: entry.id, field: 'of', value: entry.of };
      if (target === undefined) refusals.push({ code: 'refers_to_no_entry', ...at });
      else if (target.type !== 'harvest' && target.type !== 'move') {
        refusals.push({ code: 'refers_to_wrong_type', ...at, expected: 'a harvest or a move' });
      }
    } else if (entry.type === 'void') {
      const at = { path: entryPath(i), id: entry.id, field: 'voids', value: entry.voids };
      if (find(entry.voids) === undefined) refusals.push({ code: 'refers_to_no_entry', ...at });
      else {
        const code = chainOfVoids(entry, find, mostVoids);
        if (code !== null) refusals.push({ code, ...at, expected: String(MOST_VOIDS) });
      }
    }
  }
}

export function duplicateId(entry: Entry, index: number): Refusal {
  return { code: 'id_duplicate', path: entryPath(index), id: entry.id, field: 'id', value: entry.id };
}

/** Nobody takes back a taking-back so often; what is longer would cost every reader of the book. */
export const MOST_VOIDS = 100;

/** Follows the chain of voids as far as it may go, so that a circle further down cannot trap the walk. */
function chainOfVoids(start: Entry, find: (id: string) => Entry | undefined, most: number): RefusalCode | null {
  let entry: Entry | undefined = start;
  for (let links = 0; links <= most; links++) {
    entry = entry.type === 'void' ? find(entry.voids) : undefined;
    if (entry === undefined) return null;
    if (entry === start) return 'voids_in_a_circle';
  }
  return 'voids_too_deep';
}

function checkList(value: unknown, name: string, each: (o: Fields, report: Report) => void, refusals: Refusal[]): void {
  if (!Array.isArray(value)) {
    refusals.push({
      code: value === undefined ? 'field_missing' : 'field_of_wrong_type',
      path: '',
      field: name,
      value,
      expected: 'a list',
    });
    return;
  }
  const ids = new Set<string>();
  value.forEach((item: unknown, i) => {
    const path = `${name}[${i}]`;
    if (!isObject(item)) {
      refusals.push({ code: 'not_an_object', path, value: item });
      return;
    }
    const report: Report = (code, field, found, expected) =>
      refusals.push({
        code,
        path,
        ...(typeof item.id === 'string' ? { id: item.id } : {}),
        field,
        value: found,
        ...(expected ? { expected } : {}),
      });
    const id = text(item.id, 'id', report);
    if (id !== undefined && ids.has(id)) report('id_duplicate', 'id', id);
    if (id !== undefined) ids.add(id);
    each(item, report);
  });
}

/** Each of the farm's own crops is one that a grain can be. */
function ownCrops(crops: unknown, report: Report): void {
  if (absent(crops)) return;
  const wrong = (): void => report('field_of_wrong_type', 'crops', crops, 'a list of crops');
  if (!Array.isArray(crops)) return wrong();
  for (const one of crops as readonly unknown[]) {
    if (!isObject(one) || !isOwnCropId(one.id) || typeof one.name !== 'string' || typeof one.short !== 'string') return wrong(); // prettier-ignore
    try {
      cropOfOwn(one as unknown as OwnCrop);
    } catch (error) {
      if (error instanceof RangeRefusal || error instanceof UnknownRefusal) return wrong();
      throw error;
    }
  }
}

/** Lots, places and defaults, with the defaults filled in. Refusals are added to the list. */
export function checkHeader(o: Record<string, unknown>, refusals: Refusal[]): BookHeader {
  checkList(o.lots, 'lots', () => undefined, refusals);
  checkList(
    o.places,
    'places',
    (place, report) => {
      optionalText(place.kind, 'kind', report);
      if (!isBuyer(place as unknown as Place)) oneOf(place.withdrawal, 'withdrawal', WITHDRAWALS, report);
    },
    refusals,
  );
  const defaults = o.defaults;
  const report: Report = (code, field, value, expected) =>
    refusals.push({ code, path: 'defaults', field, value, ...(expected ? { expected } : {}) });
  if (!absent(defaults) && !isObject(defaults)) {
    refusals.push({ code: 'field_of_wrong_type', path: '', field: 'defaults', value: defaults, expected: 'an object' });
  }
  const given: Fields = isObject(defaults) ? defaults : {};
  moisture(given.moisture, 'moisture', false, report);
  const trust = given.trust;
  if (!absent(trust) && !(Array.isArray(trust) && trust.every((m) => typeof m === 'string'))) {
    report('field_of_wrong_type', 'trust', trust, 'a list of methods');
  }
  ownCrops(given.crops, report);
  const filled: BookDefaults = {
    ...given,
    moisture: (given.moisture as number | null | undefined) ?? DEFAULT_MOISTURE,
    trust: (trust as string[] | null | undefined) ?? DEFAULT_TRUST,
  };
  return { defaults: filled, lots: (o.lots ?? []) as Lot[], places: (o.places ?? []) as Place[] };
}

/**
 * A book from parsed JSON, with its lots, places and defaults checked. The entries are checked when a `Ledger` takes
 * them. Properties that the format does not name are kept.
 * @throws BookRefused with every refusal found
 */
export function bookFromJson(value: unknown): Book {
  if (!isObject(value)) throw new BookRefused([{ code: 'not_an_object', path: '', value }]);
  const refusals: Refusal[] = [];
  if (value.format !== 'fanega-book') {
    refusals.push({ code: 'not_a_book', path: '', field: 'format', value: value.format, expected: '"fanega-book"' });
  }
  if (value.version !== 1 && value.version !== 2)
    refusals.push({ code: 'not_a_book', path: '', field: 'version', value: value.version, expected: '1 or 2' });
  if (refusals.length > 0) throw new BookRefused(refusals);
  const header = checkHeader(value, refusals);
  const entries = value.entries;
  if (!Array.isArray(entries)) {
    refusals.push({
      code: entries === undefined ? 'field_missing' : 'field_of_wrong_type',
      path: '',
      field: 'entries',
      value: entries,
      expected: 'a list',
    });
  }
  const revisions =
    value.version === 2
      ? checkRevisions(value.revisions, header, Array.isArray(entries) ? entries.length : 0, refusals)
      : [];
  const { chain } = value;
  if (
    !absent(chain) &&
    !(Array.isArray(chain) && chain.every((link) => typeof link === 'string' && /^[0-9a-f]{64}$/.test(link)))
  )
    refusals.push({
      code: 'field_of_wrong_type',
      path: '',
      field: 'chain',
      value: chain,
      expected: 'a list of links, each of 64 hexadecimal digits',
    });
  if (refusals.length > 0) throw new BookRefused(refusals);
  const { version } = value as { version: 1 | 2 };
  return {
    ...value,
    ...header,
    format: 'fanega-book',
    version,
    ...(version === 2 ? { revisions } : {}),
    entries: entries as Entry[],
  };
}

/** What is wrong with one change of the header, on the header that it is applied to. */
export function checkChange(change: unknown, header: BookHeader, report: Report): void {
  if (!isObject(change)) return report('field_of_wrong_type', 'change', change, 'an object');
  switch (change.what) {
    case 'shares': {
      if (!header.lots.some((lot) => lot.id === change.lot)) report('lot_not_in_book', 'lot', change.lot);
      const shares = change.shares;
      const sound =
        Array.isArray(shares) &&
        shares.length > 0 &&
        shares.every((s) => isObject(s) && typeof s.owner === 'string' && typeof s.part === 'number' && s.part > 0);
      if (!sound) report('field_of_wrong_type', 'shares', shares, 'a list of owners with their parts');
      else if (Math.abs((shares as { part: number }[]).reduce((sum, s) => sum + s.part, 0) - 1) > 1e-6)
        report('shares_not_whole', 'shares', shares);
      return;
    }
    case 'trust':
      if (
        !(Array.isArray(change.trust) && change.trust.length > 0 && change.trust.every((m) => typeof m === 'string')) ||
        new Set(change.trust as string[]).size !== change.trust.length
      )
        report('field_of_wrong_type', 'trust', change.trust, 'a list of methods, each once');
      else
        for (const method of change.trust as string[])
          if (!(METHODS as readonly string[]).includes(method))
            report('value_not_in_list', 'trust', method, METHODS.join(', '));
      return;
    case 'defaultMoisture':
      return moisture(change.moisture, 'moisture', true, report);
    case 'baseMoisture':
      text(change.crop, 'crop', report);
      return moisture(change.moisture, 'moisture', true, report);
    case 'withdrawal':
      if (!header.places.some((place) => place.id === change.place)) report('place_not_in_book', 'place', change.place);
      if (absent(change.withdrawal)) report('field_missing', 'withdrawal', change.withdrawal);
      return oneOf(change.withdrawal, 'withdrawal', WITHDRAWALS, report);
    default:
      report('value_not_in_list', 'what', change.what, 'shares, trust, defaultMoisture, baseMoisture, withdrawal');
  }
}

function checkRevisions(value: unknown, header: BookHeader, entries: number, refusals: Refusal[]): Revision[] {
  if (absent(value)) return [];
  let last = 0;
  checkList(
    value,
    'revisions',
    (o, report) => {
      const at = text(o.at, 'at', report);
      if (at !== undefined && Number.isNaN(instantOf(at))) report('date_is_none', 'at', at);
      text(o.reason, 'reason', report);
      optionalText(o.by, 'by', report);
      const after = o.after;
      if (typeof after !== 'number' || !Number.isInteger(after) || after < last || after > entries)
        report('field_of_wrong_type', 'after', after, `a number of entries from ${last} to ${entries}`);
      else last = after;
      checkChange(o.change, header, report);
    },
    refusals,
  );
  return value as Revision[];
}
