import { countersNow, type ShedRecords } from '@fanega/core';
import type { Farm } from '../../../data/farm';
import { clock, spanText, weekday } from '../../../quantity/time';
import { Button } from '../../../ui';
import { useTicking } from '../../../ui/use-ticking';

const MINUTE = 60_000;

/** Where a part can be fetched now, and by when one must leave for it: the countdown of a breakdown. */
export function PartsCounters({ farm, shed, onChange }: { farm: Farm; shed: ShedRecords; onChange?: () => void }) {
  useTicking();
  const { timeZone } = farm.data.farm;
  const now = farm.clock();
  const counters = shed.settings.partsCounters.farm?.value.counters ?? [];
  if (counters.length === 0 && !onChange) return null;
  return (
    <section aria-label="Parts counters" className="border-t border-ink px-5 py-4 lg:px-6">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="text-xl">Parts counters</h2>
        {onChange && (
          <Button look="quiet" className="!px-0" onClick={onChange}>
            {counters.length === 0 ? 'Write down their hours' : 'Change'}
          </Button>
        )}
      </div>
      {counters.length === 0 ? (
        <p className="text-muted">With a dealer&rsquo;s hours and road, a breakdown says at once by when to leave.</p>
      ) : (
        <ul className="mt-1">
          {countersNow(counters, now, timeZone).map(({ counter, openUntilMs, leaveByMs, opensMs }) => {
            const left = leaveByMs === null ? 0 : (leaveByMs - now) / MINUTE;
            return (
              <li
                key={counter.name}
                className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-rule py-1.5"
              >
                <span>
                  <b>{counter.name}</b>{' '}
                  {counter.phone !== '' && (
                    <a className="underline underline-offset-4" href={`tel:${counter.phone.replace(/[^+\d]/g, '')}`}>
                      {counter.phone}
                    </a>
                  )}{' '}
                  <span className="text-muted">{Math.round(counter.roadMin)} min away</span>
                </span>
                <span>
                  {openUntilMs === null ? (
                    <span className="text-muted">
                      ○ closed
                      {opensMs === null ? '' : `, opens ${weekday(opensMs, timeZone)} ${clock(opensMs, timeZone)}`}
                    </span>
                  ) : left < 0 ? (
                    <>
                      <b>◐ open until {clock(openUntilMs, timeZone)}</b>: too far to drive, call them
                    </>
                  ) : (
                    <>
                      leave by <b className="text-2xl">{clock(leaveByMs!, timeZone)}</b>, {spanText(left)} left
                      <span className="text-muted">, open until {clock(openUntilMs, timeZone)}</span>
                    </>
                  )}
                </span>
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}
