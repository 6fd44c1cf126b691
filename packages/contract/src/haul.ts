import type { FlowMoment } from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsNotEmpty,
  IsObject,
  IsOptional,
  IsString,
  Matches,
  MaxLength,
} from 'class-validator';
import { EntryBody } from './book.js';
import { Each, IsBetween, IsBetweenEach, IsInstant, One, ULID } from './rules.js';

const weight = 'a weight is from -20,000 to 200,000 kg';
const AXLES = 'one weight for the whole truck, or 2 to 12 axles from the front';

/** One figure of a scale on the wire. */
export class ScaleSampleBody {
  @ApiProperty()
  @IsInstant()
  at: string;

  @ApiProperty({ description: 'as the cell shows it, before any zero of ours' })
  @IsBetween(-20_000, 200_000, weight)
  kg: number;
}

/** Figures of a scale since its last call: it sends many at once. */
export class WeightsBody {
  @ApiProperty({ type: [ScaleSampleBody] })
  @IsArray()
  @ArrayMinSize(1, { message: 'samples is empty' })
  @ArrayMaxSize(600, { message: 'at most 600 samples at once' })
  @Each(() => ScaleSampleBody)
  samples: ScaleSampleBody[];
}

/** Where a machine was at one moment, as its receiver says. */
export class PositionSampleBody {
  @ApiProperty()
  @IsInstant()
  at: string;

  @ApiProperty({ description: '° east' })
  @IsBetween(-180, 180, 'a longitude is from -180 to 180°')
  lon: number;

  @ApiProperty({ description: '° north' })
  @IsBetween(-90, 90, 'a latitude is from -90 to 90°')
  lat: number;

  @ApiProperty({ description: 'm: it is within so far of it' })
  @IsBetween(0, 100_000, 'an accuracy is in meters, from 0 to 100,000')
  accuracy: number;
}

export class PositionsBody {
  @ApiProperty({ type: [PositionSampleBody] })
  @IsArray()
  @ArrayMinSize(1, { message: 'samples is empty' })
  @ArrayMaxSize(600, { message: 'at most 600 samples at once' })
  @Each(() => PositionSampleBody)
  samples: PositionSampleBody[];
}

/** Where the phone in a machine's cab was. */
export class PhonePositionsBody extends PositionsBody {
  @ApiProperty({ description: 'the machine that it rides in: combine, cart or truck' })
  @IsString()
  @IsNotEmpty({ message: 'which machine it rides in is missing' })
  @MaxLength(40)
  placeId: string;
}

/** What a combine's display shows at one moment. */
export class FlowSampleBody {
  @ApiProperty()
  @IsInstant()
  at: string;

  @ApiProperty({ description: 'kg/s into the tank' })
  @IsBetween(0, 100, 'a flow is from 0 to 100 kg/s')
  flow: number;

  @ApiProperty({ description: 'wet-basis fraction' })
  @IsBetween(0, 0.6, 'moisture is a wet-basis fraction from 0 to 0.6 (16.5 % is 0.165)')
  moisture: number;

  @ApiProperty({ description: 'm/s over ground' })
  @IsBetween(0, 15, 'a speed is from 0 to 15 m/s')
  speed: number;

  @ApiPropertyOptional({ description: 'kg/ha as the display works it out' })
  @IsOptional()
  @IsBetween(0, 60_000, 'a yield is from 0 to 60,000 kg/ha')
  yieldKgPerHa?: number;

  @ApiPropertyOptional({ description: 'degrees east, where its own receiver knows it' })
  @IsOptional()
  @IsBetween(-180, 180, 'a longitude is from -180 to 180')
  lon?: number;

  @ApiPropertyOptional({ description: 'degrees north' })
  @IsOptional()
  @IsBetween(-90, 90, 'a latitude is from -90 to 90')
  lat?: number;

  @ApiPropertyOptional({ description: 'm² that it counted cut in the field that is open on it' })
  @IsOptional()
  @IsBetween(0, 2e8, 'an area is from 0 to 200,000,000 m²')
  areaM2?: number;
}

/** Figures of a display since its last call. */
export class FlowsBody {
  @ApiPropertyOptional({ description: 'the field of the season that is open on it, as the farm’s names have it' })
  @IsOptional()
  @IsString()
  @IsNotEmpty({ message: 'which field is open on it?' })
  @MaxLength(40)
  lotId?: string;

  @ApiProperty({ type: [FlowSampleBody] })
  @IsArray()
  @ArrayMinSize(1, { message: 'samples is empty' })
  @ArrayMaxSize(600, { message: 'at most 600 samples at once' })
  @Each(() => FlowSampleBody)
  samples: FlowSampleBody[];
}

/** Figures of one device on their way to the screens that watch it: weights of a scale, or flows of a display. */
export interface LiveEvent {
  readonly deviceId: string;
  readonly weights?: readonly { readonly atMs: number; readonly kg: number }[];
  readonly flows?: readonly FlowMoment[];
}

/** A loaded truck on the truck scale. The number of its ticket is the farm's next one, and never comes twice. */
export class WeighTicketBody {
  @ApiProperty({ pattern: ULID.source })
  @Matches(ULID, { message: 'id must be a ULID of 26 letters and digits' })
  id: string;

  @ApiProperty()
  @IsInstant()
  at: string;

  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which truck?' })
  @MaxLength(40)
  machineId: string;

  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which tractor and trailer?' })
  @MaxLength(60)
  combination: string;

  @ApiProperty({ type: [Number], description: AXLES })
  @IsArray()
  @ArrayMinSize(1, { message: AXLES })
  @ArrayMaxSize(12, { message: AXLES })
  @IsBetweenEach(1, 100_000, 'a weight is from 1 to 100,000 kg')
  grossKg: number[];

  @ApiProperty({ type: [Number], description: 'empty, whole or by axle' })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(12)
  @IsBetweenEach(1, 60_000, 'an empty weight is from 1 to 60,000 kg')
  tareKg: number[];

  @ApiPropertyOptional({ description: 'the empty weight as it was recorded; left out: typed from a paper' })
  @IsOptional()
  @IsString()
  @MaxLength(26)
  tareId?: string;

  @ApiProperty({ description: 'typed from a scale without a wire' })
  @IsBoolean()
  byHand: boolean;

  @ApiPropertyOptional({
    type: () => EntryBody,
    description: 'what it says in the book: a witness of the load, or what the truck holds',
  })
  @IsOptional()
  @One(() => EntryBody)
  entry?: EntryBody;
}

/** A printed weight, as it is kept. */
export interface WeighTicketInfo {
  readonly number: number;
  readonly id: string;
  readonly at: string;
  readonly machineId: string;
  readonly combination: string;
  readonly grossKg: readonly number[];
  readonly tareKg: readonly number[];
  readonly tareId: string | null;
  readonly netKg: number;
  readonly byHand: boolean;
  readonly crop: string | null;
  /** What the book had on the truck, by lot: fractions. */
  readonly shares: Readonly<Record<string, number>>;
  readonly entryId: string | null;
  readonly by: string;
  readonly voided: boolean;
}

/** A weight that is taken again: the old ticket is void, what it said in the book is void, the new one stands. One request, all or nothing. */
export class WeighTicketCorrectionBody {
  @ApiProperty({ type: () => EntryBody, description: 'the void of what the old ticket said in the book' })
  @IsOptional()
  @One(() => EntryBody)
  void?: EntryBody;

  @ApiProperty({ type: () => WeighTicketBody })
  @IsObject({ message: 'the new ticket is missing' })
  @One(() => WeighTicketBody)
  ticket: WeighTicketBody;
}

/** A ticket taken back, with the void of what it said in the book. */
export class WeighTicketVoidBody {
  @ApiPropertyOptional({ type: () => EntryBody })
  @IsOptional()
  @One(() => EntryBody)
  void?: EntryBody;
}
