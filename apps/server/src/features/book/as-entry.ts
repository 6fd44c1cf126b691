import type { EntryBody } from '@fanega/contract';
import type { Entry } from '@fanega/core';
import { Refused } from '../../platform/refused.js';

/** The checked body as the book's entry: class instances and left-out fields do not belong in it. */
export function asEntry(body: EntryBody): Entry {
  const entry: Record<string, unknown> = {};
  for (const [key, value] of Object.entries(body)) if (value !== undefined && value !== null) entry[key] = value;
  const { grossKg, tareKg, wetKg } = body;
  if (grossKg !== undefined && tareKg !== undefined && wetKg !== undefined && Math.abs(grossKg - tareKg - wetKg) > 0.5) {
    const issue = { entry: body.id, field: 'wetKg', code: 'net_differs', message: 'net is not gross minus tare' };
    throw new Refused('body_wrong', `net is not gross minus tare (${grossKg} − ${tareKg} = ${grossKg - tareKg}, not ${wetKg} kg)`, [issue]);
  }
  return entry as unknown as Entry;
}
