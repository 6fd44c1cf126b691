import { spawn } from 'node:child_process';
import { get as getHttp } from 'node:http';
import { get as getHttps } from 'node:https';
import path from 'node:path';
import { ROOT, run, until } from './run.mjs';
import { stop } from './say.mjs';

const node = (script) => path.join(ROOT, 'apps/server/dist', script);

/** What a request leaves behind is gone before it is looked at twice: a tenth of the work of many small ones is sweeping up after them. */
const YOUNG = ['--max-semi-space-size=32'];

/** Migrations, and the demo farm into an empty database when `demo` is set. Prints what it did. */
export async function prepareDatabase(url, demo, args = []) {
  const { code, output } = await run(process.execPath, [node('cli/prepare.js'), ...(demo ? ['--demo'] : []), ...args], {
    env: { ...process.env, FANEGA_DATABASE_URL: url },
  });
  if (code !== 0) stop(output.slice(-3000), 'the database could not be prepared.');
  return output.trim();
}

/** Starts the server and waits until it answers. */
export async function startServer({ url, host = '127.0.0.1', port, env = {}, stdio = 'inherit' }) {
  const child = spawn(process.execPath, [...YOUNG, node('main.js')], {
    cwd: ROOT,
    stdio: ['ignore', stdio, stdio],
    detached: true,
    env: { ...process.env, FANEGA_DATABASE_URL: url, FANEGA_HOST: host, FANEGA_PORT: String(port), ...env },
  });
  // What a server says before it falls, where nobody else reads it.
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream?.on('data', (part) => (said = (said + part).slice(-3000)));
  const reachable = host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host;
  const scheme = process.env.FANEGA_TLS_CERT ? 'https' : 'http';
  await until('starting the server', 60_000, async () => {
    if (child.exitCode !== null) throw new Error(`the server did not start; ${said || 'the lines above say why'}`);
    return answers(`${scheme}://${reachable}:${port}/api/health`);
  });
  return {
    child,
    address: `${scheme}://${reachable}:${port}`,
    stop: async () => {
      if (child.exitCode !== null || child.signalCode !== null) return;
      child.kill('SIGTERM');
      await until('stopping the server', 15_000, () => child.exitCode !== null || child.signalCode !== null).catch(() =>
        child.kill('SIGKILL'),
      );
    },
  };
}

/** What this machine's own server says, or null; its certificate names the farm's address, not this one. */
const said = (url) =>
  new Promise((resolve) => {
    const get = url.startsWith('https') ? getHttps : getHttp;
    get(url, { rejectUnauthorized: false }, (response) => {
      let text = '';
      response.on('data', (part) => (text += part));
      response.on('end', () => resolve(response.statusCode === 200 ? text : null));
    }).on('error', () => resolve(null));
  });

const answers = async (url) => (await said(url)) !== null;

/** Whether a farm there waits for its owner: 'begin' where there is none yet, 'claim' where one was brought back, null otherwise. */
export const waitsForOwner = async (address) => {
  const me = (await said(`${address}/api/auth/me`)) ?? '';
  return /"firstRun":true/.test(me) ? 'begin' : /"claim":true/.test(me) ? 'claim' : null;
};
