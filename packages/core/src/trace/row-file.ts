import { decimalComma, figureIn, momentIn, plainName } from '../kernel/index.js';
import type { PlaceInfo } from '../ledger/index.js';
import type { PAPER_FACTORS } from '../records/index.js';

/** Files of rows beside fields and loads: tickets of buyers, levels of bins, hours of weather, temperatures of cables. */
export const ROW_FILES = ['tickets', 'levels', 'weather', 'cables'] as const;
export type RowFile = (typeof ROW_FILES)[number];

/** What a column holds, and within which limits; figures are in the file's own unit until `per` makes them the book's. */
export interface RowColumn {
  readonly must: boolean;
  readonly is: 'time' | 'text' | 'place' | 'buyer' | 'figure' | 'percent' | 'density' | 'share' | 'mass' | 'celsius' | 'speed'; // prettier-ignore
  readonly least?: number;
  readonly most?: number;
  readonly heads: readonly RegExp[];
  /** Of a ticket's paper: the factor of grade that the column has. */
  readonly factor?: (typeof PAPER_FACTORS)[number];
}

const PERCENT = { must: false, is: 'percent', least: 0, most: 100 } as const;

const TIME: RowColumn = {
  must: true,
  is: 'time',
  heads: [/^(date ?time|time ?stamp|date and time|time)$/, /^(date|day|when|hour)$/, /date|time/],
};
const MOISTURE: RowColumn = { must: false, is: 'share', least: 0.02, most: 0.6, heads: [/^(moisture|moist|mc|h2o)/, /moist/] }; // prettier-ignore
const WEIGHT = { is: 'mass', least: 0, most: 100_000 } as const;

/** kg/hl of one lb/bu: 0.45359237 kg in 35.23907 L, both by definition. */
const KG_PER_HL_OF_POUND = 45.359237 / 35.23907016688;

/** What such files call their columns; common practice, no source. */
export const ROW_COLUMNS = {
  tickets: {
    ticket: { must: true, is: 'text', heads: [/^(ticket|scale ticket|ticket ?(no|number|#))$/, /ticket/] },
    at: TIME,
    buyer: { must: false, is: 'buyer', heads: [/^(buyer|elevator|location|delivered to|to)$/, /elevator|location|buyer/] },
    from: { must: false, is: 'place', heads: [/^(truck|from|bin|origin)$/, /truck|bin/] },
    net: { must: false, ...WEIGHT, heads: [/^net( weight)?( ?\(?(lb|lbs|kg|t)\)?)?$/, /\bnet\b/] },
    gross: { must: false, ...WEIGHT, heads: [/^gross( weight)?( ?\(?(lb|lbs|kg|t)\)?)?$/, /^gross/] },
    tare: { must: false, ...WEIGHT, heads: [/^tare/, /tare|empty/] },
    moisture: { ...MOISTURE, must: true },
    price: { must: false, is: 'figure', least: 0, most: 1000, heads: [/^(price|cash price|\$\/bu)/, /price/] },
    testWeight: { must: false, is: 'density', least: 10, most: 80, factor: 'testWeight', heads: [/^(test ?weight|test wt|tw)\b/, /test ?w/] }, // prettier-ignore
    foreign: { ...PERCENT, factor: 'foreignMaterial', heads: [/^(fm|bcfm|foreign ?(material|matter)?)\b/, /foreign/] },
    damage: { ...PERCENT, factor: 'damage', heads: [/^(dmg|dam|damage|damaged|total damage|tot dmg)\b/, /damage/] },
    heat: { ...PERCENT, factor: 'heat', heads: [/^(heat|heat ?damage[d]?|ht)\b/, /\bheat\b/] },
    splits: { ...PERCENT, factor: 'splits', heads: [/^(splits?|spl)\b/, /split/] },
    broken: { ...PERCENT, factor: 'broken', heads: [/^(broken|shrunken)\b/, /broken/] },
    dockage: { ...PERCENT, factor: 'dockage', heads: [/^(dockage|dkg|dock ?%)/, /dockage/] },
  },
  levels: {
    place: { must: true, is: 'place', heads: [/^(bin|place|location|tank)/, /bin|place/] },
    at: TIME,
    level: { must: true, is: 'mass', least: 0, most: 50_000_000, heads: [/^(bushels|level|quantity|inventory|amount|weight)/, /bu|weight|kg|lb/] }, // prettier-ignore
    moisture: MOISTURE,
  },
  weather: {
    at: TIME,
    temperature: { must: true, is: 'celsius', least: -50, most: 60, heads: [/^(temp|temperature|air temp)/, /temp/] },
    humidity: { must: true, is: 'share', least: 0.01, most: 1, heads: [/^(rh|humidity|relative humidity|rel)/, /humid|\brh\b/] }, // prettier-ignore
    wind: { must: false, is: 'speed', least: 0, most: 60, heads: [/^(wind|wind ?speed)/, /wind/] },
    rain: { must: false, is: 'figure', least: 0, most: 500, heads: [/^(rain|precip|precipitation|rainfall)/, /rain|precip/] },
  },
  cables: {
    place: { must: false, is: 'place', heads: [/^(bin|place|location)/, /bin/] },
    at: TIME,
    cable: { must: true, is: 'text', heads: [/^cable/, /cable|line/] },
  },
} as const satisfies Readonly<Record<RowFile, Readonly<Record<string, RowColumn>>>>; // prettier-ignore

export type RowProblem =
  | 'no_time'
  | 'in_future'
  | 'missing'
  | 'no_figure'
  | 'out_of_range'
  | 'place_unknown'
  | 'no_weight'
  | 'too_heavy'
  | 'no_sensors';

export interface PlannedRow {
  readonly row: number;
  /** ms since 1970 */
  readonly at: number;
  readonly text: Readonly<Record<string, string>>;
  /** kg, fractions, °C and m/s; factors of grade in percent, test weight in lb/bu */
  readonly figures: Readonly<Record<string, number>>;
  /** °C from the lowest sensor up, for cables */
  readonly sensors: readonly number[];
}

export interface RowPlan {
  readonly rows: readonly PlannedRow[];
  readonly problems: readonly { readonly row: number; readonly column: string; readonly what: RowProblem; readonly text: string }[]; // prettier-ignore
}

/** Lines after which those who wait hear how far it is. */
export const TELL_EACH = 10_000;

/** Heads that count sensors: "1", "Sensor 3", "T12"; in their order. */
export function sensorHeads(heads: readonly string[]): string[] {
  return heads
    .flatMap((head) => {
      const found = /^(?:sensor|sens|temp|t|s|node)?\s*[#_-]?\s*(\d{1,2})$/i.exec(head.trim());
      return found ? [{ head, n: Number(found[1]) }] : [];
    })
    .sort((a, b) => a.n - b.n)
    .map(({ head }) => head);
}

/** How the figures of a file are read: what one of its units of mass, of speed is, and whether its degrees are Fahrenheit's. */
export interface RowUnits {
  /** kg */
  readonly mass: number;
  /** m/s */
  readonly speed: number;
  readonly fahrenheit: boolean;
}

/**
 * Rows of a file as they would be taken in. What cannot be read is named with its row and column and kept out.
 * @param options.first line of the file in which the first row stands @param options.place, options.buyer where the file has no such column
 */
export function planRows(
  kind: RowFile,
  heads: readonly string[],
  rows: readonly (readonly string[])[],
  match: Readonly<Partial<Record<string, string>>>,
  farm: { readonly places: readonly PlaceInfo[]; readonly timeZone: string },
  options: {
    readonly first: number;
    readonly units: RowUnits;
    readonly dayFirst: boolean;
    readonly place: string | null;
    readonly buyer: string | null;
    readonly now: number;
    /** hears how much is done, 0 to 1 */
    readonly tell?: (done: number) => void;
  },
): RowPlan {
  const columns: Readonly<Record<string, RowColumn>> = ROW_COLUMNS[kind];
  const at = (name: string): number => (match[name] === undefined ? -1 : heads.indexOf(match[name]));
  const index = Object.fromEntries(Object.keys(columns).map((name) => [name, at(name)]));
  const sensors = kind === 'cables' ? sensorHeads(heads).map((head) => heads.indexOf(head)) : [];
  const sample = rows.slice(0, 2000);
  const commas = Object.fromEntries(
    Object.entries(index).map(([name, i]) => [name, i >= 0 && decimalComma(sample.map((row) => row[i] ?? ''))]),
  );
  const sensorComma = sensors.length > 0 && decimalComma(sample.flatMap((row) => sensors.map((i) => row[i] ?? '')));
  const byName = (wanted: (place: PlaceInfo) => boolean) =>
    new Map(farm.places.filter(wanted).map((place) => [plainName(place.name), place.id]));
  const buyers = byName(({ kind: of }) => of === 'buyer');
  const places = byName(({ kind: of }) => of !== 'buyer');
  const toCelsius = (degrees: number): number => (options.units.fahrenheit ? ((degrees - 32) * 5) / 9 : degrees);
  const planned: PlannedRow[] = [];
  const problems: { row: number; column: string; what: RowProblem; text: string }[] = [];
  rows.forEach((row, i) => {
    if (i % TELL_EACH === 0) options.tell?.(i / rows.length);
    if (row.every((cell) => cell.trim() === '')) return;
    const line = options.first + i;
    const texts: Record<string, string> = {};
    const figures: Record<string, number> = {};
    let ms: number | null = null;
    const wrong = (column: string, what: RowProblem, text: string): void => void problems.push({ row: line, column, what, text }); // prettier-ignore
    for (const [name, column] of Object.entries(columns)) {
      const own = index[name]!;
      const typed = own < 0 ? '' : (row[own] ?? '').trim();
      if (column.is === 'time') {
        ms = momentIn(typed, farm.timeZone, options.dayFirst);
        if (ms === null) return wrong(name, 'no_time', typed);
        if (ms > options.now + (kind === 'weather' ? 20 : 1) * 86_400_000) return wrong(name, 'in_future', typed);
        continue;
      }
      if (column.is === 'place' || column.is === 'buyer') {
        const fallback = column.is === 'buyer' ? options.buyer : options.place;
        const id = typed === '' ? fallback : (column.is === 'buyer' ? buyers : places).get(plainName(typed));
        if (!id) return wrong(name, typed === '' ? 'missing' : 'place_unknown', typed);
        texts[name] = id;
        continue;
      }
      if (typed === '') {
        if (column.must) return wrong(name, 'missing', '');
        continue;
      }
      if (column.is === 'text') {
        texts[name] = typed.slice(0, 40);
        continue;
      }
      const figure = figureIn(typed, commas[name]!);
      if (figure === null) return wrong(name, 'no_figure', typed);
      // 16.5 and 0.165 are both met.
      const value =
        column.is === 'share'
          ? figure > 1
            ? figure / 100
            : figure
          : column.is === 'mass'
            ? figure * options.units.mass
            : column.is === 'celsius'
              ? toCelsius(figure)
              : column.is === 'speed'
                ? figure * options.units.speed
                : column.is === 'density' && /hl|hecto/i.test(match[name] ?? '')
                  ? figure / KG_PER_HL_OF_POUND
                  : figure;
      if (value < (column.least ?? -Infinity) || value > (column.most ?? Infinity)) return wrong(name, 'out_of_range', typed); // prettier-ignore
      figures[name] = Number(value.toPrecision(12));
    }
    if (kind === 'tickets') {
      const { net, gross, tare } = figures;
      const weighed = net ?? (gross !== undefined && tare !== undefined ? gross - tare : undefined);
      if (weighed === undefined || weighed <= 0) return wrong('net', 'no_weight', '');
      if (gross !== undefined && tare !== undefined && Math.abs(gross - tare - weighed) > Math.max(2, 0.002 * weighed)) return wrong('net', 'too_heavy', ''); // prettier-ignore
      figures.net = Number(weighed.toFixed(3));
    }
    const celsius: number[] = [];
    for (const own of sensors) {
      const figure = figureIn(row[own] ?? '', sensorComma);
      if (figure === null) break;
      const degrees = toCelsius(figure);
      if (degrees < -50 || degrees > 90) return wrong(heads[own]!, 'out_of_range', row[own] ?? '');
      celsius.push(Number(degrees.toFixed(2)));
    }
    if (kind === 'cables' && celsius.length === 0) return wrong('cable', 'no_sensors', '');
    planned.push({ row: line, at: ms!, text: texts, figures, sensors: celsius });
  });
  return { rows: planned, problems };
}
