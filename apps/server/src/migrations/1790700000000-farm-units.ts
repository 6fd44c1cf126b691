import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Units and clock are the farm's own setting; until now only its truck scale had a unit. */
export class FarmUnits1790700000000 implements MigrationInterface {
  name = 'FarmUnits1790700000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE farms ADD COLUMN units VARCHAR(8) NOT NULL DEFAULT 'us', ADD COLUMN clock VARCHAR(2) NOT NULL DEFAULT '12'`,
    );
    await runner.query(
      `UPDATE farms SET units = 'metric', clock = '24' WHERE id IN (SELECT farm_id FROM weight_rules WHERE unit = 't')`,
    );
    await runner.query('ALTER TABLE weight_rules DROP COLUMN unit');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE weight_rules ADD COLUMN unit VARCHAR(8) NOT NULL DEFAULT 'lb'`);
    await runner.query(
      `UPDATE weight_rules SET unit = 't' WHERE farm_id IN (SELECT id FROM farms WHERE units = 'metric')`,
    );
    await runner.query('ALTER TABLE farms DROP COLUMN units, DROP COLUMN clock');
  }
}
