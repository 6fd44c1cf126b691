import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { makeWires } from '../scripts/lib/wires.mjs';
import { enterDemo, pick } from './pages';
import { standIn } from './stand-in';

const DAY = process.env.FANEGA_E2E_DAY ?? '';

test('a whole harvest day through the device interface: the screens live, the book takes every load, and it balances', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'fanega-wires-')), 'wires.json');
  expect(await makeWires(DAY, file)).toBe(16);
  await enterDemo(page, DAY);
  await page.goto(`${DAY}/haul/scales`);
  await pick(page, 'Cart scales');
  await expect(page.getByRole('region', { name: 'Cart 1 scale' })).toContainText('silent');
  interface Now {
    entries: number;
    now: number;
    balance: { balances: boolean };
    positions: Record<string, { wetKg: number }>;
  }
  const farmId = ((await (await page.request.get(`${DAY}/api/auth/me`)).json()) as { farms: { id: string }[] })
    .farms[0]!.id;
  const now = async () => (await (await page.request.get(`${DAY}/api/farms/${farmId}/now`)).json()) as Now;
  const before = await now();
  const playing = standIn('day', '--url', DAY, '--wires', file, '--speed', 'max', '--seed', '1');
  // The carts are seen filling and emptying, and the tape runs.
  await expect(page.getByRole('region', { name: 'Cart 1 scale' })).toContainText(/[\d,]{5,} lb/);
  await expect(page.getByRole('region', { name: 'Cart 1 scale' })).not.toContainText('silent');
  await expect(page.getByRole('list', { name: 'Latest entries' }).getByRole('listitem').first()).toContainText(
    /Cart|Truck|BE|LG/,
  );
  // Nobody looks for the rest of the day: it plays faster so.
  await page.goto('about:blank');
  const said = await playing;
  const entries = Number(/The day is over: (\d+) entries/.exec(said)![1]);
  expect(said).not.toContain('did not take');
  const after = await now();
  expect(after.entries).toBe(before.entries + entries);
  expect(entries).toBeGreaterThan(150);
  expect(after.balance.balances).toBe(true);
  expect(after.now - before.now).toBeGreaterThan(20 * 3_600_000);
  // The same day again: every entry is known by its id, and nothing is doubled.
  const book = await (await page.request.get(`${DAY}/api/farms/${farmId}/book`)).text();
  expect(new Set((JSON.parse(book) as { entries: { id: string }[] }).entries.map(({ id }) => id)).size).toBe(
    after.entries,
  );
  // The bin site reported itself: the dryer's runs stand under its control's name, motors and cables are there.
  const dry = (await (await page.request.get(`${DAY}/api/farms/${farmId}/dry/records`)).json()) as {
    logs: { dryerRun: { by: string; voided: boolean; body: { until?: string } }[] };
  };
  expect(dry.logs.dryerRun.filter(({ by, voided }) => by === 'Dryer' && !voided).length).toBeGreaterThan(0);
  const motors = (await (await page.request.get(`${DAY}/api/farms/${farmId}/motors`)).json()) as {
    machineId: string;
  }[];
  expect(motors.map(({ machineId }) => machineId)).toEqual(['leg-1', 'pit']);
  // And what the crew wrote down: the fuel stops, and the bearing that ran hot, was stopped for and greased.
  const shed = (await (await page.request.get(`${DAY}/api/farms/${farmId}/shed/records`)).json()) as {
    logs: Record<
      'fuelFill' | 'partHeat',
      { body: { at: string; gallons?: number; celsius?: number; greased?: boolean } }[]
    >;
  };
  const today = (log: 'fuelFill' | 'partHeat') => shed.logs[log].filter(({ body }) => Date.parse(body.at) > before.now).map(({ body }) => body); // prettier-ignore
  expect(today('fuelFill').map(({ gallons }) => gallons)).toEqual([148, 121]);
  expect(today('partHeat').map(({ celsius, greased }) => [celsius, greased])).toEqual([[61, true], [97, false], [76, false], [58, false]]); // prettier-ignore
  await page.goto(`${DAY}/haul/weights`);
  await expect(page.getByRole('row').filter({ hasText: 'Combine 1: yield monitor' })).toContainText('■');
});
