import { Column, Entity, PrimaryColumn } from 'typeorm';
import { FARM, ID, INSTANT, TEXT, ULID } from '../../platform/columns.js';

/** A printed weight. Its number is taken while the farm's row is locked, and is never given again, voided or not. */
@Entity('weigh_tickets')
export class WeighTicketRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn('int', { unsigned: true }) number: number;
  @Column(ULID) id: string;
  @Column({ name: 'at_ms', ...INSTANT }) atMs: number;
  @Column({ name: 'machine_id', ...ID }) machineId: string;
  @Column({ type: 'varchar', length: 60 }) combination: string;
  /** The empty weight as it was recorded; null: typed from a paper. */
  @Column({ name: 'tare_id', ...ULID, nullable: true }) tareId: string | null;
  @Column('boolean', { name: 'by_hand' }) byHand: boolean;
  @Column({ type: 'varchar', length: 24, nullable: true }) crop: string | null;
  @Column({ name: 'entry_id', ...ULID, nullable: true }) entryId: string | null;
  @Column({ name: 'by_name', ...TEXT }) by: string;
  @Column('boolean', { default: false }) voided: boolean;
}

/** What stood on the scale: one weight for the whole truck, or each axle from the front. */
@Entity('weigh_ticket_axles')
export class WeighTicketAxleRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn('int', { unsigned: true }) number: number;
  @PrimaryColumn({ type: 'varchar', length: 5 }) side: 'gross' | 'tare';
  @PrimaryColumn('smallint', { unsigned: true }) place: number;
  @Column('double') kg: number;
}

/** What the book had on the truck, by lot: fractions. A lot may be `unknown`. */
@Entity('weigh_ticket_shares')
export class WeighTicketShareRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn('int', { unsigned: true }) number: number;
  @PrimaryColumn({ name: 'lot_id', ...ID }) lotId: string;
  @Column('double') share: number;
}

/** Figures of a device as they come in, kept for a quarter of an hour, so that every server process shows the same. */
@Entity('live_figures')
export class LiveFigureRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn({ name: 'device_id', ...ULID }) deviceId: string;
  @PrimaryColumn({ name: 'at_ms', ...INSTANT }) atMs: number;
  @Column({ name: 'received_ms', ...INSTANT }) receivedMs: number;
  /** A scale's weight. */
  @Column('double', { nullable: true }) kg: number | null;
  /** A display's figures. */
  @Column('double', { nullable: true }) flow: number | null;
  @Column('double', { nullable: true }) moisture: number | null;
  @Column('double', { nullable: true }) speed: number | null;
  @Column('double', { name: 'yield_kg_per_ha', nullable: true }) yieldKgPerHa: number | null;
  @Column('double', { nullable: true }) lon: number | null;
  @Column('double', { nullable: true }) lat: number | null;
}

/** Where a machine was, by a device that rides on it; kept as long as somebody may look back for a load. */
@Entity('machine_positions')
export class MachinePositionRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn({ name: 'place_id', ...ID }) placeId: string;
  @PrimaryColumn({ name: 'at_ms', ...INSTANT }) atMs: number;
  @Column({ name: 'received_ms', ...INSTANT }) receivedMs: number;
  @Column('double') lon: number;
  @Column('double') lat: number;
  /** m, as the receiver says */
  @Column('double') accuracy: number;
}
