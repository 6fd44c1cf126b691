import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, logTable, OF_PLACE, ULID } from './log-table.js';

/** The machines of a bin site, the routes that are set over them, what their motors do, and who climbs. */
export class Routes1791600000000 implements MigrationInterface {
  name = 'Routes1791600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE site_equipment (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE site_equipment_machines (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      item_id VARCHAR(40) NOT NULL,
      \`name\` VARCHAR(40) NOT NULL,
      kind VARCHAR(11) NOT NULL,
      rate DOUBLE NULL,
      driven BOOLEAN NOT NULL,
      PRIMARY KEY (farm_id, id, place),
      FOREIGN KEY (farm_id, id) REFERENCES site_equipment (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE site_equipment_links (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      \`from\` VARCHAR(40) NOT NULL,
      \`to\` VARCHAR(40) NOT NULL,
      PRIMARY KEY (farm_id, id, place),
      FOREIGN KEY (farm_id, id) REFERENCES site_equipment (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(logTable('routes_set', `\`from\` VARCHAR(40) NOT NULL`));
    await runner.query(`CREATE TABLE routes_set_path (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      \`value\` VARCHAR(40) NOT NULL,
      PRIMARY KEY (farm_id, id, place),
      FOREIGN KEY (farm_id, id) REFERENCES routes_set (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(
      logTable(
        'climbs',
        `place_id ${ID} NOT NULL, who VARCHAR(60) NOT NULL, \`second\` VARCHAR(60) NOT NULL, down BOOLEAN NOT NULL`,
        OF_PLACE,
      ),
    );
    await runner.query(`CREATE TABLE motor_states (
      farm_id ${ID} NOT NULL,
      machine_id ${ID} NOT NULL,
      at_ms BIGINT NOT NULL,
      running BOOLEAN NOT NULL,
      \`load\` DOUBLE NULL,
      PRIMARY KEY (farm_id, machine_id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of [
      'motor_states',
      'climbs',
      'routes_set_path',
      'routes_set',
      'site_equipment_links',
      'site_equipment_machines',
      'site_equipment',
    ])
      await runner.query(`DROP TABLE ${table}`);
  }
}
