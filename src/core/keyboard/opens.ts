import { keyPrior, likelihoods, type Observed } from './evidence';
import type { Wiring } from './board';

/** A key by the numbers of its two lines, and how well each explains what was seen of it. */
interface Weighed {
  /** Number of its line on the side that is searched, and segments before it there. */
  searched: number;
  at: number;
  other: number;
  otherAt: number;
  /** Likelihood of what was seen with the key in reach and out of it; the larger is 1. */
  inReach: number;
  outOfReach: number;
}

/** One way in which the lines of one side may be open: given it, all lines are independent of each other. */
interface Leaf {
  /** Share of all that was looked at. */
  share: number;
  /** For each line of the wiring the weight of each of its states, each summing to 1. */
  states: readonly Float64Array[];
}

/** All ways that matter, the likeliest first. */
export interface Opens {
  leaves: readonly Leaf[];
  /** Most that all left out together can weigh, as a share. */
  leftOut: number;
  /** Weight of everything, for comparing two priors. */
  weight: number;
}

/** States of a line that cut off the same of the keys that anything is known of: nothing tells them apart. */
interface Alike {
  weight: number;
  /** One of them. */
  open: number;
  /** Weight of each state among them, summing to 1. */
  states: Float64Array;
}

interface Node {
  depth: number;
  /** Which of the alike states each line that is set has. */
  chosen: readonly number[];
  /** Weight of each state of each other line with the keys of the lines that are set. */
  states: Float64Array;
  /** Weight of the set lines. */
  set: number;
  /** Weight of all below, at most. */
  bound: number;
}

/** What is left out may weigh so much of all; a hundredth of probability is promised. */
const LEAST_SHARE = 0.001;
const MOST_NODES = 3000;
/** Where that does not suffice, so many ways are kept from line to line: much is dead, and nothing explains it well. */
const KEPT_WAYS = 60;
/** What waits is added up anew after so many steps: taking off and putting on loses small weights beside large ones. */
const COUNTED_EVERY = 64;

/** How likely what was seen of a key is, in reach and out of it, its own parts summed over. */
function reachLikelihoods(seen: Observed): { inReach: number; outOfReach: number } {
  const { reached, outOfReach } = likelihoods(seen);
  const prior = keyPrior();
  const sum = (given: readonly number[]) => given.reduce((all, value, i) => all + value * prior[i]!, 0);
  return { inReach: sum(reached), outOfReach: sum(outOfReach) };
}

/**
 * Searches the opens of the lines of one side, best first: given those, the lines of the other side are independent of
 * each other and summed exactly. What cannot weigh enough any more is not followed; how much that is at most is known.
 *
 * @param weights of each line’s states, in the order of the wiring’s lines
 */
export function searchOpens(wiring: Wiring, seen: readonly Observed[], weights: readonly Float64Array[]): Opens {
  const numbers = wiring.lines.map((_, i) => i);
  const ofKind = (kind: string) => numbers.filter((i) => wiring.lines[i]!.kind === kind);
  const [rows, columns] = [ofKind('row'), ofKind('column')];
  const searchRows = rows.length <= columns.length;
  const [searchedLines, others] = searchRows ? [rows, columns] : [columns, rows];
  const keys = wiring.keys.map(({ row, column }, k): Weighed => {
    const { inReach, outOfReach } = reachLikelihoods(seen[k]!);
    const most = Math.max(inReach, outOfReach);
    const [own, cross] = searchRows ? [row, column] : [column, row];
    return {
      ...{ searched: own.line, at: own.at, other: others.indexOf(cross.line), otherAt: cross.at },
      ...{ inReach: inReach / most, outOfReach: outOfReach / most },
    };
  });
  // What says nothing needs no weighing.
  const telling = keys.filter(({ inReach, outOfReach }) => inReach !== outOfReach);
  const keysOn = new Map(searchedLines.map((line) => [line, telling.filter(({ searched }) => searched === line)]));
  const alikeOn = new Map(searchedLines.map((line) => [line, alikeStates(weights[line]!, keysOn.get(line)!)]));
  /** At most what the keys of a line can weigh, however the others are. */
  const boundOf = (line: number) =>
    alikeOn.get(line)!.reduce((sum, { weight, open }) => {
      let product = weight;
      for (const { at, inReach, outOfReach } of keysOn.get(line)!)
        product *= open >= 1 && open <= at ? outOfReach : Math.max(inReach, outOfReach);
      return sum + product;
    }, 0);
  const bounds = new Map(searchedLines.map((line) => [line, boundOf(line)]));
  // The surest first: the sooner a wrong way is light, the sooner it is left.
  const searched = [...searchedLines].sort((a, b) => bounds.get(a)! - bounds.get(b)!);
  const below = new Float64Array(searched.length + 1).fill(1);
  for (let i = searched.length - 1; i >= 0; i--) below[i] = below[i + 1]! * bounds.get(searched[i]!)!;

  const starts: number[] = [];
  let length = 0;
  for (const line of others) {
    starts.push(length);
    length += weights[line]!.length;
  }
  const weightOfOthers = (states: Float64Array): number => {
    let product = 1;
    for (let t = 0; t < others.length; t++) {
      let sum = 0;
      for (let i = starts[t]!; i < (starts[t + 1] ?? length); i++) sum += states[i]!;
      product *= sum;
    }
    return product;
  };
  const first = new Float64Array(length);
  others.forEach((line, t) => first.set(weights[line]!, starts[t]!));

  /** The ways on from a node: each state of the next line. */
  const childrenOf = (node: Node): Node[] => {
    const line = searched[node.depth]!;
    return alikeOn.get(line)!.flatMap(({ open: at, weight: own }, choice): Node[] => {
      const set = node.set * own;
      if (set === 0) return [];
      const states = node.states.slice();
      for (const { at: place, other, otherAt, inReach, outOfReach } of keysOn.get(line)!) {
        const [from, to] = [starts[other]!, starts[other + 1] ?? length];
        if (at >= 1 && at <= place) for (let i = from; i < to; i++) states[i]! *= outOfReach;
        else {
          states[from]! *= inReach;
          for (let i = from + 1; i < to; i++) states[i]! *= i - from <= otherAt ? outOfReach : inReach;
        }
      }
      const bound = set * below[node.depth + 1]! * weightOfOthers(states);
      return bound > 0 ? [{ depth: node.depth + 1, chosen: [...node.chosen, choice], states, set, bound }] : [];
    });
  };

  const open = new Heap<Node>((a, b) => a.bound > b.bound);
  const root: Node = { depth: 0, chosen: [], states: first, set: 1, bound: below[0]! * weightOfOthers(first) };
  open.push(root);
  // Weight of all that waits, at most: it only falls, so that an older sum is a bound as well.
  let waiting = root.bound;
  let [weight, looked] = [0, 0];
  const found: { chosen: readonly number[]; states: Float64Array; weight: number }[] = [];
  for (let node = open.pop(); node; node = open.pop()) {
    if (node.depth === searched.length) {
      found.push({ chosen: node.chosen, states: node.states, weight: node.bound });
      weight += node.bound;
    } else for (const child of childrenOf(node)) open.push(child);
    if (++looked % COUNTED_EVERY !== 0) continue;
    waiting = open.sum(({ bound }) => bound);
    if ((weight > 0 && waiting <= LEAST_SHARE * weight) || looked >= MOST_NODES) break;
  }
  waiting = open.sum(({ bound }) => bound);
  // Not searched to the end: the ways that weigh most, line by line, so that there is an answer at all.
  if (waiting > LEAST_SHARE * weight) {
    let ways = [root];
    for (let depth = 0; depth < searched.length; depth++)
      ways = ways
        .flatMap(childrenOf)
        .sort((a, b) => b.bound - a.bound)
        .slice(0, KEPT_WAYS);
    const reached = ways.map((node) => ({ chosen: node.chosen, states: node.states, weight: node.bound }));
    const all = reached.reduce((sum, one) => sum + one.weight, 0);
    if (all > weight) {
      found.splice(0, found.length, ...reached);
      weight = all;
    }
  }
  found.sort((a, b) => b.weight - a.weight);
  return {
    weight,
    leftOut: waiting / (weight + waiting),
    leaves: found.map(({ chosen, states, weight: own }) => {
      const of = new Array<Float64Array>(weights.length);
      searched.forEach((line, i) => (of[line] = alikeOn.get(line)![chosen[i]!]!.states));
      others.forEach((line, t) => (of[line] = normal(states.slice(starts[t]!, starts[t + 1] ?? length))));
      return { share: own / weight, states: of };
    }),
  };
}

const normal = (weights: Float64Array): Float64Array => {
  const sum = weights.reduce((all, value) => all + value, 0);
  return weights.map((value) => value / sum);
};

/** The states of a line, those together that cut off the same of its keys. */
function alikeStates(weights: Float64Array, keys: readonly { at: number }[]): Alike[] {
  const cutOff = Array.from(weights, (_, open) => (open === 0 ? 0 : keys.filter(({ at }) => open <= at).length));
  return [...new Set(cutOff)].map((count) => {
    const states = weights.map((weight, open) => (cutOff[open] === count ? weight : 0));
    const weight = states.reduce((sum, own) => sum + own, 0);
    return { weight, open: cutOff.indexOf(count), states: weight > 0 ? normal(states) : states };
  });
}

/** A binary heap: what is before all others comes out first. */
class Heap<T> {
  private readonly items: T[] = [];

  constructor(private readonly before: (a: T, b: T) => boolean) {}

  sum(of: (item: T) => number): number {
    return this.items.reduce((all, item) => all + of(item), 0);
  }

  push(item: T): void {
    const { items, before } = this;
    let i = items.push(item) - 1;
    while (i > 0) {
      const above = (i - 1) >> 1;
      if (!before(item, items[above]!)) break;
      items[i] = items[above]!;
      i = above;
    }
    items[i] = item;
  }

  pop(): T | undefined {
    const { items, before } = this;
    const first = items[0];
    const last = items.pop();
    if (items.length === 0 || last === undefined) return first;
    let i = 0;
    for (;;) {
      let child = 2 * i + 1;
      if (child >= items.length) break;
      if (child + 1 < items.length && before(items[child + 1]!, items[child]!)) child++;
      if (!before(items[child]!, last)) break;
      items[i] = items[child]!;
      i = child;
    }
    items[i] = last;
    return first;
  }
}
