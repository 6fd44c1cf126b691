import { type Entry, placesOf } from '../ledger/index.js';
import type { LogName } from '../records/index.js';

/** What a phone or tablet can be paired for: one machine, the bins, or the own scale at the gate. */
export const JOB_KINDS = ['machine', 'bins', 'gate'] as const;
export type JobKind = (typeof JOB_KINDS)[number];

/** The one job of a paired phone: a machine's has its place, the others have none. */
export interface Job {
  readonly kind: JobKind;
  readonly placeId: string | null;
  /** what the phone is called: "Truck 3's phone" */
  readonly label: string;
}

/** Places a job can be paired for. */
export const JOB_MACHINES = ['combine', 'cart', 'truck', 'dryer'] as const;

/** What stands behind the driver's name on all that a paired phone records: "Ana (on Truck 3's phone)". */
export const jobSignature = (label: string): string => `on ${label}`;
/** Whether an entry was made on that phone, by whoever held it. */
export const isByJob = (by: string | undefined, label: string): boolean => {
  const sign = jobSignature(label);
  return by === sign || by?.endsWith(` (${sign})`) === true;
};

const ON_WHEELS = new Set(['combine', 'cart', 'truck']);
/** Where grain rests, the bin keeper's own; a farm's own word for a place holds grain like a bin. */
const rests = (kind: string | undefined): boolean => kind !== undefined && kind !== 'buyer' && !ON_WHEELS.has(kind);

/** Of any machine: its fuel, its cover, how hot its parts are, what the next one must know, and who sees to an alarm. */
const EVERY_MACHINE = ['delay', 'fuelFill', 'coverMoved', 'partHeat', 'handover', 'alarmHeard'] as const;

/** What the job's person writes down beside the grain. */
const LOGS: Readonly<Record<string, readonly LogName[]>> = {
  combine: ['reading', 'fieldChange', 'rowsLeft', 'fieldPin', 'displayPhoto', ...EVERY_MACHINE],
  cart: ['reading', 'fieldChange', 'fieldPin', 'displayPhoto', ...EVERY_MACHINE],
  truck: ['ticketPhoto', 'displayPhoto', 'fieldPin', ...EVERY_MACHINE],
  dryer: ['dryerSample', 'dryerRun', 'grainTemperature', 'stepHeard', 'displayPhoto', ...EVERY_MACHINE],
  bins: [
    'delay',
    'alarmHeard',
    'coverMoved',
    'dryerSample',
    'grainTemperature',
    'stepHeard',
    'fanSwitch',
    'routeSet',
    'climb',
  ],
  gate: ['delay', 'alarmHeard', 'emptyWeight'],
};

const logsOf = (job: Job, kindOf: (place: string) => string | undefined): readonly LogName[] =>
  LOGS[job.kind === 'machine' ? (kindOf(job.placeId ?? '') ?? '') : job.kind] ?? [];

/**
 * Whether a paired phone may record an entry: a machine's phone what goes into, out of or happens in that machine, the bins' what happens
 * at a bin, pit or dryer and goes no farther than a truck that unloads or loads there, the gate's nothing but weigh tickets; and each
 * takes back what was made on it.
 * @param kindOf kind of a place, undefined where there is none
 * @param entryOf an entry of the book by its id
 */
export function mayRecord(
  job: Job,
  entry: Entry,
  kindOf: (place: string) => string | undefined,
  entryOf: (id: string) => Entry | undefined,
): boolean {
  if (entry.type === 'void') {
    const made = entryOf(entry.voids);
    return made !== undefined && isByJob(made.by, job.label);
  }
  // Another measurement is of a load that happened where the job is.
  const of = entry.type === 'witness' ? entryOf(entry.of) : entry;
  if (of === undefined) return false;
  const places = placesOf(of);
  switch (job.kind) {
    case 'machine':
      return job.placeId !== null && places.includes(job.placeId);
    case 'bins': {
      const kinds = places.map(kindOf);
      return kinds.some(rests) && kinds.every((kind) => rests(kind) || ON_WHEELS.has(kind ?? ''));
    }
    case 'gate':
      return false;
  }
}

/** Whether a paired phone may write a record of a kind: of its own machine, where the record names one. */
export function mayLog(job: Job, name: LogName, body: object, kindOf: (place: string) => string | undefined): boolean {
  if (!logsOf(job, kindOf).includes(name)) return false;
  if (job.kind !== 'machine') return true;
  const { machineId, placeId } = body as { machineId?: string; placeId?: string };
  return [machineId, placeId].every((place) => place === undefined || place === job.placeId);
}
