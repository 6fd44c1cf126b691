import { dayAfter, daysBetween, requireInRange } from '../kernel/index.js';
import type { MachineKind } from '../records/index.js';

/** What the shed looks after. */
export const MACHINE_KINDS = {
  combine: 'Combine',
  header: 'Header',
  cart: 'Grain cart',
  truck: 'Truck',
  auger: 'Auger',
  leg: 'Leg',
  dryer: 'Dryer',
  bin: 'Bin',
  fan: 'Fan',
  tester: 'Tester',
  scale: 'Scale',
} as const satisfies Record<MachineKind, string>;

/** A part that an item waits for. */
export interface PartNeed {
  readonly name: string;
  readonly onHand: boolean;
  /** Days from the order to the shelf. */
  readonly leadDays: number;
  /** Day of the order; null: not ordered yet. */
  readonly orderedOn: string | null;
}

/** Something that must be done before a machine works. */
export interface ReadyItem {
  readonly id: string;
  readonly what: string;
  readonly owner: string;
  readonly due: string | null;
  readonly doneOn: string | null;
  /** Why it was left out this year; null: it was not. */
  readonly skipped: string | null;
  /** The machine cannot work without it. */
  readonly needed: boolean;
  readonly part: PartNeed | null;
  /** The caution that belongs to it. */
  readonly card?: string;
}

export type ItemState = 'done' | 'skipped' | 'part too late' | 'overdue' | 'due' | 'open';

export interface ItemStanding {
  readonly item: ReadyItem;
  readonly state: ItemState;
  /** Day on which the part is there at the earliest; null without a part that is waited for. */
  readonly partOn: string | null;
  /** Days that the part comes after the first day of harvest; 0 when it does not. */
  readonly daysShort: number;
  /** Days until the last day to order a part that is not ordered yet; negative: it has passed. */
  readonly orderWithin: number | null;
  /** Days to the due day; negative: past. */
  readonly dueIn: number | null;
}

/** Days before its due day from which an item is called due. */
const SOON = 3;

/**
 * Where an item stands against today and the first day of harvest. A part that cannot be there in time comes before everything else:
 * no diligence in the shop mends it.
 * @param today and
 * @param firstDay like 2026-08-11, farm days
 */
export function standingOf(item: ReadyItem, today: string, firstDay: string): ItemStanding {
  const dueIn = item.due === null ? null : daysBetween(today, item.due);
  const base = { item, partOn: null, daysShort: 0, orderWithin: null, dueIn };
  if (item.doneOn !== null) return { ...base, state: 'done' };
  if (item.skipped !== null) return { ...base, state: 'skipped' };
  const { part } = item;
  let partOn: string | null = null;
  let daysShort = 0;
  let orderWithin: number | null = null;
  if (part && !part.onHand) {
    const lead = requireInRange('lead time of a part', part.leadDays, 0, 730, 'days');
    const ordered = part.orderedOn ?? today;
    partOn = dayAfter(ordered, lead);
    // A part that was to be here and is not comes today at the earliest.
    if (daysBetween(today, partOn) < 0) partOn = today;
    daysShort = Math.max(0, daysBetween(firstDay, partOn));
    if (part.orderedOn === null) orderWithin = daysBetween(today, firstDay) - lead;
  }
  const state: ItemState =
    daysShort > 0
      ? 'part too late'
      : dueIn !== null && dueIn < 0
        ? 'overdue'
        : dueIn !== null && dueIn <= SOON
          ? 'due'
          : 'open';
  return { item, state, partOn, daysShort, orderWithin, dueIn };
}

export interface Service {
  readonly id: string;
  readonly what: string;
  readonly by: 'engine' | 'separator';
  readonly everyHours: number;
  /** Hours on that counter when it was last done; 0: new. */
  readonly lastAt: number;
  /** Times that it was put off since. */
  readonly skipped: number;
}

/** Hours to the next service, negative when past; and the services that were due meanwhile and not done. */
export function serviceStanding(
  service: Service,
  hours: { readonly engine: number; readonly separator: number },
): { hoursLeft: number; missed: number } {
  const every = requireInRange('hours between services', service.everyHours, 1, 10_000, 'h');
  const now = requireInRange('hours on the counter', hours[service.by], 0, 1e5, 'h');
  const since = now - requireInRange('hours at the last service', service.lastAt, 0, 1e5, 'h');
  return { hoursLeft: every - since, missed: Math.max(0, Math.floor(since / every)) };
}

export interface WearPart {
  readonly id: string;
  readonly name: string;
  readonly position: string;
  /** Separator hours and acres on the machine when it was fitted. */
  readonly hoursAtFit: number;
  readonly acresAtFit: number;
  /** What such a part lasts here, by the farm's own record or the maker's book; null: nobody said. */
  readonly lastsHours: number | null;
  readonly lastsAcres: number | null;
}

export interface WearStanding {
  readonly hours: number;
  readonly acres: number;
  /** Share of its life that is gone, the worse of hours and acres; null when nobody said how long it lasts. */
  readonly used: number | null;
  /** Acres until it is worn; null when nobody said. */
  readonly acresLeft: number | null;
  /** It will be worn before the acres that still stand are cut. */
  readonly wornBeforeTheEnd: boolean;
}

/** Hours and acres on a wear part, and whether it lasts for what still stands. @param acresToCut acres that this machine still has to cut */
export function wearStanding(
  part: WearPart,
  now: { readonly separator: number; readonly acres: number },
  acresToCut: number,
): WearStanding {
  const hours = requireInRange('hours on the part', now.separator - part.hoursAtFit, 0, 1e5, 'h');
  const acres = requireInRange('acres on the part', now.acres - part.acresAtFit, 0, 1e6, 'ac');
  requireInRange('acres to cut', acresToCut, 0, 1e6, 'ac');
  const share = (on: number, lasts: number | null): number | null =>
    lasts === null ? null : on / requireInRange('life of a part', lasts, 1, 1e6, '');
  const [byHours, byAcres] = [share(hours, part.lastsHours), share(acres, part.lastsAcres)];
  const used = byHours === null ? byAcres : byAcres === null ? byHours : Math.max(byHours, byAcres);
  const acresAnHour = hours > 0 ? acres / hours : null;
  const left = [
    part.lastsAcres === null ? null : Math.max(0, part.lastsAcres - acres),
    part.lastsHours === null || acresAnHour === null ? null : Math.max(0, part.lastsHours - hours) * acresAnHour,
  ].filter((value) => value !== null);
  const acresLeft = left.length > 0 ? Math.min(...left) : null;
  return { hours, acres, used, acresLeft, wornBeforeTheEnd: acresLeft !== null && acresLeft < acresToCut };
}

export interface MachineReadiness {
  readonly items: readonly ItemStanding[];
  readonly ready: boolean;
  readonly open: number;
  /** The most days that a needed part comes late. */
  readonly daysShort: number;
}

const ORDER: readonly ItemState[] = ['part too late', 'overdue', 'due', 'open', 'skipped', 'done'];

/** A machine's list, worst first. It is ready when everything that is needed is done, or left out with a reason. */
export function machineReadiness(items: readonly ReadyItem[], today: string, firstDay: string): MachineReadiness {
  const standings = items
    .map((item) => standingOf(item, today, firstDay))
    .sort(
      (a, b) =>
        ORDER.indexOf(a.state) - ORDER.indexOf(b.state) ||
        b.daysShort - a.daysShort ||
        (a.dueIn ?? 1e6) - (b.dueIn ?? 1e6),
    );
  const waiting = standings.filter(({ state }) => state !== 'done' && state !== 'skipped');
  return {
    items: standings,
    ready: !waiting.some(({ item }) => item.needed),
    open: waiting.length,
    daysShort: Math.max(0, ...waiting.filter(({ item }) => item.needed).map(({ daysShort }) => daysShort)),
  };
}

/** A way out, with what it names. */
export type Alternative =
  | { readonly code: 'startWithout' | 'overnightFreight' | 'borrow' | 'usedPart' }
  | { readonly code: 'startWith'; readonly name: string; readonly open: number; readonly daysShort: number }
  | { readonly code: 'beginWithCrop'; readonly crop: string }
  | { readonly code: 'moveFirstDay'; readonly daysShort: number };

/**
 * What can be done about a part that comes too late, the nearest first. Common practice, no source.
 * @param others machines of the same kind that no part keeps back, with the lines still open on their lists
 */
export function alternatives(
  standing: ItemStanding,
  others: readonly { readonly name: string; readonly open: number }[],
  laterCrop: string | null,
): Alternative[] {
  const { daysShort } = standing;
  if (daysShort === 0) return [];
  return [
    ...(standing.item.needed ? [] : [{ code: 'startWithout' } as const]),
    ...others.map(({ name, open }) => ({ code: 'startWith', name, open, daysShort }) as const),
    { code: 'overnightFreight' },
    { code: 'borrow' },
    { code: 'usedPart' },
    ...(laterCrop === null ? [] : [{ code: 'beginWithCrop', crop: laterCrop } as const]),
    { code: 'moveFirstDay', daysShort },
  ];
}
