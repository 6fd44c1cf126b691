import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { SiteEquipment } from '../records/index.js';
import {
  bestRoutesFrom,
  climbingNow,
  columnsOf,
  feedersOf,
  fillingOf,
  gatesNow,
  motorAlarms,
  routesFrom,
  routesNow,
  sharedMachines,
  startOrder,
  stopOrder,
} from './index.js';

const HOUR = 3_600_000;
const NOW = Date.UTC(2026, 9, 3, 18);
const machine = (id: string, kind: SiteEquipment['machines'][number]['kind'], rate?: number, driven = true) => ({ id, name: id, kind, driven, ...(rate === undefined ? {} : { rate }) }); // prettier-ignore
/** A pit under two legs, one of which also takes the dryer's grain. */
const SITE: SiteEquipment = {
  machines: [machine('pit', 'pit', 9000), machine('leg1', 'leg', 5000), machine('leg2', 'leg', 3500), machine('head', 'distributor', undefined, false), machine('belt', 'conveyor', 4000)],
  links: [
    ['pit', 'leg1'], ['pit', 'leg2'], ['leg1', 'head'], ['head', 'binA'], ['head', 'belt'], ['belt', 'binB'], ['belt', 'binC'], ['leg2', 'wet'], ['dryer', 'leg2'], ['leg2', 'binA'],
  ].map(([from, to]) => ({ from: from!, to: to! })),
}; // prettier-ignore

describe('routes of a bin site', () => {
  it('finds every way from the pit to where it falls, with its weakest machine', () => {
    const found = routesFrom(SITE, 'pit');
    expect(found.map(({ path, rate, weakest }) => [path.join(' '), rate, weakest])).toEqual([
      ['pit leg1 head binA', 5000, 'leg1'],
      ['pit leg1 head belt binB', 4000, 'belt'],
      ['pit leg1 head belt binC', 4000, 'belt'],
      ['pit leg2 wet', 3500, 'leg2'],
      ['pit leg2 binA', 3500, 'leg2'],
    ]);
    // To Bin A two ways lead; the faster one is offered.
    expect(bestRoutesFrom(SITE, 'pit').map(({ path }) => path.join(' '))).not.toContain('pit leg2 binA');
    expect(feedersOf(SITE).sort()).toEqual(['dryer', 'pit']);
    expect(routesFrom(SITE, 'nowhere')).toEqual([]);
  });

  it('what shares a machine cannot run together; the order is last machine first, and feeders stop first', () => {
    expect(sharedMachines(SITE, ['pit', 'leg2', 'wet'], ['dryer', 'leg2', 'binA'])).toEqual(['leg2']);
    // One place under two routes is no machine.
    expect(sharedMachines(SITE, ['pit', 'leg1', 'head', 'binA'], ['dryer', 'leg2', 'binA'])).toEqual([]);
    const path = ['pit', 'leg1', 'head', 'belt', 'binB'];
    expect(startOrder(SITE, path).map(({ id }) => id)).toEqual(['belt', 'leg1', 'pit']);
    expect(stopOrder(SITE, path).map(({ id }) => id)).toEqual(['pit', 'leg1', 'belt']);
  });

  it('the newest from each feeder counts, closed is closed, and a route over what is gone is none', () => {
    const set = (from: string, hours: number, ...path: string[]) => ({ atMs: NOW - hours * HOUR, from, path });
    const now = routesNow(SITE, [
      set('pit', 1, 'pit', 'leg1', 'head', 'belt', 'binC'),
      set('pit', 5, 'pit', 'leg1', 'head', 'binA'),
      set('dryer', 2, 'dryer', 'leg2', 'binA'),
    ]);
    expect(now.map(({ from, to, rate, sinceMs }) => [from, to, rate, sinceMs])).toEqual([
      ['pit', 'binC', 4000, NOW - HOUR],
      ['dryer', 'binA', 3500, NOW - 2 * HOUR],
    ]);
    // Where trucks dump comes first, whatever was set since.
    expect(
      routesNow(SITE, [set('dryer', 1, 'dryer', 'leg2', 'binA'), set('pit', 3, 'pit', 'leg1', 'head', 'binA')]).map(({ from }) => from),
    ).toEqual(['pit', 'dryer']); // prettier-ignore
    expect(routesNow(SITE, [set('pit', 1), set('pit', 5, 'pit', 'leg1', 'head', 'binA')])).toEqual([]);
    expect(routesNow(SITE, [set('pit', 1, 'pit', 'sold', 'binA')])).toEqual([]);
  });

  it('the gates say where a truck’s load goes, of all that the pit reaches', () => {
    const gates = gatesNow(SITE, [{ from: 'pit', to: 'wet' }, { from: 'dryer', to: 'binA' }]); // prettier-ignore
    expect(gates?.now).toEqual(['wet']);
    expect([...gates!.reach].sort()).toEqual(['binA', 'binB', 'binC', 'wet']);
    expect(gatesNow(SITE, [{ from: 'dryer', to: 'binA' }])).toBeNull();
  });

  it('a leg that stops while its feeders run alarms with what to stop, the nearest first', () => {
    const routes = [{ path: ['pit', 'leg1', 'head', 'belt', 'binB'] }];
    const motor = (machineId: string, running: boolean) => ({ machineId, running, load: null, atMs: NOW });
    expect(motorAlarms(routes, [motor('pit', true), motor('leg1', true), motor('belt', false)])).toEqual([
      { stopped: 'belt', stop: ['leg1', 'pit'], sinceMs: NOW },
    ]);
    // Stopped in order, or never reported: no alarm. Nor off every route.
    expect(motorAlarms(routes, [motor('pit', false), motor('leg1', false), motor('belt', true)])).toEqual([]);
    expect(motorAlarms(routes, [motor('pit', true)])).toEqual([]);
    expect(motorAlarms([], [motor('pit', true), motor('leg1', false)])).toEqual([]);
  });

  it('never answers with a route that runs in a circle or over a link that is not there', () => {
    const ids = ['a', 'b', 'c', 'd', 'x', 'y'];
    const link = fc.record({ from: fc.constantFrom(...ids), to: fc.constantFrom(...ids) });
    fc.assert(
      fc.property(fc.array(link, { maxLength: 14 }), (all) => {
        const links = all.filter(({ from, to }) => from !== to);
        const site: SiteEquipment = { machines: ['a', 'b', 'c', 'd'].map((id) => machine(id, 'auger', 100)), links };
        for (const { path } of routesFrom(site, 'a')) {
          expect(new Set(path).size).toBe(path.length);
          expect(['x', 'y']).toContain(path.at(-1));
          path.slice(1).forEach((to, i) => expect(links).toContainEqual({ from: path[i], to }));
        }
        for (const column of columnsOf(site).values()) expect(column).toBeLessThanOrEqual(7);
      }),
      { seed: 7, numRuns: 200 },
    );
  });
});

describe('an overhead tank that fills', () => {
  const fill = (more: Partial<Parameters<typeof fillingOf>[0]> = {}) =>
    fillingOf({
      heldBu: 200,
      capacityBu: 1200,
      rate: 2000,
      sinceMs: NOW,
      nowMs: NOW + HOUR / 4,
      truckBu: 900,
      ...more,
    });
  it('says when it is full, and whether the next truck can load now', () => {
    expect(fill()).toEqual({ bushels: 700, fullMs: NOW + HOUR / 2, canLoad: false });
    expect(fill({ nowMs: NOW + 0.4 * HOUR })).toMatchObject({ bushels: 1000, canLoad: true });
    expect(fill({ nowMs: NOW + 3 * HOUR }).bushels).toBe(1200);
    expect(fill({ rate: 0 }).fullMs).toBeNull();
    expect(fill({ truckBu: null }).canLoad).toBe(false);
  });
});

describe('who is up on a bin', () => {
  const note = (minutesAgo: number, down: boolean, who = 'Bea') => ({ id: `${minutesAgo}`, atMs: NOW - minutesAgo * 60_000, placeId: 'binA', who, second: 'Oona', down }); // prettier-ignore
  it('alarms after fifteen minutes without a word, and not for ever', () => {
    expect(climbingNow([note(5, false)], NOW)).toMatchObject([{ who: 'Bea', second: 'Oona', overdue: false }]);
    expect(climbingNow([note(15, false)], NOW)).toMatchObject([{ overdue: true }]);
    expect(climbingNow([note(20, false), note(2, true)], NOW)).toEqual([]);
    expect(climbingNow([note(20, false), note(16, true, 'Dell')], NOW)).toHaveLength(1);
    expect(climbingNow([note(13 * 60, false)], NOW)).toEqual([]);
  });
});
