import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID } from './log-table.js';

/** What a farm adds to the usual cautions in its own words. */
export class SafetyWords1792600000000 implements MigrationInterface {
  name = 'SafetyWords1792600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE safety_words (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE safety_words_words (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`name\` VARCHAR(40) NOT NULL,
      \`value\` VARCHAR(300) NOT NULL,
      PRIMARY KEY (farm_id, id, \`name\`),
      FOREIGN KEY (farm_id, id) REFERENCES safety_words (farm_id, id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE safety_words_words');
    await runner.query('DROP TABLE safety_words');
  }
}
