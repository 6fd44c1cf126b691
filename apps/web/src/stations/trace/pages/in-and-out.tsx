import type { FileImportInfo } from '@fanega/contract';
import { Download } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { addressOf, post } from '../../../data/api';
import { type Farm, useFileImports, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { useSend } from '../../../data/use-send';
import { number } from '../../../quantity/quantity';
import { moment } from '../../../quantity/time';
import type { RowFile } from '@fanega/core';
import { Button, Problem } from '../../../ui';
import { Section } from '../../../ui/page';

const FieldsFile = lazy(async () => ({ default: (await import('../forms/fields-file')).FieldsFile }));
const LoadsFile = lazy(async () => ({ default: (await import('../forms/loads-file')).LoadsFile }));

const RowsFile = lazy(async () => ({ default: (await import('../forms/rows-file')).RowsFile }));

const ROWS: readonly { readonly kind: RowFile; readonly name: string; readonly what: string }[] = [
  { kind: 'tickets', name: 'A buyer’s tickets', what: 'CSV or XLSX: each line is a delivery at his weights.' },
  { kind: 'levels', name: 'Bin levels', what: 'CSV or XLSX: each sets the book right for its bin.' },
  {
    kind: 'weather',
    name: 'Weather hours',
    what: 'CSV or XLSX of a station: what was measured stays over a forecast.',
  },
  { kind: 'cables', name: 'Cable temperatures', what: 'CSV or XLSX: one line for a cable and a time.' },
];
const TAKEN_WORDS: Readonly<Record<FileImportInfo['kind'], string>> = {
  fields: 'fields',
  loads: 'loads',
  tickets: 'tickets',
  levels: 'levels',
  weather: 'weather hours',
  cables: 'cable readings',
};

const LOOK = 'inline-flex min-h-11 items-center gap-2 font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink'; // prettier-ignore

/** Everything that goes out of the book and comes into it, and in which format. */
export default function InAndOut({ farm, season }: { farm: Farm; season: number | undefined }) {
  const [open, setOpen] = useState<'fields' | 'loads' | RowFile | null>(null);
  const of = { farmId: farm.id };
  const newest = Math.max(0, ...farm.data.lots.map((lot) => lot.season)) || new Date(farm.clock()).getFullYear();
  const years = season === undefined ? '' : `?season=${season}`;
  const file = (address: string, words: string) => (
    <a href={address} download className={LOOK}>
      <Download size={18} aria-hidden="true" /> {words}
    </a>
  );
  return (
    <div className="lg:grid lg:grid-cols-2">
      <Section label="Out" className="lg:border-r lg:border-ink">
        <h2 className="text-xl font-bold">Out</h2>
        <dl className="mt-2 space-y-4">
          <div>
            <dt>{file(addressOf('/api/farms/{farmId}/book', of), 'The whole book')}</dt>
            <dd className="text-sm text-muted">
              Fanega’s own open format (JSON, docs/fanega-book.schema.json): every entry as it was written down,
              checkable without a server.
            </dd>
          </div>
          <div>
            <dt>{file(`${addressOf('/api/farms/{farmId}/out/workbook', of)}${years}`, 'All tables as a workbook')}</dt>
            <dd className="text-sm text-muted">
              XLSX: fields, tickets, what lies where, every entry. Or as CSV, one by one:{' '}
              {(['fields', 'tickets', 'stock'] as const).map((table, i) => (
                <span key={table}>
                  {i > 0 && ', '}
                  <a
                    href={`${addressOf('/api/farms/{farmId}/out/tables/{table}', { ...of, table })}${years}`}
                    download
                    className="inline-flex min-h-11 items-center underline underline-offset-4"
                  >
                    {table}
                  </a>
                </span>
              ))}
              .
            </dd>
          </div>
          <div>
            <dt>{file(`${addressOf('/api/farms/{farmId}/out/geojson', of)}${years}`, 'Fields as a map')}</dt>
            <dd className="text-sm text-muted">
              GeoJSON (RFC 7946): boundaries where they are known, with crop, acres and what was harvested.
            </dd>
          </div>
          <div>
            <dt>
              {file(`${addressOf('/api/farms/{farmId}/out/taskdata', of)}${years}`, 'Fields and totals for machines')}
            </dt>
            <dd className="text-sm text-muted">
              ISO 11783-10 task data, zipped: field list, boundaries, and what each field came to.
            </dd>
          </div>
          <div>
            <dt>{file(addressOf('/api/farms/{farmId}/out/calendar', of), 'Days not to miss')}</dt>
            <dd className="text-sm text-muted">
              A calendar (ICS): contracts’ first and last days, payments put off, notices to the insurer.
            </dd>
          </div>
          <div>
            <dt>{file(addressOf('/api/farms/{farmId}/out/entries', of), 'Every entry as a table')}</dt>
            <dd className="text-sm text-muted">
              CSV (RFC 4180): weights in kg, moisture as a fraction, times in UTC, names as they are today; voided ones
              are marked.
            </dd>
          </div>
          <div>
            <dt>
              {file(
                `${addressOf('/api/farms/{farmId}/out/epcis', of)}${years}`,
                season === undefined ? 'Origin as events' : `Origin of ${season} as events`,
              )}
            </dt>
            <dd className="text-sm text-muted">
              EPCIS 2.0 (JSON-LD): harvest, moves, drying, sales and losses with the weight of each field’s grain, for a
              buyer or a label that asks where grain comes from.
            </dd>
          </div>
          <div>
            <dt>
              <Link to="/sell/settle" className={LOOK}>
                Postings for the bookkeeper
              </Link>
            </dt>
            <dd className="text-sm text-muted">CSV, a line a posting, by owner and field: on Sell, Settle.</dd>
          </div>
          <div>
            <dt>
              <Link to="/trace/owners" className={LOOK}>
                Statements for owners
              </Link>
            </dt>
            <dd className="text-sm text-muted">Numbered, printed, and their lines as CSV.</dd>
          </div>
          <div>
            <dt>
              <Link to="/trace/book" className={LOOK}>
                A backup of everything
              </Link>
            </dt>
            <dd className="text-sm text-muted">One file with the book, records, readings and photographs.</dd>
          </div>
        </dl>
        <p className="mt-4 text-sm text-muted">
          Every list saves what it shows as CSV or XLSX, at its top; sheets print as PDF on their own pages.
        </p>
      </Section>
      <Section label="In">
        <h2 className="text-xl font-bold">In</h2>
        <dl className="mt-2 space-y-4">
          <div>
            <dt>
              <button type="button" className={LOOK} onClick={() => setOpen('fields')}>
                Fields
              </button>
            </dt>
            <dd className="text-sm text-muted">
              CSV, XLSX, GeoJSON, zipped shapefile or ISO 11783 task data, with their boundaries.
            </dd>
          </div>
          <div>
            <dt>
              <button type="button" className={LOOK} onClick={() => setOpen('loads')}>
                Loads of a cart or a display
              </button>
            </dt>
            <dd className="text-sm text-muted">
              CSV or XLSX: columns matched once and remembered; the same file again doubles nothing. Last years’ totals
              too, one line for a field and year.
            </dd>
          </div>
          {ROWS.map(({ kind, name, what }) => (
            <div key={kind}>
              <dt>
                <button type="button" className={LOOK} onClick={() => setOpen(kind)}>
                  {name}
                </button>
              </dt>
              <dd className="text-sm text-muted">{what}</dd>
            </div>
          ))}
          <div>
            <dt>
              <Link to="/sell/settle" className={LOOK}>
                A buyer’s file of what he paid
              </Link>
            </dt>
            <dd className="text-sm text-muted">
              CSV or XLSX: columns matched once and remembered, looked at before it is taken in, undone as one.
            </dd>
          </div>
          <div>
            <dt>
              <Link to="/sell/buyers" className={LOOK}>
                The day’s bids
              </Link>
            </dt>
            <dd className="text-sm text-muted">Pasted or from a file, one a line.</dd>
          </div>
          <div>
            <dt>
              <Link to="/shed/devices" className={LOOK}>
                Devices
              </Link>
            </dt>
            <dd className="text-sm text-muted">
              Scales, testers, displays, dryers, cables, motors, weather and bids by their own tokens: docs/devices.md.
            </dd>
          </div>
          <div>
            <dt className="font-semibold">A saved book</dt>
            <dd className="text-sm text-muted">Into a farm that has none yet, on its first page.</dd>
          </div>
        </dl>
        <TakenIn farm={farm} />
      </Section>
      <Suspense fallback={null}>
        {open === 'fields' && <FieldsFile farm={farm} season={season ?? newest} onClose={() => setOpen(null)} />}
        {open !== null && open !== 'fields' && open !== 'loads' && (
          <RowsFile key={open} farm={farm} kind={open} onClose={() => setOpen(null)} />
        )}
        {open === 'loads' && <LoadsFile farm={farm} season={season ?? newest} onClose={() => setOpen(null)} />}
      </Suspense>
    </div>
  );
}

/** Files that were taken in, each undone as one. */
function TakenIn({ farm }: { farm: Farm }) {
  const imports = useFileImports();
  if (!imports.data || imports.data.length === 0) return null;
  return (
    <>
      <h3 className="mt-5 font-semibold">Taken in</h3>
      <ul aria-label="Files taken in">
        {imports.data.map((one) => (
          <One key={one.id} farm={farm} one={one} />
        ))}
      </ul>
    </>
  );
}

function One({ farm, one }: { farm: Farm; one: FileImportInfo }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const undo = async (): Promise<void> => {
    const params = { path: { farmId: farm.id, importId: one.id } };
    if (await sending.send(() => write(farm.id, post('/api/farms/{farmId}/imports/{importId}/undo', params), `${one.file}, undone`))) await refresh(); // prettier-ignore
  };
  return (
    <li className="border-b border-rule py-2">
      <span className={one.undone ? 'text-muted line-through' : ''}>
        <b>{one.file}</b>: {number(one.taken)} {TAKEN_WORDS[one.kind]}
      </span>
      , {moment(one.at, farm.data.farm.timeZone)}, {one.by}
      {one.undone ? (
        '; undone'
      ) : (
        <Button look="quiet" className="!px-2" disabled={sending.busy} onClick={() => void undo()}>
          Undo
        </Button>
      )}
      <Problem>{sending.message}</Problem>
    </li>
  );
}
