import type { Farm } from '../data/farm';
import { grainOf } from '../quantity/quantity';
import { say } from '../words';

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
  const owners = farm.owners(wetLots);
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
