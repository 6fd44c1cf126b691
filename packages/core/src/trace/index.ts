export { traceDelivery, tracePlace, type Contributions, type DeliveryTrace } from './sweep.js';
export { deliveryWay, lotWay, type GrainWay, type WayLink, type WayNode } from './way.js';
export {
  walkRounds,
  ownTimes,
  OWN_BRIDGE,
  SEVERAL_CARTS,
  type OwnTimes,
  type Round,
  type Rounds,
  type RoundsInput,
  type Unticketed,
  type VehicleNow,
  type WeighedGrain,
} from './rounds.js';
export { splitByOwner, neighborRows, NOBODY_KNOWS, type NeighborRows, type OwnedGrain, type Share } from './owners.js';
