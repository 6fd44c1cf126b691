import { metersBetween, POOR_METERS } from '@fanega/core';
import { useEffect, useState } from 'react';
import type { Spot } from '../../../ui/ground-map';
import { useHere } from '../../../ui/use-here';
import { forget, keep, kept } from '../../../ui/kept';

/** A new corner is taken when one has gone as far, m. */
const STEP = 6;
const MOST = 2000;
const KEPT = 'walk';

/** Corners of a way around something, by this device's position; kept over a reload and without a signal. */
export function useWalk() {
  const [ring, setRing] = useState<readonly Spot[]>(() => kept<readonly Spot[]>(KEPT) ?? []);
  const [on, setOn] = useState(false);
  const here = useHere(on);
  useEffect(() => {
    if (!on || typeof here !== 'object' || here.accuracy > POOR_METERS) return;
    const spot: Spot = [here.lon, here.lat];
    setRing((before) => {
      const last = before.at(-1);
      if (before.length >= MOST || (last && metersBetween(last, spot) < STEP)) return before;
      const next = [...before, spot];
      keep(KEPT, next);
      return next;
    });
  }, [on, here]);
  return {
    ring,
    on,
    start: () => (setRing([]), forget(KEPT), setOn(true)),
    stop: () => setOn(false),
    clear: () => (setOn(false), setRing([]), forget(KEPT)),
  };
}
