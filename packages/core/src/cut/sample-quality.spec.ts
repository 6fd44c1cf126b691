import { describe, expect, it } from 'vitest';
import { BookBuilder } from '../../test/books.js';
import { kept, recordsOf } from '../../test/farm-records.js';
import { type FarmBook, Ledger, type PlaceInfo } from '../ledger/index.js';
import type { SettingsEntry } from '../records/index.js';
import { ledBack, matchHeads, planSheets, sameSheets, qualityBySettings, sampleOfPaper, SHEET_HEADS, sheetRows, valuesOfSheet } from '../index.js'; // prettier-ignore

const place = (id: string, kind: string): PlaceInfo => ({ id, name: id, kind, withdrawal: 'mixed', capacityBu: null, diameterM: null, eaveM: null, hopperM: null }); // prettier-ignore
const PLACES = [place('c1', 'combine'), place('c2', 'combine'), place('truck', 'truck'), place('mill', 'buyer')];
const sheet = (id: string, at: string, values: object, machineId = 'c1', lotId = 'HS'): SettingsEntry => ({ id, at, machineId, lotId, values, why: '' }) as SettingsEntry; // prettier-ignore
const FAST = sheet('S1', '2026-09-08T12:00:00Z', { rotor: 420, fan: 900 });
const SLOW = sheet('S2', '2026-09-08T13:00:00Z', { rotor: 360, fan: 900 });
const OTHER = sheet('S3', '2026-09-08T12:00:00Z', { rotor: 300 }, 'c2');

const byId = (...of: Parameters<typeof qualityBySettings>) => Object.fromEntries(qualityBySettings(...of).map((one) => [one.sheetId, one])); // prettier-ignore

describe('what samples say of settings', () => {
  const b = new BookBuilder([{ id: 'HS' }] as never, PLACES as never);
  const at = (time: string) => ({ at: `2026-09-08T${time}:00Z` });
  const first = b.harvest('HS', 'c1', 4000, 0.2, at('12:30'));
  const second = b.harvest('HS', 'c1', 4000, 0.2, at('13:30'));
  const beside = b.harvest('HS', 'c2', 4000, 0.2, at('13:40'));
  const book: FarmBook = { ledger: Ledger.of(b.book()), lots: [], places: PLACES };
  const records = recordsOf({ settingsEntry: [kept(SLOW), kept(FAST), kept(OTHER)] });

  it('a ticket is of the sheets that its loads were cut with, each by its grain', () => {
    const said = byId(book, records, [
      { factors: { foreign: 4 }, loads: { [first]: 3000 } },
      { factors: { foreign: 1 }, loads: { [second]: 3000, [beside]: 1000 } },
      { factors: { foreign: 2 }, loads: { [first]: 1000 } },
    ]);
    expect(said.S1!.figures.foreign).toBeCloseTo((3000 * 4 + 1000 * 2) / 4000, 9);
    expect(said).toMatchObject({
      S1: { tickets: 2, samples: 0 },
      S2: { figures: { foreign: 1 }, tickets: 1 },
      S3: { tickets: 1 },
    });
  });

  it('a sample is of the sheet that its machine had on; one taken before any sheet is of none', () => {
    const sampled = recordsOf({
      settingsEntry: [kept(SLOW), kept(FAST)],
      grainSample: [
        kept({ id: 'G1', at: '2026-09-08T13:10:00Z', machineId: 'c1', lotId: 'HS', takenAt: 'tank', fines: 1.8 }),
        kept({ id: 'G2', at: '2026-09-08T12:10:00Z', machineId: 'c1', lotId: 'HS', takenAt: 'screen', fines: 4.2 }),
        kept({ id: 'G3', at: '2026-09-08T12:20:00Z', machineId: 'c1', lotId: 'HS', takenAt: 'tank', fines: 3.8 }),
        kept({ id: 'G4', at: '2026-09-08T11:00:00Z', machineId: 'c1', lotId: 'HS', takenAt: 'tank', fines: 9 }),
        kept({ id: 'G5', at: '2026-09-08T12:21:00Z', machineId: 'c1', lotId: 'HS', takenAt: 'tank', fines: 40 }, true),
      ],
    });
    const said = byId(book, sampled, []);
    expect(said.S1!.figures.fines).toBeCloseTo(4, 9);
    expect(said).toMatchObject({ S1: { samples: 2, tickets: 0 }, S2: { figures: { fines: 1.8 }, samples: 1 } });
    expect(Object.keys(said)).toHaveLength(2);
  });

  it('a paper says splits and broken as cracked, dockage as foreign, and nothing of damage or test weight', () => {
    expect(sampleOfPaper({ splits: 3, broken: 1, foreignMaterial: 2, damage: 5, testWeight: 55 })).toEqual({ cracked: 4, foreign: 2 }); // prettier-ignore
    expect(sampleOfPaper({ damage: 2 })).toEqual({});
  });
});

describe('too many fines', () => {
  const quality = (fines: number, cracked?: number) => ({ figures: { fines, ...(cracked === undefined ? {} : { cracked }) }, samples: 1, tickets: 0 }); // prettier-ignore
  const both = sheet('S4', '2026-09-08T14:00:00Z', { rotor: 330, fan: 1000 });
  it('lead back to the sheet that had fewer, and to what differs; one change says more than two', () => {
    const [found] = ledBack(
      FAST,
      [both, SLOW, FAST],
      new Map(Object.entries({ S1: quality(4.1), S2: quality(1.8), S4: quality(1.2) })),
    );
    expect(found).toMatchObject({ factor: 'fines', now: 4.1, then: 1.8, sheet: { id: 'S2' }, changed: [{ setting: 'rotor', from: 420, to: 360 }] }); // prettier-ignore
  });
  it('lead nowhere where the difference is one of the sieve, nothing was set otherwise, or nobody looked', () => {
    expect(ledBack(FAST, [SLOW, FAST], new Map(Object.entries({ S1: quality(2), S2: quality(1.6) })))).toEqual([]);
    expect(
      ledBack(FAST, [{ ...SLOW, values: FAST.values }], new Map(Object.entries({ S1: quality(4), S2: quality(1) }))),
    ).toEqual([]);
    expect(ledBack(FAST, [SLOW], new Map(Object.entries({ S2: quality(1) })))).toEqual([]);
  });
  it('come worst first', () => {
    const found = ledBack(FAST, [SLOW], new Map(Object.entries({ S1: quality(3, 20), S2: quality(2, 4) })));
    expect(found.map(({ factor }) => factor)).toEqual(['cracked', 'fines']);
  });
});

describe('a neighbor’s file of settings', () => {
  const read = (text: string) => {
    const [heads, ...rows] = text.trim().split('\n').map((line) => line.split(',')) as [string[], ...string[][]]; // prettier-ignore
    return planSheets(heads, rows, matchHeads(heads, SHEET_HEADS), { first: 2 });
  };
  it('is read in its own units, by its heads', () => {
    const { sheets, problems } = read(`
Machine,Crop,Hybrid,Moisture,Rotor,Concave (in),Fan rpm,Ground speed (mph),Loss bu/ac,Fines,Notes
big red,Corn,KL 1180,19.5,380,1,980,4,0.6,1.5,wet stalks
the other,soybeans,,13,600,0.5,850,5,,,`);
    expect(problems).toEqual([]);
    expect(sheets[0]).toMatchObject({ machine: 'big red', crop: 'corn', variety: 'KL 1180', moisture: 0.195, rotor: 380, concave: 25.4, fan: 980, lossBu: 0.6, fines: 1.5, note: 'wet stalks' }); // prettier-ignore
    expect(sheets[0]!.speed).toBeCloseTo(1.78816, 5);
    expect(sheets[1]).toMatchObject({ crop: 'soybean', moisture: 0.13, rotor: 600, concave: 12.7 });
    expect(sheets[1]).not.toHaveProperty('lossBu');
  });
  it('says the same whatever order its columns have', () => {
    const [one, other] = [read('Crop,Rotor,Fan\ncorn,380,900').sheets, read('Fan,Crop,Rotor\n900,corn,380').sheets];
    expect(sameSheets(one, other)).toBe(true);
    expect(sameSheets(one, read('Crop,Rotor,Fan\ncorn,390,900').sheets)).toBe(false);
    expect(sameSheets(one, read('Crop,Rotor\ncorn,380').sheets)).toBe(false);
    expect(sameSheets(one, [...other, ...other])).toBe(false);
  });
  it('names each row that it cannot read', () => {
    const { sheets, problems } = read(`
Crop,Rotor,Fan,Speed
clover,400,900,4
corn,fast,900,4
corn,9000,900,4
corn,,,`);
    expect(sheets).toEqual([]);
    expect(problems.map(({ row, what }) => [row, what])).toEqual([[2, 'no_crop'], [3, 'no_figure'], [4, 'out_of_range'], [5, 'no_setting']]); // prettier-ignore
  });
  it('comes back as it was given', () => {
    const given = { machine: 'Combine 1', crop: 'corn', variety: 'KL 1180', moisture: 0.187, lossBu: 0.75, figures: { fines: 1.25, foreign: 0.5 }, note: 'lower rotor', values: { rotor: 380, concave: 28, speed: 1.9, chaffer: 16.5 } }; // prettier-ignore
    const [heads, ...rows] = sheetRows([given]) as [string[], ...string[][]];
    const { sheets, problems } = planSheets(heads, rows, matchHeads(heads, SHEET_HEADS), { first: 2 });
    expect(problems).toEqual([]);
    expect(sheets[0]).toMatchObject({ machine: 'Combine 1', crop: 'corn', variety: 'KL 1180', moisture: 0.187, lossBu: 0.75, fines: 1.25, foreign: 0.5, note: 'lower rotor' }); // prettier-ignore
    const values = valuesOfSheet(sheets[0]!);
    expect(values).toMatchObject({ rotor: 380, concave: 28, chaffer: 16.5 });
    expect(values.speed).toBeCloseTo(1.9, 3);
  });
});
