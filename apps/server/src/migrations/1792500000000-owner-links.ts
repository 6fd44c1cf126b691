import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, ULID } from './log-table.js';

const OF_FARM = 'FOREIGN KEY (farm_id) REFERENCES farms (id)';

/** Links by which an owner sees his grain in another farm's bins, and those of other farms that a farm keeps. */
export class OwnerLinks1792500000000 implements MigrationInterface {
  name = 'OwnerLinks1792500000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE owner_links (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      owner VARCHAR(60) NOT NULL,
      given_to VARCHAR(120) NOT NULL,
      token_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
      by_name VARCHAR(120) NOT NULL,
      made_ms BIGINT NOT NULL,
      ends_ms BIGINT NULL,
      opened INT UNSIGNED NOT NULL DEFAULT 0,
      opened_ms BIGINT NULL,
      revoked BOOLEAN NOT NULL DEFAULT FALSE,
      PRIMARY KEY (farm_id, id),
      UNIQUE KEY by_token (token_hash),
      ${OF_FARM}
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE kept_shares (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      of_farm_id ${ID} NOT NULL,
      link_id ${ULID} NOT NULL,
      farm_name VARCHAR(120) NOT NULL,
      owner VARCHAR(60) NOT NULL,
      by_name VARCHAR(120) NOT NULL,
      kept_ms BIGINT NOT NULL,
      PRIMARY KEY (farm_id, id),
      UNIQUE KEY by_link (farm_id, of_farm_id, link_id),
      ${OF_FARM}
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE kept_shares');
    await runner.query('DROP TABLE owner_links');
  }
}
