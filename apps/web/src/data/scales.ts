import type { DeviceInfo, Notebook, ScaleEvent, ScaleSheet } from '@fanega/contract';
import { type ScaleReading, STILL_BRIDGE, STILL_CART } from '@fanega/core';
import { useEffect, useState } from 'react';
import { useFarm } from './farm';

/** How much of a curve a screen keeps. */
const KEPT_MS = 15 * 60_000;
/** No figure for so long: the scale is off, or its wire is. */
export const SILENT_MS = 10_000;

export interface LiveScale {
  /** In order of time, by the scale's own clock, as the cell shows it. */
  readonly curve: readonly ScaleReading[];
  /** When the newest figure came in here, ms by this device's clock. */
  readonly heardAt: number;
}

/** The live curves of the farm's scales, by device; a scale that was not heard is not in it. */
export function useLiveScales(wanted = true): ReadonlyMap<string, LiveScale> {
  const { id } = useFarm();
  const [scales, setScales] = useState<ReadonlyMap<string, LiveScale>>(new Map());
  useEffect(() => {
    if (!wanted) return;
    const source = new EventSource(`/api/farms/${id}/scales/live`);
    source.onmessage = (message) => {
      const { deviceId, samples } = JSON.parse(String(message.data)) as ScaleEvent;
      setScales((before) => {
        const old = before.get(deviceId)?.curve ?? [];
        const last = old.at(-1)?.atMs ?? -Infinity;
        const newest = samples.at(-1)?.atMs ?? last;
        // After a gap in the line the kept curve comes again; after a clock was set back a new one begins.
        const whole = newest < last ? [...samples] : [...old, ...samples.filter((sample) => sample.atMs > last)];
        return new Map(before).set(deviceId, { curve: whole.filter((sample) => sample.atMs >= newest - KEPT_MS), heardAt: Date.now() });
      });
    };
    return () => source.close();
  }, [id, wanted]);
  return scales;
}

/** A scale as the farm set it up, or as such a scale usually is. */
export function scaleSheet(notebook: Notebook | undefined, device: DeviceInfo): { readonly revision: number; readonly sheet: ScaleSheet } {
  const usual = device.kind === 'weighbridge' ? STILL_BRIDGE : STILL_CART;
  return notebook?.scales[device.id] ?? { revision: 0, sheet: { zeroKg: 0, withinKg: usual.withinKg, forSeconds: usual.forSeconds } };
}

/** The curve with the zero taken off. */
export const zeroed = (curve: readonly ScaleReading[], zeroKg: number): ScaleReading[] => curve.map(({ atMs, kg }) => ({ atMs, kg: kg - zeroKg }));
