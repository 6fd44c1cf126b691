import { Column, PrimaryColumn } from 'typeorm';
import { FARM, INSTANT, TEXT, ULID } from '../columns.js';

/** A link that shows one thing to whoever has it: its secret is told once, and only its fingerprint is kept. */
export abstract class LinkRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn(ULID) id: string;
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
