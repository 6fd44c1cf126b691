/** What the shed looks after. */
export const MACHINE_KIND_NAMES = [
  'combine',
  'header',
  'cart',
  'truck',
  'auger',
  'leg',
  'dryer',
  'bin',
  'fan',
  'tester',
  'scale',
] as const;
export type MachineKind = (typeof MACHINE_KIND_NAMES)[number];

/** Kinds of machine that hold grain: each has its vessel in the book. */
export const VESSEL_KINDS = ['combine', 'cart', 'truck', 'dryer'] as const satisfies readonly MachineKind[];
export const hasVessel = (kind: string): boolean => (VESSEL_KINDS as readonly string[]).includes(kind);

export const CAUSE_NAMES = ['wear', 'foreign', 'plug', 'electric', 'hydraulic', 'engine', 'operator', 'other'] as const;
export type Cause = (typeof CAUSE_NAMES)[number];

/** Cautions by their hazard. */
export const CARD_NAMES = [
  'headerLock',
  'shutDown',
  'shafts',
  'overheadLines',
  'roading',
  'hotBearing',
  'hitching',
  'lifting',
  'binEntry',
] as const;
export type CardId = (typeof CARD_NAMES)[number];
