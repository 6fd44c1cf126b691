import { afterAll, beforeAll, expect, it } from 'vitest';
import { Fellows } from '../src/platform/fellows.js';
import { Harness } from './harness.js';

let harness: Harness;
beforeAll(async () => {
  harness = await Harness.start();
});
afterAll(() => harness.stop());

it('counts the processes before the database: one that comes, one that goes, one that died without a word', async () => {
  const [one, two] = [new Fellows(harness.db), new Fellows(harness.db)];
  // The harness's own server is one too.
  await one.look();
  await two.look();
  await one.look();
  expect([one.count, two.count]).toEqual([3, 3]);
  await two.onApplicationShutdown();
  await one.look();
  expect(one.count).toBe(2);
  await two.look();
  await harness.db.query('UPDATE server_processes SET seen = NOW() - INTERVAL 1 MINUTE');
  await one.look();
  expect(one.count).toBe(1);
});
