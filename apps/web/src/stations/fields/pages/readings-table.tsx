import type { ReadingInfo } from '@fanega/contract';
import { likelyBuyerReading, type Tester } from '@fanega/core';
import { useMemo } from 'react';
import { Moisture, moisture, percent } from '../../../quantity/quantity';
import { type Column, DataTable } from '../../../ui/table';
import { momentColumn, wordColumn } from '../../../widgets/columns';
import { TakeBack } from '../../../widgets/take-back';
import { SourceName } from './moisture-chart';

export function ReadingsTable({
  own,
  testers,
  timeZone,
}: {
  own: readonly ReadingInfo[];
  testers: ReadonlyMap<string, Tester>;
  timeZone: string;
}) {
  const columns = useMemo((): Column<ReadingInfo>[] => {
    const likely = (reading: ReadingInfo) =>
      reading.moisture === null
        ? null
        : likelyBuyerReading(reading.moisture, testers.get(reading.tester)?.pairs ?? []).likely;
    return [
      momentColumn('when', 'When', ({ at }) => at, timeZone, { phone: 'title' }),
      wordColumn('source', 'Source', ({ source }) => source, {
        choice: true,
        as: (_, { source }) => <SourceName source={source} />,
      }),
      wordColumn('tester', 'Tester', ({ tester }) => tester, { choice: true }),
      wordColumn('spot', 'Spot', ({ spot }) => spot),
      {
        id: 'read',
        head: 'Read',
        right: true,
        phone: 'verdict',
        value: (reading) => reading.moisture,
        text: (reading) => (reading.moisture === null ? `${reading.cracked} of 10` : moisture.text(reading.moisture)),
        show: (reading) =>
          reading.moisture === null ? `${reading.cracked} of 10` : <Moisture value={reading.moisture} />,
      },
      {
        id: 'buyer',
        head: 'At the buyer',
        right: true,
        value: (reading) => likely(reading)?.low ?? null,
        text: (reading) => moisture.text(likely(reading)?.moisture),
        show: (reading) => {
          const at = likely(reading);
          return at ? `${moisture.figure(at.low)} to ${percent(at.high)}` : <span className="text-muted">–</span>;
        },
      },
      wordColumn('by', 'By', ({ by }) => by),
      {
        id: 'back',
        head: 'Take back',
        value: () => null,
        text: () => '',
        show: ({ id, voided }) => !voided && <TakeBack of="reading" id={id} />,
      },
    ];
  }, [testers, timeZone]);
  return (
    <DataTable
      name="Readings taken"
      one="reading"
      many="readings"
      rows={own}
      columns={columns}
      rowId={({ id }) => id}
      rowClass={({ voided }) => (voided ? 'text-muted line-through' : '')}
      empty={<p className="mt-2 px-5 text-muted lg:px-6">No readings here yet.</p>}
    />
  );
}
