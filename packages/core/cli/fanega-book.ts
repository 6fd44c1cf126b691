import { readFileSync } from 'node:fs';
import {
  balanceOf,
  type Book,
  BookRefused,
  checkChain,
  checkOrigin,
  checkOriginAgainst,
  fingerprintOf,
  Ledger,
  type OriginFault,
  type OriginFile,
  OriginRefused,
  parseBook,
  parseOrigin,
  seqOfFingerprint,
  traceDelivery,
  wordRefusal,
} from '../src/index.js';

const USAGE = `fanega-book: works on a grain book file without a server

  fanega-book check FILE                      is it a sound book, and does it balance?
  fanega-book verify FILE                     was anything changed since it was written down?
  fanega-book verify FILE --fingerprint TEXT  and did the book ever have this fingerprint?
  fanega-book verify FILE --origin FILE       and does this origin file follow from the book?
  fanega-book verify ORIGIN                   is an origin file as it was given out, as far as it can tell alone?
  fanega-book positions FILE                  what every place holds
  fanega-book accounts FILE                   each lot's dry matter, from harvest to delivery
  fanega-book trace FILE --delivery ENTRY_ID  one delivery, down to its loads

FILE may be - for standard input. Answers are JSON on standard output; a bad book is explained on
standard error and ends with exit code 1.
`;

const MOST_SHOWN = 50;

function fail(lines: readonly string[]): never {
  process.stderr.write(lines.join('\n') + '\n');
  process.exit(1);
}

/** Reads the options; `--delivery ID` and `--delivery=ID` both work, before or after the file. */
function readArguments(argv: readonly string[]): {
  command?: string;
  file?: string;
  delivery?: string;
  fingerprint?: string;
  origin?: string;
  help: boolean;
} {
  const words: string[] = [];
  const options: { delivery?: string; fingerprint?: string; origin?: string } = {};
  let help = false;
  for (let i = 0; i < argv.length; i++) {
    const word = argv[i]!;
    if (word === '--help' || word === '-h') help = true;
    else {
      const name = (['delivery', 'fingerprint', 'origin'] as const).find(
        (one) => word === `--${one}` || word.startsWith(`--${one}=`),
      );
      if (name === undefined) words.push(word);
      else {
        const value = word.includes('=') ? word.slice(word.indexOf('=') + 1) : argv[++i];
        if (value !== undefined) options[name] = value;
      }
    }
  }
  const [command, file] = words;
  return { ...(command ? { command } : {}), ...(file ? { file } : {}), ...options, help };
}

function read(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    return fail([`fanega-book: cannot read ${file}: ${(error as Error).message}`]);
  }
}

function load(file: string, text: string): { book: Book; ledger: Ledger } {
  try {
    const book = parseBook(text);
    return { book, ledger: Ledger.of(book) };
  } catch (error) {
    if (!(error instanceof BookRefused)) throw error;
    const more = error.refusals.length - MOST_SHOWN;
    return fail([
      `fanega-book: ${file} is not a sound book`,
      ...error.refusals.slice(0, MOST_SHOWN).map((refusal) => `  ${wordRefusal(refusal)}`),
      ...(more > 0 ? [`  … and ${more} more`] : []),
    ]);
  }
}

function check(ledger: Ledger): unknown {
  const accounts = ledger.accounts();
  const lots = Object.fromEntries(Object.entries(accounts).map(([id, account]) => [id, balanceOf([account])]));
  const open = Object.entries(lots).filter(([, balance]) => !balance.balances);
  if (open.length > 0)
    fail(open.map(([id, balance]) => `lot ${id} does not balance: ${balance.gap} kg dry are left over`));
  return {
    ok: true,
    entries: ledger.size,
    lots: ledger.header.lots.length,
    places: ledger.header.places.length,
    balance: balanceOf(Object.values(accounts)),
  };
}

function verify(book: Book, fingerprint: string | undefined): unknown {
  const chain = checkChain(book);
  if (chain === null) return fail(['fanega-book: this file carries no chain: an older program wrote it']);
  if (chain.fault) {
    const { seq, id, what } = chain.fault;
    fail([
      what === 'changed'
        ? `fanega-book: record ${seq}${id === null ? '' : ` (${id})`} is not what was first written down`
        : `fanega-book: records are missing or were added from number ${seq} on`,
    ]);
  }
  const at = fingerprint === undefined ? undefined : seqOfFingerprint(book.chain!, fingerprint);
  if (at === null) return fail([`fanega-book: this book never had the fingerprint ${fingerprint}`]);
  return {
    ok: true,
    records: chain.records,
    fingerprint: fingerprintOf(chain.head),
    ...(at === undefined ? {} : { at }),
  };
}

/** Faults of an origin file end the program; otherwise what it is of. */
function answerOrigin(
  name: string,
  { origin, seq, link }: OriginFile,
  faults: readonly OriginFault[],
  withBook: boolean,
): unknown {
  if (faults.length > 0)
    fail([
      `fanega-book: ${name} is not as it was given out`,
      ...faults.slice(0, MOST_SHOWN).map(({ code, at }) => `  ${at}: ${code.replace(/_/g, ' ')}`),
    ]);
  return {
    ok: true,
    origin: origin.subject,
    fields: origin.fields.map(({ name: field, part, sure }) => ({ field, part, sure })),
    loads: origin.loads.length,
    at: seq,
    fingerprint: fingerprintOf(link),
    ...(withBook
      ? {}
      : { note: 'by itself; with the book (verify BOOK --origin FILE) every figure is worked out again' }),
  };
}

function originFile(file: string, text: string): OriginFile {
  try {
    return parseOrigin(text);
  } catch (error) {
    if (!(error instanceof OriginRefused)) throw error;
    return fail([`fanega-book: ${file} is no origin file: ${error.message}`]);
  }
}

const { command, file, delivery, fingerprint, origin, help } = readArguments(process.argv.slice(2));
if (help) {
  process.stdout.write(USAGE);
} else {
  if (!command || !file || !['check', 'verify', 'positions', 'accounts', 'trace'].includes(command)) fail([USAGE]);
  if (command === 'trace' && !delivery) fail(['fanega-book: trace needs --delivery ENTRY_ID']);
  const text = read(file);
  if (command === 'verify' && /^\s*\{\s*"format":\s*"fanega-origin"/.test(text)) {
    const own = originFile(file, text);
    process.stdout.write(`${JSON.stringify(answerOrigin(file, own, checkOrigin(own), false))}\n`);
    process.exit(0);
  }
  const { book, ledger } = load(file, text);
  let answer: unknown;
  if (command === 'verify' && origin !== undefined) {
    verify(book, undefined);
    const given = originFile(origin, read(origin));
    answer = answerOrigin(origin, given, checkOriginAgainst(book, given), true);
  } else if (command === 'check') answer = check(ledger);
  else if (command === 'verify') answer = verify(book, fingerprint);
  else if (command === 'positions')
    answer = Object.fromEntries(
      Object.entries(ledger.positions()).map(([id, { wetLots: _, ...position }]) => [id, position]),
    );
  else if (command === 'accounts') answer = ledger.accounts();
  else {
    const trace = traceDelivery(ledger, delivery!);
    if (trace) {
      const { wetLots: _, ...plain } = trace;
      answer = plain;
    } else {
      const entry = ledger.entry(delivery!);
      fail([
        `fanega-book: ${delivery} ${entry === undefined ? 'is not in this book' : ledger.isVoided(delivery!) ? 'was voided' : 'is not a move into a buyer'}`,
      ]);
    }
  }
  process.stdout.write(JSON.stringify(answer) + '\n');
}
