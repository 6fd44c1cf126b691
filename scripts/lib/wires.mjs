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
  return { farmId: farms[0].id, call, cookie };
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

/** Lets loads record themselves on the demo farm, with its own yard as the place where trucks are emptied. */
export async function recordItself(address) {
  const { YARD_SPOT } = await import('@fanega/devices');
  const { farmId, call } = await enterDemo(address);
  const [{ places, lots }, trace, haul] = await Promise.all([
    call('GET', `/farms/${farmId}/header`),
    call('GET', `/farms/${farmId}/trace/records`),
    call('GET', `/farms/${farmId}/haul/records`),
  ]);
  // Where the stand-ins put it: from the first corner of the field that is cut first.
  const first = lots.filter(({ tag }) => tag === 'LG').sort((a, b) => b.season - a.season)[0];
  const [corner] = Object.values(trace.settings.fieldBoundary).find(({ value }) => value.field === first.fieldId).value
    .points;
  const perDegree = 111_195;
  const yard = {
    placeId: places.find(({ kind }) => kind === 'wetBin').id,
    lon: corner.lon + YARD_SPOT.east / (perDegree * Math.cos((corner.lat * Math.PI) / 180)),
    lat: corner.lat + YARD_SPOT.north / perDegree,
    radius: YARD_SPOT.radius,
  };
  const { revision = 0 } = haul.settings.selfRecording.farm ?? {};
  await call('PUT', `/farms/${farmId}/haul/self-recording/farm`, { revision, value: { on: true, yards: [yard] } });
}

const SIGN = 'seen ';
const SAME_MS = 180_000;

/** Loads of a day as the stand-ins made them against those that recorded themselves; waits until nothing more is seen. */
export async function heldAgainst(address, truth, wait) {
  const { farmId, call } = await enterDemo(address);
  const bookOf = async () => (await call('GET', `/farms/${farmId}/book`)).entries.filter(({ device }) => device?.startsWith(SIGN)); // prettier-ignore
  let seen = await bookOf();
  for (let still = 0; still < 5;) {
    await wait(2000);
    const more = await bookOf();
    still = more.length === seen.length ? still + 1 : 0;
    seen = more;
  }
  const loads = truth.filter(({ type }) => type === 'harvest' || type === 'move');
  const own = seen.filter(({ type }) => type === 'harvest' || type === 'move');
  const isIt = (a, b) =>
    a.type === b.type &&
    a.to === b.to &&
    (a.type === 'harvest' ? a.lot === b.lot : a.from === b.from) &&
    Math.abs(Date.parse(a.at) - Date.parse(b.at)) < SAME_MS &&
    (a.wetKg === undefined || b.wetKg === undefined || Math.abs(a.wetKg - b.wetKg) <= 0.02 * b.wetKg);
  const asked = (await call('GET', `/farms/${farmId}/haul/records`)).logs.seenLoad.filter(({ voided }) => !voided);
  return {
    loads: loads.length,
    right: loads.filter((load) => own.some((one) => isIt(one, load))).length,
    wrong: own.filter((one) => !loads.some((load) => isIt(one, load))),
    asked: asked.map(({ body }) => body),
    missed: loads.filter((load) => !own.some((one) => isIt(one, load))),
  };
}
