import type { LinkBody, LinkInfo } from '@fanega/contract';
import type { DataSource, EntityTarget, FindOptionsOrder, FindOptionsWhere } from 'typeorm';
import type { QueryDeepPartialEntity } from 'typeorm/query-builder/QueryPartialEntity.js';
import { ulid } from 'ulid';
import type { Caller } from './access.js';
import { isoOf } from './clock.js';
import type { LinkRow } from './entities/link.entity.js';
import type { Tx } from './farm-write.js';
import { Refused } from './refused.js';
import { hashToken, mayBeToken, newToken } from './tokens.js';

const DAY = 86_400_000;

/** Links of one kind, in the table of their own. */
export abstract class Links<Row extends LinkRow> {
  constructor(
    protected readonly db: DataSource,
    private readonly row: EntityTarget<Row>,
    /** So many of them may be open on a farm. */
    private readonly most: number,
  ) {}

  /** Newest first. */
  list(farmId: string): Promise<Row[]> {
    return this.db.getRepository(this.row).find({
      where: { farmId } as FindOptionsWhere<Row>,
      order: { madeMs: 'DESC', id: 'DESC' } as FindOptionsOrder<Row>,
    });
  }

  /** @throws Refused where too many are open */
  async add(tx: Tx, link: Row): Promise<void> {
    const { farmId } = link;
    if ((await tx.countBy(this.row, { farmId, revoked: false } as FindOptionsWhere<Row>)) >= this.most)
      throw new Refused('body_wrong', `A farm has at most ${this.most} open links; cut one off first.`);
    await tx.insert(this.row, link as QueryDeepPartialEntity<Row>);
  }

  /** @throws Refused where there is no such link */
  async revoke(tx: Tx, farmId: string, id: string): Promise<void> {
    const { affected } = await tx.update(this.row, { farmId, id } as FindOptionsWhere<Row>, { revoked: true } as object as QueryDeepPartialEntity<Row>); // prettier-ignore
    if (affected === 0) throw new Refused('not_found', 'There is no such link.');
  }

  /** The link of a secret. @throws Refused where it has ended, was cut off, or never was */
  async open(secret: string, nowMs: number): Promise<Row> {
    const where = { tokenHash: hashToken(secret) } as FindOptionsWhere<Row>;
    const link = mayBeToken(secret) ? await this.db.getRepository(this.row).findOneBy(where) : null;
    if (!isOpen(link, nowMs)) throw new Refused('not_found', 'This link has ended, or there never was one like it.');
    return link;
  }

  async wasOpened({ farmId, id }: LinkRow, openedMs: number): Promise<void> {
    await this.db
      .getRepository(this.row)
      .update({ farmId, id } as FindOptionsWhere<Row>, { opened: () => 'opened + 1', openedMs } as QueryDeepPartialEntity<Row>); // prettier-ignore
  }
}

export const isOpen = <Row extends LinkRow>(link: Row | null, nowMs: number): link is Row =>
  link !== null && !link.revoked && (link.endsMs === null || link.endsMs >= nowMs);

/** A new link with its secret, which is kept nowhere. */
export function newLink(
  farmId: string,
  { givenTo, days }: LinkBody,
  caller: Caller,
  madeMs: number,
): { readonly secret: string; readonly row: LinkRow } {
  const secret = newToken();
  return {
    secret,
    row: {
      ...{ farmId, id: ulid(), givenTo: givenTo.trim(), tokenHash: hashToken(secret), byName: caller.name, madeMs },
      endsMs: days === undefined ? null : madeMs + days * DAY,
      ...{ opened: 0, openedMs: null, revoked: false },
    },
  };
}

export const linkInfo = ({ id, givenTo, byName, madeMs, endsMs, opened, openedMs, revoked }: LinkRow): LinkInfo => ({
  ...{ id, givenTo, by: byName, opened, revoked: Boolean(revoked) },
  ...{ madeAt: isoOf(madeMs)!, endsAt: isoOf(endsMs), openedAt: isoOf(openedMs) },
});
