import type { MigrationInterface, QueryRunner } from 'typeorm';
import type { Layout } from '../platform/layout.js';
import { type Row, rowsOf } from '../platform/record-rows.js';
import { LOG_LAYOUTS, SETTING_LAYOUTS } from './records-layouts.js';
import { RECORD_TABLES } from './records-tables.js';

const ID = 'VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin';
const ULID = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin';
const TOPICS = ['book', 'header', 'fields', 'cut', 'haul', 'store', 'shed', 'weather', 'devices'];
const VESSELS = ['combine', 'cart', 'truck', 'dryer'];

interface Note {
  farm_id: string;
  id: string;
  kind: string;
  at_ms: string;
  lot_id: string | null;
  body: string;
  by_name: string;
  voided: number;
}
interface Sheet {
  farm_id: string;
  kind: string;
  subject: string;
  revision: number;
  body: string;
}

const parsed = (body: unknown): Record<string, unknown> =>
  typeof body === 'string' ? (JSON.parse(body) as Record<string, unknown>) : (body as Record<string, unknown>);

async function insert(runner: QueryRunner, table: string, row: Row): Promise<void> {
  const names = Object.keys(row);
  await runner.query(
    `INSERT INTO \`${table}\` (${names.map((name) => `\`${name}\``).join(', ')}) VALUES (${names.map(() => '?').join(', ')})`,
    names.map((name) => row[name]),
  );
}

async function insertRecord(
  runner: QueryRunner,
  layout: Layout,
  body: object,
  key: { farm_id: string; id: string },
  common: Row,
): Promise<void> {
  for (const [table, rows] of rowsOf(layout, body, key, common))
    for (const row of rows) await insert(runner, table, row);
}

/**
 * Every kind of record gets its tables, with columns and foreign keys, in place of two tables of JSON; a machine and its vessel become one;
 * what the book is read with gets its history; what changes is counted by topic. All old rows are carried over.
 */
export class RecordsWithTables1790600000000 implements MigrationInterface {
  name = 'RecordsWithTables1790600000000';

  async up(runner: QueryRunner): Promise<void> {
    await this.topicsAndHeader(runner);
    for (const statement of RECORD_TABLES) await runner.query(statement);
    await this.readings(runner);
    await this.bins(runner);
    await this.machines(runner);
    await this.settings(runner);
    await this.logs(runner);
    await this.tickets(runner);
    for (const table of ['notes', 'sheets']) await runner.query(`DROP TABLE ${table}`);
    await runner.query("UPDATE devices SET kind = 'truckScale' WHERE kind = 'weighbridge'");
    await runner.query(`CREATE TABLE live_figures (
      farm_id ${ID} NOT NULL,
      device_id ${ULID} NOT NULL,
      at_ms BIGINT NOT NULL,
      received_ms BIGINT NOT NULL,
      kg DOUBLE NULL,
      flow DOUBLE NULL,
      moisture DOUBLE NULL,
      speed DOUBLE NULL,
      yield_kg_per_ha DOUBLE NULL,
      PRIMARY KEY (farm_id, device_id, at_ms),
      KEY by_arrival (farm_id, received_ms),
      FOREIGN KEY (farm_id, device_id) REFERENCES devices (farm_id, id)
    ) ENGINE=InnoDB`);
  }

  private async topicsAndHeader(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE farm_topics (
      farm_id ${ID} NOT NULL,
      topic VARCHAR(16) NOT NULL,
      version INT UNSIGNED NOT NULL,
      PRIMARY KEY (farm_id, topic),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE lot_shares (
      farm_id ${ID} NOT NULL,
      lot_id ${ID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      owner VARCHAR(60) NOT NULL,
      part DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, lot_id, place),
      FOREIGN KEY (farm_id, lot_id) REFERENCES lots (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE farm_trust (
      farm_id ${ID} NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      method VARCHAR(24) NOT NULL,
      PRIMARY KEY (farm_id, place),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE farm_bases (
      farm_id ${ID} NOT NULL,
      crop VARCHAR(24) NOT NULL,
      moisture DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, crop),
      FOREIGN KEY (farm_id) REFERENCES farms (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE revisions (
      farm_id ${ID} NOT NULL,
      seq INT UNSIGNED NOT NULL,
      id ${ULID} NOT NULL,
      at_ms BIGINT NOT NULL,
      by_name VARCHAR(120) NOT NULL,
      user_id ${ID} NULL,
      reason VARCHAR(200) NOT NULL,
      what VARCHAR(16) NOT NULL,
      lot_id ${ID} NULL,
      place_id ${ID} NULL,
      crop VARCHAR(24) NULL,
      moisture DOUBLE NULL,
      moisture_before DOUBLE NULL,
      withdrawal VARCHAR(8) NULL,
      withdrawal_before VARCHAR(8) NULL,
      PRIMARY KEY (farm_id, seq),
      UNIQUE KEY by_id (farm_id, id),
      FOREIGN KEY (farm_id) REFERENCES farms (id),
      FOREIGN KEY (farm_id, lot_id) REFERENCES lots (farm_id, id),
      FOREIGN KEY (farm_id, place_id) REFERENCES places (farm_id, id),
      FOREIGN KEY (user_id) REFERENCES users (id)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE revision_lists (
      farm_id ${ID} NOT NULL,
      seq INT UNSIGNED NOT NULL,
      side VARCHAR(6) NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      name VARCHAR(60) NOT NULL,
      part DOUBLE NULL,
      PRIMARY KEY (farm_id, seq, side, place),
      FOREIGN KEY (farm_id, seq) REFERENCES revisions (farm_id, seq)
    ) ENGINE=InnoDB`);
    await runner.query('ALTER TABLE farms ADD COLUMN default_moisture DOUBLE NOT NULL DEFAULT 0.15');
    const farms = (await runner.query('SELECT id, defaults FROM farms')) as { id: string; defaults: string }[];
    for (const { id, defaults } of farms) {
      const { moisture, trust } = parsed(defaults) as { moisture: number; trust: string[] };
      await runner.query('UPDATE farms SET default_moisture = ? WHERE id = ?', [moisture, id]);
      for (const [place, method] of trust.entries()) await insert(runner, 'farm_trust', { farm_id: id, place, method });
      for (const topic of TOPICS) await insert(runner, 'farm_topics', { farm_id: id, topic, version: 1 });
    }
    const lots = (await runner.query('SELECT farm_id, id, shares FROM lots')) as {
      farm_id: string;
      id: string;
      shares: string;
    }[];
    for (const { farm_id, id, shares } of lots)
      for (const [place, { owner, part }] of (parsed(shares) as unknown as { owner: string; part: number }[]).entries())
        await insert(runner, 'lot_shares', { farm_id, lot_id: id, place, owner, part });
    await runner.query('ALTER TABLE farms DROP COLUMN defaults, DROP COLUMN setup, DROP COLUMN notes');
    await runner.query('ALTER TABLE lots DROP COLUMN shares');
  }

  private async readings(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE readings
      MODIFY cracked INT NULL,
      MODIFY tester VARCHAR(40) NULL,
      MODIFY spot VARCHAR(40) NULL,
      ADD COLUMN season SMALLINT NOT NULL DEFAULT 0,
      ADD KEY by_season (farm_id, season, at_ms)`);
    await runner.query(
      "UPDATE readings SET tester = NULLIF(tester, ''), spot = NULLIF(spot, ''), season = YEAR(FROM_UNIXTIME(at_ms / 1000))",
    );
    await runner.query('ALTER TABLE readings ALTER COLUMN season DROP DEFAULT');
  }

  /** Geometry is a bin's own record now; what a place holds may be typed or follow from it. */
  private async bins(runner: QueryRunner): Promise<void> {
    const places = (await runner.query(
      "SELECT farm_id, id, diameter_m, eave_m, hopper_m FROM places WHERE diameter_m IS NOT NULL AND kind <> 'buyer'",
    )) as {
      farm_id: string;
      id: string;
      diameter_m: number;
      eave_m: number | null;
      hopper_m: number | null;
    }[];
    for (const { farm_id, id, diameter_m, eave_m, hopper_m } of places)
      await insertRecord(
        runner,
        SETTING_LAYOUTS.bin!,
        { diameter: diameter_m, eave: eave_m ?? 0, hopper: hopper_m ?? 0 },
        { farm_id, id },
        { revision: 1 },
      );
    await runner.query('ALTER TABLE places DROP COLUMN diameter_m, DROP COLUMN eave_m, DROP COLUMN hopper_m');
  }

  /** A combine that stood in the store and in the shed was added twice: the pairs are joined, and every vessel has its machine. */
  private async machines(runner: QueryRunner): Promise<void> {
    const sheets = (await runner.query("SELECT * FROM sheets WHERE kind = 'asset'")) as Sheet[];
    const vessels = (await runner.query('SELECT farm_id, id, name, kind FROM places WHERE kind IN (?)', [VESSELS])) as {
      farm_id: string;
      id: string;
      name: string;
      kind: string;
    }[];
    const joined = new Set<string>();
    const key = (farm: string, id: string): string => `${farm} ${id}`;
    for (const { farm_id, body } of sheets) {
      const { placeId } = parsed(body);
      if (placeId !== undefined) joined.add(key(farm_id, String(placeId)));
    }
    for (const { farm_id, subject, revision, body } of sheets) {
      const machine = parsed(body);
      // Never told that they are one, but of one name and kind: so they are.
      const twin =
        machine.placeId === undefined
          ? vessels.find(
              (place) =>
                place.farm_id === farm_id &&
                place.kind === machine.kind &&
                place.name === machine.name &&
                !joined.has(key(farm_id, place.id)),
            )
          : undefined;
      if (twin) joined.add(key(farm_id, twin.id));
      await insertRecord(
        runner,
        SETTING_LAYOUTS.asset!,
        twin ? { ...machine, placeId: twin.id } : machine,
        { farm_id, id: subject },
        { revision },
      );
    }
    for (const { farm_id, id, name, kind } of vessels) {
      if (joined.has(key(farm_id, id))) continue;
      const machine = {
        kind,
        name: name.slice(0, 60),
        placeId: id,
        retired: false,
        engineHours: 0,
        separatorHours: 0,
        acres: 0,
        items: [],
        services: [],
        wear: [],
      };
      const taken = sheets.some((sheet) => sheet.farm_id === farm_id && sheet.subject === id);
      await insertRecord(
        runner,
        SETTING_LAYOUTS.asset!,
        machine,
        { farm_id, id: taken ? `${id.slice(0, 37)}-2` : id },
        { revision: 1 },
      );
    }
  }

  private async settings(runner: QueryRunner): Promise<void> {
    const sheets = (await runner.query("SELECT * FROM sheets WHERE kind <> 'asset'")) as Sheet[];
    for (const { farm_id, kind, subject, revision, body } of sheets) {
      const layout = SETTING_LAYOUTS[kind];
      if (!layout) throw new Error(`a sheet of the kind ${kind} has no table`);
      const [crop, buyer] = subject.split('@');
      await insertRecord(
        runner,
        layout,
        parsed(body),
        { farm_id, id: subject },
        { revision, ...(kind === 'window' ? { crop, buyer_id: buyer ?? null } : {}) },
      );
    }
  }

  private async logs(runner: QueryRunner): Promise<void> {
    const notes = (await runner.query('SELECT * FROM notes')) as Note[];
    const lots = new Map(
      (
        (await runner.query('SELECT farm_id, id, season FROM lots')) as {
          farm_id: string;
          id: string;
          season: number;
        }[]
      ).map((lot) => [`${lot.farm_id} ${lot.id}`, lot.season]),
    );
    for (const { farm_id, id, kind, at_ms, lot_id, body, by_name, voided } of notes) {
      const layout = LOG_LAYOUTS[kind];
      if (!layout) throw new Error(`a note of the kind ${kind} has no table`);
      const season = lots.get(`${farm_id} ${lot_id}`) ?? new Date(Number(at_ms)).getUTCFullYear();
      await insertRecord(
        runner,
        layout,
        parsed(body),
        { farm_id, id },
        { at_ms: Number(at_ms), season, by_name, voided },
      );
    }
  }

  private async tickets(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE weigh_tickets
      ADD COLUMN combination VARCHAR(60) NOT NULL DEFAULT '',
      ADD COLUMN tare_id ${ULID} NULL,
      ADD COLUMN by_hand BOOLEAN NOT NULL DEFAULT FALSE,
      ADD COLUMN crop VARCHAR(24) NULL`);
    await runner.query(`CREATE TABLE weigh_ticket_axles (
      farm_id ${ID} NOT NULL,
      number INT UNSIGNED NOT NULL,
      side VARCHAR(5) NOT NULL,
      place SMALLINT UNSIGNED NOT NULL,
      kg DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, number, side, place),
      FOREIGN KEY (farm_id, number) REFERENCES weigh_tickets (farm_id, number)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE weigh_ticket_shares (
      farm_id ${ID} NOT NULL,
      number INT UNSIGNED NOT NULL,
      lot_id ${ID} NOT NULL,
      share DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, number, lot_id),
      FOREIGN KEY (farm_id, number) REFERENCES weigh_tickets (farm_id, number)
    ) ENGINE=InnoDB`);
    const tickets = (await runner.query('SELECT farm_id, number, body FROM weigh_tickets')) as {
      farm_id: string;
      number: number;
      body: string;
    }[];
    for (const { farm_id, number, body } of tickets) {
      const ticket = parsed(body) as {
        combination: string;
        grossKg: number[];
        tareKg: number[];
        tareId: string | null;
        byHand: boolean;
        crop: string | null;
        shares: Record<string, number>;
      };
      await runner.query(
        'UPDATE weigh_tickets SET combination = ?, tare_id = ?, by_hand = ?, crop = ? WHERE farm_id = ? AND number = ?',
        [ticket.combination, ticket.tareId, ticket.byHand, ticket.crop, farm_id, number],
      );
      for (const [side, kgs] of [
        ['gross', ticket.grossKg],
        ['tare', ticket.tareKg],
      ] as const)
        for (const [place, kg] of kgs.entries())
          await insert(runner, 'weigh_ticket_axles', { farm_id, number, side, place, kg });
      for (const [lot_id, share] of Object.entries(ticket.shares))
        await insert(runner, 'weigh_ticket_shares', { farm_id, number, lot_id, share });
    }
    await runner.query(`ALTER TABLE weigh_tickets DROP COLUMN body, ALTER COLUMN combination DROP DEFAULT,
      ADD FOREIGN KEY (farm_id, machine_id) REFERENCES places (farm_id, id),
      ADD FOREIGN KEY (farm_id, tare_id) REFERENCES empty_weights (farm_id, id),
      ADD FOREIGN KEY (farm_id, entry_id) REFERENCES entries (farm_id, id)`);
  }

  // Tables of a new form are not folded back into JSON: who must go back restores the backup that was made before.
  down(): Promise<void> {
    return Promise.reject(new Error('this migration is not undone; restore the database as it was before'));
  }
}
