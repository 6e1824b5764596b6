import type { StemPlace } from '@/core/keyboard/caps';
import type { CapChange } from '@/core/keyboard/photo/compareCaps';
import type { Observed } from '@/core/keyboard/evidence';
import type { Mark } from './BoardDrawing';

/** How a key is marked by what it did. */
export const SEEN: Record<Exclude<Observed, 'unknown'>, Mark & { title: string }> = {
  works: { tone: 'good', sign: '✓', words: 'works', title: 'Works' },
  dead: { tone: 'bad', sign: '×', words: 'dead', title: 'Dead' },
  stuck: { tone: 'warn', sign: '≡', words: 'stuck', title: 'Stays on' },
};

export const STEM_WORDS: Record<StemPlace, string> = {
  left: 'Stem at the left',
  middle: 'Stem in the middle',
  right: 'Stem at the right',
};

export const marksOf = (seen: Readonly<Record<string, Observed>>): Record<string, Mark> =>
  Object.fromEntries(
    Object.entries(seen).flatMap(([key, state]) => (state === 'unknown' ? [] : [[key, SEEN[state]] as const])),
  );

/** A probability as people say it. */
export function oddsWords(share: number): string {
  if (share >= 0.97) return 'nearly sure';
  if (share < 0.03) return 'hardly';
  return share < 0.5 ? `1 in ${Math.round(1 / share)}` : `${Math.min(9, Math.round(10 * share))} in 10`;
}

/** What became of a cap between two photographs, in words. */
export function capChangeWords(key: string, change: CapChange): string {
  switch (change.kind) {
    case 'swapped':
      return `${key}: the cap of ${change.from} stands here.`;
    case 'turned':
      return `${key}: its cap is upside down.`;
    case 'missing':
      return `${key}: its cap is off.`;
    case 'back':
      return `${key}: it had no cap on the first photograph, and has one now.`;
    case 'unclear':
      return `${key}: cannot be told. Look at it yourself.`;
    case 'same':
      return `${key}: as it was.`;
  }
}
