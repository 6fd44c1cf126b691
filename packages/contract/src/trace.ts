import type { Insurance, OriginFile, WrongFieldLoad } from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  Length,
  Max,
  Min,
} from 'class-validator';
import type { ClockStyle, UnitSystem } from './people.js';

export const ORIGIN_KINDS = ['delivery', 'place'] as const;

/** A link that shows one origin, and nothing else of the farm, to whoever has it. */
export class OriginLinkBody {
  @ApiProperty({ enum: ORIGIN_KINDS })
  @IsIn(ORIGIN_KINDS, { message: 'an origin is of a delivery or of a place' })
  kind: (typeof ORIGIN_KINDS)[number];

  @ApiProperty({ description: 'the delivery’s entry, or the place' })
  @IsString()
  @Length(1, 40)
  subject: string;

  @ApiProperty()
  @IsString()
  @Length(1, 120, { message: 'who is it for?' })
  givenTo: string;

  @ApiPropertyOptional({ description: 'days that it opens; left out: until it is cut off' })
  @IsOptional()
  @IsInt({ message: 'whole days' })
  @Min(1)
  @Max(3650)
  days?: number;
}

/** The secret is told once; the farm keeps only its fingerprint. */
export interface NewOriginLink {
  readonly id: string;
  readonly secret: string;
}

export interface OriginLinkInfo {
  readonly id: string;
  readonly kind: (typeof ORIGIN_KINDS)[number];
  readonly subject: string;
  readonly givenTo: string;
  readonly by: string;
  readonly madeAt: string;
  readonly endsAt: string | null;
  readonly opened: number;
  readonly openedAt: string | null;
  readonly revoked: boolean;
}
export interface OriginLinkAnswer {
  readonly id: string;
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
