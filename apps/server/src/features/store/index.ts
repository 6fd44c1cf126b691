import {
  type CablesAnswer,
  type LevelInfo,
  type MotorInfo,
  type PlaceAnswer,
  PlaceBody,
  PlaceChangeBody,
  PlaceInUseBody,
} from '@fanega/contract';
import { bareMachine, EMPTY_KG, hasVessel, type Machine, usualWithdrawal, type Withdrawal } from '@fanega/core';
import { Body, Controller, Get, Inject, Injectable, Module, Param, Post, Put, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { ulid } from 'ulid';
import { Allow, ForJobs } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { FarmWrites } from '../../platform/farm-write.js';
import { Refused, unlessNameUsed } from '../../platform/refused.js';
import { wholeNumber } from '../../platform/query.js';
import { FieldsModule } from '../fields/index.js';
import { LedgerModule, LedgerService, PlacesRepository } from '../ledger/index.js';
import { RecordsModule, RecordsRepository, RecordsService } from '../records/index.js';
import { CablesRepository, packed } from './cables.repository.js';
import { CablesService } from './cables.service.js';
import { LevelsRepository } from './levels.repository.js';
import { LevelsService } from './levels.service.js';
import { MotorsRepository } from './motors.repository.js';
import { MotorsService } from './motors.service.js';
import { SharedGrainController, SharesController } from './shares.controller.js';
import { SharesRepository } from './shares.repository.js';
import { SharesService } from './shares.service.js';

/** Places that hold grain. What was recorded points to their ids: nothing is deleted. */
@Injectable()
class StoreService {
  constructor(
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(PlacesRepository) private readonly places: PlacesRepository,
    @Inject(RecordsRepository) private readonly kept: RecordsRepository,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(LedgerService) private readonly ledgers: LedgerService,
  ) {}

  /** A combine, cart, truck or dryer is a machine of the shed too: one thing, one id. */
  addPlace(farmId: string, { name, kind, withdrawal, capacityBu }: PlaceBody): Promise<{ placeId: string }> {
    return unlessNameUsed(() =>
      this.writes.run(farmId, async (write) => {
        const { tx, changed } = write;
        const placeId = ulid();
        await this.places.add(tx, {
          farmId,
          id: placeId,
          name: name.trim(),
          kind,
          withdrawal: (withdrawal as Withdrawal | undefined) ?? (kind === 'bin' ? 'mixed' : usualWithdrawal(kind)),
          capacityBu: capacityBu ?? null,
          putAway: false,
        });
        changed('header');
        if (hasVessel(kind))
          await this.records.changeIn(write, 'machine', placeId, {
            revision: 0,
            value: { ...bareMachine(kind as Machine['kind'], name.trim()), placeId },
          });
        return { placeId };
      }),
    );
  }

  changePlace(farmId: string, placeId: string, body: PlaceChangeBody): Promise<{ placeId: string }> {
    return unlessNameUsed(() =>
      this.writes.run(farmId, async (write) => {
        const { tx, changed } = write;
        const place = await this.places.one(tx, farmId, placeId);
        if (!place) throw new Refused('not_found', 'There is no such place in the book.');
        await this.places.change(tx, farmId, placeId, {
          name: body.name.trim(),
          capacityBu: body.capacityBu ?? null,
        });
        changed('header');
        if (hasVessel(place.kind) && place.name !== body.name.trim()) {
          for (const { row, body: machine } of await this.kept.machinesOf(tx, farmId, placeId))
            await this.records.changeIn(write, 'machine', String(row.id), {
              revision: Number(row.revision),
              value: { ...(machine as unknown as Machine), name: body.name.trim() },
            });
        }
        return { placeId };
      }),
    );
  }

  /**
   * Puts a place away, or brings it back; its machine with it. What was recorded of it stays, and is found.
   * @throws {Refused} while it holds grain, and a buyer while a contract with him is open
   */
  async setInUse(farmId: string, placeId: string, inUse: boolean): Promise<{ placeId: string }> {
    const { ledger, places } = await this.ledgers.open(farmId);
    const known = places.find(({ id }) => id === placeId);
    if (!known) throw new Refused('not_found', 'There is no such place in the book.');
    if (!inUse && known.kind !== 'buyer' && Math.abs(ledger.position(placeId).wetKg) > EMPTY_KG)
      throw new Refused(
        'place_in_use',
        `${known.name} still holds grain by the book: empty it first, or say what is in it.`,
      );
    if (!inUse && known.kind === 'buyer') {
      const contracts = await this.records.settingsOf(farmId, 'contract');
      const open = Object.values(contracts).find(({ value }) => value.buyerId === placeId && !value.done);
      if (open)
        throw new Refused('place_in_use', `Contract ${open.value.number} with ${known.name} is open: fill it, or mark it done, first.`); // prettier-ignore
    }
    return this.writes.run(farmId, async (write) => {
      const { tx, changed } = write;
      await this.places.change(tx, farmId, placeId, { putAway: !inUse });
      changed('header');
      if (hasVessel(known.kind))
        for (const { row, body: machine } of await this.kept.machinesOf(tx, farmId, placeId))
          await this.records.changeIn(write, 'machine', String(row.id), {
            revision: Number(row.revision),
            value: { ...(machine as unknown as Machine), retired: !inUse },
          });
      return { placeId };
    });
  }
}

@ApiTags('store')
@Controller('farms/:farmId/places')
class StoreController {
  constructor(
    @Inject(StoreService) private readonly service: StoreService,
    @Inject(CablesService) private readonly cables: CablesService,
  ) {}

  /** A bin's temperature cables as they stand: hot spots, what is left out, and a picture of the last `days`. */
  @Get(':placeId/cables')
  @Allow('viewer')
  @Answers('CablesAnswer', { topics: ['weather', 'store', 'book', 'header'], keep: true, clock: true })
  cablesOf(
    @Param('farmId') farmId: string,
    @Param('placeId') placeId: string,
    @Query('days') days?: string,
  ): Promise<CablesAnswer> {
    return this.cables.now(farmId, placeId, wholeNumber('days', days, 30, 400));
  }

  @Post()
  @Allow('manager')
  @Answers('PlaceAnswer')
  addPlace(@Param('farmId') farmId: string, @Body() body: PlaceBody): Promise<PlaceAnswer> {
    return this.service.addPlace(farmId, body);
  }

  @Put(':placeId')
  @Allow('manager')
  @Answers('PlaceAnswer')
  changePlace(
    @Param('farmId') farmId: string,
    @Param('placeId') placeId: string,
    @Body() body: PlaceChangeBody,
  ): Promise<PlaceAnswer> {
    return this.service.changePlace(farmId, placeId, body);
  }

  /** Puts a place away that is not used any more, or brings it back. */
  @Put(':placeId/in-use')
  @Allow('manager')
  @Answers('PlaceAnswer')
  setInUse(
    @Param('farmId') farmId: string,
    @Param('placeId') placeId: string,
    @Body() { inUse }: PlaceInUseBody,
  ): Promise<PlaceAnswer> {
    return this.service.setInUse(farmId, placeId, inUse);
  }
}

@ApiTags('store')
@Controller('farms/:farmId')
class SiteController {
  constructor(
    @Inject(MotorsService) private readonly motors: MotorsService,
    @Inject(LevelsService) private readonly levels: LevelsService,
  ) {}

  /** Bins with a level sensor, and whether what each gained is what the book brought there. */
  @Get('levels')
  @Allow('viewer')
  @ForJobs()
  @Answers('LevelInfo[]', { topics: ['devices', 'book', 'store', 'header'], keep: true, clock: true })
  levelsNow(@Param('farmId') farmId: string): Promise<LevelInfo[]> {
    return this.levels.now(farmId);
  }

  /** What each motor of the bin site does. */
  @Get('motors')
  @Allow('viewer')
  @ForJobs()
  @Answers('MotorInfo[]', { topics: ['devices'], keep: true })
  list(@Param('farmId') farmId: string): Promise<MotorInfo[]> {
    return this.motors.list(farmId);
  }
}

@Module({
  imports: [LedgerModule, RecordsModule, FieldsModule],
  controllers: [StoreController, SiteController, SharesController, SharedGrainController],
  providers: [
    StoreService,
    SharesRepository,
    SharesService,
    CablesRepository,
    CablesService,
    MotorsRepository,
    MotorsService,
    LevelsRepository,
    LevelsService,
  ],
  exports: [CablesService, LevelsService, MotorsService],
})
export class StoreModule {}
export { CablesService, LevelsService, MotorsService, packed };
export { CableReadingRow, KeptShareRow, LevelRow, MotorRow, OwnerLinkRow } from './store.entity.js';
