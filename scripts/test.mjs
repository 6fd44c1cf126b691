// npm test: everything from a fresh checkout to one line "N passed, N failed". Node built-ins only until packages are there.
// While one works: `npm test e2e -- --files=line,cab` walks only these browser files.
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import path from 'node:path';
import { buildAll } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { ensureChromium, ensureMariadb, ensurePackages } from './lib/packages.mjs';
import { anyFreePort, bin, DATA, has, run, TSC } from './lib/run.mjs';
import { step, stop } from './lib/say.mjs';
import { prepareDatabase, startServer } from './lib/server.mjs';

/** Browsers that walk at once, each over farms of its own; `--browsers=1` on a machine that does other work. */
const BROWSERS = Number(
  process.argv.find((word) => word.startsWith('--browsers='))?.split('=')[1] ?? Math.min(2, availableParallelism()),
);
/** What the first run of the walks' own farms asks for. */
const SET_UP_CODE = 'walks';
const PARTS = ['types', 'lint', 'unit', 'start', 'server', 'e2e'];
const wanted = process.argv.slice(2).filter((word) => !word.startsWith('-'));
const files = process.argv
  .find((word) => word.startsWith('--files='))
  ?.slice('--files='.length)
  .split(',')
  .map((name) => `${name}.spec.ts`);
const unknown = wanted.filter((word) => !PARTS.includes(word));
if (unknown.length > 0) stop(`npm test does not know ${unknown.join(' ')}; parts are ${PARTS.join(', ')}.`);
const doing = (part) => wanted.length === 0 || wanted.includes(part);

const total = { passed: 0, failed: 0 };
const work = path.join(DATA, 'test');
rmSync(work, { recursive: true, force: true });
mkdirSync(work, { recursive: true });

function count(name, passed, failed, output) {
  total.passed += passed;
  total.failed += failed;
  step(`${name}: ${passed} passed${failed > 0 ? `, ${failed} FAILED` : ''}`);
  if (failed > 0) console.log(output.slice(-20_000));
}

/** A check that either holds or not. */
async function check(name, command, args) {
  const { code, output } = await run(command, args);
  count(name, code === 0 ? 1 : 0, code === 0 ? 0 : 1, output);
}

function report(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}

async function vitest(project, env = {}) {
  const file = path.join(work, `${project}.json`);
  const { code, output } = await run(
    bin('vitest'),
    ['run', '--project', project, '--reporter=default', '--reporter=json', `--outputFile.json=${file}`],
    {
      env: { ...process.env, ...env },
    },
  );
  const result = report(file);
  const failed = result?.numFailedTests ?? 0;
  // A file that does not even load fails no test, yet it has failed.
  count(project, result?.numPassedTests ?? 0, code !== 0 && failed === 0 ? 1 : failed, output);
}

async function browser(env) {
  const file = path.join(work, 'e2e.json');
  const { code, output } = await run(
    bin('playwright'),
    ['test', '--config', 'e2e/playwright.config.ts', ...(files ?? [])],
    {
      env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: file, ...env },
    },
  );
  const stats = report(file)?.stats;
  const failed = (stats?.unexpected ?? 0) + (stats?.flaky ?? 0);
  count('e2e', stats?.expected ?? 0, code !== 0 && failed === 0 ? 1 : failed, output);
}

let database;
const servers = [];
let code = 0;
// A run that is stopped leaves no database or server behind for the next one to stumble over.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
  process.once(signal, () => {
    void Promise.allSettled([...servers.map((server) => server.stop()), database?.stop()]).then(() => process.exit(1));
  });
}
try {
  await ensurePackages();
  await ensureMariadb();
  if (doing('e2e')) await ensureChromium();
  await buildAll();
  const types = async () => {
    if (doing('types')) {
      await check('types of the pages', TSC, ['-p', 'apps/web']);
      await check('types of the worker without a signal', TSC, ['-p', 'apps/web/tsconfig.sw.json']);
      await check('types of the tests', TSC, ['-p', 'tsconfig.tests.json']);
    }
    if (doing('lint')) {
      await check('lint', bin('eslint'), ['.', '--max-warnings', '0']);
      await check('import rules', bin('depcruise'), [
        '--config',
        '.dependency-cruiser.cjs',
        '--output-type',
        'err',
        'packages/core/src',
        'packages/core/cli',
        'packages/core/solver',
        'packages/contract/src',
        'apps/server/src',
        'apps/devices/src',
        'apps/web/src',
        'demo/src',
        'e2e',
      ]);
    }
  };
  const read = async () => {
    await types();
    if (doing('unit')) await vitest('unit');
  };
  // A start mostly waits for what it started; what is read meanwhile waits for nothing.
  await Promise.all([read(), doing('start') && vitest('start', { FANEGA_DATABASE_URL: '' })]);
  if (doing('server') || doing('e2e')) database = await startDatabase(path.join(work, 'db'), { quiet: true });
  if (doing('server'))
    await check('types and routes of the web against the server', process.execPath, ['scripts/api.mjs', '--check']);
  if (doing('server')) await vitest('server', { FANEGA_TEST_DATABASE_URL: database.url('') });
  if (doing('e2e')) {
    const serve = async (name, demo) => {
      const url = database.url(name);
      await prepareDatabase(url, demo);
      const server = await startServer({
        url,
        port: await anyFreePort(),
        env: {
          FANEGA_LOG: 'error',
          FANEGA_SIGN_IN_LIMIT: '0',
          FANEGA_FARM_LIMIT: '500',
          FANEGA_SET_UP_CODE: SET_UP_CODE,
        },
      });
      servers.push(server);
      return server.address;
    };
    /** A server for each browser, by spaces. */
    const each = async (name, demo) => {
      const numbers = Array.from({ length: BROWSERS }, (_, i) => i);
      return (await Promise.all(numbers.map((i) => serve(`${name}_${i}`, demo)))).join(' ');
    };
    const empty = await serve('fanega_farm', false);
    const [haul, day] = await Promise.all([serve('fanega_haul', true), serve('fanega_day', true)]);
    const env = {
      FANEGA_E2E_WORKERS: String(BROWSERS),
      FANEGA_E2E_CODE: SET_UP_CODE,
      FANEGA_E2E_DEMO: await each('fanega_demo', true),
      FANEGA_E2E_OWN: await each('fanega_own', false),
      FANEGA_E2E_EMPTY: empty,
      FANEGA_E2E_HAUL: haul,
      FANEGA_E2E_DAY: day,
      FANEGA_CHROMIUM: has('chromium'),
    };
    await browser(env);
  }
} catch (error) {
  console.error(error);
  total.failed++;
} finally {
  for (const server of servers) await server.stop();
  await database?.stop().catch((error) => console.error(String(error)));
}
if (total.failed > 0 || total.passed === 0) code = 1;
console.log(`\n${total.passed} passed, ${total.failed} failed`);
process.exit(code);
