import { describe, expect, it } from 'vitest';
import { LOG_ROUTES, ROUTES, SETTING_ROUTES, TOPICS } from './api-routes';
import { changedBy, dependsOn } from './topics';

const of = (path: string) => changedBy({ path });

describe('what a write changes, and what is asked for again', () => {
  it('a record changes its own station', () => {
    const { ownCrop, ...others } = { ...LOG_ROUTES, ...SETTING_ROUTES };
    for (const [name, route] of Object.entries(others)) expect(of(route), name).toEqual([route.split('/')[4]]);
    // Every page can name a crop of the farm's own.
    expect(of(ownCrop)).toEqual(['header', 'fields']);
  });
  it('the book, its names, tickets and devices change theirs', () => {
    expect(of('/api/farms/{farmId}/entries')).toEqual(['book']);
    expect(of('/api/farms/{farmId}/corrections')).toEqual(['book']);
    expect(of('/api/farms/{farmId}/weigh-tickets/{number}/correction')).toEqual(['book', 'haul']);
    expect(of('/api/farms/{farmId}/revisions')).toEqual(['header', 'book']);
    expect(of('/api/farms/{farmId}/fields')).toEqual(['header', 'fields']);
    expect(of('/api/farms/{farmId}/devices')).toEqual(['devices']);
    expect(of('/api/farms/{farmId}/book')).toEqual(TOPICS);
  });
  it('a reading asks for no present and no strata again, an entry for both', () => {
    const again = (topic: (typeof TOPICS)[number]) =>
      Object.keys(ROUTES).filter((route) => dependsOn(route, new Set([topic])));
    expect(again('fields')).toContain('/api/farms/{farmId}/lots');
    expect(again('fields')).not.toContain('/api/farms/{farmId}/now');
    expect(again('book')).toEqual(expect.arrayContaining(['/api/farms/{farmId}/now', '/api/farms/{farmId}/layers']));
    expect(again('weather')).toEqual(['/api/farms/{farmId}/weather', '/api/farms/{farmId}/places/{placeId}/cables']);
    expect(dependsOn('no route', new Set(TOPICS))).toBe(false);
  });
});
