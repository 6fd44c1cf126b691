import { FieldBody, FieldChangeBody, NeighborRowsBody, PlaceBody, PlaceChangeBody, SharesBody } from '@fanega/contract';
import { Body, Controller, Inject, Param, Post, Put } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow } from '../../platform/access.js';
import { SetupService } from './setup.service.js';

@ApiTags('setup')
@Controller('farms/:farmId')
export class SetupController {
  constructor(@Inject(SetupService) private readonly setup: SetupService) {}

  @Post('fields')
  @Allow('manager')
  addField(@Param('farmId') farmId: string, @Body() body: FieldBody): Promise<{ fieldId: string; lotId: string }> {
    return this.setup.addField(farmId, body);
  }

  /** By whoever drives: the rows burn or the hail comes, and the owner stands with the first load. */
  @Post('neighbor-rows')
  @Allow('operator')
  addNeighborRows(@Param('farmId') farmId: string, @Body() body: NeighborRowsBody): Promise<{ lotId: string }> {
    return this.setup.addNeighborRows(farmId, body);
  }

  @Put('lots/:lotId')
  @Allow('manager')
  changeField(@Param('farmId') farmId: string, @Param('lotId') lotId: string, @Body() body: FieldChangeBody): Promise<{ lotId: string }> {
    return this.setup.changeField(farmId, lotId, body);
  }

  @Put('lots/:lotId/shares')
  @Allow('manager')
  changeShares(@Param('farmId') farmId: string, @Param('lotId') lotId: string, @Body() body: SharesBody): Promise<{ lotId: string }> {
    return this.setup.changeShares(farmId, lotId, body);
  }

  @Post('places')
  @Allow('manager')
  addPlace(@Param('farmId') farmId: string, @Body() body: PlaceBody): Promise<{ placeId: string }> {
    return this.setup.addPlace(farmId, body);
  }

  @Put('places/:placeId')
  @Allow('manager')
  changePlace(@Param('farmId') farmId: string, @Param('placeId') placeId: string, @Body() body: PlaceChangeBody): Promise<{ placeId: string }> {
    return this.setup.changePlace(farmId, placeId, body);
  }
}
