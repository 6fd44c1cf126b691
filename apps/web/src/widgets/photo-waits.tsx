import { DISPLAY_KINDS, type DisplayKind, type PlaceInfo } from '@fanega/core';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../data/farm';
import { write } from '../data/outbox';
import { logged } from '../data/records';
import { toast } from '../ui/toast';
import { say } from '../words';
import { PhotoBox } from './photo-box';

/** What is photographed where nothing is on a wire: a ticket as it is handed out, or what a scale and a tester show. */
const SHOTS: Readonly<Record<'ticket' | 'displays', readonly ('ticket' | DisplayKind)[]>> = {
  ticket: ['ticket'],
  displays: DISPLAY_KINDS,
};
const LABELS = { ticket: 'photographTicket', scale: 'photographScale', tester: 'photographTester' } as const;

/** Photographs in two taps, signal or not: they wait at the desk to be typed. */
export default function PhotoWaits({ farm, place, of }: { farm: Farm; place: PlaceInfo; of: keyof typeof SHOTS }) {
  const refresh = useRefreshFarm(farm.id);
  return (
    <div className="flex flex-wrap gap-3">
      {SHOTS[of].map((shows) => (
        <PhotoBox
          key={shows}
          label={say(LABELS[shows])}
          about={`a ${shows} ${shows === 'ticket' ? 'of' : 'at'} ${place.name}`}
          onTaken={async (photo) => {
            const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), photo, placeId: place.id };
            const record = shows === 'ticket' ? logged(farm.id, 'ticketPhoto', body) : logged(farm.id, 'displayPhoto', { ...body, shows }); // prettier-ignore
            await write(farm.id, record, `a ${shows === 'ticket' ? 'ticket' : 'display'}’s photograph`);
            await refresh();
            toast.success(say('ticketWaits'));
          }}
        />
      ))}
    </div>
  );
}
