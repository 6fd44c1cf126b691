import { type Entry, likelyMethod as likelyMethodOf, type Method } from '@fanega/core';
import { type Farm } from '../../data/farm';
import { type Draft, type DraftErrors, type DraftField, emptyDraft } from './draft-start';

export * from './draft-start';
import {
  aBushel,
  moisture as moistureOf,
  price as priceOf,
  readMoisture,
  readWeight,
  scaleUnit,
  weightText,
} from '../../quantity/quantity';
import { DAY_MS, momentTyped, since } from '../../quantity/time';
import { readMoment } from '../../quantity/time-typed';

/** A clock that is a little ahead is no slip. */
const SOON_MS = 10 * 60_000;
/** Loads of the season before are entered now and then; one of the year before is more often a slip of the year. */
const LONG_AGO_MS = 120 * DAY_MS;
export const isLongAgo = (at: number, now: number): boolean => at < now - LONG_AGO_MS;

/** As a scale shows it. */
const weighed = (kg: number | undefined): string => weightText(kg, scaleUnit());

/** A draft filled in from an entry that is to be corrected. */
export function draftOf(entry: Entry, newId: () => string, farm: Farm): Draft {
  const { timeZone } = farm.data.farm;
  const ms = Date.parse(entry.at);
  const common = {
    replaces: entry.id,
    was: JSON.stringify(entry),
    time: momentTyped(ms, timeZone),
    note: entry.note ?? '',
    method: (entry.method ?? '') as Method | '',
  };
  switch (entry.type) {
    case 'harvest':
      return emptyDraft(newId, {
        ...common,
        kind: 'harvest',
        lot: entry.lot,
        zone: entry.zone ?? '',
        to: entry.to,
        weight: weighed(entry.wetKg),
        moisture: moistureOf.text(entry.moisture),
      });
    case 'move':
      return emptyDraft(newId, {
        ...common,
        kind: 'move',
        from: entry.from,
        to: entry.to,
        amount:
          entry.wetKg === undefined
            ? 'all'
            : entry.grossKg !== undefined && entry.tareKg !== undefined
              ? 'gross'
              : 'net',
        weight: weighed(entry.wetKg),
        gross: weighed(entry.grossKg),
        tare: weighed(entry.tareKg),
        emptied: entry.emptied ?? false,
        sideDraw: entry.sideDraw ?? false,
        moisture: moistureOf.text(entry.moisture),
        ticket: entry.ticket ?? '',
        price: priceOf.text(entry.pricePerBu, farm.kgPerBu(farm.cropOf(farm.held(entry.from).lots))),
      });
    case 'condition':
      return emptyDraft(newId, {
        ...common,
        kind: 'condition',
        place: entry.place,
        moisture: moistureOf.text(entry.moisture),
      });
    case 'measure':
      return emptyDraft(newId, {
        ...common,
        kind: 'measure',
        place: entry.place,
        weight: weighed(entry.wetKg),
        moisture: moistureOf.text(entry.moisture),
      });
    case 'loss':
      return emptyDraft(newId, {
        ...common,
        kind: 'loss',
        place: entry.place,
        weight: weighed(entry.wetKg),
        reason: entry.reason,
      });
    case 'witness':
    case 'void':
      throw new Error('bug: only entries that move grain are made again');
  }
}

/** The crop that weights in bushels are counted in. */
export function draftCrop(draft: Draft, farm: Farm): string | undefined {
  if (draft.kind === 'harvest') return farm.lot(draft.lot)?.crop;
  return farm.cropOf(farm.held(draft.kind === 'move' ? draft.from : draft.place).lots);
}

/** How a weight was most likely got, when nobody says. */
export function likelyMethod(draft: Draft, farm: Farm): Method {
  return likelyMethodOf(
    { type: draft.kind, to: draft.to, grossKg: draft.amount === 'gross' ? 0 : undefined },
    (place) => farm.place(place)?.kind,
  );
}

/** The entry that a draft means, or what is wrong with it, field by field. */
export function readDraft(draft: Draft, farm: Farm, now: number): { entry?: Entry; errors: DraftErrors } {
  const errors: DraftErrors = {};
  const timeZone = farm.data.farm.timeZone;
  const kgPerBu = farm.kgPerBu(draftCrop(draft, farm));
  const need = (field: 'lot' | 'from' | 'to' | 'place', words: string): string => {
    if (draft[field] === '') errors[field] = words;
    return draft[field];
  };
  const weight = (field: 'weight' | 'gross' | 'tare', words: string): number => {
    const { kg, error } = readWeight(draft[field], field === 'weight' ? draft.unit : scaleUnit(), kgPerBu);
    if (error) errors[field] = error;
    else if (kg === undefined) errors[field] = words;
    return kg ?? 0;
  };
  const moisture = (needed: boolean): { moisture?: number } => {
    const { value, error } = readMoisture(draft.moisture);
    if (error) errors.moisture = error;
    else if (value === undefined && needed) errors.moisture = 'The moisture is missing';
    return value === undefined ? {} : { moisture: value };
  };
  const when = draft.time.trim() === '' ? { value: now } : readMoment(draft.time, timeZone, farm.clock());
  const at = when.value ?? NaN;
  if (when.error !== undefined) errors.time = when.error;
  else if (at > now + SOON_MS) errors.time = 'This is still to come';
  else if (isLongAgo(at, farm.clock()) && !draft.longAgo)
    errors.time = `That was ${since(at, farm.clock())}. Check the year, or say below that it is right`;
  const base = {
    id: draft.id,
    at: Number.isFinite(at) ? new Date(at).toISOString() : '',
    ...(draft.note.trim() === '' ? {} : { note: draft.note.trim() }),
    ...(draft.by === '' ? {} : { by: draft.by }),
  };
  const method = { method: draft.method === '' ? likelyMethod(draft, farm) : draft.method };
  let entry: Entry;
  switch (draft.kind) {
    case 'harvest':
      entry = {
        type: 'harvest',
        ...base,
        ...method,
        lot: need('lot', 'Which field?'),
        ...(draft.zone === '' ? {} : { zone: draft.zone }),
        to: need('to', 'Where to?'),
        wetKg: weight('weight', 'How much?'),
        moisture: moisture(true).moisture ?? 0,
      };
      break;
    case 'move': {
      const toBuyer = farm.place(draft.to)?.kind === 'buyer';
      const { value: price, error } = priceOf.read(draft.price, { least: 0, most: 1000, per: kgPerBu });
      if (error) errors.price = `A price is dollars ${aBushel()}, like ${priceOf.text(4.62, kgPerBu)}. ${error}`;
      const mass: { wetKg?: number; grossKg?: number; tareKg?: number } = {};
      if (draft.amount === 'net') mass.wetKg = weight('weight', 'How much?');
      if (draft.amount === 'gross') {
        mass.grossKg = weight('gross', 'Gross is missing');
        mass.tareKg = weight('tare', 'Tare is missing');
        mass.wetKg = mass.grossKg - mass.tareKg;
        if (!errors.gross && !errors.tare && mass.wetKg <= 0) errors.tare = 'Tare is not less than gross';
      }
      entry = {
        type: 'move',
        ...base,
        ...(draft.amount === 'all' ? {} : method),
        from: need('from', 'Where from?'),
        to: need('to', 'Where to?'),
        ...mass,
        ...(draft.amount !== 'all' && draft.emptied ? { emptied: true } : {}),
        ...(draft.sideDraw ? { sideDraw: true } : {}),
        ...moisture(false),
        ...(toBuyer && draft.ticket.trim() !== '' ? { ticket: draft.ticket.trim() } : {}),
        ...(toBuyer && price !== undefined ? { pricePerBu: price } : {}),
      };
      // What is in it now says nothing of what was in it then.
      if (draft.time === '' && draft.from !== '' && draft.amount === 'all' && farm.held(draft.from).wetKg === 0)
        errors.from = `The book has nothing in ${farm.placeName(draft.from)}; give a weight if there was grain`;
      break;
    }
    case 'condition':
      entry = {
        type: 'condition',
        ...base,
        place: need('place', 'Which dryer or bin?'),
        moisture: moisture(true).moisture ?? 0,
      };
      break;
    case 'measure':
      entry = {
        type: 'measure',
        ...base,
        ...method,
        place: need('place', 'Which place?'),
        wetKg: weight('weight', 'How much is there? 0 for an empty floor'),
        ...moisture(false),
      };
      break;
    case 'loss':
      entry = {
        type: 'loss',
        ...base,
        ...method,
        place: need('place', 'Where?'),
        wetKg: weight('weight', 'How much, about?'),
        reason: draft.reason,
      };
      break;
  }
  return Object.keys(errors).length > 0 ? { errors } : { entry: asItWas(entry, draft, farm), errors };
}

/** A form shows minutes, whole pounds and tenths of a percent: what was not changed in it is as exact as it was. */
function asItWas(entry: Entry, draft: Draft, farm: Farm): Entry {
  if (draft.was === '') return entry;
  const was = JSON.parse(draft.was) as Entry;
  const shown = draftOf(was, () => '', farm);
  const same = (...fields: readonly DraftField[]): boolean => fields.every((field) => draft[field] === shown[field]);
  const kept: Record<string, unknown> = same('time') ? { at: was.at } : {};
  const old = was as unknown as Readonly<Record<string, unknown>>;
  const take = (...names: readonly string[]): void => {
    for (const name of names) if (old[name] !== undefined) kept[name] = old[name];
  };
  if (entry.type === was.type) {
    if (draft.amount !== 'gross' && same('amount', 'unit', 'weight')) take('wetKg');
    if (draft.amount === 'gross' && same('amount', 'unit', 'gross', 'tare')) take('wetKg', 'grossKg', 'tareKg');
    if (same('moisture')) take('moisture');
    if (same('price')) take('pricePerBu');
    // Not in the form: what was lost in drying belongs to the run, not to how it is typed.
    if (same('place')) take('dryLoss');
  }
  return { ...entry, ...kept } as Entry;
}

/** Fields of the entry as the server names them, to where they are typed. */
export function fieldOf(serverField: string | undefined, draft: Draft): DraftField | undefined {
  switch (serverField) {
    case 'wetKg':
      return draft.amount === 'gross' ? 'tare' : 'weight';
    case 'grossKg':
      return 'gross';
    case 'tareKg':
      return 'tare';
    case 'at':
      return 'time';
    case 'pricePerBu':
      return 'price';
    case 'lot':
    case 'from':
    case 'to':
    case 'place':
    case 'moisture':
    case 'reason':
    case 'ticket':
    case 'note':
    case 'method':
      return serverField;
    default:
      return undefined;
  }
}
