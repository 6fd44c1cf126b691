import type { SettingEntry, ShedRecords } from '@fanega/core';
import { ApiError, get } from '../../data/api';
import { useFarm, useRefreshFarm } from '../../data/farm';
import { write } from '../../data/outbox';
import { setting } from '../../data/records';
import { type Sending, useSend } from '../../data/use-send';

type Kind = 'machine' | 'changeover';

/**
 * Changes a machine or its changeover. Somebody may have ticked another line meanwhile: then the change is made once more on what is
 * set now, which loses neither.
 */
type Change<N extends Kind> = (
  make: (value: SettingEntry<N>['value']) => SettingEntry<N>['value'],
  from: SettingEntry<N>,
) => Promise<boolean>;

export function useSettingChange<N extends Kind>(
  kind: N,
  id: string,
): Sending & {
  /** Keeps what was refused, for the page to show; false then. */
  readonly change: Change<N>;
  /** Throws what was refused, for a form to show at its boxes. */
  readonly changeOrThrow: Change<N>;
} {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const save = (entry: SettingEntry<N>): Promise<unknown> => write(farm.id, setting(farm.id, kind, id, entry));
  const changeOrThrow: Change<N> = async (make, from) => {
    try {
      await save({ revision: from.revision, value: make(from.value) });
    } catch (error) {
      if (!(error instanceof ApiError && error.code === 'setting_changed')) throw error;
      const records: ShedRecords = await get('/api/farms/{farmId}/shed/records', { path: { farmId: farm.id } });
      const now = records.settings[kind][id] as SettingEntry<N> | undefined;
      if (!now) throw error;
      await save({ revision: now.revision, value: make(now.value) });
    } finally {
      await refresh();
    }
    return true;
  };
  return {
    ...sending,
    changeOrThrow,
    change: async (make, from) => (await sending.send(() => changeOrThrow(make, from))) ?? false,
  };
}
