import { type FarmBook, kgPerBushelOf } from '../ledger/index.js';
import type { DryerSetup, HaulTimes } from '../records/index.js';
import { type Formula, quantity } from '../kernel/index.js';

export const YEAR_COSTS: Formula = {
  id: 'year-costs',
  title: 'What drying and hauling cost a bushel',
  standing: 'common practice',
  source: 'Arithmetic of the farm’s own dryer and hauling times',
  equation:
    'drying = points × wet bushels × (fuel a point-bushel × its price + kWh × their price); hauling = loads × hours of a round × truck and driver',
  inputs: [quantity('moisture taken out', 0, 40, 'points'), quantity('hours of a round', 0, 48, 'h')],
  note: 'Not counted: waiting longer than usual, the dryer’s own price and labor, fans of stored grain, interest.',
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
}

/**
 * Drying and hauling of a season's grain, by crop. Range and source: {@link YEAR_COSTS}.
 * @param setups by dryer @param costPerHour $/h of a truck with its driver
 */
export function yearCosts(
  { ledger, lots, places }: FarmBook,
  setups: Readonly<Record<string, DryerSetup>>,
  times: HaulTimes,
  costPerHour: number,
  season: number,
): CropCosts[] {
  const cropOf = new Map(lots.filter((lot) => lot.season === season).map(({ id, crop }) => [id, crop]));
  const kindOf = new Map(places.map(({ id, kind }) => [id, kind]));
  type Sums = { -readonly [K in keyof Omit<CropCosts, 'crop'>]: number };
  const sums = new Map<string, Sums>();
  const of = (crop: string): Sums => {
    let sum = sums.get(crop);
    if (!sum) sums.set(crop, (sum = { drying: 0, driedBu: 0, withoutSetup: 0, hauling: 0, hauledBu: 0, loads: 0, roadUnknown: 0 })); // prettier-ignore
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
  for (const parcel of ledger.parcels(0, ledger.steps, ({ type }) => type === 'move')) {
    const { entry, wetKg } = parcel;
    if (entry.type !== 'move' || kindOf.get(entry.from) !== 'truck' || wetKg <= 0) continue;
    const road = times.roadMin[kindOf.get(entry.to) === 'buyer' ? entry.to : 'home'];
    const hours = (2 * (road ?? 0) + times.loadMin + times.tarpMin + times.unloadMin) / 60;
    for (const [lot, kg] of Object.entries(parcel.wetLots)) {
      const crop = cropOf.get(lot);
      if (crop === undefined) continue;
      const sum = of(crop);
      const part = kg / wetKg;
      sum.hauling += part * hours * costPerHour;
      sum.hauledBu += kg / kgPerBushelOf(crop);
      sum.loads += part;
      if (road === undefined) sum.roadUnknown += part;
    }
  }
  return [...sums].map(([crop, sum]) => ({ crop, ...sum })).sort((a, b) => b.hauledBu - a.hauledBu);
}
