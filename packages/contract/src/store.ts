import { PLACE_KINDS, WITHDRAWALS } from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { IsIn, IsNumber, IsOptional, IsString, Matches, Max, MaxLength, Min } from 'class-validator';

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

export interface PlaceAnswer {
  readonly placeId: string;
}
