import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, ULID } from './log-table.js';

const HASH = 'CHAR(64) CHARACTER SET ascii COLLATE ascii_bin';

/** Phones and tablets that record one job without an account. */
export class PairedJobs1792300000000 implements MigrationInterface {
  name = 'PairedJobs1792300000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE paired_jobs (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      kind VARCHAR(8) NOT NULL,
      place_id ${ID} NULL,
      label VARCHAR(120) NOT NULL,
      token_hash ${HASH} NOT NULL,
      session_hash ${HASH} NULL,
      by_name VARCHAR(120) NOT NULL,
      made_ms BIGINT NOT NULL,
      ends_ms BIGINT NOT NULL,
      paired_ms BIGINT NULL,
      driver VARCHAR(60) NULL,
      device VARCHAR(120) NOT NULL DEFAULT '',
      seen_ms BIGINT NULL,
      revoked BOOLEAN NOT NULL DEFAULT FALSE,
      PRIMARY KEY (farm_id, id),
      UNIQUE KEY by_token (token_hash),
      UNIQUE KEY by_session (session_hash),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE paired_jobs');
  }
}
