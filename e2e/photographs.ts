import type { Lab, Srgb } from '@/core/colour/types';
import type { Point, Rect } from '@/core/picture/picture';
import { toJpeg } from '@/simulators/camera/jpeg';
import { withGreySheet } from '@/simulators/camera/greySheet';
import { desktopFront, homeComputer } from '@/simulators/camera/machines';
import { withPatches } from '@/simulators/camera/rooms';
import type { Yellowing } from '@/simulators/camera/scene';
import { PLAIN_SHOT, takePhotograph } from '@/simulators/camera/shot';

const GREY_CARD: Srgb = [190, 190, 190];
/** What a printer made of the greys. */
const PRINTED = [83, 70, 57, 43, 29].map((l): Lab => [l, 0.6, 1.5]);

export interface TestPhoto {
  jpeg: Buffer;
  width: number;
  height: number;
  card: { rect: Rect; srgb: Srgb };
  lid: Point[];
  hidden: Point[];
}

/** Lines that a film in folds left yellower. */
export const FOLDS: Partial<Yellowing> = {
  folds: {
    lines: [
      [70, 126, 170, 112],
      [190, 125, 290, 113],
      [300, 127, 400, 113],
    ],
    widthMm: 1.8,
    amount: 8,
  },
};

/**
 * A photograph of a home computer with so much yellow, small enough to be quick.
 *
 * @param taken by the camera's clock, like 2026-06-21T09:30; without it the picture does not say
 */
export async function testPhoto(
  yellow: number,
  seed = 1,
  rest: Partial<Yellowing> = {},
  taken?: string,
): Promise<TestPhoto> {
  const shot = { ...PLAIN_SHOT, width: 800, height: 600, tilt: 0.1, seed };
  const { picture, spec } = takePhotograph(homeComputer({ amount: yellow, ...rest }, { amount: yellow }), shot);
  const region = (id: string) => [...spec.regions.find((r) => r.id === id)!.polygon];
  return {
    jpeg: await toJpeg(picture, taken ? { takenAt: new Date(taken) } : {}),
    width: 800,
    height: 600,
    card: spec.card[0]!,
    lid: region('lid'),
    hidden: region('hidden'),
  };
}

/** A desktop's front with a grey card and a printed sheet of greys below it. */
export async function sheetPhoto(number: number): Promise<Pick<TestPhoto, 'jpeg' | 'width' | 'height' | 'card'>> {
  const front = {
    ...desktopFront({ amount: 12 }),
    heightMm: 450,
    card: [{ srgb: GREY_CARD, box: [60, 330, 54, 34] as const }],
  };
  const scene = withGreySheet(withPatches(front, [GREY_CARD]), number, [200, 330], PRINTED);
  const { picture, spec } = takePhotograph(scene, { ...PLAIN_SHOT, width: 1200, height: 900, tilt: 0.1 });
  return { jpeg: await toJpeg(picture), width: 1200, height: 900, card: spec.card[0]! };
}
