import fc from 'fast-check';
import { CONNECTOR, type Line, type Matrix, type MatrixKey } from './board';
import type { Diagnosing, Fault } from './diagnosis';
import {
  keyPrior,
  likelihoods,
  OBSERVED,
  openWeights,
  readingLikelihood,
  stretchesOf,
  type Observed,
  type Reading,
} from './evidence';
import { segmentOf, wiringOf } from './board';

/** A full matrix of rows and columns, the routes in the order of the keys. */
export function grid(
  rows: number,
  columns: number,
  present: (row: number, column: number) => boolean = () => true,
): Matrix {
  const keys: MatrixKey[] = [];
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++) if (present(r, c)) keys.push({ id: `k${r}.${c}`, row: `R${r}`, column: `C${c}` });
  const line = (id: string, kind: Line['kind']): Line => ({
    id,
    kind,
    route: keys.filter((key) => key[kind] === id).map((key) => key.id),
    foldAfter: [],
  });
  return {
    keys,
    lines: [
      ...Array.from({ length: rows }, (_, r) => line(`R${r}`, 'row')),
      ...Array.from({ length: columns }, (_, c) => line(`C${c}`, 'column')),
    ],
  };
}

/** Boards small enough to count out, with what was seen and measured on them. */
export const smallBoard: fc.Arbitrary<Diagnosing> = fc
  .record({
    shape: fc.constantFrom([1, 2], [2, 2], [1, 4], [2, 3], [3, 2]),
    missing: fc.integer({ min: -1, max: 5 }),
    seen: fc.array(fc.constantFrom(...OBSERVED, 'dead' as const, 'works' as const), { minLength: 6, maxLength: 6 }),
    turn: fc.boolean(),
    folds: fc.array(fc.nat(100), { maxLength: 2 }),
    readings: fc.array(
      fc.record({ line: fc.nat(100), a: fc.nat(100), b: fc.nat(100), ohms: fc.constantFrom(null, 120, 9000, 50_000) }),
      { maxLength: 3 },
    ),
  })
  .map(({ shape, missing, seen, turn, folds, readings }) => {
    const [rows, columns] = shape as readonly [number, number];
    const full = grid(rows, columns, (r, c) => rows * columns < 6 || r * columns + c !== missing);
    const lines = full.lines.map((line, i): Line => {
      const route = turn && i % 2 === 0 ? [...line.route].reverse() : line.route;
      const foldAfter = folds.flatMap((fold) =>
        fold % full.lines.length === i ? [[CONNECTOR, ...route][fold % route.length]!] : [],
      );
      return { ...line, route, foldAfter };
    });
    return {
      keys: full.keys,
      lines,
      observations: Object.fromEntries(full.keys.map(({ id }, i) => [id, seen[i]!])),
      readings: readings.flatMap(({ line, a, b, ohms }): Reading[] => {
        const { id, route } = lines[line % lines.length]!;
        const places = [CONNECTOR, ...route];
        const [from, to] = [places[a % places.length]!, places[b % places.length]!];
        return from === to ? [] : [{ line: id, from, to, ohms }];
      }),
    };
  });

/** Every state of a small board with its probability, counted out one by one. */
export function countedOut(given: Diagnosing): { faults: Fault[]; probability: number }[] {
  const wiring = wiringOf(given);
  const seen = wiring.keys.map(({ id }): Observed => given.observations[id] ?? 'unknown');
  const stretches = stretchesOf(wiring, given.readings);
  const all: { faults: Fault[]; weight: number }[] = [];
  const priors = wiring.lines.map((line) => openWeights(line));
  const visitLines = (i: number, opens: number[], weight: number) => {
    if (weight === 0) return;
    if (i === wiring.lines.length) return visitKeys(0, opens, [], weight);
    for (let open = 0; open < priors[i]!.length; open++) {
      const measured = stretches
        .filter(({ line }) => line === i)
        .reduce((product, stretch) => product * readingLikelihood(stretch, open), 1);
      visitLines(i + 1, [...opens, open], weight * priors[i]![open]! * measured);
    }
  };
  const visitKeys = (k: number, opens: number[], states: number[], weight: number) => {
    if (weight === 0) return;
    if (k === wiring.keys.length) {
      all.push({
        weight,
        faults: [
          ...opens.flatMap((open, i): Fault[] =>
            open === 0 ? [] : [{ kind: 'open', line: wiring.lines[i]!.id, between: segmentOf(wiring.lines[i]!, open) }],
          ),
          ...states.flatMap((state, key): Fault[] =>
            state === 0 ? [] : [{ kind: state === 1 ? 'contact' : 'stuck', key: wiring.keys[key]!.id }],
          ),
        ],
      });
      return;
    }
    const { row, column } = wiring.keys[k]!;
    const cut = [row, column].some(({ line, at }) => opens[line]! >= 1 && opens[line]! <= at);
    const given = likelihoods(seen[k]!);
    for (let state = 0; state < 3; state++)
      visitKeys(
        k + 1,
        opens,
        [...states, state],
        weight * keyPrior()[state]! * (cut ? given.outOfReach : given.reached)[state]!,
      );
  };
  visitLines(0, [], 1);
  const sum = all.reduce((total, { weight }) => total + weight, 0);
  return all
    .map(({ faults, weight }) => ({ faults, probability: weight / sum }))
    .sort((a, b) => b.probability - a.probability);
}

/** Entropy of what is wrong, bits, by the marginals of a small board counted out. */
export const entropyOf = (states: readonly { probability: number }[]): number =>
  states.reduce((sum, { probability: p }) => (p > 0 ? sum - p * Math.log2(p) : sum), 0);
