import {
  dayComesFirst,
  figureIn,
  LOAD_COLUMNS,
  LOAD_HEADS,
  type LoadColumn,
  type LoadFileProblem,
  type LoadPlan,
  matchHeads,
  planLoads,
  weightUnitOf,
  type CropId,
  type MissingLot,
  tagFor,
} from '@fanega/core';
import type { ImportState } from '@fanega/contract';
import { useMemo, useState } from 'react';
import { ulid } from 'ulid';
import { post, send } from '../../../data/api';
import { type Farm, useRefreshFarm, useTraceRecords } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { grain, moisture, number, percent } from '../../../quantity/quantity';
import { moment } from '../../../quantity/time';
import { Button, Problem, SelectBox, TextBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { Drawer } from '../../../ui/drawer';
import { ColumnsMatched, FileBox, Unreadable } from '../../../widgets/file-parts';
import { Progress } from '../../../ui/progress';
import { toast } from '../../../ui/toast';
import { type FileTable, MOST_ROWS, readTable } from '../../../widgets/read-table';

const WORDS: Readonly<Record<LoadColumn, string>> = {
  field: 'Field',
  at: 'Date and time',
  weight: 'Weight',
  moisture: 'Moisture',
  to: 'Unloaded into',
  ticket: 'Load number',
  crop: 'Crop',
};
const PROBLEMS: Readonly<Record<LoadFileProblem, (text: string) => string>> = {
  no_field: () => 'it names no field: choose one below',
  field_unknown: (text) => `no field is called “${text}”`,
  no_season: (text) => `${text}: the field is not in that season`,
  no_time: (text) => `“${text}” is not a date and time`,
  no_weight: (text) => `“${text}” is not a load’s weight`,
  no_moisture: (text) => (text === '' ? 'it has no moisture: type one for all below' : `“${text}” is not a moisture`),
  place_unknown: (text) => `no place is called “${text}”`,
  in_future: (text) => `${text} has not come yet`,
};
const UNITS = ['pounds', 'kilograms', 'tonnes', 'bushels'] as const;
type Unit = (typeof UNITS)[number];
const METHODS = { cartScale: 'a cart scale', monitor: 'the combine’s display', bridge: 'a truck scale', estimate: 'an estimate' } as const; // prettier-ignore
type Method = keyof typeof METHODS;
const AT_ONCE = 1000;
const SHOWN = 12;

/** Loads out of a cart's or a display's export: columns matched once, looked at, taken in, undone as one. */
export function LoadsFile({ farm, season, onClose }: { farm: Farm; season: number; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const records = useTraceRecords().data;
  const kept = records?.settings.fileMatch.loads;
  const [file, setFile] = useState<{ name: string; table: FileTable } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Readonly<Record<string, string | undefined>>>({});
  const [asked, setAsked] = useState<{
    unit?: Unit;
    dayFirst?: boolean;
    lot?: string;
    to?: string;
    moisture?: string;
    method?: Method;
    totals?: boolean;
  }>({});
  const [states, setStates] = useState<readonly ImportState[] | null>(null);
  const [done, setDone] = useState<number | null>(null);
  const carts = farm.data.places.filter(({ kind }) => kind !== 'buyer');
  const to = asked.to ?? carts.find(({ kind }) => kind === 'cart')?.id ?? carts[0]?.id ?? '';
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
  const match = useMemo((): Partial<Record<LoadColumn, string>> => {
    if (!file) return {};
    const before = Object.fromEntries((kept?.value.heads ?? []).map(({ column, head }) => [column, head]));
    return Object.fromEntries(Object.entries({ ...matchHeads(file.table.heads, LOAD_HEADS, before), ...chosen }).filter(([, head]) => head !== undefined)); // prettier-ignore
  }, [file, kept, chosen]);
  const columnOf = (column: LoadColumn): string[] => {
    const at = match[column] === undefined ? -1 : file!.table.heads.indexOf(match[column]);
    return at < 0 ? [] : file!.table.rows.slice(0, 500).map((row) => row[at] ?? '');
  };
  const unit: Unit = asked.unit ?? kept?.value.unit ?? (file ? weightUnitOf(match.weight ?? '', columnOf('weight').flatMap((text) => figureIn(text, false) ?? [])) : 'pounds'); // prettier-ignore
  const dayFirst = asked.dayFirst ?? (file ? dayComesFirst(columnOf('at')) : false);
  const typed = moisture.read(asked.moisture ?? '', { least: 0.03, most: 0.5 });
  const plan = useMemo((): LoadPlan | null => {
    if (!file) return null;
    const of = { lots: farm.data.lots, places: farm.everyPlace, timeZone: farm.data.farm.timeZone, crops: farm.crops };
    return planLoads(file.table.heads, file.table.rows, match, of, { first: file.table.first, unit, dayFirst, lot: asked.lot ?? null, to, moisture: typed.value ?? null, now: farm.clock(), totals: asked.totals ?? false }); // prettier-ignore
  }, [file, match, farm, unit, dayFirst, asked.lot, to, typed.value, asked.totals]);
  const loads = plan?.loads ?? [];
  const change = (more: typeof asked): void => {
    setAsked({ ...asked, ...more });
    setStates(null);
  };
  /** The same rows in pieces, so that a season's file goes over a thin line. */
  const inPieces = async (look: boolean, importId: string): Promise<ImportState[]> => {
    const all: ImportState[] = [];
    for (let i = 0; i < loads.length; i += AT_ONCE) {
      setDone(i);
      const piece = loads.slice(i, i + AT_ONCE).map(({ lot, at, wetKg, moisture: wet, to: into, ticket }) => ({ lot, at: new Date(at).toISOString(), wetKg, moisture: wet, to: into, ...(ticket === '' ? {} : { ticket }) })); // prettier-ignore
      const body = {
        importId,
        file: file!.name,
        look,
        method: asked.method ?? (asked.totals ? ('estimate' as const) : ('cartScale' as const)),
        loads: piece,
      };
      all.push(...(await send(post('/api/farms/{farmId}/imports/loads', { path: { farmId: farm.id } }, body))).states);
    }
    return all;
  };
  const look = async (): Promise<void> => {
    const found = await sending.send(() => inPieces(true, ulid()));
    setDone(null);
    setStates(found ?? null);
  };
  const takeIn = async (): Promise<void> => {
    const ok = await sending.send(async () => {
      const heads = LOAD_COLUMNS.flatMap((column) =>
        match[column] === undefined ? [] : [{ column, head: match[column] }],
      );
      const value = { heads, unit, dayFirst };
      if (JSON.stringify(value) !== JSON.stringify(kept?.value))
        await write(farm.id, setting(farm.id, 'fileMatch', 'loads', { revision: kept?.revision ?? 0, value })); // prettier-ignore
      return inPieces(false, ulid());
    });
    setDone(null);
    await refresh();
    if (!ok) return;
    toast.success(
      `${number(ok.filter((state) => state === 'new').length)} loads taken in; they can be undone as one below.`,
    );
    onClose();
  };
  const count = (state: ImportState): number => states?.filter((one) => one === state).length ?? 0;
  const wanted = count('new');
  const different = states ? loads.filter((_, i) => states[i] === 'different') : [];
  const lots = farm.data.lots.filter((lot) => lot.season === season);
  return (
    <Drawer open onClose={onClose} title="Loads from a file" wide>
      <div className="space-y-4 px-5 py-4">
        <FileBox
          label="CSV or XLSX of a cart or a display"
          accept=".csv,.txt,.xlsx,text/csv"
          onTake={(one) => void take(one)}
        />
        {problem !== null && <Problem>{problem}</Problem>}
        {file && plan && (
          <>
            <ColumnsMatched
              narrow
              columns={LOAD_COLUMNS}
              words={WORDS}
              heads={file.table.heads}
              match={match}
              must={['at', 'weight']}
              onChoose={(column, head) => {
                setChosen({ ...chosen, [column]: head });
                setStates(null);
              }}
            />
            <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
              <SelectBox
                label="Weights are in"
                value={unit}
                onChange={(event) => change({ unit: event.target.value as Unit })}
              >
                {UNITS.map((one) => (
                  <option key={one}>{one}</option>
                ))}
              </SelectBox>
              <SelectBox
                label="Weighed by"
                value={asked.method ?? (asked.totals ? 'estimate' : 'cartScale')}
                onChange={(event) => change({ method: event.target.value as Method })}
              >
                {(Object.keys(METHODS) as Method[]).map((one) => (
                  <option key={one} value={one}>
                    {METHODS[one]}
                  </option>
                ))}
              </SelectBox>
              <SelectBox
                label="Into, where none is named"
                value={to}
                onChange={(event) => change({ to: event.target.value })}
              >
                {carts.map((place) => (
                  <option key={place.id} value={place.id}>
                    {place.name}
                  </option>
                ))}
              </SelectBox>
              {!match.field && (
                <SelectBox
                  label="All of the field"
                  value={asked.lot ?? ''}
                  onChange={(event) => change({ lot: event.target.value })}
                >
                  <option value="">which?</option>
                  {lots.map((lot) => (
                    <option key={lot.id} value={lot.id}>
                      {lot.fieldName}
                    </option>
                  ))}
                </SelectBox>
              )}
              <TextBox
                label="Moisture, where none is named"
                unit="%"
                inputMode="decimal"
                value={asked.moisture ?? ''}
                error={typed.error}
                onChange={(event) => change({ moisture: event.target.value })}
              />
            </div>
            <CheckBox checked={dayFirst} onChange={(on) => change({ dayFirst: on })}>
              Dates have the day first
            </CheckBox>
            <CheckBox checked={asked.totals ?? false} onChange={(on) => change({ totals: on })}>
              Each line is a field’s whole harvest of a year, not a single load
            </CheckBox>
            <p className="text-xl" role="status">
              <b>
                {number(loads.length)} {loads.length === 1 ? 'load' : 'loads'}
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
              lines={plan.problems.map(({ row, what, text }) => `Line ${number(row)}: ${PROBLEMS[what](text)}`)}
            />
            {plan.missing.length > 0 && <IntoSeasons farm={farm} missing={plan.missing} file={file.name} />}
            {different.length > 0 && (
              <p className="text-sm">
                Different: the book has a load of that field, place and minute with another weight. They stay as they
                are; correct them where they stand:{' '}
                {different
                  .slice(0, 5)
                  .map((one) => `line ${one.row}`)
                  .join(', ')}
                {different.length > 5 && ' …'}
              </p>
            )}
            {loads.length > 0 && (
              <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="The first loads">
                <table className="w-full text-sm">
                  <tbody>
                    {loads.slice(0, SHOWN).map((load, i) => (
                      <tr key={load.row} className="border-b border-rule">
                        <td className="py-1 pr-2">{moment(load.at, farm.data.farm.timeZone)}</td>
                        <td className="px-2">{farm.lot(load.lot)?.fieldName}</td>
                        <td className="px-2 text-right">
                          {grain(load.wetKg, farm.kgPerBu(farm.lot(load.lot)?.crop)).text}
                        </td>
                        <td className="px-2 text-right">{percent(load.moisture)}</td>
                        <td className="px-2">{farm.placeName(load.to)}</td>
                        <td className="py-1 pl-2">{states?.[i] ?? ''}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
            )}
            <Problem>{sending.message}</Problem>
            {done !== null && (
              <Progress label="Going through the file" done={loads.length > 0 ? done / loads.length : 1}>
                {number(done)} of {number(loads.length)} loads
              </Progress>
            )}
            {states === null ? (
              <Button look="do" disabled={loads.length === 0 || sending.busy} onClick={() => void look()}>
                Look which are new
              </Button>
            ) : (
              <Button look="do" disabled={wanted === 0 || sending.busy} onClick={() => void takeIn()}>
                {wanted === 0
                  ? 'Nothing new to take in'
                  : `Take in ${number(wanted)} ${wanted === 1 ? 'load' : 'loads'}`}
              </Button>
            )}
          </>
        )}
      </div>
    </Drawer>
  );
}

/** Fields that were not in the season of their loads: last years' totals come with them. */
function IntoSeasons({ farm, missing, file }: { farm: Farm; missing: readonly MissingLot[]; file: string }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [crop, setCrop] = useState<CropId | ''>('');
  const unsaid = missing.filter((one) => one.crop === null);
  const put = async (): Promise<void> => {
    const done = await sending.send(async () => {
      for (const season of new Set(missing.map((one) => one.season))) {
        const tags = new Set(farm.data.lots.filter((lot) => lot.season === season).map(({ tag }) => tag));
        const fields = missing
          .filter((one) => one.season === season)
          .map(({ fieldId, fieldName, crop: said }) => {
            const tag = tagFor(fieldName, tags);
            tags.add(tag);
            const acres = farm.data.lots.find((lot) => lot.fieldId === fieldId)?.acres ?? 1;
            return { name: fieldName, acres, crop: (said ?? crop) as CropId, tag };
          });
        const body = { importId: ulid(), file, season, fields };
        await send(post('/api/farms/{farmId}/imports/fields', { path: { farmId: farm.id } }, body));
      }
      return true;
    });
    if (done) await refresh();
  };
  return (
    <div className="space-y-2 border border-rule px-3 py-3">
      <p>
        {number(missing.length)} {missing.length === 1 ? 'field is' : 'fields are'} not in the season of their loads
        yet:{' '}
        {missing
          .slice(0, 6)
          .map(({ fieldName, season }) => `${fieldName} ${season}`)
          .join(', ')}
        {missing.length > 6 && ' …'}. Put there with the acres they have now, these lines can be read too.
      </p>
      {unsaid.length > 0 && (
        <SelectBox
          label="Their crop then, where the file does not say it"
          value={crop}
          onChange={(event) => setCrop(event.target.value as CropId | '')}
        >
          <option value="">which?</option>
          {farm.crops.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectBox>
      )}
      <Problem>{sending.message}</Problem>
      <Button disabled={sending.busy || (unsaid.length > 0 && crop === '')} onClick={() => void put()}>
        Put {missing.length === 1 ? 'it' : 'them'} into {missing.length === 1 ? 'its' : 'their'}{' '}
        {new Set(missing.map(({ season }) => season)).size === 1 ? 'season' : 'seasons'}
      </Button>
    </div>
  );
}
