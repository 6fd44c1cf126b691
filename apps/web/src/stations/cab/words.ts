import type { CabAction, Entry } from '@fanega/core';
import type { Farm } from '../../data/farm';
import { grain, percent } from '../../quantity/quantity';
import { say } from '../../words';

/** What is recorded here: the id, the time, the device and the name are put on it when it is. */
export type Unstamped = Record<string, unknown> & { readonly type: Entry['type'] };

/** What a tap will record, in one line. */
export function words(farm: Farm, action: CabAction): string {
  const bu = (kg: number, crop: string | undefined): string => grain(kg, farm.kgPerBu(crop)).text;
  switch (action.kind) {
    case 'move': {
      const held = farm.held(action.from);
      const crop = farm.cropOf(held.lots);
      const stays = action.staysKg > 0 ? say('stays', { much: bu(action.staysKg, crop) }) : '';
      return `${farm.placeName(action.from)} → ${farm.placeName(action.to)}, ${bu(action.wetKg ?? held.wetKg, crop)}${stays}`;
    }
    case 'cut':
      return say('cutInto', { field: farm.lot(action.lot)?.fieldName ?? '', place: farm.placeName(action.to) });
    case 'deliver':
      return say('ticketAtMore', { place: farm.placeName(action.to) });
    case 'dry':
      return say('driedTo', { place: farm.placeName(action.place), at: percent(action.to) });
  }
}
