import type { DeviceNames } from '@fanega/contract';
import {
  axleByAxle,
  balanceOf,
  curveLoads,
  type Entry,
  instantOf,
  Ledger,
  M2_PER_ACRE,
  STILL_TRUCK_SCALE,
  tankByFlow,
} from '@fanega/core';
import { beforeAll, describe, expect, it } from 'vitest';
import type { DayEvent } from './events.js';
import { harvestDay } from './day.js';
import { KESTREL_DAY, wiresOf } from './plan.js';
import { play } from './play.js';

const BU = 56 * 0.45359237;
const MIDNIGHT = Date.UTC(2026, 8, 9, 5);
const place = (
  id: string,
  name: string,
  kind: string,
  capacityBu: number | null = null,
  bushels = 0,
  moisture: number | null = null,
) => ({
  id,
  name,
  kind,
  capacityBu,
  heldKg: bushels * BU,
  moisture,
});
const NAMES: DeviceNames = {
  places: [
    place('combine-1', 'Combine 1', 'combine', 350, 214, 0.21),
    place('combine-2', 'Combine 2', 'combine', 300),
    place('cart-1', 'Cart 1', 'cart', 1100),
    place('cart-2', 'Cart 2', 'cart', 1050, 900, 0.2),
    place('truck-1', 'Truck 1', 'truck', 940, 907, 0.14),
    place('truck-2', 'Truck 2', 'truck', 940),
    place('truck-3', 'Truck 3', 'truck', 960),
    place('wet', 'Wet bin', 'wetBin', 4500, 300, 0.2),
    place('dryer', 'Dryer', 'dryer', 1400),
    place('bin-b', 'Bin B', 'bin', 18_000),
    place('bin-c', 'Bin C', 'bin', 18_000, 4000, 0.148),
    place('bin-a', 'Bin A', 'bin', 26_700),
    place('redbud', 'Redbud Elevator', 'buyer'),
    place('duck', 'Whistling Duck Feed Mill', 'buyer'),
  ],
  lots: [
    { id: 'lg', fieldId: 'f1', fieldName: 'Lower Gum', tag: 'LG', crop: 'corn', acres: 54 },
    { id: 'be', fieldId: 'f2', fieldName: 'Buttonbush East', tag: 'BE', crop: 'corn', acres: 72 },
  ],
};
const day = (seed = 1): DayEvent[] => [
  ...harvestDay({ names: NAMES, plan: KESTREL_DAY, midnightMs: MIDNIGHT, offset: 5 * 3_600_000, seed }),
];

let events: DayEvent[];
let entries: Entry[];
const of = <What extends DayEvent['what']>(wire: string, what: What) =>
  events.filter((event) => event.wire === wire && event.what === what) as Extract<DayEvent, { what: What }>[];
beforeAll(() => {
  events = day();
  entries = events.flatMap((event) => (event.what === 'entry' ? [event.entry as unknown as Entry] : []));
});

/** The book as it stands in the morning, with what the names say is in each place. */
function book(): Ledger {
  const ledger = new Ledger({
    defaults: { moisture: 0.15, trust: ['ticket', 'bridge', 'cartScale', 'volume', 'monitor', 'estimate'] },
    lots: [{ id: 'lg' }, { id: 'be' }],
    places: NAMES.places.map(({ id, kind }) => ({ id, kind })),
  });
  ledger.append(
    NAMES.places
      .filter(({ heldKg }) => heldKg > 0)
      .map((held, i): Entry => ({
        type: 'harvest',
        id: `M${i}`,
        at: '2026-09-08T20:00:00Z',
        lot: 'be',
        to: held.id,
        wetKg: held.heldKg,
        moisture: held.moisture!,
      })),
  );
  return ledger;
}

describe('the simulated harvest day', () => {
  it('is the same day to the letter for the same seed, and another for another', () => {
    expect(day()).toEqual(events);
    expect(day(2)).not.toEqual(events);
    const wires = new Set(wiresOf(NAMES.places, KESTREL_DAY).map(({ key }) => key));
    expect([...new Set(events.map(({ wire }) => wire))].filter((wire) => !wires.has(wire))).toEqual(['crew']);
    expect(wires.size).toBe(15);
  });

  it('has its fuel stops and a bearing that runs hot: the combine stands for them, and the crew writes them down', () => {
    const records = of('crew', 'record');
    expect(records.map(({ record }) => record).sort()).toEqual([...Array<string>(2).fill('shed/fuel-fill'), ...Array<string>(4).fill('shed/part-heat')].sort()); // prettier-ignore
    const { bearing, fuel } = KESTREL_DAY;
    const minuteOf = (atMs: number): number => (atMs - MIDNIGHT) / 60_000;
    const moved = (combine: number, from: number, to: number): number =>
      of(`display:combine-${combine + 1}`, 'flow').filter(({ atMs, flow }) => minuteOf(atMs) >= from && minuteOf(atMs) < to && flow.speed > 0).length; // prettier-ignore
    for (const { combine, at, minutes } of fuel) expect(moved(combine, at, at + minutes)).toBe(0);
    const hot = bearing.read.at(-1)!.at;
    expect(moved(bearing.combine, hot - 120, hot)).toBeGreaterThan(100);
    expect(moved(bearing.combine, hot, hot + bearing.minutes)).toBe(0);
    expect(moved(bearing.combine, hot + bearing.minutes, hot + bearing.minutes + 120)).toBeGreaterThan(100);
  });

  it('the site reports itself: the leg never stands while the pit runs, the dryer’s control by its batches, cables by the hour', () => {
    const runs = new Map<string, boolean>();
    for (const { motors } of of('motors', 'motors')) {
      for (const { machineId, running } of motors) runs.set(machineId, running);
      if (runs.get('pit')) expect(runs.get('leg-1')).toBe(true);
    }
    expect(runs.size).toBe(2);
    const control = of('dryer', 'dryer').map(({ sample }) => sample);
    expect(control.filter(({ running }) => running).length).toBeGreaterThan(20);
    for (const { running, moistureIn, moistureOut } of control) {
      if (!running) expect(moistureOut).toBeUndefined();
      else expect(moistureIn! - moistureOut!).toBeGreaterThan(0.01);
    }
    const hours = of('cables', 'cables');
    expect(hours.length).toBe(13);
    // The spot that heats is the warmest of all.
    const last = hours.at(-1)!.readings;
    expect(Math.max(...last[1]!.celsius.map((value) => value!))).toBe(Math.max(...last.flatMap(({ celsius }) => celsius.slice(0, 5).map((value) => value!)))); // prettier-ignore
  });

  it('is a book that the ledger accepts, that balances, and in which no grain comes from nowhere', () => {
    const ledger = book();
    expect(ledger.check(entries)).toEqual([]);
    ledger.append(entries);
    const accounts = ledger.accounts();
    expect(balanceOf(Object.values(accounts)).balances).toBe(true);
    expect(accounts.unknown).toBeUndefined();
    for (const { id, capacityBu } of NAMES.places) {
      if (capacityBu !== null) expect(ledger.position(id).wetKg / BU, id).toBeLessThanOrEqual(capacityBu * 1.01);
    }
    const cut = entries.reduce((sum, entry) => sum + (entry.type === 'harvest' ? entry.wetKg / BU : 0), 0);
    expect(cut).toBeGreaterThan(12_000);
    expect(cut).toBeLessThan(19_000);
    // Wet corn is dried or sold wet; dried corn is dry.
    expect(entries.filter((entry) => entry.type === 'condition').length).toBeGreaterThan(2);
    expect(ledger.position('bin-c').moisture!).toBeLessThan(0.155);
    expect(entries.filter((entry) => entry.type === 'move' && entry.method === 'ticket').length).toBeGreaterThan(6);
  });

  it('every load that a cart’s scale recorded stands in its curve, and the other way round', () => {
    for (const cart of ['cart-1', 'cart-2']) {
      const own = entries.filter((entry) => entry.device === `scale:${cart}` && entry.type !== 'witness') as (Entry & {
        wetKg: number;
      })[];
      const loads = curveLoads(of(`scale:${cart}`, 'weight').map(({ atMs, kg }) => ({ atMs, kg })));
      expect(loads.length).toBe(own.length);
      own.forEach((entry, i) => {
        expect(loads[i]!.kind).toBe('to' in entry && entry.to === cart ? 'loaded' : 'unloaded');
        expect(Math.abs(loads[i]!.kg - entry.wetKg)).toBeLessThan(60);
        expect(Math.abs(loads[i]!.toMs - instantOf(entry.at))).toBeLessThan(60_000);
      });
    }
  });

  it('a display’s load is what its flow put into the tank since the last dump', () => {
    const flows = of('display:combine-2', 'flow').map(({ flow }) => flow);
    const witnesses = entries.filter(
      (entry) => entry.type === 'witness' && entry.device === 'display:combine-2',
    ) as (Entry & { wetKg: number })[];
    expect(witnesses.length).toBeGreaterThan(10);
    witnesses.slice(1, 8).forEach((witness, i) => {
      const until = flows.filter(({ atMs }) => atMs <= instantOf(witness.at));
      const tank = tankByFlow(until, instantOf(witnesses[i]!.at));
      expect(Math.abs(tank.kg / witness.wetKg - 1)).toBeLessThan(0.02);
    });
  });

  it('the displays count their field’s acres up to what was cut of it', () => {
    const open = events.flatMap((event) =>
      event.what === 'flow' && event.open ? [{ wire: event.wire, ...event.open }] : [],
    );
    for (const plan of KESTREL_DAY.fields) {
      const { id, acres } = NAMES.lots.find(({ tag }) => tag === plan.tag)!;
      const last = new Map(open.filter(({ lotId }) => lotId === id).map(({ wire, areaM2 }) => [wire, areaM2]));
      const counted = [...last.values()].reduce((sum, m2) => sum + m2, 0) / M2_PER_ACRE;
      const taken = entries.reduce((sum, entry) => sum + (entry.type === 'harvest' && entry.lot === id ? entry.wetKg : 0), 0); // prettier-ignore
      // By the mean yield; what still lies in a tank is cut too.
      expect(counted / (acres - (plan.bushels - taken / BU) / plan.yieldBu)).toBeCloseTo(1, 1);
    }
  });

  it('each truck over the bridge is five axles, and their sum is what it recorded', () => {
    const loads = entries.filter((entry) => entry.device === 'bridge') as (Entry & { grossKg: number; at: string })[];
    expect(loads.length).toBeGreaterThan(2);
    // The platform speaks only while a truck is on it: after a gap the next one comes.
    const crossings: { atMs: number; kg: number }[][] = [];
    for (const { atMs, kg } of of('bridge', 'weight')) {
      if (atMs - (crossings.at(-1)?.at(-1)?.atMs ?? -Infinity) > 5000) crossings.push([]);
      crossings.at(-1)!.push({ atMs, kg });
    }
    expect(crossings.length).toBe(loads.length);
    loads.forEach((load, i) => {
      const { axles, sumKg } = axleByAxle(crossings[i]!, STILL_TRUCK_SCALE);
      expect(axles.length).toBe(5);
      expect(Math.abs(sumKg / load.grossKg - 1)).toBeLessThan(0.01);
      expect(instantOf(load.at)).toBeGreaterThan(crossings[i]!.at(-1)!.atMs);
    });
  });
});

describe('the player', () => {
  it('tells everything once, figures in batches, a load after the figures that show it', async () => {
    const calls: {
      wire: string;
      what: string;
      body: { samples?: object[]; entries?: { id: string; at: string }[] };
    }[] = [];
    const wires = new Map(
      [...new Set(events.map(({ wire }) => wire))].map((wire) => [
        wire,
        { send: async <T>(what: string, body: object) => (calls.push({ wire, what, body }), {} as T) },
      ]),
    );
    let now = 0;
    const waits: number[] = [];
    const counted = await play(events, wires, {
      speed: 3600,
      clock: () => now,
      wait: async (ms) => void ((now += ms), waits.push(ms)),
    });
    expect(counted.entries).toBe(entries.length);
    expect(calls.flatMap(({ body }) => body.entries ?? []).map(({ id }) => id)).toEqual(entries.map(({ id }) => id));
    // A dryer's control says one thing at a time.
    const samples = calls.filter(({ what }) => what !== 'dryer').flatMap(({ body }) => body.samples ?? []);
    expect(samples.length).toBe(counted.figures);
    expect(Math.max(...calls.map(({ body }) => body.samples?.length ?? 0))).toBeLessThanOrEqual(600);
    // Twelve and a half hours at an hour a second.
    expect(now).toBeGreaterThan(11_500);
    expect(now).toBeLessThan(13_500);
    const firstLoad = calls.findIndex(({ wire, what }) => wire === 'scale:cart-1' && what === 'entries');
    const before = calls
      .slice(0, firstLoad)
      .findLast(({ wire, what }) => wire === 'scale:cart-1' && what === 'weights')!;
    expect((before.body.samples!.at(-1) as { at: string }).at).toBe(calls[firstLoad]!.body.entries![0]!.at);
  });
  it('a wire that is cut is told of, and the day goes on', async () => {
    const troubles: string[] = [];
    const broken = { send: () => Promise.reject(new Error('no signal')) };
    const counted = await play(events.slice(0, 3000), new Map([['scale:cart-1', broken]]), {
      speed: Infinity,
      clock: () => 0,
      wait: async () => undefined,
      onTrouble: (event, error) => troubles.push(`${event.wire}: ${error.message}`),
    });
    expect(counted.figures).toBeGreaterThan(1000);
    expect(new Set(troubles)).toEqual(new Set(['scale:cart-1: no signal']));
  });

  it('a shower of the evening is forecast since the morning, and has come by then', () => {
    const told = of('weather', 'weather');
    const evening = MIDNIGHT + 20 * 3_600_000;
    const hourIn = (event: (typeof told)[number] | undefined) => event?.hours.find(({ at }) => instantOf(at) === evening); // prettier-ignore
    expect(hourIn(told[0])).toMatchObject({ forecast: true, rainChance: 0.8 });
    expect(hourIn(told.at(-1))).toMatchObject({ forecast: false, wet: true });
  });
});
