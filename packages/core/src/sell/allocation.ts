import { type Formula, quantity, requireInRange, UnknownRefusal, within } from '../kernel/index.js';
import { BUSHELS } from '../units/index.js';

/** Maximize the objective over columns between 0 and their upper bound; every row between its least and most. */
export interface LinearProgram {
  readonly objective: readonly number[];
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

const HOURS = quantity('truck hours', 0, 1e6, 'h');

const VALUE = quantity('value', -1000, 1000, '$/bu');

export const ALLOCATION: Formula = {
  id: 'allocation',
  title: 'Which bushels to which bin and buyer',
  equation:
    'max sum(value x) with sum over places <= expected; sum into a bin <= room; buyer least <= sum <= most; sum(hours x) <= truck hours',
  standing: 'published, from memory',
  source: 'Linear programming; solved by the HiGHS package',
  inputs: [BUSHELS, HOURS, VALUE],
  note: 'A bin takes one crop: the user says which, the programme does not choose. The shadow price is the gain from one bushel more, found by solving again, so it is right where duals are not unique.',
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
  readonly crop: string;
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
}

export interface AllocationInput {
  readonly sources: readonly Source[];
  readonly destinations: readonly Destination[];
  readonly lanes: readonly Lane[];
  readonly truckHours?: number;
}

export interface Shadow {
  readonly id: string;
  readonly kind: 'bin' | 'buyer' | 'truck hours';
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
        readonly bushels: number;
        readonly money: number;
      }[];
      readonly left: readonly { readonly from: string; readonly bushels: number }[];
      readonly fills: readonly {
        readonly id: string;
        readonly bushels: number;
        readonly most: number;
        readonly full: boolean;
      }[];
      /** Full places and hours, the most worthwhile first. */
      readonly shadows: readonly Shadow[];
    }
  /** Contracts ask for more than there is, or than trucks can haul. */
  | { readonly kind: 'impossible'; readonly short: readonly { readonly crop: string; readonly bushels: number }[] };

function checked(input: AllocationInput): void {
  const ids = new Set(input.sources.map((s) => s.id));
  const places = new Map(input.destinations.map((d) => [d.id, d]));
  for (const source of input.sources) within(BUSHELS, source.bushels);
  for (const place of input.destinations)
    requireInRange(`least for ${place.id}`, place.least ?? 0, 0, within(BUSHELS, place.most), 'bu');
  if (input.truckHours !== undefined) within(HOURS, input.truckHours);
  for (const lane of input.lanes) {
    if (!ids.has(lane.from)) throw new UnknownRefusal('source', lane.from, [...ids]);
    const place = places.get(lane.to);
    if (!place) throw new UnknownRefusal('place', lane.to, [...places.keys()]);
    within(VALUE, lane.value);
    requireInRange('truck hours a bushel', lane.hoursPerBushel ?? 0, 0, 100, 'h/bu');
    const crop = input.sources.find((s) => s.id === lane.from)!.crop;
    if (crop !== place.crop) throw new UnknownRefusal(`crop for ${place.id}`, crop, [place.crop]);
  }
}

/**
 * The programme behind an allocation: lanes are its columns; rows are named `from:…`, `to:…`, `hours`.
 * Range and source: {@link ALLOCATION}.
 */
export function allocationProgram(input: AllocationInput): LinearProgram {
  checked(input);
  const column = input.lanes.map((_, i) => i);
  const of = (test: (lane: Lane) => boolean): [number, number][] =>
    column.filter((i) => test(input.lanes[i]!)).map((i) => [i, 1]);
  const rows: LinearProgram['rows'][number][] = [
    ...input.sources.map((s) => ({ name: `from:${s.id}`, terms: of((lane) => lane.from === s.id), most: s.bushels })),
    ...input.destinations.map((d) => ({
      name: `to:${d.id}`,
      terms: of((lane) => lane.to === d.id),
      most: d.most,
      ...(d.least ? { least: d.least } : {}),
    })),
  ];
  if (input.truckHours !== undefined)
    rows.push({
      name: 'hours',
      terms: column.map((i) => [i, input.lanes[i]!.hoursPerBushel ?? 0] as [number, number]).filter(([, h]) => h > 0),
      most: input.truckHours,
    });
  return {
    objective: input.lanes.map((lane) => lane.value),
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
    const crops = [...new Set(input.destinations.map((d) => d.crop))];
    const short = crops.map((crop) => {
      const asked = input.destinations.filter((d) => d.crop === crop).reduce((sum, d) => sum + (d.least ?? 0), 0);
      const there = input.sources.filter((s) => s.crop === crop).reduce((sum, s) => sum + s.bushels, 0);
      return { crop, bushels: Math.max(0, asked - there) };
    });
    return { kind: 'impossible', short: short.filter((row) => row.bushels > 0) };
  }
  const { values, objective } = answer;
  const into = (id: string): number => input.lanes.reduce((sum, lane, i) => sum + (lane.to === id ? values[i]! : 0), 0);
  const hours = input.lanes.reduce((sum, lane, i) => sum + values[i]! * (lane.hoursPerBushel ?? 0), 0);
  const again = (changed: AllocationInput): number => {
    const better = solve(allocationProgram(changed));
    return better.status === 'optimal' ? Math.max(0, better.objective - objective) : 0;
  };
  const fills = input.destinations.map((d) => ({
    id: d.id,
    bushels: into(d.id),
    most: d.most,
    full: into(d.id) >= d.most - 1e-6 * Math.max(1, d.most),
  }));
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
  if (input.truckHours !== undefined && hours >= input.truckHours - 1e-6 * Math.max(1, input.truckHours)) {
    const worth = again({ ...input, truckHours: input.truckHours + 1 });
    shadows.push({
      id: 'truck hours',
      kind: 'truck hours',
      worth,
      words: `One more truck hour would bring $${worth.toFixed(2)}.`,
    });
  }
  const flows = input.lanes.flatMap((lane, i) =>
    values[i]! > 1e-6 ? [{ from: lane.from, to: lane.to, bushels: values[i]!, money: values[i]! * lane.value }] : [],
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
    shadows: shadows.filter((s) => s.worth > 1e-9).sort((a, b) => b.worth - a.worth),
  };
}
