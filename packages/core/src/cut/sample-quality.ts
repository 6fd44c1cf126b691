import { groupBy, tally } from '../kernel/index.js';
import { type FarmBook, instantOf } from '../ledger/index.js';
import { living, type RecordsOf, type SettingsEntry } from '../records/index.js';
import { changedSettings, type SettingChange } from './trail.js';

/** What a sample shows of how grain was threshed and cleaned, percent by weight. */
export const SAMPLE_FACTORS = ['fines', 'cracked', 'foreign'] as const;
export type SampleFactor = (typeof SAMPLE_FACTORS)[number];

/** What the samples of the grain say that was cut with one sheet of settings. */
export interface SampleQuality {
  /** percent; left out: nobody looked */
  readonly figures: Readonly<Partial<Record<SampleFactor, number>>>;
  /** samples out of tank or dryer's screen or tester, and tickets of the buyer, that say it */
  readonly samples: number;
  readonly tickets: number;
}

/** The same of a sheet by its id. */
export interface SheetQuality extends SampleQuality {
  readonly sheetId: string;
}

/** Dry kg of each load that went into a ticket, where one says more than its weight. */
export interface TicketWay {
  readonly factors: Readonly<Partial<Record<SampleFactor, number>>>;
  /** dry kg by harvest entry */
  readonly loads: Readonly<Record<string, number>>;
}

/** A buyer's factors as they say something of threshing and cleaning. Damage and heat are of the field and the bin. */
const OF_PAPER: Readonly<Record<string, SampleFactor>> = {
  foreignMaterial: 'foreign',
  dockage: 'foreign',
  splits: 'cracked',
  broken: 'cracked',
};

/** What a ticket's paper says of a sample; empty where it says nothing of it. */
export function sampleOfPaper(factors: Readonly<Partial<Record<string, number>>>): Partial<Record<SampleFactor, number>> {
  const said: Partial<Record<SampleFactor, number>> = {};
  for (const [name, value] of Object.entries(factors)) {
    const factor = OF_PAPER[name];
    if (factor !== undefined && value !== undefined) said[factor] = (said[factor] ?? 0) + value;
  }
  return said;
} // prettier-ignore

/** The sheet that a machine ran by at a moment; null before the first. @param sheets of the machine, newest first */
export const sheetAt = (sheets: readonly SettingsEntry[], ms: number): SettingsEntry | null =>
  sheets.find(({ at }) => instantOf(at) <= ms) ?? null;

/**
 * What samples and tickets say of each sheet of settings. A sample is of the machine that it names; a ticket's factors are of
 * all loads that are in it, each by the dry matter that it gave, so that a truck filled from two machines says half of each.
 * A mean of tickets weighs each by its grain, and samples count as one mean ticket each.
 */
export function qualityBySettings(
  book: FarmBook,
  records: RecordsOf<'settingsEntry' | 'grainSample'>,
  tickets: readonly TicketWay[],
): SheetQuality[] {
  const { ledger, places } = book;
  const combines = places.filter(({ kind }) => kind === 'combine').map(({ id }) => id);
  const byMachine = groupBy(
    living<'settingsEntry'>(records.logs.settingsEntry).map(({ body }) => body),
    ({ machineId }) => machineId,
  );
  const machineOf = (loadId: string): string | undefined => {
    const entry = ledger.entry(loadId);
    if (entry?.type !== 'harvest') return undefined;
    return combines.find((id) => entry.to === id || entry.device?.startsWith(`${id}-`)) ?? (combines.length === 1 ? combines[0] : undefined); // prettier-ignore
  };
  interface Sum {
    readonly kg: Record<SampleFactor, number>;
    readonly said: Record<SampleFactor, number>;
    samples: number;
    readonly tickets: Set<number>;
  }
  const sums = tally<Sum>();
  const sumOf = (id: string): Sum =>
    (sums[id] ??= { kg: { fines: 0, cracked: 0, foreign: 0 }, said: { fines: 0, cracked: 0, foreign: 0 }, samples: 0, tickets: new Set() }); // prettier-ignore
  let weighed = 0;
  let counted = 0;
  tickets.forEach(({ factors, loads }, i) => {
    for (const [loadId, kg] of Object.entries(loads)) {
      const machine = machineOf(loadId);
      const entry = ledger.entry(loadId);
      const sheet = machine && entry ? sheetAt(byMachine.get(machine) ?? [], instantOf(entry.at)) : null;
      if (!sheet) continue;
      const sum = sumOf(sheet.id);
      for (const factor of SAMPLE_FACTORS) {
        const value = factors[factor];
        if (value === undefined) continue;
        sum.kg[factor] += kg;
        sum.said[factor] += kg * value;
        sum.tickets.add(i);
      }
      weighed += kg;
    }
    counted++;
  });
  const asMuch = counted > 0 && weighed > 0 ? weighed / counted : 1;
  for (const { body } of living<'grainSample'>(records.logs.grainSample)) {
    const sheet = sheetAt(byMachine.get(body.machineId) ?? [], instantOf(body.at));
    if (!sheet) continue;
    const sum = sumOf(sheet.id);
    sum.samples++;
    for (const factor of SAMPLE_FACTORS) {
      const value = body[factor];
      if (value === undefined) continue;
      sum.kg[factor] += asMuch;
      sum.said[factor] += asMuch * value;
    }
  }
  return Object.entries(sums).map(([sheetId, { kg, said, samples, tickets: own }]): SheetQuality => ({
    sheetId,
    figures: Object.fromEntries(
      SAMPLE_FACTORS.flatMap((factor) => (kg[factor] > 0 ? [[factor, said[factor] / kg[factor]]] : [])),
    ),
    samples,
    tickets: own.size,
  }));
}

/** A difference between two samples that is none: hand sieves and buyers' probes differ by as much. Common practice, no source. */
export const SAMPLE_DIFFERS: Readonly<Record<SampleFactor, number>> = { fines: 0.5, cracked: 2, foreign: 0.5 };

/** A figure of the sheet that is on, the cleanest sheet that the farm had in this crop, and what is set otherwise. */
export interface LedBack {
  readonly factor: SampleFactor;
  /** percent with the sheet that is on, and with the better one */
  readonly now: number;
  readonly then: number;
  readonly sheet: SettingsEntry;
  readonly changed: readonly SettingChange[];
}

/**
 * "Too many fines" led back to a setting: for each factor that is worse than it was under another sheet in the same crop, that sheet and what
 * differs, the worst first. Between sheets in which several things differ it cannot say which of them did it.
 * @param sheets of the farm in this crop, newest first @param quality by the sheet's id
 */
export function ledBack(
  current: SettingsEntry,
  sheets: readonly SettingsEntry[],
  quality: ReadonlyMap<string, SampleQuality>,
): LedBack[] {
  const now = quality.get(current.id)?.figures ?? {};
  return SAMPLE_FACTORS.flatMap((factor): LedBack[] => {
    const own = now[factor];
    if (own === undefined) return [];
    const better = sheets
      .flatMap((sheet) => {
        const then = sheet.id === current.id ? undefined : quality.get(sheet.id)?.figures[factor];
        return then === undefined || own - then <= SAMPLE_DIFFERS[factor] ? [] : [{ sheet, then, changed: changedSettings(current.values, sheet.values) }]; // prettier-ignore
      })
      .filter(({ changed }) => changed.length > 0)
      // The fewer things differ, the more a sheet says; between equals the cleaner one.
      .sort((a, b) => a.changed.length - b.changed.length || a.then - b.then)[0];
    return better ? [{ factor, now: own, ...better }] : [];
  }).sort((a, b) => (b.now - b.then) / SAMPLE_DIFFERS[b.factor] - (a.now - a.then) / SAMPLE_DIFFERS[a.factor]);
}
