import { Inject, Injectable } from '@nestjs/common';
import { DataSource, In } from 'typeorm';
import type { Tx } from '../../platform/farm-write.js';
import { insertAll } from '../../platform/record-table.js';
import type { Connection } from '../../platform/versions.js';
import { WeighTicketAxleRow, WeighTicketRow, WeighTicketShareRow } from './haul.entity.js';

/** A ticket with its axles and the fields in it. */
export interface KeptTicket extends WeighTicketRow {
  readonly grossKg: readonly number[];
  readonly tareKg: readonly number[];
  readonly shares: Readonly<Record<string, number>>;
}

/** Numbered tickets of the farm's own truck scale. */
@Injectable()
export class WeighTicketsRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  /** Newest first. */
  async list(farmId: string, most: number): Promise<KeptTicket[]> {
    return this.whole(
      await this.db.getRepository(WeighTicketRow).find({ where: { farmId }, order: { number: 'DESC' }, take: most }),
    );
  }

  async one(
    farmId: string,
    by: { readonly number: number } | { readonly id: string },
    on: Connection = this.db,
  ): Promise<KeptTicket | null> {
    const row = await on.getRepository(WeighTicketRow).findOneBy({ farmId, ...by });
    return row && (await this.whole([row], on))[0]!;
  }

  async nextNumber(tx: Tx, farmId: string): Promise<number> {
    return Number((await tx.maximum(WeighTicketRow, 'number', { farmId })) ?? 0) + 1;
  }

  async add(tx: Tx, { grossKg, tareKg, shares, ...row }: KeptTicket): Promise<void> {
    await tx.insert(WeighTicketRow, row);
    await insertTicketLists(tx, row.farmId, row.number, grossKg, tareKg, shares);
  }

  async void(tx: Tx, farmId: string, number: number): Promise<void> {
    await tx.update(WeighTicketRow, { farmId, number }, { voided: true });
  }

  private async whole(rows: readonly WeighTicketRow[], on: Connection = this.db): Promise<KeptTicket[]> {
    if (rows.length === 0) return [];
    const where = { farmId: rows[0]!.farmId, number: In(rows.map((row) => row.number)) };
    const axles = await on.getRepository(WeighTicketAxleRow).find({ where, order: { place: 'ASC' } });
    const shares = await on.getRepository(WeighTicketShareRow).findBy(where);
    return rows.map((row): KeptTicket => {
      const of = (side: 'gross' | 'tare'): number[] =>
        axles.filter((axle) => axle.number === row.number && axle.side === side).map(({ kg }) => kg);
      return {
        ...row,
        grossKg: of('gross'),
        tareKg: of('tare'),
        shares: Object.fromEntries(
          shares.filter((one) => one.number === row.number).map(({ lotId, share }) => [lotId, share]),
        ),
      };
    });
  }
}

/** Axles and shares of a ticket in their tables. */
export async function insertTicketLists(
  tx: Tx,
  farmId: string,
  number: number,
  grossKg: readonly number[],
  tareKg: readonly number[],
  shares: Readonly<Record<string, number>>,
): Promise<void> {
  const axles = (side: 'gross' | 'tare', kgs: readonly number[]): WeighTicketAxleRow[] =>
    kgs.map((kg, place) => ({ farmId, number, side, place, kg }));
  await insertAll(tx, WeighTicketAxleRow, [...axles('gross', grossKg), ...axles('tare', tareKg)]);
  await insertAll(
    tx,
    WeighTicketShareRow,
    Object.entries(shares).map(([lotId, share]) => ({ farmId, number, lotId, share })),
  );
}
