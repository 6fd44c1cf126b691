import type { PlaceInfo } from '@fanega/core';
import type { Farm } from '../data/farm';
import { BoxSample, strataOf } from './core-sample';
import { bushels, Moisture, Held, heldText } from '../quantity/quantity';

/** Vessels side by side, cut open, with what is in them. */
export function Vessels({ farm, vessels }: { farm: Farm; vessels: readonly PlaceInfo[] }) {
  return (
    <ul className="mt-3 flex flex-wrap gap-x-8 gap-y-5">
      {vessels.map((place) => {
        const held = farm.held(place.id);
        const kgPerBu = farm.kgPerBu(farm.cropOf(held.lots));
        const capacity = place.capacityBu ?? Math.max(farm.bushels(held.wetLots), 1);
        return (
          <li key={place.id} className="min-w-36">
            <BoxSample
              farm={farm}
              strata={strataOf(farm, place.id)}
              capacity={capacity}
              width={Math.min(220, Math.max(110, capacity / 7))}
              height={84}
              label={`${place.name}: ${heldText(farm, held.wetLots)} of ${bushels(capacity, kgPerBu)}`}
            />
            <p className="mt-1.5 font-semibold">{place.name}</p>
            {held.wetKg > 0 ? (
              <p>
                <span className="text-xl font-bold">
                  <Held farm={farm} wetLots={held.wetLots} />
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
  );
}
