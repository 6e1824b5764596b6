/** How far to go. */
export const AIMS = ['keep the age', 'clean only', 'presentable', 'as new'] as const;
export type Aim = (typeof AIMS)[number];

/** What each aim means, in a line. */
export const AIM_WORDS: Record<Aim, string> = {
  'keep the age':
    'Dirt and harm go, and what is broken or does not work is mended; yellow, scuffs and old repairs stay as its history.',
  'clean only': 'Washed, made safe and left. Nothing is brightened, mended or painted.',
  presentable: 'Looks right at arm’s length: plain faults are treated, slight ones may stay.',
  'as new': 'Every fault that can be treated is treated, the slight ones too.',
};
