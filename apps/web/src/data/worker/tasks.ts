import {
  binPlan,
  type BinPlanInput,
  CROPS,
  fieldForecast,
  type FieldForecastInput,
  type HarvestCosts,
  type HaulingDay,
  type LinearSolver,
  type MoistureTerms,
  restAnswer,
  type RestQuestion,
  trucksWorthHaving,
  valueOfMoisture,
  waitingCosts,
  type WaitingInput,
} from '@fanega/core';
import { loadsOf, loadsPlan, openTable, rowsOf, rowsPlan } from './table-file';

/** Says how much is done, from 0 to 1. */
export type Tell = (done: number) => void;

let solver: Promise<LinearSolver> | undefined;
/** Loaded with the first question that needs it: it is as large as the rest of the program. */
const theSolver = (): Promise<LinearSolver> =>
  (solver ??= Promise.all([import('@fanega/core/solver'), import('highs/runtime?url')])
    .then(([{ loadSolver }, { default: url }]) => loadSolver(() => url))
    .catch(() => {
      solver = undefined;
      throw new Error(
        'The planner is not on this device yet: it comes with the first question that is asked with a signal.',
      );
    }));

/** Work that takes longer than a frame; it runs in the worker, never on the page's thread. */
export const TASKS = {
  forecast: ({ crop, ...input }: Omit<FieldForecastInput, 'crop'> & { readonly crop: keyof typeof CROPS }) =>
    fieldForecast({ ...input, crop: CROPS[crop] }),
  waiting: ({
    terms,
    price,
    ...input
  }: Omit<WaitingInput, 'value'> & { readonly terms: MoistureTerms; readonly price: number }) =>
    waitingCosts({ ...input, value: valueOfMoisture(terms, price) }),
  inBin: ({ crop, ...input }: Omit<BinPlanInput, 'crop'> & { readonly crop: keyof typeof CROPS }, tell: Tell) =>
    binPlan({ ...input, crop: CROPS[crop] }, tell),
  openTable,
  rowsPlan,
  rowsOf,
  loadsPlan,
  loadsOf,
  restFits: async (question: RestQuestion) => restAnswer(question, await theSolver()),
  trucks: (
    {
      day,
      most,
      replications,
      seed,
      costs,
    }: {
      readonly day: HaulingDay;
      readonly most: number;
      readonly replications: number;
      readonly seed: number;
      readonly costs: HarvestCosts;
    },
    tell: Tell,
  ) => trucksWorthHaving(day, most, replications, seed, costs, (fleet) => tell(fleet / most)),
} satisfies Readonly<Record<string, (input: never, tell: Tell) => unknown>>;

export type Task = keyof typeof TASKS;
export type TaskInput<T extends Task> = Parameters<(typeof TASKS)[T]>[0];
export type TaskAnswer<T extends Task> = Awaited<ReturnType<(typeof TASKS)[T]>>;
