import { Module } from '@nestjs/common';
import { BookModule } from '../book/index.js';
import { HaulController } from './haul.controller.js';
import { HaulService } from './haul.service.js';
import { ScalesService } from './scales.service.js';
import { WeighTicketsService } from './weigh-tickets.service.js';

@Module({ imports: [BookModule], controllers: [HaulController], providers: [HaulService, ScalesService, WeighTicketsService], exports: [ScalesService] })
export class HaulModule {}
export { ScalesService };
