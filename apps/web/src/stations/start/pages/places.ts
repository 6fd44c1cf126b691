import { plainName, type PlaceKind } from '@fanega/core';
import { post } from '../../../data/api';
import type { Farm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { bushels } from '../../../quantity/quantity';
import { KIND_WORDS } from '../../../widgets/place-words';
import type { Placed } from './step';

/** Adds a place. @returns its id */
export async function addPlace(
  farm: Farm,
  { kind, name, capacityBu }: { kind: PlaceKind; name: string; capacityBu?: number | undefined },
): Promise<string> {
  const body = { kind, name, ...(capacityBu === undefined ? {} : { capacityBu }) };
  // It needs an answer: what comes next is about the place by its id.
  const sent = await write(farm.id, post('/api/farms/{farmId}/places', { path: { farmId: farm.id } }, body as never));
  if (sent.waits) throw new Error('bug: a place without an id of this device waits');
  return (sent.answer as Placed).placeId;
}

/** Names that the farm or another row has already; and a word where nothing was typed at all. */
export function nameTwice(
  farm: Farm,
  rows: readonly { readonly name: string }[],
  isEmpty: (row: never) => boolean,
  nothing: string,
): Readonly<Record<string, string>> {
  const known = new Set(farm.everyPlace.map(({ name }) => plainName(name)));
  const errors: Record<string, string> = {};
  rows.forEach((row, i) => {
    if (isEmpty(row as never)) return;
    const name = plainName(row.name);
    if (known.has(name)) errors[`rows.${i}.name`] = `${row.name.trim()} is there already`;
    known.add(name);
  });
  if (rows.every((row) => isEmpty(row as never))) errors[''] = nothing;
  return errors;
}

/** What the farm has of some kinds. */
export const placesThere = (farm: Farm, kinds: readonly string[]) =>
  farm.data.places
    .filter(({ kind }) => kinds.includes(kind))
    .map(({ id, name, kind, capacityBu }) => ({
      key: id,
      name,
      more: [
        kind === 'buyer' ? '' : KIND_WORDS[kind as PlaceKind],
        capacityBu === null ? '' : bushels(capacityBu, farm.kgPerBu(undefined)).text,
      ]
        .filter(Boolean)
        .join(', '),
    }));
