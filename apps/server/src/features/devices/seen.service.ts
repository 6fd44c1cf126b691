import { createHash } from 'node:crypto';
import type { DeviceKind } from '@fanega/contract';
import {
  closedRing,
  currentSeason,
  deviceAt,
  type Entry,
  groupBy,
  instantOf,
  kgPerBushelOf,
  ringsOf,
  type ScaleReading,
  scaleSetupOf,
  isEntryOf,
  sameSeenLoad,
  SEEN_SIGN,
  type SeenLoad,
  seenLoads,
  seenOf,
  type SeenMachine,
  type SelfRecording,
  tappedToo,
  zeroed,
} from '@fanega/core';
import { Inject, Injectable, Logger } from '@nestjs/common';
import { encodeTime } from 'ulid';
import { flowOf, LiveRepository } from '../haul/index.js';
import { LedgerService, type OpenBook } from '../ledger/index.js';
import { RecordsService } from '../records/index.js';
import { DevicesRepository } from './devices.repository.js';

const MINUTE = 60_000;
/** What is looked back on: a tank takes a quarter of an hour, a truck's way an hour. */
const BACK_MS = 75 * MINUTE;
/** A device that is so far behind the others says nothing any more; the others are not waited for with it. */
const SILENT_MS = 15 * MINUTE;
/** Looked at no more often: what comes meanwhile is looked at together. */
const REST_MS = 2000;
const ALPHABET = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
/** An id that every process makes alike for the same load, so that it enters once. */
const idOf = (atMs: number, what: string): string =>
  encodeTime(atMs, 10) + [...createHash('sha256').update(what).digest().subarray(0, 16)].map((byte) => ALPHABET[byte % 32]).join(''); // prettier-ignore

const loadId = ({ machineId, kind, atMs }: SeenLoad): string => idOf(atMs, `${machineId} ${kind} ${Math.round(atMs / MINUTE)}`); // prettier-ignore

/** Looks at what the farm's machines say and enters the loads that they are sure of; of the others somebody is asked. */
@Injectable()
export class SeenService {
  private readonly log = new Logger('Seen');
  private readonly running = new Map<string, Promise<void>>();
  private readonly again = new Set<string>();
  /** Up to where loads were looked for, by farm, on the devices' clocks. */
  private readonly looked = new Map<string, number>();

  constructor(
    @Inject(LiveRepository) private readonly figures: LiveRepository,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(DevicesRepository) private readonly devices: DevicesRepository,
  ) {}

  /** Something new came in: looked at now, or after the look that runs. */
  notice(farmId: string): void {
    if (this.running.has(farmId)) {
      this.again.add(farmId);
      return;
    }
    const run = this.look(farmId)
      .catch((error: unknown) => this.log.warn(`loads of machines: ${String(error)}`))
      .then(() => new Promise<void>((resolve) => setTimeout(resolve, REST_MS).unref()))
      .then(() => {
        this.running.delete(farmId);
        if (this.again.delete(farmId)) this.notice(farmId);
      });
    this.running.set(farmId, run);
  }

  /** Looks once; for tests too. */
  async look(farmId: string): Promise<void> {
    const rule = (await this.records.settingsOf(farmId, 'selfRecording')).farm?.value;
    if (!rule?.on) return;
    const [newest, book] = [await this.figures.newestOfAll(farmId), await this.ledgers.open(farmId)];
    const last = Math.max(...newest.values());
    if (!Number.isFinite(last)) return;
    // Whoever still speaks has to have spoken of a moment before it is judged.
    const untilMs = Math.min(...[...newest.values()].filter((ms) => ms >= last - SILENT_MS));
    const sinceMs = Math.min(this.looked.get(farmId) ?? untilMs, untilMs) - BACK_MS;
    const wires = await this.wires(farmId);
    const found = seenLoads(await this.inputOf(farmId, book, rule, sinceMs, wires), untilMs);
    this.looked.set(farmId, untilMs);
    await this.leaveToHands(farmId, book, sinceMs);
    for (const load of found) await (load.sure ? this.enter(farmId, load, wires) : this.ask(farmId, load));
  }

  /** What somebody tapped as well, and sent when he was in reach again, is his. */
  private async leaveToHands(farmId: string, { ledger }: OpenBook, sinceMs: number): Promise<void> {
    const twice = tappedToo(ledger.entriesBetween(sinceMs, Number.MAX_SAFE_INTEGER));
    if (twice.length === 0) return;
    const at = new Date().toISOString();
    const voids = twice.map((id): Entry => ({ type: 'void', id: idOf(Date.parse(at), `tapped ${id}`), at, by: 'machines', device: SEEN_SIGN.trim(), voids: id, note: 'tapped by hand too' })); // prettier-ignore
    await this.ledgers.append(farmId, voids, { id: null, name: 'machines' });
  }

  /** Devices in use, and where each stands. */
  private async wires(farmId: string) {
    const devices = (await this.devices.list(farmId))
      .filter(({ revoked }) => !revoked)
      .map(({ id, name, kind }) => ({ id, name, kind: kind as DeviceKind, revoked: false }));
    const records = { logs: {}, settings: { scaleSetup: await this.records.settingsOf(farmId, 'scaleSetup') } };
    return {
      bridge: devices.find(({ kind }) => kind === 'truckScale'),
      setupOf: (device: (typeof devices)[number]) => scaleSetupOf(records, device).value,
      standsOn: (kind: DeviceKind, placeId: string) => deviceAt(devices, records, kind, placeId),
    };
  }

  private async inputOf(
    farmId: string,
    { ledger, lots, places }: OpenBook,
    rule: SelfRecording,
    sinceMs: number,
    { bridge, setupOf, standsOn }: Wires,
  ): Promise<Parameters<typeof seenLoads>[0]> {
    const rows = groupBy(await this.figures.from(farmId, sinceMs), ({ deviceId }) => deviceId);
    const tracks = groupBy(await this.figures.tracksFrom(farmId, sinceMs), ({ placeId }) => placeId);
    const weightsOf = (device: Parameters<typeof setupOf>[0]): ScaleReading[] =>
      zeroed((rows.get(device.id) ?? []).flatMap(({ atMs, kg }) => (kg === null ? [] : [{ atMs, kg }])), setupOf(device).zeroKg); // prettier-ignore
    const machines = places.flatMap(({ id, kind }): SeenMachine[] => {
      if (kind !== 'combine' && kind !== 'cart' && kind !== 'truck') return [];
      const [scale, display] = [standsOn('cartScale', id), standsOn('monitor', id)];
      return [
        {
          placeId: id,
          kind,
          track: tracks.get(id) ?? [],
          ...(scale ? { weights: weightsOf(scale), rule: setupOf(scale) } : {}),
          ...(display ? { flows: (rows.get(display.id) ?? []).flatMap(flowOf) } : {}),
        },
      ];
    });
    const season = currentSeason(lots);
    const edges = Object.values(await this.records.settingsOf(farmId, 'fieldBoundary')).map(({ value }) => value); // prettier-ignore
    const asked = (await this.records.newestOfAll(farmId, 'seenLoad', 200)).map(({ body, voided }) => ({ ...body, voided, atMs: instantOf(body.at) })); // prettier-ignore
    const recent = ledger.entriesBetween(sinceMs - BACK_MS, Number.MAX_SAFE_INTEGER);
    // What somebody took back is known too: he knows better.
    const lately = ledger.arrivals.slice(-LATELY);
    const arrived = lately.filter(({ at }) => instantOf(at) > sinceMs - BACK_MS);
    // Answered ones are in the book.
    const open = asked.filter((one) => !one.voided && !recent.some((entry) => isEntryOf(seenOf(one), entry)));
    const crop = lots.find(({ id }) => id === recent.findLast((entry) => entry.type === 'harvest')?.lot)?.crop;
    const capacity = new Map(places.map(({ id, capacityBu }) => [id, capacityBu === null ? Infinity : capacityBu * kgPerBushelOf(crop)])); // prettier-ignore
    const kinds = new Map(places.map(({ id, kind }) => [id, kind]));
    const held = new Map<number, ReturnType<typeof ledger.positions>>();
    const heldAt = (atMs: number) => held.get(atMs) ?? held.set(atMs, ledger.positions(atMs)).get(atMs)!;
    return {
      machines,
      lots: lots
        .filter((lot) => lot.season === season)
        .map(({ id, fieldId }) => ({
          lotId: id,
          rings: edges.filter(({ field }) => field === fieldId).flatMap((edge) => ringsOf(edge).flat()).map(closedRing), // prettier-ignore
        })),
      yards: rule.yards,
      ...(bridge ? { bridge: weightsOf(bridge) } : {}),
      heldKg: (placeId, atMs) =>
        (heldAt(atMs)[placeId]?.wetKg ?? 0) +
        open
          .filter((one) => one.atMs <= atMs && one.kg !== undefined)
          .reduce((kg, { from, to, kg: much }) => kg + (to === placeId ? much! : 0) - (from === placeId && kinds.get(placeId) !== 'combine' ? much! : 0), 0), // prettier-ignore
      capacityKg: (placeId) => capacity.get(placeId) ?? Infinity,
      known: (load) => asked.some((one) => sameSeenLoad(one, load)) || arrived.some((entry) => isEntryOf(load, entry)),
      emptiedMs: (combineId, beforeMs) => {
        const display = standsOn('monitor', combineId)?.id;
        const told = recent.filter(
          (entry) =>
            (entry.type === 'move' && entry.from === combineId) ||
            (entry.type === 'witness' && display !== undefined && entry.device === SEEN_SIGN + display),
        );
        return [...told.map(({ at }) => instantOf(at)), ...asked.filter(({ from }) => from === combineId).map(({ atMs }) => atMs)] // prettier-ignore
          .filter((ms) => ms < beforeMs)
          .reduce((newest, ms) => Math.max(newest, ms), 0);
      },
      lastLot: () => recent.findLast((entry) => entry.type === 'harvest')?.lot ?? null,
      emptyKg: (truckId) => {
        const ticket = lately.findLast((entry) => entry.type === 'move' && entry.from === truckId && entry.tareKg !== undefined); // prettier-ignore
        return ticket?.type === 'move' ? (ticket.tareKg ?? null) : null;
      },
    };
  }

  private async enter(farmId: string, load: SeenLoad, { bridge, standsOn }: Wires): Promise<void> {
    const by = load.kind === 'yard' ? bridge : standsOn('cartScale', load.machineId);
    const id = loadId(load);
    const signed = { id, at: new Date(load.atMs).toISOString(), by: by?.name ?? 'machines', device: `${SEEN_SIGN}${by?.id ?? ''}` }; // prettier-ignore
    const kg = load.kg === null ? {} : { wetKg: Math.round(load.kg / DIVISION_KG) * DIVISION_KG };
    const entries: Entry[] = [];
    if (load.kind === 'cut') {
      entries.push({ ...signed, type: 'harvest', lot: load.lotId!, to: load.to!, wetKg: kg.wetKg!, moisture: Math.round(1000 * load.moisture!) / 1000, method: 'cartScale' }); // prettier-ignore
      const display = load.from === null ? undefined : standsOn('monitor', load.from);
      if (display && load.displayKg !== null)
        entries.push({ id: idOf(load.atMs, `${id} display`), at: signed.at, by: display.name, device: SEEN_SIGN + display.id, type: 'witness', of: id, wetKg: Math.round(load.displayKg / DIVISION_KG) * DIVISION_KG, method: 'monitor' }); // prettier-ignore
    } else
      entries.push({ ...signed, type: 'move', from: load.from!, to: load.to!, ...kg, ...(load.emptied ? { emptied: true } : {}), method: load.kind === 'yard' ? 'bridge' : 'cartScale' }); // prettier-ignore
    await this.ledgers.append(farmId, entries, { id: null, name: signed.by });
  }

  private async ask(farmId: string, load: SeenLoad): Promise<void> {
    const { kind, machineId, from, to, lotId, kg, moisture, emptied, why, atMs } = load;
    const body = {
      id: loadId(load),
      at: new Date(atMs).toISOString(),
      machineId,
      kind,
      ...(from === null ? {} : { from }),
      ...(to === null ? {} : { to }),
      ...(lotId === null ? {} : { lotId }),
      ...(kg === null ? {} : { kg: Math.round(kg) }),
      ...(moisture === null ? {} : { moisture: Math.round(1000 * moisture) / 1000 }),
      emptied,
      why,
    };
    await this.records.add(farmId, 'seenLoad', body, { id: null, name: 'machines' });
  }
}

/** As a scale shows it: tens of pounds. */
const DIVISION_KG = 4.5359237;
/** How many of the last entries tell what a truck weighs empty. */
const LATELY = 5000;

type Wires = Awaited<ReturnType<SeenService['wires']>>;
