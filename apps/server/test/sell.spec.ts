import {
  type BookGap,
  bookGaps,
  type BuyerSheet,
  type Delivery,
  type FarmState,
  farmView,
  sellBookOf,
  type SellRecords,
  type Settlement,
} from '@fanega/core';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { ulid } from 'ulid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, farmNow, Harness, smallFarm } from './harness.js';

let harness: Harness;
let client: Client;
let farmId: string;
let p: Awaited<ReturnType<typeof smallFarm>>;
let buyer: string;

interface Refusal {
  code: string;
  issues: { field: string; message: string }[];
}
const LB = 0.45359237;
const at = '2026-09-20T12:00:00.000Z';
const post = <T = Refusal>(path: string, body: object, by = client) => by.post<T>(`/farms/${farmId}/${path}`, body);
const put = <T = Refusal>(path: string, value: object, by = client) => by.call<T>('PUT', `/farms/${farmId}/${path}`, { revision: 0, value }); // prettier-ignore
const records = async () =>
  (await client.get<{ logs: Record<string, { body: unknown; voided: boolean }[]>; settings: Record<string, Record<string, { value: unknown }>> }>(`/farms/${farmId}/sell/records`)).body; // prettier-ignore

const sheet = (): BuyerSheet => ({
  buyerId: buyer, crop: 'corn', from: '2026-08-01', base: 0.15, shrink: 'flat', shrinkPerPoint: 1.4, moistureStep: 0.001, moistureRounding: 'halfUp', dryingPerPoint: 0.04,
  dryingStep: 0.5, dockage: false, discountsOn: 'paid', bushelDecimals: 2,
  factors: [
    { factor: 'testWeight', steps: 'started', cumulative: true, refuseBeyond: 48, bands: [{ from: 54, per: 'bushel', amount: 0.01, step: 1 }, { from: 52, per: 'bushel', amount: 0.03 }] },
    { factor: 'damage', steps: 'whole', cumulative: false, bands: [{ from: 5, per: 'percentOfPrice', amount: 1, step: 1 }] },
  ],
}); // prettier-ignore
const settlement = (more: Partial<Settlement> = {}): Settlement => ({
  id: ulid(), at, number: 'C-1', buyerId: buyer, paidOn: '2026-09-18',
  lines: [
    { ticket: 'T1', kind: 'ticket', bushels: 855.36, price: 4.5, taken: 107.14, money: 3741.98 },
    { ticket: 'T2', kind: 'ticket', contract: '118', bushels: 400, price: 4.5, taken: 50, money: 1750 },
    { ticket: 'T2', kind: 'ticket', contract: '131', bushels: 455.36, price: 4.4, taken: 57.14, money: 1946.44 },
  ],
  deductions: [{ kind: 'checkoff', amount: 8.55, note: 'a cent' }], net: 7429.87, ...more,
}); // prettier-ignore

beforeAll(async () => {
  harness = await Harness.start();
  ({ client, farmId } = await harness.owner());
  p = await smallFarm(client, farmId);
  buyer = p.mill;
});
afterAll(() => harness.stop());

describe('what buyers post and pay', () => {
  it('a sheet with bands in its discounts, and a settlement with its lines, come back as they were sent', async () => {
    expect((await put('sell/buyer-sheet/coop-corn', sheet())).status).toBe(200);
    const body = settlement();
    expect((await post('sell/settlement', body)).status).toBe(200);
    // Sent again it is the same one.
    expect((await post('sell/settlement', body)).status).toBe(200);
    const { settings, logs } = await records();
    expect(settings.buyerSheet!['coop-corn']!.value).toEqual(sheet());
    expect(logs.settlement!.map((one) => one.body)).toEqual([body]);
  });

  it('what cannot be is named at its field, and nothing is kept', async () => {
    const twice = settlement({ lines: [settlement().lines[0]!, settlement().lines[0]!] });
    const refused = await post('sell/settlement', twice);
    expect(refused.status).toBe(400);
    expect(refused.body.issues[0]).toMatchObject({
      field: 'lines.1.ticket',
      message: expect.stringMatching(/paid twice/),
    });
    const overlap = { ...sheet(), factors: [{ ...sheet().factors[0]!, bands: [{ from: 52, per: 'bushel', amount: 0.01 }, { from: 54, per: 'bushel', amount: 0.03 }] }] }; // prettier-ignore
    expect((await put('sell/buyer-sheet/other', overlap)).body.issues[0]).toMatchObject({ field: 'factors.0.bands.1.from' }); // prettier-ignore
    expect((await put('sell/buyer-sheet/other', { ...sheet(), shrinkPerPoint: undefined })).body.issues[0]).toMatchObject({ field: 'shrinkPerPoint' }); // prettier-ignore
    expect((await post('sell/bid', { id: ulid(), at, buyerId: buyer, crop: 'corn', from: '2026-10-01', until: '2026-09-01', price: 4 })).body.issues[0]).toMatchObject({ field: 'until' }); // prettier-ignore
    expect((await post('sell/bid', { id: ulid(), at, buyerId: buyer, crop: 'corn', from: '2026-09-01', until: '2026-10-01', futures: 4.6 })).body.issues[0]).toMatchObject({ field: 'basis' }); // prettier-ignore
    expect((await post('sell/price-fix', { id: ulid(), at, contractId: 'c', part: 'futures', price: -21, bushels: 10 })).status).toBe(400); // prettier-ignore
    expect((await records()).logs.settlement).toHaveLength(1);
  });

  it('a viewer looks, an operator types tickets, a manager prices and settles', async () => {
    const [viewer, operator, manager] = await Promise.all((['viewer', 'operator', 'manager'] as const).map((role) => harness.member(farmId, role))); // prettier-ignore
    const paper = () => ({ id: ulid(), at, entryId: 'e', factors: { testWeight: 56.5 } });
    const bid = () => ({
      id: ulid(),
      at,
      buyerId: buyer,
      crop: 'corn',
      price: 4.4,
      from: '2026-09-01',
      until: '2026-10-01',
    });
    const tries = async (by: Client) => [
      (await by.get(`/farms/${farmId}/sell/records`)).status,
      (await post('sell/ticket-paper', paper(), by)).status,
      (await post('sell/bid', bid(), by)).status,
      (await post('sell/settlement', settlement({ number: ulid() }), by)).status,
      (await put(`sell/owner-terms/${ulid()}`, { owner: 'Ida', kind: 'cash', price: 'asSold', docksBorneBy: 'owner', rent: 100 }, by)).status, // prettier-ignore
    ];
    expect(await tries(viewer!)).toEqual([200, 403, 403, 403, 403]);
    expect(await tries(operator!)).toEqual([200, 200, 403, 403, 403]);
    expect(await tries(manager!)).toEqual([200, 200, 200, 200, 200]);
  });

  it('prints the settlement check and the statement of deliveries', async () => {
    const entries = [
      { id: ulid(), type: 'harvest', lot: p.hs, to: p.truck, wetKg: 50_000 * LB, moisture: 0.18, at: '2026-09-10T15:00:00Z' },
      // Over-dry, before he posted a sheet: by its own weight, 500 bushels, and not the 511.76 that it would be at the base.
      { id: ulid(), type: 'harvest', lot: p.hs, to: p.truck, wetKg: 28_000 * LB, moisture: 0.13, at: '2026-07-20T15:00:00Z' },
      { id: ulid(), type: 'move', from: p.truck, to: buyer, emptied: true, ticket: 'J1', method: 'ticket', pricePerBu: 4, wetKg: 28_000 * LB, moisture: 0.13, at: '2026-07-20T16:00:00Z' },
      { id: ulid(), type: 'move', from: p.truck, to: buyer, emptied: true, ticket: 'T1', method: 'ticket', pricePerBu: 4.5, wetKg: 50_000 * LB, moisture: 0.18, at: '2026-09-10T16:00:00Z' },
    ]; // prettier-ignore
    expect((await post('entries', { entries })).status).toBe(200);
    const text = async (what: string): Promise<string> => {
      const response = await fetch(`${harness.address()}/api/farms/${farmId}/sell/${what}/pdf`, { headers: { cookie: client.cookie } }); // prettier-ignore
      expect(response.headers.get('content-type')).toBe('application/pdf');
      const pdf = await getDocument({ data: new Uint8Array(await response.arrayBuffer()) }).promise;
      const items = (await (await pdf.getPage(1)).getTextContent()).items as { str: string }[];
      return items.map(({ str }) => str).join(' ');
    };
    const check = await text('print/settlements');
    expect(check).toMatch(/T1\s+855\.36\s+855\.36\s+\$3,741\.98\s+\$3,741\.98\s+adds up/);
    expect(check).toContain('no load of ours');
    const delivered = await text('print/deliveries');
    expect(delivered).toMatch(/T1 .*50,000 .*18\.0 % .*855\.36 .*\$3,741\.98/);
    expect(delivered).toMatch(/J1 .*28,000 .*13\.0 % .*500\.00 .*\$2,000\.00/);
    const line = { paidOn: '2026-09-18', check: 'C-1', buyerId: buyer, ticket: 'T1', crop: 'corn', bushels: 0, account: 'discounts', amount: -107.14 }; // prettier-ignore
    const given = { id: ulid(), at, number: 1, owner: 'Ida', cropYear: 2026, from: '2026-01-01', until: '2026-12-31', lines: [{ ...line, account: 'sale', bushels: 855.36, amount: 3849.12 }, line], total: 3741.98 }; // prettier-ignore
    expect((await post('sell/statement', given)).status).toBe(200);
    expect(await text(`statements/${given.id}`)).toMatch(/, discounts, drying and fees .*-\$107\.14/);
    expect((await client.get(`/farms/${farmId}/sell/print/nothing/pdf`)).status).toBe(404);
  });

  it('what has no counterpart yet is what a page with all tickets and sheets would find, and goes when its counterpart comes', async () => {
    const gaps = async () => (await client.get<BookGap[]>(`/farms/${farmId}/gaps`)).body;
    const told = (all: readonly BookGap[]) => all.map(({ what, ticket, count, money }) => [what, ticket, count, money]);
    const found = await gaps();
    const state = await farmNow(client, farmId);
    const farm = farmView({ ...state, layers: {} } as unknown as FarmState);
    const tickets = async (season: number) => (await client.get<Delivery[]>(`/farms/${farmId}/deliveries?season=${season}`)).body; // prettier-ignore
    const book = sellBookOf(farm, (await records()) as unknown as SellRecords, 2026, await tickets(2026), await tickets(2025)); // prettier-ignore
    expect(found).toEqual(bookGaps(farm, book, state.steps));
    // T2 was paid and never hauled; J1 was hauled and never paid.
    expect(told(found)).toEqual([
      ['noLoad', 'T2', 1, expect.closeTo(3696.44, 2)],
      ['noSettlement', null, 1, 2000],
    ]);
    const paid = settlement({ number: 'C-2', paidOn: '2026-07-30', lines: [{ ticket: 'J1', kind: 'ticket', bushels: 500, price: 4, money: 2000 }], deductions: [], net: 2000 }); // prettier-ignore
    expect((await post('sell/settlement', paid)).status).toBe(200);
    expect(told(await gaps()).map(([what]) => what)).toEqual(['noLoad']);
  });
});
