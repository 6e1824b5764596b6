import { LINEAR_OF_CODE, writeLab } from '../../colour/bulk';
import { median } from '../../numbers';
import type { Picture, Point } from '../../picture/picture';
import { Refusal } from '../../refusal';

/** A picture made smaller, each cell the mean of `size` × `size` pixels, in L*, a*, b*. */
interface Cells {
  columns: number;
  rows: number;
  size: number;
  lab: Float32Array;
}

/** So many cells are enough to tell what is part and what is not. */
const MOST_CELLS = 900_000;
/** Colours apart from the place that was tapped, in steps of this, to this. */
const STEP = 0.25;
const LEVELS = 400;
/** Fewer cells are no part. */
const LEAST_CELLS = 30;
/** Growing by less than this share a region has come to its edge. */
const STEADY = 1.02;
/** One that stays the same over so many has a clear edge. */
const CLEAR_STEADY = 20;
/** A region that stays the same over fewer steps than this has no edge that is seen. */
const LEAST_STEADY = 8;

function cellsOf({ data, width, height }: Picture): Cells {
  const size = Math.max(1, Math.ceil(Math.sqrt((width * height) / MOST_CELLS)));
  const [columns, rows] = [Math.floor(width / size), Math.floor(height / size)];
  const lab = new Float32Array(3 * columns * rows);
  const n = size * size;
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      let [r, g, b] = [0, 0, 0];
      for (let y = row * size; y < (row + 1) * size; y++)
        for (let p = 4 * (y * width + column * size), end = p + 4 * size; p < end; p += 4) {
          r += LINEAR_OF_CODE[data[p]!]!;
          g += LINEAR_OF_CODE[data[p + 1]!]!;
          b += LINEAR_OF_CODE[data[p + 2]!]!;
        }
      writeLab(r / n, g / n, b / n, lab, 3 * (row * columns + column));
    }
  return { columns, rows, size, lab };
}

/** What is of one colour with a place, grown from it over the picture. */
export interface Grown {
  columns: number;
  rows: number;
  size: number;
  /** 1 where it is the part. */
  mask: Uint8Array;
}

/** How far every cell is in colour from the place that was tapped, on the way that differs least. */
function floodLevels({ columns, rows, lab }: Cells, start: number): Uint16Array {
  const at = (k: 0 | 1 | 2): number => {
    const near: number[] = [];
    const [c, r] = [start % columns, Math.floor(start / columns)];
    for (let y = Math.max(0, r - 2); y <= Math.min(rows - 1, r + 2); y++)
      for (let x = Math.max(0, c - 2); x <= Math.min(columns - 1, c + 2); x++)
        near.push(lab[3 * (y * columns + x) + k]!);
    return median(near)!;
  };
  const [l, a, b] = [at(0), at(1), at(2)];
  const levels = new Uint16Array(columns * rows).fill(LEVELS);
  const queues: number[][] = Array.from({ length: LEVELS }, () => []);
  const off = (cell: number) =>
    Math.min(
      LEVELS - 1,
      Math.floor(Math.hypot(lab[3 * cell]! - l, lab[3 * cell + 1]! - a, lab[3 * cell + 2]! - b) / STEP),
    );
  levels[start] = 0;
  queues[0]!.push(start);
  for (let level = 0; level < LEVELS; level++)
    for (let i = 0; i < queues[level]!.length; i++) {
      const cell = queues[level]![i]!;
      const column = cell % columns;
      const beside = [
        column > 0 ? cell - 1 : -1,
        column + 1 < columns ? cell + 1 : -1,
        cell - columns,
        cell + columns < levels.length ? cell + columns : -1,
      ];
      for (const next of beside) {
        if (next < 0 || levels[next]! < LEVELS) continue;
        const to = Math.max(level, off(next));
        levels[next] = to;
        queues[to]!.push(next);
      }
    }
  return levels;
}

/**
 * The part round a place: grown over neighbours of ever more different colour, and stopped where growing on changes it
 * least, which is at its edge.
 *
 * @param nearest takes the first edge that is clearly one, not the clearest of all: what lies in a hole is of one colour with
 *   what lies round the part
 * @throws Refusal where no edge is seen, or the part is not wholly on the picture
 */
export function grownFrom(picture: Picture, [x, y]: Point, nearest = false): Grown {
  if (x >= picture.width || y >= picture.height)
    throw new Refusal(
      'inside',
      `The place ${x}, ${y} is not on the picture, which is ${picture.width} × ${picture.height} pixels.`,
    );
  const cells = cellsOf(picture);
  const { columns, rows, size } = cells;
  const start = Math.min(rows - 1, Math.floor(y / size)) * columns + Math.min(columns - 1, Math.floor(x / size));
  const levels = floodLevels(cells, start);
  const counts = new Uint32Array(LEVELS + 1);
  let rim = LEVELS;
  levels.forEach((level, cell) => {
    counts[level]!++;
    const [column, row] = [cell % columns, Math.floor(cell / columns)];
    if (column === 0 || row === 0 || column === columns - 1 || row === rows - 1) rim = Math.min(rim, level);
  });
  const areas = counts.reduce<number[]>((all, count) => [...all, (all.at(-1) ?? 0) + count], []);
  let best = { level: -1, long: 0 };
  for (let level = 0; level < rim; level++) {
    if (areas[level]! < LEAST_CELLS) continue;
    let to = level;
    while (to + 1 < rim && areas[to + 1]! <= STEADY * areas[level]!) to++;
    if (nearest && best.long >= CLEAR_STEADY) break;
    if (to - level > best.long) best = { level: Math.floor((level + to) / 2), long: to - level };
  }
  if (best.long < LEAST_STEADY)
    throw new Refusal(
      'inside',
      rim < 4 * LEAST_STEADY
        ? 'What was marked reaches the rim of the picture, or looks like what it lies on. Photograph the whole part on a ground of another colour.'
        : 'No edge is seen round this place. Mark a place in the middle of the part, and photograph it on a ground of another colour.',
    );
  return { columns, rows, size, mask: Uint8Array.from(levels, (level) => (level <= best.level ? 1 : 0)) };
}
