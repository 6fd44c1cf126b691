import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, logTable, OF_PLACE, ULID } from './log-table.js';

const OF_FARM = 'FOREIGN KEY (farm_id) REFERENCES farms (id)';
const child = (table: string, parent: string, columns: string, id = ID): string => `CREATE TABLE ${table} (
      farm_id ${ID} NOT NULL,
      id ${id} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      ${columns},
      PRIMARY KEY (farm_id, id, place),
      FOREIGN KEY (farm_id, id) REFERENCES ${parent} (farm_id, id)
    ) ENGINE=InnoDB`;
const setting = (table: string, columns: string): string => `CREATE TABLE ${table} (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      ${columns},
      PRIMARY KEY (farm_id, id),
      ${OF_FARM}
    ) ENGINE=InnoDB`;

/** Seasons that are closed, acres of a season, policies and what is reckoned for them, columns of files, and links to an origin. */
export class TraceRecords1792000000000 implements MigrationInterface {
  name = 'TraceRecords1792000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`INSERT IGNORE INTO farm_topics (farm_id, topic, version) SELECT id, 'trace', 1 FROM farms`);
    await runner.query('ALTER TABLE lots ADD COLUMN acres DOUBLE NULL');
    await runner.query(setting('season_states', 'season INT NOT NULL, closed BOOLEAN NOT NULL, through CHAR(10) NOT NULL, note VARCHAR(200) NULL')); // prettier-ignore
    await runner.query(
      setting(
        'insurance_policies',
        `\`number\` VARCHAR(40) NOT NULL, crop VARCHAR(9) NOT NULL, season INT NOT NULL, coverage DOUBLE NOT NULL, price DOUBLE NOT NULL,
      base DOUBLE NOT NULL, per_tenth DOUBLE NULL, moisture_factors_given BOOLEAN NOT NULL, test_weight_factors_given BOOLEAN NOT NULL,
      notice_days INT NOT NULL, notice_after_end INT NOT NULL, period_ends CHAR(10) NOT NULL, agent VARCHAR(80) NULL, phone VARCHAR(40) NULL`,
      ),
    );
    await runner.query(child('insurance_policies_moisture_factors', 'insurance_policies', 'moisture DOUBLE NOT NULL, factor DOUBLE NOT NULL')); // prettier-ignore
    await runner.query(child('insurance_policies_test_weight_factors', 'insurance_policies', 'test_weight DOUBLE NOT NULL, factor DOUBLE NOT NULL')); // prettier-ignore
    await runner.query(
      setting(
        'insurance_units',
        `policy VARCHAR(40) NOT NULL, \`number\` VARCHAR(40) NOT NULL, kind VARCHAR(10) NOT NULL, share DOUBLE NOT NULL, acres DOUBLE NULL,
      approved_yield DOUBLE NOT NULL, quality DOUBLE NULL`,
      ),
    );
    await runner.query(child('insurance_units_lots', 'insurance_units', '`value` VARCHAR(40) NOT NULL'));
    await runner.query(`CREATE TABLE field_boundaries (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      field ${ID} NOT NULL,
      PRIMARY KEY (farm_id, id),
      ${OF_FARM},
      FOREIGN KEY (farm_id, field) REFERENCES fields (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(child('field_boundaries_points', 'field_boundaries', 'part INT NOT NULL, ring INT NOT NULL, lon DOUBLE NOT NULL, lat DOUBLE NOT NULL')); // prettier-ignore
    await runner.query(`CREATE TABLE file_imports (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      kind VARCHAR(8) NOT NULL,
      name VARCHAR(120) NOT NULL,
      by_name VARCHAR(120) NOT NULL,
      at_ms BIGINT NOT NULL,
      taken INT UNSIGNED NOT NULL,
      undone BOOLEAN NOT NULL DEFAULT FALSE,
      PRIMARY KEY (farm_id, id),
      ${OF_FARM}
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE file_import_fields (
      farm_id ${ID} NOT NULL,
      import_id ${ULID} NOT NULL,
      field_id ${ID} NOT NULL,
      lot_id ${ID} NULL,
      made BOOLEAN NOT NULL,
      was_acres DOUBLE NULL,
      PRIMARY KEY (farm_id, import_id, field_id),
      FOREIGN KEY (farm_id, import_id) REFERENCES file_imports (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(setting('file_matches', 'unit VARCHAR(9) NULL, day_first BOOLEAN NULL'));
    await runner.query(child('file_matches_heads', 'file_matches', '`column` VARCHAR(8) NOT NULL, head VARCHAR(80) NOT NULL')); // prettier-ignore
    await runner.query(
      logTable(
        'appraisals',
        `unit VARCHAR(40) NOT NULL, why VARCHAR(15) NOT NULL, acres DOUBLE NOT NULL, per_acre DOUBLE NOT NULL, note VARCHAR(200) NULL`,
      ),
    );
    await runner.query(
      logTable(
        'loss_notices',
        `policy VARCHAR(40) NOT NULL, cause VARCHAR(80) NOT NULL, seen_on CHAR(10) NOT NULL, told_on CHAR(10) NULL`,
      ),
    );
    await runner.query(
      logTable(
        'bin_measurements',
        `place_id ${ID} NOT NULL, crop_year INT NOT NULL, circumference DOUBLE NOT NULL, depth DOUBLE NOT NULL, moisture DOUBLE NOT NULL,
      test_weight DOUBLE NOT NULL, note VARCHAR(200) NULL`,
        OF_PLACE,
      ),
    );
    await runner.query(`CREATE TABLE origin_links (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      kind VARCHAR(8) NOT NULL,
      subject VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
      seq INT UNSIGNED NOT NULL,
      given_to VARCHAR(120) NOT NULL,
      token_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
      by_name VARCHAR(120) NOT NULL,
      made_ms BIGINT NOT NULL,
      ends_ms BIGINT NULL,
      opened INT UNSIGNED NOT NULL DEFAULT 0,
      opened_ms BIGINT NULL,
      revoked BOOLEAN NOT NULL DEFAULT FALSE,
      PRIMARY KEY (farm_id, id),
      UNIQUE KEY by_token (token_hash),
      ${OF_FARM}
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of [
      'file_import_fields',
      'file_imports',
      'field_boundaries_points',
      'field_boundaries',
      'origin_links',
      'bin_measurements',
      'loss_notices',
      'appraisals',
      'file_matches_heads',
      'file_matches',
      'insurance_units_lots',
      'insurance_units',
      'insurance_policies_test_weight_factors',
      'insurance_policies_moisture_factors',
      'insurance_policies',
      'season_states',
    ])
      await runner.query(`DROP TABLE ${table}`);
    await runner.query('ALTER TABLE lots DROP COLUMN acres');
    await runner.query(`DELETE FROM farm_topics WHERE topic = 'trace'`);
  }
}
