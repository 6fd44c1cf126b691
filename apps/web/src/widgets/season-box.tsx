import { currentSeason } from '@fanega/core';
import { useState } from 'react';
import type { Farm } from '../data/farm';
import { SelectBox } from '../ui';

/** The season that a page is of: the newest until somebody chooses another. */
export function useSeason(farm: Farm) {
  const seasons = [...new Set(farm.data.lots.map((lot) => lot.season))].sort((a, b) => b - a);
  const newest = currentSeason(farm.data.lots);
  const [chosen, setChosen] = useState<number>();
  return { season: chosen ?? newest, seasons, setSeason: setChosen };
}

/** Nothing where there is one season only. */
export function SeasonBox({ season, seasons, setSeason }: ReturnType<typeof useSeason>) {
  if (seasons.length < 2) return null;
  return (
    <div className="w-32">
      <SelectBox label="Season" value={season} onChange={(event) => setSeason(Number(event.target.value))}>
        {seasons.map((year) => (
          <option key={year}>{year}</option>
        ))}
      </SelectBox>
    </div>
  );
}
