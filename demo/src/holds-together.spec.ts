import { instantOf, KG_PER_LB, Ledger, type Machine } from '@fanega/core';
import { describe, expect, it } from 'vitest';
import { DEMO_BUSHEL_POINTS, demoFarm } from './farm.js';
import { demoFieldWork } from './field-work.js';
import { demoNotebook } from './notebook.js';
import { demoShed } from './shed.js';

// The demo is the first thing anybody sees: it holds together hour by hour, by the program's own rules.
const farm = demoFarm();
const [notebook, shed] = [demoNotebook(farm), demoShed(farm)];
const logs = [...notebook.logs, ...shed.logs];
const end = Math.max(...farm.entries.map((entry) => instantOf(entry.at)));
const cutOf = (lotId: string): [number, number] => {
  const times = farm.entries.flatMap((entry) =>
    entry.type === 'harvest' && entry.lot === lotId ? [instantOf(entry.at)] : [],
  );
  return [Math.min(...times), Math.max(...times)];
};

describe('the demo farm', () => {
  it('has nothing in its future', () => {
    for (const { body } of logs)
      expect(instantOf((body as { at: string }).at), JSON.stringify(body)).toBeLessThanOrEqual(end);
    for (const { at } of notebook.readings) expect(instantOf(at)).toBeLessThanOrEqual(end);
  });

  it('dries no faster than its dryer can, one batch after the other', () => {
    const ledger = new Ledger({
      defaults: { moisture: 0.15, trust: [] },
      lots: farm.lots.map(({ id }) => ({ id })),
      places: farm.places,
    });
    ledger.append(farm.entries);
    const runs = farm.entries
      .filter((entry) => entry.type === 'condition')
      .sort((a, b) => instantOf(a.at) - instantOf(b.at));
    expect(runs.length).toBeGreaterThan(5);
    let free = 0;
    for (const run of runs) {
      const into = farm.entries
        .filter((entry) => entry.type === 'move' && entry.to === 'dryer' && instantOf(entry.at) < instantOf(run.at))
        .reduce((newest, entry) => Math.max(newest, instantOf(entry.at)), 0);
      expect(into, run.at).toBeGreaterThanOrEqual(free);
      const { wetKg, moisture } = ledger.positions(instantOf(run.at) - 1).dryer!;
      const points = 100 * (moisture! - run.moisture);
      const hours = (instantOf(run.at) - into) / 3_600_000;
      expect((wetKg / KG_PER_LB / 56) * points, run.at).toBeLessThanOrEqual(DEMO_BUSHEL_POINTS * hours * 1.05 + 1);
      free = instantOf(run.at);
    }
  });

  it('has no vessel above what it holds', () => {
    const ledger = new Ledger({
      defaults: { moisture: 0.15, trust: [] },
      lots: farm.lots.map(({ id }) => ({ id })),
      places: farm.places,
    });
    ledger.append(farm.entries);
    const crops = new Map(farm.lots.map((lot) => [lot.id, lot.crop]));
    for (const entry of farm.entries) {
      if (entry.type !== 'move' && entry.type !== 'harvest') continue;
      const place = farm.places.find(({ id }) => id === entry.to)!;
      if (place.capacityBu === undefined) continue;
      const { wetLots } = ledger.positions(instantOf(entry.at))[place.id]!;
      const bushels = Object.entries(wetLots).reduce(
        (sum, [lot, kg]) => sum + kg / KG_PER_LB / (crops.get(lot) === 'soybean' ? 60 : 56),
        0,
      );
      expect(bushels, `${place.name} at ${entry.at}`).toBeLessThanOrEqual(place.capacityBu * 1.02);
    }
  });

  it('counts losses and lays strips while their fields are cut, and reads a bench with a bench', () => {
    for (const { kind, body } of notebook.logs) {
      if (!['lossCheck', 'stripTrial', 'settingsEntry', 'grainSample'].includes(kind)) continue;
      const { lotId, at } = body as unknown as { lotId: string; at: string };
      const [from, to] = cutOf(lotId);
      expect(instantOf(at), `${kind} ${at}`).toBeGreaterThanOrEqual(from - 3_600_000);
      expect(instantOf(at), `${kind} ${at}`).toBeLessThanOrEqual(to);
    }
    for (const { source, tester } of notebook.readings) if (source === 'bench') expect(tester).toBe('Shop bench');
  });

  it('moves a combine between its last load in one field and its first in the next', () => {
    const moves = demoFieldWork(farm).logs.flatMap((log) => (log.kind === 'rigMove' ? [log.body] : []));
    expect(moves.length).toBeGreaterThan(0);
    for (const { placeId, at, leftAt, fromLot, toLot } of moves) {
      const cuts = farm.entries.filter((entry) => entry.type === 'harvest' && (entry.to === placeId || entry.device?.startsWith(`${placeId}-`)) && instantOf(entry.at) > instantOf(leftAt) && instantOf(entry.at) < instantOf(at)); // prettier-ignore
      expect(cuts, `${placeId} cuts on the road at ${at}`).toEqual([]);
      expect(cutOf(fromLot!)[0]).toBeLessThan(instantOf(leftAt));
      expect(cutOf(toLot)[1]).toBeGreaterThan(instantOf(at));
    }
  });

  it('breaks at all hours, and what is down does not haul', () => {
    const breakdowns = shed.logs.map(({ body }) => body as { at: string; assetId: string; mended?: boolean });
    expect(new Set(breakdowns.map(({ at }) => at.slice(11, 16))).size).toBe(breakdowns.length);
    const machines = new Map(
      shed.settings.flatMap(({ kind, subject, body }) =>
        kind === 'machine' ? [[subject, body as unknown as Machine]] : [],
      ),
    );
    for (const { at, assetId, mended } of breakdowns) {
      if (mended !== false) continue;
      const place = machines.get(assetId)?.placeId;
      const after = farm.entries.filter(
        (entry) =>
          entry.type === 'move' && (entry.from === place || entry.to === place) && instantOf(entry.at) > instantOf(at),
      );
      expect(after, `${assetId} is down since ${at}`).toEqual([]);
    }
  });
});
