import { type Due, living, type TicketPhoto } from '@fanega/core';
import { useState } from 'react';
import { addressOf } from '../../../data/api';
import type { Farm } from '../../../data/farm';
import { mass, number } from '../../../quantity/quantity';
import { moment } from '../../../quantity/time';
import { Button } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { TakeBack } from '../../../widgets/take-back';
import type { SellBook } from '../../../widgets/use-sell-book';

/** Photographs that nobody typed yet: those of which no paper stands in the book. */
export function photosWaiting(book: SellBook): TicketPhoto[] {
  const typed = new Set(living<'ticketPaper'>(book.records.logs.ticketPaper).map(({ body }) => body.photo));
  return living<'ticketPhoto'>(book.records.logs.ticketPhoto)
    .map(({ body }) => body)
    .filter(({ photo }) => !typed.has(photo));
}

/** Loads nearer than this to the photograph are offered. */
const NEAR_MS = 36 * 3_600_000;
const OFFERED = 8;

/** Which load a photographed ticket is of; its paper is typed with the photograph beside it. */
export default function WaitingPhotos({
  farm,
  book,
  onChosen,
}: {
  farm: Farm;
  book: SellBook;
  onChosen: (entryId: string, photo: string) => void;
}) {
  const waiting = photosWaiting(book);
  const [open, setOpen] = useState<TicketPhoto | null>(null);
  const { timeZone } = farm.data.farm;
  if (waiting.length === 0) return null;
  const near = (photo: TicketPhoto): Due[] => {
    const at = Date.parse(photo.at);
    return [...book.dues]
      .filter(({ sold, atMs }) => sold.delivery.from === photo.placeId && Math.abs(atMs - at) <= NEAR_MS)
      .sort((a, b) => Math.abs(a.atMs - at) - Math.abs(b.atMs - at))
      .slice(0, OFFERED);
  };
  return (
    <div className="px-5 pb-3 lg:px-6">
      <p className="font-semibold">
        {waiting.length === 1 ? 'A photographed ticket waits' : `${number(waiting.length)} photographed tickets wait`}{' '}
        to be typed:
      </p>
      <p className="flex flex-wrap gap-x-5">
        {waiting.map((photo) => (
          <Button key={photo.id} look="quiet" className="!px-0" onClick={() => setOpen(photo)}>
            {farm.placeName(photo.placeId)}, {moment(photo.at, timeZone)}
          </Button>
        ))}
      </p>
      {open && (
        <Drawer open onClose={() => setOpen(null)} title="Which load is it?">
          <div className="space-y-4 px-5 py-4">
            <img
              src={addressOf('/api/farms/{farmId}/photos/{photoId}', { farmId: farm.id, photoId: open.photo })}
              alt="The ticket"
              className="max-h-[55vh] w-full border border-rule object-contain"
            />
            {near(open).length === 0 ? (
              <p>
                No load of {farm.placeName(open.placeId)} is near it in time: record the ticket first, then choose it
                here.
              </p>
            ) : (
              <ul aria-label="Loads near it">
                {near(open).map((due) => (
                  <li key={due.entryId}>
                    <Button
                      look="quiet"
                      className="!px-0"
                      onClick={() => {
                        onChosen(due.entryId, open.photo);
                        setOpen(null);
                      }}
                    >
                      {due.ticketNo ?? 'no number'}, {farm.placeName(due.buyerId)}, {moment(due.atMs, timeZone)},{' '}
                      {mass(due.sold.delivery.netKg).text}
                    </Button>
                  </li>
                ))}
              </ul>
            )}
            <TakeBack of="ticketPhoto" id={open.id} label="Not a ticket: leave it out" />
          </div>
        </Drawer>
      )}
    </div>
  );
}
