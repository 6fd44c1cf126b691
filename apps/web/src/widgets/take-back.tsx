import type { LogName } from '@fanega/core';
import { useState } from 'react';
import { toast } from '../ui/toast';
import { ApiError } from '../data/api';
import { useFarm, useRefreshFarm } from '../data/farm';
import { write } from '../data/outbox';
import { takenBack } from '../data/records';
import { Button } from '../ui';

/** Takes a record back: it counts no longer, and is still there. */
export function useTakeBack(): (of: LogName, id: string) => Promise<void> {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  return async (of, id) => {
    try {
      const { waits } = await write(farm.id, takenBack(farm.id, of, id), 'something taken back');
      await refresh();
      toast(waits ? 'Taken back on this device; it goes out when the signal is back' : 'Taken back');
    } catch (error) {
      toast.error(error instanceof ApiError ? error.message : 'This did not work.');
    }
  };
}

/** Says what was recorded, with the way back beside it. */
export function useRecorded(): (what: string, of: LogName, id: string) => void {
  const takeBack = useTakeBack();
  return (what, of, id) =>
    void toast.success(what, { action: { label: 'Undo', onClick: () => void takeBack(of, id) }, duration: 8000 });
}

/** A quiet way back that asks once. */
export function TakeBack({ of, id, label = 'Take it back' }: { of: LogName; id: string; label?: string }) {
  const takeBack = useTakeBack();
  const [sure, setSure] = useState(false);
  return (
    <Button look="quiet" className="!px-0 text-sm" onClick={() => (sure ? void takeBack(of, id) : setSure(true))}>
      {sure ? 'Yes, take it back' : label}
    </Button>
  );
}
