import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, logTable, OF_PLACE } from './log-table.js';

/** Temperature cables in bins with what they read, and how and when their fans run. */
export class Cables1791500000000 implements MigrationInterface {
  name = 'Cables1791500000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE bin_cables (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE bin_cables_cables (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      \`name\` VARCHAR(20) NOT NULL,
      from_center DOUBLE NOT NULL,
      lowest DOUBLE NOT NULL,
      spacing DOUBLE NOT NULL,
      sensors INT NOT NULL,
      PRIMARY KEY (farm_id, id, place),
      FOREIGN KEY (farm_id, id) REFERENCES bin_cables (farm_id, id)
    ) ENGINE=InnoDB`);
    // A row for a cable and moment, two bytes a sensor in hundredths of a degree: a season of fifty cables is 144,000 rows, not three million.
    await runner.query(`CREATE TABLE cable_readings (
      farm_id ${ID} NOT NULL,
      place_id ${ID} NOT NULL,
      cable SMALLINT UNSIGNED NOT NULL,
      at_ms BIGINT NOT NULL,
      celsius VARBINARY(80) NOT NULL,
      PRIMARY KEY (farm_id, place_id, at_ms, cable),
      FOREIGN KEY (farm_id, place_id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE aerations (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      \`mode\` VARCHAR(6) NOT NULL,
      cool_by DOUBLE NOT NULL,
      most_rewet DOUBLE NOT NULL,
      least_celsius DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(logTable('fan_switches', `place_id ${ID} NOT NULL, \`on\` BOOLEAN NOT NULL`, OF_PLACE));
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['fan_switches', 'aerations', 'cable_readings', 'bin_cables_cables', 'bin_cables'])
      await runner.query(`DROP TABLE ${table}`);
  }
}
