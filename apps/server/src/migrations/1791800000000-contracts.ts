import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, logTable } from './log-table.js';

/** Contracts with buyers, and which deliveries count on them. */
export class Contracts1791800000000 implements MigrationInterface {
  name = 'Contracts1791800000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE contracts (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      number VARCHAR(40) NOT NULL,
      buyer_id ${ID} NOT NULL,
      crop VARCHAR(9) NOT NULL,
      kind VARCHAR(12) NOT NULL,
      price DOUBLE NULL,
      futures DOUBLE NULL,
      basis DOUBLE NULL,
      fee DOUBLE NULL,
      bushels DOUBLE NOT NULL,
      opens CHAR(10) NOT NULL,
      closes CHAR(10) NOT NULL,
      overage VARCHAR(8) NOT NULL,
      done BOOLEAN NOT NULL,
      note VARCHAR(200) NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, buyer_id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(
      logTable(
        'contract_loads',
        `entry_id VARCHAR(40) NOT NULL, contract_id VARCHAR(40) NOT NULL, bushels DOUBLE NOT NULL`,
      ),
    );
    await runner.query(`INSERT IGNORE INTO farm_topics (farm_id, topic, version) SELECT id, 'sell', 1 FROM farms`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DELETE FROM farm_topics WHERE topic = 'sell'`);
    for (const table of ['contract_loads', 'contracts']) await runner.query(`DROP TABLE ${table}`);
  }
}
