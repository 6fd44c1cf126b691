import { choice } from './choice';

/** Units as they are read and typed: those of the United States, or metric. What is recorded is the same in both. */
export const SYSTEMS = ['us', 'metric'] as const;
export type System = (typeof SYSTEMS)[number];

/** As people choose between them. */
export const UNIT_NAMES: Readonly<Record<System, string>> = {
  us: 'US: bu, ac, ft, °F',
  metric: 'metric: t, ha, m, °C',
};

export const {
  now: system,
  readers: readersSystem,
  setReaders: setReadersSystem,
  setFarms: setFarmSystem,
  use: useReadersSystem,
} = choice<System>('fanega.units', SYSTEMS, 'us');
