import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, logTable } from './log-table.js';

/** Where machines are, whether loads record themselves, and those that are asked about; which part hangs on which. */
export class SeenLoads1792900000000 implements MigrationInterface {
  name = 'SeenLoads1792900000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      logTable(
        'seen_loads',
        `machine_id ${ID} NOT NULL, kind VARCHAR(8) NOT NULL, \`from\` ${ID} NULL, \`to\` ${ID} NULL, lot_id ${ID} NULL, kg DOUBLE NULL, moisture DOUBLE NULL, emptied BOOLEAN NOT NULL, why VARCHAR(40) NOT NULL`,
        `,
      FOREIGN KEY (farm_id, machine_id) REFERENCES places (farm_id, id),
      FOREIGN KEY (farm_id, \`from\`) REFERENCES places (farm_id, id),
      FOREIGN KEY (farm_id, \`to\`) REFERENCES places (farm_id, id),
      FOREIGN KEY (farm_id, lot_id) REFERENCES lots (farm_id, id)`,
      ),
    );
    await runner.query(`CREATE TABLE self_recordings (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      \`on\` BOOLEAN NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE self_recordings_yards (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`place\` SMALLINT UNSIGNED NOT NULL,
      place_id ${ID} NOT NULL,
      lon DOUBLE NOT NULL,
      lat DOUBLE NOT NULL,
      radius DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id, \`place\`),
      FOREIGN KEY (farm_id, id) REFERENCES self_recordings (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query('ALTER TABLE crews ADD COLUMN dew_line DOUBLE NULL');
    await runner.query(`CREATE TABLE part_trees (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE part_trees_hangs (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`place\` SMALLINT UNSIGNED NOT NULL,
      part VARCHAR(80) NOT NULL,
      \`on\` VARCHAR(80) NOT NULL,
      PRIMARY KEY (farm_id, id, \`place\`),
      FOREIGN KEY (farm_id, id) REFERENCES part_trees (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE machine_positions (
      farm_id ${ID} NOT NULL,
      place_id ${ID} NOT NULL,
      at_ms BIGINT NOT NULL,
      received_ms BIGINT NOT NULL,
      lon DOUBLE NOT NULL,
      lat DOUBLE NOT NULL,
      accuracy DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, place_id, at_ms),
      KEY by_arrival (farm_id, received_ms),
      FOREIGN KEY (farm_id, place_id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of [
      'machine_positions',
      'part_trees_hangs',
      'part_trees',
      'self_recordings_yards',
      'self_recordings',
      'seen_loads',
    ])
      await runner.query(`DROP TABLE ${table}`);
    await runner.query('ALTER TABLE crews DROP COLUMN dew_line');
  }
}
