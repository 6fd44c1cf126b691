import {
  fieldFacts,
  type Machine,
  type MachineService,
  type MachineWear,
  serviceStanding,
  wearStanding,
  type ShedRecords,
} from '@fanega/core';
import { areaWhole, number, percent } from '../../../quantity/quantity';
import { Button } from '../../../ui';
import type { Edit } from './asset-sheets';
import { type Farm, useFields, useNotebook } from '../../../data/farm';
import { Photo, PhotoBox } from '../../../widgets/photo-box';
import { Section } from '../../../ui/page';

export function Services({
  sheet,
  onEdit,
  onAdd,
  onCounters,
}: {
  sheet: Machine;
  onEdit: Edit;
  onAdd: () => void;
  onCounters: () => void;
}) {
  const hours = { engine: sheet.engineHours, separator: sheet.separatorHours };
  const set = (id: string, change: (service: MachineService) => Partial<MachineService>): void =>
    void onEdit((now) => ({
      ...now,
      services: now.services.map((one) => (one.id === id ? { ...one, ...change(one) } : one)),
    }));
  return (
    <Section label="Service">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h3 className="text-xl">Service</h3>
        <Button look="quiet" className="!px-0" onClick={onCounters}>
          {number(sheet.engineHours)} h engine, {number(sheet.separatorHours)} h separator,{' '}
          {areaWhole(sheet.acres).text}
        </Button>
      </div>
      <ul className="mt-2 divide-y divide-rule">
        {sheet.services.map((service) => {
          const { hoursLeft, missed } = serviceStanding(service, hours);
          return (
            <li key={service.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
              <span className="min-w-48 flex-1">
                <b>{service.what}</b>
                <span className="block text-sm text-muted">
                  every {service.everyHours} h by the {service.by}; last at {number(service.lastAt)} h
                  {service.skipped > 0
                    ? `; put off ${service.skipped === 1 ? 'once' : `${service.skipped} times`}`
                    : ''}
                </span>
              </span>
              <span className={`whitespace-nowrap ${hoursLeft < 0 ? 'font-bold text-clay' : ''}`}>
                {hoursLeft < 0
                  ? `■ ${Math.round(-hoursLeft)} h over${missed > 1 ? `, ${missed} missed` : ''}`
                  : hoursLeft <= 25
                    ? `◐ in ${Math.round(hoursLeft)} h`
                    : `in ${Math.round(hoursLeft)} h`}
              </span>
              <Button
                look="quiet"
                className="!px-0 text-sm"
                onClick={() => set(service.id, (one) => ({ skipped: one.skipped + 1 }))}
              >
                Put off
              </Button>
              <Button onClick={() => set(service.id, (one) => ({ lastAt: hours[one.by], skipped: 0 }))}>
                Done now
              </Button>
            </li>
          );
        })}
      </ul>
      <Button className="mt-2" onClick={onAdd}>
        Add a service
      </Button>
    </Section>
  );
}
export function Wear({
  farm,
  shed,
  sheet,
  onEdit,
  onAdd,
}: {
  farm: Farm;
  shed: ShedRecords;
  sheet: Machine;
  onEdit: Edit;
  onAdd: () => void;
}) {
  const fields = useFields();
  const notebook = useNotebook();
  // What still stands, shared by the machines of this kind.
  const mates = Object.values(shed.settings.machine).filter(
    (one) => !one.value.retired && one.value.kind === sheet.kind,
  ).length;
  const standing = fields.data
    ? fieldFacts(farm, fields.data, notebook.data).reduce(
        (sum, f) => sum + (!sheet.crops || sheet.crops.some((crop) => crop === f.crop.id) ? f.acresLeft : 0),
        0,
      )
    : 0;
  const share = standing / Math.max(1, mates);
  const change = (id: string, make: (part: MachineWear) => Partial<MachineWear>) =>
    onEdit((now) => ({ ...now, wear: now.wear.map((part) => (part.id === id ? { ...part, ...make(part) } : part)) }));
  return (
    <section aria-label="Wear parts" className="border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6">
      <h3 className="text-xl">What wears</h3>
      <ul className="mt-2 divide-y divide-rule">
        {sheet.wear.map((part) => {
          const now = {
            separator: Math.max(sheet.separatorHours, part.hoursAtFit),
            acres: Math.max(sheet.acres, part.acresAtFit),
          };
          const { hours, acres, used, acresLeft, wornBeforeTheEnd } = wearStanding(part, now, share);
          return (
            <li key={part.id} className="py-3">
              <p className="flex flex-wrap items-baseline justify-between gap-x-4">
                <b>{part.name}</b>
                <span className="text-sm text-muted">{part.position}</span>
                <span className={`ml-auto text-xl font-bold ${used !== null && used >= 1 ? 'text-clay' : ''}`}>
                  {used === null ? '–' : `${percent(used, 0)} gone`}
                </span>
              </p>
              <p className="text-sm text-muted">
                {number(hours)} h and {areaWhole(acres).text} on {part.name.toLowerCase()}
                {acresLeft === null
                  ? ''
                  : `; ${areaWhole(acresLeft)} left in it, about ${areaWhole.figure(share)} to cut`}
              </p>
              {wornBeforeTheEnd && (
                <p className="font-semibold">◐ Worn before the season is done: have the next set on the shelf.</p>
              )}
              <div className="mt-2 flex flex-wrap items-center gap-3">
                {part.photos.map((photoId, i) => (
                  <Photo
                    key={photoId}
                    photoId={photoId}
                    alt={`${part.name}, picture ${i + 1} of ${part.photos.length}`}
                    size={72}
                  />
                ))}
                <PhotoBox
                  label="Photograph"
                  about={`${sheet.name}: ${part.name}`.slice(0, 120)}
                  onTaken={(photoId) => change(part.id, (one) => ({ photos: [...one.photos, photoId] }))}
                />
                <Button
                  look="quiet"
                  className="!px-0 text-sm"
                  onClick={() =>
                    void change(part.id, () => ({
                      hoursAtFit: sheet.separatorHours,
                      acresAtFit: sheet.acres,
                      photos: [],
                    }))
                  }
                >
                  New ones fitted
                </Button>
              </div>
            </li>
          );
        })}
      </ul>
      <Button className="mt-2" onClick={onAdd}>
        Add a wear part
      </Button>
    </section>
  );
}
