import { Clock } from 'lucide-react';
import { useFarm } from '../data/farm';
import { sayInFrame as say } from '../words/frame';

/** Clocks that differ by less agree: an answer takes a moment to come. */
const NOTED_MS = 2 * 60_000;

/** Says that this device's clock is wrong, and that it does no harm: what is recorded gets the farm's time. Nothing while it is right. */
export function ClockNote() {
  const farm = useFarm();
  const behind = farm.clock() - Date.now();
  // A demo farm lives at the end of its book, on purpose.
  if (farm.data.farm.demo || Math.abs(behind) < NOTED_MS) return null;
  const minutes = Math.round(Math.abs(behind) / 60_000);
  const words =
    minutes < 120
      ? say('nMinutes', { n: minutes })
      : minutes < 2880
        ? say('nHours', { n: Math.round(minutes / 60) })
        : say('nDays', { n: Math.round(minutes / 1440) });
  return (
    <p
      role="status"
      aria-label="Clock"
      className="flex items-center gap-2 border-t border-rule bg-sand px-4 py-1.5 text-sm"
    >
      <Clock size={16} className="shrink-0" aria-hidden="true" />{' '}
      {say(behind > 0 ? 'clockBehind' : 'clockAhead', { span: words })}
    </p>
  );
}
