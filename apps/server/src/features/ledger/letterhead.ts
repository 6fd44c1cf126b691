import { type FarmState, farmView, type FarmView } from '@fanega/core';
import type { Letterhead } from '../../platform/print.js';
import type { LedgerService, OpenBook } from './ledger.service.js';

/** What stands over and under everything that is printed: whose it is, and of what state of the book. */
export async function letterhead(ledgers: LedgerService, farmId: string, printedAt: number): Promise<Letterhead> {
  const { name, timeZone, clock, units } = (await ledgers.open(farmId)).header.farm;
  return { farm: name, timeZone, clock, units, ...(await ledgers.end(farmId)), printedAt };
}

/** The farm with the names that a sheet needs, and nothing that is in its bins. */
export const farmAsPrinted = async (ledgers: LedgerService, farmId: string, now: number): Promise<FarmView> =>
  farmIn(await ledgers.open(farmId), now);

/** The farm as one state of its book has it. @param positions what is in its bins, where that is asked for */
export function farmIn(
  { farmId, header, lots, places }: OpenBook,
  now: number,
  positions: FarmState['positions'] = {},
): FarmView {
  const { name, timeZone, demo } = header.farm;
  return farmView({
    farm: { id: farmId, name, timeZone, demo: Boolean(demo), defaults: header.defaults },
    lots,
    places,
    seq: 0,
    now,
    positions,
    layers: {},
    tape: [],
    flow: { cut: {}, haul: {}, dry: {}, store: {}, sell: {} },
  } satisfies FarmState);
}
