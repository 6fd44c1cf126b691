import { Module } from '@nestjs/common';
import { NotebookModule } from '../notebook/index.js';
import { ShedController } from './shed.controller.js';
import { ShedService } from './shed.service.js';

@Module({ imports: [NotebookModule], controllers: [ShedController], providers: [ShedService] })
export class ShedModule {}
