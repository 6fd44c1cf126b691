import { CROP_IDS, OWN_CROP_ID } from '../crops/index.js';
import { MAX_MOISTURE } from '../units/index.js';
import { METHODS, WITHDRAWALS } from './model.js';

const text = { type: 'string', minLength: 1 } as const;
const kg = { type: 'number', minimum: 0, description: 'wet kg' } as const;
const moisture = { type: 'number', minimum: 0, maximum: MAX_MOISTURE, description: 'wet-basis fraction' } as const;
const when = {
  type: 'string',
  pattern: '^\\d{4}-\\d{2}-\\d{2}[Tt ]\\d{2}:\\d{2}(:\\d{2}(\\.\\d+)?)?([Zz]|[+-]\\d{2}:?\\d{2})$',
} as const;

const common = {
  id: { ...text, description: 'ULID made by the device that wrote the entry' },
  at: { ...when, description: 'when it happened, with its zone' },
  recordedAt: when,
  by: { type: 'string' },
  device: { type: 'string' },
  method: { type: 'string', examples: [...METHODS] },
  note: { type: 'string' },
} as const;

function entry(
  type: string,
  description: string,
  properties: Record<string, object>,
  required: readonly string[],
): object {
  return {
    type: 'object',
    description,
    properties: { type: { const: type }, ...common, ...properties },
    required: ['type', 'id', 'at', ...required],
  };
}

function change(what: string, properties: Record<string, object>): object {
  return {
    type: 'object',
    properties: { what: { const: what }, ...properties },
    required: ['what', ...Object.keys(properties)],
  };
}

/** JSON Schema (2020-12) of the book file; `docs/fanega-book.schema.json` is written from it. */
export const bookSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'fanega-book',
  description:
    "A farm's grain book: lots, places and the entries that people and devices made. Properties that are not named here are kept.",
  type: 'object',
  properties: {
    format: { const: 'fanega-book' },
    version: { enum: [1, 2], description: '2 has revisions' },
    defaults: {
      type: 'object',
      properties: {
        moisture,
        trust: { type: 'array', items: text, description: 'methods, most trusted first' },
        bases: { type: 'object', additionalProperties: moisture, description: 'own base moistures by crop' },
        crops: {
          type: 'array',
          description: "crops of the farm's own; lots name them by their id",
          items: {
            type: 'object',
            properties: {
              id: { type: 'string', pattern: OWN_CROP_ID.source },
              name: text,
              short: text,
              like: { enum: [...CROP_IDS], description: 'whose drying, keeping and airflow it has' },
              legalPounds: { type: 'number', description: 'lb in a bushel' },
              baseMoisture: moisture,
              testWeight: { type: 'number', description: 'lb in a level bushel of space' },
            },
            required: ['id', 'name', 'short', 'like', 'legalPounds', 'baseMoisture', 'testWeight'],
          },
        },
      },
    },
    lots: { type: 'array', items: { type: 'object', properties: { id: text }, required: ['id'] } },
    places: {
      type: 'array',
      items: {
        type: 'object',
        properties: {
          id: text,
          kind: { type: 'string', description: '"buyer" where grain leaves the farm' },
          withdrawal: { enum: [...WITHDRAWALS] },
        },
        required: ['id'],
      },
    },
    chain: {
      type: 'array',
      description:
        'a link for each entry and revision in the order of their arrival: SHA-256, in hexadecimal, of the link before it (64 zeros before the first), a line feed and the record as JSON with sorted keys (RFC 8785)',
      items: { type: 'string', pattern: '^[0-9a-f]{64}$' },
    },
    revisions: {
      type: 'array',
      description:
        'what the book is read with, changed: in the order of their making, each after so many entries of this file',
      items: {
        type: 'object',
        properties: {
          id: text,
          at: when,
          by: { type: 'string' },
          reason: text,
          after: { type: 'integer', minimum: 0, description: 'entries that had arrived before it' },
          change: {
            oneOf: [
              change('shares', {
                lot: text,
                shares: {
                  type: 'array',
                  minItems: 1,
                  items: {
                    type: 'object',
                    properties: { owner: text, part: { type: 'number', exclusiveMinimum: 0, maximum: 1 } },
                    required: ['owner', 'part'],
                  },
                },
              }),
              change('trust', { trust: { type: 'array', items: text, minItems: 1 } }),
              change('defaultMoisture', { moisture }),
              change('baseMoisture', { crop: text, moisture }),
              change('withdrawal', { place: text, withdrawal: { enum: [...WITHDRAWALS] } }),
            ],
          },
        },
        required: ['id', 'at', 'reason', 'after', 'change'],
      },
    },
    entries: {
      type: 'array',
      items: {
        oneOf: [
          entry(
            'harvest',
            'grain off the field into a place; zone names a part of the field',
            { lot: text, zone: text, to: text, wetKg: kg, moisture },
            ['lot', 'to', 'wetKg', 'moisture'],
          ),
          entry(
            'move',
            'grain from place to place; into a buyer it is a delivery; wetKg left out means all of it',
            {
              from: text,
              to: text,
              wetKg: kg,
              emptied: { type: 'boolean' },
              sideDraw: { type: 'boolean' },
              moisture,
              ticket: { type: 'string' },
              grossKg: kg,
              tareKg: kg,
              pricePerBu: { type: 'number', minimum: 0 },
            },
            ['from', 'to'],
          ),
          entry(
            'condition',
            'the whole content of a place is dried or rewetted to a moisture',
            { place: text, moisture, dryLoss: { type: 'number', minimum: 0, exclusiveMaximum: 1 } },
            ['place', 'moisture'],
          ),
          entry('loss', 'spill, spoilage, fines removed, cleanout', { place: text, wetKg: kg, reason: text }, [
            'place',
            'wetKg',
            'reason',
          ]),
          entry(
            'measure',
            'what a level, a scale or an empty floor shows is really there',
            { place: text, wetKg: kg, moisture },
            ['place', 'wetKg'],
          ),
          entry(
            'witness',
            'another measurement of the same grain; a ticket that came late brings its number and price',
            {
              of: text,
              wetKg: kg,
              moisture,
              ticket: { type: 'string' },
              grossKg: kg,
              tareKg: kg,
              pricePerBu: { type: 'number', minimum: 0 },
            },
            ['of'],
          ),
          entry('void', 'the named entry never happened', { voids: text }, ['voids']),
        ],
      },
    },
  },
  required: ['format', 'version', 'lots', 'places', 'entries'],
} as const;
