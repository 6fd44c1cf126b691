import { spawn } from 'node:child_process';
import path from 'node:path';
import { ROOT, run, until } from './run.mjs';
import { stop } from './say.mjs';

const node = (script) => path.join(ROOT, 'apps/server/dist', script);

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
  const child = spawn(process.execPath, [node('main.js')], {
    cwd: ROOT,
    stdio: ['ignore', stdio, stdio],
    detached: true,
    env: { ...process.env, FANEGA_DATABASE_URL: url, FANEGA_HOST: host, FANEGA_PORT: String(port), ...env },
  });
  const reachable = host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host;
  await until('starting the server', 60_000, async () => {
    if (child.exitCode !== null) throw new Error('the server did not start; the lines above say why');
    try {
      return (await fetch(`http://${reachable}:${port}/api/health`)).ok;
    } catch {
      return false;
    }
  });
  return {
    child,
    address: `http://${reachable}:${port}`,
    stop: async () => {
      if (child.exitCode !== null || child.signalCode !== null) return;
      child.kill('SIGTERM');
      await until('stopping the server', 15_000, () => child.exitCode !== null || child.signalCode !== null).catch(() => child.kill('SIGKILL'));
    },
  };
}
