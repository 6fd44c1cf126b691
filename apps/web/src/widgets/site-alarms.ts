import type { Farm } from '../data/farm';
import { spanText } from '../quantity/time';
import { say } from '../words';
import type { Site } from './site';

/** Danger at the bin site: what is the matter, and what to do at once. */
export interface SiteAlarm {
  /** the same on every device: who sees to it is asked by it */
  readonly key: string;
  readonly kind: 'machine' | 'person';
  readonly head: string;
  readonly what: string;
}

/** A leg that stands while it is fed, and somebody who has not come down. */
export const siteAlarms = (farm: Farm, site: Site | null, nowMs: number): SiteAlarm[] =>
  site === null
    ? []
    : [
        ...site.alarms.map(({ stopped, stop, sinceMs }): SiteAlarm => ({
          key: `motor ${stopped} ${sinceMs}`,
          kind: 'machine',
          head: say('machineStopped', { machine: site.nameOf(stopped) }),
          what: say('stopNow', { machines: stop.map(site.nameOf).join(', ') }),
        })),
        ...site.climbing
          .filter(({ overdue }) => overdue)
          .map(({ placeId, who, second, sinceMs }): SiteAlarm => ({
            key: `climb ${placeId} ${who} ${sinceMs}`,
            kind: 'person',
            head: say('notDown', {
              who,
              place: farm.placeName(placeId),
              span: spanText(Math.floor((nowMs - sinceMs) / 60_000)),
            }),
            what: say('goLook', { second }),
          })),
      ];
