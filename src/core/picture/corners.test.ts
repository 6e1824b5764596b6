import { NO_PHONE } from '@/simulators/camera/phone';
import { face } from '@/simulators/camera/machines';
import { PLAIN_SHOT, takePhotograph, type Room } from '@/simulators/camera/shot';
import { fourCorners, refineCorners, type Corners } from './corners';

const room = (shadow: Room['shadow']): Room => ({
  lamps: [{ matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], at: [0, 0], distance: 1000, share: 1 }],
  ...{ vignette: 0, flare: 0, glare: null, phone: NO_PHONE, shadow },
});

/** The left rim as it is found, px, with the hand so far inside it. */
function leftRim(shadow: Room['shadow'], insidePx: number): { found: number; truth: number } {
  const shot = { ...PLAIN_SHOT, width: 960, height: 720, tilt: 0, gradient: { share: 0, angleDeg: 0 } };
  const { picture, spec } = takePhotograph(face('plain', { amount: 12 }), { ...shot, room: room(shadow) });
  const region = fourCorners(spec.regions[0]!.polygon);
  // The region lies 3 mm inside the face.
  const truth = region[0][0] - 6;
  const hand = region.map(
    ([x, y], i) => [x + (i === 0 || i === 3 ? insidePx - 6 : 0), y] as const,
  ) as unknown as Corners;
  const found = refineCorners(picture, hand, 26);
  return { found: (found[0][0] + found[3][0]) / 2, truth };
}

it('finds the rim of a face, and does not take the edge of a shadow on it for one', () => {
  const plain = leftRim(null, 8);
  expect(Math.abs(plain.found - plain.truth)).toBeLessThan(1.5);
  // A shadow lies over the left of the face, its edge nearer to the hand than the rim.
  const shaded = leftRim({ at: [(plain.truth + 22) / 960 - 0.5, 0], angleDeg: 180, soft: 0.002, depth: 0.6 }, 12);
  expect(Math.abs(shaded.found - shaded.truth)).toBeLessThan(1.5);
});
