import type {
  FieldsImportAnswer,
  FieldsImportBody,
  FileImportInfo,
  ImportedFieldBody,
  ImportState,
  ImportUndone,
  LoadsImportAnswer,
  LoadsImportBody,
  CablesImportBody,
  LevelsImportBody,
  RowsImportAnswer,
  TicketsImportBody,
  WeatherImportBody,
} from '@fanega/contract';
import {
  boundaryProblem,
  deliveries,
  type Entry,
  type HarvestEntry,
  instantOf,
  type Ledger,
  plainName,
  ringsOf,
  type TicketPaper,
} from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { ulid } from 'ulid';
import type { Caller } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { FarmWrites, type Tx } from '../../platform/farm-write.js';
import { Refused, unlessNameUsed, unlessPointedTo } from '../../platform/refused.js';
import { FarmClock, LedgerService, requireCrops } from '../ledger/index.js';
import { RecordsService } from '../records/index.js';
import { removeFields, weatherRow } from '../fields/index.js';
import { packed } from '../store/index.js';
import { ImportsRepository } from './imports.repository.js';

/** What entries of a file name as their device: by it they are undone as one. */
const deviceOf = (importId: string): string => `import ${importId}`;
const MINUTE = 60_000;
/** kg by which the same load may differ in two files: each rounds as it likes. */
const SAME_KG = 0.6;
const AT_ONCE = 1000;

/** Files of fields, loads, tickets, levels, weather and cables: looked at, taken in, undone as one; the same file again doubles nothing. */
@Injectable()
export class ImportsService {
  constructor(
    @Inject(ImportsRepository) private readonly imports: ImportsRepository,
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(FarmClock) private readonly farmClock: FarmClock,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  async list(farmId: string): Promise<FileImportInfo[]> {
    return (await this.imports.list(farmId)).map(({ id, kind, name, byName, atMs, taken, undone }) => ({
      ...{ id, kind, file: name, by: byName, taken },
      at: new Date(atMs).toISOString(),
      undone: Boolean(undone),
    }));
  }

  /** All fields of a file, or none: made, brought into the season, or with their new acres and boundary. */
  fields(farmId: string, body: FieldsImportBody, caller: Caller): Promise<FieldsImportAnswer> {
    return unlessNameUsed(() =>
      this.writes.run(farmId, async ({ tx, farm, changed }) => {
        // It arrived once already.
        if (await this.imports.one(tx, farmId, body.importId)) return { taken: body.fields.length };
        const { fields, lots } = await this.imports.fieldsAndLots(tx, farmId, body.season);
        await requireCrops(
          tx,
          farmId,
          body.fields.map(({ crop }, i) => ({ crop, field: `fields[${i}].crop` })),
        );
        const byName = new Map(fields.map((field) => [plainName(field.name), field]));
        const tags = new Set(lots.map(({ tag }) => tag));
        const made: Parameters<ImportsRepository['made']>[1][number][] = [];
        const boundaries: { fieldId: string; points: NonNullable<ImportedFieldBody['boundary']> }[] = [];
        await this.took(tx, farmId, body, 'fields', body.fields.length, caller);
        for (const [i, one] of body.fields.entries()) {
          const wrong = (field: string, message: string): never => {
            throw new Refused('body_wrong', `${one.name}: ${message}.`, [{ field: `fields[${i}].${field}`, code: field, message }]); // prettier-ignore
          };
          if (one.boundary && boundaryProblem(ringsOf({ points: one.boundary })) !== null) wrong('boundary', 'its boundary is none'); // prettier-ignore
          let field = byName.get(plainName(one.name));
          const isNew = field === undefined;
          if (!field) {
            field = { farmId, id: ulid(), name: one.name.trim(), acres: one.acres };
            await this.imports.addField(tx, field);
            byName.set(plainName(one.name), field);
          }
          const lot = lots.find(({ fieldId }) => fieldId === field.id);
          const was = field.acres;
          let lotId: string | null = null;
          if (!lot) {
            const tag = one.tag.trim().toUpperCase();
            if (tags.has(tag)) wrong('tag', `the tag ${tag} stands for another field of ${body.season}`);
            tags.add(tag);
            lotId = ulid();
            await this.imports.addLot(tx, farmId, {
              ...{ id: lotId, fieldId: field.id, crop: one.crop, season: body.season, tag, acres: null },
              variety: one.variety?.trim() ?? '',
              shares: one.shares?.map(({ owner, part }) => ({ owner: owner.trim(), part })) ?? [{ owner: farm.name, part: 1 }], // prettier-ignore
            });
          }
          const changes = !isNew && Math.abs(was - one.acres) > 1e-9;
          if (changes) await this.imports.setAcres(tx, farmId, field.id, one.acres);
          if (one.boundary) boundaries.push({ fieldId: field.id, points: one.boundary });
          made.push({ farmId, importId: body.importId, fieldId: field.id, lotId, made: isNew, wasAcres: changes ? was : null }); // prettier-ignore
        }
        await this.imports.made(tx, made);
        for (const { fieldId, points } of boundaries) await this.imports.setBoundary(tx, farmId, fieldId, { field: fieldId, points: points.map(({ part, ring, lon, lat }) => ({ part, ring, lon, lat })) }); // prettier-ignore
        changed('header');
        changed('fields');
        changed('trace');
        return { taken: body.fields.length };
      }),
    );
  }

  /** Some loads of a file: those that are not in the book yet are taken in, unless they are only looked at. */
  async loads(farmId: string, body: LoadsImportBody, caller: Caller): Promise<LoadsImportAnswer> {
    const book = await this.ledgers.open(farmId);
    const lots = new Set(book.lots.map(({ id }) => id));
    const places = new Set(book.places.map(({ id }) => id));
    const strange = body.loads.findIndex(({ lot, to }) => !lots.has(lot) || !places.has(to));
    if (strange >= 0) {
      const field = lots.has(body.loads[strange]!.lot) ? 'to' : 'lot';
      const message = field === 'lot' ? 'there is no such field' : 'there is no such place';
      throw new Refused('body_wrong', `Load ${strange + 1}: ${message}.`, [{ field: `loads[${strange}].${field}`, code: 'not_found', message }]); // prettier-ignore
    }
    const known = knownLoads(book.ledger);
    const states = statesOf(body.loads, ({ lot, to, at }) => keyOf(lot, to, instantOf(at)), ({ wetKg }) => wetKg, known, SAME_KG); // prettier-ignore
    const fresh = body.loads.filter((_, i) => states[i] === 'new');
    if (body.look || fresh.length === 0) return { states, taken: 0 };
    const entries = fresh.map((load): HarvestEntry => ({
      ...{ id: ulid(), type: 'harvest', lot: load.lot, to: load.to, wetKg: load.wetKg, moisture: load.moisture },
      at: new Date(instantOf(load.at)).toISOString(),
      method: body.method,
      device: deviceOf(body.importId),
      ...(load.ticket ? { note: `load ${load.ticket} of the file` } : {}),
    }));
    await this.intoBook(farmId, body, 'loads', entries, caller);
    return { states, taken: entries.length };
  }

  /** Tickets of a buyer: deliveries by his weights. */
  async tickets(farmId: string, body: TicketsImportBody, caller: Caller): Promise<RowsImportAnswer> {
    const book = await this.ledgers.open(farmId);
    const kinds = new Map(book.places.map(({ id, kind }) => [id, kind]));
    for (const [i, { from, to }] of body.tickets.entries()) {
      if (kinds.get(to) !== 'buyer') refusePlace('tickets', i, 'to', 'there is no such buyer');
      if (!kinds.has(from) || kinds.get(from) === 'buyer') refusePlace('tickets', i, 'from', 'there is no such place');
    }
    const known = new Map<string, number[]>();
    const nameOf = (to: string, ticket: string): string => `${to}\n${plainName(ticket)}`;
    for (const { to, ticket, netKg } of deliveries(book)) if (ticket !== null) add(known, nameOf(to, ticket), netKg);
    const states = statesOf(
      body.tickets,
      ({ to, ticket }) => nameOf(to, ticket),
      ({ wetKg }) => wetKg,
      known,
      SAME_KG,
    );
    const fresh = body.tickets.filter((_, i) => states[i] === 'new');
    if (body.look || fresh.length === 0) return { states, taken: 0 };
    const papers: TicketPaper[] = [];
    const entries = fresh.map(({ at, factors, ...one }): Entry => {
      const id = ulid();
      if (factors && Object.keys(factors).length > 0)
        papers.push({ id: ulid(), at: new Date(this.clock.now()).toISOString(), entryId: id, factors: { ...factors } });
      return {
        ...one,
        ...{ id, type: 'move', method: 'ticket', device: deviceOf(body.importId) },
        at: new Date(instantOf(at)).toISOString(),
      };
    });
    await this.intoBook(farmId, body, 'tickets', entries, caller);
    if (papers.length > 0)
      await this.writes.run(farmId, async (write) => {
        for (const paper of papers) await this.records.addIn(write, 'ticketPaper', paper, caller);
      });
    return { states, taken: entries.length };
  }

  /** Levels of bins: each sets the book right, as a tape does. */
  async levels(farmId: string, body: LevelsImportBody, caller: Caller): Promise<RowsImportAnswer> {
    const book = await this.ledgers.open(farmId);
    const kinds = new Map(book.places.map(({ id, kind }) => [id, kind]));
    for (const [i, { place }] of body.levels.entries())
      if (!kinds.has(place) || kinds.get(place) === 'buyer')
        refusePlace('levels', i, 'place', 'there is no such place');
    const known = new Map<string, number[]>();
    const nameOf = (place: string, atMs: number): string => `${place}\n${Math.floor(atMs / MINUTE)}`;
    for (const entry of book.ledger.entriesFrom(0))
      if (entry.type === 'measure') add(known, nameOf(entry.place, instantOf(entry.at)), entry.wetKg);
    const states = statesOf(body.levels, ({ place, at }) => nameOf(place, instantOf(at)), ({ wetKg }) => wetKg, known, SAME_KG); // prettier-ignore
    const fresh = body.levels.filter((_, i) => states[i] === 'new');
    if (body.look || fresh.length === 0) return { states, taken: 0 };
    const entries = fresh.map(({ at, ...one }): Entry => ({
      ...one,
      ...{ id: ulid(), type: 'measure', method: 'volume', device: deviceOf(body.importId) },
      at: new Date(instantOf(at)).toISOString(),
    }));
    await this.intoBook(farmId, body, 'levels', entries, caller);
    return { states, taken: entries.length };
  }

  /** Measured hours of weather; an hour that was measured already stays as it is. */
  weather(farmId: string, body: WeatherImportBody, caller: Caller): Promise<RowsImportAnswer> {
    return this.writes.run(farmId, async ({ tx, changed }) => {
      const rows = body.hours.map((hour) => ({
        ...weatherRow(farmId, { ...hour, forecast: false }),
        importId: body.importId,
      }));
      const kept = new Map((await this.imports.weather(tx, farmId, rows.map(({ atMs }) => atMs))).map((row) => [row.atMs, row])); // prettier-ignore
      const states = rows.map((row): ImportState => {
        const was = kept.get(row.atMs);
        if (!was || was.forecast) return (kept.set(row.atMs, row), 'new');
        return Math.abs(was.temperature - row.temperature) < 0.06 && Math.abs(was.humidity - row.humidity) < 0.006 ? 'known' : 'different'; // prettier-ignore
      });
      const fresh = rows.filter((_, i) => states[i] === 'new');
      if (body.look || fresh.length === 0) return { states, taken: 0 };
      await this.took(tx, farmId, body, 'weather', fresh.length, caller);
      await this.imports.putWeather(tx, fresh);
      changed('weather');
      changed('trace');
      return { states, taken: fresh.length };
    });
  }

  /** Readings of temperature cables; those of a moment that is there stay as they are. */
  async cables(farmId: string, body: CablesImportBody, caller: Caller): Promise<RowsImportAnswer> {
    const { places } = await this.ledgers.open(farmId);
    const ids = new Set(places.map(({ id }) => id));
    for (const [i, { placeId }] of body.readings.entries())
      if (!ids.has(placeId)) refusePlace('readings', i, 'placeId', 'there is no such place');
    return this.writes.run(farmId, async ({ tx, changed }) => {
      const rows = body.readings.map(({ placeId, cable, at, celsius }) => ({ farmId, placeId, cable, atMs: instantOf(at), celsius: packed(celsius), importId: body.importId })); // prettier-ignore
      const nameOf = (row: { placeId: string; cable: number; atMs: number }): string => `${row.placeId} ${row.cable} ${row.atMs}`; // prettier-ignore
      const kept = new Map((await this.imports.cables(tx, farmId, rows)).map((row) => [nameOf(row), row.celsius]));
      const states = rows.map((row): ImportState => {
        const was = kept.get(nameOf(row));
        if (was === undefined) return (kept.set(nameOf(row), row.celsius), 'new');
        return was.equals(row.celsius) ? 'known' : 'different';
      });
      const fresh = rows.filter((_, i) => states[i] === 'new');
      if (body.look || fresh.length === 0) return { states, taken: 0 };
      await this.took(tx, farmId, body, 'cables', fresh.length, caller);
      await this.imports.putCables(tx, fresh);
      changed('weather');
      changed('trace');
      return { states, taken: fresh.length };
    });
  }

  /** Written down first: what is in the book can always be undone. */
  private async intoBook(
    farmId: string,
    body: { readonly importId: string; readonly file: string },
    kind: FileImportInfo['kind'],
    entries: readonly Entry[],
    caller: Caller,
  ): Promise<void> {
    await this.writes.run(farmId, async ({ tx, changed }) => {
      await this.took(tx, farmId, body, kind, entries.length, caller);
      changed('trace');
    });
    await this.ledgers.append(farmId, [...entries], { id: caller.id, name: caller.name });
  }

  private took(
    tx: Tx,
    farmId: string,
    { importId, file }: { readonly importId: string; readonly file: string },
    kind: FileImportInfo['kind'],
    taken: number,
    caller: Caller,
  ): Promise<void> {
    return this.imports.took(tx, { farmId, id: importId, kind, name: file, byName: caller.name, atMs: this.clock.now(), taken, undone: false }); // prettier-ignore
  }

  async undo(farmId: string, importId: string): Promise<ImportUndone> {
    const [row] = (await this.imports.list(farmId)).filter(({ id }) => id === importId);
    if (!row) throw new Refused('not_found', 'No such file was taken in.');
    if (row.undone) return { undone: 0 };
    switch (row.kind) {
      case 'fields':
        return this.undoFields(farmId, importId);
      case 'weather':
      case 'cables':
        return this.undoRows(farmId, importId, row.kind);
      default:
        return this.undoLoads(farmId, importId);
    }
  }

  private async undoLoads(farmId: string, importId: string): Promise<ImportUndone> {
    const { ledger } = await this.ledgers.open(farmId);
    const device = deviceOf(importId);
    const own = ledger.arrivals.filter((entry) => entry.device === device && !ledger.isVoided(entry.id));
    const at = new Date(await this.farmClock.now(farmId)).toISOString();
    for (let i = 0; i < own.length; i += AT_ONCE)
      await this.ledgers.append(
        farmId,
        own.slice(i, i + AT_ONCE).map(({ id }): Entry => ({ id: ulid(), type: 'void', voids: id, at, note: 'a file was taken in by mistake' })), // prettier-ignore
        { id: null, name: '' },
      );
    await this.markUndone(farmId, importId);
    return { undone: own.length };
  }

  private async undoFields(farmId: string, importId: string): Promise<ImportUndone> {
    const { ledger, lots: known } = await this.ledgers.open(farmId);
    const work = (): Promise<ImportUndone> =>
      this.writes.run(farmId, async ({ tx, changed }) => {
        const rows = await this.imports.madeBy(tx, farmId, importId);
        const lots = rows.flatMap(({ lotId }) => (lotId === null ? [] : [lotId]));
        const used = new Set(ledger.arrivals.flatMap((entry) => ('lot' in entry ? [entry.lot] : [])));
        const [busy] = lots.filter((lot) => used.has(lot));
        if (busy !== undefined)
          throw new Refused('id_used_otherwise', `${known.find(({ id }) => id === busy)?.fieldName ?? 'A field'} has loads already; it stays, and so do the others.`); // prettier-ignore
        for (const { fieldId, wasAcres } of rows) if (wasAcres !== null) await this.imports.setAcres(tx, farmId, fieldId, wasAcres); // prettier-ignore
        await removeFields(tx, farmId, lots, rows.filter(({ made }) => made).map(({ fieldId }) => fieldId)); // prettier-ignore
        await this.imports.undone(tx, farmId, importId);
        changed('header');
        changed('fields');
        changed('trace');
        return { undone: rows.length };
      });
    return unlessPointedTo(work, new Refused('id_used_otherwise', 'Something was recorded for one of these fields since; they stay.')); // prettier-ignore
  }

  private undoRows(farmId: string, importId: string, kind: 'weather' | 'cables'): Promise<ImportUndone> {
    return this.writes.run(farmId, async ({ tx, changed }) => {
      const undone = await this.imports.removeRows(tx, kind, farmId, importId);
      await this.imports.undone(tx, farmId, importId);
      changed('weather');
      changed('trace');
      return { undone };
    });
  }

  private markUndone(farmId: string, importId: string): Promise<void> {
    return this.writes.run(farmId, async ({ tx, changed }) => {
      await this.imports.undone(tx, farmId, importId);
      changed('trace');
    });
  }
}

function refusePlace(list: string, i: number, field: string, message: string): never {
  throw new Refused('body_wrong', `Line ${i + 1}: ${message}.`, [{ field: `${list}[${i}].${field}`, code: 'not_found', message }]); // prettier-ignore
}

const add = (known: Map<string, number[]>, name: string, kg: number): void =>
  void known.set(name, [...(known.get(name) ?? []), kg]);

/** Which rows are new, known or different from what is known by their names; two of one name in a file are one. */
function statesOf<Row>(
  rows: readonly Row[],
  nameOf: (row: Row) => string,
  kgOf: (row: Row) => number,
  known: Map<string, number[]>,
  sameKg: number,
): ImportState[] {
  return rows.map((row) => {
    const same = known.get(nameOf(row));
    if (same !== undefined) return same.some((kg) => Math.abs(kg - kgOf(row)) <= sameKg) ? 'known' : 'different';
    known.set(nameOf(row), [kgOf(row)]);
    return 'new';
  });
}

const keyOf = (lot: string, to: string, atMs: number): string => `${lot}\n${to}\n${Math.floor(atMs / MINUTE)}`;

/** Weights of living loads by field, place and minute; made again when the book has grown. */
const indexes = new WeakMap<Ledger, { size: number; known: Map<string, number[]> }>();
function knownLoads(ledger: Ledger): Map<string, number[]> {
  const kept = indexes.get(ledger);
  if (kept?.size === ledger.size) return new Map(kept.known);
  const known = new Map<string, number[]>();
  for (const entry of ledger.entriesFrom(0)) {
    if (entry.type !== 'harvest') continue;
    const key = keyOf(entry.lot, entry.to, instantOf(entry.at));
    known.set(key, [...(known.get(key) ?? []), entry.wetKg]);
  }
  indexes.set(ledger, { size: ledger.size, known });
  return new Map(known);
}
