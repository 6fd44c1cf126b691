import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, logTable } from './log-table.js';

/** What is known from the seat: zones and spots of a field, rows left, covers against the rain, who sees to an alarm, heat of parts, the crew. */
export class CabAndField1792800000000 implements MigrationInterface {
  name = 'CabAndField1792800000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE field_zones (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      \`field_id\` ${ID} NOT NULL,
      \`season\` INT NOT NULL,
      \`name\` VARCHAR(60) NOT NULL,
      \`kind\` VARCHAR(9) NOT NULL,
      \`acres\` DOUBLE NOT NULL,
      \`variety\` VARCHAR(60) NULL,
      \`leave_until\` CHAR(10) NULL,
      \`retest_on\` CHAR(10) NULL,
      \`cut_on\` CHAR(10) NULL,
      \`why\` VARCHAR(200) NOT NULL,
      \`gone\` BOOLEAN NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, field_id) REFERENCES fields (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE field_zones_ring (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`place\` SMALLINT UNSIGNED NOT NULL,
      \`lon\` DOUBLE NOT NULL,
      \`lat\` DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id, \`place\`),
      FOREIGN KEY (farm_id, id) REFERENCES field_zones (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(
      logTable(
        'field_pins',
        `\`field_id\` ${ID} NOT NULL, \`kind\` VARCHAR(13) NOT NULL, \`lon\` DOUBLE NOT NULL, \`lat\` DOUBLE NOT NULL, \`accuracy\` DOUBLE NULL, \`note\` VARCHAR(120) NOT NULL, \`warn_within\` DOUBLE NOT NULL`,
        `,
      FOREIGN KEY (farm_id, field_id) REFERENCES fields (farm_id, id)`,
      ),
    );
    await runner.query(
      logTable(
        'rows_left',
        `\`lot_id\` ${ID} NOT NULL, \`rows\` INT NOT NULL, \`row_spacing\` DOUBLE NOT NULL, \`pass_length\` DOUBLE NOT NULL`,
        `,
      FOREIGN KEY (farm_id, lot_id) REFERENCES lots (farm_id, id)`,
      ),
    );
    await runner.query(`CREATE TABLE covers (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      \`kind\` VARCHAR(8) NOT NULL,
      \`closes_up_to\` DOUBLE NULL,
      \`minutes\` DOUBLE NOT NULL,
      \`who\` VARCHAR(60) NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(
      logTable(
        'covers_moved',
        `\`place_id\` ${ID} NOT NULL, \`closed\` BOOLEAN NOT NULL`,
        `,
      FOREIGN KEY (farm_id, place_id) REFERENCES places (farm_id, id)`,
      ),
    );
    await runner.query(logTable('alarms_heard', `\`key\` VARCHAR(120) NOT NULL, \`what\` VARCHAR(200) NOT NULL`, ``));
    await runner.query(
      logTable(
        'part_heats',
        `\`place_id\` ${ID} NOT NULL, \`part\` VARCHAR(80) NOT NULL, \`celsius\` DOUBLE NULL, \`air_celsius\` DOUBLE NULL, \`feels\` VARCHAR(12) NULL, \`noticed\` VARCHAR(120) NOT NULL, \`greased\` BOOLEAN NOT NULL`,
        `,
      FOREIGN KEY (farm_id, place_id) REFERENCES places (farm_id, id)`,
      ),
    );
    await runner.query(`CREATE TABLE crews (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      \`call\` VARCHAR(60) NOT NULL,
      \`most_hours\` DOUBLE NOT NULL,
      \`quiet_from\` DOUBLE NULL,
      \`quiet_to\` DOUBLE NULL,
      \`wind_line\` DOUBLE NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE crews_people (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`place\` SMALLINT UNSIGNED NOT NULL,
      \`name\` VARCHAR(60) NOT NULL,
      \`phone\` VARCHAR(40) NOT NULL,
      \`trainee\` BOOLEAN NOT NULL,
      PRIMARY KEY (farm_id, id, \`place\`),
      FOREIGN KEY (farm_id, id) REFERENCES crews (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(
      logTable(
        'handovers',
        `\`place_id\` ${ID} NOT NULL, \`from\` VARCHAR(60) NOT NULL, \`to\` VARCHAR(60) NOT NULL, \`machine\` VARCHAR(300) NOT NULL, \`promised\` VARCHAR(300) NOT NULL`,
        `,
      FOREIGN KEY (farm_id, place_id) REFERENCES places (farm_id, id)`,
      ),
    );
    await runner.query('ALTER TABLE combine_profiles ADD COLUMN rated_kg DOUBLE NULL');
    await runner.query(`ALTER TABLE readings ADD COLUMN zone_id VARCHAR(40) NULL`);
    await runner.query('ALTER TABLE next_field_plans_facts ADD COLUMN pass_length DOUBLE NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE next_field_plans_facts DROP COLUMN pass_length');
    await runner.query('ALTER TABLE combine_profiles DROP COLUMN rated_kg');
    await runner.query('ALTER TABLE readings DROP COLUMN zone_id');
    for (const table of [
      'handovers',
      'crews_people',
      'crews',
      'part_heats',
      'alarms_heard',
      'covers_moved',
      'covers',
      'rows_left',
      'field_pins',
      'field_zones_ring',
      'field_zones',
    ])
      await runner.query(`DROP TABLE ${table}`);
  }
}
