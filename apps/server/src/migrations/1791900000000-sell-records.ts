import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, logTable, OF_PLACE, ULID } from './log-table.js';

const OF_BUYER = ',\n      FOREIGN KEY (farm_id, buyer_id) REFERENCES places (farm_id, id)';

/**
 * What buyers post, bid and pay: sheets, bids, prices fixed in parts, papers and photographs of tickets, settlements, leases, hedges, plans,
 * changes of contracts; a buyer's hours, and the roads that a truck's permit names.
 */
export class SellRecords1791900000000 implements MigrationInterface {
  name = 'SellRecords1791900000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE contracts ADD COLUMN tolerance DOUBLE NULL AFTER bushels, ADD COLUMN counts VARCHAR(8) NULL AFTER overage,
        ADD COLUMN changes_given BOOLEAN NOT NULL DEFAULT FALSE AFTER counts`,
    );
    await runner.query(`CREATE TABLE contracts_changes (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      \`on\` CHAR(10) NOT NULL,
      bushels DOUBLE NULL,
      closes CHAR(10) NULL,
      fee DOUBLE NULL,
      note VARCHAR(200) NOT NULL,
      PRIMARY KEY (farm_id, id, place),
      FOREIGN KEY (farm_id, id) REFERENCES contracts (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`ALTER TABLE truck_setups ADD COLUMN permit_roads_given BOOLEAN NOT NULL DEFAULT FALSE`);
    await runner.query(`CREATE TABLE truck_setups_permit_roads (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      \`value\` VARCHAR(40) NOT NULL,
      PRIMARY KEY (farm_id, id, place),
      FOREIGN KEY (farm_id, id) REFERENCES truck_setups (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(
      logTable(
        'price_fixes',
        `contract_id VARCHAR(40) NOT NULL, part VARCHAR(8) NOT NULL, price DOUBLE NOT NULL, bushels DOUBLE NOT NULL, fee DOUBLE NULL, note VARCHAR(200) NULL`,
      ),
    );
    await runner.query(
      logTable(
        'bids',
        `buyer_id ${ID} NOT NULL, crop VARCHAR(9) NOT NULL, price DOUBLE NULL, futures DOUBLE NULL, basis DOUBLE NULL, \`month\` VARCHAR(20) NULL, \`from\` CHAR(10) NOT NULL, \`until\` CHAR(10) NOT NULL, valid_until CHAR(10) NULL`,
        OF_BUYER,
      ),
    );
    await runner.query(
      logTable(
        'ticket_papers',
        `entry_id VARCHAR(40) NOT NULL, ticket VARCHAR(40) NULL, paid_bushels DOUBLE NULL, price_paid DOUBLE NULL, drying DOUBLE NULL, money DOUBLE NULL, photo ${ULID} NULL`,
      ),
    );
    await runner.query(`CREATE TABLE ticket_papers_factors (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      \`name\` VARCHAR(40) NOT NULL,
      \`value\` DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id, \`name\`),
      FOREIGN KEY (farm_id, id) REFERENCES ticket_papers (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(logTable('ticket_photos', `photo ${ULID} NOT NULL, place_id ${ID} NOT NULL`, OF_PLACE));
    await runner.query(
      logTable(
        'settlements',
        `\`number\` VARCHAR(40) NOT NULL, buyer_id ${ID} NOT NULL, paid_on CHAR(10) NOT NULL, deferred_to CHAR(10) NULL, net DOUBLE NOT NULL, import_id ${ULID} NULL`,
        OF_BUYER,
      ),
    );
    await runner.query(`CREATE TABLE settlements_lines (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      ticket VARCHAR(40) NOT NULL,
      kind VARCHAR(10) NOT NULL,
      contract VARCHAR(40) NULL,
      bushels DOUBLE NOT NULL,
      price DOUBLE NULL,
      taken DOUBLE NULL,
      money DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id, place),
      FOREIGN KEY (farm_id, id) REFERENCES settlements (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE settlements_deductions (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      kind VARCHAR(8) NOT NULL,
      amount DOUBLE NOT NULL,
      note VARCHAR(80) NULL,
      PRIMARY KEY (farm_id, id, place),
      FOREIGN KEY (farm_id, id) REFERENCES settlements (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(
      logTable(
        'statements',
        `\`number\` INT NOT NULL, owner VARCHAR(60) NOT NULL, crop_year INT NOT NULL, \`from\` CHAR(10) NOT NULL, \`until\` CHAR(10) NOT NULL, corrects INT NULL, total DOUBLE NOT NULL`,
      ),
    );
    await runner.query(`CREATE TABLE statements_lines (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      paid_on CHAR(10) NOT NULL,
      \`check\` VARCHAR(40) NOT NULL,
      buyer_id VARCHAR(40) NOT NULL,
      ticket VARCHAR(40) NULL,
      lot VARCHAR(40) NULL,
      crop VARCHAR(9) NULL,
      bushels DOUBLE NOT NULL,
      account VARCHAR(11) NOT NULL,
      amount DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id, place),
      FOREIGN KEY (farm_id, id) REFERENCES statements (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE buyer_sheets (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      buyer_id ${ID} NOT NULL,
      crop VARCHAR(9) NOT NULL,
      \`from\` CHAR(10) NOT NULL,
      base DOUBLE NOT NULL,
      shrink VARCHAR(8) NOT NULL,
      shrink_per_point DOUBLE NULL,
      handling DOUBLE NULL,
      moisture_step DOUBLE NULL,
      moisture_rounding VARCHAR(8) NOT NULL,
      refuse_above DOUBLE NULL,
      drying_per_point DOUBLE NULL,
      drying_step DOUBLE NULL,
      dockage BOOLEAN NOT NULL,
      foreign_material_free DOUBLE NULL,
      discounts_on VARCHAR(8) NOT NULL,
      fee_per_bu DOUBLE NULL,
      checkoff_percent DOUBLE NULL,
      bushel_decimals INT NOT NULL,
      note VARCHAR(200) NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, buyer_id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE buyer_sheets_factors (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      factor VARCHAR(15) NOT NULL,
      steps VARCHAR(10) NOT NULL,
      cumulative BOOLEAN NOT NULL,
      refuse_beyond DOUBLE NULL,
      PRIMARY KEY (farm_id, id, place),
      FOREIGN KEY (farm_id, id) REFERENCES buyer_sheets (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE buyer_sheets_factors_bands (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      place_1 SMALLINT UNSIGNED NOT NULL,
      \`from\` DOUBLE NOT NULL,
      per VARCHAR(14) NOT NULL,
      amount DOUBLE NOT NULL,
      step DOUBLE NULL,
      PRIMARY KEY (farm_id, id, place, place_1),
      FOREIGN KEY (farm_id, id, place) REFERENCES buyer_sheets_factors (farm_id, id, place)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE owner_terms (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      owner VARCHAR(60) NOT NULL,
      kind VARCHAR(8) NOT NULL,
      price VARCHAR(8) NOT NULL,
      hauling_per_bu DOUBLE NULL,
      docks_borne_by VARCHAR(8) NOT NULL,
      rent DOUBLE NULL,
      note VARCHAR(200) NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE hedges (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      crop VARCHAR(9) NOT NULL,
      what VARCHAR(8) NOT NULL,
      side VARCHAR(8) NOT NULL,
      \`month\` VARCHAR(20) NOT NULL,
      bushels DOUBLE NOT NULL,
      price DOUBLE NOT NULL,
      strike DOUBLE NULL,
      \`on\` CHAR(10) NOT NULL,
      closed_price DOUBLE NULL,
      closed_on CHAR(10) NULL,
      fee DOUBLE NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE sell_plans (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      crop VARCHAR(9) NOT NULL,
      season INT NOT NULL,
      insured DOUBLE NULL,
      expected DOUBLE NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE column_matches (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE column_matches_heads (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`name\` VARCHAR(40) NOT NULL,
      \`value\` VARCHAR(80) NOT NULL,
      PRIMARY KEY (farm_id, id, \`name\`),
      FOREIGN KEY (farm_id, id) REFERENCES column_matches (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE buyer_facts (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      revision INT UNSIGNED NOT NULL,
      \`call\` VARCHAR(80) NULL,
      tester VARCHAR(80) NULL,
      gross_limit_lb DOUBLE NULL,
      PRIMARY KEY (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, id) REFERENCES places (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE buyer_facts_hours (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`name\` VARCHAR(40) NOT NULL,
      closed BOOLEAN NOT NULL,
      opens DOUBLE NOT NULL,
      closes DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id, \`name\`),
      FOREIGN KEY (farm_id, id) REFERENCES buyer_facts (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE buyer_facts_exceptions (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      \`on\` CHAR(10) NOT NULL,
      closed BOOLEAN NOT NULL,
      opens DOUBLE NOT NULL,
      closes DOUBLE NOT NULL,
      note VARCHAR(80) NULL,
      PRIMARY KEY (farm_id, id, place),
      FOREIGN KEY (farm_id, id) REFERENCES buyer_facts (farm_id, id)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of [
      'contracts_changes',
      'truck_setups_permit_roads',
      'buyer_facts_exceptions',
      'buyer_facts_hours',
      'buyer_facts',
      'column_matches_heads',
      'column_matches',
      'sell_plans',
      'hedges',
      'owner_terms',
      'buyer_sheets_factors_bands',
      'buyer_sheets_factors',
      'buyer_sheets',
      'statements_lines',
      'statements',
      'settlements_deductions',
      'settlements_lines',
      'settlements',
      'ticket_photos',
      'ticket_papers_factors',
      'ticket_papers',
      'bids',
      'price_fixes',
    ])
      await runner.query(`DROP TABLE ${table}`);
    await runner.query(`ALTER TABLE truck_setups DROP COLUMN permit_roads_given`);
    await runner.query(`ALTER TABLE contracts DROP COLUMN changes_given, DROP COLUMN counts, DROP COLUMN tolerance`);
  }
}
