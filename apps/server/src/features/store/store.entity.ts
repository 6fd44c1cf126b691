import { Column, Entity, PrimaryColumn } from 'typeorm';
import { LinkRow } from '../../platform/entities/link.entity.js';
import { FARM, ID, INSTANT, TEXT, ULID } from '../../platform/columns.js';

/** What a cable read at a moment: two bytes a sensor, hundredths of a degree, from the lowest up. */
@Entity('cable_readings')
export class CableReadingRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn({ name: 'place_id', ...ID }) placeId: string;
  @PrimaryColumn({ name: 'at_ms', ...INSTANT }) atMs: number;
  @PrimaryColumn('smallint', { unsigned: true }) cable: number;
  @Column('varbinary', { length: 80 }) celsius: Buffer;
  /** The file that brought it. */
  @Column({ name: 'import_id', type: 'char', length: 26, nullable: true }) importId?: string | null;
}

/** What a motor of the bin site does, as its device said last. */
@Entity('motor_states')
export class MotorRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn({ name: 'machine_id', ...ID }) machineId: string;
  @Column({ name: 'at_ms', ...INSTANT }) atMs: number;
  @Column('boolean') running: boolean;
  @Column('double', { nullable: true }) load: number | null;
}

/** Where grain ended in a bin, by its level sensor. */
@Entity('level_readings')
export class LevelRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn({ name: 'place_id', ...ID }) placeId: string;
  @PrimaryColumn({ name: 'at_ms', ...INSTANT }) atMs: number;
  @Column('double', { name: 'below_eave' }) belowEave: number;
}

/** A link by which an owner sees his grain in this farm's bins. */
@Entity('owner_links')
export class OwnerLinkRow extends LinkRow {
  @Column({ type: 'varchar', length: 60 }) owner: string;
}

/** A link of another farm that this farm keeps. */
@Entity('kept_shares')
export class KeptShareRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn(ULID) id: string;
  @Column({ name: 'of_farm_id', ...ID }) ofFarmId: string;
  @Column({ name: 'link_id', ...ULID }) linkId: string;
  @Column({ name: 'farm_name', ...TEXT }) farmName: string;
  @Column({ type: 'varchar', length: 60 }) owner: string;
  @Column({ name: 'by_name', ...TEXT }) byName: string;
  @Column({ name: 'kept_ms', ...INSTANT }) keptMs: number;
}
