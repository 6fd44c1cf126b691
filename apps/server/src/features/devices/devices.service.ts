import type {
  AppendAnswer,
  AppendBody,
  BidsBody,
  CableReadingsBody,
  DeviceBody,
  DeviceHello,
  DeviceInfo,
  DeviceKind,
  DeviceNames,
  DryerSaysListBody,
  FlowsBody,
  LevelsBody,
  MotorsBody,
  NewDevice,
  WeatherBody,
  PhonePositionsBody,
  PositionsBody,
  WeightsBody,
} from '@fanega/contract';
import {
  BID,
  checkRecord,
  currentSeason,
  deviceMayWrite,
  instantOf,
  type Reading,
  WRITING_DEVICES,
} from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { ulid } from 'ulid';
import { type DeviceCaller, DeviceTokens, type Writer } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { notItsJob } from '../../platform/jobs.js';
import { recordRefuses } from '../../platform/record.pipe.js';
import { Refused } from '../../platform/refused.js';
import { FarmWrites } from '../../platform/farm-write.js';
import { hashToken, newToken } from '../../platform/tokens.js';
import { FieldsService } from '../fields/index.js';
import { LiveService } from '../haul/index.js';
import { asEntry, FarmClock, LedgerService } from '../ledger/index.js';
import { RecordsService } from '../records/index.js';
import { CablesService, LevelsService, MotorsService } from '../store/index.js';
import { DevicesRepository } from './devices.repository.js';
import { SeenService } from './seen.service.js';

const MOST_DEVICES = 200;

/** Devices of a farm, and what each kind of them may write. */
@Injectable()
export class DevicesService {
  constructor(
    @Inject(DevicesRepository) private readonly devices: DevicesRepository,
    @Inject(Clock) private readonly clock: Clock,
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(FieldsService) private readonly fields: FieldsService,
    @Inject(FarmClock) private readonly farmClock: FarmClock,
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(LiveService) private readonly live: LiveService,
    @Inject(CablesService) private readonly cableReadings: CablesService,
    @Inject(MotorsService) private readonly motorStates: MotorsService,
    @Inject(LevelsService) private readonly levelReadings: LevelsService,
    @Inject(DeviceTokens) private readonly tokens: DeviceTokens,
    @Inject(SeenService) private readonly seen: SeenService,
  ) {}

  async add(farmId: string, body: DeviceBody): Promise<NewDevice> {
    // Never with a dash in front, which a command line would take for an option.
    const token = `fd_${newToken()}`;
    const id = ulid();
    return this.writes.run(farmId, async ({ tx, changed }) => {
      if ((await this.devices.inUse(tx, farmId)) >= MOST_DEVICES)
        throw new Refused('body_wrong', `A farm has at most ${MOST_DEVICES} devices; revoke one first.`);
      await this.devices.add(tx, {
        farmId,
        id,
        name: body.name.trim(),
        kind: body.kind,
        tokenHash: hashToken(token),
        addedMs: this.clock.now(),
        seenMs: null,
        revoked: false,
      });
      changed('devices');
      return { deviceId: id, token };
    });
  }

  async list(farmId: string): Promise<DeviceInfo[]> {
    return (await this.devices.list(farmId)).map((row) => ({
      id: row.id,
      name: row.name,
      kind: row.kind as DeviceKind,
      addedAt: new Date(row.addedMs).toISOString(),
      lastSeen: row.seenMs === null ? null : new Date(row.seenMs).toISOString(),
      revoked: Boolean(row.revoked),
    }));
  }

  async revoke(farmId: string, id: string): Promise<{ deviceId: string }> {
    const done = await this.writes.run(farmId, async ({ tx, changed }) => {
      if (!(await this.devices.revoke(tx, farmId, id))) throw new Refused('not_found', 'There is no such device.');
      changed('devices');
      return { deviceId: id };
    });
    this.tokens.forget();
    return done;
  }

  async hello(device: DeviceCaller): Promise<DeviceHello> {
    const { farm } = (await this.ledgers.open(device.farmId)).header;
    return {
      farm: farm.name,
      timeZone: farm.timeZone,
      name: device.name,
      kind: device.kind as DeviceKind,
      now: new Date(await this.farmClock.now(device.farmId)).toISOString(),
    };
  }

  weather(device: DeviceCaller, body: WeatherBody): Promise<{ hours: number }> {
    only(device, 'weather');
    return this.fields.addWeather(device.farmId, body);
  }

  async reading(
    device: DeviceCaller,
    body: Omit<Reading, 'id'> & { readonly id?: string },
  ): Promise<{ readingId: string }> {
    only(device, 'tester', 'monitor', 'elevator');
    const { id } = await this.records.add(
      device.farmId,
      'reading',
      { tester: device.name, id: ulid(), ...body },
      { id: null, name: device.name },
    );
    return { readingId: id };
  }

  weights(device: DeviceCaller, body: WeightsBody): Promise<{ samples: number }> {
    only(device, 'cartScale', 'truckScale');
    return this.noticed(device, this.live.weights(device.farmId, device.id, body));
  }

  async flows(device: DeviceCaller, body: FlowsBody): Promise<{ samples: number }> {
    only(device, 'monitor');
    const counted = body.samples.findLast(({ areaM2 }) => areaM2 !== undefined);
    if (body.lotId !== undefined && counted !== undefined)
      await this.fields.displayCounted(device.farmId, device.id, body.lotId, counted.areaM2!, Math.floor(instantOf(counted.at))); // prettier-ignore
    return this.noticed(device, this.live.flows(device.farmId, device.id, body));
  }

  /** Where the machine is that a device rides on. */
  async positions(device: DeviceCaller, body: PositionsBody): Promise<{ samples: number }> {
    only(device, 'tracker', 'cartScale', 'monitor');
    const { placeId } = (await this.records.settingsOf(device.farmId, 'scaleSetup'))[device.id]?.value ?? {};
    if (placeId === undefined)
      throw new Refused('not_found', 'Nobody said yet which machine this device rides on: set it in Haul, Scales.');
    return this.noticed(device, this.live.positions(device.farmId, placeId, body));
  }

  /** Where the phone in a cab is: it tells of the machine that it rides in, and a paired one of its own alone. */
  async phonePositions(
    farmId: string,
    { placeId, samples }: PhonePositionsBody,
    { job }: Writer,
  ): Promise<{ samples: number }> {
    if (job && (job.kind !== 'machine' || job.placeId !== placeId)) throw notItsJob(job);
    const { places } = await this.ledgers.open(farmId);
    if (!places.some(({ id, kind }) => id === placeId && ['combine', 'cart', 'truck'].includes(kind)))
      throw new Refused('not_found', 'There is no such machine in the field or on the road.');
    return this.noticed({ farmId }, this.live.positions(farmId, placeId, { samples }));
  }

  private async noticed<T>({ farmId }: Pick<DeviceCaller, 'farmId'>, taken: Promise<T>): Promise<T> {
    const answer = await taken;
    this.seen.notice(farmId);
    return answer;
  }

  cables(device: DeviceCaller, body: CableReadingsBody): Promise<{ samples: number }> {
    only(device, 'binCables');
    return this.cableReadings.add(device.farmId, body);
  }

  /** What a dryer's control says: samples stand under its own name, and a run writes itself. Somebody who knows better takes one back. */
  async dryer(device: DeviceCaller, body: DryerSaysListBody): Promise<{ samples: number }> {
    only(device, 'dryer');
    const by = { id: null, name: device.name };
    const ordered = [...body.samples].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
    let [run] = (await this.records.newest(device.farmId, 'dryerRun', 50)).filter(
      ({ body: { placeId, until } }) => placeId === ordered[0]!.placeId && until === undefined,
    );
    // In one write, as a night is fifty samples: whoever looks is told once.
    return this.writes.run(device.farmId, async (write) => {
      for (const { running, ...sample } of ordered) {
        const { id, placeId, at, ...figures } = sample;
        if (Object.values(figures).some((figure) => figure !== undefined))
          await this.records.addIn(write, 'dryerSample', { id, placeId, at, ...figures }, by);
        if (running && run === undefined) {
          // By the sample’s own id: told again it is the same run.
          const begun = { id, placeId, at };
          await this.records.addIn(write, 'dryerRun', begun, by);
          run = { body: begun, by: device.name, voided: false };
        } else if (!running && run !== undefined && Date.parse(at) > Date.parse(run.body.at)) {
          // A record is never changed: the open one is taken back, the whole one takes its place.
          await this.records.addIn(write, 'dryerRun', { ...run.body, id, until: at }, by);
          await this.records.voidIn(write, 'dryerRun', run.body.id);
          run = undefined;
        }
      }
      return { samples: ordered.length };
    });
  }

  /** What buyers bid, as a board or a feed says it; checked as a typed one is, all or none. */
  async bids(device: DeviceCaller, { bids }: BidsBody): Promise<{ samples: number }> {
    only(device, 'bids');
    bids.forEach((bid, i) => {
      const refusals = checkRecord(BID, bid);
      if (refusals.length > 0)
        throw recordRefuses(refusals.map((one) => ({ ...one, field: `bids[${i}].${one.field}` })));
    });
    const by = { id: null, name: device.name };
    return this.writes.run(device.farmId, async (write) => {
      for (const bid of bids) await this.records.addIn(write, 'bid', bid, by);
      return { samples: bids.length };
    });
  }

  levels(device: DeviceCaller, body: LevelsBody): Promise<{ samples: number }> {
    only(device, 'level');
    return this.levelReadings.add(device.farmId, body);
  }

  motors(device: DeviceCaller, body: MotorsBody): Promise<{ samples: number }> {
    only(device, 'motors');
    return this.motorStates.add(device.farmId, body);
  }

  /** What the farm's places and fields are called, and what the book has in each. */
  async names(device: DeviceCaller): Promise<DeviceNames> {
    const { lots, places, ledger } = await this.ledgers.open(device.farmId);
    const season = currentSeason(lots);
    const edges = Object.values(await this.records.settingsOf(device.farmId, 'fieldBoundary')).map(
      ({ value }) => value,
    );
    return {
      places: places.map(({ id, name, kind, capacityBu }) => {
        const { wetKg, moisture } = kind === 'buyer' ? { wetKg: 0, moisture: null } : ledger.position(id);
        return { id, name, kind, capacityBu, heldKg: wetKg, moisture };
      }),
      lots: lots
        .filter((lot) => lot.season === season)
        .map(({ id, fieldId, fieldName, tag, crop, acres }) => {
          const [edge] = edges.filter(({ field }) => field === fieldId);
          const corners = edge?.points.filter(({ part, ring }) => part === 0 && ring === 0);
          return { id, fieldId, fieldName, tag, crop, acres, ...(corners ? { edge: corners.map(({ lon, lat }) => ({ lon, lat })) } : {}) }; // prettier-ignore
        }),
    };
  }

  /** Entries of a device: its kind's own types, by its kind's own method, under its own name. */
  async entries(device: DeviceCaller, body: AppendBody): Promise<AppendAnswer> {
    body.entries.forEach((entry, index) => {
      const wrong = deviceMayWrite(device.kind, entry);
      if (wrong === null) return;
      if (wrong.code === 'writes_nothing') return only(device, ...(WRITING_DEVICES as readonly DeviceKind[]));
      const message =
        wrong.code === 'type'
          ? `a device of the kind ${device.kind} records ${wrong.allowed.join(', ')} and nothing else`
          : `a device of the kind ${device.kind} weighs by the method ${wrong.allowed[0]}`;
      throw new Refused('body_wrong', `entry ${index + 1}: ${message}`, [
        { index, entry: entry.id, field: wrong.code, code: wrong.code, message },
      ]);
    });
    const entries = body.entries.map((entry) => ({
      ...asEntry(entry),
      device: entry.device ?? device.id,
    }));
    return this.ledgers.append(device.farmId, entries, { id: null, name: device.name });
  }
}

function only(device: DeviceCaller, ...kinds: readonly DeviceKind[]): void {
  if (!(kinds as readonly string[]).includes(device.kind))
    throw new Refused(
      'role_too_low',
      `A device of the kind ${device.kind} does not write this; it takes ${kinds.join(' or ')}.`,
    );
}
