import { Matrix, solve } from 'ml-matrix';
import { deltaE00 } from '../colour/difference';
import { linearToLab, srgbToLab, srgbToLinear } from '../colour/lab';
import type { LinearRgb, Srgb } from '../colour/types';

/** Undoes the colour of the light: `corrected = matrix · measured + offset` in linear light. */
export interface Correction {
  method: 'none' | 'gain' | 'gain and offset' | 'matrix';
  /** Row by row, 9 numbers. */
  matrix: readonly number[];
  offset: LinearRgb;
}

export interface MeasuredPatch {
  measured: LinearRgb;
  srgb: Srgb;
}

export const NO_CORRECTION: Correction = { method: 'none', matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], offset: [0, 0, 0] };

/** A patch counts as neutral when its chroma is under this. */
const NEUTRAL_CHROMA = 4;
const COLOURS_FOR_MATRIX = 6;

const isNeutral = (srgb: Srgb) => {
  const [, a, b] = srgbToLab(srgb);
  return Math.hypot(a, b) < NEUTRAL_CHROMA;
};

/** A gain for each channel. */
export function gainCorrection(gains: readonly number[]): Correction {
  const [r, g, b] = gains as [number, number, number];
  return { method: 'gain', matrix: [r, 0, 0, 0, g, 0, 0, 0, b], offset: [0, 0, 0] };
}

/**
 * The correction that patches of known colour allow: six or more colours a 3×3 matrix, two or more
 * neutrals gain and offset, one patch gain alone. Least squares in linear light.
 */
export function fitCorrection(patches: readonly MeasuredPatch[]): Correction {
  if (patches.length === 0) return NO_CORRECTION;
  const known = patches.map(({ srgb }) => srgbToLinear(srgb));
  const measured = patches.map((patch) => patch.measured);
  if (patches.length >= COLOURS_FOR_MATRIX && !patches.every(({ srgb }) => isNeutral(srgb))) {
    const fit = solve(new Matrix(measured.map((m) => [...m])), new Matrix(known.map((k) => [...k])), true);
    // solve() gives measured · F = known; the correction is its transpose.
    return { method: 'matrix', matrix: fit.transpose().to1DArray(), offset: [0, 0, 0] };
  }
  const neutral = patches.flatMap(({ srgb }, i) => (isNeutral(srgb) ? [i] : []));
  const apart = neutral.some((i) => Math.abs(known[i]![1] - known[neutral[0]!]![1]) > 0.05);
  if (neutral.length >= 2 && apart) {
    const lines = [0, 1, 2].map((channel) => {
      const rows = new Matrix(neutral.map((i) => [measured[i]![channel]!, 1]));
      return solve(rows, Matrix.columnVector(neutral.map((i) => known[i]![channel]!))).to1DArray();
    });
    return {
      method: 'gain and offset',
      matrix: gainCorrection(lines.map((line) => line[0]!)).matrix,
      offset: lines.map((line) => line[1]!) as unknown as LinearRgb,
    };
  }
  const used = neutral.length > 0 ? neutral : patches.map((_, i) => i);
  return gainCorrection(
    [0, 1, 2].map((channel) => {
      const dot = (a: LinearRgb[], b: LinearRgb[]) =>
        used.reduce((sum, i) => sum + a[i]![channel]! * b[i]![channel]!, 0);
      return dot(measured, known) / Math.max(1e-9, dot(measured, measured));
    }),
  );
}

/** A correction for a place where the light is so much of what it is in the middle. */
export function underLight(correction: Correction, [r, g, b]: LinearRgb): Correction {
  return { ...correction, matrix: correction.matrix.map((m, i) => m / [r, g, b][i % 3]!) };
}

/** Applies a correction to one colour. */
export function correct({ matrix: m, offset: o }: Correction, [r, g, b]: LinearRgb): LinearRgb {
  return [
    m[0]! * r + m[1]! * g + m[2]! * b + o[0],
    m[3]! * r + m[4]! * g + m[5]! * b + o[1],
    m[6]! * r + m[7]! * g + m[8]! * b + o[2],
  ];
}

/** Mean ΔE00 of the corrected patches to their known colours: the picture's own uncertainty. */
export function residualDeltaE00(correction: Correction, patches: readonly MeasuredPatch[]): number {
  const differences = patches.map(({ measured, srgb }) =>
    deltaE00(linearToLab(correct(correction, measured)), srgbToLab(srgb)),
  );
  return differences.reduce((sum, d) => sum + d, 0) / Math.max(1, differences.length);
}
