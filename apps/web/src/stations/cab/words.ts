import type { CabAction, Entry } from '@fanega/core';
import type { Farm } from '../../data/farm';
import { grain, percent } from '../../quantity/quantity';

/** What is recorded here: the id, the time, the device and the name are put on it when it is. */
export type Unstamped = Record<string, unknown> & { readonly type: Entry['type'] };

/** What a tap will record, in one line. */
export function words(farm: Farm, action: CabAction): string {
  const bu = (kg: number, crop: string | undefined): string => grain(kg, farm.kgPerBu(crop)).text;
  switch (action.kind) {
    case 'move': {
      const held = farm.held(action.from);
      const crop = farm.cropOf(held.lots);
      const stays = action.staysKg > 0 ? `; ${bu(action.staysKg, crop)} stay` : '';
      return `${farm.placeName(action.from)} → ${farm.placeName(action.to)}, ${bu(action.wetKg ?? held.wetKg, crop)}${stays}`;
    }
    case 'cut':
      return `Cut ${farm.lot(action.lot)?.fieldName ?? ''} into ${farm.placeName(action.to)} …`;
    case 'deliver':
      return `Ticket at ${farm.placeName(action.to)} …`;
    case 'dry':
      return `${farm.placeName(action.place)}: dried to ${percent(action.to)}`;
  }
}
