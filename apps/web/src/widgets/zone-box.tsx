import { calendarDay, zoneAt, type ZoneNow, zonesOf, zonesStanding } from '@fanega/core';
import { useEffect, useMemo, useRef } from 'react';
import { type Farm, useNotebook } from '../data/farm';
import { SelectBox } from '../ui';
import { useHere } from '../ui/use-here';
import { say } from '../words';

/** Parts of a field that stand today; none for a field without. */
export function useZones(farm: Farm, lotId: string): readonly ZoneNow[] {
  const zones = useNotebook().data?.settings.fieldZone;
  const lot = farm.lot(lotId);
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  return useMemo(() => (zones && lot ? zonesOf(zonesStanding(zones, today), lot) : []), [zones, lot, today]);
}

/** Which part of the field a load is from, asked only where the field has any; the phone's own position answers it until somebody does. */
export function ZoneBox({
  farm,
  lotId,
  value,
  onChange,
  locate = false,
}: {
  farm: Farm;
  lotId: string;
  value: string;
  onChange: (zoneId: string) => void;
  /** It is said where it is cut, by a device that is there. */
  locate?: boolean;
}) {
  const zones = useZones(farm, lotId);
  const here = useHere(locate && zones.some(({ zone }) => zone.ring.length >= 3));
  const picked = useRef(false);
  const stands = typeof here === 'object' ? zoneAt(zones, here) : null;
  useEffect(() => {
    if (stands && !picked.current) onChange(stands.id);
    // Asked again only where it comes into another part.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [stands?.id]);
  if (zones.length === 0) return null;
  return (
    <SelectBox
      label={say('whichPart')}
      value={zones.some(({ id }) => id === value) ? value : ''}
      onChange={(event) => {
        picked.current = true;
        onChange(event.target.value);
      }}
    >
      <option value="">{say('restOfField')}</option>
      {zones.map(({ id, zone, waits }) => (
        <option key={id} value={id}>
          {zone.name}
          {waits ? ` ◐ ${say('zoneWaits')}` : ''}
        </option>
      ))}
    </SelectBox>
  );
}
