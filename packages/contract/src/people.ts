import { JOB_KINDS, type JobKind, PASSWORD_LETTERS, PEOPLE_NAMES } from '@fanega/core';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import {
  IsEmail,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsOptional,
  IsString,
  IsTimeZone,
  Length,
  Max,
  MaxLength,
  Min,
  MinLength,
} from 'class-validator';
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

/** Whoever begins an account, with the password that he chooses. */
class NewAccount {
  @ApiProperty()
  @IsEmail({}, { message: 'this is no mail address' })
  email: string;

  @ApiProperty()
  @IsString()
  @MinLength(PASSWORD_LETTERS.least, { message: `the password needs ${PASSWORD_LETTERS.least} characters or more` })
  @MaxLength(PASSWORD_LETTERS.most, { message: `a password has at most ${PASSWORD_LETTERS.most} characters` })
  password: string;
}

/** The first run of a real farm: its name and its owner. */
export class SetupBody extends NewAccount {
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

/** Another farm of somebody who has one. */
export class BeginFarmBody {
  @ApiProperty()
  @Fits(PEOPLE_NAMES.farm, 'the farm needs a name')
  farm: string;

  @ApiProperty({ example: 'America/Chicago' })
  @IsTimeZone({ message: 'this is no time zone; write it like America/Chicago' })
  timeZone: string;
}

/** The owner of a farm that was brought back from a backup, which has no passwords. */
export class ClaimBody extends NewAccount {
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
  /** The program that answers: what a device keeps of another one's answers no longer holds. */
  readonly program: string;
  /** This phone or tablet is paired for one job, and is nobody's account. */
  readonly job: PairedJob | null;
  /** It was paired for this one, which has ended or was cut off. */
  readonly jobOver: { readonly label: string; readonly cutOff: boolean } | null;
}

/** The one job of a paired phone. */
export interface PairedJob {
  readonly farmId: string;
  readonly kind: JobKind;
  readonly placeId: string | null;
  readonly label: string;
  /** who holds it, as he wrote his name when it was paired */
  readonly driver: string;
  readonly endsAt: string;
}

/** A phone or tablet is to record one job, without an account, until a day. */
export class PairBody {
  @ApiProperty({ enum: JOB_KINDS })
  @IsIn(JOB_KINDS, { message: `a job is one of ${JOB_KINDS.join(', ')}` })
  kind: JobKind;

  @ApiPropertyOptional({ description: 'of a machine’s job' })
  @IsOptional()
  @IsString()
  @Length(1, 40)
  placeId?: string;

  @ApiProperty({ description: 'what the phone is called: “Truck 3’s phone”' })
  @Fits(PEOPLE_NAMES.device, 'what is the phone called?')
  label: string;

  @ApiProperty({ description: 'days that it records' })
  @IsInt({ message: 'whole days' })
  @Min(1)
  @Max(200)
  days: number;
}
export interface PairedInfo {
  readonly id: string;
  readonly kind: JobKind;
  readonly placeId: string | null;
  readonly label: string;
  readonly by: string;
  readonly madeAt: string;
  readonly endsAt: string;
  /** when its link was opened; null while it waits */
  readonly pairedAt: string | null;
  readonly driver: string | null;
  readonly device: string;
  readonly seenAt: string | null;
  readonly cutOff: boolean;
}
/** What the link of a job says before it is taken. */
export interface PairShown {
  readonly farm: string;
  readonly label: string;
  readonly kind: JobKind;
  readonly place: string | null;
  readonly by: string;
  readonly endsAt: string;
}
/** Whoever takes the job. */
export class TakeJobBody {
  @ApiProperty()
  @Fits(PEOPLE_NAMES.driver, 'your name is missing')
  name: string;
}

/** A person of a farm, as its managers see him. */
export interface MemberInfo {
  readonly userId: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  /** signed in on so many devices */
  readonly sessions: number;
  readonly seenAt: string | null;
  /** it is who asks */
  readonly self: boolean;
}

/** A link that lets one person into the farm, once. */
export class InviteBody {
  @ApiProperty({ enum: ROLES })
  @IsIn(ROLES, { message: `a role is one of ${ROLES.join(', ')}` })
  role: Role;

  @ApiProperty()
  @IsString()
  @Length(1, 120, { message: 'who is it for?' })
  givenTo: string;

  @ApiProperty({ description: 'days that it opens' })
  @IsInt({ message: 'whole days' })
  @Min(1)
  @Max(90)
  days: number;

  @ApiPropertyOptional({ description: 'where the link is mailed to, where the server has a mail server' })
  @IsOptional()
  @IsEmail({}, { message: 'that is no address' })
  @Length(3, 254)
  email?: string;
}
/** Whether links can be mailed. */
export interface MailAnswer {
  readonly on: boolean;
}
export interface InviteInfo {
  readonly id: string;
  readonly kind: 'join' | 'password';
  readonly role: Role;
  readonly givenTo: string;
  readonly by: string;
  readonly madeAt: string;
  readonly endsAt: string;
  readonly usedAt: string | null;
  readonly usedBy: string | null;
  readonly revoked: boolean;
}
/** What a link says before it is used. */
export interface InviteShown {
  readonly kind: 'join' | 'password';
  readonly farm: string;
  readonly role: Role;
  readonly by: string;
  readonly givenTo: string;
  /** of whoever gets a new password */
  readonly email: string | null;
}

/** Whoever comes by a link without an account. */
export class AcceptBody extends NewAccount {
  @ApiProperty()
  @Fits(PEOPLE_NAMES.name, 'your name is missing')
  name: string;
}

/** A new password by a link. */
export class NewPasswordBody {
  @ApiProperty()
  @IsString()
  @MinLength(PASSWORD_LETTERS.least, { message: `the password needs ${PASSWORD_LETTERS.least} characters or more` })
  @MaxLength(PASSWORD_LETTERS.most, { message: `a password has at most ${PASSWORD_LETTERS.most} characters` })
  password: string;
}
export class RoleBody {
  @ApiProperty({ enum: ROLES })
  @IsIn(ROLES, { message: `a role is one of ${ROLES.join(', ')}` })
  role: Role;
}
export interface MemberAnswer {
  readonly userId: string;
}
export interface InviteAnswer {
  readonly id: string;
}

export const TOKEN_SCOPES = ['read', 'record'] as const;
/** A token for a program of one's own. */
export class TokenBody {
  @ApiProperty()
  @IsString()
  @Length(1, 120, { message: 'what is it for?' })
  name: string;

  @ApiProperty({ enum: TOKEN_SCOPES, description: 'read, or read and record' })
  @IsIn(TOKEN_SCOPES)
  scope: (typeof TOKEN_SCOPES)[number];

  @ApiProperty({ description: 'days until it ends' })
  @IsInt({ message: 'whole days' })
  @Min(1)
  @Max(400)
  days: number;
}
export interface NewToken {
  readonly id: string;
  readonly token: string;
}
export interface TokenInfo {
  readonly id: string;
  readonly name: string;
  readonly scope: (typeof TOKEN_SCOPES)[number];
  readonly by: string;
  readonly madeAt: string;
  readonly endsAt: string;
  readonly usedAt: string | null;
  readonly revoked: boolean;
}

/** One's own name, password and places where one is signed in. */
export interface ProfileAnswer {
  readonly name: string;
  readonly email: string;
  readonly hasPassword: boolean;
  readonly sessions: readonly {
    readonly id: string;
    readonly device: string;
    readonly madeAt: string | null;
    readonly seenAt: string | null;
    /** the one that asks */
    readonly here: boolean;
  }[];
}
export class NameBody {
  @ApiProperty()
  @Fits(PEOPLE_NAMES.name, 'your name is missing')
  name: string;
}
export class ChangePasswordBody extends NewPasswordBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'the old password is missing' })
  @MaxLength(200)
  old: string;
}

export interface AuditLine {
  readonly id: string;
  readonly at: string;
  readonly by: string;
  readonly what: string;
  readonly about: string;
}
