import { CROPS, type CabAction, cabNext, type Entry, type HolderNow, KG_PER_LB, UNKNOWN_LOT } from '@fanega/core';
import { NotebookPen, Undo2, WifiOff } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { ulid } from 'ulid';
import { ApiError, post } from '../../data/api';
import { type Farm, useDevices, useFarm, useNotebook } from '../../data/farm';
import { useLive } from '../../data/live';
import { enqueue, useOutbox } from '../../outbox';
import { stamped, useRecorder } from '../../record';
import { Button, TextBox } from '../../ui';
import { ChainLine } from '../../widgets/chain-line';
import { BoxSample, strataOf } from '../../widgets/core-sample';
import { headline } from '../../widgets/headline';
import { LiveWeight, offeredLoads } from '../../widgets/live-weight';
import { OfferedLoads } from '../../widgets/offered-loads';
import { Owners } from '../../widgets/owners';
import { NextNote } from '../../widgets/next-note';
import { formatBushels, formatMoisture } from '../../widgets/quantity';
import { QueueBar } from '../../widgets/queue-bar';
import { ReportDelay } from '../../widgets/report-delay';
import { ShareList } from '../../widgets/share-list';
import { calendarDay, clock, day } from '../../widgets/time';
import { WeaveDefs } from '../../widgets/weave';
import { type CutEntry, CutPad } from './cut-pad';
import { BuyerPick, ChooseWay, LostPad, type QuickWay, SplitPad } from './quick-ways';
import { ReadMoisture } from './read-moisture';
import { asked, askedFor, holdersOfOther, SwitchField } from './switch-field';

const KEPT = 'fanega.cab';
const UNDO_MS = 10 * 60_000;
const CABS = ['combine', 'cart', 'truck', 'dryer'];

interface Who {
  readonly name: string;
  readonly placeId: string;
}

function keptWho(): Who | null {
  try {
    return JSON.parse(localStorage.getItem(KEPT) ?? 'null') as Who | null;
  } catch {
    return null;
  }
}

/** The same program for one hand: what is in my tank, whose it is, how wet, and what is next. */
export default function Cab({ offline }: { offline: boolean }) {
  const farm = useFarm();
  const [who, setWho] = useState<Who | null>(keptWho);
  const me = who && farm.place(who.placeId);
  return (
    <div className="mx-auto flex min-h-dvh max-w-3xl flex-col">
      <WeaveDefs lots={farm.data.lots.length} />
      {me ? (
        <InCab farm={farm} who={who} offline={offline} onLeave={() => setWho(null)} />
      ) : (
        <Choose
          farm={farm}
          start={who}
          onChosen={(chosen) => {
            localStorage.setItem(KEPT, JSON.stringify(chosen));
            setWho(chosen);
          }}
        />
      )}
    </div>
  );
}

function Choose({ farm, start, onChosen }: { farm: Farm; start: Who | null; onChosen: (who: Who) => void }) {
  const [name, setName] = useState(start?.name ?? '');
  const [wrong, setWrong] = useState<string | undefined>();
  const cabs = farm.data.places.filter((place) => CABS.includes(place.kind));
  return (
    <main className="space-y-5 p-5">
      <h1 className="text-3xl">Who are you, and in what?</h1>
      <TextBox
        label="Your name"
        maxLength={60}
        autoComplete="name"
        value={name}
        error={wrong}
        onChange={(event) => {
          setName(event.target.value);
          setWrong(undefined);
        }}
      />
      {cabs.length === 0 && <p className="text-lg">The farm has no combine, cart, truck or dryer yet: they are added in Store.</p>}
      <div className="grid grid-cols-2 gap-3">
        {cabs.map((place) => (
          <Button
            key={place.id}
            className="min-h-20 !text-xl"
            onClick={() => (name.trim() === '' ? setWrong('Your name stands with every load') : onChosen({ name: name.trim(), placeId: place.id }))}
          >
            {place.name}
          </Button>
        ))}
      </div>
      <Link to="/" className="inline-flex min-h-16 items-center font-semibold underline decoration-rule underline-offset-4">
        To the office
      </Link>
    </main>
  );
}

/** Vessels as the likely next load is worked out from them. */
function holdersOf(farm: Farm): HolderNow[] {
  return farm.data.places
    .filter((place) => place.kind !== 'buyer')
    .map((place) => {
      const held = farm.held(place.id);
      const crop = farm.cropOf(held.lots);
      return {
        id: place.id,
        kind: place.kind,
        bushels: farm.bushels(held.wetLots),
        wetKg: held.wetKg,
        moisture: held.moisture,
        unknownDryKg: held.lots.unknown ?? 0,
        ...(place.capacityBu === null ? {} : { capacityBu: place.capacityBu }),
        ...(crop === undefined ? {} : { crop }),
      };
    });
}

/** Where trucks and dryers went last, by crop, and the last load off the field; from the tape. */
function lately(farm: Farm): { lastTargets: Record<string, string[]>; lastLoad: { lot: string; wetKg: number; moisture: number } | null } {
  const lastTargets: Record<string, string[]> = {};
  let lastLoad: { lot: string; wetKg: number; moisture: number } | null = null;
  for (const { entry, voided, wetLots } of farm.data.tape) {
    if (voided) continue;
    if (entry.type === 'harvest') lastLoad ??= { lot: entry.lot, wetKg: entry.wetKg, moisture: entry.moisture };
    if (entry.type !== 'move') continue;
    const kind = farm.place(entry.from)?.kind;
    const crop = farm.cropOf(wetLots) ?? '';
    const key = kind === 'truck' ? crop : kind === 'dryer' ? `dryer:${crop}` : null;
    if (key !== null && !lastTargets[key]?.includes(entry.to)) (lastTargets[key] ??= []).push(entry.to);
  }
  return { lastTargets, lastLoad };
}

function InCab({ farm, who, offline, onLeave }: { farm: Farm; who: Who; offline: boolean; onLeave: () => void }) {
  const recorder = useRecorder();
  const { waiting } = useOutbox();
  const notebook = useNotebook();
  const devices = useDevices();
  const [pad, setPad] = useState<{ readonly lot: string; readonly to: string; readonly wetKg: number; readonly moisture: number; readonly neighbor?: boolean } | null>(null);
  const [way, setWay] = useState<QuickWay | 'choose' | null>(null);
  /** A dump of a field that was not cut before: kept until somebody said what is still in tank, cart and trucks. */
  const [changing, setChanging] = useState<CutEntry | null>(null);
  const me = farm.place(who.placeId)!;
  const held = farm.held(me.id);
  const bushels = farm.bushels(held.wetLots);
  const { timeZone } = farm.data.farm;
  const { lastTargets, lastLoad } = lately(farm);
  const actions = cabNext({
    me: me.id,
    holders: holdersOf(farm),
    lastLoad,
    lastTargets,
    buyers: farm.data.places.filter((place) => place.kind === 'buyer').map((place) => place.id),
    dryBelow: Object.fromEntries(Object.values(CROPS).map((crop) => [crop.id, crop.baseMoisture])),
    kgPerBushel: farm.kgPerBu,
  });

  const recordAll = async (entries: readonly (Record<string, unknown> & { type: Entry['type'] })[], what: string): Promise<void> => {
    const at = farm.clock();
    // One after the other, in their order: what goes to the second place is what the first left.
    const full = entries.map((entry, i) => stamped({ id: ulid(), at: new Date(at + i).toISOString(), by: who.name, ...entry } as unknown as Entry));
    await enqueue(farm.id, full, what);
    toast(what);
  };
  const record = (entry: Record<string, unknown> & { type: Entry['type'] }, what: string): Promise<void> => recordAll([entry], what);
  const recordCut = (entry: CutEntry): void =>
    void record({ type: 'harvest', ...entry }, `${farm.tag(entry.lot)} → ${farm.placeName(entry.to)}, ${formatBushels(entry.wetKg / farm.kgPerBu(farm.lot(entry.lot)?.crop))} bu`);
  const cut = (entry: CutEntry): void => {
    setPad(null);
    const changes = lastLoad !== null && lastLoad.lot !== entry.lot && entry.lot !== UNKNOWN_LOT && !askedFor(entry.lot);
    if (changes && holdersOfOther(farm, entry.lot).length > 0) setChanging(entry);
    else recordCut(entry);
  };
  const goOn = (entry: CutEntry, mixed: readonly string[]): void => {
    setChanging(null);
    asked(entry.lot);
    recordCut(entry);
    // Said to the farm too, where there is a signal; the mix itself is in the book either way.
    post<object>(`/farms/${farm.id}/notes/emptied`, { id: ulid(), at: new Date(farm.clock()).toISOString(), lotId: entry.lot, mixed }).catch((error: unknown) => {
      if (!(error instanceof ApiError)) throw error;
    });
  };
  const act = (action: CabAction): void => {
    switch (action.kind) {
      case 'move':
        return void record(
          { type: 'move', from: action.from, to: action.to, ...(action.wetKg === undefined ? {} : { wetKg: action.wetKg, method: 'estimate' }) },
          `${farm.placeName(action.from)} → ${farm.placeName(action.to)}`,
        );
      case 'dry':
        return void record({ type: 'condition', place: action.place, moisture: action.to }, `${farm.placeName(action.place)} dried to ${formatMoisture(action.to)} %`);
      case 'cut':
        return setPad(action);
      case 'deliver':
        return recorder.open({ kind: 'move', from: action.from, to: action.to, amount: 'gross', emptied: true });
    }
  };
  const take = (picked: QuickWay): void => {
    if (picked === 'neighbor') {
      setWay(null);
      setPad({ lot: lastLoad?.lot ?? '', to: me.id, wetKg: 200 * farm.kgPerBu(farm.lot(lastLoad?.lot ?? '')?.crop), moisture: lastLoad?.moisture ?? 0.16, neighbor: true });
    } else if (picked === 'else') {
      setWay(null);
      recorder.open(me.kind === 'combine' ? { kind: 'harvest', to: me.id } : me.kind === 'dryer' ? { kind: 'condition', place: me.id } : { kind: 'move', from: me.id });
    } else setWay(picked);
  };
  // Grain that was not touched since another day slept on wheels, and stays on the book under its field.
  const touched = farm.data.tape.find(
    ({ entry, voided }) => !voided && ((entry.type === 'move' && (entry.from === me.id || entry.to === me.id)) || (entry.type === 'harvest' && entry.to === me.id)),
  );
  const overnight = bushels >= 1 && touched !== undefined && calendarDay(Date.parse(touched.entry.at), timeZone) !== calendarDay(farm.clock(), timeZone) ? touched.entry.at : null;
  const scale = (devices.data ?? []).filter((device) => device.kind === 'cartScale' && !device.revoked);
  const under = scale.find((device) => notebook.data?.scales[device.id]?.sheet.placeId === me.id);
  const watched = me.kind === 'combine' ? scale.filter((device) => notebook.data?.scales[device.id]?.sheet.placeId !== undefined) : [];
  const live = useLive(under !== undefined || watched.length > 0);
  const cropNow = farm.cropOf(held.lots) ?? farm.lot(lastLoad?.lot ?? '')?.crop;
  // Ten minutes to take a slip back: a void, as everything is.
  const mine = farm.data.tape.filter(
    ({ entry, voided }) =>
      !voided && entry.type !== 'void' && entry.by === who.name && farm.clock() - Date.parse(entry.recordedAt ?? entry.at) < UNDO_MS + Math.max(0, farm.clock() - Date.now()),
  );
  const unsent = new Set(waiting.flatMap((item) => item.entries.map((entry) => entry.id)));
  const [first, ...rest] = actions;
  return (
    <>
      <header className="flex items-center justify-between gap-3 border-b border-ink px-4 py-2">
        <button type="button" onClick={onLeave} className="min-h-14 text-left">
          <span className="block text-2xl leading-tight font-bold">{me.name}</span>
          <span className="text-sm text-muted underline decoration-rule underline-offset-4">{who.name}, change</span>
        </button>
        <span className="flex items-center gap-3">
          {offline && <WifiOff size={22} aria-label="no signal" />}
          <span className="text-xl font-bold">{clock(farm.clock(), timeZone)}</span>
        </span>
      </header>
      {offline && (
        <p role="status" className="bg-foot px-4 py-2 text-on-foot">
          No signal. The book as it was at {clock(farm.data.now, timeZone)}, with what you recorded since.
        </p>
      )}
      <QueueBar />
      <NextNote />
      <main className="flex flex-1 flex-col gap-4 p-4">
        <h1 className="sr-only">Cab: {me.name}</h1>
        <section aria-label="In it now" className="flex items-center gap-5">
          <BoxSample
            farm={farm}
            strata={strataOf(farm, me.id)}
            capacity={me.capacityBu ?? Math.max(1, bushels)}
            width={150}
            height={96}
            label={`${formatBushels(bushels)} bushels in ${me.name}`}
          />
          <div>
            <p className="text-5xl leading-none font-bold">
              {formatBushels(bushels)} <span className="text-xl font-normal text-muted">bu</span>
            </p>
            <p className="mt-1 text-2xl">{held.wetKg > 1 ? `${formatMoisture(held.moisture ?? 0)} %` : 'empty'}</p>
            {me.capacityBu !== null && held.wetKg > 1 && <p className="text-muted">room for {formatBushels(Math.max(0, me.capacityBu - bushels))}</p>}
          </div>
        </section>
        {overnight !== null && (
          <p className="border-l-4 border-ink bg-sand px-3 py-2">
            ◐ Stood overnight since {day(overnight, timeZone)} {clock(overnight, timeZone)}, under its own field. Wet grain must not stand warm.
          </p>
        )}
        <Owners farm={farm} wetLots={held.wetLots} className="text-lg" />
        {Object.keys(held.wetLots).length > 1 && <ShareList farm={farm} wetLots={held.wetLots} />}
        {Object.keys(held.wetLots).length === 1 && <p className="text-xl font-semibold">{Object.keys(held.wetLots).map((lot) => farm.lot(lot)?.fieldName ?? 'unknown field')}</p>}
        {under && notebook.data && (
          <>
            <LiveWeight farm={farm} notebook={notebook.data} device={under} live={live.get(under.id)} crop={cropNow} />
            <OfferedLoads farm={farm} placeId={me.id} loads={offeredLoads(farm, notebook.data, under, live.get(under.id))} by={who.name} />
          </>
        )}
        {notebook.data &&
          watched.map((device) => <LiveWeight key={device.id} farm={farm} notebook={notebook.data!} device={device} live={live.get(device.id)} crop={cropNow} glance />)}
        <ChainLine farm={farm} className="text-lg" />
        {first ? (
          <Button look="do" className="min-h-28 w-full !text-2xl" onClick={() => act(first)}>
            {words(farm, first)}
          </Button>
        ) : (
          <p className="text-lg text-muted">Nothing is likely next: record what happened.</p>
        )}
        <div className="grid gap-3">
          {rest.map((action) => (
            <Button key={words(farm, action)} className="min-h-16 w-full !text-lg" onClick={() => act(action)}>
              {words(farm, action)}
            </Button>
          ))}
        </div>
        <div className="grid grid-cols-2 gap-3">
          <Button className="min-h-16" onClick={() => setWay('choose')}>
            <NotebookPen size={20} aria-hidden="true" /> Not the usual
          </Button>
          <Button className="min-h-16" disabled={bushels < 1} onClick={() => setWay('spilled')}>
            Spilled
          </Button>
        </div>
        <section aria-label="Just recorded" className="mt-auto">
          <ul className="divide-y divide-rule border-y border-rule">
            {mine.slice(0, 4).map(({ entry, wetKg, wetLots }) => (
              <li key={entry.id} className="flex min-h-16 items-center justify-between gap-3">
                <span className="min-w-0">
                  <b className="block truncate">{headline(entry, farm)}</b>
                  <span className="text-sm text-muted">
                    {clock(entry.at, timeZone)}
                    {wetKg ? `, ${formatBushels(Object.keys(wetLots).length > 0 ? farm.bushels(wetLots) : wetKg / KG_PER_LB / 56)} bu` : ''}
                    {unsent.has(entry.id) ? ', waits' : ''}
                  </span>
                </span>
                <Button className="min-h-16 shrink-0" onClick={() => void record({ type: 'void', voids: entry.id }, `${headline(entry, farm)} undone`)}>
                  <Undo2 size={20} aria-hidden="true" /> Undo
                </Button>
              </li>
            ))}
          </ul>
        </section>
      </main>
      {pad && <CutPad farm={farm} start={pad} neighbor={pad.neighbor ?? false} onClose={() => setPad(null)} onRecord={cut} />}
      {changing && (
        <SwitchField
          farm={farm}
          lot={farm.lot(changing.lot)!}
          onClose={() => setChanging(null)}
          onEmptied={(place) => recorder.open({ kind: 'move', from: place.id, amount: 'all' })}
          onDone={(mixed) => goOn(changing, mixed)}
        />
      )}
      {way === 'choose' && <ChooseWay kind={me.kind} loaded={bushels >= 1} onClose={() => setWay(null)} onPick={take} />}
      {(way === 'split' || way === 'some') && (
        <SplitPad
          farm={farm}
          me={me}
          two={way === 'split'}
          onClose={() => setWay(null)}
          onRecord={(parts) => {
            setWay(null);
            void recordAll(
              parts.map((part) => ({ type: 'move' as const, from: me.id, ...part, ...(part.wetKg === undefined ? {} : { method: 'estimate' }) })),
              `${me.name} → ${parts.map((part) => farm.placeName(part.to)).join(' and ')}`,
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
          onRecord={(lost, wetKg) => {
            setWay(null);
            void record(
              { type: 'loss', place: me.id, wetKg, reason: 'spill', method: 'estimate', ...(way === 'ranOver' ? { note: `${me.name} ran over` } : {}) },
              `${formatBushels(lost)} bu ${way === 'ranOver' ? 'ran over' : 'spilled'}`,
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
            recorder.open({ kind: 'move', from: me.id, to, amount: 'gross', emptied: true });
          }}
        />
      )}
      {way === 'reading' && <ReadMoisture farm={farm} lotId={lastLoad?.lot} by={who.name} onClose={() => setWay(null)} />}
      {way === 'late' && <ReportDelay farm={farm} machineId={me.id} onClose={() => setWay(null)} />}
    </>
  );
}

/** What a tap will record, in one line. */
function words(farm: Farm, action: CabAction): string {
  const bu = (kg: number, crop: string | undefined): string => formatBushels(kg / farm.kgPerBu(crop));
  switch (action.kind) {
    case 'move': {
      const held = farm.held(action.from);
      return `${farm.placeName(action.from)} → ${farm.placeName(action.to)}, ${bu(action.wetKg ?? held.wetKg, farm.cropOf(held.lots))} bu${action.staysKg > 0 ? `; ${bu(action.staysKg, farm.cropOf(held.lots))} stay` : ''}`;
    }
    case 'cut':
      return `Cut ${farm.lot(action.lot)?.fieldName ?? ''} into ${farm.placeName(action.to)} …`;
    case 'deliver':
      return `Ticket at ${farm.placeName(action.to)} …`;
    case 'dry':
      return `${farm.placeName(action.place)}: dried to ${formatMoisture(action.to)} %`;
  }
}
