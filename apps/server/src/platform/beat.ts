import type { MessageEvent } from '@nestjs/common';
import { Observable } from 'rxjs';

/** Short enough for a router that forgets a silent connection after half a minute. */
export const BEAT_MS = 15_000;

/**
 * A stream with an event `beat` in between, so that a page can tell a quiet farm from a dead line.
 * @param isWelcome asked with every beat: a stream ends when the session that began it does
 */
export function beating(
  events: Observable<MessageEvent>,
  isWelcome: () => Promise<boolean>,
  everyMs = BEAT_MS,
): Observable<MessageEvent> {
  return new Observable((subscriber) => {
    const timer = setInterval(() => {
      subscriber.next({ type: 'beat', data: 'on' });
      // Where the database cannot be asked, the next beat asks again.
      void isWelcome().then(
        (welcome) => welcome || subscriber.complete(),
        () => undefined,
      );
    }, everyMs);
    const subscription = events.subscribe(subscriber);
    return () => {
      clearInterval(timer);
      subscription.unsubscribe();
    };
  });
}
