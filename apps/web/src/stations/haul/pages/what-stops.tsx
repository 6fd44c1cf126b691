import {
  CHAIN_AHEAD,
  TRUCK_CYCLE,
  chainAhead,
  type ChainLever,
  type ChainLink,
  type ChainNow,
  chainNow,
  chainStops,
  type ChainStops,
  cropCut,
  delaysNow,
  type Elsewhere,
  elsewhere,
  type FieldRecords,
  type FieldRow,
  LINKS,
  RangeRefusal,
  USUAL_HAUL_TIMES,
  type HaulView,
} from '@fanega/core';
import { type ReactNode, useState } from 'react';
import { type Farm, useDown } from '../../../data/farm';
import { Button } from '../../../ui';
import { Below } from '../../../ui/below';
import { Verdict } from '../../../ui/verdict';
import { bushels, grainRate } from '../../../quantity/quantity';
import { TakeBack } from '../../../widgets/take-back';
import { clock, minuteText } from '../../../quantity/time';
import { LoadsGoTo, useLoadsGoTo } from '../../../widgets/loads-go-to';
import { ReportDelay } from '../../../widgets/report-delay';
import { because, delayWords, LEVER_WORDS } from '../../../widgets/chain-words';
import { Working } from '../../../widgets/working';

const LINK_WORDS: Readonly<Record<ChainLink, string>> = {
  field: 'the field is cut',
  combine: 'a combine idle with a full tank',
  cart: 'the carts are full',
  trucks: 'no truck in the field',
  line: 'a truck waits 20 minutes in line',
  hours: 'no truck gets in any more',
  pit: 'trucks meet at the pit',
  'wet bin': 'the wet bin has no room for a whole load',
  dryer: 'the dryer stands',
  'bin room': 'the bins are full',
};
/** One answer for the whole chain: what stops first, when, and what would move it. */
export function WhatStops({
  farm,
  notebook,
  haul,
  rows,
}: {
  farm: Farm;
  notebook: FieldRecords;
  haul: HaulView;
  rows: readonly FieldRow[];
}) {
  const sheet = notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES;
  const loads = useLoadsGoTo(farm, notebook);
  const down = useDown();
  const [reporting, setReporting] = useState(false);
  const built = chainNow(farm, notebook, haul, rows, sheet, loads, down);
  let ahead: ChainStops | null = null;
  let problem: string | null = null;
  if (built) {
    try {
      ahead = chainStops(built.chain);
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      problem = error.message;
    }
  }
  const delays = delaysNow(farm, notebook);
  const kgPerBu = farm.kgPerBu(cropCut(rows));
  const { timeZone } = farm.data.farm;
  return (
    <section
      aria-label="What stops first"
      className="border-b border-ink px-5 py-5 lg:grid lg:grid-cols-[1.5fr_1fr] lg:gap-8 lg:px-6"
    >
      <div>
        <h2 className="text-sm text-muted">What stops first?</h2>
        {ahead && built ? (
          <Ahead
            ahead={ahead}
            until={built.chain.until}
            now={built.chain.now}
            rate={built.chain.combines.reduce((sum, c) => sum + c.bushelsPerHour, 0)}
            kgPerBu={kgPerBu}
          >
            {/* Ten days more are reckoned for it. */}
            <Below>
              <Levers
                ahead={ahead}
                chain={built.chain}
                elsewhere={() => elsewhere(farm, notebook, haul, rows, sheet, loads.to, down)}
                kgPerBu={kgPerBu}
              />
            </Below>
          </Ahead>
        ) : (
          <p className="mt-2 text-lg text-muted">
            {problem ??
              'It is worked out as soon as the farm has a combine and its profile says what it brings an hour (Cut).'}
          </p>
        )}
      </div>
      <div className="mt-5 lg:mt-0 lg:border-l lg:border-rule lg:pl-6">
        <LoadsGoTo farm={farm} loads={loads} />
        <ul className="mt-3">
          {delays.map((delay) => (
            <li
              key={delay.id}
              className="flex flex-wrap items-baseline justify-between gap-x-3 border-b border-rule py-1"
            >
              <span>
                <b>■ {delayWords(delay.link)}</b>
                {delay.machineId ? ` (${farm.placeName(delay.machineId)})` : ''}: until {clock(delay.untilMs, timeZone)}
                {delay.reason ? `, ${delay.reason}` : ''} <span className="text-sm text-muted">{delay.by}</span>
              </span>
              <TakeBack of="delay" id={delay.id} label="Over" />
            </li>
          ))}
        </ul>
        <Button className="mt-3 min-h-12 w-full" onClick={() => setReporting(true)}>
          Report a delay
        </Button>
        {built && (
          <p className="mt-2 text-sm text-muted">
            From the book as it stands{built.field ? `, cutting ${built.field}` : ''}; road, loading and hours as set.
            Each link at its usual time: a look ahead of hours, no promise.
          </p>
        )}
      </div>
      {reporting && <ReportDelay farm={farm} onClose={() => setReporting(false)} />}
    </section>
  );
}

function Ahead({
  ahead,
  until,
  now,
  rate,
  kgPerBu,
  children,
}: {
  ahead: ChainStops;
  until: number;
  now: number;
  rate: number;
  /** of what is cut */
  kgPerBu: number;
  children: ReactNode;
}) {
  const { combineStands, stops } = ahead;
  return (
    <>
      {combineStands ? (
        <Verdict figure={minuteText(Math.floor(combineStands.at))} unit="combine idle">
          Held back by <b>{because(combineStands.because)}</b>: {Math.round(combineStands.minutes)} minutes idle by{' '}
          {minuteText(until)}
          {combineStands.lostBushels >= 1 ? (
            <>
              , <b>{bushels(combineStands.lostBushels, kgPerBu).text}</b> not cut today
            </>
          ) : (
            ', and the field is still cut today'
          )}
          .
        </Verdict>
      ) : (
        <Verdict small figure="Nothing stops the combines" unit={`until ${minuteText(until)}`} />
      )}
      <p className="mt-1">
        {bushels(ahead.cut, kgPerBu).text} still cut today at {grainRate(rate, kgPerBu).text};{' '}
        {bushels(ahead.onWheels, kgPerBu).text} on wheels at {minuteText(until)}.
      </p>
      {stops.length > 0 && (
        <ol aria-label="In order" className="mt-3 flex flex-wrap gap-x-6 gap-y-1">
          {stops.map(({ link, at }) => (
            <li key={link}>
              <b>{minuteText(Math.floor(at))}</b> {at <= now + 1 ? <b>(now) </b> : ''}
              {LINK_WORDS[link]}
            </li>
          ))}
        </ol>
      )}
      <p className="mt-1 text-sm text-muted">
        Runs through:{' '}
        {LINKS.filter((link) => link !== 'field' && !stops.some((stop) => stop.link === link))
          .filter((link) => link !== 'hours' || stops.length > 0)
          .join(', ')}
        .
      </p>
      <Working
        what={
          combineStands ? `Combine idle at ${minuteText(Math.floor(combineStands.at))}` : 'Nothing stops the combines'
        }
        formulas={[CHAIN_AHEAD, TRUCK_CYCLE]}
        inputs={[
          {
            name: 'Combines cut',
            value: grainRate(rate, kgPerBu).text,
            from: 'the rate of their profiles, less where the accepted loss sets less (Cut, Speed), turns in it',
          },
          {
            name: 'Still to cut today',
            value: bushels(ahead.cut, kgPerBu).text,
            from: 'acres left, expected yield and hours',
          },
          { name: 'Planned until', value: minuteText(until), from: 'the hours of the buyer, or the end of the day' },
          {
            name: 'On wheels then',
            value: bushels(ahead.onWheels, kgPerBu).text,
            from: 'the book, carried on minute by minute',
          },
        ]}
        worked={
          combineStands
            ? [
                `${Math.round(combineStands.minutes)} min idle ÷ 60 × ${grainRate(rate, kgPerBu).text} = ${bushels((combineStands.minutes / 60) * rate, kgPerBu).text}${combineStands.lostBushels < (combineStands.minutes / 60) * rate - 1 ? `, of which ${bushels(combineStands.lostBushels, kgPerBu).text} still stood to cut` : ' not cut'}`,
              ]
            : []
        }
        not="chance: roads, lines and breakdowns are taken at their mean; “How many trucks?” draws them."
      />
      {children}
    </>
  );
}

/** What would move it, each lever pulled alone. */
function Levers({
  ahead,
  chain,
  elsewhere,
  kgPerBu,
}: {
  ahead: ChainStops;
  chain: ChainNow;
  elsewhere: () => readonly Elsewhere[];
  kgPerBu: number;
}) {
  let levers: readonly ChainLever[];
  try {
    // What moves nothing for the better moves nothing.
    levers = chainAhead(chain, elsewhere()).levers.filter((lever) => helps(lever, ahead.doneAt));
  } catch (error) {
    if (!(error instanceof RangeRefusal)) throw error;
    return <p className="mt-4 text-muted">What would move it cannot be worked out: {error.message}</p>;
  }
  if (levers.length === 0) return null;
  return (
    <>
      <h3 className="mt-4 font-semibold">What would move it</h3>
      <ul>
        {levers.map((lever) => (
          <li
            key={`${lever.what} ${lever.to ?? ''}`}
            className="flex flex-wrap justify-between gap-x-4 border-b border-rule py-1"
          >
            <span>
              {lever.to === undefined
                ? LEVER_WORDS[lever.what]
                : `loads ${lever.to === 'home' ? 'home' : `to ${lever.to}`} instead`}
            </span>
            <span>
              {lever.stopsAt === null ? 'no combine idle' : `idle at ${minuteText(Math.floor(lever.stopsAt))}`},{' '}
              <b>{worth(lever, ahead, kgPerBu)}</b>
            </span>
          </li>
        ))}
      </ul>
      {levers.some((lever) => lever.to !== undefined && lever.to !== 'home') && (
        <p className="mt-1 text-sm text-muted">
          Grain, not dollars: what a buyer takes off for wet grain is not in it.
        </p>
      )}
    </>
  );
}

const helps = ({ gain, doneAt, lessStanding }: ChainLever, doneNow: number | null): boolean =>
  gain >= 1 || lessStanding >= 1 || (doneAt !== null && (doneNow === null || doneAt < doneNow));

/** What a lever brings: of what is not cut, how much is; where the same is cut either way, how much sooner; else less standing. */
function worth(
  { gain, doneAt, lessStanding }: ChainLever,
  { combineStands, doneAt: doneNow }: ChainStops,
  kgPerBu: number,
): string {
  const lost = combineStands?.lostBushels ?? 0;
  if (gain >= 1 && lost >= 1)
    return gain >= 0.995 * lost
      ? `all of the ${bushels(lost, kgPerBu).text}`
      : `${bushels.signed(gain, kgPerBu).text} of the ${bushels(lost, kgPerBu).text}`;
  if (Math.abs(gain) >= 1) return bushels.signed(gain, kgPerBu).text;
  if (doneAt !== null && doneNow !== null && doneAt !== doneNow)
    return `field cut ${Math.abs(Math.round(doneNow - doneAt))} min ${doneAt < doneNow ? 'sooner' : 'later'}`;
  return `${Math.abs(Math.round(lessStanding))} min ${lessStanding < 0 ? 'more' : 'less'} idle`;
}
