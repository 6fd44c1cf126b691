import type { DayEvent } from './events.js';

/** What the player needs of a wire. */
export interface Sender {
  send<T>(what: string, body: object): Promise<T>;
}

export interface PlayOptions {
  /** Simulated seconds in a real one; Infinity plays as fast as the farm answers. */
  readonly speed: number;
  /** The real clock and a rest, ms; handed in, so that a test needs neither. */
  readonly clock: () => number;
  readonly wait: (ms: number) => Promise<void>;
  readonly onEntry?: (event: DayEvent & { what: 'entry' }) => void;
  /** Entries of these wires are not told: whoever looks on finds them in the figures, or does not. */
  readonly quiet?: (wire: string) => boolean;
  readonly onTime?: (atMs: number) => void;
  /** What could not be said, in the farm's words; the day goes on. */
  readonly onTrouble?: (event: DayEvent, error: Error) => void;
}

/** Real milliseconds between two calls of a scale: its figures in between go in one. */
const CALL_EVERY_MS = 400;
/** Simulated milliseconds of figures in one call where nobody waits. */
const FAST_BATCH_MS = 590_000;
const MOST = 600;

/** What is sent many at once. */
type Figures = 'weights' | 'flows' | 'positions';

/** Tells a day's events to the farm, at a speed: figures in batches, everything else one by one and in order. */
export async function play(
  events: Iterable<DayEvent>,
  wires: ReadonlyMap<string, Sender>,
  options: PlayOptions,
): Promise<{ entries: number; figures: number }> {
  const { speed, clock, wait } = options;
  const batchMs = Number.isFinite(speed) ? Math.max(1000, CALL_EVERY_MS * speed) : FAST_BATCH_MS;
  const waiting = new Map<string, { what: Figures; samples: object[]; event: DayEvent; more: object }>();
  let [beganReal, beganSim, flushedSim] = [clock(), NaN, NaN];
  const counted = { entries: 0, figures: 0 };
  const say = async (event: DayEvent, what: string, body: object): Promise<void> => {
    const wire = wires.get(event.wire);
    if (!wire) return;
    try {
      await wire.send(what, body);
    } catch (error) {
      if (!(error instanceof Error)) throw error;
      options.onTrouble?.(event, error);
    }
  };
  const flush = async (only?: string): Promise<void> => {
    const ready = [...waiting].filter(([key]) => only === undefined || key.startsWith(`${only} `));
    for (const [key] of ready) waiting.delete(key);
    await Promise.all(ready.map(([, { what, samples, event, more }]) => say(event, what, { samples, ...more })));
  };
  /** @param more is of all samples of a call: what differs there goes in another */
  const keep = async (event: DayEvent, what: Figures, sample: object, more: object = {}): Promise<void> => {
    const key = `${event.wire} ${what} ${JSON.stringify(more)}`;
    const batch = waiting.get(key) ?? { what, samples: [], event, more };
    batch.samples.push(sample);
    waiting.set(key, batch);
    counted.figures++;
    if (batch.samples.length >= MOST) await flush(event.wire);
  };
  for (const event of events) {
    if (Number.isNaN(beganSim)) [beganReal, beganSim, flushedSim] = [clock(), event.atMs, event.atMs];
    if (event.atMs - flushedSim >= batchMs) {
      flushedSim = event.atMs;
      await flush();
      options.onTime?.(event.atMs);
      const due = beganReal + (event.atMs - beganSim) / speed;
      if (due > clock()) await wait(due - clock());
    }
    const at = new Date(event.atMs).toISOString();
    switch (event.what) {
      case 'weight':
        await keep(event, 'weights', { at, kg: event.kg });
        break;
      case 'flow': {
        const { atMs: _, ...flow } = event.flow;
        const { open } = event;
        if (open) await keep(event, 'flows', { at, ...flow, areaM2: open.areaM2 }, { lotId: open.lotId });
        else await keep(event, 'flows', { at, ...flow });
        break;
      }
      case 'entry':
        // A load is told after the figures that show it.
        await flush(event.wire);
        options.onEntry?.(event);
        if (options.quiet?.(event.wire)) break;
        await say(event, 'entries', { entries: [event.entry] });
        counted.entries++;
        break;
      case 'position':
        await keep(event, 'positions', { at, ...event.point });
        break;
      case 'reading':
        await say(event, 'readings', event.reading);
        break;
      case 'dryer':
        await say(event, 'dryer', { samples: [event.sample] });
        break;
      case 'motors':
        await say(event, 'motors', { motors: event.motors });
        break;
      case 'cables':
        await say(event, 'cables', { readings: event.readings });
        break;
      case 'record':
        await say(event, event.record, event.body);
        break;
      case 'weather':
        await say(event, 'weather', { hours: event.hours });
        break;
    }
  }
  await flush();
  return counted;
}
