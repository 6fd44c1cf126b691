import { type BuyerBid, DEVICE_NAMES } from '@fanega/core';
import { ApiProperty } from '@nestjs/swagger';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn } from 'class-validator';
import { Fits } from './rules.js';

/** What may hang on the farm's wire. */
export const DEVICE_KINDS = [
  'weather',
  'cartScale',
  'truckScale',
  'monitor',
  'tester',
  'elevator',
  'dryer',
  'binCables',
  'motors',
  'level',
  'bids',
  'tracker',
] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

export class DeviceBody {
  @ApiProperty()
  @Fits(DEVICE_NAMES.name, 'the device needs a name')
  name: string;

  @ApiProperty({ enum: DEVICE_KINDS })
  @IsIn(DEVICE_KINDS, { message: `a device is one of ${DEVICE_KINDS.join(', ')}` })
  kind: DeviceKind;
}

/** Bids as a buyer's board or a market's feed has them; each is a bid as a manager types it. */
export class BidsBody {
  @ApiProperty({ type: 'array', items: { $ref: '#/components/schemas/BidRecord' } })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(200)
  bids: BuyerBid[];
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

/** The farm's places and fields, so that a gateway, a display and a desk all speak of the same ones. */
export interface DeviceNames {
  readonly places: readonly {
    readonly id: string;
    readonly name: string;
    readonly kind: string;
    readonly capacityBu: number | null;
    /** What the book has in it, wet kg. */
    readonly heldKg: number;
    /** wet-basis fraction; null where nothing is in it. */
    readonly moisture: number | null;
  }[];
  /** Of the newest season. */
  readonly lots: readonly {
    readonly id: string;
    readonly fieldId: string;
    readonly fieldName: string;
    readonly tag: string;
    readonly crop: string;
    readonly acres: number;
    /** Corners of the field's outer edge; left out where nobody drew it. */
    readonly edge?: readonly { readonly lon: number; readonly lat: number }[];
  }[];
}

export interface DeviceAnswer {
  readonly deviceId: string;
}
export interface DeviceReadingAnswer {
  readonly readingId: string;
}
export interface SamplesAnswer {
  readonly samples: number;
}
