import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How high a bin's side draw is. */
export class SideDrawAt1793500000000 implements MigrationInterface {
  name = 'SideDrawAt1793500000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE bin_setups ADD COLUMN side_draw_at DOUBLE NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE bin_setups DROP COLUMN side_draw_at');
  }
}
