import { type FarmVersions, type Topic, TOPICS } from '@fanega/contract';
import { Inject, Injectable } from '@nestjs/common';
import { DataSource, type EntityManager, In } from 'typeorm';
import { FarmRow, FarmTopicRow } from './entities/farm.entity.js';

/** Inside a transaction its own connection is read from: waiting for a second one while holding a lock could block all. */
export type Connection = DataSource | EntityManager;

/** What every topic of a farm has come to. */
@Injectable()
export class VersionsRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  /** By the farm's id as the database has it; farms that are none are left out. */
  async of(farmIds: readonly string[], on: Connection = this.db): Promise<Map<string, FarmVersions>> {
    if (farmIds.length === 0) return new Map();
    const [farms, topics] = await Promise.all([
      on.getRepository(FarmRow).find({ where: { id: In([...farmIds]) }, select: { id: true, seq: true } }),
      on.getRepository(FarmTopicRow).findBy({ farmId: In([...farmIds]) }),
    ]);
    return new Map(
      farms.map(({ id, seq }) => [
        id,
        {
          seq,
          topics: Object.fromEntries(
            TOPICS.map((topic) => [
              topic,
              topics.find((row) => row.farmId === id && row.topic === topic)?.version ?? 0,
            ]),
          ) as FarmVersions['topics'],
        },
      ]),
    );
  }

  /** What some topics have come to together, as text: two are the same where nothing of theirs has changed. */
  async text(farmId: string, topics: readonly Topic[]): Promise<string> {
    const rows = await this.db.getRepository(FarmTopicRow).findBy({ farmId, topic: In([...topics]) });
    return topics.map((topic) => rows.find((row) => row.topic === topic)?.version ?? 0).join('.');
  }

  /**
   * Rows for a new farm, so that counting is one update. It begins at the second of the farm's making: a device that keeps answers of
   * another farm of this id (a demo that was made anew) takes none of them for this one's.
   */
  static rows(farmId: string): FarmTopicRow[] {
    const version = Math.floor(Date.now() / 1000);
    return TOPICS.map((topic) => ({ farmId, topic, version }));
  }
}

/** A state as text: two are the same where it is. */
export const versionText = ({ seq, topics }: FarmVersions): string =>
  [seq, ...TOPICS.map((topic) => topics[topic])].join('.');
