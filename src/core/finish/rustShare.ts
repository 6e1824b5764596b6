import { median, quantile } from '../numbers';
import { faceOf } from '../face/face';
import type { Picture } from '../picture/picture';
import { heldTogether } from '../picture/flood';
import type { FacePlane } from '../picture/plane';
import type { MeasureSpec } from '../picture/spec';
import { Refusal } from '../refusal';

/** Cells across a face of metal. */
const COLUMNS = 320;
/** Cells along the rim that hold something of the bench. */
const RIM = 2;
/** A cell counts as rusty where rust covers at least half of it. */
const HALF = 0.5;
/** What the share would be if a cell counted from a little less or more on: its band. */
const BAND = [0.25, 0.8] as const;
/** Light of a band under this says nothing of its hue. */
const DARK = 0.004;
/** Yellow plating takes so much more of the blue than of the green as it makes the metal redder: that is no rust. */
const YELLOW = 0.35;
/** So much redder than clean metal rust is at least, as a logarithm. */
const REDDER = 0.1;
/** Rust is so much redder where too little of it lies there to be seen whole. */
const USUAL_REDDER = 0.35;
/** Its light against that of the clean metal. */
const USUAL_LIGHT = 0.35;
/** More than this of the face and the clean metal is not to be told. */
const MOST_RUSTY = 0.9;
/** No clean metal is so red by the card, as a logarithm: what looks alike all over is rust all over. */
const NO_METAL = 0.2;
/** A pit is darker than what lies round it by so much, and no wider than so many cells. */
const PIT = { darker: 0.5, cells: 40, reach: 6 } as const;

/** How much of a face of metal is rusty. */
export interface RustOnFace {
  columns: number;
  rows: number;
  /** Share of the face, 0 to 1, with what it would be if the half-covered cells were counted otherwise. */
  share: number;
  low: number;
  high: number;
  /** Dark pits that no rust colour lies in any more, or does: share of the face. */
  pits: number;
  /** For each cell how much of it rust covers, 0 to 1; `NaN` where nothing is to be told. */
  cover: Float32Array;
}

/**
 * Rust on a face on its plane, by its hue: red over green does not mind how light falls. Between the clean metal and the
 * reddest rust each cell is taken as a mixture of both.
 *
 * @throws Refusal where next to nothing of the face is clean
 */
export function rustOn({ columns, rows, light }: FacePlane): RustOnFace {
  const size = columns * rows;
  const redder = new Float32Array(size).fill(NaN);
  const level = new Float32Array(size);
  for (let cell = 0; cell < size; cell++) {
    const [column, row] = [cell % columns, Math.floor(cell / columns)];
    const [r, g, b] = [light[3 * cell]!, light[3 * cell + 1]!, light[3 * cell + 2]!];
    level[cell] = r;
    if (column < RIM || row < RIM || column >= columns - RIM || row >= rows - RIM) continue;
    if (r > DARK && g > DARK) redder[cell] = Math.log(r / g) - YELLOW * Math.log(g / Math.max(DARK / 4, b));
  }
  const known = [...redder].filter((value) => !Number.isNaN(value));
  if (known.length < 0.3 * size)
    throw new Refusal('corners', 'Most of this face is too dark to be told. Photograph it in more light.');
  const { clean, cleanLevel } = cleanMetal(redder, level);
  const rusty = Array.from(redder.keys()).filter((cell) => redder[cell]! - clean > REDDER);
  if (clean > NO_METAL || rusty.length > MOST_RUSTY * known.length)
    throw new Refusal(
      'corners',
      'Next to nothing of this face is clean metal, so that nothing tells rust from it. Brush a corner bare first.',
    );
  const reds = rusty.map((cell) => redder[cell]! - clean);
  const full = Math.max(USUAL_REDDER, quantile(reds, 0.9) ?? 0);
  const darkest = rusty.filter((cell) => redder[cell]! - clean > 0.7 * full).map((cell) => level[cell]! / cleanLevel);
  const against = Math.min(0.9, Math.max(0.1, darkest.length > 30 ? median(darkest)! : USUAL_LIGHT));
  const cover = new Float32Array(size).fill(NaN);
  const rustGreen = 1 / Math.exp(full);
  for (let cell = 0; cell < size; cell++) {
    if (Number.isNaN(redder[cell]!)) continue;
    // Green over red of a mixture: (1 − c) + c · light · rust’s, over (1 − c) + c · light.
    const g = Math.exp(clean - redder[cell]!);
    const byHue = g <= rustGreen ? 1 : (1 - g) / (1 - g + against * (g - rustGreen));
    cover[cell] = Math.min(1, Math.max(0, byHue));
  }
  const shareFrom = (least: number) => cover.reduce((sum, value) => sum + (value >= least ? 1 : 0), 0) / known.length;
  return {
    ...{ columns, rows, cover },
    ...{ share: shareFrom(HALF), low: shareFrom(BAND[1]), high: shareFrom(BAND[0]) },
    pits: pitShare(level, columns, rows, known.length),
  };
}

/** Red over green and light of the clean metal: the commonest hue at the cold end. */
function cleanMetal(redder: Float32Array, level: Float32Array): { clean: number; cleanLevel: number } {
  const known = Array.from(redder.keys()).filter((cell) => !Number.isNaN(redder[cell]!));
  const sorted = known.map((cell) => redder[cell]!).sort((a, b) => a - b);
  // The narrowest stretch that holds a tenth of the cells is the metal; of several, the coldest.
  const tenth = Math.max(10, Math.floor(sorted.length / 10));
  const widths: { at: number; width: number }[] = [];
  for (let i = 0; i + tenth < sorted.length; i += Math.max(1, Math.floor(tenth / 10)))
    widths.push({ at: i, width: sorted[i + tenth]! - sorted[i]! });
  const least = Math.min(...widths.map(({ width }) => width));
  const first = widths.find(({ width }) => width < 2 * least + 1e-6)!;
  const clean = sorted[first.at + Math.floor(tenth / 2)]!;
  const own = known.filter((cell) => Math.abs(redder[cell]! - clean) < REDDER / 2);
  return { clean, cleanLevel: Math.max(DARK, median(own.map((cell) => level[cell]!)) ?? DARK) };
}

/** Small dark specks, as pits are once the rust is off. */
function pitShare(level: Float32Array, columns: number, rows: number, of: number): number {
  const dark = new Uint8Array(columns * rows);
  const { reach, darker } = PIT;
  for (let row = RIM; row < rows - RIM; row++)
    for (let column = RIM; column < columns - RIM; column++) {
      const cell = row * columns + column;
      const round: number[] = [];
      for (const [dx, dy] of [
        [reach, 0],
        [-reach, 0],
        [0, reach],
        [0, -reach],
        [reach, reach],
        [-reach, reach],
        [reach, -reach],
        [-reach, -reach],
      ]) {
        const [x, y] = [column + dx!, row + dy!];
        if (x >= 0 && y >= 0 && x < columns && y < rows) round.push(level[y * columns + x]!);
      }
      dark[cell] = level[cell]! < darker * (round.sort((a, b) => a - b)[1] ?? 0) ? 1 : 0;
    }
  const pits = heldTogether(dark, columns, rows).filter((cells) => cells.length <= PIT.cells);
  return pits.reduce((sum, cells) => sum + cells.length, 0) / of;
}

/**
 * How much of a face of metal on a photograph is rusty.
 *
 * @param spec with a card of known colour and the face as the region named
 * @throws Refusal without a card, where the face is not to be told, or as `faceOf`
 */
export function rustShare(picture: Picture, spec: MeasureSpec, regionId: string): RustOnFace {
  if (!spec.card.some(({ kind }) => kind === 'known'))
    throw new Refusal(
      'card',
      'Without a card of known colour a warm lamp and rust look alike. Lay the grey card beside it, in the same light.',
    );
  return rustOn(faceOf(picture, spec, regionId, COLUMNS).plane);
}

/** Rust orange on pale metal, by how much it covers; what is not to be told is dark. */
export function rustPixels({ columns, rows, cover }: RustOnFace): Uint8ClampedArray<ArrayBuffer> {
  const pixels = new Uint8ClampedArray(4 * columns * rows);
  cover.forEach((share, cell) => {
    const c = Number.isNaN(share)
      ? null
      : share >= HALF
        ? [176, 84, 34]
        : share >= BAND[0]
          ? [222, 178, 146]
          : [214, 214, 210];
    pixels.set([...(c ?? [90, 90, 90]), 255], 4 * cell);
  });
  return pixels;
}
