import sharp from 'sharp';
import { fourCorners } from '@/core/picture/corners';
import { homographyThrough, project, UNIT_SQUARE } from '@/core/picture/homography';
import { correctionOf } from '@/core/picture/measure';
import type { Picture, Point } from '@/core/picture/picture';
import { recoloured } from '@/core/picture/recolour';
import type { Field } from '@/core/rehearse/field';
import { PIECE_REGION } from '@/data/measurements';
import { measuredPicture } from '@/data/photos/face';
import { findPhoto } from '@/data/photos/store';
import type { Measurement } from '@/data/rows';

/** A piece's own photograph, its face cut out with some of its surroundings, ready to be recoloured. */
export interface Look {
  picture: Picture;
  outline: Point[];
  correction: ReturnType<typeof correctionOf>['correction'];
}

const WIDE_PX = 560;
/** Rim round the outline, as a share of its longer side. */
const ROUND = 0.08;

/** What is outlined with some of its surroundings: in a large picture the change would hardly be seen. */
function around(outline: readonly Point[], { width, height }: { width: number; height: number }) {
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const rim = ROUND * Math.max(right - left, bottom - top);
  const from = (at: number) => Math.max(0, Math.floor(at - rim));
  return {
    left: from(left),
    top: from(top),
    width: Math.min(width, Math.ceil(right + rim)) - from(left),
    height: Math.min(height, Math.ceil(bottom + rim)) - from(top),
  };
}

/** Cuts the face out of the photograph that it was measured on; `null` where that is gone. */
export async function lookOf({ photoId, spec }: Measurement): Promise<Look | null> {
  const outline = spec.regions.find(({ id }) => id === PIECE_REGION)?.polygon;
  if (!outline || !(await findPhoto(photoId))) return null;
  const full = await measuredPicture(photoId, spec);
  const { correction } = correctionOf(full, spec);
  const box = around(outline, full);
  const scale = Math.min(1, WIDE_PX / box.width);
  const { data, info } = await sharp(full.data, { raw: { width: full.width, height: full.height, channels: 4 } })
    .extract(box)
    .resize(Math.round(box.width * scale))
    .raw()
    .toBuffer({ resolveWithObject: true });
  return {
    picture: { width: info.width, height: info.height, data: new Uint8ClampedArray(data) },
    outline: outline.map(([x, y]): Point => [(x - box.left) * scale, (y - box.top) * scale]),
    correction,
  };
}

async function urlOf({ data, width, height }: Picture): Promise<string> {
  const jpeg = await sharp(data, { raw: { width, height, channels: 4 } })
    .flatten()
    .jpeg({ quality: 82 })
    .toBuffer();
  return `data:image/jpeg;base64,${jpeg.toString('base64')}`;
}

/** The photograph as it is, or with a share of its yellow left all over. */
export const lookUrl = ({ picture, outline, correction }: Look, targetB: number, left = 1): Promise<string> =>
  urlOf(left === 1 ? picture : recoloured(picture, outline, correction, targetB, left));

/** The photograph with what a session leaves place by place: `shares` of the yellow over the face, cell by cell. */
export function fieldUrl({ picture, outline, correction }: Look, targetB: number, shares: Field): Promise<string> {
  const toFace = homographyThrough(fourCorners(outline), UNIT_SQUARE);
  const cell = (at: number, of: number) => Math.min(of - 1, Math.max(0, Math.floor(at * of)));
  return urlOf(
    recoloured(picture, outline, correction, targetB, (x, y) => {
      const [u, v] = project(toFace, [x, y]);
      return shares.values[cell(v, shares.rows) * shares.columns + cell(u, shares.columns)]!;
    }),
  );
}
