import { Matrix } from 'ml-matrix';
import { FROM_CONES, TO_CONES } from '../colour/cones';
import type { LinearRgb } from '../colour/types';
import { NO_CORRECTION, type Correction } from './correction';
import type { Picture, Point } from './picture';
import { regionLight } from './plane';
import type { MeasureSpec } from './spec';

/** A picture with what was measured in it. */
export interface Shown {
  picture: Picture;
  spec: MeasureSpec;
}

/** Light, as the sensor saw it, of what no session changes: the patches of the card, and the hidden patch. */
function steadyLights({ picture, spec }: Shown, hiddenId: string): LinearRgb[] {
  const boxes = spec.card.map(({ rect: [x, y, w, h] }): Point[] => [
    [x, y],
    [x + w, y],
    [x + w, y + h],
    [x, y + h],
  ]);
  const hidden = spec.regions.find(({ id }) => id === hiddenId)?.polygon;
  return [...boxes, ...(hidden ? [hidden] : [])].map((outline) => regionLight(picture, outline, NO_CORRECTION));
}

/** Whether two pictures show the same card and hidden patch, so that one light can be told from the other by all of them. */
export const showSamePatches = (first: Shown, later: Shown, hiddenId: string): boolean =>
  first.spec.card.length > 0 &&
  first.spec.card.length === later.spec.card.length &&
  first.spec.card.every(({ srgb }, i) => srgb.every((code, k) => code === later.spec.card[i]!.srgb[k])) &&
  [first, later].every(({ spec }) => spec.regions.some(({ id }) => id === hiddenId));

/**
 * The correction that shows a later picture in the light of the first: each cone's light is scaled by what the steady
 * patches lost or gained (von Kries in Bradford cones), then the first picture's own correction follows. A gain in red,
 * green and blue alone leaves the lamp's colour on strong yellows.
 *
 * @returns the later picture's `own` correction where the two show no common patches
 */
export function correctionAsFirst(
  first: Shown & { correction: Correction },
  later: Shown & { correction: Correction },
  hiddenId: string,
): Correction {
  if (!showSamePatches(first, later, hiddenId)) return later.correction;
  const sums = [first, later].map((shown) => {
    const cones = steadyLights(shown, hiddenId).map((light) =>
      TO_CONES.mmul(Matrix.columnVector([...light])).to1DArray(),
    );
    return [0, 1, 2].map((k) => cones.reduce((sum, cone) => sum + cone[k]!, 0));
  });
  const gains = [0, 1, 2].map((k) => sums[0]![k]! / Math.max(1e-6, sums[1]![k]!));
  const { method, matrix, offset } = first.correction;
  const own = new Matrix([matrix.slice(0, 3), matrix.slice(3, 6), matrix.slice(6, 9)].map((row) => [...row]));
  return { method, matrix: own.mmul(FROM_CONES).mmul(Matrix.diag(gains)).mmul(TO_CONES).to1DArray(), offset };
}
