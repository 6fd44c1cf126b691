import type { DeviceInfo, LiveEvent, Notebook, ScaleSheet } from '@fanega/contract';
import { extendCurve, type FlowMoment, type ScaleReading, STILL_BRIDGE, STILL_CART } from '@fanega/core';
import { useEffect, useState } from 'react';
import { useFarm } from './farm';
import { follow } from './follow';

/** How much of a curve a screen keeps. */
const KEPT_MS = 15 * 60_000;
/** No figure for so long: the scale is off, or its wire is. */
export const SILENT_MS = 10_000;

export interface LiveDevice {
  /** Weights in order of time, by the scale's own clock, as the cell shows them. */
  readonly curve: readonly ScaleReading[];
  /** What a display shows, in order of time. */
  readonly flows: readonly FlowMoment[];
  /** When the newest figure came in here, ms by this device's clock. */
  readonly heardAt: number;
}

/** The live curves of the farm's scales and displays, by device; one that was not heard is not in it. */
export function useLive(wanted = true): ReadonlyMap<string, LiveDevice> {
  const { id } = useFarm();
  const [devices, setDevices] = useState<ReadonlyMap<string, LiveDevice>>(new Map());
  useEffect(() => {
    if (!wanted) return;
    // After a gap in the line the kept curve comes again: what is known of it is passed over.
    const take = (data: string): void => {
      const { deviceId, weights = [], flows = [] } = JSON.parse(data) as LiveEvent;
      setDevices((before) => {
        const old = before.get(deviceId);
        return new Map(before).set(deviceId, {
          curve: extendCurve(old?.curve ?? [], weights, KEPT_MS).curve,
          flows: extendCurve(old?.flows ?? [], flows, KEPT_MS).curve,
          heardAt: Date.now(),
        });
      });
    };
    return follow(`/farms/${id}/live`, '', { onMessage: take, fromTheStart: true });
  }, [id, wanted]);
  return devices;
}

/** A scale as the farm set it up, or as such a scale usually is. */
export function scaleSheet(notebook: Notebook | undefined, device: DeviceInfo): { readonly revision: number; readonly sheet: ScaleSheet } {
  const usual = device.kind === 'weighbridge' ? STILL_BRIDGE : STILL_CART;
  return notebook?.scales[device.id] ?? { revision: 0, sheet: { zeroKg: 0, withinKg: usual.withinKg, forSeconds: usual.forSeconds } };
}

/** The curve with the zero taken off. */
export const zeroed = (curve: readonly ScaleReading[], zeroKg: number): ScaleReading[] => curve.map(({ atMs, kg }) => ({ atMs, kg: kg - zeroKg }));
