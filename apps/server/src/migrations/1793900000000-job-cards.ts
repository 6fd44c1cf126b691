import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, ULID } from './log-table.js';

/** How each job is done on the farm, step by step with pictures. */
export class JobCards1793900000000 implements MigrationInterface {
  name = 'JobCards1793900000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE job_cards (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE job_cards_steps (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`place\` SMALLINT UNSIGNED NOT NULL,
      \`text\` VARCHAR(200) NOT NULL,
      photo ${ULID} NULL,
      PRIMARY KEY (farm_id, id, \`place\`),
      FOREIGN KEY (farm_id, id) REFERENCES job_cards (farm_id, id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE job_cards_steps');
    await runner.query('DROP TABLE job_cards');
  }
}
