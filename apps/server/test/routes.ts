import { DEVICE_KINDS, type DeviceKind, type Topic } from '@fanega/contract';
import { ulid } from 'ulid';
import type { Access } from '../src/platform/access.js';
import { type Client, type Harness, smallFarm } from './harness.js';

export interface Schema {
  readonly $ref?: string;
  readonly type?: string;
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly format?: string;
  readonly pattern?: string;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly minItems?: number;
  readonly maxLength?: number;
  readonly description?: string;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly additionalProperties?: Schema | boolean;
  readonly items?: Schema;
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly allOf?: readonly Schema[];
}

export interface OpenApi {
  readonly paths: Readonly<
    Record<
      string,
      Readonly<
        Record<
          string,
          {
            readonly 'x-access': Access;
            readonly 'x-jobs'?: boolean;
            readonly 'x-topics'?: readonly Topic[];
            readonly 'x-keep'?: boolean;
            readonly 'x-clock'?: boolean;
            readonly requestBody?: { readonly content: Readonly<Record<string, { readonly schema: Schema }>> };
          }
        >
      >
    >
  >;
  readonly components: { readonly schemas: Readonly<Record<string, Schema>> };
}

/** A route as the server declares it. */
export interface Route {
  readonly method: string;
  /** As it is written, with `{farmId}`. */
  readonly path: string;
  readonly access: Access;
  /** a paired phone may call it too */
  readonly jobs: boolean;
  /** What its answer changes with, where a device keeps it; the clock besides. */
  readonly kept: { readonly topics: readonly Topic[]; readonly clock: boolean } | null;
  readonly body: Schema | undefined;
}

export const routesOf = ({ paths }: OpenApi): Route[] =>
  Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, declared]) => ({
      method: method.toUpperCase(),
      path: path.replace(/^\/api/, ''),
      access: declared['x-access'],
      jobs: declared['x-jobs'] === true,
      kept: declared['x-keep'] ? { topics: declared['x-topics'] ?? [], clock: declared['x-clock'] === true } : null,
      body: declared.requestBody?.content['application/json']?.schema,
    })),
  );

/** A small farm with a device of each kind, and all that its server declares. */
export async function openHouse(harness: Harness): Promise<{
  readonly owner: Client;
  readonly farmId: string;
  readonly places: Awaited<ReturnType<typeof smallFarm>>;
  readonly document: OpenApi;
  readonly tokens: ReadonlyMap<DeviceKind, string>;
  /** What the names in paths and bodies stand for here. */
  readonly ids: Readonly<Record<string, string>>;
}> {
  const { client: owner, farmId } = await harness.owner();
  const places = await smallFarm(owner, farmId);
  const [{ lot }] = (await owner.get<[{ lot: { fieldId: string } }]>(`/farms/${farmId}/lots`)).body;
  const tokens = new Map<DeviceKind, string>();
  for (const kind of DEVICE_KINDS)
    tokens.set(
      kind,
      (await owner.post<{ token: string }>(`/farms/${farmId}/devices`, { name: kind, kind })).body.token,
    );
  const { hs, cart } = places;
  const ids = { farmId, lotId: hs, lot: hs, fieldId: lot.fieldId, placeId: cart, machineId: cart, to: cart, from: cart, place: cart, subject: cart, number: '1' }; // prettier-ignore
  return { owner, farmId, places, document: (await owner.get<OpenApi>('/docs-json')).body, tokens, ids };
}

/** A stream never ends, and a picture is no JSON. */
export const isPlain = ({ path }: Route): boolean => !/\/(feed|live)$|\/photos\//.test(path);

/** Fills the names of a path. */
export const pathWith = (path: string, ids: Readonly<Record<string, string>>): string =>
  path.replace(/\{(\w+)\}/g, (_, name: string) => ids[name] ?? ulid());

export type Random = () => number;
/** Numbers that look as if by chance and are the same with every run (mulberry32). */
export function randomOf(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** A body as a schema describes it; ids are those of the farm where the field's name says of what. */
export function bodyOf(
  schema: Schema,
  schemas: Readonly<Record<string, Schema>>,
  ids: Readonly<Record<string, string>>,
  random: Random,
  name = '',
): unknown {
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const inner = (of: Schema, field: string): unknown => bodyOf(of, schemas, ids, random, field);
  if (schema.$ref) return inner(schemas[schema.$ref.split('/').at(-1)!] ?? {}, name);
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return one(schema.enum);
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices) return inner(one(choices), name);
  if (schema.allOf) return Object.assign({}, ...schema.allOf.map((part) => inner(part, name)));
  switch (schema.type) {
    case 'boolean':
      return random() < 0.5;
    case 'null':
      return null;
    case 'integer':
    case 'number': {
      const [least, most] = [schema.minimum ?? 0, Math.min(schema.maximum ?? 1000, 1e6)];
      const value = least + random() * (most - least);
      return schema.type === 'integer' ? Math.round(value) : value;
    }
    case 'array':
      return Array.from({ length: Math.max(schema.minItems ?? 1, 1) }, () => inner(schema.items ?? {}, name));
    case 'object':
    case undefined: {
      const known = Object.entries(schema.properties ?? {}).filter(
        ([field]) => schema.required?.includes(field) || random() < 0.5,
      );
      return Object.fromEntries(known.map(([field, of]) => [field, inner(of, field)]));
    }
    default:
      if (name === 'id' || /ULID|0-7/.test(schema.pattern ?? '')) return ulid();
      if (ids[name] !== undefined) return ids[name];
      if (schema.format === 'date-time' || name === 'at') return '2026-09-08T14:52:00Z';
      if (schema.format === 'date') return '2026-09-08';
      return `a ${name}`.slice(0, Math.max(1, schema.maxLength ?? 20));
  }
}

const JUNK: readonly unknown[] = [
  null, [], {}, '', ' ', 0, -1, 1e308, 1.5, true, 'NaN', '__proto__', 'constructor', '\u0000', '\ud800', '💥'.repeat(50),
  'x'.repeat(5000), [[]], [null], { __proto__: null }, { length: -1 }, '2206-01-01T00:00:00Z', '2026-02-30T00:00:00Z', -0,
  Number.MAX_SAFE_INTEGER, '../../etc', "' OR 1=1 --", { toString: 1 }, { constructor: { prototype: 1 } },
]; // prettier-ignore

/** The same body with something wrong in it: junk in a field's place, a field gone, one too many, a list of it, itself within itself. */
export function mutated(body: unknown, random: Random): unknown {
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const places: { readonly holder: Record<string, unknown>; readonly key: string }[] = [];
  const copy = structuredClone(body);
  const walk = (value: unknown): void => {
    if (typeof value !== 'object' || value === null) return;
    for (const key of Object.keys(value)) {
      places.push({ holder: value as Record<string, unknown>, key });
      walk((value as Record<string, unknown>)[key]);
    }
  };
  walk(copy);
  if (places.length === 0 || random() < 0.05) return one([...JUNK, [copy], { body: copy }]);
  for (let times = 1 + Math.floor(random() * 3); times > 0; times--) {
    const { holder, key } = one(places);
    const kind = random();
    if (kind < 0.5) holder[key] = one(JUNK);
    else if (kind < 0.65) delete holder[key];
    else if (kind < 0.75) holder[one(['__proto__', 'extra', 'constructor', 'id', 'voids'])] = one(JUNK);
    else if (kind < 0.85) holder[key] = [holder[key]];
    else if (kind < 0.95) holder[key] = { [key]: holder[key] };
    else holder[key] = Array.from({ length: 50 }, () => holder[key]);
  }
  return copy;
}
