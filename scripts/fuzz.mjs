// npm run fuzz [count] [seed]: bodies made from the routes' own schemas, and ruined; none may be answered by a fault of the server's.
import path from 'node:path';
import { buildServer } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { ensureMariadb } from './lib/packages.mjs';
import { bin, DATA, run } from './lib/run.mjs';

const [count = '20000', seed = '20260908'] = process.argv.slice(2);
await ensureMariadb();
await buildServer();
const database = await startDatabase(path.join(DATA, 'fuzz'), { quiet: true });
const { code, output } = await run(bin('vitest'), ['run', '--project', 'server', 'apps/server/test/fuzz.spec.ts'], {
  env: {
    ...process.env,
    FANEGA_TEST_DATABASE_URL: database.url(''),
    FANEGA_FUZZ: count,
    FANEGA_FUZZ_SEED: seed,
  },
});
console.log(output.slice(-8000));
await database.stop();
process.exit(code);
