import {
  ENTRY_TYPES,
  type Entry,
  MAX_MOISTURE,
  METHODS,
  type Revision,
  REVISION_REASON,
  type RevisionChange,
} from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsNotEmpty,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
} from 'class-validator';
import { Each, Fits, IsInstant, number, One, ULID } from './rules.js';

/** More than any field can weigh; a greater number is a slip of the finger. */
export const MOST_KG = 5_000_000;
export const MOST_ENTRIES_AT_ONCE = 1000;

const kgMessage = { message: '$property is $value kg; a weight is from 0 to 5,000,000 kg' };
const moistureMessage = {
  message: '$property is $value; moisture is a wet-basis fraction from 0 to 0.6 (16.5 % is 0.165)',
};

function Kg(): PropertyDecorator {
  return (target, key) => {
    for (const decorate of [
      IsNumber(number, { message: '$property must be a number of kg' }),
      Min(0, kgMessage),
      Max(MOST_KG, kgMessage),
    ])
      decorate(target, key);
  };
}

function Moisture(): PropertyDecorator {
  return (target, key) => {
    for (const decorate of [
      IsNumber(number, { message: '$property must be a number from 0 to 0.6' }),
      Min(0, moistureMessage),
      Max(MAX_MOISTURE, moistureMessage),
    ]) {
      decorate(target, key);
    }
  };
}

/** Needed for these types of entry, refused nowhere; the book's own rules are the core's. */
function For(...types: Entry['type'][]): PropertyDecorator {
  return ValidateIf(
    (entry: { type: Entry['type'] }, value: unknown) =>
      types.includes(entry.type) || (value !== undefined && value !== null),
  );
}

function Id(): PropertyDecorator {
  return (target, key) => {
    for (const decorate of [IsString(), IsNotEmpty({ message: '$property is missing' }), MaxLength(40)])
      decorate(target, key);
  };
}

/** One entry of the grain book as a device sends it: masses in wet kg, moistures as wet-basis fractions. */
export class EntryBody {
  @ApiProperty({ enum: ENTRY_TYPES })
  @IsIn(ENTRY_TYPES, { message: `type must be one of ${ENTRY_TYPES.join(', ')}` })
  type: Entry['type'];

  @ApiProperty({ description: 'ULID made by the device that wrote the entry', pattern: ULID.source })
  @Matches(ULID, { message: 'id must be a ULID: 26 letters and digits' })
  id: string;

  @ApiProperty({ description: 'when it happened' })
  @IsInstant()
  at: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsInstant()
  recordedAt?: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @MaxLength(80)
  by?: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @MaxLength(80)
  device?: string;

  @ApiPropertyOptional({ enum: METHODS })
  @IsOptional()
  @IsIn(METHODS, { message: `method must be one of ${METHODS.join(', ')}` })
  method?: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @MaxLength(500)
  note?: string;

  @ApiPropertyOptional()
  @For('harvest')
  @Id()
  lot?: string;

  @ApiPropertyOptional({ description: 'the part of the field that a harvest came off' })
  @IsOptional()
  @Id()
  zone?: string;

  @ApiPropertyOptional()
  @For('move')
  @Id()
  from?: string;

  @ApiPropertyOptional()
  @For('harvest', 'move')
  @Id()
  to?: string;

  @ApiPropertyOptional()
  @For('condition', 'loss', 'measure')
  @Id()
  place?: string;

  @ApiPropertyOptional({ description: 'wet kg; left out in a move: all of it' })
  @For('harvest', 'loss', 'measure')
  @Kg()
  wetKg?: number;

  @ApiPropertyOptional({ description: 'wet-basis fraction' })
  @For('harvest', 'condition')
  @Moisture()
  moisture?: number;

  @ApiPropertyOptional()
  @IsOptional()
  @IsBoolean()
  emptied?: boolean;

  @ApiPropertyOptional({ description: 'through the spout in its wall: the newest comes first' })
  @IsOptional()
  @IsBoolean()
  sideDraw?: boolean;

  @ApiPropertyOptional({ description: 'fraction of the dry matter lost in drying' })
  @IsOptional()
  @IsNumber(number)
  @Min(0)
  @Max(0.99)
  dryLoss?: number;

  @ApiPropertyOptional()
  @For('loss')
  @IsString()
  @IsNotEmpty({ message: 'reason is missing: spill, spoilage, fines, cleanout …' })
  @MaxLength(80)
  reason?: string;

  @ApiPropertyOptional({ description: 'the harvest or move that a witness measured' })
  @For('witness')
  @Id()
  of?: string;

  @ApiPropertyOptional({ description: 'the entry that never happened' })
  @For('void')
  @Id()
  voids?: string;

  @ApiPropertyOptional({ description: 'ticket number' })
  @IsOptional()
  @IsString()
  @MaxLength(40)
  ticket?: string;

  @ApiPropertyOptional()
  @IsOptional()
  @Kg()
  grossKg?: number;

  @ApiPropertyOptional()
  @IsOptional()
  @Kg()
  tareKg?: number;

  @ApiPropertyOptional({ description: 'dollars a bushel' })
  @IsOptional()
  @IsNumber(number)
  @Min(0)
  @Max(1000)
  pricePerBu?: number;
}

export class AppendBody {
  @ApiProperty({ type: [EntryBody] })
  @IsArray()
  @ArrayMinSize(1, { message: 'entries is empty' })
  @ArrayMaxSize(MOST_ENTRIES_AT_ONCE, { message: `at most ${MOST_ENTRIES_AT_ONCE} entries at once` })
  @Each(() => EntryBody)
  entries: EntryBody[];
}

/** What happened to each entry of a batch. */
export interface AppendAnswer {
  readonly seq: number;
  readonly accepted: readonly { readonly id: string; readonly seq: number; readonly known: boolean }[];
  /** Loads that two devices recorded and that were joined as one. */
  readonly joined: readonly { readonly first: string; readonly second: string }[];
}

/** A dated change of what the book is read with. Its own rules are the core's. */
export class RevisionBody {
  @ApiProperty({ pattern: ULID.source })
  @Matches(ULID, { message: 'id must be a ULID: 26 letters and digits' })
  id: string;

  @ApiProperty({ description: 'why: it stays in the book for good' })
  @Fits(REVISION_REASON, 'say why: it stays in the book for good')
  reason: string;

  @ApiProperty({
    description:
      'shares of a lot, the order of trust, the default or a base moisture, or how grain comes out of a place',
    type: 'object',
    additionalProperties: true,
  })
  @IsObject({ message: 'change is missing' })
  change: RevisionChange;
}

export interface RevisionAnswer {
  readonly seq: number;
}

/** A revision with its number in the sequence, for the list of what the book was read with. */
export interface RevisionInfo extends Revision {
  readonly seq: number;
}

/** A void and, where the entry is made again, the new one: both or neither. */
export class CorrectionBody {
  @ApiProperty({ type: EntryBody, description: 'of type void' })
  @One(() => EntryBody)
  void: EntryBody;

  @ApiPropertyOptional({ type: EntryBody })
  @IsOptional()
  @One(() => EntryBody)
  entry?: EntryBody;
}

/** An entry that cannot be read as one: it is left out of every figure, and shown for what it is. */
export interface BrokenEntry {
  readonly seq: number;
  readonly id: string;
  /** What is wrong with it. */
  readonly message: string;
  /** As it stands there. */
  readonly text: string;
  /** Somebody took it out for good. */
  readonly settled: boolean;
}

/** Is the book what was written down? */
export interface BookCheckAnswer {
  /** Every record is what it was when it was written, and can be read. */
  readonly sound: boolean;
  readonly records: number;
  readonly fingerprint: string;
  /** The first record that was changed behind the program's back. */
  readonly changed: { readonly seq: number; readonly id: string | null; readonly missing: boolean } | null;
  /** What the book is read with and was changed without a revision: "shares of HS-26". */
  readonly header: readonly string[];
  readonly broken: readonly BrokenEntry[];
}

/** Where a book had a fingerprint. */
export interface FingerprintAnswer {
  readonly seq: number | null;
}
