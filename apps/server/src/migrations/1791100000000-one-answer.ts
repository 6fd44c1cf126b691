import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin';
const ULID = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin';

/**
 * Where the loads go stays said, what an hour of truck and combine costs, which crop and buyer a tester was compared on, what a display was
 * known to be off by, and by which tables grain keeps: figures that every page takes from one place.
 */
export class OneAnswer1791100000000 implements MigrationInterface {
  name = 'OneAnswer1791100000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE haul_times ADD COLUMN truck_cost_per_hour DOUBLE NULL, ADD COLUMN combine_cost_per_hour DOUBLE NULL',
    );
    await runner.query(`CREATE TABLE haul_plans (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      buyer_id ${ID} NULL,
      line_min DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, buyer_id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`ALTER TABLE tester_pairs
      ADD COLUMN crop VARCHAR(9) NULL,
      ADD COLUMN buyer_id ${ID} NULL,
      ADD CONSTRAINT tester_pairs_buyer FOREIGN KEY (farm_id, buyer_id) REFERENCES places (farm_id, id)`);
    await runner.query(`CREATE TABLE display_checks (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      at_ms BIGINT NOT NULL,
      season SMALLINT NOT NULL,
      by_name VARCHAR(120) NOT NULL,
      voided BOOLEAN NOT NULL DEFAULT FALSE,
      machine_id ${ID} NOT NULL,
      crop VARCHAR(9) NOT NULL,
      display_kg DOUBLE NOT NULL,
      scale_kg DOUBLE NOT NULL,
      flow DOUBLE NULL,
      note VARCHAR(120) NULL,
      PRIMARY KEY (farm_id, id),
      KEY by_season (farm_id, season, at_ms),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, machine_id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE keeping_rules (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      warm VARCHAR(8) NOT NULL,
      cool VARCHAR(8) NOT NULL,
      slope VARCHAR(8) NOT NULL,
      soybean_shift DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE parts_counters (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE parts_counters_counters (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      \`name\` VARCHAR(60) NOT NULL,
      phone VARCHAR(40) NOT NULL,
      road_min DOUBLE NOT NULL,
      opens DOUBLE NULL,
      closes DOUBLE NULL,
      saturday_opens DOUBLE NULL,
      saturday_closes DOUBLE NULL,
      sunday_opens DOUBLE NULL,
      sunday_closes DOUBLE NULL,
      PRIMARY KEY (farm_id, id, place),
      FOREIGN KEY (farm_id, id) REFERENCES parts_counters (farm_id, id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE parts_counters_counters');
    await runner.query('DROP TABLE parts_counters');
    await runner.query('DROP TABLE keeping_rules');
    await runner.query('DROP TABLE display_checks');
    await runner.query('ALTER TABLE tester_pairs DROP CONSTRAINT tester_pairs_buyer');
    await runner.query('ALTER TABLE tester_pairs DROP COLUMN crop, DROP COLUMN buyer_id');
    await runner.query('DROP TABLE haul_plans');
    await runner.query('ALTER TABLE haul_times DROP COLUMN truck_cost_per_hour, DROP COLUMN combine_cost_per_hour');
  }
}
