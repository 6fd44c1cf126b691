import { DEFAULT_MOISTURE, DEFAULT_TRUST, instantOf } from '@fanega/core';
import { demoFarm, demoHauling, demoNotebook, type DemoOptions, demoShed } from '@fanega/demo';
import type { DataSource } from 'typeorm';
import { BookRepository } from '../features/book/index.js';
import { DEMO_USER } from '../features/people/index.js';
import { NotebookRepository } from '../features/notebook/index.js';
import { FarmRow, FieldRow, LotRow, MembershipRow, NoteRow, PhotoRow, PlaceRow, ReadingRow, SheetRow, UserRow, WeatherRow, WeighTicketRow } from '../platform/rows.js';

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
      setup: 0,
      notes: 0,
      demo: true,
      defaults: { moisture: DEFAULT_MOISTURE, trust: [...DEFAULT_TRUST] },
    });
    await tx.insert(UserRow, { id: DEMO_USER, email: 'visitor@demo.invalid', name: 'Visitor', passwordHash: null });
    await tx.insert(MembershipRow, { farmId, userId: DEMO_USER, role: 'owner' });
    await tx.insert(
      FieldRow,
      demo.fields.map((field) => ({ farmId, ...field })),
    );
    await tx.insert(
      LotRow,
      demo.lots.map(({ shares, ...lot }) => ({ farmId, ...lot, shares: [...shares] })),
    );
    await tx.insert(
      PlaceRow,
      demo.places.map(({ id, name, kind, withdrawal, capacityBu, diameterM, eaveM, hopperM }, position) => ({
        farmId,
        position,
        id,
        name,
        kind,
        withdrawal: withdrawal ?? 'mixed',
        capacityBu: capacityBu ?? null,
        diameterM: diameterM ?? null,
        eaveM: eaveM ?? null,
        hopperM: hopperM ?? null,
      })),
    );
    const book = demoNotebook(demo);
    const shed = demoShed(demo);
    const hauling = demoHauling(demo);
    const readings = [...demo.readings, ...book.readings].map(({ at, id, fieldId, source, by, ...reading }) => ({
      farmId,
      id,
      fieldId,
      source,
      by,
      atMs: instantOf(at),
      moisture: reading.moisture ?? null,
      cracked: 'cracked' in reading ? (reading.cracked ?? null) : null,
      tester: 'tester' in reading ? (reading.tester ?? '') : '',
      spot: 'spot' in reading ? (reading.spot ?? '') : '',
      voided: false,
    }));
    for (let i = 0; i < readings.length; i += 500) await tx.insert(ReadingRow, readings.slice(i, i + 500));
    await tx.insert(
      NoteRow,
      [...book.notes, ...shed.notes, ...hauling.notes].map(({ kind, body, by, voided }) => ({
        farmId,
        id: body.id,
        kind,
        atMs: instantOf(body.at),
        lotId: 'lotId' in body ? body.lotId : null,
        machineId: 'machineId' in body ? body.machineId : null,
        body,
        by,
        voided,
      })),
    );
    await tx.insert(
      SheetRow,
      [...book.sheets, ...shed.sheets, ...hauling.sheets].map((sheet) => ({ farmId, revision: 1, ...sheet })),
    );
    await tx.insert(
      PhotoRow,
      shed.photos.map(({ at, ...photo }) => ({ farmId, atMs: at, type: 'image/png', ...photo })),
    );
    for (let i = 0; i < book.weather.length; i += 500)
      await tx.insert(
        WeatherRow,
        book.weather.slice(i, i + 500).map((hour) => NotebookRepository.weatherRow(farmId, hour)),
      );
    if (hauling.tickets.length > 0)
      await tx.insert(
        WeighTicketRow,
        hauling.tickets.map(({ at, ...ticket }) => ({ farmId, atMs: instantOf(at), voided: false, ...ticket })),
      );
    const repository = new BookRepository(db);
    await repository.insert(
      tx,
      farmId,
      1,
      demo.entries.map((entry) => ({ entry, userId: null })),
      Date.now(),
    );
  });
  return { farm: demo.name, entries: demo.entries.length };
}
