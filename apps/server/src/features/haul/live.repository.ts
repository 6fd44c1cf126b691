import { Inject, Injectable } from '@nestjs/common';
import { DataSource, In, LessThan, MoreThan } from 'typeorm';
import { LiveFigureRow } from './haul.entity.js';

/** The last minutes of what scales and displays showed, for every process that somebody watches at. */
@Injectable()
export class LiveRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  /** Time of a device's newest figure; null where there is none. */
  async newest(farmId: string, deviceId: string): Promise<number | null> {
    const last = await this.db.getRepository(LiveFigureRow).maximum('atMs', { farmId, deviceId });
    return last === null ? null : Number(last);
  }

  async drop(farmId: string, deviceId: string): Promise<void> {
    await this.db.getRepository(LiveFigureRow).delete({ farmId, deviceId });
  }

  /** Of these times those that are kept already. */
  async known(farmId: string, deviceId: string, times: readonly number[]): Promise<Set<number>> {
    const rows = await this.db.getRepository(LiveFigureRow).findBy({ farmId, deviceId, atMs: In([...times]) });
    return new Set(rows.map(({ atMs }) => atMs));
  }

  /** What another process has put in meanwhile stays. */
  async add(rows: readonly Partial<LiveFigureRow>[]): Promise<void> {
    await this.db
      .createQueryBuilder()
      .insert()
      .into(LiveFigureRow)
      .values([...rows])
      .orIgnore()
      .execute();
  }

  /** Figures that came in after a moment, oldest first. */
  since(farmId: string, receivedMs: number): Promise<LiveFigureRow[]> {
    return this.db
      .getRepository(LiveFigureRow)
      .find({ where: { farmId, receivedMs: MoreThan(receivedMs) }, order: { atMs: 'ASC' } });
  }

  async forgetBefore(receivedMs: number): Promise<void> {
    await this.db.getRepository(LiveFigureRow).delete({ receivedMs: LessThan(receivedMs) });
  }
}
