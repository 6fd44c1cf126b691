import type { DataSource } from 'typeorm';
import { openDatabase } from '../database.js';
import { readConfig } from '../platform/config.js';
import { saidPlainly } from '../platform/trouble.js';
import { UserRow } from '../platform/entities/identity.entity.js';
import { loadDemo } from './load-demo.js';

const words = process.argv.slice(2);
const number = (name: string): number | undefined => {
  const at = words.indexOf(name);
  return at < 0 ? undefined : Number(words[at + 1]);
};

async function opened(): Promise<DataSource> {
  try {
    return await openDatabase(readConfig().databaseUrl);
  } catch (error) {
    console.error(saidPlainly(error));
    process.exit(1);
  }
}
const db = await opened();
try {
  if (words.includes('--reset')) {
    await db.dropDatabase();
    await db.runMigrations({ transaction: 'each' });
  }
  if (words.includes('--demo') && (await db.getRepository(UserRow).count()) === 0) {
    const seasons = number('--seasons');
    const fields = number('--fields');
    const { entries, farm } = await loadDemo(db, { ...(seasons ? { seasons } : {}), ...(fields ? { fields } : {}) });
    console.log(`${farm} loaded: ${entries.toLocaleString('en')} entries`);
  }
} finally {
  await db.destroy();
}
