import { CHAIN_START, serializeBook } from '@fanega/core';
import type { Book } from '@fanega/core';
import type { Readable, Writable } from 'node:stream';
import type { DataSource, QueryRunner } from 'typeorm';
import { ArchiveWriter, type Manifest } from './archive.js';
import { farmTables, orderOf, schemaOf } from './tables.repository.js';

/** A value that a line of JSON cannot hold as it is: bytes, and JSON that the driver has read already. */
export type Packed = { readonly base64: string } | { readonly json: string };

const cell = (value: unknown): unknown =>
  Buffer.isBuffer(value)
    ? ({ base64: value.toString('base64') } satisfies Packed)
    : typeof value === 'object' && value !== null
      ? ({ json: JSON.stringify(value) } satisfies Packed)
      : value;

/** The first line has the names of the columns, each other one a row. */
async function* rowLines(runner: QueryRunner, sql: string, parameters: unknown[]): AsyncGenerator<string> {
  let names: string[] | undefined;
  const rows = (await runner.stream(sql, parameters)) as Readable;
  for await (const row of rows) {
    const one = row as Record<string, unknown>;
    if (!names) {
      names = Object.keys(one);
      yield `${JSON.stringify(names)}\n`;
    }
    yield `${JSON.stringify(names.map((name) => cell(one[name])))}\n`;
  }
}

/**
 * Everything that a farm has, as of one moment: the book in its open form, members without passwords, and each table with rows of the farm.
 * @param book null where the program that reads books is newer than the tables
 */
export async function dumpFarm(
  db: DataSource,
  farmId: string,
  to: Writable | string,
  now: number,
  book: ((seq: number) => Promise<Book>) | null,
): Promise<Manifest> {
  const runner = db.createQueryRunner();
  try {
    await runner.connect();
    // All of it as it is now, whatever is written meanwhile.
    await runner.query('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
    await runner.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
    const [farm] = (await runner.query('SELECT * FROM farms WHERE id = ?', [farmId])) as {
      id: string;
      name: string;
      seq: number;
      chain?: string;
    }[];
    if (!farm) throw new Error(`there is no farm ${farmId}`);
    const archive = new ArchiveWriter(to);
    if (book) {
      const parts = async function* (): AsyncGenerator<string> {
        yield serializeBook(await book(farm.seq));
      };
      await archive.add('book.json', parts());
    }
    await archive.add('tables/farms.ndjson', rowLines(runner, 'SELECT * FROM farms WHERE id = ?', [farmId]), true);
    // Whoever is a member, and whoever wrote something and is none any more.
    await archive.add(
      'tables/users.ndjson',
      rowLines(
        runner,
        `SELECT id, email, name FROM users WHERE id IN (SELECT user_id FROM memberships WHERE farm_id = ?
         UNION SELECT user_id FROM entries WHERE farm_id = ? AND user_id IS NOT NULL) ORDER BY id`,
        [farmId, farmId],
      ),
      true,
    );
    for (const table of await farmTables(runner))
      await archive.add(
        `tables/${table.name}.ndjson`,
        rowLines(runner, `SELECT * FROM \`${table.name}\` WHERE farm_id = ? ORDER BY ${orderOf(table)}`, [farmId]),
        true,
      );
    return await archive.end({
      schema: await schemaOf(runner),
      madeAt: new Date(now).toISOString(),
      farm: { id: farm.id, name: farm.name },
      seq: farm.seq,
      link: farm.chain ?? CHAIN_START,
    });
  } finally {
    await runner.query('ROLLBACK').catch(() => undefined);
    await runner.release();
  }
}
