/** How a keyboard is built: what its keys are made of, and what its contacts may measure. */
export const KEYBOARD_KINDS = ['switches', 'carbon-pads', 'domes', 'foil', 'rubber-pads', 'micro-switches'] as const;
export type KeyboardKind = (typeof KEYBOARD_KINDS)[number];

export interface KindWords {
  title: string;
  /** What a key is made of, from the finger down. */
  parts: readonly string[];
  /** What the lines are. */
  lines: 'printed' | 'board';
}

export const KIND: Record<KeyboardKind, KindWords> = {
  switches: { title: 'Single switches on a board', parts: ['cap', 'stem', 'switch'], lines: 'board' },
  'carbon-pads': {
    title: 'Plunger, spring and carbon pad on a printed board',
    parts: ['cap', 'plunger', 'spring', 'pad'],
    lines: 'board',
  },
  domes: { title: 'Rubber domes over a three-layer foil', parts: ['cap', 'stem', 'dome'], lines: 'printed' },
  foil: { title: 'A printed foil alone, its tail folded', parts: ['cap', 'foil'], lines: 'printed' },
  'rubber-pads': { title: 'Rubber pads of a game pad', parts: ['button', 'pad'], lines: 'board' },
  'micro-switches': { title: 'Micro-switches', parts: ['cap', 'switch', 'disc'], lines: 'board' },
};
