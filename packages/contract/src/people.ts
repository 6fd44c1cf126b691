import { PEOPLE_NAMES } from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { IsEmail, IsIn, IsNotEmpty, IsOptional, IsString, IsTimeZone, MaxLength, MinLength } from 'class-validator';
import { Fits } from './rules.js';

/** What a member of a farm may do; each may do what those before may. */
export const ROLES = ['viewer', 'operator', 'manager', 'owner'] as const;
export type Role = (typeof ROLES)[number];

/** Units that a farm's screens and printed sheets are in; what is recorded is the same in both. */
export const UNIT_SYSTEMS = ['us', 'metric'] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];
/** "6:26 pm" or "18:26". */
export const CLOCK_STYLES = ['12', '24'] as const;
export type ClockStyle = (typeof CLOCK_STYLES)[number];

/** How the farm's screens and sheets say quantities and times; each reader may choose otherwise on a device. */
export class FarmSettingsBody {
  @ApiProperty({ enum: UNIT_SYSTEMS })
  @IsIn(UNIT_SYSTEMS, { message: 'units are “us” or “metric”' })
  units: UnitSystem;

  @ApiProperty({ enum: CLOCK_STYLES })
  @IsIn(CLOCK_STYLES, { message: 'the clock is of “12” or “24” hours' })
  clock: ClockStyle;
}

export interface FarmSettingsAnswer {
  readonly units: UnitSystem;
  readonly clock: ClockStyle;
}

export class SignInBody {
  @ApiProperty()
  @IsEmail({}, { message: 'this is no mail address' })
  email: string;

  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'the password is missing' })
  @MaxLength(200)
  password: string;
}

/** Whoever will own a farm, with the password that he chooses. */
class NewOwner {
  @ApiProperty()
  @IsEmail({}, { message: 'this is no mail address' })
  email: string;

  @ApiProperty()
  @IsString()
  @MinLength(10, { message: 'the password needs 10 characters or more' })
  @MaxLength(200)
  password: string;
}

/** The first run of a real farm: its name and its owner. */
export class SetupBody extends NewOwner {
  @ApiProperty({ description: 'what npm start prints when nobody has begun yet' })
  @Fits(PEOPLE_NAMES.code, 'the code is missing: npm start prints it')
  code: string;

  @ApiProperty()
  @Fits(PEOPLE_NAMES.farm, 'the farm needs a name')
  farm: string;

  @ApiProperty()
  @Fits(PEOPLE_NAMES.name, 'your name is missing')
  name: string;

  @ApiProperty({ example: 'America/Chicago' })
  @IsTimeZone({ message: 'this is no time zone; write it like America/Chicago' })
  timeZone: string;

  @ApiPropertyOptional({ enum: UNIT_SYSTEMS })
  @IsOptional()
  @IsIn(UNIT_SYSTEMS, { message: 'units are “us” or “metric”' })
  units?: UnitSystem;
}

/** The owner of a farm that was brought back from a backup, which has no passwords. */
export class ClaimBody extends NewOwner {
  @ApiProperty({ description: 'what npm start prints when a farm waits for its owner' })
  @Fits(PEOPLE_NAMES.code, 'the code is missing: npm start prints it')
  code: string;
}

export interface Me {
  readonly user: { readonly id: string; readonly name: string; readonly email: string } | null;
  readonly farms: readonly {
    readonly id: string;
    readonly name: string;
    readonly role: Role;
    readonly demo: boolean;
    readonly timeZone: string;
  }[];
  /** No owner yet: the first-run page. */
  readonly firstRun: boolean;
  /** A farm was brought back, and no owner of it has a password yet. */
  readonly claim: boolean;
  /** A demo farm can be entered by one button. */
  readonly demo: boolean;
}
