import {
  type CropId,
  CROPS,
  comingOf,
  type EarlierTicket,
  type Entry,
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

/** Why somebody records it all the same. It stands in the book with the load. */
export const ANYWAY = ['It runs again', 'On purpose', 'No other room', 'The book is wrong here'] as const;

const cropName = (crop: string): string => CROPS[crop as CropId]?.name.toLowerCase() ?? crop;

/** A vehicle of the load that is down by the shed's book. */
function downWords(farm: Farm, entry: Entry, down: ReadonlyMap<string, string>): string[] {
  const places = entry.type === 'harvest' ? [entry.to] : entry.type === 'move' ? [entry.from, entry.to] : [];
  return places.flatMap((place) => {
    const broke = down.get(place);
    return broke === undefined ? [] : [`${farm.placeName(place)} is down: ${broke}. Does it run again?`];
  });
}

/**
 * What speaks against a load or its ticket, one sentence each.
 * @param down vessels whose machine is broken, with what broke
 * @param earlier tickets, where more of them are known than the tape has
 */
export function intakeWords(
  farm: Farm,
  entry: Entry,
  down: ReadonlyMap<string, string>,
  earlier?: readonly EarlierTicket[],
): string[] {
  return [...downWords(farm, entry, down), ...goesWords(farm, entry, earlier)];
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
      return `${name} holds ${cropName(question.there)}. This is ${cropName(question.comes)}.`;
    case 'reserved':
      return `${name} is kept for ${cropName(question.wanted)}. This is ${cropName(question.comes)}.`;
    case 'no_room':
      return `${name} has room for ${bushels(question.roomBu, per)}. This is ${bushels(question.comesBu, per)}.`;
    case 'wetter':
      return `${name} is at ${percent(question.there)}. This is ${percent(question.comes)}: a wet layer heats.`;
    case 'other_owner':
      return `The grain in ${name} belongs to ${question.there.join(' and ')}. This belongs to ${question.comes.join(' and ')}.`;
  }
}

function ticketSentence(question: TicketQuestion, buyer: string, truck: string, kgPerBu: number): string {
  switch (question.what) {
    case 'same_number':
      return `${buyer} has given ticket ${question.ticket} already.`;
    case 'weight_far':
      return `The ticket says ${grain(question.netKg, kgPerBu)}. The book has ${grain(question.bookKg, kgPerBu)} on ${truck}.`;
    case 'moisture_far':
      return question.book === null
        ? `${percent(question.moisture)} is wetter than any grain is threshed.`
        : `The ticket says ${percent(question.moisture)}. The book has ${percent(question.book)}.`;
    case 'price_far':
      return question.last === null
        ? `${priceText(question.price, kgPerBu)} is no price for this.`
        : `${priceText(question.price, kgPerBu)}? The last was ${priceText(question.last, kgPerBu)}.`;
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
  return (
    <Drawer open title="Is this right?" onClose={onClose}>
      <div className="space-y-4 px-5 py-4">
        {words.map((sentence) => (
          <Callout key={sentence} icon role="alert" className="px-3 py-2 text-xl">
            {sentence}
          </Callout>
        ))}
        <Button look="do" className="min-h-16 w-full !text-xl" onClick={onClose}>
          Go back
        </Button>
        <p className="pt-2 font-semibold">Or record it, because</p>
        {ANYWAY.filter((reason) => reason !== 'It runs again' || words.some((one) => one.includes(' is down: '))).map(
          (reason) => (
            <Button key={reason} className="min-h-16 w-full !text-xl" onClick={() => onAnyway(reason)}>
              {reason}
            </Button>
          ),
        )}
      </div>
    </Drawer>
  );
}
