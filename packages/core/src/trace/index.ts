export { traceDelivery, tracePlace, type Contributions, type DeliveryTrace } from './sweep.js';
export { deliveryPath, lotPath, type TracePath, type TraceLink, type TraceStop } from './trace-path.js';
export { deliveryTraceView, type DeliveryTraceView, lotTraceView, type LotTraceView, type TraceLoad } from './view.js';
export { type EpcisDocument, type EpcisEvent, epcisOf } from './epcis.js';
export { ENTRY_COLUMNS, entryRows } from './entry-rows.js';
export { yearOf, type YearCrop, type YearDifference } from './year.js';
