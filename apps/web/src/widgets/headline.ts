import type { Entry } from '@fanega/core';
import type { Farm } from '../data/farm';

/** What happened, in the trade's words: "Cart 2 → Truck 3". */
export function headline(entry: Entry, farm: Farm): string {
  switch (entry.type) {
    case 'harvest':
      return `${farm.tag(entry.lot)} → ${farm.placeName(entry.to)}`;
    case 'move':
      return `${farm.placeName(entry.from)} → ${farm.placeName(entry.to)}`;
    case 'condition':
      return `${farm.placeName(entry.place)} dried`;
    case 'loss':
      return `${entry.reason}, ${farm.placeName(entry.place)}`;
    case 'measure':
      return `level, ${farm.placeName(entry.place)}`;
    case 'witness':
      return 'weighed again';
    case 'void':
      return 'void';
  }
}
