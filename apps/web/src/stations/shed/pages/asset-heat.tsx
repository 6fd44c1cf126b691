import { byPart, type HeatVerdict, living, PART_HEAT_LIMITS, partHeat, type ShedRecords } from '@fanega/core';
import type { Farm } from '../../../data/farm';
import { temperature, warmer } from '../../../quantity/quantity';
import { dated, since } from '../../../quantity/time';
import { Section } from '../../../ui/page';
import { Status } from '../../../ui/status';
import { Hazard } from '../../../widgets/hazard';
import { TakeBack } from '../../../widgets/take-back';
import { PartTreeList } from './part-tree';

const WORDS: Readonly<Record<HeatVerdict['verdict'], string>> = { stop: 'Stop, cool, look', watch: 'Watch it', fine: 'As usual' }; // prettier-ignore

const because = (heat: HeatVerdict): string => {
  switch (heat.because) {
    case 'too hot to hold':
      return 'a hand cannot stay on it';
    case 'very hot':
      return `${temperature(heat.newest.celsius!).text} is too hot for any bearing`;
    case 'far above its usual':
      return `${warmer(heat.rise!).text} above the air, usually ${warmer(heat.usual!).text}`;
    case 'hot':
      return `${temperature(heat.newest.celsius!).text}`;
    case 'noticed':
      return heat.newest.noticed;
    case 'as usual':
      return heat.newest.celsius === undefined ? 'by hand' : temperature(heat.newest.celsius).text;
  }
};

/** Parts whose heat somebody wrote down, each with its verdict and its history. */
export function AssetHeat({ farm, shed, placeId }: { farm: Farm; shed: ShedRecords; placeId: string }) {
  const parts = [...byPart(living(shed.logs.partHeat).map(({ body }) => body).filter((heat) => heat.placeId === placeId)).values()].map((readings) => ({ readings, heat: partHeat(readings) })); // prettier-ignore
  if (parts.length === 0) return null;
  const now = farm.clock();
  const hot = parts.some(({ heat }) => heat.verdict === 'stop');
  return (
    <Section label="Heat of parts" className="border-t border-ink px-5 py-5 lg:col-span-2 lg:px-6">
      <h3 className="text-xl">Heat of parts</h3>
      <ul className="mt-2 max-w-4xl divide-y divide-rule">
        {parts.map(({ readings, heat }) => (
          <li key={heat.newest.id} className="py-2">
            <p>
              <Status state={heat.verdict === 'stop' ? 'bad' : heat.verdict === 'watch' ? 'watch' : 'good'}>
                {WORDS[heat.verdict]}
              </Status>
              : <b>{heat.newest.part}</b>, {because(heat)}
              {heat.greasedMs === null ? '. No greasing recorded.' : `. Greased ${since(heat.greasedMs, now)}.`}
            </p>
            <p className="text-sm text-muted">
              {readings
                .slice(0, 6)
                .map((one) =>
                  `${dated(one.at, farm.data.farm.timeZone)} ${one.celsius === undefined ? '' : temperature(one.celsius).text} ${one.noticed}`.trim(),
                )
                .join('; ')}{' '}
              <TakeBack of="partHeat" id={heat.newest.id} label="Take the newest back" />
            </p>
          </li>
        ))}
      </ul>
      <PartTreeList
        farm={farm}
        placeId={placeId}
        kept={shed.settings.partTree[placeId]}
        heats={parts.flatMap(({ readings }) => readings)}
      />
      {hot && <Hazard card="hotBearing" before={`${farm.placeName(placeId)}: a hot part`} />}
      <p className="mt-2 text-sm text-muted">
        Stopped from {temperature(PART_HEAT_LIMITS.stop).text}, or {warmer(PART_HEAT_LIMITS.aboveUsual).text} above what
        it usually is over the air; watched from {temperature(PART_HEAT_LIMITS.watch).text}. Common practice: the
        machine’s book counts.
      </p>
    </Section>
  );
}
