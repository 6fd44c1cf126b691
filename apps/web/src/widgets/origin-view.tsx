import { cropOf, kgPerBushelOf, type Origin, type OriginField, type OriginLoad, type OriginSure } from '@fanega/core';
import { useMemo } from 'react';
import { bushels, mass, percent, share } from '../quantity/quantity';
import { day } from '../quantity/time';
import { type Column, DataTable } from '../ui/table';
import { figureColumn, momentColumn, wordColumn } from './columns';
import { methodWords } from './method-words';

export const SURE_WORDS: Readonly<Record<OriginSure, string>> = {
  exact: 'exact',
  mixing: 'by how the bin empties',
  unknown: 'no known field',
};
/** Said by its shape too. */
export const SURE_SHAPES: Readonly<Record<OriginSure, string>> = { exact: '■', mixing: '◐', unknown: '?' };

/** One sentence: how much of the whole is known for certain. */
export function sureSentence({ fields }: Origin): string {
  const exact = fields.reduce((sum, { part, exactPart, sure }) => sum + (sure === 'exact' ? part * exactPart : 0), 0);
  const unknown = fields.reduce((sum, { part, sure }) => sum + (sure === 'unknown' ? part : 0), 0);
  if (exact > 0.9999)
    return 'Every share is exact: the grain lay with nothing else, or all of what lay together went on.';
  const words = unknown > 0.0001 ? ` ${percent(unknown)} is of no known field.` : '';
  return exact < 0.0001
    ? `The shares follow from how the bins are held to empty.${words}`
    : `${percent(exact)} is exact; the rest follows from how the bins are held to empty.${words}`;
}

export const originName = (field: Pick<OriginField, 'name' | 'season'>): string =>
  field.name === '' ? 'no known field' : `${field.name}${field.season === null ? '' : ` ${field.season}`}`;

/** The fields that grain came from, with how sure each share is. */
export function OriginFields({ origin, timeZone }: { origin: Origin; timeZone: string }) {
  const columns = useMemo((): Column<OriginField>[] => {
    const per = kgPerBushelOf(origin.crop ?? undefined);
    return [
      wordColumn('field', 'Field', originName, { phone: 'title' }),
      wordColumn('variety', 'Variety', ({ variety }) => variety || '–', { extra: true }),
      figureColumn('share', 'Share, dry', share, ({ part }) => part, { phone: 'verdict' }),
      figureColumn('grain', 'By weight', bushels, ({ wetKg }) => wetKg / per, { per: () => per, summed: { per } }),
      wordColumn('moisture', 'Off the field at', ({ moisture }) => (moisture === null ? '–' : percent(moisture))),
      wordColumn('cut', 'Cut', ({ firstAt, lastAt }) => {
        if (firstAt === null) return '–';
        const [first, last] = [day(firstAt, timeZone), day(lastAt!, timeZone)];
        return first === last ? first : `${first} to ${last}`;
      }),
      wordColumn('sure', 'How sure', ({ sure }) => SURE_WORDS[sure], {
        choice: true,
        as: (words, { sure, exactPart }) => (
          <span>
            <span aria-hidden="true">{SURE_SHAPES[sure]}</span> {words}
            {sure === 'mixing' && exactPart > 0.0005 && `, ${percent(exactPart)} straight`}
          </span>
        ),
      }),
    ];
  }, [origin, timeZone]);
  return (
    <DataTable
      name="Where it came from"
      one="field"
      many="fields"
      rows={origin.fields}
      columns={columns}
      rowId={({ lot }) => lot}
      sortedBy={{ id: 'share', down: true }}
    />
  );
}

/** Every load off the field that is in it. */
export function OriginLoads({ origin, timeZone }: { origin: Origin; timeZone: string }) {
  const columns = useMemo((): Column<OriginLoad>[] => {
    return [
      momentColumn('when', 'When', ({ at }) => at, timeZone, { phone: 'title' }),
      wordColumn('field', 'Field', ({ field }) => field, { choice: true }),
      wordColumn('into', 'Into', ({ into }) => into, { choice: true }),
      figureColumn('dry', 'In here, dry', mass, ({ dryKg }) => dryKg, { phone: 'verdict', summed: {} }),
      figureColumn('part', 'Of the load', share, ({ part }) => part),
      wordColumn('moisture', 'Moisture', ({ moisture }) => percent(moisture)),
      wordColumn('weighed', 'Weighed', ({ method }) => methodWords(method), { choice: true }),
      wordColumn('by', 'By', ({ by }) => by || '–', { choice: true }),
    ];
  }, [timeZone]);
  return (
    <DataTable
      name="Loads off the field"
      one="load"
      many="loads"
      rows={origin.loads}
      columns={columns}
      rowId={({ id }) => id}
      pageSize={25}
    />
  );
}

export const cropWord = (origin: Origin): string => cropOf(origin.crop ?? '')?.name ?? 'Grain';
