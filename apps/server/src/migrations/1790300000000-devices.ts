import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin';

/** Scales, stations and testers that write by themselves. */
export class Devices1790300000000 implements MigrationInterface {
  name = 'Devices1790300000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE devices (
      farm_id ${ID} NOT NULL,
      id CHAR(26) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
      name VARCHAR(120) NOT NULL,
      kind VARCHAR(16) NOT NULL,
      token_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
      added_ms BIGINT NOT NULL,
      seen_ms BIGINT NULL,
      revoked BOOLEAN NOT NULL DEFAULT FALSE,
      PRIMARY KEY (farm_id, id),
      UNIQUE KEY by_token (token_hash),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE devices');
  }
}
