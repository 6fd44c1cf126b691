import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The road home is driven on what is left in the tank. */
export class RoadHome1793300000000 implements MigrationInterface {
  name = 'RoadHome1793300000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE fuel_tanks ADD COLUMN home_min DOUBLE NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE fuel_tanks DROP COLUMN home_min');
  }
}
