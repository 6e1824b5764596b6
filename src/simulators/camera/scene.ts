import type { Lab, Srgb } from '@/core/colour/types';
import type { Field } from '@/core/rehearse/field';
import type { Rect } from '@/core/picture/picture';
import { smoothField } from './random';
import type { RustedFace } from './rustedFace';

/** How a piece has yellowed: b* added over its clean colour, varying over its face. Lengths in mm. */
export interface Yellowing {
  /** b* added where light reached fully. */
  amount: number;
  /** A patch that never saw light, with a soft edge. */
  shadow?: { box: Rect; softMm: number };
  /** The far side of a direction kept this share of the yellow. */
  oneSided?: { angleDeg: number; farShare: number };
  /** Stripes, as a wrinkled film leaves them. */
  streaks?: { angleDeg: number; periodMm: number; amount: number };
  /** Thin lines where a film stood off in a fold and less yellow went, from place to place in mm. */
  folds?: { lines: readonly (readonly [number, number, number, number])[]; widthMm: number; amount: number };
  blotches?: { sizeMm: number; amount: number; seed: number };
  /** b* added in cells over the whole box, in place of all the rest but the shadow: a session as it went. */
  cells?: Field;
}

/** One thing drawn: a rounded box on the bench plane, painted in order. Millimetres. */
export interface Plate {
  id: string;
  box: Rect;
  radiusMm: number;
  /** Clean colour. */
  lab: Lab;
  /** Edge relief: positive stands up, negative is sunk. 0 to about 0.3. */
  relief?: number;
  yellowing?: Yellowing;
  /** Soft shadow that it casts on what lies below, mm. */
  shadowMm?: number;
  gloss?: number;
  /** Holes through it: what lies below is seen. */
  cuts?: readonly { box: Rect; radiusMm: number }[];
}

interface SceneRegion {
  id: string;
  /** Plate whose colour is the truth of this region. */
  plate: string;
  box: Rect;
}

export interface CardChip {
  box: Rect;
  srgb: Srgb;
}

/** A spot of soil with an uneven outline, mm. */
export interface Soiling {
  at: readonly [number, number];
  radiusMm: number;
  /** Share of the light that it takes in its middle. */
  loss: number;
  seed: number;
}

/** A bench with one machine on it, seen from straight above. */
export interface Scene {
  widthMm: number;
  heightMm: number;
  bench: Lab;
  plates: readonly Plate[];
  regions: readonly SceneRegion[];
  card: readonly CardChip[];
  soil?: readonly Soiling[];
  /** Faces of metal that rust, each painted over its place. */
  rusted?: readonly { at: readonly [number, number]; face: RustedFace }[];
}

/** b* that a yellowing adds over a plate's box, as a function of the place in mm. */
export function yellowField(
  yellowing: Yellowing | undefined,
  [bx, by, bw, bh]: Rect,
): (x: number, y: number) => number {
  if (!yellowing) return () => 0;
  const { amount, oneSided, streaks, folds, blotches, cells, shadow } = yellowing;
  const side = direction(oneSided?.angleDeg);
  const stripe = direction(streaks?.angleDeg);
  const blotch = blotches && smoothField(blotches.seed);
  return (x, y) => {
    let value = cells ? betweenCells(cells, (x - bx) / bw, (y - by) / bh) : amount;
    if (oneSided) {
      const along = ((x - bx) / bw - 0.5) * side.cos + ((y - by) / bh - 0.5) * side.sin + 0.5;
      value *= 1 + (oneSided.farShare - 1) * Math.min(1, Math.max(0, along));
    }
    if (streaks)
      value += streaks.amount * Math.sin((2 * Math.PI * (y * stripe.cos - x * stripe.sin)) / streaks.periodMm);
    for (const line of folds?.lines ?? [])
      value += folds!.amount * Math.exp(-((distanceToLine(line, x, y) / folds!.widthMm) ** 2));
    if (blotches && blotch) value += blotches.amount * blotch(x / blotches.sizeMm, y / blotches.sizeMm);
    if (shadow) {
      const [sx, sy, sw, sh] = shadow.box;
      const outside = Math.max(sx - x, x - sx - sw, sy - y, y - sy - sh);
      value *= Math.min(1, Math.max(0, 0.5 + outside / (2 * Math.max(0.1, shadow.softMm))));
    }
    return Math.max(0, value);
  };
}

/** A field between its cells; u and v run from 0 to 1. */
export function betweenCells({ columns, rows, values }: Field, u: number, v: number): number {
  const [x, y] = [
    Math.min(columns - 1.001, Math.max(0, u * columns - 0.5)),
    Math.min(rows - 1.001, Math.max(0, v * rows - 0.5)),
  ];
  const [i, j] = [x | 0, y | 0];
  const at = (column: number, row: number) => values[row * columns + column]!;
  const across = (row: number) => at(i, row) + (x - i) * (at(i + 1, row) - at(i, row));
  return across(j) + (y - j) * (across(j + 1) - across(j));
}

/** Distance of a place from a stretch of line, mm. */
function distanceToLine([x1, y1, x2, y2]: readonly [number, number, number, number], x: number, y: number): number {
  const [dx, dy] = [x2 - x1, y2 - y1];
  const t = Math.min(1, Math.max(0, ((x - x1) * dx + (y - y1) * dy) / (dx * dx + dy * dy)));
  return Math.hypot(x - x1 - t * dx, y - y1 - t * dy);
}

const direction = (angleDeg = 0) => ({
  cos: Math.cos((angleDeg * Math.PI) / 180),
  sin: Math.sin((angleDeg * Math.PI) / 180),
});

/** Colour of plastic that has taken on so much yellow: darker and redder as it ages. */
export function agedLab([l, a, b]: Lab, yellow: number): Lab {
  return [l - 0.28 * yellow, a + 0.0055 * yellow * yellow, b + yellow];
}

/** Signed distance to a rounded box, mm; negative inside. Asked for every pixel: no list is taken apart in it. */
export function distanceTo({ box, radiusMm }: Pick<Plate, 'box' | 'radiusMm'>, x: number, y: number): number {
  const halfW = box[2] / 2;
  const halfH = box[3] / 2;
  const qx = Math.abs(x - box[0] - halfW) - halfW + radiusMm;
  const qy = Math.abs(y - box[1] - halfH) - halfH + radiusMm;
  if (qx <= 0 || qy <= 0) return Math.max(qx, qy) - radiusMm;
  return Math.sqrt(qx * qx + qy * qy) - radiusMm;
}

/** True Lab of a region: the median of its plate over a fine grid, each channel by itself. */
export function trueLab(scene: Scene, regionId: string): Lab {
  const region = scene.regions.find(({ id }) => id === regionId);
  const plate = scene.plates.find(({ id }) => id === region?.plate);
  if (!region || !plate) throw new Error(`The scene has no region “${regionId}”.`);
  const [x, y, w, h] = region.box;
  const n = 40;
  const yellow = yellowField(plate.yellowing, plate.box);
  const samples: Lab[] = [];
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++)
      samples.push(agedLab(plate.lab, yellow(x + ((i + 0.5) * w) / n, y + ((j + 0.5) * h) / n)));
  const median = (channel: 0 | 1 | 2) => samples.map((s) => s[channel]).sort((p, q) => p - q)[samples.length >> 1]!;
  return [median(0), median(1), median(2)];
}
