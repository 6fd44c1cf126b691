import { CHAIN_START, type ChainRecord, linkOf, type RevisionChange } from '@fanega/core';
import type { MigrationInterface, QueryRunner } from 'typeorm';

const LINK = 'CHAR(64) CHARACTER SET ascii COLLATE ascii_bin';

interface Kept {
  seq: number;
  record: ChainRecord;
}

/** Every entry and revision gets the link that chains it to the one before; books that stand get theirs as they are now. */
export class Chain1790800000000 implements MigrationInterface {
  name = 'Chain1790800000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE farms ADD COLUMN chain ${LINK} NOT NULL DEFAULT '${CHAIN_START}'`);
    for (const table of ['entries', 'revisions'])
      await runner.query(`ALTER TABLE ${table} ADD COLUMN link ${LINK} NOT NULL DEFAULT ''`);
    const farms = (await runner.query('SELECT id FROM farms')) as { id: string }[];
    for (const { id } of farms) await this.chain(runner, id);
    for (const table of ['entries', 'revisions'])
      await runner.query(`ALTER TABLE ${table} ALTER COLUMN link DROP DEFAULT`);
  }

  private async chain(runner: QueryRunner, farm: string): Promise<void> {
    const revisions = await this.revisions(runner, farm);
    let link = CHAIN_START;
    let last = 0;
    const put = async ({ seq, record }: Kept, table: string): Promise<void> => {
      link = linkOf(link, record);
      await runner.query(`UPDATE ${table} SET link = ? WHERE farm_id = ? AND seq = ?`, [link, farm, seq]);
    };
    for (;;) {
      const rows = (await runner.query(
        'SELECT seq, body FROM entries WHERE farm_id = ? AND seq > ? ORDER BY seq LIMIT 5000',
        [farm, last],
      )) as { seq: number; body: string }[];
      for (const { seq, body } of rows) {
        while (revisions[0] && revisions[0].seq < seq) await put(revisions.shift()!, 'revisions');
        await put({ seq, record: (typeof body === 'string' ? JSON.parse(body) : body) as ChainRecord }, 'entries');
        last = seq;
      }
      if (rows.length === 0) break;
    }
    for (const revision of revisions) await put(revision, 'revisions');
    await runner.query('UPDATE farms SET chain = ? WHERE id = ?', [link, farm]);
  }

  private async revisions(runner: QueryRunner, farm: string): Promise<Kept[]> {
    const rows = (await runner.query('SELECT * FROM revisions WHERE farm_id = ? ORDER BY seq', [farm])) as Record<
      string,
      string | number | null
    >[];
    const lists = (await runner.query(
      "SELECT seq, name, part FROM revision_lists WHERE farm_id = ? AND side = 'after' ORDER BY seq, place",
      [farm],
    )) as { seq: number; name: string; part: number }[];
    return rows.map((row) => {
      const own = lists.filter(({ seq }) => seq === row.seq);
      const { what } = row;
      const change = (
        what === 'shares'
          ? { what, lot: row.lot_id, shares: own.map(({ name, part }) => ({ owner: name, part })) }
          : what === 'trust'
            ? { what, trust: own.map(({ name }) => name) }
            : what === 'defaultMoisture'
              ? { what, moisture: row.moisture }
              : what === 'baseMoisture'
                ? { what, crop: row.crop, moisture: row.moisture }
                : { what, place: row.place_id, withdrawal: row.withdrawal }
      ) as RevisionChange;
      const record = {
        id: String(row.id),
        at: new Date(Number(row.at_ms)).toISOString(),
        by: String(row.by_name),
        reason: String(row.reason),
        change,
      };
      return { seq: Number(row.seq), record };
    });
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const [table, column] of [
      ['entries', 'link'],
      ['revisions', 'link'],
      ['farms', 'chain'],
    ] as const)
      await runner.query(`ALTER TABLE ${table} DROP COLUMN ${column}`);
  }
}
