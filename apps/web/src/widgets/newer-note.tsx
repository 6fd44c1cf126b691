import { takeNewer, useNewer } from '../data/program';
import { Button } from '../ui';
import { sayInFrame as say } from '../words/frame';

/** A newer program is there: it is taken by a tap, not under somebody's hands. */
export function NewerNote() {
  const newer = useNewer();
  if (newer === 'none') return null;
  return (
    <div
      role="status"
      aria-label="Newer program"
      className="flex items-center justify-between gap-3 border-t border-ink bg-sand px-4 text-ink"
    >
      <span>{say(newer === 'ready' ? 'newerReady' : 'newerTab')}</span>
      <Button look="quiet" className="!px-0 whitespace-nowrap" onClick={takeNewer}>
        {say('takeIt')}
      </Button>
    </div>
  );
}
