import { groupBy, inOrder } from '../kernel/index.js';
import type { Delivery } from '../ledger/index.js';
import { type BuyerSheet, type LogEntry, living, type SheetFactor, type TicketPaper } from '../records/index.js';
import type { BuyerSchedule, TicketInput } from './ticket.js';

/** A factor as a ticket names it, and on which side of its limit it costs. */
export const FACTOR_WORDS: Readonly<
  Record<SheetFactor, { readonly words: string; readonly worse: 'above' | 'below' }>
> = {
  testWeight: { words: 'test weight', worse: 'below' },
  moisture: { words: 'moisture', worse: 'above' },
  damage: { words: 'damage', worse: 'above' },
  foreignMaterial: { words: 'foreign material', worse: 'above' },
  heat: { words: 'heat damage', worse: 'above' },
  splits: { words: 'splits', worse: 'above' },
  broken: { words: 'broken', worse: 'above' },
};

/** A posted sheet as a schedule of the ticket. @param legalPounds lb/bu */
export function scheduleOf(sheet: BuyerSheet, legalPounds: number): BuyerSchedule {
  const { base, handling, factors } = sheet;
  const some = <K extends keyof BuyerSchedule>(key: K, value: BuyerSchedule[K] | undefined) =>
    value === undefined ? {} : { [key]: value };
  return {
    legalPounds,
    shrink:
      sheet.shrink === 'flat'
        ? {
            kind: 'flat',
            base,
            percentPerPoint: sheet.shrinkPerPoint!,
            ...(handling === undefined ? {} : { handling }),
          }
        : sheet.shrink === 'water'
          ? { kind: 'exact', base, ...(handling === undefined ? {} : { handling }) }
          : { kind: 'none', base },
    ...some('moistureStep', sheet.moistureStep),
    moistureRounding: sheet.moistureRounding,
    ...some('refuseMoistureAbove', sheet.refuseAbove),
    ...some('dryingPerPoint', sheet.dryingPerPoint),
    ...some('dryingStep', sheet.dryingStep),
    dockage: sheet.dockage,
    ...some('foreignMaterialFree', sheet.foreignMaterialFree),
    discountsOn: sheet.discountsOn,
    factors: factors.map(({ factor, bands, steps, cumulative, refuseBeyond }) => ({
      factor,
      worse: FACTOR_WORDS[factor].worse,
      bands: bands.map(({ per, ...band }) => ({ ...band, per: per === 'bushel' ? ('bu' as const) : per })),
      steps,
      cumulative,
      ...(refuseBeyond === undefined ? {} : { refuseBeyond }),
    })),
    ...some('feePerBu', sheet.feePerBu),
    ...some('checkoffPercent', sheet.checkoffPercent),
    bushelDecimals: sheet.bushelDecimals,
  };
}

/** Sheets by buyer and crop, the newest first; a ticket is paid by the newest that was posted on its day. */
export interface Sheets {
  /** @param day of the farm's calendar */
  readonly on: (
    buyerId: string,
    crop: string,
    day: string,
  ) => { readonly id: string; readonly sheet: BuyerSheet } | null;
  readonly byId: (id: string) => BuyerSheet | undefined;
}

export function sheetsOf(kept: Readonly<Record<string, { readonly value: BuyerSheet }>> | undefined): Sheets {
  const kindOf = (buyerId: string, crop: string): string => JSON.stringify([buyerId, crop]);
  const byKind = groupBy(
    Object.entries(kept ?? {}).map(([id, { value }]) => ({ id, sheet: value })),
    ({ sheet }) => kindOf(sheet.buyerId, sheet.crop),
  );
  for (const all of byKind.values()) all.sort((a, b) => inOrder(b.sheet.from, a.sheet.from) || inOrder(a.id, b.id)); // prettier-ignore
  return {
    byId: (id) => kept?.[id]?.value,
    on: (buyerId, crop, day) => byKind.get(kindOf(buyerId, crop))?.find(({ sheet }) => sheet.from <= day) ?? null,
  };
}

/** The newest paper of each delivery. @param papers newest first, as logs come */
export function papersOf(papers: readonly LogEntry<'ticketPaper'>[] | undefined): ReadonlyMap<string, TicketPaper> {
  const byEntry = new Map<string, TicketPaper>();
  for (const { body } of living<'ticketPaper'>(papers ?? []))
    if (!byEntry.has(body.entryId)) byEntry.set(body.entryId, body);
  return byEntry;
}

/** What a delivery and its paper give a ticket to be worked out from. @param price $/bu */
export function ticketInputOf(
  { netKg, moisture }: Pick<Delivery, 'netKg' | 'moisture'>,
  paper: TicketPaper | undefined,
  price: number,
): TicketInput {
  const { dockage, foreignMaterial, ...others } = paper?.factors ?? {};
  const factors = { ...others, ...(foreignMaterial === undefined ? {} : { foreignMaterial }) };
  return {
    grossKg: netKg,
    tareKg: 0,
    moisture,
    ...(dockage === undefined ? {} : { dockage: dockage / 100 }),
    ...(foreignMaterial === undefined ? {} : { foreignMaterial: foreignMaterial / 100 }),
    factors: factors as Readonly<Record<string, number>>,
    price,
  };
}

/** The main ways in which buyers post a sheet, to begin from: figures are examples, each buyer's own sheet rules. Common practice, no source. */
export const SHEET_SCHOOLS: Readonly<
  Record<'flat' | 'water' | 'priceOnly', Omit<BuyerSheet, 'buyerId' | 'crop' | 'from' | 'base'>>
> = {
  /** So many percent a point, with his handling in it, and cents a point for drying. */
  flat: {
    shrink: 'flat',
    shrinkPerPoint: 1.4,
    moistureStep: 0.001,
    moistureRounding: 'halfUp',
    dryingPerPoint: 0.04,
    dryingStep: 0.5,
    dockage: false,
    discountsOn: 'paid',
    factors: [],
    bushelDecimals: 2,
  },
  /** Water by dry matter and half a percent for handling. */
  water: {
    shrink: 'water',
    handling: 0.005,
    moistureStep: 0.001,
    moistureRounding: 'halfUp',
    dryingPerPoint: 0.05,
    dockage: false,
    discountsOn: 'paid',
    factors: [],
    bushelDecimals: 2,
  },
  /** All of the weight, and a percent of the price for each half point or part. */
  priceOnly: {
    shrink: 'none',
    moistureStep: 0.001,
    moistureRounding: 'halfUp',
    dockage: false,
    discountsOn: 'paid',
    factors: [
      {
        factor: 'moisture',
        steps: 'started',
        cumulative: true,
        bands: [{ from: 13, per: 'percentOfPrice', amount: 1, step: 0.5 }],
      },
    ],
    bushelDecimals: 2,
  },
};
