export { traceDelivery, tracePlace, type Contributions, type DeliveryTrace } from './sweep.js';
export { deliveryWay, lotWay, type GrainWay, type WayLink, type WayNode } from './way.js';
