import { type Deadline, deadlines, type FieldRecords, type KeepingRules, USUAL_KEEPING } from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useBinSetups, useNotebook, useWet } from '../data/farm';
import { useWarmth } from './use-warmth';

/** By which tables grain keeps on this farm, until it says otherwise. */
export const USUAL_RULES: KeepingRules = { ...USUAL_KEEPING, soybeanShift: 3 };
export const useKeepingRules = (): KeepingRules =>
  useBinSetups().data?.settings.keepingRules.farm?.value ?? USUAL_RULES;

/** Until when each wet thing must be dried, cooled or gone, the nearest first; null while the farm is asked. */
export function useDeadlines(farm: Farm): readonly Deadline[] | null {
  const wet = useWet().data;
  const notebook: FieldRecords | undefined = useNotebook().data;
  const rules = useKeepingRules();
  const warmth = useWarmth(farm, notebook);
  return useMemo(
    () =>
      wet && notebook && warmth.isKnown ? deadlines(wet, farm.data.now, warmth.of, rules, rules.soybeanShift) : null,
    [wet, notebook, farm.data.now, warmth, rules],
  );
}
