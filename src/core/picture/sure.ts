import { deltaE00 } from '../colour/difference';
import { DARKER_PER_B } from '../colour/plasticScale';
import type { VerdictErrors } from '../face/verdict';
import type { Lab } from '../colour/types';
import type { BenchLight } from './benchLight';
import type { Correction } from './correction';

/** What the error of a region's distance to the hidden patch is worked out from. */
export interface SureFacts {
  /** `none` without a card of known colour. */
  method: Correction['method'];
  patches: number;
  /** ΔE00 that the card's patches are left off by. */
  residual: number;
  piece: Lab;
  hidden: Lab;
  /** L* of the card's patch nearest to the plastic; `null` without a card. */
  nearestL: number | null;
  light: Pick<BenchLight, 'changeShare' | 'offBlue'> | null;
  /** Change of the light across the region itself, as a share of the width of the picture: counts where no bench is seen. */
  ownChange: number;
  /** From the middle of the piece to that of the hidden patch, in widths of the picture. */
  away: number;
  /** The hidden patch was measured in another picture, in another light. */
  otherPicture: boolean;
  /** Pixels of the piece and of the hidden patch. */
  pixels: readonly [number, number];
}

/**
 * Errors as they were found on pictures of the simulated camera (benchmark `sure`, other seeds): of each b* of distance,
 * by what undoes the light. What a phone's tone curve and a lamp's spectrum do to a yellow, greys cannot tell.
 */
const PER_B: Record<'bare' | 'one' | 'two' | 'three' | 'colours', number> = {
  bare: 0.12,
  one: 0.064,
  two: 0.036,
  three: 0.036,
  colours: 0.025,
};
/** A light that changes so much over the picture is the sky's; more of it is a lamp near by, with a spectrum of its own. */
const SKY_CHANGE = 0.15;
const LAMP_FACTOR = 4.3;
const MOST_CHANGE = 1;
/** What is left with no distance at all, b*; without a bench in the picture, besides. */
const FLOOR_B = 0.5;
const NO_BENCH_B = 0.66;
/** Piece and hidden patch off the line of one ageing plastic, in L*: a shadow, or a lamp nearer to one of them. */
const PER_OFF_LINE = 0.29;
/** Scatter of the bench's blue against its green. */
const PER_OFF_BLUE = 10;
/** How much more a card of another lightness leaves, for each L* that it lies off the plastic. */
const PER_CARD_L = 0.02;
const NEAR_CARD_L = 8;
/** One block of a JPEG is off by so much b*. */
const PER_BLOCK_B = 1;
const BLOCK_PX = 64;
/** A card that does not agree with itself. */
const PER_RESIDUAL = 0.35;
const GOOD_RESIDUAL = 2;
/** Piece and hidden patch are mostly so far apart, in widths of the picture. */
const USUAL_AWAY = 0.25;
/** Two pictures of the same thing with a card differ by so much b*. */
const OTHER_PICTURE_B = 1;
/** L* is known less well than the light is even, and never better than this. */
const FLOOR_L = 0.7;
/** Of the colour that a hidden patch may be off by, so much shows as distance where there is none. */
const LEAST_SHARE = 0.6;

function kindOf({ method, patches }: SureFacts): keyof typeof PER_B {
  if (method === 'none') return 'bare';
  if (method === 'matrix') return 'colours';
  if (method === 'gain') return 'one';
  return patches >= 3 ? 'three' : 'two';
}

/** One standard deviation of a region’s distance to the hidden patch, in b*, L* and ΔE00. */
export function sdOfDistance(facts: SureFacts): VerdictErrors {
  const { piece, hidden, nearestL, light, ownChange, away, pixels, residual, otherPicture } = facts;
  const [deltaL, deltaB] = [piece[0] - hidden[0], piece[2] - hidden[2]];
  const near = 0.5 + (0.5 * Math.min(2 * USUAL_AWAY, away)) / USUAL_AWAY;
  const change = Math.min(MOST_CHANGE, near * (light?.changeShare ?? ownChange));
  const kind = kindOf(facts);
  const byCard = 1 + PER_CARD_L * Math.max(0, Math.abs((nearestL ?? hidden[0]) - hidden[0]) - NEAR_CARD_L);
  const perB = PER_B[kind] * (kind === 'one' ? byCard : 1) * (1 + LAMP_FACTOR * Math.max(0, change - SKY_CHANGE));
  const offLine = Math.abs(deltaL + DARKER_PER_B * deltaB);
  const blocks = pixels.map((count) => PER_BLOCK_B / Math.sqrt(Math.max(1, count / BLOCK_PX)));
  const sdB = Math.hypot(
    FLOOR_B,
    perB * Math.max(0, deltaB),
    PER_OFF_LINE * offLine,
    PER_OFF_BLUE * (light?.offBlue ?? 0.03),
    light ? 0 : NO_BENCH_B,
    otherPicture ? OTHER_PICTURE_B : 0,
    PER_RESIDUAL * Math.max(0, residual - GOOD_RESIDUAL),
    ...blocks,
  );
  const sdL = Math.hypot(FLOOR_L, 0.5 * offLine);
  const moved = (dL: number, dB: number) => deltaE00([piece[0] + dL, piece[1], piece[2] + dB], hidden);
  const [byB, byL] = [(moved(0, 1) - moved(0, -1)) / 2, (moved(1, 0) - moved(-1, 0)) / 2];
  // Where there is no distance its slope is nothing and its error is not: a colour that is off by sd lies so far off.
  const least = LEAST_SHARE * deltaE00([hidden[0], hidden[1], hidden[2] + sdB], hidden);
  return { sdB, sdL, sdDeltaE00: Math.max(Math.hypot(byB * sdB, byL * sdL), least) };
}
