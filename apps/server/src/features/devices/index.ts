import { Module } from '@nestjs/common';
import { FieldsModule } from '../fields/index.js';
import { HaulModule } from '../haul/index.js';
import { LedgerModule } from '../ledger/index.js';
import { RecordsModule } from '../records/index.js';
import { StoreModule } from '../store/index.js';
import { DeviceController, DevicesController, PositionsController } from './devices.controller.js';
import { DevicesRepository } from './devices.repository.js';
import { DevicesService } from './devices.service.js';
import { SeenService } from './seen.service.js';

@Module({
  imports: [LedgerModule, RecordsModule, FieldsModule, HaulModule, StoreModule],
  controllers: [DevicesController, DeviceController, PositionsController],
  providers: [DevicesRepository, DevicesService, SeenService],
})
export class DevicesModule {}
