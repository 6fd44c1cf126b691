import { type BookGap, displaysWaiting, gapWords } from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useGaps, useNotebook } from '../../data/farm';
import { money, number } from '../../quantity/quantity';
import { Button } from '../../ui';
import { EntryDrawer } from '../../widgets/entry-drawer';
import { Ago } from '../../widgets/ago';

const SHOWN = 5;
const LINK = 'font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink';

const target = (gap: BookGap): string => (gap.what === 'noTicket' && gap.id !== null ? `/trace/delivery/${gap.id}` : gap.what === 'missingNumbers' ? '/sell' : '/sell/settle'); // prettier-ignore

const NONE: readonly BookGap[] = [];

/** What in the books has no counterpart yet, the most money first. */
export default function Gaps({ farm }: { farm: Farm }) {
  const gaps = useGaps().data ?? NONE;
  const notebook = useNotebook().data;
  const displays = notebook ? displaysWaiting(notebook.logs.displayPhoto, notebook.logs.displayTyped).length : 0;
  const [all, setAll] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  if (gaps.length === 0 && displays === 0) return null;
  const risk = gaps.reduce((sum, gap) => sum + (gap.money ?? 0), 0);
  return (
    <section aria-label="Not matched yet" className="border-t border-ink px-5 py-4 lg:px-6">
      <h2 className="text-xl">
        Not matched yet{risk > 0 && <span className="font-normal text-muted">, {money(risk)} at risk</span>}
      </h2>
      {displays > 0 && (
        <p className="border-b border-rule">
          <Link className={`inline-flex min-h-11 items-center ${LINK}`} to="/haul/weights">
            {displays === 1 ? 'A photographed display waits' : `${number(displays)} photographed displays wait`} to be
            typed
          </Link>
        </p>
      )}
      <ul>
        {(all ? gaps : gaps.slice(0, SHOWN)).map((gap, i) => (
          <li
            key={`${gap.what}${gap.id ?? gap.place}${gap.ticket ?? ''}${i}`}
            className="flex min-h-11 flex-wrap items-center gap-x-4 border-b border-rule"
          >
            {gap.what === 'level' && gap.id !== null ? (
              <button type="button" className={`min-h-11 text-left ${LINK}`} onClick={() => setOpen(gap.id)}>
                {gapWords(gap, farm.placeName(gap.place))}
              </button>
            ) : (
              <Link className={`inline-flex min-h-11 items-center ${LINK}`} to={target(gap)}>
                {gapWords(gap, farm.placeName(gap.place))}
              </Link>
            )}
            {gap.sinceMs !== null && (
              <span className="text-muted">
                <Ago at={new Date(gap.sinceMs).toISOString()} />
              </span>
            )}
            <span className="ml-auto font-semibold">{gap.money === null ? '?' : money(gap.money)}</span>
          </li>
        ))}
      </ul>
      {gaps.length > SHOWN && !all && (
        <Button look="quiet" className="!px-0" onClick={() => setAll(true)}>
          All {gaps.length}
        </Button>
      )}
      <EntryDrawer entryId={open} onClose={() => setOpen(null)} />
    </section>
  );
}
