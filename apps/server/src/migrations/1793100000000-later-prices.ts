import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID } from './log-table.js';

/** Contracts that are priced later, with what the buyer takes until then; owners that a contract names; a grade that was agreed. */
export class LaterPrices1793100000000 implements MigrationInterface {
  name = 'LaterPrices1793100000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE contracts ADD COLUMN owners_given BOOLEAN NOT NULL DEFAULT FALSE, ADD COLUMN charge_per_month DOUBLE NULL,
       ADD COLUMN free_until CHAR(10) CHARACTER SET ascii COLLATE ascii_bin NULL, ADD COLUMN quality VARCHAR(120) NULL`,
    );
    await runner.query(`CREATE TABLE contracts_owners (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`place\` SMALLINT UNSIGNED NOT NULL,
      \`value\` VARCHAR(60) NOT NULL,
      PRIMARY KEY (farm_id, id, \`place\`),
      FOREIGN KEY (farm_id, id) REFERENCES contracts (farm_id, id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE contracts_owners');
    await runner.query(
      'ALTER TABLE contracts DROP COLUMN owners_given, DROP COLUMN charge_per_month, DROP COLUMN free_until, DROP COLUMN quality',
    );
  }
}
