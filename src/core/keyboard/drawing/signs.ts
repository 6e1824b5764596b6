import type { StemPlace } from '../caps';
import type { Observed } from '../evidence';

/** How a key is marked by what it did: a tone, a sign that says the same, and words for who does not see it. */
export const SEEN: Record<
  Exclude<Observed, 'unknown'>,
  { tone: 'good' | 'bad' | 'warn'; sign: string; words: string; title: string }
> = {
  works: { tone: 'good', sign: '✓', words: 'works', title: 'Works' },
  dead: { tone: 'bad', sign: '×', words: 'dead', title: 'Dead' },
  stuck: { tone: 'warn', sign: '≡', words: 'stuck', title: 'Stays on' },
};

export const STEM_WORDS: Record<StemPlace, string> = {
  left: 'Stem at the left',
  middle: 'Stem in the middle',
  right: 'Stem at the right',
};
