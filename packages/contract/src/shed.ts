export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
/** Bytes; a phone's picture scaled to 1,600 px is a tenth of it. */
export const MOST_PHOTO_BYTES = 4_000_000;
export interface PhotoInfo {
  readonly photoId: string;
  readonly width: number;
  readonly height: number;
}
