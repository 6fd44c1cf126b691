import { type Offer, type Offers, offersOf, type PlaceInfo } from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useContracts, useNotebook } from '../data/farm';

/** What every buyer gives today, by his bid and his posted sheet or by his window; null while the farm is asked. */
export function useOffers(farm: Farm): Offers | null {
  const notebook = useNotebook().data;
  const sell = useContracts().data;
  return useMemo(() => (notebook && sell ? offersOf(farm, notebook, sell) : null), [farm, notebook, sell]);
}

/** Buyers who give a price for a crop today, the highest first; every page that names the highest price has it from here. */
export const pricedBuyers = (farm: Farm, offers: Offers, crop: string) =>
  farm.data.places
    .flatMap((buyer): { readonly buyer: PlaceInfo; readonly offer: Offer; readonly price: number }[] => {
      const offer = buyer.kind === 'buyer' ? offers(crop, buyer.id) : null;
      return offer === null || offer.price === null ? [] : [{ buyer, offer, price: offer.price }];
    })
    .sort((a, b) => b.price - a.price);
