import { convertLrgbToRgb, convertRgbToLrgb, lab65, rgb, xyz65 } from './spaces';
import type { Lab, LinearRgb, Srgb } from './types';

const byte = ([r, g, b]: Srgb) => ({ mode: 'rgb' as const, r: r / 255, g: g / 255, b: b / 255 });

/**
 * CIELAB (D65, 2°) of an sRGB colour (IEC 61966-2-1), with the CIE constants 216/24389 and 24389/27.
 *
 * @example srgbToLab([236, 224, 186]) // [89.248, -1.886, 20.115]
 */
export function srgbToLab(srgb: Srgb): Lab {
  const { l, a, b } = lab65(byte(srgb));
  return [l, a, b];
}

/** The nearest 8-bit sRGB colour; what lies outside the gamut is clipped channel by channel. */
export function labToSrgb([l, a, b]: Lab): Srgb {
  const colour = rgb({ mode: 'lab65', l, a, b });
  const code = (v: number) => Math.round(255 * Math.min(1, Math.max(0, v)));
  return [code(colour.r), code(colour.g), code(colour.b)];
}

/** Linear light of a CIELAB colour, not clipped. */
export function labToLinear([l, a, b]: Lab): LinearRgb {
  const colour = convertRgbToLrgb(rgb({ mode: 'lab65', l, a, b }));
  return [colour.r, colour.g, colour.b];
}

/** CIELAB of linear light. */
export function linearToLab([r, g, b]: LinearRgb): Lab {
  const colour = lab65({ ...convertLrgbToRgb({ r, g, b }), mode: 'rgb' });
  return [colour.l, colour.a, colour.b];
}

/** Linear light of an 8-bit sRGB colour. */
export function srgbToLinear(srgb: Srgb): LinearRgb {
  const colour = convertRgbToLrgb(byte(srgb));
  return [colour.r, colour.g, colour.b];
}

/** CSS text (`rgb(236 224 186)`) of a measured colour, for real swatches. */
export function labToCss(lab: Lab): string {
  return `rgb(${labToSrgb(lab).join(' ')})`;
}

/**
 * Yellowness index of ASTM E313 for D65 and the 2° observer: `100 (1.2985 X − 1.1335 Z) / Y`.
 *
 * @example yellownessIndex([225, 222, 210]) // 11.50
 */
export function yellownessIndex(srgb: Srgb): number {
  return yellownessOfXyz(xyz65(byte(srgb)));
}

/** Yellowness index (ASTM E313, D65/2°) of a CIELAB colour. */
export function yellownessIndexOfLab([l, a, b]: Lab): number {
  return yellownessOfXyz(xyz65({ mode: 'lab65', l, a, b }));
}

function yellownessOfXyz({ x, y, z }: { x: number; y: number; z: number }): number {
  return y <= 0 ? 0 : (100 * (1.2985 * x - 1.1335 * z)) / y;
}
