import { type Due, living, type TicketPhoto } from '@fanega/core';
import { useState } from 'react';
import type { Farm } from '../../../data/farm';
import { mass } from '../../../quantity/quantity';
import { moment } from '../../../quantity/time';
import { Drawer } from '../../../ui/drawer';
import { LoadsNear, PhotosToType, PhotoToType } from '../../../widgets/photos-to-type';
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
    <>
      <PhotosToType
        what="ticket"
        photos={waiting}
        said={(photo) => `${farm.placeName(photo.placeId)}, ${moment(photo.at, timeZone)}`}
        onOpen={setOpen}
        className="px-5 pb-3 lg:px-6"
      />
      {open && (
        <Drawer open onClose={() => setOpen(null)} title="Which load is it?">
          <div className="space-y-4 px-5 py-4">
            <PhotoToType farmId={farm.id} photoId={open.photo} alt="The ticket" />
            <LoadsNear
              loads={near(open).map((due) => ({
                id: due.entryId,
                text: `${due.ticketNo ?? 'no number'}, ${farm.placeName(due.buyerId)}, ${moment(due.atMs, timeZone)}, ${mass(due.sold.delivery.netKg).text}`,
                choose: () => {
                  onChosen(due.entryId, open.photo);
                  setOpen(null);
                },
              }))}
              none={`No load of ${farm.placeName(open.placeId)} is near it in time: record the ticket first, then choose it here.`}
            />
            <TakeBack of="ticketPhoto" id={open.id} label="Not a ticket: leave it out" />
          </div>
        </Drawer>
      )}
    </>
  );
}
