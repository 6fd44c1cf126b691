import { useGates } from '../../../widgets/site';
import {
  byDisplay,
  living,
  isTrainee,
  JOB_CARDS,
  type JobCardId,
  type CabAction,
  cabNext,
  deviceAt,
  dryBelow,
  type Entry,
  holdersOf,
  lastDumpMs,
  lastTouch,
  lately,
  offeredLoads,
  type PlaceInfo,
  scaleSetupOf,
  sleptThrough,
  undoable,
  zoneOfLoad,
} from '@fanega/core';
import { NotebookPen } from 'lucide-react';
import { lazy, Suspense, useEffect, useMemo, useState } from 'react';
import { toast } from '../../../ui/toast';
import { ulid } from 'ulid';
import { type Farm, useDevices, useDown, useFuel, useJob, useNotebook, useShed } from '../../../data/farm';
import { useLive } from '../../../data/live';
import { type Command, post } from '../../../data/api';
import { entriesOf, useOutbox, write } from '../../../data/outbox';
import { bookCommand } from '../../../data/outbox/book-command';
import { logged } from '../../../data/records';
import { deviceName, stamped, useRecorder } from '../../../widgets/record';
import { Button } from '../../../ui';
import { Verdict } from '../../../ui/verdict';
import { useStayAwake } from '../../../ui/stay-awake';
import { useTicking } from '../../../ui/use-ticking';
import { ChainLine, LeaveBy } from '../../../widgets/chain-line';
import { DeadlineLine } from '../../../widgets/deadline-line';
import { BoxSample, strataOf } from '../../../widgets/core-sample';
import { fuelWords } from '../../../widgets/fuel-words';
import { headline } from '../../../widgets/headline';
import { LiveWeight } from '../../../widgets/live-weight';
import { IntakeSheet, intakeWords, withReason } from '../../../widgets/intake';
import { OfferedLoads } from '../../../widgets/offered-loads';
import { Owners } from '../../../widgets/owners';
import { bushels as asGrain, grain, percent } from '../../../quantity/quantity';
import { ReportDelay } from '../../../widgets/report-delay';
import { ShareList } from '../../../widgets/share-list';
import { clock, day } from '../../../quantity/time';
import { WhoIsWhere } from '../../../widgets/who-is-where';
import { useZones } from '../../../widgets/zone-box';
import { BetterHere } from '../../../ui/use-here';
import { type CutEntry, CutPad, type NewRows } from '../forms/cut-pad';
import { CabHead } from './cab-head';
import { JustRecorded } from './just-recorded';
import { LiveDisplay, useDisplayHere } from './live-display';
import { BuyerPick, ChooseWay, FillPad, LostPad, type QuickWay, SplitPad } from '../forms/quick-ways';
import { ReadMoisture } from '../forms/read-moisture';
import { asked, askedFor, holdersOfOther, SwitchField } from '../forms/switch-field';
import { FuelPad } from '../forms/fuel-pad';
import { HandoverPad } from '../forms/handover-pad';
import { HeatPad } from '../forms/heat-pad';
import { PinPad } from '../forms/pin-pad';
import { RowsPad } from '../forms/rows-pad';
import { TicketPad } from '../forms/ticket-pad';
import { type Unstamped, words } from '../words';
import { say } from '../../../words';
import { lazily } from '../../../ui/lazily';

/** Contracts and prices, and what goes with them, only for a loaded truck. */
const NextLine = lazily(() => import('../../../widgets/next-line'), true);
const JobCard = lazily(() => import('../../../widgets/job-card'), true);
const isJobCard = (kind: string): kind is JobCardId => (JOB_CARDS as readonly string[]).includes(kind);
const PhotoWaits = lazily(() => import('../../../widgets/photo-waits'), true);
/** What comes after the buttons, each with its own science. */
const LeftLine = lazily(() => import('./left-line'), true);
const FillLine = lazily(() => import('./fill-line'), true);
const PinWarning = lazily(() => import('./pin-warning'), true);
const HandedOver = lazily(() => import('./handed-over'), true);
const AtWheel = lazily(() => import('./at-wheel'), true);
const forTrainee = () => import('./trainee-step');
const TraineeStep = lazy(forTrainee);
const AlarmList = lazily(() => import('../../../widgets/alarm-list'), true);
const TellPosition = lazy(() => import('./tell-position'));
const SeenQuestions = lazily(() => import('../../../widgets/seen-questions'), true);
const MoveLine = lazily(() => import('./move-line'), true);
/** Machines that drive in a field. */
const IN_FIELD = ['combine', 'cart', 'truck'];
/** Those that are moved from one field to the next. */
const FROM_FIELD_TO_FIELD = ['combine', 'cart'];

export interface Who {
  readonly name: string;
  readonly placeId: string;
}

/** A load of the size that a tank usually is, where nobody cut anything yet. */
const USUAL_BU = 200;
const USUAL_MOISTURE = 0.16;

export function InCab({
  farm,
  who,
  me,
  offline,
  onLeave,
}: {
  farm: Farm;
  who: Who;
  me: PlaceInfo;
  offline: boolean;
  onLeave: () => void;
}) {
  const recorder = useRecorder();
  const job = useJob();
  const { waiting } = useOutbox();
  // The clock, and what can still be undone, run on without any news from the farm.
  useTicking();
  useStayAwake();
  const notebook = useNotebook().data;
  const devices = useDevices().data ?? [];
  const down = useDown();
  const gates = useGates();
  const fuelHere = useFuel().data?.find(({ placeId }) => placeId === me.id);
  const fuel = fuelHere && fuelWords(farm, fuelHere);
  const [pad, setPad] = useState<{
    readonly lot: string;
    readonly zone?: string;
    readonly to: string;
    readonly wetKg: number;
    readonly moisture: number;
    readonly neighbor?: boolean;
  } | null>(null);
  const [way, setWay] = useState<QuickWay | 'choose' | null>(null);
  /** What speaks against a load that was tapped, and how it goes on all the same. */
  const [against, setAgainst] = useState<{
    readonly words: readonly string[];
    readonly go: (reason: string) => void;
  } | null>(null);
  /** The buyer whose ticket is asked for. */
  const [ticketAt, setTicketAt] = useState<string | null>(null);
  /** A dump of a field that was not cut before: kept until somebody said what is still in tank, cart and trucks. */
  const [changing, setChanging] = useState<CutEntry | null>(null);
  const { timeZone } = farm.data.farm;
  const held = farm.held(me.id);
  const bushels = farm.bushels(held.wetLots);
  const { lastTargets, lastLoad } = lately(farm);

  const scaleHere = deviceAt(devices, notebook, 'cartScale', me.id);
  const display = me.kind === 'combine' ? deviceAt(devices, notebook, 'monitor', me.id) : undefined;
  // The combine operator sees the carts' scales on his own screen.
  const watched =
    me.kind === 'combine'
      ? devices.filter(
          (device) =>
            device.kind === 'cartScale' &&
            !device.revoked &&
            notebook?.settings.scaleSetup[device.id]?.value.placeId !== undefined,
        )
      : [];
  const live = useLive(scaleHere !== undefined || display !== undefined || watched.length > 0);
  const cropNow = farm.cropOf(held.lots) ?? farm.lot(lastLoad?.lot ?? '')?.crop;
  const flows = display && live.get(display.id)?.flows;
  const dumpedMs = display ? lastDumpMs(farm.data.tape, me.id, display.name, deviceName()) : 0;
  const kgPerBu = farm.kgPerBu(cropNow);
  const tank = useMemo(() => (flows ? byDisplay(flows, dumpedMs, kgPerBu) : null), [flows, dumpedMs, kgPerBu]);

  const partsHere = useZones(farm, lastLoad?.lot ?? '');
  const shownHere = useDisplayHere(display && live.get(display.id));

  // Its own tank is where the display counts it already.
  const actions = cabNext({
    me: me.id,
    holders: holdersOf(farm),
    // The next dump is what the display counted; without one it is likely much like the last.
    lastLoad:
      lastLoad && tank ? { ...lastLoad, wetKg: tank.kg, moisture: Math.round(tank.moisture * 1000) / 1000 } : lastLoad,
    lastTargets,
    buyers: farm.data.places.filter((place) => place.kind === 'buyer').map((place) => place.id),
    dryBelow: dryBelow(farm.data.farm.defaults),
    kgPerBushel: farm.kgPerBu,
  }).filter((action) => !(tank && action.kind === 'cut' && action.to === me.id));

  const recordAll = async (entries: readonly Unstamped[], what: string): Promise<void> => {
    const at = farm.clock();
    // One after the other, in their order: what goes to the second place is what the first left.
    const full = entries.map((entry, i) =>
      stamped({ id: ulid(), at: new Date(at + i).toISOString(), by: who.name, ...entry } as unknown as Entry),
    );
    const send = async (all: readonly Entry[]): Promise<void> => {
      await write(farm.id, bookCommand(farm.id, all), what, { wait: true });
      toast(what);
    };
    // Of what comes at the same time the first is asked about: the others go where it leaves room.
    const said = full[0] ? intakeWords(farm, full[0], down, undefined, gates) : [];
    if (said.length === 0) return send(full);
    setAgainst({ words: said, go: (reason) => void send(full.map((entry) => withReason(entry, reason))) });
  };
  const record = (entry: Unstamped, what: string): Promise<void> => recordAll([entry], what);
  const keep = (command: Command, what: string): void => {
    setWay(null);
    void write(farm.id, command, what, { wait: true }).then(() => toast(what));
  };
  const recordCut = (entry: CutEntry, rows?: NewRows): void => {
    const crop = rows?.crop ?? farm.lot(entry.lot)?.crop;
    const from = rows ? say('rowsOf', { owner: rows.owner }) : farm.tag(entry.lot);
    const what = `${from} → ${farm.placeName(entry.to)}, ${grain(entry.wetKg, farm.kgPerBu(crop))}`;
    // The field goes out before its first load, signal or not.
    const before = rows
      ? write(farm.id, post('/api/farms/{farmId}/neighbor-rows', { path: { farmId: farm.id } }, rows as never), from, {
          wait: true,
        })
      : Promise.resolve();
    void before.then(() => record({ type: 'harvest', ...entry }, what));
  };
  const cut = (entry: CutEntry, rows?: NewRows): void => {
    setPad(null);
    const changes = rows === undefined && lastLoad !== null && lastLoad.lot !== entry.lot && !askedFor(entry.lot);
    if (changes && holdersOfOther(farm, entry.lot).length > 0) setChanging(entry);
    else recordCut(entry, rows);
  };
  const goOn = (entry: CutEntry, mixed: readonly string[]): void => {
    setChanging(null);
    asked(entry.lot);
    recordCut(entry);
    const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), lotId: entry.lot, mixed };
    void write(
      farm.id,
      logged(farm.id, 'fieldChange', body),
      say('nowField', { field: farm.lot(entry.lot)?.fieldName ?? say('anotherField') }),
      { wait: true },
    );
  };
  const act = (action: CabAction): void => {
    switch (action.kind) {
      case 'move':
        return void record(
          {
            type: 'move',
            from: action.from,
            to: action.to,
            ...(action.wetKg === undefined ? {} : { wetKg: action.wetKg, method: 'estimate' }),
          },
          `${farm.placeName(action.from)} → ${farm.placeName(action.to)}`,
        );
      case 'dry':
        return void record(
          { type: 'condition', place: action.place, moisture: action.to },
          say('dried', { place: farm.placeName(action.place), at: percent(action.to) }),
        );
      case 'cut': {
        const { kind: _, ...load } = action;
        // What it counted up to its last figure is this load; the next one begins there.
        const part = zoneOfLoad(
          partsHere,
          (flows ?? []).filter(({ atMs }) => atMs >= dumpedMs),
        );
        return tank?.toMs
          ? cut({
              ...load,
              method: 'monitor',
              at: new Date(tank.toMs).toISOString(),
              ...(part ? { zone: part.id } : {}),
            })
          : setPad(load);
      }
      case 'deliver':
        return setTicketAt(action.to);
    }
  };
  /** "Dump 312 bu on Cart 2": what the display counted goes with one tap, what nobody counted is asked for. */
  const wordsOf = (action: CabAction): string =>
    action.kind === 'cut' && tank
      ? say('dump', {
          much: grain(action.wetKg, farm.kgPerBu(farm.lot(action.lot)?.crop)).text,
          place: farm.placeName(action.to),
          at: percent(action.moisture),
        })
      : words(farm, action);
  const take = (picked: QuickWay): void => {
    if (picked === 'neighbor' || picked === 'second') {
      setWay(null);
      const other = farm.data.lots.find(
        (lot) =>
          lot.crop === cropNow && lot.id !== lastLoad?.lot && lot.season === farm.lot(lastLoad?.lot ?? '')?.season,
      );
      const lot = picked === 'second' ? (other?.id ?? lastLoad?.lot ?? '') : (lastLoad?.lot ?? '');
      setPad({
        lot,
        to: me.id,
        wetKg: USUAL_BU * farm.kgPerBu(farm.lot(lot)?.crop),
        moisture: lastLoad?.moisture ?? USUAL_MOISTURE,
        neighbor: picked === 'neighbor',
      });
    } else if (picked === 'else') {
      setWay(null);
      recorder.open({
        by: who.name,
        ...(me.kind === 'combine'
          ? { kind: 'harvest', to: me.id }
          : me.kind === 'dryer'
            ? { kind: 'condition', place: me.id }
            : { kind: 'move', from: me.id }),
      });
    } else setWay(picked);
  };
  // Grain that was not touched since another day slept on wheels, and stays on the book under its field.
  const touched = lastTouch(farm.data.tape, me.id);
  const overnight =
    bushels >= 1 && touched !== undefined && sleptThrough(Date.parse(touched.entry.at), farm.clock(), timeZone)
      ? touched.entry.at
      : null;
  const unsent = new Set(waiting.flatMap((item) => entriesOf(item.command).map((entry) => entry.id)));
  const [first, ...rest] = actions;
  const crew = useShed().data?.settings.crew.farm?.value;
  const trainee = isTrainee(crew, who.name);
  const [asTrainee, setAsTrainee] = useState<boolean | null>(null);
  const simple = asTrainee ?? trainee;
  // Somebody may want it where nothing more can be fetched.
  useEffect(() => void forTrainee().catch(() => undefined), []);
  const intoTruck = me.kind === 'combine' ? actions.find((action) => action.kind === 'move' && farm.place(action.to)?.kind === 'truck') : undefined; // prettier-ignore
  const pins = useMemo(
    () => (IN_FIELD.includes(me.kind) ? living(notebook?.logs.fieldPin ?? []).map(({ body }) => body) : []),
    [me.kind, notebook],
  );
  // What the display counted lies on what the book has.
  const shown = bushels + (tank ? tank.kg / kgPerBu : 0);
  const inIt = asGrain(shown, kgPerBu);
  const moisture = tank && held.wetKg < 1 ? tank.moisture : held.wetKg > 1 ? (held.moisture ?? 0) : null;
  const lots = Object.keys(held.wetLots);
  return (
    <BetterHere value={shownHere}>
      <CabHead farm={farm} title={me.name} name={who.name} offline={offline} onLeave={onLeave} />
      <main className="flex flex-1 flex-col gap-4 p-4 md:landscape:grid md:landscape:grid-cols-2 md:landscape:items-start md:landscape:gap-8">
        <h1 className="sr-only">Cab: {me.name}</h1>
        <div className="flex flex-col gap-4">
          {simple && (
            <Suspense>
              <AlarmList farm={farm} place={me.id} large />
            </Suspense>
          )}
          <section aria-label={say('inItNow')} className="flex items-center gap-5">
            <BoxSample
              farm={farm}
              strata={[
                ...strataOf(farm, me.id),
                ...(tank && lastLoad
                  ? [{ bushels: tank.kg / kgPerBu, wetLots: { [lastLoad.lot]: tank.kg }, moisture: tank.moisture }]
                  : []),
              ]}
              capacity={me.capacityBu ?? Math.max(1, shown)}
              width={150}
              height={110}
              label={say('muchIn', { much: inIt.text, place: me.name })}
            />
            <div>
              <Verdict figure={inIt.figure} unit={inIt.unit} />
              <p className="mt-1 text-4xl">{moisture === null ? say('empty') : percent(moisture)}</p>
              {me.capacityBu !== null && shown >= 1 && (
                <p className="text-lg text-muted">
                  {say('roomFor', { much: asGrain(Math.max(0, me.capacityBu - shown), kgPerBu).text })}
                </p>
              )}
              {tank && <p className="text-lg text-muted">{say('displayCounts')}</p>}
            </div>
          </section>
          {overnight !== null && (
            <p className="border-l-4 border-ink bg-sand px-3 py-2">
              ◐ {say('overnight', { time: `${day(overnight, timeZone)} ${clock(overnight, timeZone)}` })}
            </p>
          )}
          <Owners farm={farm} wetLots={held.wetLots} className="text-xl" />
          {lots.length > 1 && <ShareList farm={farm} wetLots={held.wetLots} links={false} />}
          {lots.length === 1 && (
            <p className="text-2xl font-semibold">{farm.lot(lots[0]!)?.fieldName ?? say('unknownField')}</p>
          )}
          {lots.length === 0 && tank && lastLoad && (
            <p className="text-2xl font-semibold">{farm.lot(lastLoad.lot)?.fieldName ?? say('unknownField')}</p>
          )}
          {display && (
            <LiveDisplay farm={farm} device={display} live={live.get(display.id)} tank={tank} crop={cropNow} />
          )}
          {scaleHere && notebook && (
            <>
              <LiveWeight
                farm={farm}
                notebook={notebook}
                device={scaleHere}
                live={live.get(scaleHere.id)}
                crop={cropNow}
              />
              <OfferedLoads
                farm={farm}
                placeId={me.id}
                loads={offeredLoads(
                  farm.data.tape,
                  live.get(scaleHere.id)?.curve ?? [],
                  scaleSetupOf(notebook, scaleHere).value,
                )}
                by={who.name}
              />
            </>
          )}
          {notebook && watched.some((device) => live.has(device.id)) && (
            <div className="grid grid-cols-2 gap-x-4 gap-y-3">
              {watched
                .filter((device) => live.has(device.id))
                .map((device) => (
                  <LiveWeight
                    key={device.id}
                    farm={farm}
                    notebook={notebook}
                    device={device}
                    live={live.get(device.id)}
                    crop={cropNow}
                    glance
                  />
                ))}
            </div>
          )}
        </div>
        <div className="flex flex-1 flex-col gap-4">
          {me.kind === 'truck' && <LeaveBy farm={farm} truckId={me.id} className="text-xl" />}
          {simple && <h2 className="text-xl text-muted">{say('traineeNow')}</h2>}
          {first ? (
            <Button
              look="do"
              className="!min-h-28 w-full !text-3xl leading-tight text-balance"
              onClick={() => act(first)}
            >
              {wordsOf(first)}
            </Button>
          ) : (
            <p className="text-lg text-muted">{say(simple ? 'traineeNothing' : 'nothingNext')}</p>
          )}
          {simple && me.kind === 'combine' && (
            <Suspense>
              <TraineeStep farm={farm} me={me} lotId={lastLoad?.lot} inIt={shown} />
            </Suspense>
          )}
          <div className="grid gap-3">
            {(simple ? [] : rest).map((action) => (
              <Button key={words(farm, action)} className="w-full !text-xl" onClick={() => act(action)}>
                {wordsOf(action)}
              </Button>
            ))}
          </div>
          <div className="grid grid-cols-2 gap-3">
            <Button className="!px-2 !text-lg whitespace-nowrap" onClick={() => setWay('choose')}>
              <NotebookPen size={20} aria-hidden="true" /> {say('notUsual')}
            </Button>
            <Button className="!text-lg" disabled={bushels < 1} onClick={() => setWay('spilled')}>
              {say('spilled')}
            </Button>
          </div>
          {/* Under the buttons: it comes after them, and nothing that comes late may move a target from under a thumb. */}
          {me.kind === 'truck' && !job && farm.bushels(farm.held(me.id).wetLots) >= 1 && (
            <Suspense>
              <NextLine farm={farm} truck={me} />
            </Suspense>
          )}
          {!simple && (
            <Suspense>
              <AlarmList farm={farm} place={me.id} large />
            </Suspense>
          )}
          <Suspense>
            <SeenQuestions farm={farm} place={me.id} by={who.name} large />
          </Suspense>
          {intoTruck?.kind === 'move' && cropNow !== undefined && (
            <Suspense>
              <FillLine farm={farm} truckId={intoTruck.to} machineId={me.id} cropId={cropNow} />
            </Suspense>
          )}
          {me.kind === 'combine' && !simple && (
            <Suspense>
              <LeftLine
                farm={farm}
                machineId={me.id}
                lotId={lastLoad?.lot}
                inTankKg={shown * kgPerBu}
                onCount={() => setWay('rows')}
              />
            </Suspense>
          )}
          {!simple && (
            <>
              <ChainLine farm={farm} className="text-xl" />
              <DeadlineLine farm={farm} placeId={me.id} className="text-xl" />
            </>
          )}
          {fuel && (
            <button
              type="button"
              onClick={() => setWay('fuel')}
              className="min-h-14 border-y border-rule py-2 text-left"
            >
              <span className="block text-xl font-semibold">{fuel.line}</span>
              {fuel.more !== '' && <span className="text-muted">{fuel.more}</span>}
            </button>
          )}
          {me.kind === 'truck' && (
            <Suspense>
              <PhotoWaits farm={farm} place={me} of="ticket" />
            </Suspense>
          )}
          {/* Nothing below moves once it is there. */}
          <Suspense fallback={<div className="min-h-11 max-sm:min-h-25" />}>
            <PhotoWaits farm={farm} place={me} of="displays" />
          </Suspense>
          {isJobCard(me.kind) && (
            <Suspense>
              <JobCard job={me.kind} open={simple} />
            </Suspense>
          )}
          <Suspense>
            <AtWheel name={who.name} />
          </Suspense>
          {FROM_FIELD_TO_FIELD.includes(me.kind) && !job && (
            <Suspense>
              <MoveLine farm={farm} machineId={me.id} />
            </Suspense>
          )}
          <details className="border-y border-rule">
            <summary className="min-h-14 cursor-pointer py-3 text-xl font-semibold">{say('whoIsWhere')}</summary>
            <WhoIsWhere farm={farm} large />
          </details>
          {IN_FIELD.includes(me.kind) && notebook?.settings.selfRecording.farm?.value.on && (
            <Suspense>
              <TellPosition farm={farm} placeId={me.id} />
            </Suspense>
          )}
          <Button look="quiet" className="!justify-start !px-0 !text-lg" onClick={() => setAsTrainee(!simple)}>
            {say(simple ? 'traineeAll' : 'traineeSee')}
          </Button>
          <JustRecorded
            farm={farm}
            lines={undoable(
              farm.data.tape,
              { by: who.name, device: deviceName(), place: me.id },
              Date.now(),
              farm.clock(),
            )}
            unsent={unsent}
            onUndo={({ entry }) =>
              void record({ type: 'void', voids: entry.id }, say('undone', { what: headline(entry, farm) }))
            }
          />
        </div>
      </main>
      {/* There before anything is marked: without a signal nothing more can be fetched. */}
      {IN_FIELD.includes(me.kind) && (
        <Suspense>
          <PinWarning pins={pins} />
        </Suspense>
      )}
      <Suspense>
        <HandedOver farm={farm} me={me} name={who.name} />
      </Suspense>
      {pad && (
        <CutPad farm={farm} start={pad} neighbor={pad.neighbor ?? false} onClose={() => setPad(null)} onRecord={cut} />
      )}
      {changing && (
        <SwitchField
          farm={farm}
          lot={farm.lot(changing.lot)!}
          onClose={() => setChanging(null)}
          onEmptied={(place) => recorder.open({ kind: 'move', from: place.id, amount: 'all', by: who.name })}
          onDone={(mixed) => goOn(changing, mixed)}
        />
      )}
      {way === 'choose' && (
        <ChooseWay kind={me.kind} loaded={bushels >= 1} all={!job} onClose={() => setWay(null)} onPick={take} />
      )}
      {(way === 'split' || way === 'some') && (
        <SplitPad
          farm={farm}
          me={me}
          two={way === 'split'}
          onClose={() => setWay(null)}
          onRecord={(parts) => {
            setWay(null);
            void recordAll(
              parts.map((part) => ({
                type: 'move' as const,
                from: me.id,
                ...part,
                ...(part.wetKg === undefined ? {} : { method: 'estimate' }),
              })),
              `${me.name} → ${parts.map((part) => farm.placeName(part.to)).join(` ${say('and')} `)}`,
            );
          }}
        />
      )}
      {way === 'filledUp' && (
        <FillPad
          farm={farm}
          me={me}
          onClose={() => setWay(null)}
          onRecord={(from, wetKg, filledKg) => {
            setWay(null);
            void record(
              { type: 'move', from, to: me.id, ...(wetKg === undefined ? {} : { wetKg, method: 'estimate' }) },
              `${farm.placeName(from)} → ${me.name}, ${grain(filledKg, kgPerBu)}`,
            );
          }}
        />
      )}
      {(way === 'spilled' || way === 'ranOver') && (
        <LostPad
          farm={farm}
          me={me}
          ranOver={way === 'ranOver'}
          onClose={() => setWay(null)}
          onRecord={(wetKg) => {
            setWay(null);
            void record(
              {
                type: 'loss',
                place: me.id,
                wetKg,
                reason: 'spill',
                method: 'estimate',
                ...(way === 'ranOver' ? { note: `${me.name} ran over` } : {}),
              },
              say(way === 'ranOver' ? 'amountRanOver' : 'amountSpilled', { much: grain(wetKg, kgPerBu).text }),
            );
          }}
        />
      )}
      {way === 'otherBuyer' && (
        <BuyerPick
          farm={farm}
          onClose={() => setWay(null)}
          onPick={(to) => {
            setWay(null);
            setTicketAt(to);
          }}
        />
      )}
      {ticketAt !== null && (
        <TicketPad
          farm={farm}
          notebook={notebook}
          me={me}
          buyerId={ticketAt}
          onClose={() => setTicketAt(null)}
          onRecord={(entry) => {
            setTicketAt(null);
            void record(entry, `${me.name} → ${farm.placeName(ticketAt)}`);
          }}
        />
      )}
      {way === 'reading' && (
        <ReadMoisture farm={farm} lotId={lastLoad?.lot} onClose={() => setWay(null)} onKeep={keep} />
      )}
      {way === 'fuel' && <FuelPad farm={farm} me={me} onClose={() => setWay(null)} onKeep={keep} />}
      {way === 'rows' && (
        <RowsPad farm={farm} machineId={me.id} lotId={lastLoad?.lot} onClose={() => setWay(null)} onKeep={keep} />
      )}
      {way === 'pin' && <PinPad farm={farm} lotId={lastLoad?.lot} onClose={() => setWay(null)} onKeep={keep} />}
      {way === 'heat' && <HeatPad farm={farm} me={me} onClose={() => setWay(null)} onKeep={keep} />}
      {way === 'handover' && (
        <HandoverPad farm={farm} me={me} from={who.name} onClose={() => setWay(null)} onKeep={keep} />
      )}
      {way === 'late' && <ReportDelay farm={farm} machineId={me.id} onClose={() => setWay(null)} onKeep={keep} />}
      {against && (
        <IntakeSheet
          words={against.words}
          onClose={() => setAgainst(null)}
          onAnyway={(reason) => {
            setAgainst(null);
            against.go(reason);
          }}
        />
      )}
    </BetterHere>
  );
}
