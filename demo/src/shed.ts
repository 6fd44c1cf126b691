import {
  type Changeover,
  changeoverSteps,
  dayAfter,
  instantOf,
  type Machine,
  type MachineKind,
  READINESS_TEMPLATES,
  type SeasonPlan,
} from '@fanega/core';
import type { DemoFarm } from './farm.js';
import { drawnConcave } from './picture.js';
import { seeded } from './random.js';
import type { DemoLog, DemoSetting } from './records.js';
import { ulidAt } from './ulid.js';

export interface DemoShed {
  readonly settings: readonly DemoSetting[];
  readonly logs: readonly DemoLog[];
  readonly photos: readonly {
    readonly id: string;
    readonly at: number;
    readonly about: string;
    readonly bytes: Buffer;
    readonly width: number;
    readonly height: number;
    readonly by: string;
  }[];
}

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** Central daylight time. */
const LOCAL = 5 * HOUR;

/** The shed in the fifth week: corn machines run, the bean head waits for a part, two weeks of breakdowns are written down. */
export function demoShed(farm: DemoFarm, seed = 20260910): DemoShed {
  const random = seeded(seed);
  const end = Math.max(...farm.entries.map((entry) => instantOf(entry.at)));
  const today = new Date(end - LOCAL).toISOString().slice(0, 10);
  const midnight = Math.floor((end - LOCAL) / DAY) * DAY + LOCAL;
  const id = (at: number): string => ulidAt(at, random);
  const iso = (at: number): string => new Date(at).toISOString();
  const season: SeasonPlan = {
    firstDays: { corn: dayAfter(today, -28), sorghum: dayAfter(today, -14), soybean: dayAfter(today, -3) },
    acknowledge: ['headerLock', 'binEntry'],
  };
  const photos: DemoShed['photos'][number][] = [];
  const photo = (about: string, daysAgo: number, worn: number): string => {
    const at = end - daysAgo * DAY;
    const photoId = id(at);
    photos.push({ id: photoId, at, about, bytes: drawnConcave(worn), width: 480, height: 320, by: 'Bea' });
    return photoId;
  };

  const list = (
    kind: MachineKind,
    owner: string,
    firstDay: string,
    open: Readonly<Record<number, Partial<Machine['items'][number]>>> = {},
  ): Machine['items'][number][] =>
    READINESS_TEMPLATES[kind].map((line, i) => ({
      id: `${kind}-${i + 1}`,
      what: line.what,
      owner,
      due: dayAfter(firstDay, -line.daysBefore),
      doneOn: open[i] ? null : dayAfter(firstDay, -line.daysBefore - 1),
      skipped: null,
      needed: line.needed,
      part: null,
      ...(line.card ? { card: line.card } : {}),
      ...open[i],
    }));
  const { corn, soybean } = season.firstDays as { corn: string; soybean: string };
  const asset = (
    kind: MachineKind,
    name: string,
    owner: string,
    more: Partial<Machine> = {},
    open: Readonly<Record<number, Partial<Machine['items'][number]>>> = {},
  ): Machine => ({
    kind,
    name,
    retired: false,
    engineHours: 0,
    separatorHours: 0,
    acres: 0,
    items: list(kind, owner, more.crops?.length === 1 && more.crops[0] === 'soybean' ? soybean : corn, open),
    services: [],
    wear: [],
    ...more,
  });
  const assets: Record<string, Machine> = {
    'combine-1': asset('combine', 'Combine 1', 'Oona', {
      placeId: 'combine-1',
      engineHours: 2914,
      separatorHours: 2071,
      acres: 21_480,
      services: [
        { id: 'oil', what: 'Engine oil and filter', by: 'engine', everyHours: 250, lastAt: 2702, skipped: 0 },
        { id: 'air', what: 'Air filter, outer', by: 'engine', everyHours: 100, lastAt: 2790, skipped: 1 },
        {
          id: 'grease',
          what: 'Rotor drive and separator grease',
          by: 'separator',
          everyHours: 50,
          lastAt: 2050,
          skipped: 0,
        },
      ],
      wear: [
        {
          id: 'concaves',
          name: 'Concave inserts',
          position: 'round bar, all three',
          hoursAtFit: 1690,
          acresAtFit: 17_300,
          lastsHours: null,
          lastsAcres: 4500,
          photos: [photo('concaves, fitted', 400, 0), photo('concaves, before this season', 40, 0.75)],
        },
        {
          id: 'rasp',
          name: 'Rotor bars',
          position: 'front two rows',
          hoursAtFit: 1402,
          acresAtFit: 14_200,
          lastsHours: 900,
          lastsAcres: null,
          photos: [],
        },
        {
          id: 'feeder',
          name: 'Feeder chain',
          position: 'feeder house',
          hoursAtFit: 1690,
          acresAtFit: 17_300,
          lastsHours: 1000,
          lastsAcres: null,
          photos: [],
        },
      ],
    }),
    'combine-2': asset('combine', 'Combine 2', 'Bea', {
      placeId: 'combine-2',
      engineHours: 3620,
      separatorHours: 2688,
      acres: 26_900,
      services: [{ id: 'oil', what: 'Engine oil and filter', by: 'engine', everyHours: 250, lastAt: 3401, skipped: 0 }],
      wear: [
        {
          id: 'concaves',
          name: 'Concave inserts',
          position: 'round bar, all three',
          hoursAtFit: 2350,
          acresAtFit: 23_600,
          lastsHours: null,
          lastsAcres: 4500,
          photos: [],
        },
      ],
    }),
    'row-head-12': asset('header', 'Row head, 12 at 30 in', 'Ruiz', {
      crops: ['corn', 'sunflower'],
      acres: 9800,
      wear: [
        {
          id: 'rolls',
          name: 'Stalk rolls',
          position: 'all twelve rows',
          hoursAtFit: 0,
          acresAtFit: 6100,
          lastsHours: null,
          lastsAcres: 5000,
          photos: [],
        },
      ],
    }),
    'flex-35': asset(
      'header',
      'Flex platform, 35 ft',
      'Ruiz',
      {
        crops: ['soybean'],
        acres: 7420,
        wear: [
          {
            id: 'knife',
            name: 'Knife and guards',
            position: 'both halves',
            hoursAtFit: 0,
            acresAtFit: 6900,
            lastsHours: null,
            lastsAcres: 2400,
            photos: [],
          },
        ],
      },
      {
        0: { part: { name: 'Knife drive gearbox', onHand: false, leadDays: 12, orderedOn: dayAfter(today, -3) } },
        1: {},
        2: {},
      },
    ),
    'flex-30': asset('header', 'Flex platform, 30 ft (old)', 'Ruiz', { crops: ['soybean'], acres: 18_900 }, { 2: {} }),
    'cart-1': asset('cart', 'Cart 1', 'Dell', { placeId: 'cart-1' }),
    'cart-2': asset(
      'cart',
      'Cart 2',
      'Dell',
      { placeId: 'cart-2' },
      { 1: { part: { name: 'Scale cable', onHand: true, leadDays: 3, orderedOn: dayAfter(today, -7) } } },
    ),
    'truck-1': asset('truck', 'Truck 1', 'Ames', { placeId: 'truck-1' }),
    'truck-4': asset('truck', 'Truck 4', 'Tilda', { placeId: 'truck-4' }, { 2: {} }),
    'auger-1': asset('auger', 'Swing auger', 'Bea', {}, { 1: {} }),
    leg: asset('leg', 'Leg', 'Bea'),
    dryer: asset('dryer', 'Dryer', 'Bea', { placeId: 'dryer' }, { 2: { skipped: 'sensor new last winter' } }),
    'bin-f': asset('bin', 'Bin F', 'Bea', { placeId: 'bin-f', crops: ['soybean'] }, { 2: {} }),
    'fan-b': asset('fan', 'Fan of Bin B', 'Bea'),
    'tester-2': asset('tester', 'Handheld 2', 'Oona'),
    'bench-tester': asset('tester', 'Shop bench', 'Tilda', {}, { 1: {} }),
    'yard-scale': asset(
      'scale',
      'Yard scale',
      'Ames',
      {},
      { 2: { part: { name: 'Inspection visit', onHand: false, leadDays: 5, orderedOn: dayAfter(today, -2) } } },
    ),
  };

  const steps = changeoverSteps('corn', 'soybean');
  const changeover: Changeover = {
    from: 'corn',
    to: 'soybean',
    done: steps
      .filter((step) => step.id === 'display' || step.id === 'stoneTrap')
      .map((step) => ({ step: step.id, at: iso(end - 3 * HOUR), by: 'Bea' })),
  };
  const logs: DemoLog[] = (
    [
      [19, 10.2, 'combine-2', 'Feeder chain jumped, two slats bent', 'wear', 640, 4.5, 31, 'feeder slats'],
      [14, 16.6, 'cart-2', 'Tire cut on a stump', 'foreign', 1180, 3, 12, 'tire, 900/60'],
      [12, 21.4, 'dryer', 'Flame sensor dead', 'electric', 95, 5.5, 0, 'flame sensor'],
      [8, 14.1, 'combine-1', 'Rotor plugged in the wet corner', 'plug', 0, 1.5, 11, ''],
      [7, 11.8, 'cart-2', 'Scale cable torn off on a gate', 'operator', 140, 0, 0, 'scale cable'],
      [
        5,
        17.3,
        'combine-2',
        'Bearing of the clean-grain elevator hot, changed',
        'wear',
        210,
        2.5,
        17,
        'elevator bearing',
      ],
      [0, 14.4, 'truck-4', 'Air line leaks at the trailer', 'wear', 60, 1, 0, 'air line'],
    ] as const
  ).map(([daysAgo, hour, assetId, what, cause, cost, hoursLost, acresLost, missingSpare]) => {
    const at = midnight - daysAgo * DAY + hour * HOUR;
    return {
      kind: 'breakdown',
      by: 'Oona',
      voided: false,
      body: {
        id: id(at),
        at: iso(at),
        assetId,
        what,
        cause,
        cost,
        hoursLost,
        acresLost,
        missingSpare,
        mended: daysAgo > 0,
      },
    };
  });
  return {
    settings: [
      ...Object.entries(assets).map(([subject, body]) => ({ kind: 'machine' as const, subject, body })),
      { kind: 'seasonPlan', subject: 'farm', body: season },
      { kind: 'changeover', subject: 'combine-2', body: changeover },
      {
        kind: 'partsCounters',
        subject: 'farm',
        body: {
          counters: [
            {
              name: 'Millrace Implement, parts',
              phone: '555-0131',
              roadMin: 35,
              opens: 7.5,
              closes: 17.5,
              saturdayOpens: 8,
              saturdayCloses: 12,
            },
            {
              name: 'Tupelo Truck & Trailer',
              phone: '555-0178',
              roadMin: 20,
              opens: 7,
              closes: 18,
              saturdayOpens: 7,
              saturdayCloses: 15,
            },
          ],
        },
      },
    ],
    logs,
    photos,
  };
}
