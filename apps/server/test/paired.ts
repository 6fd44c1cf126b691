import type { NewLink } from '@fanega/contract';
import type { Client, Harness } from './harness.js';

/** A phone that a manager paired for a job, as its browser then calls. */
export async function pairedPhone(
  harness: Harness,
  manager: Client,
  farmId: string,
  job: object,
  driver = 'Ana',
): Promise<Client> {
  const { secret } = (await manager.post<NewLink>(`/farms/${farmId}/members/phones`, { days: 30, ...job })).body;
  const phone = harness.client();
  const taken = await phone.post(`/jobs/${secret}/take`, { name: driver });
  phone.cookie = taken.headers.get('set-cookie')!.split(';')[0]!;
  return phone;
}
