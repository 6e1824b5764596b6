import { stat } from 'node:fs/promises';
import sharp, { type Metadata } from 'sharp';
import type { Picture } from '@/core/picture/picture';
import { Refusal } from '@/core/refusal';
import { decoding } from './queue';

// A picture is decoded once and let go: kept for a second time, a few large ones fill the memory.
sharp.cache(false);
// One thread a picture: the other cores are for whoever waits for an answer.
sharp.concurrency(1);

/** Largest file taken in, bytes. */
export const LARGEST_FILE_BYTES = 60 * 1024 * 1024;
/** Largest picture taken in, decoded pixels. */
export const LARGEST_PIXELS = 100_000_000;

/** Types taken in, by what the file really is. */
const TYPES = {
  jpeg: { mime: 'image/jpeg', extension: 'jpg' },
  png: { mime: 'image/png', extension: 'png' },
  webp: { mime: 'image/webp', extension: 'webp' },
} as const;
type PictureType = keyof typeof TYPES;

export interface PictureFacts {
  mime: string;
  extension: string;
  /** Upright size, after EXIF orientation. */
  width: number;
  height: number;
}

const million = (pixels: number) => `${Math.round(pixels / 1e6)} million`;

/** A picture in memory, or the file that it lies in. */
export type PictureSource = Buffer | string;

const open = (bytes: PictureSource) => sharp(bytes, { limitInputPixels: LARGEST_PIXELS, failOn: 'warning' });

/**
 * What a file really is, without trusting its name; decodes it once to the end, so that a file that broke
 * off is found before it is kept.
 *
 * @throws Refusal (`photo`) for anything that is not a whole colour-managed JPEG, PNG or WebP of sensible size
 */
export async function inspectPicture(bytes: PictureSource): Promise<PictureFacts> {
  const size = typeof bytes === 'string' ? (await stat(bytes)).size : bytes.byteLength;
  if (size > LARGEST_FILE_BYTES)
    throw new Refusal(
      'photo',
      `The file is ${Math.round(size / 1048576)} MB. Send pictures of up to ${LARGEST_FILE_BYTES / 1048576} MB.`,
    );
  let facts: Metadata;
  try {
    // Metadata alone decodes nothing, so that even a picture bomb can be looked at here.
    facts = await sharp(bytes, { limitInputPixels: false }).metadata();
  } catch {
    throw new Refusal(
      'photo',
      'This is not a picture, whatever its name says. Send a JPEG, PNG or WebP as the camera made it.',
    );
  }
  const type = Object.hasOwn(TYPES, facts.format) ? TYPES[facts.format as PictureType] : null;
  if (!type)
    throw new Refusal('photo', `Pictures of type ${facts.format} are not taken in. Save it as JPEG, PNG or WebP.`);
  const pixels = facts.width * facts.height;
  if (pixels > LARGEST_PIXELS)
    throw new Refusal(
      'photo',
      `The picture has ${million(pixels)} pixels. Send one of up to ${million(LARGEST_PIXELS)}.`,
    );
  if (facts.space === 'cmyk')
    throw new Refusal(
      'photo',
      'This picture is made for printing (CMYK): its colours depend on an ink. Send the camera’s own file, or save it as sRGB.',
    );
  try {
    // Its last line is there only when all before it were decoded, and takes no memory.
    const last = { left: 0, top: facts.height - 1, width: facts.width, height: 1 };
    await decoding(pixels, () => open(bytes).extract(last).raw().toBuffer());
  } catch {
    throw new Refusal(
      'photo',
      'The picture breaks off or is damaged. Copy it from the camera again and send the whole file.',
    );
  }
  const { width, height } = facts.autoOrient;
  return { ...type, width, height };
}

/** How many pixels a picture says it has; nothing is decoded for it. */
export async function pixelsOf(bytes: PictureSource): Promise<number> {
  const { width, height } = await sharp(bytes, { limitInputPixels: false }).metadata();
  return width * height;
}

/** The type of a kept file by its bytes; `null` where it is none of those that are taken in. */
export async function mimeOf(bytes: Buffer): Promise<string | null> {
  const format = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .then((facts) => facts.format)
    .catch(() => '');
  return Object.hasOwn(TYPES, format) ? TYPES[format as PictureType].mime : null;
}

/** Decodes a picture upright, in sRGB, as RGBA. */
export async function decodePicture(bytes: Buffer): Promise<Picture> {
  const upright = open(bytes).autoOrient().toColourspace('srgb').ensureAlpha();
  const { data, info } = await decoding(await pixelsOf(bytes), () =>
    upright.raw().toBuffer({ resolveWithObject: true }),
  );
  return { width: info.width, height: info.height, data };
}
