/** What is set on a machine, each in one unit. Left out: the machine has no such adjustment, or nobody wrote it down. */
export const SETTINGS = {
  rotor: { name: 'rotor or cylinder speed', unit: 'rpm', least: 100, most: 1500 },
  concave: { name: 'concave clearance', unit: 'mm', least: 0, most: 60 },
  fan: { name: 'cleaning fan', unit: 'rpm', least: 200, most: 1800 },
  chaffer: { name: 'chaffer opening', unit: 'mm', least: 0, most: 40 },
  sieve: { name: 'lower sieve opening', unit: 'mm', least: 0, most: 30 },
  speed: { name: 'ground speed', unit: 'm/s', least: 0, most: 8 },
  reel: { name: 'reel index', unit: '', least: 0.5, most: 3 },
  deckPlates: { name: 'deck plate gap', unit: 'mm', least: 10, most: 60 },
  headerHeight: { name: 'header height', unit: 'mm', least: 0, most: 1500 },
  headerDrive: { name: 'header drive', unit: 'rpm', least: 100, most: 1000 },
  spreader: { name: 'spreader', unit: 'rpm', least: 0, most: 1500 },
} as const;

export type Setting = keyof typeof SETTINGS;
export type Settings = Readonly<Partial<Record<Setting, number>>>;

export const SYMPTOMS = {
  unthreshed: 'Unthreshed heads, pods or kernels on cobs',
  cracked: 'Cracked or broken grain',
  fines: 'Fines in the tank',
  sieveLoss: 'Grain over chaffer or sieve',
  rotorLoss: 'Grain from rotor or walkers',
  trash: 'Trash in the tank',
  returns: 'High returns',
  shatterDew: 'Pods or heads tear or wrap at the header in dew',
  shatterDry: 'Pods shatter at the header, beans over-dry',
  earsBounce: 'Ears bounce out of the header',
  butts: 'Kernels shelled at the deck plates',
} as const;
export type Symptom = keyof typeof SYMPTOMS;
export const SETTING_NAMES = Object.keys(SETTINGS) as Setting[];
export const SYMPTOM_NAMES = Object.keys(SYMPTOMS) as Symptom[];
