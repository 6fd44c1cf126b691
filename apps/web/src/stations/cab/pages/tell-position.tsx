import { useEffect, useRef } from 'react';
import { post, send } from '../../../data/api';
import { choice } from '../../../quantity/choice';
import { useHere } from '../../../ui/use-here';
import { SwitchBox } from '../../../ui/switch-box';
import type { Farm } from '../../../data/farm';
import { say } from '../../../words';

/** Whether this device tells the farm where its machine is; off until somebody wants it. */
const tells = choice('fanega.tellsPosition', ['no', 'yes'] as const, 'no');
const EVERY_MS = 10_000;

/** Where no tracker rides on a machine, the phone in its cab can say where it is: only while its cab is open, only to the own farm. */
export default function TellPosition({ farm, placeId }: { farm: Farm; placeId: string }) {
  const on = tells.use() === 'yes';
  const here = useHere(on);
  const newest = useRef(here);
  newest.current = here;
  const clock = useRef(farm.clock);
  clock.current = farm.clock;
  const farmId = farm.id;
  useEffect(() => {
    if (!on) return;
    const tell = (): void => {
      const at = newest.current;
      if (typeof at !== 'object') return;
      const samples = [{ at: new Date(clock.current()).toISOString(), lon: at.lon, lat: at.lat, accuracy: Math.min(100_000, at.accuracy) }]; // prettier-ignore
      // Without a signal it is not told later: where it was then helps nobody now.
      void send(post('/api/farms/{farmId}/positions', { path: { farmId } }, { placeId, samples })).catch(
        () => undefined,
      );
    };
    tell();
    const timer = setInterval(tell, EVERY_MS);
    return () => clearInterval(timer);
  }, [on, farmId, placeId]);
  return (
    <SwitchBox large className="text-lg" on={on} onChange={(wanted) => tells.setReaders(wanted ? 'yes' : 'no')}>
      {say('tellsPosition')}
      {on && here === 'none' ? ` (${say('positionNone')})` : ''}
    </SwitchBox>
  );
}
