import { ApiProperty } from '@nestjs/swagger';
import { IsIn, IsNotEmpty, IsString, MaxLength } from 'class-validator';

/** What may hang on the farm's wire. */
export const DEVICE_KINDS = ['weather', 'cartScale', 'weighbridge', 'monitor', 'tester', 'elevator'] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

export class DeviceBody {
  @ApiProperty()
  @IsString()
  @IsNotEmpty({ message: 'the device needs a name' })
  @MaxLength(60, { message: 'the name is at most 60 letters' })
  name: string;

  @ApiProperty({ enum: DEVICE_KINDS })
  @IsIn(DEVICE_KINDS, { message: `a device is one of ${DEVICE_KINDS.join(', ')}` })
  kind: DeviceKind;
}

/** The token is told once, when the device is added; the farm keeps only its fingerprint. */
export interface NewDevice {
  readonly deviceId: string;
  readonly token: string;
}

export interface DeviceInfo {
  readonly id: string;
  readonly name: string;
  readonly kind: DeviceKind;
  readonly addedAt: string;
  readonly lastSeen: string | null;
  readonly revoked: boolean;
}

/** What a device is told about the farm that it belongs to. */
export interface DeviceHello {
  readonly farm: string;
  readonly timeZone: string;
  readonly name: string;
  readonly kind: DeviceKind;
  /** The farm's clock, so that a device's wrong one does no harm. */
  readonly now: string;
}
