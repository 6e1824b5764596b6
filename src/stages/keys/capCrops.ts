import type { BoardKey } from '@/core/keyboard/layout';
import { homographyThrough, project } from '@/core/picture/homography';
import type { Point } from '@/core/picture/picture';
import type { KeyboardPictureRow, Photo } from '@/data/rows';

/** A cap as the photograph before shows it: its part of that picture, px. */
export interface CapCrop {
  photoId: string;
  /** Of the whole picture. */
  picture: { width: number; height: number };
  x: number;
  y: number;
  width: number;
  height: number;
}

/** So much of a key round it is shown as well. */
const ROUND = 0.25;

/** Where keys lie on the first marked photograph of their keyboard. */
export function capCrops(
  { keys, widthMm, heightMm }: { keys: readonly BoardKey[]; widthMm: number; heightMm: number },
  wanted: readonly string[],
  picture: KeyboardPictureRow | undefined,
  photos: readonly Pick<Photo, 'id' | 'width' | 'height'>[],
): Record<string, CapCrop> {
  const photo = photos.find(({ id }) => id === picture?.photoId);
  if (!picture || !photo) return {};
  const toPhoto = homographyThrough(
    [
      [0, 0],
      [widthMm, 0],
      [widthMm, heightMm],
      [0, heightMm],
    ],
    picture.corners,
  );
  return Object.fromEntries(
    keys
      .filter(({ id }) => wanted.includes(id))
      .map(({ id, x, y, w, h }): [string, CapCrop] => {
        const round = ROUND * Math.min(w, h);
        const corners = (
          [
            [x - round, y - round],
            [x + w + round, y - round],
            [x + w + round, y + h + round],
            [x - round, y + h + round],
          ] as Point[]
        ).map((corner) => project(toPhoto, corner));
        const [xs, ys] = [corners.map(([px]) => px), corners.map(([, py]) => py)];
        const [left, top] = [Math.min(...xs), Math.min(...ys)];
        return [
          id,
          {
            photoId: photo.id,
            picture: { width: photo.width, height: photo.height },
            ...{ x: left, y: top, width: Math.max(...xs) - left, height: Math.max(...ys) - top },
          },
        ];
      }),
  );
}
