import type { JobKind } from '@fanega/core';
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
  /** Sessions of before had none. */
  @Column({ ...ULID, nullable: true }) id: string | null;
  /** As its browser calls itself, in few words. */
  @Column({ ...TEXT, default: '' }) device: string;
  @Column({ name: 'made_ms', nullable: true, ...INSTANT }) madeMs: number | null;
  @Column({ name: 'seen_ms', nullable: true, ...INSTANT }) seenMs: number | null;
}

/** A door for one person: into a farm with a role, or to a new password. It opens once. */
@Entity('invites')
export class InviteRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn(ULID) id: string;
  @Column({ type: 'varchar', length: 8 }) kind: 'join' | 'password';
  @Column({ type: 'varchar', length: 16 }) role: MembershipRow['role'];
  /** Whose password. */
  @Column({ name: 'user_id', nullable: true, ...ID }) userId: string | null;
  @Column({ name: 'given_to', ...TEXT }) givenTo: string;
  @Column({ name: 'token_hash', type: 'char', length: 64 }) tokenHash: string;
  @Column({ name: 'by_name', ...TEXT }) byName: string;
  @Column({ name: 'made_ms', ...INSTANT }) madeMs: number;
  @Column({ name: 'ends_ms', ...INSTANT }) endsMs: number;
  @Column({ name: 'used_ms', nullable: true, ...INSTANT }) usedMs: number | null;
  @Column({ name: 'used_by', type: 'varchar', length: 120, nullable: true }) usedBy: string | null;
  @Column('boolean') revoked: boolean;
}

/** Who changed what of a farm beside the grain: settings, members, shares, devices. */
@Entity('audit_lines')
export class AuditRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn(ULID) id: string;
  @Column({ name: 'at_ms', ...INSTANT }) atMs: number;
  @Column({ name: 'by_name', ...TEXT }) byName: string;
  @Column(TEXT) what: string;
  @Column({ type: 'varchar', length: 2000 }) about: string;
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

/** A person's token for a program of the farm's own: it does what the person may, within its scope, on one farm and until its end. */
@Entity('api_tokens')
export class ApiTokenRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn(ULID) id: string;
  @Column({ name: 'user_id', ...ID }) userId: string;
  @Column(TEXT) name: string;
  @Column({ type: 'varchar', length: 8 }) scope: 'read' | 'record';
  /** SHA-256 of the token. */
  @Column({ name: 'token_hash', type: 'char', length: 64 }) tokenHash: string;
  @Column({ name: 'made_ms', ...INSTANT }) madeMs: number;
  @Column({ name: 'ends_ms', ...INSTANT }) endsMs: number;
  @Column({ name: 'used_ms', nullable: true, ...INSTANT }) usedMs: number | null;
  @Column('boolean') revoked: boolean;
}

/** A phone or tablet that records one job without an account: its link opens once, and its cookie then is the phone's own. */
@Entity('paired_jobs')
export class PairedJobRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn(ULID) id: string;
  @Column({ type: 'varchar', length: 8 }) kind: JobKind;
  @Column({ name: 'place_id', nullable: true, ...ID }) placeId: string | null;
  @Column(TEXT) label: string;
  /** SHA-256 of the link's secret. */
  @Column({ name: 'token_hash', type: 'char', length: 64 }) tokenHash: string;
  /** SHA-256 of the phone's cookie. */
  @Column({ name: 'session_hash', type: 'char', length: 64, nullable: true }) sessionHash: string | null;
  @Column({ name: 'by_name', ...TEXT }) byName: string;
  @Column({ name: 'made_ms', ...INSTANT }) madeMs: number;
  @Column({ name: 'ends_ms', ...INSTANT }) endsMs: number;
  @Column({ name: 'paired_ms', nullable: true, ...INSTANT }) pairedMs: number | null;
  @Column({ type: 'varchar', length: 60, nullable: true }) driver: string | null;
  @Column({ ...TEXT, default: '' }) device: string;
  @Column({ name: 'seen_ms', nullable: true, ...INSTANT }) seenMs: number | null;
  @Column('boolean') revoked: boolean;
}

/** Wrong sign-ins of an address or an account, by its fingerprint. */
@Entity('sign_in_tries')
export class SignInTryRow {
  @PrimaryColumn({ name: 'of_hash', type: 'char', length: 64 }) ofHash: string;
  @Column({ type: 'int', unsigned: true }) tries: number;
  @Column({ name: 'since_ms', ...INSTANT }) sinceMs: number;
}

/** From where an account signed in well, by the fingerprint of both. */
@Entity('sign_in_known')
export class SignInKnownRow {
  @PrimaryColumn({ name: 'of_hash', type: 'char', length: 64 }) ofHash: string;
  @Column({ name: 'at_ms', ...INSTANT }) atMs: number;
}
