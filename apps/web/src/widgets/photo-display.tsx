import { DISPLAY_KINDS, type PlaceInfo } from '@fanega/core';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../data/farm';
import { write } from '../data/outbox';
import { logged } from '../data/records';
import { toast } from '../ui/toast';
import { say } from '../words';
import { PhotoBox } from './photo-box';

/** What a scale or a tester shows, photographed where nothing is on a wire: it waits at the desk to be typed. */
export default function PhotoDisplay({ farm, machine }: { farm: Farm; machine: PlaceInfo }) {
  const refresh = useRefreshFarm(farm.id);
  return (
    <div className="flex flex-wrap gap-3">
      {DISPLAY_KINDS.map((shows) => (
        <PhotoBox
          key={shows}
          label={say(shows === 'scale' ? 'photographScale' : 'photographTester')}
          about={`a ${shows} at ${machine.name}`}
          onTaken={async (photo) => {
            const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), photo, placeId: machine.id, shows };
            await write(farm.id, logged(farm.id, 'displayPhoto', body), 'a display’s photograph');
            await refresh();
            toast.success(say('ticketWaits'));
          }}
        />
      ))}
    </div>
  );
}
