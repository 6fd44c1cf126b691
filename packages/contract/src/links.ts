import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { IsInt, IsOptional, IsString, Length, Max, Min } from 'class-validator';

/** A link that shows one thing, and nothing else of the farm, to whoever has it. */
export class LinkBody {
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

/** The secret of a link is told once; the farm keeps only its fingerprint. */
export interface NewLink {
  readonly id: string;
  readonly secret: string;
  /** It was mailed, or could not be; left out where nobody asked for it. */
  readonly mailed?: boolean;
}

/** A link that was given, and how often it was opened. */
export interface LinkInfo {
  readonly id: string;
  readonly givenTo: string;
  readonly by: string;
  readonly madeAt: string;
  readonly endsAt: string | null;
  readonly opened: number;
  readonly openedAt: string | null;
  readonly revoked: boolean;
}
export interface LinkAnswer {
  readonly id: string;
}
