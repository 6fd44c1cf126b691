import { spawn } from 'node:child_process';
import path from 'node:path';
import { expect } from '@playwright/test';
import { OWN, type OwnFarm, setUp } from './own-farm';

const MAIN = path.resolve(import.meta.dirname, '../apps/devices/dist/main.js');

/** Runs a simulated device to its end, as `npm run device` does; what it printed. */
export function standIn(...args: readonly string[]): Promise<string> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [MAIN, ...args], { stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    child.stdout.on('data', (data) => (output += String(data)));
    child.stderr.on('data', (data) => (output += String(data)));
    child.on('close', (code) =>
      code === 0 ? resolve(output) : reject(new Error(`the stand-in ended with ${code}: ${output}`)),
    );
  });
}

export interface OnWire {
  readonly deviceId: string;
  /** Runs a stand-in with this device's token. */
  readonly run: (kind: string, ...args: readonly string[]) => Promise<string>;
}

/** A device of a kind on the farm's wire; with the machine that it belongs to. */
export async function onWire(farm: OwnFarm, kind: string, name: string, placeId?: string): Promise<OnWire> {
  const { deviceId, token } = await farm.post<{ deviceId: string; token: string }>('devices', { name, kind });
  expect(token).toBeTruthy();
  if (placeId !== undefined) {
    const still = kind === 'cartScale' ? { withinKg: 40, forSeconds: 4 } : { withinKg: 27.2, forSeconds: 3 };
    await setUp(farm, 'scaleSetup', deviceId, { placeId, zeroKg: 0, ...still });
  }
  return { deviceId, run: (what, ...args) => standIn(what, '--url', OWN, '--token', token, ...args) };
}
