import type { RankedField } from '@fanega/core';
import { useRef } from 'react';
import { toast } from '../../../ui/toast';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, Problem } from '../../../ui';
import { logged } from '../../../data/records';
import { write } from '../../../data/outbox';

/** Says it to everybody, the dryer keeper first, before the first new load. */
export function Tell({
  farm,
  lotId,
  name,
  moisture,
  dryer,
  first,
}: {
  farm: Farm;
  lotId: string;
  name: string;
  moisture: number | null;
  dryer: RankedField['dryer'];
  first: boolean;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const id = useRef(ulid());
  const tell = async (): Promise<void> => {
    const body = {
      id: id.current,
      at: new Date(farm.clock()).toISOString(),
      lotId,
      ...(moisture === null ? {} : { moisture }),
      ...(dryer === null ? {} : { step: Math.round(dryer.step * 100) / 100 }),
      ...(typeof dryer?.dryerBushelsPerHour !== 'number'
        ? {}
        : { dryerBushelsPerHour: Math.round(dryer.dryerBushelsPerHour) }),
      ...(typeof dryer?.wetBinFullHours !== 'number'
        ? {}
        : { wetBinFullHours: Math.round(dryer.wetBinFullHours * 100) / 100 }),
    };
    if (!(await sending.send(() => write(farm.id, logged(farm.id, 'nextFieldNotice', body), 'the next field')))) return;
    id.current = ulid();
    toast(`${name} is next: it stands on Dry and Today`);
    await refresh();
  };
  return (
    <>
      <Button
        look={first ? 'do' : 'quiet'}
        className={first ? '' : '!px-0 text-sm'}
        disabled={sending.busy}
        onClick={() => void tell()}
      >
        {name} is next: tell the dryer
      </Button>
      <Problem className="w-full">{sending.message}</Problem>
    </>
  );
}
