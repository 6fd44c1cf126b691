import { Controller, Get, Inject } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';
import { Allow } from './access.js';
import { Clock } from './clock.js';

@ApiTags('health')
@Controller('health')
export class HealthController {
  constructor(
    @Inject(DataSource) private readonly db: DataSource,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  /** 200 when the database answers too; 500 otherwise. `now` lets a device notice that its clock is wrong. */
  @Get()
  @Allow('public')
  async health(): Promise<{ ok: true; now: number }> {
    await this.db.query('SELECT 1');
    return { ok: true, now: this.clock.now() };
  }
}
