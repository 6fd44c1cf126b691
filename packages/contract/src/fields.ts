import { CROPS, type ReadingSource } from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsNumber,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import { byRule, IsBetween, IsInstant, isRecord, number, ULID } from './rules.js';

const IsWhole = byRule('isWhole', (value) => {
  const parts = Array.isArray(value) ? value.map((share: unknown) => (isRecord(share) ? Number(share.part) : NaN)) : [];
  return Math.abs(parts.reduce((sum, part) => sum + part, 0) - 1) <= 1e-6
    ? null
    : 'the parts of the owners must come to the whole';
});

/** Whose a part of every bushel of a lot is. */
export class ShareBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'whose part?' })
  @MaxLength(60)
  owner: string;

  @ApiProperty({ description: 'fraction of every bushel' })
  @IsBetween(0.0001, 1, 'a part is more than 0 and at most the whole')
  part: number;
}

/** What a field and its lot are called. */
class FieldNames {
  @ApiProperty()
  @IsString()
  @Matches(/\S/, { message: 'the field needs a name' })
  @MaxLength(60)
  name: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @MaxLength(40)
  variety?: string;

  @ApiProperty({ description: 'two or three letters that stand for it in drawings' })
  @IsString()
  @Matches(/\S/, { message: 'the tag is missing: two or three letters' })
  @MaxLength(4, { message: 'the tag is at most four letters' })
  tag: string;
}

const IsAcres = () => IsBetween(0.01, 50_000, 'acres is a number more than 0 and at most 50,000');

/** A field with the lot that stands on it this season. */
export class FieldBody extends FieldNames {
  @ApiProperty()
  @IsAcres()
  acres: number;

  @ApiProperty({ enum: Object.keys(CROPS) })
  @IsIn(Object.keys(CROPS), { message: `crop must be one of ${Object.keys(CROPS).join(', ')}` })
  crop: string;

  @ApiProperty()
  @IsInt()
  @Min(2000)
  @Max(2100)
  season: number;

  @ApiPropertyOptional({ type: [ShareBody], description: 'left out: the farm’s own' })
  @IsOptional()
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(20)
  @ValidateNested({ each: true })
  @Type(() => ShareBody)
  @IsWhole()
  shares?: ShareBody[];
}

/** A field's names and acres, where they were entered wrong or became known. Crop and season stay: what was recorded hangs on them. */
export class FieldChangeBody extends FieldNames {
  @ApiPropertyOptional({ description: 'left out: as it is' })
  @IsOptional()
  @IsAcres()
  acres?: number;
}

/** Rows of a neighbor or a family member, cut in an emergency with the farm's own machines: the first load makes the field. */
export class NeighborRowsBody {
  @ApiProperty({ pattern: ULID.source, description: 'of the lot that its loads name' })
  @Matches(ULID, { message: 'id must be a ULID of 26 letters and digits' })
  id: string;

  @ApiProperty()
  @IsString()
  @Matches(/\S/, { message: 'whose rows?' })
  @MaxLength(60, { message: 'the name is at most 60 letters' })
  owner: string;

  @ApiProperty({ enum: Object.keys(CROPS) })
  @IsIn(Object.keys(CROPS), { message: `crop must be one of ${Object.keys(CROPS).join(', ')}` })
  crop: string;

  @ApiProperty()
  @IsInt()
  @Min(2000)
  @Max(2100)
  season: number;
}

export interface FieldAdded {
  readonly fieldId: string;
  readonly lotId: string;
}
export interface LotAnswer {
  readonly lotId: string;
}

/** A moisture of a lot, read in the field or out of the book. */
export interface ReadingInfo {
  readonly id: string;
  readonly fieldId: string;
  readonly at: string;
  readonly moisture: number | null;
  readonly source: ReadingSource;
  readonly cracked: number | null;
  readonly tester: string;
  readonly spot: string;
  readonly by: string;
  /** Taken back: it counts no longer, and is still there. */
  readonly voided?: boolean;
}

/** One hour of weather, measured or forecast. */
export class WeatherHourBody {
  @ApiProperty({ description: 'start of the hour' })
  @IsInstant()
  at: string;

  @ApiProperty({ description: '°C' })
  @IsNumber(number)
  @Min(-50, { message: 'temperature is from -50 to 60 °C' })
  @Max(60, { message: 'temperature is from -50 to 60 °C' })
  temperature: number;

  @ApiProperty({ description: 'relative humidity, fraction' })
  @IsNumber(number)
  @Min(0.01, { message: 'humidity is a fraction from 0.01 to 1' })
  @Max(1, { message: 'humidity is a fraction from 0.01 to 1' })
  humidity: number;

  @ApiProperty({ description: 'm/s' })
  @IsNumber(number)
  @Min(0)
  @Max(60)
  wind: number;

  @ApiProperty({ description: 'chance of rain in the hour, fraction' })
  @IsNumber(number)
  @Min(0)
  @Max(1)
  rainChance: number;

  @ApiProperty({ description: 'dew or rain on the crop' })
  @IsBoolean()
  wet: boolean;

  @ApiProperty()
  @IsBoolean()
  forecast: boolean;
}

export class WeatherBody {
  @ApiProperty({ type: [WeatherHourBody] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(1000)
  @ValidateNested({ each: true })
  @Type(() => WeatherHourBody)
  hours: WeatherHourBody[];
}

export type WeatherHourInfo = Readonly<WeatherHourBody>;

export interface WeatherAnswer {
  readonly hours: number;
}
