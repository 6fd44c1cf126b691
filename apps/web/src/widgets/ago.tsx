import { Popover } from 'radix-ui';
import { useFarm } from '../data/farm';
import { moment, since } from '../quantity/time';
import { useTicking } from '../ui/use-ticking';

/** "3 minutes ago" by the farm's clock; a tap says the moment itself. */
export function Ago({
  at,
  wall = false,
}: {
  at: string | number;
  /** Of people, not of grain: a demo's farm lives in another season. */ wall?: boolean;
}) {
  const farm = useFarm();
  useTicking();
  return (
    <Popover.Root>
      <Popover.Trigger className="underline decoration-rule decoration-dotted underline-offset-4">
        {since(at, wall ? Date.now() : farm.clock())}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content sideOffset={4} className="z-40 border border-ink bg-paper px-3 py-2 text-ink">
          {moment(at, farm.data.farm.timeZone)}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
