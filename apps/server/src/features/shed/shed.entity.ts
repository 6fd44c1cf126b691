import { Column, Entity, PrimaryColumn } from 'typeorm';
import { FARM, INSTANT, TEXT, ULID } from '../../platform/columns.js';

@Entity('photos')
export class PhotoRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn(ULID) id: string;
  @Column({ name: 'at_ms', ...INSTANT }) atMs: number;
  @Column(TEXT) about: string;
  @Column({ type: 'varchar', length: 16 }) type: string;
  @Column('smallint', { unsigned: true }) width: number;
  @Column('smallint', { unsigned: true }) height: number;
  @Column('mediumblob') bytes: Buffer;
  @Column({ name: 'by_name', ...TEXT }) by: string;
}
