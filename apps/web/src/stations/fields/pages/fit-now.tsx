import type { WeatherHourInfo } from '@fanega/contract';
import {
  asBuyer,
  BEAN_DAY,
  buyerOffset,
  chanceToPass,
  CORN_DRYDOWN,
  type CuttingWindow,
  type FieldForecast,
  type FieldNow,
  type FieldVerdict,
  PAIR_DAYS,
  TESTER,
  type Tester,
  WAITING,
} from '@fanega/core';
import { Moisture, dollars, moisture as wetness, number, percent, shortPercent } from '../../../quantity/quantity';
import { clock, DAY_MS, HOUR_MS, since, spanText, weekday } from '../../../quantity/time';
import { Loading } from '../../../ui';
import { Verdict } from '../../../ui/verdict';
import { type WorkedFrom, Working } from '../../../widgets/working';
import { forecastAt, Moments } from './forecast-moments';
import { Ago } from '../../../widgets/ago';

export function isWet(weather: readonly WeatherHourInfo[], nowMs: number): boolean {
  return weather.some((hour) => hour.wet && Date.parse(hour.at) <= nowMs && Date.parse(hour.at) > nowMs - HOUR_MS);
}

/** Pairs of a tester that are young enough to speak for it. */
export const youngPairs = (tester: Tester | undefined, nowMs: number): Tester['pairs'] =>
  (tester?.pairs ?? []).filter(({ at }) => Date.parse(at) > nowMs - PAIR_DAYS * DAY_MS);

const LOOK: Readonly<Record<FieldVerdict['answer'], readonly [shape: string, words: string]>> = {
  'cut now': ['●', 'Cut now'],
  wait: ['◐', 'Wait'],
  stop: ['■', 'Stop'],
  'read it': ['◐', 'Read it'],
  'no window': ['', 'Set its limits'],
  done: ['●', 'All cut'],
};

const ENDS: Readonly<Record<NonNullable<FieldVerdict['ends']>, string>> = {
  'field done': 'Then it is all cut.',
  'refused by the buyer': 'Then the buyer refuses it.',
  closing: 'Then the buyer is closed.',
  'end of the forecast': 'The forecast ends there.',
  'leaves the window': 'Then it is too dry.',
};

interface Given {
  /** What the verdict was worked out from, beside the reading. */
  readonly from: readonly WorkedFrom[];
  readonly verdict: FieldVerdict | 'pending';
  readonly now: FieldNow | null;
  readonly tester: Tester | undefined;
  readonly window: CuttingWindow | undefined;
  readonly crop: string;
  readonly forecast: FieldForecast | null;
  readonly nowMs: number;
  readonly timeZone: string;
}

/** One sentence for why, in the words of whoever stands at the field. */
function whyOf(verdict: FieldVerdict, { now, window, forecast, nowMs, timeZone, crop }: Given): string {
  const at = now ? percent(now.moisture) : '';
  const limit = window ? shortPercent(window.refuseAbove, 2) : '';
  const gain = verdict.gain === null ? '' : dollars(verdict.gain);
  switch (verdict.because) {
    case 'all of it is cut':
      return 'Nothing stands here any more.';
    case 'no window is set':
      return `Say between which moistures ${crop.toLowerCase()} is cut here, and this page says when.`;
    case 'dew or rain on it':
      return 'Dew or rain on it: wet straw wraps and will not thresh.';
    case 'too few readings':
      return 'It has not been read yet.';
    case 'reading too old': {
      const likely = forecast ? ` Likely ${percent(forecastAt(forecast, nowMs).likely)} now.` : '';
      return now ? `The last reading, ${at}, was ${since(now.atMs, nowMs)}.${likely}` : 'It has not been read yet.';
    }
    case 'refused above':
      return `At ${at} the buyer refuses it: his limit is ${limit}.`;
    case 'likely refused':
      return `At ${at} more loads than not are refused above ${limit}. Test the first truck before it leaves.`;
    case 'too dry':
      return `At ${at} it shatters, and every bushel weighs less than it could.`;
    case 'waiting brings more':
      return `Starting then brings ${gain} more than starting now.`;
    case 'too little to wait for':
      return `At ${at}. Starting ${weekday(verdict.bestMs!, timeZone)}, ${clock(verdict.bestMs!, timeZone)} would bring ${gain} more, too little to wait for: half a point of moisture moves as much.`;
    case 'the best start by money':
      return gain === '' ? `At ${at} no later start brings more.` : `At ${at}, waiting another day costs ${gain}.`;
    case 'in the best window':
      return `At ${at} it is in its best window.`;
    case 'wetter than best':
      return `At ${at} it is wetter than best, and is taken.`;
    case 'drier than best':
      return `At ${at} it is drier than best: each hour costs weight.`;
  }
}

/** The one answer of a field, with its reason; the other answers behind a tap, as figures. */
export function Fit(given: Given) {
  const { verdict, now, tester, window, forecast, nowMs, timeZone } = given;
  if (verdict === 'pending')
    return (
      <section aria-label="Is it fit?" className="min-h-44 px-5 py-5 lg:px-6">
        <Loading what="Working out the best start" />
      </section>
    );
  const [shape, words] = LOOK[verdict.answer];
  const until =
    verdict.untilMs === null
      ? undefined
      : `until ${Math.abs(verdict.untilMs - nowMs) < 12 * HOUR_MS ? '' : `${weekday(verdict.untilMs, timeZone)}, `}${clock(verdict.untilMs, timeZone)}`;
  const standing = verdict.answer !== 'done';
  return (
    <section aria-label="Is it fit?" className="flex flex-wrap items-start gap-x-10 gap-y-4 px-5 py-5 lg:px-6">
      <div className="max-w-2xl min-w-64 flex-[2]">
        <Verdict
          {...(shape ? { shape } : {})}
          figure={words}
          {...(until ? { unit: until } : {})}
          bad={verdict.answer === 'stop'}
        >
          {whyOf(verdict, given)}
          {verdict.answer === 'cut now' && verdict.ends !== null && ` ${ENDS[verdict.ends]}`}
        </Verdict>
      </div>
      {now && standing && (
        <div>
          <Verdict small figure={<Moisture value={now.moisture} />} />
          <p className="mt-2 text-muted">
            {now.count > 1
              ? `mean of ${now.count}, ${wetness.figure(now.low)} to ${wetness.figure(now.high)}, `
              : now.source === 'combine'
                ? 'off the combine, '
                : 'read '}
            <Ago at={now.atMs} />
            {Math.abs(now.moisture - now.read) > 5e-5 ? ', as the buyer would test it' : ''}
          </p>
        </div>
      )}
      {standing && window && (now || forecast) && (
        <details className="w-full">
          <summary className="min-h-11 cursor-pointer py-2 font-semibold">The figures behind it</summary>
          <div className="max-w-2xl space-y-1.5">
            {now && <AtTheBuyer {...given} now={now} window={window} tester={tester} />}
            {forecast && forecast.by === 'the day’s weather' && (
              <p>
                Likely now {wetness.figure(forecastAt(forecast, nowMs).likely)},{' '}
                {wetness.figure(forecastAt(forecast, nowMs).low)} to {wetness.figure(forecastAt(forecast, nowMs).high)},
                by the weather since it was read.
              </p>
            )}
            {forecast && <Moments forecast={forecast} nowMs={nowMs} timeZone={timeZone} />}
            <Working
              what={`${words}${until ? ` ${until}` : ''}`}
              formulas={[WAITING, TESTER, forecast?.by === 'the day’s weather' ? BEAN_DAY : CORN_DRYDOWN]}
              inputs={[
                ...(now
                  ? [
                      {
                        name: 'Moisture now',
                        value: percent(now.read),
                        from: now.source === 'combine' ? 'off the combine' : now.tester || now.source,
                        at: now.atMs,
                      },
                    ]
                  : []),
                ...given.from,
              ]}
              worked={[
                ...(now && Math.abs(now.moisture - now.read) > 5e-5
                  ? [
                      `${percent(now.read)} read ${now.moisture >= now.read ? '+' : '−'} ${number(100 * Math.abs(now.moisture - now.read), 1)} points between the testers = ${percent(now.moisture)} at the buyer`,
                    ]
                  : []),
                ...(verdict.gain !== null && verdict.bestMs !== null
                  ? [
                      `start ${weekday(verdict.bestMs, timeZone)}, ${clock(verdict.bestMs, timeZone)} − start now = ${dollars(verdict.gain)}`,
                    ]
                  : []),
              ]}
              not="drying at home, hauling, and what another field would bring meanwhile."
            />
          </div>
        </details>
      )}
    </section>
  );
}

/** "3 in 10" */
const inTen = (chance: number): string =>
  chance > 0.95 ? 'nearly all' : chance < 0.05 ? 'hardly any' : `${Math.max(1, Math.round(10 * chance))} in 10`;

function AtTheBuyer({
  now,
  window,
  tester,
  nowMs,
}: Given & { readonly now: FieldNow; readonly window: CuttingWindow }) {
  if (now.source === 'elevator')
    return <p aria-label="Likely at the buyer">The reading is the buyer&rsquo;s own test.</p>;
  const pairs = youngPairs(tester, nowMs);
  const chance = chanceToPass(now.read, window.refuseAbove, pairs);
  const limit = shortPercent(window.refuseAbove, 2);
  return (
    <p aria-label="Likely at the buyer">
      {chance
        ? `Of such loads ${inTen(chance.chance)} pass the buyer’s limit of ${limit}. With ${tester!.name} at ${wetness.figure(chance.even)} it is an even bet; at ${wetness.figure(chance.safe)} or below 95 of 100 pass (${chance.pairs} pairs, ${number(100 * buyerOffset(tester), 1)} points between the testers).`
        : `Too few pairs to say what the buyer will read: ${pairs.length} of 3${now.tester ? ` for ${now.tester}` : ''} in the last ${spanText(PAIR_DAYS * 24 * 60)}. As read, ${percent(asBuyer(now.read, 0))}.`}
    </p>
  );
}
