import type { ErrorIssue } from '@fanega/contract';
import { type Job, jobSignature, signedBy } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import type { Request } from 'express';
import { DataSource } from 'typeorm';
import { Clock } from './clock.js';
import { tokenOf } from './cookie.js';
import { PairedJobRow } from './entities/identity.entity.js';
import { Refused } from './refused.js';
import { hashToken } from './tokens.js';

/** A paired phone that calls: one job on one farm, and who holds it. */
export interface JobCaller extends Job {
  readonly id: string;
  readonly farmId: string;
  readonly driver: string;
  readonly endsMs: number;
}
const SEEN_EVERY_MS = 10 * 60_000;

/** Paired phones, by the cookie that they bring. */
@Injectable()
export class Jobs {
  constructor(
    @Inject(DataSource) private readonly db: DataSource,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  /** The phone's row, also where its job is over; undefined for one that was never paired. */
  async rowOf(request: Request): Promise<PairedJobRow | undefined> {
    const token = tokenOf(request);
    if (token === undefined) return undefined;
    return (await this.db.getRepository(PairedJobRow).findOneBy({ sessionHash: hashToken(token) })) ?? undefined;
  }

  isOver({ revoked, endsMs }: PairedJobRow): boolean {
    return Boolean(revoked) || endsMs < this.clock.now();
  }

  /** The job of the phone that calls, while it lasts. */
  async of(request: Request): Promise<JobCaller | undefined> {
    const row = await this.rowOf(request);
    if (!row || this.isOver(row)) return undefined;
    const now = this.clock.now();
    const { farmId, id, kind, placeId, label, driver, endsMs } = row;
    if (now - (row.seenMs ?? 0) > SEEN_EVERY_MS) await this.db.getRepository(PairedJobRow).update({ farmId, id }, { seenMs: now }); // prettier-ignore
    return { farmId, id, kind, placeId, label, driver: driver ?? '', endsMs };
  }
}

/** What a paired phone hears where it asks for more than its job. */
export const notItsJob = ({ label }: Pick<JobCaller, 'label'>, issues: readonly ErrorIssue[] = []): Refused =>
  new Refused('role_too_low', `This is ${label}: it records its own job and nothing else.`, issues);

/** Whose name stands with what a paired phone writes: the driver's, or the one that he typed, and the phone's behind it. */
export const onJob = ({ driver, label }: Pick<JobCaller, 'driver' | 'label'>, typed?: string): string =>
  signedBy(typed?.trim() || driver, jobSignature(label));
