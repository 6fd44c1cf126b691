import { defineConfig } from '@playwright/test';
import { CHROMIUM_FLAGS } from '../scripts/lib/browser.mjs';

/** scripts/test.mjs starts the servers and names their addresses; run `npm run test:e2e`. */
export default defineConfig({
  testDir: '.',
  outputDir: '../.e2e/results',
  timeout: 120_000,
  expect: { timeout: 20_000 },
  workers: Number(process.env.FANEGA_E2E_WORKERS ?? 1),
  fullyParallel: false,
  retries: 0,
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    reducedMotion: 'reduce',
    // Requests that a service worker answers cannot be cut off by a test; those that are about it allow it.
    serviceWorkers: 'block',
    launchOptions: { executablePath: process.env.FANEGA_CHROMIUM ?? '/usr/bin/chromium', args: CHROMIUM_FLAGS },
  },
});
