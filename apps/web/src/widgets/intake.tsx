import {
  type CropId,
  cropOf,
  CROPS,
  comingOf,
  type EarlierTicket,
  type Entry,
  type Gates,
  type IntakeQuestion,
  intakeQuestions,
  ticketQuestions,
  type TicketQuestion,
  ticketsOnTape,
} from '@fanega/core';
import type { Farm } from '../data/farm';
import { bushels, grain, percent, priceText } from '../quantity/quantity';
import { Button } from '../ui';
import { Callout } from '../ui/callout';
import { Drawer } from '../ui/drawer';
import { say } from '../words';

/** Why somebody records it all the same. It stands in the book with the load. */
export const ANYWAY = ['It runs again', 'On purpose', 'No other room', 'The book is wrong here'] as const;

/** A reason as it is read; what is recorded is the same for everybody. */
export const anywayWords = (reason: (typeof ANYWAY)[number]): string =>
  say(
    `anyway_${reason.replaceAll(' ', '_') as 'It_runs_again' | 'On_purpose' | 'No_other_room' | 'The_book_is_wrong_here'}`,
  );

/** In the reader's language; a crop of the farm's own is called as the farm calls it. */
const cropName = (crop: string): string =>
  Object.keys(CROPS).includes(crop) ? say(`crop_${crop as CropId}`) : (cropOf(crop)?.short ?? crop);

/** A vehicle of the load that is down by the shed's book. */
function downWords(farm: Farm, entry: Entry, down: ReadonlyMap<string, string>): string[] {
  const places = entry.type === 'harvest' ? [entry.to] : entry.type === 'move' ? [entry.from, entry.to] : [];
  return places.flatMap((place) => {
    const broke = down.get(place);
    return broke === undefined ? [] : [say('isDown', { place: farm.placeName(place), what: broke })];
  });
}

/**
 * What speaks against a load or its ticket, one sentence each.
 * @param down vessels whose machine is broken, with what broke
 * @param earlier tickets, where more of them are known than the tape has
 * @param gates where the dump pit leads; null where nobody set a route
 */
export function intakeWords(
  farm: Farm,
  entry: Entry,
  down: ReadonlyMap<string, string>,
  earlier?: readonly EarlierTicket[],
  gates: Gates | null = null,
): string[] {
  return [...downWords(farm, entry, down), ...gateWords(farm, entry, gates), ...goesWords(farm, entry, earlier)];
}

/** A truck's load for one bin, while the pit's gates send it to another. */
function gateWords(farm: Farm, entry: Entry, gates: Gates | null): string[] {
  if (gates === null || entry.type !== 'move' || !gates.reach.has(entry.to) || gates.now.includes(entry.to)) return [];
  if (!['truck', 'cart'].includes(farm.place(entry.from)?.kind ?? '')) return [];
  return [
    say('gateElsewhere', {
      there: gates.now.map((id) => farm.placeName(id)).join(` ${say('and')} `),
      place: farm.placeName(entry.to),
    }),
  ];
}

function goesWords(farm: Farm, entry: Entry, earlier?: readonly EarlierTicket[]): string[] {
  if (entry.type === 'move' && farm.place(entry.to)?.kind === 'buyer') {
    const kgPerBu = farm.kgPerBu(farm.cropOf(farm.held(entry.from).lots));
    return ticketQuestions(farm, entry, earlier ?? ticketsOnTape(farm)).map((question) =>
      ticketSentence(question, farm.placeName(entry.to), farm.placeName(entry.from), kgPerBu),
    );
  }
  const coming = comingOf(farm, entry as Parameters<typeof comingOf>[1]);
  if (!coming) return [];
  const name = farm.placeName(coming.to);
  const per = farm.kgPerBu(farm.cropOf(coming.wetLots));
  return intakeQuestions(farm, coming).map((question) => sentenceOf(question, name, per));
}

function sentenceOf(question: IntakeQuestion, name: string, per: number): string {
  switch (question.what) {
    case 'other_crop':
      return say('holdsOther', { place: name, there: cropName(question.there), comes: cropName(question.comes) });
    case 'reserved':
      return say('keptFor', { place: name, there: cropName(question.wanted), comes: cropName(question.comes) });
    case 'no_room':
      return say('hasRoom', {
        place: name,
        there: bushels(question.roomBu, per).text,
        comes: bushels(question.comesBu, per).text,
      });
    case 'wetter':
      return say('wetLayer', { place: name, there: percent(question.there), comes: percent(question.comes) });
    case 'other_owner':
      return say('belongs', {
        place: name,
        there: question.there.join(` ${say('and')} `),
        comes: question.comes.join(` ${say('and')} `),
      });
  }
}

function ticketSentence(question: TicketQuestion, buyer: string, truck: string, kgPerBu: number): string {
  switch (question.what) {
    case 'same_number':
      return say('ticketAgain', { buyer, n: question.ticket });
    case 'weight_far':
      return say('ticketWeight', {
        there: grain(question.netKg, kgPerBu).text,
        comes: grain(question.bookKg, kgPerBu).text,
        place: truck,
      });
    case 'moisture_far':
      return question.book === null
        ? say('tooWet', { at: percent(question.moisture) })
        : say('ticketMoisture', { there: percent(question.moisture), comes: percent(question.book) });
    case 'price_far':
      return question.last === null
        ? say('noPrice', { price: priceText(question.price, kgPerBu) })
        : say('lastPrice', {
            price: priceText(question.price, kgPerBu),
            last: priceText(question.last, kgPerBu),
          });
  }
}

/** The reason goes before what was noted. */
export const withReason = <E extends object>(entry: E, reason: string): E => {
  const { note } = entry as { note?: string };
  return { ...entry, note: note ? `${reason}: ${note}` : reason };
};

/** Asks once before a load goes where something speaks against it: back, or why. */
export function IntakeSheet({
  words,
  onAnyway,
  onClose,
}: {
  words: readonly string[];
  onAnyway: (reason: string) => void;
  onClose: () => void;
}) {
  // Only where it was asked whether something runs.
  const runs = say('isDown').split('{what}')[1]!;
  const down = words.some((one) => one.endsWith(runs));
  return (
    <Drawer open title={say('isThisRight')} onClose={onClose}>
      <div className="space-y-4 px-5 py-4">
        {words.map((sentence) => (
          <Callout key={sentence} icon role="alert" className="px-3 py-2 text-xl">
            {sentence}
          </Callout>
        ))}
        <Button look="do" className="min-h-16 w-full !text-xl" onClick={onClose}>
          {say('goBack')}
        </Button>
        <p className="pt-2 font-semibold">{say('orRecord')}</p>
        {ANYWAY.filter((reason) => reason !== 'It runs again' || down).map((reason) => (
          <Button key={reason} className="min-h-16 w-full !text-xl" onClick={() => onAnyway(reason)}>
            {anywayWords(reason)}
          </Button>
        ))}
      </div>
    </Drawer>
  );
}
