// Debian's Chromium, headless, as all scripts start it.
import { chromium } from '@playwright/test';
import { has } from './run.mjs';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
export const chromiumOptions = () => ({ executablePath: has('chromium'), args: FLAGS });
export const launchChromium = () => chromium.launch(chromiumOptions());
