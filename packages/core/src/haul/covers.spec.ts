import { describe, expect, it } from 'vitest';
import { coversToClose, dewBegins, type OpenPlace, rainBegins } from './covers.js';

const HOUR = 3_600_000;
const RAIN = 100 * HOUR;
const place = (placeId: string, more: Partial<OpenPlace> = {}, cover: Partial<OpenPlace['cover']> = {}): OpenPlace => ({
  placeId,
  cover: { kind: 'tarp', minutes: 10, who: '', ...cover },
  heldBu: 500,
  closedMs: null,
  touchedMs: 90 * HOUR,
  ...more,
});

describe('what is closed before the rain', () => {
  it('a hopper of 350 bu whose lids close at 300: 50 bu must go first, and it comes before the tarps', () => {
    const list = coversToClose(
      [place('truck'), place('hopper', { heldBu: 350 }, { kind: 'lid', closesUpTo: 300, minutes: 2 })],
      RAIN,
    );
    expect(list.map(({ placeId, mustGoBu }) => [placeId, mustGoBu])).toEqual([
      ['hopper', 50],
      ['truck', 0],
    ]);
    expect(list[1]!.startByMs).toBe(RAIN - 600_000);
  });

  it('what was closed and not touched since is done; what was filled after it stands open again', () => {
    const list = coversToClose([place('a', { closedMs: 95 * HOUR }), place('b', { closedMs: 80 * HOUR })], RAIN);
    expect(list.map(({ placeId, closed }) => [placeId, closed])).toEqual([
      ['b', false],
      ['a', true],
    ]);
  });

  it('an empty truck needs no tarp, a pile’s sheet and a bin’s lid are closed all the same', () => {
    expect(coversToClose([place('a', { heldBu: 0 }), place('lid', { heldBu: 0 }, { kind: 'lid' })], RAIN).map(({ placeId }) => placeId)).toEqual(['lid']); // prettier-ignore
  });

  it('the rain begins in the first hour in which it is likely; a chance and what is a day away are none', () => {
    const hours = [0, 0.1, 0.4, 0.6, 0, 0.9].map((chance, i) => ({ atMs: i * HOUR, chance }));
    expect(rainBegins(hours, 0)).toBe(3 * HOUR);
    expect(rainBegins(hours, 3.5 * HOUR)).toBe(3.5 * HOUR);
    expect(rainBegins(hours, 0, 2)).toBeNull();
    expect(rainBegins([], 0)).toBeNull();
  });

  it('dew begins in the first hour as damp as the farm’s line, at once where it is there already', () => {
    const hours = [0.5, 0.62, 0.81, 0.93].map((humidity, i) => ({ atMs: 1000 * HOUR + i * HOUR, humidity }));
    expect(dewBegins(hours, 0.8, 1000 * HOUR)).toBe(1002 * HOUR);
    expect(dewBegins(hours, 0.8, 1002.5 * HOUR)).toBe(1002.5 * HOUR);
    expect(dewBegins(hours, 0.95, 1000 * HOUR)).toBeNull();
    expect(dewBegins(hours, 0.8, 1000 * HOUR, 1)).toBeNull();
    expect(() => dewBegins(hours, 8, 0)).toThrow(/line of dew/);
  });
});
