import type { CardId, MachineKind } from '../records/index.js';

/** A line of a readiness list before it belongs to a machine. Common practice, no source; a farm edits its own. */
export interface TemplateLine {
  readonly what: string;
  readonly needed: boolean;
  /** Days before the first day of harvest that it should be done. */
  readonly daysBefore: number;
  readonly card?: CardId;
}

const line = (what: string, daysBefore: number, needed = true, card?: CardId): TemplateLine => ({
  what,
  needed,
  daysBefore,
  ...(card ? { card } : {}),
});

export const READINESS_TEMPLATES: Readonly<Record<MachineKind, readonly TemplateLine[]>> = {
  combine: [
    line('Walk round with the book: belts, chains, bearings by hand-held thermometer', 21, true, 'shafts'),
    line('Concave, rotor bars and separator grates looked at and photographed', 21, true, 'shutDown'),
    line('Engine oil, filters, coolant, air filter', 14),
    line('Feeder chain: slats straight, tension, drum position', 14, true, 'headerLock'),
    line('Fire extinguishers charged; chaff blown out of the engine bay', 7, true, 'hotBearing'),
    line('Field list, varieties and last calibration on the display', 5, false),
    line('Wheels tight, tires and pressure', 7, true, 'lifting'),
    line('Lights, mirrors, slow-moving sign', 5, true, 'roading'),
  ],
  header: [
    line('Knives and guards, or rolls and deck plates: worn ones out', 14, true, 'headerLock'),
    line('Drive chains, slip clutches, gear oil', 14, true, 'shafts'),
    line('Safety stops on both lift cylinders work', 10, true, 'headerLock'),
    line('Header cart: tires, lights, hitch', 7, true, 'roading'),
  ],
  cart: [
    line('Auger flighting, bearings and shaft guards', 14, true, 'shafts'),
    line('Scale: zero it, hang a known weight, look at the cables', 7, false),
    line('Tires, hubs, hitch pin and chain', 7, true, 'hitching'),
  ],
  truck: [
    line('Brakes, lights, tires; license and inspection dates', 14, true, 'roading'),
    line('Tarp, arms and hopper gates', 7),
    line('Empty weight taken again', 5, false),
  ],
  auger: [
    line('Flighting and bearings; shields on', 14, true, 'shafts'),
    line('Belts and motor or shaft; wind-up wheels, cable', 14, true, 'overheadLines'),
  ],
  leg: [
    line('Belt tracking and tension, cups, lagging', 21, true, 'shutDown'),
    line('Slow-down sensor stops the feeders first: tried, not believed', 14),
    line('Pit grate and boot clean', 7),
  ],
  dryer: [
    line('Burner, ignition and flame sensor tried with the serviceman', 21),
    line('Screens and columns clean, fines swept out', 14, true, 'shutDown'),
    line('Moisture sensors against the bench tester', 7, false),
    line('Fuel: tank level and the standing order', 7),
  ],
  bin: [
    line('Empty and swept; old grain out', 21, true, 'binEntry'),
    line('Roof, hatches, vents and cables', 21, true, 'binEntry'),
    line('Unload sump and sweep turn; gate indicator is right', 14, true, 'shutDown'),
  ],
  fan: [
    line('Runs in the right direction, bearings quiet, inlet clear', 14, true, 'shafts'),
    line('Static pressure written down with the bin empty', 10, false),
  ],
  tester: [
    line('Batteries; card for this year’s crops', 10),
    line('Three samples against the buyer’s tester', 7, false),
  ],
  scale: [
    line('Zero with nothing on it; a known weight on each corner', 10),
    line('Cables, load cells, cover', 10),
    line('Inspection sticker valid for buying and selling', 14, false),
  ],
};
