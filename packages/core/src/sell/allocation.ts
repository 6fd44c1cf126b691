import { type Formula, quantity, requireInRange, UnknownRefusal, within } from '../kernel/index.js';
import { BUSHELS } from '../units/index.js';

/** Maximize the objective over columns between 0 and their upper bound; every row between its least and most. */
export interface LinearProgram {
  readonly objective: readonly number[];
  /** Columns that are 0 or 1. */
  readonly binary?: readonly number[];
  readonly rows: readonly {
    readonly name: string;
    readonly terms: readonly (readonly [column: number, factor: number])[];
    readonly least?: number;
    readonly most?: number;
  }[];
}

export type LinearAnswer =
  | { readonly status: 'optimal'; readonly objective: number; readonly values: readonly number[] }
  | { readonly status: 'infeasible' | 'unbounded' };

/** Whatever solves it: the core says what, `@fanega/core/solver` says how. */
export type LinearSolver = (program: LinearProgram) => LinearAnswer;

const HOURS = quantity('hours', 0, 1e6, 'h');

const VALUE = quantity('value', -1000, 1000, '$/bu');

export const ALLOCATION: Formula = {
  id: 'allocation',
  title: 'Which bushels to which bin and buyer',
  equation:
    'max sum(value x) with sum over places <= expected; sum into a bin <= room x (its crop: one); buyer least <= sum <= most; sum(hours x) <= truck hours, dryer hours',
  standing: 'published, from memory',
  source: 'Mixed-integer linear programming; solved by the HiGHS package',
  inputs: [BUSHELS, HOURS, VALUE],
  note: 'A bin takes one crop: the one that is said, or the one of its crops that brings most. The shadow price is the gain from one bushel or hour more, found by solving again, so it is right where duals are not unique.',
};

export interface Source {
  readonly id: string;
  readonly crop: string;
  /** Expected bushels. */
  readonly bushels: number;
}

export interface Destination {
  readonly id: string;
  readonly kind: 'bin' | 'buyer';
  /** Of several the program chooses one. */
  readonly crop: string | readonly string[];
  /** Room of a bin, or the most that a buyer takes, bu. */
  readonly most: number;
  /** What a contract asks for at least. */
  readonly least?: number;
}

/** From a source to a place: what a bushel is worth there, after everything, and the truck hours that it needs. */
export interface Lane {
  readonly from: string;
  readonly to: string;
  /** $/bu */
  readonly value: number;
  readonly hoursPerBushel?: number;
  readonly dryerHoursPerBushel?: number;
  /** Two lanes between the same places are told apart by it. */
  readonly way?: string;
}

export interface AllocationInput {
  readonly sources: readonly Source[];
  readonly destinations: readonly Destination[];
  readonly lanes: readonly Lane[];
  readonly truckHours?: number;
  readonly dryerHours?: number;
}

/** Hours of which there are only so many, and what a lane needs of them. */
const LIMITS = [
  { kind: 'truck hours', row: 'hours', words: 'truck hour', most: 'truckHours', needs: 'hoursPerBushel' },
  { kind: 'dryer hours', row: 'dryer', words: 'dryer hour', most: 'dryerHours', needs: 'dryerHoursPerBushel' },
] as const;

export interface Shadow {
  readonly id: string;
  readonly kind: 'bin' | 'buyer' | (typeof LIMITS)[number]['kind'];
  /** $ that one bushel of room (or one hour) more would bring. */
  readonly worth: number;
  readonly words: string;
}

export type Allocation =
  | {
      readonly kind: 'plan';
      readonly money: number;
      readonly flows: readonly {
        readonly from: string;
        readonly to: string;
        readonly way?: string;
        readonly bushels: number;
        readonly money: number;
      }[];
      readonly left: readonly { readonly from: string; readonly bushels: number }[];
      readonly fills: readonly {
        readonly id: string;
        readonly bushels: number;
        readonly most: number;
        readonly full: boolean;
        /** The crop that goes there; null where nothing does. */
        readonly crop: string | null;
      }[];
      readonly hours: { readonly truck: number; readonly dryer: number };
      /** Full places and hours, the most worthwhile first. */
      readonly shadows: readonly Shadow[];
    }
  /** Contracts ask for more than there is, or than trucks can haul. */
  | { readonly kind: 'impossible'; readonly short: readonly { readonly crop: string; readonly bushels: number }[] };

/** Less than this of a second crop in a bin is the solver's rounding, not grain; bu. */
const CRUMB = 0.5;

const cropsOf = ({ crop }: Destination): readonly string[] => (typeof crop === 'string' ? [crop] : crop);

function checked(input: AllocationInput): void {
  const ids = new Set(input.sources.map((s) => s.id));
  const places = new Map(input.destinations.map((d) => [d.id, d]));
  for (const source of input.sources) within(BUSHELS, source.bushels);
  for (const place of input.destinations)
    requireInRange(`least for ${place.id}`, place.least ?? 0, 0, within(BUSHELS, place.most), 'bu');
  for (const { kind, most } of LIMITS) if (input[most] !== undefined) within({ ...HOURS, name: kind }, input[most]);
  for (const lane of input.lanes) {
    if (!ids.has(lane.from)) throw new UnknownRefusal('source', lane.from, [...ids]);
    const place = places.get(lane.to);
    if (!place) throw new UnknownRefusal('place', lane.to, [...places.keys()]);
    within(VALUE, lane.value);
    for (const { kind, needs } of LIMITS) requireInRange(`${kind} a bushel`, lane[needs] ?? 0, 0, 100, 'h/bu');
    const crop = input.sources.find((s) => s.id === lane.from)!.crop;
    const takes = cropsOf(place);
    if (!takes.includes(crop)) throw new UnknownRefusal(`crop for ${place.id}`, crop, takes);
  }
}

/**
 * The program behind an allocation: lanes are its first columns, after them one for each crop of a place that may take several; rows are
 * named `from:…`, `to:…`, `crop:…`, `one:…`, `hours`, `dryer`.
 * Range and source: {@link ALLOCATION}.
 */
export function allocationProgram(input: AllocationInput): LinearProgram {
  checked(input);
  const cropFrom = new Map(input.sources.map((s) => [s.id, s.crop]));
  const of = (test: (lane: Lane) => boolean): [number, number][] =>
    input.lanes.flatMap((lane, i) => (test(lane) ? [[i, 1] as [number, number]] : []));
  const rows: LinearProgram['rows'][number][] = [
    ...input.sources.map((s) => ({ name: `from:${s.id}`, terms: of((lane) => lane.from === s.id), most: s.bushels })),
    ...input.destinations.map((d) => ({
      name: `to:${d.id}`,
      terms: of((lane) => lane.to === d.id),
      most: d.most,
      ...(d.least ? { least: d.least } : {}),
    })),
  ];
  for (const { row, most, needs } of LIMITS)
    if (input[most] !== undefined)
      rows.push({
        name: row,
        terms: input.lanes.map((lane, i) => [i, lane[needs] ?? 0] as [number, number]).filter(([, h]) => h > 0),
        most: input[most],
      });
  // Which crop a place takes, where it may take one of several: 1 for the one.
  const binary: number[] = [];
  for (const place of input.destinations) {
    const crops = cropsOf(place).filter((crop) =>
      input.lanes.some((lane) => lane.to === place.id && cropFrom.get(lane.from) === crop),
    );
    if (crops.length < 2) continue;
    const own = crops.map((_, k) => input.lanes.length + binary.length + k);
    crops.forEach((crop, k) =>
      rows.push({
        name: `crop:${place.id}:${crop}`,
        terms: [...of((lane) => lane.to === place.id && cropFrom.get(lane.from) === crop), [own[k]!, -place.most]],
        most: 0,
      }),
    );
    rows.push({ name: `one:${place.id}`, terms: own.map((column) => [column, 1]), most: 1 });
    binary.push(...own);
  }
  return {
    objective: [...input.lanes.map((lane) => lane.value), ...binary.map(() => 0)],
    ...(binary.length > 0 ? { binary } : {}),
    rows: rows.filter((row) => row.terms.length > 0 || (row.least ?? 0) > 0),
  };
}

/**
 * The most money from the expected bushels, within the bins, the buyers and the trucks.
 * Range and source: {@link ALLOCATION}.
 * @param solve `loadSolver()` of `@fanega/core/solver`
 */
export function allocate(input: AllocationInput, solve: LinearSolver): Allocation {
  const program = allocationProgram(input);
  const noLane = program.rows.find((row) => row.terms.length === 0);
  const answer =
    noLane || program.objective.length === 0
      ? ({ status: noLane ? 'infeasible' : 'optimal', objective: 0, values: [] } as LinearAnswer)
      : solve(program);
  if (answer.status !== 'optimal') {
    const crops = [...new Set(input.destinations.flatMap(cropsOf))];
    const short = crops.map((crop) => {
      const asked = input.destinations
        .filter((d) => cropsOf(d).includes(crop))
        .reduce((sum, d) => sum + (d.least ?? 0), 0);
      const there = input.sources.filter((s) => s.crop === crop).reduce((sum, s) => sum + s.bushels, 0);
      return { crop, bushels: Math.max(0, asked - there) };
    });
    return { kind: 'impossible', short: short.filter((row) => row.bushels > 0) };
  }
  const { values, objective } = answer;
  const cropFrom = new Map(input.sources.map((s) => [s.id, s.crop]));
  const into = (id: string): number => input.lanes.reduce((sum, lane, i) => sum + (lane.to === id ? values[i]! : 0), 0);
  const used = (needs: (typeof LIMITS)[number]['needs']): number =>
    input.lanes.reduce((sum, lane, i) => sum + values[i]! * (lane[needs] ?? 0), 0);
  // One bushel or hour more, with the crops of the bins as they are planned.
  const planned = new Map(
    input.destinations.map((d) => [
      d.id,
      cropFrom.get(input.lanes.find((lane, i) => lane.to === d.id && values[i]! > CRUMB)?.from ?? ''),
    ]),
  );
  const fills = input.destinations.map((d) => ({
    id: d.id,
    bushels: into(d.id),
    most: d.most,
    full: into(d.id) >= d.most - 1e-6 * Math.max(1, d.most),
    crop: planned.get(d.id) ?? null,
  }));
  const settled = (changed: AllocationInput): AllocationInput => ({
    ...changed,
    destinations: changed.destinations.map((d) => ({ ...d, crop: planned.get(d.id) ?? d.crop })),
    lanes: changed.lanes.filter(
      ({ from, to }) => planned.get(to) === undefined || planned.get(to) === cropFrom.get(from),
    ),
  });
  const moneyOf = (changed: AllocationInput): number => {
    const found = solve(allocationProgram(settled(changed)));
    return found.status === 'optimal' ? found.objective : objective;
  };
  // A choice of crops is solved to within a crumb of a bushel: what is compared with it is solved the same way.
  const before = program.binary ? moneyOf(input) : objective;
  const again = (changed: AllocationInput): number => Math.max(0, moneyOf(changed) - before);
  const shadows: Shadow[] = input.destinations
    .filter((_, i) => fills[i]!.full)
    .map((d) => {
      const worth = again({
        ...input,
        destinations: input.destinations.map((other) => (other.id === d.id ? { ...d, most: d.most + 1 } : other)),
      });
      const amount = `${(100 * worth).toFixed(1)} cents`;
      return {
        id: d.id,
        kind: d.kind,
        worth,
        words:
          d.kind === 'bin'
            ? `One more bushel of room in ${d.id} would bring ${amount}.`
            : `One more bushel that ${d.id} takes would bring ${amount}.`,
      };
    });
  for (const { kind, words, most, needs } of LIMITS) {
    const there = input[most];
    if (there === undefined || used(needs) < there - 1e-6 * Math.max(1, there)) continue;
    const worth = again({ ...input, [most]: there + 1 });
    shadows.push({ id: kind, kind, worth, words: `One more ${words} would bring $${worth.toFixed(2)}.` });
  }
  const flows = input.lanes.flatMap((lane, i) =>
    values[i]! > 1e-6
      ? [
          {
            from: lane.from,
            to: lane.to,
            ...(lane.way === undefined ? {} : { way: lane.way }),
            bushels: values[i]!,
            money: values[i]! * lane.value,
          },
        ]
      : [],
  );
  const left = input.sources.flatMap((s) => {
    const bushels = s.bushels - flows.reduce((sum, flow) => sum + (flow.from === s.id ? flow.bushels : 0), 0);
    return bushels > 1e-6 ? [{ from: s.id, bushels }] : [];
  });
  return {
    kind: 'plan',
    money: objective,
    flows,
    left,
    fills,
    hours: { truck: used('hoursPerBushel'), dryer: used('dryerHoursPerBushel') },
    shadows: shadows.filter((s) => s.worth > 1e-9).sort((a, b) => b.worth - a.worth),
  };
}
