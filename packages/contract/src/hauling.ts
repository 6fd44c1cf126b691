import type { Entry, FlowMoment, GrainWeighed, HarvestEntry, OwnTimes, VehicleNow } from '@fanega/core';
import { LINKS } from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Type } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsBoolean, IsIn, IsNotEmpty, IsOptional, IsString, Matches, MaxLength, ValidateNested } from 'class-validator';
import { EntryBody } from './entries.js';
import { IsBetween, IsBetweenEach, IsDay, IsInstant, NoteBody, SheetChange, ULID } from './rules.js';

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
  @ValidateNested({ each: true })
  @Type(() => ScaleSampleBody)
  samples: ScaleSampleBody[];
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
}

/** Figures of a display since its last call. */
export class FlowsBody {
  @ApiProperty({ type: [FlowSampleBody] })
  @IsArray()
  @ArrayMinSize(1, { message: 'samples is empty' })
  @ArrayMaxSize(600, { message: 'at most 600 samples at once' })
  @ValidateNested({ each: true })
  @Type(() => FlowSampleBody)
  samples: FlowSampleBody[];
}

/** Figures of one device on their way to the screens that watch it: weights of a scale, or flows of a display. */
export interface LiveEvent {
  readonly deviceId: string;
  readonly weights?: readonly { readonly atMs: number; readonly kg: number }[];
  readonly flows?: readonly FlowMoment[];
}

/** An empty weight of a combination of tractor and trailer. */
export class TareBody extends NoteBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which truck?' })
  @MaxLength(40)
  machineId: string;

  @ApiProperty({ description: 'tractor and trailer that stood on the scale' })
  @IsString()
  @IsNotEmpty({ message: 'which tractor and trailer?' })
  @MaxLength(60, { message: 'the combination is at most 60 letters' })
  combination: string;

  @ApiProperty({ type: [Number], description: AXLES })
  @IsArray()
  @ArrayMinSize(1, { message: AXLES })
  @ArrayMaxSize(12, { message: AXLES })
  @IsBetweenEach(1, 60_000, 'an empty weight is from 1 to 60,000 kg')
  axlesKg: number[];
}

/** A link of the chain that stands, or will be late; the plan of the day is made anew with it. */
export class DelayBody extends NoteBody {
  @ApiProperty({ enum: LINKS })
  @IsIn(LINKS, { message: `it is one of ${LINKS.join(', ')}` })
  link: string;

  @ApiProperty({ description: 'minutes from then on' })
  @IsBetween(1, 1440, 'a delay is from 1 to 1,440 minutes')
  minutes: number;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @MaxLength(40)
  machineId?: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @MaxLength(200, { message: 'the reason is at most 200 letters' })
  reason?: string;
}

/** Somebody said that tank, cart and trucks were emptied before the next field, or that they were not. */
export class EmptiedBody extends NoteBody {
  @ApiProperty({ description: 'the field that is cut next' })
  @IsString()
  @IsNotEmpty({ message: 'which field?' })
  @MaxLength(40)
  lotId: string;

  @ApiProperty({ type: [String], description: 'places that still held grain of the field before, and keep it' })
  @IsArray()
  @ArrayMaxSize(60)
  @IsString({ each: true })
  mixed: string[];
}

/** Axles of a combination, from the front. */
export class AxleBody {
  @ApiProperty({ description: 'm behind the first axle' })
  @IsBetween(0, 60, 'an axle is from 0 to 60 m behind the first')
  at: number;

  @ApiProperty({ description: 'share of the load that comes down on it' })
  @IsBetween(0, 1, 'a share is from 0 to 1')
  share: number;
}

export class PermitBody {
  @ApiProperty({ description: 'as it is headed' })
  @IsString()
  @IsNotEmpty({ message: 'the permit needs a name' })
  @MaxLength(80)
  name: string;

  @ApiProperty()
  @IsBetween(0, 50, 'a permit allows 0 to 50 % more')
  percentAxles: number;

  @ApiProperty()
  @IsBetween(0, 50, 'a permit allows 0 to 50 % more')
  percentGross: number;

  @ApiProperty()
  @IsDay()
  from: string;

  @ApiProperty()
  @IsDay()
  until: string;
}

/** A truck on the road: its combination, its axles and what may be on them. */
export class VehicleSheet {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which tractor and trailer?' })
  @MaxLength(60)
  combination: string;

  @ApiProperty({ type: [AxleBody] })
  @IsArray()
  @ArrayMinSize(2, { message: 'a truck has at least two axles' })
  @ArrayMaxSize(12, { message: 'a truck has at most twelve axles' })
  @ValidateNested({ each: true })
  @Type(() => AxleBody)
  axles: AxleBody[];

  @ApiProperty({ description: 'lb on a single axle' })
  @IsBetween(1000, 100_000, 'a limit is from 1,000 to 100,000 lb')
  singleLb: number;

  @ApiProperty({ description: 'lb on a tandem' })
  @IsBetween(1000, 200_000, 'a limit is from 1,000 to 200,000 lb')
  tandemLb: number;

  @ApiProperty({ description: 'lb gross' })
  @IsBetween(1000, 400_000, 'a limit is from 1,000 to 400,000 lb')
  grossLb: number;

  @ApiPropertyOptional({ type: () => PermitBody })
  @IsOptional()
  @ValidateNested()
  @Type(() => PermitBody)
  permit?: PermitBody;
}
export class VehicleChange extends SheetChange {
  @ApiProperty({ type: VehicleSheet })
  @ValidateNested()
  @Type(() => VehicleSheet)
  sheet: VehicleSheet;
}

/** A scale: where it stands, its zero, and when its weight is still. */
export class ScaleSheet {
  @ApiPropertyOptional({ description: 'the cart that it carries' })
  @IsOptional()
  @IsString()
  @MaxLength(40)
  placeId?: string;

  @ApiProperty({ description: 'taken from every figure' })
  @IsBetween(-20_000, 60_000, 'a zero is from -20,000 to 60,000 kg')
  zeroKg: number;

  @ApiPropertyOptional()
  @IsOptional()
  @IsInstant()
  zeroedAt?: string;

  @ApiProperty()
  @IsBetween(0.1, 2000, 'the band is from 0.1 to 2,000 kg')
  withinKg: number;

  @ApiProperty()
  @IsBetween(0.5, 60, 'it is still for 0.5 to 60 seconds')
  forSeconds: number;
}
export class ScaleChange extends SheetChange {
  @ApiProperty({ type: ScaleSheet })
  @ValidateNested()
  @Type(() => ScaleSheet)
  sheet: ScaleSheet;
}

/** How the farm judges its weights. */
export class WeightRulesSheet {
  @ApiProperty({ description: 'fraction beyond which two scales disagree' })
  @IsBetween(0.0005, 0.1, 'the tolerance is from 0.05 to 10 %')
  tolerance: number;

  @ApiProperty()
  @IsBetween(1, 400, 'a tare is old after 1 to 400 days')
  tareOldDays: number;

  @ApiProperty({ description: 'fraction by which an empty weight may drift' })
  @IsBetween(0.001, 0.2, 'a tare may drift by 0.1 to 20 %')
  tareTolerance: number;

  @ApiProperty({ enum: ['lb', 't'] })
  @IsIn(['lb', 't'], { message: 'weights are in lb or t' })
  unit: 'lb' | 't';
}
export class WeightRulesChange extends SheetChange {
  @ApiProperty({ type: WeightRulesSheet })
  @ValidateNested()
  @Type(() => WeightRulesSheet)
  sheet: WeightRulesSheet;
}

/** Which scale counts: methods, most trusted first. */
export class TrustBody {
  @ApiProperty({ type: [String] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(20)
  @IsString({ each: true })
  trust: string[];
}

/** A loaded truck on the bridge. The number of its ticket is the farm's next one, and never comes twice. */
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

  @ApiPropertyOptional({ description: 'note of the empty weight; left out: typed from a paper' })
  @IsOptional()
  @IsString()
  @MaxLength(26)
  tareId?: string;

  @ApiProperty({ description: 'typed from a bridge without a wire' })
  @IsBoolean()
  byHand: boolean;

  @ApiPropertyOptional({ type: () => EntryBody, description: 'what it says in the book: a witness of the load, or what the truck holds' })
  @IsOptional()
  @ValidateNested()
  @Type(() => EntryBody)
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

/** Everything of the day's hauling that comes out of the book and is more than a look-up. */
export interface HaulAnswer {
  readonly vehicles: readonly VehicleNow[];
  /** Newest first. */
  readonly weighed: readonly GrainWeighed[];
  readonly alone: readonly { readonly entry: HarvestEntry; readonly method: string; readonly scale: string }[];
  readonly unticketed: readonly {
    readonly entry: Entry;
    readonly to: string;
    readonly truck: string;
    readonly wetKg: number;
    readonly crop: string | null;
    readonly pricePerBu: number | null;
  }[];
  readonly times: Readonly<Record<string, OwnTimes>>;
  /** Loads that the own bridge weighed with a tare, typed without a ticket, newest first. */
  readonly tared: readonly {
    readonly entry: Entry;
    readonly truck: string;
    readonly grossKg: number;
    readonly tareKg: number;
    readonly crop: string | null;
    readonly pricePerBu: number | null;
  }[];
  readonly tickets: readonly WeighTicketInfo[];
}
