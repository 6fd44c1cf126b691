import { Holds } from '@fanega/contract';
import { getMetadataStorage } from 'class-validator';

type Class = new () => object;
type Fields = Record<string, unknown>;

/** Says yes to a value that is right beyond doubt, and makes an instance of its class from it; null is "look closer". */
type Plainly = (value: unknown) => object | null;

/** A field's rules: whether they are asked at all, then each in turn. */
interface FieldRules {
  readonly name: string;
  readonly when: readonly ((object: object, value: unknown) => boolean)[];
  readonly each: readonly ((value: unknown, object: object) => unknown)[];
  readonly nested: Plainly | null;
}

const known = new Map<Class, Plainly | null>();

/**
 * The rules that a contract's class declares by class-validator's decorators, put together once as one function. It knows right from
 * "maybe wrong" only: what is wrong, and in which words, class-validator says itself. A class that has rules of a kind that is not known here
 * has no such function (null), and goes the long way always. Nine in ten of the farm's bodies are right, and the long way looks all
 * rules up anew for each of them.
 */
export function plainlyRight(of: Class): Plainly | null {
  let plainly = known.get(of);
  if (plainly === undefined) {
    // A class may hold itself: until it is done it goes the long way.
    known.set(of, null);
    plainly = compile(of);
    known.set(of, plainly);
  }
  return plainly;
}

function compile(of: Class): Plainly | null {
  const storage = getMetadataStorage();
  const rules = storage.getTargetValidationMetadatas(of, '', false, false);
  // A class that fills in something by itself is none of these.
  if (rules.length === 0 || Object.values(new of()).some((value) => value !== undefined)) return null;
  const fields: FieldRules[] = [];
  for (const [name, list] of Object.entries(storage.groupByPropertyName(rules))) {
    const field: { -readonly [K in keyof FieldRules]: FieldRules[K] } = { name, when: [], each: [], nested: null };
    for (const rule of list) {
      if (rule.groups?.length || rule.context !== undefined || rule.validateIf) return null;
      if (rule.type === 'conditionalValidation')
        field.when = [...field.when, rule.constraints[0] as FieldRules['when'][number]];
      else if (rule.type === 'customValidation') {
        for (const { instance, async } of storage.getTargetValidatorConstraints(rule.constraintCls)) {
          if (async) return null;
          // One for all: a rule looks at it while it is asked, and not afterwards.
          const about = { targetName: of.name, property: name, object: {}, value: null as unknown, constraints: rule.constraints }; // prettier-ignore
          const ask = (value: unknown, object: object): unknown => {
            about.object = object;
            about.value = value;
            return instance.validate(value, about);
          };
          field.each = [
            ...field.each,
            rule.each
              ? (list, object) => (Array.isArray(list) ? list.every((one) => ask(one, object) === true) : ask(list, object)) // prettier-ignore
              : ask,
          ];
        }
      } else if (rule.type === 'nestedValidation') {
        const holds = list.map(({ constraints }) => constraints?.[0] as unknown).find((one) => one instanceof Holds);
        field.nested = holds === undefined ? null : plainlyRight(holds.of());
        if (field.nested === null) return null;
      } else if (rule.type !== 'whitelistValidation') return null;
    }
    fields.push(field);
  }
  const byName = new Set(fields.map(({ name }) => name));
  return (value) => {
    if (typeof value !== 'object' || value === null || Object.getPrototypeOf(value) !== Object.prototype) return null;
    for (const name of Object.keys(value)) if (!byName.has(name)) return null;
    const made = Object.assign(Object.create(of.prototype as object) as object, value) as Fields;
    for (const { name, when, each, nested } of fields) {
      const own = made[name];
      if (!when.every((is) => is(made, own))) {
        if (touchesPrototype(own)) return null;
        continue;
      }
      for (const holds of each) if (holds(own, made) !== true) return null;
      if (own === undefined) continue;
      if (nested === null) {
        if (touchesPrototype(own)) return null;
        continue;
      }
      const inside = Array.isArray(own) ? listOf(own, nested) : nested(own);
      if (inside === null) return null;
      made[name] = inside;
    }
    return made;
  };
}

function listOf(list: readonly unknown[], nested: Plainly): object[] | null {
  const made: object[] = [];
  for (const one of list) {
    const inside = nested(one);
    if (inside === null) return null;
    made.push(inside);
  }
  return made;
}

/** Names that nothing of a body may have: on the long way they are taken out. */
const PROTOTYPES = new Set(['constructor', 'prototype', '__proto__']);

/** Looked for in what no class describes. Bodies are of bounded depth: `body.ts`. */
function touchesPrototype(value: unknown): boolean {
  if (typeof value !== 'object' || value === null) return false;
  if (Array.isArray(value)) return value.some(touchesPrototype);
  return Object.entries(value).some(([name, inner]) => PROTOTYPES.has(name) || touchesPrototype(inner));
}
