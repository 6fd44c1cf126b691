import { CAUSES, CROP_IDS, MACHINE_KINDS, SAFETY_CARDS } from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Type } from 'class-transformer';
import { ArrayMaxSize, IsArray, IsBoolean, IsIn, IsInt, IsNotEmpty, IsOptional, IsString, Matches, Max, MaxLength, Min, ValidateIf, ValidateNested } from 'class-validator';

import { byRule, IsBetween, IsDay, isRecord, NoteBody, SheetChange, type SheetOf, ULID } from './rules.js';

const KINDS = Object.keys(MACHINE_KINDS);
const CARDS = Object.keys(SAFETY_CARDS);
/** Ids that are made on the device: short, and without anything that needs quoting. */
const OWN_ID = /^[A-Za-z0-9-]{1,40}$/;
const ownId = { message: 'the id is 1 to 40 letters, digits and dashes' };

/** A part that an item waits for. */
export class PartBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which part?' })
  @MaxLength(80)
  name: string;

  @ApiProperty()
  @IsBoolean()
  onHand: boolean;

  @ApiProperty({ description: 'days from the order to the shelf' })
  @IsBetween(0, 730, 'the lead time is from 0 to 730 days')
  leadDays: number;

  @ApiProperty({ nullable: true, description: 'day of the order' })
  @ValidateIf((body: PartBody) => body.orderedOn !== null)
  @IsDay()
  orderedOn: string | null;
}

/** One line of a readiness list. */
export class ItemBody {
  @ApiProperty()
  @Matches(OWN_ID, ownId)
  id: string;

  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'what is to be done?' })
  @MaxLength(160)
  what: string;

  @ApiProperty()
  @IsString()
  @MaxLength(60)
  owner: string;

  @ApiProperty({ nullable: true })
  @ValidateIf((body: ItemBody) => body.due !== null)
  @IsDay()
  due: string | null;

  @ApiProperty({ nullable: true })
  @ValidateIf((body: ItemBody) => body.doneOn !== null)
  @IsDay()
  doneOn: string | null;

  @ApiProperty({ nullable: true, description: 'why it was left out this year' })
  @ValidateIf((body: ItemBody) => body.skipped !== null)
  @IsString()
  @IsNotEmpty({ message: 'say why it is left out' })
  @MaxLength(200)
  skipped: string | null;

  @ApiProperty({ description: 'the machine cannot work without it' })
  @IsBoolean()
  needed: boolean;

  @ApiProperty({ type: PartBody, nullable: true })
  @ValidateIf((body: ItemBody) => body.part !== null)
  @ValidateNested()
  @Type(() => PartBody)
  part: PartBody | null;

  @ApiPropertyOptional({ enum: CARDS })
  @IsOptional()
  @IsIn(CARDS)
  card?: string;
}

export class ServiceBody {
  @ApiProperty()
  @Matches(OWN_ID, ownId)
  id: string;

  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which service?' })
  @MaxLength(120)
  what: string;

  @ApiProperty({ enum: ['engine', 'separator'] })
  @IsIn(['engine', 'separator'])
  by: 'engine' | 'separator';

  @ApiProperty()
  @IsBetween(1, 10_000, 'a service comes every 1 to 10,000 hours')
  everyHours: number;

  @ApiProperty()
  @IsBetween(0, 100_000, 'the counter is from 0 to 100,000 hours')
  lastAt: number;

  @ApiProperty()
  @IsInt()
  @Min(0)
  @Max(1000)
  skipped: number;
}

export class WearBody {
  @ApiProperty()
  @Matches(OWN_ID, ownId)
  id: string;

  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which part?' })
  @MaxLength(80)
  name: string;

  @ApiProperty()
  @IsString()
  @MaxLength(80)
  position: string;

  @ApiProperty()
  @IsBetween(0, 100_000, 'the counter is from 0 to 100,000 hours')
  hoursAtFit: number;

  @ApiProperty()
  @IsBetween(0, 1_000_000, 'acres are from 0 to 1,000,000')
  acresAtFit: number;

  @ApiProperty({ nullable: true })
  @ValidateIf((body: WearBody) => body.lastsHours !== null)
  @IsBetween(1, 100_000, 'a part lasts 1 to 100,000 hours')
  lastsHours: number | null;

  @ApiProperty({ nullable: true })
  @ValidateIf((body: WearBody) => body.lastsAcres !== null)
  @IsBetween(1, 1_000_000, 'a part lasts 1 to 1,000,000 acres')
  lastsAcres: number | null;

  @ApiProperty({ type: [String], description: 'photographs, newest last' })
  @IsArray()
  @ArrayMaxSize(40)
  @Matches(ULID, { each: true, message: 'a photograph is named by its ULID' })
  photos: string[];
}

/** A machine of the shed with its list, its services and what wears on it. */
export class AssetBody {
  @ApiProperty({ enum: KINDS })
  @IsIn(KINDS, { message: `a machine is one of ${KINDS.join(', ')}` })
  kind: string;

  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'the machine needs a name' })
  @MaxLength(60)
  name: string;

  @ApiPropertyOptional({ description: 'its place in the book, where it holds grain' })
  @IsOptional()
  @IsString()
  @MaxLength(40)
  placeId?: string;

  @ApiPropertyOptional({ enum: CROP_IDS, isArray: true, description: 'crops that it works in; left out: all of them' })
  @IsOptional()
  @IsArray()
  @IsIn(CROP_IDS, { each: true, message: 'there is no such crop' })
  crops?: string[];

  @ApiProperty()
  @IsBoolean()
  retired: boolean;

  @ApiProperty()
  @IsBetween(0, 100_000, 'the counter is from 0 to 100,000 hours')
  engineHours: number;

  @ApiProperty()
  @IsBetween(0, 100_000, 'the counter is from 0 to 100,000 hours')
  separatorHours: number;

  @ApiProperty()
  @IsBetween(0, 1_000_000, 'acres are from 0 to 1,000,000')
  acres: number;

  @ApiProperty({ type: [ItemBody] })
  @IsArray()
  @ArrayMaxSize(100)
  @ValidateNested({ each: true })
  @Type(() => ItemBody)
  items: ItemBody[];

  @ApiProperty({ type: [ServiceBody] })
  @IsArray()
  @ArrayMaxSize(40)
  @ValidateNested({ each: true })
  @Type(() => ServiceBody)
  services: ServiceBody[];

  @ApiProperty({ type: [WearBody] })
  @IsArray()
  @ArrayMaxSize(40)
  @ValidateNested({ each: true })
  @Type(() => WearBody)
  wear: WearBody[];
}
export class AssetChange extends SheetChange {
  @ApiProperty({ type: AssetBody })
  @ValidateNested()
  @Type(() => AssetBody)
  sheet: AssetBody;
}

export class TemplateLineBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'what is to be done?' })
  @MaxLength(160)
  what: string;

  @ApiProperty()
  @IsBoolean()
  needed: boolean;

  @ApiProperty({ description: 'days before the first day of harvest' })
  @IsBetween(0, 365, 'days before harvest are from 0 to 365')
  daysBefore: number;

  @ApiPropertyOptional({ enum: CARDS })
  @IsOptional()
  @IsIn(CARDS)
  card?: string;
}
/** The farm's own list for a kind of machine. */
export class TemplateBody {
  @ApiProperty({ type: [TemplateLineBody] })
  @IsArray()
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => TemplateLineBody)
  lines: TemplateLineBody[];
}
export class TemplateChange extends SheetChange {
  @ApiProperty({ type: TemplateBody })
  @ValidateNested()
  @Type(() => TemplateBody)
  sheet: TemplateBody;
}

const IsFirstDays = byRule('isFirstDays', (value) => {
  if (!isRecord(value)) return 'the first days are missing';
  for (const [crop, day] of Object.entries(value)) {
    if (!(CROP_IDS as readonly string[]).includes(crop)) return `${crop} is no crop`;
    if (typeof day !== 'string' || !/^\d{4}-\d\d-\d\d$/.test(day) || Number.isNaN(Date.parse(day))) return 'a first day is written like 2026-08-11';
  }
  return null;
});
/** When each crop's harvest is expected to begin, and which cards must be acknowledged before their step. */
export class SeasonBody {
  @ApiProperty()
  @IsFirstDays()
  firstDays: Record<string, string>;

  @ApiProperty({ enum: CARDS, isArray: true })
  @IsArray()
  @IsIn(CARDS, { each: true, message: 'there is no such card' })
  acknowledge: string[];

  @ApiPropertyOptional({ description: 'fire index at which harvest stops here: the local authority’s limit' })
  @IsOptional()
  @IsBetween(5, 100, 'the fire limit is an index from 5 to 100')
  fireStopAt?: number;
}
export class SeasonChange extends SheetChange {
  @ApiProperty({ type: SeasonBody })
  @ValidateNested()
  @Type(() => SeasonBody)
  sheet: SeasonBody;
}

export class DoneStepBody {
  @ApiProperty()
  @Matches(OWN_ID, ownId)
  step: string;

  @ApiProperty()
  @IsString()
  @MaxLength(40)
  at: string;

  @ApiProperty()
  @IsString()
  @MaxLength(60)
  by: string;

  @ApiPropertyOptional({ description: 'the photograph that proves it' })
  @IsOptional()
  @Matches(ULID, { message: 'a photograph is named by its ULID' })
  photo?: string;

  @ApiPropertyOptional({ description: 'why there is no photograph' })
  @IsOptional()
  @IsString()
  @MaxLength(120)
  noPhoto?: string;
}
/** A machine on its way from one crop to another. */
export class ChangeoverBody {
  @ApiProperty({ enum: CROP_IDS, nullable: true })
  @ValidateIf((body: ChangeoverBody) => body.from !== null)
  @IsIn(CROP_IDS)
  from: string | null;

  @ApiProperty({ enum: CROP_IDS })
  @IsIn(CROP_IDS)
  to: string;

  @ApiProperty({ type: [DoneStepBody] })
  @IsArray()
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => DoneStepBody)
  done: DoneStepBody[];
}
export class ChangeoverChange extends SheetChange {
  @ApiProperty({ type: ChangeoverBody })
  @ValidateNested()
  @Type(() => ChangeoverBody)
  sheet: ChangeoverBody;
}

/** Something broke. */
export class BreakdownBody extends NoteBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'which machine?' })
  @MaxLength(40)
  assetId: string;

  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'what broke?' })
  @MaxLength(200)
  what: string;

  @ApiProperty({ enum: Object.keys(CAUSES) })
  @IsIn(Object.keys(CAUSES))
  cause: string;

  @ApiProperty({ description: '$ for parts and hands' })
  @IsBetween(0, 10_000_000, 'the cost is from 0 to 10,000,000 $')
  cost: number;

  @ApiProperty({ description: 'hours of work lost' })
  @IsBetween(0, 10_000, 'hours lost are from 0 to 10,000')
  hoursLost: number;

  @ApiProperty()
  @IsBetween(0, 1_000_000, 'acres are from 0 to 1,000,000')
  acresLost: number;

  @ApiProperty({ description: 'the spare that was not there; empty when none was wanted' })
  @IsString()
  @MaxLength(80)
  missingSpare: string;

  @ApiProperty({ description: 'it runs again' })
  @IsBoolean()
  mended: boolean;
}

/** Somebody read a card before the step that it belongs to. */
export class AckBody extends NoteBody {
  @ApiProperty({ enum: CARDS })
  @IsIn(CARDS)
  card: string;

  @ApiProperty({ description: 'before what' })
  @IsString()
  @MaxLength(120)
  before: string;
}

export interface ShedNotes {
  breakdown: BreakdownBody;
  ack: AckBody;
}
export type ShedNoteInfo = { [K in keyof ShedNotes]: { readonly kind: K; readonly body: ShedNotes[K]; readonly by: string; readonly voided: boolean } }[keyof ShedNotes];

/** All of the shed. */
export interface Shed {
  readonly assets: Readonly<Record<string, SheetOf<AssetBody>>>;
  readonly templates: Readonly<Record<string, SheetOf<TemplateBody>>>;
  readonly changeovers: Readonly<Record<string, SheetOf<ChangeoverBody>>>;
  readonly season: SheetOf<SeasonBody> | null;
  /** Newest first. */
  readonly notes: readonly ShedNoteInfo[];
}

export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
/** Bytes; a phone's picture scaled to 1,600 px is a tenth of it. */
export const MOST_PHOTO_BYTES = 4_000_000;
export interface PhotoInfo {
  readonly photoId: string;
  readonly width: number;
  readonly height: number;
}
