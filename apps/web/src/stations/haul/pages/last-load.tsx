import type { WeatherHourInfo } from '@fanega/contract';
import {
  calendarDay,
  closesAt,
  combineRate,
  cropCut,
  cutLast,
  type FieldRecords,
  type FieldRow,
  type HaulTimes,
  lastLoad,
  type LastLoad,
  RangeRefusal,
  timesFrom,
  USUAL_HAUL_TIMES,
} from '@fanega/core';
import { useState } from 'react';
import { toast } from '../../../ui/toast';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, Problem, SelectBox, TextBox } from '../../../ui';
import { Verdict } from '../../../ui/verdict';
import { useTicking } from '../../../ui/use-ticking';
import { bushels, grainRate, minutes, number, type Kind } from '../../../quantity/quantity';
import { clock, likeMinute, minuteText, readMinute, spanText } from '../../../quantity/time';
import { setting } from '../../../data/records';
import { write } from '../../../data/outbox';
import { Callout } from '../../../ui/callout';
import { Section } from '../../../ui/page';

interface Text {
  now: string;
  closes: string;
  road: string;
  load: string;
  tarp: string;
  rate: string;
  truckHolds: string;
  truck: string;
  truckHas: string;
  inCart: string;
  cart: string;
  inTank: string;
  tank: string;
  lids: string;
  unload: string;
  backAt: string;
  backHolds: string;
  rain: string;
}

const BOXES: readonly (readonly [keyof Text, string, Kind | null, boolean?])[] = [
  ['now', 'It is now', null],
  ['closes', 'Buyer takes a truck in line until', null],
  ['road', 'Road, one way', minutes],
  ['rate', 'Picking', grainRate],
  ['truckHolds', 'The truck holds', bushels],
  ['truckHas', 'in it now', bushels],
  ['inCart', 'In the cart now', bushels],
  ['cart', 'The cart holds', bushels],
  ['inTank', 'In the tank now', bushels],
  ['tank', 'The tank holds', bushels],
  ['lids', 'Lids close up to', bushels],
  ['load', 'Loading', minutes],
  ['tarp', 'Tarping', minutes],
  ['unload', 'Line and pit there', minutes],
  ['backAt', 'Another truck is back at', null, true],
  ['backHolds', 'and holds', bushels, true],
  ['rain', 'Rain likely at', null, true],
];
const TIMES: readonly (keyof Text)[] = ['now', 'closes', 'backAt', 'rain'];

/** The last load that still gets in, and where the rest of the evening's grain sleeps. */
export function LastLoadPage({
  farm,
  notebook,
  rows,
  weather,
}: {
  farm: Farm;
  notebook: FieldRecords;
  rows: readonly FieldRow[];
  weather: readonly WeatherHourInfo[];
}) {
  const { timeZone } = farm.data.farm;
  const haul = notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES;
  const of = (kind: string) => farm.data.places.filter((place) => place.kind === kind);
  const bu = (id: string): number => farm.bushels(farm.held(id).wetLots);
  const buyers = of('buyer');
  const crop = cropCut(rows);
  const per = farm.kgPerBu(crop);
  const wall = (ms: number): string => clock(ms, timeZone);
  const [buyerId, setBuyerId] = useState(buyers[0]?.id ?? '');
  const closing = (id: string): string => {
    const hours = closesAt(farm, notebook, crop, id);
    return hours === null ? '' : minuteText(Math.min(1439, hours.closes));
  };
  // What nobody typed goes on with the clock and with the book.
  useTicking();
  const asItStands = (): Text => {
    // The truck that stands begun, or the first empty one; the fullest cart; the fullest tank.
    const fullest = (kind: string) => [...of(kind)].sort((a, b) => bu(b.id) - bu(a.id))[0];
    const trucks = of('truck');
    const truck =
      trucks
        .filter((place) => bu(place.id) < 0.9 * (place.capacityBu ?? Infinity))
        .sort((a, b) => bu(b.id) - bu(a.id))[0] ?? trucks[0];
    const [cart, tank] = [fullest('cart'), fullest('combine')];
    const now = farm.clock();
    const rain = weather.find((hour) => Date.parse(hour.at) > now && hour.rainChance >= 0.4);
    const rate = combineRate(farm, notebook, rows, cropCut(rows));
    const about = (kind: Kind, value: number | null | undefined): string =>
      value === null || value === undefined ? '' : kind.text(Math.round(value), per);
    return {
      now: wall(now),
      closes: closing(buyerId),
      road: about(minutes, timesFrom(haul, notebook, cutLast(rows)?.lot.fieldId).roadMin[buyerId]),
      load: String(haul.loadMin),
      tarp: String(haul.tarpMin),
      rate: rate > 0 ? about(grainRate, rate) : '',
      truck: truck?.name ?? '',
      truckHolds: about(bushels, truck?.capacityBu),
      truckHas: about(bushels, truck ? bu(truck.id) : 0),
      inCart: about(bushels, cart ? bu(cart.id) : 0),
      cart: about(bushels, cart?.capacityBu),
      inTank: about(bushels, tank ? bu(tank.id) : 0),
      tank: about(bushels, tank?.capacityBu),
      lids: bushels.text(haul.lidsCloseBu, per),
      unload: String(haul.unloadMin),
      backAt: '',
      backHolds: about(bushels, truck?.capacityBu),
      // Rain of another day is no rain of this evening.
      rain:
        rain && calendarDay(Date.parse(rain.at), timeZone) === calendarDay(now, timeZone)
          ? wall(Date.parse(rain.at))
          : '',
    };
  };
  const [typed, setTyped] = useState<Partial<Text>>({});
  const text: Text = { ...asItStands(), ...typed };
  const set = (key: keyof Text, value: string) => setTyped({ ...typed, [key]: value });
  const errors: Partial<Record<keyof Text, string>> = {};
  const value = {} as Record<keyof Text, number>;
  for (const [key, , kind, optional] of BOXES) {
    const isTime = TIMES.includes(key);
    if (optional && text[key].trim() === '') {
      value[key] = NaN;
    } else if (isTime) {
      value[key] = readMinute(text[key]);
      if (Number.isNaN(value[key])) errors[key] = likeMinute();
    } else {
      const { value: read, error } = kind!.read(text[key], { least: 0, per, wanted: true });
      value[key] = read ?? NaN;
      if (error) errors[key] = error;
    }
  }
  if (!errors.rate && value.rate < 1) errors.rate = 'What the combines bring an hour';
  let answer: LastLoad | null = null;
  let problem: string | null = null;
  if (Object.keys(errors).length === 0) {
    try {
      answer = lastLoad({
        now: value.now,
        buyerCloses: value.closes,
        roadMin: value.road,
        inCart: value.inCart,
        inTank: value.inTank,
        truck: { id: text.truck || 'the truck', capacity: value.truckHolds, holds: value.truckHas },
        bushelsPerHour: value.rate,
        loadMin: value.load,
        tarpMin: value.tarp,
        unloadMin: value.unload,
        returning:
          text.backAt.trim() === ''
            ? []
            : [
                {
                  id: 'the other truck',
                  at: value.backAt,
                  capacity: Number.isNaN(value.backHolds) ? 0 : value.backHolds,
                },
              ],
        cart: { capacity: value.cart },
        tank: { capacity: value.tank, lidsCloseAt: value.lids },
        ...(text.rain.trim() === '' ? {} : { rainAt: value.rain }),
      });
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      problem = error.message;
    }
  }
  return (
    <div className="lg:grid lg:grid-cols-[1.1fr_1fr]">
      <Section label="Last load">
        {answer ? (
          <Answer answer={answer} now={value.now} closes={value.closes} truck={text.truck || 'The truck'} per={per} />
        ) : (
          <p className="text-lg text-muted">{problem ?? 'Fill in what is missing on the right.'}</p>
        )}
      </Section>
      <section aria-label="As it stands" className="border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6">
        {buyers.length > 0 && (
          <div className="mb-3">
            <SelectBox
              label="To"
              value={buyerId}
              onChange={(event) => {
                // Another buyer has hours and a road of his own.
                setBuyerId(event.target.value);
                setTyped(
                  Object.fromEntries(Object.entries(typed).filter(([key]) => key !== 'closes' && key !== 'road')),
                );
              }}
            >
              {buyers.map((buyer) => (
                <option key={buyer.id} value={buyer.id}>
                  {buyer.name}
                </option>
              ))}
            </SelectBox>
          </div>
        )}
        <div className="grid grid-cols-2 gap-3">
          {BOXES.map(([key, label, kind]) => (
            <TextBox
              key={key}
              label={label}
              unit={kind?.unit}
              inputMode={TIMES.includes(key) ? 'text' : 'decimal'}
              value={text[key]}
              error={errors[key]}
              onChange={(event) => set(key, event.target.value)}
            />
          ))}
        </div>
        {buyerId !== '' && !errors.road && !errors.load && !errors.tarp && !errors.lids && !errors.unload && (
          <Keep
            farm={farm}
            revision={notebook.settings.haulTimes.farm?.revision ?? 0}
            sheet={{
              ...haul,
              roadMin: { ...haul.roadMin, [buyerId]: value.road },
              loadMin: value.load,
              tarpMin: value.tarp,
              lidsCloseBu: value.lids,
              unloadMin: value.unload,
            }}
          />
        )}
      </section>
    </div>
  );
}

/** Roads, loading and tarping are the same tomorrow. */
function Keep({ farm, revision, sheet }: { farm: Farm; revision: number; sheet: HaulTimes }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const save = async (): Promise<void> => {
    if (!(await sending.send(() => write(farm.id, setting(farm.id, 'haulTimes', 'farm', { revision, value: sheet })))))
      return;
    toast('Road, loading and tarping are kept');
    await refresh();
  };
  return (
    <>
      <Button className="mt-4" disabled={sending.busy} onClick={() => void save()}>
        Keep road, loading and tarping
      </Button>
      <Problem className="mt-2">{sending.message}</Problem>
    </>
  );
}

function Answer({
  answer,
  now,
  closes,
  truck,
  per,
}: {
  answer: LastLoad;
  now: number;
  closes: number;
  truck: string;
  /** kg of a bushel of what is cut */
  per: number;
}) {
  const { again, overnight } = answer;
  const goneBy = Math.ceil(answer.leavesAt);
  const arrives = Math.ceil(answer.arrivesAt);
  const notLast = again.length > 0;
  return (
    <>
      {notLast ? (
        <Verdict
          figure={minuteText(Math.floor(answer.lastDeparture))}
          unit={`leave by, in ${spanText(answer.lastDeparture - now)}`}
        >
          {truck} can leave by <b>{minuteText(goneBy)}</b> and make{' '}
          {again.length === 1 ? 'one more trip' : `${again.length} more trips, the last`} at{' '}
          <b>{minuteText(Math.ceil(again.at(-1)!))}</b>.
        </Verdict>
      ) : (
        <Verdict bad={!answer.inTime} figure={minuteText(goneBy)} unit={answer.inTime ? 'gone by' : 'too late'}>
          {answer.inTime ? (
            <>
              {truck} arrives <b>{minuteText(arrives)}</b>: {closes - arrives} minutes to spare. Last departure{' '}
              {minuteText(answer.lastDeparture)}.
            </>
          ) : (
            <>
              {truck} would arrive {minuteText(arrives)}, {arrives - closes} minutes after closing; the last departure
              is {minuteText(answer.lastDeparture)}.
            </>
          )}
        </Verdict>
      )}
      <p className="mt-1 text-muted">
        {answer.stillToPick > 0
          ? `${bushels(answer.stillToPick, per)} more, ${number(answer.minutesToFull, 1)} minutes: full ${minuteText(Math.floor(answer.fullAt))}`
          : 'There is enough for it now'}
        , loaded {minuteText(Math.floor(answer.loadedAt))}.
      </p>
      {answer.others.map((other) => (
        <p key={other.id} className="mt-2 text-lg">
          {other.canGo
            ? `● ${other.id} can go too, there at ${minuteText(Math.ceil(other.arrivesAt))}.`
            : `■ ${other.id} cannot go today: it would be there at ${minuteText(Math.ceil(other.arrivesAt))}.`}
        </p>
      ))}
      <div className="mt-5 border-t border-ink pt-4">
        <h2 className="text-xl">Overnight, under cover</h2>
        <p className="mt-1 text-4xl font-bold">
          {bushels.figure(overnight.room, per)}
          <span className="text-xl leading-tight font-normal text-muted">
            {` ${bushels.unit}, `}
            <span className="max-sm:block">
              {Math.floor(overnight.minutes)} minutes{notLast ? ' from the last load on' : ''}
            </span>
          </span>
        </p>
        <p className="text-lg">
          Stop at <b>{minuteText(Math.floor(overnight.stopAt))}</b>,{' '}
          {overnight.stoppedBy === 'rain' ? 'before the rain' : 'then everything that can be covered is full'}.{' '}
          {overnight.pickedByReturn !== null &&
            `${bushels(overnight.pickedByReturn, per)} are picked by the time the other truck is back: ${overnight.combineWaits ? 'the combine waits.' : 'the combine never waits.'}`}
        </p>
        <ul className="mt-1">
          {overnight.holders.map((holder) => (
            <li key={holder.id}>
              {holder.id}: {bushels(holder.bushels, per).text}
            </li>
          ))}
        </ul>
        <Callout className="mt-2 px-3 py-2 text-sm">
          {overnight.minutesToCover === null
            ? 'Tarp and close the lids before the dew.'
            : `Tarp everything and close the lids within ${Math.max(0, Math.floor(overnight.minutesToCover))} minutes of stopping, before the rain.`}{' '}
          What stays on wheels stays on the book under its field. Wet grain must not stand warm: a deadline for air. No
          tarping alone in wind, never from the top of a load.
        </Callout>
      </div>
    </>
  );
}
