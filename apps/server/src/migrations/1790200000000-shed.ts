import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin';
const ULID = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin';

/** Photographs of the shed: proof of a changeover, wear from year to year. Machines and lists are sheets, breakdowns are notes. */
export class Shed1790200000000 implements MigrationInterface {
  name = 'Shed1790200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE photos (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      at_ms BIGINT NOT NULL,
      about VARCHAR(120) NOT NULL,
      type VARCHAR(16) NOT NULL,
      width SMALLINT UNSIGNED NOT NULL,
      height SMALLINT UNSIGNED NOT NULL,
      bytes MEDIUMBLOB NOT NULL,
      by_name VARCHAR(120) NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE photos');
    await runner.query("DELETE FROM sheets WHERE kind IN ('asset', 'template', 'season', 'changeover')");
    await runner.query("DELETE FROM notes WHERE kind IN ('breakdown', 'ack', 'next')");
  }
}
