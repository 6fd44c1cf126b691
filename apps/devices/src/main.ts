// npm run device -- weather --url http://127.0.0.1:7300 --token TOKEN [--seed 1] [--every 600] [--once]
import { setTimeout as wait } from 'node:timers/promises';
import { parseArgs } from 'node:util';
import { Link } from './link.js';
import { stationWeather } from './weather.js';

const USAGE = 'npm run device -- weather --url http://127.0.0.1:7300 --token TOKEN [--seed 1] [--every 600] [--once]';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    url: { type: 'string' },
    token: { type: 'string' },
    seed: { type: 'string', default: '1' },
    every: { type: 'string', default: '600' },
    once: { type: 'boolean', default: false },
  },
});
const [kind] = positionals;
const [seed, every] = [Number(values.seed), Number(values.every)];
if (kind !== 'weather' || !values.url || !values.token || !Number.isInteger(seed) || !(every >= 1)) {
  console.error(USAGE);
  process.exit(1);
}
const link = new Link(values.url, values.token);

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
  return Math.floor(at / 60_000) * 60_000 - Date.UTC(part('year'), part('month') - 1, part('day'), part('hour'), part('minute'));
}

for (;;) {
  try {
    const { farm, timeZone, now } = await link.hello();
    const at = Date.parse(now);
    const hours = stationWeather({ now: at, offset: behindUtc(at, timeZone), seed, hoursBack: 6, hoursAhead: 48 });
    const { hours: kept } = await link.send<{ hours: number }>('weather', { hours });
    console.log(`${farm}: ${kept} hours of weather, ${hours.find((hour) => hour.forecast)?.temperature ?? '?'} °C next`);
  } catch (error) {
    console.error(error instanceof Error ? error.message : String(error));
    if (values.once) process.exit(1);
  }
  if (values.once) break;
  await wait(every * 1000);
}
