export {
  demoFarm,
  type DemoFarm,
  type DemoField,
  type DemoLot,
  type DemoOptions,
  type DemoPlace,
  type DemoReading,
} from './farm.js';
export { seeded } from './random.js';
export { ulidAt } from './ulid.js';
export { benchBook } from './bench-book.js';
export { demoNotebook, type DemoNotebook } from './notebook.js';
export { demoSell, type DemoSell } from './sell.js';
export { demoTrace, type DemoTrace } from './trace.js';
export { demoShed, type DemoShed } from './shed.js';
export { demoFieldWork, type DemoFieldWork } from './field-work.js';
export { demoHauling, type DemoHauling, type DemoTicket } from './hauling.js';
export type { DemoLog, DemoSetting } from './records.js';
