import { assumed } from '../assumptions/assumptions';
import { segmentOf, wiringOf, type Matrix, type Point, type Wiring } from './board';
import { bridgeOdds, checkBridges, type Bridge } from './bridges';
import {
  contradictions,
  keyPrior,
  likelihoods,
  openWeights,
  readingLikelihood,
  stretchesOf,
  type Observed,
  type Reading,
} from './evidence';
import { likeliestTogether } from './likeliest';
import { searchOpens, type Opens } from './opens';
import { bestProbe, type Probe } from './probe';
import { Refusal } from '../refusal';

export type Fault =
  | { kind: 'open'; line: string; between: [Point, Point] }
  | { kind: 'contact'; key: string }
  | { kind: 'stuck'; key: string }
  | { kind: 'bridge'; lines: [string, string] }
  | { kind: 'plug'; lines: string[] };

interface Hypothesis {
  /** All that is wrong, and nothing else; empty where nothing is. */
  faults: Fault[];
  probability: number;
}

export interface Diagnosing extends Matrix {
  /** By the id of a key; one that is not named is unknown. */
  observations: Readonly<Record<string, Observed>>;
  readings: readonly Reading[];
  /** Pairs of lines of one kind that may be joined, with what keys answered besides themselves. */
  bridges?: readonly Bridge[];
  /** Lines that one plug carries: it may sit badly, with several of them open at once. */
  plug?: { lines: readonly string[] };
}

interface Marginals {
  lines: { line: string; whole: number; segments: { between: [Point, Point]; probability: number }[] }[];
  keys: { key: string; contact: number; stuck: number }[];
}

/** What it would be to act on the likeliest fault and be wrong. */
interface Mistake {
  fault: Fault;
  /** That it is not so. */
  probability: number;
  /** What it would be instead, likeliest first. */
  instead: Fault[];
}

export interface Diagnosis {
  hypotheses: Hypothesis[];
  nextProbe: Probe | null;
  costliestMistake: Mistake | null;
  marginals: Marginals;
  bridges: { lines: [string, string]; probability: number }[];
  /** That the plug sits badly; `null` where no plug is given. */
  plug: number | null;
  /** Pairs of readings, by their numbers, that cannot both be right. */
  contradictions: [number, number][];
  /** Most that what was not looked at can weigh, as a share. */
  leftOut: number;
}

/** Hypotheses lighter than this share of the whole are not listed, and no more than so many. */
const LEAST_LISTED = 0.0005;
const MOST_LISTED = 60;
/** What a mistake costs against the others: a line is a membrane or an evening, a key its own parts, a plug a minute. */
const DEARNESS: Record<Fault['kind'], number> = { open: 5, bridge: 3, contact: 1, stuck: 1, plug: 0.2 };

/**
 * What is wrong with a keyboard’s matrix, by what its keys did and what was measured: all sets of faults that are likely,
 * each with its probability, what each line and key is by itself, and what to measure next. Opens in lines and faults of
 * keys are independent before anything is seen; given the opens of the lines of one side everything else is summed exactly.
 *
 * @throws Refusal where the board, an observation or a reading does not fit together
 */
export function diagnose(given: Diagnosing): Diagnosis {
  const wiring = wiringOf(given);
  const seen = observedOf(wiring, given.observations);
  const stretches = stretchesOf(wiring, given.readings);
  const plugLines = plugOf(wiring, given.plug);
  const bridges = checkBridges(wiring, given.bridges ?? []).map((bridge) => ({
    lines: bridge.lines,
    probability: bridgeOdds(wiring, seen, bridge),
  }));
  /** With the plug as it should be, and with it sitting badly. */
  const ways = (plugLines ? [false, true] : [false]).map((badly) => {
    const weights = wiring.lines.map((line, i) => {
      const own = openWeights(line, badly && plugLines!.includes(i) ? assumed('badly plugged line') : null);
      const measured = stretches.filter((stretch) => stretch.line === i);
      return own.map((weight, open) =>
        measured.reduce((product, stretch) => product * readingLikelihood(stretch, open), weight),
      );
    });
    const opens = searchOpens(wiring, seen, weights);
    return {
      badly,
      opens,
      weight: opens.weight * (plugLines ? (badly ? assumed('plug sits badly') : 1 - assumed('plug sits badly')) : 1),
    };
  });
  const all = ways.reduce((sum, { weight }) => sum + weight, 0);
  const shared = ways.map((way) => ({ ...way, share: way.weight / all }));
  const marginals = marginalsOf(wiring, seen, shared);
  const hypotheses = hypothesesOf(wiring, seen, shared, plugLines, bridges);
  const plug = plugLines ? (shared.find(({ badly }) => badly)?.share ?? 0) : null;
  return {
    hypotheses,
    nextProbe: bestProbe(wiring, marginals.lines),
    costliestMistake: mistakeOf(hypotheses, { marginals, bridges, plug }),
    marginals,
    bridges,
    plug,
    contradictions: contradictions(stretches),
    leftOut: Math.max(...shared.map(({ opens }) => opens.leftOut)),
  };
}

interface Way {
  badly: boolean;
  opens: Opens;
  share: number;
}

function observedOf({ keys }: Wiring, observations: Diagnosing['observations']): Observed[] {
  const stray = Object.keys(observations).find((id) => !keys.some((key) => key.id === id));
  if (stray !== undefined)
    throw new Refusal(`observations.${stray}`, `“${stray}” was observed, and there is no such key on the board.`);
  return keys.map(({ id }) => observations[id] ?? 'unknown');
}

function plugOf({ lines }: Wiring, plug: Diagnosing['plug']): number[] | null {
  if (!plug) return null;
  return plug.lines.map((id, i) => {
    const at = lines.findIndex((line) => line.id === id);
    if (at < 0) throw new Refusal(`plug.lines[${i}]`, `The plug is said to carry “${id}”, and there is no such line.`);
    return at;
  });
}

/** States of a key’s own parts by what was seen of it, in reach and out of it. */
function keyStates(seen: Observed): { reached: number[]; outOfReach: number[] } {
  const given = likelihoods(seen);
  const normal = (of: readonly number[]): number[] => {
    const prior = keyPrior();
    const weights = of.map((value, i) => value * prior[i]!);
    const sum = weights.reduce((a, b) => a + b, 0);
    return sum > 0 ? weights.map((weight) => weight / sum) : [...prior];
  };
  return { reached: normal(given.reached), outOfReach: normal(given.outOfReach) };
}

/** Whether a line that is open in a segment leaves a key without it. */
const cuts = (open: number, at: number) => open >= 1 && open <= at;

function marginalsOf(wiring: Wiring, seen: readonly Observed[], ways: readonly Way[]): Marginals {
  const states = wiring.lines.map(({ route }) => new Float64Array(route.length + 1));
  const outOfReach = new Float64Array(wiring.keys.length);
  for (const { share: wayShare, opens } of ways)
    for (const leaf of opens.leaves) {
      const weight = wayShare * leaf.share;
      leaf.states.forEach((part, line) => part.forEach((value, i) => (states[line]![i]! += weight * value)));
      const cut = ({ line, at }: { line: number; at: number }) => {
        const part = leaf.states[line]!;
        let sum = 0;
        for (let i = 1; i <= at; i++) sum += part[i]!;
        return sum;
      };
      wiring.keys.forEach(
        ({ row, column }, k) => (outOfReach[k]! += weight * (1 - (1 - cut(row)) * (1 - cut(column)))),
      );
    }
  return {
    lines: wiring.lines.map((line, i) => ({
      line: line.id,
      whole: states[i]![0]!,
      segments: line.route.map((_, s) => ({ between: segmentOf(line, s + 1), probability: states[i]![s + 1]! })),
    })),
    keys: wiring.keys.map(({ id }, k) => {
      const own = keyStates(seen[k]!);
      const out = outOfReach[k]!;
      const of = (state: 1 | 2) => (1 - out) * own.reached[state]! + out * own.outOfReach[state]!;
      return { key: id, contact: of(1), stuck: of(2) };
    }),
  };
}

function hypothesesOf(
  wiring: Wiring,
  seen: readonly Observed[],
  ways: readonly Way[],
  plugLines: readonly number[] | null,
  bridges: Diagnosis['bridges'],
): Hypothesis[] {
  const found: Hypothesis[] = [];
  const states = seen.map(keyStates);
  for (const { badly, opens, share: wayShare } of ways)
    for (const leaf of opens.leaves) {
      const weight = wayShare * leaf.share;
      if (weight < LEAST_LISTED) break;
      const likely = likeliestTogether(
        leaf.states.map((part) => [...part]),
        LEAST_LISTED / weight,
        4 * MOST_LISTED,
      );
      for (const { states: at, probability } of likely)
        found.push(...withKeys({ wiring, states, at, badly, plugLines, bridges }, weight * probability));
    }
  return found.sort((a, b) => b.probability - a.probability).slice(0, MOST_LISTED);
}

interface Opened {
  wiring: Wiring;
  states: readonly ReturnType<typeof keyStates>[];
  /** Open segment of each line, 0 where it is whole. */
  at: readonly number[];
  badly: boolean;
  plugLines: readonly number[] | null;
  bridges: Diagnosis['bridges'];
}

/** The opens of all lines with each likely set of faults of the keys, and of bridges. */
function withKeys({ wiring, states, at, badly, plugLines, bridges }: Opened, weight: number): Hypothesis[] {
  const atPlug = (line: number) => badly && plugLines!.includes(line) && at[line] === 1;
  const lineFaults = wiring.lines.flatMap((line, i): Fault[] => {
    const open = at[i]!;
    return open === 0 || atPlug(i) ? [] : [{ kind: 'open', line: line.id, between: segmentOf(line, open) }];
  });
  const plug: Fault[] = badly
    ? [{ kind: 'plug', lines: wiring.lines.flatMap(({ id }, i) => (atPlug(i) ? [id] : [])) }]
    : [];
  const keys = wiring.keys.map(({ row, column }, k) =>
    cuts(at[row.line]!, row.at) || cuts(at[column.line]!, column.at) ? states[k]!.outOfReach : states[k]!.reached,
  );
  const joined = bridges.map(({ probability }) => [1 - probability, probability]);
  return likeliestTogether([...keys, ...joined], LEAST_LISTED / weight, MOST_LISTED).map(
    ({ states: chosen, probability }): Hypothesis => ({
      faults: [
        ...plug,
        ...lineFaults,
        ...wiring.keys.flatMap(({ id }, k): Fault[] =>
          chosen[k] === 1 ? [{ kind: 'contact', key: id }] : chosen[k] === 2 ? [{ kind: 'stuck', key: id }] : [],
        ),
        ...bridges.flatMap(({ lines }, b): Fault[] =>
          chosen[keys.length + b] === 1 ? [{ kind: 'bridge', lines }] : [],
        ),
      ],
      probability: weight * probability,
    }),
  );
}

/** What is known of each line, key, bridge and plug by itself. */
type Known = Pick<Diagnosis, 'marginals' | 'bridges' | 'plug'>;

/** How probable one fault is, whatever else is wrong. */
export function oddsOf(fault: Fault, { marginals: { lines, keys }, bridges, plug }: Known): number {
  switch (fault.kind) {
    case 'open':
      return (
        lines.find(({ line }) => line === fault.line)?.segments.find(({ between }) => between[1] === fault.between[1])
          ?.probability ?? 0
      );
    case 'contact':
    case 'stuck':
      return keys.find(({ key }) => key === fault.key)?.[fault.kind] ?? 0;
    case 'bridge':
      return bridges.find(({ lines: pair }) => pair.join() === fault.lines.join())?.probability ?? 0;
    case 'plug':
      return plug ?? 0;
  }
}

const same = (a: Fault, b: Fault) => JSON.stringify(a) === JSON.stringify(b);

/** Of what one would act on now, the fault that is dearest to be wrong about. */
function mistakeOf(hypotheses: readonly Hypothesis[], known: Known): Mistake | null {
  const [best] = hypotheses;
  if (!best || best.faults.length === 0) return null;
  const [dearest] = best.faults
    .map((fault) => ({ fault, wrong: 1 - oddsOf(fault, known) }))
    .sort((a, b) => DEARNESS[b.fault.kind] * b.wrong - DEARNESS[a.fault.kind] * a.wrong);
  const { fault, wrong } = dearest!;
  const instead = hypotheses.find(({ faults }) => !faults.some((other) => same(other, fault)));
  return { fault, probability: wrong, instead: instead?.faults ?? [] };
}
