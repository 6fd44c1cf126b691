import { type ComponentType, lazy, type LazyExoticComponent } from 'react';

/** A part that is loaded when it is first drawn, or before. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- what a part takes is its own business, as in React's own `lazy`
export type Lazily<T extends ComponentType<any>> = LazyExoticComponent<T> & { readonly begin: () => Promise<unknown> };

/**
 * React's `lazy`, but what is loaded by the time it is drawn is drawn at once: without this each part that comes by itself
 * shows its stand-in for a frame, and React shows nothing new for 300 ms after any stand-in.
 * @param now begun as soon as whoever draws it is loaded: for what the first picture holds, of every page or of the one at this address
 */
// eslint-disable-next-line @typescript-eslint/no-explicit-any
export function lazily<T extends ComponentType<any>>(
  load: () => Promise<{ readonly default: T }>,
  now: boolean | string = false,
): Lazily<T> {
  let loaded: { readonly default: T } | undefined;
  let loading: Promise<{ readonly default: T }> | undefined;
  const begin = (): Promise<{ readonly default: T }> =>
    (loading ??= load().then(
      (module) => (loaded = module),
      (error: unknown) => {
        // Asked for again by whoever tries again.
        loading = undefined;
        throw error;
      },
    ));
  // A thenable that answers at once is taken at once.
  const there = (module: { readonly default: T }) =>
    ({ then: (take: (module: { readonly default: T }) => void) => take(module) }) as unknown as Promise<{ default: T }>;
  const part = lazy(() => (loaded ? there(loaded) : begin()) as Promise<{ default: T }>);
  if (now === true || now === window.location.pathname) void begin().catch(() => undefined);
  return Object.assign(part, { begin });
}
