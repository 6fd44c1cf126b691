import { chmodSync, writeFileSync } from 'node:fs';

/** Walks into the demo farm of a server, as a newcomer does. */
export async function enterDemo(address) {
  const headers = { Origin: address, 'Content-Type': 'application/json' };
  const entered = await fetch(`${address}/api/auth/demo`, { method: 'POST', headers });
  if (!entered.ok) throw new Error(`no demo farm answers at ${address}`);
  const cookie = entered.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
  const call = async (method, path, body) => {
    const response = await fetch(`${address}/api${path}`, {
      method,
      headers: { ...headers, Cookie: cookie },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const answer = await response.json().catch(() => null);
    if (!response.ok) throw new Error(`${method} ${path}: ${answer?.message ?? response.status}`);
    return answer;
  };
  const { farms } = await call('GET', '/auth/me');
  return { farmId: farms[0].id, call };
}

/** Puts the day's devices on the farm's wire, says where each stands, and writes their tokens into a file that only we read. */
export async function makeWires(address, file) {
  const { KESTREL_DAY, wiresOf } = await import('@fanega/devices');
  const { farmId, call } = await enterDemo(address);
  const { places } = await call('GET', `/farms/${farmId}/header`);
  const tokens = {};
  // Played before on this farm: those devices are replaced, not added to.
  const old = await call('GET', `/farms/${farmId}/devices`);
  for (const { key, name, kind, placeId } of wiresOf(places, KESTREL_DAY)) {
    for (const device of old)
      if (device.name === name && device.kind === kind && !device.revoked)
        await call('POST', `/farms/${farmId}/devices/${device.id}/revoke`, {});
    const { deviceId, token } = await call('POST', `/farms/${farmId}/devices`, { name, kind });
    tokens[key] = token;
    const still = kind === 'cartScale' ? { withinKg: 40, forSeconds: 4 } : { withinKg: 27.2, forSeconds: 3 };
    if (placeId !== undefined)
      await call('PUT', `/farms/${farmId}/haul/scale-setup/${deviceId}`, {
        revision: 0,
        value: { placeId, zeroKg: 0, ...still },
      });
  }
  writeFileSync(file, JSON.stringify(tokens));
  chmodSync(file, 0o600);
  return Object.keys(tokens).length;
}
