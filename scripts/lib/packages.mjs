import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { has, installer, ROOT, run } from './run.mjs';
import { step, stop } from './say.mjs';

/** `npm ci` when the lock has changed since the last one that finished. */
export async function ensurePackages() {
  const stamp = path.join(ROOT, 'node_modules/.fanega-lock');
  const hash = createHash('sha256')
    .update(readFileSync(path.join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return;
  step('installing packages (npm ci, a minute or two the first time)');
  const { code, output } = await run('npm', ['ci', '--no-audit', '--no-fund']);
  if (code !== 0) stop(output.slice(-4000), 'npm ci failed; the lines above say why.');
  writeFileSync(stamp, hash);
}

async function ensureDebian(command, packages, why) {
  if (has(command)) return;
  const prefix = installer();
  if (prefix === null) {
    stop(
      '',
      `${why} is missing. Install it with`,
      '',
      `    sudo apt-get update && sudo apt-get install -y ${packages.join(' ')}`,
      '',
      'and run this command again.',
    );
  }
  step(`installing ${why} from Debian's packages (${packages.join(' ')})`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (...args) => run([...prefix, 'apt-get'][0], [...[...prefix, 'apt-get'].slice(1), ...args], { env });
  let result = await apt('install', '-y', '-qq', '--no-install-recommends', ...packages);
  if (result.code !== 0) {
    await apt('update', '-qq');
    result = await apt('install', '-y', '-qq', '--no-install-recommends', ...packages);
  }
  if (result.code !== 0 || !has(command))
    stop(result.output.slice(-3000), `${why} could not be installed; the lines above say why.`);
}

export const ensureMariadb = () => ensureDebian('mariadbd', ['mariadb-server'], 'the MariaDB server');
export const ensureChromium = () => ensureDebian('chromium', ['chromium'], 'Chromium');
