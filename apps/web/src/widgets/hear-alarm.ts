import { living } from '@fanega/core';
import { ulid } from 'ulid';
import { type Farm, useJob, useRole, useHaulRecords } from '../data/farm';
import { write } from '../data/outbox';
import { logged } from '../data/records';

/** Keys of the alarms that somebody sees to: they are quiet for all. */
export function useHeard(): ReadonlySet<string> {
  const logs = useHaulRecords().data?.logs.alarmHeard ?? [];
  return new Set(living<'alarmHeard'>(logs).map(({ body }) => body.key));
}

/** Says for everybody that one sees to an alarm; a viewer only reads. */
export function useHear(farm: Farm): ((key: string, what: string) => Promise<void>) | null {
  const [role, job] = [useRole(), useJob()];
  if (role === 'viewer' && !job) return null;
  return async (key, what) => {
    const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), key: key.slice(0, 120), what: what.slice(0, 200) };
    await write(farm.id, logged(farm.id, 'alarmHeard', body), what.slice(0, 200), { wait: true });
  };
} // prettier-ignore
