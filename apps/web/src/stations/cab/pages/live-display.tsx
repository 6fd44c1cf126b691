import type { DeviceInfo } from '@fanega/contract';
import { cropOf, CROPS, kgPerHaToBushelsPerAcre, type TankByFlow } from '@fanega/core';
import type { Farm } from '../../../data/farm';
import type { LiveDevice } from '../../../data/live';
import { useMemo } from 'react';
import type { Here } from '../../../ui/use-here';
import { useSilent } from '../../../widgets/live-weight';
import { cropYield, grainRate, moisture, speed } from '../../../quantity/quantity';
import { say } from '../../../words';

/** Common practice, no source. */
const RECEIVER_METERS = 3;

/** Where the display's own receiver is; null while it is silent, or says nothing of it. It steers by it: a few feet. */
export function useDisplayHere(live: LiveDevice | undefined): Here | null {
  const silent = useSilent(live);
  const { lon, lat } = live?.flows.at(-1) ?? {};
  return useMemo(
    () => (silent || lon === undefined || lat === undefined ? null : { lon, lat, accuracy: RECEIVER_METERS }),
    [silent, lon, lat],
  );
}

/** What the combine's own display says now, in one glance: how wet, how much an hour and an acre, how fast. */
export function LiveDisplay({
  farm,
  device,
  live,
  tank,
  crop,
}: {
  farm: Farm;
  device: DeviceInfo;
  live: LiveDevice | undefined;
  tank: TankByFlow | null;
  crop: string | undefined;
}) {
  const silent = useSilent(live);
  const now = live?.flows.at(-1);
  const kgPerBu = farm.kgPerBu(crop);
  const legal = (cropOf(crop ?? '') ?? CROPS.corn).legalPounds;
  if (!now || silent)
    return (
      <p role="status" aria-label={device.name} className="text-muted">
        ○ {say('silentDevice', { name: device.name })}
      </p>
    );
  const facts = [
    moisture(now.moisture),
    grainRate((tank?.rate ?? 3600 * now.flow) / kgPerBu, kgPerBu),
    ...(now.yieldKgPerHa === undefined ? [] : [cropYield(kgPerHaToBushelsPerAcre(now.yieldKgPerHa, legal), kgPerBu)]),
    speed(now.speed),
  ];
  return (
    <section aria-label={device.name}>
      <dl className="flex flex-wrap gap-x-6 gap-y-1">
        {facts.map(({ figure, unit }) => (
          <div key={unit}>
            <dt className="sr-only">{unit}</dt>
            <dd className="text-3xl font-bold">
              {figure} <span className="text-base font-normal text-muted">{unit}</span>
            </dd>
          </div>
        ))}
      </dl>
      <p className="text-sm text-muted">
        {say('asItShows', { name: device.name })}
        {tank && tank.silentSeconds > 30 ? say('silentFor', { minutes: Math.round(tank.silentSeconds / 60) }) : ''}
      </p>
    </section>
  );
}
