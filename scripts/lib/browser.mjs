// Debian's Chromium, headless, as all scripts and the browser tests start it.
import { chromium } from '@playwright/test';
import { has } from './run.mjs';

export const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
export const chromiumOptions = () => ({ executablePath: has('chromium'), args: CHROMIUM_FLAGS });
export const launchChromium = () => chromium.launch(chromiumOptions());
