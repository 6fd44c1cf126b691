import type { LiveEvent } from '@fanega/contract';
import { extendCurve, type FlowMoment, type ScaleReading } from '@fanega/core';
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
    return follow('/api/farms/{farmId}/live', id, { onMessage: take, fromTheStart: true });
  }, [id, wanted]);
  return devices;
}
