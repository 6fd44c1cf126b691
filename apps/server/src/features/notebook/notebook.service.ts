import type { NoteBody, NoteKind, ReadingBody, ShedNotes, SheetChange, WeatherBody } from '@fanega/contract';
import { instantOf } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { type EntityManager, In } from 'typeorm';
import { ulid } from 'ulid';
import type { Caller } from '../../platform/access.js';
import { Refused } from '../../platform/refused.js';
import { FieldRow, LotRow, NoteRow, PlaceRow, ReadingRow, SheetRow, WeatherRow } from '../../platform/rows.js';
import { NotebookRepository } from './notebook.repository.js';

const missing = (field: string, what: string): Refused =>
  new Refused('not_found', `There is no such ${what}.`, [{ field, code: 'not_found', message: `there is no such ${what}` }]);

/** Readings, notes, sheets and weather. A note is never changed: it is taken back and made again. */
@Injectable()
export class NotebookService {
  constructor(@Inject(NotebookRepository) private readonly repository: NotebookRepository) {}

  addReading(farmId: string, body: ReadingBody, caller: Caller): Promise<{ readingId: string }> {
    return this.repository.changing(farmId, async (tx) => {
      if (!(await tx.existsBy(FieldRow, { farmId, id: body.fieldId }))) throw missing('fieldId', 'field');
      const row: ReadingRow = {
        farmId,
        id: body.id ?? ulid(),
        fieldId: body.fieldId,
        atMs: Math.floor(instantOf(body.at)),
        moisture: body.moisture ?? null,
        source: body.source,
        cracked: body.cracked ?? null,
        tester: body.tester?.trim() ?? '',
        spot: body.spot?.trim() ?? '',
        by: caller.name,
        voided: false,
      };
      const kept = await tx.findOneBy(ReadingRow, { farmId, id: row.id });
      if (kept) {
        const same = kept.fieldId === row.fieldId && kept.atMs === row.atMs && kept.moisture === row.moisture && kept.cracked === row.cracked && kept.source === row.source;
        if (!same) throw usedOtherwise();
      } else await tx.insert(ReadingRow, row);
      return { readingId: row.id };
    });
  }

  /** The same note again is accepted and nothing is doubled; another under its id is refused. */
  addNote(farmId: string, kind: NoteKind | keyof ShedNotes, body: NoteBody, caller: Caller): Promise<{ noteId: string }> {
    return this.repository.changing(farmId, async (tx) => {
      const { lotId, machineId } = body as { lotId?: string; machineId?: string };
      if (lotId !== undefined && !(await tx.existsBy(LotRow, { farmId, id: lotId }))) throw missing('lotId', 'field');
      if (machineId !== undefined && !(await tx.existsBy(PlaceRow, { farmId, id: machineId }))) throw missing('machineId', 'machine');
      const kept = await tx.findOneBy(NoteRow, { farmId, id: body.id });
      const plain = JSON.parse(JSON.stringify(body)) as object;
      if (kept) {
        if (kept.kind !== kind || !sameJson(kept.body, plain)) throw usedOtherwise();
      } else
        await tx.insert(NoteRow, {
          farmId,
          id: body.id,
          kind,
          atMs: Math.floor(instantOf(body.at)),
          lotId: lotId ?? null,
          machineId: machineId ?? null,
          body: plain,
          by: caller.name,
          voided: false,
        } as never);
      return { noteId: body.id };
    });
  }

  voidReading(farmId: string, readingId: string): Promise<{ readingId: string }> {
    return this.repository.changing(farmId, async (tx) => {
      if (!(await tx.existsBy(ReadingRow, { farmId, id: readingId }))) throw missing('id', 'reading');
      await tx.update(ReadingRow, { farmId, id: readingId }, { voided: true });
      return { readingId };
    });
  }

  voidNote(farmId: string, noteId: string): Promise<{ noteId: string }> {
    return this.repository.changing(farmId, async (tx) => {
      if (!(await tx.existsBy(NoteRow, { farmId, id: noteId }))) throw missing('id', 'note');
      await tx.update(NoteRow, { farmId, id: noteId }, { voided: true });
      return { noteId };
    });
  }

  /** Replaces a sheet when nobody else did since; otherwise says so, and what was typed is still on the screen. */
  changeSheet(
    farmId: string,
    kind: string,
    subject: string,
    change: SheetChange & { sheet: object },
    exists?: (tx: EntityManager) => Promise<boolean>,
  ): Promise<{ revision: number }> {
    return this.repository.changing(farmId, async (tx) => {
      if (exists && !(await exists(tx))) throw missing('subject', kind);
      const kept = await tx.findOneBy(SheetRow, { farmId, kind, subject });
      if ((kept?.revision ?? 0) !== change.revision) throw new Refused('sheet_changed', 'Somebody else changed this meanwhile. Look at it again, then save.');
      const revision = change.revision + 1;
      await tx.save(SheetRow, { farmId, kind, subject, revision, body: JSON.parse(JSON.stringify(change.sheet)) as object });
      return { revision };
    });
  }

  isPlace(farmId: string, id: string): (tx: EntityManager) => Promise<boolean> {
    return (tx) => tx.existsBy(PlaceRow, { farmId, id });
  }

  addWeather(farmId: string, body: WeatherBody): Promise<{ hours: number }> {
    return this.repository.changing(farmId, async (tx) => {
      const rows = body.hours.map((hour) => NotebookRepository.weatherRow(farmId, hour));
      // What was measured stays: a forecast that comes late must not write over it.
      const measured = new Set((await tx.findBy(WeatherRow, { farmId, forecast: false, atMs: In(rows.map((row) => row.atMs)) })).map((row) => row.atMs));
      const fresh = [...new Map(rows.map((row) => [row.atMs, row])).values()].filter((row) => !row.forecast || !measured.has(row.atMs));
      if (fresh.length > 0) await tx.upsert(WeatherRow, fresh, ['farmId', 'atMs']);
      return { hours: fresh.length };
    });
  }
}

const usedOtherwise = (): Refused =>
  new Refused('id_used_otherwise', 'This id is used by another note already.', [{ field: 'id', code: 'id_used_otherwise', message: 'this id is used by another note already' }]);

/** Equal whatever the order of their keys: the database may keep its own. */
function sameJson(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || a === null || typeof b !== 'object' || b === null) return a === b;
  const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = new Set([...Object.keys(x), ...Object.keys(y)]);
  return [...keys].every((key) => sameJson(x[key], y[key]));
}
