import type { Topic } from '@fanega/contract';
import { Inject, Injectable } from '@nestjs/common';
import { DataSource, type EntityManager, In } from 'typeorm';
import { again } from './again.js';
import { leaveNode } from './database-hosts.js';
import { FarmRow, FarmTopicRow } from './entities/farm.entity.js';
import { FeedService } from './feed.service.js';
import { Refused } from './refused.js';

/** What a repository writes on while a write runs; nobody else looks into it. */
export type Tx = EntityManager;

/** A write of one farm while it runs: its connection, the locked farm, and what it changed. */
export interface FarmWrite {
  readonly tx: Tx;
  /** Nobody else writes anything of this farm until we are through. */
  readonly farm: FarmRow;
  /** Says that a topic changed: who shows it asks again. A write that changed nothing tells nobody. */
  readonly changed: (topic: Topic) => void;
}

/** The one way to write anything of a farm: lock, work, version by topic, commit, publish; a conflict is tried again. */
@Injectable()
export class FarmWrites {
  constructor(
    @Inject(DataSource) private readonly db: DataSource,
    @Inject(FeedService) private readonly feed: FeedService,
  ) {}

  run<T>(farmId: string, work: (write: FarmWrite) => Promise<T>): Promise<T> {
    return again(
      async () => {
        const topics = new Set<Topic>();
        const result = await this.db.transaction(async (tx) => {
          const farm = await tx
            .getRepository(FarmRow)
            .findOne({ where: { id: farmId }, lock: { mode: 'pessimistic_write' } });
          if (!farm) throw new Refused('not_found', 'There is no such farm.');
          const done = await work({ tx, farm, changed: (topic) => void topics.add(topic) });
          if (topics.size > 0)
            await tx.increment(FarmTopicRow, { farmId: farm.id, topic: In([...topics]) }, 'version', 1);
          return done;
        });
        if (topics.size > 0) await this.feed.look(farmId);
        return result;
      },
      () => leaveNode(this.db),
    );
  }
}
