import { Subject } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { BEAT_MS, beating } from '../src/platform/beat.js';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

describe('a stream that beats', () => {
  it('passes its events on, beats between them, and stops with them or with its listener', () => {
    const events = new Subject<{ data: string }>();
    const heard: string[] = [];
    let done = false;
    beating(events, () => Promise.resolve(true)).subscribe({
      next: ({ type, data }) => heard.push(type ?? String(data)),
      complete: () => (done = true),
    });
    events.next({ data: 'a' });
    vi.advanceTimersByTime(2 * BEAT_MS);
    events.next({ data: 'b' });
    expect(heard).toEqual(['a', 'beat', 'beat', 'b']);
    events.complete();
    vi.advanceTimersByTime(2 * BEAT_MS);
    expect([heard.length, done, vi.getTimerCount()]).toEqual([4, true, 0]);
    const left = beating(new Subject<{ data: string }>(), () => Promise.resolve(true)).subscribe();
    left.unsubscribe();
    expect(vi.getTimerCount()).toBe(0);
  });
  it('ends with the session that began it, and not because the database could not be asked once', async () => {
    const answers = [
      () => Promise.resolve(true),
      () => Promise.reject(new Error('gone')),
      () => Promise.resolve(false),
    ];
    let done = false;
    beating(new Subject<{ data: string }>(), () => answers.shift()!()).subscribe({ complete: () => (done = true) });
    for (const ended of [false, false, true]) {
      await vi.advanceTimersByTimeAsync(BEAT_MS);
      expect(done).toBe(ended);
    }
    expect(vi.getTimerCount()).toBe(0);
  });
});
