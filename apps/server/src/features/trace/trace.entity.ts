import { Column, Entity, PrimaryColumn } from 'typeorm';
import { FARM, INSTANT, TEXT, ULID } from '../../platform/columns.js';

/** A link that shows one origin to whoever has it. */
@Entity('origin_links')
export class OriginLinkRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn(ULID) id: string;
  @Column({ type: 'varchar', length: 8 }) kind: 'delivery' | 'place';
  @Column({ type: 'varchar', length: 40 }) subject: string;
  /** What the book's number was when the link was made: the origin is worked out of it again. */
  @Column('int', { unsigned: true }) seq: number;
  @Column({ name: 'given_to', ...TEXT }) givenTo: string;
  /** SHA-256 of the secret. */
  @Column({ name: 'token_hash', type: 'char', length: 64 }) tokenHash: string;
  @Column({ name: 'by_name', ...TEXT }) byName: string;
  @Column({ name: 'made_ms', ...INSTANT }) madeMs: number;
  @Column({ name: 'ends_ms', nullable: true, ...INSTANT }) endsMs: number | null;
  @Column('int', { unsigned: true }) opened: number;
  @Column({ name: 'opened_ms', nullable: true, ...INSTANT }) openedMs: number | null;
  @Column('boolean') revoked: boolean;
}
