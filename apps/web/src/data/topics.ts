import type { Topic } from '@fanega/contract';
import { ROUTES, TOPICS } from './api-routes';

/** The first part of a route that writes, and what of the farm it changes; a station's records change the station's topic. */
const WRITES: Readonly<Record<string, readonly Topic[]>> = {
  entries: ['book'],
  corrections: ['book'],
  'weigh-tickets': ['book', 'haul'],
  revisions: ['header', 'book'],
  lots: ['header', 'fields'],
  'neighbor-rows': ['header', 'fields'],
  places: ['header', 'store', 'shed'],
  photos: ['shed'],
  'origin-links': ['trace'],
  'owner-links': ['store'],
  'kept-shares': ['store'],
  insurance: ['book', 'trace'],
  members: ['header'],
  tokens: [],
  settings: ['header'],
  imports: ['book', 'header', 'fields', 'trace'],
  seasons: ['header', 'fields'],
  book: TOPICS,
};

/** What a command changes; everything, where nobody says. */
export function changedBy({ path }: { readonly path: string }): readonly Topic[] {
  const [part = '', kind] = path.replace('/api/farms/{farmId}/', '').split('/');
  // A field is made at /fields, its records are written at /fields/reading and the like.
  if (part === 'fields' && (kind === undefined || kind === 'own-crop')) return WRITES.lots!;
  return WRITES[part] ?? ((TOPICS as readonly string[]).includes(part) ? [part as Topic] : TOPICS);
}

/** Must an answer be asked for again once these topics have changed? */
export const dependsOn = (route: unknown, topics: ReadonlySet<Topic>): boolean =>
  typeof route === 'string' && (ROUTES[route]?.topics.some((topic) => topics.has(topic)) ?? false);
