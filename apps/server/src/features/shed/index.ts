import { createHash } from 'node:crypto';
import { type AtWheelInfo, type FuelInfo, type PhotoInfo, ULID } from '@fanega/contract';
import { Controller, Get, Inject, Injectable, Module, Param, Post, Query, Req, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { Allow, ForJobs, type Writer, WriterOf } from '../../platform/access.js';
import { TakesBody } from '../../platform/body.js';
import { Answers } from '../../platform/answer.js';
import { Clock } from '../../platform/clock.js';
import { FarmWrites } from '../../platform/farm-write.js';
import { Refused } from '../../platform/refused.js';
import { LedgerModule } from '../ledger/index.js';
import { RecordsModule } from '../records/index.js';
import { AtWheelService } from './at-wheel.service.js';
import { FuelService } from './fuel.service.js';
import { photoOf } from './photos.js';
import { PhotosRepository } from './photos.repository.js';
import type { PhotoRow } from './shed.entity.js';

/** Photographs that a farm may keep: some gigabytes at most, and a season's wear parts many times over. */
const MOST_PHOTOS = 3000;
const hash = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

/** Photographs: proof of a changeover, wear from year to year. Machines, lists and breakdowns are records. */
@Injectable()
class PhotosService {
  constructor(
    @Inject(PhotosRepository) private readonly photos: PhotosRepository,
    @Inject(Clock) private readonly clock: Clock,
    @Inject(FarmWrites) private readonly writes: FarmWrites,
  ) {}

  /** The same photograph again under its id is accepted and nothing is doubled; another one is refused. */
  add(farmId: string, id: string, about: string, bytes: unknown, writer: Writer): Promise<PhotoInfo> {
    const photo = photoOf(bytes);
    return this.writes.run(farmId, async ({ tx, changed }) => {
      const kept = await this.photos.one(farmId, id, tx);
      if (kept && hash(kept.bytes) !== hash(photo.bytes))
        throw new Refused('id_used_otherwise', 'This id is used by another photograph already.');
      if (!kept) {
        if ((await this.photos.count(tx, farmId)) >= MOST_PHOTOS)
          throw new Refused('body_wrong', `The farm keeps ${MOST_PHOTOS} photographs already; none was taken in.`);
        await this.photos.add(tx, { farmId, id, atMs: this.clock.now(), about, by: writer.name, ...photo });
        changed('shed');
      }
      return { photoId: id, width: photo.width, height: photo.height };
    });
  }

  async one(farmId: string, id: string): Promise<PhotoRow> {
    const row = await this.photos.one(farmId, id);
    if (!row) throw new Refused('not_found', 'There is no such photograph.');
    return row;
  }
}

@ApiTags('shed')
@Controller('farms/:farmId/photos')
class PhotosController {
  constructor(@Inject(PhotosService) private readonly photos: PhotosService) {}

  /** The body is the picture itself. */
  @Post(':photoId')
  @TakesBody('photo')
  @Allow('operator')
  @ForJobs()
  @Answers('PhotoInfo')
  add(
    @Param('farmId') farmId: string,
    @Param('photoId') photoId: string,
    @Query('about') about: unknown,
    @Req() request: Request,
    @WriterOf() writer: Writer,
  ): Promise<PhotoInfo> {
    if (!ULID.test(photoId)) throw new Refused('body_wrong', 'A photograph is named by its ULID.');
    return this.photos.add(farmId, photoId, typeof about === 'string' ? about.slice(0, 120) : '', request.body, writer);
  }

  @Get(':photoId')
  @Allow('viewer')
  async one(
    @Param('farmId') farmId: string,
    @Param('photoId') photoId: string,
    @Res() response: Response,
  ): Promise<void> {
    const { type, bytes } = await this.photos.one(farmId, photoId);
    // Never to be run as anything: what somebody uploaded is shown as a picture or not at all.
    response.setHeader('Content-Security-Policy', "default-src 'none'; sandbox");
    response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    response.type(type).send(bytes);
  }
}

@ApiTags('shed')
@Controller('farms/:farmId/fuel')
class FuelController {
  constructor(@Inject(FuelService) private readonly fuel: FuelService) {}

  /** What is left in the tanks that the farm told of, and until when it lasts. */
  @Get()
  @Allow('viewer')
  @ForJobs()
  @Answers('FuelInfo[]', { topics: ['shed', 'book', 'dry', 'header'], keep: true, clock: true })
  all(@Param('farmId') farmId: string): Promise<FuelInfo[]> {
    return this.fuel.all(farmId);
  }
}

@ApiTags('shed')
@Controller('farms/:farmId/wheel')
class AtWheelController {
  constructor(@Inject(AtWheelService) private readonly wheel: AtWheelService) {}

  /** How long each has been at it today, by what he recorded. */
  @Get()
  @Allow('viewer')
  @ForJobs()
  @Answers('AtWheelInfo[]', { topics: ['shed', 'book'], keep: true, clock: true })
  today(@Param('farmId') farmId: string): Promise<AtWheelInfo[]> {
    return this.wheel.today(farmId);
  }
}

@Module({
  imports: [LedgerModule, RecordsModule],
  controllers: [PhotosController, FuelController, AtWheelController],
  providers: [PhotosRepository, PhotosService, FuelService, AtWheelService],
})
export class ShedModule {}
export { PhotoRow } from './shed.entity.js';
