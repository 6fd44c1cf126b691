import { PLACE_KINDS, PLACE_NAMES, WITHDRAWALS } from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { IsIn, IsOptional } from 'class-validator';
import { Fits } from './rules.js';

/** What a place is called and holds. Its kind and how grain comes out of it stay: what was recorded was mixed by them. */
export class PlaceChangeBody {
  @ApiProperty()
  @Fits(PLACE_NAMES.name, 'the place needs a name')
  name: string;

  @ApiPropertyOptional({ description: 'struck, in bushels; left out: nobody knows' })
  @IsOptional()
  @Fits(PLACE_NAMES.capacityBu)
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
