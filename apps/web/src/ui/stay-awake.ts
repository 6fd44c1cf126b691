import { useEffect } from 'react';

const KEPT = 'fanega.awake';

export const wantsAwake = (): boolean => localStorage.getItem(KEPT) === 'yes';
export const keepAwake = (wanted: boolean): void => localStorage.setItem(KEPT, wanted ? 'yes' : 'no');
/** Only pages over https or of this machine may keep the screen on. */
export const canStayAwake = (): boolean => 'wakeLock' in navigator;

/** Keeps the screen on while this is shown, where somebody wished it; the system lets go whenever the page is not seen. */
export function useStayAwake(): void {
  useEffect(() => {
    if (!canStayAwake() || !wantsAwake()) return;
    let held: WakeLockSentinel | undefined;
    let over = false;
    const hold = async (): Promise<void> => {
      if (document.visibilityState !== 'visible') return;
      // A nearly empty battery refuses it: then the screen goes dark as ever.
      held = await navigator.wakeLock.request('screen').catch(() => undefined);
      if (over) void held?.release();
    };
    const again = (): void => void hold();
    document.addEventListener('visibilitychange', again);
    void hold();
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', again);
      void held?.release();
    };
  }, []);
}
