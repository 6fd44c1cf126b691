import type { AlarmNow, Deadline } from '@fanega/core';
import { Check, OctagonAlert, TriangleAlert } from 'lucide-react';
import { type ReactNode, useEffect } from 'react';
import { ulid } from 'ulid';
import type { Farm } from '../data/farm';
import { write } from '../data/outbox';
import { logged } from '../data/records';
import { Button } from '../ui';
import { SwitchBox } from '../ui/switch-box';
import { useTicking } from '../ui/use-ticking';
import { say } from '../words';
import { useHear } from './hear-alarm';
import { aloud, canSpeak, speak } from './speak';
import { type Alarm, coverWords, useAlarms } from './use-alarms';
import { useDeadlines } from './use-deadlines';

/** Told already on this device: a page that is opened again does not shout again. */
const told = new Set<string>();

/** Shakes, says aloud where the device wants it, and tells a browser whose page is hidden. */
function useAloud(alarms: readonly AlarmNow<Alarm>[] | null): void {
  useEffect(() => {
    for (const { alarm, aloud: now } of alarms ?? []) {
      // Danger has a banner of its own over every page, which says it.
      if (!now || told.has(alarm.key) || alarm.kind === 'person' || alarm.kind === 'machine') continue;
      told.add(alarm.key);
      navigator.vibrate?.([400, 200, 400]);
      speak(alarm.words);
      if (document.hidden && 'Notification' in window && Notification.permission === 'granted')
        new Notification(alarm.words, { tag: alarm.key });
    }
  }, [alarms]);
}

interface Shown {
  readonly farm: Farm;
  readonly place: string | null;
  readonly large?: boolean;
  /** Stands under it where no wet grain is on the list. */
  readonly unlessWet?: ReactNode;
}

/** What cannot wait, in one order, each with who sees to it; before rain each cover is ticked off. Nothing while nothing is the matter. */
export default function AlarmList(shown: Shown) {
  // Two pieces of work, so that neither holds the page up for both.
  return <List {...shown} wet={useDeadlines(shown.farm)} />;
}

function List({
  farm,
  place,
  large = false,
  unlessWet = null,
  wet,
}: Shown & { readonly wet: readonly Deadline[] | null }) {
  useTicking();
  aloud.use();
  const alarms = useAlarms(farm, place, wet);
  const hear = useHear(farm);
  useAloud(alarms);
  if (alarms === null || alarms.length === 0) return unlessWet;
  const size = large ? 'text-xl' : 'text-lg';
  const cover = (placeId: string, closed: boolean): void => {
    const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), placeId, closed };
    const what = say(closed ? 'coverShut' : 'coverOpen', { place: farm.placeName(placeId) });
    void write(farm.id, logged(farm.id, 'coverMoved', body), what, { wait: true });
  };
  return (
    <>
      <section
        aria-label={say('alarms')}
        className={large ? 'border-y border-ink' : 'border-y border-ink px-5 lg:px-6'}
      >
        <ul className="divide-y divide-rule">
          {alarms.map(({ alarm, urgency }) => (
            <li key={alarm.key} className="flex flex-wrap items-center gap-x-4 gap-y-2 py-2">
              <span aria-hidden="true" className={urgency === 0 ? 'text-clay' : ''}>
                {urgency === 0 ? <OctagonAlert size={26} /> : urgency === 1 ? <TriangleAlert size={24} /> : '◐'}
              </span>
              <span className={`min-w-56 flex-1 ${size} ${urgency < 2 ? 'font-semibold' : ''}`}>
                {alarm.head ?? alarm.words}
              </span>
              {hear && (
                <Button className={large ? '!min-h-14' : ''} onClick={() => void hear(alarm.key, alarm.words)}>
                  {say('iSeeTo')}
                </Button>
              )}
              {alarm.close && (
                <ul aria-label={alarm.words} className="w-full">
                  {alarm.close
                    .filter((one) => place === null || one.placeId === place)
                    .map((one) => (
                      <li key={one.placeId} className="flex flex-wrap items-center gap-3 py-1">
                        <span className="min-w-56 flex-1">
                          {one.closed ? (
                            <>
                              <Check size={18} className="inline" aria-hidden="true" />{' '}
                              {say('coverShut', { place: farm.placeName(one.placeId) })}
                            </>
                          ) : (
                            coverWords(farm, one)
                          )}
                        </span>
                        {hear && (
                          <Button
                            className={large ? '!min-h-14' : ''}
                            disabled={!one.closed && one.mustGoBu >= 1}
                            aria-label={`${farm.placeName(one.placeId)}: ${say(one.closed ? 'open' : 'shut')}`}
                            onClick={() => cover(one.placeId, !one.closed)}
                          >
                            {say(one.closed ? 'open' : 'shut')}
                          </Button>
                        )}
                      </li>
                    ))}
                </ul>
              )}
            </li>
          ))}
        </ul>
        {canSpeak() && (
          <SwitchBox
            large={large}
            className={large ? 'text-lg' : ''}
            on={aloud.now() === 'yes'}
            onChange={(on) => {
              aloud.setReaders(on ? 'yes' : 'no');
              // Asked at a tap and never again: it works without.
              if (on && 'Notification' in window && Notification.permission === 'default')
                void Notification.requestPermission();
            }}
          >
            {say('aloud')}
          </SwitchBox>
        )}
      </section>
      {alarms.some(({ alarm }) => alarm.kind === 'wet grain') ? null : unlessWet}
    </>
  );
}
