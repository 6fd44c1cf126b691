import { cropIn, type CropId, CROPS, cropOf, currentSeason, FIELD_HEADS, FIELD_NAMES, plainName, tagFor } from '@fanega/core'; // prettier-ignore
import { Link } from 'react-router';
import { ulid } from 'ulid';
import { post } from '../../../data/api';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { area, system } from '../../../quantity/quantity';
import { oneOf, rows } from '../../../ui/form/box';
import { type GridRow, isBlank } from '../../../ui/form/grid';
import { useFields } from '../../../ui/form/use-fields';
import { useKept } from '../../../ui/use-kept';
import { figureBox, textBox } from '../../../widgets/record-boxes';
import { toast } from '../../../ui/toast';
import { Step } from './step';

type Column = 'field' | 'acres' | 'crop' | 'variety';
const isEmpty = isBlank(['field', 'acres', 'variety']);
const EXAMPLE: readonly GridRow<Column>[] = [
  { field: 'Heron Slough', acres: '62.5', crop: 'corn', variety: 'early, 102 days' },
  { field: 'Pecan Turn', acres: '118', crop: 'soybean', variety: '' },
  { field: 'Lower Gum', acres: '80', crop: 'corn', variety: '' },
];
const USUAL: readonly CropId[] = ['corn', 'soybean', 'wheat', 'sorghum'];

/** What the farm grows and where: typed, pasted from a spreadsheet, or out of a file. */
export default function FieldsStep({ farm }: { farm: Farm }) {
  const refresh = useRefreshFarm(farm.id);
  const season = currentSeason(farm.data.lots) ?? new Date(farm.data.now).getUTCFullYear();
  const here = farm.data.lots.filter((lot) => lot.season === season);
  const grown = [...new Set(here.map(({ crop }) => crop as CropId))];
  const [chosen, choose] = useKept<readonly CropId[]>(`start.crops.${farm.id}`, () => (grown.length > 0 ? grown : ['corn'])); // prettier-ignore
  const first = chosen[0] ?? 'corn';
  const start: GridRow<Column> = { field: '', acres: '', crop: first, variety: '' };
  const order = [...new Set([...chosen, ...grown, ...farm.crops.map(({ id }) => id as CropId)])];
  const form = useFields({
    keptAs: `start.fields.${farm.id}.${system()}`,
    boxes: {
      rows: rows(
        () => ({
          field: textBox(FIELD_NAMES.name, 'needs a name'),
          acres: figureBox(FIELD_NAMES.acres, area),
          crop: oneOf<CropId>(),
          variety: textBox(FIELD_NAMES.variety),
        }),
        isEmpty as never,
      ),
    },
    start: () => ({ rows: [start] as never }),
    together: (_, { rows: typed }) => {
      const known = new Set(here.map(({ fieldName }) => plainName(fieldName)));
      const errors: Record<string, string> = {};
      typed.forEach((row, i) => {
        if (isEmpty(row)) return;
        const name = plainName(row.field);
        if (known.has(name)) errors[`rows.${i}.field`] = `${row.field.trim()} is there already this season`;
        known.add(name);
      });
      if (typed.every(isEmpty)) errors[''] = 'Type a field, or paste a list of them.';
      return errors;
    },
    save: async ({ rows: read }) => {
      const tags = new Set(here.map(({ tag }) => tag));
      const fields = read.map(({ field, acres, crop, variety }) => {
        const tag = tagFor(field, tags);
        tags.add(tag);
        return { name: field, acres, crop, variety, tag };
      });
      const body = { importId: ulid(), file: 'typed as a list', season, fields };
      await write(farm.id, post('/api/farms/{farmId}/imports/fields', { path: { farmId: farm.id } }, body as never), 'fields'); // prettier-ignore
      toast.success(`${fields.length} ${fields.length === 1 ? 'field' : 'fields'} of ${season}`);
      await refresh();
    },
  });
  return (
    <Step<Column>
      question={`What do you grow in ${season}?`}
      lead="A line for each field. Copy a list out of a spreadsheet and paste it into the first box: names, acres, crops."
      form={form as never}
      columns={[
        { name: 'field', label: 'Field', wide: 2, maxLength: 60, placeholder: 'Heron Slough' },
        { name: 'acres', label: 'Area', unit: area.unit, placeholder: '62.5' },
        {
          name: 'crop',
          label: 'Crop',
          choices: order.map((id) => ({ value: id, label: CROPS[id].short })),
          pasted: (text) => cropIn(text, farm.crops) ?? first,
        },
        { name: 'variety', label: 'Variety', maxLength: 40, placeholder: 'may stay empty' },
      ]}
      start={start}
      isEmpty={isEmpty}
      patterns={FIELD_HEADS}
      what="field"
      example={EXAMPLE}
      there={here.map((lot) => ({
        key: lot.id,
        name: lot.fieldName,
        more: `${cropOf(lot.crop)?.short ?? lot.crop}, ${area(lot.acres).text}`,
      }))}
    >
      <fieldset className="mt-4">
        <legend className="text-sm font-semibold">What do you grow?</legend>
        <div className="mt-1 flex flex-wrap gap-2">
          {[...new Set([...USUAL, ...chosen, ...grown])].map((id) => (
            <Chip
              key={id}
              name={CROPS[id].name}
              on={chosen.includes(id)}
              onChange={(on) => choose(on ? [...chosen, id] : chosen.filter((one) => one !== id))}
            />
          ))}
          <select
            aria-label="Another crop"
            className="min-h-11 rounded-[3px] border border-rule bg-transparent px-2"
            value=""
            onChange={(event) => choose([...chosen, event.target.value as CropId])}
          >
            <option value="">another …</option>
            {farm.crops
              .filter(({ id }) => !USUAL.includes(id as CropId) && !chosen.includes(id as CropId))
              .map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
          </select>
        </div>
      </fieldset>
      <p className="mt-3 text-muted">
        A file instead (CSV, XLSX, GeoJSON, shapefile, ISO 11783):{' '}
        <Link to="/trace/data" className="underline decoration-rule underline-offset-4">
          Data in and out
        </Link>
        . There a list that was typed here is undone as one, too.
      </p>
    </Step>
  );
}

function Chip({ name, on, onChange }: { name: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <label className="inline-flex min-h-11 cursor-pointer items-center rounded-[3px] border border-ink px-4 font-semibold has-checked:bg-ink has-checked:text-paper has-focus-visible:outline-3 has-focus-visible:outline-clay">
      <input type="checkbox" className="sr-only" checked={on} onChange={(event) => onChange(event.target.checked)} />
      {name}
    </label>
  );
}
