/** One choice of each of several independent things, with its probability. */
export interface Together {
  /** Number of the state that each has. */
  states: number[];
  probability: number;
}

/**
 * All choices of a state each, of things that do not depend on one another, whose probability is at least so much.
 *
 * @param things probabilities of the states of each
 * @param least of all states together
 * @param most choices that are given, so that a board without knowledge ends
 */
export function likeliestTogether(things: readonly (readonly number[])[], least: number, most: number): Together[] {
  const orders = things.map((states) => states.map((_, i) => i).sort((a, b) => states[b]! - states[a]!));
  // What is left can bring no more than the best of each.
  const rest = new Float64Array(things.length + 1).fill(1);
  for (let i = things.length - 1; i >= 0; i--) rest[i] = rest[i + 1]! * (things[i]![orders[i]![0]!] ?? 1);
  const found: Together[] = [];
  const chosen: number[] = [];
  const visit = (i: number, probability: number): void => {
    if (found.length >= most || probability * rest[i]! < least) return;
    if (i === things.length) {
      found.push({ states: [...chosen], probability });
      return;
    }
    for (const state of orders[i]!) {
      const next = probability * things[i]![state]!;
      if (next * rest[i + 1]! < least) break;
      chosen[i] = state;
      visit(i + 1, next);
    }
    chosen.length = i;
  };
  visit(0, 1);
  return found.sort((a, b) => b.probability - a.probability);
}
