import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID } from './log-table.js';

/** A dryer's table by points and its plenum's limit; a bin's side draw and sweep. */
export class SiteFacts1793000000000 implements MigrationInterface {
  name = 'SiteFacts1793000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE dryer_setups ADD COLUMN by_points_given BOOLEAN NOT NULL DEFAULT FALSE, ADD COLUMN most_plenum DOUBLE NULL',
    );
    await runner.query(`CREATE TABLE dryer_setups_by_points (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`place\` SMALLINT UNSIGNED NOT NULL,
      points DOUBLE NOT NULL,
      bushels_per_hour DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id, \`place\`),
      FOREIGN KEY (farm_id, id) REFERENCES dryer_setups (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query('ALTER TABLE bin_setups ADD COLUMN side_draw BOOLEAN NULL, ADD COLUMN sweep BOOLEAN NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE bin_setups DROP COLUMN side_draw, DROP COLUMN sweep');
    await runner.query('DROP TABLE dryer_setups_by_points');
    await runner.query('ALTER TABLE dryer_setups DROP COLUMN by_points_given, DROP COLUMN most_plenum');
  }
}
