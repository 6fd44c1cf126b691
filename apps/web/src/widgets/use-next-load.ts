import {
  baseMoistureOf,
  type BuyerAhead,
  type Crop,
  cropOf,
  CROPS,
  dryBushels,
  type FieldRecords,
  type HaulTimes,
  type LineThen,
  lineThen,
  loadedIn,
  type KnownGrade,
  legalView,
  nextLoad,
  type NextLoad,
  type Offers,
  type OwnerPart,
  type OwnTimes,
  ownerParts,
  type PlaceInfo,
  RangeRefusal,
  roadKm,
  takesTruck,
  timesFrom,
  USUAL_HARVEST_COSTS,
  USUAL_HAUL_TIMES,
  type Where,
  whereItBringsMost,
} from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useNotebook, useHaul } from '../data/farm';
import { useOffers } from './use-offers';
import { type SellBook, useSellBook } from './use-sell-book';

/** $/bu that a buyer gives today for what has no contract: his bid, his own window, his last ticket, the farm's own price at last. */
export function spotOf(book: SellBook, offers: Offers, crop: string, buyerId: string): number | null {
  const offer = offers(crop, buyerId);
  if (offer !== null && offer.price !== null && (offer.from === 'bid' || offer.ownWindow)) return offer.price;
  const last = book.sold.find(({ delivery, crop: its }) => delivery.to === buyerId && its === crop && delivery.pricePerBu !== null); // prettier-ignore
  return last ? last.delivery.pricePerBu : (offer?.price ?? null);
}

/** Every buyer for a load: on which contract it would count, what that pays, and what is in hand after his terms and the road. */
export interface LoadWays {
  readonly ways: readonly (NextLoad & {
    readonly net: number | null;
    /** his pit takes this truck */
    readonly dumps: boolean;
  })[];
  readonly where: Where | null;
}

/**
 * One arithmetic for “The next load” and “Where it brings most”, so that they cannot name two buyers for one load.
 * @param load bushels as contracts count them, kg as it lies, wet-basis fraction
 */
export function waysOf(
  farm: Farm,
  book: SellBook,
  offers: Offers,
  crop: Crop,
  load: {
    readonly bushels: number;
    readonly kg: number;
    readonly moisture: number;
    readonly ownPart: number;
    readonly owners?: readonly OwnerPart[];
    readonly grade?: KnownGrade;
    /** dry bushels an acre of its field */
    readonly yield?: number;
  },
  times: HaulTimes,
  lineOf: (buyerId: string) => number,
  costPerHour: number,
  dumps: (buyerId: string) => boolean = () => true,
  kmTo: (buyerId: string) => number | null = () => null,
): LoadWays {
  const buyers = farm.data.places.filter(({ kind }) => kind === 'buyer').map(({ id }) => id);
  const of = {
    crop: crop.id,
    bushels: load.bushels,
    ownPart: load.ownPart,
    ...(load.owners === undefined ? {} : { owners: load.owners }),
  };
  const found = nextLoad(of, buyers, book.contracts, (buyerId) => spotOf(book, offers, crop.id, buyerId));
  const ahead = found.flatMap(({ buyerId, money }): BuyerAhead[] => {
    const offer = offers(crop.id, buyerId);
    if (money === null || offer === null) return [];
    const bid = spotOf(book, offers, crop.id, buyerId);
    return [
      {
        id: buyerId,
        terms: offer.terms,
        price: money / load.bushels,
        ...(bid === null ? {} : { bid }),
        roadMin: times.roadMin[buyerId] ?? null,
        lineMin: lineOf(buyerId),
        km: kmTo(buyerId),
      },
    ];
  });
  let where: Where | null = null;
  if (ahead.length > 0)
    try {
      where = whereItBringsMost({
        moisture: load.moisture,
        loadKg: load.kg,
        kgPerBu: farm.kgPerBu(crop.id),
        buyers: ahead,
        ...(load.grade === undefined ? {} : { grade: load.grade }),
        ...(load.yield === undefined || load.bushels <= 0
          ? {}
          : { acre: { yield: load.yield, bushels: load.bushels } }),
        times,
        truckCostPerHour: costPerHour,
        ...(times.truckCostPerKm === undefined ? {} : { truckCostPerKm: times.truckCostPerKm }),
      });
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
    }
  const net = new Map(where?.rows.map((row) => [row.id, row.net]));
  const ways = found
    .map((way) => {
      const takes = dumps(way.buyerId);
      return { ...way, dumps: takes, net: takes ? (net.get(way.buyerId) ?? null) : null };
    })
    // In hand first; who refuses it or has no price stands last, and behind him whose pit does not take the truck.
    .sort(
      (a, b) =>
        Number(b.dumps) - Number(a.dumps) ||
        (b.net ?? -Infinity) - (a.net ?? -Infinity) ||
        (b.money ?? -1) - (a.money ?? -1),
    );
  return { ways, where };
}

/** Minutes that a load which leaves now waits in line at a buyer: as somebody said for today, else by own loads at that hour; 0: not known. */
export function lineAt(
  farm: Farm,
  notebook: FieldRecords,
  haul: { readonly times: Readonly<Record<string, OwnTimes>> },
  buyerId: string,
): { readonly minutes: number; readonly by: 'said' | LineThen | null } {
  const plan = notebook.settings.haulPlan.farm?.value;
  if (plan?.buyerId === buyerId) return { minutes: plan.lineMin, by: 'said' };
  const times = notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES;
  const road = times.roadMin[buyerId];
  if (road === undefined) return { minutes: 0, by: null };
  const arrives = farm.data.now + road * 60_000;
  const then = lineThen(haul.times[buyerId], times, road, farm.data.farm.timeZone, arrives);
  // The dump itself is in the times of hauling.
  return { minutes: then === null ? 0 : Math.max(0, Math.round(then.minutes - times.unloadMin)), by: then };
}

/**
 * Where a loaded truck's grain would count if it left now, best first, and what the law says on each road; null while the farm is asked.
 * @param typed bushels as the contract counts them, where somebody typed others than the book's
 */
export function useNextLoad(farm: Farm, truck: PlaceInfo, typed?: number) {
  const book = useSellBook(farm);
  const offers = useOffers(farm);
  const notebook = useNotebook().data;
  const haul = useHaul().data;
  return useMemo(() => {
    if (!book || !offers || !notebook || !haul) return null;
    const held = farm.held(truck.id);
    const crop = cropOf(farm.cropOf(held.lots) ?? '') ?? CROPS.corn;
    const base = baseMoistureOf(crop.id, farm.data.farm.defaults);
    const byBook = Math.round(100 * dryBushels(held.dryKg, crop.legalPounds, base)) / 100;
    const bushels = typed ?? byBook;
    const fieldId = loadedIn(farm, truck.id, haul.vehicles.find(({ place }) => place === truck.id)?.where);
    const times = timesFrom(notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES, notebook, fieldId);
    const load = { crop: crop.id, bushels, ownPart: farm.ownPart(held.lots), owners: ownerParts(farm, held.lots) };
    const { ways } =
      bushels > 0
        ? waysOf(
            farm,
            book,
            offers,
            crop,
            // Other bushels than the book's weigh more or less in their proportion.
            { ...load, kg: byBook > 0 ? (held.wetKg * bushels) / byBook : held.wetKg, moisture: held.moisture ?? base },
            times,
            (buyerId) => lineAt(farm, notebook, haul, buyerId).minutes,
            times.truckCostPerHour ?? USUAL_HARVEST_COSTS.truckPerHour,
            (buyerId) =>
              takesTruck(notebook.settings.buyerFacts[buyerId]?.value, notebook.settings.truckSetup[truck.id]?.value),
            (buyerId) => roadKm(notebook, buyerId, fieldId),
          )
        : { ways: [] };
    /** Of the truck as it stands, on the road to a buyer; null where its axles or its empty weight are not known. */
    const legalTo = (buyerId: string) => {
      if (truck.kind !== 'truck') return null;
      const view = legalView(farm, notebook, [], () => undefined, truck.id, crop.id, null, buyerId);
      return view.legal === null ? null : view;
    };
    return {
      book,
      crop,
      base,
      byBook,
      load,
      ways,
      spot: (buyerId: string) => spotOf(book, offers, crop.id, buyerId),
      legalTo,
      best: ways.find(({ net }) => net !== null) ?? ways.find(({ money, dumps }) => dumps && money !== null),
    };
  }, [haul, farm, truck, book, offers, notebook, typed]);
}
