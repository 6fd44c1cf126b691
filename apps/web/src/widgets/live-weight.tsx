import type { DeviceInfo } from '@fanega/contract';
import { type FieldRecords, KG_PER_LB, RangeRefusal, scaleSetupOf, stillWeight, zeroed } from '@fanega/core';
import { useEffect, useMemo, useState } from 'react';
import { type Farm, useRefreshFarm } from '../data/farm';
import { type LiveDevice, SILENT_MS } from '../data/live';
import { useSend } from '../data/use-send';
import { Button, Problem } from '../ui';
import { grain, mass, type Said } from '../quantity/quantity';
import { clock } from '../quantity/time';
import { setting } from '../data/records';
import { write } from '../data/outbox';
import { say } from '../words';

/** A scale that was moved by hand-sized steps only shows tens of pounds: digits beyond that are noise. */
const DIVISION_LB = 10;
export const toDivision = (kg: number): number => Math.round(kg / KG_PER_LB / DIVISION_LB) * DIVISION_LB * KG_PER_LB;
export const divided = (kg: number): Said => mass(toDivision(kg));

/** True when nothing was heard of the scale for a while; looks again by itself. */
export function useSilent(live: LiveDevice | undefined): boolean {
  const [, look] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => look((n) => n + 1), 2000);
    return () => clearInterval(timer);
  }, []);
  return live === undefined || Date.now() - live.heardAt > SILENT_MS;
}

/** Readable from the other cab: the weight of a cart, live, in pounds and bushels, with zero and hold. */
export function LiveWeight({
  farm,
  notebook,
  device,
  live,
  crop,
  glance = false,
}: {
  farm: Farm;
  notebook: FieldRecords;
  device: DeviceInfo;
  live: LiveDevice | undefined;
  /** Crop that bushels are counted in. */
  crop: string | undefined;
  /** Only looked at, from somewhere else: no buttons. */
  glance?: boolean;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const silent = useSilent(live);
  const [held, setHeld] = useState<number | null>(null);
  const { revision, value: setup } = scaleSetupOf(notebook, device);
  const curve = useMemo(() => zeroed(live?.curve ?? [], setup.zeroKg), [live, setup.zeroKg]);
  const now = curve.at(-1)?.kg ?? 0;
  const still = useMemo(() => {
    try {
      return stillWeight(curve.slice(-400), setup);
    } catch (error) {
      if (error instanceof RangeRefusal) return null;
      throw error;
    }
  }, [curve, setup]);
  const shown = held ?? still?.kg ?? now;
  const inGrain = grain(shown, farm.kgPerBu(crop));
  const zero = async (): Promise<void> => {
    if (!still) return;
    const change = {
      revision,
      value: { ...setup, zeroKg: setup.zeroKg + still.kg, zeroedAt: new Date(farm.clock()).toISOString() },
    };
    if (await sending.send(() => write(farm.id, setting(farm.id, 'scaleSetup', device.id, change)))) await refresh();
  };
  const state = silent
    ? say('scaleSilent')
    : held !== null
      ? say('scaleHeld')
      : still
        ? say('scaleStill')
        : say('scaleMoving');
  return (
    <section aria-label={device.name}>
      <p className="flex flex-wrap items-baseline justify-between gap-x-3">
        <b className="text-lg">{device.name}</b>
        <span role="status" className={silent ? 'font-semibold text-clay' : ''}>
          {state}
        </span>
      </p>
      {live && (
        <p className={`flex flex-wrap items-baseline gap-x-4 leading-none ${silent ? 'text-muted' : ''}`}>
          <b className={glance ? 'text-4xl' : 'text-7xl'}>
            {divided(shown).figure} <span className="text-xl font-normal text-muted">{mass.unit}</span>
          </b>
          <b className={glance ? 'text-2xl' : 'text-5xl'}>
            {inGrain.figure}{' '}
            <span className="text-lg font-normal text-muted">
              {inGrain.unit}
              {glance || !crop ? '' : ` ${crop}, ${say('asItIs')}`}
            </span>
          </b>
        </p>
      )}
      {/* A scale that says nothing takes one line: what is tapped stays where it is. */}
      {live && !glance && (
        <>
          <div className="mt-3 grid grid-cols-2 gap-3">
            <Button
              className="min-h-16 !text-lg"
              disabled={!still || silent || sending.busy}
              onClick={() => void zero()}
            >
              {say('zero')}
            </Button>
            <Button
              className="min-h-16 !text-lg"
              aria-pressed={held !== null}
              onClick={() => setHeld(held === null ? (still?.kg ?? now) : null)}
            >
              {say(held === null ? 'hold' : 'letGo')}
            </Button>
          </div>
          <p className="mt-2 text-sm text-muted">
            {setup.zeroedAt
              ? say('zeroedAt', { time: clock(setup.zeroedAt, farm.data.farm.timeZone) })
              : say('neverZeroed')}{' '}
            {say('zeroEmpty')}
          </p>
          <Problem>{sending.message}</Problem>
        </>
      )}
    </section>
  );
}
