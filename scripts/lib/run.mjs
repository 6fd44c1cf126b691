import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');
/** Where the private database lives. */
export const DATA = process.env.FANEGA_DATA ? path.resolve(process.env.FANEGA_DATA) : path.join(ROOT, '.data');
export const bin = (name) => path.join(ROOT, 'node_modules/.bin', name);
/** The compiler in native code: ten times as fast. The one in JavaScript stays for what asks it as a library. */
export const TSC = path.join(ROOT, 'node_modules/typescript-native/bin/tsc');

export function has(command) {
  const dirs = [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/usr/bin', '/usr/local/sbin'];
  const dir = dirs.find((d) => d && existsSync(path.join(d, command)));
  return dir ? path.join(dir, command) : undefined;
}

/** Runs to the end; resolves with the exit code and what was printed. */
export function run(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, ...options, stdio: options.stdio ?? ['ignore', 'pipe', 'pipe'] });
    let output = '';
    child.stdout?.on('data', (d) => (output += d));
    child.stderr?.on('data', (d) => (output += d));
    child.on('error', (error) => resolve({ code: 127, output: String(error) }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

export const alive = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
};

/** A living process whose command line has the word: pid numbers are used again, and a dead child may linger. */
export function runs(pid, word) {
  if (!alive(pid)) return false;
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(word);
  } catch {
    return true; // no /proc here: better to believe it
  }
}

export async function until(what, ms, check) {
  const end = Date.now() + ms;
  for (;;) {
    const result = await check();
    if (result) return result;
    if (Date.now() > end) throw new Error(`${what} took longer than ${ms / 1000} s`);
    await new Promise((r) => setTimeout(r, 60));
  }
}

export const portFree = (port) =>
  new Promise((resolve) => {
    const server = net.createServer();
    server.once('error', () => resolve(false));
    server.listen({ port, host: '127.0.0.1', exclusive: true }, () => server.close(() => resolve(true)));
  });

/** Below those from which the system gives every connection that goes out one of its own: such a one could take it before it is listened on. */
const [LEAST_PORT, MOST_PORT] = [15_000, 32_000];

export async function anyFreePort() {
  for (;;) {
    const port = LEAST_PORT + Math.floor(Math.random() * (MOST_PORT - LEAST_PORT));
    if (await portFree(port)) return port;
  }
}

/** The command that installs Debian packages from here, or null when only a person can. */
export function installer() {
  if (!has('apt-get')) return null;
  if (process.getuid?.() === 0) return [];
  if (has('sudo') && spawnSync('sudo', ['-n', 'true']).status === 0) return ['sudo', '-n'];
  return null;
}
