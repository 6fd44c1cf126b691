import type { CardId } from '../records/index.js';

/** A short, usual caution for one hazard. */
export interface SafetyCard {
  readonly title: string;
  readonly lines: readonly string[];
}

/**
 * Cards for the hazards of the shed and the machine, shown where the hazard is met. Usual cautions, common practice, no source; the
 * maker's book, local rules and licensed trades decide. None of them says that a place is safe.
 */
export const SAFETY_CARDS = {
  headerLock: {
    title: 'Under the header',
    lines: [
      'Header all the way up, both cylinder stops down.',
      'Engine off, key in your pocket.',
      'Nobody goes under a header that only oil holds up.',
    ],
  },
  shutDown: {
    title: 'Before a hand reaches in',
    lines: [
      'Separator and header off, engine off, key in your pocket.',
      'Wait until everything stands: a rotor turns on for a long time.',
      'Electric drives: locked out, with your own lock and tag.',
    ],
  },
  shafts: {
    title: 'Turning shafts, belts and augers',
    lines: [
      'All guards on before it turns.',
      'No loose sleeves, no gloves near what turns, hair tied.',
      'Clear a plug with the power off, never with a foot or a hand.',
    ],
  },
  overheadLines: {
    title: 'Wires overhead',
    lines: [
      'Auger, dump box and antenna down before it moves.',
      'Walk the way first and look up; a helper watches the top.',
      'After a touch: stay on the machine, call the power company.',
    ],
  },
  roading: {
    title: 'On the road',
    lines: [
      'Header on its cart, auger folded, tank empty.',
      'Belt on; lights, flashers and the slow-moving sign clean.',
      'Width and escort as local law asks; not at dusk if it can wait.',
    ],
  },
  hotBearing: {
    title: 'Hot bearings and dust',
    lines: [
      'Stop, and look with a hand-held thermometer, not with a hand.',
      'Blow chaff off engine, exhaust and brakes at every fill of fuel.',
      'Extinguishers in reach; know who calls and which way leads out.',
    ],
  },
  hitching: {
    title: 'Hitching',
    lines: [
      'Nobody between tractor and cart while it moves.',
      'Pin, clip and chain; jack up, wheels chocked before unhitching.',
      'Towing: rated strap, everybody clear of its line.',
    ],
  },
  lifting: {
    title: 'Lifting and blocking',
    lines: [
      'Concaves and plates are heavy: a hoist, not a back.',
      'Stands under the frame on firm ground before a wheel comes off.',
      'Stand aside when a tire takes air.',
    ],
  },
  binEntry: {
    title: 'Bins',
    lines: [
      'Look from the hatch or from the ground; going in is the last resort.',
      'Unload locked out, air checked, harness and line, a second person outside who stays.',
      'Never onto grain that hangs or has a crust.',
    ],
  },
} as const satisfies Record<CardId, SafetyCard>;

/** Stands under every card. */
export const CARD_FOOT = 'Follow the maker’s book and local rules.';
