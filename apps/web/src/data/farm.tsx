import type { FarmHeaderAnswer, FarmNow, FarmVersions, Role, Topic, WeighTicketInfo } from '@fanega/contract';
import {
  downPlaces,
  type FarmView,
  type FarmState as State,
  farmView,
  currentSeason,
  type FieldRecords,
  type Layer,
  placeNow,
  type HaulView,
  readingsOf,
  type RecordStation,
  type ShedRecords,
} from '@fanega/core';
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState } from 'react';
import useSWR, { type SWRResponse, useSWRConfig } from 'swr';
import { type AnswerOf, type ApiError, get, type GetPath, keptSince, type ParamsOf, forgetEarly } from './api';
import { isOpening, keepAnswers } from './first-visit';
import { follow } from './follow';
import { keptLayers } from './layers';
import { HEADER, LAYERS, ME, NOW, WEATHER } from './opening-paths';
import { doubt, tellVersions } from './held';
import { tapeQuery } from './tape-page';
import { entriesOf, takeWritten, useOutbox } from './outbox';
import { onFirstWorker } from './program';
import { pendingEntries, pendingFields, withPendingLogs } from './outbox/optimistic';
import { useAhead } from './outbox/use-ahead';
import { oneAfterTheOther } from './one-after-the-other';
import { everyPage, type RecordsPath } from './record-pages';
import { changedBy, dependsOn } from './topics';
import { weatherHours } from './weather-hours';

/**
 * What was asked for, read at once: the library draws a component again only for what of it was read. An answer that is handed on and
 * first read when another one is there would stay as it was when it was handed on, for good.
 */
const readAtOnce = <T,>({ data, error, mutate }: SWRResponse<T, ApiError>) => ({ data, error, mutate });

/** The one way to ask: a declared route with its parameters. It is asked again when a topic that it depends on has changed. */
export const useAnswer = <P extends GetPath>(path: P | null, params: ParamsOf<P>) =>
  readAtOnce(
    useSWR<AnswerOf<P>, ApiError>(path === null ? null : [path, params], ([route, asked]: [P, ParamsOf<P>]) =>
      get(route, asked),
    ),
  );

export const useMe = () => useAnswer(ME, {});
/** For `mutate`: who is signed in is asked again. */
export const isMe = (key: unknown): boolean => Array.isArray(key) && key[0] === ME;

/** Everything that the farm told at one moment. */
export type FarmData = State & Omit<FarmNow & FarmHeaderAnswer, 'topics'>;

/** The farm as the server last told it, with look-ups that every screen needs. */
export interface Farm extends FarmView<FarmData> {
  readonly id: string;
  /** The farm's time, ms since 1970: the server's clock, so that a wrong one here does no harm. */
  readonly clock: () => number;
}

const FarmContext = createContext<Farm | null>(null);

export function useFarm(): Farm {
  const farm = useContext(FarmContext);
  if (!farm) throw new Error('bug: no farm around this component');
  return farm;
}

export function farmOf(id: string, data: FarmData, receivedAt = Date.now()): Farm {
  const ahead = data.now - receivedAt;
  return { ...farmView(data), id, clock: () => Date.now() + ahead };
}

const isOf = (key: unknown, farmId: string): key is [string, { path?: { farmId?: string } }] =>
  Array.isArray(key) && (key[1] as { path?: { farmId?: string } } | undefined)?.path?.farmId === farmId;

/** Asks again for what depends on some topics of a farm. */
function useAsk(farmId: string): (topics: ReadonlySet<Topic>) => Promise<unknown> {
  const { mutate } = useSWRConfig();
  return useCallback((topics) => mutate((key) => isOf(key, farmId) && dependsOn(key[0], topics)), [mutate, farmId]);
}

/** Asks again for what this page itself has changed, without waiting for the feed to say so. */
export function useRefreshFarm(farmId: string): () => Promise<unknown> {
  const ask = useAsk(farmId);
  return useCallback(() => ask(takeWritten(farmId)), [ask, farmId]);
}

/** Asks again for everything that is shown of a farm. */
function useRefreshAll(farmId: string): () => Promise<unknown> {
  const { mutate } = useSWRConfig();
  return useCallback(() => {
    doubt(farmId);
    forgetEarly();
    return mutate((key) => isOf(key, farmId));
  }, [mutate, farmId]);
}

/** Follows the change feed: an event tells what has changed, and only what depends on that is asked for again. False while there is no signal. */
function useFeed(farmId: string, shown: FarmVersions | undefined): boolean {
  const ask = useAsk(farmId);
  const refresh = useRefreshAll(farmId);
  const known = useRef<FarmVersions | undefined>(undefined);
  const [connected, setConnected] = useState(true);
  const [online, setOnline] = useState(navigator.onLine);
  const started = shown !== undefined;
  if (!started) known.current = undefined;
  else known.current ??= shown;
  useEffect(() => {
    const news = oneAfterTheOther<Topic>((topics) => ask(topics));
    const take = (data: string): void => {
      const now = JSON.parse(data) as FarmVersions;
      const before = known.current;
      known.current = now;
      tellVersions(farmId, now);
      const changed = (Object.keys(now.topics) as Topic[]).filter(
        (topic) => before?.topics[topic] !== now.topics[topic],
      );
      if (now.seq !== before?.seq) changed.push('book');
      if (changed.length === 0) return;
      // Asked for before this came, and not shown yet: nobody would ask for it again.
      forgetEarly((route) => dependsOn(route, new Set(changed)));
      news.tell(changed);
    };
    const onLine = (up: boolean): void => {
      setConnected(up);
      // Nobody says any more what changes.
      if (!up) doubt(farmId);
    };
    const on = () => {
      setOnline(true);
      void refresh();
    };
    const off = () => setOnline(false);
    window.addEventListener('online', on);
    window.addEventListener('offline', off);
    const stop = started ? follow('/api/farms/{farmId}/feed', farmId, { onMessage: take, onLine }) : undefined;
    return () => {
      window.removeEventListener('online', on);
      window.removeEventListener('offline', off);
      stop?.();
      news.stop();
    };
  }, [farmId, started, ask, refresh]);
  return connected && online;
}

export interface FarmShown {
  readonly farm: Farm | undefined;
  readonly error: ApiError | undefined;
  readonly offline: boolean;
  readonly retry: () => void;
}

/** The farm as it was told, with when that was by this device's clock: the two clocks need not agree. */
type Received = FarmNow & { readonly layers: Readonly<Record<string, readonly Layer[]>>; readonly received: number };
const AGAIN = 3;

/** Positions and strata of the same moment of the book: asked again where an entry came in between. */
export async function toldNow(params: ParamsOf<typeof NOW>): Promise<Received> {
  for (let tries = 1; ; tries++) {
    const asked = Date.now();
    const [data, strata] = await Promise.all([get(NOW, params), keptLayers(params.path.farmId)]);
    const kept = keptSince(NOW);
    // Without a signal the two may be of different moments for good.
    if (data.seq !== strata.seq && kept === undefined && tries < AGAIN) {
      forgetEarly((route) => route === NOW || route === LAYERS);
      continue;
    }
    return { ...data, layers: strata.layers, received: data.now - offsetOf(params.path.farmId, data.now, asked, kept) };
  }
}

/**
 * How far the farm's clock is ahead of this device's, ms. The answer was made somewhere between the question and its arrival; the least
 * delayed answer of late knows best, so that the clock never runs back by a slow line. A real change of the clocks is larger.
 */
function offsetOf(farmId: string, now: number, asked: number, kept: number | undefined): number {
  const ahead = now - (kept ?? (asked + Date.now()) / 2);
  const steady = offsets.get(farmId);
  const offset = steady !== undefined && Math.abs(ahead - steady) < CLOCK_JUMP_MS ? Math.max(ahead, steady) : ahead;
  offsets.set(farmId, offset);
  return offset;
}
const offsets = new Map<string, number>();
const CLOCK_JUMP_MS = 120_000;
const LATE_AGAIN_MS = 30_000;

export function useFarmState(farmId: string): FarmShown {
  const params = { path: { farmId } };
  const header = useAnswer(HEADER, params);
  const now = useSWR<Received, ApiError>([NOW, params], ([, asked]: [string, typeof params]) => toldNow(asked), {
    refreshInterval: 60_000,
  });
  const outbox = useOutbox();
  const seq = now.data?.seq;
  const pending = useMemo(() => (seq === undefined ? [] : pendingEntries(outbox, farmId, seq)), [outbox, farmId, seq]);
  const ahead = useAhead(pending.length > 0);
  const ask = useAsk(farmId);
  const refresh = useRefreshAll(farmId);
  const { mutate } = useSWRConfig();
  const error = now.error ?? header.error;
  // The session is over: the way in is shown again.
  useEffect(() => {
    if (error?.status === 401) void mutate(isMe);
  }, [error, mutate]);
  // An answer that came after the worker's patience is kept by now; asked for once in a while only, the line is a slow one.
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    let last = 0;
    const late = ({ data: what }: MessageEvent): void => {
      if (what !== 'late answer' || Date.now() - last < LATE_AGAIN_MS) return;
      last = Date.now();
      void refresh();
    };
    navigator.serviceWorker.addEventListener('message', late);
    return () => navigator.serviceWorker.removeEventListener('message', late);
  }, [refresh]);
  // A phone that was opened once is out of reach the next minute.
  useEffect(
    () =>
      onFirstWorker(() => {
        // What keeps itself below is not asked for twice.
        void mutate((key) => isOf(key, farmId) && ('query' in key[1] || !isOpening(key[0])));
        void keepAnswers(farmId, Date.now() + (offsets.get(farmId) ?? 0));
      }),
    [mutate, farmId],
  );
  // What went out of the queue is shown as the farm has it.
  const told = outbox.sent.filter((one) => one.farmId === farmId).at(-1);
  useEffect(() => {
    if (told && entriesOf(told.command).length === 0) void ask(new Set(changedBy(told.command)));
  }, [told, ask]);
  // The first word of the feed is compared with what was told: the names with the header, all else with the present.
  const shown = now.data &&
    header.data && {
      seq: now.data.seq,
      topics: { ...now.data.topics, ...header.data.topics },
    };
  const connected = useFeed(farmId, shown);
  const farm = useMemo(() => {
    if (!now.data || !header.data) return undefined;
    const { received, ...data } = now.data;
    const known: FarmData = { ...header.data, ...data, lots: pendingFields(header.data.lots, outbox, farmId) };
    return farmOf(farmId, ahead && pending.length > 0 ? ahead(known, pending) : known, received);
  }, [farmId, now.data, header.data, outbox, pending, ahead]);
  const offline =
    !connected || (error?.unreachable ?? false) || (now.data !== undefined && keptSince(NOW) !== undefined);
  return { farm, error, offline, retry: () => void refresh() };
}

export function FarmProvider({ farm, children }: { farm: Farm; children: ReactNode }) {
  return <FarmContext.Provider value={farm}>{children}</FarmContext.Provider>;
}

/** An answer of this farm; `rest` are the other parts of its path. */
const useOfFarm = <P extends GetPath>(
  path: P | null,
  rest: Readonly<Record<string, string>> = {},
  query?: Readonly<Record<string, string>>,
) => useAnswer(path, { path: { farmId: useFarm().id, ...rest }, ...(query ? { query } : {}) } as never);

/** Records of a station, of this season and the one before; every page of them, so that nothing is left out. */
function useRecords<P extends RecordsPath>(path: P) {
  const params = { path: { farmId: useFarm().id } };
  return readAtOnce(useSWR<AnswerOf<P>, ApiError>([path, params], () => everyPage(path, params.path.farmId)));
}

/** What several answers say together, once all are there; the first error of them. */
function together<T>(
  answers: readonly {
    readonly data?: unknown;
    readonly error?: ApiError | undefined;
    readonly mutate: () => Promise<unknown>;
  }[],
  data: T | undefined,
) {
  return {
    data,
    error: answers.find((one) => one.error)?.error,
    mutate: () => Promise.all(answers.map((one) => one.mutate())),
  };
}

/** Records of one station, with those that cannot be read. */
export const useStationRecords = (station: RecordStation) => useRecords(`/api/farms/{farmId}/${station}/records`);

const FIELD_RECORDS = '/api/farms/{farmId}/fields/records';

/** What people saw and did in field, cab and truck, and what the farm set for itself there. */
export function useNotebook() {
  const fields = useWithPending(useRecords('/api/farms/{farmId}/fields/records'));
  const cut = useRecords('/api/farms/{farmId}/cut/records');
  const haul = useWithPending(useRecords('/api/farms/{farmId}/haul/records'));
  const dry = useWithPending(useRecords('/api/farms/{farmId}/dry/records'));
  const data = useMemo<FieldRecords | undefined>(
    () =>
      fields.data && cut.data && haul.data && dry.data
        ? {
            logs: { ...fields.data.logs, ...cut.data.logs, ...haul.data.logs, ...dry.data.logs },
            settings: { ...fields.data.settings, ...cut.data.settings, ...haul.data.settings, ...dry.data.settings },
          }
        : undefined,
    [fields.data, cut.data, haul.data, dry.data],
  );
  return together([fields, cut, haul, dry], data);
}

export function useShed() {
  const shed = useWithPending(useRecords('/api/farms/{farmId}/shed/records'));
  return together<ShedRecords>([shed], shed.data);
}
const NONE_DOWN: ReadonlyMap<string, string> = new Map();
/** Vessels whose machine is broken and not mended, and places out of service, with why; none while nothing of it is known. */
export function useDown(): ReadonlyMap<string, string> {
  const shed = useShed().data;
  const states = useBinSetups().data?.settings.placeState;
  const now = useFarm().data.now;
  return useMemo(() => {
    const broken = shed ? downPlaces(shed) : NONE_DOWN;
    const out = Object.entries(states ?? {}).flatMap(([id, { value }]): [string, string][] => {
      const state = placeNow(value, now);
      return state.out ? [[id, state.why ?? '']] : [];
    });
    return out.length === 0 ? broken : new Map([...out, ...broken]);
  }, [shed, states, now]);
}
/** What in the books of the season has no counterpart yet. */
export const useGaps = () => useOfFarm('/api/farms/{farmId}/gaps');
/** Everything wet and where it is. */
export const useWet = () => useOfFarm('/api/farms/{farmId}/wet');
/** A station's records with those that wait on this device. */
function usePending<D extends { readonly logs: object }>(data: D | undefined): D | undefined {
  const outbox = useOutbox();
  const { id } = useFarm();
  return useMemo(() => data && { ...data, logs: withPendingLogs(data.logs, outbox, id) }, [data, outbox, id]);
}
function useWithPending<D extends { readonly logs: object }, A extends { readonly data?: D | undefined }>(
  answer: A,
): A {
  return { ...answer, data: usePending(answer.data) };
}
/** What was recorded and set in Haul, with what waits on this device. */
export const useHaulRecords = () => useWithPending(useRecords('/api/farms/{farmId}/haul/records'));
export const useBinSetups = () => useWithPending(useRecords('/api/farms/{farmId}/store/records'));

/** Contracts, and which deliveries count on them. */
export const useContracts = () => useWithPending(useRecords('/api/farms/{farmId}/sell/records'));

/** A bin's temperature cables as they stand. */
export const useCables = (placeId: string | undefined) =>
  useOfFarm(placeId === undefined ? null : '/api/farms/{farmId}/places/{placeId}/cables', { placeId: placeId ?? '' });

/** Bins with a level sensor, and whether what each gained is what the book brought there. */
export const useLevels = () => useOfFarm('/api/farms/{farmId}/levels');

/** What the motors of the bin site do. */
export const useMotors = (wanted = true) => useOfFarm(wanted ? '/api/farms/{farmId}/motors' : null);

/** Readings of a field in a season, newest first; of an older season than those of the notebook they are asked for by themselves. */
export function useReadings(season: number, fieldId: string) {
  const params = { path: { farmId: useFarm().id } };
  const lately = useRecords(FIELD_RECORDS);
  const old = lately.data !== undefined && !lately.data.of.includes(season) && lately.data.seasons.includes(season);
  const asked = useSWR<AnswerOf<typeof FIELD_RECORDS>, ApiError>(old ? [FIELD_RECORDS, params, season] : null, () =>
    everyPage(FIELD_RECORDS, params.path.farmId, season),
  );
  const records = old ? asked.data : lately.data;
  const data = useMemo(() => records && readingsOf(records, fieldId), [records, fieldId]);
  return together([old ? asked : lately], data);
}

/** A season that is named; the newest, which every page opens with, is asked for without its name. */
function useSeasonQuery(season: number | undefined): Readonly<Record<string, string>> | undefined {
  const { lots } = useFarm().data;
  return season === undefined || season === currentSeason(lots) ? undefined : { season: String(season) };
}
/** Fields of a season with where they stand; of the newest where none is named. */
export const useFields = (season?: number) => useOfFarm('/api/farms/{farmId}/lots', {}, useSeasonQuery(season));
export const useHaul = () => useOfFarm('/api/farms/{farmId}/haul');
export const useWeighed = () => useOfFarm('/api/farms/{farmId}/haul/weighed');
/** The hauling with the farm's own weight tickets, for whoever stands at the truck scale. */
export type HaulAtScale = HaulView & { readonly tickets: readonly WeighTicketInfo[] };
export function useHaulWithTickets() {
  const haul = useHaul();
  const tickets = useOfFarm('/api/farms/{farmId}/weigh-tickets');
  const data = useMemo(
    () => haul.data && tickets.data && { ...haul.data, tickets: tickets.data },
    [haul.data, tickets.data],
  );
  return together<HaulAtScale>([haul, tickets], data);
}
export const useDevices = () => useOfFarm('/api/farms/{farmId}/devices');
export const useMonitors = () => useOfFarm('/api/farms/{farmId}/monitors');
/** What samples and tickets say of each sheet of settings. */
/** Fields of every season that was cut, for years side by side. */
export const useYears = () => useOfFarm('/api/farms/{farmId}/years');
export const useSheetQuality = () => useOfFarm('/api/farms/{farmId}/cut/quality');
export const useLotMoistures = (lotId: string | undefined) =>
  useOfFarm(lotId ? '/api/farms/{farmId}/lots/{lotId}/moistures' : null, { lotId: lotId ?? '' });
export const useWeather = (daysBack: number, daysAhead: number) =>
  useOfFarm(WEATHER, {}, weatherHours(useFarm().data.now, daysBack, daysAhead));
/** Deliveries of a season’s grain; of the newest where none is named. Not asked for where nobody wants them. */
export const useDeliveries = (season?: number, wanted = true) =>
  useOfFarm(wanted ? '/api/farms/{farmId}/deliveries' : null, {}, useSeasonQuery(season));
export const useDeliveryTrace = (entryId: string | undefined) =>
  useOfFarm(entryId ? '/api/farms/{farmId}/deliveries/{entryId}/trace' : null, { entryId: entryId ?? '' });
/** Where a ticket's grain, or what a place holds, came from. */
export const useOrigin = (of: 'deliveries' | 'places', id: string) =>
  useOfFarm('/api/farms/{farmId}/origins/{of}/{id}', { of, id });
/** The same divided by other ways of emptying; not asked for until somebody wants it. */
export const useDivisions = (of: 'deliveries' | 'places', id: string, wanted: boolean) =>
  useOfFarm(wanted ? '/api/farms/{farmId}/origins/{of}/{id}/divisions' : null, { of, id });
export const useOriginLinks = (wanted = true) => useOfFarm(wanted ? '/api/farms/{farmId}/origin-links' : null);
export const useSearch = (asked: string) =>
  useOfFarm(asked === '' ? null : '/api/farms/{farmId}/search', {}, { q: asked });
export const useYearCosts = (season: number) =>
  useOfFarm('/api/farms/{farmId}/year/costs', {}, { season: String(season) });
/** A day's work; today's where none is named. */
export const useDay = (day?: string) =>
  useOfFarm('/api/farms/{farmId}/day', {}, day === undefined ? undefined : { day });
/** What the signed-in person is on this farm. */
export function useRole(): Role {
  const { id } = useFarm();
  return useMe().data?.farms.find((one) => one.id === id)?.role ?? 'viewer';
}
/** What is left in the tanks of machines. */
export const useFuel = () => useOfFarm('/api/farms/{farmId}/fuel');
/** How long each has been at it today. */
export const useWheel = () => useOfFarm('/api/farms/{farmId}/wheel');
export const useOwnerLinks = () => useOfFarm('/api/farms/{farmId}/owner-links');
export const useKeptShares = () => useOfFarm('/api/farms/{farmId}/kept-shares');
/** The one job that this phone is paired for; null where somebody is signed in. */
export const useJob = () => useMe().data?.job ?? null;
export const usePhones = () => useOfFarm('/api/farms/{farmId}/members/phones');
export const useMembers = () => useOfFarm('/api/farms/{farmId}/members');
/** Whether invitations can be mailed. */
export const useMail = () => useOfFarm('/api/farms/{farmId}/members/mail');
export const useInvites = () => useOfFarm('/api/farms/{farmId}/members/invites');
export const useTokens = () => useOfFarm('/api/farms/{farmId}/tokens');
export const useAudit = (before?: string) =>
  useOfFarm('/api/farms/{farmId}/members/audit', {}, before === undefined ? undefined : { before });
export const useProfile = () => useAnswer('/api/profile', {});
export const useFileImports = () => useOfFarm('/api/farms/{farmId}/imports');
export const useInsurance = (season: number) =>
  useOfFarm('/api/farms/{farmId}/insurance', {}, { season: String(season) });
/** Closed seasons, policies and what is reckoned for them. */
export function useTraceRecords() {
  return useRecords('/api/farms/{farmId}/trace/records');
}
export const useLotTrace = (lotId: string | undefined) =>
  useOfFarm(lotId ? '/api/farms/{farmId}/lots/{lotId}/trace' : null, { lotId: lotId ?? '' });
export const useTapeLine = (entryId: string | null) =>
  useOfFarm(entryId ? '/api/farms/{farmId}/entries/{entryId}' : null, { entryId: entryId ?? '' });
export const useTapePage = (limit: number, types: string, places: readonly string[] | null) =>
  useOfFarm('/api/farms/{farmId}/entries', {}, tapeQuery(limit, types, places));
