import type { Corners } from '../../picture/corners';
import type { Picture, Point } from '../../picture/picture';
import { homographyThrough, project } from '../../picture/homography';
import { LIGHTS, PLAIN_SHOT, takePhotograph, type Shot } from '@/simulators/camera/shot';
import { CARD_MM, partScene, type SimulatedPart } from '@/simulators/camera/parts';
import { partOf } from '../part/part';
import { outlineOf, type Outline } from './outline';

const DOOR: SimulatedPart = {
  ...{ widthMm: 60, heightMm: 40, radiusMm: 6, lab: [72, 1, 14] },
  holes: [
    { box: [8, 16, 8, 8], radiusMm: 4 },
    { box: [40, 12, 10, 5], radiusMm: 0 },
  ],
};

/** The simulated camera counts from the middle of its first pixel. */
const fromRim = ([x, y]: Point): Point => [x + 0.5, y + 0.5];

function photographed(part: SimulatedPart, shot: Partial<Shot> = {}): { picture: Picture; found: Outline } {
  const { picture, spec } = takePhotograph(partScene(part), { ...PLAIN_SHOT, ...shot });
  const [card, region] = spec.regions;
  const corners = card!.polygon.map(fromRim) as unknown as Corners;
  const toRegion = homographyThrough(
    [
      [0, 0],
      [part.widthMm, 0],
      [part.widthMm, part.heightMm],
      [0, part.heightMm],
    ],
    region!.polygon.map(fromRim),
  );
  const inside = project(toRegion, [part.widthMm / 2, 0.85 * part.heightMm]);
  return { picture, found: outlineOf(picture, { plane: { corners, ...CARD_MM }, inside }) };
}

const boxOf = (ring: readonly Point[]) => {
  const [xs, ys] = [ring.map(([x]) => x), ring.map(([, y]) => y)];
  return [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)] as const;
};
const areaOfDoor = 60 * 40 - (4 - Math.PI) * 36 - Math.PI * 16 - 50;

describe('the outline of a part', () => {
  it.each([
    ['from above', { tilt: 0 }],
    ['from the front', { tilt: 0.7 }],
    ['in lamp light, turned', { light: LIGHTS['warm lamp'], turnDeg: 12, seed: 7 }],
  ] as const)('is right to a tenth of a mm, holes too: %s', (_, shot) => {
    const { found } = photographed(DOOR, shot);
    const [w, h] = boxOf(found.outline);
    expect(Math.abs(w - 60)).toBeLessThan(0.15);
    expect(Math.abs(h - 40)).toBeLessThan(0.15);
    expect(found.holes).toHaveLength(2);
    const holes = found.holes.map(boxOf).sort((a, b) => a[0] - b[0]);
    expect(Math.abs(holes[0]![0] - 8)).toBeLessThan(0.2);
    expect(Math.abs(holes[1]![0] - 10)).toBeLessThan(0.2);
    expect(Math.abs(found.areaMm2 / areaOfDoor - 1)).toBeLessThan(0.006);
    // Half a pixel at each corner of the card goes a long way beyond it.
    expect(found.sdMm).toBeLessThan(0.7);
  });

  it('is a part that can be made', () => {
    const { outline, holes } = photographed(DOOR).found;
    const { solid } = partOf('plate', { outline, holes, thicknessMm: 2 });
    expect(solid.watertight).toBe(true);
    expect(Math.abs(solid.volumeMm3 / (2 * areaOfDoor) - 1)).toBeLessThan(0.006);
  });

  it('takes print on the part for no hole, and says so', () => {
    const { found } = photographed({ ...DOOR, marks: [{ box: [20, 5, 12, 6], lab: [55, 55, 30] }] });
    expect(found.holes).toHaveLength(2);
    expect(found.warnings).toContainEqual({ kind: 'marks left out', count: 1 });
  });

  it('is refused where there is none, with what to do', () => {
    const { picture } = photographed(DOOR);
    const plane = {
      corners: [
        [10, 10],
        [300, 10],
        [300, 200],
        [10, 200],
      ] as unknown as Corners,
      ...CARD_MM,
    };
    expect(() => outlineOf(picture, { plane, inside: [3, 3] })).toThrow(/on a ground of another colour/);
    expect(() => outlineOf(picture, { plane, inside: [90_000, 3] })).toThrow(/is not on the picture/);
    const crossed = {
      ...plane,
      corners: [
        [10, 10],
        [300, 200],
        [300, 10],
        [10, 200],
      ] as unknown as Corners,
    };
    expect(() => outlineOf(picture, { plane: crossed, inside: [3, 3] })).toThrow(/crossed/);
  });
});
