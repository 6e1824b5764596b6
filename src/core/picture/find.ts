import { median } from '../numbers';
import { contours } from 'd3-contour';
import simplify from 'simplify-js';
import { srgbToLinear } from '../colour/lab';
import type { Lab, LinearRgb, Srgb } from '../colour/types';
import { readPatch } from './patches';
import type { Corners } from './corners';
import { heldTogether } from './flood';
import { findGreySheet } from './greySheet';
import { greysOf, type FoundSheet, type KnownSheet } from './greySheetPlan';
import type { Picture, Point, Rect } from './picture';
import { contains } from './polygon';
import type { MeasureSpec } from './spec';
import { labCells, suggestCorners, type LabCells } from './suggest';

/** What was found on a picture of a bench by itself; `null` where the picture does not allow it. */
export interface Found {
  card: Rect | null;
  /** The printed sheet of greys. */
  sheet: FoundSheet | null;
  piece: Corners | null;
  hidden: Point[] | null;
}

const CELLS_ACROSS = 240;
const medianLab = (labs: readonly Lab[]): Lab =>
  [0, 1, 2].map((k) => median(labs.map((lab) => lab[k as 0 | 1 | 2])) ?? 0) as unknown as Lab;

/** Cells of a part within the box round it. */
interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
  /** Share of the box that the part fills. */
  filled: number;
}

function boxOf(part: readonly number[], columns: number): Box {
  const [xs, ys] = [part.map((cell) => cell % columns), part.map((cell) => Math.floor(cell / columns))];
  const edge = (of: (...values: number[]) => number, values: readonly number[]) => values.reduce((a, b) => of(a, b));
  const [left, right, top, bottom] = [
    edge(Math.min, xs),
    edge(Math.max, xs) + 1,
    edge(Math.min, ys),
    edge(Math.max, ys) + 1,
  ];
  return { left, top, right, bottom, filled: part.length / ((right - left) * (bottom - top)) };
}

/** Share by which a frame is drawn inside what it is round: a card has a rim, and a picture a slant. */
const INSIDE = 0.18;

const insideOf = ({ left, top, right, bottom }: Box, size: number): Rect => {
  const [w, h] = [right - left, bottom - top];
  return [
    (left + INSIDE * w) * size,
    (top + INSIDE * h) * size,
    (1 - 2 * INSIDE) * w * size,
    (1 - 2 * INSIDE) * h * size,
  ];
};

/** Neighbours nearer than this in colour are one part: less than any rim, more than the noise of a cell. */
const SAME = 2.6;

/** Parts of one colour that hang together, as cells; each grows over neighbours that hardly differ from each other. */
function evenParts({ columns, rows, labs }: LabCells): number[][] {
  const open = new Uint8Array(labs.length).fill(1);
  const parts: number[][] = [];
  for (let start = 0; start < labs.length; start++) {
    if (!open[start]) continue;
    open[start] = 0;
    const part = [start];
    for (let i = 0; i < part.length; i++) {
      const cell = part[i]!;
      const column = cell % columns;
      const beside = [
        column > 0 && cell - 1,
        column + 1 < columns && cell + 1,
        cell >= columns && cell - columns,
        cell + columns < columns * rows && cell + columns,
      ];
      for (const next of beside) {
        if (next === false || !open[next]) continue;
        const [a, b] = [labs[cell]!, labs[next]!];
        if (Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) > SAME) continue;
        open[next] = 0;
        part.push(next);
      }
    }
    parts.push(part);
  }
  return parts;
}

/** Shares of the picture that a card may cover; a rectangle fills so much of its box, seen a little askew. */
const CARD_SHARE = [0.0012, 0.06] as const;
const CARD_FILLED = 0.8;
/** No card is longer than so many times its width; an edge in the light is. */
const CARD_ASPECT = 4;
/** A card is one colour all over, L*. */
const CARD_SPREAD_L = 2.5;
/** Old plastic, once the light is undone: nothing else is so pale, and of no other hue. */
const isPlastic = ([l, a, b]: Lab): boolean => l > 45 && l < 102 && a > -9 && a < 15 && b > -4 && b < 48;

const gainsFor = (mean: LinearRgb, srgb: Srgb): LinearRgb => {
  const wanted = srgbToLinear(srgb);
  return wanted.map((value, channel) => value / Math.max(1e-4, mean[channel]!)) as unknown as LinearRgb;
};

/**
 * The grey card: of all even parts of the picture beside the piece the one rectangle under whose light the
 * piece is of a colour that plastic has. Two that could be it are none: somebody has to say which.
 */
function findCard(
  picture: Picture,
  cells: LabCells,
  piece: Corners,
  srgb: Srgb,
  sheet: FoundSheet | null,
): Rect | null {
  const { columns, size, labs } = cells;
  const own = labs.filter((_, cell) => contains(piece, placeOf(cell, cells)));
  const candidates = evenParts(cells).flatMap((part) => {
    const share = part.length / labs.length;
    if (share < CARD_SHARE[0] || share > CARD_SHARE[1]) return [];
    const box = boxOf(part, columns);
    const rect = insideOf(box, size);
    const centre: Point = [rect[0] + rect[2] / 2, rect[1] + rect[3] / 2];
    const [across, down] = [box.right - box.left, box.bottom - box.top];
    if (
      box.filled < CARD_FILLED ||
      contains(piece, centre) ||
      (sheet && contains(sheet.corners, centre)) ||
      Math.max(across, down) > CARD_ASPECT * Math.min(across, down)
    )
      return [];
    const inside = part.filter((cell) => {
      const [x, y] = placeOf(cell, cells);
      return x > rect[0] && x < rect[0] + rect[2] && y > rect[1] && y < rect[1] + rect[3];
    });
    const lightness = inside.map((cell) => labs[cell]![0]).sort((a, b) => a - b);
    if (
      lightness.length < 6 ||
      lightness[Math.floor(0.95 * lightness.length)]! - lightness[Math.floor(0.05 * lightness.length)]! >
        2 * CARD_SPREAD_L
    )
      return [];
    return [rect];
  });
  const plausible = candidates.filter((rect) => {
    try {
      const gains = gainsFor(readPatch(picture, rect, 'card').mean, srgb);
      const lit = labCells(picture, CELLS_ACROSS, gains);
      return own.length > 0 && isPlastic(medianLab(rimOf(lit, piece)));
    } catch {
      // A patch that is burnt out or black is no card to go by.
      return false;
    }
  });
  return plausible.length === 1 ? plausible[0]! : null;
}

const placeOf = (cell: number, { columns, size }: LabCells): Point => [
  ((cell % columns) + 0.5) * size,
  (Math.floor(cell / columns) + 0.5) * size,
];

/** Cells inside an outline: those along its edge are the piece by definition. */
const RIM_CELLS = 4;

function insideMask(cells: LabCells, outline: readonly Point[]): Uint8Array {
  return Uint8Array.from(cells.labs, (_, cell) => (contains(outline, placeOf(cell, cells)) ? 1 : 0));
}

/** Inside, by how many cells from the outside: 0 outside, 1 along the edge, and so on to `most`. */
function depths(mask: Uint8Array, columns: number, rows: number, most: number): Uint8Array {
  let at = Uint8Array.from(mask);
  const depth = Uint8Array.from(mask);
  for (let step = 1; step < most; step++) {
    const next = new Uint8Array(at.length);
    for (let row = 1; row + 1 < rows; row++)
      for (let column = 1; column + 1 < columns; column++) {
        const cell = row * columns + column;
        if (at[cell] && at[cell - 1] && at[cell + 1] && at[cell - columns] && at[cell + columns]) next[cell] = 1;
      }
    for (let cell = 0; cell < next.length; cell++) depth[cell]! += next[cell]!;
    at = next;
  }
  return depth;
}

/** Colours along the inside of an outline, its outermost cells left out: they are half bench. */
function rimOf(cells: LabCells, outline: readonly Point[]): Lab[] {
  const depth = depths(insideMask(cells, outline), cells.columns, cells.rows, RIM_CELLS + 2);
  return cells.labs.filter((_, cell) => depth[cell]! > 1 && depth[cell]! <= RIM_CELLS + 1);
}

/** Less yellow by this, and otherwise of the same plastic: it never saw light. */
const HIDDEN_B = 3;
const HIDDEN_SHARE = [0.004, 0.16] as const;
const HIDDEN_FILLED = 0.74;

/** The hidden patch: the largest even rectangle on the piece that is clearly less yellow and otherwise alike. */
function findHidden(cells: LabCells, outline: readonly Point[]): Point[] | null {
  const { columns, rows, size, labs } = cells;
  const mask = insideMask(cells, outline);
  const plastic = medianLab(rimOf(cells, outline));
  const inside = mask.reduce((sum, one) => sum + one, 0);
  const paler = labs.map((lab, cell) =>
    mask[cell] &&
    plastic[2] - lab[2] > HIDDEN_B &&
    lab[0] - plastic[0] > -4 &&
    lab[0] - plastic[0] < 16 &&
    Math.abs(lab[1] - plastic[1]) < 6
      ? 1
      : 0,
  );
  const patches = heldTogether(paler, columns, rows)
    .filter((part) => part.length > HIDDEN_SHARE[0] * inside && part.length < HIDDEN_SHARE[1] * inside)
    .map((part) => ({ part, box: boxOf(part, columns) }))
    .filter(({ box }) => box.filled > HIDDEN_FILLED)
    .sort((a, b) => b.part.length - a.part.length);
  const [best] = patches;
  if (!best) return null;
  const [x, y, w, h] = insideOf(best.box, size);
  return [
    [x, y],
    [x + w, y],
    [x + w, y + h],
    [x, y + h],
  ];
}

/** Farther than this from the plastic along the rim is another thing: darker, lighter, or of another hue. More yellow is not. */
const FOREIGN = { darker: 18, lighter: 14, hue: 8, paler: 16 };
/** Smaller than this share of the outline is print, which the median does not mind. */
const LEAST_HOLE = 0.002;
/** Points that a hole is drawn with at most are few: this far from its edge, in cells. */
const SIMPLE_CELLS = 0.8;

/**
 * What lies inside an outline and is not the piece, as outlines: a well without its keyboard, keys behind a gap, a
 * window, a badge. The plastic along the outline's inside is the piece by definition; what differs from it in lightness
 * or hue, and hangs together, is left out with all that it encloses. A more or less yellow part of the same plastic stays.
 *
 * @param gains of each channel that undo the light; 1 each where it is not known
 */
export function findHoles(picture: Picture, outline: readonly Point[], gains: LinearRgb = [1, 1, 1]): Point[][] {
  const cells = labCells(picture, CELLS_ACROSS, gains);
  const { columns, rows, size, labs } = cells;
  const depth = depths(insideMask(cells, outline), columns, rows, 3);
  const plastic = medianLab(rimOf(cells, outline));
  const inside = depth.reduce((sum, one) => sum + (one > 0 ? 1 : 0), 0);
  const foreign = labs.map(([l, a, b], cell) => {
    if (depth[cell]! < 2) return 0;
    const { darker, lighter, hue, paler } = FOREIGN;
    return plastic[0] - l > darker ||
      l - plastic[0] > lighter ||
      Math.abs(a - plastic[1]) > hue ||
      plastic[2] - b > paler
      ? 1
      : 0;
  });
  const holes = heldTogether(foreign, columns, rows).filter((part) => part.length > LEAST_HOLE * inside);
  return holes.map((part) => {
    const mask = new Array<number>(columns * rows).fill(0);
    // One cell more all round: its edge is half of each.
    for (const cell of part)
      for (const by of [0, 1, -1, columns, -columns, columns + 1, columns - 1, 1 - columns, -1 - columns])
        if (depth[cell + by]) mask[cell + by] = 1;
    const [largest] = contours()
      .size([columns, rows])
      .contour(mask, 0.5)
      .coordinates.map(([ring]) => ring!)
      .sort((a, b) => b.length - a.length);
    const points = (largest ?? []).map(([x, y]) => ({ x: x! * size, y: y! * size }));
    return simplify(points, SIMPLE_CELLS * size, true)
      .slice(0, -1)
      .map(({ x, y }): Point => [x, y]);
  });
}

/**
 * Card, piece and hidden patch on a picture of a bench, as a first guess that somebody looks over.
 *
 * @param srgb the colour that the workshop's card is known to have
 * @param sheets what its printed sheets of greys are known to be
 */
export function findOnBench(picture: Picture, srgb: Srgb, sheets: readonly KnownSheet[] = []): Found {
  const piece = suggestCorners(picture);
  const sheet = findGreySheet(picture);
  if (!piece) return { card: null, sheet, piece: null, hidden: null };
  const card = findCard(picture, labCells(picture, CELLS_ACROSS), piece, srgb, sheet);
  const known = greysOf(sheet, sheets)[0] ?? (card && { rect: card, srgb });
  const gains = known && gainsFor(readPatch(picture, known.rect, 'card').mean, known.srgb);
  return { card, sheet, piece, hidden: gains && findHidden(labCells(picture, CELLS_ACROSS, gains), piece) };
}

/** How far round the hidden patch the piece is left out: a label's edge is soft. */
const HIDDEN_GROWN = 0.12;

const grown = (outline: readonly Point[]): Point[] => {
  const [cx, cy] = [0, 1].map(
    (axis) => outline.reduce((sum, point) => sum + point[axis as 0 | 1], 0) / outline.length,
  ) as [number, number];
  return outline.map(([x, y]): Point => [cx + (1 + HIDDEN_GROWN) * (x - cx), cy + (1 + HIDDEN_GROWN) * (y - cy)]);
};

/**
 * A measurement's spec with the holes of its piece: those that are found in the picture, and the hidden patch where it
 * lies inside the outline. Holes that were given stay.
 */
export function withHoles(picture: Picture, spec: MeasureSpec, pieceId: string, hiddenId: string): MeasureSpec {
  const known = spec.card.find(({ kind }) => kind === 'known');
  const hidden = spec.regions.find(({ id }) => id === hiddenId)?.polygon;
  return {
    ...spec,
    regions: spec.regions.map((region) => {
      if (region.id !== pieceId || region.holes) return region;
      const gains = known ? gainsFor(readPatch(picture, known.rect, 'card').mean, known.srgb) : undefined;
      const patch = hidden && hidden.every((point) => contains(region.polygon, point)) ? [grown(hidden)] : [];
      return { ...region, holes: [...findHoles(picture, region.polygon, gains), ...patch] };
    }),
  };
}
