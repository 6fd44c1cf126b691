import type { Entry } from '@fanega/core';
import { ulid } from 'ulid';
import type { Farm } from '../data/farm';
import { stamped } from './record';

/** What the book is restated to in a place, by its volume: a tape, a pile's shape, an empty floor. */
export const restated = (
  farm: Farm,
  placeId: string,
  wetKg: number,
  more: { readonly by?: string; readonly note?: string } = {},
): Entry =>
  stamped({
    type: 'measure',
    id: ulid(),
    at: new Date(farm.clock()).toISOString(),
    ...more,
    place: placeId,
    wetKg,
    method: 'volume',
  } as Entry);
