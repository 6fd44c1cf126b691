import { describe, expect, it } from 'vitest';
import { takesTruck } from './index.js';

describe('a buyer’s pit', () => {
  it('takes the trucks that he names, and any where nobody said what he or the truck is', () => {
    expect(takesTruck({ takes: ['hopper', 'liveFloor'] }, { body: 'hopper' })).toBe(true);
    expect(takesTruck({ takes: ['hopper'] }, { body: 'endDump' })).toBe(false);
    expect(takesTruck({ takes: ['hopper'] }, {})).toBe(true);
    expect(takesTruck({ takes: ['hopper'] }, undefined)).toBe(true);
    expect(takesTruck(undefined, { body: 'wagon' })).toBe(true);
    expect(takesTruck({}, { body: 'wagon' })).toBe(true);
  });
});
