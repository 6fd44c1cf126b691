import { describe, expect, it } from 'vitest';
import { stationWeather } from './weather.js';

const NOW = Date.UTC(2026, 8, 8, 20, 20);
const ask = (more: Partial<Parameters<typeof stationWeather>[0]> = {}) =>
  stationWeather({ now: NOW, offset: 5 * 3_600_000, seed: 1, hoursBack: 6, hoursAhead: 48, ...more });

describe('the simulated station', () => {
  it('measures up to this hour and forecasts the rest, hour by hour', () => {
    const hours = ask();
    expect(hours.length).toBe(6 + 1 + 48);
    expect(hours.filter((hour) => !hour.forecast).at(-1)!.at).toBe('2026-09-08T20:00:00.000Z');
    hours.slice(1).forEach((hour, i) => expect(Date.parse(hour.at) - Date.parse(hours[i]!.at)).toBe(3_600_000));
    for (const { temperature, humidity, wind, rainChance } of hours) {
      expect(temperature).toBeGreaterThan(-10);
      expect(temperature).toBeLessThan(50);
      expect(humidity).toBeGreaterThanOrEqual(0.15);
      expect(humidity).toBeLessThanOrEqual(0.99);
      expect(wind).toBeGreaterThanOrEqual(0);
      expect(rainChance).toBeLessThanOrEqual(1);
    }
  });
  it('draws the same hours whenever it is asked, and another seed draws others', () => {
    const later = ask({ now: NOW + 3 * 3_600_000 });
    const measured = later.filter((hour) => !hour.forecast && Date.parse(hour.at) <= NOW);
    expect(measured.length).toBe(4);
    for (const hour of measured) expect(ask().find(({ at }) => at === hour.at)).toEqual(hour);
    expect(ask({ seed: 2 })).not.toEqual(ask());
  });
  it('is drier and warmer at noon than before dawn', () => {
    const hours = ask({ hoursBack: 240, hoursAhead: 0 });
    const mean = (clock: number, key: 'temperature' | 'humidity') => {
      const own = hours.filter((hour) => new Date(Date.parse(hour.at) - 5 * 3_600_000).getUTCHours() === clock);
      return own.reduce((sum, hour) => sum + hour[key], 0) / own.length;
    };
    expect(mean(14, 'temperature')).toBeGreaterThan(mean(4, 'temperature') + 5);
    expect(mean(14, 'humidity')).toBeLessThan(mean(4, 'humidity') - 0.1);
  });
});
