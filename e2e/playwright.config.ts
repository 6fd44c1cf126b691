import { defineConfig } from '@playwright/test';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

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
    launchOptions: { executablePath: process.env.FANEGA_CHROMIUM ?? '/usr/bin/chromium', args: FLAGS },
  },
});
