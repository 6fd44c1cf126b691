import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, ULID } from './log-table.js';

const HASH = 'CHAR(64) CHARACTER SET ascii COLLATE ascii_bin';
const OF_FARM = 'FOREIGN KEY (farm_id) REFERENCES farms (id)';

/** Invitations, tokens of people's own programs, what a session is on, and who changed what of a farm. */
export class Members1792100000000 implements MigrationInterface {
  name = 'Members1792100000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE sessions ADD COLUMN id ${ULID} NULL, ADD COLUMN device VARCHAR(120) NOT NULL DEFAULT '',
        ADD COLUMN made_ms BIGINT NULL, ADD COLUMN seen_ms BIGINT NULL`,
    );
    await runner.query(`CREATE TABLE invites (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      kind VARCHAR(8) NOT NULL,
      role VARCHAR(16) NOT NULL,
      user_id ${ID} NULL,
      given_to VARCHAR(120) NOT NULL,
      token_hash ${HASH} NOT NULL,
      by_name VARCHAR(120) NOT NULL,
      made_ms BIGINT NOT NULL,
      ends_ms BIGINT NOT NULL,
      used_ms BIGINT NULL,
      used_by VARCHAR(120) NULL,
      revoked BOOLEAN NOT NULL DEFAULT FALSE,
      PRIMARY KEY (farm_id, id),
      UNIQUE KEY by_token (token_hash),
      ${OF_FARM}
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE api_tokens (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      user_id ${ID} NOT NULL,
      name VARCHAR(120) NOT NULL,
      scope VARCHAR(8) NOT NULL,
      token_hash ${HASH} NOT NULL,
      made_ms BIGINT NOT NULL,
      ends_ms BIGINT NOT NULL,
      used_ms BIGINT NULL,
      revoked BOOLEAN NOT NULL DEFAULT FALSE,
      PRIMARY KEY (farm_id, id),
      UNIQUE KEY by_token (token_hash),
      ${OF_FARM}
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE audit_lines (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      at_ms BIGINT NOT NULL,
      by_name VARCHAR(120) NOT NULL,
      what VARCHAR(120) NOT NULL,
      about VARCHAR(2000) NOT NULL,
      PRIMARY KEY (farm_id, id),
      KEY by_time (farm_id, at_ms),
      ${OF_FARM}
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['audit_lines', 'api_tokens', 'invites']) await runner.query(`DROP TABLE ${table}`);
    await runner.query(
      'ALTER TABLE sessions DROP COLUMN seen_ms, DROP COLUMN made_ms, DROP COLUMN device, DROP COLUMN id',
    );
  }
}
