import { inverse, Matrix } from 'ml-matrix';
import { codeOfLinear, LINEAR_OF_CODE } from '../colour/bulk';
import { labToLinear, linearToLab } from '../colour/lab';
import { DARKER_PER_B } from '../colour/plasticScale';
import type { LinearRgb } from '../colour/types';
import type { Correction } from './correction';
import type { Picture, Point } from './picture';
import { polygonRuns } from './polygon';

/** Colours are told apart in steps of four codes, and what is left of the yellow in fiftieths: finer is not seen. */
const STEP_BITS = 2;
const LEFT_STEPS = 50;
/** Print, badges and gaps are darker than any shell. */
const NOT_SHELL_L = 35;

/**
 * A picture of a piece as it should look later: inside the outline the yellow above the target is taken down to a share
 * of what it is, and the plastic gets as much lighter as it loses yellow. What is less yellow than the target, print
 * and gaps stay as they are.
 *
 * @param targetB b* of the hidden patch
 * @param left share of the yellow that is left, 0 to 1; or that of a place, in pixels of the picture
 */
export function recoloured(
  picture: Picture,
  outline: readonly Point[],
  { matrix, offset }: Correction,
  targetB: number,
  left: number | ((x: number, y: number) => number),
): Picture {
  const { width, height } = picture;
  const data = Uint8ClampedArray.from(picture.data);
  const back = inverse(
    new Matrix([matrix.slice(0, 3), matrix.slice(3, 6), matrix.slice(6, 9)].map((row) => [...row])),
  ).to1DArray();
  const known = new Map<number, readonly [number, number, number] | null>();
  const stepAt =
    typeof left === 'number' ? () => left * LEFT_STEPS : (x: number, y: number) => Math.round(left(x, y) * LEFT_STEPS);
  const changeOf = (r: number, g: number, b: number, share: number): readonly [number, number, number] | null => {
    const seen = [LINEAR_OF_CODE[r]!, LINEAR_OF_CODE[g]!, LINEAR_OF_CODE[b]!];
    const light = [0, 1, 2].map(
      (k) => matrix[3 * k]! * seen[0]! + matrix[3 * k + 1]! * seen[1]! + matrix[3 * k + 2]! * seen[2]! + offset[k]!,
    );
    const [l, a, yellow] = linearToLab(light as unknown as LinearRgb);
    if (l < NOT_SHELL_L || yellow <= targetB) return null;
    const then = targetB + share * (yellow - targetB);
    const later = labToLinear([
      Math.min(100, l + DARKER_PER_B * (yellow - then)),
      a * (0.4 + 0.6 * Math.min(1, share)),
      then,
    ]).map((value, k) => value - offset[k]!);
    return [0, 1, 2].map(
      (k) =>
        codeOfLinear(back[3 * k]! * later[0]! + back[3 * k + 1]! * later[1]! + back[3 * k + 2]! * later[2]!) -
        codeOfLinear(seen[k]!),
    ) as unknown as [number, number, number];
  };
  const { triples } = polygonRuns(outline, width, height);
  for (let t = 0; t < triples.length; t += 3)
    for (let x = triples[t + 1]!; x < triples[t + 2]!; x++) {
      const p = 4 * (triples[t]! * width + x);
      const [r, g, b] = [data[p]!, data[p + 1]!, data[p + 2]!];
      const step = stepAt(x, triples[t]!);
      // Codes in steps of four take six bits each; the share of yellow comes above them.
      const key = ((r >> STEP_BITS) << 12) + ((g >> STEP_BITS) << 6) + (b >> STEP_BITS) + Math.round(step) * 2 ** 18;
      let change = known.get(key);
      if (change === undefined) known.set(key, (change = changeOf(r, g, b, step / LEFT_STEPS)));
      if (!change) continue;
      data[p] = r + change[0];
      data[p + 1] = g + change[1];
      data[p + 2] = b + change[2];
    }
  return { width, height, data };
}
