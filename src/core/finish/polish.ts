import { assumed } from '../assumptions/assumptions';
import type { Haze } from './haze';

/** What is made clear or glossy again. */
export const POLISHED = ['clear window', 'glossy plastic', 'painted gloss', 'screen glass', 'picture tube'] as const;
export type Polished = (typeof POLISHED)[number];

/** How it looks. */
export const DULLNESS = ['dull all over', 'fine scratches', 'a nail catches in a scratch'] as const;
export type Dullness = (typeof DULLNESS)[number];

/** One step of a ladder of polishing, gentlest first. */
export const POLISH_STEPS = [
  'wash',
  'glass cleaner',
  'polish by hand',
  'paper 2000 and 3000 wet',
  'paper 1500 wet',
  'leave or renew',
] as const;
export type PolishStep = (typeof POLISH_STEPS)[number];

/** Whether a polish goes on, by what was measured before and after the last step. */
export type PolishVerdict =
  | { kind: 'clear' }
  | { kind: 'next step' }
  /** The last step won no more than its own error. */
  | { kind: 'wins nothing'; won: number; sd: number };

/**
 * The steps that a surface bears, gentlest first, and why some are not among them.
 *
 * @param printInside print lies on its inner face, or a coat against glare on its outer one
 */
export function polishLadder(
  what: Polished,
  dull: Dullness,
  printInside: boolean,
): { steps: PolishStep[]; without: 'coated' | 'tube' | null } {
  if (what === 'picture tube') return { steps: ['glass cleaner', 'leave or renew'], without: 'tube' };
  // A coat against glare goes with the first polish.
  if (what === 'screen glass')
    return {
      steps: printInside ? ['wash', 'leave or renew'] : ['wash', 'glass cleaner', 'leave or renew'],
      without: 'coated',
    };
  const steps: PolishStep[] = ['wash', 'polish by hand'];
  if (what !== 'painted gloss' && dull !== 'dull all over') steps.push('paper 2000 and 3000 wet');
  if (what !== 'painted gloss' && dull === 'a nail catches in a scratch') steps.push('paper 1500 wet');
  return { steps: [...steps, 'leave or renew'], without: null };
}

/**
 * Whether polishing goes on.
 *
 * @param before of the step before the last, or of the beginning; `null` where it was not measured
 */
export function polishVerdict(before: Haze | null, now: Haze): PolishVerdict {
  if (now.haze <= assumed('haze that nobody sees')) return { kind: 'clear' };
  if (!before) return { kind: 'next step' };
  const [won, sd] = [before.haze - now.haze, Math.hypot(before.sd, now.sd)];
  return won > sd ? { kind: 'next step' } : { kind: 'wins nothing', won, sd };
}

/** Words of a step, with what it takes. */
export const POLISH_WORDS: Record<PolishStep, string> = {
  wash: 'Lukewarm water and dish soap, soft cloth, no alcohol on clear plastic: it clouds and cracks it.',
  'glass cleaner': 'A cloth dampened with glass cleaner, never sprayed on: it runs into the rim.',
  'polish by hand': 'Plastic polish on a soft cloth, small circles, no heat; wipe and look every minute.',
  'paper 2000 and 3000 wet':
    'Wet paper 2000, then 3000, much soapy water, one way and then across, and the polish after it.',
  'paper 1500 wet':
    'Wet paper 1500 until the scratch is gone or the plastic dips, then 2000, 3000 and the polish. A window that dips looks wavy for ever.',
  'leave or renew': 'Deep scratches stay: keep the original with its print and its scratches, or put a new one in.',
};

export const POLISH_LIMITS = {
  coated: 'A screen may have a coat against glare or a polarising film: no polish, no paper, no alcohol, no pressure.',
  tube: 'A picture tube is cleaned with the plug out and the set closed, damp cloth only. Behind it stands high voltage long after: opening it is for a qualified technician.',
} as const;
