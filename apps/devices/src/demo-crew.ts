import type { Sender } from './day/play.js';

/** The crew of a demo farm, who writes down what no device sees; null where the farm is none. */
export async function demoCrew(url: string): Promise<Sender | null> {
  const address = url.replace(/\/$/, '');
  const headers: Record<string, string> = { Origin: address, 'Content-Type': 'application/json' };
  const entered = await fetch(`${address}/api/auth/demo`, { method: 'POST', headers });
  if (!entered.ok) return null;
  headers.Cookie = entered.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ');
  const me = (await (await fetch(`${address}/api/auth/me`, { headers })).json()) as { farms: { id: string }[] };
  const farm = me.farms[0];
  if (!farm) return null;
  return {
    async send<T>(record: string, body: object): Promise<T> {
      const response = await fetch(`${address}/api/farms/${farm.id}/${record}`, { method: 'POST', headers, body: JSON.stringify(body) }); // prettier-ignore
      const answer = (await response.json().catch(() => null)) as (T & { message?: string }) | null;
      if (!response.ok || answer === null) throw new Error(answer?.message ?? `the farm answered ${response.status}`);
      return answer;
    },
  };
}
