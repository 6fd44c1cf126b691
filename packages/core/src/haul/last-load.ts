import { type Formula, quantity, requireInRange } from '../kernel/index.js';

export const LAST_LOAD: Formula = {
  id: 'last-load',
  title: 'The last load before closing, and the night',
  equation:
    'full = now + (truck - cart - tank)/rate; arrives = full + load + tarp + road; again = arrives + unload + road, + load + tarp, while it is not after closing - road; stop = full + covered room / rate, or the rain',
  standing: 'common practice',
  source: 'No printed source; arithmetic of the evening',
  inputs: [quantity('minute of the day', 0, 4320, 'min'), quantity('picking rate', 1, 50_000, 'bu/h')],
};

/** All times in minutes of the day (18:09 is 1089), all grain in wet bushels. */
export interface LastLoadInput {
  readonly now: number;
  /** A truck in line by then is still taken. */
  readonly buyerCloses: number;
  readonly roadMin: number;
  /** In the cart and in the combine's tank now. */
  readonly inCart: number;
  readonly inTank?: number;
  /** The truck that stands in the field. */
  readonly truck: { readonly id: string; readonly capacity: number; readonly holds?: number };
  readonly bushelsPerHour: number;
  readonly loadMin: number;
  readonly tarpMin: number;
  /** Line and pit at the buyer together; without it, no further load of this truck is looked for. */
  readonly unloadMin?: number;
  /** Trucks on the road: when they are back, and what they take. */
  readonly returning: readonly { readonly id: string; readonly at: number; readonly capacity: number }[];
  readonly cart: { readonly capacity: number };
  /** Most in the tank, and the most at which its lids still close. */
  readonly tank: { readonly capacity: number; readonly lidsCloseAt: number };
  /** Minutes of the day when rain is likely; undefined without. */
  readonly rainAt?: number;
}

export interface LastLoad {
  readonly stillToPick: number;
  readonly minutesToFull: number;
  /** Minutes of the day, exact. */
  readonly fullAt: number;
  readonly loadedAt: number;
  readonly leavesAt: number;
  readonly arrivesAt: number;
  readonly lastDeparture: number;
  /** Minutes before closing; negative: too late. */
  readonly spare: number;
  readonly inTime: boolean;
  /** Trucks that will be back: whether they can still go, and when they would arrive at best. */
  readonly others: readonly { readonly id: string; readonly canGo: boolean; readonly arrivesAt: number }[];
  /**
   * When this truck can leave again before closing, back from the load before, as soon as enough is picked for it alone.
   * While there are any, this load is not the last one.
   */
  readonly again: readonly number[];
  readonly overnight: {
    /** Bushels that can be held under cover from the time the truck is full (the last time that it is, where it can go again). */
    readonly room: number;
    readonly holders: readonly { readonly id: string; readonly bushels: number }[];
    readonly minutes: number;
    readonly stopAt: number;
    /** What stops the combine: room, or the rain before it. */
    readonly stoppedBy: 'room' | 'rain';
    /** Does the combine have to wait before the next truck is back? And what it will have picked by then. */
    readonly combineWaits: boolean;
    readonly pickedByReturn: number | null;
    /** Minutes from stopping until the rain, for tarps and lids; null without rain. */
    readonly minutesToCover: number | null;
  };
}

const MINUTE = (name: string, value: number): number => requireInRange(name, value, 0, 3 * 1440, 'min of the day');
const BU = (name: string, value: number): number => requireInRange(name, value, 0, 1e5, 'bu');

/**
 * The last load before closing, and where the rest of the evening's grain sleeps. The first truck is filled as soon as there is enough,
 * then everything that can be covered is filled: returning trucks, cart, tank up to where its lids close.
 * Range and source: {@link LAST_LOAD}.
 * @throws RangeRefusal where a time, a quantity or a rate cannot be
 */
export function lastLoad(input: LastLoadInput): LastLoad {
  const now = MINUTE('now', input.now);
  const closes = MINUTE('closing', input.buyerCloses);
  const rate = requireInRange('picking rate', input.bushelsPerHour, 1, 50_000, 'bu/h') / 60;
  for (const [name, value] of [
    ['road', input.roadMin],
    ['loading', input.loadMin],
    ['tarping', input.tarpMin],
  ] as const)
    requireInRange(name, value, 0, 1440, 'min');
  const inTank = BU('grain in the tank', input.inTank ?? 0);
  const room = BU('truck', input.truck.capacity) - BU('grain on the truck', input.truck.holds ?? 0);
  const stillToPick = Math.max(0, room - BU('grain in the cart', input.inCart) - inTank);
  const minutesToFull = stillToPick / rate;
  const fullAt = now + minutesToFull;
  const loadedAt = fullAt + input.loadMin;
  const leavesAt = loadedAt + input.tarpMin;
  const arrivesAt = leavesAt + input.roadMin;
  const lastDeparture = closes - input.roadMin;
  const left = Math.max(0, input.inCart + inTank - room);
  const again =
    input.unloadMin === undefined
      ? []
      : furtherLoads(input, input.unloadMin, { rate, arrivesAt, fullAt, left, lastDeparture });
  // The night is counted from the last load; where there are more of them, nothing waits in cart and tank by then but what was picked while it was loaded.
  const nightFrom = again.length === 0 ? fullAt : again.at(-1)! - input.tarpMin - input.loadMin;
  const others = input.returning.map(({ id, at }) => {
    const earliest = Math.max(MINUTE('return of a truck', at), fullAt) + input.loadMin + input.tarpMin + input.roadMin;
    return { id, canGo: earliest <= closes, arrivesAt: earliest };
  });
  const tankRoom = Math.min(BU('tank', input.tank.capacity), BU('tank with its lids closed', input.tank.lidsCloseAt));
  const staying = input.returning.filter((_, i) => !others[i]!.canGo);
  const holders = [
    ...staying.map(({ id, capacity }) => ({ id, bushels: BU('truck', capacity) })),
    { id: 'cart', bushels: BU('cart', input.cart.capacity) },
    { id: 'tank', bushels: tankRoom },
  ];
  // What is left over when the truck is full already lies in cart and tank.
  const overnightRoom = Math.max(
    0,
    holders.reduce((sum, holder) => sum + holder.bushels, 0) - (again.length === 0 ? left : 0),
  );
  const minutes = overnightRoom / rate;
  const byRoom = nightFrom + minutes;
  const rain = input.rainAt === undefined ? null : MINUTE('rain', input.rainAt);
  const stopAt = rain !== null && rain < byRoom ? rain : byRoom;
  const firstBack = staying.length > 0 ? Math.min(...staying.map((truck) => truck.at)) : null;
  const picked = firstBack === null ? null : Math.max(0, firstBack - fullAt) * rate;
  // Until a truck is back, only cart and the whole tank can take it (its lids need not close while it works).
  const beforeReturn = input.cart.capacity + input.tank.capacity - left;
  return {
    stillToPick,
    minutesToFull,
    fullAt,
    loadedAt,
    leavesAt,
    arrivesAt,
    lastDeparture,
    spare: closes - arrivesAt,
    inTime: arrivesAt <= closes,
    others,
    again,
    overnight: {
      room: overnightRoom,
      holders,
      minutes,
      stopAt,
      stoppedBy: stopAt === byRoom ? 'room' : 'rain',
      combineWaits: picked !== null && picked > beforeReturn,
      pickedByReturn: picked,
      minutesToCover: rain === null ? null : rain - stopAt,
    },
  };
}

/** A truck that goes round all day: more of them than any day has. */
const MOST_ROUNDS = 100;

/** When one truck can leave again, load after load, until it would be too late. */
function furtherLoads(
  input: LastLoadInput,
  unloadMin: number,
  first: {
    readonly rate: number;
    readonly arrivesAt: number;
    readonly fullAt: number;
    readonly left: number;
    readonly lastDeparture: number;
  },
): number[] {
  requireInRange('line and pit', unloadMin, 0, 1440, 'min');
  const { rate, lastDeparture } = first;
  const leaves: number[] = [];
  let [arrives, picked] = [first.arrivesAt, first.fullAt - first.left / rate];
  while (leaves.length < MOST_ROUNDS) {
    // Full again once it is back and a truckload was picked since it was full before.
    picked += input.truck.capacity / rate;
    const leavesAt = Math.max(arrives + unloadMin + input.roadMin, picked) + input.loadMin + input.tarpMin;
    if (leavesAt > lastDeparture) break;
    leaves.push(leavesAt);
    arrives = leavesAt + input.roadMin;
  }
  return leaves;
}
