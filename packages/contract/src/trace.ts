import {
  type CalendarEvent,
  type DayReport,
  FIELD_NAMES,
  type Insurance,
  OriginFile,
  WrongFieldLoad,
} from '@fanega/core';
import { ApiProperty, ApiPropertyOptional, OmitType } from '@nestjs/swagger';
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
  Matches,
  Max,
  Min,
} from 'class-validator';
import { SeasonLotBody, WeatherHourBody } from './fields.js';
import { LinkBody, type LinkInfo } from './links.js';
import type { ClockStyle, UnitSystem } from './people.js';
import { CableReadingBody } from './store.js';
import { Each, One, Fits, IsBetween, IsInstant, IsMoisture, ULID } from './rules.js';

export const ORIGIN_KINDS = ['delivery', 'place'] as const;

/** A link that shows one origin. */
export class OriginLinkBody extends LinkBody {
  @ApiProperty({ enum: ORIGIN_KINDS })
  @IsIn(ORIGIN_KINDS, { message: 'an origin is of a delivery or of a place' })
  kind: (typeof ORIGIN_KINDS)[number];

  @ApiProperty({ description: 'the delivery’s entry, or the place' })
  @IsString()
  @Length(1, 40)
  subject: string;
}

export interface OriginLinkInfo extends LinkInfo {
  readonly kind: (typeof ORIGIN_KINDS)[number];
  readonly subject: string;
}

/** Whether what was given still stands in the book: the same, otherwise since, or taken back. */
export type OriginStands = 'same' | 'changed' | 'gone';

/** What a link shows: the origin as it was when the link was made. */
export interface SharedOrigin {
  readonly file: OriginFile;
  readonly givenTo: string;
  readonly madeAt: string;
  readonly stands: OriginStands;
  readonly units: UnitSystem;
  readonly clock: ClockStyle;
}

/** Loads that were filed under the wrong field, put where they belong. */
export class MovedLoadsBody {
  @ApiProperty({ type: [String], description: 'entries off a field' })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(200)
  @IsString({ each: true })
  @Length(1, 40, { each: true })
  loads: string[];

  @ApiProperty({ description: 'the field’s lot that they are of' })
  @IsString()
  @Length(1, 40)
  lot: string;

  @ApiProperty({ description: 'stands in the book with each of them' })
  @IsString()
  @Length(1, 200, { message: 'why are they of another field?' })
  why: string;
}
export interface MovedLoadsAnswer {
  readonly moved: number;
}

/** Units of a season with what is reckoned for them, and loads that may be filed under the wrong field. */
export interface InsuranceAnswer {
  readonly insurance: Insurance;
  readonly wrong: readonly WrongFieldLoad[];
}

/** A corner of a boundary: polygon, ring of it, longitude and latitude. */
export class CornerBody {
  @ApiProperty()
  @IsInt()
  @Min(0)
  @Max(100)
  part: number;

  @ApiProperty()
  @IsInt()
  @Min(0)
  @Max(100)
  ring: number;

  @ApiProperty()
  @IsBetween(-180, 180, 'a longitude is from -180 to 180')
  lon: number;

  @ApiProperty()
  @IsBetween(-90, 90, 'a latitude is from -90 to 90')
  lat: number;
}

/** A field out of a file, with what stands on it in the season. */
export class ImportedFieldBody extends OmitType(SeasonLotBody, ['fieldId', 'acres'] as const) {
  @ApiProperty()
  @Fits(FIELD_NAMES.name, 'the field needs a name')
  name: string;

  @ApiProperty()
  @Fits(FIELD_NAMES.acres)
  acres: number;

  @ApiPropertyOptional({ type: [CornerBody] })
  @IsOptional()
  @IsArray()
  @ArrayMinSize(4)
  @ArrayMaxSize(5000)
  @Each(() => CornerBody)
  boundary?: CornerBody[];
}

/** A file's import: an id that the device made, so that sending it again is harmless, and the file's name. */
class ImportBody {
  @ApiProperty()
  @Matches(ULID, { message: 'the id is a ULID' })
  importId: string;

  @ApiProperty()
  @IsString()
  @Length(1, 120)
  file: string;
}

/** Fields of a file: all of them or none. */
export class FieldsImportBody extends ImportBody {
  @ApiProperty()
  @Fits(FIELD_NAMES.season)
  season: number;

  @ApiProperty({ type: [ImportedFieldBody] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @Each(() => ImportedFieldBody)
  fields: ImportedFieldBody[];
}

export class ImportedLoadBody {
  @ApiProperty()
  @IsString()
  @Length(1, 40)
  lot: string;

  @ApiProperty()
  @IsInstant()
  at: string;

  @ApiProperty()
  @IsBetween(0.001, 14_000_000, 'a load, or a field’s whole harvest, weighs up to 14,000,000 kg')
  wetKg: number;

  @ApiProperty()
  @IsMoisture()
  moisture: number;

  @ApiProperty()
  @IsString()
  @Length(1, 40)
  to: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @Length(0, 40)
  ticket?: string;
}

/** Some loads of a file; `look` says only which are known already. */
export class LoadsImportBody extends ImportBody {
  @ApiProperty()
  @IsBoolean()
  look: boolean;

  @ApiProperty({ enum: ['cartScale', 'monitor', 'bridge', 'estimate'], description: 'by what they were weighed' })
  @IsIn(['cartScale', 'monitor', 'bridge', 'estimate'])
  method: 'cartScale' | 'monitor' | 'bridge' | 'estimate';

  @ApiProperty({ type: [ImportedLoadBody] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(1000)
  @Each(() => ImportedLoadBody)
  loads: ImportedLoadBody[];
}

const Factor =
  (words: string, most = 100): PropertyDecorator =>
  (target, property) => {
    for (const rule of [ApiPropertyOptional({ description: words }), IsOptional(), IsBetween(0, most, `$property is from 0 to ${most}`)]) rule(target, property); // prettier-ignore
  };

/** What a buyer tested, percent; test weight in lb/bu. */
export class TicketFactorsBody {
  @Factor('lb/bu', 80)
  testWeight?: number;

  @Factor('%')
  foreignMaterial?: number;

  @Factor('%')
  damage?: number;

  @Factor('%')
  heat?: number;

  @Factor('%')
  splits?: number;

  @Factor('%')
  broken?: number;

  @Factor('%')
  dockage?: number;
}

export class ImportedTicketBody {
  @ApiProperty()
  @IsString()
  @Length(1, 40)
  ticket: string;

  @ApiProperty()
  @IsInstant()
  at: string;

  @ApiProperty({ description: 'the truck or bin that it came from' })
  @IsString()
  @Length(1, 40)
  from: string;

  @ApiProperty({ description: 'the buyer' })
  @IsString()
  @Length(1, 40)
  to: string;

  @ApiProperty({ description: 'net, kg' })
  @IsBetween(0.001, 100_000, 'a load weighs up to 100,000 kg')
  wetKg: number;

  @ApiPropertyOptional()
  @IsOptional()
  @IsBetween(0, 200_000, 'a gross weight is up to 200,000 kg')
  grossKg?: number;

  @ApiPropertyOptional()
  @IsOptional()
  @IsBetween(0, 200_000, 'an empty weight is up to 200,000 kg')
  tareKg?: number;

  @ApiProperty()
  @IsMoisture()
  moisture: number;

  @ApiPropertyOptional({ description: '$/bu' })
  @IsOptional()
  @IsBetween(0, 1000, 'a price is up to $1,000 a bushel')
  pricePerBu?: number;

  @ApiPropertyOptional({ type: TicketFactorsBody })
  @IsOptional()
  @One(() => TicketFactorsBody)
  factors?: TicketFactorsBody;
}

/** Some tickets of a buyer's file; `look` says only which are known already. */
export class TicketsImportBody extends ImportBody {
  @ApiProperty()
  @IsBoolean()
  look: boolean;

  @ApiProperty({ type: [ImportedTicketBody] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(1000)
  @Each(() => ImportedTicketBody)
  tickets: ImportedTicketBody[];
}

export class ImportedLevelBody {
  @ApiProperty()
  @IsString()
  @Length(1, 40)
  place: string;

  @ApiProperty()
  @IsInstant()
  at: string;

  @ApiProperty({ description: 'what lay there, kg' })
  @IsBetween(0, 1e9, 'a bin holds up to a million tonnes')
  wetKg: number;

  @ApiPropertyOptional()
  @IsOptional()
  @IsMoisture()
  moisture?: number;
}

/** Some levels of a file, each of which sets the book right; `look` says only which are known already. */
export class LevelsImportBody extends ImportBody {
  @ApiProperty()
  @IsBoolean()
  look: boolean;

  @ApiProperty({ type: [ImportedLevelBody] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(1000)
  @Each(() => ImportedLevelBody)
  levels: ImportedLevelBody[];
}

/** Some hours of measured weather out of a file. */
export class WeatherImportBody extends ImportBody {
  @ApiProperty()
  @IsBoolean()
  look: boolean;

  @ApiProperty({ type: [WeatherHourBody] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(1000)
  @Each(() => WeatherHourBody)
  hours: WeatherHourBody[];
}

/** Some readings of temperature cables out of a file. */
export class CablesImportBody extends ImportBody {
  @ApiProperty()
  @IsBoolean()
  look: boolean;

  @ApiProperty({ type: [CableReadingBody] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(1000)
  @Each(() => CableReadingBody)
  readings: CableReadingBody[];
}

export type ImportState = 'new' | 'known' | 'different';
export interface RowsImportAnswer {
  /** One for each row that was sent. */
  readonly states: readonly ImportState[];
  readonly taken: number;
}
export interface LoadsImportAnswer {
  /** One for each load that was sent. */
  readonly states: readonly ImportState[];
  readonly taken: number;
}
export interface FieldsImportAnswer {
  readonly taken: number;
}

export interface FileImportInfo {
  readonly id: string;
  readonly kind: 'fields' | 'loads' | 'tickets' | 'levels' | 'weather' | 'cables';
  readonly file: string;
  readonly by: string;
  readonly at: string;
  readonly taken: number;
  readonly undone: boolean;
}
export interface ImportUndone {
  readonly undone: number;
}

/** A day's work, and what comes in the week after it. */
export interface DayAnswer {
  readonly report: DayReport;
  /** ends of contracts, payments and notices of the seven days after it */
  readonly ahead: readonly CalendarEvent[];
  /** fields in the farm's own order that are not cut to the end, the first three */
  readonly nextLots: readonly string[];
}
