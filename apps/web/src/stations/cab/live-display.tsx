import type { DeviceInfo } from '@fanega/contract';
import { cropOf, CROPS, kgPerHaToBushelsPerAcre, metresPerSecondToMph, type TankByFlow } from '@fanega/core';
import type { Farm } from '../../data/farm';
import type { LiveDevice } from '../../data/live';
import { useSilent } from '../../widgets/live-weight';
import { formatBushels, formatMoisture } from '../../widgets/quantity';

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
  const legal = (cropOf(crop ?? '') ?? CROPS.corn).legalPounds;
  if (!now || silent)
    return (
      <p role="status" aria-label={device.name} className="text-muted">
        ○ {device.name} is silent.
      </p>
    );
  const facts = [
    [formatMoisture(now.moisture), '%'],
    [formatBushels((tank?.rate ?? 3600 * now.flow) / farm.kgPerBu(crop)), 'bu/h'],
    ...(now.yieldKgPerHa === undefined ? [] : [[formatBushels(kgPerHaToBushelsPerAcre(now.yieldKgPerHa, legal)), 'bu/ac']]),
    [metresPerSecondToMph(now.speed).toFixed(1), 'mph'],
  ] as const;
  return (
    <section aria-label={device.name}>
      <dl className="flex flex-wrap gap-x-6 gap-y-1">
        {facts.map(([figure, unit]) => (
          <div key={unit}>
            <dt className="sr-only">{unit}</dt>
            <dd className="text-3xl font-bold">
              {figure} <span className="text-base font-normal text-muted">{unit}</span>
            </dd>
          </div>
        ))}
      </dl>
      <p className="text-sm text-muted">
        {device.name}, as it shows it{tank && tank.silentSeconds > 30 ? `; silent for ${Math.round(tank.silentSeconds / 60)} min of this load` : ''}
      </p>
    </section>
  );
}
