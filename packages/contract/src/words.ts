import type { FieldRefusal } from '@fanega/core';

/** What a field is called in a sentence; one that is not here is called as it is in the record. */
const CALLED: Readonly<Record<string, string>> = {
  moisture: 'moisture',
  testerMoisture: 'the tester’s moisture',
  buyerMoisture: 'the buyer’s moisture',
  fieldId: 'the field',
  lotId: 'the field',
  machineId: 'the machine',
  assetId: 'the machine',
  placeId: 'the place',
  at: 'the time',
  axlesKg: 'an empty weight',
  share: 'the share of an axle',
  axles: 'the axles',
  combination: 'tractor and trailer',
  minutes: 'a delay',
  tareTolerance: 'the drift of an empty weight',
  tareOldDays: 'the age of an empty weight',
  values: 'a setting',
  kernels: 'a count',
  cracked: 'cracked beans',
  why: 'the reason',
  headWidth: 'the width of the head',
  roadMin: 'the road',
  goodRate: 'the rate',
  packFactor: 'the packing',
  behind: 'frames counted behind the machine',
  differences: 'pairs of strips',
  leadDays: 'the lead time',
  skipped: 'why it is left out',
  due: 'the day it is due',
  firstDays: 'a first day',
  acknowledge: 'a card',
  cost: 'the cost',
  acres: 'acres',
  tag: 'the tag',
  owner: 'the owner',
  part: 'a part',
  capacityBu: 'what it holds',
  farm: 'the name of the farm',
  reason: 'the reason',
  name: 'the name',
  what: 'what it is',
};

const RULES: Readonly<Record<string, string>> = {
  reading_without_figure: 'a reading needs its moisture, a bite test its count of cracked beans',
  limits_rise: 'the limits must rise: too dry, best from, best to, refused above',
  hours_rise: 'it must close after it opens',
  setting_out_of_range: 'no machine can be set like that: check the digits',
  ring_too_short: 'a boundary has three corners or more',
  heat_without_figure: 'say how hot it is, by figure or by hand',
  range_falls: 'a range is its least and its most',
  axles_in_order: 'each axle stands at least half a meter behind the one before, the first at 0',
  shares_whole: 'the shares of the axles must come to the whole',
  permit_ends_first: 'the permit ends before it begins',
  sample_without_figure: 'a sample needs at least one figure',
  points_rise: 'each row takes off more points than the one above',
  rate_falls: 'more points take longer: each row takes less than the one above',
  ends_before_it_begins: 'it ends before it begins',
  out_without_reason: 'say why it is out of service',
  machine_twice: 'each machine needs an id of its own',
  feeds_itself: 'no machine feeds itself',
  part_missing: 'this part is missing',
  changes_in_order: 'changes stand in the order of their days',
  sum_of_lines: 'the total is not the sum of its lines',
  factor_twice: 'each factor stands once on a sheet',
  bands_overlap: 'each band begins where the one before ends: they must go on in order',
  refused_before_docked: 'it would be refused before it is docked',
  ticket_twice: 'this ticket is paid twice on one sheet',
  paid_before: 'it would be paid before the check is written',
  side_draw_not_in_the_wall: 'a side draw is in the wall: above the floor and below the eave',
  crop_is_there_already: 'this name is taken: choose that crop instead',
  hopper_deeper_than_wide: 'a hopper is not that deep: check the digits',
};

/** What is wrong with a part of a field, for the page and for the server. */
export const ZONE_WRONG = {
  too_few_points: 'A line around it has three corners or more',
  crosses_itself: 'The line crosses itself: draw it again',
  larger_than_field: 'It is larger than its field',
} as const;

/** Made where a sentence wants it: a page that opens has none, and would wait for the platform's tables of languages. */
const counted = (value: number): string => value.toLocaleString('en-US', { maximumFractionDigits: 4 });
const upper = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** One plain sentence for what is wrong with a field of a record. The one place that words these. */
export function wordFieldRefusal(refusal: FieldRefusal): string {
  const called =
    CALLED[refusal.field] ??
    (refusal.field.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`) || 'the record');
  const unit =
    refusal.unit === 'wb fraction'
      ? ' as a wet-basis fraction (16.5 % is 0.165)'
      : refusal.unit
        ? ` ${refusal.unit}`
        : '';
  const { least, most } = refusal;
  // A list that is too short has no most.
  const range = least === undefined || most === undefined ? '' : ` from ${counted(least)} to ${counted(most)}${unit}`;
  switch (refusal.code) {
    case 'field_missing':
      return `${called} is missing`;
    case 'field_of_wrong_type':
      return range === '' ? `${called} cannot be read` : `${called} is a number${range}`;
    case 'out_of_range':
      return `${called} is${range}`;
    case 'too_short':
      return `${called}: at least ${refusal.least}`;
    case 'too_long':
      return `${called} is at most ${refusal.most} long`;
    case 'malformed':
      return `${called} is malformed`;
    case 'not_in_list':
      return `${called} is one of ${(refusal.of ?? []).join(', ')}`;
    case 'field_unknown':
      return `${refusal.path} is not a field of this`;
    case 'date_is_none':
      return `${called} is no date; write it like 2026-09-08T14:52:00Z, a day like 2026-08-11`;
    case 'rule_broken':
      return RULES[refusal.rule ?? ''] ?? 'this does not fit together';
  }
}

/** The same as a sentence by itself. */
export const sentence = (text: string): string => `${upper(text)}${/[.!?]$/.test(text) ? '' : '.'}`;
