import type { MotorInfo, MotorsBody } from '@fanega/contract';
import { instantOf } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { FarmWrites } from '../../platform/farm-write.js';
import { FarmClock } from '../ledger/index.js';
import { RecordsService } from '../records/index.js';
import { requireKnown } from './device-figures.js';
import { MotorsRepository } from './motors.repository.js';
import type { MotorRow } from './store.entity.js';

/** A load that moves by less is the same load: nobody is told of it. */
const SAME_LOAD = 0.05;

/** Motors of legs, augers and conveyors: whoever looks is told within a second when one starts or stops. */
@Injectable()
export class MotorsService {
  constructor(
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(MotorsRepository) private readonly motors: MotorsRepository,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(FarmClock) private readonly clock: FarmClock,
  ) {}

  async list(farmId: string): Promise<MotorInfo[]> {
    return (await this.motors.all(farmId)).map(({ machineId, running, load, atMs }) => ({
      machineId,
      running,
      load,
      atMs,
    }));
  }

  async add(farmId: string, body: MotorsBody): Promise<{ samples: number }> {
    const site = (await this.records.settingsOf(farmId, 'siteEquipment')).farm?.value;
    const known = new Set(site?.machines.map(({ id }) => id));
    requireKnown(body.motors, known, await this.clock.now(farmId), 'motor', 'machineId', (id) => `The site has no machine "${id}": its list is in Store, Routes.`); // prettier-ignore
    const before = new Map((await this.motors.all(farmId)).map((row) => [row.machineId, row]));
    const changes = new Map<string, MotorRow>();
    for (const { machineId, at, running, load } of body.motors) {
      const last = changes.get(machineId) ?? before.get(machineId);
      const next: MotorRow = { farmId, machineId, atMs: instantOf(at), running, load: load ?? null };
      // What comes late does not turn a motor back.
      if (last !== undefined && next.atMs < last.atMs) continue;
      const same = last?.running === running && Math.abs((last.load ?? 0) - (next.load ?? 0)) < SAME_LOAD;
      if (!same) changes.set(machineId, next);
    }
    if (changes.size === 0) return { samples: 0 };
    return this.writes.run(farmId, async ({ tx, changed }) => {
      await this.motors.put(tx, [...changes.values()]);
      changed('devices');
      return { samples: changes.size };
    });
  }
}
