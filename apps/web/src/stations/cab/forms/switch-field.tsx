import type { LotInfo, PlaceInfo } from '@fanega/core';
import { useState } from 'react';
import type { Farm } from '../../../data/farm';
import { Button } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { grainOf } from '../../../quantity/quantity';
import { say } from '../../../words';

const KEPT = 'fanega.switched';
const WHEELS = ['combine', 'cart', 'truck'];

/** Vessels of the harvest that hold grain of another field than the one that is cut now. */
export function holdersOfOther(
  farm: Farm,
  lotId: string,
): {
  readonly place: PlaceInfo;
  readonly wetLots: Readonly<Record<string, number>>;
  readonly lots: readonly string[];
}[] {
  return farm.data.places
    .filter((place) => WHEELS.includes(place.kind))
    .flatMap((place) => {
      const { wetLots } = farm.held(place.id);
      const others = Object.fromEntries(Object.entries(wetLots).filter(([lot]) => lot !== lotId));
      return farm.bushels(others) >= 1 ? [{ place, wetLots: others, lots: Object.keys(others) }] : [];
    });
}

/** Asked once for each change of field, on each device. */
export const askedFor = (lotId: string): boolean => localStorage.getItem(KEPT) === lotId;
export const asked = (lotId: string): void => localStorage.setItem(KEPT, lotId);

/** A change of field: what the book still has of the one before, and whether that is still so. */
export function SwitchField({
  farm,
  lot,
  onClose,
  onEmptied,
  onDone,
}: {
  farm: Farm;
  lot: LotInfo;
  onClose: () => void;
  /** It was emptied, and the book does not know yet: where to. */
  onEmptied: (place: PlaceInfo) => void;
  /** Places that keep their grain. */
  onDone: (mixed: readonly string[]) => void;
}) {
  const holders = holdersOfOther(farm, lot.id);
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set());
  return (
    <Drawer open title={say('nowField', { field: lot.fieldName })} onClose={onClose}>
      <div className="space-y-4 px-4 py-4">
        <p className="text-xl font-bold">{say('emptiedQ')}</p>
        <p>{say('stillOther')}</p>
        <ul className="space-y-4">
          {holders.map(({ place, wetLots, lots }) => (
            <li key={place.id} className="border-t border-rule pt-3">
              <p className="text-lg">
                <b>{place.name}</b>: {grainOf(farm, wetLots).text} {say('of')}{' '}
                {lots.map((id) => farm.lot(id)?.fieldName ?? say('anUnknownField')).join(', ')}
              </p>
              <div className="mt-2 grid grid-cols-2 gap-3">
                <Button
                  className="min-h-16"
                  aria-pressed={kept.has(place.id)}
                  onClick={() => setKept(new Set(kept).add(place.id))}
                >
                  {kept.has(place.id) ? '● ' : ''}
                  {say('stillInIt')}
                </Button>
                <Button className="min-h-16" onClick={() => onEmptied(place)}>
                  {say('wasEmptied')}
                </Button>
              </div>
            </li>
          ))}
        </ul>
        <Button
          look="do"
          className="!min-h-20 w-full !text-2xl"
          onClick={() => onDone(holders.map(({ place }) => place.id))}
        >
          {say(holders.length === 0 ? 'allEmpty' : 'goOnMix')}
        </Button>
      </div>
    </Drawer>
  );
}
