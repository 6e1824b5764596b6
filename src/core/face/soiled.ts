import { quantile } from '../numbers';
import { Matrix, solve } from 'ml-matrix';
import { writeLab } from '../colour/bulk';
import { DARKER_PER_B } from '../colour/plasticScale';
import { heldTogether } from '../picture/flood';
import { placeOnFace } from './placeOnFace';
import { calmed, detailOf, type FacePlane } from '../picture/plane';

/** Darker than clean by more than this, L*, counts as soiled: seen at a glance, and above the noise of a cell. */
const SOILED_L = 4;
/** So much darker than clean is drawn as the deepest soil, L*. */
const DEEPEST_L = 25;
/** Where the clean plastic lies among the cells of a part: most of what is light is clean. */
const CLEAN_QUANTILE = 0.8;
/** Dark like print, badges and gaps: not soil of the shell. */
const NOT_SHELL_L = 30;

/** How soiled a face is. */
export interface SoiledFace {
  columns: number;
  rows: number;
  /** Share of the cells that speak, 0 to 1. */
  share: number;
  /** For each cell: 0 clean, up to 1 for the darkest soil; `NaN` where an edge, a gap or print says nothing. */
  depth: Float32Array;
}

/** Cells that hang together between edges: a key, a lid, a door; or a blot with an edge of its own. */
interface Part {
  cells: number[];
  /** How much of its box its rows span: a key or a lid fills it, a blot does not. */
  spanned: number;
}

/** A step of brightness from cell to cell that is a gap, a rim or print; soil fades out more softly. */
const SHARP_SHARE = 0.16;
/** A part fills its box at least so far, or is so large a share of the face that no blot is. */
const PART_SPANS = 0.86;
const PART_SHARE = 0.04;
/** Smaller than this many cells is no part of its own. */
const LEAST_PART = 12;
/** So many parts of one colour are a plastic of the machine. */
const KIN = 3;
/** Clean colours nearer to each other than this, L*, are of one plastic. */
const ALIKE_L = 3.5;

/** Lightness as it would be without its yellow, cell by cell; what the plane's lamp does to it is taken out later. */
function unyellowed(light: Float32Array): { level: Float32Array; lightness: Float32Array } {
  const size = light.length / 3;
  const [level, lightness] = [new Float32Array(size), new Float32Array(size)];
  const lab = new Float32Array(3);
  for (let cell = 0; cell < size; cell++) {
    writeLab(light[3 * cell]!, light[3 * cell + 1]!, light[3 * cell + 2]!, lab, 0);
    lightness[cell] = lab[0]!;
    level[cell] = lab[0]! + DARKER_PER_B * lab[2]!;
  }
  return { level, lightness };
}

function partsOf(shell: Uint8Array, columns: number, rows: number): Part[] {
  return heldTogether(shell, columns, rows).map((cells) => {
    const spans = new Map<number, [number, number]>();
    let [left, right] = [columns, 0];
    for (const cell of cells) {
      const [column, row] = [cell % columns, Math.floor(cell / columns)];
      const span = spans.get(row) ?? [column, column];
      spans.set(row, [Math.min(span[0], column), Math.max(span[1], column)]);
      [left, right] = [Math.min(left, column), Math.max(right, column)];
    }
    const covered = [...spans.values()].reduce((sum, [from, to]) => sum + to - from + 1, 0);
    return { cells, spanned: covered / ((right - left + 1) * spans.size) };
  });
}

const quantileOf = (level: Float32Array, cells: readonly number[], share: number): number =>
  quantile(
    cells.map((cell) => level[cell]!),
    share,
  )!;

/** Takes the slope of the light across the face out of its levels: cells near their part's clean colour show it. */
function levelled(level: Float32Array, parts: readonly Part[], columns: number, rows: number): Float32Array {
  const seen: { across: number; down: number; off: number }[] = [];
  for (const { cells } of parts) {
    if (cells.length < LEAST_PART) continue;
    const clean = quantileOf(level, cells, 0.65);
    const step = Math.max(1, Math.floor(cells.length / 1500));
    for (let i = 0; i < cells.length; i += step) {
      const cell = cells[i]!;
      const off = (level[cell]! - clean) / (clean + 16);
      if (Math.abs(off) * (clean + 16) < SOILED_L)
        seen.push({ across: (cell % columns) / columns - 0.5, down: Math.floor(cell / columns) / rows - 0.5, off });
    }
  }
  if (seen.length < 60) return level;
  const [, across, down] = solve(
    new Matrix(seen.map((s) => [1, s.across, s.down])),
    Matrix.columnVector(seen.map(({ off }) => off)),
    true,
  ).to1DArray() as [number, number, number];
  return level.map((value, cell) => {
    const off = across * ((cell % columns) / columns - 0.5) + down * (Math.floor(cell / columns) / rows - 0.5);
    return (value + 16) / (1 + off) - 16;
  });
}

/** So many cells around a blot its own edge reaches. */
const EDGE_REACH = 3;

/**
 * How much of a face is soiled, before and after, from two pictures of it on one plane. The face is cut into its parts
 * along what is an edge in both pictures (gaps, rims, print: a wash moves none of them), and every cell is held against
 * the clean colour of its own part: the lightest that most of the part was in either picture. So a grey key is clean
 * grey, and a key that was soiled all over is seen by how it came out. Yellow darkens plastic too and is allowed for.
 *
 * A shadow that only one of them has is left out. `unsure` says that most of it may be soiled in both.
 *
 * It cannot tell: an even veil on a part that no wash has taken off yet, and thin marks that stayed, from print.
 */
export function soiledBetween(
  first: FacePlane,
  later: FacePlane,
): { before: SoiledFace; after: SoiledFace; unsure: boolean } {
  const { columns, rows } = first;
  const size = columns * rows;
  const [edgesBefore, edgesAfter] = [detailOf([first], SHARP_SHARE), detailOf([later], SHARP_SHARE)];
  const edges = edgesBefore.map((edge, cell) => edge & edgesAfter[cell]!);
  const [before, after] = [unyellowed(calmed(first, edges)), unyellowed(calmed(later, edges))];
  const shell = edges.map((edge, cell) =>
    !edge && Math.max(before.lightness[cell]!, after.lightness[cell]!) >= NOT_SHELL_L ? 1 : 0,
  );
  const parts = partsOf(shell, columns, rows);
  const levels = [before.level, after.level].map((level) => levelled(level, parts, columns, rows));
  const lights = [first.light, later.light];
  const known = parts.map((part) => knownOf(part, levels, lights, size));
  const clean = cleanLevels(known, columns, rows, edges);
  const faceOf = (level: Float32Array, lightness: Float32Array): SoiledFace => {
    const depth = new Float32Array(size).fill(NaN);
    let [soiled, speaking] = [0, 0];
    for (let cell = 0; cell < size; cell++) {
      if (Number.isNaN(clean[cell]!) || (edges[cell] && lightness[cell]! < NOT_SHELL_L)) continue;
      const darker = clean[cell]! - level[cell]!;
      speaking++;
      depth[cell] = darker <= SOILED_L ? 0 : Math.min(1, darker / DEEPEST_L);
      if (darker > SOILED_L) soiled++;
    }
    return { columns, rows, share: speaking === 0 ? 0 : soiled / speaking, depth };
  };
  const faces = [faceOf(levels[0]!, before.lightness), faceOf(levels[1]!, after.lightness)] as const;
  const [seenBefore, seenAfter] = [withoutShade(faces, lights, 0), withoutShade(faces, lights, 1)];
  return {
    before: seenBefore,
    after: seenAfter,
    unsure: Math.abs(seenBefore.share - seenAfter.share) < HARDLY_CHANGED && isMottled(parts, levels[1]!, seenAfter),
  };
}

/** Smaller than this, as a share of the face, a dark patch is no shadow across it. */
const LEAST_SHADE = 0.02;
/** A stain takes more blue than red, and what covers yellow plastic less: between these, as logarithms, it is a shadow. */
const NEUTRAL = { least: -0.03, most: 0.12 };
/** So much of a patch has to be clean in the other picture for the two to be held against each other. */
const CLEAN_IN_OTHER = 0.7;
/** Where a wash changed hardly anything and the largest part is of many shades, what its clean colour is nobody can say. */
const HARDLY_CHANGED = 0.05;
/** From the darker to the lighter of a clean part it is less than this, L*. */
const MOTTLED_L = 7;

function isMottled(parts: readonly Part[], level: Float32Array, { depth }: SoiledFace): boolean {
  const largest = parts.reduce<Part | null>(
    (most, part) => (part.cells.length > (most?.cells.length ?? 0) ? part : most),
    null,
  );
  const cells = largest?.cells.filter((cell) => !Number.isNaN(depth[cell]!)) ?? [];
  return cells.length > 0 && quantileOf(level, cells, 0.9) - quantileOf(level, cells, 0.1) > MOTTLED_L;
}

/**
 * A face without the shadows that fell on it: a large dark patch that the other picture does not have, and that takes as
 * much of the red as of the blue. It says nothing then.
 */
function withoutShade(
  faces: readonly [SoiledFace, SoiledFace],
  lights: readonly Float32Array[],
  which: 0 | 1,
): SoiledFace {
  const [face, other] = [faces[which], faces[1 - which]!];
  const { columns, rows } = face;
  const [here, there] = [lights[which]!, lights[1 - which]!];
  const bluer = (cell: number) =>
    Math.log(here[3 * cell + 2]! / there[3 * cell + 2]!) - Math.log(here[3 * cell]! / there[3 * cell]!);
  const clean = Array.from(face.depth.keys()).filter((cell) => face.depth[cell] === 0 && other.depth[cell] === 0);
  if (clean.length === 0) return face;
  const usual = quantile(clean.map(bluer), 0.5)!;
  const depth = face.depth.slice();
  const speaking = depth.reduce((sum, value) => sum + (Number.isNaN(value) ? 0 : 1), 0);
  const dark = face.depth.map((value) => (value > 0 ? 1 : 0));
  for (const cells of heldTogether(dark, columns, rows)) {
    const cleanThere = cells.filter((cell) => other.depth[cell] === 0);
    if (cells.length < LEAST_SHADE * speaking || cleanThere.length < CLEAN_IN_OTHER * cells.length) continue;
    const bluest = quantile(cleanThere.map(bluer), 0.5)! - usual;
    if (bluest > NEUTRAL.least && bluest < NEUTRAL.most) for (const cell of cells) depth[cell] = NaN;
  }
  const [soiled, left] = depth.reduce(
    ([some, all], value) => (Number.isNaN(value) ? [some, all] : [some + (value > 0 ? 1 : 0), all + 1]),
    [0, 0],
  );
  return { columns, rows, depth, share: left === 0 ? 0 : soiled / left };
}

/** Soil darkens what it lies on by at most this much L* before it is taken for a colour of its own. */
const MOST_SOIL_L = 35;
/** Soil is brown: of the red light it takes no more than of the blue, and not so much less that it is a colour. */
const BROWN = { least: 0.45, most: 1.06 };

/** Whether one light is another seen through soil. */
function seenThroughSoil(light: readonly number[], under: readonly number[]): boolean {
  const blueToRed = light[2]! / under[2]! / (light[0]! / under[0]!);
  return blueToRed >= BROWN.least && blueToRed <= BROWN.most;
}

/** A part with its clean level, and its light in the picture where it was cleaner. */
interface Known {
  part: Part;
  own: number;
  light: number[];
  /** Shaped like a part of a machine, not like a blot. */
  shaped: boolean;
}

function knownOf(part: Part, levels: readonly Float32Array[], lights: readonly Float32Array[], size: number): Known {
  const owns = levels.map((level) => quantileOf(level, part.cells, CLEAN_QUANTILE));
  const cleaner = owns[1]! > owns[0]! ? 1 : 0;
  return {
    part,
    own: owns[cleaner]!,
    light: [0, 1, 2].map(
      (k) => part.cells.reduce((sum, cell) => sum + lights[cleaner]![3 * cell + k]!, 0) / part.cells.length,
    ),
    shaped: part.cells.length >= LEAST_PART && (part.spanned >= PART_SPANS || part.cells.length >= PART_SHARE * size),
  };
}

/** The clean level that each cell is held against; `NaN` where a cell says nothing. */
function cleanLevels(known: readonly Known[], columns: number, rows: number, edges: Uint8Array): Float32Array {
  const size = columns * rows;
  const clean = new Float32Array(size).fill(NaN);
  const shaped = known.filter((one) => one.shaped);
  // A colour that stands alone on a small part may be a plastic of its own or a key that is soiled all over.
  const kinds = shaped.filter(
    ({ own, part }) =>
      part.cells.length >= PART_SHARE * size ||
      shaped.filter((other) => Math.abs(other.own - own) < ALIKE_L / 2).length >= KIN,
  );
  for (const one of known) {
    const { part, own } = one;
    const lighter = kinds.filter((kind) => kind.own > own).sort((a, b) => a.own - b.own);
    const alike = kinds.some((kind) => Math.abs(kind.own - own) < ALIKE_L);
    const host = alike
      ? undefined
      : one.shaped
        ? lighter.find((kind) => kind.own - own <= MOST_SOIL_L && seenThroughSoil(one.light, kind.light))
        : lighter[0];
    if (!host && !one.shaped && !alike) continue;
    const under = host ? host.own : own;
    for (const cell of part.cells) clean[cell] = under;
    if (!host || part.cells.length < LEAST_PART) continue;
    // Its own edge stayed in both pictures and was taken for a rim; it is soil as well.
    for (const cell of part.cells) {
      const [column, row] = [cell % columns, Math.floor(cell / columns)];
      for (let r = Math.max(0, row - EDGE_REACH); r <= Math.min(rows - 1, row + EDGE_REACH); r++)
        for (let c = Math.max(0, column - EDGE_REACH); c <= Math.min(columns - 1, column + EDGE_REACH); c++) {
          const next = r * columns + c;
          if (edges[next] && Number.isNaN(clean[next]!)) clean[next] = under;
        }
    }
  }
  return clean;
}

/** A spot that is left. */
export interface LeftSpot {
  /** Share of the cells that speak. */
  share: number;
  /** Its middle on the face: 0 to 1 across and down. */
  across: number;
  down: number;
  /** Where on the face, in words. */
  where: string;
}

/** Smaller than this is no spot of its own. */
const LEAST_SHARE = 0.002;
const MOST_SPOTS = 6;

/** What is left, as spots that hang together, the largest first. */
export function leftSpots({ columns, rows, depth }: SoiledFace): LeftSpot[] {
  const speaking = depth.reduce((sum, value) => sum + (Number.isNaN(value) ? 0 : 1), 0);
  const spots = heldTogether(
    depth.map((value) => (value > 0 ? 1 : 0)),
    columns,
    rows,
  ).flatMap((cells): LeftSpot[] => {
    const share = cells.length / speaking;
    if (share < LEAST_SHARE) return [];
    const mean = (of: (cell: number) => number) => cells.reduce((sum, cell) => sum + of(cell), 0) / cells.length;
    const [across, down] = [
      mean((cell) => ((cell % columns) + 0.5) / columns),
      mean((cell) => (Math.floor(cell / columns) + 0.5) / rows),
    ];
    return [{ share, across, down, where: placeOnFace(across, down) }];
  });
  return spots.sort((a, b) => b.share - a.share).slice(0, MOST_SPOTS);
}
