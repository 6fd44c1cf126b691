import { createElement, Suspense } from 'react';
import { renderToString } from 'react-dom/server';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { lazily } from './lazily';

const Part = (): string => 'the part';
/** What is drawn in the same breath: the part, or what stands in for it. */
const drawn = (part: ReturnType<typeof lazily>): string =>
  renderToString(createElement(Suspense, { fallback: 'stand-in' }, createElement(part))).replace(/<[^>]*>/g, '');

beforeEach(() => vi.stubGlobal('window', { location: { pathname: '/haul/moves' } }));
afterEach(() => vi.unstubAllGlobals());

describe('a part that is loaded when it is first drawn, or before', () => {
  it('is drawn at once when it was loaded before, and has a stand-in when it was not', async () => {
    const before = lazily(() => Promise.resolve({ default: Part }));
    await before.begin();
    expect(drawn(before)).toBe('the part');
    expect(drawn(lazily(() => Promise.resolve({ default: Part })))).toBe('stand-in');
  });

  it('begins by itself for the first picture, and for the page at this address only', () => {
    const load = vi.fn(() => Promise.resolve({ default: Part }));
    lazily(load);
    lazily(load, '/haul/legal');
    expect(load).not.toHaveBeenCalled();
    lazily(load, '/haul/moves');
    lazily(load, true);
    expect(load).toHaveBeenCalledTimes(2);
  });

  it('is loaded once, however often it is begun; after a failure it is asked for again', async () => {
    const load = vi.fn<() => Promise<{ default: typeof Part }>>(() => Promise.resolve({ default: Part }));
    load.mockRejectedValueOnce(new Error('no signal'));
    const part = lazily(load, true);
    await expect(part.begin()).rejects.toThrow('no signal');
    await Promise.all([part.begin(), part.begin()]);
    expect(load).toHaveBeenCalledTimes(2);
    expect(drawn(part)).toBe('the part');
  });
});
