import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Places that are not used any more: what was recorded points to them, so they are not deleted. */
export class PlacesPutAway1792200000000 implements MigrationInterface {
  name = 'PlacesPutAway1792200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE places ADD COLUMN put_away BOOLEAN NOT NULL DEFAULT FALSE');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE places DROP COLUMN put_away');
  }
}
