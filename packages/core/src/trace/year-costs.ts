import { type Crop, cropOf as knownCrop } from '../crops/index.js';
import { type Entry, type FarmBook, instantOf, kgPerBushelOf, type Ledger } from '../ledger/index.js';
import type { BinFan, BinSetup, DryerSetup, HaulTimes } from '../records/index.js';
import { type Formula, quantity } from '../kernel/index.js';
import { plainTicket, type SheetCheck, splitMoney } from '../sell/index.js';
import { fanHours, fanInBin, type Switched, wireKilowatts } from '../store/index.js';
import { cents } from '../units/index.js';

export const YEAR_COSTS: Formula = {
  id: 'year-costs',
  title: 'What drying, storing and hauling cost a bushel',
  standing: 'common practice',
  source: 'Arithmetic of the farm’s own dryer, fans, hauling times and checks',
  equation:
    'drying = points × wet bushels × (fuel a point-bushel × its price + kWh × their price); storing = hours of fans × kW at the wire × price of a kWh, and what buyers took for storage; hauling = loads × hours of a round × truck and driver',
  inputs: [quantity('moisture taken out', 0, 40, 'points'), quantity('hours of a round', 0, 48, 'h')],
  note: 'Not counted: waiting longer than usual, the price of dryer and bins, labor at the bins, interest, grain that shrank or spoiled in store.',
};

/** What a crop of a season cost on its way. */
export interface CropCosts {
  readonly crop: string;
  /** $ of fuel and power */
  readonly drying: number;
  /** wet bushels that went through dryers */
  readonly driedBu: number;
  /** of them, dried where no dryer is set up: nothing is counted for them */
  readonly withoutSetup: number;
  /** $ of trucks with their drivers */
  readonly hauling: number;
  readonly hauledBu: number;
  readonly loads: number;
  /** loads to places whose road nobody knows: only loading and unloading is counted */
  readonly roadUnknown: number;
  /** $ of power for the fans of its bins */
  readonly fans: number;
  readonly fanHours: number;
  /** of them, hours of fans whose power nobody knows: nothing is counted for them */
  readonly fansUnknown: number;
  /** bushels that were put into bins and piles of the farm */
  readonly storedBu: number;
  /** $ that buyers took off their checks for storage */
  readonly storedAtBuyers: number;
}

/** A bin's fan as it was switched, with what its power is worked out from. */
export interface StoringFan {
  readonly switches: readonly Switched[];
  readonly fan: BinFan | undefined;
  readonly setup: BinSetup | undefined;
}

/** What storing cost. */
export interface Storing {
  /** by place */
  readonly fans: Readonly<Record<string, StoringFan>>;
  /** $ by crop, see {@link storagePaid} */
  readonly paid: Readonly<Record<string, number>>;
  readonly nowMs: number;
}

const WEEK = 7 * 86_400_000;
/** A season's grain is not followed longer in its bins. */
const MOST_WEEKS = 106;
const STORES: readonly string[] = ['bin', 'overhead', 'pile'];

interface Blown {
  readonly wetLots: Readonly<Record<string, number>>;
  readonly hours: number;
  /** $/h; null where nobody knows the fan's power */
  readonly perHour: number | null;
}

/** Hours of the fans, a bin and a week at once, with what lay in the bin then. */
function* blown(
  ledger: Ledger,
  { fans, nowMs }: Storing,
  cropOfLot: (lot: string) => Crop | undefined,
  fromMs: number,
): Generator<Blown> {
  const first = Math.floor(fromMs / WEEK);
  const last = Math.min(Math.floor(nowMs / WEEK), first + MOST_WEEKS);
  let ended: { readonly ms: number; readonly positions: ReturnType<Ledger['positions']> } | undefined;
  for (let week = first; week <= last; week++) {
    const [from, to] = [week * WEEK, Math.min((week + 1) * WEEK, nowMs)];
    const ran = Object.entries(fans).flatMap(([place, one]) => {
      const { hours } = fanHours(one.switches, from, to);
      return hours > 0 ? [{ place, hours, ...one }] : [];
    });
    if (ran.length === 0) continue;
    const before = ended?.ms === from ? ended.positions : ledger.positions(from);
    const after = ledger.positions(to);
    ended = { ms: to, positions: after };
    for (const { place, hours, fan, setup } of ran) {
      // What was filled in the week lies there at its end; what was emptied lay there at its beginning.
      const held = [after[place], before[place]].find((one) => one !== undefined && one.wetKg > 0);
      if (!held || held.moisture === null) continue;
      const most = Object.entries(held.wetLots).sort((a, b) => b[1] - a[1])[0];
      const crop = most && cropOfLot(most[0]);
      const point = fan && setup && crop ? fanInBin(fan, setup, { crop, moisture: held.moisture, wetKg: held.wetKg }) : null; // prettier-ignore
      yield { wetLots: held.wetLots, hours, perHour: point && wireKilowatts(point) * fan!.powerPrice };
    }
  }
}

/**
 * $ that buyers took for storage, by crop: each sheet's by what its lines paid for each crop, to the cent. Range and source:
 * {@link YEAR_COSTS}.
 */
export function storagePaid(sheets: readonly SheetCheck[]): Record<string, number> {
  const paid: Record<string, number> = {};
  for (const { settlement, dues } of sheets) {
    const taken = settlement.deductions.reduce((sum, { kind, amount }) => sum + (kind === 'storage' ? amount : 0), 0);
    if (taken === 0) continue;
    const byCrop = new Map<string, number>();
    for (const { ticket, money } of settlement.lines) {
      const crop = dues.get(plainTicket(ticket))?.sold.crop;
      if (crop !== undefined) byCrop.set(crop, (byCrop.get(crop) ?? 0) + Math.abs(money));
    }
    const parts = splitMoney(taken, [...byCrop.values()]);
    [...byCrop.keys()].forEach((crop, i) => (paid[crop] = cents((paid[crop] ?? 0) + parts[i]!)));
  }
  return paid;
}

/**
 * Drying, storing and hauling of a season's grain, by crop. Range and source: {@link YEAR_COSTS}.
 * @param setups by dryer @param costPerHour $/h of a truck with its driver
 */
export function yearCosts(
  { ledger, lots, places }: FarmBook,
  setups: Readonly<Record<string, DryerSetup>>,
  times: HaulTimes,
  costPerHour: number,
  season: number,
  storing: Storing = { fans: {}, paid: {}, nowMs: 0 },
): CropCosts[] {
  const cropOf = new Map(lots.filter((lot) => lot.season === season).map(({ id, crop }) => [id, crop]));
  const kindOf = new Map(places.map(({ id, kind }) => [id, kind]));
  type Sums = { -readonly [K in keyof Omit<CropCosts, 'crop'>]: number };
  const sums = new Map<string, Sums>();
  const of = (crop: string): Sums => {
    let sum = sums.get(crop);
    if (!sum) sums.set(crop, (sum = { drying: 0, driedBu: 0, withoutSetup: 0, hauling: 0, hauledBu: 0, loads: 0, roadUnknown: 0, fans: 0, fanHours: 0, fansUnknown: 0, storedBu: 0, storedAtBuyers: 0 })); // prettier-ignore
    return sum;
  };
  const dryings = ledger.entriesFrom(0).filter((entry) => entry.type === 'condition');
  const before = ledger.heldBefore(dryings.map(({ id }) => id));
  for (const entry of dryings) {
    const held = before.get(entry.id);
    if (!held || held.moisture === null || entry.type !== 'condition') continue;
    const points = 100 * (held.moisture - entry.moisture);
    if (points <= 0) continue;
    const setup = setups[entry.place];
    for (const [lot, wetKg] of Object.entries(held.wetLots)) {
      const crop = cropOf.get(lot);
      if (crop === undefined) continue;
      const sum = of(crop);
      const bushels = wetKg / kgPerBushelOf(crop);
      sum.driedBu += bushels;
      if (setup)
        sum.drying += points * bushels * (setup.fuelPerPointBushel * setup.fuelPrice + setup.kWhPerPointBushel * setup.powerPrice); // prettier-ignore
      else sum.withoutSetup += bushels;
    }
  }
  const perBu = new Map([...cropOf].map(([lot, crop]) => [lot, kgPerBushelOf(crop)]));
  const stores = (kind: string | undefined): boolean => STORES.includes(kind ?? '');
  /** What a load costs here: its way on a truck, its rest in a bin; null from combine to cart and on to the truck. */
  const costs = (entry: Entry): { readonly to: string; readonly stored: boolean; readonly hauled: boolean } | null => {
    if (entry.type !== 'move' && entry.type !== 'harvest') return null;
    const from = entry.type === 'move' ? kindOf.get(entry.from) : undefined;
    // From bin to bin it is the same grain.
    const stored = stores(kindOf.get(entry.to)) && !stores(from);
    const hauled = from === 'truck';
    return stored || hauled ? { to: entry.to, stored, hauled } : null;
  };
  for (const { entry, wetKg, wetLots } of ledger.parcels(0, ledger.steps, (one) => costs(one) !== null)) {
    const { to, stored, hauled } = costs(entry)!;
    if (stored)
      for (const [lot, kg] of Object.entries(wetLots)) {
        const crop = cropOf.get(lot);
        if (crop !== undefined) of(crop).storedBu += kg / perBu.get(lot)!;
      }
    if (!hauled || wetKg <= 0) continue;
    const road = times.roadMin[kindOf.get(to) === 'buyer' ? to : 'home'];
    const hours = (2 * (road ?? 0) + times.loadMin + times.tarpMin + times.unloadMin) / 60;
    for (const [lot, kg] of Object.entries(wetLots)) {
      const crop = cropOf.get(lot);
      if (crop === undefined) continue;
      const sum = of(crop);
      const part = kg / wetKg;
      sum.hauling += part * hours * costPerHour;
      sum.hauledBu += kg / perBu.get(lot)!;
      sum.loads += part;
      if (road === undefined) sum.roadUnknown += part;
    }
  }
  const cut = ledger.entriesFrom(0).find((entry) => entry.type === 'harvest' && cropOf.has(entry.lot));
  const everyCrop = new Map(lots.map(({ id, crop }) => [id, crop]));
  if (cut)
    for (const { wetLots, hours, perHour } of blown(
      ledger,
      storing,
      (lot) => knownCrop(everyCrop.get(lot) ?? ''),
      instantOf(cut.at),
    )) {
      const all = Object.values(wetLots).reduce((sum, kg) => sum + kg, 0);
      for (const [lot, kg] of Object.entries(wetLots)) {
        const crop = cropOf.get(lot);
        if (crop === undefined || all <= 0) continue;
        const sum = of(crop);
        const part = (hours * kg) / all;
        sum.fanHours += part;
        if (perHour === null) sum.fansUnknown += part;
        else sum.fans += part * perHour;
      }
    }
  for (const [crop, money] of Object.entries(storing.paid)) if (sums.has(crop)) of(crop).storedAtBuyers = money;
  return [...sums].map(([crop, sum]) => ({ crop, ...sum })).sort((a, b) => b.hauledBu - a.hauledBu);
}
