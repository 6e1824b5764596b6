import { seededRandom } from './random';

/** What a phone does to a picture after its sensor: nothing of it is undone by a card of one grey. */
export interface Phone {
  /** Strength of the S-shaped tone curve, 0 to 0.6. */
  tone: number;
  /** Mid-tones lifted by a gamma, 1 for none. */
  lift: number;
  /** Colour pushed away from grey, 1 for none. */
  saturation: number;
  /** Contrast against the surroundings, 0 to 0.4. */
  localContrast: number;
}

export const NO_PHONE: Phone = { tone: 0, lift: 1, saturation: 1, localContrast: 0 };

const curve = (v: number, { tone, lift }: Phone) => {
  const x = Math.min(1, Math.max(0, v)) ** lift;
  return (1 - tone) * x + tone * x * x * (3 - 2 * x);
};

/** A picture of single numbers made coarse, and read smoothly between. */
function surroundings(luma: Float32Array, width: number, height: number): (x: number, y: number) => number {
  const [columns, rows] = [24, Math.max(2, Math.round((24 * height) / width))];
  const sums = new Float64Array(columns * rows);
  const counts = new Float64Array(columns * rows);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const cell = Math.floor((y * rows) / height) * columns + Math.floor((x * columns) / width);
      sums[cell]! += luma[y * width + x]!;
      counts[cell]! += 1;
    }
  const at = (c: number, r: number) => {
    const cell = Math.min(rows - 1, Math.max(0, r)) * columns + Math.min(columns - 1, Math.max(0, c));
    return sums[cell]! / counts[cell]!;
  };
  return (x, y) => {
    const [u, v] = [(x * columns) / width - 0.5, (y * rows) / height - 0.5];
    const [c, r] = [Math.floor(u), Math.floor(v)];
    const [fu, fv] = [u - c, v - r];
    return (
      (1 - fv) * ((1 - fu) * at(c, r) + fu * at(c + 1, r)) + fv * ((1 - fu) * at(c, r + 1) + fu * at(c + 1, r + 1))
    );
  };
}

/** Develops sRGB codes in [0, 1], three a pixel, in place. */
export function develop(codes: Float32Array, width: number, height: number, phone: Phone): void {
  const { saturation, localContrast } = phone;
  const lumaOf = (i: number) => 0.299 * codes[i]! + 0.587 * codes[i + 1]! + 0.114 * codes[i + 2]!;
  const around =
    localContrast > 0
      ? surroundings(
          Float32Array.from({ length: width * height }, (_, i) => lumaOf(3 * i)),
          width,
          height,
        )
      : null;
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i += 3) {
      const luma = lumaOf(i);
      const local = around ? localContrast * (luma - around(x, y)) : 0;
      for (let c = 0; c < 3; c++) codes[i + c] = curve(luma + saturation * (codes[i + c]! - luma) + local, phone);
    }
}

/** A phone of some make: most of them flatter a little, some a lot. */
export function somePhone(seed: number, strength: number): Phone {
  const random = seededRandom(seed * 31 + 7);
  return {
    tone: strength * 0.5 * random(),
    lift: 1 + strength * 0.24 * (random() - 0.5),
    saturation: 1 + strength * (0.25 * random() - 0.03),
    localContrast: strength * 0.25 * random(),
  };
}
