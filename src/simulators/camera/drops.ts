import { linearToLab } from '@/core/colour/lab';
import type { Lab, LinearRgb, Srgb } from '@/core/colour/types';
import type { Point, Rect } from '@/core/picture/picture';
import type { Plate, Scene } from './scene';
import { withPatches } from './rooms';

const DROP_MM = 16;
const GAP_MM = 12;

/** Test drops laid in a row on the plastic that they are to match, and a grey card; beside each drop a place of the plastic. */
export function dropScene(drops: readonly LinearRgb[], piece: Lab, card: readonly Srgb[]): Scene {
  const row = drops.length * (DROP_MM + GAP_MM) + GAP_MM;
  const widthMm = Math.max(230, row + 40);
  const at = (i: number, y: number): Rect => [20 + GAP_MM + i * (DROP_MM + GAP_MM), y, DROP_MM, DROP_MM];
  const [DROP_Y, BESIDE_Y] = [76, 76 + DROP_MM + 5];
  return withPatches(
    {
      ...{ widthMm, heightMm: 170, bench: [36, 2, 5] },
      plates: [
        { id: 'piece', box: [20, 58, widthMm - 40, 92], radiusMm: 4, lab: piece, relief: 0.1, shadowMm: 2 },
        ...drops.map((colour, i): Plate => ({
          ...{ id: `drop-${i}`, box: at(i, DROP_Y), radiusMm: DROP_MM / 2, lab: linearToLab(colour) },
          ...{ relief: 0.12, shadowMm: 0.8, gloss: 0.5 },
        })),
      ],
      regions: drops.flatMap((_, i) => [
        { id: `drop-${i}`, plate: `drop-${i}`, box: at(i, DROP_Y) },
        { id: `beside-${i}`, plate: 'piece', box: at(i, BESIDE_Y) },
      ]),
      card: [{ box: [24, 14, 28, 30], srgb: card[0]! }],
    },
    card,
  );
}

/** The middle of a region on a picture. */
export const middleOf = (polygon: readonly Point[]): Point =>
  [0, 1].map((axis) => polygon.reduce((sum, point) => sum + point[axis as 0 | 1], 0) / polygon.length) as never;
