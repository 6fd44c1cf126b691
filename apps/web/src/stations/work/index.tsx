import type { TapeLine } from '@fanega/contract';
import { type Farm, useFarm, useTapePage } from '../../data/farm';
import { useRecorder } from '../../record';
import type { RecordKind } from '../../record';
import { Button, Empty } from '../../ui';
import { Answered } from '../../ui/answer';
import { useState } from 'react';
import { BoxSample, strataOf } from '../../widgets/core-sample';
import { EntrySheet } from '../../widgets/entry-sheet';
import { headline } from '../../widgets/headline';
import { NextNote } from '../../widgets/next-note';
import { Bushels, formatBushels, Moisture } from '../../widgets/quantity';
import { rowKeys } from '../../widgets/row-keys';
import { clock, day } from '../../widgets/time';
import { Swatch } from '../../widgets/weave';

type Station = 'cut' | 'haul' | 'dry';

interface Plan {
  readonly title: string;
  readonly question: string;
  readonly kinds: readonly string[];
  readonly record: RecordKind;
  readonly button: string;
  /** What is listed: entries of these types, at its own vessels or anywhere. */
  readonly types: string;
  readonly anywhere?: boolean;
}

const PLANS: Record<Station, Plan> = {
  cut: {
    title: 'Cut',
    question: 'In the tanks and carts',
    kinds: ['combine', 'cart'],
    record: 'harvest',
    button: 'Record grain off the field',
    types: 'harvest',
    anywhere: true,
  },
  haul: {
    title: 'Haul',
    question: 'On wheels now',
    kinds: ['truck', 'cart'],
    record: 'move',
    button: 'Record a load',
    types: 'move',
  },
  dry: {
    title: 'Dry',
    question: 'Wet, and in the dryer',
    kinds: ['wetBin', 'dryer'],
    record: 'condition',
    button: 'Record a dryer run',
    types: 'move,condition',
  },
};

/** The vessels of a part of the way, how full they are and with what; and the last entries made there. */
export default function Work({ station }: { station: Station }) {
  const farm = useFarm();
  const recorder = useRecorder();
  const plan = PLANS[station];
  const vessels = farm.data.places.filter((place) => plan.kinds.includes(place.kind));
  const page = useTapePage(120, plan.types, plan.anywhere ? null : vessels.map((place) => place.id));
  return (
    <div>
      <div className="flex flex-wrap items-center justify-between gap-3 border-b border-ink px-5 py-3 lg:px-6">
        <h1 className="text-2xl">{plan.title}</h1>
        <Button onClick={() => recorder.open({ kind: plan.record })}>{plan.button}</Button>
      </div>
      {station === 'dry' && <NextNote />}
      <section aria-label={plan.question} className="border-b border-ink px-5 py-5 lg:px-6">
        <h2 className="text-sm text-muted">{plan.question}</h2>
        {vessels.length === 0 && <p className="mt-2 text-muted">The farm has none of these yet; places are added in Store.</p>}
        <ul className="mt-3 flex flex-wrap gap-x-8 gap-y-5">
          {vessels.map((place) => {
            const held = farm.held(place.id);
            const bushels = farm.bushels(held.wetLots);
            const capacity = place.capacityBu ?? Math.max(bushels, 1);
            return (
              <li key={place.id} className="min-w-36">
                <BoxSample
                  farm={farm}
                  strata={strataOf(farm, place.id)}
                  capacity={capacity}
                  width={Math.min(220, Math.max(110, capacity / 7))}
                  height={84}
                  label={`${place.name}: ${formatBushels(bushels)} of ${formatBushels(capacity)} bushels`}
                />
                <p className="mt-1.5 font-semibold">{place.name}</p>
                {held.wetKg > 0 ? (
                  <p>
                    <span className="text-xl font-bold">
                      <Bushels value={bushels} />
                    </span>{' '}
                    <Moisture value={held.moisture} />
                  </p>
                ) : (
                  <p className="text-muted">empty</p>
                )}
              </li>
            );
          })}
        </ul>
      </section>
      <Answered answer={page} what="Reading the book">
        {(lines) => <Log farm={farm} lines={lines} />}
      </Answered>
    </div>
  );
}

function Log({ farm, lines }: { farm: Farm; lines: readonly TapeLine[] }) {
  const [open, setOpen] = useState<string | null>(null);
  const { timeZone } = farm.data.farm;
  if (lines.length === 0) return <Empty title="Nothing is recorded here yet." />;
  return (
    <div className="relative overflow-x-auto">
      <table className="w-full min-w-[40rem]" onKeyDown={rowKeys}>
        <thead className="border-b border-ink text-left text-sm">
          <tr>
            <th className="py-2 pr-2 pl-5 lg:pl-6">When</th>
            <th className="px-2">What</th>
            <th className="px-2">Fields</th>
            <th className="px-2 text-right">Weight</th>
            <th className="px-2 text-right">Moisture</th>
            <th className="py-2 pr-5 pl-2 lg:pr-6">Who</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={line.entry.id} className={`border-b border-rule hover:bg-sand ${line.voided ? 'text-muted line-through' : ''}`}>
              <td className="py-1.5 pr-2 pl-5 whitespace-nowrap lg:pl-6">
                {day(line.entry.at, timeZone)} <b>{clock(line.entry.at, timeZone)}</b>
              </td>
              <td className="px-2">
                <button type="button" onClick={() => setOpen(line.entry.id)} className="text-left font-semibold underline decoration-rule underline-offset-4">
                  {headline(line.entry, farm)}
                </button>
              </td>
              <td className="px-2 whitespace-nowrap">
                {Object.keys(line.wetLots).map((lot) => (
                  <span key={lot} className="mr-2">
                    <Swatch index={farm.lotIndex(lot)} size={14} /> {farm.tag(lot)}
                  </span>
                ))}
              </td>
              <td className="px-2 text-right">
                {line.wetKg ? <Bushels value={Object.keys(line.wetLots).length > 0 ? farm.bushels(line.wetLots) : line.wetKg / farm.kgPerBu('corn')} /> : ''}
              </td>
              <td className="px-2 text-right">{line.wetKg && line.dryKg ? <Moisture value={1 - line.dryKg / line.wetKg} /> : ''}</td>
              <td className="py-1.5 pr-5 pl-2 lg:pr-6">{line.entry.by}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <EntrySheet entryId={open} onClose={() => setOpen(null)} />
    </div>
  );
}
