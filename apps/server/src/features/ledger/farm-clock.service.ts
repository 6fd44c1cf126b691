import { Inject, Injectable } from '@nestjs/common';
import { Clock } from '../../platform/clock.js';
import { LedgerRepository } from './ledger.repository.js';
import { LedgerService } from './ledger.service.js';

/** A demo farm's clock runs on from its last entry, but no further than this. */
const DEMO_DRIFT_MS = 10 * 60_000;

/** The farm's clock, ms since 1970: a demo farm lives at the end of its book. */
@Injectable()
export class FarmClock {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(LedgerRepository) private readonly repository: LedgerRepository,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  async now(farmId: string): Promise<number> {
    const { ledger, header } = await this.ledgers.open(farmId);
    const real = this.clock.now();
    if (!header.farm.demo) return real;
    const last = ledger.lastInstant ?? real;
    return last + Math.min(DEMO_DRIFT_MS, Math.max(0, real - (await this.repository.lastReceived(farmId))));
  }
}
