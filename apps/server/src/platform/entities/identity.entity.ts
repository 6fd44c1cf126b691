import { Column, Entity, PrimaryColumn } from 'typeorm';
import { FARM, ID, INSTANT, TEXT, ULID } from '../columns.js';

@Entity('users')
export class UserRow {
  @PrimaryColumn(ID) id: string;
  @Column({ type: 'varchar', length: 254 }) email: string;
  @Column(TEXT) name: string;
  @Column({ name: 'password_hash', type: 'varchar', length: 255, nullable: true }) passwordHash: string | null;
}

@Entity('memberships')
export class MembershipRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn({ name: 'user_id', ...ID }) userId: string;
  @Column({ type: 'varchar', length: 16 }) role: 'viewer' | 'operator' | 'manager' | 'owner';
}

@Entity('sessions')
export class SessionRow {
  /** SHA-256 of the cookie: who reads the table cannot sign in with it. */
  @PrimaryColumn({ name: 'token_hash', type: 'char', length: 64 }) tokenHash: string;
  @Column({ name: 'user_id', ...ID }) userId: string;
  @Column({ name: 'expires_at', ...INSTANT }) expiresAt: number;
}

/** Something on the farm's wire, with a token of its own. */
@Entity('devices')
export class DeviceRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn(ULID) id: string;
  @Column(TEXT) name: string;
  @Column({ type: 'varchar', length: 16 }) kind: string;
  /** SHA-256 of the token. */
  @Column({ name: 'token_hash', type: 'char', length: 64 }) tokenHash: string;
  @Column({ name: 'added_ms', ...INSTANT }) addedMs: number;
  @Column({ name: 'seen_ms', nullable: true, ...INSTANT }) seenMs: number | null;
  @Column('boolean') revoked: boolean;
}
