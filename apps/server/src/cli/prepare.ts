import { openDatabase } from '../database.js';
import { UserRow } from '../platform/entities/identity.entity.js';
import { loadDemo } from './load-demo.js';

const words = process.argv.slice(2);
const number = (name: string): number | undefined => {
  const at = words.indexOf(name);
  return at < 0 ? undefined : Number(words[at + 1]);
};

const url = process.env.FANEGA_DATABASE_URL;
if (!url) throw new Error('FANEGA_DATABASE_URL is not set');
const db = await openDatabase(url);
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
