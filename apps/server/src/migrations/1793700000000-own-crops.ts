import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID } from './log-table.js';

/** Crops of a farm's own. */
export class OwnCrops1793700000000 implements MigrationInterface {
  name = 'OwnCrops1793700000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE own_crops (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      name VARCHAR(30) NOT NULL,
      short VARCHAR(20) NOT NULL,
      \`like\` VARCHAR(9) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
      legal_pounds DOUBLE NOT NULL,
      base_moisture DOUBLE NOT NULL,
      test_weight DOUBLE NOT NULL,
      insured_moisture DOUBLE NULL,
      kernel_grams DOUBLE NULL,
      repose_degrees DOUBLE NULL,
      put_away BOOLEAN NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE own_crops');
  }
}
