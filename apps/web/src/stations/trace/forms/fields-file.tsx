import {
  type CropId,
  cropOf,
  FIELD_COLUMNS,
  type FieldColumn,
  type FieldFileProblem,
  type FieldPlan,
  planFields,
  pointsOf,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { ulid } from 'ulid';
import { post } from '../../../data/api';
import { type Farm, useRefreshFarm, useTraceRecords } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { area, number } from '../../../quantity/quantity';
import { Button, Problem, SelectBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { Drawer } from '../../../ui/drawer';
import { ColumnsMatched, FileBox, Unreadable } from '../../../widgets/file-parts';
import { toast } from '../../../ui/toast';
import { type FieldsRead, NoFields, readFields, rowsOf } from './read-fields';

export const FIELD_COLUMN_WORDS: Readonly<Record<FieldColumn, string>> = {
  field: 'Field name',
  acres: 'Area',
  crop: 'Crop',
  variety: 'Variety',
  tag: 'Tag',
  owner: 'Owner',
  share: 'His share',
};
const PROBLEMS: Readonly<Record<FieldFileProblem, (text: string) => string>> = {
  no_name: () => 'it has no name',
  no_acres: (text) => (text === '' ? 'it has neither an area nor a boundary' : `“${text}” is not an area`),
  no_crop: () => 'it names no crop: choose one for all of them below',
  crop_unknown: (text) => `“${text}” is not a crop this program knows`,
  share_wrong: (text) => `“${text}” is not a share`,
  twice: (text) => `${text} stands twice in the file`,
  too_few_points: (text) => `the boundary of ${text} has too few corners`,
  too_many_points: (text) => `the boundary of ${text} has more than 5,000 corners`,
  crosses_itself: (text) => `the boundary of ${text} crosses itself`,
  swapped: (text) => `longitude and latitude of ${text} are swapped`,
  out_of_range: (text) => `${text} is not in degrees: save it as longitude and latitude (WGS 84)`,
};
const STATES = { new: 'new', season: 'new this season', known: 'known already', different: 'different' } as const;
const SHOWN = 15;

/** A list or a map of fields: looked at, taken in as a whole, undone as one. */
export function FieldsFile({ farm, season, onClose }: { farm: Farm; season: number; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const records = useTraceRecords().data;
  const kept = records?.settings.fileMatch.fields;
  const before = useMemo(
    () => Object.fromEntries((kept?.value.heads ?? []).map(({ column, head }) => [column, head])),
    [kept],
  );
  const [file, setFile] = useState<{ name: string; read: FieldsRead } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Readonly<Record<string, string | undefined>>>({});
  const [hectares, setHectares] = useState<boolean | null>(null);
  const [crop, setCrop] = useState<CropId | ''>('');
  const take = async (one: File | undefined): Promise<void> => {
    if (!one) return;
    setProblem(null);
    setFile(null);
    setChosen({});
    setHectares(null);
    try {
      setFile({ name: one.name.slice(0, 120), read: await readFields(one, before) });
    } catch (error) {
      setProblem(error instanceof NoFields ? error.message : 'This file could not be read.');
    }
  };
  const match = useMemo(() => ({ ...file?.read.match, ...chosen }), [file, chosen]);
  const isTable = (file?.read.heads.length ?? 0) > 0;
  const inHectares = hectares ?? file?.read.hectares ?? false;
  const plan = useMemo((): FieldPlan | null => {
    if (!file || !records) return null;
    const known = new Set(Object.values(records.settings.fieldBoundary).map(({ value }) => value.field));
    const rows = isTable ? rowsOf(file.read, match) : file.read.rows;
    return planFields(rows, farm.data.lots, season, { hectares: inHectares, crop: crop === '' ? null : crop, farm: farm.data.farm.name, known, crops: farm.crops }); // prettier-ignore
  }, [file, records, isTable, match, farm, season, inHectares, crop]);
  const wanted = plan?.fields.filter(({ state }) => state !== 'known') ?? [];
  const counts = { new: 0, season: 0, known: 0, different: 0 };
  for (const { state } of plan?.fields ?? []) counts[state]++;
  const takeIn = async (): Promise<void> => {
    const body = {
      importId: ulid(),
      file: file!.name,
      season,
      fields: wanted.map(({ name, acres, crop: of, variety, tag, shares, rings }) => ({
        ...{ name, acres, crop: of, variety, tag },
        ...(shares === null ? {} : { shares: [...shares] }),
        ...(rings === null ? {} : { boundary: [...pointsOf(rings)] }),
      })),
    };
    const done = await sending.send(async () => {
      const heads = FIELD_COLUMNS.flatMap((column) =>
        match[column] === undefined ? [] : [{ column, head: match[column] }],
      );
      if (isTable && JSON.stringify(heads) !== JSON.stringify(kept?.value.heads))
        await write(farm.id, setting(farm.id, 'fileMatch', 'fields', { revision: kept?.revision ?? 0, value: { heads } })); // prettier-ignore
      await write(farm.id, post('/api/farms/{farmId}/imports/fields', { path: { farmId: farm.id } }, body as never), file!.name); // prettier-ignore
      return true;
    });
    await refresh();
    if (!done) return;
    toast.success(
      `${number(wanted.length)} ${wanted.length === 1 ? 'field' : 'fields'} taken in; it can be undone as one below.`,
    );
    onClose();
  };
  return (
    <Drawer open onClose={onClose} title="Fields from a file" wide>
      <div className="space-y-4 px-5 py-4">
        <FileBox
          label="CSV, XLSX, GeoJSON, zipped shapefile or ISO 11783 task data"
          accept=".csv,.txt,.xlsx,.json,.geojson,.zip,.xml"
          onTake={(one) => void take(one)}
        />
        {problem !== null && <Problem>{problem}</Problem>}
        {file && plan && (
          <>
            {isTable && (
              <ColumnsMatched
                columns={FIELD_COLUMNS}
                words={FIELD_COLUMN_WORDS}
                heads={file.read.heads}
                match={match}
                must={['field']}
                onChoose={(column, head) => setChosen({ ...chosen, [column]: head })}
              >
                <CheckBox checked={inHectares} onChange={setHectares}>
                  Areas are in hectares
                </CheckBox>
              </ColumnsMatched>
            )}
            <SelectBox
              label="Crop of those that name none"
              value={crop}
              onChange={(event) => setCrop(event.target.value as CropId | '')}
            >
              <option value="">none: leave them out</option>
              {farm.crops.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </SelectBox>
            <p className="text-xl" role="status">
              <b>
                {number(counts.new)} new, {number(counts.season)} new in {season}
              </b>
              , {number(counts.known)} known already, {number(counts.different)} different
              {plan.problems.length > 0 && (
                <>
                  , <b className="text-clay">{number(plan.problems.length)} that cannot be read</b>
                </>
              )}
              .
            </p>
            <Unreadable
              most={SHOWN}
              lines={plan.problems.map(
                ({ row, what, text }) => `${isTable ? 'Line' : 'Field'} ${number(row)}: ${PROBLEMS[what](text)}`,
              )}
            />
            {plan.fields.length > 0 && (
              <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="The fields">
                <table className="w-full text-sm">
                  <thead className="border-b border-ink text-left">
                    <tr>
                      <th className="py-1 pr-2">Field</th>
                      <th className="px-2">Tag</th>
                      <th className="px-2">Crop</th>
                      <th className="px-2 text-right">Area</th>
                      <th className="py-1 pl-2">It is</th>
                    </tr>
                  </thead>
                  <tbody>
                    {plan.fields.slice(0, 60).map((one) => (
                      <tr key={one.row} className="border-b border-rule">
                        <td className="py-1 pr-2">{one.name}</td>
                        <td className="px-2">{one.tag}</td>
                        <td className="px-2">{cropOf(one.crop)?.short}</td>
                        <td className="px-2 text-right">
                          {area(one.acres).text}
                          {one.said !== null && (
                            <span className="block text-clay">its boundary has {area(one.said).text}</span>
                          )}
                        </td>
                        <td className="py-1 pl-2">
                          {STATES[one.state]}
                          {one.state === 'different' && one.was !== null && `: it had ${area(one.was).text}`}
                          {one.rings !== null && ', with its boundary'}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
                {plan.fields.length > 60 && (
                  <p className="mt-1 text-sm text-muted">and {number(plan.fields.length - 60)} more</p>
                )}
              </div>
            )}
            <Problem>{sending.message}</Problem>
            <Button look="do" disabled={wanted.length === 0 || sending.busy} onClick={() => void takeIn()}>
              {wanted.length === 0
                ? 'Nothing new to take in'
                : `Take in ${number(wanted.length)} ${wanted.length === 1 ? 'field' : 'fields'}`}
            </Button>
          </>
        )}
      </div>
    </Drawer>
  );
}
