import {
  dayComesFirst,
  KG_PER_LB,
  kilogramsPerBushel,
  kgPerBushelOf,
  matchHeads,
  mphToMetresPerSecond,
  type PlannedRow,
  ROW_COLUMNS,
  type RowColumn,
  type RowFile,
  type RowProblem,
} from '@fanega/core';
import type { RowsImportAnswer } from '@fanega/contract';
import { useMemo, useState } from 'react';
import { post, send } from '../../../data/api';
import { type Farm, useBinSetups, useTraceRecords } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { ask, useWorker } from '../../../data/worker';
import { grain, mass, number, percent, temperature, wind as windOf } from '../../../quantity/quantity';
import { moment } from '../../../quantity/time';
import { Problem, SelectBox } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { CheckBox } from '../../../ui/check-box';
import { Drawer } from '../../../ui/drawer';
import { Progress } from '../../../ui/progress';
import { ColumnsMatched, FileBox } from '../../../widgets/file-parts';
import { FileTaken, useOpenFile, useTaking, wordsUnder } from './file-taken';

const TITLES: Readonly<Record<RowFile, { readonly title: string; readonly of: string; readonly one: string; readonly many: string }>> = {
  tickets: { title: 'Tickets from a file', of: 'CSV or XLSX of a buyer or an elevator', one: 'ticket', many: 'tickets' },
  levels: { title: 'Bin levels from a file', of: 'CSV or XLSX of levels', one: 'level', many: 'levels' },
  weather: { title: 'Weather hours from a file', of: 'CSV or XLSX of a weather station', one: 'hour', many: 'hours' },
  cables: { title: 'Cable temperatures from a file', of: 'CSV or XLSX of temperature cables', one: 'reading', many: 'readings' },
}; // prettier-ignore
const COLUMN_WORDS: Readonly<Record<string, string>> = {
  ticket: 'Ticket number',
  at: 'Date and time',
  buyer: 'Buyer',
  from: 'Truck or bin',
  net: 'Net weight',
  gross: 'Gross weight',
  tare: 'Empty weight',
  moisture: 'Moisture',
  price: 'Price',
  testWeight: 'Test weight',
  foreign: 'Foreign material',
  damage: 'Damage',
  heat: 'Heat damage',
  splits: 'Splits',
  broken: 'Broken',
  dockage: 'Dockage',
  place: 'Bin',
  level: 'What lay there',
  temperature: 'Air temperature',
  humidity: 'Humidity',
  wind: 'Wind',
  rain: 'Rain',
  cable: 'Cable',
};
const PROBLEMS: Readonly<Record<RowProblem, (text: string) => string>> = {
  no_time: (text) => `“${text}” is not a date and time`,
  in_future: (text) => `${text} has not come yet`,
  missing: () => 'is blank',
  no_figure: (text) => `“${text}” is not a number`,
  out_of_range: (text) => `${text} cannot be: check the number and its unit`,
  place_unknown: (text) => `nothing is called “${text}”`,
  no_weight: () => 'is missing, and gross less empty does not give it',
  too_heavy: () => 'is not gross less empty',
  no_sensors: () => 'has no sensor with a number',
};
const MASSES = ['pounds', 'kilograms', 'tonnes', 'bushels'] as const;
const WINDS = { miles: mphToMetresPerSecond(1), kilometers: 1 / 3.6, meters: 1, knots: 1852 / 3600 } as const;
const WIND_WORDS = { miles: 'miles an hour', kilometers: 'kilometers an hour', meters: 'meters a second', knots: 'knots' } as const; // prettier-ignore
type Wind = keyof typeof WINDS;
const AT_ONCE = 500;

interface Asked {
  readonly unit?: (typeof MASSES)[number];
  readonly degrees?: 'F' | 'C';
  readonly wind?: Wind;
  readonly dayFirst?: boolean;
  readonly place?: string;
  readonly buyer?: string;
}

/** Rows of one kind out of a file: columns matched once, looked at, taken in, undone as one. */
export function RowsFile({ farm, kind, onClose }: { farm: Farm; kind: RowFile; onClose: () => void }) {
  const kept = useTraceRecords().data?.settings.fileMatch[kind];
  const cableNames = useBinSetups().data?.settings.binCables;
  const [chosen, setChosen] = useState<Readonly<Record<string, string | undefined>>>({});
  const [asked, setAsked] = useState<Asked>({});
  const { file, problem, reading, take } = useOpenFile(farm, () => {
    setChosen({});
    taking.forget();
  });
  const words = TITLES[kind];
  const columns: Readonly<Record<string, RowColumn>> = ROW_COLUMNS[kind];
  const names = Object.keys(columns);
  const has = (is: RowColumn['is']): boolean => Object.values(columns).some((column) => column.is === is);
  const metric = farm.data.farm.units === 'metric';
  const match = useMemo((): Partial<Record<string, string>> => {
    if (!file) return {};
    const before = Object.fromEntries((kept?.value.heads ?? []).map(({ column, head }) => [column, head]));
    const heads = Object.fromEntries(Object.entries(ROW_COLUMNS[kind]).map(([name, column]: [string, RowColumn]) => [name, column.heads])); // prettier-ignore
    return Object.fromEntries(Object.entries({ ...matchHeads(file.heads, heads, before), ...chosen }).filter(([, head]) => head !== undefined)); // prettier-ignore
  }, [file, kept, chosen, kind]);
  const headSays = (name: string, what: RegExp): boolean => what.test(match[name] ?? '');
  const unit = asked.unit ?? kept?.value.unit ?? (headSays('net', /kg|kilo/i) || headSays('level', /kg|kilo/i) ? 'kilograms' : kind === 'levels' ? 'bushels' : metric ? 'kilograms' : 'pounds'); // prettier-ignore
  const degrees = asked.degrees ?? kept?.value.degrees ?? (headSays('temperature', /°?c\)?$|celsius/i) ? 'C' : metric ? 'C' : 'F'); // prettier-ignore
  const speed: Wind = asked.wind ?? kept?.value.wind ?? (metric ? 'kilometers' : 'miles');
  const dayFirst = asked.dayFirst ?? dayComesFirst(wordsUnder(file, match.at));
  const holders = farm.data.places.filter((place) => place.kind !== 'buyer');
  const buyers = farm.data.places.filter((place) => place.kind === 'buyer');
  const place = asked.place ?? (kind === 'tickets' ? holders.find(({ kind: of }) => of === 'truck')?.id : holders.find(({ kind: of }) => of === 'bin')?.id) ?? null; // prettier-ignore
  const buyer = asked.buyer ?? buyers[0]?.id ?? null;
  /** Bushels are of what lies where they were counted. */
  const per = unit === 'bushels' && place !== null ? kgPerBushelOf(farm.cropOf(farm.held(place).lots)) : kilogramsPerBushel(56); // prettier-ignore
  const perUnit = unit === 'bushels' ? per : unit === 'pounds' ? KG_PER_LB : unit === 'tonnes' ? 1000 : 1;
  const question = file && {
    token: file.token,
    kind,
    match,
    farm: { places: farm.everyPlace, timeZone: farm.data.farm.timeZone },
    options: {
      units: { mass: perUnit, speed: WINDS[speed], fahrenheit: degrees === 'F' },
      dayFirst,
      place,
      buyer,
      now: file.now,
    },
  };
  const plan = useWorker('rowsPlan', question);
  // Not the one of the file before.
  const shown = plan.data?.token === file?.token ? plan.data : undefined;
  /** Which of a bin's cables: by its name there, else by its number from one. */
  const cableAt = (row: PlannedRow): number => {
    const said = row.text.cable ?? '';
    const known = cableNames?.[row.text.place ?? '']?.value.cables.findIndex(({ name }) => name.trim().toLowerCase() === said.toLowerCase()) ?? -1; // prettier-ignore
    return known >= 0 ? known : Math.max(0, (Number(/\d+/.exec(said)?.[0] ?? '1') || 1) - 1);
  };
  const change = (more: Asked): void => {
    setAsked({ ...asked, ...more });
    taking.forget();
  };
  const sendPiece = (
    piece: readonly PlannedRow[],
    common: { importId: string; file: string; look: boolean },
  ): Promise<RowsImportAnswer> => {
    // prettier-ignore
    const path = { path: { farmId: farm.id } };
    const at = (row: PlannedRow): string => new Date(row.at).toISOString();
    const some = (row: PlannedRow, name: string, as = name): object => (row.figures[name] === undefined ? {} : { [as]: row.figures[name] }); // prettier-ignore
    switch (kind) {
      case 'tickets':
        return send(post('/api/farms/{farmId}/imports/tickets', path, { ...common, tickets: piece.map((row) => ({ ticket: row.text.ticket!, at: at(row), from: row.text.from!, to: row.text.buyer!, wetKg: row.figures.net!, moisture: row.figures.moisture!, ...some(row, 'gross', 'grossKg'), ...some(row, 'tare', 'tareKg'), ...some(row, 'price', 'pricePerBu'), ...factorsOf(row) })) })); // prettier-ignore
      case 'levels':
        return send(post('/api/farms/{farmId}/imports/levels', path, { ...common, levels: piece.map((row) => ({ place: row.text.place!, at: at(row), wetKg: row.figures.level!, ...some(row, 'moisture') })) })); // prettier-ignore
      case 'weather':
        return send(post('/api/farms/{farmId}/imports/weather', path, { ...common, hours: piece.map((row) => ({ at: at(row), temperature: row.figures.temperature!, humidity: row.figures.humidity!, wind: row.figures.wind ?? 0, rainChance: (row.figures.rain ?? 0) > 0 ? 1 : 0, wet: (row.figures.rain ?? 0) > 0 || row.figures.humidity! >= DEW, forecast: false })) })); // prettier-ignore
      case 'cables':
        return send(post('/api/farms/{farmId}/imports/cables', path, { ...common, readings: piece.map((row) => ({ placeId: row.text.place!, cable: Math.min(19, cableAt(row)), at: at(row), celsius: [...row.sensors] })) })); // prettier-ignore
    }
  };
  const taking = useTaking({
    farm,
    file,
    count: shown?.count ?? 0,
    atOnce: AT_ONCE,
    piece: (from, to) => ask('rowsOf', { plan: question!, from, to }),
    sendPiece,
    before: async () => {
      const heads = names.flatMap((column) => (match[column] === undefined ? [] : [{ column, head: match[column] }]));
      const value = { heads, dayFirst, ...(has('mass') ? { unit } : {}), ...(has('celsius') || kind === 'cables' ? { degrees } : {}), ...(has('speed') ? { wind: speed } : {}) }; // prettier-ignore
      if (JSON.stringify(value) !== JSON.stringify(kept?.value))
        await write(farm.id, setting(farm.id, 'fileMatch', kind, { revision: kept?.revision ?? 0, value }));
    },
    said: words.many,
    onClose,
  });
  const select = (
    label: string,
    value: string,
    choices: readonly (readonly [string, string])[],
    set: (next: string) => void,
  ) =>
    // prettier-ignore
    <SelectBox label={label} value={value} onChange={(event) => set(event.target.value)}>
      {choices.map(([id, text]) => (
        <option key={id} value={id}>
          {text}
        </option>
      ))}
    </SelectBox>;
  const listed = (of: typeof holders) => of.map(({ id, name }) => [id, name] as const);
  return (
    <Drawer open onClose={onClose} title={words.title} wide>
      <div className="space-y-4 px-5 py-4">
        <FileBox label={words.of} accept=".csv,.txt,.xlsx,text/csv" onTake={(one) => void take(one)} />
        {kind === 'levels' && (
          <Callout className="px-3 py-2">
            Each level sets the book right for its bin at its time. To see the difference first, tape a bin in Store.
          </Callout>
        )}
        {kind === 'cables' && !file && (
          <p className="text-muted">
            One line for a cable and a time, its sensors in columns named 1, 2, 3, the lowest first.
          </p>
        )}
        {problem !== null && <Problem>{problem}</Problem>}
        {reading && <p role="status">Reading the file …</p>}
        {plan.error && <Problem>{plan.error.message}</Problem>}
        {file && (
          <>
            <ColumnsMatched
              narrow
              columns={names}
              words={COLUMN_WORDS}
              heads={file.heads}
              match={match}
              must={names.filter((name) => columns[name]!.must)}
              onChoose={(column, head) => {
                setChosen({ ...chosen, [column]: head });
                taking.forget();
              }}
            />
            <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
              {has('mass') &&
                select(
                  'Weights are in',
                  unit,
                  MASSES.map((one) => [one, one]),
                  (next) => change({ unit: next as Asked['unit'] & string }),
                )}{' '}
              {/* prettier-ignore */}
              {(has('celsius') || kind === 'cables') &&
                select(
                  'Temperatures are in',
                  degrees,
                  [
                    ['F', '°F'],
                    ['C', '°C'],
                  ],
                  (next) => change({ degrees: next as 'F' | 'C' }),
                )}{' '}
              {/* prettier-ignore */}
              {has('speed') &&
                select('Wind is in', speed, Object.entries(WIND_WORDS), (next) => change({ wind: next as Wind }))}{' '}
              {/* prettier-ignore */}
              {has('place') &&
                select(
                  kind === 'tickets' ? 'From, where none is named' : 'Bin, where none is named',
                  place ?? '',
                  listed(holders),
                  (next) => change({ place: next }),
                )}{' '}
              {/* prettier-ignore */}
              {has('buyer') &&
                select('Buyer, where none is named', buyer ?? '', listed(buyers), (next) =>
                  change({ buyer: next }),
                )}{' '}
              {/* prettier-ignore */}
            </div>
            <CheckBox checked={dayFirst} onChange={(on) => change({ dayFirst: on })}>
              Dates have the day first
            </CheckBox>
            {shown && (
              <FileTaken
                taking={taking}
                count={shown.count}
                unread={shown.unread}
                problems={shown.problems.map(({ row, column, what, text }) => `Line ${number(row)}, ${COLUMN_WORDS[column] ?? column}: ${PROBLEMS[what](text)}`)} // prettier-ignore
                one={words.one}
                many={words.many}
                reading={plan.isValidating ? plan.done : null}
                different="something else is recorded for the same."
                first={shown.first.map((row) => ({ key: row.row, cells: [moment(row.at, farm.data.farm.timeZone), said(farm, kind, row)] }))} // prettier-ignore
              />
            )}
            {!shown && plan.isValidating && (
              <Progress label="Reading the lines" done={plan.done}>
                Reading {number(file.count)} lines
              </Progress>
            )}
          </>
        )}
      </div>
    </Drawer>
  );
}

/** What was tested, by the factor that its column stands for. */
function factorsOf(row: PlannedRow): { factors?: Partial<Record<string, number>> } {
  const found = Object.entries(ROW_COLUMNS.tickets).flatMap(([name, column]) =>
    'factor' in column && row.figures[name] !== undefined ? [[column.factor, row.figures[name]] as const] : [],
  );
  return found.length === 0 ? {} : { factors: Object.fromEntries(found) };
}

/** Air as damp as that wets the crop; common practice, no source. */
const DEW = 0.97;

/** A row in words, for a look before it is taken in. */
function said(farm: Farm, kind: RowFile, { text, figures, sensors }: PlannedRow): string {
  const name = (id: string | undefined): string => (id === undefined ? '' : farm.placeName(id));
  switch (kind) {
    case 'tickets':
      return `${text.ticket}: ${name(text.from)} → ${name(text.buyer)}, ${mass(figures.net!).text}, ${percent(figures.moisture!)}`;
    case 'levels':
      return `${name(text.place)}: ${grain(figures.level!, farm.kgPerBu(farm.cropOf(farm.held(text.place!).lots))).text}`;
    case 'weather':
      return `${temperature(figures.temperature!).text}, ${percent(figures.humidity!, 0)} humidity${figures.wind === undefined ? '' : `, wind ${windOf(figures.wind).text}`}${(figures.rain ?? 0) > 0 ? ', rain' : ''}`;
    case 'cables':
      return `${name(text.place)}, cable ${text.cable}: ${sensors.map((one) => temperature(one).text).join(', ')}`;
  }
}
