import fc from 'fast-check';
import { type Book, DEFAULT_TRUST, type Entry, type Lot, METHODS, type Place } from '../src/index.js';

/** Builds entries with running ids and times, so that a worked example shows only what matters. */
export class BookBuilder {
  private n = 0;
  readonly entries: Entry[] = [];

  constructor(
    readonly lots: readonly Lot[],
    readonly places: readonly Place[],
    readonly defaults = { moisture: 0.15, trust: DEFAULT_TRUST },
  ) {}

  add(entry: Record<string, unknown> & { type: Entry['type'] }): string {
    const n = ++this.n;
    const id = `E${String(n).padStart(4, '0')}`;
    const at = new Date(Date.UTC(2026, 8, 8, 12, n)).toISOString();
    const made = { id, at, ...entry } as unknown as Entry;
    this.entries.push(made);
    return made.id;
  }

  harvest(lot: string, to: string, wetKg: number, moisture = 0.2, more: object = {}): string {
    return this.add({ type: 'harvest', lot, to, wetKg, moisture, ...more });
  }

  move(from: string, to: string, more: object = {}): string {
    return this.add({ type: 'move', from, to, ...more });
  }

  book(): Book {
    return {
      format: 'fanega-book',
      version: 1,
      defaults: this.defaults,
      lots: this.lots,
      places: this.places,
      entries: this.entries,
    };
  }
}

const LOTS = ['A', 'B', 'C'];
const PLACES: Place[] = [
  { id: 'combine', kind: 'combine', withdrawal: 'mixed' },
  { id: 'cart', kind: 'cart', withdrawal: 'mixed' },
  { id: 'truck', kind: 'truck', withdrawal: 'mixed' },
  { id: 'hopper', kind: 'wetBin', withdrawal: 'firstIn' },
  { id: 'flat', kind: 'bin', withdrawal: 'lastIn' },
  { id: 'stirred', kind: 'bin', withdrawal: 'mixed' },
  { id: 'mill', kind: 'buyer' },
  { id: 'river', kind: 'buyer' },
];
const HOLDERS = PLACES.filter((place) => place.kind !== 'buyer').map((place) => place.id);

type Draft = (id: string, at: string, earlier: readonly Entry[]) => Entry | undefined;

const mass = fc.oneof(
  fc.double({ min: 0, max: 30_000, noNaN: true, noDefaultInfinity: true }),
  fc.integer({ min: 0, max: 300 }).map((n) => n * 100),
);
const moisture = fc.double({ min: 0.05, max: 0.45, noNaN: true });
const holder = fc.constantFrom(...HOLDERS);
const anywhere = fc.constantFrom(...PLACES.map((place) => place.id));
const method = fc.option(fc.constantFrom<string>(...METHODS, 'guess'), { nil: undefined });
const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });
const clean = <T extends object>(o: T): T =>
  Object.fromEntries(Object.entries(o).filter(([, v]) => v !== undefined)) as T;
const target = (earlier: readonly Entry[], pick: number, types: readonly string[]) => {
  const fit = earlier.filter((entry) => types.includes(entry.type));
  return fit.length > 0 ? fit[pick % fit.length] : undefined;
};

const draft: fc.Arbitrary<Draft> = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.record({ lot: fc.constantFrom(...LOTS), to: holder, wetKg: mass, moisture, method }).map(
      (o): Draft =>
        (id, at) =>
          clean({ type: 'harvest', id, at, ...o }) as Entry,
    ),
  },
  {
    weight: 8,
    arbitrary: fc
      .record({
        from: holder,
        to: anywhere,
        wetKg: maybe(mass),
        emptied: maybe(fc.boolean()),
        sideDraw: maybe(fc.boolean()),
        moisture: maybe(moisture),
        method,
      })
      .map(
        (o): Draft =>
          (id, at) =>
            clean({ type: 'move', id, at, ...o }) as Entry,
      ),
  },
  {
    weight: 1,
    arbitrary: fc
      .record({ place: holder, moisture, dryLoss: maybe(fc.double({ min: 0, max: 0.05, noNaN: true })) })
      .map(
        (o): Draft =>
          (id, at) =>
            clean({ type: 'condition', id, at, ...o }) as Entry,
      ),
  },
  {
    weight: 1,
    arbitrary: fc
      .record({ place: holder, wetKg: mass, reason: fc.constantFrom('spill', 'fines', 'drying') })
      .map((o): Draft => (id, at) => ({ type: 'loss', id, at, ...o })),
  },
  {
    weight: 1,
    arbitrary: fc.record({ place: holder, wetKg: mass, moisture: maybe(moisture) }).map(
      (o): Draft =>
        (id, at) =>
          clean({ type: 'measure', id, at, ...o }) as Entry,
    ),
  },
  {
    weight: 2,
    arbitrary: fc
      .record({ pick: fc.nat(), wetKg: maybe(mass), moisture: maybe(moisture), method })
      .map(({ pick, ...o }): Draft => (id, at, earlier) => {
        const of = target(earlier, pick, ['harvest', 'move']);
        return of && (clean({ type: 'witness', id, at, of: of.id, ...o }) as Entry);
      }),
  },
  {
    weight: 1,
    arbitrary: fc.nat().map((pick): Draft => (id, at, earlier) => {
      const voids = earlier.length > 0 ? earlier[pick % earlier.length] : undefined;
      return voids && { type: 'void', id, at, voids: voids.id };
    }),
  },
);

/** Random books: any order of places, witnesses, voids of voids, equal times. */
export const anyBook: fc.Arbitrary<Book> = fc
  .tuple(
    fc.array(fc.tuple(draft, fc.nat(40)), { maxLength: 60, size: 'max' }),
    fc.shuffledSubarray([...METHODS], { minLength: 2 }),
  )
  .map(([drafts, trust]) => {
    const entries: Entry[] = [];
    drafts.forEach(([make, minute], i) => {
      const at = new Date(Date.UTC(2026, 8, 8, 6, minute)).toISOString();
      const entry = make(`X${String((i * 37) % 100).padStart(3, '0')}`, at, entries);
      if (entry) entries.push(entry);
    });
    return {
      format: 'fanega-book',
      version: 1,
      defaults: { moisture: 0.15, trust },
      lots: LOTS.map((id) => ({ id })),
      places: PLACES,
      entries,
    } satisfies Book;
  });
