import type { ScaleEvent, WeightsBody } from '@fanega/contract';
import { instantOf } from '@fanega/core';
import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { filter, from, merge, Observable, Subject } from 'rxjs';

/** How much of a scale's curve is kept: a screen that comes later still sees the dump that is running. */
const KEPT_MS = 15 * 60_000;
const KEPT = 6000;

type Sample = ScaleEvent['samples'][number];

/** Live weights. They are shown, not kept: what counts of them is recorded as an entry or a ticket. */
@Injectable()
export class ScalesService implements OnApplicationShutdown {
  private readonly events = new Subject<{ farmId: string } & ScaleEvent>();
  private readonly curves = new Map<string, { farmId: string; samples: Sample[] }>();

  /** Takes what is new; figures that were sent before, or come too late to be put in order, are passed over. */
  take(farmId: string, deviceId: string, body: WeightsBody): { samples: number } {
    const curve = this.curves.get(deviceId) ?? { farmId, samples: [] };
    this.curves.set(deviceId, curve);
    const last = curve.samples.at(-1)?.atMs ?? -Infinity;
    const sent = body.samples.map(({ at, kg }) => ({ atMs: instantOf(at), kg })).sort((a, b) => a.atMs - b.atMs);
    // A device whose clock was set back would be silent for ever: a step of more than a minute begins a new curve.
    const newest = sent.at(-1)!.atMs;
    const setBack = newest < last - 60_000;
    if (setBack) curve.samples = [];
    const fresh = sent.filter(({ atMs }, i) => (setBack || atMs > last) && atMs !== sent[i - 1]?.atMs);
    if (fresh.length > 0) {
      curve.samples = [...curve.samples, ...fresh].filter(({ atMs }) => atMs >= newest - KEPT_MS).slice(-KEPT);
      this.events.next({ farmId, deviceId, samples: fresh });
    }
    return { samples: fresh.length };
  }

  /** The curves as they stand, then every new figure. */
  follow(farmId: string): Observable<ScaleEvent> {
    const kept = [...this.curves].filter(([, curve]) => curve.farmId === farmId && curve.samples.length > 0).map(([deviceId, { samples }]) => ({ deviceId, samples }));
    return new Observable((subscriber) =>
      merge(from(kept), this.events.pipe(filter((event) => event.farmId === farmId))).subscribe({
        next: ({ deviceId, samples }) => subscriber.next({ deviceId, samples }),
        complete: () => subscriber.complete(),
      }),
    );
  }

  onApplicationShutdown(): void {
    this.events.complete();
  }
}
