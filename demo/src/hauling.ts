import { FEDERAL_RULES, instantOf, KG_PER_LB, M_PER_FT, type TruckSetup, type WeightRulesSetting } from '@fanega/core';
import type { DemoFarm } from './farm.js';
import { seeded } from './random.js';
import type { DemoLog, DemoSetting } from './records.js';
import { ulidAt } from './ulid.js';

export interface DemoTicket {
  readonly number: number;
  readonly id: string;
  readonly at: string;
  readonly machineId: string;
  readonly body: {
    combination: string;
    grossKg: number[];
    tareKg: number[];
    tareId: string | null;
    byHand: boolean;
    crop: string | null;
    shares: Record<string, number>;
  };
  readonly entryId: string;
  readonly by: string;
}

export interface DemoHauling {
  readonly logs: readonly DemoLog[];
  readonly settings: readonly DemoSetting[];
  readonly tickets: readonly DemoTicket[];
}

const DAY = 86_400_000;
/** Tractor with two axles behind the steer axle, hopper trailer with two. */
const AXLES = [0, 14, 18.3, 47, 51.3].map((feet, i) => ({
  at: feet * M_PER_FT,
  share: [0.05, 0.23, 0.23, 0.245, 0.245][i]!,
}));
const EMPTY_LB = [10_300, 4300, 4200, 4050, 3950];
const COMBINATION: Record<string, string> = {
  'truck-1': 'Truck 1, white hopper',
  'truck-2': 'Truck 2, gray hopper',
  'truck-3': 'Truck 3, tandem hopper',
  'truck-4': 'Truck 4, short hopper',
};

const lb = (pounds: number): number => Math.round(pounds / 20) * 20 * KG_PER_LB;

/** The trucks' axles, their empty weights, and the tickets of the own bridge, drawn to the farm's own book. */
export function demoHauling(farm: DemoFarm, seed = 20260911): DemoHauling {
  const random = seeded(seed);
  const between = (a: number, b: number): number => a + (b - a) * random();
  const end = Math.max(...farm.entries.map((entry) => instantOf(entry.at)));
  const trucks = farm.places.filter((place) => place.kind === 'truck' && COMBINATION[place.id]);
  const logs: DemoLog[] = [];
  const settings: DemoSetting[] = [];
  const tares = new Map<string, { id: string; atMs: number; axlesKg: number[] }[]>();
  trucks.forEach((truck, n) => {
    const combination = COMBINATION[truck.id]!;
    const body: TruckSetup = {
      combination,
      body: 'hopper',
      axles: AXLES,
      singleLb: FEDERAL_RULES.single,
      tandemLb: FEDERAL_RULES.tandem,
      grossLb: FEDERAL_RULES.gross,
      ...(n === 0
        ? {
            permit: {
              name: 'Harvest permit',
              percentAxles: 5,
              percentGross: 5,
              from: '2026-08-01',
              until: '2026-11-30',
            },
          }
        : {}),
    };
    settings.push({ kind: 'truckSetup', subject: truck.id, body });
    // Truck 3 was not weighed empty since before harvest.
    for (const daysAgo of n === 2 ? [58, 44] : [44, 31, 12]) {
      const atMs = end - daysAgo * DAY + between(-2, 2) * 3_600_000;
      const axlesKg = EMPTY_LB.map((pounds, i) => lb(pounds + (i === 0 ? 120 * n : 40 * n) + between(-40, 40)));
      const id = ulidAt(atMs, random);
      logs.push({
        kind: 'emptyWeight',
        by: 'Ames',
        voided: false,
        body: { id, at: new Date(atMs).toISOString(), machineId: truck.id, combination, axlesKg },
      });
      tares.set(truck.id, [...(tares.get(truck.id) ?? []), { id, atMs, axlesKg }]);
    }
  });
  const tickets = farm.bridged
    .filter(({ truck }) => tares.has(truck))
    .map((load, i): DemoTicket => {
      const atMs = instantOf(load.at);
      const known = tares.get(load.truck)!;
      const tare = known.filter((one) => one.atMs <= atMs).at(-1) ?? known[0]!;
      const whole = tare.axlesKg.reduce((a, b) => a + b, 0) + load.netKg;
      // Each axle its part of the load, a little off; the last one takes what is left, so that the sum is the weight.
      const gross = AXLES.slice(0, -1).map(
        (axle, a) => tare.axlesKg[a]! + load.netKg * axle.share * between(0.985, 1.015),
      );
      const last = whole - gross.reduce((a, b) => a + b, 0);
      return {
        number: i + 1,
        id: ulidAt(atMs, random),
        at: load.at,
        machineId: load.truck,
        body: {
          combination: COMBINATION[load.truck]!,
          grossKg: [...gross, last],
          tareKg: tare.axlesKg,
          tareId: tare.id,
          byHand: false,
          crop: load.crop,
          shares: { ...load.shares },
        },
        entryId: load.entryId,
        by: 'Ames',
      };
    });
  const rules: WeightRulesSetting = { tolerance: 0.005, tareOldDays: 30, tareTolerance: 0.01 };
  settings.push({ kind: 'weightRules', subject: 'farm', body: rules });
  return { logs, settings, tickets };
}
