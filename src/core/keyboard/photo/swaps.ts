/** Likeness from which two pictures show one cap, and by how much another place has to be more like it. */
export const ALIKE = 0.55;
export const BY_MORE = 0.06;

/**
 * Whose caps stand where, among keys whose own caps are doubted: a cap stands in one place only, so that of the doubted
 * ones each gave its own to another.
 *
 * @returns of each that can be told the key whose cap it has, itself where it is its own
 */
export function swapped(
  doubted: readonly number[],
  fits: (i: number, j: number) => boolean,
  like: (i: number, j: number) => number,
  differ: (i: number, j: number) => boolean,
): Map<number, number> {
  const told = new Map<number, number>();
  const own = new Map(doubted.map((i) => [i, like(i, i)]));
  const pairs = doubted
    .flatMap((i, at) => doubted.slice(at + 1).map((j) => ({ i, j })))
    .filter(({ i, j }) => fits(i, j))
    // Of three that went round, one looks like the second, and the second like nothing of the first.
    .filter(({ i, j }) => Math.min(like(i, j), like(j, i)) > ALIKE - BY_MORE)
    .map(({ i, j }) => ({ i, j, both: like(i, j) + like(j, i) }))
    .map((pair) => ({ ...pair, gain: pair.both - own.get(pair.i)! - own.get(pair.j)! }))
    .filter(({ i, j, gain, both }) => gain >= BY_MORE && both >= 2 * ALIKE && differ(i, j));
  for (const { i, j } of bestPairs(pairs)) {
    told.set(i, j);
    told.set(j, i);
  }
  // Three or more that went round.
  const left = doubted.filter((i) => !told.has(i));
  for (const i of left) {
    const others = left.filter((j) => j !== i && fits(i, j)).map((j) => ({ j, likeness: like(i, j) }));
    const best = others.reduce((most, one) => (one.likeness > most.likeness ? one : most), { j: i, likeness: -1 });
    if (best.likeness > ALIKE && best.likeness > own.get(i)! + BY_MORE && differ(i, best.j)) told.set(i, best.j);
    else if (own.get(i)! > ALIKE - BY_MORE) told.set(i, i);
  }
  // A cap that stands at its own place stands at no other.
  for (const [i, j] of [...told]) if (i !== j && told.get(j) === j) told.delete(i);
  return told;
}

interface Pair {
  i: number;
  j: number;
  gain: number;
}

/** So many pairs are weighed against each other; of more the best. */
const WEIGHED = 24;

/** The pairs that gain most together, each key in one of them: the best pair alone may part two that are better. */
function bestPairs(pairs: readonly Pair[]): Pair[] {
  const ordered = [...pairs].sort((a, b) => b.gain - a.gain).slice(0, WEIGHED);
  let best: { gain: number; taken: Pair[] } = { gain: -1, taken: [] };
  // What is left can add no more than all of it.
  const left = ordered.map((_, from) => ordered.slice(from).reduce((sum, { gain }) => sum + gain, 0));
  const search = (from: number, gain: number, taken: Pair[]): void => {
    if (gain > best.gain) best = { gain, taken };
    if (from === ordered.length || gain + left[from]! <= best.gain) return;
    const pair = ordered[from]!;
    if (!taken.some(({ i, j }) => [i, j].some((key) => key === pair.i || key === pair.j)))
      search(from + 1, gain + pair.gain, [...taken, pair]);
    search(from + 1, gain, taken);
  };
  search(0, 0, []);
  return best.taken;
}
