import { CROPS, PLACE_KINDS, WITHDRAWALS } from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { IsIn, IsInt, IsNotEmpty, IsNumber, IsOptional, IsString, Max, MaxLength, Min } from 'class-validator';

/** A field with the lot that stands on it this season. */
export class FieldBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'the field needs a name' })
  @MaxLength(60)
  name: string;

  @ApiProperty()
  @IsNumber({}, { message: 'acres must be a number' })
  @Min(0.01, { message: 'acres must be more than 0' })
  @Max(50_000, { message: 'acres must be at most 50,000' })
  acres: number;

  @ApiProperty({ enum: Object.keys(CROPS) })
  @IsIn(Object.keys(CROPS), { message: `crop must be one of ${Object.keys(CROPS).join(', ')}` })
  crop: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @MaxLength(40)
  variety?: string;

  @ApiProperty({ description: 'two or three letters that stand for it in drawings' })
  @IsString()
  @IsNotEmpty({ message: 'the tag is missing: two or three letters' })
  @MaxLength(4, { message: 'the tag is at most four letters' })
  tag: string;

  @ApiProperty()
  @IsInt()
  @Min(2000)
  @Max(2100)
  season: number;
}

export class PlaceBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'the place needs a name' })
  @MaxLength(60)
  name: string;

  @ApiProperty({ enum: PLACE_KINDS })
  @IsIn(PLACE_KINDS, { message: `kind must be one of ${PLACE_KINDS.join(', ')}` })
  kind: string;

  @ApiPropertyOptional({ enum: WITHDRAWALS })
  @IsOptional()
  @IsIn(WITHDRAWALS, { message: `withdrawal must be one of ${WITHDRAWALS.join(', ')}` })
  withdrawal?: string;

  @ApiPropertyOptional({ description: 'struck, in bushels' })
  @IsOptional()
  @IsNumber({}, { message: 'capacity must be a number of bushels' })
  @Min(1, { message: 'capacity must be more than 0' })
  @Max(10_000_000)
  capacityBu?: number;
}
