import { Refusal } from '../refusal';

/** Grits that paper is sold in. */
export const GRITS = [
  40, 60, 80, 100, 120, 150, 180, 220, 240, 280, 320, 360, 400, 500, 600, 800, 1000, 1200, 1500, 2000, 2500, 3000,
] as const;

/** A next grit is at most so many times the last: a finer one would not take the scratches of the last out. */
const MOST_RATIO = 2;

/**
 * Grits from a coarse one to a fine one: each next at most double the last, as few as possible, and among those the
 * evenest ratios.
 *
 * @throws Refusal where the fine one is coarser than the first, or no paper lies between two that are too far apart
 * @example gritLadder({ from: 120, to: 400 }) // { grits: [120, 220, 400] }
 */
export function gritLadder({ from, to }: { from: number; to: number }): { grits: number[] } {
  if (to < from)
    throw new Refusal('to', `From ${from} to ${to} goes from fine to coarse. Begin with the smaller number.`);
  if (to === from) return { grits: [from] };
  const steps = [from, ...GRITS.filter((grit) => grit > from && grit < to), to];
  // Fewest papers to each step, and among those the least sum of squared log ratios: of parts of one whole, the evenest.
  const best: ({ count: number; uneven: number; before: number } | null)[] = steps.map((_, i) =>
    i === 0 ? { count: 1, uneven: 0, before: -1 } : null,
  );
  steps.forEach((grit, i) => {
    for (let j = 0; j < i; j++) {
      const known = best[j];
      if (!known || grit > MOST_RATIO * steps[j]!) continue;
      const [count, uneven] = [known.count + 1, known.uneven + Math.log(grit / steps[j]!) ** 2];
      const mine = best[i];
      if (!mine || count < mine.count || (count === mine.count && uneven < mine.uneven - 1e-12))
        best[i] = { count, uneven, before: j };
    }
  });
  if (!best[steps.length - 1])
    throw new Refusal(
      'to',
      `No paper lies between ${from} and ${to} so that each is at most double the last: papers go from ${GRITS[0]} to ${GRITS[GRITS.length - 1]}.`,
    );
  const grits: number[] = [];
  for (let at = steps.length - 1; at >= 0; at = best[at]!.before) grits.unshift(steps[at]!);
  return { grits };
}
