import type { FeedEvent } from '@fanega/contract';
import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { Observable, Subject, filter } from 'rxjs';
import { BookRepository } from './book.repository.js';

/** Another process may have appended: how often the sequence numbers are looked at while somebody listens. */
const LOOK_MS = 500;

/**
 * The change feed. Events carry only numbers: a client that sees a greater one fetches what it shows anew, and one that
 * comes back after a while is told the newest at once.
 */
@Injectable()
export class FeedService implements OnApplicationShutdown {
  private readonly events = new Subject<{ farmId: string } & FeedEvent>();
  private readonly listeners = new Map<string, number>();
  private readonly last = new Map<string, FeedEvent>();
  private timer: NodeJS.Timeout | undefined;

  constructor(@Inject(BookRepository) private readonly repository: BookRepository) {}

  /** Called after a commit of this process, so that its own clients need not wait for the next look. */
  appended(farmId: string, seq: number): void {
    const before = this.last.get(farmId);
    if (before && before.seq < seq) this.tell(farmId, { ...before, seq });
  }

  /** Events after a sequence number; the newest state first when the client is behind it. */
  follow(farmId: string, after: number): Observable<FeedEvent> {
    return new Observable((subscriber) => {
      this.listeners.set(farmId, (this.listeners.get(farmId) ?? 0) + 1);
      this.timer ??= setInterval(() => void this.look(), LOOK_MS);
      const subscription = this.events.pipe(filter((event) => event.farmId === farmId)).subscribe({
        next: ({ farmId: _, ...event }) => subscriber.next(event),
        complete: () => subscriber.complete(),
      });
      this.repository.versions(farmId).then(
        (now) => {
          if (!now) return;
          this.last.set(farmId, now);
          if (now.seq !== after) subscriber.next({ ...now });
        },
        (error: unknown) => subscriber.error(error),
      );
      return () => {
        subscription.unsubscribe();
        const left = (this.listeners.get(farmId) ?? 1) - 1;
        if (left > 0) this.listeners.set(farmId, left);
        else this.listeners.delete(farmId);
        if (this.listeners.size === 0) {
          clearInterval(this.timer);
          this.timer = undefined;
        }
      };
    });
  }

  private async look(): Promise<void> {
    for (const farmId of this.listeners.keys()) {
      try {
        const now = await this.repository.versions(farmId);
        const before = this.last.get(farmId);
        if (now && (!before || now.seq !== before.seq || now.setup !== before.setup || now.notes !== before.notes)) this.tell(farmId, now);
      } catch {
        // The database is away for a moment; the next look tells what was missed.
      }
    }
  }

  private tell(farmId: string, event: FeedEvent): void {
    this.last.set(farmId, event);
    this.events.next({ farmId, ...event });
  }

  onApplicationShutdown(): void {
    clearInterval(this.timer);
    this.events.complete();
  }
}
