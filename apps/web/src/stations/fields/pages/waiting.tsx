import {
  acresToHectares,
  kilogramsPerBushel,
  bushelsPerAcreToKgPerHa,
  type CombineProfile,
  type CuttingWindow,
  type FieldFacts,
  type FieldForecast,
  rateAt,
  type StartCost,
  startOfDay,
  type Offer,
  termsOf,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { useWorker } from '../../../data/worker';
import { SelectBox } from '../../../ui';
import { area, areaRate, cropYield, discount, dollars, percent, price, moisture } from '../../../quantity/quantity';
import { clock, HOUR_MS, weekday, hourText } from '../../../quantity/time';
import { Section } from '../../../ui/page';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, moneyColumn, wordColumn } from '../../../widgets/columns';

const DAYS_AHEAD = 10;
const FIVE_MIN_MS = 5 * 60_000;

/** Moisture at each whole hour from now, straight between the forecast's points. */
function hourly(forecast: FieldForecast, base: number): { hour: number; moisture: number }[] {
  const { points } = forecast;
  const hours: { hour: number; moisture: number }[] = [];
  let i = 0;
  for (let hour = 0; hour <= 24 * DAYS_AHEAD; hour++) {
    const at = base + hour * HOUR_MS;
    while (i + 1 < points.length && points[i + 1]!.atMs <= at) i++;
    const [a, b] = [points[i], points[i + 1]];
    if (!a || !b || at < a.atMs) break;
    hours.push({ hour, moisture: a.likely + ((b.likely - a.likely) * (at - a.atMs)) / (b.atMs - a.atMs) });
  }
  return hours;
}

/** Hours that are open, and the starts worth comparing: every five minutes until tomorrow night, later only the mornings. */
function calendar(
  hours: readonly { hour: number }[],
  base: number,
  window: CuttingWindow,
  timeZone: string,
): { open: [number, number][]; starts: number[] } {
  const open: [number, number][] = [];
  const last = hours.at(-1)?.hour ?? 0;
  for (let d = 0; d <= DAYS_AHEAD; d++) {
    const midnight = startOfDay(base + d * 24 * HOUR_MS, timeZone);
    open.push([
      (midnight - base) / HOUR_MS + (window.opensAt ?? 0),
      (midnight - base) / HOUR_MS + (window.closesAt ?? 24),
    ]);
  }
  const days = open
    .map(([from, to]) => [Math.max(0, from), Math.min(last, to)] as const)
    .filter(([from, to]) => to > from);
  const starts = days.flatMap(([from, to], d) =>
    d < 2 && last <= 60 ? Array.from({ length: Math.ceil((to - from) * 12) }, (_, i) => from + i / 12) : [from],
  );
  return { open, starts: [...new Set([0, ...starts])].sort((a, b) => a - b) };
}

export interface WaitingGiven {
  readonly facts: FieldFacts;
  readonly window: CuttingWindow | undefined;
  /** What the chosen buyer gives; none for the farm's own window. */
  readonly offer: Offer | null;
  readonly forecast: FieldForecast | null;
  readonly machines: readonly { readonly name: string; readonly profile: CombineProfile }[];
  readonly nowMs: number;
  readonly timeZone: string;
}

/** Dollars of each start, worked out beside the page. */
export function useWaiting({ facts, window, offer, forecast, machines, nowMs, timeZone }: WaitingGiven) {
  const [combines, setCombines] = useState(Math.max(1, machines.length));
  const { crop, expected, acresLeft } = facts;
  const yieldKgPerHa = expected === null ? null : bushelsPerAcreToKgPerHa(expected, crop.legalPounds);
  const kgPerHour =
    yieldKgPerHa === null
      ? 0
      : machines
          .slice(0, combines)
          .reduce(
            (sum, { profile }) =>
              sum +
              Math.min(profile.goodRate, rateAt(profile.speedLimit, profile.headWidth, yieldKgPerHa)) *
                profile.fieldEfficiency,
            0,
          );
  const dryPerAcre = yieldKgPerHa === null ? 0 : yieldKgPerHa * (1 - crop.baseMoisture) * acresToHectares(1);
  const base = Math.ceil(nowMs / FIVE_MIN_MS) * FIVE_MIN_MS;
  const input = useMemo(() => {
    const hours = forecast ? hourly(forecast, base) : [];
    if (!window || hours.length === 0 || kgPerHour === 0 || acresLeft === 0) return null;
    const { open, starts } = calendar(hours, base, window, timeZone);
    return {
      hours,
      starts,
      open,
      dryKgPerHour: kgPerHour * (1 - crop.baseMoisture),
      dryKgLeft: acresLeft * dryPerAcre,
      shatterPerPoint: window.shatterPerPoint ?? 0,
      shatterBelow: window.bestFrom,
      standingRisk: window.standingRisk ?? 0,
      base: crop.baseMoisture,
      terms: offer?.terms ?? termsOf(window, crop.legalPounds, crop.baseMoisture),
      price: offer?.price ?? window.price,
    };
  }, [forecast, base, kgPerHour, acresLeft, window, offer, timeZone, crop, dryPerAcre]);
  const { data, error } = useWorker('waiting', input);
  const missing =
    machines.length === 0
      ? 'No combine has a profile yet: Cut, Speed.'
      : expected === null
        ? 'No expected yield for this field yet: set it in “Which field next”.'
        : acresLeft === 0
          ? 'Nothing stands here any more.'
          : null;
  const isAsked = missing === null && input !== null;
  return {
    answer: isAsked ? data : undefined,
    isPending: isAsked && data === undefined && error === undefined,
    error,
    missing,
    base,
    dryPerAcre,
    acresPerHour: kgPerHour / Math.max(1e-9, (yieldKgPerHa ?? 0) * acresToHectares(1)),
    combines,
    setCombines,
  };
}

export function Waiting({
  facts,
  window,
  machines,
  timeZone,
  waiting,
}: WaitingGiven & { window: CuttingWindow; waiting: ReturnType<typeof useWaiting> }) {
  const { answer, error, missing, base, dryPerAcre, acresPerHour, combines, setCombines } = waiting;
  const { crop, expected, acresLeft } = facts;
  const per = kilogramsPerBushel(crop.legalPounds);
  return (
    <Section label="What waiting costs">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 className="text-xl">What waiting costs, both ways</h2>
        {machines.length > 1 && (
          <div className="w-44">
            <SelectBox
              label="Combines at it"
              value={combines}
              onChange={(event) => setCombines(Number(event.target.value))}
            >
              {machines.map(({ name }, i) => (
                <option key={name} value={i + 1}>
                  {i + 1}
                </option>
              ))}
            </SelectBox>
          </div>
        )}
      </div>
      {missing && <p className="mt-2 text-muted">{missing}</p>}
      {error && (
        <p role="alert" className="mt-2 font-semibold text-clay">
          {error.message}
        </p>
      )}
      {answer && (
        <Starts
          answer={answer}
          base={base}
          timeZone={timeZone}
          dryPerAcre={dryPerAcre}
          baseMoisture={crop.baseMoisture}
        />
      )}
      {!missing && (
        <p className="mt-2 text-sm text-muted">
          {areaRate(acresPerHour).text} on {area(acresLeft).text} at {cropYield(expected!, per).text}; price{' '}
          {price(window.price, per).text}, {window.shrinkPerPoint} % shrink and{' '}
          {discount(window.dockPerPoint, per).text} a point above {percent(crop.baseMoisture)}, each started{' '}
          {window.dockStep ?? 0.5} counts; taken from {hourText(window.opensAt ?? 0)} to{' '}
          {hourText(window.closesAt ?? 24)}; {percent(window.shatterPerPoint ?? 0)} shattered a point below{' '}
          {percent(window.bestFrom)}; {percent(window.standingRisk ?? 0)} risk on what still stands. All of it is set in
          the window.
        </p>
      )}
    </Section>
  );
}

const ENDED: Record<StartCost['endedBy'], string> = {
  'field done': 'field done',
  'refused by the buyer': 'until it is refused',
  closing: 'until closing',
  'end of the forecast': 'until the forecast ends',
};

const isWhole = (hours: number): boolean => Math.abs(hours - Math.round(hours)) < 1e-6;

function Starts({
  answer,
  base,
  timeZone,
  dryPerAcre,
  baseMoisture,
}: {
  answer: { starts: StartCost[]; best: number };
  base: number;
  timeZone: string;
  dryPerAcre: number;
  baseMoisture: number;
}) {
  const most = Math.max(1, ...answer.starts.map((start) => start.behind));
  const name = (start: number): string => (start === 0 ? 'now' : clock(base + start * HOUR_MS, timeZone));
  const best = answer.starts.find((start) => start.start === answer.best)!;
  // Worked out by five minutes, shown by the hour, and the best.
  const rows = answer.starts.filter(
    ({ start }, i) => i === 0 || start === answer.best || isWhole((base + start * HOUR_MS) / HOUR_MS),
  );
  type Row = (typeof rows)[number];
  const columns: Column<Row>[] = [
    wordColumn('start', 'Start', ({ start }) => name(start), {
      phone: 'title',
      by: ({ start }) => start,
      as: (words, { start }) => (
        <span className="whitespace-nowrap">
          <span className="mr-1.5 text-sm text-muted">{weekday(base + start * HOUR_MS, timeZone)}</span>
          {words}
        </span>
      ),
    }),
    moneyColumn('behind', 'Behind the best', ({ behind }) => behind, {
      right: false,
      phone: 'verdict',
      show: ({ start, behind }) => (
        <span className="flex items-center gap-2">
          <span
            className="inline-block h-3.5 bg-ink"
            style={{ width: `${(9 * behind) / most}rem` }}
            aria-hidden="true"
          />
          <span className="whitespace-nowrap">{start === answer.best ? '● best' : dollars(behind)}</span>
        </span>
      ),
    }),
    figureColumn('cut', 'Cut', area, ({ cutDryKg }) => cutDryKg / dryPerAcre),
    figureColumn('moisture', 'Mean moisture', moisture, (row) => row.moisture),
    wordColumn('ends', 'Ends', (row) => (row.cutDryKg === 0 ? 'nothing is taken' : ENDED[row.endedBy]), {
      as: (words) => <span className="text-sm text-muted">{words}</span>,
    }),
  ];
  return (
    <>
      <p className="mt-2">
        {best.belowBaseDryKg > 0
          ? `${area(best.belowBaseDryKg / dryPerAcre)} of it would be cut below ${percent(baseMoisture)}.`
          : best.cutDryKg > 0
            ? `None of it would be cut below ${percent(baseMoisture)}.`
            : 'No start within the forecast is taken.'}
      </p>
      <div className="mt-3">
        <DataTable
          name="Dollars by start"
          one="start"
          many="starts"
          rows={rows}
          columns={columns}
          rowId={({ start }) => String(start)}
          rowClass={({ start }) => (start === answer.best ? 'bg-sand font-semibold' : '')}
          flush
        />
      </div>
    </>
  );
}
