import { dayAfter, inOrder } from '../kernel/index.js';
import { living, type Machine, type MachineKind, type ShedRecords } from '../records/index.js';
import { readyBy } from './days.js';
import {
  type Alternative,
  alternatives,
  type MachineReadiness,
  machineReadiness,
  serviceStanding,
} from './readiness.js';
import { READINESS_TEMPLATES, type TemplateLine } from './templates.js';

/** A machine of the shed with where it stands. */
export interface MachineView {
  readonly id: string;
  readonly revision: number;
  readonly machine: Machine;
  /** When it must be ready, and for which crop; null while harvest runs and none is ahead. */
  readonly by: { readonly day: string; readonly crop: string | null };
  readonly readiness: MachineReadiness;
  /** What broke and is not mended; null when it runs. */
  readonly down: string | null;
  /** Services past their hours, the longest past first. */
  readonly overdue: readonly { readonly what: string; readonly hours: number }[];
  /** Its list is done, no service is past its hours, and nothing is broken. */
  readonly ready: boolean;
  /** The one thing to do next, whatever it belongs to; null when there is nothing. */
  readonly next: MachineNext | null;
}

/** A machine as it stands before anybody wrote down more of it than its name. */
export const bareMachine = (kind: Machine['kind'], name: string): Machine => ({
  ...{ kind, name, retired: false, engineHours: 0, separatorHours: 0, acres: 0 },
  ...{ items: [], services: [], wear: [] },
});

/** What is to be done next on a machine: all of it of one thing, never the day of one line beside the words of another. */
export type MachineNext =
  | { readonly kind: 'mend'; readonly what: string; readonly who: string }
  | { readonly kind: 'service'; readonly what: string; readonly hoursOver: number }
  | {
      readonly kind: 'line';
      readonly what: string;
      readonly who: string;
      readonly due: string | null;
      readonly dueIn: number | null;
    };

const badness = ({ readiness, down, ready }: MachineView): number =>
  readiness.daysShort > 0 ? 0 : down !== null ? 0.5 : !ready ? 1 : readiness.open > 0 ? 2 : 3;

/** Machines with where they stand, worst first. @param today the farm's day */
export function machinesOf(shed: ShedRecords, today: string): MachineView[] {
  const firstDays = (shed.settings.seasonPlan.farm?.value.firstDays ?? {}) as Readonly<Record<string, string>>;
  return Object.entries(shed.settings.machine)
    .filter(([, { value }]) => !value.retired)
    .map(([id, { revision, value: machine }]): MachineView => {
      const by = readyBy(firstDays, today, machine.crops);
      const down = living(shed.logs.breakdown).find(({ body }) => !body.mended && body.assetId === id);
      const readiness = machineReadiness(machine.items, today, by.day);
      const hours = { engine: machine.engineHours, separator: machine.separatorHours };
      const overdue = machine.services
        .map((service) => ({ what: service.what, hours: -serviceStanding(service, hours).hoursLeft }))
        .filter((service) => service.hours > 0)
        .sort((a, b) => b.hours - a.hours);
      const line = readiness.items.find(({ state }) => state !== 'done' && state !== 'skipped');
      const late = line !== undefined && (line.state === 'part too late' || line.state === 'overdue');
      const next: MachineNext | null = down
        ? { kind: 'mend', what: down.body.what, who: down.by }
        : overdue[0] !== undefined && !late
          ? { kind: 'service', what: overdue[0].what, hoursOver: overdue[0].hours }
          : line !== undefined
            ? {
                kind: 'line',
                what: line.item.what,
                who: line.item.owner,
                due: line.item.due,
                dueIn: line.dueIn,
              }
            : null;
      return {
        id,
        revision,
        machine,
        by,
        readiness,
        down: down?.body.what ?? null,
        overdue,
        ready: readiness.ready && overdue.length === 0 && !down,
        next,
      };
    })
    .sort(
      (a, b) =>
        badness(a) - badness(b) ||
        b.readiness.daysShort - a.readiness.daysShort ||
        inOrder(a.machine.name, b.machine.name),
    );
}

/** What can be done about an item whose part comes too late. */
export function alternativesFor(
  own: MachineView,
  all: readonly MachineView[],
  item: MachineReadiness['items'][number],
  firstDays: Readonly<Record<string, string>>,
): Alternative[] {
  const others = all
    .filter(
      (other) =>
        other.id !== own.id &&
        other.machine.kind === own.machine.kind &&
        other.readiness.daysShort === 0 &&
        other.down === null &&
        sharesCrop(other.machine, own.machine),
    )
    .map((other) => ({
      name: other.machine.name,
      open: other.readiness.items.filter(({ item, state }) => item.needed && state !== 'done' && state !== 'skipped')
        .length,
    }));
  const later = Object.entries(firstDays).find(([crop, day]) => crop !== own.by.crop && day > own.by.day)?.[0];
  return alternatives(item, others, later ?? null);
}

const sharesCrop = (a: Machine, b: Machine): boolean =>
  !a.crops || !b.crops || a.crops.some((crop) => b.crops!.includes(crop));

/** The farm's own list for a kind of machine, or the usual one. */
export function templateOf(shed: ShedRecords, kind: string): readonly TemplateLine[] {
  return shed.settings.readinessTemplate[kind]?.value.lines ?? READINESS_TEMPLATES[kind as MachineKind] ?? [];
}

/** A template's lines as items of a machine that must be ready by a day. */
export function itemsOf(
  lines: readonly TemplateLine[],
  firstDay: string,
  owner: string,
  newId: () => string,
): Machine['items'][number][] {
  return lines.map((line) => ({
    id: newId().toLowerCase(),
    what: line.what,
    owner,
    due: dayAfter(firstDay, -Math.round(line.daysBefore)),
    doneOn: null,
    skipped: null,
    needed: line.needed,
    part: null,
    ...(line.card ? { card: line.card } : {}),
  }));
}
