import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A reading that was taken back counts no longer, and is still there. */
export class VoidedReadings1790400000000 implements MigrationInterface {
  name = 'VoidedReadings1790400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE readings ADD COLUMN voided BOOLEAN NOT NULL DEFAULT FALSE');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DELETE FROM readings WHERE voided');
    await runner.query('ALTER TABLE readings DROP COLUMN voided');
  }
}
