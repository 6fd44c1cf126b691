import { baseMoistureOf, cropOf, type FarmZones, type FieldRow, yieldByPart } from '@fanega/core';
import type { Farm } from '../../../data/farm';
import { area, bushels, cropYieldFine, percent } from '../../../quantity/quantity';

/** What each part of a field brought, as its loads say; nothing where no load names a part. */
export function PartsTable({ farm, row, zones, done }: { farm: Farm; row: FieldRow; zones: FarmZones; done: boolean }) {
  if (row.cutByZone === undefined) return null;
  const per = farm.kgPerBu(row.lot.crop);
  const parts = yieldByPart(farm, row, zones, done);
  return (
    <div className="mt-4">
      <table className="w-full text-left" aria-label="What each part brought">
        <thead className="border-y border-ink text-sm">
          <tr>
            <th className="py-1.5 pr-2">Part</th>
            <th className="px-2 text-right">Area</th>
            <th className="px-2 text-right">Dry</th>
            <th className="px-2 text-right">Came off at</th>
            <th className="py-1.5 pl-2 text-right">Yield</th>
          </tr>
        </thead>
        <tbody className="divide-y divide-rule">
          {parts.map(({ part: { zoneId, zone, acres }, bushels: dry, moisture, perAcre }) => (
            <tr key={zoneId ?? ''}>
              <td className="py-1.5 pr-2">
                <b className="font-semibold">{zone?.name ?? 'the rest of it'}</b>
                {zone?.variety ? `, ${zone.variety}` : ''}
              </td>
              <td className="px-2 text-right whitespace-nowrap">{acres > 0 ? area(acres).text : '–'}</td>
              <td className="px-2 text-right whitespace-nowrap">{dry > 0 ? bushels(dry, per).text : '–'}</td>
              <td className="px-2 text-right whitespace-nowrap">{moisture === null ? '–' : percent(moisture)}</td>
              <td className="py-1.5 pl-2 text-right font-semibold whitespace-nowrap">
                {perAcre === null ? (dry > 0 ? 'still cut' : '–') : cropYieldFine(perAcre, per).text}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-muted">
        As the loads said where they came from, dry at{' '}
        {percent(baseMoistureOf(row.lot.crop, farm.data.farm.defaults) ?? cropOf(row.lot.crop)?.baseMoisture ?? 0)}. A
        part’s yield is told when it is cut.
      </p>
    </div>
  );
}
