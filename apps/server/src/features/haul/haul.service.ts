import type { HaulAnswer, WeighTicketInfo } from '@fanega/contract';
import { type Entry, FLAG_DEAD, type GrainWeighed, instantOf, type MoveEntry, type OwnTimes, ownTimes, walkRounds } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { BookService } from '../book/index.js';
import { WeighTicketsService } from './weigh-tickets.service.js';

/** A season and the winter's hauling after it. */
const LOOK_BACK_MS = 240 * 86_400_000;
const WEIGHED_AT_ONCE = 2000;
const LISTED = 400;

/** What the book tells of the hauling, in one walk over the season. */
@Injectable()
export class HaulService {
  constructor(
    @Inject(BookService) private readonly books: BookService,
    @Inject(WeighTicketsService) private readonly tickets: WeighTicketsService,
  ) {}

  async haul(farmId: string): Promise<HaulAnswer> {
    const walked = await this.books.answer(farmId, 'haul', ({ ledger, setup }): Omit<HaulAnswer, 'tickets'> => {
      const { records } = ledger;
      const end = records.steps === 0 ? 0 : records.atMs[records.order[records.steps - 1]!]!;
      const entries: Entry[] = [];
      for (let pos = records.positionsUntil(end - LOOK_BACK_MS); pos < records.steps; pos++) {
        const r = records.order[pos]!;
        if ((records.flags[r]! & FLAG_DEAD) === 0) entries.push(records.entries[r]!);
      }
      const kinds = new Map(setup.places.map((place) => [place.id, place.kind]));
      const kindOf = (place: string): string | undefined => kinds.get(place);
      const { vehicles, weighed, alone, rounds, unticketed } = walkRounds({ entries, witnessesOf: (id) => ledger.witnessesOf(id), kindOf });
      const cropOfLot = new Map(setup.lots.map((lot) => [lot.id, lot.crop]));
      const deliveries = entries.filter((entry): entry is MoveEntry => entry.type === 'move' && kindOf(entry.to) === 'buyer');
      const ownBridge = entries.filter(
        (entry): entry is MoveEntry => entry.type === 'move' && entry.method === 'bridge' && entry.grossKg !== undefined && entry.tareKg !== undefined,
      );
      const wanted = new Set([...unticketed.map(({ entry }) => entry.id), ...deliveries.map((d) => d.id), ...ownBridge.map((move) => move.id)]);
      const parcels = new Map(
        ledger.parcels(records.positionsUntil(end - LOOK_BACK_MS), records.steps, (entry) => wanted.has(entry.id)).map((parcel) => [parcel.entry.id, parcel]),
      );
      const cropOf = (id: string): string | null => {
        const [main] = Object.entries(parcels.get(id)?.lots ?? {}).sort((a, b) => b[1] - a[1]);
        return (main && cropOfLot.get(main[0])) ?? null;
      };
      // What the same buyer paid last for the same crop is the likely price of a ticket that never came; else what anybody paid last for it.
      const prices = new Map<string, number>();
      for (const { id, to, pricePerBu } of deliveries) {
        if (pricePerBu === undefined) continue;
        prices.set(`${to} ${cropOf(id)}`, pricePerBu);
        prices.set(`* ${cropOf(id)}`, pricePerBu);
      }
      const priceOf = (entry: MoveEntry): number | null => entry.pricePerBu ?? prices.get(`${entry.to} ${cropOf(entry.id)}`) ?? prices.get(`* ${cropOf(entry.id)}`) ?? null;
      const times: Record<string, OwnTimes> = {};
      for (const to of new Set(rounds.map((round) => round.to))) {
        const own = ownTimes(rounds, to);
        if (own) times[to] = own;
      }
      return {
        vehicles,
        weighed: weighed.slice(-WEIGHED_AT_ONCE).reverse() as GrainWeighed[],
        alone: alone.slice(-WEIGHED_AT_ONCE).map(({ entry, method, scale }) => ({ entry, method, scale })),
        unticketed: unticketed
          .slice(-LISTED)
          .reverse()
          .map(({ entry }) => ({
            entry,
            to: entry.to,
            truck: entry.from,
            wetKg: parcels.get(entry.id)?.wetKg ?? 0,
            crop: cropOf(entry.id),
            pricePerBu: priceOf(entry),
          })),
        times,
        tared: ownBridge
          .sort((a, b) => instantOf(b.at) - instantOf(a.at))
          .slice(0, WEIGHED_AT_ONCE)
          .map((entry) => ({ entry, truck: entry.from, grossKg: entry.grossKg!, tareKg: entry.tareKg!, crop: cropOf(entry.id), pricePerBu: priceOf(entry) })),
      };
    });
    const tickets: readonly WeighTicketInfo[] = await this.tickets.list(farmId);
    return { ...walked, tickets };
  }
}
