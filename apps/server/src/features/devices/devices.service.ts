import type {
  AppendAnswer,
  AppendBody,
  DeviceBody,
  DeviceHello,
  DeviceInfo,
  DeviceKind,
  DeviceNames,
  FlowsBody,
  NewDevice,
  ReadingBody,
  WeatherBody,
  WeightsBody,
} from '@fanega/contract';
import { Inject, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { ulid } from 'ulid';
import type { DeviceCaller } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { Refused } from '../../platform/refused.js';
import { DeviceRow, FarmRow } from '../../platform/rows.js';
import { hashToken, newToken } from '../../platform/tokens.js';
import { AnswersService, asEntry, BookService } from '../book/index.js';
import { LiveService } from '../haul/index.js';
import { NotebookService } from '../notebook/index.js';

const MOST_DEVICES = 200;

/** What a kind of device writes into the book, and the method that stands with it: a scale speaks as a scale. */
const ENTRIES: Partial<Record<DeviceKind, { readonly method: string; readonly types: readonly string[] }>> = {
  monitor: { method: 'monitor', types: ['harvest', 'witness'] },
  cartScale: { method: 'cartScale', types: ['harvest', 'move', 'witness'] },
  weighbridge: { method: 'bridge', types: ['measure', 'move', 'witness'] },
  elevator: { method: 'ticket', types: ['move', 'witness'] },
  // What goes through a dryer is counted by its space.
  dryer: { method: 'volume', types: ['move', 'condition'] },
};

/** Devices of a farm, and what each kind of them may write. */
@Injectable()
export class DevicesService {
  constructor(
    @Inject(DataSource) private readonly db: DataSource,
    @Inject(Clock) private readonly clock: Clock,
    @Inject(NotebookService) private readonly notebook: NotebookService,
    @Inject(AnswersService) private readonly answers: AnswersService,
    @Inject(BookService) private readonly books: BookService,
    @Inject(LiveService) private readonly live: LiveService,
  ) {}

  async add(farmId: string, body: DeviceBody): Promise<NewDevice> {
    const devices = this.db.getRepository(DeviceRow);
    if ((await devices.countBy({ farmId, revoked: false })) >= MOST_DEVICES) throw new Refused('body_wrong', `A farm has at most ${MOST_DEVICES} devices; revoke one first.`);
    // Never with a dash in front, which a command line would take for an option.
    const token = `fd_${newToken()}`;
    const id = ulid();
    await devices.insert({ farmId, id, name: body.name.trim(), kind: body.kind, tokenHash: hashToken(token), addedMs: this.clock.now(), seenMs: null, revoked: false });
    return { deviceId: id, token };
  }

  async list(farmId: string): Promise<DeviceInfo[]> {
    const rows = await this.db.getRepository(DeviceRow).find({ where: { farmId }, order: { addedMs: 'ASC', id: 'ASC' } });
    return rows.map((row) => ({
      id: row.id,
      name: row.name,
      kind: row.kind as DeviceKind,
      addedAt: new Date(row.addedMs).toISOString(),
      lastSeen: row.seenMs === null ? null : new Date(row.seenMs).toISOString(),
      revoked: Boolean(row.revoked),
    }));
  }

  async revoke(farmId: string, id: string): Promise<{ deviceId: string }> {
    const { affected } = await this.db.getRepository(DeviceRow).update({ farmId, id }, { revoked: true });
    if (affected === 0) throw new Refused('not_found', 'There is no such device.');
    return { deviceId: id };
  }

  async hello(device: DeviceCaller): Promise<DeviceHello> {
    const farm = await this.db.getRepository(FarmRow).findOneByOrFail({ id: device.farmId });
    return {
      farm: farm.name,
      timeZone: farm.timeZone,
      name: device.name,
      kind: device.kind as DeviceKind,
      now: new Date(await this.answers.farmTime(device.farmId)).toISOString(),
    };
  }

  weather(device: DeviceCaller, body: WeatherBody): Promise<{ hours: number }> {
    only(device, 'weather');
    return this.notebook.addWeather(device.farmId, body);
  }

  reading(device: DeviceCaller, body: ReadingBody): Promise<{ readingId: string }> {
    only(device, 'tester', 'monitor', 'elevator');
    return this.notebook.addReading(device.farmId, { tester: device.name, ...body }, { id: device.id, name: device.name, email: '' });
  }

  weights(device: DeviceCaller, body: WeightsBody): { samples: number } {
    only(device, 'cartScale', 'weighbridge');
    return this.live.weights(device.farmId, device.id, body);
  }

  flows(device: DeviceCaller, body: FlowsBody): { samples: number } {
    only(device, 'monitor');
    return this.live.flows(device.farmId, device.id, body);
  }

  /** What the farm's places and fields are called, and what the book has in each. */
  async names(device: DeviceCaller): Promise<DeviceNames> {
    const { setup, ledger } = await this.books.open(device.farmId);
    const season = Math.max(...setup.lots.map((lot) => lot.season));
    return {
      places: setup.places.map(({ id, name, kind, capacityBu }) => {
        const { wetKg, moisture } = kind === 'buyer' ? { wetKg: 0, moisture: null } : ledger.position(id);
        return { id, name, kind, capacityBu, heldKg: wetKg, moisture };
      }),
      lots: setup.lots.filter((lot) => lot.season === season).map(({ id, fieldId, fieldName, tag, crop, acres }) => ({ id, fieldId, fieldName, tag, crop, acres })),
    };
  }

  /** Entries of a device: its kind's own types, by its kind's own method, under its own name. */
  async entries(device: DeviceCaller, body: AppendBody): Promise<AppendAnswer> {
    only(device, ...(Object.keys(ENTRIES) as DeviceKind[]));
    const { method, types } = ENTRIES[device.kind as DeviceKind]!;
    body.entries.forEach((entry, index) => {
      const wrong = (field: string, message: string): Refused =>
        new Refused('body_wrong', `entry ${index + 1}: ${message}`, [{ index, entry: entry.id, field, code: field, message }]);
      if (!types.includes(entry.type)) throw wrong('type', `a device of the kind ${device.kind} records ${types.join(', ')} and nothing else`);
      if (entry.method !== method) throw wrong('method', `a device of the kind ${device.kind} weighs by the method ${method}`);
    });
    const entries = body.entries.map((entry) => ({ ...asEntry(entry), device: entry.device ?? device.id, by: entry.by ?? device.name }));
    return this.books.append(device.farmId, entries, { id: null, name: device.name });
  }
}

function only(device: DeviceCaller, ...kinds: readonly DeviceKind[]): void {
  if (!(kinds as readonly string[]).includes(device.kind))
    throw new Refused('role_too_low', `A device of the kind ${device.kind} does not write this; it takes ${kinds.join(' or ')}.`);
}
