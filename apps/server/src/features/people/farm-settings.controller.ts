import { type FarmSettingsAnswer, FarmSettingsBody } from '@fanega/contract';
import { Body, Controller, Inject, Param, Put } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { FarmWrites } from '../../platform/farm-write.js';
import { PeopleRepository } from './people.repository.js';

@ApiTags('people')
@Controller('farms/:farmId/settings')
export class FarmSettingsController {
  constructor(
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(PeopleRepository) private readonly people: PeopleRepository,
  ) {}

  /** Units and clock of everybody who chose none for himself, and of what is printed. */
  @Put()
  @Allow('manager')
  @Answers('FarmSettingsAnswer')
  change(@Param('farmId') farmId: string, @Body() { units, clock }: FarmSettingsBody): Promise<FarmSettingsAnswer> {
    return this.writes.run(farmId, async ({ tx, changed }) => {
      await this.people.changeFarm(tx, farmId, { units, clock });
      changed('header');
      return { units, clock };
    });
  }
}
