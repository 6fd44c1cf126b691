import { type CropId, CROPS, DEFAULT_MOISTURE, DEFAULT_TRUST, instantOf, Ledger } from '@fanega/core';
import type { DemoFarm } from './farm.js';
import { seeded } from './random.js';
import type { DemoLog, DemoSetting } from './records.js';
import { ulidAt } from './ulid.js';

export interface DemoTrace {
  readonly settings: readonly DemoSetting[];
  readonly logs: readonly DemoLog[];
}

const HOUR = 3_600_000;
const KG_PER_BU = 25.40117272;

/** Policies of the running season for two crops, a unit for each field of one and one for all of the other, and a bin that was measured. */
export function demoTrace(farm: DemoFarm, seed = 20260915): DemoTrace {
  const season = Math.max(...farm.lots.map((lot) => lot.season));
  const own = (crop: CropId) => farm.lots.filter((lot) => lot.crop === crop && lot.season === season);
  const ledger = new Ledger({
    defaults: { moisture: DEFAULT_MOISTURE, trust: DEFAULT_TRUST },
    lots: farm.lots.map(({ id }) => ({ id })),
    places: farm.places as never,
  });
  ledger.append(farm.entries); // prettier-ignore
  const accounts = ledger.accounts();
  const fieldAcres = new Map(farm.fields.map(({ id, acres }) => [id, acres]));
  const perAcre = (lot: DemoFarm['lots'][number], crop: CropId): number =>
    (accounts[lot.id]?.harvestedDryKg ?? 0) /
    (1 - CROPS[crop].baseMoisture) /
    KG_PER_BU /
    (fieldAcres.get(lot.fieldId) ?? 1);
  const tenths = Array.from({ length: 60 }, (_, i) => ({ moisture: Number((0.151 + i / 1000).toFixed(3)), factor: Number((1 - (i + 1) * 0.0012).toFixed(4)) })); // prettier-ignore
  const settings: DemoSetting[] = [
    { kind: 'insurancePolicy', subject: 'policy-corn', body: { number: `KL-${season}-C`, crop: 'corn', season, coverage: 0.75, price: 4.6, base: 0.15, moistureFactors: tenths, noticeDays: 3, noticeAfterEnd: 15, periodEnds: `${season}-12-10`, agent: 'Lorna Teague', phone: '555-0142' } },
    { kind: 'insurancePolicy', subject: 'policy-sorghum', body: { number: `KL-${season}-S`, crop: 'sorghum', season, coverage: 0.7, price: 4.5, base: 0.14, perTenth: 0.0012, noticeDays: 3, noticeAfterEnd: 15, periodEnds: `${season}-12-10`, agent: 'Lorna Teague', phone: '555-0142' } },
  ]; // prettier-ignore
  own('corn').forEach((lot, i) => {
    const cut = perAcre(lot, 'corn');
    settings.push({
      kind: 'insuranceUnit',
      subject: `unit-${lot.id}`,
      // One field came short: its approved yield is of better years.
      body: { policy: 'policy-corn', number: `0001-000${i + 1}`, kind: 'optional', lots: [lot.id], share: 1, approvedYield: i === 0 && cut > 0 ? Math.round(cut / 0.68) : 178 }, // prettier-ignore
    });
  });
  const sorghum = own('sorghum');
  if (sorghum.length > 0)
    settings.push({ kind: 'insuranceUnit', subject: 'unit-sorghum', body: { policy: 'policy-sorghum', number: '0002-0001', kind: 'enterprise', lots: sorghum.map(({ id }) => id), share: 1, approvedYield: 104 } }); // prettier-ignore
  const logs: DemoLog[] = [];
  const now = farm.entries.reduce((last, entry) => Math.max(last, instantOf(entry.at)), 0);
  const bin = farm.places
    .filter(({ kind }) => kind === 'bin')
    .map(({ id }) => ({ id, held: ledger.position(id) }))
    .filter(({ held }) => Object.keys(held.lots).some((lot) => own('corn').some(({ id }) => id === lot)))
    .sort((a, b) => b.held.wetKg - a.held.wetKg)[0];
  if (bin) {
    // As deep as what is in it, an inch and a half more: nobody reads a tape to the kernel.
    const across = 11;
    const bushels = bin.held.wetKg / KG_PER_BU;
    const depth = (bushels * 2150.42 * 0.0254 ** 3) / ((across ** 2 * Math.PI) / 4) + 0.04;
    const at = new Date(now - 20 * HOUR).toISOString();
    logs.push({ kind: 'binMeasurement', by: 'Oona', voided: false, body: { id: ulidAt(Date.parse(at), seeded(seed)), at, placeId: bin.id, cropYear: season, circumference: Number((Math.PI * across).toFixed(2)), depth: Number(depth.toFixed(2)), moisture: Number((bin.held.moisture ?? 0.15).toFixed(3)), testWeight: 56.5, note: 'with Bea, leveled' } }); // prettier-ignore
  }
  return { settings, logs };
}
