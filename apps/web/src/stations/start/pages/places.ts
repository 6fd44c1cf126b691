import { plainName, type PlaceKind, placeKindIn } from '@fanega/core';
import { post } from '../../../data/api';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { bushels, system } from '../../../quantity/quantity';
import { type Boxes, rows, type Values } from '../../../ui/form/box';
import type { GridRow } from '../../../ui/form/grid';
import { typedSince, useFields } from '../../../ui/form/use-fields';
import { KIND_WORDS } from '../../../widgets/place-words';
import type { RowsForm } from './step';

/** Adds a place. @returns its id */
export async function addPlace(
  farm: Farm,
  { kind, name, capacityBu }: { kind: PlaceKind; name: string; capacityBu?: number | undefined },
): Promise<string> {
  const body = { kind, name, ...(capacityBu === undefined ? {} : { capacityBu }) };
  // It needs an answer: what comes next is about the place by its id.
  const sent = await write(farm.id, post('/api/farms/{farmId}/places', { path: { farmId: farm.id } }, body as never));
  if (sent.waits) throw new Error('bug: a place without an id of this device waits');
  return sent.answer.placeId;
}

interface PlaceRows<N extends string, B extends Boxes> {
  /** "machines": what is typed is kept by it */
  readonly step: string;
  readonly row: () => B;
  readonly start: GridRow<N>;
  readonly isEmpty: (row: GridRow<N>) => boolean;
  /** Said where nothing was typed at all. */
  readonly nothing: string;
  /** What is wrong with a row beside its name, by its column. */
  readonly wrong?: (row: GridRow<N>) => Readonly<Partial<Record<N, string>>>;
  /** Columns of the fields that the other side names, where they are not called the same. */
  readonly columnOf: Readonly<Record<string, N>>;
  readonly add: (row: Values<B>) => Promise<unknown>;
}

/**
 * The form of a step that adds places: a name that the farm or another row has is said in its row, rows are saved one after the other, what
 * is saved leaves the sheet, and the one that is refused stands first with its reason.
 */
export function usePlaceRows<N extends string, B extends Boxes>(
  farm: Farm,
  { step, row, start, isEmpty, nothing, wrong, columnOf, add }: PlaceRows<N, B>,
): RowsForm<N> {
  const refresh = useRefreshFarm(farm.id);
  const form = useFields({
    keptAs: `start.${step}.${farm.id}.${system()}`,
    boxes: { rows: rows(row as () => Boxes, isEmpty as never) },
    start: () => ({ rows: [start] }) as never,
    together: (_, texts) => {
      const typed = texts.rows as unknown as readonly (GridRow<N> & { readonly name: string })[];
      if (typed.every(isEmpty)) return { '': nothing };
      const known = new Set(farm.everyPlace.map(({ name }) => plainName(name)));
      const errors: Record<string, string> = {};
      typed.forEach((one, i) => {
        if (isEmpty(one)) return;
        const name = plainName(one.name);
        if (known.has(name)) errors[`rows.${i}.name`] = `${one.name.trim()} is there already`;
        known.add(name);
        for (const [column, error] of Object.entries<string | undefined>(wrong?.(one) ?? {}))
          if (error !== undefined) errors[`rows.${i}.${column}`] = error;
      });
      return errors;
    },
    boxOf: (field) => (columnOf[field] === undefined ? undefined : `rows.0.${columnOf[field]}`),
    save: async (values, texts) => {
      const typed = (texts.rows as unknown as readonly GridRow<N>[]).filter((one) => !isEmpty(one));
      try {
        for (const [i, value] of (values.rows as unknown as readonly Values<B>[]).entries())
          await add(value).catch((error: unknown) => {
            // What was typed meanwhile stays behind what is left of these.
            form.set('rows', (now) => [...typed.slice(i), ...typedSince<readonly unknown[]>(now, texts.rows as never, [start])] as never); // prettier-ignore
            throw error;
          });
      } finally {
        await refresh();
      }
    },
  });
  return form as unknown as RowsForm<N>;
}

/** What somebody calls a place, as one of the kinds of a step; else the first of them. */
export const kindAmong = (kinds: readonly PlaceKind[], text: string): PlaceKind =>
  kinds.find((kind) => kind === placeKindIn(text)) ?? kinds[0]!;

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
