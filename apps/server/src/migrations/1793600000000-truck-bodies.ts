import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID } from './log-table.js';

const WORD = 'VARCHAR(9) CHARACTER SET ascii COLLATE ascii_bin';

/** How a truck is emptied, and the trucks that a buyer's pit takes. */
export class TruckBodies1793600000000 implements MigrationInterface {
  name = 'TruckBodies1793600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE truck_setups ADD COLUMN body ${WORD} NULL`);
    await runner.query('ALTER TABLE buyer_facts ADD COLUMN takes_given BOOLEAN NOT NULL DEFAULT FALSE');
    await runner.query(`CREATE TABLE buyer_facts_takes (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`place\` SMALLINT UNSIGNED NOT NULL,
      \`value\` ${WORD} NOT NULL,
      PRIMARY KEY (farm_id, id, \`place\`),
      FOREIGN KEY (farm_id, id) REFERENCES buyer_facts (farm_id, id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE buyer_facts_takes');
    await runner.query('ALTER TABLE buyer_facts DROP COLUMN takes_given');
    await runner.query('ALTER TABLE truck_setups DROP COLUMN body');
  }
}
