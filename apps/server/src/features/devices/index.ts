import { Module } from '@nestjs/common';
import { BookModule } from '../book/index.js';
import { HaulModule } from '../haul/index.js';
import { NotebookModule } from '../notebook/index.js';
import { DeviceController, DevicesController } from './devices.controller.js';
import { DevicesService } from './devices.service.js';

@Module({ imports: [BookModule, NotebookModule, HaulModule], controllers: [DevicesController, DeviceController], providers: [DevicesService] })
export class DevicesModule {}
