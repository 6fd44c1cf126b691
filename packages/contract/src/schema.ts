import {
  type Field,
  type Fields,
  type FieldSpec,
  LOG_KINDS,
  type LogKind,
  OWN_CROP_ID,
  RECORD_STATIONS,
  SETTING_KINDS,
} from '@fanega/core';

type Schema = Record<string, unknown>;

/** The id of a crop of the farm's own. */
const OWN_CROP: Schema = { type: 'string', pattern: OWN_CROP_ID.source };

function specSchema(spec: FieldSpec): Schema {
  switch (spec.kind) {
    case 'text':
      return {
        type: 'string',
        ...(spec.least > 0 ? { minLength: 1 } : {}),
        maxLength: spec.most,
        ...(spec.to ? { description: `of ${spec.to}` } : {}),
      };
    case 'number':
      return {
        type: spec.whole ? 'integer' : 'number',
        minimum: spec.least,
        maximum: spec.most,
        ...(spec.unit ? { description: spec.unit } : {}),
      };
    case 'flag':
      return { type: 'boolean' };
    case 'instant':
      return { type: 'string', format: 'date-time' };
    case 'day':
      return { type: 'string', format: 'date' };
    case 'choice':
      return spec.also
        ? { anyOf: [{ type: 'string', enum: [...spec.of] }, OWN_CROP] }
        : { type: 'string', enum: [...spec.of] };
    case 'record':
      return fieldsSchema(spec.fields);
    case 'list':
      return { type: 'array', items: specSchema(spec.of), minItems: spec.least, maxItems: spec.most };
    case 'map':
      return spec.keys === null
        ? { type: 'object', additionalProperties: specSchema(spec.of) }
        : {
            type: 'object',
            properties: Object.fromEntries(spec.keys.map((key) => [key, specSchema(spec.of)])),
            additionalProperties: spec.also ? specSchema(spec.of) : false,
          };
  }
}

const fieldSchema = ({ spec, nullable }: Field<unknown>): Schema =>
  nullable ? { anyOf: [specSchema(spec), { type: 'null' }] } : specSchema(spec);

/** JSON Schema of a record, out of its fields: types, limits, what may be left out. */
export function fieldsSchema(fields: Fields): Schema {
  return {
    type: 'object',
    properties: Object.fromEntries(Object.entries(fields).map(([name, one]) => [name, fieldSchema(one)])),
    required: Object.entries(fields).flatMap(([name, one]) => (one.optional ? [] : [name])),
    additionalProperties: false,
  };
}

const upper = (name: string): string => name.charAt(0).toUpperCase() + name.slice(1);
const object = (properties: Record<string, Schema>): Schema => ({
  type: 'object',
  properties,
  required: Object.keys(properties),
});
const ref = (name: string): Schema => ({ $ref: `#/components/schemas/${name}` });

/** Schemas of all records by name, of their lists, and of what each station answers. */
export function recordSchemas(): Record<string, Schema> {
  const schemas: Record<string, Schema> = {};
  const kinds: readonly (readonly [string, LogKind, boolean])[] = [
    ...Object.entries(LOG_KINDS).map(([name, kind]) => [name, kind as unknown as LogKind, true] as const),
    ...Object.entries(SETTING_KINDS).map(([name, kind]) => [name, kind as unknown as LogKind, false] as const),
  ];
  for (const [name, kind, isLog] of kinds) {
    schemas[`${upper(name)}Record`] = fieldsSchema(kind.fields);
    schemas[`${upper(name)}Kept`] = isLog
      ? object({ body: ref(`${upper(name)}Record`), by: { type: 'string' }, voided: { type: 'boolean' } })
      : object({ revision: { type: 'integer' }, value: ref(`${upper(name)}Record`) });
  }
  const text = { type: 'string' };
  const orNull = { anyOf: [text, { type: 'null' }] };
  schemas.BrokenRecord = object({
    ...{ kind: text, isLog: { type: 'boolean' }, id: text, at: orNull, by: orNull, message: text },
  });
  for (const station of RECORD_STATIONS) {
    const of = (isLog: boolean): (readonly [string, LogKind, boolean])[] =>
      kinds.filter(([, kind, log]) => kind.station === station && log === isLog);
    schemas[`${upper(station)}Records`] = object({
      of: { type: 'array', items: { type: 'integer' } },
      seasons: { type: 'array', items: { type: 'integer' } },
      page: { type: 'integer' },
      pages: { type: 'integer' },
      broken: { type: 'array', items: ref('BrokenRecord') },
      logs: object(
        Object.fromEntries(of(true).map(([name]) => [name, { type: 'array', items: ref(`${upper(name)}Kept`) }])),
      ),
      settings: object(
        Object.fromEntries(
          of(false).map(([name]) => [name, { type: 'object', additionalProperties: ref(`${upper(name)}Kept`) }]),
        ),
      ),
    });
  }
  return schemas;
}
