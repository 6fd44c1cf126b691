import { Inject, Injectable } from '@nestjs/common';
import { DataSource, In, LessThan, MoreThan, MoreThanOrEqual } from 'typeorm';
import { LiveFigureRow, MachinePositionRow } from './haul.entity.js';

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

  /** Figures of all devices since an instant of their own clocks, oldest first. */
  from(farmId: string, atMs: number): Promise<LiveFigureRow[]> {
    return this.db
      .getRepository(LiveFigureRow)
      .find({ where: { farmId, atMs: MoreThanOrEqual(atMs) }, order: { atMs: 'ASC' } });
  }

  tracksFrom(farmId: string, atMs: number): Promise<MachinePositionRow[]> {
    return this.db
      .getRepository(MachinePositionRow)
      .find({ where: { farmId, atMs: MoreThanOrEqual(atMs) }, order: { atMs: 'ASC' } });
  }

  /** Time of the newest figure of each device, and of the newest position of each machine. */
  async newestOfAll(farmId: string): Promise<Map<string, number>> {
    const newest = async (
      row: typeof LiveFigureRow | typeof MachinePositionRow,
      of: string,
    ): Promise<[string, number][]> => {
      const found: { id: string; atMs: string }[] = await this.db
        .createQueryBuilder(row, 'one')
        .select(`one.${of}`, 'id')
        .addSelect('MAX(one.atMs)', 'atMs')
        .where('one.farmId = :farmId', { farmId })
        .groupBy(`one.${of}`)
        .getRawMany();
      return found.map(({ id, atMs }) => [id, Number(atMs)]);
    };
    return new Map([...(await newest(LiveFigureRow, 'deviceId')), ...(await newest(MachinePositionRow, 'placeId'))]);
  }

  /** What is known already stays. */
  async addPositions(rows: readonly MachinePositionRow[]): Promise<void> {
    await this.db
      .createQueryBuilder()
      .insert()
      .into(MachinePositionRow)
      .values([...rows])
      .orIgnore()
      .execute();
  }

  async forgetBefore(receivedMs: number): Promise<void> {
    for (const row of [LiveFigureRow, MachinePositionRow])
      await this.db.getRepository(row).delete({ receivedMs: LessThan(receivedMs) });
  }
}
