import type { LiveEvent, NewDevice, WeighTicketInfo } from '@fanega/contract';
import type { Delivery, HaulView, WeighedView } from '@fanega/core';
import { Link } from '@fanega/devices';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { ulid } from 'ulid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, entry, farmNow, fieldRecords, Harness, smallFarm } from './harness.js';

const LB = 0.45359237;
let harness: Harness;
let client: Client;
let farmId: string;
let place: Awaited<ReturnType<typeof smallFarm>>;

beforeAll(async () => {
  harness = await Harness.start();
  ({ client, farmId } = await harness.owner());
  place = await smallFarm(client, farmId);
});
afterAll(() => harness.stop());

const append = async (...entries: object[]) => {
  const answer = await client.post<{ message?: string }>(`/farms/${farmId}/entries`, { entries });
  expect(answer.status, answer.body.message).toBe(200);
};
const haul = async () => (await client.get<HaulView>(`/farms/${farmId}/haul`)).body;
const tickets = async () => (await client.get<WeighTicketInfo[]>(`/farms/${farmId}/weigh-tickets`)).body;
const now = () => farmNow(client, farmId);
const device = async (kind: string, name = kind) =>
  (await client.post<NewDevice>(`/farms/${farmId}/devices`, { name, kind })).body;

/** Everything that is written on a PDF. */
async function textOf(pdf: ArrayBuffer): Promise<string> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const page = await document.getPage(1);
  const { items } = await page.getTextContent();
  return items.map((item) => ('str' in item ? item.str : '')).join(' ');
}

describe('the farm’s own bridge', () => {
  const axles = [12_000, 17_000, 17_000, 17_000, 17_000].map((lb) => lb * LB);
  const empty = [10_400, 4200, 4200, 4000, 4000].map((lb) => lb * LB);
  const net = (axles.reduce((a, b) => a + b) - empty.reduce((a, b) => a + b)) as number;
  let loadId: string;
  let tareId: string;
  const ticket = (more: object = {}) => ({
    id: ulid(),
    at: '2026-09-08T03:00:00Z',
    machineId: place.truck,
    combination: 'Truck 2, hopper trailer',
    grossKg: axles,
    tareKg: empty,
    tareId,
    byHand: false,
    ...more,
  });

  it('keeps an empty weight, weighs a load against it, and puts it into the book', async () => {
    tareId = ulid();
    const tare = {
      id: tareId,
      at: '2026-09-08T00:00:00Z',
      machineId: place.truck,
      combination: 'Truck 2, hopper trailer',
      axlesKg: empty,
    };
    expect((await client.post(`/farms/${farmId}/haul/empty-weight`, tare)).status).toBe(200);
    const dump = entry({
      type: 'harvest',
      lot: place.hs,
      to: place.cart,
      wetKg: net * 1.004,
      moisture: 0.17,
      method: 'cartScale',
    });
    const load = entry({ type: 'move', from: place.cart, to: place.truck, wetKg: net * 1.004, method: 'cartScale' });
    loadId = load.id;
    await append(dump, load);
    const weighing = ticket({ entry: entry({ type: 'witness', of: loadId, wetKg: net, method: 'bridge' }) });
    const first = await client.post<WeighTicketInfo>(`/farms/${farmId}/weigh-tickets`, weighing);
    expect(first.status).toBe(200);
    expect(first.body.number).toBe(1);
    expect(first.body.netKg).toBeCloseTo(net, 9);
    // The bridge is trusted before the cart: the truck holds what it weighed.
    expect((await now()).positions[place.truck]!.wetKg).toBeCloseTo(net, 6);
    // The same again, after a lost answer: the same number, and nothing twice in the book.
    expect((await client.post<WeighTicketInfo>(`/farms/${farmId}/weigh-tickets`, weighing)).body).toEqual(first.body);
    expect((await now()).entries).toBe(3);
    expect((await tickets()).map(({ number }) => number)).toEqual([1]);
  });

  it('prints it: number, axles, net, field, and what such a weight is worth', async () => {
    const response = await fetch(`${client.address}/api/farms/${farmId}/weigh-tickets/1/pdf`, {
      headers: { Cookie: client.cookie },
    });
    expect(response.headers.get('content-type')).toBe('application/pdf');
    const text = await textOf(await response.arrayBuffer());
    for (const words of [
      'Test Levee',
      'No. 1',
      'Truck 2, hopper trailer',
      'axle 5',
      '80,000',
      '26,800',
      '53,200 lb',
      '950.0 wet bu of corn at 56 lb',
      'Heron Slough',
      '100.0 %',
      'an estimate of 1 to 2 %',
      'Page 1 of 1',
      'book at entry 3',
    ])
      expect(text).toContain(words);
    expect(text).not.toContain('VOID');
    // A metric farm's ticket has tonnes first: 53,200 lb are 24.131 t.
    await client.put(`/farms/${farmId}/settings`, { units: 'metric', clock: '24' });
    const metric = await fetch(`${client.address}/api/farms/${farmId}/weigh-tickets/1/pdf`, {
      headers: { Cookie: client.cookie },
    });
    expect(await textOf(await metric.arrayBuffer())).toMatch(/Net\s+24\.131 t/);
    await client.put(`/farms/${farmId}/settings`, { units: 'us', clock: '12' });
  });

  it('gives numbers in order, each once, to many at a time, and a void one is not given again', async () => {
    const answers = await Promise.all(
      Array.from({ length: 8 }, () => client.post<WeighTicketInfo>(`/farms/${farmId}/weigh-tickets`, ticket())),
    );
    expect(answers.map(({ body }) => body.number).sort((a, b) => a - b)).toEqual([2, 3, 4, 5, 6, 7, 8, 9]);
    expect((await client.post<WeighTicketInfo>(`/farms/${farmId}/weigh-tickets/9/void`)).body.voided).toBe(true);
    expect((await client.post<WeighTicketInfo>(`/farms/${farmId}/weigh-tickets`, ticket())).body.number).toBe(10);
    const pdf = await fetch(`${client.address}/api/farms/${farmId}/weigh-tickets/9/pdf`, {
      headers: { Cookie: client.cookie },
    });
    expect(await textOf(await pdf.arrayBuffer())).toContain('VOID');
    expect((await client.get(`/farms/${farmId}/weigh-tickets/99/pdf`)).status).toBe(404);
  });

  it('refuses in words what cannot be, takes no number for it, and keeps the book as it was', async () => {
    const refused = async (more: object) =>
      (await client.post<{ message: string }>(`/farms/${farmId}/weigh-tickets`, ticket(more))).body.message;
    expect(await refused({ grossKg: empty })).toMatch(/no more than the empty one/);
    expect(await refused({ combination: 'Truck 2, other tractor' })).toMatch(
      /another tractor and trailer: weigh empty/,
    );
    expect(await refused({ tareKg: empty.map((kg) => kg * 1.1) })).toMatch(/not the empty weight that was kept/);
    expect(await refused({ tareId: ulid() })).toMatch(/not in the book/);
    expect(await refused({ grossKg: [-5] })).toMatch(/from 1 to 100,000 kg/);
    expect(await refused({ machineId: 'none' })).toMatch(/no such truck/);
    expect(await refused({ entry: entry({ type: 'witness', of: loadId, wetKg: 5, method: 'bridge' }) })).toMatch(
      /what it weighed, and nothing else/,
    );
    expect(await refused({ entry: entry({ type: 'witness', of: ulid(), wetKg: net, method: 'bridge' }) })).toMatch(
      /names the entry/,
    );
    expect((await tickets())[0]!.number).toBe(10);
    expect((await now()).entries).toBe(3);
    // A bridge without a wire: typed, with an empty weight from paper.
    const byHand = await client.post<WeighTicketInfo>(
      `/farms/${farmId}/weigh-tickets`,
      ticket({ tareId: undefined, byHand: true, grossKg: [36_000], tareKg: [12_100] }),
    );
    expect(byHand.body).toMatchObject({ number: 11, byHand: true, tareId: null, netKg: 23_900 });
    await expect(
      (await harness.member(farmId, 'viewer')).post(`/farms/${farmId}/weigh-tickets`, ticket()),
    ).resolves.toMatchObject({ status: 403 });
  });

  it('tells of the truck, of its weights side by side, and of the ticket that never came', async () => {
    const gone = entry({ type: 'move', from: place.truck, to: place.mill });
    await append(gone);
    const before = await haul();
    expect(before.vehicles.find((vehicle) => vehicle.place === place.truck)).toMatchObject({
      last: 'unloaded',
      where: place.mill,
    });
    expect(before.unticketed).toMatchObject([{ entry: { id: gone.id }, truck: place.truck, crop: 'corn' }]);
    expect(before.unticketed[0]!.wetKg).toBeCloseTo(net, 6);
    await append(entry({ type: 'witness', of: gone.id, wetKg: net * 0.999, method: 'ticket' }));
    const after = await haul();
    expect(after.unticketed).toEqual([]);
    expect(after.agreed.find(({ id }) => id === gone.id)).toMatchObject({ ticketKg: net * 0.999 });
    const { weighed } = (await client.get<WeighedView>(`/farms/${farmId}/haul/weighed`)).body;
    const load = weighed.find(({ id }) => id === gone.id)!;
    expect(load.weights.map(({ method, scale }) => [method, scale])).toEqual([
      ['ticket', place.mill],
      ['bridge', 'own bridge'],
      ['cartScale', place.cart],
    ]);
  });
});

describe('scales on the wire', () => {
  it('shows a live weight to whoever watches, the curve so far first, and no figure twice', async () => {
    const { token, deviceId } = await device('cartScale', 'Cart 1 scale');
    const link = new Link(client.address, token);
    const samples = Array.from({ length: 20 }, (_, i) => ({
      at: new Date(1_788_800_000_000 + 200 * i).toISOString(),
      kg: 4000 + i,
    }));
    expect(await link.send('weights', { samples: samples.slice(0, 10) })).toEqual({ samples: 10 });
    const abort = new AbortController();
    const feed = await fetch(`${client.address}/api/farms/${farmId}/live`, {
      headers: { Cookie: client.cookie, Accept: 'text/event-stream' },
      signal: abort.signal,
    });
    const reader = feed.body!.pipeThrough(new TextDecoderStream()).getReader();
    let text = '';
    const until = async (count: number): Promise<LiveEvent[]> => {
      for (;;) {
        const events = text
          .split('\n')
          .flatMap((line) => (line.startsWith('data: ') ? [JSON.parse(line.slice(6)) as LiveEvent] : []));
        if (events.length >= count) return events;
        text += (await reader.read()).value ?? '';
      }
    };
    const [first] = await until(1);
    expect(first).toMatchObject({ deviceId });
    expect(first!.weights!.map(({ kg }) => kg)).toEqual([4000, 4001, 4002, 4003, 4004, 4005, 4006, 4007, 4008, 4009]);
    // An answer was lost: the device sends the end of it again, and what came since.
    expect(await link.send('weights', { samples: samples.slice(5) })).toEqual({ samples: 10 });
    expect((await until(2))[1]!.weights!.map(({ kg }) => kg)).toEqual([
      4010, 4011, 4012, 4013, 4014, 4015, 4016, 4017, 4018, 4019,
    ]);
    abort.abort();
    await expect(link.send('weights', { samples: [] })).rejects.toThrow(/samples is empty/);
    await expect(link.send('weights', { samples: [{ at: '2026-09-08T00:00:00Z', kg: 1e9 }] })).rejects.toThrow(
      /from -20,000 to 200,000 kg/,
    );
    const other = new Link(client.address, (await device('tester')).token);
    await expect(other.send('weights', { samples })).rejects.toThrow(/does not write this/);
  });

  it('a display’s figures reach whoever watches, and whoever comes later sees the load since the last dump', async () => {
    const { token, deviceId } = await device('monitor', 'Display 1');
    const link = new Link(client.address, token);
    const samples = Array.from({ length: 12 }, (_, i) => ({
      at: new Date(1_788_900_000_000 + 2000 * i).toISOString(),
      flow: 9 + i / 10,
      moisture: 0.19,
      speed: 1.9,
      yieldKgPerHa: 12_000,
    }));
    expect(await link.send('flows', { samples })).toEqual({ samples: 12 });
    expect(await link.send('flows', { samples })).toEqual({ samples: 0 });
    const abort = new AbortController();
    const feed = await fetch(`${client.address}/api/farms/${farmId}/live`, {
      headers: { Cookie: client.cookie, Accept: 'text/event-stream' },
      signal: abort.signal,
    });
    const reader = feed.body!.pipeThrough(new TextDecoderStream()).getReader();
    let text = '';
    const own = (): LiveEvent | undefined =>
      text
        .split('\n')
        .flatMap((one) => (one.startsWith('data: ') ? [JSON.parse(one.slice(6)) as LiveEvent] : []))
        .find((event) => event.deviceId === deviceId);
    while (!own()) text += (await reader.read()).value ?? '';
    abort.abort();
    expect(own()!.flows!.map(({ flow }) => flow)).toEqual(samples.map(({ flow }) => flow));
    expect(own()).not.toHaveProperty('weights');
    await expect(link.send('flows', { samples: [{ ...samples[0], flow: 900 }] })).rejects.toThrow(
      /a flow is from 0 to 100 kg\/s/,
    );
    await expect(link.send('flows', { samples: [{ ...samples[0], moisture: 19 }] })).rejects.toThrow(
      /wet-basis fraction/,
    );
    await expect(
      new Link(client.address, (await device('cartScale', 'Other scale')).token).send('flows', { samples }),
    ).rejects.toThrow(/does not write this; it takes monitor/);
    // Only members of the farm see them.
    expect(
      (await fetch(`${client.address}/api/farms/${farmId}/live`, { headers: { Accept: 'text/event-stream' } })).status,
    ).toBe(401);
  });

  it('tells a gateway what places and fields are called, and what the book has in each', async () => {
    const names = await new Link(client.address, (await device('elevator', 'Some desk')).token).names();
    const { positions, lots } = await now();
    expect(names.places.map(({ name, kind }) => [name, kind])).toEqual([['Cart 1', 'cart'], ['Truck 2', 'truck'], ['Bin A', 'bin'], ['Redbud', 'buyer']]); // prettier-ignore
    for (const place of names.places)
      expect(place.heldKg).toBe(place.kind === 'buyer' ? 0 : positions[place.id]!.wetKg);
    // One field list for every display: this season's.
    expect(names.lots.map(({ tag }) => tag).sort()).toEqual(
      lots
        .filter(({ season }) => season === 2026)
        .map(({ tag }) => tag)
        .sort(),
    );
    expect(names.lots.find(({ tag }) => tag === 'HS')).toMatchObject({
      fieldName: 'Heron Slough',
      crop: 'corn',
      acres: 62.5,
    });
  });

  it('a dryer’s controller moves and dries, and harvests nothing', async () => {
    const dryer = new Link(client.address, (await device('dryer', 'Dryer 1')).token);
    const { placeId } = (
      await client.post<{ placeId: string }>(`/farms/${farmId}/places`, { name: 'Dryer 1', kind: 'dryer' })
    ).body;
    const own = (fields: object) => entry({ method: 'volume', device: undefined, ...fields });
    await append(
      entry({ type: 'harvest', lot: place.hs, to: place.cart, wetKg: 4000, moisture: 0.2, method: 'cartScale' }),
    );
    await dryer.send('entries', {
      entries: [
        own({ type: 'move', from: place.cart, to: placeId }),
        own({ type: 'condition', place: placeId, moisture: 0.15, dryLoss: 0.001 }),
      ],
    });
    expect((await now()).positions[placeId]!.moisture).toBeCloseTo(0.15, 9);
    await expect(
      dryer.send('entries', {
        entries: [own({ type: 'harvest', lot: place.hs, to: placeId, wetKg: 5, moisture: 0.2 })],
      }),
    ).rejects.toThrow(/records move, condition/);
    await append(
      entry({ type: 'loss', place: placeId, wetKg: (await now()).positions[placeId]!.wetKg, reason: 'test' }),
    );
  });

  it('each kind records by its own method, once, under its own name', async () => {
    const elevator = new Link(client.address, (await device('elevator', 'Redbud desk')).token);
    const scale = new Link(client.address, (await device('cartScale', 'Cart scale 2')).token);
    const dump = entry({
      type: 'harvest',
      lot: place.hs,
      to: place.cart,
      wetKg: 6000,
      moisture: 0.171,
      method: 'cartScale',
      device: undefined,
    });
    const before = (await now()).entries;
    await scale.send('entries', { entries: [dump] });
    await scale.send('entries', { entries: [dump] });
    const tape = (await now()).tape;
    expect((await now()).entries).toBe(before + 1);
    expect(tape[0]!.entry).toMatchObject({ id: dump.id, by: 'Cart scale 2', method: 'cartScale' });
    await expect(
      scale.send('entries', { entries: [entry({ ...dump, id: ulid(), method: 'ticket' })] }),
    ).rejects.toThrow(/weighs by the method cartScale/);
    await expect(elevator.send('entries', { entries: [dump] })).rejects.toThrow(
      /records move, witness and nothing else/,
    );
    const move = entry({
      type: 'move',
      from: place.cart,
      to: place.mill,
      wetKg: 5990,
      emptied: true,
      moisture: 0.17,
      method: 'ticket',
      ticket: '7001',
      pricePerBu: 4.4,
      device: undefined,
    });
    await elevator.send('entries', { entries: [move] });
    expect((await client.get<Delivery[]>(`/farms/${farmId}/deliveries`)).body[0]).toMatchObject({
      ticket: '7001',
      netKg: 5990,
    });
  });
});

describe('sheets of trucks and scales', () => {
  const axles = [
    { at: 0, share: 0.1 },
    { at: 4.5, share: 0.45 },
    { at: 5.8, share: 0.45 },
  ];
  const vehicle = { combination: 'Truck 2', axles, singleLb: 20_000, tandemLb: 34_000, grossLb: 80_000 };
  const put = (path: string, body: object) =>
    client.call<{ message?: string; revision?: number }>('PUT', `/farms/${farmId}/haul/${path}`, body);

  it('are kept with their revision, and refuse what is no truck', async () => {
    expect((await put(`truck-setup/${place.truck}`, { revision: 0, value: vehicle })).body).toEqual({ revision: 1 });
    expect((await put(`truck-setup/${place.truck}`, { revision: 0, value: vehicle })).status).toBe(409);
    const refused = async (more: object) =>
      (await put(`truck-setup/${place.truck}`, { revision: 1, value: { ...vehicle, ...more } })).body.message;
    expect(await refused({ axles: [axles[0], axles[2], axles[1]] })).toMatch(/behind the one before/);
    expect(await refused({ axles: [axles[0], { at: 5, share: 0.5 }] })).toMatch(/come to the whole/);
    expect(
      await refused({
        permit: { name: 'Harvest', percentAxles: 10, percentGross: 10, from: '2026-12-01', until: '2026-11-01' },
      }),
    ).toMatch(/ends before it begins/);
    expect(
      await refused({
        permit: { name: 'Harvest', percentAxles: 90, percentGross: 10, from: '2026-08-01', until: '2026-11-01' },
      }),
    ).toMatch(/0 to 50 %/);
    expect((await put('truck-setup/none', { revision: 0, value: vehicle })).status).toBe(404);
    const { deviceId } = await device('truckScale');
    expect(
      (await put(`scale-setup/${deviceId}`, { revision: 0, value: { zeroKg: 40, withinKg: 27, forSeconds: 3 } })).body,
    ).toEqual({ revision: 1 });
    expect(
      (
        await put('weight-rules/farm', {
          revision: 0,
          value: { tolerance: 0.005, tareOldDays: 30, tareTolerance: 0.01 },
        })
      ).body,
    ).toEqual({ revision: 1 });
    const { logs, settings } = await fieldRecords(client, farmId);
    expect(settings.truckSetup[place.truck]!.value.axles.length).toBe(3);
    expect(settings.scaleSetup[deviceId]!.value.zeroKg).toBe(40);
    expect(logs.emptyWeight.length).toBe(1);
  });

  it('which scale counts is the farm’s own: the book is weighed again', async () => {
    const before = (await now()).farm.defaults.trust;
    expect(before.slice(0, 3)).toEqual(['ticket', 'bridge', 'cartScale']);
    const change = (trust: readonly string[], reason = 'the bridge was calibrated') =>
      client.post<{ message: string }>(`/farms/${farmId}/revisions`, {
        id: ulid(),
        reason,
        change: { what: 'trust', trust },
      });
    expect((await change(['cartScale', 'ticket', 'bridge', 'volume', 'monitor', 'estimate'])).status).toBe(200);
    expect((await now()).farm.defaults.trust[0]).toBe('cartScale');
    expect((await change(['rumor'])).status).toBe(422);
    expect((await change(before, ' ')).body.message).toMatch(/say why/);
    expect((await change(before)).status).toBe(200);
  });

  it('somebody else’s rows are a field of his own from the first load, made once by whoever drives', async () => {
    const driver = await harness.member(farmId, 'operator');
    const rows = (more: object) =>
      driver.post<{ lotId: string; message: string }>(`/farms/${farmId}/neighbor-rows`, {
        id: ulid(),
        owner: 'Old Dorsey',
        crop: 'corn',
        season: 2026,
        ...more,
      });
    const id = ulid();
    expect((await rows({ id })).body).toEqual({ lotId: id });
    expect((await rows({ id })).body).toEqual({ lotId: id });
    expect((await rows({ id, owner: 'Somebody else' })).status).toBe(409);
    const { lotId } = (await rows({})).body;
    const lots = (await now()).lots;
    expect(
      lots
        .filter((lot) => lot.id === id || lot.id === lotId)
        .map(({ fieldName, tag, acres, shares }) => [fieldName, tag, acres, shares]),
    ).toEqual([
      ['Old Dorsey’s rows', 'OD', 0, [{ owner: 'Old Dorsey', part: 1 }]],
      ['Old Dorsey’s rows 2', 'OD2', 0, [{ owner: 'Old Dorsey', part: 1 }]],
    ]);
    expect((await rows({ owner: '  ' })).body.message).toMatch(/whose rows/);
    expect(
      (await harness.member(farmId, 'viewer').then((viewer) => viewer.post(`/farms/${farmId}/neighbor-rows`, {})))
        .status,
    ).toBe(403);
    await append(entry({ type: 'harvest', lot: id, to: place.cart, wetKg: 3000, moisture: 0.18, method: 'cartScale' }));
    expect((await now()).positions[place.cart]!.wetLots[id]).toBeCloseTo(3000, 6);
  });

  it('a lot has owners whose parts come to the whole, and they can be mended', async () => {
    const field = (shares: object) =>
      client.post<{ lotId: string; message: string }>(`/farms/${farmId}/fields`, {
        name: `N ${ulid()}`,
        acres: 3,
        crop: 'corn',
        tag: 'NB',
        season: 2025,
        shares,
      });
    expect((await field([{ owner: 'Old Dorsey', part: 0.6 }])).body.message).toMatch(/come to the whole/);
    expect((await field([])).status).toBe(400);
    const { body } = await field([{ owner: 'Old Dorsey', part: 1 }]);
    expect((await now()).lots.find((lot) => lot.id === body.lotId)!.shares).toEqual([{ owner: 'Old Dorsey', part: 1 }]);
    const halves = [{ owner: 'Old Dorsey', part: 0.5 }, { owner: 'Test Levee', part: 0.5 }]; // prettier-ignore
    const change = (lot: string) =>
      client.post(`/farms/${farmId}/revisions`, {
        id: ulid(),
        reason: 'he has the half',
        change: { what: 'shares', lot, shares: halves },
      });
    expect((await change(body.lotId)).status).toBe(200);
    expect((await now()).lots.find((lot) => lot.id === body.lotId)!.shares).toEqual(halves);
    expect((await change('none')).status).toBe(422);
  });

  it('a field’s and a place’s names and sizes are mended; what they are stays, and what was recorded with it', async () => {
    const before = await now();
    const lot = before.lots.find(({ acres }) => acres === 0)!;
    const field = (body: object, caller = client) =>
      caller.call<{ message: string }>('PUT', `/farms/${farmId}/lots/${lot.id}`, {
        name: lot.fieldName,
        tag: lot.tag,
        ...body,
      });
    expect((await field({ acres: 17.4, name: ' Dorsey forty ', tag: 'df' })).status).toBe(200);
    expect((await now()).lots.find(({ id }) => id === lot.id)).toMatchObject({
      fieldName: 'Dorsey forty',
      tag: 'DF',
      acres: 17.4,
      crop: lot.crop,
      shares: lot.shares,
    });
    // Without acres they stay as they are.
    expect((await field({})).status).toBe(200);
    expect((await now()).lots.find(({ id }) => id === lot.id)!.acres).toBe(17.4);
    expect((await field({ acres: 0 })).body.message).toMatch(/acres is from 0.01 to 50,000 ac/);
    expect((await field({ name: ' ' })).body.message).toMatch(/needs a name/);
    expect((await field({ name: before.lots.find(({ id }) => id !== lot.id)!.fieldName })).body.message).toMatch(
      /one of this name/,
    );
    expect((await field({}, await harness.member(farmId, 'operator'))).status).toBe(403);
    const truck = (body: object, id = place.truck) =>
      client.call<{ message: string }>('PUT', `/farms/${farmId}/places/${id}`, body);
    expect((await truck({ name: 'Old red truck', capacityBu: 940 })).status).toBe(200);
    const kept = before.places.find(({ id }) => id === place.truck)!;
    expect((await now()).places.find(({ id }) => id === place.truck)).toEqual({
      ...kept,
      name: 'Old red truck',
      capacityBu: 940,
    });
    expect((await truck({ name: 'Old red truck', capacityBu: 0 })).body.message).toMatch(
      /what it holds is from 1 to 10,000,000 bu/,
    );
    expect((await truck({ name: 'Old red truck', kind: 'bin' })).status).toBe(400);
    expect((await truck({ name: 'Nobody’s' }, ulid())).status).toBe(404);
    expect((await truck({ name: kept.name })).status).toBe(200);
    expect((await now()).places.find(({ id }) => id === place.truck)!.capacityBu).toBeNull();
    const after = await now();
    expect([after.seq, after.positions]).toEqual([before.seq, before.positions]);
  });
});
