import { ApiProperty } from '@nestjs/swagger';
import { IsEmail, IsNotEmpty, IsString, IsTimeZone, MaxLength, MinLength } from 'class-validator';

/** What a member of a farm may do; each may do what those before may. */
export const ROLES = ['viewer', 'operator', 'manager', 'owner'] as const;
export type Role = (typeof ROLES)[number];

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

/** The first run of a real farm: its name and its owner. */
export class SetupBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'the farm needs a name' })
  @MaxLength(80)
  farm: string;

  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'your name is missing' })
  @MaxLength(80)
  name: string;

  @ApiProperty()
  @IsEmail({}, { message: 'this is no mail address' })
  email: string;

  @ApiProperty()
  @IsString()
  @MinLength(10, { message: 'the password needs 10 characters or more' })
  @MaxLength(200)
  password: string;

  @ApiProperty({ example: 'America/Chicago' })
  @IsTimeZone({ message: 'this is no time zone; write it like America/Chicago' })
  timeZone: string;
}

export interface Me {
  readonly user: { readonly id: string; readonly name: string; readonly email: string } | null;
  readonly farms: readonly { readonly id: string; readonly name: string; readonly role: Role; readonly demo: boolean; readonly timeZone: string }[];
  /** No owner yet: the first-run page. */
  readonly firstRun: boolean;
  /** A demo farm can be entered by one button. */
  readonly demo: boolean;
}
