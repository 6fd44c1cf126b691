import {
  dayComesFirst,
  KG_PER_LB,
  kilogramsPerBushel,
  kgPerBushelOf,
  matchHeads,
  mphToMetresPerSecond,
  type PlannedRow,
  planRows,
  ROW_COLUMNS,
  type RowColumn,
  type RowFile,
  type RowPlan,
  type RowProblem,
} from '@fanega/core';
import type { ImportState, RowsImportAnswer } from '@fanega/contract';
import { useMemo, useState } from 'react';
import { ulid } from 'ulid';
import { post, send } from '../../../data/api';
import { type Farm, useBinSetups, useRefreshFarm, useTraceRecords } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { grain, mass, number, percent, temperature, wind as windOf } from '../../../quantity/quantity';
import { moment } from '../../../quantity/time';
import { Button, Problem, SelectBox } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { CheckBox } from '../../../ui/check-box';
import { Drawer } from '../../../ui/drawer';
import { Progress } from '../../../ui/progress';
import { toast } from '../../../ui/toast';
import { ColumnsMatched, FileBox, Unreadable } from '../../../widgets/file-parts';
import { type FileTable, MOST_ROWS, readTable } from '../../../widgets/read-table';

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
const SHOWN = 10;

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
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const kept = useTraceRecords().data?.settings.fileMatch[kind];
  const cableNames = useBinSetups().data?.settings.binCables;
  const [file, setFile] = useState<{ name: string; table: FileTable } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Readonly<Record<string, string | undefined>>>({});
  const [asked, setAsked] = useState<Asked>({});
  const [states, setStates] = useState<readonly ImportState[] | null>(null);
  const [done, setDone] = useState<number | null>(null);
  const words = TITLES[kind];
  const columns: Readonly<Record<string, RowColumn>> = ROW_COLUMNS[kind];
  const names = Object.keys(columns);
  const has = (is: RowColumn['is']): boolean => Object.values(columns).some((column) => column.is === is);
  const metric = farm.data.farm.units === 'metric';
  const take = async (one: File | undefined): Promise<void> => {
    if (!one) return;
    setProblem(null);
    setFile(null);
    setChosen({});
    setStates(null);
    try {
      const table = await readTable(one);
      if (table === null) return setProblem('No table was found in this file: its first line must name the columns.');
      if (table.rows.length > MOST_ROWS) return setProblem(`It has ${number(table.rows.length)} lines; at most ${number(MOST_ROWS)} at once: split it.`); // prettier-ignore
      setFile({ name: one.name.slice(0, 120), table });
    } catch {
      setProblem('This file could not be read. Save it as CSV and try again.');
    }
  };
  const match = useMemo((): Partial<Record<string, string>> => {
    if (!file) return {};
    const before = Object.fromEntries((kept?.value.heads ?? []).map(({ column, head }) => [column, head]));
    const heads = Object.fromEntries(Object.entries(ROW_COLUMNS[kind]).map(([name, column]: [string, RowColumn]) => [name, column.heads])); // prettier-ignore
    return Object.fromEntries(Object.entries({ ...matchHeads(file.table.heads, heads, before), ...chosen }).filter(([, head]) => head !== undefined)); // prettier-ignore
  }, [file, kept, chosen, kind]);
  const columnOf = (name: string): string[] => {
    const at = match[name] === undefined || !file ? -1 : file.table.heads.indexOf(match[name]);
    return at < 0 ? [] : file!.table.rows.slice(0, 500).map((row) => row[at] ?? '');
  };
  const headSays = (name: string, what: RegExp): boolean => what.test(match[name] ?? '');
  const unit = asked.unit ?? kept?.value.unit ?? (headSays('net', /kg|kilo/i) || headSays('level', /kg|kilo/i) ? 'kilograms' : kind === 'levels' ? 'bushels' : metric ? 'kilograms' : 'pounds'); // prettier-ignore
  const degrees = asked.degrees ?? kept?.value.degrees ?? (headSays('temperature', /°?c\)?$|celsius/i) ? 'C' : metric ? 'C' : 'F'); // prettier-ignore
  const speed: Wind = asked.wind ?? kept?.value.wind ?? (metric ? 'kilometers' : 'miles');
  const dayFirst = asked.dayFirst ?? (file ? dayComesFirst(columnOf('at')) : false);
  const holders = farm.data.places.filter((place) => place.kind !== 'buyer');
  const buyers = farm.data.places.filter((place) => place.kind === 'buyer');
  const place = asked.place ?? (kind === 'tickets' ? holders.find(({ kind: of }) => of === 'truck')?.id : holders.find(({ kind: of }) => of === 'bin')?.id) ?? null; // prettier-ignore
  const buyer = asked.buyer ?? buyers[0]?.id ?? null;
  /** Bushels are of what lies where they were counted. */
  const per = unit === 'bushels' && place !== null ? kgPerBushelOf(farm.cropOf(farm.held(place).lots)) : kilogramsPerBushel(56); // prettier-ignore
  const perUnit = unit === 'bushels' ? per : unit === 'pounds' ? KG_PER_LB : unit === 'tonnes' ? 1000 : 1;
  const plan = useMemo((): RowPlan | null => {
    if (!file) return null;
    const of = { places: farm.everyPlace, timeZone: farm.data.farm.timeZone };
    return planRows(kind, file.table.heads, file.table.rows, match, of, { first: file.table.first, units: { mass: perUnit, speed: WINDS[speed], fahrenheit: degrees === 'F' }, dayFirst, place, buyer, now: farm.clock() }); // prettier-ignore
  }, [file, match, farm, kind, perUnit, speed, degrees, dayFirst, place, buyer]);
  const rows = plan?.rows ?? [];
  /** Which of a bin's cables: by its name there, else by its number from one. */
  const cableAt = (row: PlannedRow): number => {
    const said = row.text.cable ?? '';
    const known = cableNames?.[row.text.place ?? '']?.value.cables.findIndex(({ name }) => name.trim().toLowerCase() === said.toLowerCase()) ?? -1; // prettier-ignore
    return known >= 0 ? known : Math.max(0, (Number(/\d+/.exec(said)?.[0] ?? '1') || 1) - 1);
  };
  const change = (more: Asked): void => {
    setAsked({ ...asked, ...more });
    setStates(null);
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
  const inPieces = async (look: boolean): Promise<ImportState[]> => {
    const all: ImportState[] = [];
    const importId = ulid();
    for (let i = 0; i < rows.length; i += AT_ONCE) {
      setDone(i);
      all.push(...(await sendPiece(rows.slice(i, i + AT_ONCE), { importId, file: file!.name, look })).states);
    }
    return all;
  };
  const look = async (): Promise<void> => {
    const found = await sending.send(() => inPieces(true));
    setDone(null);
    setStates(found ?? null);
  };
  const takeIn = async (): Promise<void> => {
    const ok = await sending.send(async () => {
      const heads = names.flatMap((column) => (match[column] === undefined ? [] : [{ column, head: match[column] }]));
      const value = { heads, dayFirst, ...(has('mass') ? { unit } : {}), ...(has('celsius') || kind === 'cables' ? { degrees } : {}), ...(has('speed') ? { wind: speed } : {}) }; // prettier-ignore
      if (JSON.stringify(value) !== JSON.stringify(kept?.value))
        await write(farm.id, setting(farm.id, 'fileMatch', kind, { revision: kept?.revision ?? 0, value }));
      return inPieces(false);
    });
    setDone(null);
    await refresh();
    if (!ok) return;
    toast.success(`${number(ok.filter((state) => state === 'new').length)} ${words.many} taken in; they can be undone as one below.`); // prettier-ignore
    onClose();
  };
  const count = (state: ImportState): number => states?.filter((one) => one === state).length ?? 0;
  const wanted = count('new');
  const different = states ? rows.filter((_, i) => states[i] === 'different') : [];
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
        {file && plan && (
          <>
            <ColumnsMatched
              narrow
              columns={names}
              words={COLUMN_WORDS}
              heads={file.table.heads}
              match={match}
              must={names.filter((name) => columns[name]!.must)}
              onChoose={(column, head) => {
                setChosen({ ...chosen, [column]: head });
                setStates(null);
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
            <p className="text-xl" role="status">
              <b>
                {number(rows.length)} {rows.length === 1 ? words.one : words.many}
              </b>{' '}
              can be read
              {plan.problems.length > 0 && (
                <>
                  ,{' '}
                  <b className="text-clay">
                    {number(plan.problems.length)} {plan.problems.length === 1 ? 'line' : 'lines'} cannot
                  </b>
                </>
              )}
              .
              {states && (
                <>
                  {' '}
                  <b>{number(wanted)} new</b>, {number(count('known'))} known already, {number(count('different'))}{' '}
                  different.
                </>
              )}
            </p>
            <Unreadable
              most={SHOWN}
              lines={plan.problems.map(({ row, column, what, text }) => `Line ${number(row)}, ${COLUMN_WORDS[column] ?? column}: ${PROBLEMS[what](text)}`)} // prettier-ignore
            />
            {different.length > 0 && (
              <p className="text-sm">
                Different: something else is recorded for the same. They stay as they are; correct them where they
                stand:{' '}
                {different
                  .slice(0, 5)
                  .map((one) => `line ${number(one.row)}`)
                  .join(', ')}
                {different.length > 5 && ' …'}
              </p>
            )}
            {rows.length > 0 && (
              <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="The first lines">
                <table className="w-full text-sm">
                  <tbody>
                    {rows.slice(0, SHOWN).map((row, i) => (
                      <tr key={row.row} className="border-b border-rule">
                        <td className="py-1 pr-2 whitespace-nowrap">{moment(row.at, farm.data.farm.timeZone)}</td>
                        <td className="px-2">{said(farm, kind, row)}</td>
                        <td className="py-1 pl-2">{states?.[i] ?? ''}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
            )}
            <Problem>{sending.message}</Problem>
            {done !== null && (
              <Progress label="Going through the file" done={rows.length > 0 ? done / rows.length : 1}>
                {number(done)} of {number(rows.length)} {words.many}
              </Progress>
            )}
            {states === null ? (
              <Button look="do" disabled={rows.length === 0 || sending.busy} onClick={() => void look()}>
                Look which are new
              </Button>
            ) : (
              <Button look="do" disabled={wanted === 0 || sending.busy} onClick={() => void takeIn()}>
                {wanted === 0
                  ? 'Nothing new to take in'
                  : `Take in ${number(wanted)} ${wanted === 1 ? words.one : words.many}`}
              </Button>
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
