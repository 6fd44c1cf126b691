import {
  alternativesFor,
  CROPS,
  inOrder,
  MACHINE_KINDS,
  type MachineKind,
  type MachineNext,
  type MachineView,
  type ShedRecords,
} from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Farm } from '../../../data/farm';
import { Below } from '../../../ui/below';
import { Button, Empty } from '../../../ui';
import { Verdict } from '../../../ui/verdict';
import { type Column, DataTable } from '../../../ui/table';
import { wordColumn } from '../../../widgets/columns';
import { alternativeWords, cropWords, dayWords, days, farmDay } from '../words';
import { AddMachine } from '../forms/add-machine';
import { ListsDrawer } from '../forms/lists-drawer';
import { CountersDrawer } from '../forms/counters-drawer';
import { SeasonDrawer } from '../forms/season-drawer';
import { PartsCounters } from './parts-counters';
import { StartLink } from '../../../widgets/start-link';

/** What keeps harvest from beginning, worst first: a part that comes too late stands large on top. */
export function Overview({ farm, shed, assets }: { farm: Farm; shed: ShedRecords; assets: readonly MachineView[] }) {
  const [open, setOpen] = useState<'season' | 'add' | 'template' | 'counters' | null>(null);
  const season = shed.settings.seasonPlan.farm?.value ?? { firstDays: {}, acknowledge: [] };
  const worst = assets.find((asset) => asset.readiness.daysShort > 0);
  const ready = assets.filter((asset) => asset.ready).length;
  const overdue = assets.filter((asset) => asset.overdue.length > 0).length;
  const broken = assets.filter((asset) => asset.down !== null).length;
  const today = farmDay(farm);
  return (
    <div>
      <section
        aria-label="Ready for harvest?"
        className="grid gap-x-10 gap-y-4 px-5 py-5 lg:grid-cols-[1.4fr_1fr] lg:px-6"
      >
        <div>
          {assets.length === 0 ? (
            <Empty title="No machine stands in the shed yet.">
              <p>
                Add the combine, its heads, carts and augers; each comes with the usual list, and the first day of
                harvest says what is late.
              </p>
              <StartLink step="machines">Add the machines</StartLink>
            </Empty>
          ) : worst ? (
            <Late asset={worst} assets={assets} firstDays={season.firstDays} />
          ) : (
            <>
              <Verdict figure={ready} unit={`of ${assets.length} machines ready`}>
                {broken > 0 && <b>{broken === 1 ? 'One is down' : `${broken} are down`}. </b>}
                {overdue > 0 && (
                  <b>{overdue === 1 ? 'On one a service is overdue' : `On ${overdue} a service is overdue`}. </b>
                )}
                No part that is waited for comes too late.
              </Verdict>
            </>
          )}
        </div>
        <div>
          <h2 className="text-sm text-muted">First days</h2>
          <ul className="mt-1">
            {Object.entries(season.firstDays)
              .sort((a, b) => inOrder(a[1], b[1]))
              .map(([crop, day]) => (
                <li key={crop} className="flex justify-between gap-4 border-b border-rule py-1">
                  <span className="font-semibold">{CROPS[crop as keyof typeof CROPS]?.name ?? crop}</span>
                  <span>
                    {dayWords(day)}{' '}
                    <span className="text-muted">
                      {day < today
                        ? 'begun'
                        : day === today
                          ? 'today'
                          : `in ${days((Date.parse(day) - Date.parse(today)) / 86_400_000)}`}
                    </span>
                  </span>
                </li>
              ))}
          </ul>
          <div className="mt-2 flex flex-wrap gap-3">
            <Button onClick={() => setOpen('season')}>First days and cards</Button>
            <Button onClick={() => setOpen('template')}>Lists</Button>
            <Button onClick={() => setOpen('add')}>Add a machine</Button>
          </div>
        </div>
      </section>
      <PartsCounters farm={farm} shed={shed} onChange={() => setOpen('counters')} />
      {assets.length > 0 && (
        <div className="border-t border-ink">
          <Below>
            <DataTable
              name="Machines"
              one="machine"
              many="machines"
              rows={assets}
              columns={MACHINES}
              rowId={({ id }) => id}
            />
          </Below>
        </div>
      )}
      {open === 'season' && <SeasonDrawer farm={farm} shed={shed} onClose={() => setOpen(null)} />}
      {open === 'add' && <AddMachine farm={farm} shed={shed} onClose={() => setOpen(null)} />}
      {open === 'counters' && <CountersDrawer farm={farm} shed={shed} onClose={() => setOpen(null)} />}
      {open === 'template' && <ListsDrawer farm={farm} shed={shed} onClose={() => setOpen(null)} />}
    </div>
  );
}

/** "Twelve days for the part, harvest in nine." */
function Late({
  asset,
  assets,
  firstDays,
}: {
  asset: MachineView;
  assets: readonly MachineView[];
  firstDays: Readonly<Record<string, string>>;
}) {
  const item = asset.readiness.items[0]!;
  const part = item.item.part!;
  return (
    <>
      <Verdict bad figure={days(item.daysShort)} unit="short" />
      <p className="mt-2 text-xl">
        <Link to={`/shed/${asset.id}`} className="font-bold underline decoration-rule underline-offset-4">
          {asset.machine.name}
        </Link>
        : {part.name}{' '}
        {part.orderedOn === null
          ? `takes ${days(part.leadDays)} from the order`
          : `was ordered ${dayWords(part.orderedOn)} and takes ${days(part.leadDays)}`}
        , so it is there on {dayWords(item.partOn!)};{' '}
        {asset.by.crop === null ? (
          'harvest is already on'
        ) : (
          <>
            {cropWords(asset.by.crop)} begin{asset.by.crop === 'corn' ? 's' : ''} on {dayWords(asset.by.day)}
          </>
        )}
        .{part.orderedOn === null && <b> It is not ordered yet.</b>}
      </p>
      <ul className="mt-2 list-disc pl-6" aria-label="Alternatives">
        {alternativesFor(asset, assets, item, firstDays)
          .map(alternativeWords)
          .map((words) => (
            <li key={words}>{words}</li>
          ))}
      </ul>
    </>
  );
}

const standing = ({ down, readiness, ready, overdue }: MachineView): string =>
  down !== null
    ? '■ down'
    : readiness.daysShort > 0
      ? `■ ${days(readiness.daysShort)} short`
      : ready
        ? readiness.open > 0
          ? `● ready, ${readiness.open} open`
          : '● ready'
        : overdue.length > 0 && readiness.ready
          ? '◐ service overdue'
          : `◐ ${readiness.open} open`;

/** When it was to be done, in the words of the one thing that is next. */
function dueWords(next: MachineNext | null): { readonly words: string; readonly late: boolean } {
  if (next === null) return { words: '', late: false };
  if (next.kind === 'mend') return { words: 'now', late: true };
  if (next.kind === 'service') return { words: `${Math.round(next.hoursOver)} h over`, late: true };
  if (next.due === null) return { words: '', late: false };
  return next.dueIn! < 0
    ? { words: `${days(-next.dueIn!)} ago`, late: true }
    : { words: dayWords(next.due), late: false };
}

const MACHINES: readonly Column<MachineView>[] = [
  wordColumn('machine', 'Machine', ({ machine }) => machine.name, {
    phone: 'title',
    as: (name, { id, machine }) => (
      <>
        <Link to={`/shed/${id}`} className="font-semibold underline decoration-rule underline-offset-4">
          {name}
        </Link>
        <span className="ml-2 text-sm text-muted">{MACHINE_KINDS[machine.kind as MachineKind]}</span>
      </>
    ),
  }),
  wordColumn('ready', 'Ready?', standing, {
    phone: 'verdict',
    as: (words, { down, readiness }) => (
      <span
        className={`font-semibold whitespace-nowrap ${readiness.daysShort > 0 || down !== null ? 'text-clay' : ''}`}
      >
        {words}
      </span>
    ),
  }),
  wordColumn('next', 'Next', ({ next }) => next?.what ?? 'nothing'),
  wordColumn('who', 'Who', ({ next }) => (next === null || next.kind === 'service' ? '' : next.who), { choice: true }),
  {
    id: 'due',
    head: 'Due',
    right: true,
    // What is late comes before every day, the latest first.
    value: ({ next }) =>
      next === null ? null : next.kind === 'line' ? next.due : next.kind === 'mend' ? '0' : `1${1e6 - next.hoursOver}`,
    show: ({ next }) => {
      const { words, late } = dueWords(next);
      return late ? <b className="whitespace-nowrap text-clay">■ {words}</b> : words;
    },
  },
];
