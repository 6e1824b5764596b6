import type { Lab, Srgb } from '@/core/colour/types';
import type { Found } from '@/core/picture/find';
import { greysOf, type FoundSheet, type KnownSheet } from '@/core/picture/greySheetPlan';
import type { Point } from '@/core/picture/picture';
import { rectPolygon } from '@/core/picture/polygon';
import type { MeasureSpec } from '@/core/picture/spec';

export type ShapeKind = 'card' | 'piece' | 'hidden' | 'field' | 'known' | 'mark';

/** What is drawn on the picture. Card patches stay rectangles; the others are outlines. */
export interface Shape {
  id: string;
  kind: ShapeKind;
  points: Point[];
  srgb: Srgb;
  paper: boolean;
  /** Number of the printed sheet of greys that a card patch is on. */
  sheet?: number;
  /** What it is called where its kind does not say. */
  title?: string;
}

export const SHAPE_WORDS: Record<ShapeKind, { title: string; how: string }> = {
  card: { title: 'Grey card', how: 'Well inside the card, without its rim.' },
  piece: { title: 'Piece', how: 'The plastic to judge. Print and badges inside are left out by themselves.' },
  field: { title: 'Field of the keys', how: 'Its four corners, from the upper left round.' },
  known: { title: 'Thing of known size', how: 'Its four corners, from the upper left round.' },
  mark: { title: 'Mark', how: 'On the part.' },
  hidden: { title: 'Hidden patch', how: 'Plastic that never saw light: under a label, a door or a foot.' },
};

/** Grey of an ordinary card where nothing else is known. */
export const USUAL_CARD: Srgb = [160, 160, 160];

/** What was found by itself, as shapes to look over. */
export function shapesOf(found: Found, cardSrgb: Srgb, sheets: readonly KnownSheet[]): Shape[] {
  const { card, sheet, piece, hidden } = found;
  const shape = (kind: ShapeKind, points: readonly Point[]): Shape => ({
    id: kind,
    kind,
    points: points.map(([x, y]): Point => [x, y]),
    srgb: cardSrgb,
    paper: false,
  });
  const greys = greysOf(sheet, sheets);
  const patches = [
    ...(card ? [shape('card', rectPolygon(card))] : []),
    ...greys.map(({ rect, srgb }): Shape => ({ ...shape('card', rectPolygon(rect)), srgb, sheet: sheet!.number })),
    // A sheet that nobody calibrated takes the colour of the light away, as paper does.
    ...(sheet && !card && greys.length === 0
      ? [{ ...shape('card', rectPolygon(sheet.greys[0]!)), paper: true, sheet: sheet.number }]
      : []),
  ];
  return [
    ...patches.map((patch, i): Shape => ({ ...patch, id: `card-${i + 1}` })),
    ...(piece ? [shape('piece', piece)] : []),
    ...(hidden ? [shape('hidden', hidden)] : []),
  ];
}

/** What was not found, in words; empty where all was. A hidden patch that is known of the piece need not be in the picture. */
export function missingWords({ card, sheet, piece, hidden }: Found, hasKnownPatch: boolean): string {
  const missing = [
    ...(card || sheet ? [] : ['the grey card']),
    ...(piece ? [] : ['the piece']),
    ...(hidden || hasKnownPatch ? [] : ['the hidden patch']),
  ];
  return missing.length === 0
    ? ''
    : `Not found by itself: ${missing.join(', ')}. Put it on below and drag its corners.`;
}

/** What is to be known of a sheet of greys that was found; empty without one. */
export function sheetWords(sheet: FoundSheet | null, sheets: readonly KnownSheet[]): string {
  if (!sheet) return '';
  const told = greysOf(sheet, sheets).length;
  return told === 0
    ? `Sheet of greys ${sheet.number} lies there, and nobody calibrated it: it counts as paper. Calibrate it once under Workshop, Greys.`
    : `Sheet of greys ${sheet.number}: ${told} known greys.`;
}

/** A new shape in the middle of what is seen, to be dragged into place. */
export function newShape(
  kind: ShapeKind,
  view: { x: number; y: number; width: number; height: number },
  count: number,
  srgb: Srgb = USUAL_CARD,
): Shape {
  const [w, h] = kind === 'piece' ? [view.width * 0.5, view.height * 0.35] : [view.width * 0.14, view.height * 0.1];
  const x = view.x + (view.width - w) / 2 + (kind === 'piece' ? 0 : count * w * 0.3);
  const y = view.y + (view.height - h) / 2;
  const points: Point[] = [
    [x, y],
    [x + w, y],
    [x + w, y + h],
    [x, y + h],
  ];
  return { id: kind === 'card' ? `card-${count + 1}` : kind, kind, points, srgb, paper: false };
}

/** A shape with one corner moved; a card patch keeps its right angles. */
export function moveCorner(shape: Shape, corner: number, [x, y]: Point): Shape {
  if (shape.kind !== 'card') return { ...shape, points: shape.points.map((p, i) => (i === corner ? [x, y] : p)) };
  const opposite = shape.points[(corner + 2) % 4]!;
  const [x0, x1] = [Math.min(x, opposite[0]), Math.max(x, opposite[0])];
  const [y0, y1] = [Math.min(y, opposite[1]), Math.max(y, opposite[1])];
  const corners: Point[] = [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ];
  // The corner in hand keeps its number, even when it crossed its opposite.
  const at = corners.findIndex(([cx, cy]) => cx === x && cy === y);
  const turn = (at - corner + 4) % 4;
  return { ...shape, points: corners.map((_, i) => corners[(i + turn) % 4]!) };
}

/** A shape moved as a whole, kept inside the picture. */
export function moveShape(shape: Shape, [dx, dy]: Point, width: number, height: number): Shape {
  const xs = shape.points.map(([x]) => x);
  const ys = shape.points.map(([, y]) => y);
  const mx = Math.max(-Math.min(...xs), Math.min(width - Math.max(...xs), dx));
  const my = Math.max(-Math.min(...ys), Math.min(height - Math.max(...ys), dy));
  return { ...shape, points: shape.points.map(([x, y]): Point => [x + mx, y + my]) };
}

/** The drawing as the core measures it. */
export function specOf(shapes: readonly Shape[], referenceLab: Lab | null): MeasureSpec {
  const regions = shapes
    .filter(({ kind }) => kind !== 'card')
    .map(({ kind, points }) => ({ id: kind, polygon: points }));
  const hidden = regions.some(({ id }) => id === 'hidden');
  return {
    card: shapes
      .filter(({ kind }) => kind === 'card')
      .map(({ points, srgb, paper, sheet }) => {
        const xs = points.map(([x]) => x);
        const ys = points.map(([, y]) => y);
        const [x, y] = [Math.min(...xs), Math.min(...ys)];
        return {
          rect: [x, y, Math.max(...xs) - x, Math.max(...ys) - y] as const,
          srgb,
          kind: paper ? ('paper' as const) : ('known' as const),
          ...(sheet !== undefined && { sheet }),
        };
      }),
    regions,
    ...(hidden ? { reference: 'hidden' } : referenceLab ? { referenceLab } : {}),
  };
}
