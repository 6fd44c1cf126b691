import { cropOf, currentSeason, YEARS_BY, yearsBy, type YearsBy, type YearCell, type YearsRow } from '@fanega/core';
import { useMemo, useState } from 'react';
import { type Farm, useYears } from '../../../data/farm';
import { area, bushels, cropYield, loss, number, percent } from '../../../quantity/quantity';
import { Choices, Empty, Loading, SelectBox } from '../../../ui';
import { Section } from '../../../ui/page';
import { type Column, DataTable } from '../../../ui/table';
import { Verdict } from '../../../ui/verdict';
import { settingText, SHOWN } from '../../../widgets/setting-words';
import { wordColumn } from '../../../widgets/columns';

const WORDS: Readonly<Record<YearsBy, string>> = {
  field: 'Field',
  variety: 'Variety',
  moisture: 'Moisture',
  settings: 'Settings',
};
/** Moistures that stand together, wide. */
const BAND = 0.02;

/** Years side by side: by field, variety, the moisture that it came off at, or the settings that it was cut with. */
export default function Years({ farm }: { farm: Farm }) {
  const lots = useYears().data;
  const [by, setBy] = useState<YearsBy>('field');
  const crops = useMemo(() => [...new Set((lots ?? []).map(({ crop }) => crop))], [lots]);
  const [chosen, setCrop] = useState<string | null>(null);
  const crop = chosen ?? crops[0] ?? 'corn';
  const per = farm.kgPerBu(crop);
  const found = useMemo(() => yearsBy(lots ?? [], crop, by, farm.data.farm.defaults), [lots, crop, by, farm]);
  const fields = useMemo(() => yearsBy(lots ?? [], crop, 'field', farm.data.farm.defaults), [lots, crop, farm]);
  if (!lots) return <Loading what="Comparing the years" />;
  if (lots.length === 0) return <Empty title="Nothing was cut yet." />;
  const name = (row: YearsRow): string => {
    if (by === 'moisture') return `${percent(Number(row.name))} to ${percent(Number(row.name) + BAND)}`;
    if (by === 'settings')
      return [row.machine, ...Object.entries(row.values).map(([one, value]) => `${SHOWN[one as keyof typeof SHOWN].label.toLowerCase()} ${settingText(one as keyof typeof SHOWN, value)}`)].join(', '); // prettier-ignore
    return row.name === '' ? 'not told' : row.name;
  };
  const columns: Column<YearsRow>[] = [
    wordColumn('name', WORDS[by], name, { phone: 'title' }),
    ...found.seasons.map((season): Column<YearsRow> => {
      const of = ({ cells }: YearsRow): YearCell | undefined => cells[season];
      const figure = (row: YearsRow): number | null => {
        const cell = of(row);
        if (!cell) return null;
        return by === 'settings' ? (cell.loss === null ? null : loss.shown(cell.loss, per)) : cell.perAcre === null ? null : cropYield.shown(cell.perAcre, per); // prettier-ignore
      };
      return {
        id: String(season),
        head: String(season),
        unit: by === 'settings' ? loss.unit : cropYield.unit,
        right: true,
        phone: season === found.seasons[0] ? 'verdict' : undefined,
        value: figure,
        show: (row) => {
          const cell = of(row);
          if (!cell) return '';
          return (
            <span className="block">
              <b>{by === 'settings' ? (cell.loss === null ? 'not counted' : loss.figure(cell.loss, per)) : cell.perAcre === null ? '' : cropYield.figure(cell.perAcre, per)}</b>
              {cell.open && by !== 'settings' ? ' ◐' : ''}
              <span className="block text-sm whitespace-nowrap text-muted">
                {by === 'settings' ? bushels(Math.round(cell.bushels), per).text : area(cell.acres).text}, {percent(cell.moisture)}
              </span>
            </span>
          );
        },
      } as Column<YearsRow>;
    }),
  ];
  // The whole crop of the last two years that are cut.
  const whole = (season: number): { readonly perAcre: number; readonly acres: number } | null => {
    const cells = fields.rows.flatMap(({ cells: own }) => (own[season] && !own[season].open ? [own[season]] : []));
    const acres = cells.reduce((sum, cell) => sum + cell.acres, 0);
    return acres > 0 ? { perAcre: cells.reduce((sum, cell) => sum + cell.bushels, 0) / acres, acres } : null;
  };
  const now = currentSeason(farm.data.lots);
  const told = fields.seasons.flatMap((season) => (whole(season) ? [{ season, ...whole(season)! }] : []));
  const [last, before] = told;
  return (
    <>
      <Section label="Years">
        {last ? (
          <Verdict small about={`${cropOf(crop)?.name ?? crop}, ${last.season}${last.season === now ? ', finished fields' : ''}`} figure={cropYield(last.perAcre, per).text}>
            {before
              ? `${before.season} brought ${cropYield(before.perAcre, per).text}: ${cropYield(Math.abs(last.perAcre - before.perAcre), per).text} ${last.perAcre >= before.perAcre ? 'more' : 'less'} this time, on ${area(Math.round(last.acres)).text} against ${area(Math.round(before.acres)).text}.`
              : `${number(told.length)} year is in the book; the next one will show beside it.`}{' '}
            Ground and weather differ from year to year: this shows what changed, not why.
          </Verdict>
        ) : (
          <p className="text-xl">No field of it is finished yet.</p>
        )}
        <div className="mt-4 flex flex-wrap items-end gap-5">
          <div className="w-52">
            <SelectBox label="Crop" value={crop} onChange={(event) => setCrop(event.target.value)}>
              {crops.map((id) => (
                <option key={id} value={id}>
                  {cropOf(id)?.name ?? id}
                </option>
              ))}
            </SelectBox>
          </div>
          <Choices label="By" value={by} onChange={setBy} choices={YEARS_BY.map((value) => ({ value, label: WORDS[value] }))} />
        </div>
      </Section>
      <section aria-label={`Years by ${WORDS[by].toLowerCase()}`} className="border-t border-ink">
        <DataTable
          key={`${by} ${crop}`}
          name={`Years by ${WORDS[by].toLowerCase()}`}
          one="line"
          many="lines"
          rows={found.rows}
          columns={columns}
          rowId={({ key }) => key}
          empty={<Empty title={by === 'settings' ? 'No settings were written down for what was cut.' : 'Nothing of it was cut yet.'} />}
        />
        <p className="px-5 py-3 text-sm text-muted lg:px-6">
          {by === 'settings'
            ? 'Loss as it was counted, over what was cut with each; sheets of the same rotor, concave and fan are one line.'
            : 'Dry at the farm’s base. ◐: its last load is less than a week old, it may not be finished.'}
        </p>
      </section>
    </>
  );
} // prettier-ignore
