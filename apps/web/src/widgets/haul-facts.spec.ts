import { describe, expect, it } from 'vitest';
import { minuteText, readMinute } from './haul-facts';

describe('minutes of the day', () => {
  it('are read as people write them, and nothing else is', () => {
    expect([readMinute('18:09'), readMinute(' 7:05 '), readMinute('00:00')]).toEqual([1089, 425, 0]);
    for (const wrong of ['18:99', '24:00', '6 pm', '', '18.09', '1809']) expect(readMinute(wrong)).toBeNaN();
  });
  it('go round midnight, and come back as they were', () => {
    expect([minuteText(1440 + 15), minuteText(-5), minuteText(1105.6)]).toEqual(['00:15', '23:55', '18:26']);
    for (let minute = 0; minute < 1440; minute += 7) expect(readMinute(minuteText(minute))).toBe(minute);
  });
});
