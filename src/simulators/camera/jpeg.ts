import sharp from 'sharp';
import { format } from 'date-fns';
import type { Picture } from '@/core/picture/picture';

export interface JpegOptions {
  quality?: number;
  /** When it was taken, in the camera's local time. */
  takenAt?: Date;
  /** EXIF orientation 1, 3, 6 or 8: the pixels are stored turned, as phones do. */
  orientation?: 1 | 3 | 6 | 8;
}

const TURN_TO_STORE = { 1: 0, 3: 180, 6: 270, 8: 90 } as const;

/** Writes a picture as the camera would: JPEG with EXIF time and orientation. */
export async function toJpeg(
  picture: Picture,
  { quality = 85, takenAt, orientation = 1 }: JpegOptions = {},
): Promise<Buffer> {
  const { width, height, data } = picture;
  const raw = sharp(Buffer.from(data.buffer, data.byteOffset, data.byteLength), {
    raw: { width, height, channels: 4 },
  }).removeAlpha();
  const exif = {
    IFD0: { Make: 'Simulated camera', Orientation: String(orientation) },
    ...(takenAt && { IFD2: { DateTimeOriginal: format(takenAt, 'yyyy:MM:dd HH:mm:ss') } }),
  };
  return raw.rotate(TURN_TO_STORE[orientation]).withMetadata({ orientation, exif }).jpeg({ quality }).toBuffer();
}
