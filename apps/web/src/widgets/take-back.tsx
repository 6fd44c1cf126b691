import { useState } from 'react';
import { toast } from 'sonner';
import { ApiError, post } from '../data/api';
import { useFarm, useRefreshFarm } from '../data/farm';
import { Button } from '../ui';

/** Takes a reading or a note back: it counts no longer, and is still there. */
export function useTakeBack(): (path: string) => Promise<void> {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  return async (path) => {
    try {
      await post<object>(`/farms/${farm.id}/${path}/void`);
      await refresh();
      toast('Taken back');
    } catch (error) {
      toast.error(error instanceof ApiError ? error.message : 'This did not work.');
    }
  };
}

/** Says what was recorded, with the way back beside it. */
export function useRecorded(): (what: string, path: string) => void {
  const takeBack = useTakeBack();
  return (what, path) => void toast.success(what, { action: { label: 'Undo', onClick: () => void takeBack(path) }, duration: 8000 });
}

/** A quiet way back that asks once. */
export function TakeBack({ path, label = 'Take it back' }: { path: string; label?: string }) {
  const takeBack = useTakeBack();
  const [sure, setSure] = useState(false);
  return (
    <Button look="quiet" className="!px-0 text-sm" onClick={() => (sure ? void takeBack(path) : setSure(true))}>
      {sure ? 'Yes, take it back' : label}
    </Button>
  );
}
