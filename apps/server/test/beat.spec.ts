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
    beating(events).subscribe({
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
    const left = beating(new Subject<{ data: string }>()).subscribe();
    left.unsubscribe();
    expect(vi.getTimerCount()).toBe(0);
  });
});
