import type { TapeLine } from '@fanega/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useTapePage } from '../data/farm';
import { LOG_AT_FIRST } from '../data/tape-page';
import { Button, Empty } from '../ui';
import { QueryBoundary } from '../ui/query-boundary';
import { type Column, DataTable } from '../ui/table';
import { EntryDrawer } from './entry-drawer';
import { headline } from './headline';
import { bushels, grain, grainOf, Moisture, moisture, type Said, Shown } from '../quantity/quantity';
import { clock, day, stamp } from '../quantity/time';
import { Swatch } from './weave';

/** So many entries are asked for at most: older ones are found by their field or ticket. */
const AT_MOST = 500;

/** Entries of a part of the way, newest first: as many as are asked for, and it says where they end. */
export function EntryLog({ farm, types, places }: { farm: Farm; types: string; places: readonly string[] | null }) {
  const [limit, setLimit] = useState(LOG_AT_FIRST);
  const page = useTapePage(limit, types, places);
  return (
    <QueryBoundary answer={page} what="Reading the book">
      {(lines) => (
        <>
          <Lines farm={farm} lines={lines} />
          {lines.length === limit &&
            (limit < AT_MOST ? (
              <Button className="mx-5 my-3 lg:mx-6" onClick={() => setLimit(AT_MOST)}>
                Load older entries
              </Button>
            ) : (
              <p className="px-5 py-3 text-muted lg:px-6">
                The newest {AT_MOST}. Older ones stand in <Link to="/trace">Trace</Link>, by their field and their
                ticket.
              </p>
            ))}
        </>
      )}
    </QueryBoundary>
  );
}

function Lines({ farm, lines }: { farm: Farm; lines: readonly TapeLine[] }) {
  const [open, setOpen] = useState<string | null>(null);
  const columns = useMemo(() => entryColumns(farm, setOpen), [farm]);
  return (
    <>
      <DataTable
        name="Entries"
        one="entry"
        many="entries"
        rows={lines}
        columns={columns}
        rowId={({ entry }) => entry.id}
        rowClass={({ voided }) => (voided ? 'text-muted line-through' : '')}
        empty={<Empty title="Nothing is recorded here yet." />}
      />
      <EntryDrawer entryId={open} onClose={() => setOpen(null)} />
    </>
  );
}

function entryColumns(farm: Farm, onOpen: (id: string) => void): Column<TapeLine>[] {
  const { timeZone } = farm.data.farm;
  const weight = ({ wetKg, wetLots }: TapeLine): Said | null =>
    wetKg === null || wetKg === 0
      ? null
      : Object.keys(wetLots).length > 0
        ? grainOf(farm, wetLots)
        : grain(wetKg, farm.kgPerBu('corn'));
  const wetness = ({ wetKg, dryKg }: TapeLine): number | null => (wetKg && dryKg ? 1 - dryKg / wetKg : null);
  return [
    {
      id: 'what',
      head: 'What',
      phone: 'title',
      value: ({ entry }) => headline(entry, farm),
      show: ({ entry }) => (
        <button
          type="button"
          onClick={() => onOpen(entry.id)}
          className="min-h-8 text-left font-semibold underline decoration-rule underline-offset-4"
        >
          {headline(entry, farm)}
        </button>
      ),
    },
    {
      id: 'when',
      head: 'When',
      value: ({ entry }) => entry.at,
      text: ({ entry }) => stamp(entry.at, timeZone),
      show: ({ entry }) => (
        <span className="whitespace-nowrap">
          {day(entry.at, timeZone)} <b>{clock(entry.at, timeZone)}</b>
        </span>
      ),
    },
    {
      id: 'fields',
      head: 'Fields',
      value: ({ wetLots }) => Object.keys(wetLots).map(farm.tag).join(' '),
      show: ({ wetLots }) =>
        Object.keys(wetLots).map((lot) => (
          <span key={lot} className="mr-2 whitespace-nowrap">
            <Swatch index={farm.lotIndex(lot)} size={14} /> {farm.tag(lot)}
          </span>
        )),
    },
    {
      id: 'weight',
      head: 'Weight',
      unit: bushels.unit,
      right: true,
      phone: 'verdict',
      value: ({ wetKg }) => wetKg,
      text: (line) => weight(line)?.figure.replace(/,/g, '') ?? '',
      show: (line) => {
        const said = weight(line);
        return said && <Shown of={said} />;
      },
    },
    {
      id: 'moisture',
      head: 'Moisture',
      unit: moisture.unit,
      right: true,
      value: wetness,
      text: (line) => moisture.text(wetness(line)),
      show: (line) => {
        const fraction = wetness(line);
        return fraction === null ? '' : <Moisture value={fraction} />;
      },
    },
    { id: 'who', head: 'Who', choice: true, value: ({ entry }) => entry.by ?? '', show: ({ entry }) => entry.by },
  ];
}
