import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, logTable, ULID } from './log-table.js';

/** How machines go from field to field, what samples say of settings, a neighbor's settings, and how far fields are from buyers, and what money and hands cost. */
export class MovesAndSamples1794000000000 implements MigrationInterface {
  name = 'MovesAndSamples1794000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      logTable(
        'grain_samples',
        `\`machine_id\` ${ID} NOT NULL, \`lot_id\` ${ID} NOT NULL, \`taken_at\` VARCHAR(8) NOT NULL, \`fines\` DOUBLE NULL, \`cracked\` DOUBLE NULL, \`foreign\` DOUBLE NULL, \`note\` VARCHAR(120) NULL`,
        `,
      FOREIGN KEY (farm_id, machine_id) REFERENCES places (farm_id, id),
      FOREIGN KEY (farm_id, lot_id) REFERENCES lots (farm_id, id)`,
      ),
    );
    await runner.query(logTable('neighbor_sheets', `\`from\` VARCHAR(60) NOT NULL, \`file\` VARCHAR(120) NOT NULL`));
    await runner.query(`CREATE TABLE neighbor_sheets_sheets (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      \`place\` SMALLINT UNSIGNED NOT NULL,
      \`machine\` VARCHAR(60) NOT NULL,
      \`crop\` VARCHAR(9) NOT NULL,
      \`variety\` VARCHAR(60) NOT NULL,
      \`moisture\` DOUBLE NULL,
      \`loss_bu\` DOUBLE NULL,
      \`fines\` DOUBLE NULL,
      \`cracked\` DOUBLE NULL,
      \`foreign\` DOUBLE NULL,
      \`note\` VARCHAR(200) NOT NULL,
      \`rotor\` DOUBLE NULL,
      \`concave\` DOUBLE NULL,
      \`fan\` DOUBLE NULL,
      \`chaffer\` DOUBLE NULL,
      \`sieve\` DOUBLE NULL,
      \`speed\` DOUBLE NULL,
      \`reel\` DOUBLE NULL,
      \`deck_plates\` DOUBLE NULL,
      \`header_height\` DOUBLE NULL,
      \`header_drive\` DOUBLE NULL,
      \`spreader\` DOUBLE NULL,
      PRIMARY KEY (farm_id, id, \`place\`),
      FOREIGN KEY (farm_id, id) REFERENCES neighbor_sheets (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(
      logTable(
        'rig_moves',
        `\`place_id\` ${ID} NOT NULL, \`from_lot\` ${ID} NULL, \`to_lot\` ${ID} NOT NULL, \`left_at_ms\` BIGINT NOT NULL`,
        `,
      FOREIGN KEY (farm_id, place_id) REFERENCES places (farm_id, id),
      FOREIGN KEY (farm_id, from_lot) REFERENCES lots (farm_id, id),
      FOREIGN KEY (farm_id, to_lot) REFERENCES lots (farm_id, id)`,
      ),
    );
    await runner.query(`CREATE TABLE rig_moves_along (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      \`place\` SMALLINT UNSIGNED NOT NULL,
      \`value\` VARCHAR(40) NOT NULL,
      PRIMARY KEY (farm_id, id, \`place\`),
      FOREIGN KEY (farm_id, id) REFERENCES rig_moves (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE rig_roads (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      \`width\` DOUBLE NOT NULL,
      \`speed\` DOUBLE NOT NULL,
      \`ready_min\` DOUBLE NOT NULL,
      \`head_on_cart\` BOOLEAN NOT NULL,
      \`escort\` BOOLEAN NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE buyer_roads (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      \`km\` DOUBLE NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE buyer_roads_legs (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`place\` SMALLINT UNSIGNED NOT NULL,
      \`from\` ${ID} NOT NULL,
      \`minutes\` DOUBLE NOT NULL,
      \`km\` DOUBLE NULL,
      PRIMARY KEY (farm_id, id, \`place\`),
      FOREIGN KEY (farm_id, id) REFERENCES buyer_roads (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE farm_prices (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      \`interest\` DOUBLE NULL,
      \`labor_per_hour\` DOUBLE NULL,
      \`diesel_per_gallon\` DOUBLE NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query('ALTER TABLE crews_people ADD vehicle VARCHAR(40) NULL');
    await runner.query('ALTER TABLE haul_times ADD truck_cost_per_km DOUBLE NULL');
    // What a display has open, and where it is: of the newest moments, as its other figures.
    await runner.query('ALTER TABLE live_figures ADD lon DOUBLE NULL, ADD lat DOUBLE NULL');
    // Processes that stand before this database, each heard within the last seconds.
    await runner.query(`CREATE TABLE server_processes (
      id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
      seen DATETIME NOT NULL,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE display_areas (
      farm_id ${ID} NOT NULL,
      device_id ${ID} NOT NULL,
      lot_id ${ID} NOT NULL,
      area_m2 DOUBLE NOT NULL,
      at_ms BIGINT NOT NULL,
      PRIMARY KEY (farm_id, device_id, lot_id),
      FOREIGN KEY (farm_id, lot_id) REFERENCES lots (farm_id, id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE server_processes');
    await runner.query('DROP TABLE display_areas');
    await runner.query('ALTER TABLE live_figures DROP lon, DROP lat');
    await runner.query('ALTER TABLE haul_times DROP truck_cost_per_km');
    await runner.query('ALTER TABLE crews_people DROP vehicle');
    for (const table of [
      'farm_prices',
      'buyer_roads_legs',
      'buyer_roads',
      'rig_roads',
      'rig_moves_along',
      'rig_moves',
      'neighbor_sheets_sheets',
      'neighbor_sheets',
      'grain_samples',
    ])
      await runner.query(`DROP TABLE ${table}`);
  }
}
