import { byRoomFor, dumpOf, EMPTY_BU, receiversOf, roomOf, takesADump } from '../haul/index.js';
import type { HolderNow } from '../ledger/index.js';

/** The newest load off the field: the next one is likely much like it. */
export interface LoadBefore {
  readonly lot: string;
  /** part of the field that it came off */
  readonly zone?: string;
  readonly wetKg: number;
  /** wet-basis fraction */
  readonly moisture: number;
}

/** Something that this machine likely does next, ready to be recorded. */
export type CabAction =
  | {
      readonly kind: 'move';
      readonly from: string;
      readonly to: string;
      /** left out: all of it */ readonly wetKg?: number;
      readonly staysKg: number;
    }
  | {
      readonly kind: 'cut';
      readonly lot: string;
      readonly zone?: string;
      readonly to: string;
      readonly wetKg: number;
      readonly moisture: number;
    }
  /** To a buyer: his ticket's weight is wanted. */
  | { readonly kind: 'deliver'; readonly from: string; readonly to: string }
  | { readonly kind: 'dry'; readonly place: string; readonly to: number };

export interface CabInput {
  readonly me: string;
  readonly holders: readonly HolderNow[];
  readonly lastLoad: LoadBefore | null;
  /** Where trucks took each crop, newest first; buyers among them. */
  readonly lastTargets: Readonly<Record<string, readonly string[]>>;
  readonly buyers: readonly string[];
  /** Grain wetter than this is dried, fraction by crop. */
  readonly dryBelow: Readonly<Record<string, number>>;
  readonly kgPerBushel: (crop: string | undefined) => number;
}

const MOST = 3;

/**
 * What the one in the cab likely records next, most likely first, at most three: from where the grain lies and what was done last.
 * Nothing is guessed that the book does not show. Common practice, no source.
 */
export function cabNext(input: CabInput): CabAction[] {
  const me = input.holders.find((holder) => holder.id === input.me);
  if (!me) return [];
  const others = input.holders.filter((holder) => holder.id !== me.id);
  const room = roomOf;
  const fits = (holder: HolderNow, crop: string | undefined): boolean =>
    takesADump(holder) && (holder.bushels < EMPTY_BU || holder.crop === crop);
  const move = (from: HolderNow, to: HolderNow): CabAction => ({
    kind: 'move',
    ...dumpOf(from, to, input.kgPerBushel),
  });
  const receivers = (kind: string, from: HolderNow): HolderNow[] => receiversOf(others, kind, from);
  const cut = (to: HolderNow): CabAction[] =>
    input.lastLoad && takesADump(to) ? [{ kind: 'cut', ...input.lastLoad, to: to.id }] : [];
  const loaded = me.bushels >= EMPTY_BU;
  const actions: CabAction[] = [];
  switch (me.kind) {
    case 'combine':
      if (loaded) actions.push(...[...receivers('cart', me), ...receivers('truck', me)].map((to) => move(me, to)));
      else {
        const load = input.lastLoad ? input.lastLoad.wetKg / input.kgPerBushel(me.crop) : 0;
        const carts = others.filter((holder) => holder.kind === 'cart' && takesADump(holder)).sort(byRoomFor(load));
        actions.push(...cut(me), ...carts.flatMap(cut));
      }
      break;
    case 'cart':
      if (loaded) actions.push(...receivers('truck', me).map((to) => move(me, to)));
      if (takesADump(me)) {
        const tanks = others
          .filter(
            (holder) => holder.kind === 'combine' && holder.bushels >= EMPTY_BU && (!loaded || holder.crop === me.crop),
          )
          .map((tank) => move(tank, me));
        // A cart that is nearly full goes to a truck first; one with room waits for the next dump.
        const more = [...tanks, ...cut(me)];
        if (loaded && me.bushels < 0.85 * (me.capacityBu ?? Infinity)) actions.unshift(...more);
        else actions.push(...more);
      }
      break;
    case 'truck':
      if (loaded) actions.push(...targets(me, input, others, room, move));
      else
        actions.push(
          ...others
            .filter((holder) => holder.kind === 'cart' && holder.bushels >= EMPTY_BU)
            .sort((a, b) => b.bushels - a.bushels)
            .map((cart) => move(cart, me)),
        );
      break;
    case 'dryer': {
      const limit = input.dryBelow[me.crop ?? ''];
      if (loaded && limit !== undefined && me.moisture !== null && me.moisture > limit + 0.003)
        actions.push({ kind: 'dry', place: me.id, to: limit });
      else if (loaded)
        actions.push(
          ...(input.lastTargets[`dryer:${me.crop ?? ''}`] ?? []).flatMap((id) =>
            others.filter((holder) => holder.id === id && fits(holder, me.crop)).map((to) => move(me, to)),
          ),
        );
      else
        actions.push(
          ...others
            .filter((holder) => holder.kind === 'wetBin' && holder.bushels >= EMPTY_BU)
            .map((wet) => move(wet, me)),
        );
      break;
    }
    default:
      break;
  }
  return actions.slice(0, MOST);
}

function targets(
  me: HolderNow,
  input: CabInput,
  others: readonly HolderNow[],
  room: (holder: HolderNow) => number,
  move: (from: HolderNow, to: HolderNow) => CabAction,
): CabAction[] {
  const limit = input.dryBelow[me.crop ?? ''];
  const wet = limit !== undefined && me.moisture !== null && me.moisture > limit + 0.007;
  const wetBins = wet
    ? others.filter((holder) => holder.kind === 'wetBin' && room(holder) >= me.bushels).map((bin) => move(me, bin))
    : [];
  const known = (input.lastTargets[me.crop ?? ''] ?? []).flatMap((id): CabAction[] => {
    if (input.buyers.includes(id)) return [{ kind: 'deliver', from: me.id, to: id }];
    const holder = others.find((other) => other.id === id && other.kind !== 'wetBin' && room(other) >= me.bushels);
    return holder ? [move(me, holder)] : [];
  });
  return [...wetBins, ...known];
}
