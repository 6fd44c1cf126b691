import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin';
const ULID = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin';

/** Printed weights of the farm's own bridge, with a running number that never comes twice. */
export class WeighTickets1790500000000 implements MigrationInterface {
  name = 'WeighTickets1790500000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE weigh_tickets (
      farm_id ${ID} NOT NULL,
      number INT UNSIGNED NOT NULL,
      id ${ULID} NOT NULL,
      at_ms BIGINT NOT NULL,
      machine_id ${ID} NOT NULL,
      body JSON NOT NULL,
      entry_id ${ULID} NULL,
      by_name VARCHAR(120) NOT NULL,
      voided BOOLEAN NOT NULL DEFAULT FALSE,
      PRIMARY KEY (farm_id, number),
      UNIQUE KEY by_id (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE weigh_tickets');
  }
}
