/**
 * Runs one piece of work at a time: what is told meanwhile is done together in the next run. A question that is asked again before its
 * answer came would never be answered on a busy day.
 */
export function oneAfterTheOther<T>(work: (told: ReadonlySet<T>) => Promise<unknown>): {
  readonly tell: (news: Iterable<T>) => void;
  readonly stop: () => void;
} {
  let told = new Set<T>();
  let busy = false;
  let over = false;
  const run = async (): Promise<void> => {
    busy = true;
    while (told.size > 0 && !over) {
      const now = told;
      told = new Set();
      // What could not be had now is asked for by its page again.
      await work(now).catch(() => undefined);
    }
    busy = false;
  };
  return {
    tell: (news) => {
      for (const one of news) told.add(one);
      if (!busy && !over) void run();
    },
    stop: () => {
      over = true;
    },
  };
}
