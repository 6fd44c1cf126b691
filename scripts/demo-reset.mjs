// npm run demo:reset: throws the demo farm away and makes it again. A farm of your own is not touched.
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { buildAll } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { ensureMariadb, ensurePackages } from './lib/packages.mjs';
import { DATA, runs } from './lib/run.mjs';
import { step, stop } from './lib/say.mjs';
import { prepareDatabase } from './lib/server.mjs';

const runFile = path.join(DATA, 'run.json');
if (existsSync(runFile) && runs(JSON.parse(readFileSync(runFile, 'utf8')).pid, 'start.mjs'))
  stop('Fanega is running; stop it first (Ctrl-C), then run this again.');
await ensurePackages();
await ensureMariadb();
await buildAll();
const database = await startDatabase(DATA);
step('making the demo farm again');
step(await prepareDatabase(database.url('fanega_demo'), true, ['--reset', ...process.argv.slice(2)]));
await database.stop();
