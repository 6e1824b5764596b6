import { assumed } from '../assumptions/assumptions';
import { labToSrgb } from '../colour/lab';
import type { Lab, Srgb } from '../colour/types';
import { recipeByDrops, targetOf, toOneLight, type DropRecipe, type TestDrop } from './testDrops';

/** Whether paint is matched to a piece as it is, or the piece is brightened first and the paint matched to its first colour. */
export type WayRound =
  | { kind: 'as it is'; yellowerB: number }
  /** So much yellower it is than its hidden patch; the paints come so near to both colours, ΔE00. */
  | { kind: 'brighten first'; yellowerB: number; deltaE00: number; recipe: DropRecipe }
  /** Brightening brings it to a colour that these paints do not reach. */
  | { kind: 'paints do not reach it'; yellowerB: number; deltaE00: number }
  /** It may not be brightened. */
  | { kind: 'spared' }
  /** No hidden patch was measured. */
  | { kind: 'not known' };

/**
 * Which goes to which: the paint to the plastic, or the plastic back to its first colour and the paint to that.
 *
 * @param piece its colour now and of its hidden patch, as they were last measured
 * @param now how near the paints come to the piece as it is, ΔE00
 */
export function wayRound(
  drops: readonly TestDrop[],
  piece: { lab: Lab; hidden: Lab | null; spared: boolean },
  now: number,
): WayRound {
  if (piece.spared) return { kind: 'spared' };
  if (piece.hidden === null) return { kind: 'not known' };
  const yellowerB = piece.lab[2] - piece.hidden[2];
  const seen = targetOf(drops);
  if (yellowerB < assumed('yellow to brighten before paint') || !seen) return { kind: 'as it is', yellowerB };
  const target: Srgb = labToSrgb(piece.hidden);
  const recipe = recipeByDrops({ drops: toOneLight(drops, seen), target, maxPigments: 4 });
  return recipe.reachable || recipe.deltaE00 <= now
    ? { kind: 'brighten first', yellowerB, deltaE00: recipe.deltaE00, recipe }
    : { kind: 'paints do not reach it', yellowerB, deltaE00: recipe.deltaE00 };
}
