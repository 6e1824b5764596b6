import { assumed, type AssumptionName } from '../assumptions/assumptions';
import { strengthFactor } from '../fade/strength';
import type { CautionId } from '../peroxide/cautions';

export const SCHOOLS = [
  'cream-film-sun',
  'cream-film-lamp',
  'bag-sun',
  'bath-sun',
  'bath-lamp',
  'vapour',
  'oxygen-soak',
] as const;
export type SchoolId = (typeof SCHOOLS)[number];

/** What drives the reaction: sunlight, a lamp, or time at a temperature. */
type Driver = 'sun' | 'lamp' | 'warmth';

export interface School {
  id: SchoolId;
  title: string;
  summary: string;
  driver: Driver;
  /** Cream is brushed on by area; liquid is measured in litres; powder is stirred into hot water. */
  medium: 'cream' | 'liquid' | 'powder';
  /** What liquid it takes: to cover the piece, to wet it in a bag, or a shallow pool under it. */
  solution: 'bath' | 'bag' | 'pool';
  usualPercentWW: number;
  percentRangeWW: readonly [number, number];
  /** Share of UV that reaches the plastic, 0 to 1; sun schools only. */
  transmission: number;
  cover: string;
  usualHours: readonly [number, number];
  /** Warmth that it is usually done at, °C. */
  usualC: number;
  /** Minutes of hands: to set up and take off, and at each turn. */
  hands: { setUpMin: number; turnMin: number };
  /** How even it comes out, as the spread of b* over a face that people get: a guess until measured. */
  spreadB: number;
  turnEveryMin: number;
  /** What to do at each turn. */
  atTheBell: string;
  /** At each turn the old cream comes off and a fresh coat goes on. */
  recoat?: boolean;
  /** Log-normal prior of the rate: median per UVI·h, or per hour at 25 °C for warmth. Starting guesses. */
  prior: { medianRate: number; logSd: number };
  speaksFor: string;
  speaksAgainst: string;
  cautions: readonly CautionId[];
}

/** The first guess of a rate: what it is assumed to be while the workshop has measured nothing. */
const firstRate = (name: AssumptionName): School['prior'] => ({
  get medianRate() {
    return assumed(name);
  },
  get logSd() {
    return assumed('spread of fades');
  },
});

/** Schools as practitioners describe them, with the starting guesses of the science brief. */
export const SCHOOL: Record<SchoolId, School> = {
  'cream-film-sun': {
    id: 'cream-film-sun',
    title: 'Cream and film, sun',
    summary: 'Peroxide cream brushed on evenly, cling film over it, out into the sun.',
    driver: 'sun',
    medium: 'cream',
    solution: 'bath',
    usualPercentWW: 12,
    percentRangeWW: [3, 12],
    transmission: 0.9,
    cover: 'cling film',
    usualHours: [3, 8],
    usualC: 25,
    hands: { setUpMin: 40, turnMin: 5 },
    spreadB: 3.5,
    turnEveryMin: 30,
    atTheBell: 'Turn the piece a quarter, massage the cream under the film, keep it wet.',
    prior: firstRate('fade of cream'),
    speaksFor: 'Cheap, and works for big shells.',
    speaksAgainst: 'Streaks where the film wrinkles or the cream dries.',
    cautions: ['sun-heat'],
  },
  'cream-film-lamp': {
    id: 'cream-film-lamp',
    title: 'Cream and film, lamp box',
    summary: 'Peroxide cream brushed on evenly, cling film over it, under ultraviolet lamps in a closed box.',
    driver: 'lamp',
    medium: 'cream',
    solution: 'bath',
    usualPercentWW: 12,
    percentRangeWW: [3, 12],
    transmission: 0.9,
    cover: 'cling film',
    usualHours: [12, 48],
    usualC: 25,
    hands: { setUpMin: 40, turnMin: 8 },
    spreadB: 3,
    turnEveryMin: 540,
    atTheBell: 'Lamp off first. Wipe the old cream off, brush fresh cream on, film over it, turn the piece round.',
    recoat: true,
    prior: firstRate('fade of cream'),
    speaksFor: 'No weather; big shells with a tube of cream.',
    speaksAgainst: 'Slow, and the cream has to be renewed every 8 to 10 h.',
    cautions: ['uv-lamp'],
  },
  'bag-sun': {
    id: 'bag-sun',
    title: 'Bag, sun',
    summary: 'Caps or small pieces in a zip bag with liquid, all faces to the sun in turn.',
    driver: 'sun',
    medium: 'liquid',
    solution: 'bag',
    usualPercentWW: 6,
    percentRangeWW: [3, 12],
    transmission: 0.85,
    cover: 'polyethylene bag',
    usualHours: [4, 8],
    usualC: 25,
    hands: { setUpMin: 25, turnMin: 4 },
    spreadB: 2.5,
    turnEveryMin: 30,
    atTheBell: 'Vent the bag, shake the pieces over, lay it flat again.',
    prior: firstRate('fade of bag and bath'),
    speaksFor: 'Right for caps and small parts; little liquid.',
    speaksAgainst: 'Pieces must be turned; the bag must be vented.',
    cautions: ['sun-heat'],
  },
  'bath-sun': {
    id: 'bath-sun',
    title: 'Bath, sun',
    summary: 'Submerged in dilute liquid in an open tub, out in the sun.',
    driver: 'sun',
    medium: 'liquid',
    solution: 'bath',
    usualPercentWW: 6,
    percentRangeWW: [3, 12],
    transmission: 1,
    cover: 'open surface',
    usualHours: [6, 10],
    usualC: 25,
    hands: { setUpMin: 30, turnMin: 3 },
    spreadB: 2.5,
    turnEveryMin: 60,
    atTheBell: 'Push floating pieces under, skim froth off, turn what lies in shade.',
    prior: firstRate('fade of bag and bath'),
    speaksFor: 'Cheap, and wets every face.',
    speaksAgainst:
      'Plastic floats and has to be weighed down; froth and old solution shade the light; labels die in it.',
    cautions: ['sun-heat'],
  },
  'bath-lamp': {
    id: 'bath-lamp',
    title: 'Bath, lamp',
    summary: 'Submerged in liquid under ultraviolet lamps, indoors.',
    driver: 'lamp',
    medium: 'liquid',
    solution: 'bath',
    usualPercentWW: 12,
    percentRangeWW: [3, 35],
    transmission: 1,
    cover: 'open surface',
    usualHours: [4, 8],
    usualC: 25,
    hands: { setUpMin: 35, turnMin: 3 },
    spreadB: 1.5,
    turnEveryMin: 60,
    atTheBell: 'Push floating pieces under, wipe froth off, turn what lies in shade.',
    prior: firstRate('fade of bag and bath'),
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
    solution: 'pool',
    usualPercentWW: 12,
    percentRangeWW: [6, 12],
    transmission: 1,
    cover: 'lidded box',
    usualHours: [24, 96],
    usualC: 30,
    hands: { setUpMin: 30, turnMin: 5 },
    spreadB: 1,
    turnEveryMin: 720,
    atTheBell: 'Look at the pool and the warmth; turn the pieces over once a day.',
    prior: firstRate('fade of vapour'),
    speaksFor: 'Safest for evenness, no streaks.',
    speaksAgainst: 'Slow without sun; big pieces need a big box.',
    cautions: ['vapour-box'],
  },
  'oxygen-soak': {
    id: 'oxygen-soak',
    title: 'Warm oxygen-bleach soak',
    summary: 'Oxygen-bleach powder stirred into hot water, the pieces under it, kept warm.',
    driver: 'warmth',
    medium: 'powder',
    solution: 'bath',
    usualPercentWW: 0.8,
    percentRangeWW: [0.3, 2],
    transmission: 1,
    cover: 'open surface',
    usualHours: [6, 24],
    usualC: 45,
    hands: { setUpMin: 15, turnMin: 3 },
    spreadB: 4,
    turnEveryMin: 60,
    atTheBell: 'Stir, turn the pieces over, add hot water but stay under 50 °C (122 °F).',
    prior: firstRate('fade of oxygen soak'),
    speaksFor: 'No liquid peroxide, no sun; good for caps.',
    speaksAgainst: 'Uneven, marbles; hot water bends long caps.',
    cautions: ['oxygen-bleach'],
  },
};

/** The piece lies under the solution in a tub. */
export const isBath = ({ medium, solution }: School) => medium !== 'cream' && solution === 'bath';

/** How much faster than at its usual strength a way works. Baths over 12 % w/w have a rate of their own. */
export const fasterBy = (school: School, percentWW: number): number =>
  school.id === 'bath-lamp' && percentWW > 12
    ? assumed('fade of a strong bath') / school.prior.medianRate
    : strengthFactor(percentWW, school.usualPercentWW);

/**
 * What is to be expected of a rate at a strength.
 *
 * @param usual at the usual strength: the starting guess, or what the workshop has learnt
 */
export const priorOf = (school: School, percentWW: number, usual = school.prior): School['prior'] => ({
  medianRate: usual.medianRate * fasterBy(school, percentWW),
  logSd: usual.logSd,
});
