import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin';

/** What piles lie on and under, what a dryer's control cries out, and what level sensors say. */
export class Piles1791700000000 implements MigrationInterface {
  name = 'Piles1791700000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE pile_setups (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      base VARCHAR(8) NOT NULL,
      cover VARCHAR(4) NOT NULL,
      aired BOOLEAN NOT NULL,
      width DOUBLE NULL,
      note VARCHAR(200) NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE level_readings (
      farm_id ${ID} NOT NULL,
      place_id ${ID} NOT NULL,
      at_ms BIGINT NOT NULL,
      below_eave DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, place_id, at_ms),
      FOREIGN KEY (farm_id, place_id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query('ALTER TABLE dryer_samples ADD COLUMN alarm VARCHAR(14) NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE level_readings');
    await runner.query('ALTER TABLE dryer_samples DROP COLUMN alarm');
    await runner.query('DROP TABLE pile_setups');
  }
}
