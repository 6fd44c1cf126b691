import type {
  Delivery,
  DeliveryTraceAnswer,
  DeviceInfo,
  FarmNow,
  FieldRow,
  HaulAnswer,
  LotInfo,
  LotTraceAnswer,
  Me,
  MonitorAnswer,
  Notebook,
  PlaceInfo,
  ReadingInfo,
  Shed,
  TapeLine,
  WeatherHourInfo,
} from '@fanega/contract';
import { CROPS, cropOf, kilogramsPerBushel, type Position, UNKNOWN_LOT } from '@fanega/core';
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import useSWR, { useSWRConfig } from 'swr';
import { entriesAhead, farmAhead, fieldsAhead } from '../outbox/ahead';
import { useOutbox } from '../outbox';
import { type ApiError, get, keptSince } from './api';
import { follow } from './follow';

export const useMe = () => useSWR<Me, ApiError>('/auth/me');

/** The farm as the server last told it, with look-ups that every screen needs. */
export interface Farm {
  readonly id: string;
  readonly data: FarmNow;
  readonly lot: (id: string) => LotInfo | undefined;
  readonly place: (id: string) => PlaceInfo | undefined;
  readonly placeName: (id: string) => string;
  /** Place in the row of colours and weaves. */
  readonly lotIndex: (id: string) => number;
  readonly tag: (id: string) => string;
  /** Crop of most of the grain, or undefined where nobody knows. */
  readonly cropOf: (lots: Readonly<Record<string, number>>) => string | undefined;
  readonly kgPerBu: (crop: string | undefined) => number;
  /** Weight bushels of grain as it is, each lot at its crop's legal weight. */
  readonly bushels: (wetLots: Readonly<Record<string, number>>) => number;
  readonly held: (placeId: string) => Position;
  /** The farm's time, ms since 1970: the server's clock, so that a wrong one here does no harm. */
  readonly clock: () => number;
}

const FarmContext = createContext<Farm | null>(null);

export function useFarm(): Farm {
  const farm = useContext(FarmContext);
  if (!farm) throw new Error('bug: no farm around this component');
  return farm;
}

const EMPTY: Position = { wetKg: 0, dryKg: 0, moisture: null, layers: 0, lots: {}, wetLots: {} };

export function farmOf(id: string, data: FarmNow, receivedAt = Date.now()): Farm {
  const lots = new Map(data.lots.map((lot) => [lot.id, lot]));
  const places = new Map(data.places.map((place) => [place.id, place]));
  const ahead = data.now - receivedAt;
  const order = new Map(data.lots.map((lot, i) => [lot.id, i]));
  const mainCrop = (byLot: Readonly<Record<string, number>>): string | undefined => {
    const known = Object.entries(byLot).filter(([lot]) => lots.has(lot));
    known.sort((a, b) => b[1] - a[1]);
    return known[0] && lots.get(known[0][0])!.crop;
  };
  const kgPerBu = (crop: string | undefined) => kilogramsPerBushel(cropOf(crop ?? '')?.legalPounds ?? CROPS.corn.legalPounds);
  return {
    id,
    data,
    lot: (lotId) => lots.get(lotId),
    place: (placeId) => places.get(placeId),
    placeName: (placeId) => places.get(placeId)?.name ?? placeId,
    lotIndex: (lotId) => order.get(lotId) ?? -1,
    tag: (lotId) => (lotId === UNKNOWN_LOT ? '?' : (lots.get(lotId)?.tag ?? '?')),
    cropOf: mainCrop,
    kgPerBu,
    bushels: (wetLots) => {
      const crop = mainCrop(wetLots);
      return Object.entries(wetLots).reduce((sum, [lot, kg]) => sum + kg / kgPerBu(lots.get(lot)?.crop ?? crop), 0);
    },
    clock: () => Date.now() + ahead,
    held: (placeId) => data.positions[placeId] ?? EMPTY,
  };
}

/** Makes everything that is shown of a farm be fetched anew. */
export function useRefreshFarm(farmId: string): () => Promise<unknown> {
  const { mutate } = useSWRConfig();
  return useCallback(() => mutate((key) => typeof key === 'string' && key.startsWith(`/farms/${farmId}/`)), [mutate, farmId]);
}

/** Follows the change feed: every event makes what is shown be fetched anew. False while there is no signal. */
function useFeed(farmId: string, seq: number | undefined): boolean {
  const refresh = useRefreshFarm(farmId);
  const [connected, setConnected] = useState(true);
  const [online, setOnline] = useState(navigator.onLine);
  const known = seq !== undefined;
  useEffect(() => {
    const on = () => {
      setOnline(true);
      void refresh();
    };
    const off = () => setOnline(false);
    window.addEventListener('online', on);
    window.addEventListener('offline', off);
    const stop = known ? follow(`/farms/${farmId}/feed`, `?after=${seq}`, { onMessage: () => void refresh(), onLine: setConnected }) : undefined;
    return () => {
      window.removeEventListener('online', on);
      window.removeEventListener('offline', off);
      stop?.();
    };
    // Only the first sequence number matters: later the browser resumes with the last event's id.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [farmId, known, refresh]);
  return connected && online;
}

export interface FarmState {
  readonly farm: Farm | undefined;
  readonly error: ApiError | undefined;
  readonly offline: boolean;
  readonly retry: () => void;
}

/** The farm as it was told, with when that was by this device's clock: the two clocks need not agree. */
type Received = FarmNow & { readonly received: number };
const received = async (path: string): Promise<Received> => {
  const asked = Date.now();
  const data = await get<FarmNow>(path);
  const kept = keptSince(path);
  const arrived = kept ?? Date.now();
  // The answer was made somewhere between the question and its arrival; the least delayed answer of late knows best, so that the
  // clock never runs back by a slow line. A real change of the clocks is larger.
  const ahead = data.now - (kept ?? (asked + arrived) / 2);
  const steady = offsets.get(path);
  const offset = steady !== undefined && Math.abs(ahead - steady) < CLOCK_JUMP_MS ? Math.max(ahead, steady) : ahead;
  offsets.set(path, offset);
  return { ...data, received: data.now - offset };
};
/** How far each farm's clock is ahead of this device's, ms. */
const offsets = new Map<string, number>();
const CLOCK_JUMP_MS = 120_000;
const LATE_AGAIN_MS = 30_000;

export function useFarmState(farmId: string): FarmState {
  const { data, error, mutate } = useSWR<Received, ApiError>(`/farms/${farmId}/now`, received, { refreshInterval: 60_000 });
  const outbox = useOutbox();
  const refresh = useRefreshFarm(farmId);
  const { mutate: mutateAny } = useSWRConfig();
  // The session is over: the way in is shown again.
  useEffect(() => {
    if (error?.status === 401) void mutateAny('/auth/me');
  }, [error, mutateAny]);
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
  // What stands beside the book comes with no event of the book's feed.
  const told = outbox.sent.filter((one) => one.beside && one.farmId === farmId).at(-1);
  useEffect(() => {
    if (told) void refresh();
  }, [told, refresh]);
  const connected = useFeed(farmId, data?.seq);
  const farm = useMemo(
    () => (data ? farmOf(farmId, farmAhead(fieldsAhead(data, outbox, farmId), entriesAhead(outbox, farmId, data.seq)), data.received) : undefined),
    [farmId, data, outbox],
  );
  const offline = !connected || (error?.unreachable ?? false) || (data !== undefined && keptSince(`/farms/${farmId}/now`) !== undefined);
  return { farm, error, offline, retry: () => void mutate() };
}

export function FarmProvider({ farm, children }: { farm: Farm; children: ReactNode }) {
  return <FarmContext.Provider value={farm}>{children}</FarmContext.Provider>;
}

const useFarmAnswer = <T,>(path: string | null) => {
  const { id } = useFarm();
  return useSWR<T, ApiError>(path === null ? null : `/farms/${id}/${path}`);
};

export const useFields = () => useFarmAnswer<FieldRow[]>('lots');
export const useNotebook = () => useFarmAnswer<Notebook>('notebook');
export const useShed = () => useFarmAnswer<Shed>('shed');
export const useHaul = () => useFarmAnswer<HaulAnswer>('haul');
export const useDevices = () => useFarmAnswer<DeviceInfo[]>('devices');
export const useMonitors = () => useFarmAnswer<MonitorAnswer[]>('monitors');
/** Readings of a field, or of all of them (''). */
export const useReadings = (fieldId: string | undefined) => useFarmAnswer<ReadingInfo[]>(fieldId === undefined ? null : fieldId === '' ? 'readings' : `readings?field=${fieldId}`);
export const useLotMoistures = (lotId: string | undefined) => useFarmAnswer<ReadingInfo[]>(lotId ? `lots/${lotId}/moistures` : null);
/** Weather of so many days back and ahead; whole hours, so that the answer is asked for once an hour. */
export const useWeather = (daysBack: number, daysAhead: number) => {
  const hour = Math.floor(useFarm().data.now / 3_600_000) * 3_600_000;
  const day = 86_400_000;
  return useFarmAnswer<WeatherHourInfo[]>(`weather?from=${new Date(hour - daysBack * day).toISOString()}&to=${new Date(hour + daysAhead * day).toISOString()}`);
};
export const useDeliveries = () => useFarmAnswer<Delivery[]>('deliveries');
export const useDeliveryTrace = (entryId: string | undefined) => useFarmAnswer<DeliveryTraceAnswer>(entryId ? `deliveries/${entryId}/trace` : null);
export const useLotTrace = (lotId: string | undefined) => useFarmAnswer<LotTraceAnswer>(lotId ? `lots/${lotId}/trace` : null);
export const useTapeLine = (entryId: string | null) => useFarmAnswer<TapeLine>(entryId ? `entries/${entryId}` : null);
export const useTapePage = (limit: number, types: string, places: readonly string[] | null) =>
  useFarmAnswer<TapeLine[]>(`entries?limit=${limit}&types=${types}${places === null ? '' : `&places=${places.join(',')}`}`);
