import type { FieldRow } from '@fanega/contract';
import type { Notebook } from '@fanega/contract';
import { cropOf, dryBushels, FIRE_STOP } from '@fanega/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useFarm, useFields, useNotebook, useShed, useWeather } from '../../data/farm';
import { type Tester, testersOf } from '../../data/field-facts';
import { Button, Empty, SelectBox } from '../../ui';
import { Answered } from '../../ui/answer';
import { Bushels, formatAcres, formatBushelsFine, Moisture } from '../../widgets/quantity';
import { ownersOf } from '../../widgets/owners';
import { rowKeys } from '../../widgets/row-keys';
import { day } from '../../widgets/time';
import { Swatch } from '../../widgets/weave';
import { AddField } from './add-field';
import { Fitness } from './fitness';
import { TakeReading } from './take-reading';
import { WeatherLine, WeatherNow } from './weather-line';

/** Bushels at the crop's base from a lot's dry matter. */
function dryBu(farm: Farm, row: FieldRow): number {
  const crop = cropOf(row.lot.crop);
  return crop ? dryBushels(row.cutDryKg, crop.legalPounds, crop.baseMoisture) : row.cutDryKg / farm.kgPerBu(undefined);
}

/** What stands, what is cut and what it brought. */
export default function Fields() {
  const farm = useFarm();
  const fields = useFields();
  const notebook = useNotebook();
  const weather = useWeather(1, 2);
  const stopAt = useShed().data?.season?.sheet.fireStopAt ?? FIRE_STOP;
  const hour = Math.floor(farm.data.now / 3_600_000) * 3_600_000;
  const [adding, setAdding] = useState(false);
  const [reading, setReading] = useState(false);
  return (
    <div>
      <div className="flex flex-wrap items-center justify-between gap-3 border-b border-ink px-5 py-3 lg:px-6">
        <h1 className="text-2xl">Fields</h1>
        <div className="flex flex-wrap gap-3">
          <Link to="/fields/next" className="inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4">
            Which field next?
          </Link>
          <Button onClick={() => setReading(true)}>Take a reading</Button>
          <Button onClick={() => setAdding(true)}>Add a field</Button>
        </div>
      </div>
      {weather.data && weather.data.length > 0 && (
        <section aria-label="Weather" className="border-b border-rule px-5 py-3 lg:px-6">
          <WeatherNow weather={weather.data} nowMs={farm.data.now} timeZone={farm.data.farm.timeZone} stopAt={stopAt} />
          <WeatherLine weather={weather.data} from={hour} to={hour + 36 * 3_600_000} timeZone={farm.data.farm.timeZone} stopAt={stopAt} />
        </section>
      )}
      <Answered answer={fields} what="Adding up the fields">
        {(rows) =>
          rows.length === 0 ? (
            <Empty title="No field stands in the book yet.">
              <p>A field with its crop is what every bushel is traced to. Add the first one to begin.</p>
            </Empty>
          ) : (
            <Seasons farm={farm} rows={rows} notebook={notebook.data} />
          )
        }
      </Answered>
      <AddField open={adding} onClose={() => setAdding(false)} />
      <TakeReading open={reading} onClose={() => setReading(false)} />
    </div>
  );
}

function Seasons({ farm, rows, notebook }: { farm: Farm; rows: readonly FieldRow[]; notebook: Notebook | undefined }) {
  const testers = useMemo(() => testersOf(notebook), [notebook]);
  const seasons = [...new Set(rows.map((row) => row.lot.season))].sort((a, b) => b - a);
  const [season, setSeason] = useState(seasons[0]!);
  // What is cut today, then what stands, then what is done.
  const rank = (row: FieldRow): number => ((farm.data.flow.cut[row.lot.id] ?? 0) > 0 ? 0 : row.firstCut ? 2 : 1);
  const shown = rows.filter((row) => row.lot.season === season).sort((a, b) => rank(a) - rank(b));
  const crops = [...new Set(shown.map((row) => row.lot.crop))];
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-10 gap-y-3 px-5 py-4 lg:px-6">
        {seasons.length > 1 && (
          <div className="w-32">
            <SelectBox label="Season" value={season} onChange={(e) => setSeason(Number(e.target.value))}>
              {seasons.map((year) => (
                <option key={year}>{year}</option>
              ))}
            </SelectBox>
          </div>
        )}
        {crops.map((crop) => {
          // A landlord's part and a neighbor's rows are not the farm's own, however they were cut.
          const owners = ownersOf(farm, Object.fromEntries(shown.filter((row) => row.lot.crop === crop).map((row) => [row.lot.id, dryBu(farm, row)])));
          const sum = (own: boolean): number => owners.reduce((total, owner) => total + (owner.own === own ? owner.kg : 0), 0);
          return (
            <p key={crop}>
              <span className="block text-sm text-muted">
                {cropOf(crop)?.name ?? crop}
                {sum(false) > 0 ? ', own' : ''}, dry at {((cropOf(crop)?.baseMoisture ?? 0) * 100).toFixed(1)} %
              </span>
              <span className="text-2xl font-bold">
                <Bushels value={sum(true)} />
              </span>
              {sum(false) >= 1 && (
                <span className="block text-sm">
                  and of others <Bushels value={sum(false)} />
                </span>
              )}
            </p>
          );
        })}
      </div>
      <div className="relative overflow-x-auto">
        <table className="w-full min-w-[60rem]" onKeyDown={rowKeys}>
          <thead className="border-y border-ink text-left text-sm">
            <tr>
              <th className="py-2 pr-2 pl-5 lg:pl-6">Field</th>
              <th className="px-2">Crop, variety</th>
              <th className="px-2 text-right">Acres</th>
              <th className="px-2 text-right">Cut, as it came, dry</th>
              <th className="px-2 text-right">Dry an acre</th>
              <th className="px-2 text-right">Last moisture</th>
              <th className="px-2">Fit to cut?</th>
              <th className="py-2 pr-5 pl-2 lg:pr-6">Cut</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((row) => (
              <Row key={row.lot.id} farm={farm} row={row} windows={notebook?.windows} tester={testers.get(row.lastMoisture?.tester ?? '')} />
            ))}
          </tbody>
        </table>
      </div>
      <p className="px-5 py-3 text-sm text-muted lg:px-6">
        Dry an acre counts every planted acre, so it grows until the field is finished. Dry bushels are the same dry matter at the crop&rsquo;s base.
      </p>
    </>
  );
}

function Row({ farm, row, windows, tester }: { farm: Farm; row: FieldRow; windows: Notebook['windows'] | undefined; tester: Tester | undefined }) {
  const { lot } = row;
  const { timeZone } = farm.data.farm;
  const dry = dryBu(farm, row);
  const cutToday = (farm.data.flow.cut[lot.id] ?? 0) > 0;
  return (
    <tr className="border-b border-rule hover:bg-sand">
      <td className="py-2 pr-2 pl-5 lg:pl-6">
        <Link to={`/fields/${lot.id}`} className="flex items-center gap-2 font-semibold">
          <Swatch index={farm.lotIndex(lot.id)} size={22} />
          <span className="w-8">{lot.tag}</span> <span className="whitespace-nowrap underline decoration-rule underline-offset-4">{lot.fieldName}</span>
        </Link>
        {lot.shares.length > 1 && (
          <span className="ml-[4.6rem] block text-sm text-muted">{lot.shares.map((share) => `${share.owner} ${Math.round(share.part * 1000) / 10} %`).join(', ')}</span>
        )}
      </td>
      <td className="px-2">
        {cropOf(lot.crop)?.name ?? lot.crop} <span className="block text-sm whitespace-nowrap text-muted">{lot.variety}</span>
      </td>
      <td className="px-2 text-right">{lot.acres > 0 ? formatAcres(lot.acres) : '–'}</td>
      <td className="px-2 text-right">
        {row.cutWetKg > 0 ? (
          <>
            <Bushels value={row.cutWetKg / farm.kgPerBu(lot.crop)} />
            <span className="block text-sm text-muted">
              <Bushels value={dry} basis="dry" />
            </span>
          </>
        ) : (
          <span className="text-muted">stands</span>
        )}
      </td>
      <td className="px-2 text-right text-lg font-semibold">{dry > 0 && lot.acres > 0 ? formatBushelsFine(dry / lot.acres) : ''}</td>
      <td className="px-2 text-right">
        {row.lastMoisture ? (
          <>
            <Moisture value={row.lastMoisture.moisture} />
            <span className="block text-sm whitespace-nowrap text-muted">
              {row.lastMoisture.source}, {day(row.lastMoisture.at, timeZone)}
            </span>
          </>
        ) : (
          <span className="text-muted">–</span>
        )}
      </td>
      <td className="px-2 whitespace-nowrap">
        {/* A field that rests after cutting asks nothing. */}
        {row.firstCut && !cutToday ? <span className="text-muted">–</span> : <Fitness row={row} window={windows?.[lot.crop]?.sheet} now={farm.data.now} tester={tester} />}
      </td>
      <td className="py-2 pr-5 pl-2 text-sm whitespace-nowrap lg:pr-6">
        {cutToday ? (
          <b>● cutting now</b>
        ) : row.firstCut && row.lastCut ? (
          `${day(row.firstCut, timeZone)} – ${day(row.lastCut, timeZone)}`
        ) : (
          <span className="text-muted">not yet</span>
        )}
      </td>
    </tr>
  );
}
