import type { Block, Missing, Reason, Risk, Way } from '@/core/choice/compare';
import type { School } from '@/core/session/schools';
import { amountWords, pouredWords, type UnitSystem } from '@/core/units';

/** What the choice of a way says: every sentence of it stands here. */

const MEDIUM: Record<School['medium'], string> = {
  cream: 'peroxide cream',
  liquid: 'peroxide liquid',
  powder: 'oxygen-bleach powder',
};

const RISKS: Record<Exclude<Risk['kind'], 'label'>, string> = {
  'printed legends': 'Printed legends may fade: a test on one cap first.',
  paint: 'Paint may lift or bleach: mask it, or leave this piece.',
  'clear plastic': 'Clear plastic may craze or cloud: take it off or mask it.',
  'brittle plastic': 'Brittle plastic: no flexing, no hot water, a test piece first.',
  'hot water bends': 'Long and thin: hot water bends it. Keep it under 45 °C (113 °F) and lying flat.',
  'one side paler': 'One side paler where the sun comes from one side: turn it by the plan.',
  streaks: 'Streaks where film wrinkles or cream dries.',
};

export const riskWords = (risk: Risk): string =>
  risk.kind !== 'label'
    ? RISKS[risk.kind]
    : `Label (${risk.label}): ${risk.wet ? 'lift it, or tape it over and keep it above the solution' : 'tape it over'}.`;

export const STAYS_YELLOW = 'It stays yellow. Nothing is risked and nothing is lost.';

/** So much of a bottle: powder by mass. */
const poured = (medium: School['medium'], amount: number, units: UnitSystem): string =>
  medium === 'powder' ? amountWords(amount, 'g', 0, units) : pouredWords(amount / 1000, units);

/** What is missing, as a noun. */
export function missingWords(missing: Missing, units: UnitSystem): string {
  switch (missing.kind) {
    case 'lamp':
      return 'an ultraviolet lamp (say its UV-A under Workshop)';
    case 'place':
      return 'the workshop’s place, for the sun';
    case 'sun':
      return 'enough sun in the days ahead';
    case 'more of it':
      return `${poured(missing.medium, missing.amount, units)} more than is left in “${missing.name}”`;
    case 'peroxide': {
      const { medium, leastPercent, mostPercent } = missing;
      const strength =
        mostPercent !== null ? ` of ${leastPercent} to ${mostPercent} %` : ` of ${leastPercent} % or more`;
      return `${MEDIUM[medium]}${medium === 'powder' ? '' : strength}`;
    }
    default: {
      const long = (mm: number) => amountWords(mm, 'mm', 0, units);
      return `a ${missing.kind} that holds it, ${long(missing.lengthMm)} × ${long(missing.widthMm)} and more than ${long(missing.heightMm)} deep inside`;
    }
  }
}

export const blockWords = ({ metal }: Block): string =>
  `Metal still inside: ${metal}. Peroxide attacks it and it stains the plastic. Take it out first.`;

/** What a way takes out of the stores; empty where they hold nothing for it. */
export function takesWords(supply: Way['supply'], units: UnitSystem): string {
  if (!supply?.takes) return '';
  const { name, medium, amount, coats, tub } = supply.takes;
  const solution = `, for ${amountWords(supply.litres ?? 0, 'L', 1, units)}${medium === 'powder' ? ' of water' : ''}${tub === null ? '' : ` in “${tub}”`}`;
  return `${poured(medium, amount, units)} out of “${name}”${medium === 'cream' ? (coats > 1 ? `, ${coats} coats` : '') : solution}`;
}

const FOR: Record<Extract<Reason, { kind: 'weighed' }>['for'][number], string> = {
  'goes on': 'it goes on already and its rate on this piece is known',
  'all is here': 'everything for it is here',
  evener: 'it comes out evener',
  sooner: 'it is done sooner',
  'less hands': 'it asks less of the hands',
  'less risk': 'less can go wrong',
};

const LEAVE: Record<Exclude<Reason['kind'], 'weighed' | 'blocked'>, string> = {
  'keep the age': 'The aim is to keep its age.',
  paint: 'Paint does not bear peroxide and light: take it off, mask it, or leave the piece as it is.',
  'clear window': 'A clear window does not bear peroxide and light: take it off, mask it, or leave the piece as it is.',
  'matched already': 'It matches its hidden patch already: more would go past it.',
};

/** Why Kvell would take that way. */
export function reasonWords(why: Reason): string {
  if (why.kind === 'blocked') return `Nothing may be started yet. ${blockWords(why.by)}`;
  if (why.kind !== 'weighed') return LEAVE[why.kind];
  return [
    why.ready ? '' : 'Nothing is all here for any way.',
    `Against ${why.against.toLowerCase()}: ${why.for.map((kind) => FOR[kind]).join(', ') || 'it weighs a little less all in all'}.`,
    why.measured ? '' : 'Not measured yet: times follow once its start is known.',
  ]
    .filter(Boolean)
    .join(' ');
}
