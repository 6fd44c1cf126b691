import {
  type FieldMove,
  type FieldRecords,
  living,
  type MovesView,
  type Rig,
  ROAD_MINUTES,
  type RigTrip,
} from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useShed } from '../../../data/farm';
import { length, minutes, number, speed } from '../../../quantity/quantity';
import { clock, moment, spanText } from '../../../quantity/time';
import { Button, Empty } from '../../../ui';
import { Section } from '../../../ui/page';
import { type Column, DataTable } from '../../../ui/table';
import { Verdict } from '../../../ui/verdict';
import { wordColumn } from '../../../widgets/columns';
import { ChainLine } from '../../../widgets/chain-line';
import { Hazard } from '../../../widgets/hazard';
import { TakeBack } from '../../../widgets/take-back';
import { useMoves } from '../../../widgets/use-moves';
import { WhoIsWhere } from '../../../widgets/who-is-where';
import { capital } from '../../../words';
import { Working } from '../../../widgets/working';
import { RoadsDrawer } from '../../../widgets/roads-drawer';
import { MoveForm, RigForm } from '../forms/rig-forms';

const LIGHT: Readonly<Record<NonNullable<RigTrip['light']>, string>> = {
  day: '● by daylight',
  dusk: '◐ in the half light',
  dark: '■ in the dark',
};
const SHOWN = 8;

/** Which machine goes where next, with what and whom, and who is left without a ride. */
export default function Moves({ farm, notebook }: { farm: Farm; notebook: FieldRecords }) {
  const view = useMoves(farm);
  const crew = useShed().data?.settings.crew.farm?.value;
  const [editing, setEditing] = useState<string | null>(null);
  const [roads, setRoads] = useState(false);
  const [recording, setRecording] = useState<{ readonly rig: string; readonly move: FieldMove } | null>(null);
  const { timeZone } = farm.data.farm;
  if (!view) return null;
  if (view.rigs.length === 0)
    return (
      <Empty title="No combine and no cart yet.">
        <p>Once they are there, their moves from field to field stand here.</p>
      </Empty>
    );
  const rigOf = (id: string): Rig => view.rigs.find(({ placeId }) => placeId === id)!;
  const done = living(notebook.logs.rigMove).slice(0, SHOWN);
  return (
    <div>
      <Section label="The next move" className="px-5 py-5 lg:px-6">
        <Next farm={farm} view={view} />
        <div className="mt-4 max-w-3xl">
          <Hazard card="roading" before="moves" />
        </div>
      </Section>
      {view.moves.map((move, i) => (
        <Section
          key={`${move.fromLotId} ${move.toLotId}`}
          label={`Move ${i + 1}`}
          className="border-t border-ink px-5 py-5 lg:px-6"
        >
          <div className="mb-3 flex flex-wrap items-baseline justify-between gap-3">
            <h2 className="text-xl">
              {number(i + 1)}. {nameOf(farm, move.fromLotId)} to {nameOf(farm, move.toLotId)}
              {move.notToday && <span className="text-muted">, not today</span>}
              {move.doneMs === null ? '' : <span className="text-muted">, cut at {clock(move.doneMs, timeZone)}</span>}
            </h2>
            {move.trips[0] && (
              <Button onClick={() => setRecording({ rig: move.trips[0]!.rig.placeId, move })}>A machine is there</Button>
            )}
          </div>
          <Trips farm={farm} move={move} onRig={setEditing} />
          <ul className="mt-2 space-y-1" aria-label={`Rides of move ${i + 1}`}>
            {rides(move).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </Section>
      ))}
      <div className="border-t border-ink lg:grid lg:grid-cols-2 lg:divide-x lg:divide-ink">
        <Section label="How they go" className="px-5 py-5 lg:px-6">
          <h2 className="text-xl">On the road</h2>
          <ul aria-label="Machines on the road" className="mt-2 divide-y divide-rule">
            {view.rigs.map((rig) => (
              <li key={rig.placeId} className="flex flex-wrap items-center gap-x-4 py-1.5">
                <span className="min-w-56 flex-1">
                  <b>{farm.placeName(rig.placeId)}</b>: {length(rig.road.width).text} wide, {speed(rig.road.speed).text}
                  {rig.road.headOnCart && rig.head ? `, ${rig.head} on its cart` : ''}
                  {rig.road.escort ? ', with a pickup ahead' : ''}
                  {rig.assumed ? ' (◐ assumed, not entered)' : ''}
                </span>
                <Button look="quiet" className="!px-0" onClick={() => setEditing(rig.placeId)}>
                  {rig.assumed ? 'Enter it' : 'Change'}
                </Button>
              </li>
            ))}
          </ul>
          <Button className="mt-3" onClick={() => setRoads(true)}>
            Roads home, by field
          </Button>
          <p className="mt-3">
            Pickups stand with the people in{' '}
            <Link to="/shed/crew" className="underline decoration-rule underline-offset-4">
              Shed, Crew
            </Link>
            ; the order of the fields is that of{' '}
            <Link to="/fields/next" className="underline decoration-rule underline-offset-4">
              Which field next
            </Link>
            .
          </p>
        </Section>
        <Section label="Moves so far" className="px-5 py-5 max-lg:border-t max-lg:border-ink lg:px-6">
          <h2 className="text-xl">Timed so far</h2>
          {done.length === 0 ? (
            <p className="mt-2 text-muted">None. After the first one, the farm&rsquo;s own minutes stand in the plan.</p>
          ) : (
            <ul aria-label="Moves so far" className="mt-2 divide-y divide-rule">
              {done.map(({ body }) => (
                <li key={body.id} className="py-1.5">
                  <b>{farm.placeName(body.placeId)}</b>, {nameOf(farm, body.fromLot ?? null)} to {nameOf(farm, body.toLot)}:{' '}
                  {spanText((Date.parse(body.at) - Date.parse(body.leftAt)) / 60_000)}, {moment(body.at, timeZone)}
                  {body.along.length > 0 ? `, with ${body.along.join(', ')}` : ''} <TakeBack of="rigMove" id={body.id} />
                </li>
              ))}
            </ul>
          )}
        </Section>
      </div>
      <Section label="Who is where" className="border-t border-ink px-5 py-5 lg:px-6">
        <WhoIsWhere farm={farm} />
      </Section>
      {roads && <RoadsDrawer farm={farm} to="home" name="home" onClose={() => setRoads(false)} />}
      {editing !== null && (
        <RigForm
          key={editing}
          farm={farm}
          rig={rigOf(editing)}
          revision={notebook.settings.rigRoad[editing]?.revision ?? 0}
          onClose={() => setEditing(null)}
        />
      )}
      {recording && (
        <MoveForm
          farm={farm}
          rigs={view.rigs}
          rig={recording.rig}
          fromLotId={recording.move.trips.find(({ rig }) => rig.placeId === recording.rig)?.fromLotId ?? null}
          toLotId={recording.move.toLotId}
          crew={(crew?.people ?? []).map(({ vehicle = null }) => ({ vehicle }))}
          onClose={() => setRecording(null)}
        />
      )}
    </div>
  );
} // prettier-ignore

const nameOf = (farm: Farm, lotId: string | null): string =>
  lotId === null || lotId === '' ? 'the yard' : (farm.lot(lotId)?.fieldName ?? lotId);

/** What has to be said of rides: escort, pickups that go along, who is left behind. */
function rides({ escort, escortWanted, along, noRide }: FieldMove): string[] {
  return [
    ...(escort
      ? [`● ${escort.name} drives ahead in the ${escort.vehicle}.`]
      : escortWanted
        ? ['■ A pickup should drive ahead, and nobody is free: call somebody before it leaves.']
        : []),
    ...along.filter((name) => name !== escort?.vehicle).map((name) => `◐ The ${name} has to come along, or be fetched after.`), // prettier-ignore
    ...(noRide.length > 0 ? [`■ No ride back: ${noRide.join(', ')}.`] : []),
  ];
}

function Next({ farm, view }: { farm: Farm; view: MovesView }) {
  const { timeZone } = farm.data.farm;
  const [move] = view.moves;
  const first = move?.trips[0];
  if (!move || !first)
    return (
      <>
        <Verdict small figure="No move planned">
          {view.others.length === 0
            ? 'No other field stands.'
            : `${number(view.others.length)} ${view.others.length === 1 ? 'field stands' : 'fields stand'}: say which comes next.`}
        </Verdict>
        {view.others.length > 0 && (
          <p className="mt-3">
            <Link to="/fields/next" className="font-semibold underline decoration-rule underline-offset-4">
              Put the fields in their order
            </Link>
          </p>
        )}
      </>
    );
  const bad = !move.notToday && (first.light === 'dark' || move.noRide.length > 0 || (move.escortWanted && !move.escort));
  return (
    <>
      <Verdict
        about="The next move"
        figure={first.leavesMs !== null ? clock(first.leavesMs, timeZone) : move.notToday ? 'Not today' : farm.placeName(first.rig.placeId)}
        unit={`${first.leavesMs === null && !move.notToday ? '' : `${farm.placeName(first.rig.placeId)} `}to ${nameOf(farm, move.toLotId)}`}
        bad={bad}
      >
        {[
          first.minutes === null
            ? 'How long it takes is not known: draw both boundaries (Fields), or record the first move.'
            : `${spanText(first.minutes)} on the road${first.arrivesMs === null ? '' : `, there at ${clock(first.arrivesMs, timeZone)}`}, ${first.minutesBy === 'own' ? `as it took ${first.timed === 1 ? 'once' : `${number(first.timed)} times`} before` : 'by its road speed'}.`,
          move.notToday ? `${capital(nameOf(farm, move.fromLotId))} is not cut before the day ends: the move is for tomorrow.` : '',
          first.leavesMs === null && !move.notToday ? 'When this field is done is not known: its yield or the combine’s rate is missing.' : '',
          first.light === null ? '' : first.light === 'day' ? '' : `${LIGHT[first.light]}.`,
          move.leaveByMs === null || move.notToday ? '' : `Leave by ${clock(move.leaveByMs, timeZone)} to be there before sunset${view.sunsetMs === null ? '' : ` (${clock(view.sunsetMs, timeZone)})`}.`,
        ]
          .filter(Boolean)
          .join(' ')}
      </Verdict>
      {view.strandedNow.length > 0 && (
        <p className="mt-2 font-semibold text-clay">
          ■ Without a pickup where they are now: {view.strandedNow.map(({ name, vehicle }) => `${name} (the ${vehicle} is elsewhere)`).join(', ')}.
        </p>
      )}
      {(first.leavesMs !== null || move.notToday) && (
        <ChainLine farm={farm} className="mt-2" more="This page reckons with it." />
      )}
      {first.minutes !== null && (
        <Working
          what="Minutes on the road"
          formulas={[ROAD_MINUTES]}
          inputs={[
            { name: 'Road speed', value: speed(first.rig.road.speed).text, from: first.rig.assumed ? 'assumed, not entered' : 'typed' }, // prettier-ignore
            { name: 'Way', value: minutes(first.minutes).text, from: first.minutesBy === 'own' ? `${number(first.timed)} own moves` : 'middles of both boundaries' }, // prettier-ignore
          ]}
          worked={[`${minutes(first.minutes).text}`]}
          not="Traffic, bridges and soft shoulders; a wide machine may have to go around."
        />
      )}
    </>
  );
} // prettier-ignore

function Trips({ farm, move, onRig }: { farm: Farm; move: FieldMove; onRig: (placeId: string) => void }) {
  const { timeZone } = farm.data.farm;
  const time = (ms: number | null): string => (ms === null ? '–' : clock(ms, timeZone));
  const columns: Column<RigTrip>[] = [
    wordColumn('rig', 'Machine', ({ rig }) => farm.placeName(rig.placeId), {
      phone: 'title',
      as: (words, { rig }) => (
        <button
          type="button"
          className="font-bold underline decoration-rule underline-offset-4"
          onClick={() => onRig(rig.placeId)}
        >
          {words}
        </button>
      ),
    }),
    wordColumn('head', 'Head', ({ rig }) => (rig.road.headOnCart && rig.head ? `${rig.head}, on its cart` : '')),
    wordColumn('driver', 'Driver', ({ rig }) => rig.driver ?? 'not seen'),
    wordColumn('from', 'From', ({ fromLotId }) => nameOf(farm, fromLotId)),
    wordColumn('leaves', 'Leaves', ({ leavesMs }) => time(leavesMs), { phone: 'verdict' }),
    wordColumn('way', 'On the road', ({ minutes: way, minutesBy, timed }) => (way === null ? 'not known' : `${spanText(way)}${minutesBy === 'own' && timed > 0 ? `, own (${number(timed)})` : ''}`)), // prettier-ignore
    wordColumn('there', 'There', ({ arrivesMs }) => time(arrivesMs)),
    wordColumn('width', 'Width', ({ rig }) => length(rig.road.width).text),
    wordColumn('light', 'Light', ({ light }) => (light === null ? '' : LIGHT[light])),
  ];
  return <DataTable name={`Machines to ${nameOf(farm, move.toLotId)}`} one="machine" many="machines" rows={move.trips} columns={columns} rowId={({ rig }) => rig.placeId} flush />; // prettier-ignore
}
