import { PHOTO_TYPES } from '@fanega/contract';
import { imageSize } from 'image-size';
import { Refused } from '../../platform/refused.js';

const TYPE_OF: Readonly<Record<string, (typeof PHOTO_TYPES)[number]>> = {
  jpg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
};
const MOST_PIXELS = 12_000;

const refuse = (message: string): Refused =>
  new Refused('body_wrong', message, [{ field: 'photo', code: 'photo_wrong', message }]);

/**
 * What a file really is, whatever it is called: a photograph with a width and a height, or nothing that is kept.
 * @throws Refused with a sentence for the person who chose it
 */
export function photoOf(bytes: unknown): { type: string; width: number; height: number; bytes: Buffer } {
  if (!Buffer.isBuffer(bytes) || bytes.length === 0) throw refuse('The photograph is missing.');
  let size: { width: number; height: number; type?: string };
  try {
    size = imageSize(bytes);
  } catch {
    throw refuse('This file is not a photograph. Choose a JPEG, PNG or WebP picture.');
  }
  const type = TYPE_OF[size.type ?? ''];
  if (!type)
    throw refuse(`A ${size.type ?? 'file of this kind'} is not kept here. Choose a JPEG, PNG or WebP picture.`);
  if (!(size.width >= 8 && size.height >= 8 && size.width <= MOST_PIXELS && size.height <= MOST_PIXELS)) {
    throw refuse(`A photograph is from 8 to 12,000 pixels wide and high; this one is ${size.width} by ${size.height}.`);
  }
  return { type, width: size.width, height: size.height, bytes };
}
