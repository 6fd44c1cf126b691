import {
  type CablesNow,
  FIELD_NAMES,
  type LevelWatch,
  type MotorNow,
  type OwnersGrain,
  PLACE_KINDS,
  PLACE_NAMES,
  WITHDRAWALS,
} from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  Length,
  Max,
  Min,
} from 'class-validator';
import { LinkBody, type LinkInfo } from './links.js';
import type { ClockStyle, UnitSystem } from './people.js';
import { Each, FiguresOrNulls, Fits, IsBetween, IsInstant } from './rules.js';

/** What a place is called and holds. Its kind and how grain comes out of it stay: what was recorded was mixed by them. */
export class PlaceChangeBody {
  @ApiProperty()
  @Fits(PLACE_NAMES.name, 'the place needs a name')
  name: string;

  @ApiPropertyOptional({ description: 'struck, in bushels; left out: nobody knows' })
  @IsOptional()
  @Fits(PLACE_NAMES.capacityBu)
  capacityBu?: number;
}

export class PlaceBody extends PlaceChangeBody {
  @ApiProperty({ enum: PLACE_KINDS })
  @IsIn(PLACE_KINDS, { message: `kind must be one of ${PLACE_KINDS.join(', ')}` })
  kind: string;

  @ApiPropertyOptional({ enum: WITHDRAWALS })
  @IsOptional()
  @IsIn(WITHDRAWALS, { message: `withdrawal must be one of ${WITHDRAWALS.join(', ')}` })
  withdrawal?: string;
}

/** Whether pages offer a place: a bin that was torn down and a buyer who gave up are put away, and brought back. */
export class PlaceInUseBody {
  @ApiProperty()
  @IsBoolean({ message: 'inUse must be true or false' })
  inUse: boolean;
}

export interface PlaceAnswer {
  readonly placeId: string;
}

/** What one cable of a bin read at one moment. */
export class CableReadingBody {
  @ApiProperty()
  @IsString()
  @Length(1, 40)
  placeId: string;

  @ApiProperty({ description: 'which of the bin’s cables, from 0' })
  @IsInt()
  @Min(0)
  @Max(19, { message: 'cable is from 0 to 19' })
  cable: number;

  @ApiProperty()
  @IsInstant()
  at: string;

  @ApiProperty({
    type: 'array',
    items: { type: 'number', nullable: true },
    description: '°C from the lowest sensor up; null for one that says nothing',
  })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(40)
  @FiguresOrNulls(-60, 120, '°C')
  celsius: (number | null)[];
}

export class CableReadingsBody {
  @ApiProperty({ type: [CableReadingBody] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(1000)
  @Each(() => CableReadingBody)
  readings: CableReadingBody[];
}

/** A bin's cables as they stand; null where none hang in it. */
export interface CablesAnswer {
  readonly cables: CablesNow | null;
}

/** What a motor of the bin site does. */
export class MotorBody {
  @ApiProperty({ description: 'the machine’s id in the list of the site' })
  @IsString()
  @Length(1, 40)
  machineId: string;

  @ApiProperty()
  @IsInstant()
  at: string;

  @ApiProperty()
  @IsBoolean({ message: 'running is true or false' })
  running: boolean;

  @ApiPropertyOptional({ description: 'of its full load' })
  @IsOptional()
  @IsBetween(0, 5, 'load is a fraction of full load from 0 to 5')
  load?: number;
}

export class MotorsBody {
  @ApiProperty({ type: [MotorBody] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(200)
  @Each(() => MotorBody)
  motors: MotorBody[];
}

export type MotorInfo = MotorNow;

/** What a level sensor says. */
export class LevelBody {
  @ApiProperty()
  @IsString()
  @Length(1, 40)
  placeId: string;

  @ApiProperty()
  @IsInstant()
  at: string;

  @ApiProperty({ description: 'm from the eave down to the grain at the sensor' })
  @IsBetween(-20, 80, 'belowEave is m from -20 to 80')
  belowEave: number;
}

export class LevelsBody {
  @ApiProperty({ type: [LevelBody] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @Each(() => LevelBody)
  levels: LevelBody[];
}

/** A bin's level by its sensor, and whether what it gained is what the book brought there. */
export interface LevelInfo extends LevelWatch {
  readonly placeId: string;
}

/** A link by which an owner sees what of the grain in this farm's bins is his. */
export class OwnerLinkBody extends LinkBody {
  @ApiProperty({ description: 'as he stands with the fields' })
  @Fits(FIELD_NAMES.owner, 'which owner?')
  owner: string;
}
export interface OwnerLinkInfo extends LinkInfo {
  readonly owner: string;
}
/** What the link shows, as the book stands now. */
export interface SharedGrain {
  readonly farm: string;
  readonly givenTo: string;
  readonly at: string;
  readonly timeZone: string;
  readonly units: UnitSystem;
  readonly clock: ClockStyle;
  readonly grain: OwnersGrain;
}

/** A link of another farm that this one keeps, to see its own grain in the other's bins. */
export class KeepShareBody {
  @ApiProperty({ description: 'the secret of the link' })
  @IsString()
  @Length(20, 100, { message: 'this is no link of a farm' })
  secret: string;
}
export interface KeptShareInfo {
  readonly id: string;
  readonly farm: string;
  readonly owner: string;
  /** null: the link has ended or was cut off */
  readonly share: SharedGrain | null;
}
