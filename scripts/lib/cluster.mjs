import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chmodSync, chownSync, existsSync, mkdirSync, openSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { anyFreePort, has, run, until } from './run.mjs';
import { stop } from './say.mjs';

const PROVIDER = ['/usr/lib/galera/libgalera_smm.so', '/usr/lib64/galera-4/libgalera_smm.so'];
const LOOPBACK = '127.0.0.1';

/**
 * A Galera cluster of some nodes on loopback, for the bench alone: no password between its nodes, everything in `dir`.
 * @returns nodes with their `kill` and `start`, and a database URL that names them all, the given one first
 */
export async function startCluster(dir, size = 3) {
  const provider = PROVIDER.find(existsSync);
  if (!provider || !has('rsync'))
    stop('', 'the cluster bench needs Galera and rsync: apt-get install -y galera-4 rsync');
  const { createConnection } = await import('mysql2/promise');
  const isRoot = process.getuid?.() === 0;
  const ids = isRoot ? ['uid', 'gid'].map((which) => Number(spawnSync('id', [which === 'uid' ? '-u' : '-g', 'mysql']).stdout.toString())) : null; // prettier-ignore
  const user = isRoot ? ['--user=mysql'] : [];
  mkdirSync(dir, { recursive: true });
  chmodSync(dir, 0o755);
  const password = randomBytes(12).toString('hex');
  const nodes = [];
  for (let n = 0; n < size; n++) {
    const base = path.join(dir, `node-${n + 1}`);
    mkdirSync(base, { recursive: true });
    // The copy of a joining node is received by the user of the database, into a folder beside its data.
    if (ids) chownSync(base, ids[0], ids[1]);
    nodes.push({
      base,
      port: await anyFreePort(),
      // Group messages, then incremental copies, then whole copies: three ports that follow each other.
      group: 21_000 + (process.pid % 3000) * 10 + n * 3,
      socket: path.join(os.tmpdir(), `fanega-node-${process.pid}-${n + 1}.sock`),
    });
  }
  const address = `gcomm://${nodes.map(({ group }) => `${LOOPBACK}:${group}`).join(',')}`;
  const launch = async (node, first) => {
    const out = openSync(path.join(node.base, 'log'), 'a');
    const options = [
      `gmcast.listen_addr=tcp://${LOOPBACK}:${node.group}`,
      `ist.recv_addr=${LOOPBACK}:${node.group + 1}`,
      `base_port=${node.group}`,
      'evs.keepalive_period=PT0.5S',
      'evs.inactive_check_period=PT0.25S',
      'evs.suspect_timeout=PT2S',
      'evs.inactive_timeout=PT4S',
    ];
    node.child = spawn(
      has('mariadbd'),
      [
        '--no-defaults',
        ...user,
        `--datadir=${path.join(node.base, 'data')}`,
        `--socket=${node.socket}`,
        `--port=${node.port}`,
        `--bind-address=${LOOPBACK}`,
        `--pid-file=${path.join(node.base, 'pid')}`,
        '--character-set-server=utf8mb4',
        '--collation-server=utf8mb4_unicode_ci',
        '--skip-name-resolve',
        '--innodb-buffer-pool-size=64M',
        '--binlog-format=ROW',
        '--default-storage-engine=InnoDB',
        '--innodb-autoinc-lock-mode=2',
        '--wsrep-on=ON',
        `--wsrep-provider=${provider}`,
        `--wsrep-cluster-address=${address}`,
        '--wsrep-cluster-name=fanega_bench',
        `--wsrep-node-address=${LOOPBACK}:${node.group}`,
        `--wsrep-node-incoming-address=${LOOPBACK}:${node.port}`,
        `--wsrep-provider-options=${options.join(';')}`,
        '--wsrep-sst-method=rsync',
        `--wsrep-sst-receive-address=${LOOPBACK}:${node.group + 2}`,
        ...(first ? ['--wsrep-new-cluster'] : []),
      ],
      { stdio: ['ignore', out, out], detached: true },
    );
    const mine = node.child;
    await until(`starting a node (see ${path.join(node.base, 'log')})`, 90_000, async () => {
      if (mine.exitCode !== null) throw new Error(`a node did not start; see ${path.join(node.base, 'log')}`);
      return (await state(node)) === 'Synced';
    });
  };
  const asRoot = (node) => createConnection({ socketPath: node.socket, user: 'root', connectTimeout: 1000 });
  const state = async (node) => {
    try {
      const connection = await asRoot(node);
      const [[row]] = await connection.query("SHOW STATUS LIKE 'wsrep_local_state_comment'");
      await connection.end();
      return row.Value;
    } catch {
      return null;
    }
  };
  for (const [n, node] of nodes.entries()) {
    const made = await run(has('mariadb-install-db'), [
      '--no-defaults',
      ...user,
      `--datadir=${path.join(node.base, 'data')}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
    ]);
    if (made.code !== 0) stop(made.output.slice(-3000), 'a node’s directory could not be made.');
    await launch(node, n === 0);
    if (n > 0) continue;
    const connection = await asRoot(node);
    await connection.query(`CREATE USER 'fanega'@'127.0.0.1' IDENTIFIED BY '${password}'`);
    await connection.query("GRANT ALL ON `fanega%`.* TO 'fanega'@'127.0.0.1'");
    await connection.end();
  }
  return {
    nodes,
    /** All nodes, the n-th first. */
    url: (name, n = 0) =>
      `mysql://fanega:${password}@${nodes.map((_, i) => `${LOOPBACK}:${nodes[(n + i) % size].port}`).join(',')}/${name}`,
    kill: (n) => process.kill(nodes[n].child.pid, 'SIGKILL'),
    start: (n) => launch(nodes[n], false),
    stop: async () => {
      for (const { child } of [...nodes].reverse()) {
        if (!child || child.exitCode !== null || child.signalCode !== null) continue;
        child.kill('SIGTERM');
        await until('stopping a node', 20_000, () => child.exitCode !== null || child.signalCode !== null).catch(() => child.kill('SIGKILL')); // prettier-ignore
      }
      rmSync(dir, { recursive: true, force: true });
    },
  };
}
