import type { CapChange } from '@/core/keyboard/photo/compareCaps';
import { SEEN } from '@/core/keyboard/drawing/signs';
import type { Observed } from '@/core/keyboard/evidence';
import type { Mark } from './BoardDrawing';

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
