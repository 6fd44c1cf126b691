import { bareMachine, calendarDay, type CropId, itemsOf, type Machine, type MachineKind, machinesOf, type ShedRecords, templateOf } from '@fanega/core'; // prettier-ignore
import { ulid } from 'ulid';
import type { Farm } from '../data/farm';

/** A machine that comes into the shed, with the farm's own list of what is seen to before its first day. */
export function newMachine(
  farm: Farm,
  shed: ShedRecords,
  id: string,
  of: {
    readonly kind: MachineKind;
    readonly name: string;
    /** who sees to it */
    readonly owner?: string;
    /** crops that it is only for; none: for all */
    readonly crops?: readonly CropId[];
    /** its vessel in the book */
    readonly placeId?: string | undefined;
  },
): Machine {
  const bare: Machine = {
    ...bareMachine(of.kind, of.name),
    ...(of.crops && of.crops.length > 0 ? { crops: [...of.crops] } : {}),
  };
  const [asset] = machinesOf(
    { ...shed, settings: { ...shed.settings, machine: { [id]: { revision: 0, value: bare } } } },
    calendarDay(farm.data.now, farm.data.farm.timeZone),
  );
  return {
    ...bare,
    items: itemsOf(templateOf(shed, of.kind), asset!.by.day, of.owner ?? '', ulid),
    ...(of.placeId === undefined ? {} : { placeId: of.placeId }),
  };
}
