import { type OwnedGrain, splitByOwner } from '@fanega/core';
import type { Farm } from '../data/farm';
import { grainOf } from '../quantity/quantity';
import { say } from '../words';

/** Grain by owner, kg of each; grain of others is never counted as the farm's own. */
export const ownersOf = (farm: Farm, wetLots: Readonly<Record<string, number>>): OwnedGrain[] =>
  splitByOwner(wetLots, (lot) => farm.lot(lot)?.shares, farm.data.farm.name);

/** Whose grain it is, where it is not all the farm's own. */
export function Owners({
  farm,
  wetLots,
  className = '',
}: {
  farm: Farm;
  wetLots: Readonly<Record<string, number>>;
  className?: string;
}) {
  const owners = ownersOf(farm, wetLots);
  if (owners.every(({ own }) => own)) return null;
  return (
    <p className={className}>
      {owners.map(({ owner, own, lots }, i) => (
        <span key={owner} className="whitespace-nowrap">
          {i > 0 ? ' · ' : ''}
          {own ? say('own') : <b>{owner}</b>} {grainOf(farm, lots).text}
        </span>
      ))}
    </p>
  );
}
