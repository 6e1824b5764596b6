import type { KeyboardKind } from './kinds';

/** What a finger feels of a key that does not move as it should. */
export const FELT = ['slow', 'one side', 'hangs', 'sticky', 'stiff', 'limp'] as const;
export type Felt = (typeof FELT)[number];
export const FELT_WORDS: Record<Felt, string> = {
  slow: 'Comes back slowly',
  'one side': 'Rubs on one side',
  hangs: 'Hangs at the bottom',
  sticky: 'Sticky all over',
  stiff: 'Stiff',
  limp: 'Limp, hardly pushed back',
};

/** How many keys it is with. */
export const WHERE = ['one', 'wide', 'neighbours', 'all'] as const;
export type Where = (typeof WHERE)[number];
export const WHERE_WORDS: Record<Where, string> = {
  one: 'One key',
  wide: 'A wide key with a rod',
  neighbours: 'Some beside each other',
  all: 'All of them',
};

export const CAUSES = [
  'dirt',
  'spill',
  'rough flank',
  'wrong spring',
  'rod',
  'frame',
  'tight screw',
  'old glue',
] as const;
export type StickingCause = (typeof CAUSES)[number];

interface CauseWords {
  what: string;
  /** What mends it, gentlest first. */
  mends: readonly string[];
}

export const CAUSE: Record<StickingCause, CauseWords> = {
  dirt: {
    what: 'Dirt between plunger and guide. The foil or the board is not at fault.',
    mends: [
      'Swab with one end damp and one dry, a fresh one for each place: the guide and both flanks of the plunger.',
      'Feel the flanks. Smooth: nothing more, no sanding.',
    ],
  },
  spill: {
    what: 'A dried drink: sugar holds the plunger, and may have crept further.',
    mends: [
      'Warm water first, since alcohol leaves sugar where it is; then alcohol, then dry.',
      'Look under the neighbours, and between the layers of a foil: what tears there is not peeled further.',
    ],
  },
  'rough flank': {
    what: 'A rough flank of plunger or guide.',
    mends: [
      'Clean it first, and feel again.',
      'A few light strokes with 400 grit or finer on the flank alone, wipe, try, and again. Mask and no dust into the contact.',
    ],
  },
  'wrong spring': {
    what: 'A spring that belongs elsewhere: the stiffer one of the long key under a letter, or a weak one under it.',
    mends: [
      'Hold the springs side by side: length, wire, colour. Put the stiffest under the long key.',
      'Rusted or bent: one of the same kind from a donor; a kindred, shorter one is noted as for now.',
    ],
  },
  rod: {
    what: 'The rod of a wide key: not under both of its tabs, bent, or dry.',
    mends: [
      'Look whether it lies under both tabs.',
      'A trace of silicone grease where it turns.',
      'Bent: straightened on a flat plate, over a block of wood.',
    ],
  },
  frame: {
    what: 'A frame or plate that is bent there: it pinches the keys beside each other.',
    mends: [
      'Lay a ruler across, and compare with another that is straight: some ears are meant to be bent.',
      'Levered straight over a block of wood, a little at a time.',
    ],
  },
  'tight screw': {
    what: 'Screws of the back plate drawn too tight: the plate binds.',
    mends: ['Loosen each by half a turn, try, and leave them only snug.'],
  },
  'old glue': {
    what: 'Glue, gum or tape of an earlier repair.',
    mends: [
      'Look with the cap off before anything is poured in.',
      'Lift it off cold; oil and then alcohol for what stays, away from print.',
    ],
  },
};

/** How well each cause fits what is felt, and where; 0 rules it out. Guesses of the workshop. */
const BY_FELT: Record<Felt, Partial<Record<StickingCause, number>>> = {
  slow: { dirt: 5, spill: 4, 'rough flank': 2, 'tight screw': 1, 'old glue': 1 },
  'one side': { 'rough flank': 5, dirt: 3, frame: 3, rod: 2, 'old glue': 1 },
  hangs: { rod: 4, 'rough flank': 3, dirt: 3, spill: 2, frame: 2, 'old glue': 2 },
  sticky: { spill: 6, dirt: 3, 'old glue': 2 },
  stiff: { 'wrong spring': 5, 'tight screw': 3, frame: 2, dirt: 1 },
  limp: { 'wrong spring': 6, rod: 2, 'old glue': 1 },
};
const BY_WHERE: Record<Where, Partial<Record<StickingCause, number>>> = {
  one: { dirt: 3, 'rough flank': 3, 'wrong spring': 3, spill: 2, 'old glue': 2 },
  wide: { rod: 6, 'wrong spring': 3, dirt: 2, 'rough flank': 1, spill: 1 },
  neighbours: { spill: 5, frame: 4, dirt: 2, 'old glue': 1, 'tight screw': 1 },
  all: { 'tight screw': 5, dirt: 3, frame: 2, spill: 1 },
};
/** Kinds whose keys have no coil spring. */
const WITHOUT_SPRINGS: readonly KeyboardKind[] = ['domes', 'foil', 'rubber-pads', 'micro-switches'];

/**
 * What it may be that a key sticks by, the likeliest first.
 *
 * @returns causes with their share of what fits; a share under a tenth is left out
 */
export function stickingCauses(
  felt: Felt,
  where: Where,
  kind: KeyboardKind,
): { cause: StickingCause; share: number }[] {
  const weights = CAUSES.map((cause) => {
    const springless = cause === 'wrong spring' && WITHOUT_SPRINGS.includes(kind);
    return { cause, weight: springless ? 0 : (BY_FELT[felt][cause] ?? 0) * (BY_WHERE[where][cause] ?? 0.3) };
  });
  const all = weights.reduce((sum, { weight }) => sum + weight, 0);
  return weights
    .map(({ cause, weight }) => ({ cause, share: weight / all }))
    .filter(({ share }) => share >= LEAST_SHARE)
    .sort((a, b) => b.share - a.share);
}

const LEAST_SHARE = 0.1;
