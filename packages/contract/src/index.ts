export * from './rules.js';
export * from './answers.js';
export * from './entries.js';
export * from './people.js';
export * from './setup.js';
export * from './notebook.js';
export * from './shed.js';
export * from './devices.js';
