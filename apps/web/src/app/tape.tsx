import type { TapeLine } from '@fanega/core';
import { lazy, type ReactNode, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useFarm } from '../data/farm';
import { headline } from '../widgets/headline';
import { grain, grainOf, mass, moisture, percent, type Said } from '../quantity/quantity';
import { clock, weekday } from '../quantity/time';
import { useSoon } from '../ui/use-soon';

const EntryDrawer = lazy(async () => ({ default: (await import('../widgets/entry-drawer')).EntryDrawer }));

function moistureOf(line: TapeLine): number | null {
  const { entry, wetKg, dryKg } = line;
  if (entry.type === 'void') return null;
  return wetKg && dryKg ? 1 - dryKg / wetKg : ((entry as { moisture?: number }).moisture ?? null);
}

function grainIn(line: TapeLine, farm: Farm): Said | null {
  if (line.wetKg === null || line.wetKg === 0) {
    const own = (line.entry as { wetKg?: number }).wetKg;
    return own === undefined ? null : grain(own, farm.kgPerBu(undefined));
  }
  if (Object.keys(line.wetLots).length > 0) return grainOf(farm, line.wetLots);
  const place = (line.entry as { place?: string }).place;
  return grain(line.wetKg, farm.kgPerBu(place === undefined ? undefined : farm.cropOf(farm.held(place).lots)));
}

/** More than a desk's screen shows. */
const AT_ONCE = 18;

/** The latest entries, newest on top; the balance of the whole book at the foot. */
export function Tape({ tools }: { tools: ReactNode }) {
  const farm = useFarm();
  const [open, setOpen] = useState<string | null>(null);
  const soon = useSoon(AT_ONCE, farm.data.tape.length);
  const { timeZone } = farm.data.farm;
  let lastDay = '';
  return (
    <div className="flex h-full min-h-0 flex-col">
      {tools}
      <ol className="min-h-0 flex-1 overflow-y-auto px-3.5 pb-2" aria-label="Latest entries">
        {farm.data.tape.length === 0 && (
          <li className="py-4 text-muted">Nothing is recorded yet. The first load comes in with “Record”.</li>
        )}
        {farm.data.tape.slice(0, soon).map((line) => {
          const today = weekday(line.entry.at, timeZone);
          const heading = today === lastDay ? null : today;
          lastDay = today;
          return (
            <li key={line.entry.id}>
              {heading && <p className="pt-3 pb-1 text-sm font-semibold text-muted">{heading}</p>}
              <Line line={line} farm={farm} onOpen={() => setOpen(line.entry.id)} />
            </li>
          );
        })}
      </ol>
      <Foot farm={farm} />
      {open !== null && (
        <Suspense fallback={null}>
          <EntryDrawer entryId={open} onClose={() => setOpen(null)} />
        </Suspense>
      )}
    </div>
  );
}

function Line({ line, farm, onOpen }: { line: TapeLine; farm: Farm; onOpen: () => void }) {
  const moved = grainIn(line, farm);
  const wetness = moistureOf(line);
  const tags = Object.keys(line.wetLots).map(farm.tag).slice(0, 3).join(' ');
  return (
    <button
      type="button"
      onClick={onOpen}
      className={`block w-full border-t border-dashed border-rule py-1.5 text-left hover:bg-sand ${line.voided ? 'text-muted line-through' : ''}`}
    >
      <span className="flex justify-between gap-2 font-mono text-[13.5px] leading-tight">
        <span className="min-w-0 truncate font-bold">{headline(line.entry, farm)}</span>
        <span className="shrink-0">{moved?.text}</span>
      </span>
      <span className="flex justify-between gap-2 text-[13px] text-muted">
        <span className="truncate">
          {clock(line.entry.at, farm.data.farm.timeZone)} · {line.entry.by ?? '–'}
        </span>
        <span className="shrink-0">
          {[tags, wetness === null ? '' : moisture(wetness).text].filter(Boolean).join(' · ')}
        </span>
      </span>
    </button>
  );
}

function Foot({ farm }: { farm: Farm }) {
  const { balance, restatedShare, steps } = farm.data;
  const questions = steps.filter((step) =>
    ['unknown_grain', 'maybe_twins', 'level_differs'].includes(step.kind),
  ).length;
  const gap = mass(balance.gap);
  return (
    <Link to="/trace" className="block border-t border-ink bg-foot px-3.5 py-2.5 text-on-foot">
      <span className="flex justify-between font-bold">
        <span>{balance.balances ? 'Book balances' : 'Book does not balance'}</span>
        <span className="font-mono">{balance.balances ? `±0 ${gap.unit}` : gap.text}</span>
      </span>
      <span className="block text-sm opacity-85">
        restated {percent(restatedShare)} ·{' '}
        {questions === 0 ? 'no open question' : questions === 1 ? '1 open question' : `${questions} open questions`}
      </span>
    </Link>
  );
}
