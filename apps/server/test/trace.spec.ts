import type { EpcisDocument } from '@fanega/core';
import Papa from 'papaparse';
import { ulid } from 'ulid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, Harness, smallFarm } from './harness.js';

let harness: Harness;
let client: Client;
let farmId: string;
let p: Awaited<ReturnType<typeof smallFarm>>;

interface Refusal {
  code: string;
  issues: { field: string; message: string }[];
}
const post = <T = Refusal>(path: string, body: object, by = client) => by.post<T>(`/farms/${farmId}/${path}`, body);

beforeAll(async () => {
  harness = await Harness.start();
  ({ client, farmId } = await harness.owner());
  p = await smallFarm(client, farmId);
});
afterAll(() => harness.stop());

describe('the next season', () => {
  it('goes on with the same fields, all or none; what is wrong is named in its row', async () => {
    interface Lots {
      lots: { id: string; fieldId: string; season: number; tag: string; crop: string; shares: { owner: string }[] }[];
    }
    const header = async () => (await client.get<Lots>(`/farms/${farmId}/header`)).body.lots;
    const [hs, pt] = (await header()).filter(({ season }) => season === 2026);
    const lots = [
      { fieldId: hs!.fieldId, crop: 'soybean', tag: hs!.tag, shares: [{ owner: 'Ida Renfro', part: 0.5 }, { owner: 'Test Levee', part: 0.5 }] },
      { fieldId: pt!.fieldId, crop: 'corn', variety: 'KL 9', tag: pt!.tag },
    ]; // prettier-ignore
    const same = await post('seasons', { season: 2027, lots: [lots[0]!, { ...lots[1]!, tag: lots[0]!.tag }] });
    expect([same.status, same.body.issues[0]!.field]).toEqual([400, 'lots[1].tag']);
    const strange = await post('seasons', { season: 2027, lots: [lots[0]!, { ...lots[1]!, fieldId: 'nowhere' }] });
    expect(strange.body.issues[0]).toMatchObject({ field: 'lots[1].fieldId' });
    expect((await header()).filter(({ season }) => season === 2027)).toHaveLength(0);
    const operator = await harness.member(farmId, 'operator');
    expect((await post('seasons', { season: 2027, lots }, operator)).status).toBe(403);
    expect((await post('seasons', { season: 2027, lots })).status).toBe(201);
    const next = (await header()).filter(({ season }) => season === 2027);
    expect(next.map(({ fieldId, crop, tag }) => [fieldId, crop, tag]).sort()).toEqual([[hs!.fieldId, 'soybean', hs!.tag], [pt!.fieldId, 'corn', pt!.tag]].sort()); // prettier-ignore
    expect(next.find(({ fieldId }) => fieldId === hs!.fieldId)!.shares.map(({ owner }) => owner)).toEqual(['Ida Renfro', 'Test Levee']); // prettier-ignore
    const again = await post('seasons', { season: 2027, lots });
    expect(again.body.issues[0]).toMatchObject({ field: 'lots[0].fieldId', message: expect.stringMatching(/stands in 2027 already/) }); // prettier-ignore
  });
});

describe('what goes out of the book', () => {
  it('every entry as CSV that another reader reads, and events by weight', async () => {
    const load = { wetKg: 9000, moisture: 0.18 };
    const entries = [
      { id: ulid(), type: 'harvest', lot: p.hs, to: p.truck, ...load, note: '=cmd, "quoted"', at: '2026-09-10T15:00:00Z' },
      { id: ulid(), type: 'move', from: p.truck, to: p.mill, emptied: true, ticket: 'T9', method: 'ticket', ...load, at: '2026-09-10T16:00:00Z' },
    ]; // prettier-ignore
    expect((await post('entries', { entries })).status).toBe(200);
    const csv = await client.get<string>(`/farms/${farmId}/out/entries`);
    expect(csv.headers.get('content-type')).toContain('text/csv');
    const { data, errors } = Papa.parse<Record<string, string>>(csv.body.replace(/^\ufeff/, ''), { header: true, skipEmptyLines: true }); // prettier-ignore
    expect(errors).toEqual([]);
    expect(data.map(({ id }) => id)).toEqual(entries.map(({ id }) => id));
    expect(data[0]).toMatchObject({ type: 'harvest', field: 'Heron Slough 2026', to: 'Truck 2', wet_kg: '9000', moisture: '0.18', note: `'=cmd, "quoted"` }); // prettier-ignore
    expect(data[1]).toMatchObject({ from: 'Truck 2', to: 'Redbud', ticket: 'T9', voided: '' });
    const { body } = await client.get<EpcisDocument>(`/farms/${farmId}/out/epcis?season=2026`);
    expect(body.epcisBody.eventList.map(({ bizStep }) => bizStep)).toEqual(['commissioning', 'shipping']);
    expect((await client.get<EpcisDocument>(`/farms/${farmId}/out/epcis?season=2027`)).body.epcisBody.eventList).toEqual([]); // prettier-ignore
    const stranger = await harness.member(null);
    expect((await stranger.get(`/farms/${farmId}/out/entries`)).status).toBe(403);
  });
});
