import type {
  FieldsImportAnswer,
  FieldsImportBody,
  FileImportInfo,
  ImportedFieldBody,
  ImportState,
  ImportUndone,
  LoadsImportAnswer,
  LoadsImportBody,
} from '@fanega/contract';
import {
  boundaryProblem,
  type Entry,
  type HarvestEntry,
  instantOf,
  type Ledger,
  plainName,
  ringsOf,
} from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { ulid } from 'ulid';
import type { Caller } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { FarmWrites } from '../../platform/farm-write.js';
import { Refused, unlessNameUsed, unlessPointedTo } from '../../platform/refused.js';
import { FarmClock, LedgerService } from '../ledger/index.js';
import { removeFields } from '../fields/index.js';
import { ImportsRepository } from './imports.repository.js';

/** What entries of a file name as their device: by it they are undone as one. */
const deviceOf = (importId: string): string => `import ${importId}`;
const MINUTE = 60_000;
/** kg by which the same load may differ in two files: each rounds as it likes. */
const SAME_KG = 0.6;
const AT_ONCE = 1000;

/** Files of fields and of loads: looked at, taken in, undone as one; the same file again doubles nothing. */
@Injectable()
export class ImportsService {
  constructor(
    @Inject(ImportsRepository) private readonly imports: ImportsRepository,
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(FarmClock) private readonly farmClock: FarmClock,
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
        const byName = new Map(fields.map((field) => [plainName(field.name), field]));
        const tags = new Set(lots.map(({ tag }) => tag));
        const made: Parameters<ImportsRepository['made']>[1][number][] = [];
        const boundaries: { fieldId: string; points: NonNullable<ImportedFieldBody['boundary']> }[] = [];
        await this.imports.took(tx, { farmId, id: body.importId, kind: 'fields', name: body.file, byName: caller.name, atMs: this.clock.now(), taken: body.fields.length, undone: false }); // prettier-ignore
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
    const states = body.loads.map((load): ImportState => {
      const same = known.get(keyOf(load.lot, load.to, instantOf(load.at)));
      const state = same === undefined ? 'new' : same.some((kg) => Math.abs(kg - load.wetKg) <= SAME_KG) ? 'known' : 'different'; // prettier-ignore
      // Two of the same minute in one file are one.
      if (state === 'new') known.set(keyOf(load.lot, load.to, instantOf(load.at)), [load.wetKg]);
      return state;
    });
    const fresh = body.loads.filter((_, i) => states[i] === 'new');
    if (body.look || fresh.length === 0) return { states, taken: 0 };
    const entries = fresh.map((load): HarvestEntry => ({
      ...{ id: ulid(), type: 'harvest', lot: load.lot, to: load.to, wetKg: load.wetKg, moisture: load.moisture },
      at: new Date(instantOf(load.at)).toISOString(),
      method: body.method,
      device: deviceOf(body.importId),
      ...(load.ticket ? { note: `load ${load.ticket} of the file` } : {}),
    }));
    // Written down first: what is in the book can always be undone.
    await this.writes.run(farmId, async ({ tx, changed }) => {
      await this.imports.took(tx, { farmId, id: body.importId, kind: 'loads', name: body.file, byName: caller.name, atMs: this.clock.now(), taken: entries.length, undone: false }); // prettier-ignore
      changed('trace');
    });
    await this.ledgers.append(farmId, entries, { id: caller.id, name: caller.name });
    return { states, taken: entries.length };
  }

  async undo(farmId: string, importId: string): Promise<ImportUndone> {
    const [row] = (await this.imports.list(farmId)).filter(({ id }) => id === importId);
    if (!row) throw new Refused('not_found', 'No such file was taken in.');
    if (row.undone) return { undone: 0 };
    return row.kind === 'loads' ? this.undoLoads(farmId, importId) : this.undoFields(farmId, importId);
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

  private markUndone(farmId: string, importId: string): Promise<void> {
    return this.writes.run(farmId, async ({ tx, changed }) => {
      await this.imports.undone(tx, farmId, importId);
      changed('trace');
    });
  }
}

const keyOf = (lot: string, to: string, atMs: number): string => `${lot}\n${to}\n${Math.floor(atMs / MINUTE)}`;

/** Weights of living loads by field, place and minute; made again when the book has grown. */
const indexes = new WeakMap<Ledger, { size: number; known: Map<string, readonly number[]> }>();
function knownLoads(ledger: Ledger): Map<string, readonly number[]> {
  const kept = indexes.get(ledger);
  if (kept?.size === ledger.size) return new Map(kept.known);
  const known = new Map<string, readonly number[]>();
  for (const entry of ledger.entriesFrom(0)) {
    if (entry.type !== 'harvest') continue;
    const key = keyOf(entry.lot, entry.to, instantOf(entry.at));
    known.set(key, [...(known.get(key) ?? []), entry.wetKg]);
  }
  indexes.set(ledger, { size: ledger.size, known });
  return new Map(known);
}
