import type { Lab } from './types';

/**
 * The same colour sums as `lab.ts` and `difference.ts`, written out for the hot loop of a photograph:
 * `culori` allocates an object per colour, which costs about a microsecond a pixel. The tests hold the
 * two against each other.
 */

const EPSILON = 216 / 24389;
const KAPPA = 24389 / 27;
// D65 from its chromaticity x 0.3127, y 0.329, as IEC 61966-2-1 states it.
const WHITE_X = 0.3127 / 0.329;
const WHITE_Z = (1 - 0.3127 - 0.329) / 0.329;

/** Linear light of each of the 256 sRGB code values. */
export const LINEAR_OF_CODE: Float64Array = Float64Array.from({ length: 256 }, (_, code) => {
  const v = code / 255;
  return v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
});

/** sRGB code, 0 to 255 and not rounded, of linear light; light out of range is held at its ends. */
export function codeOfLinear(light: number): number {
  const v = Math.min(1, Math.max(0, light));
  return 255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);
}

const f = (t: number) => (t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116);

/** Writes L*, a*, b* of linear light (r, g, b) to `out[at]`, `out[at + 1]`, `out[at + 2]`. */
export function writeLab(r: number, g: number, b: number, out: Float32Array | Float64Array, at: number): void {
  // XYZ of the sRGB primaries, the exact matrix that culori uses.
  const x = 0.4123907992659593 * r + 0.357584339383878 * g + 0.1804807884018343 * b;
  const y = 0.2126390058715102 * r + 0.715168678767756 * g + 0.0721923153607337 * b;
  const z = 0.0193308187155918 * r + 0.119194779794626 * g + 0.9505321522496607 * b;
  const fx = f(x / WHITE_X);
  const fy = f(y);
  const fz = f(z / WHITE_Z);
  out[at] = 116 * fy - 16;
  out[at + 1] = 500 * (fx - fy);
  out[at + 2] = 200 * (fy - fz);
}

const TAU = 2 * Math.PI;
const DEGREE = Math.PI / 180;
const POW25_7 = 25 ** 7;
const [COS30, SIN30] = [Math.cos(30 * DEGREE), Math.sin(30 * DEGREE)];
const [COS6, SIN6] = [Math.cos(6 * DEGREE), Math.sin(6 * DEGREE)];
const [COS63, SIN63] = [Math.cos(63 * DEGREE), Math.sin(63 * DEGREE)];

/**
 * A CIEDE2000 function against one fixed reference, without allocation.
 *
 * @param reference the colour that every later one is compared with
 * @returns a function of L*, a*, b* to ΔE00
 */
export function differenceTo(reference: Lab): (l: number, a: number, b: number) => number {
  const [l1, a1, b1] = reference;
  const c1 = Math.sqrt(a1 * a1 + b1 * b1);
  return (l2, a2, b2) => {
    const c2 = Math.sqrt(a2 * a2 + b2 * b2);
    const meanC = (c1 + c2) / 2;
    const meanC2 = meanC * meanC;
    const meanC7 = meanC2 * meanC2 * meanC2 * meanC;
    const stretch = 1 + 0.5 * (1 - Math.sqrt(meanC7 / (meanC7 + POW25_7)));
    const ap1 = a1 * stretch;
    const ap2 = a2 * stretch;
    const cp1 = Math.sqrt(ap1 * ap1 + b1 * b1);
    const cp2 = Math.sqrt(ap2 * ap2 + b2 * b2);
    let h1 = cp1 === 0 ? 0 : Math.atan2(b1, ap1);
    let h2 = cp2 === 0 ? 0 : Math.atan2(b2, ap2);
    if (h1 < 0) h1 += TAU;
    if (h2 < 0) h2 += TAU;
    let dh = 0;
    let meanH = h1 + h2;
    if (cp1 * cp2 !== 0) {
      dh = h2 - h1;
      if (dh > Math.PI) dh -= TAU;
      else if (dh < -Math.PI) dh += TAU;
      if (Math.abs(h1 - h2) <= Math.PI) meanH = (h1 + h2) / 2;
      else meanH = h1 + h2 < TAU ? (h1 + h2 + TAU) / 2 : (h1 + h2 - TAU) / 2;
    }
    const dL = l2 - l1;
    const dC = cp2 - cp1;
    const dH = 2 * Math.sqrt(cp1 * cp2) * Math.sin(dh / 2);
    const fromMiddle = (l1 + l2) / 2 - 50;
    const square = fromMiddle * fromMiddle;
    const meanCp = (cp1 + cp2) / 2;
    // Cosines of the multiples of the mean hue from its own sine and cosine.
    const cos = Math.cos(meanH);
    const sin = Math.sin(meanH);
    const cos2 = cos * cos - sin * sin;
    const sin2 = 2 * sin * cos;
    const cos3 = cos2 * cos - sin2 * sin;
    const sin3 = sin2 * cos + cos2 * sin;
    const t =
      1 -
      0.17 * (cos * COS30 + sin * SIN30) +
      0.24 * cos2 +
      0.32 * (cos3 * COS6 - sin3 * SIN6) -
      0.2 * ((cos2 * cos2 - sin2 * sin2) * COS63 + 2 * sin2 * cos2 * SIN63);
    const sl = 1 + (0.015 * square) / Math.sqrt(20 + square);
    const sc = 1 + 0.045 * meanCp;
    const sh = 1 + 0.015 * meanCp * t;
    const turn = (meanH / DEGREE - 275) / 25;
    const turnSquared = turn * turn;
    // The turning term matters for blues alone; for the yellows of plastic it is under 1e-15.
    let rt = 0;
    if (turnSquared < 40) {
      const meanCp2 = meanCp * meanCp;
      const meanCp7 = meanCp2 * meanCp2 * meanCp2 * meanCp;
      rt = -Math.sin(60 * DEGREE * Math.exp(-turnSquared)) * 2 * Math.sqrt(meanCp7 / (meanCp7 + POW25_7));
    }
    const tl = dL / sl;
    const tc = dC / sc;
    const th = dH / sh;
    return Math.sqrt(Math.max(0, tl * tl + tc * tc + th * th + rt * tc * th));
  };
}
