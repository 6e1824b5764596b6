import type { Srgb } from '../colour/types';
import { recipeByDrops, type TestDrop } from '../finish/testDrops';

const srgb = (r: number, g: number, b: number): Srgb => [r, g, b];
/** A base, two pigments, and two mixtures to both sides of the target. */
const DROPS: TestDrop[] = [
  { amounts: {}, srgb: srgb(230, 230, 222) },
  { amounts: { ochre: 10 }, srgb: srgb(220, 194, 170) },
  { amounts: { black: 5 }, srgb: srgb(165, 168, 170) },
  { amounts: { ochre: 9, black: 2 }, srgb: srgb(190, 174, 158) },
  { amounts: { ochre: 12, black: 3 }, srgb: srgb(176, 160, 143) },
];
const mixture = () => recipeByDrops({ drops: DROPS, target: srgb(183, 170, 155), maxPigments: 4 });
const ochre = () => mixture().recipe[0]!.concentration.toFixed(2);
const within = () => mixture().mayBeOff.toFixed(2);

/** A case that each number of tints decides. */
export const TINT_CASES = {
  'reading of a drop': {
    decides: 'how much ochre the next mixture takes',
    of: ochre,
    ...{ is: '8.90', other: 0.05 },
  },
  'mixing by a single constant': {
    decides: 'how much a far drop says of the next mixture',
    of: ochre,
    ...{ is: '8.90', other: 0.05 },
  },
  'a mixture at best': {
    decides: 'how near the next mixture is said to come',
    of: within,
    ...{ is: '1.73', other: 1.1 },
  },
  'a mixture by a far drop': {
    decides: 'how near a mixture by a drop that is off is said to come',
    of: within,
    ...{ is: '1.73', other: 0.5 },
  },
} as const;
