import { whoIsWhere } from '@fanega/core';
import { useMemo } from 'react';
import type { Farm } from '../data/farm';
import { useTicking } from '../ui/use-ticking';
import { heldText } from '../quantity/quantity';
import { clock, spanText } from '../quantity/time';
import { say } from '../words';

/** People and vehicles as the book last saw them: nobody is followed, it is what each recorded. */
export function WhoIsWhere({ farm, large = false }: { farm: Farm; large?: boolean }) {
  useTicking();
  const { people, vehicles } = useMemo(() => whoIsWhere(farm), [farm]);
  const { timeZone } = farm.data.farm;
  const ago = (atMs: number): string => {
    const minutes = Math.max(0, (farm.clock() - atMs) / 60_000);
    return minutes < 1
      ? say('justNow')
      : minutes < 14 * 60
        ? say('ago', { span: spanText(minutes) })
        : say('beforeToday');
  };
  const size = large ? 'text-lg' : '';
  return (
    <div className={size}>
      {!large && <h2 className="text-xl">{say('whoIsWhere')}</h2>}
      <div className="mt-1 grid gap-x-10 md:grid-cols-2">
        <ul aria-label={say('people')}>
          {people.length === 0 && <li className="py-1 text-muted">{say('nobodyYet')}</li>}
          {people.map(({ name, atMs, did, where, vehicle }) => (
            <li key={name} className="flex justify-between gap-4 border-b border-rule py-1">
              <span>
                <b>{name}</b> {say(`did_${did}`)} {where}
                {vehicle === null ? '' : <span className="text-muted"> ({farm.placeName(vehicle)})</span>}
              </span>
              <span className="text-right whitespace-nowrap">
                {clock(atMs, timeZone)} <span className="text-sm text-muted">{ago(atMs)}</span>
              </span>
            </li>
          ))}
        </ul>
        <ul aria-label={say('vehicles')}>
          {vehicles.map(({ place, name, atMs, where, by, bushels }) => (
            <li key={place} className="flex justify-between gap-4 border-b border-rule py-1">
              <span>
                <b>{name}</b> {where === '' ? say('notInBook') : where}
                {by === '' ? '' : <span className="text-sm text-muted"> {by}</span>}
              </span>
              <span className="text-right whitespace-nowrap">
                {bushels < 1 ? say('empty') : heldText(farm, farm.held(place).wetLots)}
                {atMs === null ? '' : <span className="text-sm text-muted"> {ago(atMs)}</span>}
              </span>
            </li>
          ))}
        </ul>
      </div>
      <p className="mt-1 text-sm text-muted">{say('lastSeen')}</p>
    </div>
  );
}
