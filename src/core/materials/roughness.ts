/** How rough an agent or action is, and what each number means for the surface. */
export const ROUGHNESS = [
  'Touches nothing: air and suction.',
  'Moves what lies loose.',
  'Takes what water and soap take.',
  'Evaporates; may dull soft coatings and prints.',
  'Strong cleaner or weak acid; attacks some coatings and bare metal.',
  'Softens glues, and some plastics with them.',
  'Takes a trace of the surface, seen only as a change of gloss.',
  'Takes surface that shows under raking light.',
  'Takes texture; the spot can be felt.',
  'Last resort: eats or cuts what it meets.',
] as const;

export type Roughness = 0 | 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8 | 9;

/** What a roughness costs in wear, in minutes of work that one would rather spend than lose that much surface. */
export const WEAR_MIN: Record<Roughness, number> = {
  0: 0,
  1: 0,
  2: 0.5,
  3: 1,
  4: 2.5,
  5: 5,
  6: 8,
  7: 14,
  8: 24,
  9: 40,
};
