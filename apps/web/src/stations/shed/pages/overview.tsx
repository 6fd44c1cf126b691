import {
  alternativesFor,
  CROPS,
  MACHINE_KINDS,
  type MachineKind,
  type MachineView,
  type ShedRecords,
} from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Farm } from '../../../data/farm';
import { Button, Empty } from '../../../ui';
import { Verdict } from '../../../ui/verdict';
import { type Column, DataTable } from '../../../ui/table';
import { wordColumn } from '../../../widgets/columns';
import { alternativeWords, cropWords, dayWords, days, farmDay } from '../words';
import { AddMachine } from '../forms/add-machine';
import { ListsDrawer } from '../forms/lists-drawer';
import { SeasonDrawer } from '../forms/season-drawer';

/** What keeps harvest from beginning, worst first: a part that comes too late stands large on top. */
export function Overview({ farm, shed, assets }: { farm: Farm; shed: ShedRecords; assets: readonly MachineView[] }) {
  const [open, setOpen] = useState<'season' | 'add' | 'template' | null>(null);
  const season = shed.settings.seasonPlan.farm?.value ?? { firstDays: {}, acknowledge: [] };
  const worst = assets.find((asset) => asset.readiness.daysShort > 0);
  const ready = assets.filter((asset) => asset.readiness.ready && asset.down === null).length;
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
            </Empty>
          ) : worst ? (
            <Late asset={worst} assets={assets} firstDays={season.firstDays} />
          ) : (
            <>
              <Verdict figure={ready} unit={`of ${assets.length} machines ready`}>
                No part that is waited for comes too late.
              </Verdict>
            </>
          )}
        </div>
        <div>
          <h2 className="text-sm text-muted">First days</h2>
          <ul className="mt-1">
            {Object.entries(season.firstDays)
              .sort((a, b) => (a[1] < b[1] ? -1 : 1))
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
      {assets.length > 0 && (
        <div className="border-t border-ink">
          <DataTable
            name="Machines"
            one="machine"
            many="machines"
            rows={assets}
            columns={MACHINES}
            rowId={({ id }) => id}
          />
        </div>
      )}
      {open === 'season' && <SeasonDrawer farm={farm} shed={shed} onClose={() => setOpen(null)} />}
      {open === 'add' && <AddMachine farm={farm} shed={shed} onClose={() => setOpen(null)} />}
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
        , so it is there on {dayWords(item.partOn!)}; {cropWords(asset.by.crop)} begin
        {asset.by.crop === 'corn' || asset.by.crop === null ? 's' : ''} on {dayWords(asset.by.day)}.
        {part.orderedOn === null && <b> It is not ordered yet.</b>}
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

const standing = ({ down, readiness }: MachineView): string =>
  down !== null
    ? '■ down'
    : readiness.daysShort > 0
      ? `■ ${days(readiness.daysShort)} short`
      : readiness.ready
        ? readiness.open > 0
          ? `● ready, ${readiness.open} open`
          : '● ready'
        : `◐ ${readiness.open} open`;
const nextOf = ({ readiness }: MachineView) =>
  readiness.items.find(({ state }) => state !== 'done' && state !== 'skipped');

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
  wordColumn('next', 'Next', (asset) => asset.down ?? nextOf(asset)?.item.what ?? 'nothing'),
  wordColumn('who', 'Who', (asset) => nextOf(asset)?.item.owner ?? '', { choice: true }),
  {
    id: 'due',
    head: 'Due',
    right: true,
    value: (asset) => nextOf(asset)?.item.due ?? null,
    show: (asset) => {
      const next = nextOf(asset);
      if (!next?.item.due) return '';
      return next.dueIn! < 0 ? <b className="text-clay">■ {days(-next.dueIn!)} ago</b> : dayWords(next.item.due);
    },
  },
];
