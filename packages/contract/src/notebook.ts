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
  registerDecorator,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { IsInstant, ULID } from './entries.js';

/** Where a moisture was read; `bite` is teeth and a count of beans that crack. */
export const READING_SOURCES = ['hand', 'combine', 'elevator', 'bench', 'bite'] as const;
export type ReadingSource = (typeof READING_SOURCES)[number];

const MOISTURE_WORDS = { message: '$property is a fraction from 0 to 0.6 (16.5 % is 0.165)' };
const number = { allowNaN: false, allowInfinity: false };

/** A wet-basis fraction. */
const IsMoisture = (): PropertyDecorator => (target, propertyName) => {
  // From the last to the first, as stacked decorators are applied.
  for (const rule of [Max(0.6, MOISTURE_WORDS), Min(0, MOISTURE_WORDS), IsNumber(number)]) rule(target, propertyName);
};

/** What every note has: an id that its device made, so that sending it twice is harmless, and when it was. */
class NoteBody {
  @ApiProperty()
  @Matches(ULID, { message: 'id must be a ULID of 26 letters and digits' })
  id: string;

  @ApiProperty()
  @IsInstant()
  at: string;
}

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
  @IsNumber(number, { message: 'moisture must be a number' })
  @Min(0, MOISTURE_WORDS)
  @Max(0.6, MOISTURE_WORDS)
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
function IsSettings(): PropertyDecorator {
  const wrong = (value: unknown): string | null => {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return 'the settings are missing';
    for (const [name, setting] of Object.entries(value)) {
      const known = Object.hasOwn(SETTINGS, name) ? SETTINGS[name as keyof typeof SETTINGS] : null;
      if (!known) return `${name} is no setting; known are ${Object.keys(SETTINGS).join(', ')}`;
      if (typeof setting !== 'number' || !(setting >= known.least && setting <= known.most)) return `${known.name} is from ${known.least} to ${known.most} ${known.unit}`.trim();
    }
    return null;
  };
  return (target, propertyName) =>
    registerDecorator({
      name: 'isSettings',
      target: target.constructor,
      propertyName: propertyName as string,
      validator: { validate: (value: unknown) => wrong(value) === null, defaultMessage: (given) => wrong(given?.value) ?? '' },
    });
}

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

export interface NoteKinds {
  pair: PairBody;
  settings: SettingsBody;
  loss: LossBody;
  strips: StripsBody;
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
}

const byName = (check: (value: unknown) => string | null) => (): PropertyDecorator => (target, propertyName) =>
  registerDecorator({
    name: 'byName',
    target: target.constructor,
    propertyName: propertyName as string,
    validator: { validate: (value: unknown) => check(value) === null, defaultMessage: (given) => check(given?.value) ?? '' },
  });
const IsWeights = byName((value) => (isRecord(value) && Object.values(value).every((v) => typeof v === 'number' && v >= 0 && v <= 5) ? null : 'weights are numbers from 0 to 5'));
const IsFacts = byName((value) =>
  isRecord(value) &&
  Object.values(value).every((v) => isRecord(v) && [0, 1, 2, 3].includes(v.standability as number) && typeof v.distance === 'number' && v.distance >= 0 && v.distance <= 200_000)
    ? null
    : 'each field has a standability from 0 to 3 and a distance in metres',
);
function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

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
}

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
}

function IsRanges(): PropertyDecorator {
  return byName((value) =>
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
  )();
}

/** A sheet is changed as a whole; the revision that the change began from tells whether somebody else was faster. */
export class SheetChange {
  @ApiProperty()
  @IsInt()
  @Min(0)
  revision: number;
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

export interface SheetOf<T> {
  readonly revision: number;
  readonly sheet: T;
}

/** What people saw and did beside the grain book, newest first, and the farm's own sheets. */
export interface Notebook {
  readonly notes: readonly NoteInfo[];
  /** By crop. */
  readonly windows: Readonly<Record<string, SheetOf<WindowBody>>>;
  readonly nextField: SheetOf<NextFieldSheet> | null;
  /** By machine (the id of its place). */
  readonly machines: Readonly<Record<string, SheetOf<MachineProfile>>>;
}
