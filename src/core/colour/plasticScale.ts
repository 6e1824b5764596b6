import { labToCss } from './lab';
import type { Lab } from './types';

/**
 * The plastic scale: the path that light housings take with age, from clean bone through putty to aged
 * amber, read in b*. The stops are workshop wisdom; a measured colour is always shown as itself and only
 * *placed* on the scale by its b*.
 */
const PLASTIC_SCALE: readonly { name: string; lab: Lab }[] = [
  { name: 'clean bone', lab: [90, -0.6, 2] },
  { name: 'bone', lab: [87.5, -0.8, 8] },
  { name: 'putty', lab: [83, 0, 15] },
  { name: 'straw', lab: [78, 2, 24] },
  { name: 'honey', lab: [71, 6, 33] },
  { name: 'aged amber', lab: [62, 11, 42] },
];

/** L* that plastic loses for each b* that it yellows: the slope of the scale from clean bone to straw. */
export const DARKER_PER_B = 0.35;

const SCALE_LOW_B = 0;
const SCALE_HIGH_B = 45;

/** Place of a b* on the plastic scale: 0 at clean bone to 1 at aged amber, held inside both ends. */
export function placeOnScale(b: number): number {
  return Math.min(1, Math.max(0, (b - SCALE_LOW_B) / (SCALE_HIGH_B - SCALE_LOW_B)));
}

/** The word of the scale nearest to a b*. */
export function nameOnScale(b: number): string {
  let best = PLASTIC_SCALE[0]!;
  for (const stop of PLASTIC_SCALE) {
    if (Math.abs(stop.lab[2] - b) < Math.abs(best.lab[2] - b)) best = stop;
  }
  return best.name;
}

/** The colour of the scale at a b*, between its stops in straight lines and held inside both ends. */
export function labOnScale(b: number): Lab {
  const above = PLASTIC_SCALE.findIndex(({ lab }) => lab[2] > b);
  if (above === 0) return PLASTIC_SCALE[0]!.lab;
  if (above < 0) return PLASTIC_SCALE[PLASTIC_SCALE.length - 1]!.lab;
  const [from, to] = [PLASTIC_SCALE[above - 1]!.lab, PLASTIC_SCALE[above]!.lab];
  const share = (b - from[2]) / (to[2] - from[2]);
  return [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1]), b];
}

/** The scale as a CSS gradient, left clean, right aged. */
export function scaleGradient(): string {
  const stops = PLASTIC_SCALE.map(({ lab }) => `${labToCss(lab)} ${(100 * placeOnScale(lab[2])).toFixed(1)}%`);
  return `linear-gradient(90deg, ${stops.join(', ')})`;
}
