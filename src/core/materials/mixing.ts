import { agentOf, type AgentId, type OwnAgent } from './agents';
import type { Family } from './families';

/** `air between`: the fumes of one are gone before the other comes, and never both on one bench. */
type Together = 'fine' | 'rinse between' | 'air between' | 'never together';

export interface Mixture {
  together: Together;
  reason: string;
}

interface Rule {
  one: readonly Family[];
  other: readonly Family[];
  together: Exclude<Together, 'fine'>;
  reason: string;
}

const ACIDS = ['weakAcid', 'midAcid', 'strongAcid'] as const;
const ALKALIS = ['mildAlkali', 'alkali'] as const;
/** What evaporates from them catches fire. */
const SOLVENTS = ['alcohol', 'alcoholMild', 'volatile', 'citrus', 'spirit', 'ketone', 'oil'] as const;

/** What must not meet, the worst first. The first rule that fits decides. */
const RULES: readonly Rule[] = [
  { one: ACIDS, other: ['chlorine'], together: 'never together', reason: 'Acid and chlorine bleach make poison gas.' },
  {
    one: ['peroxide'],
    other: ACIDS,
    together: 'never together',
    reason: 'Acid and peroxide never meet here: they can burn and give off gas.',
  },
  {
    one: ['chlorine'],
    other: ['peroxide'],
    together: 'never together',
    reason: 'Bleach and peroxide foam up and throw it about.',
  },
  {
    one: ['chlorine'],
    other: SOLVENTS,
    together: 'never together',
    reason: 'Bleach and solvents make poisons that stay in the air.',
  },
  {
    one: ['chlorine'],
    other: ['alkali'],
    together: 'never together',
    reason: 'Cleaners may hold ammonia: with bleach it makes poison gas.',
  },
  {
    one: ['peroxide'],
    other: ['ketone'],
    together: 'never together',
    reason: 'Acetone and peroxide make an explosive.',
  },
  { one: ['strongAcid'], other: ALKALIS, together: 'never together', reason: 'Strong acid and alkali boil and spit.' },
  {
    one: ['mildAlkali'],
    other: ACIDS,
    together: 'never together',
    reason: 'Soda and acid foam up and undo each other: neither cleans any more.',
  },
  {
    one: ['chalk'],
    other: ACIDS,
    together: 'never together',
    reason: 'Chalk foams up in acid, and many cream cleansers hold bleach, which makes poison gas with it.',
  },
  {
    one: ['chalk'],
    other: ['chlorine'],
    together: 'never together',
    reason: 'Many cream cleansers hold bleach, others ammonia: never one on top of the other.',
  },
  {
    one: ['micro'],
    other: ['chlorine'],
    together: 'never together',
    reason: 'Melamine foam and bleach give off a gas that burns eyes and lungs.',
  },
  {
    one: ['warmth'],
    other: SOLVENTS,
    together: 'air between',
    reason: 'Their fumes catch fire: wipe it off, let it dry and air the room before anything hot comes near.',
  },
  {
    one: ['peroxide'],
    other: SOLVENTS,
    together: 'rinse between',
    reason: 'Peroxide feeds a fire: no solvent may be left.',
  },
  {
    one: ['midAcid', 'weakAcid'],
    other: ALKALIS,
    together: 'rinse between',
    reason: 'They undo each other, and foam.',
  },
  {
    one: ['strongAcid', 'midAcid'],
    other: SOLVENTS,
    together: 'rinse between',
    reason: 'Rinse the acid off whole before a solvent.',
  },
  {
    one: ['chlorine'],
    other: ['soap', 'mildAlkali'],
    together: 'rinse between',
    reason: 'Rinse before and after bleach, whatever it is.',
  },
  {
    one: ['oil', 'citrus', 'spirit'],
    other: ['peroxide'],
    together: 'rinse between',
    reason: 'A film of oil keeps peroxide off and feeds a fire.',
  },
  {
    one: ['peroxide'],
    other: ALKALIS,
    together: 'rinse between',
    reason: 'Alkali breaks peroxide up: it foams and warms.',
  },
  {
    one: ['midAcid', 'strongAcid'],
    other: ['midAcid', 'strongAcid', 'weakAcid'],
    together: 'rinse between',
    reason: 'Acids one at a time.',
  },
];

const meets = (a: readonly Family[], b: readonly Family[]) => a.some((family) => b.includes(family));

/** What happens when two sets of ingredients meet. */
export function mixtureOf(a: readonly Family[], b: readonly Family[]): Mixture {
  const rule = RULES.find(({ one, other }) => (meets(a, one) && meets(b, other)) || (meets(b, one) && meets(a, other)));
  return rule
    ? { together: rule.together, reason: rule.reason }
    : { together: 'fine', reason: 'Nothing in them reacts.' };
}

/** What happens when two agents meet; an agent with itself is one agent. */
export const mixture = (a: AgentId, b: AgentId, own: readonly OwnAgent[] = []): Mixture =>
  a === b
    ? { together: 'fine', reason: 'It is the same.' }
    : mixtureOf(agentOf(a, own).families, agentOf(b, own).families);

/** Something open on the bench: what it is and where. */
export interface Open {
  name: string;
  families: readonly Family[];
}

/**
 * Looks across everything that is open on the bench before something is brought to it.
 *
 * @returns why it is refused; `null` where it may come
 */
export function refusedBeside(name: string, families: readonly Family[], open: readonly Open[]): string | null {
  for (const other of open) {
    const { together, reason } = mixtureOf(families, other.families);
    if (together === 'never together' || together === 'air between')
      return `${name} does not come to a bench where ${other.name} is open. ${reason} End that first, rinse, and air the room.`;
  }
  return null;
}
