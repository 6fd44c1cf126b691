import { Inject, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { Links } from '../../platform/links.js';
import { OriginLinkRow } from './trace.entity.js';

const MOST_LINKS = 2000;

/** Links to an origin. */
@Injectable()
export class LinksRepository extends Links<OriginLinkRow> {
  constructor(@Inject(DataSource) db: DataSource) {
    super(db, OriginLinkRow, MOST_LINKS);
  }
}
