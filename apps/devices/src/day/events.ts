import type { CableReadingBody, DryerSaysBody, EntryBody, MotorBody, WeatherHourBody } from '@fanega/contract';
import type { FlowMoment, Reading } from '@fanega/core';

/** Something that a device of the day tells the farm, at a moment of the simulated day. */
export type DayEvent = { readonly atMs: number; /** Which wire: its key in the plan. */ readonly wire: string } & (
  | { readonly what: 'weight'; readonly kg: number }
  /** A display's figures; with the field that is open on it, and what it counted cut there, m². */
  | {
      readonly what: 'flow';
      readonly flow: FlowMoment;
      readonly open?: { readonly lotId: string; readonly areaM2: number };
    }
  | {
      readonly what: 'position';
      readonly point: { readonly lon: number; readonly lat: number; readonly accuracy: number };
    }
  | { readonly what: 'entry'; readonly entry: EntryBody }
  | { readonly what: 'reading'; readonly reading: Reading }
  | { readonly what: 'dryer'; readonly sample: DryerSaysBody }
  | { readonly what: 'motors'; readonly motors: readonly MotorBody[] }
  | { readonly what: 'cables'; readonly readings: readonly CableReadingBody[] }
  /** What a person wrote down: where it goes, and what it says. */
  | { readonly what: 'record'; readonly record: string; readonly body: object }
  | { readonly what: 'weather'; readonly hours: readonly WeatherHourBody[] }
);
