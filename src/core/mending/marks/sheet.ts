import type { Point } from '../../picture/picture';

/** A sheet of marks: a frame of dots round a clear place. Which of them are rings says which sheet it is and which way it lies. */
export interface MarkSheet {
  name: 'large' | 'small';
  columns: number;
  rows: number;
  /** From the middle of a dot to that of the next, mm. */
  pitchMm: number;
  dotMm: number;
  /** Its pattern of rings. */
  seed: number;
}

/** So many rows of dots lie round the clear place. */
const DEEP = 2;
/** A ring is white inside of this share of its width. */
export const RING_INSIDE = 0.5;
/** Of three dots about one is a ring. */
const RINGS = 0.35;

/** The sheets that Kvell prints: both fit on A4 and on US letter. */
export const MARK_SHEETS: readonly MarkSheet[] = [
  { name: 'large', columns: 18, rows: 24, pitchMm: 10, dotMm: 5, seed: 9 },
  { name: 'small', columns: 16, rows: 20, pitchMm: 5.5, dotMm: 2.8, seed: 23 },
];

export interface Mark {
  column: number;
  row: number;
  ring: boolean;
}

/** The same row of numbers from 0 to 1 on every machine (a linear congruential generator, Numerical Recipes). */
function* shares(seed: number): Generator<number> {
  for (let state = seed; ;) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    yield state / 2 ** 32;
  }
}

/**
 * The dots of a sheet, row by row.
 *
 * @example
 * marksOf(MARK_SHEETS[0]).length; // 152
 */
export function marksOf({ columns, rows, seed }: MarkSheet): Mark[] {
  const random = shares(seed);
  const marks: Mark[] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++)
      if (Math.min(column, row, columns - 1 - column, rows - 1 - row) < DEEP)
        marks.push({ column, row, ring: random.next().value! < RINGS });
  return marks;
}

/** Where a dot's middle lies, mm from that of the first. */
export const markAt = ({ pitchMm }: MarkSheet, { column, row }: Pick<Mark, 'column' | 'row'>): Point => [
  column * pitchMm,
  row * pitchMm,
];

/** The place inside of the dots that the part is laid on, mm from the middle of the first dot. */
export function clearPlace({ columns, rows, pitchMm, dotMm }: MarkSheet): {
  leftMm: number;
  topMm: number;
  widthMm: number;
  heightMm: number;
} {
  const rim = (DEEP - 1) * pitchMm + dotMm / 2;
  return {
    leftMm: rim,
    topMm: rim,
    widthMm: (columns - 1) * pitchMm - 2 * rim,
    heightMm: (rows - 1) * pitchMm - 2 * rim,
  };
}

/** The bar at the foot of each sheet, by which a printer’s scale is checked, mm. */
export const BAR_MM = 100;
