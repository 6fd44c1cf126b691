import type { InsuranceAnswer } from '@fanega/contract';
import { type Book, checkOriginAgainst, type EpcisDocument, type Origin, type OriginFile } from '@fanega/core';
import Papa from 'papaparse';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { check as checkGeoJson } from '@placemarkio/check-geojson';
import ICAL from 'ical.js';
import isoxml from 'isoxml';
import readXlsxFile from 'read-excel-file/node';
import { ulid } from 'ulid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, farmNow, Harness, smallFarm } from './harness.js';

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

interface Shared {
  file: OriginFile;
  stands: string;
  givenTo: string;
}

describe('where a ticket came from', () => {
  const at = (day: number) => `2026-10-0${day}T15:00:00Z`;
  const [a, b, c, sold] = [ulid(), ulid(), ulid(), ulid()];
  let secret = '';
  let linkId = '';

  beforeAll(async () => {
    const entries = [
      { id: a, type: 'harvest', lot: p.hs, to: p.bin, wetKg: 60_000, moisture: 0.18, method: 'cartScale', at: at(1) },
      { id: b, type: 'harvest', lot: p.pt, to: p.bin, wetKg: 40_000, moisture: 0.16, method: 'cartScale', at: at(2) },
      { id: c, type: 'move', from: p.bin, to: p.truck, wetKg: 20_000, at: at(3) },
      { id: sold, type: 'move', from: p.truck, to: p.mill, emptied: true, ticket: 'R-501', method: 'ticket', at: at(4) },
    ]; // prettier-ignore
    expect((await post('entries', { entries })).status).toBe(200);
  });

  it('says how sure each share is, divided other ways too; is found by its number', async () => {
    const { body } = await client.get<Origin>(`/farms/${farmId}/origins/deliveries/${sold}`);
    expect(body).toMatchObject({ ticket: 'R-501', to: 'Redbud' });
    expect(body.fields.every(({ sure }) => sure === 'mixing')).toBe(true);
    const { body: ways } = await client.get<{ way: string }[]>(`/farms/${farmId}/origins/deliveries/${sold}/divisions`);
    expect(ways.map(({ way }) => way)).toEqual(['asSet', 'mixed', 'lastIn', 'firstIn']);
    const found = await client.get<{ entries: { entry: { id: string } }[] }>(`/farms/${farmId}/search?q=r-501`);
    expect(found.body.entries.map(({ entry }) => entry.id)).toEqual([sold]);
    expect((await client.get(`/farms/${farmId}/origins/deliveries/${a}`)).status).toBe(404);
    expect((await client.get(`/farms/${farmId}/origins/lots/${a}`)).status).toBe(404);
    expect((await client.get(`/farms/${farmId}/origins/places/${p.bin}`)).status).toBe(200);
  });

  it('goes out as a file that follows from the book, and as a sheet', async () => {
    const { body: file } = await client.get<OriginFile>(`/farms/${farmId}/origins/deliveries/${sold}/file`);
    const { body: book } = await client.get<Book>(`/farms/${farmId}/book`);
    expect(checkOriginAgainst(book, file)).toEqual([]);
    expect(file.records.map(({ record }) => record.id).sort()).toEqual([b, c, sold].sort());
    const pdf = await client.get<string>(`/farms/${farmId}/origins/deliveries/${sold}/pdf`);
    expect([pdf.status, pdf.headers.get('content-type')]).toEqual([200, 'application/pdf']);
  });

  it('is shown by a link without an account, and nothing else is', async () => {
    const operator = await harness.member(farmId, 'operator');
    const body = { kind: 'delivery', subject: sold, givenTo: 'Redbud, quality desk', days: 30 };
    expect((await post('origin-links', body, operator)).status).toBe(403);
    expect((await post('origin-links', { ...body, subject: a })).status).toBe(404);
    const made = await post<{ id: string; secret: string }>('origin-links', body);
    expect(made.status).toBe(201);
    ({ id: linkId, secret } = made.body);
    const anybody = harness.client();
    const shared = await anybody.get<Shared>(`/origin/${secret}`);
    expect(shared.body).toMatchObject({ stands: 'same', givenTo: 'Redbud, quality desk', file: { origin: { ticket: 'R-501' } } }); // prettier-ignore
    for (const path of [`/farms/${farmId}/now`, `/farms/${farmId}/book`, `/farms/${farmId}/origins/deliveries/${sold}`])
      expect((await anybody.get(path)).status).toBe(401);
    expect((await anybody.get(`/origin/${secret.slice(1)}x`)).status).toBe(404);
    const [link] = (await client.get<{ opened: number; givenTo: string }[]>(`/farms/${farmId}/origin-links`)).body;
    expect(link).toMatchObject({ opened: 1, givenTo: 'Redbud, quality desk' });
    expect(JSON.stringify(link)).not.toContain(secret);
  });

  it('stays as it was given, says when the book says otherwise since, and ends when it is cut off', async () => {
    const witness = { id: ulid(), type: 'witness', of: b, method: 'bridge', wetKg: 39_000, at: at(5) };
    expect((await post('entries', { entries: [witness] })).status).toBe(200);
    const anybody = harness.client();
    const before = (await anybody.get<Shared>(`/origin/${secret}`)).body;
    expect(before.file.origin.fields.length).toBeGreaterThan(0);
    const gone = { id: ulid(), type: 'void', voids: sold, at: at(6) };
    expect((await post('entries', { entries: [gone] })).status).toBe(200);
    const after = (await anybody.get<Shared>(`/origin/${secret}`)).body;
    expect([after.stands, after.file]).toEqual(['gone', before.file]);
    expect((await post(`origin-links/${linkId}/revoke`, {})).status).toBe(200);
    expect((await anybody.get(`/origin/${secret}`)).status).toBe(404);
  });
});

describe('an insured unit', () => {
  const BU = 25.40117272;
  const answer = async () => (await client.get<InsuranceAnswer>(`/farms/${farmId}/insurance?season=2026`)).body;
  const put = (kind: string, subject: string, value: object, by = client) => by.put<Refusal>(`/farms/${farmId}/trace/${kind}/${subject}`, { revision: 0, value }); // prettier-ignore
  const policy = { number: 'P-7', crop: 'corn', season: 2026, coverage: 0.75, price: 4.5, base: 0.15, noticeDays: 3, noticeAfterEnd: 15, periodEnds: '2026-12-10' }; // prettier-ignore
  const unit = (lot: string, number: string) => ({ policy: 'p7', number, kind: 'optional', lots: [lot], share: 1, approvedYield: 180 }); // prettier-ignore

  it('is entered by a manager, with what is wrong named at its field', async () => {
    const operator = await harness.member(farmId, 'operator');
    expect((await put('insurance-policy', 'p7', policy, operator)).status).toBe(403);
    const rows = [{ moisture: 0.16, factor: 0.988 }, { moisture: 0.155, factor: 0.99 }]; // prettier-ignore
    const bad = await put('insurance-policy', 'p7', { ...policy, moistureFactors: rows });
    expect(bad.body.issues[0]!.field).toContain('moistureFactors');
    expect((await put('insurance-policy', 'p7', policy)).status).toBe(200);
    expect((await put('insurance-unit', 'u1', { ...unit(p.hs, '0001'), lots: [p.hs, p.hs] })).status).toBe(400);
    expect((await put('insurance-unit', 'u1', unit(p.hs, '0001'))).status).toBe(200);
    expect((await put('insurance-unit', 'u2', unit(p.pt, '0002'))).status).toBe(200);
  });

  it('finds three loads filed wrong, moves them as one, and its sheet says what the page says', async () => {
    const cut = (lot: string, hour: number, moisture: number) => ({ id: ulid(), type: 'harvest', lot, to: p.cart, wetKg: 300 * BU, moisture, by: 'Wes', at: `2026-10-12T${hour}:00:00Z` }); // prettier-ignore
    const loads = Array.from({ length: 9 }, (_, i) => cut(i >= 3 && i < 6 ? p.hs : p.pt, 12 + i, 0.155));
    expect((await post('entries', { entries: loads })).status).toBe(200);
    const before = await answer();
    expect(before.wrong.map(({ entry }) => entry.id)).toEqual(loads.slice(3, 6).map(({ id }) => id));
    const body = { loads: before.wrong.map(({ entry }) => entry.id), lot: p.pt, why: 'was filed under Heron Slough' };
    const operator = await harness.member(farmId, 'operator');
    expect((await post('insurance/moved-loads', body, operator)).status).toBe(403);
    expect((await post('insurance/moved-loads', { ...body, loads: [...body.loads, ulid()] })).status).toBe(400);
    expect((await post('insurance/moved-loads', { ...body, lot: 'nowhere' })).status).toBe(400);
    expect((await post<{ moved: number }>('insurance/moved-loads', body)).body).toEqual({ moved: 3 });
    const after = await answer();
    expect(after.wrong).toEqual([]);
    const of = (all: InsuranceAnswer, number: string) => all.insurance.units.find((one) => one.unit.number === number)!;
    // 900 bushels at 15.5 %: five tenths above the base.
    const moved = 900 * (1 - 5 * 0.0012);
    expect(of(after, '0002').harvested - of(before, '0002').harvested).toBeCloseTo(moved, 6);
    expect(of(before, '0001').harvested - of(after, '0001').harvested).toBeCloseTo(moved, 6);
    expect((await post<{ moved: number }>('insurance/moved-loads', body)).body).toEqual({ moved: 0 });
    const response = await fetch(`${harness.address()}/api/farms/${farmId}/insurance/pdf?season=2026`, { headers: { cookie: client.cookie } }); // prettier-ignore
    const pdf = await getDocument({ data: new Uint8Array(await response.arrayBuffer()), verbosity: 0 }).promise;
    const text = (await (await pdf.getPage(1)).getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' '); // prettier-ignore
    const { toCount, guarantee } = of(after, '0002');
    for (const figure of [toCount, guarantee]) expect(text).toContain(figure.toLocaleString('en-US', { minimumFractionDigits: 2, maximumFractionDigits: 2 })); // prettier-ignore
  });
});

describe('files that come in', () => {
  const fields = (importId: string, list: object[]) => post<{ taken: number }>('imports/fields', { importId, file: 'fields.csv', season: 2026, fields: list }); // prettier-ignore
  const square = (lon: number) => [[lon, 35], [lon + 0.006, 35], [lon + 0.006, 35.006], [lon, 35.006], [lon, 35]].map(([x, lat]) => ({ part: 0, ring: 0, lon: x, lat })); // prettier-ignore
  const one = (name: string, tag: string, more: object = {}) => ({ name, acres: 40, crop: 'corn', tag, ...more });
  const names = async () => (await client.get<{ lots: { fieldName: string; acres: number; season: number }[] }>(`/farms/${farmId}/header`)).body.lots.filter(({ season }) => season === 2026); // prettier-ignore

  it('fields: all or none, undone, and taken in again', async () => {
    const operator = await harness.member(farmId, 'operator');
    const importId = ulid();
    const list = [one('Moss Lane', 'ML', { boundary: square(-90) }), one('heron  slough', 'HS', { acres: 63 })];
    expect((await post('imports/fields', { importId, file: 'f', season: 2026, fields: list }, operator)).status).toBe(403); // prettier-ignore
    const twice = await post('imports/fields', { importId, file: 'f', season: 2026, fields: [...list, one('Other', 'ML')] }); // prettier-ignore
    expect([twice.status, twice.body.issues[0]!.field]).toEqual([400, 'fields[2].tag']);
    const crossed = square(-90).map((point, i) => (i === 1 ? square(-90)[2]! : i === 2 ? square(-90)[1]! : point));
    expect((await post('imports/fields', { importId, file: 'f', season: 2026, fields: [one('Bow', 'BO', { boundary: crossed })] })).status).toBe(400); // prettier-ignore
    expect((await names()).map(({ fieldName }) => fieldName)).not.toContain('Moss Lane');
    expect((await fields(importId, list)).body).toEqual({ taken: 2 });
    expect((await fields(importId, list)).body).toEqual({ taken: 2 });
    expect((await names()).filter(({ fieldName }) => fieldName === 'Moss Lane')).toHaveLength(1);
    expect((await names()).find(({ fieldName }) => fieldName === 'Heron Slough')!.acres).toBe(63);
    const geo = await client.get<{ features: { geometry: object | null; properties: { name: string } }[] }>(`/farms/${farmId}/out/geojson?season=2026`); // prettier-ignore
    expect(checkGeoJson(JSON.stringify(geo.body))).toBeTruthy();
    expect(geo.body.features.find(({ properties }) => properties.name === 'Moss Lane')!.geometry).toMatchObject({ type: 'Polygon' }); // prettier-ignore
    expect((await post(`imports/${importId}/undo`, {})).body).toEqual({ undone: 2 });
    expect((await names()).map(({ fieldName, acres }) => [fieldName, acres]).sort()).toEqual([['Heron Slough', 62.5], ['Pecan Turn', 62.5]]); // prettier-ignore
    const again = ulid();
    expect((await fields(again, list)).body).toEqual({ taken: 2 });
    const [lot] = (await client.get<{ lots: { id: string; fieldName: string }[] }>(`/farms/${farmId}/header`)).body.lots.filter(({ fieldName }) => fieldName === 'Moss Lane'); // prettier-ignore
    await post('entries', { entries: [{ id: ulid(), type: 'harvest', lot: lot!.id, to: p.cart, wetKg: 100, moisture: 0.15, at: '2026-10-20T12:00:00Z' }] }); // prettier-ignore
    const busy = await post(`imports/${again}/undo`, {});
    expect([busy.status, (busy.body as unknown as { message: string }).message]).toEqual([409, expect.stringMatching(/Moss Lane has loads already/)]); // prettier-ignore
  });

  it('loads: looked at, taken in once, undone as one, and taken in again', async () => {
    const loads = Array.from({ length: 20 }, (_, i) => ({ lot: p.hs, to: p.cart, wetKg: 5000 + i, moisture: 0.17, at: new Date(Date.UTC(2026, 9, 25, 12, 7 * i)).toISOString() })); // prettier-ignore
    const send = (importId: string, look: boolean, list: object[] = loads) => post<{ states: string[]; taken: number }>('imports/loads', { importId, file: 'cart.csv', look, method: 'cartScale', loads: list }); // prettier-ignore
    const importId = ulid();
    expect((await send(importId, true)).body).toEqual({ states: loads.map(() => 'new'), taken: 0 });
    expect((await send(importId, false)).body.taken).toBe(20);
    // The same file again, and one of its loads otherwise.
    const other = [{ ...loads[0]!, wetKg: 5400 }, ...loads.slice(1)];
    expect((await send(ulid(), true, other)).body.states).toEqual(['different', ...loads.slice(1).map(() => 'known')]);
    expect((await send(importId, false)).body.taken).toBe(0);
    expect((await send(ulid(), false, [{ ...loads[0]!, lot: 'nowhere' }])).status).toBe(400);
    const listed = (await client.get<{ id: string; taken: number; undone: boolean }[]>(`/farms/${farmId}/imports`))
      .body;
    expect(listed.find(({ id }) => id === importId)).toMatchObject({ taken: 20, undone: false });
    expect((await post(`imports/${importId}/undo`, {})).body).toEqual({ undone: 20 });
    expect((await post(`imports/${importId}/undo`, {})).body).toEqual({ undone: 0 });
    expect((await send(ulid(), false)).body.taken).toBe(20);
  });
});

describe('rows of other files', () => {
  type Answer = { states: string[]; taken: number };
  const importer =
    (kind: string, list: string) =>
    (rows: object[], look = false, importId = ulid()) =>
      post<Answer>(`imports/${kind}`, { importId, file: `${kind}.csv`, look, [list]: rows });

  it('tickets of a buyer become deliveries, a second time nothing, undone as one', async () => {
    const send = importer('tickets', 'tickets');
    const rows = [60, 61].map((n) => ({ ticket: `F-${n}`, at: `2026-10-2${n - 58}T15:00:00Z`, from: p.cart, to: p.mill, wetKg: 900 + n, moisture: 0.15, pricePerBu: 4.2, ...(n === 60 ? { factors: { testWeight: 54.5, foreignMaterial: 2.1 } } : {}) })); // prettier-ignore
    expect((await send(rows, true)).body).toEqual({ states: ['new', 'new'], taken: 0 });
    const importId = ulid();
    expect((await send(rows, false, importId)).body).toEqual({ states: ['new', 'new'], taken: 2 });
    const deliveries = async () => (await client.get<{ ticket: string | null; netKg: number }[]>(`/farms/${farmId}/deliveries?season=2026`)).body.filter(({ ticket }) => ticket?.startsWith('F-')); // prettier-ignore
    expect((await deliveries()).map(({ netKg }) => Math.round(netKg)).sort()).toEqual([960, 961]);
    expect((await send([rows[0]!, { ...rows[1]!, wetKg: 1200 }])).body).toEqual({
      states: ['known', 'different'],
      taken: 0,
    });
    expect((await send([{ ...rows[0]!, to: p.cart }])).status).toBe(400);
    expect((await send([{ ...rows[0]!, ticket: 'F-62', factors: { damage: 140 } as never }])).status).toBe(400);
    const { logs } = (await client.get<{ logs: { ticketPaper: { body: { factors: object } }[] } }>(`/farms/${farmId}/sell/records`)).body; // prettier-ignore
    expect(logs.ticketPaper.map(({ body }) => body.factors)).toContainEqual({ testWeight: 54.5, foreignMaterial: 2.1 });
    expect((await post(`imports/${importId}/undo`, {})).body).toEqual({ undone: 2 });
    expect(await deliveries()).toEqual([]);
    expect((await send(rows)).body.taken).toBe(2);
  });

  it('levels set the book right, hours of weather and cables are rows that go again with their file', async () => {
    const level = importer('levels', 'levels');
    const one = { place: p.cart, at: '2026-10-29T12:00:00Z', wetKg: 1234 };
    const importId = ulid();
    expect((await level([one], false, importId)).body).toEqual({ states: ['new'], taken: 1 });
    expect((await level([one, { ...one, wetKg: 999 }])).body.states).toEqual(['known', 'different']);
    const positions = (await client.get<Record<string, { wetKg: number }>>(`/farms/${farmId}/positions`)).body;
    expect(positions[p.cart]!.wetKg).toBeCloseTo(1234, 3);
    expect((await post(`imports/${importId}/undo`, {})).body).toEqual({ undone: 1 });

    const weather = importer('weather', 'hours');
    const hour = { at: '2026-03-01T10:20:00Z', temperature: 4.2, humidity: 0.61, wind: 3, rainChance: 0, wet: false, forecast: false }; // prettier-ignore
    const read = async () => (await client.get<{ temperature: number }[]>(`/farms/${farmId}/weather?from=2026-03-01T00:00:00Z&to=2026-03-02T00:00:00Z`)).body; // prettier-ignore
    const file = ulid();
    expect((await weather([hour, { ...hour, at: '2026-03-01T11:00:00Z' }], false, file)).body).toEqual({ states: ['new', 'new'], taken: 2 }); // prettier-ignore
    expect(await read()).toMatchObject([{ temperature: 4.2 }, { temperature: 4.2 }]);
    expect((await weather([hour, { ...hour, at: '2026-03-01T11:00:00Z', temperature: 9 }])).body.states).toEqual(['known', 'different']); // prettier-ignore
    // What a station measures over it is no file's any more.
    await post('weather', { hours: [{ ...hour, temperature: 5 }] });
    expect((await post(`imports/${file}/undo`, {})).body).toEqual({ undone: 1 });
    expect(await read()).toMatchObject([{ temperature: 5 }]);

    const cables = importer('cables', 'readings');
    const reading = { placeId: p.cart, cable: 0, at: '2026-03-01T10:00:00Z', celsius: [8, 8.5, null] };
    const hung = ulid();
    expect((await cables([reading], false, hung)).body).toEqual({ states: ['new'], taken: 1 });
    expect((await cables([reading, { ...reading, celsius: [9] }])).body.states).toEqual(['known', 'different']);
    expect((await post(`imports/${hung}/undo`, {})).body).toEqual({ undone: 1 });
    expect((await cables([{ ...reading, placeId: 'nowhere' }])).status).toBe(400);
  });
});

describe('what goes out in other programs’ formats', () => {
  const raw = async (what: string): Promise<Uint8Array> => {
    const response = await fetch(`${harness.address()}/api/farms/${farmId}/out/${what}`, { headers: { cookie: client.cookie } }); // prettier-ignore
    expect(response.status).toBe(200);
    return new Uint8Array(await response.arrayBuffer());
  };

  it('a workbook that another reader reads, with the sums of the book', async () => {
    const sheets = await readXlsxFile(Buffer.from(await raw('workbook?season=2026')));
    const of = (name: string) => sheets.find(({ sheet }) => sheet === name)!.data;
    expect(sheets.map(({ sheet }) => sheet)).toEqual(['Fields', 'Tickets', 'In stock', 'Entries']);
    const accounts = (await client.get<Record<string, { harvestedDryKg: number }>>(`/farms/${farmId}/accounts`)).body;
    const heads = of('Fields')[0]! as string[];
    const row = of('Fields').find((cells) => cells.at(-1) === p.hs)!;
    expect(row[heads.indexOf('harvested_dry_kg')]).toBeCloseTo(accounts[p.hs]!.harvestedDryKg, 6);
    const csv = new TextDecoder().decode(await raw('tables/fields?season=2026'));
    const { data } = Papa.parse<Record<string, string>>(csv.replace(/^\ufeff/, ''), {
      header: true,
      skipEmptyLines: true,
    });
    expect(Number(data.find(({ id }) => id === p.hs)!.harvested_dry_kg)).toBeCloseTo(accounts[p.hs]!.harvestedDryKg, 6);
    expect((await client.get(`/farms/${farmId}/out/tables/none`)).status).toBe(404);
  });

  it('task data of ISO 11783-10 that isoxml reads back: fields, boundaries and totals', async () => {
    const manager = new isoxml.ISOXMLManager();
    await manager.parseISOXMLFile(await raw('taskdata?season=2026'), 'application/zip');
    expect(manager.getWarnings()).toEqual([]);
    const { Partfield = [], Task = [] } = manager.rootElement.attributes;
    const field = Partfield.find(({ attributes }) => attributes.PartfieldDesignator === 'Moss Lane')!;
    expect(field.attributes.PartfieldArea).toBe(Math.round(40 * 4046.8564224));
    expect(field.attributes.PolygonnonTreatmentZoneonly![0]!.attributes.LineString![0]!.attributes.Point).toHaveLength(
      5,
    );
    const task = Task.find(({ attributes }) => attributes.TaskDesignator === 'Harvest Heron Slough 2026')!;
    const accounts = (await client.get<Record<string, { harvestedDryKg: number }>>(`/farms/${farmId}/accounts`)).body;
    const totals = new Map(task.attributes.Time![0]!.attributes.DataLogValue!.map(({ attributes }) => [attributes.ProcessDataDDI, attributes.ProcessDataValue])); // prettier-ignore
    expect(totals.get('00B7')).toBe(Math.round(accounts[p.hs]!.harvestedDryKg));
  });

  it('a field’s statement, whose sheet and lines are the book’s own', async () => {
    const sold = [
      { id: ulid(), type: 'harvest', lot: p.hs, to: p.cart, wetKg: 20_000, moisture: 0.15, at: '2026-10-30T12:00:00Z' },
      { id: ulid(), type: 'move', from: p.cart, to: p.mill, wetKg: 18_000, moisture: 0.15, ticket: 'S-77', pricePerBu: 4.3, method: 'ticket', at: '2026-10-30T15:00:00Z' }, // prettier-ignore
    ];
    expect((await post('entries', { entries: sold })).status).toBe(200);
    const response = await fetch(`${harness.address()}/api/farms/${farmId}/lots/${p.hs}/statement/pdf`, { headers: { cookie: client.cookie } }); // prettier-ignore
    const pdf = await getDocument({ data: new Uint8Array(await response.arrayBuffer()), verbosity: 0 }).promise;
    const text = (await (await pdf.getPage(1)).getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' '); // prettier-ignore
    const account = (await client.get<Record<string, { harvestedDryKg: number }>>(`/farms/${farmId}/accounts`)).body[p.hs]!; // prettier-ignore
    const bushels = account.harvestedDryKg / 0.85 / 25.40117272;
    expect(text).toContain(bushels.toLocaleString('en-US', { minimumFractionDigits: 2, maximumFractionDigits: 2 }));
    expect(text).toContain('it closes');
    const csv = await client.get<string>(`/farms/${farmId}/lots/${p.hs}/statement/csv`);
    const { data } = Papa.parse<Record<string, string>>(csv.body.replace(/^\ufeff/, ''), { header: true, skipEmptyLines: true }); // prettier-ignore
    const cut = data.filter(({ what }) => what === 'cut').reduce((sum, line) => sum + Number(line.dry_kg), 0);
    expect(cut).toBeCloseTo(account.harvestedDryKg, 6);
    // What its part of each ticket is worth sums to what the sheet says.
    const due = data.reduce((sum, line) => sum + Number(line.due), 0);
    expect(due).toBeGreaterThan(0);
    expect(text).toContain(`$${due.toLocaleString('en-US', { minimumFractionDigits: 2, maximumFractionDigits: 2 })}`);
    expect((await client.get(`/farms/${farmId}/lots/nowhere/statement/pdf`)).status).toBe(404);
    const day = await fetch(`${harness.address()}/api/farms/${farmId}/day/pdf?day=2026-10-12`, { headers: { cookie: client.cookie } }); // prettier-ignore
    expect(day.headers.get('content-type')).toBe('application/pdf');
    expect((await client.get(`/farms/${farmId}/day?day=today`)).status).toBe(400);
    const year = await fetch(`${harness.address()}/api/farms/${farmId}/year/pdf?season=2026`, { headers: { cookie: client.cookie } }); // prettier-ignore
    const sheet = await getDocument({ data: new Uint8Array(await year.arrayBuffer()), verbosity: 0 }).promise;
    const words = (await (await sheet.getPage(1)).getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' '); // prettier-ignore
    // Of what was cut: a field that stands takes no part in a yield.
    const all = (await client.get<Record<string, { harvestedDryKg: number }>>(`/farms/${farmId}/accounts`)).body; // prettier-ignore
    const { lots } = await farmNow(client, farmId);
    const acres = lots.filter(({ id }) => (all[id]?.harvestedDryKg ?? 0) > 0).reduce((sum, lot) => sum + lot.acres, 0);
    expect(words).toMatch(new RegExp(`Harvested.*on ${acres.toFixed(1).replace('.', '\\.')} ac.*Hauling`));
    // Of the test weights, the fields and the open questions, too.
    const every = (await Promise.all(Array.from({ length: sheet.numPages }, async (_, i) => (await (await sheet.getPage(i + 1)).getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ')))).join(' '); // prettier-ignore
    expect(every).toMatch(/Test weight, by tickets.*By field.*Test wt\..*(No question is open|Questions still open)/);
  });

  it('a calendar that ical.js reads', async () => {
    const contract = { number: '118', buyerId: p.mill, crop: 'corn', kind: 'flat', price: 4.5, bushels: 5000, opens: '2026-10-01', closes: '2026-12-15', overage: 'spot', done: false }; // prettier-ignore
    expect((await client.put(`/farms/${farmId}/sell/contract/c118`, { revision: 0, value: contract })).status).toBe(
      200,
    );
    const component = new ICAL.Component(ICAL.parse(new TextDecoder().decode(await raw('calendar'))));
    const events = component.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
    const last = events.find(({ summary }) => summary === 'Contract 118: last day')!;
    expect([last.startDate.toString(), last.description]).toEqual(['2026-12-15', expect.stringContaining('5,000 bu')]);
    expect(events.some(({ summary }) => summary.includes('insurance period ends'))).toBe(true);
  });
});

describe('a closed season', () => {
  it('takes a correction only with a reason, and goes on selling old crop', async () => {
    const state = { season: 2026, closed: true, through: '2026-10-31' };
    const operator = await harness.member(farmId, 'operator');
    expect((await client.put(`/farms/${farmId}/trace/season-state/2026`, { revision: 0, value: state })).status).toBe(200); // prettier-ignore
    const load = { id: ulid(), type: 'harvest', lot: p.hs, to: p.bin, wetKg: 500, moisture: 0.15, at: '2026-10-05T12:00:00Z' }; // prettier-ignore
    const refused = await post('entries', { entries: [load] }, operator);
    expect([refused.status, refused.body.code, refused.body.issues[0]!.field]).toEqual([422, 'season_closed', 'note']);
    expect((await post('entries', { entries: [{ ...load, note: 'found in the cart’s memory' }] }, operator)).status).toBe(200); // prettier-ignore
    const sold = { id: ulid(), type: 'move', from: p.bin, to: p.mill, wetKg: 100, at: '2026-11-05T12:00:00Z' };
    expect((await post('entries', { entries: [sold] }, operator)).status).toBe(200);
    expect((await post('entries', { entries: [{ id: ulid(), type: 'void', voids: load.id, at: '2026-11-06T12:00:00Z' }] })).status).toBe(422); // prettier-ignore
    expect((await client.put(`/farms/${farmId}/trace/season-state/2026`, { revision: 1, value: { ...state, closed: false } })).status).toBe(200); // prettier-ignore
    expect((await post('entries', { entries: [{ id: ulid(), type: 'void', voids: load.id, at: '2026-11-06T12:00:00Z' }] })).status).toBe(200); // prettier-ignore
  });
});
