export { nextSteps, type LoadStep, type NextStep, type NextStepInput } from './next-steps.js';
export { dryBelow, todayView, type TodayView } from './view.js';
export { type BookGap, bookGaps, gapWords } from './gaps.js';
export {
  FIRST_STEPS,
  firstHour,
  type FirstStep,
  type FirstStepName,
  PLACE_HEADS,
  placeKindIn,
  STEP_KINDS,
} from './first-hour.js';
export { ALARM_KINDS, type AlarmFacts, type AlarmKind, type AlarmNow, alarmsNow, isQuiet } from './alarms.js';
