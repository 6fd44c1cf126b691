import {
  chainNow,
  closesAt,
  cropOf,
  CROPS,
  DRYER_DOWN,
  dryerDown,
  bushelPointsAt,
  dryerOf,
  delaysNow,
  type FieldRecords,
  type FieldRow,
  type Offers,
  quickDryingCost,
  RangeRefusal,
  startOfDay,
  trucksNow,
  USUAL_HARVEST_COSTS,
  USUAL_HAUL_TIMES,
  USUAL_LINE_MIN,
  type WayOut,
  type WetBuyer,
  windowFor,
  type HaulView,
} from '@fanega/core';
import { useState } from 'react';
import { type Farm, useDown, useFields, useHaul, useNotebook } from '../../../data/farm';
import { bushels, dollars, grainRate, hours, minutes, money, number } from '../../../quantity/quantity';
import { soon } from '../../../quantity/time';
import { Loading, TextBox } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { Section } from '../../../ui/page';
import { useTicking } from '../../../ui/use-ticking';
import { Verdict } from '../../../ui/verdict';
import { useOffers } from '../../../widgets/use-offers';
import { useDeadlines } from '../../../widgets/use-deadlines';
import { Working } from '../../../widgets/working';
import { USUAL_DRYER } from '../forms/dryer-setup';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, wordColumn, moneyColumn } from '../../../widgets/columns';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
/** A repair that nobody estimated: until tomorrow. */
const USUAL_HOURS = 12;

/** The dryer stands: what is wet, until when it lasts, and the ways out side by side in bushels, hours and dollars. */
export default function DryerDown({ farm }: { farm: Farm }) {
  const notebook = useNotebook().data;
  const offers = useOffers(farm);
  const rows = useFields().data;
  const haul = useHaul().data;
  if (!notebook || !rows || !haul || !offers) return <Loading what="Opening" />;
  return <Ways farm={farm} offers={offers} notebook={notebook} rows={rows} haul={haul} />;
}

function Ways({
  farm,
  offers,
  notebook,
  rows,
  haul,
}: {
  farm: Farm;
  offers: Offers;
  notebook: FieldRecords;
  rows: readonly FieldRow[];
  haul: HaulView;
}) {
  useTicking();
  const wet = useDeadlines(farm);
  const down = useDown();
  const { timeZone } = farm.data.farm;
  const now = farm.clock();
  const reported = delaysNow(farm, notebook).find(({ link }) => link === 'dryer');
  const [text, setText] = useState<{ repair?: string; rate?: string; charge?: string; road?: string }>({});
  const shownRepair =
    text.repair ?? hours.text(reported ? Math.max(0.1, (reported.untilMs - now) / HOUR) : USUAL_HOURS);
  const repair = hours.read(shownRepair, { least: 0, most: 400, wanted: true });
  if (!wet) return <Loading what="Looking for wet grain" />;
  const cropId = wet[0]?.crop ?? 'corn';
  const crop = cropOf(cropId) ?? CROPS.corn;
  const per = farm.kgPerBu(cropId);
  const own = wet.filter((one) => one.crop === cropId);
  const others = wet.length - own.length;
  const rate = grainRate.read(text.rate ?? '', { least: 1, most: 50_000, per });
  const charge = hours.read(text.charge ?? '', { least: 0, most: 10 });
  const road = minutes.read(text.road ?? '', { least: 0, most: 600 });
  const able = dryerOf(notebook);
  const setup = able?.setup ?? { ...USUAL_DRYER, ...(able ? { bushelPointsPerHour: able.bushelPointsPerHour } : {}) };
  const times = notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES;
  const trucks = trucksNow(farm, notebook, haul, times, cropId, down).filter(({ state }) => state !== 'down');
  const truckBu = trucks.length === 0 ? 900 : trucks.reduce((sum, one) => sum + one.capacity, 0) / trucks.length;
  const ownWindow = windowFor(notebook, cropId, null)?.value;
  const midnight = startOfDay(now, timeZone);
  const buyers = farm.data.places.flatMap((place): WetBuyer[] => {
    if (place.kind !== 'buyer') return [];
    const offer = offers(cropId, place.id);
    if (offer === null || offer.price === null) return [];
    const open = closesAt(farm, notebook, cropId, place.id) ?? { opens: 0, closes: 1440 };
    // Closed for today: tomorrow's hours.
    const day = midnight + open.closes * MINUTE > now ? midnight : midnight + 24 * HOUR;
    return [
      {
        id: place.id,
        name: place.name,
        terms: offer.terms,
        price: offer.price,
        opensMs: day + open.opens * MINUTE,
        closesMs: day + open.closes * MINUTE,
        roadMin: times.roadMin[place.id] ?? 25,
        lineMin: USUAL_LINE_MIN,
      },
    ];
  });
  const chain = chainNow(
    farm,
    notebook,
    haul,
    rows,
    times,
    { to: { kind: 'home', buyerId: '' }, lineMin: USUAL_LINE_MIN },
    down,
  );
  const points = own.length === 0 ? 1 : Math.max(0.1, 100 * (own[0]!.moisture - setup.dryTo));
  const perPoint = quickDryingCost(
    1,
    setup.fuelPerPointBushel,
    setup.fuelPrice,
    setup.kWhPerPointBushel,
    setup.powerPrice,
  );
  let ways: readonly WayOut[] = [];
  let problem: string | null = null;
  if (repair.value !== undefined)
    try {
      ways = dryerDown({
        now,
        repairedMs: now + repair.value * HOUR,
        parcels: own.map(({ wetKg, moisture, dueMs }) => ({ wetKg, moisture, dueMs })),
        legalPounds: crop.legalPounds,
        buyers,
        trucks: trucks.length,
        truckBu,
        loadMin: times.loadMin,
        tarpMin: times.tarpMin,
        unloadMin: times.unloadMin,
        dryTo: setup.dryTo,
        dryingPerPointBushel: perPoint,
        dryPrice: Math.max(0, ownWindow?.price ?? 0, ...buyers.map(({ price }) => price)),
        dryerBushelsPerHour: bushelPointsAt(setup, points) / points,
        ...(rate.value === undefined
          ? {}
          : {
              other: {
                bushelsPerHour: rate.value,
                perPointBushel: charge.value ?? perPoint,
                roadMin: road.value ?? 20,
              },
            }),
        combineCostPerHour:
          (times.combineCostPerHour ?? USUAL_HARVEST_COSTS.combinePerHour) *
          Math.max(1, chain?.chain.combines.length ?? 1),
        cuttingHoursLeft: chain ? Math.max(0, (chain.chain.until - chain.chain.now) / 60) : 0,
      });
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      problem = error.message;
    }
  const all = own.reduce((sum, { wetKg }) => sum + wetKg, 0) / per;
  const [best] = ways;
  const at = (ms: number | null): string => (ms === null ? '–' : soon(ms, now, timeZone));
  type Way = (typeof ways)[number];
  const columns: Column<Way>[] = [
    wordColumn('way', 'Way', wayTitle, { phone: 'title' }),
    figureColumn('saves', 'Saves', bushels, ({ way, bushels: saved }) => (way === 'stop cutting' ? null : saved), {
      per: () => per,
    }),
    wordColumn('loads', 'Loads', ({ loads }) => (loads === 0 ? '' : number(loads)), {
      right: true,
      by: ({ loads }) => loads,
    }),
    wordColumn(
      'start',
      'Start by',
      ({ startByMs }) => (startByMs === null ? '' : startByMs < now ? '■ too late for all' : at(startByMs)),
      {
        right: true,
        by: ({ startByMs }) => startByMs,
      },
    ),
    wordColumn(
      'done',
      'Done',
      ({ way, hours, lastMs }) => (way === 'stop cutting' ? `${number(hours, 1)} h` : at(lastMs)),
      { right: true },
    ),
    moneyColumn('brings', 'Brings', ({ money: brings }) => brings, {
      phone: 'verdict',
      show: ({ money: brings }) => dollars(brings),
    }),
  ];
  return (
    <div className="lg:grid lg:grid-cols-[1.5fr_1fr]">
      <Section label="Ways out">
        {own.length === 0 ? (
          <Verdict small shape="●" figure="Nothing wet">
            The dryer can stay down: nothing is waiting for it.
          </Verdict>
        ) : problem !== null || !best ? (
          <p className="text-lg text-clay">{problem ?? 'A number on the right needs fixing.'}</p>
        ) : (
          <>
            <Verdict
              about={`${bushels(all, per).text} of ${crop.short} are wet${others > 0 ? `; ${others} more wet ${others === 1 ? 'lot' : 'lots'} of other crops` : ''}`}
              small
              figure={wayTitle(best)}
            >
              {best.way === 'haul wet' && best.startByMs !== null ? (
                best.startByMs >= now ? (
                  <>
                    Start by <b>{at(best.startByMs)}</b>: {best.loads} loads, the last dump about {at(best.lastMs)}.
                  </>
                ) : (
                  <>
                    <b>Start now</b>: {best.loads} loads get in before closing, {bushels(best.leftBushels, per).text}{' '}
                    stay.
                  </>
                )
              ) : best.leftBushels >= 1 ? (
                <>
                  <b>{bushels(best.leftBushels, per).text} will not keep that long.</b>
                </>
              ) : (
                <>It lasts with air through it: the last of it is dry about {at(best.lastMs)}.</>
              )}{' '}
              {ways.filter(({ way }) => way !== 'stop cutting').length > 1 && (
                <>The next best way brings {dollars(ways[1]!.behind)} less.</>
              )}
            </Verdict>
            <div className="mt-4">
              <DataTable
                name="Ways side by side"
                one="way"
                many="ways"
                rows={ways}
                columns={columns}
                rowId={({ way, to }) => `${way} ${to}`}
                rowClass={(way) => (way === best ? 'bg-sand font-semibold' : '')}
                flush
              />
            </div>
            <p className="mt-2 text-sm text-muted">
              Stopping the combines costs their hours and saves none of the wet grain, but adds no more of it. Grain
              that will not keep is counted at half its value; what a buyer would give for it is a guess.
            </p>
            <Working
              what={wayTitle(best)}
              formulas={[DRYER_DOWN]}
              inputs={[
                { name: 'Wet', value: bushels(all, per).text, from: 'the book: wet bin, dryer and on wheels' },
                {
                  name: 'Repaired in',
                  value: `${number(repair.value ?? 0, 1)} h`,
                  from: text.repair === undefined && reported ? `reported by ${reported.by}` : 'typed',
                },
                {
                  name: 'Trucks that run',
                  value: `${trucks.length}, ${bushels(truckBu, per).text} each`,
                  from: 'the shed and the places',
                },
                {
                  name: 'Drying at home',
                  value: `${money(perPoint)} a point and bushel`,
                  from: able?.setup ? 'the dryer’s own sheet' : 'usual; enter the farm’s own',
                  ...(able?.setup ? {} : { enter: '/dry' }),
                },
              ]}
              worked={
                best.way === 'haul wet'
                  ? [
                      `${bushels(best.bushels, per).text} ÷ ${bushels(truckBu, per).text} a truck = ${best.loads} loads on ${trucks.length} trucks`,
                    ]
                  : []
              }
              not="what the price does, and a buyer who closes early."
            />
          </>
        )}
        <Callout icon className="mt-4 px-3 py-2 text-sm">
          Hot grain in a dryer that stands can catch fire: fans off first, fuel shut at the tank, watch the column, call
          the fire department before opening it. The operator&rsquo;s manual and licensed hands decide on gas and wires.
        </Callout>
      </Section>
      <section
        aria-label="The repair"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        <TextBox
          label="Back up in"
          unit="h"
          inputMode="decimal"
          value={shownRepair}
          error={repair.error}
          hint={
            text.repair === undefined
              ? reported
                ? `as ${reported.by} reported it`
                : 'not reported: a guess'
              : undefined
          }
          onChange={(event) => setText({ ...text, repair: event.target.value })}
        />
        <fieldset className="space-y-3 border-t border-rule pt-4">
          <legend className="font-bold">Another dryer, if one is offered</legend>
          <div className="grid grid-cols-2 gap-3">
            <TextBox
              label="It does"
              unit={grainRate.unit}
              inputMode="decimal"
              value={text.rate ?? ''}
              error={rate.error}
              onChange={(event) => setText({ ...text, rate: event.target.value })}
            />
            <TextBox
              label="Road"
              unit="min"
              inputMode="decimal"
              value={text.road ?? ''}
              error={road.error}
              onChange={(event) => setText({ ...text, road: event.target.value })}
            />
            <TextBox
              label="Charges a point and bushel"
              unit="$"
              inputMode="decimal"
              value={text.charge ?? ''}
              error={charge.error}
              onChange={(event) => setText({ ...text, charge: event.target.value })}
            />
          </div>
        </fieldset>
        {buyers.length === 0 && (
          <p className="text-muted">No buyer’s terms for {crop.short} are known: set the window in Fields.</p>
        )}
      </section>
    </div>
  );
}

const wayTitle = ({ way, name }: WayOut): string =>
  way === 'haul wet'
    ? `Haul wet to ${name}`
    : way === 'wait'
      ? 'Wait for the repair'
      : way === 'other dryer'
        ? 'The other dryer'
        : 'Stop the combines';
