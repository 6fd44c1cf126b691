import { CROPS, fieldForecast, type FieldForecastInput, type MoistureTerms, valueOfMoisture, waitingCosts, type WaitingInput } from '@fanega/core';

/** Work that takes longer than a frame; it runs in the worker, never on the page's thread. */
export const TASKS = {
  forecast: ({ crop, ...input }: Omit<FieldForecastInput, 'crop'> & { readonly crop: keyof typeof CROPS }) => fieldForecast({ ...input, crop: CROPS[crop] }),
  waiting: ({ terms, price, ...input }: Omit<WaitingInput, 'value'> & { readonly terms: MoistureTerms; readonly price: number }) =>
    waitingCosts({ ...input, value: valueOfMoisture(terms, price) }),
};

export type Task = keyof typeof TASKS;
export type TaskInput<T extends Task> = Parameters<(typeof TASKS)[T]>[0];
export type TaskAnswer<T extends Task> = ReturnType<(typeof TASKS)[T]>;
