import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { bin, ROOT, run, TSC } from './run.mjs';
import { step, stop } from './say.mjs';

function* files(dir) {
  for (const entry of readdirSync(dir, { withFileTypes: true })) {
    if (entry.name === 'node_modules' || entry.name === 'dist' || entry.name.startsWith('.')) continue;
    const file = path.join(dir, entry.name);
    if (entry.isDirectory()) yield* files(file);
    else yield file;
  }
}

function fingerprint(dirs) {
  const hash = createHash('sha1').update(process.version);
  for (const dir of dirs)
    for (const file of files(path.join(ROOT, dir))) {
      const { size, mtimeMs } = statSync(file);
      hash.update(`${file}:${size}:${mtimeMs}\n`);
    }
  return hash.update(readFileSync(path.join(ROOT, 'package-lock.json'))).digest('hex');
}

async function part(name, dirs, made, command, args) {
  const stampDir = path.join(ROOT, 'node_modules/.fanega-build');
  const stamp = path.join(stampDir, name);
  const now = fingerprint(dirs);
  if (existsSync(path.join(ROOT, made)) && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  step(`building ${name}`);
  // Whoever calls may be a test, and would get the library's slow pages for developers.
  const { code, output } = await run(command, args, { env: { ...process.env, NODE_ENV: 'production' } });
  if (code !== 0) stop(output, `building ${name} failed.`);
  mkdirSync(stampDir, { recursive: true });
  writeFileSync(stamp, now);
}

const shared = ['packages/core', 'packages/contract', 'demo'];

/** Builds the server with what it needs, and the devices, where they are out of date. */
export async function buildServer() {
  await part('the server', [...shared, 'apps/server', 'apps/devices'], 'apps/server/dist/main.js', TSC, [
    '-b',
    'packages/core',
    'packages/contract',
    'demo',
    'apps/server',
    'apps/devices',
  ]);
}

/** Builds what is out of date. */
export async function buildAll() {
  await buildServer();
  await part('the pages', [...shared.slice(0, 2), 'apps/web'], 'apps/web/dist/index.html', bin('vite'), [
    'build',
    'apps/web',
    '--logLevel',
    'warn',
  ]);
}
