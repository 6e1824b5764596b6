import type { Lab } from '@/core/colour/types';
import { dotsOf, GREY_SHEET, greyBoxes } from '@/core/picture/greySheetPlan';
import type { Rect } from '@/core/picture/picture';
import type { Plate, Scene } from './scene';

const WHITE: Lab = [93, 0.5, -1];
const INK: Lab = [17, 0, 1];

/** A scene with a printed sheet of greys on the bench; what the printer made of the greys is their truth. */
export function withGreySheet(
  scene: Scene,
  number: number,
  [left, top]: readonly [number, number],
  printed: readonly Lab[],
  scale = 1,
): Scene {
  const { widthMm, heightMm, frameMm, paperMm } = GREY_SHEET;
  const at = ([x, y, w, h]: Rect): Rect => [left + scale * x, top + scale * y, scale * w, scale * h];
  const plate = (id: string, box: Rect, lab: Lab, radiusMm = 0): Plate => ({
    id: `sheet-${id}`,
    box: at(box),
    radiusMm,
    lab,
  });
  return {
    ...scene,
    plates: [
      ...scene.plates,
      plate('paper', [-paperMm, -paperMm, widthMm + 2 * paperMm, heightMm + 2 * paperMm], WHITE),
      plate('frame', [0, 0, widthMm, heightMm], INK),
      plate('inside', [frameMm, frameMm, widthMm - 2 * frameMm, heightMm - 2 * frameMm], WHITE),
      ...greyBoxes.map((box, i) => plate(`grey-${i}`, box, printed[i]!)),
      ...dotsOf(number).map(({ at: [x, y], radiusMm }, i) =>
        plate(`dot-${i}`, [x - radiusMm, y - radiusMm, 2 * radiusMm, 2 * radiusMm], INK, scale * radiusMm),
      ),
    ],
  };
}
