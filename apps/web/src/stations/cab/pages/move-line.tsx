import type { Farm } from '../../../data/farm';
import { length } from '../../../quantity/quantity';
import { clock, spanText } from '../../../quantity/time';
import { useMoves } from '../../../widgets/use-moves';
import { say } from '../../../words';

/** "Next: Heron Slough, leaves 3:40 pm, 21 min; Ida ahead": where this machine goes when the field is cut. */
export default function MoveLine({ farm, machineId }: { farm: Farm; machineId: string }) {
  const view = useMoves(farm);
  const move = view?.moves[0];
  const trip = move?.trips.find(({ rig }) => rig.placeId === machineId);
  if (!move || !trip) return null;
  const { timeZone } = farm.data.farm;
  const { rig, leavesMs, minutes, light } = trip;
  const facts = [
    leavesMs !== null
      ? say('moveLeaves', { time: clock(leavesMs, timeZone) })
      : move.notToday
        ? say('moveNotToday')
        : null,
    minutes === null ? null : say('moveTakes', { span: spanText(minutes) }),
    rig.road.headOnCart && rig.head ? say('moveHead', { head: rig.head }) : null,
    say('moveWidth', { length: length(rig.road.width).text }),
  ].filter((one) => one !== null);
  const warnings = [
    rig.road.escort && (move.escort ? say('moveEscort', { name: move.escort.name, vehicle: move.escort.vehicle }) : say('moveNoEscort')), // prettier-ignore
    (light === 'dark' || light === 'dusk') && say(light === 'dark' ? 'moveDark' : 'moveDusk'),
    !move.notToday &&
      move.leaveByMs !== null &&
      light !== 'day' &&
      say('moveBy', { time: clock(move.leaveByMs, timeZone) }),
    move.noRide.length > 0 && say('moveNoRide', { names: move.noRide.join(', ') }),
  ].filter((one) => one !== false);
  return (
    <section aria-label={say('moveHeading')} className="border-y border-rule py-2">
      <p className="text-xl font-semibold">{say('moveNext', { field: farm.lot(move.toLotId)?.fieldName ?? '' })}</p>
      <p>{facts.join(', ')}</p>
      {warnings.map((words) => (
        <p key={words} className="font-semibold">
          {words}
        </p>
      ))}
    </section>
  );
}
