import { Refusal } from '../refusal';
import type { Line } from './board';
import type { KeyboardKind } from './kinds';

/** A key on the field of its keyboard: from the field’s upper left corner, mm. */
export interface BoardKey {
  id: string;
  x: number;
  y: number;
  w: number;
  h: number;
  /** Lines that it closes; `null` where nobody knows yet. */
  row: string | null;
  column: string | null;
}

/** A keyboard as it is drawn and wired. */
export interface Board {
  name: string;
  kind: KeyboardKind;
  widthMm: number;
  heightMm: number;
  keys: readonly BoardKey[];
  lines: readonly Line[];
}

/** More keys no keyboard has. */
export const MOST_KEYS = 260;
/** Keys that lie on one another by more than this share of the smaller one are one key twice. */
const OVERLAP = 0.3;
/** Rows of keys whose middles are nearer than this share of a key’s height are one row. */
const SAME_ROW = 0.6;

const area = ({ w, h }: Pick<BoardKey, 'w' | 'h'>) => w * h;

function shared(a: BoardKey, b: BoardKey): number {
  const w = Math.min(a.x + a.w, b.x + b.w) - Math.max(a.x, b.x);
  const h = Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y);
  return w > 0 && h > 0 ? w * h : 0;
}

/** @throws Refusal for keys that lie on one another, outside of the field, or twice under one name */
export function checkLayout({ keys, widthMm, heightMm }: Pick<Board, 'keys' | 'widthMm' | 'heightMm'>): void {
  if (keys.length === 0) throw new Refusal('keys', 'A keyboard needs at least one key.');
  if (keys.length > MOST_KEYS)
    throw new Refusal('keys', `${keys.length} keys are more than any keyboard has: at most ${MOST_KEYS}.`);
  keys.forEach((key, i) => {
    const first = keys.findIndex(({ id }) => id === key.id);
    if (first < i)
      throw new Refusal(
        `keys[${i}].id`,
        `Two keys are called “${key.id}”. Give each its own name, like “left ${key.id}”.`,
      );
    if (key.x < 0 || key.y < 0 || key.x + key.w > widthMm + 0.5 || key.y + key.h > heightMm + 0.5)
      throw new Refusal(
        `keys[${i}].x`,
        `“${key.id}” reaches outside of the field, which is ${widthMm} × ${heightMm} mm. Move it inside, or make the field larger.`,
      );
    const under = keys.slice(0, i).find((other) => shared(key, other) > OVERLAP * Math.min(area(key), area(other)));
    if (under)
      throw new Refusal(`keys[${i}].x`, `“${key.id}” lies on “${under.id}”. Move one of them, or take it away.`);
  });
}

/** Where a line meets a key when it is drawn: so far down or from the right, so that no name is struck through. */
const BESIDE = 0.86;

/** The place of a key that a line is drawn through, mm. */
export const metAt = (kind: Line['kind'], { x, y, w, h }: BoardKey): [number, number] =>
  kind === 'row' ? [x + w / 2, y + BESIDE * h] : [x + (1 - BESIDE) * w, y + h / 2];

/** Keys row by row from above, each from the left. */
export function inRows(keys: readonly BoardKey[]): BoardKey[][] {
  const rows: BoardKey[][] = [];
  for (const key of [...keys].sort((a, b) => a.y + a.h / 2 - (b.y + b.h / 2))) {
    const middle = key.y + key.h / 2;
    const row = rows.find(
      ([first]) => Math.abs(first!.y + first!.h / 2 - middle) < SAME_ROW * Math.min(first!.h, key.h),
    );
    if (row) row.push(key);
    else rows.push([key]);
  }
  return rows.map((row) => row.sort((a, b) => a.x - b.x));
}

/**
 * Lines as most boards have them, as a first guess: a row line along each row from the left, a column line through the
 * keys of one place in their rows from above.
 */
export function guessLines(keys: readonly BoardKey[]): { keys: BoardKey[]; lines: Line[] } {
  const rows = inRows(keys);
  const wide = Math.max(...rows.map((row) => row.length));
  const rowOf = new Map<string, string>();
  const columnOf = new Map<string, string>();
  rows.forEach((row, r) =>
    row.forEach(({ id }, c) => {
      rowOf.set(id, `R${r + 1}`);
      columnOf.set(id, `C${c + 1}`);
    }),
  );
  const line = (id: string, kind: Line['kind'], route: string[]): Line => ({ id, kind, route, foldAfter: [] });
  return {
    keys: keys.map((key) => ({ ...key, row: rowOf.get(key.id)!, column: columnOf.get(key.id)! })),
    lines: [
      ...rows.map((row, r) =>
        line(
          `R${r + 1}`,
          'row',
          row.map(({ id }) => id),
        ),
      ),
      ...Array.from({ length: wide }, (_, c) =>
        line(
          `C${c + 1}`,
          'column',
          rows.flatMap((row) => (row[c] ? [row[c].id] : [])),
        ),
      ),
    ],
  };
}

/**
 * A line laid anew along keys in the order given. Its keys leave the line of that kind that they were on; keys that were
 * on it and are no more have none.
 *
 * @throws Refusal for a key that is not there, or twice on the way
 */
export function lineAlong(
  { keys, lines }: Pick<Board, 'keys' | 'lines'>,
  { id, kind, route, foldAfter }: Line,
): Pick<Board, 'keys' | 'lines'> {
  route.forEach((key, i) => {
    if (!keys.some((one) => one.id === key))
      throw new Refusal(`route[${i}]`, `The line runs through “${key}”, and there is no such key on the board.`);
    if (route.indexOf(key) < i)
      throw new Refusal(`route[${i}]`, `The line comes to “${key}” twice. Tap each key once.`);
  });
  const others = lines
    .filter((line) => line.id !== id)
    .map((line) =>
      line.kind === kind
        ? {
            ...line,
            route: line.route.filter((key) => !route.includes(key)),
            foldAfter: line.foldAfter.filter((key) => !route.includes(key)),
          }
        : line,
    )
    .filter(({ route: left }) => left.length > 0);
  const laid: Line[] =
    route.length > 0
      ? [{ id, kind, route, foldAfter: foldAfter.filter((key) => key === 'connector' || route.includes(key)) }]
      : [];
  const order = lines.findIndex((line) => line.id === id);
  return {
    keys: keys.map((key) => ({
      ...key,
      [kind]: route.includes(key.id) ? id : key[kind] === id ? null : key[kind],
    })),
    lines: order < 0 ? [...others, ...laid] : [...others.slice(0, order), ...laid, ...others.slice(order)],
  };
}

/** Whether every key is on a row and a column: only then can lines be reasoned about. */
export const isWired = ({ keys }: Pick<Board, 'keys'>): boolean =>
  keys.every(({ row, column }) => row !== null && column !== null);

/** Plain blocks to begin from, of our own. */
export const BLOCKS = ['staggered', 'grid', 'directions'] as const;
export type Block = (typeof BLOCKS)[number];
export const BLOCK_WORDS: Record<Block, string> = {
  staggered: 'Staggered rows with a long key below',
  grid: 'A grid of keys',
  directions: 'A pad with four directions and two buttons',
};

const KEY_MM = 16;
const PITCH_MM = 19;
const NAMES = 'abcdefghijklmnopqrstuvwxyz';
/** Of each row how far it stands in, in pitches. */
const STAGGER = [0, 0.5, 0.75, 1.25] as const;

const nameOf = (row: number, column: number) => `${NAMES[row] ?? `r${row + 1}-`}${column + 1}`;

/** Keys named by where they stand, row by row from above: what is on their caps is told later. */
export const namedInRows = (keys: readonly Omit<BoardKey, 'id' | 'row' | 'column'>[]): BoardKey[] =>
  inRows(keys.map((key, i) => ({ ...key, id: String(i), row: null, column: null }))).flatMap((row, r) =>
    row.map((key, c) => ({ ...key, id: nameOf(r, c) })),
  );

/** How many keys each row of a block may have. */
export const MOST_ACROSS = 24;
export const MOST_DOWN = 10;

/**
 * A block of keys with its field.
 *
 * @param across keys of its widest row
 * @param down its rows
 */
export function blockOf(block: Block, across: number, down: number): Pick<Board, 'keys' | 'widthMm' | 'heightMm'> {
  const key = (id: string, x: number, y: number, w = KEY_MM, h = KEY_MM): BoardKey => ({
    ...{ id, x: round(x), y: round(y), w: round(w), h: round(h), row: null, column: null },
  });
  if (block === 'directions')
    return {
      widthMm: 120,
      heightMm: 60,
      keys: [
        key('up', 24, 6),
        key('left', 6, 22),
        key('right', 42, 22),
        key('down', 24, 38),
        key('one', 76, 22),
        key('two', 98, 22),
      ],
    };
  const margin = 4;
  if (block === 'grid')
    return {
      widthMm: 2 * margin + across * PITCH_MM,
      heightMm: 2 * margin + down * PITCH_MM,
      keys: Array.from({ length: across * down }, (_, i) => {
        const [row, column] = [Math.floor(i / across), i % across];
        return key(nameOf(row, column), margin + column * PITCH_MM + 1.5, margin + row * PITCH_MM + 1.5);
      }),
    };
  const rows = Math.max(1, down - 1);
  const most = Math.max(...Array.from({ length: rows }, (_, row) => STAGGER[row % STAGGER.length]!));
  const keys = Array.from({ length: rows }, (_, row) =>
    Array.from({ length: across }, (__, column) =>
      key(
        nameOf(row, column),
        margin + (STAGGER[row % STAGGER.length]! + column) * PITCH_MM + 1.5,
        margin + row * PITCH_MM + 1.5,
      ),
    ),
  ).flat();
  const widthMm = 2 * margin + (across + most) * PITCH_MM;
  return {
    widthMm,
    heightMm: 2 * margin + (rows + 1) * PITCH_MM,
    keys: [...keys, key('space', widthMm / 4, margin + rows * PITCH_MM + 1.5, widthMm / 2)],
  };
}

const round = (mm: number) => Math.round(10 * mm) / 10;
