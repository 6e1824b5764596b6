import { assumed } from '../assumptions/assumptions';
import { Refusal } from '../refusal';
import { segmentOf, segmentsBefore, type Line, type Point, type Wiring } from './board';

export const OBSERVED = ['works', 'dead', 'stuck', 'unknown'] as const;
export type Observed = (typeof OBSERVED)[number];

/** Resistance between two points of one line; `null` where the meter shows it open. */
export interface Reading {
  line: string;
  from: Point;
  to: Point;
  ohms: number | null;
}

/** How often what breaks is broken, before anything is known. */
export const PRIOR = {
  /** A segment of a line is open. */
  get open() {
    return assumed('line breaks');
  },
  /** So many times more often where it runs over a fold. */
  get fold() {
    return assumed('fold breaks');
  },
  get contact() {
    return assumed('contact fails');
  },
  get stuck() {
    return assumed('key sticks');
  },
  /** What is seen of a key, and what a meter shows, is wrong so often. */
  get seenWrong() {
    return assumed('seen wrongly');
  },
  get readWrong() {
    return assumed('read wrongly');
  },
};

/** How probable each state of a key’s own parts is beforehand: fine, bad in its contact, stuck. */
export const keyPrior = (): readonly [number, number, number] => [
  1 - PRIOR.contact - PRIOR.stuck,
  PRIOR.contact,
  PRIOR.stuck,
];

/** Probability of what was seen of a key, by the state of its own parts, out of reach or not. */
export function likelihoods(seen: Observed): { reached: readonly number[]; outOfReach: readonly number[] } {
  if (seen === 'unknown') return { reached: [1, 1, 1], outOfReach: [1, 1, 1] };
  if (seen === 'stuck') return { reached: [0, 0, 1], outOfReach: [0, 0, 0] };
  const { seenWrong } = PRIOR;
  const [good, bad] = seen === 'works' ? [1 - seenWrong, seenWrong] : [seenWrong, 1 - seenWrong];
  return { reached: [good, bad, 0], outOfReach: [bad, bad, bad] };
}

/** Weight of each state of a line: whole, or open in its first segment, its second and so on; before anything is measured. */
export function openWeights(line: Line, firstOpen: number | null = null): Float64Array {
  const weights = new Float64Array(line.route.length + 1);
  weights[0] = 1;
  let sum = 1;
  for (let segment = 1; segment < weights.length; segment++) {
    const folds = line.foldAfter.includes(segmentOf(line, segment)[0]);
    const own = Math.min(0.5, folds ? PRIOR.open * PRIOR.fold : PRIOR.open);
    const p = segment === 1 && firstOpen !== null ? own + (1 - own) * firstOpen : own;
    weights[segment] = p / (1 - p);
    sum += weights[segment]!;
  }
  return weights.map((weight) => weight / sum);
}

/** What a reading says: `low` where the stretch is whole, `open` where it is broken, or nothing. */
export function saysOf({ ohms }: Pick<Reading, 'ohms'>): 'low' | 'open' | null {
  if (ohms === null || ohms > assumed('stretch is broken')) return 'open';
  return ohms < assumed('stretch is whole') ? 'low' : null;
}

/** A reading by numbers: the segments after `from` up to `to`. */
export interface Stretch {
  line: number;
  from: number;
  to: number;
  says: 'low' | 'open' | null;
}

/** @throws Refusal for a reading of a line or a place that is not there */
export function stretchesOf({ lines }: Wiring, readings: readonly Reading[]): Stretch[] {
  return readings.map(({ line: id, from, to, ohms }, i) => {
    const field = `readings[${i}]`;
    const line = lines.findIndex((one) => one.id === id);
    if (line < 0) throw new Refusal(`${field}.line`, `There is no line “${id}” to have been measured.`);
    const [a, b] = [from, to].map((point, end) => {
      const before = segmentsBefore(lines[line]!, point);
      if (before === null)
        throw new Refusal(`${field}.${end === 0 ? 'from' : 'to'}`, `“${point}” is not on line “${id}”.`);
      return before;
    }) as [number, number];
    if (a === b)
      throw new Refusal(`${field}.to`, `A reading from “${from}” to itself says nothing. Put the tips on two places.`);
    return { line, from: Math.min(a, b), to: Math.max(a, b), says: saysOf({ ohms }) };
  });
}

/** How likely a reading is with the line open in a segment, or whole (0). */
export function readingLikelihood({ from, to, says }: Stretch, open: number): number {
  if (says === null) return 1;
  const broken = open > from && open <= to;
  return broken === (says === 'open') ? 1 - PRIOR.readWrong : PRIOR.readWrong;
}

/** Pairs of readings of one stretch that say opposite things. */
export function contradictions(stretches: readonly Stretch[]): [number, number][] {
  const within = (inner: Stretch, outer: Stretch) => inner.from >= outer.from && inner.to <= outer.to;
  return stretches.flatMap((a, i) =>
    stretches.flatMap((b, j): [number, number][] =>
      // A whole stretch cannot hold an open one.
      i !== j && a.line === b.line && a.says === 'low' && b.says === 'open' && within(b, a) ? [[i, j]] : [],
    ),
  );
}
