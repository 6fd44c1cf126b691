import type { DataSource, QueryRunner } from 'typeorm';

/** A table that holds rows of a farm, as the database itself describes it. */
export interface FarmTable {
  readonly name: string;
  readonly columns: readonly string[];
}

type Asked = Pick<DataSource | QueryRunner, 'query'>;

/**
 * Every table with rows of farms, what others point to first. Read from the database and not from a list: a table that is added later
 * is in the next backup by itself.
 */
export async function farmTables(db: Asked): Promise<FarmTable[]> {
  const columns = (await db.query(
    'SELECT table_name t, column_name c FROM information_schema.columns WHERE table_schema = DATABASE() ORDER BY table_name, ordinal_position',
  )) as { t: string; c: string }[];
  const byTable = new Map<string, string[]>();
  for (const { t, c } of columns) byTable.set(t, [...(byTable.get(t) ?? []), c]);
  const own = [...byTable].filter(([, list]) => list.includes('farm_id')).map(([name]) => name);
  const keys = (await db.query(
    'SELECT table_name t, referenced_table_name r FROM information_schema.key_column_usage WHERE table_schema = DATABASE() AND referenced_table_name IS NOT NULL',
  )) as { t: string; r: string }[];
  const pointsTo = new Map(own.map((name) => [name, new Set(keys.filter(({ t, r }) => t === name && r !== name && own.includes(r)).map(({ r }) => r))])); // prettier-ignore
  const ordered: string[] = [];
  while (pointsTo.size > 0) {
    const free = [...pointsTo].filter(([, of]) => [...of].every((name) => !pointsTo.has(name))).map(([name]) => name);
    if (free.length === 0) throw new Error(`tables point to each other: ${[...pointsTo.keys()].join(', ')}`);
    for (const name of free.sort()) pointsTo.delete(name);
    ordered.push(...free);
  }
  return ordered.map((name) => ({ name, columns: byTable.get(name)! }));
}

/** The order in which the rows of a table are written down and put back: a row that another points to comes first. */
export const orderOf = ({ name, columns }: FarmTable): string =>
  name === 'entries' ? 'seq' : columns.filter((column) => column !== 'farm_id').slice(0, 4).map((column) => `\`${column}\``).join(', '); // prettier-ignore

/** The newest change of the tables that a database has been through. */
export async function schemaOf(db: Asked): Promise<string> {
  const rows = (await db.query('SELECT name FROM migrations ORDER BY timestamp DESC LIMIT 1')) as { name: string }[];
  return rows[0]?.name ?? '';
}
