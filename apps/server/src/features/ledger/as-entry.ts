import type { EntryBody } from '@fanega/contract';
import type { Entry } from '@fanega/core';

/** The checked body as the book's entry: class instances and left-out fields do not belong in it. */
export const asEntry = (body: EntryBody): Entry =>
  Object.fromEntries(
    Object.entries(body).filter(([, value]) => value !== undefined && value !== null),
  ) as unknown as Entry;
