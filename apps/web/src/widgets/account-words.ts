import type { StatementLine } from '@fanega/core';

/** What a line of a sheet or a statement is of, as it stands within a sentence. */
export const ACCOUNT_WORDS: Readonly<Record<StatementLine['account'], string>> = {
  sale: 'sale',
  correction: 'correction',
  discounts: 'discounts, drying and fees',
  'lease price': 'price by the lease',
  'lease docks': 'discounts by the lease',
  hauling: 'hauling',
  checkoff: 'checkoff',
  storage: 'storage',
  freight: 'freight',
  drying: 'drying',
  advance: 'advance',
  other: 'other',
};
