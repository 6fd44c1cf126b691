import { buildAll } from './lib/build.mjs';

await buildAll();
