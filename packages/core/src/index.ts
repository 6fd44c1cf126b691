export * from './kernel/index.js';
export * from './units/index.js';
export * from './crops/index.js';
export * from './moisture/index.js';
export * from './air/index.js';
export * from './ledger/index.js';
export * from './trace/index.js';
export * from './hauling/index.js';
