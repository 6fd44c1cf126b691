import { type Crop, cropOf as knownCrop } from '../crops/index.js';
import { type FarmBook, kgPerBushelOf, type Ledger } from '../ledger/index.js';
import { Kind } from '../ledger/records.js';
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
  const { records } = ledger;
  /** By lot of the book: its crop's sums and kg of a bushel; nothing for the grain of other years. */
  const ofLot = records.lotIds.map((lot) => {
    const crop = cropOf.get(lot);
    return crop === undefined ? undefined : { crop, perBu: kgPerBushelOf(crop) };
  });
  const first = ledger.firstWith(new Set(cropOf.keys()));
  const stores = (kind: string | undefined): boolean => STORES.includes(kind ?? '');
  const kinds = records.placeIds.map((id) => kindOf.get(id));
  const isStore = kinds.map(stores);
  const roads = records.placeIds.map((id, place) => times.roadMin[kinds[place] === 'buyer' ? id : 'home']);
  const setupOf = records.placeIds.map((id) => setups[id]);
  ledger.visitParcels(
    first,
    ledger.steps,
    (r, slot, stock) => {
      const kind = records.kind[r];
      if (kind !== Kind.Move && kind !== Kind.Harvest) return;
      const [from, to] = [kind === Kind.Move ? records.source[r]! : -1, records.target[r]!];
      // From bin to bin it is the same grain; from combine to cart and on to the truck it costs nothing here.
      const stored = isStore[to]! && !(isStore[from] ?? false);
      const wetKg = stock.wet[slot]!;
      const hauled = kinds[from] === 'truck' && wetKg > 0;
      if (!stored && !hauled) return;
      const road = roads[to];
      const hours = (2 * (road ?? 0) + times.loadMin + times.tarpMin + times.unloadMin) / 60;
      stock.lotsOf(slot, (lot, _, kg) => {
        const own = ofLot[lot];
        if (own === undefined) return;
        const sum = of(own.crop);
        const bushels = kg / own.perBu;
        if (stored) sum.storedBu += bushels;
        if (!hauled) return;
        const part = kg / wetKg;
        sum.hauling += part * hours * costPerHour;
        sum.hauledBu += bushels;
        sum.loads += part;
        if (road === undefined) sum.roadUnknown += part;
      });
    },
    (r, slots, stock) => {
      let [wetKg, dryKg] = [0, 0];
      for (const slot of slots) {
        wetKg += stock.wet[slot]!;
        dryKg += stock.dryKg(slot);
      }
      const points = wetKg > 0 ? 100 * (1 - dryKg / wetKg - records.moist[r]!) : 0;
      if (points <= 0) return;
      const setup = setupOf[records.source[r]!];
      const perBu = setup && points * (setup.fuelPerPointBushel * setup.fuelPrice + setup.kWhPerPointBushel * setup.powerPrice); // prettier-ignore
      for (const slot of slots)
        stock.lotsOf(slot, (lot, _, kg) => {
          const own = ofLot[lot];
          if (own === undefined) return;
          const sum = of(own.crop);
          const bushels = kg / own.perBu;
          sum.driedBu += bushels;
          if (perBu === undefined) sum.withoutSetup += bushels;
          else sum.drying += bushels * perBu;
        });
    },
  );
  const everyCrop = new Map(lots.map(({ id, crop }) => [id, crop]));
  if (first < ledger.steps)
    for (const { wetLots, hours, perHour } of blown(
      ledger,
      storing,
      (lot) => knownCrop(everyCrop.get(lot) ?? ''),
      records.atMs[records.order[first]!]!,
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
