/** What an error of the database means: it is not there, it does not answer, its disk is full, or it is something else. */
export type Trouble = 'gone' | 'silent' | 'full';

const GONE = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ENOTFOUND',
  'EHOSTUNREACH',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
  'ER_NET_READ_ERROR',
  'ER_CONNECTION_KILLED',
  // A node that fell out of its cluster.
  'ER_UNKNOWN_COM_ERROR',
]);
/** A conflict with another node that did not end is no answer either: the same again, later, is right. */
const SILENT = new Set([
  'ETIMEDOUT',
  'PROTOCOL_SEQUENCE_TIMEOUT',
  'ER_LOCK_WAIT_TIMEOUT',
  'ER_LOCK_DEADLOCK',
  'ER_ERROR_DURING_COMMIT',
]);
const FULL = new Set(['ER_DISK_FULL', 'ER_RECORD_FILE_FULL', 'ENOSPC']);

interface Coded {
  readonly code?: unknown;
  readonly errno?: unknown;
  readonly message?: unknown;
  readonly cause?: unknown;
  readonly driverError?: unknown;
}

/** Looks through what wraps an error. */
export function troubleOf(error: unknown): Trouble | null {
  for (let one = error as Coded | null | undefined, depth = 0; one && depth < 5; depth++) {
    const { code, message } = one;
    if (typeof code === 'string') {
      if (GONE.has(code)) return 'gone';
      if (SILENT.has(code)) return 'silent';
      if (FULL.has(code)) return 'full';
    }
    if (typeof message === 'string') {
      // The driver's own words for a pool whose connections went away under it.
      if (/closed state|Pool is closed|Connection lost/i.test(message)) return 'gone';
      if (/No space left on device|errno: 28\b/i.test(message)) return 'full';
    }
    one = (one.driverError ?? one.cause) as Coded | undefined;
  }
  return null;
}

export const TROUBLE_WORDS: Readonly<Record<Trouble, string>> = {
  gone: 'The database is not running. Nothing that was recorded is lost; what you enter now waits and is sent when it is back.',
  silent:
    'The database does not answer. Nothing that was recorded is lost; what you enter now waits and is sent when it answers.',
  full: 'The disk of the farm’s computer is full: nothing more can be recorded until there is room. What you enter waits on this device.',
};

/** One sentence for whoever starts the program, in place of a stack. */
export function saidPlainly(error: unknown): string {
  const said = (error as Error | null)?.message ?? String(error);
  const { code, address, port } = (error ?? {}) as { code?: string; address?: string; port?: number };
  switch (troubleOf(error)) {
    case 'gone':
      return `Fanega cannot reach the database${address ? ` at ${address}${port ? `:${port}` : ''}` : ''}: is MariaDB running, and is FANEGA_DATABASE_URL right? (${code ?? said})`;
    case 'silent':
      return `The database does not answer (${code ?? said}).`;
    case 'full':
      return `The disk is full: make room, then start again (${code ?? said}).`;
    case null:
      return code === 'ER_ACCESS_DENIED_ERROR' ? `The database refuses the user of FANEGA_DATABASE_URL: ${said}` : said;
  }
}
