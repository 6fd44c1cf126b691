import type { Farm } from '../../../data/farm';
import { area, grain, ground } from '../../../quantity/quantity';
import { clock, spanText } from '../../../quantity/time';
import { useFieldLeft } from '../../../widgets/use-field-left';
import { say } from '../../../words';

/** "42.3 ac left: 8 passes, 1 h 50 min", with what stays after this pass, what waits, and whether the tank makes the round; a tap counts rows. */
export default function LeftLine({
  farm,
  machineId,
  lotId,
  inTankKg,
  onCount,
}: {
  farm: Farm;
  machineId: string;
  lotId: string | undefined;
  inTankKg: number;
  onCount: () => void;
}) {
  const found = useFieldLeft(farm, machineId, lotId, inTankKg);
  if (!found || found.acres <= 0) return null;
  const { left, facts, round } = found;
  const per = farm.kgPerBu(facts.crop.id);
  const waiting = found.zones.filter(({ waits }) => waits);
  const parts = [
    left.passes !== null && say(left.passes === 1 ? 'leftPass' : 'leftPasses', { n: left.passes }),
    left.rows !== null && say('leftRows', { n: left.rows }),
    left.hours !== null && say('leftTime', { span: spanText(60 * left.hours) }),
    left.kg !== null &&
      (left.loads === null
        ? say('leftGrainOnly', { much: grain(left.kg, per).text })
        : say('leftGrain', { much: grain(left.kg, per).text, loads: Math.ceil(left.loads - 0.05) })),
  ].filter((one) => one !== false);
  const by =
    found.by === 'rows'
      ? say('leftByRows', { time: clock(facts.counted!.at, farm.data.farm.timeZone) })
      : found.by === 'display'
        ? say('leftByDisplay')
        : say(found.by === 'loads' ? 'leftByLoads' : 'leftByField');
  return (
    <button type="button" onClick={onCount} className="min-h-14 border-y border-rule py-2 text-left">
      <span className="block text-xl font-semibold">
        {say('leftHead', { field: facts.row.lot.fieldName, area: area(found.acres).text })}
      </span>
      {left.rowsAfterThis !== null && left.passes !== null && left.passes <= 2 && (
        <b className="block text-xl text-clay">■ {say('leftAfter', { n: left.rowsAfterThis })}</b>
      )}
      <span className="block">
        {parts.join(', ')} <span className="text-muted">({by})</span>
      </span>
      {waiting.length > 0 && (
        <span className="block">
          ◐{' '}
          {say('leftWaits', {
            area: area(waiting.reduce((sum, { zone }) => sum + zone.acres, 0)).text,
            zones: waiting.map(({ zone }) => zone.name).join(', '),
          })}
        </span>
      )}
      {round !== null && (
        <span className={round.makesIt ? 'text-muted' : 'font-semibold'}>
          {round.makesIt || round.fullAfter === null
            ? say('leftRound')
            : say('leftRoundNot', { length: ground(round.fullAfter).text })}
        </span>
      )}
    </button>
  );
}
