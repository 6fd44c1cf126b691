import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, logTable as log, OF_PLACE } from './log-table.js';

/** The dryer: what it can, what was read at it, how warm grain is, and that somebody heard what comes next. */
export class Dryer1791200000000 implements MigrationInterface {
  name = 'Dryer1791200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE dryer_setups (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      type VARCHAR(11) NOT NULL,
      bushel_points_per_hour DOUBLE NOT NULL,
      most_bushels_per_hour DOUBLE NULL,
      fuel VARCHAR(10) NOT NULL,
      fuel_price DOUBLE NOT NULL,
      fuel_per_point_bushel DOUBLE NOT NULL,
      k_wh_per_point_bushel DOUBLE NOT NULL,
      power_price DOUBLE NOT NULL,
      refill_min DOUBLE NULL,
      most_step DOUBLE NOT NULL,
      dry_to DOUBLE NOT NULL,
      band DOUBLE NOT NULL,
      cools_in_bin BOOLEAN NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(
      log(
        'dryer_samples',
        `place_id ${ID} NOT NULL, moisture_in DOUBLE NULL, moisture_out DOUBLE NULL, plenum DOUBLE NULL, bushels_per_hour DOUBLE NULL, fuel_meter DOUBLE NULL, note VARCHAR(200) NULL`,
        OF_PLACE,
      ),
    );
    await runner.query(
      log(
        'dryer_runs',
        `place_id ${ID} NOT NULL, until_ms BIGINT NULL, fuel_used DOUBLE NULL, note VARCHAR(200) NULL`,
        OF_PLACE,
      ),
    );
    await runner.query(
      log('grain_temperatures', `place_id ${ID} NOT NULL, celsius DOUBLE NOT NULL, spot VARCHAR(60) NULL`, OF_PLACE),
    );
    await runner.query(log('steps_heard', 'notice_id VARCHAR(26) NOT NULL'));
    await runner.query('ALTER TABLE bin_setups ADD COLUMN unload_per_hour DOUBLE NULL');
    // Every farm follows the dryer's own topic from now on.
    await runner.query(`INSERT IGNORE INTO farm_topics (farm_id, topic, version) SELECT id, 'dry', 1 FROM farms`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE bin_setups DROP COLUMN unload_per_hour');
    await runner.query(`DELETE FROM farm_topics WHERE topic = 'dry'`);
    for (const table of ['steps_heard', 'grain_temperatures', 'dryer_runs', 'dryer_samples', 'dryer_setups'])
      await runner.query(`DROP TABLE ${table}`);
  }
}
