import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID } from './log-table.js';

/** The rows of a fan's table between its first and its last. */
export class FanTable1793400000000 implements MigrationInterface {
  name = 'FanTable1793400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE bin_fans ADD COLUMN between_given BOOLEAN NOT NULL DEFAULT FALSE');
    await runner.query(`CREATE TABLE bin_fans_between (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`place\` SMALLINT UNSIGNED NOT NULL,
      pressure DOUBLE NOT NULL,
      flow DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id, \`place\`),
      FOREIGN KEY (farm_id, id) REFERENCES bin_fans (farm_id, id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE bin_fans_between');
    await runner.query('ALTER TABLE bin_fans DROP COLUMN between_given');
  }
}
