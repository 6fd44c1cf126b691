import type { ClockStyle, Topic, UnitSystem } from '@fanega/contract';
import { Column, Entity, PrimaryColumn } from 'typeorm';
import { FARM, ID, LINK, TEXT } from '../columns.js';

/** A farm, and the number that its book's sequence has come to. Locked by whatever writes. */
@Entity('farms')
export class FarmRow {
  @PrimaryColumn(ID) id: string;
  @Column(TEXT) name: string;
  @Column({ name: 'time_zone', ...TEXT }) timeZone: string;
  /** Given to the newest entry or revision. */
  @Column('int', { unsigned: true }) seq: number;
  /** The newest's link. */
  @Column(LINK) chain: string;
  @Column('boolean') demo: boolean;
  /** Moisture of grain that nobody measured, as the book is read with it now. */
  @Column('double', { name: 'default_moisture' }) defaultMoisture: number;
  @Column({ type: 'varchar', length: 8 }) units: UnitSystem;
  /** Hours of the clock that times are said by. */
  @Column({ type: 'varchar', length: 2 }) clock: ClockStyle;
}

/** Counts the changes of one topic: who shows it asks again, nobody else. */
@Entity('farm_topics')
export class FarmTopicRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn({ type: 'varchar', length: 16 }) topic: Topic;
  @Column('int', { unsigned: true }) version: number;
}
