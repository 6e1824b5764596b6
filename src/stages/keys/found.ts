import { CONNECTOR, type Line, type Point } from '@/core/keyboard/board';
import { diagnose, oddsOf, type Diagnosis, type Fault } from '@/core/keyboard/diagnosis';
import { faultWords } from '@/core/keyboard/words';
import { inRows, isWired, type BoardKey } from '@/core/keyboard/layout';
import type { KeptReading } from '@/data/keys';
import type { KeyboardRow } from '@/data/rows';
import type { Observed } from '@/core/keyboard/evidence';
import { oddsWords } from './marks';
import type { SeenTest } from './view';

const faultsSaid = (faults: readonly Fault[], anyBad: boolean): string =>
  faults.length > 0
    ? faults.map(faultWords).join('; ')
    : anyBad
      ? 'nothing, and a key was seen wrongly'
      : 'nothing is wrong with what was tried';

/** What the board says of itself, for the screen. */
export interface Found {
  /** Likeliest first, each in words. */
  suspicions: {
    words: string;
    odds: string;
    percent: number;
    faults: readonly Fault[];
    opens: { line: string; at: number }[];
    /** Lines that it says are joined. */
    joined: string[];
  }[];
  probe: Diagnosis['nextProbe'];
  mistake: { odds: string; act: string; instead: string } | null;
  contradictions: [number, number][];
}

/** Lines that may be joined, by keys that answered as two: rows where both keys share their column, and the other way round. */
export function bridgesOf(
  { keys }: Pick<KeyboardRow, 'keys'>,
  together: SeenTest['together'],
): { lines: [string, string]; answered: Record<string, string[]> }[] {
  const found: { lines: [string, string]; answered: Record<string, string[]> }[] = [];
  for (const [pressed, also] of together) {
    const [a, b] = [pressed, also].map((id) => keys.find((key) => key.id === id));
    if (!a?.row || !a.column || !b?.row || !b.column) continue;
    const side = a.column === b.column ? 'row' : a.row === b.row ? 'column' : null;
    if (!side || a[side] === b[side]) continue;
    const lines = [a[side]!, b[side]!].sort() as [string, string];
    const known = found.find((one) => one.lines.join() === lines.join());
    if (known) (known.answered[pressed] ??= []).push(also);
    else found.push({ lines, answered: { [pressed]: [also] } });
  }
  return found;
}

/** A suspicion lighter than this is not shown. */
const LEAST = 0.005;
const MOST = 12;

/**
 * What is wrong with a keyboard whose lines are known, by what its keys did and what was measured.
 *
 * @returns `null` where not every key is on a row and a column
 */
export function foundOn(
  board: Pick<KeyboardRow, 'keys' | 'lines'>,
  seen: Readonly<Record<string, Observed>>,
  readings: readonly KeptReading[],
  together: SeenTest['together'] = [],
): Found | null {
  if (!isWired(board)) return null;
  const rows = board.lines.filter(({ kind }) => kind === 'row').map(({ id }) => id);
  const anyBad = Object.values(seen).some((one) => one === 'dead' || one === 'stuck');
  const known = new Set(board.keys.map(({ id }) => id));
  const found = diagnose({
    keys: board.keys.map(({ id, row, column }) => ({ id, row: row!, column: column! })),
    lines: board.lines,
    // A key that is drawn no more says nothing.
    observations: Object.fromEntries(Object.entries(seen).filter(([key]) => known.has(key))),
    readings: readings.filter(({ line, from, to }) =>
      board.lines.some(({ id, route }) => id === line && [from, to].every((p) => p === CONNECTOR || route.includes(p))),
    ),
    bridges: bridgesOf(board, together),
    // Every foil and board hangs on one plug; a single line is no plug.
    ...(rows.length > 1 && { plug: { lines: board.lines.map(({ id }) => id) } }),
  });
  const place = (line: Line | undefined, key: Point) => (line ? line.route.indexOf(key) + 1 : 0);
  return {
    suspicions: found.hypotheses
      .filter(({ probability }) => probability > LEAST)
      .slice(0, MOST)
      .map(({ faults, probability }, i) => ({
        words: faultsSaid(faults, anyBad),
        // Of the likeliest it is said how sure its faults are, not that nothing else is wrong: another may hide behind.
        odds: oddsWords(i > 0 || faults.length === 0 ? probability : Math.min(...faults.map((f) => oddsOf(f, found)))),
        percent: Math.round(100 * probability),
        faults,
        joined: faults.flatMap((fault) => (fault.kind === 'bridge' ? fault.lines : [])),
        opens: faults.flatMap((fault) =>
          fault.kind === 'open'
            ? [
                {
                  line: fault.line,
                  at: place(
                    board.lines.find(({ id }) => id === fault.line),
                    fault.between[1],
                  ),
                },
              ]
            : [],
        ),
      })),
    probe: found.nextProbe,
    mistake: found.costliestMistake && {
      odds: oddsWords(found.costliestMistake.probability),
      act: faultWords(found.costliestMistake.fault),
      instead: faultsSaid(found.costliestMistake.instead, anyBad),
    },
    contradictions: found.contradictions,
  };
}

const middleOf = ({ x, y, w, h }: BoardKey): [number, number] => [x + w / 2, y + h / 2];

/** The key of some that stands nearest to one. */
function nearest(to: BoardKey, among: readonly BoardKey[]): BoardKey | null {
  const [x, y] = middleOf(to);
  const away = (key: BoardKey) => Math.hypot(middleOf(key)[0] - x, middleOf(key)[1] - y);
  return among.reduce<BoardKey | null>((best, key) => (best === null || away(key) < away(best) ? key : best), null);
}

/** What a pattern of dead keys tells where no line is known: how they stand, and where to look to learn more. */
export function patternOf(board: Pick<KeyboardRow, 'keys'>, seen: Readonly<Record<string, Observed>>): string {
  const dead = board.keys.filter(({ id }) => seen[id] === 'dead');
  const works = board.keys.filter(({ id }) => seen[id] === 'works');
  const tried = board.keys.filter(({ id }) => (seen[id] ?? 'unknown') !== 'unknown');
  if (dead.length === 0) return 'No dead key is known yet.';
  if (dead.length === tried.length && dead.length > 1)
    return 'No key that was tried answers. First the plug, the clamp and the test gear: try it on a keyboard that is known to be good.';
  const [first] = dead;
  if (dead.length === 1) return `Only ${first!.id} is dead: its own contact first, then the last stretch of its lines.`;
  const beside = nearest(first!, works);
  const row = inRows(board.keys).findIndex((keys) => dead.every(({ id }) => keys.some((key) => key.id === id)));
  if (row >= 0)
    return `All ${dead.length} dead keys stand in row ${row + 1} of the drawing: a broken line, if they share one.${
      beside
        ? ` Look under ${beside.id}, which works, and ${first!.id}: does one track lead from one to the other?`
        : ''
    }`;
  const second = nearest(first!, dead.slice(1))!;
  return `${dead.length} dead keys stand in several rows. If they share a line it is that; if not, dirt or their own contacts. Look at the pads of ${first!.id} and ${second.id}${
    beside ? `, and of ${beside.id}, which works` : ''
  }: which track do the first two hang on, and the third not?`;
}
