import { Inject, Injectable } from '@nestjs/common';
import { DataSource, type EntityManager, In, LessThan } from 'typeorm';
import { FarmRow, FarmTopicRow } from '../../platform/entities/farm.entity.js';
import { MembershipRow, SessionRow, UserRow } from '../../platform/entities/identity.entity.js';
import type { Tx } from '../../platform/farm-write.js';
import { VersionsRepository } from '../../platform/versions.js';
import { TrustRow, trustRows } from '../ledger/index.js';

/** People, the farms that they belong to, and their sessions. */
@Injectable()
export class PeopleRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  hasDemo(): Promise<boolean> {
    return this.db.getRepository(FarmRow).existsBy({ demo: true });
  }

  async isEmpty(): Promise<boolean> {
    return (await this.db.getRepository(UserRow).count()) === 0;
  }

  /** Is there a farm none of whose owners has a password? */
  async waitsForOwner(): Promise<boolean> {
    const [{ n }] = (await this.db.query(`SELECT EXISTS (SELECT 1 FROM farms f WHERE f.demo = 0 AND NOT EXISTS (
      SELECT 1 FROM memberships m JOIN users u ON u.id = m.user_id
      WHERE m.farm_id = f.id AND m.role = 'owner' AND u.password_hash IS NOT NULL)) n`)) as [{ n: number }];
    return Number(n) > 0;
  }

  /** Gives an owner who has no password his first one. @returns his id, or null where there is no such owner */
  async claim(email: string, passwordHash: string): Promise<string | null> {
    return this.db.transaction(async (tx) => {
      const user = await tx.getRepository(UserRow).findOne({ where: { email }, lock: { mode: 'pessimistic_write' } });
      if (
        !user ||
        user.passwordHash !== null ||
        !(await tx.existsBy(MembershipRow, { userId: user.id, role: 'owner' }))
      )
        return null;
      const farms = await tx.findBy(MembershipRow, { userId: user.id, role: 'owner' });
      if (await tx.existsBy(FarmRow, { id: In(farms.map(({ farmId }) => farmId)), demo: true })) return null;
      await tx.update(UserRow, { id: user.id }, { passwordHash });
      return user.id;
    });
  }

  byEmail(email: string): Promise<UserRow | null> {
    return this.db.getRepository(UserRow).findOneBy({ email });
  }

  exists(id: string): Promise<boolean> {
    return this.db.getRepository(UserRow).existsBy({ id });
  }

  /** Farms of one person with the role there; no other farm is read. */
  async farmsOf(userId: string): Promise<{ readonly farm: FarmRow; readonly role: MembershipRow['role'] }[]> {
    const memberships = await this.db.getRepository(MembershipRow).findBy({ userId });
    const farms = await this.db.getRepository(FarmRow).findBy({ id: In(memberships.map(({ farmId }) => farmId)) });
    return memberships.flatMap(({ farmId, role }) => {
      const farm = farms.find((row) => row.id === farmId);
      return farm ? [{ farm, role }] : [];
    });
  }

  /** Opens a session, and clears away those that are over. */
  async openSession(session: SessionRow, nowMs: number): Promise<void> {
    const sessions = this.db.getRepository(SessionRow);
    await sessions.delete({ expiresAt: LessThan(nowMs) });
    await sessions.insert(session);
  }

  async endSession(tokenHash: string): Promise<void> {
    await this.db.getRepository(SessionRow).delete({ tokenHash });
  }

  async changeFarm(tx: Tx, id: string, change: Pick<FarmRow, 'units' | 'clock'>): Promise<void> {
    await tx.update(FarmRow, { id }, change);
  }

  /** The first farm with its owner. @returns false where anybody is there already; two that come together cannot both be first */
  setUp(farm: FarmRow, owner: UserRow): Promise<boolean> {
    return this.db.transaction('SERIALIZABLE', async (tx) => {
      if ((await tx.count(UserRow)) > 0) return false;
      await tx.insert(UserRow, owner);
      await insertFarm(tx, farm, owner.id);
      return true;
    });
  }

  addFarm(farm: FarmRow, ownerId: string): Promise<void> {
    return this.db.transaction((tx) => insertFarm(tx, farm, ownerId));
  }
}

async function insertFarm(tx: EntityManager, farm: FarmRow, ownerId: string): Promise<void> {
  await tx.insert(FarmRow, farm);
  await tx.insert(FarmTopicRow, VersionsRepository.rows(farm.id));
  await tx.insert(TrustRow, trustRows(farm.id));
  await tx.insert(MembershipRow, { farmId: farm.id, userId: ownerId, role: 'owner' });
}
