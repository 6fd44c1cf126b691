import {
  type Account,
  type Balance,
  balanceOf,
  type CutPart,
  cuts,
  type FarmBook,
  instantOf,
  type LotInfo,
} from '../ledger/index.js';

/** A reading as far as the newest one of a field matters. */
export interface NewestReading {
  readonly moisture: number;
  readonly at: string;
  readonly source: string;
  readonly tester: string;
  /** Readings of the hour before it, with itself, where there are several. */
  readonly hour?: readonly { readonly moisture: number; readonly tester: string }[];
}

export interface ZoneCut extends CutPart {
  readonly zoneId: string | null;
}

/** One lot with its account, what was cut of it, and the moisture that was read last, in the field or off the combine. */
export interface FieldRow {
  readonly lot: LotInfo;
  readonly account: Account;
  readonly balance: Balance;
  /** Wet kg as it came off the field, all measurements settled. */
  readonly cutWetKg: number;
  readonly cutDryKg: number;
  /** What the loads brought by the zone that they name, null: that name none; left out where none names one. */
  readonly cutByZone?: readonly ZoneCut[];
  readonly lastMoisture: NewestReading | null;
  readonly firstCut: string | null;
  readonly lastCut: string | null;
  /** What the combines' displays counted as cut, together; left out where none has the field open. */
  readonly displayArea?: DisplayArea;
}

/** What displays counted in a field, and when the newest of them said so. */
export interface DisplayArea {
  readonly m2: number;
  readonly at: string;
}

/** Lots with where they stand, of one state of the book. @param newest the newest reading of each field, by field @param displays area counted by lot */
export function fieldRows(
  book: FarmBook,
  newest: ReadonlyMap<string, NewestReading>,
  season?: number,
  displays: ReadonlyMap<string, DisplayArea> = new Map(),
): FieldRow[] {
  const accounts = book.ledger.accounts();
  const cutOf = cuts(book);
  return book.lots
    .filter((lot) => season === undefined || lot.season === season)
    .map((lot): FieldRow => {
      const account = accounts[lot.id]!;
      const cut = cutOf.get(lot.id);
      const read = newest.get(lot.fieldId);
      // A load off one part says nothing of the others, where there are loads that name none.
      const rest = cut?.zones.get('') ?? cut;
      const fromCut = rest ? { moisture: rest.lastMoisture, at: rest.last, source: 'combine', tester: '' } : null;
      const named = cut !== undefined && cut.zones.size > (cut.zones.has('') ? 1 : 0);
      return {
        lot,
        account,
        balance: balanceOf([account]),
        cutWetKg: cut?.wetKg ?? 0,
        cutDryKg: account.harvestedDryKg,
        ...(named
          ? { cutByZone: [...cut.zones].map(([zone, part]) => ({ zoneId: zone === '' ? null : zone, ...part })) }
          : {}),
        lastMoisture:
          read && fromCut ? (instantOf(read.at) > instantOf(fromCut.at) ? read : fromCut) : (read ?? fromCut),
        firstCut: cut?.first ?? null,
        lastCut: cut?.last ?? null,
        ...(displays.has(lot.id) ? { displayArea: displays.get(lot.id)! } : {}),
      };
    });
}
