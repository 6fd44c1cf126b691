import {
  dayComesFirst,
  figureIn,
  LOAD_COLUMNS,
  LOAD_HEADS,
  type LoadColumn,
  type LoadFileProblem,
  matchHeads,
  type PlannedLoad,
  weightUnitOf,
  type CropId,
  type MissingLot,
  tagFor,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { ulid } from 'ulid';
import { post, send } from '../../../data/api';
import { type Farm, useRefreshFarm, useTraceRecords } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { ask, useWorker } from '../../../data/worker';
import { grain, moisture, number, percent } from '../../../quantity/quantity';
import { moment } from '../../../quantity/time';
import { Button, Problem, SelectBox, TextBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { Drawer } from '../../../ui/drawer';
import { ColumnsMatched, FileBox } from '../../../widgets/file-parts';
import { Progress } from '../../../ui/progress';
import { FileTaken, useOpenFile, useTaking, wordsUnder } from './file-taken';

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

/** Loads out of a cart's or a display's export: columns matched once, looked at, taken in, undone as one. */
export function LoadsFile({ farm, season, onClose }: { farm: Farm; season: number; onClose: () => void }) {
  const kept = useTraceRecords().data?.settings.fileMatch.loads;
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
  const { file, problem, reading, take } = useOpenFile(farm, () => {
    setChosen({});
    taking.forget();
  });
  const carts = farm.data.places.filter(({ kind }) => kind !== 'buyer');
  const to = asked.to ?? carts.find(({ kind }) => kind === 'cart')?.id ?? carts[0]?.id ?? '';
  const match = useMemo((): Partial<Record<LoadColumn, string>> => {
    if (!file) return {};
    const before = Object.fromEntries((kept?.value.heads ?? []).map(({ column, head }) => [column, head]));
    return Object.fromEntries(Object.entries({ ...matchHeads(file.heads, LOAD_HEADS, before), ...chosen }).filter(([, head]) => head !== undefined)); // prettier-ignore
  }, [file, kept, chosen]);
  const unit: Unit = asked.unit ?? kept?.value.unit ?? (file ? weightUnitOf(match.weight ?? '', wordsUnder(file, match.weight).flatMap((text) => figureIn(text, false) ?? [])) : 'pounds'); // prettier-ignore
  const dayFirst = asked.dayFirst ?? dayComesFirst(wordsUnder(file, match.at));
  const typed = moisture.read(asked.moisture ?? '', { least: 0.03, most: 0.5 });
  const question = file && {
    token: file.token,
    match,
    farm: { lots: farm.data.lots, places: farm.everyPlace, timeZone: farm.data.farm.timeZone, crops: farm.crops },
    options: {
      unit,
      dayFirst,
      lot: asked.lot ?? null,
      to,
      moisture: typed.value ?? null,
      now: file.now,
      totals: asked.totals ?? false,
    },
  };
  const plan = useWorker('loadsPlan', question);
  // Not the one of the file before.
  const shown = plan.data?.token === file?.token ? plan.data : undefined;
  const change = (more: typeof asked): void => {
    setAsked({ ...asked, ...more });
    taking.forget();
  };
  const taking = useTaking<PlannedLoad>({
    farm,
    file,
    count: shown?.count ?? 0,
    atOnce: AT_ONCE,
    piece: (from, to) => ask('loadsOf', { plan: question!, from, to }),
    sendPiece: (rows, common) => {
      const loads = rows.map(({ lot, at, wetKg, moisture: wet, to: into, ticket }) => ({ lot, at: new Date(at).toISOString(), wetKg, moisture: wet, to: into, ...(ticket === '' ? {} : { ticket }) })); // prettier-ignore
      const method = asked.method ?? (asked.totals ? ('estimate' as const) : ('cartScale' as const));
      return send(
        post('/api/farms/{farmId}/imports/loads', { path: { farmId: farm.id } }, { ...common, method, loads }),
      );
    },
    before: async () => {
      const heads = LOAD_COLUMNS.flatMap((column) =>
        match[column] === undefined ? [] : [{ column, head: match[column] }],
      );
      const value = { heads, unit, dayFirst };
      if (JSON.stringify(value) !== JSON.stringify(kept?.value))
        await write(farm.id, setting(farm.id, 'fileMatch', 'loads', { revision: kept?.revision ?? 0, value })); // prettier-ignore
    },
    said: 'loads',
    onClose,
  });
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
        {reading && <p role="status">Reading the file …</p>}
        {plan.error && <Problem>{plan.error.message}</Problem>}
        {file && (
          <>
            <ColumnsMatched
              narrow
              columns={LOAD_COLUMNS}
              words={WORDS}
              heads={file.heads}
              match={match}
              must={['at', 'weight']}
              onChoose={(column, head) => {
                setChosen({ ...chosen, [column]: head });
                taking.forget();
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
            {shown && (
              <FileTaken
                taking={taking}
                count={shown.count}
                unread={shown.unread}
                problems={shown.problems.map(({ row, what, text }) => `Line ${number(row)}: ${PROBLEMS[what](text)}`)}
                one="load"
                many="loads"
                reading={plan.isValidating ? plan.done : null}
                different="the book has a load of that field, place and minute with another weight."
                first={shown.first.map((load) => ({
                  key: load.row,
                  cells: [
                    moment(load.at, farm.data.farm.timeZone),
                    farm.lot(load.lot)?.fieldName,
                    grain(load.wetKg, farm.kgPerBu(farm.lot(load.lot)?.crop)).text,
                    percent(load.moisture),
                    farm.placeName(load.to),
                  ],
                }))}
              >
                {shown.missing.length > 0 && <IntoSeasons farm={farm} missing={shown.missing} file={file.name} />}
              </FileTaken>
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
