import {
  bestRoutesFrom,
  dryerCry,
  type Entry,
  fanHours,
  feedersOf,
  type FieldRecords,
  living,
  type PlaceInfo,
  type RunningRoute,
  sharedMachines,
  switchesOf,
} from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import type { Command } from '../../../data/api';
import { type Farm, useBinSetups, useDown, useNotebook } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { bookCommand } from '../../../data/outbox/book-command';
import { logged, takenBack } from '../../../data/records';
import { bushels, grain, grainOf, grainRate, percent } from '../../../quantity/quantity';
import { clock } from '../../../quantity/time';
import { Button, Choices } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { Drawer } from '../../../ui/drawer';
import { useStayAwake } from '../../../ui/stay-awake';
import { toast } from '../../../ui/toast';
import { useTicking } from '../../../ui/use-ticking';
import { Verdict } from '../../../ui/verdict';
import { ClimbBox } from '../../../widgets/climb-box';
import { DeadlineLine } from '../../../widgets/deadline-line';
import { IntakeSheet, intakeWords, withReason } from '../../../widgets/intake';
import { openNotice } from '../../../widgets/open-notice';
import { stamped } from '../../../widgets/record';
import { ReportDelay } from '../../../widgets/report-delay';
import { restated } from '../../../widgets/restated';
import { type Site, useGates, useSite } from '../../../widgets/site';
import { capital, say } from '../../../words';
import { LevelPad } from '../forms/level-pad';
import { SamplePad } from '../forms/sample-pad';
import { CabHead } from './cab-head';
import JobCard from '../../../widgets/job-card';

type Sheet = 'route' | 'level' | 'sample' | 'fans' | 'late' | 'climb' | null;

/** The bin keeper's own page: where grain falls, what comes, and the taps of a day at the bins, with or without a signal. */
export function AtBins({
  farm,
  name,
  offline,
  onLeave,
}: {
  farm: Farm;
  name: string;
  offline: boolean;
  onLeave: () => void;
}) {
  useTicking();
  useStayAwake();
  const site = useSite(farm);
  const notebook = useNotebook().data;
  const down = useDown();
  const gates = useGates();
  const [sheet, setSheet] = useState<Sheet>(null);
  const [against, setAgainst] = useState<{ readonly words: readonly string[]; readonly entry: Entry; readonly what: string } | null>(null); // prettier-ignore
  const keep = (command: Command, what: string): void => {
    setSheet(null);
    void write(farm.id, command, what, { wait: true }).then(() => toast(what));
  };
  const at = (): string => new Date(farm.clock()).toISOString();
  const send = (entry: Entry, what: string): void => keep(bookCommand(farm.id, [entry]), what);
  const dump = (from: PlaceInfo, to: string): void => {
    const entry = stamped({ type: 'move', id: ulid(), at: at(), by: name, from: from.id, to } as Entry);
    const what = `${from.name} → ${farm.placeName(to)}`;
    const words = intakeWords(farm, entry, down, undefined, gates);
    if (words.length > 0) setAgainst({ words, entry, what });
    else send(entry, what);
  };
  const cry = notebook && dryerCry(living(notebook.logs.dryerSample), farm.clock());
  const route = site?.routes[0];
  const loaded = farm.data.places
    .filter(({ id, kind }) => (kind === 'truck' || kind === 'cart') && farm.bushels(farm.held(id).wetLots) >= 1)
    .sort((a, b) => Number(b.kind === 'truck') - Number(a.kind === 'truck'));
  return (
    <>
      <CabHead farm={farm} title={say('atBins')} name={name} offline={offline} onLeave={onLeave} />
      <main className="flex flex-1 flex-col gap-4 p-4 md:landscape:grid md:landscape:grid-cols-2 md:landscape:items-start md:landscape:gap-8">
        <h1 className="sr-only">{say('atBins')}</h1>
        <section aria-label={say('fallsNow')} className="flex flex-col gap-3">
          {cry && (
            <Callout role="alert" className="px-3 py-2">
              <p className="text-2xl font-bold text-clay">
                ■ {say(`dryer_${cry.alarm.replaceAll(' ', '_') as 'out_of_grain'}`)}
              </p>
              <p className="text-lg">{say('dryerCries', { at: clock(cry.at, farm.data.farm.timeZone) })}</p>
            </Callout>
          )}
          {site?.alarms[0] ? (
            <Verdict
              bad
              shape="■"
              figure={say('machineStopped', { machine: site.nameOf(site.alarms[0].stopped) })}
              small
            >
              {say('stopNow', { machines: site.alarms[0].stop.map(site.nameOf).join(', ') })}
            </Verdict>
          ) : route && site ? (
            <Verdict about={say('fallsFrom', { from: site.nameOf(route.from) })} figure={site.nameOf(route.to)}>
              <RoomThere farm={farm} placeId={route.to} rate={route.rate} />
            </Verdict>
          ) : (
            <Verdict small figure={say('nothingSet')} />
          )}
          <Button className="!min-h-20 !text-2xl" onClick={() => setSheet('route')}>
            {say('sendElsewhere')}
          </Button>
          {route &&
            loaded.map((truck) => (
              <Button
                key={truck.id}
                look="do"
                className="!min-h-24 w-full !text-2xl leading-tight"
                onClick={() => dump(truck, route.to)}
              >
                {say('dumpInto', {
                  what: `${truck.name}, ${together(grainOf(farm, farm.held(truck.id).wetLots).text)}${farm.held(truck.id).moisture === null ? '' : `, ${together(percent(farm.held(truck.id).moisture!))}`}`,
                  place: site!.nameOf(route.to),
                })}
              </Button>
            ))}
        </section>
        <div className="flex flex-col gap-4">
          {notebook && <StepHeard farm={farm} notebook={notebook} onKeep={keep} />}
          <div className="grid grid-cols-2 gap-3">
            {(
              [
                ['level', 'readLevel'],
                ['sample', 'takeSample'],
                ['fans', 'fans'],
                ['late', 'plugged'],
                ['climb', 'iClimb'],
              ] as const
            ).map(([which, word]) => (
              <Button key={which} className="!min-h-20 !px-2 !text-xl" onClick={() => setSheet(which)}>
                {say(word)}
              </Button>
            ))}
            {notebook && <RunButton farm={farm} notebook={notebook} onKeep={keep} />}
          </div>
          <WetBins farm={farm} />
          <DeadlineLine farm={farm} className="text-xl" />
        </div>
        <JobCard job="bins" open={false} />
      </main>
      {sheet === 'route' && site && <RouteSheet farm={farm} site={site} onClose={() => setSheet(null)} onKeep={keep} />}
      {sheet === 'level' && (
        <LevelPad
          farm={farm}
          start={route?.to}
          onClose={() => setSheet(null)}
          onRestate={(placeId, wetKg) => {
            const what = say('restatedTo', { place: farm.placeName(placeId), much: grain(wetKg, farm.kgPerBu(farm.cropOf(farm.held(placeId).lots))).text }); // prettier-ignore
            send(restated(farm, placeId, wetKg, { by: name }), what);
          }}
        />
      )}
      {sheet === 'sample' && <SamplePad farm={farm} onClose={() => setSheet(null)} onKeep={keep} />}
      {sheet === 'fans' && <Fans farm={farm} notebook={notebook} onClose={() => setSheet(null)} onKeep={keep} />}
      {sheet === 'late' && <ReportDelay farm={farm} link="pit" onClose={() => setSheet(null)} onKeep={keep} />}
      {sheet === 'climb' && <ClimbSheet farm={farm} name={name} onClose={() => setSheet(null)} />}
      {against && (
        <IntakeSheet
          words={against.words}
          onClose={() => setAgainst(null)}
          onAnyway={(reason) => {
            setAgainst(null);
            send(withReason(against.entry, reason), against.what);
          }}
        />
      )}
    </>
  );
}

/** A figure and its unit stay on one line. */
const together = (text: string): string => text.replaceAll(' ', '\u00a0');

function RoomThere({ farm, placeId, rate }: { farm: Farm; placeId: string; rate: number | null }) {
  const place = farm.place(placeId);
  const held = farm.held(placeId);
  const per = farm.kgPerBu(farm.cropOf(held.lots));
  const room =
    place === undefined || place.capacityBu === null
      ? null
      : Math.max(0, place.capacityBu - farm.bushels(held.wetLots));
  return (
    <>
      {room !== null && <>{capital(say('roomFor', { much: bushels(Math.round(room), per).text }))}. </>}
      {rate !== null && say('atMost', { rate: grainRate(rate, per).text })}
    </>
  );
}

/** Level of the wet bins: what the dryer lives on. */
function WetBins({ farm }: { farm: Farm }) {
  return (
    <ul aria-label={say('wetBins')}>
      {farm.data.places
        .filter(({ kind }) => kind === 'wetBin')
        .map((bin) => {
          const held = farm.held(bin.id);
          return (
            <li key={bin.id} className="flex justify-between border-b border-rule py-2 text-xl">
              <span>{bin.name}</span>
              <b>
                {held.wetKg > 1 ? grainOf(farm, held.wetLots).text : say('empty')}
                {bin.capacityBu === null
                  ? ''
                  : ` / ${bushels(bin.capacityBu, farm.kgPerBu(farm.cropOf(held.lots))).text}`}
              </b>
            </li>
          );
        })}
    </ul>
  );
}

/** Where the next load goes: one tap a place. */
function RouteSheet({
  farm,
  site,
  onClose,
  onKeep,
}: {
  farm: Farm;
  site: Site;
  onClose: () => void;
  onKeep: (command: Command, what: string) => void;
}) {
  const feeders = feedersOf(site.equipment);
  const [from, setFrom] = useState(feeders[0] ?? '');
  const best = bestRoutesFrom(site.equipment, from);
  const clash = (path: readonly string[]): RunningRoute | undefined =>
    site.routes.find((other) => other.from !== from && sharedMachines(site.equipment, other.path, path).length > 0);
  const put = (path: readonly string[]): void =>
    onKeep(
      logged(farm.id, 'routeSet', { id: ulid(), at: new Date(farm.clock()).toISOString(), from, path }),
      path.length === 0
        ? say('isClosed', { from: site.nameOf(from) })
        : `${site.nameOf(from)} → ${site.nameOf(path.at(-1)!)}`,
    );
  return (
    <Drawer open title={say('sendElsewhere')} onClose={onClose}>
      <div className="space-y-4 px-4 py-4">
        {feeders.length === 0 && <p className="text-lg">{say('noMachines')}</p>}
        {feeders.length > 1 && (
          <Choices
            label={say('comesFrom')}
            value={from}
            onChange={setFrom}
            choices={feeders.map((id) => ({ value: id, label: site.nameOf(id) }))}
          />
        )}
        {best.map(({ path }) => {
          const to = path.at(-1)!;
          const other = clash(path);
          return (
            <div key={to}>
              <Button className="!min-h-20 w-full !text-2xl" onClick={() => put(path)}>
                {site.nameOf(to)}
              </Button>
              <p className="mt-1 text-lg">
                <RoomThere farm={farm} placeId={to} rate={null} />
                {other && (
                  <b className="text-clay">
                    ■ {say('notTogether', { from: site.nameOf(other.from), to: site.nameOf(other.to) })}
                  </b>
                )}
              </p>
            </div>
          );
        })}
        {site.routes.some((one) => one.from === from) && (
          <Button className="!min-h-20 w-full !text-xl" onClick={() => put([])}>
            {say('closeIt')}
          </Button>
        )}
      </div>
    </Drawer>
  );
}

/** The step that comes is heard with one tap. */
function StepHeard({
  farm,
  notebook,
  onKeep,
}: {
  farm: Farm;
  notebook: FieldRecords;
  onKeep: (command: Command, what: string) => void;
}) {
  const notice = openNotice(farm, notebook)?.body;
  if (!notice || living(notebook.logs.stepHeard).some(({ body }) => body.noticeId === notice.id)) return null;
  return (
    <Button
      look="do"
      className="!min-h-20 w-full !text-xl"
      onClick={() =>
        onKeep(
          logged(farm.id, 'stepHeard', { id: ulid(), at: new Date(farm.clock()).toISOString(), noticeId: notice.id }),
          say('stepKnown'),
        )
      }
    >
      {say('heardStep')}
    </Button>
  );
}

/** A run of the dryer begins or ends. */
function RunButton({
  farm,
  notebook,
  onKeep,
}: {
  farm: Farm;
  notebook: FieldRecords;
  onKeep: (command: Command, what: string) => void;
}) {
  const dryer = farm.data.places.find(({ kind }) => kind === 'dryer');
  if (!dryer) return null;
  const open = living(notebook.logs.dryerRun).find(({ body }) => body.placeId === dryer.id && body.until === undefined);
  const turn = (): void => {
    const at = new Date(farm.clock()).toISOString();
    if (!open) return onKeep(logged(farm.id, 'dryerRun', { id: ulid(), at, placeId: dryer.id }), say('dryerRuns'));
    // A record is never changed: the open one is taken back, the whole one takes its place.
    onKeep(logged(farm.id, 'dryerRun', { ...open.body, id: ulid(), until: at }), say('dryerStands'));
    onKeep(takenBack(farm.id, 'dryerRun', open.body.id), say('dryerStands'));
  };
  return (
    <Button className="!min-h-20 !px-2 !text-xl" onClick={turn}>
      {say(open ? 'endRun' : 'beginRun')}
    </Button>
  );
}

/** Fans of the bins, one tap each. */
function Fans({
  farm,
  notebook,
  onClose,
  onKeep,
}: {
  farm: Farm;
  notebook: FieldRecords | undefined;
  onClose: () => void;
  onKeep: (command: Command, what: string) => void;
}) {
  const store = useBinSetups().data;
  const now = farm.clock();
  // Without a signal since this device was begun, it has not heard yet which bins have one.
  const known = notebook !== undefined && store !== undefined;
  const bins = farm.data.places.filter(
    ({ id, kind }) => kind === 'bin' && (notebook?.settings.binFan[id] || store?.settings.aeration[id]),
  );
  return (
    <Drawer open title={say('fans')} onClose={onClose}>
      <div className="space-y-3 px-4 py-4">
        {bins.length === 0 && <p className="text-lg">{say(known ? 'noFans' : 'fansNotHeard')}</p>}
        {bins.map((bin) => {
          const { on } = fanHours(switchesOf(store?.logs.fanSwitch ?? [], bin.id), now, now);
          return (
            <Button
              key={bin.id}
              look={on ? 'do' : 'plain'}
              className="!min-h-20 w-full !text-xl"
              onClick={() =>
                onKeep(
                  logged(farm.id, 'fanSwitch', { id: ulid(), at: new Date(farm.clock()).toISOString(), placeId: bin.id, on: !on }), // prettier-ignore
                  say(on ? 'fanOff' : 'fanOn', { place: bin.name }),
                )
              }
            >
              {say(on ? 'fanRuns' : 'fanStands', { place: bin.name })}
            </Button>
          );
        })}
      </div>
    </Drawer>
  );
}

function ClimbSheet({ farm, name, onClose }: { farm: Farm; name: string; onClose: () => void }) {
  const bins = farm.data.places.filter(({ kind }) => ['bin', 'wetBin', 'overhead', 'dryer'].includes(kind));
  const [placeId, setPlaceId] = useState(bins[0]?.id ?? '');
  return (
    <Drawer open title={say('climbing')} onClose={onClose}>
      <div className="space-y-4 px-4 py-4">
        <Choices
          label={say('which')}
          value={placeId}
          onChange={setPlaceId}
          choices={bins.map(({ id, name: label }) => ({ value: id, label }))}
        />
        {placeId !== '' && <ClimbBox key={placeId} farm={farm} placeId={placeId} by={name} />}
      </div>
    </Drawer>
  );
}
