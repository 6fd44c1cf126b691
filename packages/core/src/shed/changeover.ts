import { type CropId, requireCrop } from '../crops/index.js';
import type { CardId } from '../records/index.js';

/** One place on the machine that a change of crop touches. */
export interface ChangeoverStep {
  readonly id: string;
  /** What is looked at, and where on the machine. */
  readonly part: string;
  readonly position: string;
  /** What the old crop had in, and what the new one wants; the same words mean that it stays, and is only looked at. */
  readonly out: string;
  readonly into: string;
  readonly why: string;
  /** A photograph is the proof. */
  readonly photo: boolean;
  readonly card: CardId | null;
}

type Group = 'rowCrop' | 'smallGrain' | 'beans' | 'milo' | 'smallSeed';
const GROUP: Readonly<Record<CropId, Group>> = {
  corn: 'rowCrop',
  sunflower: 'rowCrop',
  soybean: 'beans',
  sorghum: 'milo',
  wheat: 'smallGrain',
  softWheat: 'smallGrain',
  oats: 'smallGrain',
  barley: 'smallGrain',
  canola: 'smallSeed',
};
const groupOf = (crop: string): Group => GROUP[requireCrop(crop).like];

interface Place {
  readonly id: string;
  readonly part: string;
  readonly position: string;
  readonly has: Readonly<Record<Group, string>>;
  readonly why: string;
  readonly photo: boolean;
  readonly card: CardId | null;
}

/** Positions of a combine by crop. Common practice, no source; the machine's own book comes first. */
const PLACES: readonly Place[] = [
  {
    id: 'header',
    part: 'Header',
    position: 'feeder house',
    has: {
      rowCrop: 'row head',
      beans: 'flexible platform',
      milo: 'platform, not flexed',
      smallGrain: 'rigid platform or draper',
      smallSeed: 'rigid platform or draper',
    },
    why: 'hose, wires and latch too: the machine must know which head is on',
    photo: true,
    card: 'headerLock',
  },
  {
    id: 'feederDrum',
    part: 'Feeder drum',
    position: 'front of the feeder house, both sides',
    has: { rowCrop: 'up', beans: 'down', milo: 'down', smallGrain: 'down', smallSeed: 'down' },
    why: 'left down, it chews ears; left up, thin straw slugs',
    photo: false,
    card: 'headerLock',
  },
  {
    id: 'concaves',
    part: 'Concaves',
    position: 'under the rotor or cylinder, front to back, every one',
    has: {
      rowCrop: 'round bar',
      beans: 'round bar',
      milo: 'small wire',
      smallGrain: 'small wire',
      smallSeed: 'small wire',
    },
    why: 'one insert of the old crop left in breaks grain or loses it all day',
    photo: true,
    card: 'shutDown',
  },
  {
    id: 'coverPlates',
    part: 'Cover plates',
    position: 'on the first concaves',
    has: { rowCrop: 'off', beans: 'off', milo: 'off', smallGrain: 'on where heads will not thresh', smallSeed: 'off' },
    why: 'forgotten plates hold corn back until it breaks',
    photo: true,
    card: 'shutDown',
  },
  {
    id: 'grates',
    part: 'Separator grates',
    position: 'behind the concaves, every one',
    has: {
      rowCrop: 'large openings',
      beans: 'large openings',
      milo: 'standard',
      smallGrain: 'standard',
      smallSeed: 'standard',
    },
    why: 'plugged or wrong ones carry grain out the back',
    photo: true,
    card: 'shutDown',
  },
  {
    id: 'chaffer',
    part: 'Chaffer and sieve',
    position: 'cleaning shoe, upper and lower',
    has: {
      rowCrop: 'coarse chaffer',
      beans: 'general chaffer',
      milo: 'general chaffer',
      smallGrain: 'general chaffer',
      smallSeed: 'fine or round-hole sieve',
    },
    why: 'look underneath: last year’s cob jams a louver',
    photo: true,
    card: 'shutDown',
  },
  {
    id: 'stoneTrap',
    part: 'Stone trap',
    position: 'front of the concave',
    has: { rowCrop: 'emptied', beans: 'emptied', milo: 'emptied', smallGrain: 'emptied', smallSeed: 'emptied' },
    why: 'beans bring stones, and old grain in it is another crop in the tank',
    photo: false,
    card: 'shutDown',
  },
  {
    id: 'cleanGrain',
    part: 'Tank, clean-grain and tailings elevators',
    position: 'doors at the boot, tank sump',
    has: {
      rowCrop: 'empty, swept',
      beans: 'empty, swept',
      milo: 'empty, swept',
      smallGrain: 'empty, swept',
      smallSeed: 'empty, swept',
    },
    why: 'corn in a bean load is dockage on the ticket',
    photo: true,
    card: 'shutDown',
  },
  {
    id: 'spreader',
    part: 'Chopper and spreader',
    position: 'rear',
    has: {
      rowCrop: 'knives back, slow',
      beans: 'knives in',
      milo: 'knives in',
      smallGrain: 'knives in',
      smallSeed: 'knives in',
    },
    why: 'straw left in rows is next spring’s trouble',
    photo: false,
    card: 'shafts',
  },
  {
    id: 'display',
    part: 'Crop on the display',
    position: 'cab',
    has: {
      rowCrop: 'this crop',
      beans: 'this crop',
      milo: 'this crop',
      smallGrain: 'this crop',
      smallSeed: 'this crop',
    },
    why: 'moisture and yield are read with the crop’s own curve',
    photo: false,
    card: null,
  },
];

/**
 * What comes out and what goes in between two crops, with positions. Everything is looked at, what changes comes first.
 * @param from null: nobody knows what was cut last, so everything is taken as changed
 */
export function changeoverSteps(from: CropId | null, to: CropId): (ChangeoverStep & { readonly changes: boolean })[] {
  return PLACES.map((place) => {
    const out = from === null ? 'whatever is in' : place.has[groupOf(from)];
    const into = place.has[groupOf(to)];
    const cleaning = place.id === 'stoneTrap' || place.id === 'cleanGrain' || place.id === 'display';
    return {
      id: place.id,
      part: place.part,
      position: place.position,
      out,
      into,
      why: place.why,
      photo: place.photo,
      card: place.card,
      changes: from === null || out !== into || (cleaning && from !== to),
    };
  }).sort((a, b) => Number(b.changes) - Number(a.changes));
}

/** After the first hundred feet, with the machine stopped. Common practice, no source. */
export const FIRST_HUNDRED_FEET: readonly string[] = [
  'Stop without emptying: straw, cobs and the shoe tell how it ran',
  'Grain in the tank: whole, clean, of this crop only',
  'On the ground: behind the head, behind the machine, a first count',
  'Returns: how much, and is it threshed',
  'Head: knife or rolls, gathering, the last row',
  'Display: moisture against the hand tester, width and rows right',
];
