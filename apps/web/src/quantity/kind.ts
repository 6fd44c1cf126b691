import { number, plain, readNumber, signed } from './number';
import { system } from './system';

/** A figure and its unit: apart where a page sets the unit smaller, together as a text. */
export class Said {
  constructor(
    readonly figure: string,
    readonly unit: string,
  ) {}

  get text(): string {
    return this.unit === '' ? this.figure : `${this.figure} ${this.unit}`;
  }

  toString(): string {
    return this.text;
  }
}

export interface Read {
  /** As it is recorded; undefined where nothing was typed, or something wrong. */
  readonly value?: number;
  readonly error?: string;
}

export interface Limits {
  /** Both as recorded. */
  readonly least?: number;
  readonly most?: number;
  /** kg of a bushel, where the quantity is bushels of a crop. */
  readonly per?: number;
  /** An empty box is an error. */
  readonly wanted?: boolean;
  /** What the box was opened with: left as it is, it is recorded as it was, whatever the digits shown. */
  readonly was?: number | null | undefined;
}

export interface Unit {
  readonly name: string;
  /** What is recorded for one of it; of a crop's bushels by the kg of one. */
  readonly of: number | ((kgPerBu: number) => number);
  /** Where its zero lies, in itself: 32 for °F of °C. */
  readonly zero?: number;
  /** Digits behind the point, by the size of the figure where it varies. */
  readonly decimals: number | ((figure: number) => number);
  /** Digits of a box that is typed in; as shown and one more where this is left out. */
  readonly typed?: number;
}

export interface Kind {
  /** What is shown of a recorded value. */
  (value: number, per?: number): Said;
  /** Name of the reader's unit. */
  readonly unit: string;
  /** The figure alone, as it is shown. */
  readonly figure: (value: number, per?: number) => string;
  /** "+312 bu", "−312 bu" */
  readonly signed: (value: number, per?: number) => Said;
  /** The recorded value in the reader's unit, not rounded: for a chart. */
  readonly shown: (value: number, per?: number) => number;
  /** A figure of the reader's unit as it is recorded. */
  readonly kept: (shown: number, per?: number) => number;
  /** For a box that is typed in; empty where there is nothing. */
  readonly text: (value: number | null | undefined, per?: number) => string;
  /** What was typed, in the reader's unit or in one that was named: "4 t", "18k", "160 ac". */
  readonly read: (text: string, limits?: Limits) => Read;
}

export interface KindOf {
  readonly us: Unit;
  readonly metric: Unit;
  /** Other names under which a unit may be typed, in lower case, with what is recorded for one of it. */
  readonly also?: Readonly<Record<string, Unit['of']>>;
}

const NO_CROP = 'bug: bushels of no crop';

export function kind(definition: KindOf): Kind {
  const unitOf = (): Unit => definition[system()];
  const size = (of: Unit['of'], per: number | undefined): number => {
    if (typeof of === 'number') return of;
    if (per === undefined) throw new Error(NO_CROP);
    return of(per);
  };
  const shownIn = (unit: Unit, value: number, per?: number): number => value / size(unit.of, per) + (unit.zero ?? 0);
  const keptIn = (unit: Unit, shown: number, per?: number): number => (shown - (unit.zero ?? 0)) * size(unit.of, per);
  const digits = (unit: Unit, figure: number): number =>
    typeof unit.decimals === 'number' ? unit.decimals : unit.decimals(Math.abs(figure));
  const figure = (value: number, per?: number): string => {
    const unit = unitOf();
    const shown = shownIn(unit, value, per);
    return number(shown, digits(unit, shown));
  };
  const say = (value: number, per?: number): Said => new Said(figure(value, per), unitOf().name);
  const text = (value: number | null | undefined, per?: number): string => {
    if (value === null || value === undefined || !Number.isFinite(value)) return '';
    const unit = unitOf();
    const shown = shownIn(unit, value, per);
    return plain(shown, unit.typed ?? digits(unit, shown) + 1);
  };
  const named = (rest: string): Unit | Unit['of'] | undefined => {
    const name = rest.toLowerCase().replace(/\s+/g, '').replace(/^°/, '');
    for (const which of ['us', 'metric'] as const) {
      const unit = definition[which];
      if (unit.name.toLowerCase().replace(/^°/, '') === name) return unit;
    }
    return definition.also?.[name];
  };
  const read = (typed: string, { least, most, per, wanted = false, was }: Limits = {}): Read => {
    if (typed.trim() === '') return wanted ? { error: `How many ${unitOf().name}?` } : {};
    if (was !== undefined && was !== null && typed === text(was, per)) return { value: was };
    const got = readNumber(typed.replace(/^\s*\$/, ''));
    if (got.error !== undefined || got.value === undefined) return { error: got.error! };
    let value = keptIn(unitOf(), got.value, per);
    if (got.rest !== '') {
      const unit = named(got.rest);
      if (unit === undefined) return { error: `“${got.rest}” is not a unit for this; type it in ${unitOf().name}` };
      value = typeof unit === 'object' ? keptIn(unit, got.value, per) : got.value * size(unit, per);
    }
    // As many digits as a person can mean: 16.1 % is 0.161, not 0.16100000000000003.
    value = Number(value.toPrecision(12));
    const slack = 1e-9 * Math.max(1, Math.abs(value));
    if ((least !== undefined && value < least - slack) || (most !== undefined && value > most + slack)) {
      const said = (limit: number): string => withUnit(limitText(limit, per));
      if (least === undefined) return { error: `At most ${said(most!)}` };
      if (most === undefined) return { error: `At least ${said(least)}` };
      const [from, to] = unitOf().name === '$' ? [said(least), said(most)] : [limitText(least, per), said(most)];
      return { error: `From ${from} to ${to}` };
    }
    return { value };
  };
  /** A dollar sign stands before its figure. */
  const withUnit = (figure: string): string => {
    const { name } = unitOf();
    return name === '$' ? `$${figure}` : `${figure} ${name}`.trim();
  };
  const limitText = (limit: number, per?: number): string => {
    const shown = shownIn(unitOf(), limit, per);
    return number(shown, Number.isInteger(Number(shown.toFixed(6))) ? 0 : Math.abs(shown) >= 100 ? 0 : 2);
  };
  return Object.defineProperty(
    Object.assign(say, {
      figure,
      signed: (value: number, per?: number): Said => {
        const unit = unitOf();
        const shown = shownIn(unit, value, per);
        return new Said(signed(shown, digits(unit, shown)), unit.name);
      },
      shown: (value: number, per?: number): number => shownIn(unitOf(), value, per),
      kept: (shown: number, per?: number): number => keptIn(unitOf(), shown, per),
      text,
      read,
    }),
    'unit',
    { get: () => unitOf().name },
  ) as Kind;
}
