import { createHash } from 'node:crypto';
import type { AckBody, BreakdownBody, PhotoInfo, Shed, ShedNoteInfo, ShedNotes } from '@fanega/contract';
import { Inject, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import type { Caller } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { Refused } from '../../platform/refused.js';
import { NoteRow, PhotoRow, SheetRow } from '../../platform/rows.js';
import { bySubject, NotebookRepository, NotebookService } from '../notebook/index.js';
import { photoOf } from './photos.js';

/** Photographs that a farm may keep: some gigabytes at most, and a season's wear parts many times over. */
const MOST_PHOTOS = 3000;
const NOTES_AT_ONCE = 2000;

/** The shed's machines, lists and breakdowns; kept as the notebook keeps its own sheets and notes. */
@Injectable()
export class ShedService {
  constructor(
    @Inject(DataSource) private readonly db: DataSource,
    @Inject(Clock) private readonly clock: Clock,
    @Inject(NotebookService) private readonly notebook: NotebookService,
    @Inject(NotebookRepository) private readonly repository: NotebookRepository,
  ) {}

  async shed(farmId: string): Promise<Shed> {
    const [sheets, notes] = await Promise.all([
      this.db.getRepository(SheetRow).findBy({ farmId }),
      this.db.getRepository(NoteRow).find({
        where: [
          { farmId, kind: 'breakdown' },
          { farmId, kind: 'ack' },
        ],
        order: { atMs: 'DESC', id: 'DESC' },
        take: NOTES_AT_ONCE,
      }),
    ]);
    const of = bySubject(sheets);
    return {
      assets: of('asset'),
      templates: of('template'),
      changeovers: of('changeover'),
      season: of<NonNullable<Shed['season']>['sheet']>('season').farm ?? null,
      notes: notes.map(({ kind, body, by, voided }) => ({ kind, body, by, voided: Boolean(voided) }) as unknown as ShedNoteInfo),
    };
  }

  change(farmId: string, kind: 'asset' | 'template' | 'season' | 'changeover', subject: string, change: { revision: number; sheet: object }): Promise<{ revision: number }> {
    const exists = kind === 'changeover' ? (id: string) => this.db.getRepository(SheetRow).existsBy({ farmId, kind: 'asset', subject: id }) : null;
    return this.notebook.changeSheet(farmId, kind, subject, change, exists ? () => exists(subject) : undefined);
  }

  async note<K extends keyof ShedNotes>(farmId: string, kind: K, body: ShedNotes[K], caller: Caller): Promise<{ noteId: string }> {
    const { assetId } = body as Partial<BreakdownBody & AckBody>;
    if (assetId !== undefined && !(await this.db.getRepository(SheetRow).existsBy({ farmId, kind: 'asset', subject: assetId }))) {
      throw new Refused('not_found', 'There is no such machine in the shed.', [{ field: 'assetId', code: 'not_found', message: 'there is no such machine in the shed' }]);
    }
    return this.notebook.addNote(farmId, kind, body, caller);
  }

  /** The same photograph again under its id is accepted and nothing is doubled; another one is refused. */
  addPhoto(farmId: string, id: string, about: string, bytes: unknown, caller: Caller): Promise<PhotoInfo> {
    const photo = photoOf(bytes);
    return this.repository.changing(farmId, async (tx) => {
      const kept = await tx.findOneBy(PhotoRow, { farmId, id });
      if (kept && hash(kept.bytes) !== hash(photo.bytes)) throw new Refused('id_used_otherwise', 'This id is used by another photograph already.');
      if (!kept) {
        if ((await tx.countBy(PhotoRow, { farmId })) >= MOST_PHOTOS) throw new Refused('body_wrong', `The farm keeps ${MOST_PHOTOS} photographs already; none was taken in.`);
        await tx.insert(PhotoRow, { farmId, id, atMs: this.clock.now(), about, by: caller.name, ...photo });
      }
      return { photoId: id, width: photo.width, height: photo.height };
    });
  }

  async photo(farmId: string, id: string): Promise<PhotoRow> {
    const row = await this.db.getRepository(PhotoRow).findOneBy({ farmId, id });
    if (!row) throw new Refused('not_found', 'There is no such photograph.');
    return row;
  }
}

const hash = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');
