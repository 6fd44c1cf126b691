import { LOG_KINDS, type LogEntry, type LogName, type LogRecords, SETTING_KINDS, type SettingName } from '@fanega/core';
import { expect, type Page } from '@playwright/test';
import { ofThisWorker, SET_UP_CODE } from './pages';

export const OWN = ofThisWorker(process.env.FANEGA_E2E_OWN);
const MAIL = 'oona@example.invalid';
const PASSWORD = 'a password for the shed';

export interface OwnFarm {
  readonly id: string;
  readonly post: <T = unknown>(path: string, body: object) => Promise<T>;
  readonly get: <T>(path: string) => Promise<T>;
  readonly put: (path: string, body: object) => Promise<void>;
}

/** A farm of the tests' own, begun by the first of them; the page is signed in. */
export async function ownFarm(page: Page): Promise<OwnFarm> {
  const headers = { Origin: OWN };
  const sign = async () =>
    page.request.post(`${OWN}/api/auth/sign-in`, { headers, data: { email: MAIL, password: PASSWORD } });
  if (!(await sign()).ok()) {
    const begun = await page.request.post(`${OWN}/api/auth/set-up`, {
      headers,
      data: {
        code: SET_UP_CODE,
        farm: 'Kestrel Levee Farms',
        name: 'Oona',
        email: MAIL,
        password: PASSWORD,
        timeZone: 'America/Chicago',
      },
    });
    expect(begun.ok()).toBe(true);
  }
  const me = (await (await page.request.get(`${OWN}/api/auth/me`)).json()) as { farms: { id: string }[] };
  const id = me.farms[0]!.id;
  const call = async (method: 'post' | 'put', path: string, data: object): Promise<unknown> => {
    const response = await page.request[method](`${OWN}/api/farms/${id}/${path}`, { headers, data });
    expect(response.ok(), `${path}: ${await response.text()}`).toBe(true);
    return response.json();
  };
  return {
    id,
    post: <T>(path: string, body: object) => call('post', path, body) as Promise<T>,
    get: async <T>(path: string) => (await (await page.request.get(`${OWN}/api/farms/${id}/${path}`)).json()) as T,
    put: async (path, body) => void (await call('put', path, body)),
  };
}

const kebab = (name: string): string => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

/** Records something beside the book. */
export const keep = (farm: OwnFarm, name: LogName, body: object): Promise<unknown> =>
  farm.post(`${LOG_KINDS[name].station}/${kebab(name)}`, body);
export const takeBack = (farm: OwnFarm, name: LogName, id: string): Promise<unknown> =>
  farm.post(`${LOG_KINDS[name].station}/${kebab(name)}/${id}/void`, {});
/** Sets something for a subject that nobody has set yet. */
export const setUp = (farm: OwnFarm, name: SettingName, subject: string, value: object): Promise<void> =>
  farm.put(`${SETTING_KINDS[name].station}/${kebab(name)}/${subject}`, { revision: 0, value });
/** Records of a kind, newest first. */
export const records = async <N extends LogName>(farm: OwnFarm, name: N): Promise<readonly LogRecords[N][]> => {
  const { logs } = await farm.get<{ logs: Record<N, readonly LogEntry<N>[]> }>(`${LOG_KINDS[name].station}/records`);
  return logs[name].map(({ body }) => body);
};

export async function addField(
  farm: OwnFarm,
  name: string,
  tag: string,
  acres: number,
  crop = 'corn',
): Promise<{ lotId: string; fieldId: string }> {
  const { lotId } = await farm.post<{ lotId: string }>('fields', {
    name,
    acres,
    crop,
    variety: 'KL 1180',
    tag,
    season: new Date().getUTCFullYear(),
  });
  const rows = await farm.get<{ lot: { id: string; fieldId: string } }[]>('lots');
  return { lotId, fieldId: rows.find(({ lot }) => lot.id === lotId)!.lot.fieldId };
}

export const addPlace = async (farm: OwnFarm, name: string, kind: string, capacityBu?: number): Promise<string> =>
  (
    await farm.post<{ placeId: string }>('places', {
      name,
      kind,
      withdrawal: 'mixed',
      ...(capacityBu === undefined ? {} : { capacityBu }),
    })
  ).placeId;
