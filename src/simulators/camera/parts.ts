import type { Lab } from '@/core/colour/types';
import type { Rect } from '@/core/picture/picture';
import type { Plate, Scene } from './scene';

/** A flat part on the bench: a rounded box with round and square holes, mm from its upper left corner. */
export interface SimulatedPart {
  widthMm: number;
  heightMm: number;
  radiusMm: number;
  lab: Lab;
  holes: readonly { box: Rect; radiusMm: number }[];
  /** Print and scratches on it, which are no holes. */
  marks?: readonly { box: Rect; lab: Lab }[];
}

/** What lies beside it: a card as large as those that everybody carries. */
export const CARD_MM = { widthMm: 85.6, heightMm: 54 } as const;
const BENCH: Lab = [34, 3, 6];

/** A part beside a card of known size; the two regions are the card and the part. */
export function partScene(part: SimulatedPart, { bench = BENCH, shadowMm = 1 } = {}): Scene {
  const [cx, cy, gap] = [30, 30, 25];
  const [px, py] = [cx + CARD_MM.widthMm + gap, cy + 8];
  const at = ([x, y, w, h]: Rect): Rect => [px + x, py + y, w, h];
  const card: Rect = [cx, cy, CARD_MM.widthMm, CARD_MM.heightMm];
  const whole = at([0, 0, part.widthMm, part.heightMm]);
  return {
    widthMm: px + part.widthMm + 30,
    heightMm: Math.max(cy + CARD_MM.heightMm, py + part.heightMm) + 30,
    bench,
    plates: [
      // A card has round corners of its own; what is marked are the corners that its sides would have.
      { id: 'card', box: card, radiusMm: 3, lab: [88, 0, 2], shadowMm: 0.5 },
      { id: 'part', box: whole, radiusMm: part.radiusMm, lab: part.lab, relief: 0.1, shadowMm },
      ...(part.marks ?? []).map(({ box, lab }, i): Plate => ({ id: `mark-${i}`, box: at(box), radiusMm: 0.2, lab })),
      ...part.holes.map(({ box, radiusMm }, i): Plate => ({ id: `hole-${i}`, box: at(box), radiusMm, lab: bench })),
    ],
    regions: [
      { id: 'card', plate: 'card', box: card },
      { id: 'part', plate: 'part', box: whole },
    ],
    card: [],
  };
}
