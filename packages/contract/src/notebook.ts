import { SETTINGS, type Settings, SYMPTOMS } from '@fanega/core';
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
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import type { DelayBody, EmptiedBody, ScaleSheet, TareBody, VehicleSheet, WeightRulesSheet } from './hauling.js';
import { byRule, IsBetween, IsInstant, IsMoisture, isRecord, NoteBody, number, type SheetOf, ULID, SheetChange } from './rules.js';

/** Where a moisture was read; `bite` is teeth and a count of beans that crack. */
export const READING_SOURCES = ['hand', 'combine', 'elevator', 'bench', 'bite'] as const;
export type ReadingSource = (typeof READING_SOURCES)[number];

/** Moisture of a field, measured before or while it is cut. */
export class ReadingBody {
  @ApiPropertyOptional()
  @IsOptional()
  @Matches(ULID, { message: 'id must be a ULID of 26 letters and digits' })
  id?: string;

  @ApiProperty()
  @IsString()
  @IsNotEmpty()
  @MaxLength(40)
  fieldId: string;

  @ApiProperty()
  @IsInstant()
  at: string;

  @ApiPropertyOptional({ description: 'wet-basis fraction; left out for a bite test' })
  @ValidateIf((body: ReadingBody) => body.source !== 'bite' || body.moisture !== undefined)
  @IsMoisture()
  moisture?: number;

  @ApiProperty({ enum: READING_SOURCES })
  @IsIn(READING_SOURCES)
  source: ReadingSource;

  @ApiPropertyOptional({ description: 'of ten beans bitten, how many cracked' })
  @ValidateIf((body: ReadingBody) => body.source === 'bite' || body.cracked !== undefined)
  @IsInt({ message: 'cracked is a whole number of ten' })
  @Min(0, { message: 'cracked is from 0 to 10' })
  @Max(10, { message: 'cracked is from 0 to 10' })
  cracked?: number;

  @ApiPropertyOptional({ description: 'which tester' })
  @IsOptional()
  @IsString()
  @MaxLength(40)
  tester?: string;

  @ApiPropertyOptional({ description: 'where in the field' })
  @IsOptional()
  @IsString()
  @MaxLength(40)
  spot?: string;
}

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

/** The same grain read by a tester and by the buyer. */
export class PairBody extends NoteBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which tester was it?' })
  @MaxLength(40)
  tester: string;

  @ApiProperty()
  @IsMoisture()
  testerMoisture: number;

  @ApiProperty()
  @IsMoisture()
  buyerMoisture: number;
}

/** Numbers by setting, each within what any machine can have; the wording names the setting. */
const IsSettings = byRule('isSettings', (value) => {
  if (!isRecord(value)) return 'the settings are missing';
  for (const [name, setting] of Object.entries(value)) {
    const known = Object.hasOwn(SETTINGS, name) ? SETTINGS[name as keyof typeof SETTINGS] : null;
    if (!known) return `${name} is no setting; known are ${Object.keys(SETTINGS).join(', ')}`;
    if (typeof setting !== 'number' || !(setting >= known.least && setting <= known.most)) return `${known.name} is from ${known.least} to ${known.most} ${known.unit}`.trim();
  }
  return null;
});

/** How a machine was set, and why it was changed. The whole sheet each time, so that any of them can be gone back to. */
export class SettingsBody extends NoteBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which machine?' })
  @MaxLength(40)
  machineId: string;

  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which field?' })
  @MaxLength(40)
  lotId: string;

  @ApiProperty({ description: 'by setting: rpm, mm, m/s' })
  @IsSettings()
  values: Settings;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @MaxLength(60)
  concaveType?: string;

  @ApiProperty()
  @IsString()
  @MaxLength(200)
  why: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsMoisture()
  moisture?: number;

  @ApiPropertyOptional({ description: 'look of the tank, 1 clean to 5' })
  @IsOptional()
  @IsInt()
  @Min(1, { message: 'the look of the tank is 1 (clean) to 5' })
  @Max(5, { message: 'the look of the tank is 1 (clean) to 5' })
  dirt?: number;

  @ApiPropertyOptional({ description: 'the sheet that this one goes back to' })
  @IsOptional()
  @Matches(ULID)
  undoes?: string;
}

export class FrameBody {
  @ApiProperty()
  @IsInt({ message: 'kernels are counted whole' })
  @Min(0, { message: 'a count cannot be less than zero' })
  @Max(100_000, { message: 'that is more than lies in a frame; check the digits' })
  kernels: number;

  @ApiProperty({ description: 'm2' })
  @IsNumber(number)
  @Min(0.01, { message: 'the frame needs an area' })
  @Max(200)
  area: number;
}

/** Kernels counted behind a machine; what they come to is worked out by the core, whenever it is shown. */
export class LossBody extends NoteBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which machine?' })
  @MaxLength(40)
  machineId: string;

  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which field?' })
  @MaxLength(40)
  lotId: string;

  @ApiProperty({ type: [FrameBody] })
  @IsArray()
  @ArrayMinSize(1, { message: 'count at least one frame behind the machine' })
  @ArrayMaxSize(50)
  @ValidateNested({ each: true })
  @Type(() => FrameBody)
  behind: FrameBody[];

  @ApiProperty({ type: [FrameBody] })
  @IsArray()
  @ArrayMaxSize(50)
  @ValidateNested({ each: true })
  @Type(() => FrameBody)
  before: FrameBody[];

  @ApiProperty({ type: [FrameBody] })
  @IsArray()
  @ArrayMaxSize(50)
  @ValidateNested({ each: true })
  @Type(() => FrameBody)
  atHeader: FrameBody[];

  @ApiPropertyOptional({ description: 'share of those behind that is still on cobs, heads or in pods' })
  @IsOptional()
  @IsNumber(number)
  @Min(0)
  @Max(1)
  unthreshed?: number;

  @ApiProperty({ description: 'g' })
  @IsNumber(number)
  @Min(0.0001)
  @Max(10)
  kernelGrams: number;

  @ApiProperty()
  @IsNumber(number)
  @Min(0)
  @Max(1000)
  pricePerBu: number;

  @ApiPropertyOptional({ description: 'acres of this crop that were still to cut, for what the loss comes to' })
  @IsOptional()
  @IsBetween(0, 1_000_000, 'acres are from 0 to 1,000,000')
  acresLeft?: number;

  @ApiPropertyOptional({ description: 'm that the spreader throws; with headWidth' })
  @IsOptional()
  @IsBetween(0.5, 30, 'the spread is from 0.5 to 30 m')
  spreadWidth?: number;

  @ApiPropertyOptional({ description: 'm' })
  @IsOptional()
  @IsBetween(0.5, 30, 'the head is from 0.5 to 30 m')
  headWidth?: number;

  @ApiPropertyOptional({ enum: Object.keys(SYMPTOMS) })
  @IsOptional()
  @IsIn(Object.keys(SYMPTOMS))
  symptom?: string;

  @ApiPropertyOptional({ description: 'the settings sheet in use' })
  @IsOptional()
  @Matches(ULID)
  settingsId?: string;
}

/** Alternating strips: new minus old of each pair, kg/ha. */
export class StripsBody extends NoteBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which field?' })
  @MaxLength(40)
  lotId: string;

  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'what was compared?' })
  @MaxLength(120)
  what: string;

  @ApiProperty({ type: [Number] })
  @IsArray()
  @ArrayMinSize(2, { message: 'two pairs of strips at least' })
  @ArrayMaxSize(100)
  @IsNumber(number, { each: true })
  @Min(-40_000, { each: true })
  @Max(40_000, { each: true })
  differences: number[];
}

/** The field that comes next, said to those whom it concerns before its first load. */
export class NextBody extends NoteBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which field?' })
  @MaxLength(40)
  lotId: string;

  @ApiPropertyOptional({ description: 'likely moisture, wet-basis fraction' })
  @IsOptional()
  @IsMoisture()
  moisture?: number;

  @ApiPropertyOptional({ description: 'points above the last loads' })
  @IsOptional()
  @IsBetween(-60, 60, 'a step is from -60 to 60 points')
  step?: number;

  @ApiPropertyOptional({ description: 'what the dryer then does, bu/h' })
  @IsOptional()
  @IsBetween(0, 1e6, 'bushels an hour are from 0 to 1,000,000')
  dryerBushelsPerHour?: number;

  @ApiPropertyOptional({ description: 'hours until the wet bin is full; left out: the dryer keeps up' })
  @IsOptional()
  @IsBetween(0, 10_000, 'hours are from 0 to 10,000')
  wetBinFullHours?: number;
}

export interface NoteKinds {
  pair: PairBody;
  settings: SettingsBody;
  loss: LossBody;
  strips: StripsBody;
  next: NextBody;
  tare: TareBody;
  delay: DelayBody;
  emptied: EmptiedBody;
}
export type NoteKind = keyof NoteKinds;

/** A note as it is kept. */
export type NoteInfo = { [K in NoteKind]: { readonly kind: K; readonly body: NoteKinds[K]; readonly by: string; readonly voided: boolean } }[NoteKind];

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

/** A farm's own limits for a crop. */
export class WindowBody {
  @ApiProperty()
  @IsMoisture()
  tooDryBelow: number;

  @ApiProperty()
  @IsMoisture()
  bestFrom: number;

  @ApiProperty()
  @IsMoisture()
  bestTo: number;

  @ApiProperty()
  @IsMoisture()
  refuseAbove: number;

  @ApiProperty({ description: '$/bu at base' })
  @IsNumber(number)
  @Min(0)
  @Max(1000)
  price: number;

  @ApiProperty({ description: 'per cent of weight taken for each point above the base' })
  @IsNumber(number)
  @Min(0)
  @Max(5)
  shrinkPerPoint: number;

  @ApiProperty({ description: '$ a point and bushel above the base' })
  @IsNumber(number)
  @Min(0)
  @Max(1)
  dockPerPoint: number;

  @ApiPropertyOptional({ description: 'points of one step of the dock; each started one counts' })
  @IsOptional()
  @IsBetween(0.05, 5, 'a step of the dock is from 0.05 to 5 points')
  dockStep?: number;

  @ApiPropertyOptional({ description: 'hour of the day from which grain is taken' })
  @IsOptional()
  @IsBetween(0, 24, 'hours are from 0 to 24')
  opensAt?: number;

  @ApiPropertyOptional({ description: 'hour of the day until which grain is taken' })
  @IsOptional()
  @IsBetween(0, 24, 'hours are from 0 to 24')
  closesAt?: number;

  @ApiPropertyOptional({ description: 'share lost at the header for each point below the window' })
  @IsOptional()
  @IsBetween(0, 0.5, 'what shatters is a share from 0 to 0.5 a point')
  shatterPerPoint?: number;

  @ApiPropertyOptional({ description: 'share of its value that the crop loses standing until another day' })
  @IsOptional()
  @IsBetween(0, 1, 'the risk of standing is a share from 0 to 1')
  standingRisk?: number;
}

/** A field's part in "which field next". */
export class FieldFactsBody {
  @ApiProperty({ description: '0 sound to 3 going down' })
  @IsInt()
  @Min(0)
  @Max(3)
  standability: number;

  @ApiProperty({ description: 'm' })
  @IsNumber(number)
  @Min(0)
  @Max(200_000)
  distance: number;

  @ApiPropertyOptional({ description: '0 still filling, 1 just mature, 2 ripe, 3 ripe for long' })
  @IsOptional()
  @IsInt()
  maturity?: number;

  @ApiPropertyOptional({ description: 'expected yield, kg/ha' })
  @IsOptional()
  @IsNumber(number)
  yieldKgPerHa?: number;

  @ApiPropertyOptional({ description: 'points a day that it loses standing, where somebody knows better than its readings' })
  @IsOptional()
  @IsNumber(number)
  pointsPerDay?: number;
}

const IsWeights = byRule('isWeights', (value) =>
  isRecord(value) && Object.values(value).every((v) => typeof v === 'number' && v >= 0 && v <= 5) ? null : 'weights are numbers from 0 to 5',
);
const within = (value: unknown, least: number, most: number): boolean => typeof value === 'number' && value >= least && value <= most;
const IsFacts = byRule('isFacts', (value) => {
  if (!isRecord(value)) return 'the facts of the fields are missing';
  for (const v of Object.values(value)) {
    if (!isRecord(v) || ![0, 1, 2, 3].includes(v.standability as number)) return 'standability is 0 (sound) to 3 (going down)';
    if (v.maturity !== undefined && ![0, 1, 2, 3].includes(v.maturity as number)) return 'maturity is 0 (still filling) to 3 (ripe for long)';
    if (!within(v.distance, 0, 200_000)) return 'the distance is from 0 to 200,000 m';
    if (v.yieldKgPerHa !== undefined && !within(v.yieldKgPerHa, 1, 40_000)) return 'the expected yield is from 1 to 40,000 kg/ha';
    if (v.pointsPerDay !== undefined && !within(v.pointsPerDay, 0, 5)) return 'a field loses 0 to 5 points a day';
  }
  return null;
});

export class NextFieldSheet {
  @ApiProperty()
  @IsString()
  @MaxLength(20)
  school: string;

  @ApiProperty()
  @IsWeights()
  weights: Record<string, number>;

  @ApiProperty({ type: [String] })
  @IsArray()
  @ArrayMaxSize(500)
  @IsString({ each: true })
  ownOrder: string[];

  @ApiProperty()
  @IsFacts()
  facts: Record<string, FieldFactsBody>;

  @ApiProperty({ description: 'points that the dryer keeper lets the moisture jump' })
  @IsNumber(number)
  @Min(0)
  @Max(20)
  mostStep: number;

  @ApiProperty()
  @IsNumber(number)
  @Min(0)
  @Max(1e6)
  bushelPointsPerHour: number;

  @ApiProperty()
  @IsMoisture()
  dryTo: number;

  @ApiPropertyOptional({ description: 'what the combines bring in an hour, bu; left out: by their profiles' })
  @IsOptional()
  @IsBetween(0, 100_000, 'what the combines bring is from 0 to 100,000 bu an hour')
  combineBushelsPerHour?: number;
}

const IsRanges = byRule('isRanges', (value) =>
  isRecord(value) &&
  Object.entries(value).every(
    ([name, range]) =>
      Object.hasOwn(SETTINGS, name) &&
      Array.isArray(range) &&
      range.length === 2 &&
      range.every((v) => typeof v === 'number') &&
      (range as number[])[0]! <= (range as number[])[1]!,
  )
    ? null
    : 'a range is its least and its most, by setting',
);

/** What a combine is and can do. */
export class MachineProfile {
  @ApiProperty({ enum: ['rotary', 'conventional'] })
  @IsIn(['rotary', 'conventional'])
  kind: string;

  @ApiProperty({ description: 'width of the head that is on, m' })
  @IsNumber(number)
  @Min(0.3, { message: 'the head is at least 0.3 m wide' })
  @Max(30, { message: 'the head is at most 30 m wide' })
  headWidth: number;

  @ApiProperty({ description: 'day (farm time) on which somebody confirmed the head' })
  @IsString()
  @MaxLength(10)
  headConfirmed: string;

  @ApiProperty({ description: 'rate at which it does good work, kg/h' })
  @IsNumber(number)
  @Min(0)
  @Max(1e6)
  goodRate: number;

  @ApiProperty({ description: 'm/s on rough ground' })
  @IsNumber(number)
  @Min(0.1)
  @Max(8)
  speedLimit: number;

  @ApiProperty({ description: 'tank, bu' })
  @IsNumber(number)
  @Min(1)
  @Max(2000)
  tankBu: number;

  @ApiProperty({ description: 'share of the time in the field spent cutting' })
  @IsNumber(number)
  @Min(0.05)
  @Max(1)
  fieldEfficiency: number;

  @ApiProperty({ description: 'least and most by setting' })
  @IsRanges()
  ranges: Record<string, [number, number]>;

  @ApiPropertyOptional({ description: 'loss that the farm accepts, kg/ha' })
  @IsOptional()
  @IsBetween(0, 5000, 'the accepted loss is from 0 to 5,000 kg/ha')
  acceptableLoss?: number;

  @ApiPropertyOptional({ type: () => [HeadBody], description: 'heads that fit it' })
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(12)
  @ValidateNested({ each: true })
  @Type(() => HeadBody)
  heads?: HeadBody[];

  @ApiPropertyOptional({ description: 'name of the head that is on' })
  @IsOptional()
  @IsString()
  @MaxLength(40)
  headOn?: string;

  @ApiPropertyOptional({ type: [String], description: 'concaves or cover plates that the farm has for it' })
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20)
  @IsString({ each: true })
  @MaxLength(40, { each: true })
  concaves?: string[];

  @ApiPropertyOptional({ type: [String], description: 'chaffers and sieves that the farm has for it' })
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20)
  @IsString({ each: true })
  @MaxLength(40, { each: true })
  sieves?: string[];
}

/** A head: its width, or the rows that make it. */
export class HeadBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'the head needs a name' })
  @MaxLength(40)
  name: string;

  @ApiProperty({ description: 'm; of a row head, rows x spacing' })
  @IsBetween(0.3, 30, 'a head is from 0.3 to 30 m wide')
  width: number;

  @ApiPropertyOptional()
  @IsOptional()
  @IsInt()
  @Min(1, { message: 'a row head has 1 to 40 rows' })
  @Max(40, { message: 'a row head has 1 to 40 rows' })
  rows?: number;
}

const IsRoads = byRule('isRoads', (value) =>
  isRecord(value) && Object.values(value).every((v) => typeof v === 'number' && v >= 0 && v <= 600) ? null : 'the road to each buyer is from 0 to 600 minutes',
);
/** How the farm hauls: minutes of each part, as people know them. */
export class HaulSheet {
  @ApiProperty({ description: 'minutes one way, by buyer' })
  @IsRoads()
  roadMin: Record<string, number>;

  @ApiProperty({ description: 'cart onto truck' })
  @IsBetween(0, 240, 'loading takes 0 to 240 minutes')
  loadMin: number;

  @ApiProperty()
  @IsBetween(0, 240, 'tarping takes 0 to 240 minutes')
  tarpMin: number;

  @ApiProperty({ description: 'on the scale and over the pit' })
  @IsBetween(0, 600, 'unloading takes 0 to 600 minutes')
  unloadMin: number;

  @ApiProperty({ description: 'trucks of others that come in an hour' })
  @IsBetween(0, 200, 'other trucks are from 0 to 200 an hour')
  othersPerHour: number;

  @ApiProperty({ description: 'most in a combine tank at which its lids still close, bu' })
  @IsBetween(0, 2000, 'a tank with its lids closed holds 0 to 2,000 bu')
  lidsCloseBu: number;
}
export class HaulChange extends SheetChange {
  @ApiProperty({ type: HaulSheet })
  @ValidateNested()
  @Type(() => HaulSheet)
  sheet: HaulSheet;
}

export class WindowChange extends SheetChange {
  @ApiProperty({ type: WindowBody })
  @ValidateNested()
  @Type(() => WindowBody)
  sheet: WindowBody;
}
export class NextFieldChange extends SheetChange {
  @ApiProperty({ type: NextFieldSheet })
  @ValidateNested()
  @Type(() => NextFieldSheet)
  sheet: NextFieldSheet;
}
export class MachineChange extends SheetChange {
  @ApiProperty({ type: MachineProfile })
  @ValidateNested()
  @Type(() => MachineProfile)
  sheet: MachineProfile;
}

/** What people saw and did beside the grain book, newest first, and the farm's own sheets. */
export interface Notebook {
  readonly notes: readonly NoteInfo[];
  /** By crop (`corn`), and by crop and buyer (`corn@redbud`) where a buyer has limits of his own. */
  readonly windows: Readonly<Record<string, SheetOf<WindowBody>>>;
  readonly nextField: SheetOf<NextFieldSheet> | null;
  readonly haul: SheetOf<HaulSheet> | null;
  /** By truck. */
  readonly vehicles: Readonly<Record<string, SheetOf<VehicleSheet>>>;
  /** By device. */
  readonly scales: Readonly<Record<string, SheetOf<ScaleSheet>>>;
  readonly weightRules: SheetOf<WeightRulesSheet> | null;
  /** By machine (the id of its place). */
  readonly machines: Readonly<Record<string, SheetOf<MachineProfile>>>;
}
