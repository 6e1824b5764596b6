import { outlineOf } from '@/core/mending/outline/outline';
import { median } from '@/core/numbers';
import { refineCorners, type Corners } from '@/core/picture/corners';
import { homographyThrough, project } from '@/core/picture/homography';
import type { Point } from '@/core/picture/picture';
import { decodePicture } from '@/data/photos/decode';
import { toJpeg } from '@/simulators/camera/jpeg';
import { CARD_MM, partScene, type SimulatedPart } from '@/simulators/camera/parts';
import { seededRandom } from '@/simulators/camera/random';
import { someQuality, someShot } from '@/simulators/camera/rooms';
import { takePhotograph } from '@/simulators/camera/shot';

const FIRST_SEED = Number(process.env.SEED ?? 310_000);
const PICTURES = Number(process.env.EACH ?? 60);
const WIDTH = Number(process.env.WIDTH ?? 2000);
/** A hand that marks corners is off by so many pixels; they are drawn to the edges of the card from there. */
const HAND_PX = 4;
const REACH_PX = 12;
/** A band of nine in ten, in standard deviations. */
const NINE_IN_TEN = 1.645;

/** How far lengths of outlines on photographs in ordinary rooms are off, and whether the stated band holds them. */
export async function outlines(): Promise<void> {
  const off: number[] = [];
  const share: number[] = [];
  let [held, refused, holes, holesFound] = [0, 0, 0, 0];
  for (let i = 0; i < PICTURES; i++) {
    const seed = FIRST_SEED + i;
    const random = seededRandom(seed);
    const between = (low: number, high: number) => low + (high - low) * random();
    const [widthMm, heightMm] = [between(20, 90), between(15, 60)];
    const part: SimulatedPart = {
      ...{ widthMm, heightMm, radiusMm: between(0.5, 0.3 * heightMm) },
      lab: [between(55, 85), between(-2, 4), between(0, 24)],
      holes: [{ box: [0.15 * widthMm, 0.3 * heightMm, 5, 5], radiusMm: 2.5 }],
    };
    const { picture, spec } = takePhotograph(partScene(part), {
      ...someShot('ordinary', seed, WIDTH),
      tilt: between(0, 0.6),
    });
    const near = ([x, y]: Point): Point => [
      x + 0.5 + HAND_PX * (2 * random() - 1),
      y + 0.5 + HAND_PX * (2 * random() - 1),
    ];
    const [card, region] = spec.regions;
    const toRegion = homographyThrough(
      [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ],
      region!.polygon,
    );
    try {
      const photo = await decodePicture(await toJpeg(picture, { quality: someQuality(seed) }));
      const corners = refineCorners(photo, card!.polygon.map(near) as unknown as Corners, REACH_PX);
      const found = outlineOf(photo, {
        plane: { corners, ...CARD_MM },
        inside: project(toRegion, [0.6, 0.75]),
      });
      const [xs, ys] = [found.outline.map(([x]) => x), found.outline.map(([, y]) => y)];
      holes++;
      if (found.holes.length === 1) holesFound++;
      for (const [is, should] of [
        [Math.max(...xs) - Math.min(...xs), widthMm],
        [Math.max(...ys) - Math.min(...ys), heightMm],
      ] as const) {
        off.push(Math.abs(is - should));
        share.push(Math.abs(is / should - 1));
        // A length lies between two places, each as unsure as is said.
        if (Math.abs(is - should) < NINE_IN_TEN * Math.SQRT2 * found.sdMm) held++;
      }
    } catch {
      refused++;
    }
  }
  console.log(
    `Outlines on ${PICTURES} photographs beside a card (seeds from ${FIRST_SEED}, ${WIDTH} px wide): lengths off by ${median(off)!.toFixed(2)} mm at the median (${(100 * median(share)!).toFixed(2)} %; aim 0.3 mm or 0.5 %), the stated band of nine in ten holds ${((100 * held) / off.length).toFixed(0)} %, ${holesFound} of ${holes} holes found, ${refused} refused`,
  );
}
