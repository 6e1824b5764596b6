import { assumed } from '../assumptions/assumptions';
import { surfaceCm2 } from '../session/amounts';
import type { PieceSize } from '../size';

/** A part whose size nobody gave: one shell, or one of many small ones. */
const UNSIZED_MIN = { one: 12, many: 0.4 } as const;

/** What goes into the bath under one tag. */
export interface Scrubbed {
  /** How many parts it is: fifty-four caps under one tag. */
  parts: number;
  /** Of all of it as it lies together; `null` where nobody gave it. */
  size: PieceSize | null;
}

/**
 * Minutes of hands to scrub what came out of a bath, by number and size.
 *
 * @example scrubMinutes({ parts: 50, size: { lengthMm: 260, widthMm: 140, heightMm: 12 } }) // 18.7
 */
export function scrubMinutes({ parts, size }: Scrubbed): number {
  const count = Math.max(1, parts);
  if (!size) return count === 1 ? UNSIZED_MIN.one : count * UNSIZED_MIN.many;
  return count * assumed('handling a part') + assumed('brushing') * surfaceCm2(size);
}
