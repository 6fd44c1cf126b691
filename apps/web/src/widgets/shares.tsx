import type { Farm } from '../data/farm';
import { percent } from '../quantity/number';

interface Props {
  readonly farm: Farm;
  /** Kg by lot, those that are named. */
  readonly lots: readonly (readonly [lot: string, kg: number])[];
  /** All that lies there. */
  readonly ofKg: number;
  readonly decimals?: number;
}

/** "HS 24 %, PT 76 %": of which fields a mixture is; a field stays on one line with its share. */
export function Shares({ farm, lots, ofKg, decimals = 1 }: Props) {
  return lots.map(([lot, kg], i) => (
    <span key={lot}>
      {i > 0 && ', '}
      <span className="whitespace-nowrap">
        {farm.tag(lot)}
        {lots.length > 1 && ` ${percent(kg / ofKg, decimals)}`}
      </span>
    </span>
  ));
}
