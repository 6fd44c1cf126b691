import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin';

/** Fans under bins, and the air of a usual fall: what drying in the bin is reckoned with. */
export class BinFans1791300000000 implements MigrationInterface {
  name = 'BinFans1791300000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE bin_fans (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      low_pressure DOUBLE NOT NULL,
      low_flow DOUBLE NOT NULL,
      high_pressure DOUBLE NOT NULL,
      high_flow DOUBLE NOT NULL,
      efficiency DOUBLE NOT NULL,
      heater DOUBLE NOT NULL,
      power_price DOUBLE NOT NULL,
      heat_price DOUBLE NOT NULL,
      control VARCHAR(11) NOT NULL,
      most_humidity DOUBLE NOT NULL,
      stir_hours DOUBLE NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE fall_air (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      mean DOUBLE NOT NULL,
      swing DOUBLE NOT NULL,
      humidity DOUBLE NOT NULL,
      falls_per_week DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['fall_air', 'bin_fans']) await runner.query(`DROP TABLE ${table}`);
  }
}
