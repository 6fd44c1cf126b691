import { naturally } from '../kernel/index.js';
import { currentSeason, deliveries, type FarmBook, type LotInfo } from '../ledger/index.js';

/** What of a place, or of what went to a buyer, is one owner's. */
export interface OwnersPart {
  readonly placeId: string;
  readonly name: string;
  readonly kind: string;
  readonly crop: string;
  /** kg as it lies, with its water */
  readonly wetKg: number;
  readonly dryKg: number;
  /** wet-basis fraction */
  readonly moisture: number | null;
  /** kg of the crop in the place altogether; 0 where it went to a buyer */
  readonly ofWetKg: number;
  /** fields that it is of */
  readonly fields: readonly string[];
}

/** Grain of one owner in a farm's places, and what of it was delivered in a season. */
export interface OwnersGrain {
  readonly owner: string;
  readonly season: number | null;
  readonly lies: readonly OwnersPart[];
  readonly delivered: readonly (OwnersPart & { readonly loads: number })[];
}

/** Less than this, kg, is dust of a division. */
const DUST_KG = 0.5;

/** Everybody who owns a part of some field, by name. */
export const landOwners = (lots: readonly Pick<LotInfo, 'shares'>[]): string[] =>
  [...new Set(lots.flatMap(({ shares }) => shares.map(({ owner }) => owner)))].sort((a, b) => naturally(a, b));

/**
 * What lies in a farm's places for one owner: of each field's grain there his part of the field, as the book divides a mixed place. Parts of
 * all owners add up to what lies there.
 */
export function grainOfOwner(book: FarmBook, owner: string): OwnersGrain {
  const { ledger, lots, places } = book;
  const partOf = new Map<string, { lot: LotInfo; part: number }>();
  for (const lot of lots) {
    const part = lot.shares.filter((share) => share.owner === owner).reduce((sum, share) => sum + share.part, 0);
    if (part > 0) partOf.set(lot.id, { lot, part });
  }
  const byId = new Map(lots.map((lot) => [lot.id, lot]));
  const placeOf = new Map(places.map((place) => [place.id, place]));
  const parts = (
    placeId: string,
    wet: Readonly<Record<string, number>>,
    dry: Readonly<Record<string, number>>,
  ): OwnersPart[] => {
    const byCrop = new Map<string, { wetKg: number; dryKg: number; fields: Set<string> }>();
    for (const [id, wetKg] of Object.entries(wet)) {
      const mine = partOf.get(id);
      if (!mine) continue;
      const sum = byCrop.get(mine.lot.crop) ?? { wetKg: 0, dryKg: 0, fields: new Set() };
      sum.wetKg += wetKg * mine.part;
      sum.dryKg += (dry[id] ?? 0) * mine.part;
      sum.fields.add(mine.lot.fieldName);
      byCrop.set(mine.lot.crop, sum);
    }
    return [...byCrop]
      .filter(([, { wetKg }]) => wetKg > DUST_KG)
      .map(([crop, { wetKg, dryKg, fields }]) => ({
        ...{ placeId, name: placeOf.get(placeId)?.name ?? placeId, kind: placeOf.get(placeId)?.kind ?? '', crop },
        ...{ wetKg, dryKg, moisture: wetKg > 0 ? 1 - dryKg / wetKg : null, fields: [...fields].sort() },
        ofWetKg: Object.entries(wet).reduce((sum, [id, kg]) => sum + (byId.get(id)?.crop === crop ? kg : 0), 0),
      }));
  };
  const positions = ledger.positions();
  const lies = places
    .filter(({ kind }) => kind !== 'buyer')
    .flatMap(({ id }) => {
      const held = positions[id];
      return held ? parts(id, held.wetLots, held.lots) : [];
    })
    .sort((a, b) => b.wetKg - a.wetKg);
  const season = currentSeason(lots) ?? null;
  const sold = new Map<string, OwnersPart & { loads: number }>();
  for (const one of season === null ? [] : deliveries(book, season))
    for (const part of parts(one.to, one.wetLots, one.lots)) {
      const key = `${part.placeId} ${part.crop}`;
      const sum = sold.get(key);
      const [wetKg, dryKg] = [(sum?.wetKg ?? 0) + part.wetKg, (sum?.dryKg ?? 0) + part.dryKg];
      sold.set(key, {
        ...part,
        ...{ wetKg, dryKg, moisture: 1 - dryKg / wetKg, ofWetKg: 0, loads: (sum?.loads ?? 0) + 1 },
        fields: [...new Set([...(sum?.fields ?? []), ...part.fields])].sort(),
      });
    }
  return { owner, season, lies, delivered: [...sold.values()].sort((a, b) => b.wetKg - a.wetKg) };
}
