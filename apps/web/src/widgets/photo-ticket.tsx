import { ulid } from 'ulid';
import type { PlaceInfo } from '@fanega/core';
import { type Farm, useRefreshFarm } from '../data/farm';
import { write } from '../data/outbox';
import { logged } from '../data/records';
import { toast } from '../ui/toast';
import { say } from '../words';
import { PhotoBox } from './photo-box';

/** A ticket photographed in the truck: it waits at the desk to be typed. */
export default function PhotoTicket({ farm, truck }: { farm: Farm; truck: PlaceInfo }) {
  const refresh = useRefreshFarm(farm.id);
  return (
    <PhotoBox
      label={say('photographTicket')}
      about={`a ticket of ${truck.name}`}
      onTaken={async (photo) => {
        const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), photo, placeId: truck.id };
        await write(farm.id, logged(farm.id, 'ticketPhoto', body), 'a ticket’s photograph');
        await refresh();
        toast.success(say('ticketWaits'));
      }}
    />
  );
}
