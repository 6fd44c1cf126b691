import type { Me, NewLink, PairBody, PairedInfo, PairShown } from '@fanega/contract';
import { JOB_MACHINES } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import type { Request } from 'express';
import { ulid } from 'ulid';
import type { Caller } from '../../platform/access.js';
import { Clock, isoOf } from '../../platform/clock.js';
import { FarmWrites } from '../../platform/farm-write.js';
import type { PairedJobRow } from '../../platform/entities/identity.entity.js';
import { Jobs } from '../../platform/jobs.js';
import { Refused } from '../../platform/refused.js';
import { hashToken, mayBeToken, newToken } from '../../platform/tokens.js';
import { noLink } from './members.service.js';
import { PairedRepository } from './paired.repository.js';

const DAY = 86_400_000;
/** The link itself waits no longer for its phone, however long the job lasts. */
const LINK_DAYS = 7;
const MOST_JOBS = 200;
export const NO_JOB: Pick<Me, 'job' | 'jobOver'> = { job: null, jobOver: null };
const wrong = (field: string, message: string): Refused => new Refused('body_wrong', message, [{ field, code: 'body_wrong', message }]); // prettier-ignore

/** Phones and tablets that record one job without an account. */
@Injectable()
export class PairedService {
  constructor(
    @Inject(PairedRepository) private readonly pairs: PairedRepository,
    @Inject(Jobs) private readonly jobs: Jobs,
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  /** What the phone that asks is paired for, or was. */
  async mine(request: Request): Promise<Pick<Me, 'job' | 'jobOver'>> {
    const row = await this.jobs.rowOf(request);
    if (!row) return NO_JOB;
    const { farmId, kind, placeId, label, driver, endsMs, revoked } = row;
    if (this.jobs.isOver(row)) return { job: null, jobOver: { label, cutOff: Boolean(revoked) } };
    return { job: { farmId, kind, placeId, label, driver: driver ?? '', endsAt: isoOf(endsMs)! }, jobOver: null };
  }

  async all(farmId: string): Promise<PairedInfo[]> {
    return (await this.pairs.all(farmId)).map((row) => ({
      ...{ id: row.id, kind: row.kind, placeId: row.placeId, label: row.label, by: row.byName },
      ...{ driver: row.driver, device: row.device, cutOff: Boolean(row.revoked) },
      madeAt: isoOf(row.madeMs)!,
      endsAt: isoOf(row.endsMs)!,
      pairedAt: isoOf(row.pairedMs),
      seenAt: isoOf(row.seenMs),
    }));
  }

  /** A link that pairs one phone, once. */
  add(farmId: string, body: PairBody, caller: Caller): Promise<NewLink> {
    const secret = newToken();
    const id = ulid();
    const madeMs = this.clock.now();
    const label = body.label.trim();
    const placeId = body.kind === 'machine' ? (body.placeId ?? '') : null;
    return this.writes.run(farmId, async ({ tx, changed }) => {
      if (placeId !== null) {
        const kind = await this.pairs.placeKind(tx, farmId, placeId);
        if (!(JOB_MACHINES as readonly (string | null)[]).includes(kind))
          throw wrong('placeId', 'which combine, cart, truck or dryer?');
      }
      const living = (await this.pairs.all(farmId, tx)).filter((row) => !this.jobs.isOver(row));
      if (living.some((row) => row.label.toLowerCase() === label.toLowerCase()))
        throw new Refused('name_used', 'A phone of this name is paired already: cut it off first, or give this one another name.', [{ field: 'label', code: 'name_used', message: 'a phone of this name is paired already' }]); // prettier-ignore
      if (living.length >= MOST_JOBS) throw new Refused('body_wrong', `A farm pairs at most ${MOST_JOBS} phones; cut one off first.`); // prettier-ignore
      await this.pairs.add(tx, { farmId, id, kind: body.kind, placeId, label, tokenHash: hashToken(secret), sessionHash: null, byName: caller.name, madeMs, endsMs: madeMs + body.days * DAY, pairedMs: null, driver: null, device: '', seenMs: null, revoked: false }); // prettier-ignore
      changed('header');
      return { id, secret };
    });
  }

  /** Its next call is refused; what it has not sent yet stays on the phone. */
  cutOff(farmId: string, id: string): Promise<{ id: string }> {
    return this.writes.run(farmId, async ({ tx, changed }) => {
      if (!(await this.pairs.revoke(tx, farmId, id))) throw new Refused('not_found', 'There is no such phone.');
      changed('header');
      return { id };
    });
  }

  private async open(secret: string): Promise<PairedJobRow> {
    const row = mayBeToken(secret) ? await this.pairs.bySecret(hashToken(secret)) : null;
    if (!row || row.pairedMs !== null || this.jobs.isOver(row) || row.madeMs + LINK_DAYS * DAY < this.clock.now()) throw noLink(); // prettier-ignore
    return row;
  }

  async shown(secret: string): Promise<PairShown> {
    const row = await this.open(secret);
    const { farm, place } = await this.pairs.names(row.farmId, row.placeId);
    return { farm, label: row.label, kind: row.kind, place, by: row.byName, endsAt: isoOf(row.endsMs)! };
  }

  /** Pairs the phone that opened the link. @returns the token for its cookie, and how long it lasts, ms */
  async take(secret: string, name: string, device: string): Promise<{ token: string; lastsMs: number }> {
    const row = await this.open(secret);
    const token = newToken();
    const now = this.clock.now();
    await this.writes.run(row.farmId, async ({ tx, changed }) => {
      // Whoever comes second finds it taken.
      if (!(await this.pairs.take(tx, row, { sessionHash: hashToken(token), pairedMs: now, driver: name.trim(), device: device.slice(0, 120), seenMs: now }))) throw noLink(); // prettier-ignore
      changed('header');
    });
    return { token, lastsMs: row.endsMs - now };
  }
}
