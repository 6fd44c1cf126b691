import type { FarmNow, FarmVersions, Me, Topic } from '@fanega/contract';
import { ROUTES } from './api-routes';
import { ME, NOW } from './opening-paths';

/** Where the service worker keeps the answers that a page is opened with. */
export const ANSWERS = 'fanega-answers';
/** Names, in a question and in its kept answer, of which state of the farm it is. */
export const MARK = 'x-fanega-mark';

interface Asked {
  readonly path?: Readonly<Record<string, string | number>>;
  readonly query?: Readonly<Record<string, string>>;
}

/** By farm: who asks, in which role, and which program answers. */
const askers = new Map<string, string>();
/** What the topics of a farm have come to, as the farm said last; what this device wrote since then is not among them. */
const told = new Map<string, { readonly seq: number; readonly topics: Partial<FarmVersions['topics']> }>();
let doubts = 0;

/** The state of a farm, as its feed or its present says it; versions count up, and an older word that comes late takes none back. */
export function tellVersions(farmId: string, { seq, topics }: FarmVersions): void {
  const known = told.get(farmId);
  const newest = Object.entries(topics).map(([topic, version]) => [topic, Math.max(version, known?.topics[topic as Topic] ?? 0)]); // prettier-ignore
  told.set(farmId, {
    seq: Math.max(seq, known?.seq ?? 0),
    topics: Object.fromEntries(newest) as FarmVersions['topics'],
  });
}

/** Something of these topics changed, or may have: what is kept of them is nobody's answer until the farm says how it stands. */
export function doubt(farmId: string, topics?: Iterable<Topic>): void {
  doubts++;
  const known = told.get(farmId);
  if (!known) return;
  if (!topics) return void told.delete(farmId);
  told.set(farmId, { ...known, topics: { ...known.topics, ...Object.fromEntries([...topics].map((topic) => [topic, undefined])) } }); // prettier-ignore
}

/** Counts up with each doubt: what was asked before one says nothing of what came after it. */
export const doubtsSoFar = (): number => doubts;

/** Takes from an answer what it says of who asks and of the farm's state. @param asOf doubts when it was asked for */
export function heard(path: string, { path: { farmId } = {} }: Asked, answer: unknown, asOf: number): void {
  if (path === ME) {
    const { user, job, farms, program } = answer as Me;
    askers.clear();
    for (const { id, role } of user ? farms : []) askers.set(id, `${program} ${user!.id} ${role}`);
    if (job) askers.set(job.farmId, `${program} ${JSON.stringify(job)}`);
  } else if (path === NOW && typeof farmId === 'string' && asOf === doubts) tellVersions(farmId, answer as FarmNow);
}

/**
 * What an answer to this question is an answer of: who asked which program, and what the topics it depends on had come to. The same
 * question with the same mark has the same answer. Undefined where that cannot be said, or where the answer goes on with the clock.
 */
export function markOf(path: string, { path: { farmId } = {} }: Asked): string | undefined {
  const route = ROUTES[path];
  if (!route?.keep || route.clock || route.topics.length === 0 || typeof farmId !== 'string') return undefined;
  const [by, known] = [askers.get(farmId), told.get(farmId)];
  if (by === undefined || known === undefined) return undefined;
  // Fields and places that are cleared away take records of other topics with them; the header says so.
  const versions = ['header' as const, ...route.topics].map((topic) => known.topics[topic]);
  if (versions.includes(undefined)) return undefined;
  return [by, ...(route.topics.includes('book') ? [known.seq] : []), ...versions].join(' ');
}

/** The kept answer of exactly this state; undefined where there is none. */
export async function heldAnswer(url: string, mark: string): Promise<{ readonly answer: unknown } | undefined> {
  if (typeof caches === 'undefined' || !navigator.serviceWorker?.controller) return undefined;
  try {
    const kept = await caches.match(url, { cacheName: ANSWERS, ignoreVary: true });
    return kept?.headers.get(MARK) === mark ? { answer: await kept.json() } : undefined;
  } catch {
    // A store that the browser cleared away, or a disk that fails: the farm is asked.
    return undefined;
  }
}
