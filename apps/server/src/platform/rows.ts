import { Column, Entity, PrimaryColumn } from 'typeorm';

const ID = { type: 'varchar', length: 40 } as const;
const TEXT = { type: 'varchar', length: 120 } as const;

/** The tables, as the migrations make them; every row but a person's own carries its farm. */
@Entity('farms')
export class FarmRow {
  @PrimaryColumn(ID) id: string;
  @Column(TEXT) name: string;
  @Column({ name: 'time_zone', ...TEXT }) timeZone: string;
  /** Entries so far; the next one gets this plus one. Locked while a batch is appended. */
  @Column('int', { unsigned: true }) seq: number;
  /** Counts changes of fields, lots and places. */
  @Column('int', { unsigned: true }) setup: number;
  /** Counts readings, notes, sheets and weather. */
  @Column('int', { unsigned: true, default: 0 }) notes: number;
  @Column('boolean') demo: boolean;
  @Column('json') defaults: { moisture: number; trust: string[] };
}

@Entity('users')
export class UserRow {
  @PrimaryColumn(ID) id: string;
  @Column({ type: 'varchar', length: 254 }) email: string;
  @Column(TEXT) name: string;
  @Column({ name: 'password_hash', type: 'varchar', length: 255, nullable: true }) passwordHash: string | null;
}

@Entity('memberships')
export class MembershipRow {
  @PrimaryColumn({ name: 'farm_id', ...ID }) farmId: string;
  @PrimaryColumn({ name: 'user_id', ...ID }) userId: string;
  @Column({ type: 'varchar', length: 16 }) role: 'viewer' | 'operator' | 'manager' | 'owner';
}

@Entity('sessions')
export class SessionRow {
  /** SHA-256 of the cookie: who reads the table cannot sign in with it. */
  @PrimaryColumn({ name: 'token_hash', type: 'char', length: 64 }) tokenHash: string;
  @Column({ name: 'user_id', ...ID }) userId: string;
  @Column({ name: 'expires_at', type: 'bigint', transformer: { to: (v: number) => v, from: Number } }) expiresAt: number;
}

@Entity('fields')
export class FieldRow {
  @PrimaryColumn({ name: 'farm_id', ...ID }) farmId: string;
  @PrimaryColumn(ID) id: string;
  @Column(TEXT) name: string;
  @Column('double') acres: number;
}

@Entity('lots')
export class LotRow {
  @PrimaryColumn({ name: 'farm_id', ...ID }) farmId: string;
  @PrimaryColumn(ID) id: string;
  @Column({ name: 'field_id', ...ID }) fieldId: string;
  @Column({ type: 'varchar', length: 24 }) crop: string;
  @Column('smallint') season: number;
  @Column({ type: 'varchar', length: 40 }) variety: string;
  @Column({ type: 'varchar', length: 4 }) tag: string;
  @Column('json') shares: { owner: string; part: number }[];
}

@Entity('places')
export class PlaceRow {
  @PrimaryColumn({ name: 'farm_id', ...ID }) farmId: string;
  @PrimaryColumn(ID) id: string;
  @Column('int') position: number;
  @Column(TEXT) name: string;
  @Column({ type: 'varchar', length: 16 }) kind: string;
  @Column({ type: 'varchar', length: 8 }) withdrawal: 'mixed' | 'firstIn' | 'lastIn';
  @Column({ name: 'capacity_bu', type: 'double', nullable: true }) capacityBu: number | null;
  @Column({ name: 'diameter_m', type: 'double', nullable: true }) diameterM: number | null;
  @Column({ name: 'eave_m', type: 'double', nullable: true }) eaveM: number | null;
  @Column({ name: 'hopper_m', type: 'double', nullable: true }) hopperM: number | null;
}

@Entity('entries')
export class EntryRow {
  @PrimaryColumn({ name: 'farm_id', ...ID }) farmId: string;
  @PrimaryColumn('int', { unsigned: true }) seq: number;
  @Column({ type: 'char', length: 26 }) id: string;
  @Column({ type: 'varchar', length: 16 }) type: string;
  @Column({ name: 'at_ms', type: 'bigint', transformer: { to: (v: number) => v, from: Number } }) atMs: number;
  @Column({ name: 'lot_id', ...ID, nullable: true }) lotId: string | null;
  @Column({ name: 'from_id', ...ID, nullable: true }) fromId: string | null;
  @Column({ name: 'to_id', ...ID, nullable: true }) toId: string | null;
  @Column({ name: 'ref_id', type: 'char', length: 26, nullable: true }) refId: string | null;
  /** The entry as it was sent, with what the server filled in. The other columns are for keys and order. */
  @Column('json') body: Record<string, unknown>;
  @Column({ name: 'user_id', ...ID, nullable: true }) userId: string | null;
  @Column({ name: 'received_ms', type: 'bigint', transformer: { to: (v: number) => v, from: Number } }) receivedMs: number;
}

@Entity('readings')
export class ReadingRow {
  @PrimaryColumn({ name: 'farm_id', ...ID }) farmId: string;
  @PrimaryColumn({ type: 'char', length: 26 }) id: string;
  @Column({ name: 'field_id', ...ID }) fieldId: string;
  @Column({ name: 'at_ms', type: 'bigint', transformer: { to: (v: number) => v, from: Number } }) atMs: number;
  /** null: a bite test. */
  @Column('double', { nullable: true }) moisture: number | null;
  @Column({ type: 'varchar', length: 16 }) source: string;
  @Column('tinyint', { unsigned: true, nullable: true }) cracked: number | null;
  @Column(ID) tester: string;
  @Column(ID) spot: string;
  @Column({ name: 'by_name', ...TEXT }) by: string;
  @Column('boolean', { default: false }) voided: boolean;
}

/** Settings sheets, loss checks, tester pairs, strips: one immutable row each. */
@Entity('notes')
export class NoteRow {
  @PrimaryColumn({ name: 'farm_id', ...ID }) farmId: string;
  @PrimaryColumn({ type: 'char', length: 26 }) id: string;
  @Column({ type: 'varchar', length: 16 }) kind: string;
  @Column({ name: 'at_ms', type: 'bigint', transformer: { to: (v: number) => v, from: Number } }) atMs: number;
  @Column({ name: 'lot_id', ...ID, nullable: true }) lotId: string | null;
  @Column({ name: 'machine_id', ...ID, nullable: true }) machineId: string | null;
  @Column('json') body: object;
  @Column({ name: 'by_name', ...TEXT }) by: string;
  @Column('boolean') voided: boolean;
}

/** What a farm sets for itself: cutting windows by crop, machine profiles, the weights of "which field next". */
@Entity('sheets')
export class SheetRow {
  @PrimaryColumn({ name: 'farm_id', ...ID }) farmId: string;
  @PrimaryColumn({ type: 'varchar', length: 16 }) kind: string;
  @PrimaryColumn(ID) subject: string;
  @Column('int', { unsigned: true }) revision: number;
  @Column('json') body: object;
}

@Entity('weather_hours')
export class WeatherRow {
  @PrimaryColumn({ name: 'farm_id', ...ID }) farmId: string;
  @PrimaryColumn({ name: 'at_ms', type: 'bigint', transformer: { to: (v: number) => v, from: Number } }) atMs: number;
  @Column('double') temperature: number;
  @Column('double') humidity: number;
  @Column('double') wind: number;
  @Column('double', { name: 'rain_chance' }) rainChance: number;
  @Column('boolean') wet: boolean;
  @Column('boolean') forecast: boolean;
}

@Entity('photos')
export class PhotoRow {
  @PrimaryColumn({ name: 'farm_id', ...ID }) farmId: string;
  @PrimaryColumn({ type: 'char', length: 26 }) id: string;
  @Column({ name: 'at_ms', type: 'bigint', transformer: { to: (v: number) => v, from: Number } }) atMs: number;
  @Column(TEXT) about: string;
  @Column({ type: 'varchar', length: 16 }) type: string;
  @Column('smallint', { unsigned: true }) width: number;
  @Column('smallint', { unsigned: true }) height: number;
  @Column('mediumblob') bytes: Buffer;
  @Column({ name: 'by_name', ...TEXT }) by: string;
}

/** Something on the farm's wire, with a token of its own. */
@Entity('devices')
export class DeviceRow {
  @PrimaryColumn({ name: 'farm_id', ...ID }) farmId: string;
  @PrimaryColumn({ type: 'char', length: 26 }) id: string;
  @Column(TEXT) name: string;
  @Column({ type: 'varchar', length: 16 }) kind: string;
  /** SHA-256 of the token. */
  @Column({ name: 'token_hash', type: 'char', length: 64 }) tokenHash: string;
  @Column({ name: 'added_ms', type: 'bigint', transformer: { to: (v: number) => v, from: Number } }) addedMs: number;
  @Column({ name: 'seen_ms', type: 'bigint', nullable: true, transformer: { to: (v: number | null) => v, from: (v: string | null) => (v === null ? null : Number(v)) } })
  seenMs: number | null;
  @Column('boolean') revoked: boolean;
}

/** A printed weight. Its number is taken while the farm's row is locked, and is never given again, voided or not. */
@Entity('weigh_tickets')
export class WeighTicketRow {
  @PrimaryColumn({ name: 'farm_id', ...ID }) farmId: string;
  @PrimaryColumn('int', { unsigned: true }) number: number;
  @Column({ type: 'char', length: 26 }) id: string;
  @Column({ name: 'at_ms', type: 'bigint', transformer: { to: (v: number) => v, from: Number } }) atMs: number;
  @Column({ name: 'machine_id', ...ID }) machineId: string;
  @Column('json') body: { combination: string; grossKg: number[]; tareKg: number[]; tareId: string | null; byHand: boolean; crop: string | null; shares: Record<string, number> };
  @Column({ name: 'entry_id', type: 'char', length: 26, nullable: true }) entryId: string | null;
  @Column({ name: 'by_name', ...TEXT }) by: string;
  @Column('boolean', { default: false }) voided: boolean;
}
