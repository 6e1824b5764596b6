import type { CautionId } from '../peroxide/cautions';

export const SCHOOLS = ['cream-film-sun', 'bag-sun', 'bath-lamp', 'vapour'] as const;
export type SchoolId = (typeof SCHOOLS)[number];

/** What drives the reaction: sunlight, a lamp, or time at a temperature. */
type Driver = 'sun' | 'lamp' | 'warmth';

export interface School {
  id: SchoolId;
  title: string;
  summary: string;
  driver: Driver;
  /** Cream is brushed on by area; liquid is measured in litres. */
  medium: 'cream' | 'liquid';
  usualPercentWW: number;
  percentRangeWW: readonly [number, number];
  /** Share of UV that reaches the plastic, 0 to 1; sun schools only. */
  transmission: number;
  cover: string;
  usualHours: readonly [number, number];
  turnEveryMin: number;
  /** What to do at each turn. */
  atTheBell: string;
  /** Log-normal prior of the rate: median per UVI·h, or per hour at 25 °C for warmth. Starting guesses. */
  prior: { medianRate: number; logSd: number };
  speaksFor: string;
  speaksAgainst: string;
  cautions: readonly CautionId[];
}

/** Schools as practitioners describe them, with the starting guesses of the science brief. */
export const SCHOOL: Record<SchoolId, School> = {
  'cream-film-sun': {
    id: 'cream-film-sun',
    title: 'Cream and film, sun',
    summary: 'Peroxide cream brushed on evenly, cling film over it, out into the sun.',
    driver: 'sun',
    medium: 'cream',
    usualPercentWW: 12,
    percentRangeWW: [3, 12],
    transmission: 0.9,
    cover: 'cling film',
    usualHours: [3, 8],
    turnEveryMin: 30,
    atTheBell: 'Turn the piece a quarter, massage the cream under the film, keep it wet.',
    prior: { medianRate: 0.06, logSd: 0.6 },
    speaksFor: 'Cheap, and works for big shells.',
    speaksAgainst: 'Streaks where the film wrinkles or the cream dries.',
    cautions: ['sun-heat'],
  },
  'bag-sun': {
    id: 'bag-sun',
    title: 'Bag, sun',
    summary: 'Caps or small pieces in a zip bag with liquid, all faces to the sun in turn.',
    driver: 'sun',
    medium: 'liquid',
    usualPercentWW: 6,
    percentRangeWW: [3, 12],
    transmission: 0.85,
    cover: 'polyethylene bag',
    usualHours: [4, 8],
    turnEveryMin: 30,
    atTheBell: 'Vent the bag, shake the pieces over, lay it flat again.',
    prior: { medianRate: 0.04, logSd: 0.6 },
    speaksFor: 'Right for caps and small parts; little liquid.',
    speaksAgainst: 'Pieces must be turned; the bag must be vented.',
    cautions: ['sun-heat'],
  },
  'bath-lamp': {
    id: 'bath-lamp',
    title: 'Bath, lamp',
    summary: 'Submerged in liquid under ultraviolet lamps, indoors.',
    driver: 'lamp',
    medium: 'liquid',
    usualPercentWW: 12,
    percentRangeWW: [3, 35],
    transmission: 1,
    cover: 'open surface',
    usualHours: [4, 8],
    turnEveryMin: 60,
    atTheBell: 'Push floating pieces under, wipe froth off, turn what lies in shade.',
    prior: { medianRate: 0.04, logSd: 0.6 },
    speaksFor: 'Even, and no weather.',
    speaksAgainst: 'Much liquid; strong peroxide burns; labels die in it.',
    cautions: ['uv-lamp'],
  },
  vapour: {
    id: 'vapour',
    title: 'Vapour',
    summary: 'On a rack above a shallow pool, lid laid on, warm.',
    driver: 'warmth',
    medium: 'liquid',
    usualPercentWW: 12,
    percentRangeWW: [6, 12],
    transmission: 1,
    cover: 'lidded box',
    usualHours: [24, 96],
    turnEveryMin: 720,
    atTheBell: 'Look at the pool and the warmth; turn the pieces over once a day.',
    prior: { medianRate: 0.04, logSd: 0.6 },
    speaksFor: 'Safest for evenness, no streaks.',
    speaksAgainst: 'Slow without sun; big pieces need a big box.',
    cautions: ['vapour-box'],
  },
};

/** Strong baths work faster than the usual 6 to 12 %: prior median 0.10 per UVI·h over 12 % w/w. */
export function priorOf(school: School, percentWW: number): School['prior'] {
  return school.id === 'bath-lamp' && percentWW > 12 ? { ...school.prior, medianRate: 0.1 } : school.prior;
}
