import { Download } from 'lucide-react';
import { Link } from 'react-router';
import { addressOf } from '../../../data/api';
import type { Farm } from '../../../data/farm';
import { Section } from '../../../ui/page';

const LOOK = 'inline-flex min-h-11 items-center gap-2 font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink'; // prettier-ignore

/** Everything that goes out of the book and comes into it, and in which format. */
export default function InAndOut({ farm, season }: { farm: Farm; season: number | undefined }) {
  const of = { farmId: farm.id };
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
          Every list in the program has a CSV of what it shows at its head; sheets print as PDF where they stand.
        </p>
      </Section>
      <Section label="In">
        <h2 className="text-xl font-bold">In</h2>
        <dl className="mt-2 space-y-4">
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
      </Section>
    </div>
  );
}
