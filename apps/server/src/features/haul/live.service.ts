import type { FlowsBody, LiveEvent, WeightsBody } from '@fanega/contract';
import { extendCurve, type FlowMoment, instantOf, type ScaleReading } from '@fanega/core';
import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { filter, from, map, merge, Observable, Subject } from 'rxjs';

/** How much of a curve is kept: a screen that comes later still sees the dump that is running, and the tank since the last one. */
const KEPT_MS = 15 * 60_000;
const KEPT = 6000;

interface Curve {
  readonly farmId: string;
  weights: readonly ScaleReading[];
  flows: readonly FlowMoment[];
}

/** Live weights and flows. They are shown, not kept: what counts of them is recorded as an entry or a ticket. */
@Injectable()
export class LiveService implements OnApplicationShutdown {
  private readonly events = new Subject<{ farmId: string; event: LiveEvent }>();
  private readonly curves = new Map<string, Curve>();

  /** Takes what is new of a scale's weights. */
  weights(farmId: string, deviceId: string, body: WeightsBody): { samples: number } {
    const own = this.curveOf(farmId, deviceId);
    const sent = body.samples.map(({ at, kg }) => ({ atMs: instantOf(at), kg }));
    const { curve, fresh } = extendCurve(own.weights, sent, KEPT_MS);
    own.weights = curve.slice(-KEPT);
    return this.tell(farmId, { deviceId, weights: fresh }, fresh.length);
  }

  /** Takes what is new of a display's figures. */
  flows(farmId: string, deviceId: string, body: FlowsBody): { samples: number } {
    const own = this.curveOf(farmId, deviceId);
    const sent = body.samples.map(({ at, flow, moisture, speed, yieldKgPerHa }) => ({
      atMs: instantOf(at),
      flow,
      moisture,
      speed,
      ...(yieldKgPerHa === undefined ? {} : { yieldKgPerHa }),
    }));
    const { curve, fresh } = extendCurve(own.flows, sent, KEPT_MS);
    own.flows = curve.slice(-KEPT);
    return this.tell(farmId, { deviceId, flows: fresh }, fresh.length);
  }

  /** The curves as they stand, then every new figure. */
  follow(farmId: string): Observable<LiveEvent> {
    const kept = [...this.curves]
      .filter(([, curve]) => curve.farmId === farmId)
      .map(([deviceId, { weights, flows }]): LiveEvent => ({ deviceId, ...(weights.length > 0 ? { weights } : {}), ...(flows.length > 0 ? { flows } : {}) }));
    return merge(
      from(kept),
      this.events.pipe(
        filter((one) => one.farmId === farmId),
        map(({ event }) => event),
      ),
    );
  }

  onApplicationShutdown(): void {
    this.events.complete();
  }

  private curveOf(farmId: string, deviceId: string): Curve {
    const curve = this.curves.get(deviceId) ?? { farmId, weights: [], flows: [] };
    this.curves.set(deviceId, curve);
    return curve;
  }

  private tell(farmId: string, event: LiveEvent, samples: number): { samples: number } {
    if (samples > 0) this.events.next({ farmId, event });
    return { samples };
  }
}
