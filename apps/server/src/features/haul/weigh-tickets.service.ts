import type { WeighTicketBody, WeighTicketInfo } from '@fanega/contract';
import { instantOf, weighed } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import type { Caller } from '../../platform/access.js';
import { Refused } from '../../platform/refused.js';
import { FarmRow, NoteRow, PlaceRow, WeighTicketRow } from '../../platform/rows.js';
import { asEntry, BookService } from '../book/index.js';
import { printTicket } from './print-ticket.js';

const LISTED = 500;
const sum = (axles: readonly number[]): number => weighed(axles.length === 1 ? { kind: 'whole', kg: axles[0]! } : { kind: 'axles', kg: axles }).kg;

/** Weights of the farm's own bridge: numbered, printed, voided, never changed. */
@Injectable()
export class WeighTicketsService {
  constructor(
    @Inject(DataSource) private readonly db: DataSource,
    @Inject(BookService) private readonly books: BookService,
  ) {}

  async list(farmId: string): Promise<WeighTicketInfo[]> {
    const rows = await this.db.getRepository(WeighTicketRow).find({ where: { farmId }, order: { number: 'DESC' }, take: LISTED });
    return rows.map(infoOf);
  }

  /**
   * Keeps a weight under the farm's next number, and what it says in the book. The same ticket again gives the same number. The entry
   * goes first: a number is taken only for a weight that the book accepted.
   */
  async add(farmId: string, body: WeighTicketBody, caller: Caller): Promise<WeighTicketInfo> {
    const [gross, tare] = [sum(body.grossKg), sum(body.tareKg)];
    const wrong = (field: string, message: string): Refused => new Refused('body_wrong', `${message[0]!.toUpperCase()}${message.slice(1)}.`, [{ field, code: field, message }]);
    if (gross <= tare) throw wrong('grossKg', 'the loaded truck weighs no more than the empty one: that is another truck, or it is empty');
    if (!(await this.db.getRepository(PlaceRow).existsBy({ farmId, id: body.machineId }))) throw new Refused('not_found', 'There is no such truck.');
    if (body.tareId !== undefined) {
      const note = await this.db.getRepository(NoteRow).findOneBy({ farmId, id: body.tareId, kind: 'tare', voided: false });
      if (!note) throw wrong('tareId', 'this empty weight is not in the book, or was taken back');
      const kept = note.body as { combination: string; axlesKg: number[] };
      if (kept.combination !== body.combination) throw wrong('combination', 'this empty weight is of another tractor and trailer: weigh empty');
      if (Math.abs(sum(kept.axlesKg) - tare) > 0.5) throw wrong('tareKg', 'this is not the empty weight that was kept');
    }
    if (body.entry) {
      const { type, method, wetKg } = body.entry;
      if ((type !== 'witness' && type !== 'measure') || method !== 'bridge' || wetKg === undefined || Math.abs(wetKg - (gross - tare)) > 0.5) {
        throw wrong('entry', 'a weighing says in the book what it weighed, and nothing else');
      }
    }
    const known = await this.db.getRepository(WeighTicketRow).findOneBy({ farmId, id: body.id });
    if (known) return this.same(known, body);
    const { setup, ledger } = await this.books.open(farmId);
    const held = ledger.position(body.machineId);
    const dry = held.dryKg;
    const shares = Object.fromEntries(Object.entries(held.lots).map(([lot, kg]) => [lot, dry > 0 ? kg / dry : 0]));
    const [main] = Object.entries(shares).sort((a, b) => b[1] - a[1]);
    if (body.entry) await this.books.append(farmId, [asEntry(body.entry)], caller);
    return this.db.transaction(async (tx: EntityManager) => {
      // The farm's row is held: nobody else takes a number meanwhile.
      await tx.getRepository(FarmRow).findOneOrFail({ where: { id: farmId }, lock: { mode: 'pessimistic_write' }, select: { id: true } });
      const sent = await tx.findOneBy(WeighTicketRow, { farmId, id: body.id });
      if (sent) return this.same(sent, body);
      const row = {
        farmId,
        number: Number((await tx.maximum(WeighTicketRow, 'number', { farmId })) ?? 0) + 1,
        id: body.id,
        atMs: Math.floor(instantOf(body.at)),
        machineId: body.machineId,
        body: {
          combination: body.combination.trim(),
          grossKg: body.grossKg,
          tareKg: body.tareKg,
          tareId: body.tareId ?? null,
          byHand: body.byHand,
          crop: (main && setup.lots.find((lot) => lot.id === main[0])?.crop) ?? null,
          shares,
        },
        entryId: body.entry?.id ?? null,
        by: caller.name,
        voided: false,
      };
      await tx.insert(WeighTicketRow, row);
      await tx.increment(FarmRow, { id: farmId }, 'notes', 1);
      return infoOf(row);
    });
  }

  private same(row: WeighTicketRow, body: WeighTicketBody): WeighTicketInfo {
    const kept = row.body;
    if (
      row.machineId !== body.machineId ||
      String(kept.grossKg) !== String(body.grossKg) ||
      String(kept.tareKg) !== String(body.tareKg) ||
      kept.combination !== body.combination.trim()
    )
      throw new Refused('id_used_otherwise', 'This id is used by another ticket already.');
    return infoOf(row);
  }

  /** The ticket is void, its number stays used; what it said in the book is voided by its own entry. */
  async void(farmId: string, number: number): Promise<WeighTicketInfo> {
    return this.db.transaction(async (tx) => {
      await tx.getRepository(FarmRow).findOneOrFail({ where: { id: farmId }, lock: { mode: 'pessimistic_write' }, select: { id: true } });
      const row = await tx.findOneBy(WeighTicketRow, { farmId, number });
      if (!row) throw new Refused('not_found', 'There is no such ticket.');
      await tx.update(WeighTicketRow, { farmId, number }, { voided: true });
      await tx.increment(FarmRow, { id: farmId }, 'notes', 1);
      return infoOf({ ...row, voided: true });
    });
  }

  /** The ticket as a PDF. */
  async print(farmId: string, number: number): Promise<Uint8Array> {
    const row = await this.db.getRepository(WeighTicketRow).findOneBy({ farmId, number });
    if (!row) throw new Refused('not_found', 'There is no such ticket.');
    const { setup } = await this.books.open(farmId);
    return printTicket(infoOf(row), {
      farm: setup.farm.name,
      timeZone: setup.farm.timeZone,
      truck: setup.places.find((place) => place.id === row.machineId)?.name ?? row.machineId,
      fieldOf: (lotId) => setup.lots.find((lot) => lot.id === lotId)?.fieldName ?? 'field not known',
    });
  }
}

function infoOf(row: WeighTicketRow): WeighTicketInfo {
  const { combination, grossKg, tareKg, tareId, byHand, crop, shares } = row.body;
  return {
    number: row.number,
    id: row.id,
    at: new Date(row.atMs).toISOString(),
    machineId: row.machineId,
    combination,
    grossKg,
    tareKg,
    tareId,
    netKg: sum(grossKg) - sum(tareKg),
    byHand,
    crop,
    shares,
    entryId: row.entryId,
    by: row.by,
    voided: Boolean(row.voided),
  };
}
