import {
  type Account,
  balanceOf,
  type Balance,
  type FarmBook,
  instantOf,
  type LotInfo,
  placeNames,
  placesOf,
} from '../ledger/index.js';
import type { FieldRecords } from '../records/index.js';

/** A line of a field's account: one load, move, drying, loss or delivery with what of this field was in it. */
export interface LotLine {
  readonly id: string;
  readonly at: string;
  readonly what: 'cut' | 'moved' | 'delivered' | 'lost';
  readonly from: string;
  readonly to: string;
  readonly ticket: string | null;
  readonly wetKg: number;
  readonly dryKg: number;
  /** of the whole load */
  readonly part: number;
  readonly moisture: number;
  readonly method: string;
  readonly by: string;
}

/** A combine's settings or losses on the field; what the yield owes to them nobody claims. */
export interface LotSetting {
  readonly at: string;
  readonly machineId: string;
  readonly what: 'settings' | 'loss';
  readonly by: string;
}

/** Everything that a field's grain went through, with its account and the proof that it closes. */
export interface LotStatement {
  readonly lot: LotInfo;
  readonly account: Account;
  readonly balance: Balance;
  readonly lines: readonly LotLine[];
  /** dry kg where it lies now, by place */
  readonly stock: Readonly<Record<string, number>>;
  readonly settings: readonly LotSetting[];
}

/**
 * A field's statement out of the book: every load, way, loss and delivery in their order. Null for a lot that the book has not.
 * @param records settings and loss checks of the combines
 */
export function lotStatement(
  book: FarmBook,
  lotId: string,
  records: Pick<FieldRecords['logs'], 'settingsEntry' | 'lossCheck'>,
): LotStatement | null {
  const { ledger, lots, places } = book;
  const lot = lots.find(({ id }) => id === lotId);
  const account = ledger.accounts()[lotId];
  if (!lot || !account) return null;
  const placeName = placeNames(places);
  const nameOf = (id: string | undefined): string => (id === undefined ? '' : placeName(id));
  const lines: LotLine[] = [];
  for (const parcel of ledger.parcels()) {
    const dryKg = parcel.lots[lotId] ?? 0;
    const { entry } = parcel;
    if (dryKg <= 0 || (entry.type !== 'harvest' && entry.type !== 'move' && entry.type !== 'loss')) continue;
    const [first, second] = placesOf(entry);
    lines.push({
      id: entry.id,
      at: entry.at,
      what: entry.type === 'harvest' ? 'cut' : entry.type === 'loss' ? 'lost' : ledger.isDelivery(entry.id) ? 'delivered' : 'moved', // prettier-ignore
      from: entry.type === 'harvest' ? lot.fieldName : nameOf(first),
      to: entry.type === 'harvest' ? nameOf(first) : entry.type === 'loss' ? entry.reason : nameOf(second),
      ticket: entry.type === 'move' ? (entry.ticket ?? null) : null,
      wetKg: parcel.wetLots[lotId] ?? 0,
      dryKg,
      part: parcel.dryKg > 0 ? dryKg / parcel.dryKg : 0,
      moisture: parcel.moisture,
      method: entry.method ?? '',
      by: entry.by ?? '',
    });
  }
  const stock: Record<string, number> = {};
  for (const [place, position] of Object.entries(ledger.positions()))
    if ((position.lots[lotId] ?? 0) > 1e-6) stock[place] = position.lots[lotId]!;
  const of = (what: LotSetting['what'], list: readonly { readonly body: { readonly at: string; readonly lotId?: string; readonly machineId: string }; readonly by: string; readonly voided: boolean }[]): LotSetting[] =>
    list.filter(({ voided, body }) => !voided && body.lotId === lotId).map(({ body, by }) => ({ at: body.at, machineId: body.machineId, what, by })); // prettier-ignore
  return {
    lot,
    account,
    balance: balanceOf([account]),
    lines,
    stock,
    settings: [...of('settings', records.settingsEntry as never), ...of('loss', records.lossCheck as never)].sort((a, b) => instantOf(a.at) - instantOf(b.at)), // prettier-ignore
  };
}
