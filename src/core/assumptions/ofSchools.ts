import type { SchoolId } from '../session/schools';
import type { AssumptionName } from './assumptions';

const FADE: Record<SchoolId, AssumptionName> = {
  'cream-film-sun': 'fade of cream',
  'cream-film-lamp': 'fade of cream',
  'bag-sun': 'fade of bag and bath',
  'bath-sun': 'fade of bag and bath',
  'bath-lamp': 'fade of bag and bath',
  vapour: 'fade of vapour',
  'oxygen-soak': 'fade of oxygen soak',
};

/** What the forecast of a way rests on until it is measured. */
export const fadesAssume = (school: SchoolId): AssumptionName[] => [
  FADE[school],
  'spread of fades',
  'spread of workshops',
  'spread of pieces',
  'a measured b*',
];

/** What the place of a way among the others rests on. */
export const waysAssume = (school: SchoolId | 'leave-it'): AssumptionName[] => [
  ...(school === 'leave-it' ? [] : fadesAssume(school)),
  'a day of waiting',
  'a unit of uneven b*',
  'a risk',
  'a thing to buy',
  'too late',
  'a change of way',
];
