import { describe, expect, it } from 'vitest';
import { CROPS } from '../crops/index.js';
import { farmView, type FarmState } from '../ledger/index.js';
import type { BuyerBid, Contract, CuttingWindow, Hedge, LogEntry } from '../records/index.js';
import {
  bidsOn,
  contractBook,
  offerOf,
  positionOf,
  seasonOfContract,
  sheetsOf,
  type StandingField,
  type TicketAccount,
} from './index.js';

const NOW = Date.UTC(2026, 9, 10, 15);
const KG_PER_BU = 56 * 0.45359237;
const lot = (id: string, shares: { owner: string; part: number }[] = []) => ({ id, fieldId: id, name: id, crop: 'corn', season: 2026, tag: id, acres: 100, shares }); // prettier-ignore
const farm = farmView({
  farm: { id: 'f', name: 'Kestrel', timeZone: 'America/Chicago', demo: true, defaults: { moisture: 0.15 } },
  lots: [lot('own'), lot('third', [{ owner: 'Ida', part: 1 / 3 }, { owner: 'Kestrel', part: 2 / 3 }])],
  places: [{ id: 'bin', name: 'Bin', kind: 'bin', capacityBu: null }],
  seq: 1, now: NOW, layers: {}, tape: [], flow: { cut: {} },
  positions: { bin: { wetKg: 0, dryKg: 0, moisture: 0.15, layers: 1, lots: { own: 0.85 * 4000 * KG_PER_BU }, wetLots: {} } },
} as unknown as FarmState); // prettier-ignore
const facts = (id: string, cut: number, acresLeft: number): StandingField => ({
  row: { lot: farm.lot(id)!, cutDryKg: 0.85 * cut * KG_PER_BU } as StandingField['row'],
  crop: CROPS.corn, expected: 200, acresLeft,
}); // prettier-ignore
const contract = (more: Partial<Contract>): Contract => ({ number: '1', buyerId: 'mill', crop: 'corn', kind: 'flat', price: 4.8, bushels: 5000, opens: '2026-09-01', closes: '2026-11-15', overage: 'spot', done: false, ...more }); // prettier-ignore
const account = (bushels: number, price: number, contractId: string | null, sheets: string[] = []): TicketAccount =>
  ({ due: { sold: { crop: 'corn', bushels }, parts: [{ contractId, bushels, price }] }, paid: 0, open: 0, sheets }) as unknown as TicketAccount; // prettier-ignore

describe('what is sold and not sold', () => {
  const book = contractBook(
    {
      flat: { value: contract({}) },
      local: { value: contract({ number: '2', kind: 'basisFixed', basis: -0.2, bushels: 3000, closes: '2026-12-15' }) },
      old: { value: contract({ number: '0', closes: '2026-03-15', opens: '2026-01-01' }) },
    },
    [], [], NOW, { corn: { futures: 4.6 } },
  ); // prettier-ignore
  const hedge: Hedge = { crop: 'corn', what: 'futures', side: 'sold', month: 'Dec', bushels: 5000, price: 4.9, on: '2026-06-01' }; // prettier-ignore
  const [corn] = positionOf({
    farm,
    season: 2026,
    facts: [facts('own', 15_000, 25), facts('third', 9000, 0)],
    accounts: [account(2000, 4.4, null, ['s']), account(1000, 4.8, 'flat')],
    contracts: book.contracts,
    plans: [{ crop: 'corn', season: 2026, insured: 18_000 }],
    hedges: [hedge],
    market: { corn: { cash: 4.4, futures: 4.6 } },
  });

  it('counts the farm’s own bushels: a landlord’s third is not in it', () => {
    expect(corn!.harvested).toBeCloseTo(15_000 + 6000, 6);
    expect(corn!.standing).toBeCloseTo(25 * 200, 6);
    expect(corn).toMatchObject({ insured: 18_000, delivered: 3000, paid: 2000 });
    expect(corn!.stored).toBeCloseTo(4000, 6);
  });

  it('what is signed, priced and open, and last year’s contract is not of this crop', () => {
    expect(corn!.contracts.map(({ id }) => id)).toEqual(['flat', 'local']);
    expect(corn).toMatchObject({ contracted: 8000, onContractLeft: 8000, futuresOpen: 3000, basisOpen: 0 });
    expect(corn!.unsold).toBeCloseTo(26_000 - 3000 - 8000, 6);
    // 5,000 at 4.80 and 2,000 at 4.40.
    expect(corn!.priced).toBe(7000);
    expect(corn!.average).toBeCloseTo((5000 * 4.8 + 2000 * 4.4) / 7000, 10);
  });

  it('what lies in a buyer’s storage is delivered and still unsold, until it is priced', () => {
    const kept = contractBook(
      { kept: { value: contract({ kind: 'storage', bushels: 6000 }) } },
      [{ body: { id: 'c', at: new Date(NOW).toISOString(), entryId: 'e', contractId: 'kept', bushels: 2000 }, by: 'Oona', voided: false }],
      [{ delivery: { entry: { id: 'e', at: new Date(NOW - 9e8).toISOString() }, to: 'mill' }, crop: 'corn', bushels: 2000, money: null } as never],
      NOW,
      { corn: { cash: 4.4 } },
      [{ body: { id: 'f', at: new Date(NOW - 1e8).toISOString(), contractId: 'kept', part: 'cash', price: 4.5, bushels: 500 }, by: 'Oona', voided: false }],
    ).contracts; // prettier-ignore
    const [at] = positionOf({ farm, season: 2026, facts: [facts('own', 15_000, 25)], accounts: [account(2000, 4.5, 'kept')], contracts: kept, plans: [], hedges: [], market: { corn: { cash: 4.4 } } }); // prettier-ignore
    expect(at).toMatchObject({ atBuyers: 1500, contracted: 500, priced: 500, average: 4.5, onContractLeft: 0 });
    expect(at!.unsold).toBeCloseTo(20_000 - 2000 + 1500, 6);
  });

  it('ten cents: what is unsold and what has its futures open, less what the hedge account sold', () => {
    expect(corn!.tenCents).toBeCloseTo(0.1 * (15_000 + 3000 - 5000), 6);
    expect(corn!.hedgeGain).toBeCloseTo(5000 * 0.3, 6);
    // 7,000 priced, 3,000 at 4.60 − 0.20, 15,000 at 4.40.
    const mean = (5000 * 4.8 + 2000 * 4.4 + 3000 * 4.4 + 15_000 * 4.4) / 25_000;
    expect(corn!.today!.average).toBeCloseTo(mean, 10);
    expect(corn!.today!.high - corn!.today!.average).toBeCloseTo(1300 / 25_000, 10);
  });

  it('a contract is of the harvest before its window closes', () => {
    expect(seasonOfContract({ crop: 'corn', closes: '2027-03-31' })).toBe(2026);
    expect(seasonOfContract({ crop: 'corn', closes: '2026-09-05' })).toBe(2026);
    expect(seasonOfContract({ crop: 'wheat', closes: '2026-06-30' })).toBe(2026);
    expect(seasonOfContract({ crop: 'corn', closes: '2026-06-30' })).toBe(2025);
  });
});

describe('what a buyer gives today', () => {
  const window: CuttingWindow = { tooDryBelow: 0.13, bestFrom: 0.15, bestTo: 0.18, refuseAbove: 0.24, price: 4.31, shrinkPerPoint: 1.4, dockPerPoint: 0.03 }; // prettier-ignore
  const notebook = { logs: {}, settings: { cuttingWindow: { corn: { revision: 1, value: window }, 'soybean@mill': { revision: 1, value: window } } } }; // prettier-ignore
  const bid = (more: Partial<BuyerBid>): LogEntry<'bid'> => ({ body: { id: 'b', at: '2026-10-01T12:00:00Z', buyerId: 'coop', crop: 'corn', price: 4.4, from: '2026-10-01', until: '2026-10-31', ...more }, by: 'O', voided: false }); // prettier-ignore
  const offer = (buyerId: string, bids: LogEntry<'bid'>[] = []) =>
    offerOf(notebook, sheetsOf({}), bidsOn(bids, '2026-10-10'), CROPS.corn, 0.15, buyerId, '2026-10-10');

  it('the newest bid that stands, else the window’s price; who takes other crops only gives nothing', () => {
    expect(offer('coop')).toMatchObject({ price: 4.31, from: 'window', by: 'window' });
    expect(offer('coop', [bid({}), bid({ id: 'c', at: '2026-10-03T12:00:00Z', price: undefined as never, futures: 4.7, basis: -0.25 })])!.price).toBeCloseTo(4.45, 10); // prettier-ignore
    expect(offer('coop', [bid({ validUntil: '2026-10-05' })])).toMatchObject({ price: 4.31, from: 'window' });
    expect(offer('coop', [bid({ from: '2026-11-01', until: '2026-12-31' })])).toMatchObject({ from: 'window' });
    expect(offer('mill')).toBeNull();
  });
});
