import { codeOfLinear, LINEAR_OF_CODE } from '../colour/bulk';
import { Refusal } from '../refusal';
import type { Picture } from './picture';

/** The light of a plain sheet, in cells across and down. */
const ACROSS = 24;
const DOWN = 18;
/** A plain sheet changes less than this from cell to cell; print, edges and shadows change more. */
const PLAIN_FACTOR = 1.3;
/** Darker than this, linear, the sheet's own noise would go into the picture. */
const TOO_DARK = 0.03;
const CODES = 4096;

const CODE_OF_LINEAR = Uint8ClampedArray.from({ length: CODES + 1 }, (_, i) => codeOfLinear(i / CODES));

/** Mean light of each cell, red, green and blue. */
function lightOf({ data, width, height }: Picture): Float64Array {
  const sums = new Float64Array(4 * ACROSS * DOWN);
  // A few million readings say as much as all of them.
  const step = Math.max(1, Math.floor(Math.sqrt((width * height) / 2e6)));
  for (let y = 0; y < height; y += step) {
    const row = Math.min(DOWN - 1, Math.floor((y / height) * DOWN)) * ACROSS;
    for (let x = 0; x < width; x += step) {
      const at = 4 * (row + Math.min(ACROSS - 1, Math.floor((x / width) * ACROSS)));
      const p = 4 * (y * width + x);
      for (let k = 0; k < 3; k++) sums[at + k] = sums[at + k]! + LINEAR_OF_CODE[data[p + k]!]!;
      sums[at + 3] = sums[at + 3]! + 1;
    }
  }
  return Float64Array.from({ length: 3 * ACROSS * DOWN }, (_, i) => {
    const cell = Math.floor(i / 3);
    return sums[4 * cell + (i % 3)]! / Math.max(1, sums[4 * cell + 3]!);
  });
}

/** @throws Refusal for a sheet that is too dark, or not plain */
function checkPlain(light: Float64Array): void {
  for (let row = 0; row < DOWN; row++)
    for (let column = 0; column < ACROSS; column++) {
      const green = (r: number, c: number) => light[3 * (r * ACROSS + c) + 1]!;
      const here = green(row, column);
      if (here < TOO_DARK)
        throw new Refusal(
          'flatField',
          'The picture of the plain sheet is too dark in places. Give it more light, and take it again.',
        );
      for (const [r, c] of [
        [row + 1, column],
        [row, column + 1],
      ] as const) {
        if (r >= DOWN || c >= ACROSS) continue;
        const factor = green(r, c) / here;
        if (factor > PLAIN_FACTOR || factor < 1 / PLAIN_FACTOR)
          throw new Refusal(
            'flatField',
            'The picture of the plain sheet is not plain: it shows an edge, a shadow or print. Fill the whole picture with one sheet.',
          );
      }
    }
}

/**
 * Takes the unevenness of the light out of a picture: every place is divided by what a plain sheet showed there in the
 * same light, the mean left as it is.
 *
 * @param flat the same camera in the same place over a plain, pale sheet; its size may differ
 * @throws Refusal (`flatField`) for a sheet that is too dark, or not plain
 */
export function evened({ data, width, height }: Picture, flat: Picture): Picture {
  const light = lightOf(flat);
  checkPlain(light);
  const means = [0, 1, 2].map((k) => {
    let sum = 0;
    for (let cell = 0; cell < ACROSS * DOWN; cell++) sum += light[3 * cell + k]!;
    return sum / (ACROSS * DOWN);
  });
  const out = new Uint8ClampedArray(data.length);
  for (let y = 0; y < height; y++) {
    const v = Math.min(DOWN - 1.001, Math.max(0, ((y + 0.5) / height) * DOWN - 0.5));
    const [row, fv] = [v | 0, v % 1];
    for (let x = 0; x < width; x++) {
      const u = Math.min(ACROSS - 1.001, Math.max(0, ((x + 0.5) / width) * ACROSS - 0.5));
      const [column, fu] = [u | 0, u % 1];
      const at = 3 * (row * ACROSS + column);
      const below = at + 3 * ACROSS;
      const p = 4 * (y * width + x);
      for (let k = 0; k < 3; k++) {
        const here =
          (1 - fv) * ((1 - fu) * light[at + k]! + fu * light[at + 3 + k]!) +
          fv * ((1 - fu) * light[below + k]! + fu * light[below + 3 + k]!);
        out[p + k] =
          CODE_OF_LINEAR[Math.min(CODES, Math.round((CODES * LINEAR_OF_CODE[data[p + k]!]! * means[k]!) / here))]!;
      }
      out[p + 3] = data[p + 3]!;
    }
  }
  return { width, height, data: out };
}
