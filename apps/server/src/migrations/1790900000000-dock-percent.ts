import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A buyer may dock a share of the price instead of cents. */
export class DockPercent1790900000000 implements MigrationInterface {
  name = 'DockPercent1790900000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE cutting_windows ADD COLUMN dock_percent DOUBLE NULL AFTER dock_per_point');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE cutting_windows DROP COLUMN dock_percent');
  }
}
