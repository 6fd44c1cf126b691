import { readFileSync } from 'node:fs';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import type { LayersAnswer, WeighTicketInfo } from '@fanega/contract';
import type { Book, Delivery, FieldRecords, FieldRow, HaulView, WeighedView } from '@fanega/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, farmNow, fieldRecords, Harness, shedRecords } from './harness.js';

/** The demo farm as the program before the migration had it: its database, and what it answered then. */
const fixture = (name: string): string =>
  gunzipSync(readFileSync(path.join(import.meta.dirname, 'fixtures', name))).toString('utf8');
interface Noted {
  readonly kind: string;
  readonly body: Record<string, unknown> & { readonly id: string; readonly at: string };
  readonly by: string;
  readonly voided: boolean;
}
type Sheets = Readonly<Record<string, { readonly revision: number; readonly sheet: object }>>;
interface Before {
  readonly positions: object;
  readonly accounts: object;
  readonly balance: object;
  readonly lots: readonly Record<string, unknown>[];
  readonly deliveries: readonly Record<string, unknown>[];
  readonly haul: {
    readonly unticketed: readonly string[];
    readonly weighed: number;
    readonly tickets: readonly object[];
  };
  readonly notes: readonly Noted[];
  readonly readings: readonly Record<string, unknown>[];
  readonly places: readonly object[];
  readonly windows: Sheets;
  readonly machines: Sheets;
  readonly vehicles: Sheets;
  readonly assets: Sheets;
  readonly changeovers: Sheets;
  readonly season: Sheets[string];
  readonly nextField: Sheets[string];
  readonly haulSheet: Sheets[string];
  readonly weightRules: Sheets[string];
}

const FARM = 'kestrel-levee';
const before = JSON.parse(fixture('demo-before.json.gz')) as Before;
let harness: Harness;
let client: Client;
let records: FieldRecords;

beforeAll(async () => {
  harness = await Harness.start({}, fixture('demo-before.sql.gz'));
  client = harness.client();
  await client.post('/auth/demo');
  records = await fieldRecords(client, FARM);
});
afterAll(() => harness.stop());

const get = async <T>(where: string): Promise<T> => (await client.get<T>(`/farms/${FARM}/${where}`)).body;
/** Numbers of a row that the old program told, equal to the last digit. */
const equalIn = (row: object, told: Record<string, unknown>): void =>
  expect(JSON.parse(JSON.stringify(row))).toMatchObject(told);

describe('the demo database of the program before', () => {
  it('gives every derived figure as it was: positions, accounts, balance, fields, deliveries, hauling', async () => {
    const now = await farmNow(client, FARM);
    expect(now.positions).toEqual(before.positions);
    expect(now.balance).toEqual(before.balance);
    expect(await get<object>('accounts')).toEqual(before.accounts);
    const rows = await get<FieldRow[]>('lots');
    expect(rows.length).toBe(before.lots.length);
    for (const { id, fieldName, acres, shares, ...told } of before.lots) {
      const row = rows.find(({ lot }) => lot.id === id)!;
      equalIn(row, told);
      equalIn(row.lot, { fieldName, acres, shares });
    }
    const deliveries = await get<Delivery[]>('deliveries');
    expect(deliveries.length).toBe(before.deliveries.length);
    for (const { id, ...told } of before.deliveries)
      equalIn(
        deliveries.find(({ entry }) => entry.id === id)!,
        told,
      );
    const { unticketed } = await get<HaulView>('haul');
    const { weighed } = await get<WeighedView>('haul/weighed');
    expect([unticketed.map(({ entry }) => entry.id), weighed.length]).toEqual([
      before.haul.unticketed,
      before.haul.weighed,
    ]);
    const tickets = await get<WeighTicketInfo[]>('weigh-tickets');
    for (const [i, ticket] of before.haul.tickets.entries()) equalIn(tickets[i]!, ticket as Record<string, unknown>);
  });

  it('has every place with its size, and the strata of all of them', async () => {
    const { places } = await farmNow(client, FARM);
    expect(places.map(({ capacityByGeometry: _, reservedFor: __, ...place }) => place)).toEqual(before.places);
    const layers = await get<LayersAnswer>('layers');
    const holding = before.places.filter((place) => (place as { kind: string }).kind !== 'buyer');
    expect(Object.keys(layers.places).length).toBe(holding.length);
  });

  it('has every note as a record of its kind, with who wrote it and whether it counts', async () => {
    const shed = await shedRecords(client, FARM);
    const logs = { ...records.logs, ...shed.logs };
    const kinds = { pair: 'testerPair', settings: 'settingsEntry', loss: 'lossCheck', strips: 'stripTrial', next: 'nextFieldNotice', tare: 'emptyWeight', emptied: 'fieldChange', delay: 'delay', breakdown: 'breakdown', ack: 'acknowledgement' } as const; // prettier-ignore
    expect(before.notes.length).toBeGreaterThan(40);
    for (const { kind, body, by, voided } of before.notes) {
      const kept = logs[kinds[kind as keyof typeof kinds]].find((entry) => entry.body.id === body.id)!;
      expect([kept.by, kept.voided], body.id).toEqual([by, voided]);
      expect({ ...kept.body, at: '' }, body.id).toMatchObject({ ...body, at: '' });
      expect(Date.parse(kept.body.at)).toBe(Date.parse(body.at));
    }
    const total = Object.entries(logs).reduce(
      (sum, [name, entries]) => sum + (name === 'reading' ? 0 : entries.length),
      0,
    );
    expect(total).toBe(before.notes.length);
  });

  it('has every reading', () => {
    expect(records.logs.reading.length).toBe(before.readings.length);
    for (const { id, by, voided, at, cracked, tester, spot, moisture, ...rest } of before.readings) {
      const kept = records.logs.reading.find(({ body }) => body.id === id)!;
      expect([kept.by, kept.voided, kept.body.at]).toEqual([by, voided, at]);
      const { body } = kept;
      expect([body.cracked ?? null, body.tester ?? '', body.spot ?? '', body.moisture ?? null]).toEqual([
        cracked,
        tester,
        spot,
        moisture,
      ]);
      expect(body).toMatchObject(rest);
    }
  });

  it('has every sheet as a setting, with its revision', async () => {
    const shed = await shedRecords(client, FARM);
    const same = (
      kept: Readonly<Record<string, { readonly revision: number; readonly value: object }>>,
      sheets: Sheets,
    ): void => {
      for (const [subject, { revision, sheet }] of Object.entries(sheets)) {
        expect(kept[subject]!.revision, subject).toBe(revision);
        expect(kept[subject]!.value, subject).toMatchObject(sheet);
      }
    };
    same(records.settings.cuttingWindow, before.windows);
    same(records.settings.combineProfile, before.machines);
    same(records.settings.truckSetup, before.vehicles);
    same(shed.settings.changeover, before.changeovers);
    same(records.settings.nextFieldPlan, { farm: before.nextField });
    same(records.settings.haulTimes, { farm: before.haulSheet });
    // The scale's unit has become the farm's.
    const { unit, ...rules } = before.weightRules.sheet as { unit: string };
    same(records.settings.weightRules, { farm: { ...before.weightRules, sheet: rules } });
    expect([unit, (await farmNow(client, FARM)).farm.units]).toEqual(['lb', 'us']);
    same(shed.settings.seasonPlan, { farm: before.season });
    for (const [id, { sheet }] of Object.entries(before.assets))
      expect(shed.settings.machine[id]!.value, id).toMatchObject(sheet);
  });

  it('has one machine where there were two: a place and a machine of the shed by the same name are one', async () => {
    const { machine } = (await shedRecords(client, FARM)).settings;
    const { places } = await farmNow(client, FARM);
    const vessels = places.filter(({ kind }) => ['combine', 'cart', 'truck', 'dryer'].includes(kind));
    expect(vessels.length).toBeGreaterThan(6);
    for (const place of vessels) expect(Object.values(machine).filter(({ value }) => value.placeId === place.id).map(({ value }) => value.name), place.id).toEqual([place.name]); // prettier-ignore
  });

  it('exports the same book, and goes on', async () => {
    const book = await get<Book>('book');
    expect(book.version).toBe(2);
    const { seq } = await farmNow(client, FARM);
    expect(book.entries.length + (book.revisions?.length ?? 0)).toBe(seq);
    expect(await harness.db.query("SHOW TABLES LIKE 'notes'")).toEqual([]);
  });

  it('has exactly the columns that the program declares, in every table', async () => {
    const found = await harness.db.query<{ t: string; c: string }[]>(
      'SELECT table_name t, column_name c FROM information_schema.columns WHERE table_schema = DATABASE()',
    );
    const tables = new Map<string, string[]>();
    for (const { t, c } of found) tables.set(t, [...(tables.get(t) ?? []), c].sort());
    const declared = harness.db.entityMetadatas.map(
      ({ tableName, columns }) => [tableName, columns.map(({ databaseName }) => databaseName).sort()] as const,
    );
    expect(declared.length).toBeGreaterThan(50);
    for (const [table, columns] of declared) expect(tables.get(table), table).toEqual(columns);
    // The processes that stand before the database are counted by its own clock, in its own words.
    expect([...tables.keys()].filter((table) => !declared.some(([name]) => name === table)).sort()).toEqual(['migrations', 'server_processes']); // prettier-ignore
  });
});
