import { Search as Glass } from 'lucide-react';
import { useDeferredValue, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { type Farm, useSearch } from '../../../data/farm';
import { number } from '../../../quantity/quantity';
import { day } from '../../../quantity/time';
import { EntryDrawer } from '../../../widgets/entry-drawer';
import { headline } from '../../../widgets/headline';

const LINK = 'font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink';

/** Any grain by what is remembered of it; the words stand in the address, so that the way back leads here again. */
export function TraceSearch({ farm }: { farm: Farm }) {
  const [params, setParams] = useSearchParams();
  const asked = params.get('q') ?? '';
  const soon = useDeferredValue(asked.trim());
  const { data, error } = useSearch(soon);
  const [open, setOpen] = useState<string | null>(null);
  const { timeZone } = farm.data.farm;
  const nothing = data && data.fields.length + data.places.length + data.entries.length === 0;
  return (
    <search className="block border-b border-ink px-5 py-3 lg:px-6">
      <label className="flex max-w-xl items-center gap-3 border-b-2 border-ink">
        <Glass size={20} aria-hidden="true" />
        <span className="sr-only">Find grain</span>
        <input
          type="search"
          value={asked}
          onChange={(event) => setParams(event.target.value === '' ? {} : { q: event.target.value }, { replace: true })}
          placeholder="Ticket, field, truck, day or name"
          className="min-h-12 w-full bg-transparent text-lg outline-none"
        />
      </label>
      {soon !== '' && (
        <div aria-live="polite" className="pt-2">
          {error ? (
            <p>{error.message}</p>
          ) : nothing ? (
            <p className="text-muted">Nothing matches all of these words.</p>
          ) : data ? (
            <>
              {(data.fields.length > 0 || data.places.length > 0) && (
                <ul aria-label="Fields and places" className="flex flex-wrap gap-x-5">
                  {data.fields.slice(0, 12).map((lot) => (
                    <li key={lot.id} className="flex min-h-11 items-center">
                      <Link className={LINK} to={`/trace/lot/${lot.id}`}>
                        {lot.fieldName} {lot.season}
                      </Link>
                    </li>
                  ))}
                  {data.places.slice(0, 12).map((place) => (
                    <li key={place.id} className="flex min-h-11 items-center">
                      <Link className={LINK} to={`/trace/place/${place.id}`}>
                        {place.name}
                      </Link>
                    </li>
                  ))}
                </ul>
              )}
              {data.entries.length > 0 && (
                <ul aria-label="Entries found" className="max-w-3xl">
                  {data.entries.map(({ entry, delivery, ticket }) => (
                    <li key={entry.id} className="flex min-h-11 flex-wrap items-center gap-x-4 border-b border-rule">
                      <span className="w-20 text-muted">{day(entry.at, timeZone)}</span>
                      {delivery ? (
                        <Link className={LINK} to={`/trace/delivery/${entry.id}`}>
                          {ticket === null ? headline(entry, farm) : `Ticket ${ticket}`}
                        </Link>
                      ) : (
                        <button type="button" className={`min-h-11 ${LINK}`} onClick={() => setOpen(entry.id)}>
                          {headline(entry, farm)}
                        </button>
                      )}
                      {delivery && ticket !== null && <span>{headline(entry, farm)}</span>}
                      {entry.by && <span className="text-muted">{entry.by}</span>}
                    </li>
                  ))}
                </ul>
              )}
              <p className="pt-1 text-sm text-muted">
                {data.matches === 1 ? 'One entry' : `${number(data.matches)} entries`}
                {data.matches > data.entries.length &&
                  `, the newest ${data.entries.length} shown: one more word finds the rest`}
                .
              </p>
            </>
          ) : null}
        </div>
      )}
      <EntryDrawer entryId={open} onClose={() => setOpen(null)} />
    </search>
  );
}
