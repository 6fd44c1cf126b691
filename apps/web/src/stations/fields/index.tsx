import {
  fieldNow,
  baseMoistureOf,
  cropOf,
  dryBushels,
  type FieldRecords,
  type FieldRow,
  FIRE_STOP,
  buyerSaid,
  testersOf,
} from '@fanega/core';
import { Suspense, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useFarm, useFields, useNotebook, useShed, useWeather } from '../../data/farm';
import { Button, Empty } from '../../ui';
import { type Column, DataTable } from '../../ui/table';
import { QueryBoundary } from '../../ui/query-boundary';
import {
  area,
  bushels,
  cropYieldFine,
  grain,
  Moisture,
  moisture as wetness,
  percent,
  shortPercent,
  Shown,
} from '../../quantity/quantity';
import { day, stamp } from '../../quantity/time';
import { Swatch } from '../../widgets/weave';
import { AddField } from './forms/add-field';
import { NextSeason } from './forms/next-season';
import { Fitness } from './pages/fitness';
import { TakeReading } from '../../widgets/take-reading';
import { WeatherLine, WeatherNow } from './pages/weather-line';
import { Page } from '../../ui/page';
import { useInSlices } from '../../ui/use-soon';
import { SeasonBox, useSeason } from '../../widgets/season-box';
import { StartLink } from '../../widgets/start-link';
import { Below } from '../../ui/below';
import { lazily } from '../../ui/lazily';

/** It comes after the fields. */
const ByVariety = lazily(() => import('./pages/by-variety'), '/fields');

/** Bushels at the crop's base from a lot's dry matter. */
function dryBu(farm: Farm, row: FieldRow): number {
  const crop = cropOf(row.lot.crop);
  return crop
    ? dryBushels(row.cutDryKg, crop.legalPounds, baseMoistureOf(crop.id, farm.data.farm.defaults))
    : row.cutDryKg / farm.kgPerBu(undefined);
}

/** What stands, what is cut and what it brought. */
export default function Fields() {
  const farm = useFarm();
  const chosen = useSeason(farm);
  const fields = useFields(chosen.season);
  const notebook = useNotebook();
  const weather = useWeather(1, 2);
  const hours = useInSlices(weather.data !== undefined) ? weather.data : undefined;
  const stopAt = useShed().data?.settings.seasonPlan.farm?.value.fireStopAt ?? FIRE_STOP;
  const hour = Math.floor(farm.data.now / 3_600_000) * 3_600_000;
  const [adding, setAdding] = useState(false);
  const [beginning, setBeginning] = useState(false);
  const [reading, setReading] = useState(false);
  return (
    <Page
      title="Fields"
      beside={<SeasonBox {...chosen} />}
      actions={
        <>
          <Link
            to="/fields/next"
            className="inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4"
          >
            Which field next?
          </Link>
          <Button onClick={() => setReading(true)}>Take a reading</Button>
          <Button onClick={() => setAdding(true)}>Add a field</Button>
          {farm.data.lots.length > 0 && (
            <Button look="quiet" onClick={() => setBeginning(true)}>
              Next season
            </Button>
          )}
        </>
      }
    >
      {/* As high as it will be: what stands below does not jump. */}
      {!hours && !weather.error && <div className="h-[321px] lg:h-[193px]" aria-hidden="true" />}
      {hours && hours.length > 0 && (
        <section aria-label="Weather" className="min-h-[321px] border-b border-rule px-5 py-3 lg:min-h-[193px] lg:px-6">
          <WeatherNow weather={hours} nowMs={farm.data.now} timeZone={farm.data.farm.timeZone} stopAt={stopAt} />
          <WeatherLine
            weather={hours}
            from={hour}
            to={hour + 36 * 3_600_000}
            timeZone={farm.data.farm.timeZone}
            stopAt={stopAt}
          />
        </section>
      )}
      <QueryBoundary answer={fields} what="Adding up the fields">
        {(rows) =>
          rows.length === 0 ? (
            <Empty title="No field stands in the book yet.">
              <p>A field with its crop is what every bushel is traced to. Type them, or paste a list.</p>
              <StartLink step="fields">Add the fields</StartLink>
            </Empty>
          ) : (
            <Season farm={farm} rows={rows} notebook={notebook.data} />
          )
        }
      </QueryBoundary>
      {adding && <AddField onClose={() => setAdding(false)} />}
      {beginning && <NextSeason farm={farm} onClose={() => setBeginning(false)} />}
      {reading && <TakeReading onClose={() => setReading(false)} />}
    </Page>
  );
}

function Season({
  farm,
  rows,
  notebook,
}: {
  farm: Farm;
  rows: readonly FieldRow[];
  notebook: FieldRecords | undefined;
}) {
  const columns = useMemo(() => fieldColumns(farm, notebook), [farm, notebook]);
  // What is cut today, then what stands, then what is done.
  const rank = (row: FieldRow): number => ((farm.data.flow.cut[row.lot.id] ?? 0) > 0 ? 0 : row.firstCut ? 2 : 1);
  const shown = useMemo(
    () => [...rows].sort((a, b) => rank(a) - rank(b)),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [rows, farm.data.flow.cut],
  );
  const crops = [...new Set(shown.map((row) => row.lot.crop))];
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-10 gap-y-3 px-5 py-4 lg:px-6">
        {crops.map((crop) => {
          // A landlord's part and a neighbor's rows are not the farm's own, however they were cut.
          const owners = farm.owners(
            Object.fromEntries(
              shown.filter((row) => row.lot.crop === crop).map((row) => [row.lot.id, dryBu(farm, row)]),
            ),
          );
          const sum = (own: boolean): number =>
            owners.reduce((total, owner) => total + (owner.own === own ? owner.kg : 0), 0);
          return (
            <p key={crop}>
              <span className="block text-sm text-muted">
                {cropOf(crop)?.name ?? crop}
                {sum(false) > 0 ? ', own' : ''}, dry at {percent(cropOf(crop)?.baseMoisture ?? 0)}
              </span>
              <span className="text-2xl font-bold">
                <Shown of={bushels(sum(true), farm.kgPerBu(crop))} />
              </span>
              {sum(false) >= 1 && (
                <span className="block text-sm">
                  and of others <Shown of={bushels(sum(false), farm.kgPerBu(crop))} />
                </span>
              )}
            </p>
          );
        })}
      </div>
      <DataTable
        name="Fields"
        one="field"
        many="fields"
        rows={shown}
        columns={columns}
        rowId={({ lot }) => lot.id}
        empty={<Empty title="No field is planted in this season." />}
      />
      <p className="px-5 py-3 text-sm text-muted lg:px-6">
        Yield counts every planted acre, so it grows until the field is finished. Dry grain is the same dry matter at
        the crop&rsquo;s base.
      </p>
      {notebook && (
        <Below>
          <Suspense>
            <ByVariety farm={farm} rows={rows} records={notebook} />
          </Suspense>
        </Below>
      )}
    </>
  );
}

function fieldColumns(farm: Farm, notebook: FieldRecords | undefined): Column<FieldRow>[] {
  const { timeZone } = farm.data.farm;
  const testers = testersOf(notebook);
  const windows = notebook?.settings.cuttingWindow;
  const per = ({ lot }: FieldRow): number => farm.kgPerBu(lot.crop);
  const perArea = (row: FieldRow): number | null => {
    const dry = dryBu(farm, row);
    return dry > 0 && row.lot.acres > 0 ? dry / row.lot.acres : null;
  };
  const cutToday = (row: FieldRow): boolean => (farm.data.flow.cut[row.lot.id] ?? 0) > 0;
  return [
    {
      id: 'field',
      head: 'Field',
      phone: 'title',
      value: ({ lot }) => lot.fieldName,
      text: ({ lot }) => `${lot.tag} ${lot.fieldName}`,
      show: ({ lot }) => (
        <>
          <Link to={`/fields/${lot.id}`} className="flex items-center gap-2 font-semibold">
            <Swatch index={farm.lotIndex(lot.id)} size={22} />
            <span className="w-8">{lot.tag}</span>{' '}
            <span className="whitespace-nowrap underline decoration-rule underline-offset-4">{lot.fieldName}</span>
          </Link>
          {lot.shares.length > 1 && (
            <span className="ml-[4.6rem] block text-sm text-muted">
              {lot.shares.map((share) => `${share.owner} ${shortPercent(share.part)}`).join(', ')}
            </span>
          )}
        </>
      ),
    },
    {
      id: 'crop',
      head: 'Crop',
      choice: true,
      value: ({ lot }) => cropOf(lot.crop)?.name ?? lot.crop,
      show: ({ lot }) => (
        <>
          {cropOf(lot.crop)?.name ?? lot.crop}{' '}
          <span className="block text-sm whitespace-nowrap text-muted">{lot.variety}</span>
        </>
      ),
    },
    {
      id: 'area',
      head: 'Area',
      unit: area.unit,
      right: true,
      value: ({ lot }) => (lot.acres > 0 ? area.shown(lot.acres) : null),
      text: ({ lot }) => (lot.acres > 0 ? area.text(lot.acres) : ''),
      show: ({ lot }) => (lot.acres > 0 ? area.figure(lot.acres) : '–'),
      sum: (rows) => area.figure(rows.reduce((sum, { lot }) => sum + lot.acres, 0)),
    },
    {
      id: 'cut',
      head: 'Cut, as it came, dry',
      unit: bushels.unit,
      right: true,
      value: (row) => (row.cutWetKg > 0 ? bushels.shown(dryBu(farm, row), per(row)) : null),
      text: (row) => (row.cutWetKg > 0 ? bushels.text(dryBu(farm, row), per(row)) : ''),
      show: (row) =>
        row.cutWetKg > 0 ? (
          <>
            {grain(row.cutWetKg, per(row)).figure}
            <span className="block text-sm text-muted">{bushels.figure(dryBu(farm, row), per(row))} dry</span>
          </>
        ) : (
          <span className="text-muted">stands</span>
        ),
    },
    {
      id: 'yield',
      head: 'Dry',
      unit: cropYieldFine.unit,
      right: true,
      value: (row) => {
        const dry = perArea(row);
        return dry === null ? null : cropYieldFine.shown(dry, per(row));
      },
      text: (row) => cropYieldFine.text(perArea(row), per(row)),
      show: (row) => {
        const dry = perArea(row);
        return dry === null ? '' : <b className="text-lg">{cropYieldFine.figure(dry, per(row))}</b>;
      },
    },
    {
      id: 'moisture',
      head: 'Last moisture',
      right: true,
      value: (row) => fieldNow(row, testers, buyerSaid(notebook))?.moisture ?? null,
      text: (row) => wetness.text(fieldNow(row, testers, buyerSaid(notebook))?.moisture),
      show: (row) => {
        const now = fieldNow(row, testers, buyerSaid(notebook));
        return now ? (
          <>
            <Moisture value={now.moisture} />
            <span className="block text-sm whitespace-nowrap text-muted">
              {now.count > 1 ? `mean of ${now.count}` : now.source}, {day(now.atMs, timeZone)}
            </span>
          </>
        ) : (
          <span className="text-muted">–</span>
        );
      },
    },
    {
      id: 'fit',
      head: 'Window',
      phone: 'verdict',
      value: (row) => (row.firstCut && !cutToday(row) ? null : (row.lastMoisture?.moisture ?? null)),
      text: () => '',
      // A field that rests after cutting asks nothing.
      show: (row) =>
        row.firstCut && !cutToday(row) ? (
          <span className="text-muted">–</span>
        ) : (
          <span className="whitespace-nowrap">
            <Fitness
              crop={row.lot.crop}
              moisture={fieldNow(row, testers, buyerSaid(notebook))}
              window={windows?.[row.lot.crop]?.value}
              now={farm.data.now}
            />
          </span>
        ),
    },
    {
      id: 'when',
      head: 'Cut',
      value: (row) => row.firstCut ?? null,
      text: (row) => (row.firstCut ? stamp(row.firstCut, timeZone) : 'not yet'),
      show: (row) => (
        <span className="text-sm whitespace-nowrap">
          {cutToday(row) ? (
            <b>● cutting now</b>
          ) : row.firstCut && row.lastCut ? (
            `${day(row.firstCut, timeZone)} – ${day(row.lastCut, timeZone)}`
          ) : (
            <span className="text-muted">not yet</span>
          )}
        </span>
      ),
    },
  ];
}
