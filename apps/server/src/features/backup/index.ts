import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import type { BackupInfo, BackupsAnswer } from '@fanega/contract';
import { Controller, Get, HttpCode, Inject, Logger, Module, Param, Post, Req, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { Allow } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { TakesBody } from '../../platform/body.js';
import { answerInLines } from '../../platform/lines.js';
import { LedgerModule } from '../ledger/index.js';
import { BackupRepository } from './backup.repository.js';
import { BackupService } from './backup.service.js';

@ApiTags('backup')
@Controller('farms/:farmId')
export class BackupController {
  private readonly log = new Logger('backup');
  constructor(@Inject(BackupService) private readonly backups: BackupService) {}

  /** Backups that are kept on the server, newest first, and whether the last one is too old. */
  @Get('backups')
  @Allow('manager')
  @Answers('BackupsAnswer')
  list(@Param('farmId') farmId: string): Promise<BackupsAnswer> {
    return this.backups.list(farmId);
  }

  /** Makes one now, beside those of every day. */
  @Post('backups')
  @HttpCode(200)
  @Allow('owner')
  @Answers('BackupInfo')
  keep(@Param('farmId') farmId: string): Promise<BackupInfo> {
    return this.backups.keep(farmId);
  }

  @Get('backups/:name')
  @Allow('owner')
  async kept(@Param('farmId') farmId: string, @Param('name') name: string, @Res() response: Response): Promise<void> {
    const file = await this.backups.fileOf(farmId, name);
    response.type('application/zip').attachment(name);
    await pipeline(createReadStream(file), response);
  }

  /** Everything that the farm has, as one archive made now. */
  @Get('backup')
  @Allow('owner')
  async now(@Param('farmId') farmId: string, @Res() response: Response): Promise<void> {
    response.type('application/zip').attachment(`fanega-${new Date().toISOString().slice(0, 10)}.zip`);
    try {
      await this.backups.write(farmId, response);
    } catch (error) {
      // Half of a backup must not look like one.
      this.log.error(String(error));
      if (!response.headersSent) throw error;
      response.destroy(error as Error);
    }
  }

  /** Brings a backup into a farm that has nothing yet: looked at whole first, then line by line how far it is. */
  @Post('backup')
  @HttpCode(200)
  @Allow('owner')
  @TakesBody('stream')
  @Answers('BroughtLine')
  async bring(@Param('farmId') farmId: string, @Req() request: Request, @Res() response: Response): Promise<void> {
    const { bring, drop } = await this.backups.receive(farmId, request);
    const failed = 'The backup could not be brought back. Nothing was changed.';
    await answerInLines(response, this.log, failed, async (tell) => ({ entries: await bring(tell) })).finally(drop);
  }
}

@Module({
  controllers: [BackupController],
  imports: [LedgerModule],
  providers: [BackupRepository, BackupService],
  exports: [BackupService],
})
export class BackupModule {}
export { BackupService } from './backup.service.js';
