import { useEffect } from 'react';

/** Targets for gloves while the page stands, in the sheets too that are opened from it. */
export function useGloves(): void {
  useEffect(() => {
    document.documentElement.dataset.glove = '';
    return () => {
      delete document.documentElement.dataset.glove;
    };
  }, []);
}
