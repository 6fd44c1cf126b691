import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin';
const ULID = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin';

/** The tables of the grain book. Nothing that an entry points to can be deleted. */
export class InitialBook1790000000000 implements MigrationInterface {
  name = 'InitialBook1790000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE farms (
      id ${ID} NOT NULL PRIMARY KEY,
      name VARCHAR(120) NOT NULL,
      time_zone VARCHAR(120) NOT NULL,
      seq INT UNSIGNED NOT NULL DEFAULT 0,
      setup INT UNSIGNED NOT NULL DEFAULT 0,
      demo BOOLEAN NOT NULL DEFAULT FALSE,
      defaults JSON NOT NULL
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE users (
      id ${ID} NOT NULL PRIMARY KEY,
      email VARCHAR(254) NOT NULL UNIQUE,
      name VARCHAR(120) NOT NULL,
      password_hash VARCHAR(255) NULL
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE memberships (
      farm_id ${ID} NOT NULL,
      user_id ${ID} NOT NULL,
      role VARCHAR(16) NOT NULL CHECK (role IN ('viewer','operator','manager','owner')),
      PRIMARY KEY (farm_id, user_id),
      KEY by_user (user_id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (user_id) REFERENCES users (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE sessions (
      token_hash CHAR(64) CHARACTER SET ascii NOT NULL PRIMARY KEY,
      user_id ${ID} NOT NULL,
      expires_at BIGINT NOT NULL,
      KEY by_user (user_id),
      KEY by_expiry (expires_at),
      FOREIGN KEY (user_id) REFERENCES users (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE fields (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      name VARCHAR(120) NOT NULL,
      acres DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id),
      UNIQUE KEY by_name (farm_id, name),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE lots (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      field_id ${ID} NOT NULL,
      crop VARCHAR(24) NOT NULL,
      season SMALLINT NOT NULL,
      variety VARCHAR(40) NOT NULL DEFAULT '',
      tag VARCHAR(4) NOT NULL,
      shares JSON NOT NULL,
      PRIMARY KEY (farm_id, id),
      KEY by_field (farm_id, field_id),
      FOREIGN KEY (farm_id, field_id) REFERENCES fields (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE places (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      position INT NOT NULL,
      name VARCHAR(120) NOT NULL,
      kind VARCHAR(16) NOT NULL,
      withdrawal VARCHAR(8) NOT NULL CHECK (withdrawal IN ('mixed','firstIn','lastIn')),
      capacity_bu DOUBLE NULL,
      diameter_m DOUBLE NULL,
      eave_m DOUBLE NULL,
      hopper_m DOUBLE NULL,
      PRIMARY KEY (farm_id, id),
      UNIQUE KEY by_name (farm_id, name),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE entries (
      farm_id ${ID} NOT NULL,
      seq INT UNSIGNED NOT NULL,
      id ${ULID} NOT NULL,
      type VARCHAR(16) NOT NULL,
      at_ms BIGINT NOT NULL,
      lot_id ${ID} NULL,
      from_id ${ID} NULL,
      to_id ${ID} NULL,
      ref_id ${ULID} NULL,
      body JSON NOT NULL,
      user_id ${ID} NULL,
      received_ms BIGINT NOT NULL,
      PRIMARY KEY (farm_id, seq),
      UNIQUE KEY by_id (farm_id, id),
      KEY by_time (farm_id, at_ms, id),
      KEY by_lot (farm_id, lot_id),
      KEY by_from (farm_id, from_id),
      KEY by_to (farm_id, to_id),
      KEY by_ref (farm_id, ref_id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, lot_id) REFERENCES lots (farm_id, id),
      FOREIGN KEY (farm_id, from_id) REFERENCES places (farm_id, id),
      FOREIGN KEY (farm_id, to_id) REFERENCES places (farm_id, id),
      FOREIGN KEY (farm_id, ref_id) REFERENCES entries (farm_id, id),
      FOREIGN KEY (user_id) REFERENCES users (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE readings (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      field_id ${ID} NOT NULL,
      at_ms BIGINT NOT NULL,
      moisture DOUBLE NOT NULL,
      source VARCHAR(16) NOT NULL,
      by_name VARCHAR(120) NOT NULL,
      PRIMARY KEY (farm_id, id),
      KEY by_field (farm_id, field_id, at_ms),
      FOREIGN KEY (farm_id, field_id) REFERENCES fields (farm_id, id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of [
      'readings',
      'entries',
      'places',
      'lots',
      'fields',
      'sessions',
      'memberships',
      'users',
      'farms',
    ]) {
      await runner.query(`DROP TABLE ${table}`);
    }
  }
}
