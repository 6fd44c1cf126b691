import type { DataSource, EntityManager } from 'typeorm';
import type { Progress } from '../../platform/lines.js';
import { Refused } from '../../platform/refused.js';
import type { ArchiveReader } from './archive.js';
import type { Packed } from './dump.repository.js';
import { farmTables, schemaOf } from './tables.repository.js';

const AT_ONCE = 500;
/** Every farm has these from its first moment on. */
const FROM_THE_START = new Set(['farm_topics', 'farm_trust', 'memberships']);

type Row = Record<string, unknown>;

function value(cell: unknown): unknown {
  if (typeof cell !== 'object' || cell === null) return cell;
  const packed = cell as Packed;
  return 'json' in packed ? packed.json : Buffer.from(packed.base64, 'base64');
}

/** Rows of one file, some hundred at a time. */
async function* batches(archive: ArchiveReader, table: string): AsyncGenerator<Row[]> {
  let names: string[] | undefined;
  let rows: Row[] = [];
  for await (const line of archive.lines(`tables/${table}.ndjson`)) {
    const cells = JSON.parse(line) as unknown[];
    if (!names) {
      names = cells as string[];
      continue;
    }
    rows.push(Object.fromEntries(names.map((name, i) => [name, value(cells[i])])));
    if (rows.length === AT_ONCE) {
      yield rows;
      rows = [];
    }
  }
  if (rows.length > 0) yield rows;
}

async function insert(tx: EntityManager, table: string, rows: readonly Row[], ignore = false): Promise<void> {
  const names = Object.keys(rows[0]!);
  await tx.query(
    `INSERT ${ignore ? 'IGNORE ' : ''}INTO \`${table}\` (${names.map((name) => `\`${name}\``).join(', ')}) VALUES ?`,
    [rows.map((row) => names.map((name) => row[name]))],
  );
}

/** True where a farm has nothing but what every farm begins with. */
export async function hasNothing(tx: EntityManager, farmId: string): Promise<boolean> {
  for (const { name } of await farmTables(tx)) {
    if (FROM_THE_START.has(name)) continue;
    const [{ n }] = (await tx.query(`SELECT EXISTS (SELECT 1 FROM \`${name}\` WHERE farm_id = ?) n`, [farmId])) as [
      { n: number },
    ];
    if (Number(n) > 0) return false;
  }
  return true;
}

/**
 * Puts all rows of a backup into a farm that has none yet, or makes the farm. In the caller's transaction: all of it or nothing.
 * @param farmId the farm that it goes into, its row locked; null makes the backup's own
 * @returns the farm's id
 */
export async function bringBack(
  tx: EntityManager,
  archive: ArchiveReader,
  farmId: string | null,
  progress: Progress,
): Promise<string> {
  if (archive.manifest.schema !== (await schemaOf(tx))) throw new Error('the backup has other tables than the program');
  const [farm] = (await oneOf(archive, 'farms')) as [Row];
  const target = farmId ?? String(farm.id);
  const { id: _, demo: __, ...settings } = farm;
  if (farmId === null) await insert(tx, 'farms', [{ ...farm, demo: 0 }]);
  else {
    const names = Object.keys(settings);
    await tx.query(`UPDATE farms SET ${names.map((name) => `\`${name}\` = ?`).join(', ')} WHERE id = ?`, [
      ...names.map((name) => settings[name]),
      target,
    ]);
  }
  // An address that is here already is the same person; everybody else comes without a password.
  const people = new Map<string, string>();
  for await (const rows of batches(archive, 'users'))
    for (const { id, email, name } of rows) {
      const [known] = (await tx.query('SELECT id FROM users WHERE email = ? OR id = ?', [email, id])) as {
        id: string;
      }[];
      people.set(String(id), known?.id ?? String(id));
      if (!known) await insert(tx, 'users', [{ id, email, name, password_hash: null }]);
    }
  const tables = await farmTables(tx);
  const counts = tables.some(({ name }) => name === 'farm_topics');
  const known = counts ? await newestVersion(tx, target) : 0;
  if (farmId !== null)
    for (const { name } of [...tables].reverse())
      if (name !== 'memberships') await tx.query(`DELETE FROM \`${name}\` WHERE farm_id = ?`, [target]);
  const total = tables.reduce((sum, { name }) => sum + archive.rowsOf(`tables/${name}.ndjson`), 0);
  let done = 0;
  for (const { name } of tables)
    for await (const rows of batches(archive, name)) {
      const own = rows.map((row) => ({
        ...row,
        farm_id: target,
        ...('user_id' in row && row.user_id !== null ? { user_id: people.get(String(row.user_id)) ?? null } : {}),
      }));
      // Whoever brings it back stays what he is.
      await insert(tx, name, own, name === 'memberships');
      done += rows.length;
      progress(name, done, total);
    }
  // Whatever a page knew of this farm is out of date.
  if (counts) await tx.query('UPDATE farm_topics SET version = version + ? WHERE farm_id = ?', [known + 1, target]);
  return target;
}

async function newestVersion(tx: EntityManager, farmId: string): Promise<number> {
  const [{ known }] = (await tx.query('SELECT COALESCE(MAX(version), 0) known FROM farm_topics WHERE farm_id = ?', [
    farmId,
  ])) as [{ known: unknown }];
  return Number(known);
}

async function oneOf(archive: ArchiveReader, table: string): Promise<Row[]> {
  for await (const rows of batches(archive, table)) return rows;
  throw new Refused('backup_refused', `The backup is not complete: it has no ${table}.`);
}

/** Where a backup's tables stand among the changes that this program knows. */
export function migrationsFor(
  db: DataSource,
  schema: string,
): { readonly known: boolean; readonly upTo: readonly (new () => unknown)[] } {
  const all = db.options.migrations as unknown as readonly (new () => { name?: string })[];
  const at = all.findIndex((one) => one.name === schema);
  return { known: at >= 0, upTo: all.slice(0, at + 1) };
}
