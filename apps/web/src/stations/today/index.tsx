import { firstHour, type LoadStep, type NextStep } from '@fanega/core';
import { Suspense, useState } from 'react';
import { useSWRConfig } from 'swr';
import { Link } from 'react-router';
import { ApiError } from '../../data/api';
import { type Farm, useAnswer, useFarm, useMe } from '../../data/farm';
import { bringFile, type Bringing } from '../../data/bring-file';
import { useRecorder } from '../../widgets/record';
import { Button, Empty, Problem } from '../../ui';
import { BoxSample, strataOf } from '../../widgets/core-sample';
import { Shares } from '../../widgets/shares';
import { DeadlineLine } from '../../widgets/deadline-line';
import { EntryDrawer } from '../../widgets/entry-drawer';
import { NextNote } from '../../widgets/next-note';
import { bushels, grain, grainOf, Moisture, Shown, Held, heldText } from '../../quantity/quantity';
import { clock, weekday } from '../../quantity/time';
import { Swatch } from '../../widgets/weave';
import { FIRST_NAMES, FIRST_QUESTIONS, startAddress } from '../../widgets/start-words';
import { describe } from './words';
import { Callout } from '../../ui/callout';
import { Section } from '../../ui/page';
import { Progress } from '../../ui/progress';
import { Ago } from '../../widgets/ago';
import { Below } from '../../ui/below';
import { lazily } from '../../ui/lazily';

/** What to do next, and why: the most pressing thing large, the rest in a list, and the day so far. */
export default function Today() {
  const farm = useFarm();
  const [entry, setEntry] = useState<string | null>(null);
  const { steps } = farm.data;
  const [first, ...rest] = steps;
  const nearest = { farm, link: true, className: 'border-t border-ink px-5 py-3 text-lg font-semibold lg:px-6' };
  return (
    <div className="min-h-full">
      <h1 className="sr-only">Today</h1>
      <NextNote />
      <Trouble farm={farm} />
      <div className="border-b border-ink xl:grid xl:grid-cols-[1.35fr_1fr]">
        <Section label="Next">
          {first ? (
            <First farm={farm} step={first} onEntry={setEntry} />
          ) : farm.data.entries === 0 ? (
            <FirstSteps farm={farm} />
          ) : (
            <Nothing farm={farm} />
          )}
        </Section>
        <section
          aria-label="The day so far"
          className="border-t border-rule px-5 py-5 lg:px-6 xl:border-t-0 xl:border-l"
        >
          <DaySoFar farm={farm} />
        </section>
      </div>
      <ol start={2}>
        {rest.map((step, i) => (
          <li key={i} className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-rule px-5 py-4 lg:px-6">
            <span className="w-8 text-2xl font-bold text-muted">{i + 2}</span>
            <Words farm={farm} step={step} />
            <span className="ml-auto">
              <Act farm={farm} step={step} look="plain" onEntry={setEntry} />
            </span>
          </li>
        ))}
      </ol>
      <Below>
        <Suspense>
          <SeenQuestions farm={farm} place={null} className="px-5 lg:px-6" />
        </Suspense>
      </Below>
      <Below>
        <Suspense fallback={<DeadlineLine {...nearest} />}>
          <AlarmList farm={farm} place={null} unlessWet={<DeadlineLine {...nearest} />} />
        </Suspense>
      </Below>
      <Below>
        <Suspense fallback={null}>
          <Gaps farm={farm} />
        </Suspense>
      </Below>
      <EntryDrawer entryId={entry} onClose={() => setEntry(null)} />
    </div>
  );
}

const SeenQuestions = lazily(() => import('../../widgets/seen-questions'), true);
const AlarmList = lazily(() => import('../../widgets/alarm-list'), true);
// Comes after what is to be done next: it asks for a season's tickets and sheets.
const Gaps = lazily(() => import('./gaps'), true);

function Words({ farm, step }: { farm: Farm; step: NextStep }) {
  const { title, why } = describe(step, farm);
  return (
    <div className="min-w-0 flex-1 basis-64">
      <h2 className="text-lg leading-snug">{title}</h2>
      <p className="text-muted">{why}</p>
    </div>
  );
}

function First({ farm, step, onEntry }: { farm: Farm; step: NextStep; onEntry: (id: string) => void }) {
  const { title, why } = describe(step, farm);
  const load = 'load' in step ? step.load : undefined;
  return (
    <div>
      <p className="text-sm font-semibold text-muted">Next</p>
      <h2 className="text-3xl leading-tight">{title}</h2>
      {load ? <LoadPicture farm={farm} load={load} /> : <p className="mt-2 text-lg text-muted">{why}</p>}
      <div className="mt-5 flex flex-wrap items-center gap-4">
        <Act farm={farm} step={step} look="do" onEntry={onEntry} />
        {load && <p className="text-muted">{why}</p>}
      </div>
    </div>
  );
}

/** From and to, as core samples to the same scale, so that one sees whether it fits. */
function LoadPicture({ farm, load }: { farm: Farm; load: LoadStep }) {
  const vessel = (id: string) => {
    const place = farm.place(id);
    const held = farm.held(id);
    const capacity = place?.capacityBu ?? Math.max(farm.bushels(held.wetLots), 1);
    return {
      id,
      name: farm.placeName(id),
      held,
      kgPerBu: farm.kgPerBu(farm.cropOf(held.lots)),
      capacity,
      big: capacity > 2500 || place?.kind === 'buyer',
      buyer: place?.kind === 'buyer',
    };
  };
  const from = vessel(load.from);
  const to = vessel(load.to);
  const scale = 150 / Math.max(from.capacity, to.big ? 0 : to.capacity);
  const box = (v: typeof from) => (
    <figure className="min-w-0 text-center">
      <div className="flex h-24 items-end justify-center">
        {v.buyer ? (
          <span className="border-b-2 border-ink px-4 pb-1 text-lg">sold there</span>
        ) : (
          <BoxSample
            farm={farm}
            strata={strataOf(farm, v.id)}
            capacity={v.capacity}
            width={v.big ? 110 : Math.max(60, v.capacity * scale)}
            height={v.big ? 92 : 84}
            label={`${v.name}: ${heldText(farm, v.held.wetLots)} of ${bushels(v.capacity, v.kgPerBu)}`}
          />
        )}
      </div>
      <figcaption className="mt-1.5 leading-snug">
        <b>{v.name}</b>
        <br />
        {v.buyer ? (
          <span className="text-muted">buyer</span>
        ) : v.held.wetKg > 0 ? (
          <>
            <Held farm={farm} wetLots={v.held.wetLots} /> <Moisture value={v.held.moisture} />
            <br />
            <span className="text-sm text-muted">
              <Shares
                farm={farm}
                lots={Object.entries(v.held.wetLots)
                  .sort((a, b) => b[1] - a[1])
                  .slice(0, 3)}
                ofKg={v.held.wetKg}
              />
            </span>
          </>
        ) : (
          <span className="text-muted">empty, takes {bushels(v.capacity, v.kgPerBu).text}</span>
        )}
      </figcaption>
    </figure>
  );
  return (
    <div className="mt-5 flex items-start gap-4 sm:gap-7">
      {box(from)}
      <svg width="70" height="24" className="mt-14 shrink-0" aria-hidden="true">
        <path d="M0 12H56" stroke="var(--clay)" strokeWidth="4" />
        <path d="M54 3 70 12 54 21Z" fill="var(--clay)" />
      </svg>
      {box(to)}
    </div>
  );
}

function Act({
  farm,
  step,
  look,
  onEntry,
}: {
  farm: Farm;
  step: NextStep;
  look: 'do' | 'plain';
  onEntry: (id: string) => void;
}) {
  const recorder = useRecorder();
  const [busy, setBusy] = useState(false);
  const className = look === 'do' ? 'min-h-14 px-5 text-lg' : '';
  const load = 'load' in step ? step.load : undefined;
  if (load) {
    const toBuyer = farm.place(load.to)?.kind === 'buyer';
    const much = grain(load.wetKg ?? farm.held(load.from).wetKg, farm.kgPerBu(farm.cropOf(farm.held(load.from).lots)));
    // A ticket has figures of its own; everything else is known already.
    const go = async () => {
      if (toBuyer) return recorder.open({ kind: 'move', from: load.from, to: load.to, amount: 'gross', emptied: true });
      setBusy(true);
      await recorder.load(load);
      setBusy(false);
    };
    return (
      <Button look={look} className={className} disabled={busy} onClick={() => void go()}>
        {toBuyer
          ? `Ticket from ${farm.placeName(load.to)}`
          : `Load ${much} on ${farm.placeName(load.to)}`
              .replace('Load', farm.place(load.from)?.kind === 'truck' ? 'Dump' : 'Load')
              .replace(' on ', farm.place(load.from)?.kind === 'truck' ? ' into ' : ' on ')}
      </Button>
    );
  }
  if (step.kind === 'maybe_twins') {
    return (
      <Button look={look} className={className} onClick={() => onEntry(step.second)}>
        Look at the second
      </Button>
    );
  }
  if (step.kind === 'level_differs') {
    return (
      <Button look={look} className={className} onClick={() => onEntry(step.entry)}>
        See the level
      </Button>
    );
  }
  return (
    <Link
      to={`/store/${step.place}`}
      className={`inline-flex min-h-11 items-center rounded-[3px] px-4 font-semibold ${look === 'do' ? 'bg-clay text-on-clay' : 'border border-ink hover:bg-sand'}`}
    >
      See {farm.placeName(step.place)}
    </Link>
  );
}

function DaySoFar({ farm }: { farm: Farm }) {
  const { flow, now } = farm.data;
  const rows = Object.entries(flow.cut).sort((a, b) => b[1] - a[1]);
  return (
    <div>
      <p className="text-sm font-semibold text-muted">
        {weekday(now, farm.data.farm.timeZone)}, {clock(now, farm.data.farm.timeZone)}
      </p>
      <p className="text-4xl leading-tight font-bold">
        <Shown of={grainOf(farm, flow.cut)} /> <span className="text-lg font-normal text-muted">cut today</span>
      </p>
      {rows.length === 0 ? (
        <p className="mt-2 text-muted">No grain has come off a field today.</p>
      ) : (
        <ul className="mt-3">
          {rows.map(([lot, kg]) => (
            <li
              key={lot}
              className="flex items-baseline justify-between gap-3 border-b border-rule py-1.5 last:border-b-0"
            >
              <Link to={`/trace/lot/${lot}`} className="min-w-0 truncate underline decoration-rule underline-offset-4">
                <Swatch index={farm.lotIndex(lot)} /> <b>{farm.tag(lot)}</b> {farm.lot(lot)?.fieldName ?? 'unknown'}
              </Link>
              <span>
                <Shown of={grainOf(farm, { [lot]: kg })} />
              </span>
            </li>
          ))}
        </ul>
      )}
      <dl className="mt-4 grid grid-cols-3 gap-x-4">
        {(
          [
            ['hauled', flow.haul],
            ['stored', flow.store],
            ['sold', flow.sell],
          ] as const
        ).map(([word, byLot]) => (
          <div key={word}>
            <dt className="text-sm text-muted">{word}</dt>
            <dd className="text-xl font-semibold">
              <Shown of={grainOf(farm, byLot)} />
            </dd>
          </div>
        ))}
      </dl>
    </div>
  );
}

function Nothing({ farm }: { farm: Farm }) {
  return (
    <Empty title="Nothing waits.">
      <p>
        No tank or cart is full, no truck is loaded, and the book has no open question. Last entry{' '}
        {farm.data.tape[0] ? <Ago at={farm.data.tape[0].entry.at} /> : 'none yet'}.
      </p>
    </Empty>
  );
}

/** The first hour of a real farm. */
function FirstSteps({ farm }: { farm: Farm }) {
  const steps = firstHour(farm.data.lots, farm.data.places, 0);
  const next = steps.find(({ done }) => !done)!;
  const begun = steps.some(({ count }) => count > 0);
  return (
    <div>
      <p className="text-sm font-semibold text-muted">The book is open and empty</p>
      <h2 className="text-3xl leading-tight">{FIRST_QUESTIONS[next.name]}</h2>
      <ol className="mt-3 space-y-1">
        {steps.map(({ name, count, done }) => (
          <li key={name} className="flex items-center gap-2">
            <span className="inline-flex w-5 justify-center" aria-hidden="true">
              {done ? '✓' : name === next.name ? '▶' : '·'}
            </span>
            <Link className="underline decoration-rule underline-offset-4" to={startAddress(name)}>
              {FIRST_NAMES[name]}
            </Link>
            {count > 0 && <span className="text-muted">{count}</span>}
          </li>
        ))}
      </ol>
      <Link
        to={startAddress(next.name)}
        className="mt-5 inline-flex min-h-14 items-center rounded-[3px] bg-clay px-5 text-lg font-semibold text-on-clay"
      >
        {begun ? 'Go on' : 'Set the farm up'}
      </Link>
      <div className="text-muted">
        <BringBack />
      </div>
    </div>
  );
}

/** A saved book or a whole backup, brought back into an empty farm. */
function BringBack() {
  const farm = useFarm();
  const { mutate } = useSWRConfig();
  const [state, setState] = useState<{ bringing?: Bringing; problem?: string }>({});
  const bring = async (file: File | undefined) => {
    if (!file) return;
    setState({ bringing: { doing: 'sending', done: 0 } });
    try {
      const what = file.name.endsWith('.json') ? 'book' : 'backup';
      await bringFile(farm.id, what, file, (bringing) => setState({ bringing }));
      await mutate(() => true);
    } catch (error) {
      setState({ problem: error instanceof ApiError ? error.message : 'This file is not a grain book.' });
    }
  };
  const { bringing, problem } = state;
  return (
    <div className="pt-2">
      {bringing ? (
        <Progress label="Bringing it back" done={bringing.done}>
          {bringing.doing === 'sending' ? 'Sending the file' : 'Writing it into the farm'}
        </Progress>
      ) : (
        <label className="inline-flex min-h-11 cursor-pointer items-center gap-2 text-ink underline decoration-rule underline-offset-4 has-focus-visible:outline-3">
          Or bring back a backup or a saved book
          <input
            type="file"
            accept="application/json,.json,application/zip,.zip"
            className="sr-only"
            onChange={(event) => void bring(event.target.files?.[0])}
          />
        </label>
      )}
      <Problem>{problem}</Problem>
    </div>
  );
}

/** What threatens the book itself; only those who can do something about it are told. */
function Trouble({ farm }: { farm: Farm }) {
  const me = useMe();
  const role = me.data?.farms.find(({ id }) => id === farm.id)?.role;
  const manages = (role === 'owner' || role === 'manager') && !farm.data.farm.demo;
  const backups = useAnswer(manages ? '/api/farms/{farmId}/backups' : null, { path: { farmId: farm.id } });
  const { broken } = farm.data;
  const old = backups.data !== undefined && (backups.data.tooOld || backups.data.failed !== null);
  if (broken === 0 && !old) return null;
  return (
    <Callout icon role="alert" className="border-b border-ink px-5 py-3 lg:px-6">
      {broken > 0 && (
        <p>
          {broken === 1 ? 'One record of the book cannot be read' : `${broken} records of the book cannot be read`} and
          counts nowhere. <BookLink>See it and take it out</BookLink>
        </p>
      )}
      {old && (
        <p>
          {backups.data?.failed
            ? `The last try at a backup failed: ${backups.data.failed}`
            : backups.data?.kept[0]
              ? 'The last backup is more than two days old'
              : 'There is no backup of this farm'}
          . <BookLink>Make one</BookLink>
        </p>
      )}
    </Callout>
  );
}

const BookLink = ({ children }: { children: string }) => (
  <Link className="inline-block py-2 font-semibold underline underline-offset-4" to="/trace/book">
    {children}
  </Link>
);
