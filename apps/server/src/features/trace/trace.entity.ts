import type { FileImportInfo } from '@fanega/contract';
import { Column, Entity, PrimaryColumn } from 'typeorm';
import { LinkRow } from '../../platform/entities/link.entity.js';
import { FARM, ID, INSTANT, TEXT, ULID } from '../../platform/columns.js';

/** A link that shows one origin to whoever has it. */
@Entity('origin_links')
export class OriginLinkRow extends LinkRow {
  @Column({ type: 'varchar', length: 8 }) kind: 'delivery' | 'place';
  @Column({ type: 'varchar', length: 40 }) subject: string;
  /** What the book's number was when the link was made: the origin is worked out of it again. */
  @Column('int', { unsigned: true }) seq: number;
}

/** A file that was taken in. */
@Entity('file_imports')
export class FileImportRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn(ULID) id: string;
  @Column({ type: 'varchar', length: 8 }) kind: FileImportInfo['kind'];
  @Column(TEXT) name: string;
  @Column({ name: 'by_name', ...TEXT }) byName: string;
  @Column({ name: 'at_ms', ...INSTANT }) atMs: number;
  @Column('int', { unsigned: true }) taken: number;
  @Column('boolean') undone: boolean;
}

/** What an import made or changed of the fields, so that it can be undone. */
@Entity('file_import_fields')
export class FileImportFieldRow {
  @PrimaryColumn(FARM) farmId: string;
  @PrimaryColumn({ name: 'import_id', ...ULID }) importId: string;
  @PrimaryColumn({ name: 'field_id', ...ID }) fieldId: string;
  /** The lot that it made. */
  @Column({ name: 'lot_id', nullable: true, ...ID }) lotId: string | null;
  /** The field was made too. */
  @Column('boolean') made: boolean;
  /** Acres that the field had before. */
  @Column({ name: 'was_acres', type: 'double', nullable: true }) wasAcres: number | null;
}
