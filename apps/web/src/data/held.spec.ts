import { beforeEach, describe, expect, it } from 'vitest';
import { TOPICS } from './api-routes';
import { doubt, doubtsSoFar, heard, markOf, tellVersions } from './held';

const FARM = 'f';
const WET = '/api/farms/{farmId}/wet';
const HAUL = '/api/farms/{farmId}/haul/records';
const NOW = '/api/farms/{farmId}/now';
const of = { path: { farmId: FARM } };
const versions = (seq: number, change: object = {}) => ({ seq, topics: { ...Object.fromEntries(TOPICS.map((topic) => [topic, 5])), ...change } }) as never; // prettier-ignore
const me = (change: object = {}) => ({ user: { id: 'oona' }, farms: [{ id: FARM, role: 'owner' }], job: null, program: 'p1', ...change }); // prettier-ignore
const says = (who: object, seq = 9, change: object = {}): void => {
  heard('/api/auth/me', {}, who, doubtsSoFar());
  tellVersions(FARM, versions(seq, change));
};

describe('which state an answer is of', () => {
  beforeEach(() => {
    doubt(FARM);
    says(me());
  });

  it('is another one for another person, role, program or phone', () => {
    const marks = [
      me(),
      me({ user: { id: 'ruiz' } }),
      me({ farms: [{ id: FARM, role: 'viewer' }] }),
      me({ program: 'p2' }),
      me({ user: null, farms: [], job: { farmId: FARM, kind: 'bins', label: 'phone 1' } }),
      me({ user: null, farms: [], job: { farmId: FARM, kind: 'bins', label: 'phone 2' } }),
    ].map((who) => {
      says(who);
      return markOf(WET, of);
    });
    expect(marks).not.toContain(undefined);
    expect(new Set(marks).size).toBe(marks.length);
  });

  it('is another one once one of its topics has changed, or a name, and not for any other', () => {
    const before = [markOf(WET, of), markOf(HAUL, of)];
    const same = (seq: number, change: object): boolean[] => {
      doubt(FARM);
      tellVersions(FARM, versions(seq, change));
      return [markOf(WET, of) === before[0], markOf(HAUL, of) === before[1]];
    };
    expect(same(10, { book: 6 })).toEqual([false, true]);
    expect(same(9, { haul: 6 })).toEqual([true, false]);
    expect(same(9, { header: 6 })).toEqual([false, false]);
    expect(same(9, { weather: 6 })).toEqual([true, true]);
  });

  it('is not taken back by an older word that comes late', () => {
    tellVersions(FARM, versions(12, { book: 8, haul: 7 }));
    const newest = [markOf(WET, of), markOf(HAUL, of)];
    heard(NOW, of, versions(11, { book: 7, haul: 6 }), doubtsSoFar());
    expect([markOf(WET, of), markOf(HAUL, of)]).toEqual(newest);
  });

  it('is none of what goes on with the clock, of another farm, and of a stranger', () => {
    expect(markOf(NOW, of)).toBeUndefined();
    expect(markOf('/api/farms/{farmId}/fuel', of)).toBeUndefined();
    expect(markOf('/api/farms/{farmId}/accounts', of)).toBeUndefined();
    expect(markOf('/api/auth/me', {})).toBeUndefined();
    expect(markOf(WET, { path: { farmId: 'another' } })).toBeUndefined();
    says(me({ user: null, farms: [] }));
    expect(markOf(WET, of)).toBeUndefined();
  });

  it('is not known after a write until the farm says so, and not by what was asked before it', () => {
    const before = doubtsSoFar();
    doubt(FARM, ['haul']);
    expect(markOf(HAUL, of)).toBeUndefined();
    expect(markOf(WET, of)).toBeDefined();
    heard(NOW, of, versions(9), before);
    expect(markOf(HAUL, of)).toBeUndefined();
    heard(NOW, of, versions(9, { haul: 6 }), doubtsSoFar());
    expect(markOf(HAUL, of)).toBeDefined();
    doubt(FARM);
    expect([markOf(WET, of), markOf(HAUL, of)]).toEqual([undefined, undefined]);
  });
});
