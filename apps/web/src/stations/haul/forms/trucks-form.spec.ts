import { describe, expect, it } from 'vitest';
import type { OwnTimes } from '@fanega/core';
import { readForm } from '../../../ui/form/use-fields';
import {
  atBuyer,
  dayErrors,
  dayOf,
  groupsOf,
  rateOf,
  readSizes,
  type Texts,
  trucksBoxes,
  unasked,
} from './trucks-form';

/** kg of a bushel of corn */
const CORN = 25.40117272;
const SHEET = { tarpMin: 3, unloadMin: 11, loadMin: 6 };
const TEXTS: Texts = {
  yield: '200',
  acres: '7.5',
  combines: '2',
  tank: '350',
  carts: '1',
  cart: '1,000',
  trucks: '940, 940, 960',
  road: '24',
  unload: '11',
  others: '3',
  dump: '4',
  leg: '5000',
  wetBin: '4500',
  wetHolds: '900',
  dryer: '430',
  begins: '10',
  ends: '20',
  opens: '9',
  closes: '19',
  truckCost: '85',
  combineCost: '300',
};

/** As the page reads it. */
function readDay(texts: Texts, to: string, times: OwnTimes | null) {
  const { values, errors } = readForm(
    {
      boxes: trucksBoxes(CORN),
      unasked: () => unasked(to, times ? 'tickets' : 'typed'),
      together: (read) => dayErrors(read, to, CORN),
    },
    texts,
  );
  return { day: values && dayOf(values, to, times, SHEET), errors, rate: values ? rateOf(values) : 0 };
}

describe('the day that the boxes describe', () => {
  it('goes to the buyer with its hours, each truck its own size, the rate out of yield and acres', () => {
    const { day, errors, rate } = readDay(TEXTS, 'redbud', null);
    expect([errors, rate]).toEqual([{}, 1500]);
    expect(day!.combines.map(({ bushelsPerHour, tank }) => [bushelsPerHour, tank])).toEqual([[1500, 350], [1500, 350]]); // prettier-ignore
    expect(day!.trucks.map(({ capacity }) => capacity)).toEqual([940, 940, 960]);
    // Six minutes to load a truck of 947 bu, as in the look ahead.
    expect(day!.carts[0]!.unloadPerHour).toBeCloseTo((60 * (940 + 940 + 960)) / 3 / 6, 6);
    expect(day!.destination).toEqual({
      kind: 'elevator',
      opens: 9,
      closes: 19,
      pits: 1,
      unload: { mean: 11, cv: 0.35 },
      othersPerHour: 3,
    });
  });
  it('goes home with leg, wet bin and dryer, and asks for nothing of a buyer', () => {
    const { day } = readDay({ ...TEXTS, unload: 'x', closes: '' }, '', null);
    expect(day!.destination).toEqual({
      kind: 'home',
      dump: { mean: 4, cv: 0.3 },
      legPerHour: 5000,
      wetBin: 4500,
      wetBinHolds: 900,
      dryerPerHour: 430,
    });
    expect(readDay({ ...TEXTS, wetHolds: '5000' }, '', null).errors.wetHolds).toBe('More than it holds');
    expect(readDay({ ...TEXTS, wetBin: '900', wetHolds: '0' }, '', null).errors.wetBin).toBe('At least one load');
    expect(groupsOf('', 'typed').flatMap(({ keys }) => keys)).not.toContain('closes');
  });
  it('takes line and pit from the farm’s own rounds: they hold the others’ line already', () => {
    const times = { rounds: 14, toTicket: { mean: 46, cv: 0.25 }, back: null, trips: [] };
    const { day } = readDay({ ...TEXTS, others: 'many' }, 'redbud', times);
    // 46 minutes from the last grain to the ticket, 3 of tarp, 24 of road: 19 there, of which scale and pit take 11.
    expect(atBuyer(times, SHEET, 24)).toEqual({ pit: { mean: 11, cv: 0.35 }, lineMin: 8 });
    expect(day!.destination).toMatchObject({ unload: { mean: 11 }, othersPerHour: 0 });
    expect(day!.road.out).toEqual({ mean: 32, cv: 0.25 });
    expect(atBuyer(times, SHEET, 60)).toEqual({ pit: { mean: 1, cv: 0.35 }, lineMin: 0 });
  });
  it('says at its box what does not fit', () => {
    const wrong = (more: Partial<Texts>) => readDay({ ...TEXTS, ...more }, 'redbud', null).errors;
    expect(wrong({ carts: '1.5' })).toEqual({ carts: 'A whole number from 0 to 10' });
    expect(wrong({ trucks: '940, none' })).toEqual({ trucks: 'What each holds, like 940, 940, 960' });
    expect(wrong({ ends: '9' })).toEqual({ ends: 'After it begins' });
    expect(wrong({ yield: '400', acres: '60' })).toEqual({ acres: 'No combine runs at that rate: 50 to 8,900 bu/h' });
  });
  it('reads sizes as people write them', () => {
    expect([
      readSizes('940, 940,960', CORN),
      readSizes('940 920', CORN),
      readSizes('940, 1,000', CORN),
      readSizes('940', CORN),
      readSizes('', CORN),
      readSizes('12', CORN),
    ]).toEqual([[940, 940, 960], [940, 920], [940, 1000], [940], [], []]);
  });
});
