import {
  baseMoistureOf,
  cropOf,
  CROPS,
  dryBushels,
  legalView,
  nextLoad,
  type PlaceInfo,
  splitByOwner,
} from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useNotebook } from '../../../data/farm';
import { useOffers } from '../../../widgets/use-offers';
import { useSellBook } from './use-sell-book';

/**
 * Where a loaded truck's grain would count if it left now, best first, and what the law says on each road; null while the farm is asked.
 * @param typed bushels as the contract counts them, where somebody typed others than the book's
 */
export function useNextLoad(farm: Farm, truck: PlaceInfo, typed?: number) {
  const book = useSellBook(farm);
  const offers = useOffers(farm);
  const notebook = useNotebook().data;
  return useMemo(() => {
    if (!book || !offers || !notebook) return null;
    const held = farm.held(truck.id);
    const crop = cropOf(farm.cropOf(held.lots) ?? '') ?? CROPS.corn;
    const base = baseMoistureOf(crop.id, farm.data.farm.defaults);
    const byBook = Math.round(100 * dryBushels(held.dryKg, crop.legalPounds, base)) / 100;
    const owners = splitByOwner(held.lots, (lot) => farm.lot(lot)?.shares, farm.data.farm.name);
    const whole = owners.reduce((sum, { kg }) => sum + kg, 0);
    const ownPart = whole > 0 ? owners.reduce((sum, { own, kg }) => sum + (own ? kg : 0), 0) / whole : 1;
    const spotOf = (buyerId: string): number | null => {
      const offer = offers(crop.id, buyerId);
      // Bid for, or a window of his own: what he says himself. The farm's own price is the last guess, after his last ticket.
      if (offer !== null && offer.price !== null && (offer.from === 'bid' || offer.ownWindow)) return offer.price;
      const last = book.sold.find(({ delivery, crop: its }) => delivery.to === buyerId && its === crop.id && delivery.pricePerBu !== null); // prettier-ignore
      return last ? last.delivery.pricePerBu : (offer?.price ?? null);
    };
    const buyers = farm.data.places.filter(({ kind }) => kind === 'buyer').map(({ id }) => id);
    const load = { crop: crop.id, bushels: typed ?? byBook, ownPart };
    const ways = load.bushels > 0 ? nextLoad(load, buyers, book.contracts, spotOf) : [];
    /** Of the truck as it stands, on the road to a buyer; null where its axles or its empty weight are not known. */
    const legalTo = (buyerId: string) => {
      if (truck.kind !== 'truck') return null;
      const view = legalView(farm, notebook, [], () => undefined, truck.id, crop.id, null, buyerId);
      return view.legal === null ? null : view;
    };
    return { book, crop, base, byBook, load, ways, spotOf, legalTo, best: ways.find(({ money }) => money !== null) };
  }, [farm, truck, book, offers, notebook, typed]);
}
