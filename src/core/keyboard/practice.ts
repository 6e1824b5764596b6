import { seededRandom } from '../rehearse/seededRandom';
import { CONNECTOR, segmentsBefore, wiringOf, type Line, type Point } from './board';
import { diagnose, type Diagnosing } from './diagnosis';
import type { Observed, Reading } from './evidence';
import { blockOf, guessLines, type Board } from './layout';

export const GRADES = ['plain', 'wide', 'mean'] as const;
export type Grade = (typeof GRADES)[number];

interface GradeOf {
  across: number;
  down: number;
  /** Lines that are broken. */
  opens: number;
  /** Keys whose own contact is bad. */
  contacts: number;
  /** Share of keys that were tried. */
  tried: number;
  /** A key is noted wrongly, or the meter misled by a dirty tip, with this chance. */
  wrong: number;
}

const GRADE: Record<Grade, GradeOf> = {
  plain: { across: 9, down: 4, opens: 1, contacts: 0, tried: 1, wrong: 0 },
  wide: { across: 12, down: 5, opens: 1, contacts: 1, tried: 0.6, wrong: 0 },
  mean: { across: 14, down: 6, opens: 2, contacts: 2, tried: 0.5, wrong: 0.02 },
};

/** A break: the segment of a line, counted from 1. */
interface Break {
  line: string;
  segment: number;
}

/** A board with hidden faults. */
export interface Practice {
  board: Board;
  seen: Record<string, Observed>;
  hidden: Break[];
  grade: Grade;
  seed: number;
}

/** A practice board: the same for the same grade and seed. Its breaks lie where several keys tell of them. */
export function practiceBoard(grade: Grade, seed: number): Practice {
  const { across, down, opens, contacts, tried, wrong } = GRADE[grade];
  const random = seededRandom(seed * 31 + GRADES.indexOf(grade) * 7 + 1);
  const block = blockOf('staggered', across, down);
  const wired = guessLines(block.keys);
  const rows = wired.lines.filter(({ kind, route }) => kind === 'row' && route.length > 3);
  const hidden: Break[] = [];
  while (hidden.length < opens) {
    const line = rows[Math.floor(random() * rows.length)]!;
    if (hidden.some((one) => one.line === line.id)) continue;
    hidden.push({ line: line.id, segment: 1 + Math.floor(random() * (line.route.length - 1)) });
  }
  const bad = new Set(Array.from({ length: contacts }, () => block.keys[Math.floor(random() * block.keys.length)]!.id));
  const board: Board = { ...block, ...wired, name: 'practice board', kind: 'domes' };
  const isDead = (key: string) =>
    bad.has(key) ||
    hidden.some(({ line, segment }) => {
      const before = segmentsBefore(
        board.lines.find(({ id }) => id === line)!,
        key,
      );
      return before !== null && before >= segment;
    });
  const seen = Object.fromEntries(
    board.keys.flatMap(({ id }): [string, Observed][] => {
      if (random() > tried) return [];
      return [[id, isDead(id) !== random() < wrong ? 'dead' : 'works']];
    }),
  );
  return { board, seen, hidden, grade, seed };
}

/** What a track measures between neighbouring keys, and what two tips add, Ω. */
const PER_SEGMENT = [9, 26] as const;
const TIPS = [2, 40] as const;

/**
 * The simulated meter: what it shows between two places of a line. Tips slip: a whole stretch reads some tens of ohms more
 * than it has, and now and then, on the mean boards, the meter shows the contrary of what is.
 *
 * @param nth how often something was measured before, so that the same place measured again reads otherwise
 */
export function meterShows(
  { board, hidden, grade, seed }: Practice,
  { line: id, from, to }: { line: string; from: Point; to: Point },
  nth: number,
): number | null {
  const line = board.lines.find((one) => one.id === id)!;
  const [a, b] = [segmentsBefore(line, from)!, segmentsBefore(line, to)!].sort((p, q) => p - q) as [number, number];
  const random = seededRandom(seed * 101 + 13 * nth + 5);
  const between = ([low, high]: readonly [number, number]) => low + (high - low) * random();
  const broken = hidden.some((one) => one.line === id && one.segment > a && one.segment <= b);
  if (broken !== random() < GRADE[grade].wrong) return null;
  let ohms = between(TIPS);
  for (let i = a; i < b; i++) ohms += between(PER_SEGMENT);
  return Math.round(ohms);
}

const given = ({ board, seen }: Practice, readings: readonly Reading[]): Diagnosing => ({
  keys: board.keys.map(({ id, row, column }) => ({ id, row: row!, column: column! })),
  lines: board.lines,
  observations: seen,
  readings,
});

const entropyOf = (chances: readonly number[]) =>
  chances.reduce((sum, p) => (p > 0 && p < 1 ? sum - p * Math.log2(p) : sum), 0);

/** What is not known of the lines yet, bits; lines by themselves. */
export function unknownBits(practice: Practice, readings: readonly Reading[]): number {
  const { lines } = diagnose(given(practice, readings)).marginals;
  return lines.reduce(
    (sum, { whole, segments }) => sum + entropyOf([whole, ...segments.map(({ probability }) => probability)]),
    0,
  );
}

/** From here on one is sure. */
const SURE = 0.95;
/** More probes nobody makes. */
const MOST_PROBES = 24;

/** How many probes Kvell’s own choice takes on the same board until every broken line has its place. */
export function ownProbes(practice: Practice): number {
  wiringOf(given(practice, []));
  const readings: Reading[] = [];
  while (readings.length < MOST_PROBES) {
    const found = diagnose(given(practice, readings));
    const placed = practice.hidden.every(({ line }) => {
      const segments = found.marginals.lines.find((one) => one.line === line)!.segments;
      return segments.some(({ probability }) => probability >= SURE);
    });
    if (placed || !found.nextProbe) break;
    const { line, from, to } = found.nextProbe;
    readings.push({ line, from, to, ohms: meterShows(practice, { line, from, to }, readings.length) });
  }
  return readings.length;
}

/** Places of a line in the order from the connector. */
export const placesOf = ({ route }: Pick<Line, 'route'>): Point[] => [CONNECTOR, ...route];

/** Whether somebody named the breaks, and no others. */
export const isRight = ({ hidden }: Practice, said: readonly Break[]): boolean =>
  said.length === hidden.length &&
  hidden.every(({ line, segment }) => said.some((one) => one.line === line && one.segment === segment));
