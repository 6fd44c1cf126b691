import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin';
const ULID = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin';

/** What people see and do beside the grain book: readings with their tester, notes, sheets and weather. None of it moves grain. */
export class Notebook1790100000000 implements MigrationInterface {
  name = 'Notebook1790100000000';

  async up(runner: QueryRunner): Promise<void> {
    // A version of their own: a reading must not make the server replay the book.
    await runner.query('ALTER TABLE farms ADD COLUMN notes INT UNSIGNED NOT NULL DEFAULT 0');
    await runner.query(`ALTER TABLE readings
      MODIFY moisture DOUBLE NULL,
      ADD COLUMN cracked TINYINT UNSIGNED NULL,
      ADD COLUMN tester VARCHAR(40) NOT NULL DEFAULT '',
      ADD COLUMN spot VARCHAR(40) NOT NULL DEFAULT ''`);
    await runner.query(`CREATE TABLE notes (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      kind VARCHAR(16) NOT NULL,
      at_ms BIGINT NOT NULL,
      lot_id ${ID} NULL,
      machine_id ${ID} NULL,
      body JSON NOT NULL,
      by_name VARCHAR(120) NOT NULL,
      voided BOOLEAN NOT NULL DEFAULT FALSE,
      PRIMARY KEY (farm_id, id),
      KEY by_time (farm_id, at_ms, id),
      KEY by_kind (farm_id, kind, at_ms),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, lot_id) REFERENCES lots (farm_id, id),
      FOREIGN KEY (farm_id, machine_id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE sheets (
      farm_id ${ID} NOT NULL,
      kind VARCHAR(16) NOT NULL,
      subject ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      body JSON NOT NULL,
      PRIMARY KEY (farm_id, kind, subject),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE weather_hours (
      farm_id ${ID} NOT NULL,
      at_ms BIGINT NOT NULL,
      temperature DOUBLE NOT NULL,
      humidity DOUBLE NOT NULL,
      wind DOUBLE NOT NULL,
      rain_chance DOUBLE NOT NULL,
      wet BOOLEAN NOT NULL,
      forecast BOOLEAN NOT NULL,
      PRIMARY KEY (farm_id, at_ms),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['weather_hours', 'sheets', 'notes']) await runner.query(`DROP TABLE ${table}`);
    await runner.query('DELETE FROM readings WHERE moisture IS NULL');
    await runner.query(
      'ALTER TABLE readings MODIFY moisture DOUBLE NOT NULL, DROP COLUMN cracked, DROP COLUMN tester, DROP COLUMN spot',
    );
    await runner.query('ALTER TABLE farms DROP COLUMN notes');
  }
}
