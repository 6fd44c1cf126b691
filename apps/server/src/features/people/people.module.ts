import { Module } from '@nestjs/common';
import { FarmSettingsController } from './farm-settings.controller.js';
import { PeopleController } from './people.controller.js';
import { PeopleRepository } from './people.repository.js';
import { PeopleService } from './people.service.js';

@Module({
  controllers: [PeopleController, FarmSettingsController],
  providers: [PeopleRepository, PeopleService],
  exports: [PeopleService],
})
export class PeopleModule {}
