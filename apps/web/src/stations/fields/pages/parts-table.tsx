import { baseMoistureOf, cropOf, type FarmZones, type FieldRow, type PartYield, yieldByPart } from '@fanega/core';
import { useMemo } from 'react';
import type { Farm } from '../../../data/farm';
import { area, bushels, cropYieldFine, moisture as moistureKind, percent } from '../../../quantity/quantity';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, wordColumn } from '../../../widgets/columns';

const nameOf = ({ part: { zone } }: PartYield): string =>
  `${zone?.name ?? 'the rest of it'}${zone?.variety ? `, ${zone.variety}` : ''}`;
/** Nothing of a part is no figure of it. */
const some = (amount: number): number | null => (amount > 0 ? amount : null);

const columnsOf = (per: number): Column<PartYield>[] => [
  wordColumn('part', 'Part', nameOf, { phone: 'title', as: (name) => <b className="font-semibold">{name}</b> }),
  figureColumn('area', 'Area', area, ({ part }) => some(part.acres)),
  figureColumn('dry', 'Dry', bushels, (one) => some(one.bushels), { per: () => per }),
  figureColumn('moisture', 'Came off at', moistureKind, (one) => one.moisture),
  wordColumn(
    'yield',
    'Yield',
    ({ perAcre, bushels: dry }) =>
      perAcre === null ? (dry > 0 ? 'still cut' : '–') : cropYieldFine(perAcre, per).text,
    { phone: 'verdict', right: true, by: ({ perAcre }) => perAcre },
  ),
];

/** What each part of a field brought, as its loads say; nothing where no load names a part. */
export function PartsTable({ farm, row, zones, done }: { farm: Farm; row: FieldRow; zones: FarmZones; done: boolean }) {
  const per = farm.kgPerBu(row.lot.crop);
  const columns = useMemo(() => columnsOf(per), [per]);
  if (row.cutByZone === undefined) return null;
  return (
    <div className="mt-4">
      <DataTable
        name="What each part brought"
        one="part"
        many="parts"
        rows={yieldByPart(farm, row, zones, done)}
        columns={columns}
        rowId={({ part }) => part.zoneId ?? ''}
        flush
      />
      <p className="mt-1 text-sm text-muted">
        As the loads said where they came from, dry at{' '}
        {percent(baseMoistureOf(row.lot.crop, farm.data.farm.defaults) ?? cropOf(row.lot.crop)?.baseMoisture ?? 0)}. A
        part’s yield is told when it is cut.
      </p>
    </div>
  );
}
