import { createContext, useContext, useEffect, useState } from 'react';

export interface Here {
  readonly lon: number;
  readonly lat: number;
  /** m */
  readonly accuracy: number;
}

/** A better receiver than the device's own, where something it rides with has one; null: it has none, or that is silent. */
export const BetterHere = createContext<Here | null>(null);

/** Where this device is: `waits` until it says, `none` where it does not or may not. Nothing is sent anywhere. */
export function useHere(wanted: boolean): Here | 'waits' | 'none' {
  const better = useContext(BetterHere);
  const [here, setHere] = useState<Here | 'waits' | 'none'>('waits');
  useEffect(() => {
    if (!wanted || better !== null) return;
    if (!('geolocation' in navigator)) {
      setHere('none');
      return;
    }
    const watch = navigator.geolocation.watchPosition(
      ({ coords }) => setHere({ lon: coords.longitude, lat: coords.latitude, accuracy: coords.accuracy }),
      () => setHere((known) => (typeof known === 'object' ? known : 'none')),
      { enableHighAccuracy: true, maximumAge: 2000, timeout: 30_000 },
    );
    return () => navigator.geolocation.clearWatch(watch);
  }, [wanted, better === null]); // eslint-disable-line react-hooks/exhaustive-deps
  return better ?? here;
}
