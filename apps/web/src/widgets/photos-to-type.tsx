import type { ReactNode } from 'react';
import { addressOf } from '../data/api';
import { number } from '../quantity/quantity';
import { Button } from '../ui';

/** What was photographed and waits to be typed, each by a button. @param what "ticket": "Two photographed tickets wait to be typed" */
export function PhotosToType<Photo extends { readonly id: string }>({
  what,
  photos,
  said,
  onOpen,
  className,
}: {
  what: string;
  photos: readonly Photo[];
  said: (photo: Photo) => string;
  onOpen: (photo: Photo) => void;
  className: string;
}) {
  return (
    <section aria-label={`Photographed ${what}s`} className={className}>
      <h2 className="text-xl">
        {photos.length === 1 ? `A photographed ${what} waits` : `${number(photos.length)} photographed ${what}s wait`}{' '}
        to be typed
      </h2>
      <ul className="mt-1 flex flex-wrap gap-x-6">
        {photos.map((photo) => (
          <li key={photo.id}>
            <Button look="quiet" className="!px-0" onClick={() => onOpen(photo)}>
              {said(photo)}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The photograph beside what is typed from it. */
export const PhotoToType = ({ farmId, photoId, alt }: { farmId: string; photoId: string; alt: string }) => (
  <img
    src={addressOf('/api/farms/{farmId}/photos/{photoId}', { farmId, photoId })}
    alt={alt}
    className="max-h-[50vh] w-full border border-rule object-contain"
  />
);

/** Loads near a photograph in time, to choose the one that it is of. @param none what to do where there is none */
export function LoadsNear({
  loads,
  none,
}: {
  loads: readonly { readonly id: string; readonly text: ReactNode; readonly choose: () => void }[];
  none: string;
}) {
  if (loads.length === 0) return <p>{none}</p>;
  return (
    <ul aria-label="Loads near it">
      {loads.map(({ id, text, choose }) => (
        <li key={id}>
          <Button look="quiet" className="!px-0 text-left" onClick={choose}>
            {text}
          </Button>
        </li>
      ))}
    </ul>
  );
}
