import type { Point } from '../../picture/picture';
import type { Blob } from './blobs';
import { marksOf, type Mark, type MarkSheet } from './sheet';

/** A dot with its place in a lattice of its own, wherever that begins. */
interface Node {
  blob: number;
  i: number;
  j: number;
}

/** The next dot is so many radii away, seen from the side or not. */
const NEAR_RADII = [2.4, 7] as const;
/** A dot may lie off the place where it is expected by this share of the way. */
const OFF = 0.27;
/** Dots of one neighbourhood are about as large. */
const AS_LARGE = 1.7;
const SEEDS = 60;
/** Fewer dots of one lattice are chance. */
const LEAST_NODES = 14;

const minus = ([a, b]: Point, [c, d]: Point): Point => [a - c, b - d];
const plus = ([a, b]: Point, [c, d]: Point): Point => [a + c, b + d];
const times = ([a, b]: Point, s: number): Point => [a * s, b * s];
const long = ([a, b]: Point) => Math.hypot(a, b);
const cross = ([a, b]: Point, [c, d]: Point) => a * d - b * c;

/** Dots that stand in rows and columns round one of them. */
function grown(blobs: readonly Blob[], seed: number): Node[] {
  const radius = blobs[seed]!.radiusPx;
  const alike = (k: number, r: number) => blobs[k]!.radiusPx < AS_LARGE * r && blobs[k]!.radiusPx > r / AS_LARGE;
  const around = blobs
    .map((blob, k) => ({ k, way: minus(blob.at, blobs[seed]!.at) }))
    .filter(
      ({ k, way }) =>
        k !== seed &&
        alike(k, radius) &&
        long(way) > NEAR_RADII[0] * radius * 0.5 &&
        long(way) < NEAR_RADII[1] * radius,
    )
    .sort((a, b) => long(a.way) - long(b.way))
    .slice(0, 6);
  const first = around[0]?.way;
  const second = first && around.find(({ way }) => Math.abs(cross(first, way)) > 0.6 * long(first) * long(way))?.way;
  if (!first || !second) return [];
  const v: Point = cross(first, second) > 0 ? second : times(second, -1);
  const placed = new Map<string, { node: Node; u: Point; v: Point }>();
  const taken = new Set([seed]);
  const begin = { node: { blob: seed, i: 0, j: 0 }, u: first, v };
  placed.set('0,0', begin);
  const queue = [begin];
  for (let head = 0; head < queue.length; head++) {
    const { node, u, v: down } = queue[head]!;
    const { at, radiusPx } = blobs[node.blob]!;
    for (const [di, dj] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ] as const)
      // Where one is covered the next but one may be seen.
      for (const far of [1, 2]) {
        const [i, j] = [node.i + far * di, node.j + far * dj];
        if (placed.has(`${i},${j}`)) break;
        const way = times(di !== 0 ? times(u, di) : times(down, dj), far);
        const to = plus(at, way);
        let best = -1;
        let off = OFF * Math.min(long(u), long(down));
        blobs.forEach((blob, k) => {
          const d = long(minus(blob.at, to));
          if (d < off && alike(k, radiusPx) && !taken.has(k)) [best, off] = [k, d];
        });
        if (best < 0) continue;
        taken.add(best);
        const step = times(minus(blobs[best]!.at, at), 1 / far);
        const next = {
          node: { blob: best, i, j },
          u: di !== 0 ? times(step, di) : u,
          v: dj !== 0 ? times(step, dj) : down,
        };
        placed.set(`${i},${j}`, next);
        queue.push(next);
        break;
      }
  }
  return [...placed.values()].map(({ node }) => node);
}

/** A dot of a sheet, seen. */
export interface SeenMark {
  mark: Mark;
  at: Point;
}

export interface SeenSheet {
  sheet: MarkSheet;
  marks: SeenMark[];
}

/** A wrong dot counts against so many right ones. */
const WRONG = 2;
/** The next best way to lay a sheet has to be worse than this share of the best. */
const CLEAR = 0.75;

/** Lays a sheet's pattern on a lattice, each way round and everywhere. */
function laid(nodes: readonly Node[], blobs: readonly Blob[], sheet: MarkSheet) {
  const marks = marksOf(sheet);
  const at = new Map(marks.map((mark) => [mark.row * 1000 + mark.column, mark]));
  const ways: { score: number; place: (node: Node) => Mark | undefined }[] = [];
  for (const [a, b, c, d] of [
    [1, 0, 0, 1],
    [0, -1, 1, 0],
    [-1, 0, 0, -1],
    [0, 1, -1, 0],
  ] as const) {
    const turned = nodes.map(({ i, j }) => [a * i + b * j, c * i + d * j] as const);
    const [lowI, lowJ] = [Math.min(...turned.map(([i]) => i)), Math.min(...turned.map(([, j]) => j))];
    const [highI, highJ] = [Math.max(...turned.map(([i]) => i)), Math.max(...turned.map(([, j]) => j))];
    for (let column = -highI; column < sheet.columns - lowI; column++)
      for (let row = -highJ; row < sheet.rows - lowJ; row++) {
        let score = 0;
        nodes.forEach(({ blob }, k) => {
          const mark = at.get((turned[k]![1] + row) * 1000 + turned[k]![0] + column);
          score += mark === undefined ? -1 : mark.ring === blobs[blob]!.ring ? 1 : -WRONG;
        });
        ways.push({ score, place: ({ i, j }) => at.get((c * i + d * j + row) * 1000 + a * i + b * j + column) });
      }
  }
  return ways.sort((x, y) => y.score - x.score);
}

/** The sheet of marks on a picture by its dots, `null` where none is seen for sure. */
export function sheetAmong(blobs: readonly Blob[], sheets: readonly MarkSheet[]): SeenSheet | null {
  const used = new Set<number>();
  let best: (SeenSheet & { score: number }) | null = null;
  for (let seed = 0, tried = 0; seed < blobs.length && tried < SEEDS; seed++) {
    if (used.has(seed)) continue;
    const nodes = grown(blobs, seed);
    nodes.forEach(({ blob }) => used.add(blob));
    tried++;
    if (nodes.length < LEAST_NODES) continue;
    const [first, second] = sheets
      .flatMap((sheet) =>
        laid(nodes, blobs, sheet)
          .map((way) => ({ ...way, sheet }))
          .slice(0, 2),
      )
      .sort((x, y) => y.score - x.score);
    if (!first || first.score < LEAST_NODES || first.score <= (best?.score ?? 0)) continue;
    if (second && second.score > CLEAR * first.score) continue;
    const marks = nodes.flatMap((node): SeenMark[] => {
      const mark = first.place(node);
      const { at, ring } = blobs[node.blob]!;
      return mark?.ring === ring ? [{ mark, at }] : [];
    });
    best = { sheet: first.sheet, marks, score: first.score };
  }
  return best && { sheet: best.sheet, marks: best.marks };
}
