import type { MigrationInterface, QueryRunner } from 'typeorm';

const ULID = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin';

/** Hours of weather and readings of cables know the file that brought them; units of a file's degrees and wind are remembered. */
export class RowsOfFiles1793200000000 implements MigrationInterface {
  name = 'RowsOfFiles1793200000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const table of ['weather_hours', 'cable_readings'])
      await runner.query(
        `ALTER TABLE ${table} ADD COLUMN import_id ${ULID} NULL, ADD KEY by_import (farm_id, import_id)`,
      );
    await runner.query('ALTER TABLE file_matches_heads MODIFY `column` VARCHAR(12) NOT NULL');
    await runner.query('ALTER TABLE file_matches ADD COLUMN degrees VARCHAR(1) NULL, ADD COLUMN wind VARCHAR(10) NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE file_matches DROP COLUMN degrees, DROP COLUMN wind');
    for (const table of ['weather_hours', 'cable_readings'])
      await runner.query(`ALTER TABLE ${table} DROP KEY by_import, DROP COLUMN import_id`);
  }
}
