import type { TapeLine } from '@fanega/contract';
import { useState } from 'react';
import type { Farm } from '../data/farm';
import { Empty } from '../ui';
import { EntrySheet } from './entry-sheet';
import { headline } from './headline';
import { Bushels, Moisture } from './quantity';
import { rowKeys } from './row-keys';
import { clock, day } from './time';
import { Swatch } from './weave';

/** Entries of a part of the way, newest first; each opens. */
export function EntryLog({ farm, lines }: { farm: Farm; lines: readonly TapeLine[] }) {
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
