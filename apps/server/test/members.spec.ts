import type { AuditLine, InviteInfo, MemberInfo, NewLink, NewToken, ProfileAnswer, TokenInfo } from '@fanega/contract';
import { ulid } from 'ulid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, Harness, smallFarm } from './harness.js';

let harness: Harness;
let owner: Client;
let farmId: string;
let p: Awaited<ReturnType<typeof smallFarm>>;

beforeAll(async () => {
  harness = await Harness.start();
  ({ client: owner, farmId } = await harness.owner());
  p = await smallFarm(owner, farmId);
});
afterAll(() => harness.stop());

interface Refusal {
  code: string;
  message: string;
}
const at = (path: string): string => `/farms/${farmId}/${path}`;
const load = () => ({ entries: [{ id: ulid(), type: 'harvest', lot: p.hs, to: p.cart, wetKg: 500, moisture: 0.15, at: '2026-09-10T12:00:00Z' }] }); // prettier-ignore
const invite = async (by: Client, role: string) => by.post<NewLink>(at('members/invites'), { role, givenTo: 'Dell', days: 7 }); // prettier-ignore
const members = async (): Promise<MemberInfo[]> => (await owner.get<MemberInfo[]>(at('members'))).body;

/** Comes in by a link with an account of his own. */
async function comeIn(role: string, name: string): Promise<Client> {
  const { secret } = (await invite(owner, role)).body;
  const client = harness.client();
  const answer = await client.post(`/invites/${secret}/accept`, { name, email: `${name}@example.invalid`, password: 'a long enough one' }); // prettier-ignore
  expect(answer.status).toBe(204);
  client.cookie = answer.headers.get('set-cookie')!.split(';')[0]!;
  return client;
}

describe('somebody is invited', () => {
  it('comes in once by the link, records under his own name, is made less, and goes', async () => {
    const { body } = await invite(owner, 'operator');
    const stranger = harness.client();
    expect((await stranger.get(`/invites/${body.secret}`)).body).toMatchObject({ kind: 'join', role: 'operator', givenTo: 'Dell', email: null }); // prettier-ignore
    const account = { name: 'Dell', email: 'Dell@Example.invalid', password: 'a long enough one' };
    expect((await stranger.post(`/invites/${body.secret}/accept`, { ...account, password: 'short' })).status).toBe(400);
    const came = await stranger.post(`/invites/${body.secret}/accept`, account);
    expect(came.status).toBe(204);
    stranger.cookie = came.headers.get('set-cookie')!.split(';')[0]!;
    const batch = load();
    expect((await stranger.post(at('entries'), batch)).status).toBe(200);
    const tape = (await owner.get<{ entry: { by: string } }>(at(`entries/${batch.entries[0]!.id}`))).body;
    expect(tape.entry.by).toBe('Dell');
    // The door is shut behind him, also for two who come together.
    expect((await harness.client().post(`/invites/${body.secret}/accept`, { ...account, email: 'b@example.invalid' })).status).toBe(404); // prettier-ignore
    expect((await stranger.get(at('members'))).status).toBe(403);
    const dell = (await members()).find(({ name }) => name === 'Dell')!;
    expect(dell).toMatchObject({ role: 'operator', email: 'dell@example.invalid', sessions: 1, self: false });
    expect((await owner.put(at(`members/${dell.userId}/role`), { role: 'viewer' })).status).toBe(200);
    expect((await stranger.post(at('entries'), load())).status).toBe(403);
    expect((await owner.post(at(`members/${dell.userId}/remove`), {})).status).toBe(200);
    expect((await stranger.get(at('now'))).status).toBe(403);
    const [used] = (await owner.get<InviteInfo[]>(at('members/invites'))).body;
    expect(used).toMatchObject({ usedBy: 'Dell', revoked: false });
    expect(JSON.stringify(used)).not.toContain(body.secret);
  });

  it('gives nobody more than he has, and keeps an owner in every farm', async () => {
    const manager = await harness.member(farmId, 'manager');
    expect((await invite(manager, 'owner')).status).toBe(403);
    expect((await invite(manager, 'manager')).status).toBe(201);
    const self = (await members()).find((one) => one.self)!;
    expect((await manager.post(at(`members/${self.userId}/remove`), {})).status).toBe(403);
    expect((await manager.put(at(`members/${self.userId}/role`), { role: 'viewer' })).status).toBe(403);
    const last = await owner.put<Refusal>(at(`members/${self.userId}/role`), { role: 'manager' });
    expect([last.status, last.body.message]).toEqual([409, expect.stringMatching(/has an owner/)]);
    expect((await owner.post(at(`members/${self.userId}/remove`), {})).status).toBe(409);
    const { id, secret } = (await invite(owner, 'viewer')).body;
    expect((await owner.post(at(`members/invites/${id}/revoke`), {})).status).toBe(200);
    expect((await harness.client().get(`/invites/${secret}`)).status).toBe(404);
  });

  it('belongs to two farms with one account', async () => {
    const tilda = await comeIn('operator', 'tilda');
    const other = await harness.otherFarm();
    const { secret } = (await other.client.post<NewLink>(`/farms/${other.farmId}/members/invites`, { role: 'viewer', givenTo: 'Tilda', days: 3 })).body; // prettier-ignore
    const again = await harness.client().post<Refusal>(`/invites/${secret}/accept`, { name: 'T', email: 'tilda@example.invalid', password: 'a long enough one' }); // prettier-ignore
    expect([again.status, again.body.message]).toEqual([409, expect.stringMatching(/sign in first/)]);
    expect((await tilda.post(`/invites/${secret}/join`, {})).body).toEqual({ id: other.farmId });
    const me = (await tilda.get<{ farms: { id: string; role: string }[] }>('/auth/me')).body;
    expect(me.farms.map(({ id, role }) => [id, role]).sort()).toEqual([[farmId, 'operator'], [other.farmId, 'viewer']].sort()); // prettier-ignore
    // Her password is of another farm's people too: no owner takes it from her.
    const { userId } = (await members()).find(({ name }) => name === 'tilda')!;
    expect((await owner.post(at(`members/${userId}/password-link`), {})).status).toBe(403);
  });
});

describe('one’s own account', () => {
  it('has its sessions, ends them, changes its password; a forgotten one is replaced by a link', async () => {
    const bea = await comeIn('operator', 'bea');
    const again = harness.client();
    const sign = (password: string) => again.post('/auth/sign-in', { email: 'bea@example.invalid', password });
    const signed = await sign('a long enough one');
    again.cookie = signed.headers.get('set-cookie')!.split(';')[0]!;
    const { body } = await bea.get<ProfileAnswer>('/profile');
    expect([body.name, body.sessions.length, body.sessions.filter(({ here }) => here).length]).toEqual(['bea', 2, 1]);
    expect((await bea.post(`/profile/sessions/${body.sessions.find(({ here }) => !here)!.id}/end`, {})).status).toBe(204); // prettier-ignore
    expect((await again.get('/profile')).status).toBe(401);
    expect((await bea.post('/profile/password', { old: 'wrong', password: 'another long one' })).status).toBe(401);
    expect((await bea.post('/profile/password', { old: 'a long enough one', password: 'bea@example.invalid' })).status).toBe(422); // prettier-ignore
    expect((await bea.post('/profile/password', { old: 'a long enough one', password: 'another long one' })).status).toBe(204); // prettier-ignore
    expect((await sign('a long enough one')).status).toBe(401);
    expect((await bea.put('/profile/name', { name: 'Bea' })).status).toBe(204);
    const { userId } = (await members()).find(({ name }) => name === 'Bea')!;
    const { secret } = (await owner.post<NewLink>(at(`members/${userId}/password-link`), {})).body;
    expect((await again.get(`/invites/${secret}`)).body).toMatchObject({
      kind: 'password',
      email: 'bea@example.invalid',
    });
    expect((await again.post(`/invites/${secret}/password`, { password: 'the third long one' })).status).toBe(204);
    expect((await bea.get('/profile')).status).toBe(401);
    expect((await sign('the third long one')).status).toBe(204);
    expect((await owner.post(at(`members/${userId}/sign-out`), {})).status).toBe(200);
    expect((await again.get(`/invites/${secret}`)).status).toBe(404);
  });
});

describe('a token for a program of one’s own', () => {
  const bearing = (token: string): Client => {
    const client = harness.client();
    const call = client.call.bind(client);
    client.call = (method, path, body, headers) => call(method, path, body, { ...headers, Authorization: `Bearer ${token}`, Origin: 'https://elsewhere.invalid' }); // prettier-ignore
    return client;
  };

  it('reads or records within its scope, on its farm, until it ends', async () => {
    const wes = await comeIn('operator', 'wes');
    const made = async (scope: string, by = wes) =>
      by.post<NewToken>(at('tokens'), { name: 'script', scope, days: 30 });
    const [read, record] = [bearing((await made('read')).body.token), bearing((await made('record')).body.token)];
    expect((await read.get(at('now'))).status).toBe(200);
    expect((await read.post<Refusal>(at('entries'), load())).body.code).toBe('role_too_low');
    const batch = load();
    expect((await record.post(at('entries'), batch)).status).toBe(200);
    const tape = (await owner.get<{ entry: { by: string } }>(at(`entries/${batch.entries[0]!.id}`))).body;
    expect(tape.entry.by).toBe('wes (script)');
    // It makes no other, manages nothing, and is nobody elsewhere.
    expect((await made('record', record)).status).toBe(403);
    expect((await record.get(at('members'))).status).toBe(403);
    const other = await harness.otherFarm();
    expect((await record.get(`/farms/${other.farmId}/now`)).status).toBe(401);
    expect((await record.get('/profile')).status).toBe(401);
    const viewer = await harness.member(farmId, 'viewer');
    expect((await made('record', viewer)).status).toBe(403);
    const own = (await wes.get<TokenInfo[]>(at('tokens'))).body;
    expect(own.map(({ scope, revoked }) => [scope, revoked])).toEqual([['record', false], ['read', false]]); // prettier-ignore
    expect((await viewer.get<TokenInfo[]>(at('tokens'))).body).toEqual([]);
    expect((await viewer.post(at(`tokens/${own[0]!.id}/revoke`), {})).status).toBe(404);
    expect((await wes.post(at(`tokens/${own[0]!.id}/revoke`), {})).status).toBe(200);
    expect((await record.get(at('now'))).status).toBe(401);
    // Who goes takes his tokens with him.
    const { userId } = (await members()).find(({ name }) => name === 'wes')!;
    await owner.post(at(`members/${userId}/remove`), {});
    expect((await read.get(at('now'))).status).toBe(401);
  });
});

describe('who changed what', () => {
  it('is written down with its author, without secrets, for managers', async () => {
    const operator = await harness.member(farmId, 'operator');
    expect((await operator.get(at('members/audit'))).status).toBe(403);
    await owner.put(at('settings'), { units: 'us', clock: '24' });
    await owner.post(at('entries'), load());
    const { body } = await owner.get<AuditLine[]>(at('members/audit'));
    const [newest] = body;
    expect(newest).toMatchObject({ what: 'settings', about: '{"units":"us","clock":"24"}' });
    expect(body.some(({ what }) => what === 'entries')).toBe(false);
    expect(body.some(({ what }) => /members\/.*\/role/.test(what))).toBe(true);
    expect(JSON.stringify(body)).not.toMatch(/a long enough one|fg_/);
    const older = (await owner.get<AuditLine[]>(at(`members/audit?before=${newest!.id}`))).body;
    expect(older[0]!.id).toBe(body[1]!.id);
  });
});
