export { nextSteps, type HolderNow, type LoadStep, type NextStep, type NextStepInput } from './next-steps.js';
