import { assumed } from '../assumptions/assumptions';
import { codeOfLinear } from '../colour/bulk';
import { deltaE00 } from '../colour/difference';
import { linearToLab, srgbToLab, srgbToLinear } from '../colour/lab';
import type { LinearRgb, Srgb } from '../colour/types';

/** How a coat dries. */
export const GLOSSES = ['matt', 'satin', 'gloss'] as const;
export type Gloss = (typeof GLOSSES)[number];

/** Share of the light off the surface itself that goes into all directions, and so into the eye. */
const scattered = (gloss: Gloss): number =>
  gloss === 'matt' ? 1 : gloss === 'satin' ? assumed('surface light of satin') : 0;

/**
 * A coat of the same colour, dried in another gloss, as it is seen out of the shine of lamps: a matt surface scatters the
 * light off itself over its colour, a glossy one throws it all one way.
 *
 * @param srgb as it was measured in the first gloss
 * @returns `lightness` how much lighter it looks, L*, and how far that is from the first, ΔE00
 * @example
 * inOtherGloss([120, 110, 95], 'matt', 'matt').deltaE00; // 0
 */
export function inOtherGloss(srgb: Srgb, from: Gloss, to: Gloss): { srgb: Srgb; lightness: number; deltaE00: number } {
  const off = assumed('surface reflection of a coat');
  const seen = srgbToLinear(srgb).map((light) => {
    const body = Math.max(0, (light - off * scattered(from)) / (1 - off));
    return Math.min(1, (1 - off) * body + off * scattered(to));
  }) as unknown as LinearRgb;
  const [before, after] = [srgbToLab(srgb), linearToLab(seen)];
  return {
    srgb: seen.map((light) => Math.round(100 * codeOfLinear(light)) / 100) as unknown as Srgb,
    lightness: after[0] - before[0],
    deltaE00: deltaE00(before, after),
  };
}
