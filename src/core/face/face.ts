import { fourCorners, refineCorners, type Corners } from '../picture/corners';
import { correctionOf } from '../picture/measure';
import type { Correction } from '../picture/correction';
import type { Picture } from '../picture/picture';
import { detailOf, likeness, onPlane, shapeOf, type FacePlane } from '../picture/plane';
import type { MeasureSpec } from '../picture/spec';
import { Refusal } from '../refusal';

/** How far from the outline the edges of a face are looked for, as a share of the picture's width. */
const REACH = 0.012;

/** A face taken out of its picture. */
export interface Face {
  plane: FacePlane;
  corners: Corners;
  correction: Correction;
  /** Width to height. */
  shape: number;
}

/** How a later face is laid on an earlier one: cell on cell by its shape, and in the same light. */
interface AsEarlier {
  shape?: number;
  correctionOf?: (own: Correction) => Correction;
}

/**
 * A measured region as a face on its own plane: its corners moved onto its edges, perspective and the light's colour
 * undone.
 *
 * @param columns cells across
 * @throws Refusal where the measurement has no such region, or its corners are crossed or nearly in a line
 */
export function faceOf(
  picture: Picture,
  spec: MeasureSpec,
  regionId: string,
  columns: number,
  as: AsEarlier = {},
): Face {
  const outline = spec.regions.find(({ id }) => id === regionId)?.polygon;
  if (!outline) throw new Refusal('pieceId', 'A measurement of this piece has no outline. Measure it again.');
  const corners = refineCorners(picture, fourCorners(outline), REACH * picture.width);
  const measured = correctionOf(picture, spec).correction;
  const correction = as.correctionOf?.(measured) ?? measured;
  const own = as.shape ?? shapeOf(corners);
  return { plane: onPlane(picture, corners, correction, columns, own), corners, correction, shape: own };
}

/** Two pictures with print, gaps and edges on them, less alike than this, show different faces. */
const ALIKE = 0.35;
/** A face with fewer edges than this share is plain: only its shape can tell it from another. */
const PLAIN_SHARE = 0.03;
/** A face seen from elsewhere changes its width to height by less than this factor. */
const SHAPE_FACTOR = 1.35;

/** Cells with an edge, away from the rim, as a share. */
function edgeShare(plane: FacePlane): number {
  const detail = detailOf([plane]);
  let edges = 0;
  for (const edge of detail) edges += edge;
  return edges / detail.length - (4 * (plane.columns + plane.rows)) / (plane.columns * plane.rows);
}

/** Whether two faces on planes of the same size can be one: by their shape, and by what is on them where both show something. */
export function canBeSameFace(first: Face, later: Face): boolean {
  const stretch = Math.abs(Math.log(shapeOf(first.corners) / shapeOf(later.corners)));
  if (stretch > Math.log(SHAPE_FACTOR)) return false;
  const plain = [first, later].some(({ plane }) => edgeShare(plane) < PLAIN_SHARE);
  return plain || likeness(first.plane, later.plane) >= ALIKE;
}
