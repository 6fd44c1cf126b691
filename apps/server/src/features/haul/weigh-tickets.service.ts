import type { EntryBody, WeighTicketBody, WeighTicketCorrectionBody, WeighTicketInfo } from '@fanega/contract';
import { isByJob, type Entry, instantOf, mainCrop, weighed } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import type { Writer } from '../../platform/access.js';
import type { FarmWrite } from '../../platform/farm-write.js';
import { notItsJob } from '../../platform/jobs.js';
import { Refused } from '../../platform/refused.js';
import { asEntry, LedgerService, PlacesRepository } from '../ledger/index.js';
import { RecordsRepository } from '../records/index.js';
import { printTicket } from './print-ticket.js';
import { type KeptTicket, WeighTicketsRepository } from './weigh-tickets.repository.js';

const LISTED = 500;
/** Half a kilogram: scales show whole pounds. */
const TOLERANCE_KG = 0.5;
const sum = (axles: readonly number[]): number =>
  weighed(axles.length === 1 ? { kind: 'whole', kg: axles[0]! } : { kind: 'axles', kg: axles }).kg;
const wrong = (field: string, message: string): Refused =>
  new Refused('body_wrong', `${message[0]!.toUpperCase()}${message.slice(1)}.`, [{ field, code: field, message }]);

/** Weights of the farm's own truck scale: numbered, printed, voided, never changed. */
@Injectable()
export class WeighTicketsService {
  constructor(
    @Inject(WeighTicketsRepository) private readonly tickets: WeighTicketsRepository,
    @Inject(PlacesRepository) private readonly places: PlacesRepository,
    @Inject(RecordsRepository) private readonly records: RecordsRepository,
    @Inject(LedgerService) private readonly ledgers: LedgerService,
  ) {}

  async list(farmId: string): Promise<WeighTicketInfo[]> {
    return (await this.tickets.list(farmId, LISTED)).map(infoOf);
  }

  /** Keeps a weight under the farm's next number, and what it says in the book: both or neither. The same ticket again gives the same number. */
  add(farmId: string, body: WeighTicketBody, writer: Writer): Promise<WeighTicketInfo> {
    requireGate(writer);
    return this.ledgers.writing(farmId, (write) => this.addIn(write, body, writer));
  }

  /** The old ticket void, what it said in the book void, the new one in its place: one transaction. */
  correct(farmId: string, number: number, body: WeighTicketCorrectionBody, writer: Writer): Promise<WeighTicketInfo> {
    return this.ledgers.writing(farmId, async (write) => {
      await this.voidIn(write, number, body.void, writer);
      return this.addIn(write, body.ticket, writer);
    });
  }

  /** The ticket is void, its number stays used; what it said in the book is voided with it. */
  void(farmId: string, number: number, entry: EntryBody | undefined, writer: Writer): Promise<WeighTicketInfo> {
    return this.ledgers.writing(farmId, (write) => this.voidIn(write, number, entry, writer));
  }

  private async voidIn(
    write: FarmWrite,
    number: number,
    entry: EntryBody | undefined,
    writer: Writer,
  ): Promise<WeighTicketInfo> {
    const { tx, farm, changed } = write;
    const row = await this.tickets.one(farm.id, { number }, tx);
    if (!row) throw new Refused('not_found', 'There is no such ticket.');
    requireGate(writer, row.by);
    if (entry) {
      if (entry.type !== 'void' || entry.voids !== row.entryId)
        throw wrong('void', 'this is not what the ticket said in the book');
      await this.ledgers.appendIn(write, [asEntry(entry)], writer);
    }
    if (!row.voided) {
      await this.tickets.void(tx, farm.id, number);
      changed('haul');
    }
    return infoOf({ ...row, voided: true });
  }

  private async addIn(write: FarmWrite, body: WeighTicketBody, writer: Writer): Promise<WeighTicketInfo> {
    const { tx, farm, changed } = write;
    const farmId = farm.id;
    const known = await this.tickets.one(farmId, { id: body.id }, tx);
    if (known) return same(infoOf(known), body);
    await this.check(write, body);
    const { ledger, lots } = await this.ledgers.openIn(write);
    const held = ledger.position(body.machineId);
    const shares = Object.fromEntries(
      Object.entries(held.lots).map(([lot, kg]) => [lot, held.dryKg > 0 ? kg / held.dryKg : 0]),
    );
    if (body.entry) await this.ledgers.appendIn(write, [asEntry(body.entry)], writer);
    const number = await this.tickets.nextNumber(tx, farmId);
    const row: KeptTicket = {
      farmId,
      number,
      id: body.id,
      atMs: Math.floor(instantOf(body.at)),
      machineId: body.machineId,
      combination: body.combination.trim(),
      tareId: body.tareId ?? null,
      byHand: body.byHand,
      crop: mainCrop(held.lots, new Map(lots.map((lot) => [lot.id, lot]))) ?? null,
      entryId: body.entry?.id ?? null,
      by: writer.name,
      voided: false,
      grossKg: body.grossKg,
      tareKg: body.tareKg,
      shares,
    };
    await this.tickets.add(tx, row);
    changed('haul');
    return infoOf(row);
  }

  private async check({ tx, farm }: FarmWrite, body: WeighTicketBody): Promise<void> {
    const [gross, tare] = [sum(body.grossKg), sum(body.tareKg)];
    if (gross <= tare)
      throw wrong(
        'grossKg',
        'the loaded truck weighs no more than the empty one: that is another truck, or it is empty',
      );
    if (!(await this.places.one(tx, farm.id, body.machineId)))
      throw new Refused('not_found', 'There is no such truck.');
    if (body.tareId !== undefined) {
      const kept = await this.records.one(tx, farm.id, 'emptyWeight', body.tareId);
      if (!kept || kept.row.voided) throw wrong('tareId', 'this empty weight is not in the book, or was taken back');
      const { combination, axlesKg } = kept.body as { combination: string; axlesKg: number[] };
      if (combination !== body.combination)
        throw wrong('combination', 'this empty weight is of another tractor and trailer: weigh empty');
      if (Math.abs(sum(axlesKg) - tare) > TOLERANCE_KG)
        throw wrong('tareKg', 'this is not the empty weight that was kept');
    }
    if (body.entry) {
      const { type, method, wetKg } = asEntry(body.entry) as Entry & { wetKg?: number };
      if (
        (type !== 'witness' && type !== 'measure') ||
        method !== 'bridge' ||
        wetKg === undefined ||
        Math.abs(wetKg - (gross - tare)) > TOLERANCE_KG
      )
        throw wrong('entry', 'a weighing says in the book what it weighed, and nothing else');
    }
  }

  /** The ticket as a PDF. */
  async print(farmId: string, number: number): Promise<Uint8Array> {
    const row = await this.tickets.one(farmId, { number });
    if (!row) throw new Refused('not_found', 'There is no such ticket.');
    const { header, lots, places } = await this.ledgers.open(farmId);
    const { name, timeZone, clock, units } = header.farm;
    return printTicket(
      infoOf(row),
      { farm: name, timeZone, clock, units, ...(await this.ledgers.end(farmId)), printedAt: Date.now() },
      {
        truck: places.find((place) => place.id === row.machineId)?.name ?? row.machineId,
        fieldOf: (lotId) => lots.find((lot) => lot.id === lotId)?.fieldName ?? 'field not known',
      },
    );
  }
}

function same(kept: WeighTicketInfo, body: WeighTicketBody): WeighTicketInfo {
  const agrees =
    kept.machineId === body.machineId &&
    String(kept.grossKg) === String(body.grossKg) &&
    String(kept.tareKg) === String(body.tareKg) &&
    kept.combination === body.combination.trim();
  if (!agrees) throw new Refused('id_used_otherwise', 'This id is used by another ticket already.');
  return kept;
}

const infoOf = (row: KeptTicket): WeighTicketInfo => ({
  number: row.number,
  id: row.id,
  at: new Date(row.atMs).toISOString(),
  machineId: row.machineId,
  combination: row.combination,
  grossKg: [...row.grossKg],
  tareKg: [...row.tareKg],
  tareId: row.tareId,
  netKg: sum(row.grossKg) - sum(row.tareKg),
  byHand: Boolean(row.byHand),
  crop: row.crop,
  shares: row.shares,
  entryId: row.entryId,
  by: row.by,
  voided: Boolean(row.voided),
});

/** Of paired phones the one at the gate weighs, and takes back what it weighed itself. */
function requireGate({ job }: Writer, by?: string): void {
  if (job && (job.kind !== 'gate' || (by !== undefined && !isByJob(by, job.label)))) throw notItsJob(job);
}
