import type { Advice, AdviceAct, AdviceWhy } from '@fanega/core';

/** Why a change helps. */
export const WHY_WORDS: Readonly<Record<AdviceWhy, string>> = {
  aTighterConcaveRubs: 'a tighter concave rubs more and breaks less than a faster rotor',
  theRotorFollowsWhen: 'the rotor follows when the concave alone does not do it',
  theOldCropsParts: 'the old crop’s parts left in are the classic mistake',
  dampPodsAndTough: 'damp pods and tough straw do not thresh at any setting',
  impactBreaksKernelsSpeed: 'impact breaks kernels: speed first',
  thenGiveTheKernels: 'then give the kernels room',
  lessReturnGrainIs: 'less return: grain is threshed once, not twice',
  aFullerRotorThreshes: 'a fuller rotor threshes grain on grain',
  finesAreMadeBefore: 'fines are made before they are cleaned: slow the rotor first',
  blowOutWhatIs: 'blow out what is made',
  anOverloadedShoeLoses: 'an overloaded shoe loses at every setting',
  kernelsLieLightIn: 'kernels lie light in the chaff: the air carries them over',
  aMatLiesOn: 'a mat lies on the chaffer: lift it',
  letTheGrainThrough: 'let the grain through sooner',
  lessMaterialAtOnce: 'less material at once',
  grainThatCannotFall: 'grain that cannot fall through leaves at the back',
  moreForceThroughThe: 'more force through the grates',
  strawInLongPieces: 'straw in long pieces lets grain out',
  slowVanesOverfillFast: 'slow vanes overfill, fast ones carry grain out',
  moreAirBeforeSmaller: 'more air before smaller openings',
  closeTheLowerSieve: 'close the lower sieve',
  gentlerLessStrawAnd: 'gentler: less straw and cob is broken up',
  gentlerStill: 'gentler still',
  cleanGrainGoesRound: 'clean grain goes round because it cannot fall through',
  orItIsNot: 'or it is not threshed yet',
  toughStemsNeedMore: 'tough stems need more strokes for each foot',
  theReelMustLead: 'the reel must lead, not wrap',
  noSettingCutsA: 'no setting cuts a wet stem',
  aFastReelBeats: 'a fast reel beats dry pods open: 1.10 to 1.25 of ground speed is enough',
  lessShakingAtThe: 'less shaking at the knife',
  lowPodsStayOn: 'low pods stay on the stubble',
  podsThatTookUp: 'pods that took up some water hold their beans',
  earsHitThePlates: 'ears hit the plates as fast as the machine drives',
  earsFallLessFar: 'ears fall less far',
  platesOnlyAsWide: 'plates only as wide as the stalk',
  rollsThatSnatchThrow: 'rolls that snatch throw the ears',
  theButtOfThe: 'the butt of the ear reaches the rolls through wide plates',
  rollsTooFastFor: 'rolls too fast for the ground speed shell the butts',
};

/** What is to be done where no setting helps. */
export const ACT_WORDS: Readonly<Record<AdviceAct, string>> = {
  checkThatTheConcave: 'check that the concave inserts of this crop are in and level',
  waitForTheCrop: 'wait for the crop to dry',
  openTheSeparatorGrates: 'open the separator grates or clear them',
  checkTheTransportVanes: 'check the transport vanes',
  stopUntilTheDew: 'stop until the dew is off',
  goOnInThe: 'go on in the evening or the morning',
  slowTheStalkRolls: 'slow the stalk rolls to match the ground speed',
};

export const PASSED_WORDS: Readonly<Record<Advice['passedOver'][number]['because'], string>> = {
  atLimit: 'at the machine’s limit',
  madeItWorse: 'made it worse',
  didNotHelp: 'did not help',
};
