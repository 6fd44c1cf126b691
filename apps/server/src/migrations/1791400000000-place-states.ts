import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin';

/** What is to be known of a place before anybody fills or empties it, and what whether the rest fits is reckoned with. */
export class PlaceStates1791400000000 implements MigrationInterface {
  name = 'PlaceStates1791400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE place_states (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      out_from_ms BIGINT NULL,
      out_until_ms BIGINT NULL,
      why VARCHAR(120) NULL,
      note VARCHAR(200) NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE rest_rules (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      days INT NULL,
      stored_worth DOUBLE NOT NULL,
      dryer_hours_per_day DOUBLE NOT NULL,
      truck_hours_per_day DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['rest_rules', 'place_states']) await runner.query(`DROP TABLE ${table}`);
  }
}
