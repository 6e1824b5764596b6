import { writeLab } from '../../colour/bulk';
import { NO_CORRECTION } from '../../picture/correction';
import type { Corners } from '../../picture/corners';
import type { Picture } from '../../picture/picture';
import { onPlane } from '../../picture/plane';

/** A photograph of a keyboard with the corners of its field. */
export interface FieldPicture {
  picture: Picture;
  corners: Corners;
}

/** The field of a keyboard straight from above, in L*, a*, b*: perspective undone. */
export interface Field {
  columns: number;
  rows: number;
  pxPerMm: number;
  /** Three numbers a cell. */
  lab: Float32Array;
}

/** Finer than this nothing of a key is told better. */
const MOST_PX_PER_MM = 4;
const LEAST_PX_PER_MM = 2;
const MOST_CELLS = 700_000;

/** How many pixels a mm has on a photograph, by the field's longer sides. */
function finenessOf([a, b, c, d]: Corners, widthMm: number): number {
  const side = (p: readonly [number, number], q: readonly [number, number]) => Math.hypot(p[0] - q[0], p[1] - q[1]);
  return (side(a, b) + side(d, c)) / 2 / widthMm;
}

/**
 * Takes the field of a keyboard out of its photograph.
 *
 * @param fineness cells a mm; without it as fine as the picture is
 */
export function fieldOf(
  picture: Picture,
  corners: Corners,
  widthMm: number,
  heightMm: number,
  fineness?: number,
): Field {
  const most = Math.min(MOST_PX_PER_MM, Math.sqrt(MOST_CELLS / (widthMm * heightMm)));
  const pxPerMm = fineness ?? Math.min(most, Math.max(LEAST_PX_PER_MM, finenessOf(corners, widthMm)));
  const columns = Math.max(8, Math.round(widthMm * pxPerMm));
  const { rows, light } = onPlane(picture, corners, NO_CORRECTION, columns, widthMm / heightMm);
  const lab = new Float32Array(light.length);
  for (let i = 0; i < light.length; i += 3) writeLab(light[i]!, light[i + 1]!, light[i + 2]!, lab, i);
  return { columns, rows, pxPerMm: columns / widthMm, lab };
}

/** L*, a* or b* of each cell. */
export const channelOf = ({ lab }: Field, k: 0 | 1 | 2): Float32Array =>
  Float32Array.from({ length: lab.length / 3 }, (_, i) => lab[3 * i + k]!);
