import { cropOf } from '../crops/index.js';
import { type FarmView, type MoveEntry, NO_GRAIN_KG } from '../ledger/index.js';
import { MAX_MOISTURE } from '../units/index.js';
import { plainTicket } from './settle.js';

/** What on a ticket is likely a slip. It can be recorded all the same, with a reason. Common practice, no source. */
export type TicketQuestion =
  /** The buyer has given this number already. */
  | { readonly what: 'same_number'; readonly ticket: string }
  /** Net against what the book has on the truck, kg. */
  | { readonly what: 'weight_far'; readonly netKg: number; readonly bookKg: number }
  /** Wet-basis fractions; the book's where it knows one. */
  | { readonly what: 'moisture_far'; readonly moisture: number; readonly book: number | null }
  /** $/bu; what was paid last for the crop, where anything was. */
  | { readonly what: 'price_far'; readonly price: number; readonly last: number | null };

/** What of an earlier ticket matters. */
export interface EarlierTicket {
  readonly to: string;
  readonly ticket: string | null;
  readonly pricePerBu: number | null;
  readonly crop: string | undefined;
}

/** A cart scale that drifts is off by two percent; ten is another truck. */
const WEIGHT_SHARE = 0.1;
/** Three points between the farm's tester and the buyer's: another load, or a slip. */
const MOISTURE_STEP = 0.03;
/** Wetter than any grain that a combine threshes. */
const MOISTURE_MOST = Math.min(0.38, MAX_MOISTURE);
/** A price does not move by more within a season's weeks. */
const PRICE_SHARE = 0.4;
/** $/bu: no crop of the nine was paid less or more. */
const PRICE_LEAST = 0.5;
const PRICE_MOST = 30;

/**
 * What should be asked before a ticket is taken: a number that is there already, a weight or a moisture far from the book's, a price that
 * no grain has.
 * @param earlier tickets of the farm, newest first, without this one
 */
export function ticketQuestions(
  farm: FarmView,
  entry: Pick<MoveEntry, 'from' | 'to' | 'wetKg' | 'moisture' | 'ticket' | 'pricePerBu' | 'emptied'>,
  earlier: readonly EarlierTicket[],
): TicketQuestion[] {
  if (farm.place(entry.to)?.kind !== 'buyer') return [];
  const { ticket, wetKg, moisture, pricePerBu } = entry;
  const held = farm.held(entry.from);
  const crop = farm.cropOf(held.lots);
  const questions: TicketQuestion[] = [];
  if (ticket !== undefined && ticket.trim() !== '')
    if (
      earlier.some(
        (one) => one.to === entry.to && one.ticket !== null && plainTicket(one.ticket) === plainTicket(ticket),
      )
    )
      questions.push({ what: 'same_number', ticket });
  // What the truck holds is what the ticket is of, where all of it went.
  if (wetKg !== undefined && entry.emptied === true && held.wetKg > NO_GRAIN_KG)
    if (Math.abs(wetKg - held.wetKg) > WEIGHT_SHARE * held.wetKg)
      questions.push({ what: 'weight_far', netKg: wetKg, bookKg: held.wetKg });
  if (moisture !== undefined) {
    const book = held.wetKg > NO_GRAIN_KG ? held.moisture : null;
    if (moisture > MOISTURE_MOST || (book !== null && Math.abs(moisture - book) > MOISTURE_STEP))
      questions.push({ what: 'moisture_far', moisture, book });
  }
  if (pricePerBu !== undefined) {
    const last = earlier.find((one) => one.pricePerBu !== null && one.crop === crop)?.pricePerBu ?? null;
    const far =
      last === null
        ? pricePerBu < PRICE_LEAST || (pricePerBu > PRICE_MOST && cropOf(crop ?? '')?.like !== 'sunflower')
        : Math.abs(pricePerBu - last) > PRICE_SHARE * last;
    if (far) questions.push({ what: 'price_far', price: pricePerBu, last });
  }
  return questions;
}

/** Earlier tickets as far as the tape of the farm reaches. */
export const ticketsOnTape = (farm: FarmView): EarlierTicket[] =>
  farm.data.tape.flatMap(({ entry, voided, wetLots }) =>
    voided || entry.type !== 'move' || farm.place(entry.to)?.kind !== 'buyer'
      ? []
      : [
          {
            to: entry.to,
            ticket: entry.ticket ?? null,
            pricePerBu: entry.pricePerBu ?? null,
            crop: farm.cropOf(wetLots),
          },
        ],
  );
