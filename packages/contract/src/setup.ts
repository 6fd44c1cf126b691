import { CROPS, PLACE_KINDS, WITHDRAWALS } from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Type } from 'class-transformer';
import { IsIn, IsInt, IsNotEmpty, IsNumber, IsOptional, IsString, Matches, Max, MaxLength, Min, ValidateNested, ArrayMaxSize, ArrayMinSize, IsArray } from 'class-validator';
import { byRule, IsBetween, ULID } from './rules.js';

const IsWhole = byRule('isWhole', (value) => {
  const parts = Array.isArray(value) ? value.map((share: { part?: unknown }) => Number(share.part)) : [];
  return Math.abs(parts.reduce((sum, part) => sum + part, 0) - 1) <= 1e-6 ? null : 'the parts of the owners must come to the whole';
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

/** Whose a lot is, where that was entered wrong or became known. */
export class SharesBody {
  @ApiProperty({ type: [ShareBody] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(20)
  @ValidateNested({ each: true })
  @Type(() => ShareBody)
  @IsWhole()
  shares: ShareBody[];
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

/** What a place is called and holds. Its kind and how grain comes out of it stay: what was recorded was mixed by them. */
export class PlaceChangeBody {
  @ApiProperty()
  @IsString()
  @Matches(/\S/, { message: 'the place needs a name' })
  @MaxLength(60)
  name: string;

  @ApiPropertyOptional({ description: 'struck, in bushels; left out: nobody knows' })
  @IsOptional()
  @IsNumber({}, { message: 'capacity must be a number of bushels' })
  @Min(1, { message: 'capacity must be more than 0' })
  @Max(10_000_000)
  capacityBu?: number;
}

export class PlaceBody extends PlaceChangeBody {
  @ApiProperty({ enum: PLACE_KINDS })
  @IsIn(PLACE_KINDS, { message: `kind must be one of ${PLACE_KINDS.join(', ')}` })
  kind: string;

  @ApiPropertyOptional({ enum: WITHDRAWALS })
  @IsOptional()
  @IsIn(WITHDRAWALS, { message: `withdrawal must be one of ${WITHDRAWALS.join(', ')}` })
  withdrawal?: string;
}
