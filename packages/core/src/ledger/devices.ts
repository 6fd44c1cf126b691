import type { Entry } from './model.js';

/** What a kind of device writes into the book, and the method that stands with it: a scale speaks as a scale. */
const WRITES = {
  monitor: { method: 'monitor', types: ['harvest', 'witness'] },
  cartScale: { method: 'cartScale', types: ['harvest', 'move', 'witness'] },
  truckScale: { method: 'bridge', types: ['measure', 'move', 'witness'] },
  elevator: { method: 'ticket', types: ['move', 'witness'] },
  // What goes through a dryer is counted by its space.
  dryer: { method: 'volume', types: ['move', 'condition'] },
} as const satisfies Record<string, { method: string; types: readonly Entry['type'][] }>;

export const WRITING_DEVICES = Object.keys(WRITES) as (keyof typeof WRITES)[];

export interface DeviceRefusal {
  readonly code: 'writes_nothing' | 'type' | 'method';
  readonly allowed: readonly string[];
}

/** Why a device of this kind may not write this entry; null where it may. */
export function deviceMayWrite(
  kind: string,
  entry: { readonly type: string; readonly method?: string | undefined },
): DeviceRefusal | null {
  if (!Object.hasOwn(WRITES, kind)) return { code: 'writes_nothing', allowed: WRITING_DEVICES };
  const { method, types } = WRITES[kind as keyof typeof WRITES];
  if (!(types as readonly string[]).includes(entry.type)) return { code: 'type', allowed: types };
  return entry.method === method ? null : { code: 'method', allowed: [method] };
}
