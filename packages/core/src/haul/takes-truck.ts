import type { BuyerFacts, TruckSetup } from '../records/index.js';

/** Can a buyer's pit take the truck? True where nobody said what he takes, or what the truck is. Common practice, no source. */
export const takesTruck = (
  facts: Pick<BuyerFacts, 'takes'> | undefined,
  truck: Pick<TruckSetup, 'body'> | undefined,
): boolean => facts?.takes === undefined || truck?.body === undefined || facts.takes.includes(truck.body);
