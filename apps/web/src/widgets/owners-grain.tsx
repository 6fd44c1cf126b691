import { cropOf, kgPerBushelOf, type OwnersGrain, type OwnersPart } from '@fanega/core';
import { bushels, mass, percent } from '../quantity/quantity';

const cropName = (crop: string): string => cropOf(crop)?.name ?? crop;
const amount = ({ wetKg, crop }: Pick<OwnersPart, 'wetKg' | 'crop'>): string =>
  bushels(wetKg / kgPerBushelOf(crop), kgPerBushelOf(crop)).text;

/** All of an owner's grain of each crop, the most first. */
export function sumsOf(parts: readonly OwnersPart[]): { crop: string; wetKg: number; text: string }[] {
  const sums = new Map<string, number>();
  for (const { crop, wetKg } of parts) sums.set(crop, (sums.get(crop) ?? 0) + wetKg);
  return [...sums]
    .map(([crop, wetKg]) => ({ crop, wetKg, text: `${amount({ wetKg, crop })} ${cropName(crop).toLowerCase()}` }))
    .sort((a, b) => b.wetKg - a.wetKg);
}

/** What is one owner's in the places of a farm, and what of his went to buyers. */
export function OwnersGrainTable({ grain }: { grain: OwnersGrain }) {
  return (
    <div className="space-y-6">
      {grain.lies.length > 0 && <Parts caption="Lies in" parts={grain.lies} />}
      {
        grain.delivered.length > 0 &&
        <Parts caption={`Went to, ${grain.season ?? ''}`} parts={grain.delivered} loads={grain.delivered.map(({ loads }) => loads)} /> // prettier-ignore
      }
    </div>
  );
}

function Parts({
  caption,
  parts,
  loads,
}: {
  caption: string;
  parts: readonly OwnersPart[];
  loads?: readonly number[];
}) {
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={caption}>
      <table className="w-full max-w-4xl">
        <thead className="border-b border-ink text-left text-sm">
          <tr>
            <th className="py-1 pr-3">{caption}</th>
            <th className="px-3">Crop</th>
            <th className="px-3 text-right">Yours</th>
            <th className="px-3 text-right">Moisture</th>
            <th className="py-1 pl-3">{loads ? 'Loads' : 'Of all there'}</th>
          </tr>
        </thead>
        <tbody>
          {parts.map((part, i) => (
            <tr key={`${part.placeId} ${part.crop}`} className="border-b border-rule align-baseline">
              <td className="py-2 pr-3">
                <b>{part.name}</b>
                <span className="block text-sm text-muted">{part.fields.join(', ')}</span>
              </td>
              <td className="px-3">{cropOf(part.crop)?.short ?? part.crop}</td>
              <td className="px-2 text-right whitespace-nowrap sm:px-3">
                <b>{amount(part)}</b>
                <span className="block text-sm text-muted max-sm:hidden">{mass(part.wetKg).text}</span>
              </td>
              <td className="px-2 text-right whitespace-nowrap sm:px-3">
                {part.moisture === null ? '' : percent(part.moisture)}
              </td>
              <td className="py-2 pl-2 whitespace-nowrap sm:pl-3">
                {loads ? loads[i] : percent(part.ofWetKg > 0 ? part.wetKg / part.ofWetKg : 1)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
