import { NestFactory } from '@nestjs/core';
import { AppModule } from '../app.module.js';
import { openDatabase } from '../database.js';
import { BackupService } from '../features/backup/index.js';
import { FarmRow } from '../platform/entities/farm.entity.js';
import { readConfig } from '../platform/config.js';
import { saidPlainly } from '../platform/trouble.js';

// backup FILE, restore FILE: whole farms out of the database and into it.
const [what, file] = process.argv.slice(2);

try {
  if ((what !== 'backup' && what !== 'restore') || !file) throw new Error('backup FILE or restore FILE');
  const config = { ...readConfig(), backups: null, logLevel: 'silent' };
  const db = await openDatabase(config.databaseUrl);
  const app = await NestFactory.createApplicationContext(AppModule.with(config, db), { logger: false });
  const backups = app.get(BackupService);
  if (what === 'backup') {
    const farms = await db.getRepository(FarmRow).find({ order: { demo: 'ASC' } });
    if (!farms[0]) throw new Error('there is no farm here yet');
    await backups.write(farms[0].id, file);
    console.log(`${farms[0].name} is in ${file}`);
  } else {
    let last = '';
    const { name, seq } = await backups.restore(file, (doing, done, of) => {
      const line = `${Math.floor((100 * done) / Math.max(1, of))} % (${doing.replaceAll('_', ' ')})`;
      if (line !== last) console.log(line);
      last = line;
    });
    console.log(`${name} is back, its book at entry ${seq.toLocaleString('en-US')}`);
  }
  await app.close();
  if (db.isInitialized) await db.destroy();
} catch (error) {
  console.error(saidPlainly(error));
  process.exit(1);
}
