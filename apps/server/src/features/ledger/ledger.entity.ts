import { Column, Entity, PrimaryColumn } from 'typeorm';
import { FARM, ID, INSTANT, LINK, TEXT, ULID } from '../../platform/columns.js';

@Entity('fields')
export class FieldRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn(ID) id: string;
  @Column(TEXT) name: string;
  @Column('double') acres: number;
}

@Entity('lots')
export class LotRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn(ID) id: string;
  @Column({ name: 'field_id', ...ID }) fieldId: string;
  @Column({ type: 'varchar', length: 24 }) crop: string;
  @Column('smallint') season: number;
  @Column({ type: 'varchar', length: 40 }) variety: string;
  @Column({ type: 'varchar', length: 4 }) tag: string;
  /** Of this season, where they are not the field's. */
  @Column({ type: 'double', nullable: true }) acres: number | null;
}

/** Whose a part of every bushel of a lot is, as the book is read with it now. */
@Entity('lot_shares')
export class LotShareRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn({ name: 'lot_id', ...ID }) lotId: string;
  @PrimaryColumn('smallint', { unsigned: true }) place: number;
  @Column({ type: 'varchar', length: 60 }) owner: string;
  @Column('double') part: number;
}

/** The farm's order of trust, best first, as the book is read with it now. */
@Entity('farm_trust')
export class TrustRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn('smallint', { unsigned: true }) place: number;
  @Column({ type: 'varchar', length: 24 }) method: string;
}

/** The farm's own base moistures, as the book is read with them now. */
@Entity('farm_bases')
export class BaseRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn({ type: 'varchar', length: 24 }) crop: string;
  @Column('double') moisture: number;
}

@Entity('places')
export class PlaceRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn(ID) id: string;
  @Column('int') position: number;
  @Column(TEXT) name: string;
  @Column({ type: 'varchar', length: 16 }) kind: string;
  @Column({ type: 'varchar', length: 8 }) withdrawal: 'mixed' | 'firstIn' | 'lastIn';
  /** Typed by hand; null: out of the geometry, or nobody knows. */
  @Column({ name: 'capacity_bu', type: 'double', nullable: true }) capacityBu: number | null;
  /** No page offers it while it is empty. */
  @Column({ name: 'put_away', type: 'boolean', default: false }) putAway: boolean;
}

@Entity('entries')
export class EntryRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn('int', { unsigned: true }) seq: number;
  @Column(ULID) id: string;
  @Column({ type: 'varchar', length: 16 }) type: string;
  @Column({ name: 'at_ms', ...INSTANT }) atMs: number;
  @Column({ name: 'lot_id', ...ID, nullable: true }) lotId: string | null;
  @Column({ name: 'from_id', ...ID, nullable: true }) fromId: string | null;
  @Column({ name: 'to_id', ...ID, nullable: true }) toId: string | null;
  @Column({ name: 'ref_id', ...ULID, nullable: true }) refId: string | null;
  /** The entry as it was sent, with what the server filled in: the book itself. The other columns are for keys and order. */
  @Column('json') body: Record<string, unknown>;
  @Column({ name: 'user_id', ...ID, nullable: true }) userId: string | null;
  @Column({ name: 'received_ms', ...INSTANT }) receivedMs: number;
  @Column(LINK) link: string;
}

/** One dated change of what the book is read with. It takes a number of the book's own sequence. */
@Entity('revisions')
export class RevisionRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn('int', { unsigned: true }) seq: number;
  @Column(ULID) id: string;
  @Column({ name: 'at_ms', ...INSTANT }) atMs: number;
  @Column({ name: 'by_name', ...TEXT }) by: string;
  @Column({ name: 'user_id', ...ID, nullable: true }) userId: string | null;
  @Column({ type: 'varchar', length: 200 }) reason: string;
  @Column({ type: 'varchar', length: 16 }) what: 'shares' | 'trust' | 'defaultMoisture' | 'baseMoisture' | 'withdrawal';
  @Column({ name: 'lot_id', ...ID, nullable: true }) lotId: string | null;
  @Column({ name: 'place_id', ...ID, nullable: true }) placeId: string | null;
  @Column({ type: 'varchar', length: 24, nullable: true }) crop: string | null;
  @Column('double', { nullable: true }) moisture: number | null;
  @Column(LINK) link: string;
  @Column('double', { name: 'moisture_before', nullable: true }) moistureBefore: number | null;
  @Column({ type: 'varchar', length: 8, nullable: true }) withdrawal: 'mixed' | 'firstIn' | 'lastIn' | null;
  @Column({ name: 'withdrawal_before', type: 'varchar', length: 8, nullable: true }) withdrawalBefore:
    'mixed' | 'firstIn' | 'lastIn' | null;
}

/** Owners or methods of a revision, before and after it. */
@Entity('revision_lists')
export class RevisionListRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn('int', { unsigned: true }) seq: number;
  @PrimaryColumn({ type: 'varchar', length: 6 }) side: 'before' | 'after';
  @PrimaryColumn('smallint', { unsigned: true }) place: number;
  /** An owner, or a method. */
  @Column({ type: 'varchar', length: 60 }) name: string;
  @Column('double', { nullable: true }) part: number | null;
}
