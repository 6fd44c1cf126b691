/** `npm run bench`: speed and size as figures and ratios within one run. Not a test: figures depend on the machine. */
import { balanceOf, type Book, instantOf, Ledger, traceDelivery, type Entry } from '@fanega/core';
import { benchBook } from './bench-book.js';
import { benchScience } from './bench-science.js';
import { benchTrace } from './bench-trace.js';

const ENTRIES = 200_000;
const collect = (globalThis as { gc?: () => void }).gc ?? (() => undefined);
const heapMb = (): number => {
  collect();
  const use = process.memoryUsage();
  return (use.heapUsed + use.arrayBuffers) / 1e6;
};
const timed = <T>(run: () => T): { ms: number; result: T } => {
  const start = performance.now();
  const result = run();
  return { ms: performance.now() - start, result };
};
const row = (what: string, figure: string, goal = ''): void =>
  console.log(`${what.padEnd(58)}${figure.padStart(22)}   ${goal}`);
const perSecond = (ms: number): string => Math.round((ENTRIES / ms) * 1000).toLocaleString('en');
const median = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1]!;

function measure(title: string, fieldsAtOnce: number): void {
  // Through JSON, as a file or the database gives it.
  const text = JSON.stringify(benchBook(ENTRIES, 60, 40, fieldsAtOnce));
  const book = JSON.parse(text) as Book;
  console.log(`\n${title}: ${ENTRIES.toLocaleString('en')} entries, 60 lots, 40 places`);
  const empty = heapMb();
  const ledger = Ledger.of(book);
  const full = heapMb();
  // Each opening pays for the memory that it takes, and none for what the one before it left.
  const openMs = median(
    Array.from({ length: 9 }, () => {
      collect();
      return timed(() => Ledger.of(book)).ms;
    }),
  );
  row('check, order and replay', `${perSecond(openMs)} entries/s`, `${openMs.toFixed(0)} ms in all; goal 1,000,000`);
  // A machine that is slow for one is slow for the other.
  const parseMs = median(Array.from({ length: 5 }, () => timed(() => JSON.parse(text) as Book).ms));
  row('the same over reading its JSON', (openMs / parseMs).toFixed(2));
  const replayMs = median(
    [0, 1, 2, 3, 4].map(() => timed(() => ledger.visitParcels(0, ledger.records.steps, () => undefined)).ms),
  );
  row('replay', `${perSecond(replayMs)} entries/s`, 'goal 1,000,000');
  row('memory of the ledger, beside the entries', `${(full - empty).toFixed(0)} MB`, 'goal under 300');
  const balance = balanceOf(Object.values(ledger.accounts()));
  row(
    'gap of the balance over what was harvested',
    (Math.abs(balance.gap) / balance.harvested).toExponential(1),
    'goal under 1e-9',
  );
  const deliveries = book.entries.filter((entry) => ledger.isDelivery(entry.id));
  const sweepMs = median([1, 2, 3, 4, 5].map((i) => timed(() => traceDelivery(ledger, deliveries.at(-i)!.id)).ms));
  row('backward sweep of one of the last deliveries', `${sweepMs.toFixed(1)} ms`, 'goal under 100');
  let made = 0;
  const entryAt = (fraction: number): Entry => ({
    type: 'harvest',
    id: `LATE-${++made}`,
    at: new Date(instantOf(book.entries[Math.floor((ENTRIES - 1) * fraction)]!.at) + 1).toISOString(),
    lot: 'lot30',
    to: 'wheel1',
    wetKg: 9000,
    moisture: 0.18,
  });
  // Grain is moved when somebody asks where it is: what comes late is taken at once, and the first question after it waits.
  const late = (fraction: number, many = 1): { readonly taken: number; readonly asked: number } => {
    const times = Array.from({ length: 9 }, () => {
      const taken = timed(() => {
        for (let i = 0; i < many; i++) ledger.append([entryAt(fraction)]);
      }).ms;
      return { taken, asked: taken + timed(() => ledger.position('wheel1')).ms };
    });
    return { taken: median(times.map((one) => one.taken)), asked: median(times.map((one) => one.asked)) };
  };
  const middle = late(0.5);
  row('a late entry in the middle is taken', `${middle.taken.toFixed(2)} ms`);
  row('and where everything is then', `${middle.asked.toFixed(1)} ms`, 'goal under 20');
  row('taken / opening the whole book', (middle.taken / openMs).toFixed(4), 'goal under 0.05');
  row('taken and asked / opening the whole book', (middle.asked / openMs).toFixed(3), 'goal under 0.05');
  const fifty = late(0.5, 50);
  row('fifty of them, one by one, and where everything is then', `${fifty.asked.toFixed(1)} ms`);
  row('an entry one day (2,880 entries) back, and the same', `${late(1 - 2880 / ENTRIES).asked.toFixed(2)} ms`);
  row('an entry at the end, and the same', `${late(1).asked.toFixed(2)} ms`);
}

console.log(`Ledger, on ${process.version}`);
Ledger.of(benchBook(20_000, 60, 40)); // the first run compiles
measure('A season, six fields cut at a time', 6);
measure('The worst case, all sixty fields at once', 60);
console.log(`\nTrace: ${ENTRIES.toLocaleString('en')} entries, 60 lots`);
benchTrace(row, timed, Ledger.of(benchBook(ENTRIES, 60, 40)));
await benchScience(row);
