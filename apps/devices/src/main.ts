// npm run device -- KIND --url http://127.0.0.1:7300 --token TOKEN …; docs/devices.md lists them
import { readFileSync, writeFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { parseArgs, type ParseArgsConfig } from 'node:util';
import type { DeviceHello, DeviceNames } from '@fanega/contract';
import {
  bidPrice,
  type BuyerBid,
  calendarDay,
  CROPS,
  isCrop,
  KG_PER_LB,
  M2_PER_ACRE,
  seededRandom,
} from '@fanega/core';
import { ulid } from 'ulid';
import { CartScale, cartCurve } from './cart-scale.js';
import { harvestDay } from './day/day.js';
import { KESTREL_DAY } from './day/plan.js';
import { play, type Sender } from './day/play.js';
import { demoCrew } from './demo-crew.js';
import { ElevatorDesk } from './elevator.js';
import { Link } from './link.js';
import { Display } from './monitor.js';
import { HandTester } from './tester.js';
import { binReadings } from './cables.js';
import { dryerNight } from './dryer.js';
import { stationWeather } from './weather.js';
import { crossing } from './truck-scale.js';

const USAGE = `npm run device -- KIND --url http://127.0.0.1:7300 --token TOKEN [--seed 1] [--speed 1] [--ago 0]

  weather       [--every 600] [--once]                      measured hours and a forecast
  cart-scale    --play="14000,13800,-27000" [--on 0]        lb onto the cart and off it, one after the other
  truck-scale  --axles "11800,16400,16500,17200,17100"     lb of each axle, from the front, driven over the platform
  monitor       [--minutes 5] [--rate 2900] [--moisture 18] what a combine's display shows while it cuts
                [--field TAG --cut ACRES] the field that is open on it, and what it counted there before
                [--lon=DEGREES --lat=DEGREES] where its receiver is
  tester        --field TAG --moisture 17.2                 one reading of a hand tester that is a little off
  elevator      --truck NAME --buyer NAME --net LB --moisture 16.5 [--price 4.42] [--ticket 4001] [--tare 26800]
  cables        --bin NAME [--days 30] [--level 5] [--hot]   temperatures of three cables in a bin, hour by hour
  dryer         --dryer NAME [--hours 8] [--in 19] [--then 21] [--to 15] [--starve]   a night of a dryer's control
  level         --bin NAME --below 12.4                     ft from the eave down to the grain
  bids          --buyer NAME --crop corn [--price 4.40] [--futures 4.62 --basis -0.2 --month "Dec 2026"] [--for 40]   what a buyer bids, for so many days
  motors        [--run "pit,leg-1"] [--stand "leg-2"]       what motors of the site do, by their ids
  day           --wires FILE [--speed 60] [--quiet FILE]    a whole harvest day; npm run demo:day makes the wires; quiet: carts and the own scale
                                                            write no loads, which go into a file instead, to be held against what was seen`;

const OPTIONS = {
  allowPositionals: true,
  options: {
    url: { type: 'string' },
    token: { type: 'string' },
    seed: { type: 'string', default: '1' },
    speed: { type: 'string', default: '1' },
    ago: { type: 'string', default: '0' },
    every: { type: 'string', default: '600' },
    once: { type: 'boolean', default: false },
    play: { type: 'string' },
    on: { type: 'string', default: '0' },
    axles: { type: 'string' },
    minutes: { type: 'string', default: '5' },
    rate: { type: 'string', default: '2900' },
    moisture: { type: 'string' },
    field: { type: 'string' },
    truck: { type: 'string' },
    buyer: { type: 'string' },
    net: { type: 'string' },
    tare: { type: 'string', default: '26800' },
    price: { type: 'string' },
    ticket: { type: 'string', default: '4001' },
    wires: { type: 'string' },
    quiet: { type: 'string' },
    bin: { type: 'string' },
    days: { type: 'string', default: '30' },
    level: { type: 'string', default: '5' },
    hot: { type: 'boolean', default: false },
    dryer: { type: 'string' },
    hours: { type: 'string', default: '8' },
    in: { type: 'string', default: '19' },
    then: { type: 'string', default: '21' },
    to: { type: 'string', default: '15' },
    starve: { type: 'boolean', default: false },
    below: { type: 'string' },
    run: { type: 'string', default: '' },
    stand: { type: 'string', default: '' },
    crop: { type: 'string', default: 'corn' },
    futures: { type: 'string' },
    basis: { type: 'string', default: '-0.2' },
    month: { type: 'string' },
    for: { type: 'string', default: '40' },
    cut: { type: 'string' },
    lon: { type: 'string' },
    lat: { type: 'string' },
  },
} as const satisfies ParseArgsConfig;

function read(): ReturnType<typeof parseArgs<typeof OPTIONS>> {
  try {
    return parseArgs(OPTIONS);
  } catch (error) {
    return usage(error instanceof Error ? error.message : String(error));
  }
}
const { values, positionals } = read();

function usage(problem?: string): never {
  console.error(problem === undefined ? USAGE : `${problem}\n\n${USAGE}`);
  process.exit(1);
}

function number(text: string | undefined, what: string, least: number, most: number): number {
  const value = Number(text);
  if (text === undefined || text.trim() === '' || !(value >= least && value <= most))
    usage(`${what} must be a number from ${least} to ${most}`);
  return value;
}

const numbers = (text: string | undefined, what: string): number[] =>
  (text ?? usage(`${what} is missing`)).split(',').map((part) => number(part, what, -200_000, 200_000));

/** Milliseconds that a zone's clocks are behind UTC at an instant. */
function behindUtc(at: number, timeZone: string): number {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(at);
  const part = (type: string): number => Number(parts.find((p) => p.type === type)?.value);
  return (
    Math.floor(at / 60_000) * 60_000 -
    Date.UTC(part('year'), part('month') - 1, part('day'), part('hour'), part('minute'))
  );
}

const named = <Thing extends { readonly name: string }>(
  things: readonly Thing[],
  name: string | undefined,
  what: string,
): Thing =>
  things.find((thing) => thing.name === name) ??
  usage(`${what} ${name ?? ''} is not known to the farm; it has ${things.map((thing) => thing.name).join(', ')}`);

/** Sends figures of a curve in batches, at their pace. */
async function sendCurve(
  link: Link,
  what: 'weights' | 'flows',
  startMs: number,
  figures: readonly { readonly ms: number }[],
  speed: number,
  common: object = {},
): Promise<void> {
  const batchMs = 400 * speed;
  for (let i = 0; i < figures.length;) {
    const until = figures[i]!.ms + batchMs;
    const batch = figures.slice(i).filter((figure, j) => figure.ms < until && j < 600);
    await link.send(what, {
      ...common,
      samples: batch.map(({ ms, ...figure }) => ({ at: new Date(startMs + ms).toISOString(), ...figure })),
    });
    i += batch.length;
    const next = figures[i];
    if (next) await wait((next.ms - batch[0]!.ms) / speed);
  }
}

const [kind] = positionals;
const url = values.url ?? usage();
const seed = number(values.seed, '--seed', 0, 2 ** 31);
const speed = values.speed === 'max' ? Infinity : number(values.speed, '--speed', 0.1, 100_000);
const random = seededRandom(seed);
/** When the figures begin: now on the farm, or some minutes ago. */
const startOf = (hello: DeviceHello): number => Date.parse(hello.now) - number(values.ago, '--ago', 0, 1e6) * 60_000;
const link = (): Link => new Link(url, values.token ?? usage('--token is missing'), 40);

async function weather(): Promise<void> {
  const every = number(values.every, '--every', 1, 86_400);
  const station = link();
  for (;;) {
    try {
      const { farm, timeZone, now } = await station.hello();
      const at = Date.parse(now);
      const hours = stationWeather({ now: at, offset: behindUtc(at, timeZone), seed, hoursBack: 6, hoursAhead: 48 });
      const { hours: kept } = await station.send<{ hours: number }>('weather', { hours });
      console.log(
        `${farm}: ${kept} hours of weather, ${hours.find((hour) => hour.forecast)?.temperature ?? '?'} °C next`,
      );
    } catch (error) {
      console.error(error instanceof Error ? error.message : String(error));
      if (values.once) process.exit(1);
    }
    if (values.once) break;
    await wait(every * 1000);
  }
}

async function cables(): Promise<void> {
  const wire = link();
  const [hello, names]: [DeviceHello, DeviceNames] = await Promise.all([wire.hello(), wire.names()]);
  const bin = named(names.places, values.bin, 'bin');
  const readings = binReadings({
    placeId: bin.id,
    now: Date.parse(hello.now),
    days: number(values.days, '--days', 1, 400),
    levelM: number(values.level, '--level', 0, 40),
    hot: values.hot,
    seed,
  });
  for (let i = 0; i < readings.length; i += 1000) await wire.send('cables', { readings: readings.slice(i, i + 1000) });
  const last = readings.at(-1)!;
  console.log(`${readings.length} readings of ${bin.name}, the last at ${last.at}`);
}

async function dryer(): Promise<void> {
  const wire = link();
  const [hello, names]: [DeviceHello, DeviceNames] = await Promise.all([wire.hello(), wire.names()]);
  const hours = number(values.hours, '--hours', 0.5, 48);
  const percent = (text: string, name: string): number => number(text, name, 5, 45) / 100;
  const samples = dryerNight({
    placeId: named(names.places, values.dryer, 'dryer').id,
    fromMs: Date.parse(hello.now) - hours * 3_600_000,
    hours,
    moistureIn: [percent(values.in, '--in'), percent(values.then, '--then')],
    dryTo: percent(values.to, '--to'),
    bushelsPerHour: number(values.rate, '--rate', 50, 20_000),
    seed,
    starves: values.starve,
  });
  await wire.send('dryer', { samples });
  console.log(`${samples.length} samples over ${hours} hours${values.starve ? ', then out of grain' : ''}`);
}

async function level(): Promise<void> {
  const wire = link();
  const [hello, names]: [DeviceHello, DeviceNames] = await Promise.all([wire.hello(), wire.names()]);
  const bin = named(names.places, values.bin, 'bin');
  // A few inches of ripple, as a beam on grain has it.
  const belowEave = (number(values.below, '--below', 0, 120) + 0.1 * (random() - 0.5)) * 0.3048;
  await wire.send('levels', { levels: [{ placeId: bin.id, at: hello.now, belowEave }] });
  console.log(`${bin.name}: ${(belowEave / 0.3048).toFixed(2)} ft down`);
}

async function bids(): Promise<void> {
  const wire = link();
  const [hello, names]: [DeviceHello, DeviceNames] = await Promise.all([wire.hello(), wire.names()]);
  const buyer = named(names.places, values.buyer, 'buyer');
  const { crop } = values;
  if (!isCrop(crop)) usage(`--crop is one of ${Object.keys(CROPS).join(', ')}`);
  const days = number(values.for, '--for', 1, 400);
  const day = (ms: number): string => calendarDay(ms, hello.timeZone);
  const now = Date.parse(hello.now);
  // A board moves by quarter cents: a little up or down from what it is told.
  const board = (price: number): number => Math.round((price + 0.01 * (random() - 0.5)) * 400) / 400;
  const bid: BuyerBid = {
    id: ulid(now),
    at: hello.now,
    buyerId: buyer.id,
    crop,
    from: day(now),
    until: day(now + days * 86_400_000),
    ...(values.futures === undefined
      ? { price: board(number(values.price, '--price', 0, 1000)) }
      : {
          futures: board(number(values.futures, '--futures', 0, 1000)),
          basis: number(values.basis, '--basis', -20, 20),
          ...(values.month === undefined ? {} : { month: values.month }),
        }),
  };
  await wire.send('bids', { bids: [bid] });
  console.log(`${buyer.name} bids ${bidPrice(bid).toFixed(4)} for ${crop}`);
}

async function motors(): Promise<void> {
  const wire = link();
  const { now } = await wire.hello();
  const said = [values.run, values.stand].flatMap((ids, stands) =>
    ids
      .split(',')
      .map((id) => id.trim())
      .filter((id) => id !== '')
      .map((machineId) => ({
        machineId,
        at: now,
        running: stands === 0,
        ...(stands === 0 ? { load: Math.round(100 * (0.6 + 0.3 * random())) / 100 } : {}),
      })),
  );
  if (said.length === 0) usage('--run or --stand names motors');
  await wire.send('motors', { motors: said });
  console.log(said.map(({ machineId, running }) => `${machineId} ${running ? 'runs' : 'stands'}`).join(', '));
}

async function cartScale(): Promise<void> {
  const scale = link();
  const start = startOf(await scale.hello());
  const curve = cartCurve(
    new CartScale(random, 0.0008),
    numbers(values.play, '--play').map((pounds) => pounds * KG_PER_LB),
    number(values.on, '--on', 0, 100_000) * KG_PER_LB,
  );
  await sendCurve(scale, 'weights', start, curve, speed);
  console.log(`${curve.length} figures`);
}

async function truckScale(): Promise<void> {
  const bridge = link();
  const start = startOf(await bridge.hello());
  const axles = numbers(values.axles, '--axles').map((pounds) => pounds * KG_PER_LB);
  const figures = crossing(axles, random);
  await sendCurve(bridge, 'weights', start, figures, speed);
  console.log(
    `${axles.length} axles, ${Math.round(axles.reduce((sum, kg) => sum + kg, 0) / KG_PER_LB).toLocaleString('en-US')} lb in truth`,
  );
}

const lotTagged = ({ lots }: DeviceNames, asked: string | undefined): DeviceNames['lots'][number] =>
  lots.find(({ tag }) => tag === asked) ?? usage(`--field is one of ${lots.map(({ tag }) => tag).join(', ')}`);

async function monitor(): Promise<void> {
  const wire = link();
  const start = startOf(await wire.hello());
  const moisture = number(values.moisture ?? '18', '--moisture', 5, 50) / 100;
  const flow = (number(values.rate, '--rate', 100, 20_000) * 56 * KG_PER_LB) / 3600;
  const display = new Display(random, { bias: 0.03, biasByFlow: 0.003, moisture: -0.004 });
  const lot = values.field === undefined ? undefined : lotTagged(await wire.names(), values.field);
  const before = number(values.cut ?? '0', '--cut', 0, 50_000) * M2_PER_ACRE;
  const here =
    values.lon === undefined || values.lat === undefined
      ? {}
      : { lon: number(values.lon, '--lon', -180, 180), lat: number(values.lat, '--lat', -90, 90) };
  const figures = Array.from({ length: Math.round(30 * number(values.minutes, '--minutes', 0.1, 600)) }, (_, i) => {
    const { atMs: _at, ...shown } = display.read(0, { flow, moisture, speed: 1.9, width: 9.14 }, 2);
    return { ms: 2000 * i, ...shown, ...here, ...(lot ? { areaM2: before + 1.9 * 9.14 * 2 * (i + 1) } : {}) };
  });
  await sendCurve(wire, 'flows', start, figures, speed, lot ? { lotId: lot.id } : {});
  console.log(
    `${figures.length} figures, ${Math.round(display.load().kg / KG_PER_LB).toLocaleString('en-US')} lb on the display`,
  );
}

async function tester(): Promise<void> {
  const wire = link();
  const [hello, names]: [DeviceHello, DeviceNames] = await Promise.all([wire.hello(), wire.names()]);
  const lot = lotTagged(names, values.field);
  const moisture = new HandTester(random).read(number(values.moisture, '--moisture', 5, 50) / 100);
  await wire.send('readings', {
    id: ulid(Date.parse(hello.now)),
    fieldId: lot.fieldId,
    at: hello.now,
    moisture,
    source: 'hand',
  });
  console.log(`${lot.fieldName}: ${(100 * moisture).toFixed(1)} %`);
}

async function elevator(): Promise<void> {
  const wire = link();
  const [hello, names] = await Promise.all([wire.hello(), wire.names()]);
  const truck = named(
    names.places.filter((place) => place.kind === 'truck'),
    values.truck,
    '--truck',
  );
  const buyer = named(
    names.places.filter((place) => place.kind === 'buyer'),
    values.buyer,
    '--buyer',
  );
  const price = values.price === undefined ? undefined : number(values.price, '--price', 0, 1000);
  const desk = new ElevatorDesk(random, number(values.ticket, '--ticket', 0, 1e9), price);
  const ticket = desk.weigh(
    number(values.net, '--net', 1, 200_000) * KG_PER_LB,
    number(values.tare, '--tare', 1, 200_000) * KG_PER_LB,
    number(values.moisture, '--moisture', 5, 50) / 100,
  );
  await wire.send('entries', {
    entries: [
      {
        type: 'move',
        id: ulid(Date.parse(hello.now)),
        at: hello.now,
        from: truck.id,
        to: buyer.id,
        emptied: true,
        method: 'ticket',
        ...ticket,
      },
    ],
  });
  console.log(
    `ticket ${ticket.ticket}: ${Math.round(ticket.wetKg / KG_PER_LB).toLocaleString('en-US')} lb at ${(100 * ticket.moisture).toFixed(1)} %`,
  );
}

/** A harvest day over many wires: { key: token }. It is the day after the one in which the farm stands. */
async function day(): Promise<void> {
  const tokens = JSON.parse(readFileSync(values.wires ?? usage('--wires is missing'), 'utf8')) as Record<
    string,
    string
  >;
  const wires = new Map(Object.entries(tokens).map(([key, token]) => [key, new Link(url, token, 40)]));
  const first = [...wires.values()][0] ?? usage('--wires has no wire');
  const crew = await demoCrew(url);
  if (crew === null) console.log('Nobody writes down fuel and bearings: this is no demo farm.');
  const senders = new Map<string, Sender>(crew === null ? wires : [...wires, ['crew', crew]]);
  const [{ farm, now, timeZone }, names] = await Promise.all([first.hello(), first.names()]);
  const today = Date.parse(now);
  const offset = behindUtc(today, timeZone);
  const midnightMs = Math.floor((today - offset) / 86_400_000 + 1) * 86_400_000 + offset;
  const clock = new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit' });
  const name = (id: string | undefined): string =>
    names.places.find((place) => place.id === id)?.name ??
    names.lots.find((lot) => lot.id === id)?.fieldName ??
    id ??
    '';
  console.log(
    `${farm}: ${new Intl.DateTimeFormat('en-US', { timeZone, dateStyle: 'full' }).format(midnightMs)}, at ${values.speed} times the pace`,
  );
  let troubles = 0;
  const truth: object[] = [];
  const { entries, figures } = await play(harvestDay({ names, plan: KESTREL_DAY, midnightMs, offset, seed }), senders, {
    speed,
    clock: () => performance.now(),
    wait: (ms) => wait(ms),
    ...(values.quiet === undefined ? {} : { quiet: (wire: string) => OWN_WIRES.test(wire) }),
    onEntry: ({ atMs, entry, wire }) => {
      if (values.quiet !== undefined && OWN_WIRES.test(wire)) truth.push(entry);
      if (entry.type !== 'move' && entry.type !== 'harvest') return;
      const bushels =
        entry.wetKg === undefined
          ? ''
          : `  ${Math.round(entry.wetKg / (KESTREL_DAY.legalPounds * KG_PER_LB)).toLocaleString('en-US')} bu`;
      console.log(
        `${clock.format(atMs)}  ${name(entry.lot ?? entry.from)} → ${name(entry.to)}${bushels}${entry.ticket ? `  ticket ${entry.ticket}` : ''}`,
      );
    },
    onTrouble: ({ wire, what }, error) => {
      troubles++;
      console.error(`${wire}, ${what}: ${error.message}`);
    },
  });
  console.log(
    `The day is over: ${entries} entries, ${figures.toLocaleString('en-US')} figures${troubles > 0 ? `, ${troubles} that the farm did not take` : ''}`,
  );
  if (values.quiet !== undefined) writeFileSync(values.quiet, JSON.stringify(truth));
  if (troubles > 0) process.exitCode = 1;
}
/** Whose loads the machines themselves see. */
const OWN_WIRES = /^(scale|display):|^bridge$/;

const COMMANDS: Readonly<Record<string, () => Promise<void>>> = {
  weather,
  cables,
  dryer,
  level,
  bids,
  motors,
  'cart-scale': cartScale,
  'truck-scale': truckScale,
  monitor,
  tester,
  elevator,
  day,
};
const command = COMMANDS[kind ?? ''] ?? usage();
try {
  await command();
} catch (error) {
  console.error(error instanceof Error ? error.message : String(error));
  process.exit(1);
}
