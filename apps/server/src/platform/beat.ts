import type { MessageEvent } from '@nestjs/common';
import { Observable } from 'rxjs';

/** Short enough for a router that forgets a silent connection after half a minute. */
export const BEAT_MS = 15_000;

/** A stream with an event `beat` in between, so that a page can tell a quiet farm from a dead line. */
export function beating(events: Observable<MessageEvent>, everyMs = BEAT_MS): Observable<MessageEvent> {
  return new Observable((subscriber) => {
    const timer = setInterval(() => subscriber.next({ type: 'beat', data: 'on' }), everyMs);
    const subscription = events.subscribe(subscriber);
    return () => {
      clearInterval(timer);
      subscription.unsubscribe();
    };
  });
}
