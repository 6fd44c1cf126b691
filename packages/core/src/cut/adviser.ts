import { type Formula, requireInRange, UnknownRefusal } from '../kernel/index.js';
import { type CropId } from '../crops/index.js';
import { type Setting, type Settings, SETTINGS, type Symptom } from '../records/index.js';

/** Why a step helps: a code, worded where it is shown. */
export type AdviceWhy =
  | 'aTighterConcaveRubs'
  | 'theRotorFollowsWhen'
  | 'theOldCropsParts'
  | 'dampPodsAndTough'
  | 'impactBreaksKernelsSpeed'
  | 'thenGiveTheKernels'
  | 'lessReturnGrainIs'
  | 'aFullerRotorThreshes'
  | 'finesAreMadeBefore'
  | 'blowOutWhatIs'
  | 'anOverloadedShoeLoses'
  | 'kernelsLieLightIn'
  | 'aMatLiesOn'
  | 'letTheGrainThrough'
  | 'lessMaterialAtOnce'
  | 'grainThatCannotFall'
  | 'moreForceThroughThe'
  | 'strawInLongPieces'
  | 'slowVanesOverfillFast'
  | 'moreAirBeforeSmaller'
  | 'closeTheLowerSieve'
  | 'gentlerLessStrawAnd'
  | 'gentlerStill'
  | 'cleanGrainGoesRound'
  | 'orItIsNot'
  | 'toughStemsNeedMore'
  | 'theReelMustLead'
  | 'noSettingCutsA'
  | 'aFastReelBeats'
  | 'lessShakingAtThe'
  | 'lowPodsStayOn'
  | 'podsThatTookUp'
  | 'earsHitThePlates'
  | 'earsFallLessFar'
  | 'platesOnlyAsWide'
  | 'rollsThatSnatchThrow'
  | 'theButtOfThe'
  | 'rollsTooFastFor';
/** Something to do or to wait for, that is no setting. */
export type AdviceAct =
  | 'checkThatTheConcave'
  | 'waitForTheCrop'
  | 'openTheSeparatorGrates'
  | 'checkTheTransportVanes'
  | 'stopUntilTheDew'
  | 'goOnInThe'
  | 'slowTheStalkRolls';

/** A number on the machine to change, or something to do or to wait for. */
type Step =
  | {
      readonly setting: Setting;
      readonly direction: 'up' | 'down';
      readonly step: number;
      readonly why: AdviceWhy;
      readonly whenLight?: boolean;
    }
  | { readonly act: AdviceAct; readonly why: AdviceWhy; readonly reachIn?: boolean };

/**
 * What to try, in order, for each symptom: one change, then a new count. Common practice, no source; the machine's own book comes first.
 * Steps: rotor 5 % of range or 30 rpm, concave 3 mm (1/8 in), fan 50 rpm, openings 2-3 mm, half a mile an hour.
 */
const LADDER: Readonly<Record<Symptom, readonly Step[]>> = {
  unthreshed: [
    {
      setting: 'concave',
      direction: 'down',
      step: 3,
      why: 'aTighterConcaveRubs',
    },
    { setting: 'rotor', direction: 'up', step: 30, why: 'theRotorFollowsWhen' },
    {
      act: 'checkThatTheConcave',
      why: 'theOldCropsParts',
      reachIn: true,
    },
    { act: 'waitForTheCrop', why: 'dampPodsAndTough' },
  ],
  cracked: [
    { setting: 'rotor', direction: 'down', step: 30, why: 'impactBreaksKernelsSpeed' },
    { setting: 'concave', direction: 'up', step: 3, why: 'thenGiveTheKernels' },
    { setting: 'sieve', direction: 'up', step: 2, why: 'lessReturnGrainIs' },
    { setting: 'speed', direction: 'up', step: 0.22, why: 'aFullerRotorThreshes' },
  ],
  fines: [
    {
      setting: 'rotor',
      direction: 'down',
      step: 30,
      why: 'finesAreMadeBefore',
    },
    { setting: 'concave', direction: 'up', step: 3, why: 'thenGiveTheKernels' },
    { setting: 'fan', direction: 'up', step: 50, why: 'blowOutWhatIs' },
  ],
  sieveLoss: [
    { setting: 'speed', direction: 'down', step: 0.22, why: 'anOverloadedShoeLoses' },
    {
      setting: 'fan',
      direction: 'down',
      step: 50,
      why: 'kernelsLieLightIn',
      whenLight: true,
    },
    { setting: 'fan', direction: 'up', step: 50, why: 'aMatLiesOn' },
    { setting: 'chaffer', direction: 'up', step: 2.5, why: 'letTheGrainThrough' },
  ],
  rotorLoss: [
    { setting: 'speed', direction: 'down', step: 0.22, why: 'lessMaterialAtOnce' },
    {
      act: 'openTheSeparatorGrates',
      why: 'grainThatCannotFall',
      reachIn: true,
    },
    { setting: 'rotor', direction: 'up', step: 30, why: 'moreForceThroughThe' },
    { setting: 'concave', direction: 'up', step: 3, why: 'strawInLongPieces' },
    { act: 'checkTheTransportVanes', why: 'slowVanesOverfillFast', reachIn: true },
  ],
  trash: [
    { setting: 'fan', direction: 'up', step: 50, why: 'moreAirBeforeSmaller' },
    { setting: 'sieve', direction: 'down', step: 2, why: 'closeTheLowerSieve' },
    { setting: 'rotor', direction: 'down', step: 30, why: 'gentlerLessStrawAnd' },
    { setting: 'concave', direction: 'up', step: 3, why: 'gentlerStill' },
  ],
  returns: [
    { setting: 'sieve', direction: 'up', step: 2, why: 'cleanGrainGoesRound' },
    { setting: 'concave', direction: 'down', step: 3, why: 'orItIsNot' },
  ],
  shatterDew: [
    { setting: 'speed', direction: 'down', step: 0.22, why: 'toughStemsNeedMore' },
    { setting: 'reel', direction: 'down', step: 0.05, why: 'theReelMustLead' },
    { act: 'stopUntilTheDew', why: 'noSettingCutsA' },
  ],
  shatterDry: [
    {
      setting: 'reel',
      direction: 'down',
      step: 0.05,
      why: 'aFastReelBeats',
    },
    { setting: 'speed', direction: 'down', step: 0.22, why: 'lessShakingAtThe' },
    { setting: 'headerHeight', direction: 'down', step: 15, why: 'lowPodsStayOn' },
    { act: 'goOnInThe', why: 'podsThatTookUp' },
  ],
  earsBounce: [
    { setting: 'speed', direction: 'down', step: 0.22, why: 'earsHitThePlates' },
    { setting: 'headerHeight', direction: 'down', step: 50, why: 'earsFallLessFar' },
    { setting: 'deckPlates', direction: 'down', step: 1.5, why: 'platesOnlyAsWide' },
    { act: 'slowTheStalkRolls', why: 'rollsThatSnatchThrow' },
  ],
  butts: [
    {
      setting: 'deckPlates',
      direction: 'down',
      step: 1.5,
      why: 'theButtOfThe',
    },
    { setting: 'speed', direction: 'up', step: 0.22, why: 'rollsTooFastFor' },
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
export const USUAL_SETTINGS: Readonly<
  Partial<Record<CropId, Readonly<Partial<Record<Setting, readonly [number, number]>>>>>
> = {
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
      readonly why: AdviceWhy;
      readonly stopFirst: boolean;
    }
  | { readonly kind: 'do'; readonly what: AdviceAct; readonly why: AdviceWhy; readonly stopFirst: boolean };

export interface Advice {
  /** The one thing to change now; null when the list is used up. */
  readonly next: Change | null;
  /** What would follow, one at a time, each after a new count. */
  readonly then: readonly Change[];
  /** What was passed over and why. */
  readonly passedOver: readonly {
    readonly setting: Setting;
    readonly because: 'atLimit' | 'madeItWorse' | 'didNotHelp';
  }[];
}

/** Change of a setting that was tried since the symptom was seen, with what came of it. */
export interface Tried {
  readonly setting: Setting;
  readonly direction: 'up' | 'down';
  readonly outcome: 'better' | 'not shown' | 'worse';
}

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
    if (
      input.hint === 'light in chaff' &&
      input.symptom === 'sieveLoss' &&
      step.setting === 'fan' &&
      step.direction === 'up'
    )
      continue;
    if (input.hint === 'mat on the sieve' && step.whenLight) continue;
    const { least, most, unit, name } = SETTINGS[step.setting];
    const present = input.present[step.setting];
    if (present !== undefined) requireInRange(name, present, least, most, unit);
    const [low, high] = input.ranges[step.setting] ?? [least, most];
    requireInRange(`range of ${name}`, high - low, 0, most, unit);
    const outcomes = (input.tried ?? []).filter((t) => t.setting === step.setting && t.direction === step.direction);
    const last = outcomes.at(-1);
    if (last && last.outcome !== 'better') {
      passedOver.push({ setting: step.setting, because: last.outcome === 'worse' ? 'madeItWorse' : 'didNotHelp' });
      continue;
    }
    const wanted = present === undefined ? null : present + (step.direction === 'up' ? step.step : -step.step);
    const to = wanted === null ? null : Math.min(high, Math.max(low, wanted));
    if (to !== null && present !== undefined && Math.abs(to - present) < step.step * 0.05) {
      passedOver.push({ setting: step.setting, because: 'atLimit' });
      continue;
    }
    // A present value outside the range must not be answered by a change the other way.
    if (to !== null && present !== undefined && (step.direction === 'up' ? to < present : to > present)) {
      passedOver.push({ setting: step.setting, because: 'atLimit' });
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
  return { next: next ?? null, then, passedOver };
}
