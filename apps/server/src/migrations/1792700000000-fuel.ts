import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, logTable, OF_PLACE } from './log-table.js';

/** Tanks of machines, and what was filled into them. */
export class Fuel1792700000000 implements MigrationInterface {
  name = 'Fuel1792700000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      logTable('fuel_fills', `place_id ${ID} NOT NULL, gallons DOUBLE NOT NULL, \`full\` BOOLEAN NOT NULL`, OF_PLACE),
    );
    await runner.query(`CREATE TABLE fuel_tanks (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      gallons DOUBLE NOT NULL,
      burn_per_hour DOUBLE NULL,
      reserve DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE fuel_tanks');
    await runner.query('DROP TABLE fuel_fills');
  }
}
