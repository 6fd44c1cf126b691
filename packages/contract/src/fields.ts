import { CROPS, FIELD_NAMES, type ReadingSource } from '@fanega/core';
import { ApiProperty, ApiPropertyOptional, PickType } from '@nestjs/swagger';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsNumber,
  IsOptional,
  IsString,
  Length,
  Matches,
  Max,
  Min,
} from 'class-validator';
import { byRule, Each, Fits, IsCrop, IsInstant, isRecord, number, ULID } from './rules.js';

const IsWhole = byRule('isWhole', (value) => {
  const parts = Array.isArray(value) ? value.map((share: unknown) => (isRecord(share) ? Number(share.part) : NaN)) : [];
  return Math.abs(parts.reduce((sum, part) => sum + part, 0) - 1) <= 1e-6
    ? null
    : 'the parts of the owners must come to the whole';
});

/** Whose a part of every bushel of a lot is. */
export class ShareBody {
  @ApiProperty()
  @Fits(FIELD_NAMES.owner, 'whose part?')
  owner: string;

  @ApiProperty({ description: 'fraction of every bushel' })
  @Fits(FIELD_NAMES.part)
  part: number;
}

/** What a field and its lot are called. */
class FieldNames {
  @ApiProperty()
  @Fits(FIELD_NAMES.name, 'the field needs a name')
  name: string;

  @ApiPropertyOptional()
  @Fits(FIELD_NAMES.variety)
  variety?: string;

  @ApiProperty({ description: 'two or three letters that stand for it in drawings' })
  @Fits(FIELD_NAMES.tag, 'the tag is missing: two or three letters')
  tag: string;
}

/** A field with the lot that stands on it this season. */
export class FieldBody extends FieldNames {
  @ApiProperty()
  @Fits(FIELD_NAMES.acres)
  acres: number;

  @ApiProperty({ description: `${Object.keys(CROPS).join(', ')}, or the id of a crop of the farm's own` })
  @IsCrop()
  crop: string;

  @ApiProperty()
  @Fits(FIELD_NAMES.season)
  season: number;

  @ApiPropertyOptional({ type: [ShareBody], description: 'left out: the farm’s own' })
  @IsOptional()
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(20)
  @Each(() => ShareBody)
  @IsWhole()
  shares?: ShareBody[];
}

/** A field that goes on into another season, with what stands on it then. */
export class SeasonLotBody extends PickType(FieldBody, ['crop', 'variety', 'tag', 'shares'] as const) {
  @ApiProperty()
  @IsString()
  @Length(1, 40)
  fieldId: string;

  @ApiPropertyOptional({ description: 'of this season; left out: as the field has' })
  @IsOptional()
  @Fits(FIELD_NAMES.acres)
  acres?: number;
}

/** A season begins with fields that the farm has already: all of them, or nothing. */
export class SeasonBody {
  @ApiProperty()
  @Fits(FIELD_NAMES.season)
  season: number;

  @ApiProperty({ type: [SeasonLotBody] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @Each(() => SeasonLotBody)
  lots: SeasonLotBody[];
}

export interface SeasonBegun {
  readonly season: number;
  readonly lotIds: readonly string[];
}

/** A field's names and acres, where they were entered wrong or became known. Crop and season stay: what was recorded hangs on them. */
export class FieldChangeBody extends FieldNames {
  @ApiPropertyOptional({ description: 'left out: as it is' })
  @IsOptional()
  @Fits(FIELD_NAMES.acres)
  acres?: number;
}

/** Rows of a neighbor or a family member, cut in an emergency with the farm's own machines: the first load makes the field. */
export class NeighborRowsBody {
  @ApiProperty({ pattern: ULID.source, description: 'of the lot that its loads name' })
  @Matches(ULID, { message: 'id must be a ULID of 26 letters and digits' })
  id: string;

  @ApiProperty()
  @Fits(FIELD_NAMES.owner, 'whose rows?')
  owner: string;

  @ApiProperty({ description: `${Object.keys(CROPS).join(', ')}, or the id of a crop of the farm's own` })
  @IsCrop()
  crop: string;

  @ApiProperty()
  @Fits(FIELD_NAMES.season)
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
  /** of one zone alone; null: of the field */
  readonly zoneId: string | null;
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
  @Each(() => WeatherHourBody)
  hours: WeatherHourBody[];
}

export type WeatherHourInfo = Readonly<WeatherHourBody>;

export interface WeatherAnswer {
  readonly hours: number;
}
