import { cropOf, fieldFacts, type FieldRecords, type FieldRow, yieldByVariety, type VarietyYield } from '@fanega/core';
import { useMemo } from 'react';
import type { Farm } from '../../../data/farm';
import { area, bushels, cropYieldFine, Moisture, moisture } from '../../../quantity/quantity';
import { type Column, DataTable } from '../../../ui/table';
import { Empty } from '../../../ui';

/** Varieties over all ground that is cut, fields and strips alike. */
export default function ByVariety({
  farm,
  rows,
  records,
}: {
  farm: Farm;
  rows: readonly FieldRow[];
  records: FieldRecords;
}) {
  const found = useMemo(() => {
    const done = new Set(fieldFacts(farm, rows, records).flatMap(({ row, acresLeft, cuttingToday }) => (acresLeft === 0 && !cuttingToday ? [row.lot.id] : []))); // prettier-ignore
    return yieldByVariety(farm, rows, records.settings.fieldZone, ({ lot }) => done.has(lot.id));
  }, [farm, rows, records]);
  if (!found.some(({ variety }) => variety !== '')) return null;
  const per = ({ crop }: VarietyYield): number => farm.kgPerBu(crop);
  const columns: Column<VarietyYield>[] = [
    { id: 'variety', head: 'Variety', phone: 'title', value: ({ variety }) => variety, show: ({ variety }) => variety === '' ? <span className="text-muted">not told</span> : <b>{variety}</b> }, // prettier-ignore
    {
      id: 'crop',
      head: 'Crop',
      choice: true,
      value: ({ crop }) => cropOf(crop)?.name ?? crop,
      show: ({ crop }) => cropOf(crop)?.name ?? crop,
    },
    { id: 'yield', head: 'Yield', unit: cropYieldFine.unit, right: true, phone: 'verdict', value: (one) => cropYieldFine.shown(one.perAcre, per(one)), show: (one) => <b className="text-lg">{cropYieldFine.figure(one.perAcre, per(one))}</b> }, // prettier-ignore
    { id: 'area', head: 'Area', unit: area.unit, right: true, value: ({ acres }) => area.shown(acres), show: ({ acres }) => area.figure(acres) }, // prettier-ignore
    { id: 'dry', head: 'Dry', unit: bushels.unit, right: true, value: (one) => bushels.shown(one.bushels, per(one)), show: (one) => bushels.figure(one.bushels, per(one)) }, // prettier-ignore
    { id: 'moisture', head: 'Came off at', right: true, value: (one) => one.moisture, text: (one) => moisture.text(one.moisture), show: (one) => <Moisture value={one.moisture} /> }, // prettier-ignore
    { id: 'fields', head: 'Fields', right: true, value: ({ fields }) => fields, show: ({ fields }) => fields },
  ];
  return (
    <section aria-label="By variety" className="border-t border-ink pt-5">
      <h2 className="px-5 text-xl lg:px-6">By variety</h2>
      <DataTable
        name="Varieties"
        one="variety"
        many="varieties"
        rows={found}
        columns={columns}
        rowId={({ crop, variety }) => `${crop} ${variety}`}
        empty={<Empty title="No field is finished yet." />}
      />
      <p className="px-5 py-3 text-sm text-muted lg:px-6">
        Over ground that is cut whole, with strips where loads name them. Different ground and different days: it is no
        trial. Strips that lie side by side are compared in Cut.
      </p>
    </section>
  );
}
