import type { FlowsBody, LiveEvent, PositionsBody, WeightsBody } from '@fanega/contract';
import { extendCurve, type FlowMoment, groupBy, instantOf, type ScaleReading } from '@fanega/core';
import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { filter, from, map, merge, mergeMap, type Observable, Subject, defer, finalize } from 'rxjs';
import { Clock } from '../../platform/clock.js';
import type { LiveFigureRow } from './haul.entity.js';
import { LiveRepository } from './live.repository.js';

/** How much of a curve is kept: a screen that comes later still sees the dump that is running, and the tank since the last one. */
const KEPT_MS = 15 * 60_000;
/** Kept longer, for loads that record themselves are found by looking back on a truck's whole way. */
const FORGOTTEN_MS = 80 * 60_000;
/** How often the figures that came in at other processes are looked for while somebody watches. */
const LOOK_MS = 500;
/** Rows of other processes may be committed a little after their time: what was looked at is looked at once more. */
const OVERLAP_MS = 3000;

interface Curve {
  weights: readonly ScaleReading[];
  flows: readonly FlowMoment[];
}

/** Live weights and flows. They are shown, and kept for as long as a screen may need them; what counts of them is recorded as an entry or a ticket. */
@Injectable()
export class LiveService implements OnApplicationShutdown {
  private readonly events = new Subject<{ readonly farmId: string; readonly event: LiveEvent }>();
  /** By farm, then by device, for farms that somebody watches here. */
  private readonly curves = new Map<string, Map<string, Curve>>();
  private readonly watchers = new Map<string, number>();
  private readonly looked = new Map<string, number>();
  private timer: NodeJS.Timeout | undefined;
  private swept = 0;

  constructor(
    @Inject(LiveRepository) private readonly figures: LiveRepository,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  /** Takes a scale's weights. */
  weights(farmId: string, deviceId: string, body: WeightsBody): Promise<{ samples: number }> {
    return this.take(
      farmId,
      deviceId,
      body.samples.map(({ at, kg }) => ({ atMs: Math.floor(instantOf(at)), kg })),
      (own, sent) => {
        const { curve, fresh } = extendCurve(own.weights, sent, KEPT_MS);
        own.weights = curve;
        return fresh.length > 0 ? { deviceId, weights: fresh } : null;
      },
    );
  }

  /** Takes a display's figures. */
  flows(farmId: string, deviceId: string, body: FlowsBody): Promise<{ samples: number }> {
    const sent = body.samples.map(({ at, flow, moisture, speed, yieldKgPerHa, lon, lat }): FlowMoment => ({
      atMs: Math.floor(instantOf(at)),
      flow,
      moisture,
      speed,
      ...(yieldKgPerHa === undefined ? {} : { yieldKgPerHa }),
      ...(lon === undefined || lat === undefined ? {} : { lon, lat }),
    }));
    return this.take(farmId, deviceId, sent, (own, fresh) => {
      const next = extendCurve(own.flows, fresh, KEPT_MS);
      own.flows = next.curve;
      return next.fresh.length > 0 ? { deviceId, flows: next.fresh } : null;
    });
  }

  /** Takes where a machine was. */
  async positions(farmId: string, placeId: string, body: PositionsBody): Promise<{ samples: number }> {
    const receivedMs = this.clock.now();
    const rows = body.samples.map(({ at, lon, lat, accuracy }) => ({ farmId, placeId, receivedMs, atMs: Math.floor(instantOf(at)), lon, lat, accuracy })); // prettier-ignore
    await this.figures.addPositions(rows);
    await this.sweep(receivedMs);
    return { samples: rows.length };
  }

  private async take<Sample extends { readonly atMs: number }>(
    farmId: string,
    deviceId: string,
    sent: readonly Sample[],
    extend: (own: Curve, sent: readonly Sample[]) => LiveEvent | null,
  ): Promise<{ samples: number }> {
    const receivedMs = this.clock.now();
    const last = await this.figures.newest(farmId, deviceId);
    const newest = sent.reduce((most, sample) => Math.max(most, sample.atMs), -Infinity);
    // A device whose clock was set back begins a new curve.
    const isSetBack = last !== null && newest < last - 60_000;
    if (isSetBack) await this.figures.drop(farmId, deviceId);
    const rows = [
      ...new Map(sent.map((sample) => [sample.atMs, { farmId, deviceId, receivedMs, ...sample }])).values(),
    ];
    const known = await this.figures.known(
      farmId,
      deviceId,
      rows.map((row) => row.atMs),
    );
    const fresh = rows.filter((row) => !known.has(row.atMs) && (last === null || isSetBack || row.atMs > last));
    if (fresh.length > 0) await this.figures.add(fresh);
    await this.sweep(receivedMs);
    if (this.watchers.has(farmId)) this.show(farmId, extend(this.curveOf(farmId, deviceId), sent));
    return { samples: fresh.length };
  }

  /** What no screen needs any more goes, once a minute. */
  private async sweep(now: number): Promise<void> {
    if (now - this.swept < 60_000) return;
    this.swept = now;
    await this.figures.forgetBefore(now - FORGOTTEN_MS);
  }

  /** The curves as they stand, then every new figure, whichever process it came in at. */
  follow(farmId: string): Observable<LiveEvent> {
    return defer(() => {
      const first = (this.watchers.get(farmId) ?? 0) === 0;
      this.watchers.set(farmId, (this.watchers.get(farmId) ?? 0) + 1);
      this.timer ??= setInterval(() => void this.look(), LOOK_MS);
      const kept = first ? this.look(farmId, true) : Promise.resolve();
      return merge(
        from(kept).pipe(mergeMap(() => this.curvesOf(farmId))),
        this.events.pipe(
          filter((one) => one.farmId === farmId),
          map(({ event }) => event),
        ),
      );
    }).pipe(finalize(() => this.leave(farmId)));
  }

  private leave(farmId: string): void {
    const left = (this.watchers.get(farmId) ?? 1) - 1;
    if (left > 0) this.watchers.set(farmId, left);
    else {
      this.watchers.delete(farmId);
      this.curves.delete(farmId);
      this.looked.delete(farmId);
    }
    if (this.watchers.size > 0) return;
    clearInterval(this.timer);
    this.timer = undefined;
  }

  private curvesOf(farmId: string): LiveEvent[] {
    return [...(this.curves.get(farmId) ?? [])].map(([deviceId, { weights, flows }]) => ({
      deviceId,
      ...(weights.length > 0 ? { weights } : {}),
      ...(flows.length > 0 ? { flows } : {}),
    }));
  }

  private async look(only?: string, quietly = false): Promise<void> {
    for (const farmId of only === undefined ? [...this.watchers.keys()] : [only]) {
      const since = this.looked.get(farmId) ?? this.clock.now() - KEPT_MS;
      this.looked.set(farmId, this.clock.now());
      try {
        const rows = await this.figures.since(farmId, since - OVERLAP_MS);
        const byDevice = groupBy(rows, ({ deviceId }) => deviceId);
        for (const [deviceId, own] of byDevice) {
          const curve = this.curveOf(farmId, deviceId);
          const weights = extendCurve(
            curve.weights,
            own.flatMap(({ atMs, kg }) => (kg === null ? [] : [{ atMs, kg }])),
            KEPT_MS,
          );
          const flows = extendCurve(curve.flows, own.flatMap(flowOf), KEPT_MS);
          [curve.weights, curve.flows] = [weights.curve, flows.curve];
          if (!quietly && weights.fresh.length + flows.fresh.length > 0)
            this.show(farmId, {
              deviceId,
              ...(weights.fresh.length > 0 ? { weights: weights.fresh } : {}),
              ...(flows.fresh.length > 0 ? { flows: flows.fresh } : {}),
            });
        }
      } catch {
        // The database is away for a moment; the next look has it.
      }
    }
  }

  private show(farmId: string, event: LiveEvent | null): void {
    if (event) this.events.next({ farmId, event });
  }

  private curveOf(farmId: string, deviceId: string): Curve {
    const farm = this.curves.get(farmId) ?? new Map<string, Curve>();
    this.curves.set(farmId, farm);
    const curve = farm.get(deviceId) ?? { weights: [], flows: [] };
    farm.set(deviceId, curve);
    return curve;
  }

  onApplicationShutdown(): void {
    clearInterval(this.timer);
    this.events.complete();
  }
}

/** A display's figures of a row; none where it is a weight. */
export const flowOf = ({ atMs, flow, moisture, speed, yieldKgPerHa, lon, lat }: LiveFigureRow): FlowMoment[] =>
  flow === null
    ? []
    : [
        {
          atMs,
          flow,
          moisture: moisture!,
          speed: speed!,
          ...(yieldKgPerHa === null ? {} : { yieldKgPerHa }),
          ...(lon === null || lat === null ? {} : { lon, lat }),
        },
      ];
