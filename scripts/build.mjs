// npm run build; `node scripts/build.mjs server` leaves the pages out. What is up to date stays as it is, also under a server that runs.
import { buildAll, buildServer } from './lib/build.mjs';

await (process.argv[2] === 'server' ? buildServer() : buildAll());
