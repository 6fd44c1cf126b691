import { WifiOff } from 'lucide-react';
import type { Farm } from '../../../data/farm';
import { clock } from '../../../quantity/time';
import { ThemeButton } from '../../../ui/theme';
import { ClockNote } from '../../../widgets/clock-note';
import { NewerNote } from '../../../widgets/newer-note';
import { NextNote } from '../../../widgets/next-note';
import { QueueBar } from '../../../widgets/queue-bar';
import { say } from '../../../words';

/** Over every cab: where one is, who one is, the time, and what waits. */
export function CabHead({
  farm,
  title,
  name,
  offline,
  onLeave,
}: {
  farm: Farm;
  title: string;
  name: string;
  offline: boolean;
  onLeave: () => void;
}) {
  const { timeZone } = farm.data.farm;
  return (
    <>
      <header className="flex items-center justify-between gap-3 border-b border-ink px-4">
        <button type="button" onClick={onLeave} className="min-w-0 text-left">
          <span className="block truncate text-2xl leading-tight font-bold">{title}</span>
          <span className="text-sm text-muted underline decoration-rule underline-offset-4">
            {name}, {say('change')}
          </span>
        </button>
        <span className="flex items-center gap-2">
          {offline && <WifiOff size={22} aria-label={say('noSignal')} />}
          <ThemeButton size={26} className="min-h-16 min-w-16" />
          <span className="text-2xl font-bold">{clock(farm.clock(), timeZone)}</span>
        </span>
      </header>
      {/* Always there and always as high: what is said here comes and goes with every load, and moves no target from under a thumb. */}
      <div className="flex h-14 shrink-0 items-stretch overflow-hidden border-b border-rule text-sm leading-tight">
        {offline && (
          <p role="status" className="flex flex-[1.4] items-center bg-foot px-4 text-on-foot">
            {say('offline', { time: clock(farm.data.now, timeZone) })}
          </p>
        )}
        <QueueBar
          none={offline ? null : <p className="flex items-center px-4 text-base text-muted">● {say('allSent')}</p>}
        />
      </div>
      <ClockNote />
      <NewerNote />
      <NextNote />
    </>
  );
}
