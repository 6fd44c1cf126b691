import { type CropId, CROPS, type NextStep } from '@fanega/core';
import type { Farm } from '../../data/farm';
import { grain, heldText, mass, percent } from '../../quantity/quantity';
import { clock } from '../../quantity/time';

/** A step in two sentences: what, and why. */
export function describe(step: NextStep, farm: Farm): { title: string; why: string } {
  const { timeZone } = farm.data.farm;
  if (step.kind === 'maybe_twins') {
    const line = farm.data.tape.find(({ entry }) => entry.id === step.first);
    const at = line ? clock(line.entry.at, timeZone) : '';
    return {
      title: `One load or two? ${at}`,
      why: `Two devices recorded the same way within minutes${step.share === null ? '' : `, ${percent(step.share)} apart`}. Both count until one is voided.`,
    };
  }
  const name = farm.placeName(step.place);
  const held = farm.held(step.place);
  const kgPerBu = farm.kgPerBu(farm.cropOf(held.lots));
  const much = grain(held.wetKg, kgPerBu);
  const moisture = held.moisture === null ? '' : ` at ${percent(held.moisture)}`;
  const load = 'load' in step ? step.load : undefined;
  const to = load ? farm.placeName(load.to) : '';
  switch (step.kind) {
    case 'cart_full':
      return {
        title: load ? `${name} is full. Load ${to}.` : `${name} is full, and no truck is empty.`,
        why: load
          ? load.staysKg > 0
            ? `${grain(load.staysKg, kgPerBu)} stay in the cart, with the same shares`
            : `${much}${moisture}, all of it fits`
          : `${much}${moisture}; the combine stops when its tank is full too.`,
      };
    case 'tank_full':
      return {
        title: load ? `${name} is full. Dump on ${to}.` : `${name} is full, and no cart has room.`,
        why: `${much}${moisture} in the tank`,
      };
    case 'truck_waits':
      return {
        title: load ? `${name} is loaded. Take it to ${to}.` : `${name} stands loaded.`,
        why: `${much}${moisture}${load ? ', where the last such load went' : ''}`,
      };
    case 'wet_bin_fills':
      return {
        title: load ? `${name} fills. Start a dryer batch.` : `${name} fills, and the dryer is busy.`,
        why: `${much}${moisture}; wet corn heats when it waits`,
      };
    case 'dryer_holds':
      return {
        title: load
          ? `Batch in the ${name.toLowerCase()}. Move it to ${to}.`
          : `The ${name.toLowerCase()} holds a batch.`,
        why: `${much}${moisture}`,
      };
    case 'crops_mixed':
      return {
        title: `${name} holds ${step.crops.map((crop) => CROPS[crop as CropId]?.short ?? crop).join(' and ')}`,
        why: `${heldText(farm, held.wetLots)}. Undo the load if it is a slip; move or sell the mix if it is not.`,
      };
    case 'unknown_grain':
      return {
        title: `Whose grain is in ${name}?`,
        why: `${mass(held.wetLots.unknown ?? 0)} are in there with no field on record. A load that is entered late will settle it.`,
      };
    case 'level_differs':
      return {
        title: `${name} shows ${percent(Math.abs(step.share))} ${step.share < 0 ? 'less' : 'more'} than the book`,
        why: `${mass(Math.abs(step.wetKg))} ${step.wetKg < 0 ? 'short' : 'over'}, put on its fields by share. The reason is not recorded.`,
      };
  }
}
