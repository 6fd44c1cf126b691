import { type Formula, requireInRange, UnknownRefusal } from '../kernel/index.js';
import { type CropId } from '../crops/index.js';

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

/** A number on the machine to change, or something to do or to wait for. */
type Step =
  | { readonly setting: Setting; readonly direction: 'up' | 'down'; readonly step: number; readonly why: string; readonly whenLight?: boolean }
  | { readonly act: string; readonly why: string; readonly reachIn?: boolean };

/**
 * What to try, in order, for each symptom: one change, then a new count. Common practice, no source; the machine's own book comes first.
 * Steps: rotor 5 % of range or 30 rpm, concave 3 mm (1/8 in), fan 50 rpm, openings 2-3 mm, half a mile an hour.
 */
const LADDER: Readonly<Record<Symptom, readonly Step[]>> = {
  unthreshed: [
    { setting: 'concave', direction: 'down', step: 3, why: 'a tighter concave rubs more and breaks less than a faster rotor' },
    { setting: 'rotor', direction: 'up', step: 30, why: 'the rotor follows when the concave alone does not do it' },
    { act: 'check that the concave inserts of this crop are in and level', why: 'the old crop’s parts left in are the classic mistake', reachIn: true },
    { act: 'wait for the crop to dry', why: 'damp pods and tough straw do not thresh at any setting' },
  ],
  cracked: [
    { setting: 'rotor', direction: 'down', step: 30, why: 'impact breaks kernels: speed first' },
    { setting: 'concave', direction: 'up', step: 3, why: 'then give the kernels room' },
    { setting: 'sieve', direction: 'up', step: 2, why: 'less return: grain is threshed once, not twice' },
    { setting: 'speed', direction: 'up', step: 0.22, why: 'a fuller rotor threshes grain on grain' },
  ],
  fines: [
    { setting: 'rotor', direction: 'down', step: 30, why: 'fines are made before they are cleaned: slow the rotor first' },
    { setting: 'concave', direction: 'up', step: 3, why: 'then give the kernels room' },
    { setting: 'fan', direction: 'up', step: 50, why: 'blow out what is made' },
  ],
  sieveLoss: [
    { setting: 'speed', direction: 'down', step: 0.22, why: 'an overloaded shoe loses at every setting' },
    { setting: 'fan', direction: 'down', step: 50, why: 'kernels lie light in the chaff: the air carries them over', whenLight: true },
    { setting: 'fan', direction: 'up', step: 50, why: 'a mat lies on the chaffer: lift it' },
    { setting: 'chaffer', direction: 'up', step: 2.5, why: 'let the grain through sooner' },
  ],
  rotorLoss: [
    { setting: 'speed', direction: 'down', step: 0.22, why: 'less material at once' },
    { act: 'open the separator grates or clear them', why: 'grain that cannot fall through leaves at the back', reachIn: true },
    { setting: 'rotor', direction: 'up', step: 30, why: 'more force through the grates' },
    { setting: 'concave', direction: 'up', step: 3, why: 'straw in long pieces lets grain out' },
    { act: 'check the transport vanes', why: 'slow vanes overfill, fast ones carry grain out', reachIn: true },
  ],
  trash: [
    { setting: 'fan', direction: 'up', step: 50, why: 'more air before smaller openings' },
    { setting: 'sieve', direction: 'down', step: 2, why: 'close the lower sieve' },
    { setting: 'rotor', direction: 'down', step: 30, why: 'gentler: less straw and cob is broken up' },
    { setting: 'concave', direction: 'up', step: 3, why: 'gentler still' },
  ],
  returns: [
    { setting: 'sieve', direction: 'up', step: 2, why: 'clean grain goes round because it cannot fall through' },
    { setting: 'concave', direction: 'down', step: 3, why: 'or it is not threshed yet' },
  ],
  shatterDew: [
    { setting: 'speed', direction: 'down', step: 0.22, why: 'tough stems need more strokes for each foot' },
    { setting: 'reel', direction: 'down', step: 0.05, why: 'the reel must lead, not wrap' },
    { act: 'stop until the dew is off', why: 'no setting cuts a wet stem' },
  ],
  shatterDry: [
    { setting: 'reel', direction: 'down', step: 0.05, why: 'a fast reel beats dry pods open: 1.10 to 1.25 of ground speed is enough' },
    { setting: 'speed', direction: 'down', step: 0.22, why: 'less shaking at the knife' },
    { setting: 'headerHeight', direction: 'down', step: 15, why: 'low pods stay on the stubble' },
    { act: 'go on in the evening or the morning', why: 'pods that took up some water hold their beans' },
  ],
  earsBounce: [
    { setting: 'speed', direction: 'down', step: 0.22, why: 'ears hit the plates as fast as the machine drives' },
    { setting: 'headerHeight', direction: 'down', step: 50, why: 'ears fall less far' },
    { setting: 'deckPlates', direction: 'down', step: 1.5, why: 'plates only as wide as the stalk' },
    { act: 'slow the stalk rolls to match the ground speed', why: 'rolls that snatch throw the ears' },
  ],
  butts: [
    { setting: 'deckPlates', direction: 'down', step: 1.5, why: 'the butt of the ear reaches the rolls through wide plates' },
    { setting: 'speed', direction: 'up', step: 0.22, why: 'rolls too fast for the ground speed shell the butts' },
  ],
};

export const SETTINGS_LADDER: Formula = {
  id: 'settings-ladder',
  title: 'Settings adviser',
  equation: 'ordered single changes by symptom; a change that is at the machine’s limit or did not help is passed over',
  standing: 'common practice',
  source: 'No printed source; the machine’s own book comes first',
  inputs: [],
};

/** General ranges of the trade by crop (axial machines; speeds in rpm, openings in mm). Low to medium confidence; only where the farm has no record of its own. */
export const USUAL_SETTINGS: Readonly<Partial<Record<CropId, Readonly<Partial<Record<Setting, readonly [number, number]>>>>>> = {
  corn: { rotor: [250, 450], concave: [25, 32], chaffer: [16, 19], sieve: [10, 13] },
  soybean: { rotor: [450, 650], concave: [16, 25], chaffer: [13, 16], sieve: [6, 10] },
  wheat: { rotor: [700, 1100], concave: [3, 13], chaffer: [13, 16], sieve: [3, 10] },
  softWheat: { rotor: [700, 1100], concave: [3, 13], chaffer: [13, 16], sieve: [3, 10] },
  sorghum: { rotor: [450, 750], concave: [6, 16], chaffer: [13, 16], sieve: [6, 6] },
  barley: { rotor: [650, 900], concave: [6, 13], chaffer: [13, 19], sieve: [6, 10] },
  oats: { rotor: [650, 900], concave: [6, 13], chaffer: [13, 19], sieve: [6, 10] },
  canola: { rotor: [450, 650], concave: [6, 19], chaffer: [6, 10], sieve: [3, 3] },
  sunflower: { rotor: [250, 450], concave: [25, 38], chaffer: [13, 13], sieve: [10, 10] },
};

export type Change =
  | {
      readonly kind: 'set';
      readonly setting: Setting;
      readonly direction: 'up' | 'down';
      readonly step: number;
      readonly from: number | null;
      readonly to: number | null;
      readonly why: string;
      readonly stopFirst: boolean;
    }
  | { readonly kind: 'do'; readonly what: string; readonly why: string; readonly stopFirst: boolean };

export interface Advice {
  /** The one thing to change now; null when the list is used up. */
  readonly next: Change | null;
  /** What would follow, one at a time, each after a new count. */
  readonly then: readonly Change[];
  /** What was passed over and why. */
  readonly passedOver: readonly { readonly setting: Setting; readonly because: 'at the machine’s limit' | 'made it worse' | 'did not help' }[];
  /** Beside every advice. */
  readonly caution: string;
}

/** Change of a setting that was tried since the symptom was seen, with what came of it. */
export interface Tried {
  readonly setting: Setting;
  readonly direction: 'up' | 'down';
  readonly outcome: 'better' | 'not shown' | 'worse';
}

const CAUTION =
  'One change, then count again. Before anyone reaches in or looks inside: stop the machine, engine off, key out, wait until everything stands. The machine’s book rules.';

/**
 * What to change next for one symptom. Never two at once: a loss that moves after two changes has taught nothing.
 * Range and source: {@link SETTINGS_LADDER}.
 * @param ranges what this machine can do, by setting; @param tried since the symptom was seen, oldest first
 * @param hint for losses over the sieve: whether the kernels lie light in chaff or under a mat
 * @throws UnknownRefusal for a symptom that is not listed
 */
export function advise(input: {
  readonly symptom: Symptom;
  readonly present: Settings;
  readonly ranges: Readonly<Partial<Record<Setting, readonly [number, number]>>>;
  readonly tried?: readonly Tried[];
  readonly hint?: 'light in chaff' | 'mat on the sieve';
}): Advice {
  if (!Object.hasOwn(LADDER, input.symptom)) throw new UnknownRefusal('symptom', input.symptom, Object.keys(LADDER));
  const passedOver: Advice['passedOver'][number][] = [];
  const changes: Change[] = [];
  for (const step of LADDER[input.symptom]) {
    if (!('setting' in step)) {
      changes.push({ kind: 'do', what: step.act, why: step.why, stopFirst: step.reachIn === true });
      continue;
    }
    // Both fan rows fit a sieve loss; the hint says which. Without one, slower air is tried first: it can be undone at once.
    if (input.hint === 'light in chaff' && input.symptom === 'sieveLoss' && step.setting === 'fan' && step.direction === 'up') continue;
    if (input.hint === 'mat on the sieve' && step.whenLight) continue;
    const { least, most, unit, name } = SETTINGS[step.setting];
    const present = input.present[step.setting];
    if (present !== undefined) requireInRange(name, present, least, most, unit);
    const [low, high] = input.ranges[step.setting] ?? [least, most];
    requireInRange(`range of ${name}`, high - low, 0, most, unit);
    const outcomes = (input.tried ?? []).filter((t) => t.setting === step.setting && t.direction === step.direction);
    const last = outcomes.at(-1);
    if (last && last.outcome !== 'better') {
      passedOver.push({ setting: step.setting, because: last.outcome === 'worse' ? 'made it worse' : 'did not help' });
      continue;
    }
    const wanted = present === undefined ? null : present + (step.direction === 'up' ? step.step : -step.step);
    const to = wanted === null ? null : Math.min(high, Math.max(low, wanted));
    if (to !== null && present !== undefined && Math.abs(to - present) < step.step * 0.05) {
      passedOver.push({ setting: step.setting, because: 'at the machine’s limit' });
      continue;
    }
    // A present value outside the range must not be answered by a change the other way.
    if (to !== null && present !== undefined && (step.direction === 'up' ? to < present : to > present)) {
      passedOver.push({ setting: step.setting, because: 'at the machine’s limit' });
      continue;
    }
    changes.push({
      kind: 'set',
      setting: step.setting,
      direction: step.direction,
      step: to === null || present === undefined ? step.step : Math.abs(to - present),
      from: present ?? null,
      to,
      why: step.why,
      stopFirst: false,
    });
  }
  const [next, ...then] = changes;
  return { next: next ?? null, then, passedOver, caution: CAUTION };
}
