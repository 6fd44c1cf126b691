import {
  acresToHectares,
  cropCut,
  cropOf,
  fieldFacts,
  type FieldRecords,
  type FieldRow,
  fieldWeights,
  type FieldWeights,
  lastDepartures,
  loadsLeft,
  RangeRefusal,
  type TruckNow,
  trucksNow,
  USUAL_HAUL_TIMES,
  type HaulView,
} from '@fanega/core';
import { useState } from 'react';
import { type Farm, useDown } from '../../../data/farm';
import { Button } from '../../../ui';
import { useTicking } from '../../../ui/use-ticking';
import { EntryDrawer } from '../../../widgets/entry-drawer';
import { area, bushels, cropYield, dollars, grain, mass, percent, heldText } from '../../../quantity/quantity';
import { clock, day } from '../../../quantity/time';
import { TRUCK_WORDS } from '../../../widgets/chain-words';
import { WhoIsWhere } from '../../../widgets/who-is-where';
import { DeadlineLine } from '../../../widgets/deadline-line';
import { WhatStops } from './what-stops';
import { spanText } from '../../../quantity/time';
import { Below } from '../../../ui/below';
import { Section } from '../../../ui/page';
import { capital } from '../../../words';
import { type Column, DataTable } from '../../../ui/table';
import { wordColumn } from '../../../widgets/columns';

const MINUTE = 60_000;
const waited = (ms: number): string =>
  ms < 90 * MINUTE
    ? `${Math.max(0, Math.round(ms / MINUTE))} min`
    : ms < 36 * 60 * MINUTE
      ? `${Math.round(ms / (60 * MINUTE))} h`
      : `${Math.round(ms / (1440 * MINUTE))} days`;
const IDLE: readonly TruckNow['state'][] = ['empty', 'loaded'];
const mark = (state: TruckNow['state']): string => (state === 'down' ? '■ ' : IDLE.includes(state) ? '○ ' : '● ');

/** The day as it is on the road: what stops first, every truck, the tickets that never came, the loads still standing. */
export function OnWheels({
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
  return (
    <>
      <DeadlineLine farm={farm} link className="border-b border-ink px-5 py-3 text-lg font-semibold lg:px-6" />
      <WhatStops farm={farm} notebook={notebook} haul={haul} rows={rows} />
      <Below>
        <Trucks farm={farm} notebook={notebook} haul={haul} rows={rows} />
      </Below>
      <Below>
        <Section label="Who is where">
          <WhoIsWhere farm={farm} />
        </Section>
      </Below>
      <Below>
        <LastDepartures farm={farm} notebook={notebook} rows={rows} />
        <LostTickets farm={farm} haul={haul} />
      </Below>
      <Below>
        <Standing farm={farm} notebook={notebook} rows={rows} />
      </Below>
    </>
  );
}

function Trucks({
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
  useTicking();
  const down = useDown();
  const { timeZone } = farm.data.farm;
  const now = farm.clock();
  const crop = cropCut(rows);
  const trucks = trucksNow(
    farm,
    notebook,
    haul,
    notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES,
    crop,
    down,
  );
  if (trucks.length === 0) return null;
  const leftMin = ({ leaveByMs, state }: TruckNow): number | null =>
    leaveByMs === null || state === 'out' || state === 'unloading' ? null : (leaveByMs - now) / MINUTE;
  const columns: Column<TruckNow>[] = [
    wordColumn('truck', 'Truck', ({ name }) => name, { phone: 'title', as: (name) => <b>{name}</b> }),
    wordColumn('does', 'What it does, by the book', (truck) => TRUCK_WORDS[truck.state], {
      as: (words, { state, likelyMs, sinceMs, where }) => (
        <>
          {mark(state)}
          {words}
          {likelyMs !== null && likelyMs > now ? `, there about ${clock(likelyMs, timeZone)}` : ''}
          <span className="text-sm text-muted">
            {' '}
            {state === 'down'
              ? where
              : sinceMs === null
                ? 'not in the book yet'
                : where
                  ? `last with ${where}`
                  : 'not seen yet'}
          </span>
        </>
      ),
    }),
    wordColumn('on', 'On it', ({ id, bushels: on }) => (on < 1 ? 'empty' : heldText(farm, farm.held(id).wetLots)), {
      right: true,
      by: ({ bushels: on }) => on,
    }),
    wordColumn('for', 'For', ({ sinceMs }) => (sinceMs === null ? '' : waited(now - sinceMs)), {
      right: true,
      by: ({ sinceMs }) => sinceMs,
    }),
    {
      id: 'leave',
      head: 'Leave by',
      right: true,
      value: leftMin,
      text: (truck) => (leftMin(truck) === null ? '' : clock(truck.leaveByMs!, timeZone)),
      show: (truck) => {
        const left = leftMin(truck);
        if (left === null) return '';
        if (left < 0) return <b>■ too late today</b>;
        return (
          <>
            <b>{clock(Math.floor(truck.leaveByMs! / MINUTE) * MINUTE, timeZone)}</b>{' '}
            <span className="text-sm text-muted">{waited(left * MINUTE)} left</span>
          </>
        );
      },
    },
  ];
  return (
    <section aria-label="Trucks" className="border-b border-ink py-5">
      <h2 className="mb-2 px-5 text-xl lg:px-6">Trucks</h2>
      <DataTable name="Trucks now" one="truck" many="trucks" rows={trucks} columns={columns} rowId={({ id }) => id} />
    </section>
  );
}

/** Until when each buyer takes a truck, and when it must leave for that: the countdown of the day. */
function LastDepartures({ farm, notebook, rows }: { farm: Farm; notebook: FieldRecords; rows: readonly FieldRow[] }) {
  useTicking();
  const { timeZone } = farm.data.farm;
  const now = farm.clock();
  const departures = lastDepartures(
    farm,
    notebook,
    notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES,
    cropCut(rows),
  );
  if (departures.length === 0) return null;
  return (
    <section aria-label="Last departures" className="border-b border-ink px-5 py-5 lg:px-6">
      <h2 className="text-xl">Last departures</h2>
      <ul className="mt-1">
        {departures.map(({ id, name, crop, opensMs, closesMs, leaveByMs }) => (
          <li key={id} className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-rule py-1.5">
            <span>
              <b>{name}</b>{' '}
              <span className="text-muted">
                in line until {clock(closesMs, timeZone)}
                {crop === null ? '' : `, ${cropOf(crop)?.name.toLowerCase() ?? crop}`}
              </span>
            </span>
            {leaveByMs < now ? (
              <b>■ too late today</b>
            ) : (
              <span>
                leave by <b className="text-2xl">{clock(leaveByMs, timeZone)}</b>
                <span className="text-muted">
                  , {spanText((leaveByMs - now) / MINUTE)} left
                  {now < opensMs ? `, opens ${clock(opensMs, timeZone)}` : ''}
                </span>
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A driver who brings it in the evening has lost nothing. */
const OUT_MS = 24 * 60 * MINUTE;

function lostWords(all: number, out: number): string {
  const lost = all - out;
  const never = lost === 1 ? 'A ticket never came back' : `${lost} tickets never came back`;
  const still = out === 1 ? 'a ticket is still out' : `${out} tickets are still out`;
  return lost === 0 ? capital(still) : out === 0 ? never : `${never}, ${still}`;
}

/** Deliveries that no ticket came back for: what each would likely say, and the money that hangs on it. */
function LostTickets({ farm, haul }: { farm: Farm; haul: HaulView }) {
  const [open, setOpen] = useState<string | null>(null);
  const { timeZone } = farm.data.farm;
  if (haul.unticketed.length === 0) return null;
  const likely = (truck: HaulView['unticketed'][number]): FieldWeights['missing'][number] | null => {
    try {
      // What tickets and carts of this farm agreed on elsewhere says what this ticket would say.
      const { missing } = fieldWeights({
        loads: [...haul.agreed, { id: truck.entry.id, cartKg: truck.wetKg }],
        legalPounds: farm.kgPerBu(truck.crop ?? undefined) / 0.45359237,
        pricePerBu: truck.pricePerBu ?? 0,
      });
      return missing[0] ?? null;
    } catch (error) {
      if (error instanceof RangeRefusal) return null;
      throw error;
    }
  };
  const rows = haul.unticketed.map((lost) => ({ lost, expected: likely(lost) }));
  const isOut = (lost: HaulView['unticketed'][number]): boolean => farm.data.now - Date.parse(lost.entry.at) < OUT_MS;
  const money = rows.reduce((sum, { expected }) => sum + (expected?.money ?? 0), 0);
  return (
    <section aria-label="Lost tickets" className="border-b border-ink px-5 py-5 lg:px-6">
      <h2 className="text-xl">
        {lostWords(rows.length, rows.filter(({ lost }) => isOut(lost)).length)}
        {money > 0 ? `: about ${dollars(money)}` : ''}
      </h2>
      <ul className="mt-2">
        {rows.slice(0, 12).map(({ lost, expected }) => (
          <li
            key={lost.entry.id}
            className="flex flex-wrap items-center justify-between gap-x-4 border-b border-rule py-1.5"
          >
            <span>
              {isOut(lost) ? '○' : '■'} {day(lost.entry.at, timeZone)} <b>{clock(lost.entry.at, timeZone)}</b>{' '}
              {farm.placeName(lost.truck)} to {farm.placeName(lost.to)}
              <span className="text-sm text-muted"> {lost.entry.by ?? ''}</span>
            </span>
            <span className="flex items-center gap-4">
              {expected ? (
                <span>
                  likely {mass(expected.expectedKg).text},{' '}
                  <b>{bushels(expected.bushels, expected.expectedKg / Math.max(expected.bushels, 1e-9)).text}</b>
                  {lost.pricePerBu === null ? ', no price known' : ` = ${dollars(expected.money)}`}
                </span>
              ) : (
                <span className="text-muted">nothing weighed it</span>
              )}
              <Button onClick={() => setOpen(lost.entry.id)}>Put the ticket in</Button>
            </span>
          </li>
        ))}
      </ul>
      <EntryDrawer entryId={open} onClose={() => setOpen(null)} weigh />
    </section>
  );
}

/** What still stands of the fields that were begun, in loads of the farm's own trucks. */
function Standing({ farm, notebook, rows }: { farm: Farm; notebook: FieldRecords; rows: readonly FieldRow[] }) {
  const sizes = farm.data.places
    .filter((place) => place.kind === 'truck' && place.capacityBu !== null)
    .map((place) => place.capacityBu!);
  const truckBu = sizes.length === 0 ? 900 : sizes.reduce((a, b) => a + b, 0) / sizes.length;
  const begun = fieldFacts(farm, rows, notebook).filter(
    (fact) => fact.row.cutWetKg > 0 && fact.acresLeft > 0 && fact.expected !== null,
  );
  if (begun.length === 0) return null;
  return (
    <Section label="Loads left">
      <h2 className="text-xl">Loads left in the field</h2>
      <ul className="mt-1">
        {begun.map((fact) => {
          const { lot } = fact.row;
          const kgPerBu = farm.kgPerBu(lot.crop);
          const moisture = Math.min(0.5, fact.row.lastMoisture?.moisture ?? fact.crop.baseMoisture);
          // Expected is dry at the base; trucks carry it as it is.
          const wetPerAcre = (fact.expected! * (1 - fact.crop.baseMoisture)) / (1 - moisture);
          const cutAcres = Math.max(0, lot.acres - fact.acresLeft);
          const left = loadsLeft({
            areaLeft: acresToHectares(fact.acresLeft),
            yieldKgPerHa: Math.min(40_000, (wetPerAcre * kgPerBu) / acresToHectares(1)),
            loadKg: truckBu * kgPerBu,
          });
          return (
            <li
              key={lot.id}
              className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-rule py-1.5"
            >
              <b>{lot.fieldName}</b>
              <span>
                <b className="text-2xl">{left.loads}</b> {left.loads === 1 ? 'load' : 'loads'}, the last of{' '}
                {grain(left.lastLoadKg, kgPerBu).text}; {area(fact.acresLeft).text} left
                {cutAcres >= 1 ? ` of ${area.figure(lot.acres)}` : ''}, {grain(fact.row.cutWetKg, kgPerBu).text} cut as
                it was, about {cropYield(fact.expected!, kgPerBu).text} at {percent(fact.crop.baseMoisture)} expected
              </span>
            </li>
          );
        })}
      </ul>
    </Section>
  );
}
