import type { LevelInfo } from '@fanega/contract';
import { type Farm, useLevels } from '../../../data/farm';
import { grain, length } from '../../../quantity/quantity';
import { clock } from '../../../quantity/time';
import { Ago } from '../../../widgets/ago';
import { Suspects } from './suspects';

/** Bins whose sensor and book do not say the same; with `all` those that agree too. */
export function Levels({ farm, all = false }: { farm: Farm; all?: boolean }) {
  const levels = useLevels().data ?? [];
  const shown = all ? levels : levels.filter(({ answer }) => answer !== 'agrees');
  if (shown.length === 0) return null;
  return (
    <section aria-label="Level sensors" className="border-b border-ink px-5 py-4 lg:px-6">
      <ul className="space-y-3">
        {shown.map((one) => (
          <li key={one.placeId}>
            <Level farm={farm} one={one} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Level({ farm, one }: { farm: Farm; one: LevelInfo }) {
  const per = farm.kgPerBu(farm.cropOf(farm.held(one.placeId).lots));
  const said = (kg: number): string => grain(Math.abs(kg), per).text;
  const name = farm.placeName(one.placeId);
  const since = clock(one.sinceMs, farm.data.farm.timeZone);
  if (one.answer === 'agrees')
    return (
      <p>
        <b>{name}</b>: {length(one.belowEave).text} down, <Ago at={one.atMs} />. Since {since} it{' '}
        {one.riseKg >= 0 ? 'rose' : 'fell'} by {said(one.riseKg)}, as the book says.
      </p>
    );
  return (
    <>
      <p className="text-lg">
        <b className="text-clay">
          ■ {name} {one.riseKg >= 0 ? 'rose' : 'fell'} by {said(one.riseKg)} since {since}
        </b>
        , and the book{' '}
        {Math.abs(one.bookedKg) < per
          ? 'brought nothing there'
          : `has ${one.bookedKg > 0 ? '+' : '−'}${said(one.bookedKg)}`}
        : {said(one.differenceKg)} {one.answer === 'more' ? 'more' : 'less'} than the loads, beyond the{' '}
        {said(one.errorKg)} that a sensor can be off.
      </p>
      <Suspects
        farm={farm}
        binId={one.placeId}
        found={one}
        per={per}
        again="then the level is held against the book again"
      />
    </>
  );
}
