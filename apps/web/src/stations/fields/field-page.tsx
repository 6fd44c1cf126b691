import type { FieldRow, Notebook, ReadingInfo, WeatherHourInfo, WindowBody } from '@fanega/contract';
import { type FieldForecast, FIRE_STOP, fitToCut, type FitVerdict, gatherReadings, LEAST_PAIRS, likelyBuyerReading } from '@fanega/core';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { type Farm, useFarm, useFields, useLotMoistures, useNotebook, useReadings, useShed, useWeather } from '../../data/farm';
import { asBuyer, buyerOffset, fieldFacts, type FieldFacts, type Tester, testersOf, windowFor } from '../../data/field-facts';
import { useScience } from '../../science';
import { Button, Choices, Empty, SelectBox } from '../../ui';
import { Answered } from '../../ui/answer';
import { formatAcres, formatMoisture, Moisture } from '../../widgets/quantity';
import { clock, day, startOfDay, weekday } from '../../widgets/time';
import { TakeBack } from '../../widgets/take-back';
import { Swatch } from '../../widgets/weave';
import { FIT_LOOK, OLD_AFTER_HOURS } from './fitness';
import { FieldSheet } from './field-sheet';
import { OwnersSheet } from './owners-sheet';
import { MoistureChart, SourceName } from './moisture-chart';
import { TakeReading } from './take-reading';
import { PairSheet, testerWords } from './testers';
import { bestStart, useWaiting, Waiting } from './waiting';
import { WeatherLine } from './weather-line';
import { WindowSheet } from './window-sheet';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** Clocks of devices may differ by this. */
const JUST_MS = 5 * 60_000;
/** A chart of more marks than this is a smear; beyond it readings are gathered. */
const MOST_MARKS = 180;
/** Older readings of beans say nothing of today; those of other crops count by their means. */
const BEAN_HOURS = 32;
const MOST_SAMPLES = 200;

export default function FieldPage() {
  const { lotId = '' } = useParams();
  const farm = useFarm();
  const fields = useFields();
  const notebook = useNotebook();
  const weather = useWeather(3, 3);
  return (
    <Answered answer={fields} what="Looking at the field">
      {(rows) => {
        const row = rows.find(({ lot }) => lot.id === lotId);
        if (!row) return <Empty title="There is no such field in the book." />;
        return (
          <Answered answer={notebook} what="Looking at the field">
            {(book) => <Field key={lotId} farm={farm} rows={rows} row={row} notebook={book} weather={weather.data ?? []} />}
          </Answered>
        );
      }}
    </Answered>
  );
}

/** The readings that a forecast needs: few enough to be handed to the worker at a touch. */
function samplesOf(readings: Known['readings'], until: number, beans: boolean): { atMs: number; moisture: number }[] {
  const wanted = beans ? readings.filter(({ atMs }) => atMs > until - BEAN_HOURS * HOUR) : readings;
  // Nothing of the last day: the newest one says so.
  const used = wanted.length > 0 ? wanted : readings.slice(-1);
  return gatherReadings(
    used.map(({ atMs, likely }) => ({ atMs, moisture: likely, source: '' })),
    MOST_SAMPLES,
  ).map(({ atMs, moisture }) => ({ atMs: Math.round(atMs), moisture }));
}

/** What the readings come to, corrected to the buyer's tester or as they were read. */
interface Known {
  readonly readings: readonly (ReadingInfo & { readonly atMs: number; readonly likely: number })[];
  readonly bites: readonly { readonly atMs: number; readonly cracked: number }[];
}

function Field({ farm, rows, row, notebook, weather }: { farm: Farm; rows: readonly FieldRow[]; row: FieldRow; notebook: Notebook; weather: readonly WeatherHourInfo[] }) {
  const { lot } = row;
  const { timeZone } = farm.data.farm;
  const stopAt = useShed().data?.season?.sheet.fireStopAt ?? FIRE_STOP;
  const own = useReadings(lot.fieldId);
  const fromBook = useLotMoistures(lot.id);
  // A reading of this moment may be some seconds ahead of the last answer of the farm: it counts at once.
  const justRead = (own.data ?? []).reduce((newest, { at }) => (Date.parse(at) <= farm.data.now + JUST_MS ? Math.max(newest, Date.parse(at)) : newest), 0);
  const nowMs = Math.ceil(Math.max(farm.data.now, justRead) / 60_000) * 60_000;
  const [buyerId, setBuyerId] = useState<string | null>(null);
  const [corrected, setCorrected] = useState(true);
  const [span, setSpan] = useState<'day' | 'season'>(lot.crop === 'soybean' ? 'day' : 'season');
  const [sheet, setSheet] = useState<'reading' | 'window' | 'owners' | 'field' | { readonly tester: string } | null>(null);
  const testers = useMemo(() => testersOf(notebook), [notebook]);
  const facts = fieldFacts(farm, rows, notebook).find((f) => f.row.lot.id === lot.id)!;
  const buyers = farm.data.places.filter((place) => place.kind === 'buyer');
  const wanted = windowFor(notebook, lot.crop, buyerId);
  const window = (wanted ?? windowFor(notebook, lot.crop, null))?.sheet;

  const known = useMemo((): Known => {
    const year = Date.UTC(lot.season, 0, 1);
    const all = [...(own.data ?? []), ...(fromBook.data ?? [])]
      .map((reading) => ({ ...reading, atMs: Date.parse(reading.at) }))
      .filter(({ atMs, voided }) => atMs >= year && !voided);
    const offsets = new Map([...testers].map(([name, tester]) => [name, buyerOffset(tester)]));
    return {
      readings: all
        .flatMap((r) => (r.moisture === null ? [] : [{ ...r, likely: corrected ? asBuyer(r.moisture, offsets.get(r.tester) ?? 0) : r.moisture }]))
        .sort((a, b) => a.atMs - b.atMs),
      bites: all.flatMap(({ atMs, cracked }) => (cracked === null ? [] : [{ atMs, cracked }])),
    };
  }, [own.data, fromBook.data, lot.season, corrected, testers]);

  const ask = (until: number, readings: Known['readings']) =>
    window && readings.length > 0
      ? {
          crop: facts.crop.like,
          readings: samplesOf(readings, until, facts.crop.like === 'soybean'),
          weather: weather.map(({ at, temperature, humidity, wet }) => ({ atMs: Date.parse(at), temperature: Math.min(50, Math.max(-10, temperature)), humidity, wet })),
          window: { least: window.bestFrom, most: window.bestTo },
          nowMs: until,
          dayOfYear: Math.min(366, 1 + Math.floor((until - Date.UTC(new Date(until).getUTCFullYear(), 0, 1)) / DAY)),
        }
      : null;
  const last = known.readings.at(-1);
  const answer = useScience('forecast', ask(nowMs, known.readings));
  const forecast = answer.data && 'points' in answer.data ? answer.data : null;
  // What the readings before the last one said about it: the forecast is held to what came.
  const earlier = known.readings.slice(0, -1);
  const before = useScience('forecast', last && earlier.length > 0 && last.atMs - earlier.at(-1)!.atMs > 20 * 60_000 ? ask(earlier.at(-1)!.atMs, earlier) : null);

  const marks = useMemo(
    () =>
      gatherReadings(
        known.readings.map(({ atMs, likely, source }) => ({ atMs, moisture: likely, source })),
        MOST_MARKS,
      ),
    [known],
  );
  const midnight = startOfDay(nowMs, timeZone);
  const start = known.readings[0]?.atMs ?? nowMs - 7 * DAY;
  const [from, to] = span === 'day' ? [midnight + 6 * HOUR, midnight + 33 * HOUR] : [Math.max(midnight - 28 * DAY, Math.floor(start / DAY) * DAY), midnight + 15 * DAY];
  const machines = Object.entries(notebook.machines).map(([id, { sheet: profile }]) => ({ name: farm.placeName(id), profile }));
  const given = { facts, window, forecast, machines, nowMs, timeZone };
  const waiting = useWaiting(given);

  return (
    <div>
      <div className="flex flex-wrap items-center justify-between gap-3 border-b border-ink px-5 py-3 lg:px-6">
        <h1 className="flex items-center gap-3 text-2xl">
          <Swatch index={farm.lotIndex(lot.id)} size={26} /> {lot.fieldName}
          <span className="text-base font-normal text-muted">
            {[facts.crop.name, lot.variety].filter(Boolean).join(' ')}, {lot.acres > 0 ? `${formatAcres(lot.acres)} ac` : 'acres not measured'}
            {facts.acresLeft > 0 && facts.acresLeft < lot.acres ? `, ${formatAcres(facts.acresLeft)} still stand` : ''}
          </span>
        </h1>
        <div className="flex flex-wrap gap-3">
          <Link to={`/trace/lot/${lot.id}`} className="inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4">
            Its bushels
          </Link>
          <Button onClick={() => setSheet('field')}>Name and acres</Button>
          <Button onClick={() => setSheet('owners')}>
            {lot.shares.every(({ owner }) => owner === farm.data.farm.name)
              ? 'Whose grain'
              : lot.shares.map(({ owner, part }) => `${owner === farm.data.farm.name ? 'own' : owner} ${Math.round(1000 * part) / 10} %`).join(', ')}
          </Button>
          <Button look="do" onClick={() => setSheet('reading')}>
            Take a reading
          </Button>
        </div>
      </div>

      <Fit
        facts={facts}
        last={last}
        tester={last && testers.get(last.tester)}
        window={window}
        forecast={forecast}
        nowMs={nowMs}
        timeZone={timeZone}
        corrected={corrected && (testers.get(last?.tester ?? '')?.pairs.length ?? 0) >= LEAST_PAIRS}
        wetNow={isWet(weather, nowMs)}
        byDollars={waiting.answer ? bestStart(waiting.answer, waiting.base, timeZone) : null}
      />

      <section aria-label="Moisture" className="border-t border-ink px-5 py-4 lg:px-6">
        <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
          <div className="w-44">
            <Choices
              label="Moisture over the"
              value={span}
              onChange={setSpan}
              choices={[
                { value: 'day', label: 'Day' },
                { value: 'season', label: 'Season' },
              ]}
            />
          </div>
          <div className="w-56">
            <SelectBox label="Window of" value={buyerId ?? ''} onChange={(event) => setBuyerId(event.target.value || null)}>
              <option value="">the farm</option>
              {buyers.map((buyer) => (
                <option key={buyer.id} value={buyer.id}>
                  {buyer.name}
                  {windowFor(notebook, lot.crop, buyer.id) ? '' : ' (as the farm’s)'}
                </option>
              ))}
            </SelectBox>
          </div>
          <Button onClick={() => setSheet('window')}>{wanted ? 'Change the window' : 'Set this window'}</Button>
          <label className="flex min-h-11 items-center gap-2">
            <input type="checkbox" checked={corrected} onChange={(event) => setCorrected(event.target.checked)} className="size-5 accent-[var(--clay)]" />
            as the buyer would test it
          </label>
        </div>
        <div className="mt-3">
          <MoistureChart
            marks={marks}
            bites={known.bites}
            forecast={forecast}
            window={window}
            nowMs={nowMs}
            from={from}
            to={to}
            timeZone={timeZone}
            label={`Moisture of ${lot.fieldName}: ${known.readings.length} readings${forecast ? ' and the forecast' : ''}`}
          />
        </div>
        {span === 'day' && <WeatherLine weather={weather} from={from} to={to} timeZone={timeZone} stopAt={stopAt} inset />}
        <p className="mt-2 flex flex-wrap gap-x-5 gap-y-1 text-sm">
          {[...new Set([...known.readings.map((r) => r.source), ...(known.bites.length > 0 ? (['bite'] as const) : [])])].map((source) => (
            <SourceName key={source} source={source} />
          ))}
          <span className="text-muted">
            dashed: the likely course; grey: eight of ten{forecast ? `, by ${forecast.by}` : ''}
            {known.readings.length > MOST_MARKS ? `; ${known.readings.length.toLocaleString('en-US')} readings drawn as ${marks.length} marks, each with its span` : ''}
          </span>
        </p>
        {answer.error && (
          <p role="alert" className="mt-2 font-semibold text-clay">
            {answer.error.message}
          </p>
        )}
        {answer.data && 'missing' in answer.data && <p className="mt-2 text-muted">No forecast: {answer.data.missing}.</p>}
        {last && before.data && 'points' in before.data && <Held forecast={before.data} last={last} timeZone={timeZone} />}
      </section>

      {window && forecast && (
        <div className="border-t border-ink">
          <Waiting {...given} window={window} waiting={waiting} />
        </div>
      )}

      <section aria-label="Readings" className="border-t border-ink px-5 py-5 lg:px-6">
        <h2 className="text-xl">Readings</h2>
        <ul className="mt-2 space-y-1">
          {[...new Set(known.readings.map((r) => r.tester).filter((name) => name !== ''))].map((name) => (
            <li key={name} className="flex flex-wrap items-center gap-x-3">
              {testerWords(testers.get(name), name, nowMs)}
              <Button look="quiet" className="!px-0" onClick={() => setSheet({ tester: name })}>
                Add a pair
              </Button>
            </li>
          ))}
        </ul>
        <ReadingsTable own={own.data ?? []} testers={testers} timeZone={timeZone} />
      </section>

      <TakeReading
        open={sheet === 'reading'}
        onClose={() => setSheet(null)}
        fieldId={lot.fieldId}
        tester={[...known.readings].reverse().find((r) => r.tester !== '')?.tester ?? ''}
      />
      {sheet === 'window' && <WindowSheet crop={facts.crop} buyerId={buyerId} start={wanted?.sheet ?? window} revision={wanted?.revision ?? 0} onClose={() => setSheet(null)} />}
      {sheet === 'field' && <FieldSheet farm={farm} lot={lot} onClose={() => setSheet(null)} />}
      {sheet === 'owners' && <OwnersSheet farm={farm} lot={lot} onClose={() => setSheet(null)} />}
      {sheet !== null && typeof sheet === 'object' && <PairSheet tester={sheet.tester} pairs={testers.get(sheet.tester)?.pairs ?? []} onClose={() => setSheet(null)} />}
    </div>
  );
}

function isWet(weather: readonly WeatherHourInfo[], nowMs: number): boolean {
  return weather.some((hour) => hour.wet && Date.parse(hour.at) <= nowMs && Date.parse(hour.at) > nowMs - HOUR);
}

/** The answer in one glance: go, wait or stop, the likely moisture, and when the window opens. */
function Fit({
  facts,
  last,
  tester,
  window,
  forecast,
  nowMs,
  timeZone,
  corrected,
  wetNow,
  byDollars,
}: {
  facts: FieldFacts;
  last: Known['readings'][number] | undefined;
  tester: Tester | undefined;
  window: WindowBody | undefined;
  forecast: FieldForecast | null;
  nowMs: number;
  timeZone: string;
  corrected: boolean;
  wetNow: boolean;
  byDollars: { readonly title: string; readonly rest: string } | null;
}) {
  if (facts.acresLeft === 0 && !facts.cuttingToday) return <p className="px-5 py-4 text-lg lg:px-6">Nothing stands here any more: what was cut lies in its bushels.</p>;
  if (!window) return <p className="px-5 py-4 text-lg lg:px-6">No window is set for {facts.crop.name}: with one, this page says go, wait or stop.</p>;
  const at = forecast && forecast.by === 'the day’s weather' ? forecastAt(forecast, nowMs) : null;
  const moisture = at?.likely ?? last?.likely ?? null;
  const trend = forecast && forecast.by === 'the day’s weather' ? 100 * (forecastAt(forecast, nowMs + HOUR).likely - forecastAt(forecast, nowMs).likely) : 0;
  const verdict: FitVerdict = fitToCut({
    moisture,
    window,
    ageHours: last ? Math.max(0, Math.min(9999, (nowMs - last.atMs) / HOUR)) : 0,
    trend: Math.max(-5, Math.min(5, trend)),
    wetStraw: wetNow && facts.crop.like === 'soybean',
    oldAfterHours: OLD_AFTER_HOURS[facts.row.lot.crop] ?? 72,
  });
  const [shape, word] = FIT_LOOK[verdict.verdict];
  const test = last?.moisture !== null && last !== undefined ? likelyBuyerReading(last.moisture, tester?.pairs ?? []) : null;
  return (
    <section aria-label="Is it fit?" className="flex flex-wrap items-start gap-x-10 gap-y-4 px-5 py-5 lg:px-6">
      <p className={`text-6xl leading-none font-bold ${verdict.verdict === 'stop' ? 'text-clay' : ''}`}>
        <span aria-hidden="true" className="mr-2 text-5xl">
          {shape}
        </span>
        <span>{word}</span>
        <span className="mt-2 block text-lg leading-snug font-normal text-muted">
          {verdict.because}
          {verdict.also.length > 0 ? `; ${verdict.also.join(', ')}` : ''}
        </span>
      </p>
      <div>
        <p className="text-5xl leading-none font-bold">
          <Moisture value={moisture} />
        </p>
        <p className="mt-2 text-muted">
          {at
            ? `likely now, ${formatMoisture(at.low)} to ${formatMoisture(at.high)}`
            : last
              ? `read ${weekday(last.atMs, timeZone)}, ${clock(last.atMs, timeZone)}`
              : 'nobody has read it'}
          {corrected ? ', as the buyer would test it' : ''}
        </p>
      </div>
      <div className="max-w-md min-w-64 flex-1 space-y-1.5">
        {last && test && (
          <p aria-label="Likely at the buyer">
            Last: {last.tester || 'read'} {formatMoisture(last.moisture!)} % at {clock(last.atMs, timeZone)}.{' '}
            {test.likely ? (
              <b>
                At the buyer likely {formatMoisture(test.likely.moisture)}, {formatMoisture(test.likely.low)} to {formatMoisture(test.likely.high)}
                {test.likely.high > window.refuseAbove ? ': do not haul' : ''}.
              </b>
            ) : last.source === 'elevator' ? (
              'That is the buyer’s own test.'
            ) : (
              `Too little to go on for the buyer’s test: ${test.pairs} of 3 pairs${last.tester ? ` for ${last.tester}` : ''}.`
            )}
          </p>
        )}
        {forecast && <Moments forecast={forecast} nowMs={nowMs} timeZone={timeZone} />}
        {byDollars && (
          <p>
            By dollars: <b>{byDollars.title}</b> {byDollars.rest}
          </p>
        )}
      </div>
    </section>
  );
}

/** The forecast at an instant, straight between its points; its first or last one beyond them. */
function forecastAt(forecast: FieldForecast, at: number): Pick<FieldForecast['points'][number], 'likely' | 'low' | 'high'> {
  const { points } = forecast;
  const i = points.findIndex((point) => point.atMs > at);
  const [a, b] = [points[i - 1], points[i]];
  if (!a || !b) return i === 0 ? points[0]! : points.at(-1)!;
  const share = (at - a.atMs) / (b.atMs - a.atMs);
  const between = (key: 'likely' | 'low' | 'high'): number => a[key] + share * (b[key] - a[key]);
  return { likely: between('likely'), low: between('low'), high: between('high') };
}

function Moments({ forecast, nowMs, timeZone }: { forecast: FieldForecast; nowMs: number; timeZone: string }) {
  const hours = forecast.by === 'the day’s weather';
  const when = (ms: number): string => (hours ? (Math.abs(ms - nowMs) < 20 * HOUR ? clock(ms, timeZone) : weekday(ms, timeZone)) : day(ms, timeZone));
  const range = (moment: FieldForecast['enters']): string => {
    const early = moment.early === null ? null : when(moment.early);
    const late = moment.late === null ? 'not at all' : when(moment.late);
    return early === null || early === late ? '' : ` (${early} to ${late})`;
  };
  const { enters, leaves } = forecast;
  return (
    <>
      <p>
        {enters.likely === null ? (
          <>
            Not in its best window {hours ? 'as far as the forecast reaches' : 'in the next weeks'}
            {enters.early === null ? '' : `, with luck at ${when(enters.early)}`}.
          </>
        ) : enters.likely <= nowMs + 60_000 ? (
          <b>In its best window now.</b>
        ) : (
          <>
            <b>Enters its best window {hours ? `at ${when(enters.likely)}` : when(enters.likely)}</b>
            {range(enters)}.
          </>
        )}
      </p>
      {leaves.likely !== null && (
        <p>
          Leaves it {hours ? `at ${when(leaves.likely)}` : when(leaves.likely)}
          {range(leaves)}, {leaves.how}.
        </p>
      )}
      {forecast.pointsPerDay !== null && <p className="text-muted">Loses {forecast.pointsPerDay.toFixed(1)} points a day standing.</p>}
    </>
  );
}

/** The forecast of the readings before, held against what was read. */
function Held({ forecast, last, timeZone }: { forecast: FieldForecast; last: Known['readings'][number]; timeZone: string }) {
  if (last.atMs < forecast.points[0]!.atMs || last.atMs > forecast.points.at(-1)!.atMs) return null;
  const said = forecastAt(forecast, last.atMs);
  const inside = last.likely >= said.low - 1e-9 && last.likely <= said.high + 1e-9;
  return (
    <p className="mt-2" aria-label="Forecast against reading">
      Before it, the forecast for {clock(last.atMs, timeZone)} said {formatMoisture(said.likely)} ({formatMoisture(said.low)} to {formatMoisture(said.high)}); it read{' '}
      {formatMoisture(last.likely)}: {inside ? 'as it said' : last.likely > said.high ? 'wetter than it said' : 'drier than it said'}.
    </p>
  );
}

const READINGS_SHOWN = 60;

function ReadingsTable({ own, testers, timeZone }: { own: readonly ReadingInfo[]; testers: ReadonlyMap<string, Tester>; timeZone: string }) {
  if (own.length === 0) return <p className="mt-2 text-muted">Nobody has taken a reading here yet.</p>;
  return (
    <div className="relative mt-3 overflow-x-auto">
      <table className="w-full min-w-[40rem]" aria-label="Readings taken">
        <thead className="border-y border-ink text-left text-sm">
          <tr>
            <th className="py-1.5 pr-2">When</th>
            <th className="px-2">Source</th>
            <th className="px-2">Tester</th>
            <th className="px-2">Spot</th>
            <th className="px-2 text-right">Read</th>
            <th className="px-2 text-right">At the buyer</th>
            <th className="px-2">By</th>
            <th className="py-1.5 pl-2">
              <span className="sr-only">Take back</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {own.slice(0, READINGS_SHOWN).map((reading) => {
            const likely = reading.moisture === null ? null : likelyBuyerReading(reading.moisture, testers.get(reading.tester)?.pairs ?? []).likely;
            return (
              <tr key={reading.id} className={`border-b border-rule ${reading.voided ? 'text-muted line-through' : ''}`}>
                <td className="py-1 pr-2 whitespace-nowrap">
                  {day(reading.at, timeZone)} <b>{clock(reading.at, timeZone)}</b>
                </td>
                <td className="px-2">
                  <SourceName source={reading.source} />
                </td>
                <td className="px-2">{reading.tester}</td>
                <td className="px-2">{reading.spot}</td>
                <td className="px-2 text-right">{reading.moisture === null ? `${reading.cracked} of 10` : <Moisture value={reading.moisture} />}</td>
                <td className="px-2 text-right whitespace-nowrap">
                  {likely ? `${formatMoisture(likely.low)} to ${formatMoisture(likely.high)} %` : <span className="text-muted">–</span>}
                </td>
                <td className="px-2">{reading.by}</td>
                <td className="py-1 pl-2">{!reading.voided && <TakeBack path={`readings/${reading.id}`} />}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {own.length > READINGS_SHOWN && (
        <p className="mt-1 text-sm text-muted">
          The newest {READINGS_SHOWN} of {own.length.toLocaleString('en-US')}.
        </p>
      )}
    </div>
  );
}
