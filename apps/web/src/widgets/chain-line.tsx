import { chainAhead, RangeRefusal } from '@fanega/core';
import { type Farm, useFields, useHaul, useNotebook } from '../data/farm';
import { BECAUSE, chainNow, EVENING, likelyTo } from './chain-facts';
import { minuteText, NO_HAUL } from './haul-facts';

/** Nobody who drives can do anything about what happens later than this. */
const SOON_MIN = 180;

/** In one line, for those whom it concerns: when a combine will stand, and what makes it. Nothing while nothing stops soon. */
export function ChainLine({ farm, className = '' }: { farm: Farm; className?: string }) {
  const notebook = useNotebook().data;
  const haul = useHaul().data;
  const rows = useFields().data;
  if (!notebook || !haul || !rows) return null;
  try {
    const built = chainNow(farm, notebook, haul, rows, notebook.haul?.sheet ?? NO_HAUL, { to: likelyTo(farm), lineMin: 15, until: EVENING });
    const stands = built && chainAhead(built.chain).combineStands;
    if (!stands || stands.at > built.chain.now + SOON_MIN) return null;
    return (
      <p className={className}>
        <b>■ {minuteText(Math.floor(stands.at))} a combine stands</b>: {BECAUSE[stands.because]}
      </p>
    );
  } catch (error) {
    if (error instanceof RangeRefusal) return null;
    throw error;
  }
}
