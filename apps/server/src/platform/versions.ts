import { type FarmVersions, type Topic, TOPICS } from '@fanega/contract';
import { Inject, Injectable } from '@nestjs/common';
import { DataSource, type EntityManager, In } from 'typeorm';
import { FarmTopicRow } from './entities/farm.entity.js';

/** Inside a transaction its own connection is read from: waiting for a second one while holding a lock could block all. */
export type Connection = DataSource | EntityManager;

const NONE = Object.fromEntries(TOPICS.map((topic) => [topic, 0])) as Record<Topic, number>;

/** What every topic of a farm has come to. */
@Injectable()
export class VersionsRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  /** By the farm's id as the database has it; farms that are none are left out. */
  async of(farmIds: readonly string[], on: Connection = this.db): Promise<Map<string, FarmVersions>> {
    if (farmIds.length === 0) return new Map();
    // Every call asks this, so it is one question, and written out: the library takes longer to word it than the database to answer.
    const rows = await on.query<{ id: string; seq: number; topic: Topic | null; version: number | null }[]>(
      'SELECT f.id, f.seq, t.topic, t.version FROM farms f LEFT JOIN farm_topics t ON t.farm_id = f.id ' +
        `WHERE f.id IN (${farmIds.map(() => '?').join(', ')})`,
      [...farmIds],
    );
    const found = new Map<string, { readonly seq: number; readonly topics: Record<Topic, number> }>();
    for (const { id, seq, topic, version } of rows) {
      const farm = found.get(id) ?? { seq, topics: { ...NONE } };
      if (topic !== null && Object.hasOwn(NONE, topic)) farm.topics[topic] = version ?? 0;
      found.set(id, farm);
    }
    return found;
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
