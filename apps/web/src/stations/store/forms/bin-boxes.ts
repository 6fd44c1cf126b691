import { BIN_SETUP, type BinSetup, binCapacity, type CropId, kilogramsPerBushel, RangeRefusal } from '@fanega/core';
import { count, grainRate, length } from '../../../quantity/quantity';
import { oneOf, type Texts, type Values } from '../../../ui/form/box';
import { figureOrNone } from '../../../widgets/record-boxes';

/** An auger's bushels are by volume: of corn, whatever lies there. */
const CORN = kilogramsPerBushel(56);

type Told = 'yes' | 'no' | '';
const told = (flag: boolean | undefined): Told => (flag === undefined ? '' : flag ? 'yes' : 'no');
type Floor = NonNullable<BinSetup['floor']>;

/** The boxes of a bin's geometry: all may stay empty where it is no bin, or nobody measured it. */
export function binBoxes(was: BinSetup | undefined) {
  const { fields } = BIN_SETUP;
  return {
    diameter: figureOrNone(fields.diameter, length, { was: was?.diameter }),
    eave: figureOrNone(fields.eave, length, { was: was?.eave }),
    roofDegrees: figureOrNone(fields.roofDegrees, count, { was: was?.roofDegrees }),
    hopper: figureOrNone(fields.hopper, length, { was: was?.hopper }),
    floor: oneOf<Floor | ''>(),
    crop: oneOf<CropId | ''>(),
    packFactor: figureOrNone(fields.packFactor, count, { was: was?.packFactor }),
    sideDraw: oneOf<Told>(),
    sideDrawAt: figureOrNone(fields.sideDrawAt, length, { was: was?.sideDrawAt }),
    sweep: oneOf<Told>(),
    unloadPerHour: figureOrNone(fields.unloadPerHour, grainRate, { per: CORN, was: was?.unloadPerHour }),
  };
}
type BinBoxes = ReturnType<typeof binBoxes>;
export type BinTexts = Texts<BinBoxes>;
export type BinValues = Values<BinBoxes>;

export const binTexts = (was: BinSetup | undefined): BinTexts => ({
  diameter: length.text(was?.diameter),
  eave: length.text(was?.eave),
  roofDegrees: count.text(was?.roofDegrees),
  hopper: was === undefined || was.hopper === 0 ? '' : length.text(was.hopper),
  floor: (was?.floor ?? '') as Floor | '',
  crop: (was?.crop ?? '') as CropId | '',
  packFactor: count.text(was?.packFactor),
  sideDraw: told(was?.sideDraw),
  sideDrawAt: length.text(was?.sideDrawAt),
  sweep: told(was?.sweep),
  unloadPerHour: grainRate.text(was?.unloadPerHour, CORN),
});

/** The record of what was read; none where no diameter was. */
export function binOf(
  {
    diameter,
    eave,
    roofDegrees,
    hopper,
    floor,
    crop,
    packFactor,
    sideDraw,
    sideDrawAt,
    sweep,
    unloadPerHour,
  }: BinValues,
  note?: string,
) {
  if (diameter === undefined) return undefined;
  const setup: BinSetup = {
    diameter,
    eave: eave ?? 0,
    hopper: hopper ?? 0,
    ...(roofDegrees === undefined ? {} : { roofDegrees }),
    ...(floor === '' ? {} : { floor }),
    ...(crop === '' ? {} : { crop }),
    ...(packFactor === undefined ? {} : { packFactor }),
    ...(sideDraw === '' ? {} : { sideDraw: sideDraw === 'yes' }),
    ...(sideDrawAt === undefined ? {} : { sideDrawAt }),
    ...(sweep === '' ? {} : { sweep: sweep === 'yes' }),
    ...(unloadPerHour === undefined ? {} : { unloadPerHour }),
    ...(note === undefined ? {} : { note }),
  };
  return setup;
}

/** Bushels by the geometry; null where it says none, or is no bin. */
export function bushelsOfBin(setup: BinSetup | undefined): number | null {
  try {
    return setup === undefined ? null : binCapacity(setup);
  } catch (error) {
    if (error instanceof RangeRefusal) return null;
    throw error;
  }
}
