import { CONNECTOR, segmentsBefore, wiringOf } from '@/core/keyboard/board';
import { countedOut, grid } from '@/core/keyboard/boards.testing';
import { diagnose, type Diagnosing, type Fault } from '@/core/keyboard/diagnosis';
import { PRIOR, type Observed, type Reading } from '@/core/keyboard/evidence';
import { quantile } from '@/core/numbers';
import { seededRandom } from '@/simulators/camera/random';

const FIRST_SEED = Number(process.env.SEED ?? 80_000);
const BOARDS = Number(process.env.BOARDS ?? 200);
/** From here on one is sure. */
const SURE = 0.95;
const MOST_PROBES = 12;

type Random = () => number;
const pick = <T>(of: readonly T[], random: Random): T => of[Math.floor(random() * of.length)]!;

interface Hidden {
  line: string;
  segment: number;
}

/** What keys do with one line open, some of them not tried, each seen wrongly now and then. */
function observed(
  board: ReturnType<typeof grid>,
  hidden: readonly Hidden[],
  tried: number,
  random: Random,
): Diagnosing {
  const wiring = wiringOf(board);
  const isDead = (k: number) =>
    (['row', 'column'] as const).some((side) => {
      const { line, at } = wiring.keys[k]![side];
      const open = hidden.find((one) => one.line === wiring.lines[line]!.id);
      return open !== undefined && open.segment <= at;
    });
  const observations = Object.fromEntries(
    wiring.keys.map(({ id }, k): [string, Observed] => {
      if (random() > tried) return [id, 'unknown'];
      const dead = isDead(k) !== random() < PRIOR.seenWrong;
      return [id, dead ? 'dead' : 'works'];
    }),
  );
  return { ...board, observations, readings: [] };
}

function reading(
  board: Diagnosing,
  hidden: readonly Hidden[],
  { line: id, from, to }: Omit<Reading, 'ohms'>,
  random: Random,
): Reading {
  const line = board.lines.find((one) => one.id === id)!;
  const [a, b] = [from, to].map((place) => segmentsBefore(line, place)!).sort((p, q) => p - q) as [number, number];
  const broken = hidden.some((one) => one.line === id && one.segment > a && one.segment <= b);
  return { line: id, from, to, ohms: broken !== random() < PRIOR.readWrong ? null : 120 };
}

const sameFault = (a: Fault, b: Fault) => JSON.stringify(a) === JSON.stringify(b);

/** Chance of the likeliest single cause: that of a fault, or that a line is whole. */
function surest(board: Diagnosing): { fault: Fault | null; chance: number } {
  const { lines, keys } = diagnose(board).marginals;
  const all = [
    ...lines.flatMap(({ line, segments }) =>
      segments.map(({ between, probability }) => ({
        fault: { kind: 'open', line, between } as Fault,
        chance: probability,
      })),
    ),
    ...keys.map(({ key, contact }) => ({ fault: { kind: 'contact', key } as Fault, chance: contact })),
  ];
  return all.reduce((best, one) => (one.chance > best.chance ? one : best));
}

/**
 * Fewest probes that any policy needs on average to be sure of one cause out of a few of one line, by dynamic programming
 * over how often each was contradicted.
 */
function fewest(chances: readonly number[]): number {
  const memo = new Map<string, number>();
  const n = chances.length;
  const ratio = (1 - PRIOR.readWrong) / PRIOR.readWrong;
  const value = (against: readonly number[], depth: number): number => {
    const least = Math.min(...against);
    const state = against.map((count) => Math.min(3, count - least));
    const key = `${depth} ${state.join()}`;
    const known = memo.get(key);
    if (known !== undefined) return known;
    const weights = state.map((count, i) => chances[i]! * ratio ** -count);
    const sum = weights.reduce((a, b) => a + b, 0);
    if (Math.max(...weights) / sum >= SURE || depth === 0) return 0;
    let best = Infinity;
    for (let a = 0; a < n; a++)
      for (let b = a + 1; b <= n; b++) {
        if (a === 0 && b === n) continue;
        // The stretch from a to b: open where the break lies in it.
        const inside = weights.slice(a, b).reduce((x, y) => x + y, 0) / sum;
        const open = inside * (1 - PRIOR.readWrong) + (1 - inside) * PRIOR.readWrong;
        if (open < 0.02 || open > 0.98) continue;
        const after = (says: boolean) => state.map((count, i) => count + ((i >= a && i < b) === says ? 0 : 1));
        best = Math.min(best, 1 + open * value(after(true), depth - 1) + (1 - open) * value(after(false), depth - 1));
      }
    const found = Number.isFinite(best) ? best : 0;
    memo.set(key, found);
    return found;
  };
  return value(new Array<number>(n).fill(0), 5);
}

/** 108 keys on 21 lines. */
const wide = () => grid(9, 12);

/** How exact, how quick and how sparing the diagnosis of a keyboard is. */
export async function keyboardDiagnosis(): Promise<void> {
  const random = seededRandom(FIRST_SEED);
  // Exact: boards that can be counted out.
  let [most, counted] = [0, 0];
  for (let i = 0; i < BOARDS; i++) {
    const [rows, columns] = pick<readonly [number, number]>(
      [
        [2, 2],
        [1, 5],
        [2, 3],
      ],
      random,
    );
    const board = grid(rows, columns);
    const lines = board.lines.map((line) => ({
      ...line,
      foldAfter: random() < 0.3 ? [pick([CONNECTOR, ...line.route], random)] : [],
    }));
    const observations = Object.fromEntries(
      board.keys.map(({ id }) => [
        id,
        pick(['works', 'works', 'dead', 'dead', 'unknown', 'stuck'] as Observed[], random),
      ]),
    );
    const given: Diagnosing = { ...board, lines, observations, readings: [] };
    const all = countedOut(given);
    const found = diagnose(given);
    for (const { faults, probability } of found.hypotheses) {
      const same = all.find(
        (one) => one.faults.length === faults.length && one.faults.every((f) => faults.some((g) => sameFault(f, g))),
      )!;
      most = Math.max(most, Math.abs(same.probability - probability));
      counted++;
    }
  }
  console.log(`Keyboard diagnosis, seeds from ${FIRST_SEED}`);
  console.log(
    `  ${counted} hypotheses of ${BOARDS} boards counted out: off by at most ${most.toExponential(1)} (aim 0.01)`,
  );

  // Quick: a hundred and eight keys on twenty-one lines.
  for (const [name, tried, opens] of [
    ['all keys tried, one open', 1, 1],
    ['all keys tried, three opens', 1, 3],
    ['half tried, two opens', 0.5, 2],
    ['a tenth tried', 0.1, 1],
    ['none tried', 0, 0],
  ] as const) {
    const times: number[] = [];
    let left = 0;
    for (let i = 0; i < 40; i++) {
      const big = wide();
      const hidden = Array.from({ length: opens }, (): Hidden => {
        const line = pick(big.lines, random);
        return { line: line.id, segment: 1 + Math.floor(random() * line.route.length) };
      });
      const given = observed(big, hidden, tried, random);
      diagnose(given);
      const before = performance.now();
      left = Math.max(left, diagnose(given).leftOut);
      times.push(performance.now() - before);
    }
    console.log(
      `  108 keys on 21 lines, ${name}: ${quantile(times, 0.5)!.toFixed(1)} ms, at most ${Math.max(...times).toFixed(1)} ms (aim 100), left out at most ${(100 * left).toFixed(2)} %`,
    );
  }

  // Sparing: probes until one is sure, against the best that can be done.
  let [ours, best, right, boards] = [0, 0, 0, 0];
  while (boards < BOARDS) {
    const board = grid(1, 7);
    // Along one row; its columns are known to be whole, so that the row alone is in question.
    const rows = { ...board, lines: board.lines };
    const hidden: Hidden[] = [{ line: 'R0', segment: 1 + Math.floor(random() * 7) }];
    let given = observed(rows, hidden, 0.35, random);
    given = {
      ...given,
      readings: board.lines
        .filter(({ kind }) => kind === 'column')
        .flatMap(({ id, route }): Reading[] =>
          [0, 1].map(() => ({ line: id, from: CONNECTOR, to: route[0]!, ohms: 90 })),
        ),
    };
    const { marginals } = diagnose(given);
    const chances = marginals.lines.find(({ line }) => line === 'R0')!.segments.map(({ probability }) => probability);
    const all = chances.reduce((a, b) => a + b, 0);
    if (all < 0.9) continue;
    boards++;
    best += fewest(chances.map((chance) => chance / all));
    let probes = 0;
    for (; probes < MOST_PROBES; probes++) {
      const now = diagnose(given);
      const row = now.marginals.lines.find(({ line }) => line === 'R0')!.segments.map(({ probability }) => probability);
      const sum = row.reduce((a, b) => a + b, 0);
      if (Math.max(...row) / sum >= SURE || !now.nextProbe) break;
      given = { ...given, readings: [...given.readings, reading(given, hidden, now.nextProbe, random)] };
    }
    ours += probes;
    const { fault } = surest(given);
    if (fault?.kind === 'open' && fault.between[1] === board.lines[0]!.route[hidden[0]!.segment - 1]) right++;
  }
  console.log(
    `  ${boards} boards with one open row, a third of the keys tried: ${(ours / boards).toFixed(2)} probes until sure, the best policy ${(best / boards).toFixed(2)} (ratio ${(ours / best).toFixed(2)}, aim 1.10); the break named rightly on ${((100 * right) / boards).toFixed(0)} %`,
  );
}
