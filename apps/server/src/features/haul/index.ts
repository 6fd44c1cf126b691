import { Module } from '@nestjs/common';
import { BookModule } from '../book/index.js';
import { HaulController } from './haul.controller.js';
import { HaulService } from './haul.service.js';
import { LiveService } from './live.service.js';
import { WeighTicketsService } from './weigh-tickets.service.js';

@Module({ imports: [BookModule], controllers: [HaulController], providers: [HaulService, LiveService, WeighTicketsService], exports: [LiveService] })
export class HaulModule {}
export { LiveService };
