import { CHAIN_START, DEFAULT_MOISTURE, instantOf, LOG_KINDS, type LogName } from '@fanega/core';
import {
  demoFarm,
  demoHauling,
  type DemoLog,
  demoNotebook,
  demoFieldWork,
  demoSell,
  demoTrace,
  type DemoOptions,
  demoShed,
  type DemoSetting,
} from '@fanega/demo';
import type { DataSource, EntityManager } from 'typeorm';
import { weatherRow, WeatherRow } from '../features/fields/index.js';
import { CableReadingRow, packed } from '../features/store/index.js';
import { insertTicketLists, WeighTicketRow } from '../features/haul/index.js';
import {
  FieldRow,
  LedgerRepository,
  LotRow,
  LotShareRow,
  PlaceRow,
  shareRows,
  TrustRow,
  trustRows,
} from '../features/ledger/index.js';
import { DEMO_USER } from '../features/people/index.js';
import { PhotoRow } from '../features/shed/index.js';
import { FarmRow, FarmTopicRow } from '../platform/entities/farm.entity.js';
import { MembershipRow, UserRow } from '../platform/entities/identity.entity.js';
import { insertAll, insertRecords, LOG_TABLES, SETTING_TABLES } from '../platform/record-table.js';
import { VersionsRepository } from '../platform/versions.js';

const FARM_ID = 'kestrel-levee';

/** The made-up farm and its visitor, in one transaction. */
export async function loadDemo(db: DataSource, options: DemoOptions = {}): Promise<{ farm: string; entries: number }> {
  const demo = demoFarm(options);
  const farmId = FARM_ID;
  await db.transaction(async (tx) => {
    await tx.insert(FarmRow, {
      id: farmId,
      name: demo.name,
      timeZone: demo.timeZone,
      seq: 0,
      chain: CHAIN_START,
      demo: true,
      defaultMoisture: DEFAULT_MOISTURE,
      units: 'us',
      clock: '12',
    });
    await tx.insert(FarmTopicRow, VersionsRepository.rows(farmId));
    await tx.insert(TrustRow, trustRows(farmId));
    await tx.insert(UserRow, { id: DEMO_USER, email: 'visitor@demo.invalid', name: 'Visitor', passwordHash: null });
    await tx.insert(MembershipRow, { farmId, userId: DEMO_USER, role: 'owner' });
    await insertAll(
      tx,
      FieldRow,
      demo.fields.map((field) => ({ farmId, ...field })),
    );
    await insertAll(
      tx,
      LotRow,
      demo.lots.map(({ shares: _, ...lot }) => ({ farmId, acres: null, ...lot })),
    );
    await insertAll(
      tx,
      LotShareRow,
      demo.lots.flatMap((lot) => shareRows(farmId, lot.id, lot.shares)),
    );
    await insertAll(
      tx,
      PlaceRow,
      demo.places.map(({ id, name, kind, withdrawal, capacityBu }, position) => ({
        farmId,
        position,
        id,
        name,
        kind,
        withdrawal: withdrawal ?? 'mixed',
        capacityBu: capacityBu ?? null,
        putAway: false,
      })),
    );
    const [book, shed, hauling, sell, trace, work] = [demoNotebook(demo), demoShed(demo), demoHauling(demo), demoSell(demo), demoTrace(demo), demoFieldWork(demo)]; // prettier-ignore
    const bins = demo.places.flatMap(({ id, diameterM, eaveM, hopperM }): DemoSetting[] =>
      diameterM === undefined
        ? []
        : [{ kind: 'binSetup', subject: id, body: { diameter: diameterM, eave: eaveM ?? 0, hopper: hopperM ?? 0 } }],
    );
    await insertSettings(tx, farmId, [
      ...bins,
      ...shed.settings,
      ...book.settings,
      ...hauling.settings,
      ...sell.settings,
      ...trace.settings,
      ...work.settings,
    ]);
    const readings = [...demo.readings, ...book.readings].map(({ by, ...body }): DemoLog => ({
      kind: 'reading',
      body,
      by,
      voided: false,
    }));
    const seasonOf = new Map(demo.lots.map((lot) => [lot.id, lot.season]));
    await insertLogs(
      tx,
      farmId,
      [...readings, ...book.logs, ...shed.logs, ...hauling.logs, ...sell.logs, ...trace.logs, ...work.logs],
      (lotId) => seasonOf.get(lotId),
    );
    await insertAll(
      tx,
      PhotoRow,
      shed.photos.map(({ at, ...photo }) => ({ farmId, atMs: at, type: 'image/png', ...photo })),
    );
    await insertAll(
      tx,
      WeatherRow,
      book.weather.map((hour) => weatherRow(farmId, hour)),
    );
    await insertAll(
      tx,
      CableReadingRow,
      book.cables.map(({ celsius, ...reading }) => ({ farmId, ...reading, celsius: packed(celsius) })),
    );
    const repository = new LedgerRepository(db);
    await repository.insert(
      tx,
      { id: farmId, seq: 0, chain: CHAIN_START },
      demo.entries.map((entry) => ({ entry, userId: null })),
      Date.now(),
    );
    for (const { at, number, id, machineId, entryId, by, body } of hauling.tickets) {
      const { grossKg, tareKg, shares, ...rest } = body;
      await tx.insert(WeighTicketRow, {
        farmId,
        atMs: instantOf(at),
        voided: false,
        number,
        id,
        machineId,
        entryId,
        by,
        ...rest,
      });
      await insertTicketLists(tx, farmId, number, grossKg, tareKg, shares);
    }
  });
  return { farm: demo.name, entries: demo.entries.length };
}

async function insertSettings(tx: EntityManager, farmId: string, settings: readonly DemoSetting[]): Promise<void> {
  for (const { kind, subject, body } of settings) {
    const [crop, buyer] = subject.split('@');
    await insertRecords(tx, SETTING_TABLES[kind], [
      {
        body,
        key: { farm_id: farmId, id: subject },
        common: { revision: 1, ...(kind === 'cuttingWindow' ? { crop, buyer_id: buyer ?? null } : {}) },
      },
    ]);
  }
}

async function insertLogs(
  tx: EntityManager,
  farmId: string,
  logs: readonly DemoLog[],
  seasonOf: (lotId: string) => number | undefined,
): Promise<void> {
  for (const kind of Object.keys(LOG_KINDS) as LogName[]) {
    const own = logs.filter((log) => log.kind === kind);
    await insertRecords(
      tx,
      LOG_TABLES[kind],
      own.map(({ body, by, voided }) => ({
        body,
        key: { farm_id: farmId, id: body.id },
        common: {
          at_ms: Math.floor(instantOf(body.at)),
          season:
            ('lotId' in body && body.lotId !== undefined ? seasonOf(body.lotId) : undefined) ??
            new Date(body.at).getUTCFullYear(),
          by_name: by,
          voided,
        },
      })),
    );
  }
}
