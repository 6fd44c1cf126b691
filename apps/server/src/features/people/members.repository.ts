import { Inject, Injectable } from '@nestjs/common';
import { DataSource, type EntityManager, In, MoreThan } from 'typeorm';
import { FarmRow } from '../../platform/entities/farm.entity.js';
import {
  ApiTokenRow,
  AuditRow,
  InviteRow,
  MembershipRow,
  SessionRow,
  UserRow,
} from '../../platform/entities/identity.entity.js';
import type { Tx } from '../../platform/farm-write.js';

/** Members of a farm, doors into it, tokens of their programs and what was changed by whom. */
@Injectable()
export class MembersRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  async members(
    farmId: string,
    nowMs: number,
  ): Promise<{ member: MembershipRow; user: UserRow; sessions: SessionRow[] }[]> {
    const members = await this.db.getRepository(MembershipRow).findBy({ farmId });
    const ids = members.map(({ userId }) => userId);
    const [users, sessions] = await Promise.all([
      this.db.getRepository(UserRow).findBy({ id: In(ids) }),
      this.db.getRepository(SessionRow).findBy({ userId: In(ids), expiresAt: MoreThan(nowMs) }),
    ]);
    const userOf = new Map(users.map((user) => [user.id, user]));
    return members.flatMap((member) => {
      const user = userOf.get(member.userId);
      return user ? [{ member, user, sessions: sessions.filter(({ userId }) => userId === user.id) }] : [];
    });
  }

  /** The members of a farm while nobody else changes them. */
  locked(tx: Tx, farmId: string): Promise<MembershipRow[]> {
    return tx.getRepository(MembershipRow).find({ where: { farmId }, lock: { mode: 'pessimistic_write' } });
  }

  async setRole(tx: Tx, farmId: string, userId: string, role: MembershipRow['role']): Promise<void> {
    await tx.update(MembershipRow, { farmId, userId }, { role });
  }

  async remove(tx: Tx, farmId: string, userId: string): Promise<void> {
    await tx.delete(MembershipRow, { farmId, userId });
    await tx.update(ApiTokenRow, { farmId, userId }, { revoked: true });
  }

  async endSessions(tx: EntityManager | Tx, userId: string): Promise<void> {
    await (tx as EntityManager).delete(SessionRow, { userId });
  }

  membershipsOf(tx: Tx, userId: string): Promise<MembershipRow[]> {
    return tx.findBy(MembershipRow, { userId });
  }

  invites(farmId: string): Promise<InviteRow[]> {
    return this.db
      .getRepository(InviteRow)
      .find({ where: { farmId }, order: { madeMs: 'DESC', id: 'DESC' }, take: 200 });
  }

  async addInvite(tx: Tx, invite: InviteRow): Promise<void> {
    await tx.insert(InviteRow, invite);
  }

  async revokeInvite(tx: Tx, farmId: string, id: string): Promise<boolean> {
    return (await tx.update(InviteRow, { farmId, id }, { revoked: true })).affected !== 0;
  }

  inviteBySecret(tokenHash: string): Promise<InviteRow | null> {
    return this.db.getRepository(InviteRow).findOneBy({ tokenHash });
  }

  farm(id: string): Promise<FarmRow | null> {
    return this.db.getRepository(FarmRow).findOneBy({ id });
  }

  user(id: string): Promise<UserRow | null> {
    return this.db.getRepository(UserRow).findOneBy({ id });
  }

  /** The same door again, while nobody else goes through it. */
  lockedInvite(tx: Tx, farmId: string, id: string): Promise<InviteRow | null> {
    return tx.getRepository(InviteRow).findOne({ where: { farmId, id }, lock: { mode: 'pessimistic_write' } });
  }

  async useInvite(tx: Tx, { farmId, id }: InviteRow, usedMs: number, usedBy: string): Promise<void> {
    await tx.update(InviteRow, { farmId, id }, { usedMs, usedBy });
  }

  async addUser(tx: Tx, user: UserRow): Promise<void> {
    await tx.insert(UserRow, user);
  }

  async join(tx: Tx, member: MembershipRow): Promise<void> {
    await tx.insert(MembershipRow, member);
  }

  async setPassword(tx: Tx | null, id: string, passwordHash: string): Promise<void> {
    await (tx ?? this.db.manager).update(UserRow, { id }, { passwordHash });
  }

  async setName(id: string, name: string): Promise<void> {
    await this.db.getRepository(UserRow).update({ id }, { name });
  }

  sessionsOf(userId: string, nowMs: number): Promise<SessionRow[]> {
    return this.db
      .getRepository(SessionRow)
      .find({ where: { userId, expiresAt: MoreThan(nowMs) }, order: { madeMs: 'DESC' } });
  }

  async endSession(userId: string, id: string): Promise<boolean> {
    return (await this.db.getRepository(SessionRow).delete({ userId, id })).affected !== 0;
  }

  async endOthers(userId: string, keep: string): Promise<void> {
    for (const { tokenHash } of await this.db.getRepository(SessionRow).findBy({ userId })) if (tokenHash !== keep) await this.db.getRepository(SessionRow).delete({ tokenHash }); // prettier-ignore
  }

  tokens(farmId: string): Promise<ApiTokenRow[]> {
    return this.db.getRepository(ApiTokenRow).find({ where: { farmId }, order: { madeMs: 'DESC', id: 'DESC' } });
  }

  tokensInUse(tx: Tx, farmId: string): Promise<number> {
    return tx.countBy(ApiTokenRow, { farmId, revoked: false });
  }

  async addToken(tx: Tx, token: ApiTokenRow): Promise<void> {
    await tx.insert(ApiTokenRow, token);
  }

  async revokeToken(tx: Tx, where: { farmId: string; id: string; userId?: string }): Promise<boolean> {
    return (await tx.update(ApiTokenRow, where, { revoked: true })).affected !== 0;
  }

  audit(farmId: string, before: string | undefined, take: number): Promise<AuditRow[]> {
    const query = this.db.getRepository(AuditRow).createQueryBuilder('a').where('a.farm_id = :farmId', { farmId });
    if (before !== undefined) query.andWhere('a.id < :before', { before });
    return query.orderBy('a.id', 'DESC').take(take).getMany();
  }

  async writeAudit(line: AuditRow): Promise<void> {
    await this.db.getRepository(AuditRow).insert(line);
  }
}
