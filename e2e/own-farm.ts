import { LOG_KINDS, type LogEntry, type LogName, type LogRecords, SETTING_KINDS, type SettingName } from '@fanega/core';
import { expect, type Page, test } from '@playwright/test';
import { ofThisWorker, SET_UP_CODE } from './pages';

export const OWN = ofThisWorker(process.env.FANEGA_E2E_OWN);
const MAIL = 'oona@example.invalid';
const PASSWORD = 'a password for the shed';

export interface OwnFarm {
  readonly id: string;
  readonly name: string;
  readonly post: <T = unknown>(path: string, body: object) => Promise<T>;
  readonly get: <T>(path: string) => Promise<T>;
  readonly put: (path: string, body: object) => Promise<void>;
}

/** The farm of each walk of this worker: what one leaves in tank, cart and truck is no other one's harvest. */
const begun = new Map<string, string>();

/** The farm of this walk alone, the same one on each of its devices; the page is signed in and opens it. */
export async function ownFarm(page: Page): Promise<OwnFarm> {
  const headers = { Origin: OWN };
  const sign = async () =>
    page.request.post(`${OWN}/api/auth/sign-in`, { headers, data: { email: MAIL, password: PASSWORD } });
  if (!(await sign()).ok()) {
    const first = { code: SET_UP_CODE, farm: 'Root', name: 'Oona', email: MAIL, password: PASSWORD, timeZone: 'America/Chicago' }; // prettier-ignore
    expect((await page.request.post(`${OWN}/api/auth/set-up`, { headers, data: first })).ok()).toBe(true);
  }
  const walk = test.info().testId;
  const name = `Kestrel Levee ${walk}`;
  const id = begun.get(walk) ?? (await beginFarm(page, name));
  begun.set(walk, id);
  // Before the program asks which farm it was last on; a walk that goes to another one stays there.
  await page.context().addInitScript((own) => {
    if (localStorage.getItem('fanega.farm') === null) localStorage.setItem('fanega.farm', own);
  }, id);
  const call = async (method: 'post' | 'put', path: string, data: object): Promise<unknown> => {
    const response = await page.request[method](`${OWN}/api/farms/${id}/${path}`, { headers, data });
    expect(response.ok(), `${path}: ${await response.text()}`).toBe(true);
    return response.json();
  };
  return {
    id,
    name,
    post: <T>(path: string, body: object) => call('post', path, body) as Promise<T>,
    get: async <T>(path: string) => (await (await page.request.get(`${OWN}/api/farms/${id}/${path}`)).json()) as T,
    put: async (path, body) => void (await call('put', path, body)),
  };
}

async function beginFarm(page: Page, farm: string): Promise<string> {
  const data = { farm, timeZone: 'America/Chicago' };
  const answer = await page.request.post(`${OWN}/api/profile/farms`, { headers: { Origin: OWN }, data });
  expect(answer.ok(), await answer.text()).toBe(true);
  return ((await answer.json()) as { id: string }).id;
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
