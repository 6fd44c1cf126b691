import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, expect, it } from 'vitest';

/** `npm start` itself, in a data directory of its own. */
const root = new URL('..', import.meta.url).pathname;
const data = mkdtempSync(join(tmpdir(), 'fanega-start-'));

interface Run {
  readonly child: ChildProcess;
  output: string;
  readonly address: string;
}

const runs: Run[] = [];

async function until<T>(
  what: string,
  ms: number,
  look: () => T | undefined | false | Promise<T | undefined | false>,
): Promise<T> {
  for (const end = Date.now() + ms; ;) {
    const found = await look();
    if (found) return found;
    if (Date.now() > end) throw new Error(`${what} took longer than ${ms} ms`);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

function launch(args: readonly string[] = [], env: Record<string, string> = {}): Run {
  const child = spawn(process.execPath, ['scripts/start.mjs', ...args], {
    cwd: root,
    env: { ...process.env, FANEGA_DATA: data, FANEGA_DATABASE_URL: undefined, FANEGA_PORT: '7480', ...env },
  });
  const run = { child, output: '', address: '' };
  child.stdout.on('data', (part) => (run.output += String(part)));
  child.stderr.on('data', (part) => (run.output += String(part)));
  runs.push(run);
  return run;
}

async function start(args: readonly string[] = [], env: Record<string, string> = {}): Promise<Run> {
  const run = launch(args, env);
  const address = await until('starting', 50_000, () => {
    if (run.child.exitCode !== null) throw new Error(`npm start ended: ${run.output}`);
    return /Open {2}(https?:\S+)/.exec(run.output)?.[1];
  });
  return Object.assign(run, { address });
}

const ended = (run: Run): Promise<boolean> =>
  until('ending', 20_000, () => run.child.exitCode !== null || run.child.signalCode !== null);

async function stop(run: Run): Promise<void> {
  run.child.kill('SIGTERM');
  await ended(run);
}

const me = async (address: string): Promise<{ demo: boolean; firstRun: boolean }> =>
  (await fetch(`${address}/api/auth/me`)).json() as Promise<{ demo: boolean; firstRun: boolean }>;
const databasePid = (): number => Number(readFileSync(join(data, 'mariadb.pid'), 'utf8'));
const isAlive = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return !/^State:\s+Z/m.test(readFileSync(`/proc/${pid}/status`, 'utf8'));
  } catch {
    return false;
  }
};

afterEach(async () => {
  for (const run of runs.splice(0)) if (run.child.exitCode === null && run.child.signalCode === null) await stop(run);
});
afterAll(() => rmSync(data, { recursive: true, force: true }));

it('opens the demo farm, says so when it runs already, and ends cleanly', async () => {
  const run = await start();
  expect(run.output).toContain('Kestrel Levee Farms loaded');
  expect(await me(run.address)).toMatchObject({ demo: true, firstRun: false });
  expect((await fetch(run.address)).headers.get('content-type')).toContain('text/html');
  const second = launch();
  await ended(second);
  expect(second.output).toContain(`Fanega is running already at ${run.address}`);
  const pid = databasePid();
  run.child.kill('SIGINT');
  await ended(run);
  expect(run.child.exitCode).toBe(0);
  expect(isAlive(pid)).toBe(false);
  expect(existsSync(join(data, 'run.json'))).toBe(false);
  await expect(fetch(run.address)).rejects.toThrow();
});

it('comes up again with its data, and past a port that is taken', async () => {
  const squatter = createServer();
  await new Promise<void>((resolve) => squatter.listen(7480, '127.0.0.1', resolve));
  const run = await start();
  expect(run.output).not.toContain('loaded');
  expect(run.output).toContain('port 7480 is taken, trying 7481');
  expect(run.address).toBe('http://127.0.0.1:7481');
  expect(await me(run.address)).toMatchObject({ demo: true });
  await new Promise((resolve) => squatter.close(resolve));
});

it('starts a killed database again while it runs', async () => {
  const run = await start();
  process.kill(databasePid(), 'SIGKILL');
  await until('the restart', 20_000, () => run.output.includes('the database was killed; starting it again'));
  const answer = await until('an answer', 20_000, async () => (await fetch(`${run.address}/api/health`)).ok);
  expect(answer).toBe(true);
});

it('starts a server that fell again, at the same address, and ends when it is told to', async () => {
  const run = await start();
  for (const [times, seconds] of [
    [1, '0.5'],
    [2, '1'],
  ] as const) {
    const { server } = JSON.parse(readFileSync(join(data, 'run.json'), 'utf8')) as { server: number };
    process.kill(server, 'SIGKILL');
    const line = `the server stopped by itself (SIGKILL); starting it again in ${seconds} s`;
    await until('the restart', 20_000, () => run.output.includes(line));
    await until('another server', 20_000, async () => {
      const now = JSON.parse(readFileSync(join(data, 'run.json'), 'utf8')) as { server: number };
      return now.server !== server && (await fetch(`${run.address}/api/health`).catch(() => null))?.ok;
    });
    expect(run.output.split('the server stopped by itself').length - 1).toBe(times);
  }
  await stop(run);
  expect(run.child.exitCode).toBe(0);
});

it('clears up after a run that was killed outright, and after a stale pid file', async () => {
  const run = await start();
  const pid = databasePid();
  run.child.kill('SIGKILL');
  await ended(run);
  expect(isAlive(pid)).toBe(true);
  const next = await start();
  expect(next.output).toContain('a database of an earlier run is still up; stopping it');
  expect(await me(next.address)).toMatchObject({ demo: true });
  await stop(next);
  writeFileSync(join(data, 'mariadb.pid'), '999999');
  const third = await start();
  expect(third.output).toContain('stale pid file');
  expect(await me(third.address)).toMatchObject({ demo: true });
});

it('--empty begins a farm of its own, which a plain start then opens; --demo goes back', async () => {
  const run = await start(['--empty']);
  expect(await me(run.address)).toEqual({
    program: expect.stringMatching(/^[\w-]{16}$/) as string,
    user: null,
    farms: [],
    firstRun: true,
    claim: false,
    demo: false,
    job: null,
    jobOver: null,
  });
  // Whoever finds the address first is not yet its owner.
  await until('the code', 5000, () => /The code for it is [\w-]{8}: http:\S+\?code=[\w-]{8}/.test(run.output));
  await stop(run);
  const again = await start();
  expect(await me(again.address)).toMatchObject({ firstRun: true, claim: false, demo: false });
  await stop(again);
  const demo = await start(['--demo']);
  expect(await me(demo.address)).toMatchObject({ demo: true });
});

it('with a certificate and its key it serves https, as phones in the field need it; without the key it says so', async () => {
  const file = (name: string): string => join(root, 'scripts/fixtures', `test-only.${name}.pem`);
  const run = await start(['--demo'], { FANEGA_TLS_CERT: file('cert'), FANEGA_TLS_KEY: file('key') });
  expect(run.address).toMatch(/^https:/);
  const entered = await new Promise<{ status?: number; cookie: string }>((resolve, reject) => {
    const call = request(
      `${run.address}/api/auth/demo`,
      { method: 'POST', ca: readFileSync(file('cert')), headers: { Origin: run.address } },
      (response) => {
        response.resume();
        resolve({ status: response.statusCode, cookie: String(response.headers['set-cookie']) });
      },
    );
    call.on('error', reject).end();
  });
  expect(entered.status).toBeLessThan(300);
  expect(entered.cookie).toContain('Secure');
  await stop(run);
  const half = launch(['--demo'], { FANEGA_TLS_CERT: file('cert'), FANEGA_TLS_KEY: '' });
  await ended(half);
  expect(half.child.exitCode).toBe(1);
  expect(half.output).toContain('FANEGA_TLS_CERT and FANEGA_TLS_KEY go together');
});

it('explains a word that it does not know', async () => {
  const run = launch(['--fast']);
  await ended(run);
  expect(run.child.exitCode).toBe(1);
  expect(run.output).toContain('npm start does not know --fast.');
});
