import { DRYER_ALARMS, DRYER_SAMPLE } from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsOptional,
  IsString,
  Length,
  Matches,
} from 'class-validator';
import { Each, Fits, IsInstant, ULID } from './rules.js';

/** What a dryer's control says at a moment. */
export class DryerSaysBody {
  @ApiProperty({ description: 'made by the device: the same again changes nothing' })
  @Matches(ULID, { message: 'id is a ULID of 26 letters and digits' })
  id: string;

  @ApiProperty()
  @IsString()
  @Length(1, 40)
  placeId: string;

  @ApiProperty()
  @IsInstant()
  at: string;

  @ApiProperty({
    description: 'it burns and moves grain: a run begins with the first, and ends with the first that says no',
  })
  @IsBoolean({ message: 'running is true or false' })
  running: boolean;

  @ApiPropertyOptional({ description: 'wet-basis fraction' })
  @IsOptional()
  @Fits(DRYER_SAMPLE.fields.moistureIn)
  moistureIn?: number;

  @ApiPropertyOptional({ description: 'wet-basis fraction' })
  @IsOptional()
  @Fits(DRYER_SAMPLE.fields.moistureOut)
  moistureOut?: number;

  @ApiPropertyOptional({ description: '°C' })
  @IsOptional()
  @Fits(DRYER_SAMPLE.fields.plenum)
  plenum?: number;

  @ApiPropertyOptional({ description: 'wet, into it' })
  @IsOptional()
  @Fits(DRYER_SAMPLE.fields.bushelsPerHour)
  bushelsPerHour?: number;

  @ApiPropertyOptional({ description: 'as the meter stands' })
  @IsOptional()
  @Fits(DRYER_SAMPLE.fields.fuelMeter)
  fuelMeter?: number;

  @ApiPropertyOptional({ enum: DRYER_ALARMS })
  @IsOptional()
  @IsIn(DRYER_ALARMS, { message: `alarm is one of ${DRYER_ALARMS.join(', ')}` })
  alarm?: (typeof DRYER_ALARMS)[number];
}

export class DryerSaysListBody {
  @ApiProperty({ type: [DryerSaysBody] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(300)
  @Each(() => DryerSaysBody)
  samples: DryerSaysBody[];
}
