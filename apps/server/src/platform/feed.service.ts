import type { FarmVersions } from '@fanega/contract';
import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { filter, map, Observable, Subject } from 'rxjs';
import { VersionsRepository, versionText } from './versions.js';

/** Another process may have written: how often the versions are looked at while somebody listens. */
const LOOK_MS = 500;

/**
 * The change feed. An event carries the versions of all topics: a client asks again for what depends on those that are not the ones it
 * knows, and one that comes back after a while is told the newest at once.
 */
@Injectable()
export class FeedService implements OnApplicationShutdown {
  private readonly events = new Subject<{ readonly farmId: string; readonly event: FarmVersions }>();
  private readonly listeners = new Map<string, number>();
  /** What the listeners of a farm were told last. */
  private readonly told = new Map<string, string>();
  private timer: NodeJS.Timeout | undefined;

  constructor(@Inject(VersionsRepository) private readonly versions: VersionsRepository) {}

  /** The newest state first where it is not the one that the client names, then every change. */
  follow(farmId: string, known: string): Observable<FarmVersions> {
    return new Observable((subscriber) => {
      this.listeners.set(farmId, (this.listeners.get(farmId) ?? 0) + 1);
      this.timer ??= setInterval(() => void this.look(), LOOK_MS);
      const subscription = this.events
        .pipe(
          filter((one) => one.farmId === farmId),
          map(({ event }) => event),
        )
        .subscribe(subscriber);
      this.versions.of([farmId]).then(
        (found) => {
          const now = found.get(farmId);
          if (!now) return;
          // What happened since the last look is told to all of them, not swallowed by the one that comes.
          if (this.told.get(farmId) !== versionText(now)) this.tell(farmId, now);
          else if (versionText(now) !== known) subscriber.next(now);
        },
        (error: unknown) => subscriber.error(error),
      );
      return () => {
        subscription.unsubscribe();
        const left = (this.listeners.get(farmId) ?? 1) - 1;
        if (left > 0) this.listeners.set(farmId, left);
        else {
          this.listeners.delete(farmId);
          this.told.delete(farmId);
        }
        if (this.listeners.size > 0) return;
        clearInterval(this.timer);
        this.timer = undefined;
      };
    });
  }

  /** Looks at once, for a farm of which this process just wrote, or for all that somebody listens to. */
  async look(farmId?: string): Promise<void> {
    const wanted = farmId === undefined ? [...this.listeners.keys()] : this.listeners.has(farmId) ? [farmId] : [];
    if (wanted.length === 0) return;
    try {
      for (const [id, now] of await this.versions.of(wanted))
        if (this.told.get(id) !== versionText(now)) this.tell(id, now);
    } catch {
      // The database is away for a moment; the next look tells what was missed.
    }
  }

  private tell(farmId: string, event: FarmVersions): void {
    this.told.set(farmId, versionText(event));
    this.events.next({ farmId, event });
  }

  onApplicationShutdown(): void {
    clearInterval(this.timer);
    this.events.complete();
  }
}
