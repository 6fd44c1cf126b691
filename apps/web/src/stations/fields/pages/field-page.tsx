import type { WeatherHourInfo } from '@fanega/contract';
import {
  asBuyer,
  buyerOffset,
  chanceToPass,
  type CuttingWindow,
  type FieldFacts,
  kilogramsPerBushel,
  fieldFacts,
  type FieldRecords,
  fieldNow,
  type FieldRow,
  fieldVerdict,
  FIRE_STOP,
  gatherReadings,
  startOfDay,
  buyerSaid,
  testersFor,
  testersOf,
  windowFor,
} from '@fanega/core';
import { Suspense, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import {
  type Farm,
  useFarm,
  useFields,
  useLotMoistures,
  useNotebook,
  useReadings,
  useShed,
  useWeather,
} from '../../../data/farm';
import { useWorker } from '../../../data/worker';
import { Button, Choices, Empty, SelectBox } from '../../../ui';
import { QueryBoundary } from '../../../ui/query-boundary';
import { area, areaRate, cropYield, number, priceText, shortPercent } from '../../../quantity/quantity';
import type { WorkedFrom } from '../../../widgets/working';
import { Swatch } from '../../../widgets/weave';
import { FieldDrawer } from '../forms/field-drawer';
import { OwnersDrawer } from '../forms/owners-drawer';
import { MoistureChart, SourceName } from './moisture-chart';
import { TakeReading } from '../../../widgets/take-reading';
import { PairSheet, testerWords } from './testers';
import { useOffers } from '../../../widgets/use-offers';
import { useWaiting, Waiting } from './waiting';
import { WeatherLine } from './weather-line';
import { WindowDrawer } from '../forms/window-drawer';
import { Fit, isWet, youngPairs } from './fit-now';
import { oldAfterHours } from './fitness';
import { Held } from './forecast-moments';
import { ReadingsTable } from './readings-table';
import type { Known } from './forecast-moments';
import { DAY_MS, HOUR_MS } from '../../../quantity/time';
import { CheckBox } from '../../../ui/check-box';
import { lazily } from '../../../ui/lazily';

/** The map comes after the verdict. */
const Ground = lazily(() => import('./ground'));

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
  const fields = useFields(farm.lot(lotId)?.season);
  const notebook = useNotebook();
  const weather = useWeather(3, 3);
  return (
    <QueryBoundary answer={fields} what="Looking at the field">
      {(rows) => {
        const row = rows.find(({ lot }) => lot.id === lotId);
        if (!row) return <Empty title="There is no such field in the book." />;
        return (
          <QueryBoundary answer={notebook} what="Looking at the field">
            {(book) => (
              <Field key={lotId} farm={farm} rows={rows} row={row} notebook={book} weather={weather.data ?? []} />
            )}
          </QueryBoundary>
        );
      }}
    </QueryBoundary>
  );
}

/** The readings that a forecast needs: few enough to be handed to the worker at a touch. */
function samplesOf(readings: Known['readings'], until: number, beans: boolean): { atMs: number; moisture: number }[] {
  const wanted = beans ? readings.filter(({ atMs }) => atMs > until - BEAN_HOURS * HOUR_MS) : readings;
  // Nothing of the last day: the newest one says so.
  const used = wanted.length > 0 ? wanted : readings.slice(-1);
  return gatherReadings(
    used.map(({ atMs, likely }) => ({ atMs, moisture: likely, source: '' })),
    MOST_SAMPLES,
  ).map(({ atMs, moisture }) => ({ atMs: Math.round(atMs), moisture }));
}

/** What stands behind the verdict, and where each figure is from. */
function workedFrom(
  { crop, expected, acresLeft, typed }: FieldFacts,
  window: CuttingWindow | undefined,
  acresPerHour: number,
  pairs: number | undefined,
): WorkedFrom[] {
  const per = kilogramsPerBushel(crop.legalPounds);
  return [
    { name: 'Left to cut', value: area(acresLeft).text, from: 'acres of the field less what its loads brought' },
    expected === null
      ? { name: 'Expected yield', value: '–', from: 'not known', enter: '/fields/next' }
      : {
          name: 'Expected yield',
          value: cropYield(expected, per).text,
          from: typed ? 'typed in “Which field next?”' : 'mean of the fields of this crop that are cut',
        },
    acresPerHour > 0
      ? {
          name: 'Combines cut',
          value: areaRate(acresPerHour).text,
          from: 'good rate and speed limit of their profiles (Cut, Speed)',
        }
      : { name: 'Combines cut', value: '–', from: 'no profile yet', enter: '/cut' },
    ...(window
      ? [
          { name: 'Price at base', value: priceText(window.price, per), from: 'the window of this crop' },
          { name: 'Shrink per point', value: `${number(window.shrinkPerPoint, 2)} %`, from: 'the window of this crop' },
          { name: 'Discount per point', value: priceText(window.dockPerPoint, per), from: 'the window of this crop' },
          { name: 'Buyer refuses above', value: shortPercent(window.refuseAbove, 2), from: 'the window of this crop' },
          {
            name: 'Field loss per day',
            value: shortPercent(window.standingRisk ?? 0, 2),
            from:
              window.standingRisk === undefined ? 'taken as none: not set in the window' : 'the window of this crop',
          },
        ]
      : []),
    {
      name: 'Tester against the buyer',
      value: pairs === undefined ? '–' : `${pairs} pairs`,
      from: pairs === undefined ? 'fewer than 3 pairs: the reading is taken as it is' : 'pairs recorded below',
    },
  ];
}

function Field({
  farm,
  rows,
  row,
  notebook,
  weather,
}: {
  farm: Farm;
  rows: readonly FieldRow[];
  row: FieldRow;
  notebook: FieldRecords;
  weather: readonly WeatherHourInfo[];
}) {
  const { lot } = row;
  const { timeZone } = farm.data.farm;
  const stopAt = useShed().data?.settings.seasonPlan.farm?.value.fireStopAt ?? FIRE_STOP;
  const own = useReadings(lot.season, lot.fieldId);
  const fromBook = useLotMoistures(lot.id);
  // A reading of this moment may be some seconds ahead of the last answer of the farm: it counts at once.
  const justRead = (own.data ?? []).reduce(
    (newest, { at }) => (Date.parse(at) <= farm.data.now + JUST_MS ? Math.max(newest, Date.parse(at)) : newest),
    0,
  );
  const nowMs = Math.ceil(Math.max(farm.data.now, justRead) / 60_000) * 60_000;
  const [buyerId, setBuyerId] = useState<string | null>(null);
  const [corrected, setCorrected] = useState(true);
  const [span, setSpan] = useState<'day' | 'season'>(lot.crop === 'soybean' ? 'day' : 'season');
  const [sheet, setSheet] = useState<'reading' | 'window' | 'owners' | 'field' | { readonly tester: string } | null>(
    null,
  );
  const buyer = buyerSaid(notebook);
  const allTesters = useMemo(() => testersOf(notebook), [notebook]);
  // What they are worth for this crop, and for the buyer where the loads go.
  const testers = useMemo(() => testersFor(allTesters, lot.crop, buyer), [allTesters, lot.crop, buyer]);
  const facts = fieldFacts(farm, rows, notebook).find((f) => f.row.lot.id === lot.id)!;
  const buyers = farm.data.places.filter((place) => place.kind === 'buyer');
  const wanted = windowFor(notebook, lot.crop, buyerId);
  const window = (wanted ?? windowFor(notebook, lot.crop, null))?.value;

  const allKnown = useMemo((): Known => {
    const year = Date.UTC(lot.season, 0, 1);
    const all = [...(own.data ?? []), ...(fromBook.data ?? [])]
      .map((reading) => ({ ...reading, atMs: Date.parse(reading.at) }))
      .filter(({ atMs, voided }) => atMs >= year && !voided);
    const offsets = new Map([...testers].map(([name, tester]) => [name, buyerOffset(tester)]));
    return {
      readings: all
        .flatMap((r) =>
          r.moisture === null
            ? []
            : [{ ...r, likely: corrected ? asBuyer(r.moisture, offsets.get(r.tester) ?? 0) : r.moisture }],
        )
        .sort((a, b) => a.atMs - b.atMs),
      bites: all.flatMap(({ atMs, cracked, zoneId }) =>
        cracked === null || zoneId !== null ? [] : [{ atMs, cracked }],
      ),
    };
  }, [own.data, fromBook.data, lot.season, corrected, testers]);
  const readingsIn = (zone: string): Known['readings'] => allKnown.readings.filter(({ zoneId }) => zoneId === zone);
  // A part's reading says nothing of the rest.
  const known = useMemo((): Known => {
    const ofField = allKnown.readings.filter(({ zoneId }) => zoneId === null);
    return { ...allKnown, readings: ofField };
  }, [allKnown]);

  const ask = (until: number, readings: Known['readings']) =>
    window && readings.length > 0
      ? {
          crop: facts.crop.like,
          readings: samplesOf(readings, until, facts.crop.like === 'soybean'),
          weather: weather.map(({ at, temperature, humidity, wet }) => ({
            atMs: Date.parse(at),
            temperature: Math.min(50, Math.max(-10, temperature)),
            humidity,
            wet,
          })),
          window: { least: window.bestFrom, most: window.bestTo },
          nowMs: until,
          dayOfYear: Math.min(366, 1 + Math.floor((until - Date.UTC(new Date(until).getUTCFullYear(), 0, 1)) / DAY_MS)),
        }
      : null;
  const last = known.readings.at(-1);
  const isDone = facts.acresLeft === 0 && !facts.cuttingToday;
  // What is cut has no course any more.
  const asked = isDone ? null : ask(nowMs, known.readings);
  const answer = useWorker('forecast', asked);
  const forecast = asked && answer.data && 'points' in answer.data ? answer.data : null;
  // What the readings before the last one said about it: the forecast is held to what came.
  const earlier = known.readings.slice(0, -1);
  const before = useWorker(
    'forecast',
    !isDone && last && earlier.length > 0 && last.atMs - earlier.at(-1)!.atMs > 20 * 60_000
      ? ask(earlier.at(-1)!.atMs, earlier)
      : null,
  );

  const marks = useMemo(
    () =>
      gatherReadings(
        known.readings.map(({ atMs, likely, source }) => ({ atMs, moisture: likely, source })),
        MOST_MARKS,
      ),
    [known],
  );
  const midnight = startOfDay(nowMs, timeZone);
  const start = known.readings[0]?.atMs ?? nowMs - 7 * DAY_MS;
  const [from, to] =
    span === 'day'
      ? [midnight + 6 * HOUR_MS, midnight + 33 * HOUR_MS]
      : [Math.max(midnight - 28 * DAY_MS, Math.floor(start / DAY_MS) * DAY_MS), midnight + 15 * DAY_MS];
  const machines = Object.entries(notebook.settings.combineProfile).map(([id, { value: profile }]) => ({
    name: farm.placeName(id),
    profile,
  }));
  const offers = useOffers(farm);
  const offer = buyerId === null ? null : (offers?.(lot.crop, buyerId) ?? null);
  const given = { facts, window, offer, forecast, machines, nowMs, timeZone };
  const waiting = useWaiting(given);
  const now = useMemo(() => fieldNow(row, allTesters, buyer), [row, allTesters, buyer]);
  const tester = now ? testers.get(now.tester) : undefined;
  const chance = now && window ? chanceToPass(now.read, window.refuseAbove, youngPairs(tester, nowMs)) : null;
  const isAsked = (one: { data: unknown; error: unknown }): boolean =>
    one.data === undefined && one.error === undefined;
  const verdict = fieldVerdict({
    facts,
    window,
    now,
    wetStraw: isWet(weather, nowMs) && facts.crop.like === 'soybean',
    oldAfterHours: oldAfterHours(lot.crop),
    forecast: asked !== null && isAsked(answer) ? 'pending' : forecast,
    waiting: waiting.isPending ? 'pending' : waiting.answer ? { ...waiting.answer, baseMs: waiting.base } : null,
    refused: chance ? 1 - chance.chance : null,
    nowMs,
  });

  return (
    <div>
      <div className="flex flex-wrap items-center justify-between gap-3 border-b border-ink px-5 py-3 lg:px-6">
        <h1 className="flex items-center gap-3 text-2xl">
          <Swatch index={farm.lotIndex(lot.id)} size={26} /> {lot.fieldName}
          <span className="text-base font-normal text-muted">
            {[facts.crop.name, lot.variety].filter(Boolean).join(' ')},{' '}
            {lot.acres > 0 ? area(lot.acres).text : 'not measured'}
            {facts.acresLeft > 0 && facts.acresLeft < lot.acres ? `, ${area(facts.acresLeft)} left` : ''}
          </span>
        </h1>
        <div className="flex flex-wrap gap-3">
          <Link
            to={`/trace/lot/${lot.id}`}
            className="inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4"
          >
            Where the grain went
          </Link>
          <Button onClick={() => setSheet('field')}>Name and area</Button>
          <Button onClick={() => setSheet('owners')}>
            {lot.shares.every(({ owner }) => owner === farm.data.farm.name)
              ? 'Whose grain'
              : lot.shares
                  .map(({ owner, part }) => `${owner === farm.data.farm.name ? 'own' : owner} ${shortPercent(part)}`)
                  .join(', ')}
          </Button>
          <Button look="do" onClick={() => setSheet('reading')}>
            Take a reading
          </Button>
        </div>
      </div>

      <Fit
        verdict={verdict}
        now={now}
        tester={tester}
        window={window}
        crop={facts.crop.name}
        from={workedFrom(facts, window, waiting.acresPerHour, chance?.pairs)}
        forecast={forecast}
        nowMs={nowMs}
        timeZone={timeZone}
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
            <SelectBox
              label="Window of"
              value={buyerId ?? ''}
              onChange={(event) => setBuyerId(event.target.value || null)}
            >
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
          <CheckBox checked={corrected} onChange={(on) => setCorrected(on)}>
            as the buyer would test it
          </CheckBox>
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
            label={`Moisture of ${lot.fieldName}: ${known.readings.length} ${known.readings.length === 1 ? 'reading' : 'readings'}${forecast ? ' and the forecast' : ''}`}
          />
        </div>
        {span === 'day' && (
          <WeatherLine weather={weather} from={from} to={to} timeZone={timeZone} stopAt={stopAt} inset />
        )}
        <p className="mt-2 flex flex-wrap gap-x-5 gap-y-1 text-sm">
          {[
            ...new Set([
              ...known.readings.map((r) => r.source),
              ...(known.bites.length > 0 ? (['bite'] as const) : []),
            ]),
          ].map((source) => (
            <SourceName key={source} source={source} />
          ))}
          <span className="text-muted">
            dashed: the likely course; gray: eight in ten{forecast ? `, by ${forecast.by}` : ''}
            {known.readings.length > MOST_MARKS
              ? `; ${number(known.readings.length)} readings drawn as ${marks.length} marks, each with its span`
              : ''}
          </span>
        </p>
        {answer.error && (
          <p role="alert" className="mt-2 font-semibold text-clay">
            {answer.error.message}
          </p>
        )}
        {answer.data && 'missing' in answer.data && (
          <p className="mt-2 text-muted">No forecast: {answer.data.missing}.</p>
        )}
        {last && before.data && 'points' in before.data && (
          <Held forecast={before.data} last={last} timeZone={timeZone} />
        )}
      </section>

      {window && forecast && (
        <div className="border-t border-ink">
          <Waiting {...given} window={window} waiting={waiting} />
        </div>
      )}

      <Suspense>
        <Ground
          farm={farm}
          row={row}
          done={isDone}
          records={notebook}
          nowMs={nowMs}
          courseOf={(zoneId) => ask(nowMs, readingsIn(zoneId))}
        />
      </Suspense>

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

      {sheet === 'reading' && (
        <TakeReading
          onClose={() => setSheet(null)}
          fieldId={lot.fieldId}
          tester={[...known.readings].reverse().find((r) => r.tester !== '')?.tester ?? ''}
        />
      )}
      {sheet === 'window' && (
        <WindowDrawer
          crop={facts.crop}
          buyerId={buyerId}
          start={wanted?.value ?? window}
          revision={wanted?.revision ?? 0}
          onClose={() => setSheet(null)}
        />
      )}
      {sheet === 'field' && <FieldDrawer farm={farm} lot={lot} onClose={() => setSheet(null)} />}
      {sheet === 'owners' && <OwnersDrawer farm={farm} lot={lot} onClose={() => setSheet(null)} />}
      {sheet !== null && typeof sheet === 'object' && (
        <PairSheet
          tester={sheet.tester}
          crop={lot.crop}
          buyerId={buyer}
          pairs={testers.get(sheet.tester)?.pairs ?? []}
          onClose={() => setSheet(null)}
        />
      )}
    </div>
  );
}
