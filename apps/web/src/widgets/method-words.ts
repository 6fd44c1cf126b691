import type { Method } from '@fanega/core';

/** How a weight was got, in words. */
export const METHOD_WORDS: Record<Method, string> = {
  ticket: "the buyer's ticket",
  bridge: 'own truck scale',
  cartScale: 'cart scale',
  volume: 'level or volume',
  monitor: 'yield monitor',
  estimate: 'estimate',
};

/** The words for a method as it stands in the book, which may be one that we do not know. */
export const methodWords = (method: string | undefined): string =>
  method === undefined ? 'not said how' : Object.hasOwn(METHOD_WORDS, method) ? METHOD_WORDS[method as Method] : method;
