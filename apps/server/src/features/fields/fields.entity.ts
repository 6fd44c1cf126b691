import { Column, Entity, PrimaryColumn } from 'typeorm';
import { FARM, ID, INSTANT, ULID } from '../../platform/columns.js';

@Entity('weather_hours')
export class WeatherRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn({ name: 'at_ms', ...INSTANT }) atMs: number;
  @Column('double') temperature: number;
  @Column('double') humidity: number;
  @Column('double') wind: number;
  @Column('double', { name: 'rain_chance' }) rainChance: number;
  @Column('boolean') wet: boolean;
  @Column('boolean') forecast: boolean;
  /** The file that brought it. */
  @Column({ name: 'import_id', type: 'char', length: 26, nullable: true }) importId?: string | null;
}

/** What a combine's display counted as cut of a field: the newest figure of each display. */
@Entity('display_areas')
export class DisplayAreaRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn({ name: 'device_id', ...ULID }) deviceId: string;
  @PrimaryColumn({ name: 'lot_id', ...ID }) lotId: string;
  @Column('double', { name: 'area_m2' }) areaM2: number;
  @Column({ name: 'at_ms', ...INSTANT }) atMs: number;
}
