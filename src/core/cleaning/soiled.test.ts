import fc from 'fast-check';
import { labToSrgb } from '../colour/lab';
import type { Lab } from '../colour/types';
import type { Picture, Point } from '../photo/picture';
import { placeOnFace } from '../photo/placeOnFace';
import { faceCells, leftSpots, sameFace, soiledShare } from './soiled';

const WIDTH = 200;
const HEIGHT = 120;
const FACE: Point[] = [
  [10, 10],
  [190, 10],
  [190, 110],
  [10, 110],
];

/** A face of one colour with soil over the left share of it. */
function face(clean: Lab, soil: Lab, share: number): Picture {
  const [light, dark] = [labToSrgb(clean), labToSrgb(soil)];
  const data = new Uint8ClampedArray(4 * WIDTH * HEIGHT);
  for (let y = 0; y < HEIGHT; y++) for (let x = 0; x < WIDTH; x++) data.set([...(x < 10 + 180 * share ? dark : light), 255], 4 * (y * WIDTH + x));
  return { width: WIDTH, height: HEIGHT, data };
}
const shareOf = (picture: Picture) => soiledShare(faceCells(picture, FACE)).share;

it('is the share that is darker than the clean plastic', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 0.7, noNaN: true }), fc.double({ min: 10, max: 40, noNaN: true }), (share, darker) => {
      expect(Math.abs(shareOf(face([86, 0, 8], [86 - darker, 1, 9], share)) - share)).toBeLessThan(0.02);
    }),
    { numRuns: 30 },
  );
});

it('yellow alone is no soil: an aged area along the plastic scale counts as clean', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 30, noNaN: true }), (yellow) => {
      expect(shareOf(face([86, 0, 8], [86 - 0.35 * yellow, 1, 8 + yellow], 0.4))).toBe(0);
    }),
    { numRuns: 30 },
  );
});

it('leaves out what is dark like print, and a clean face is clean', () => {
  expect(shareOf(face([86, 0, 8], [18, 0, 0], 0.2))).toBe(0);
  expect(shareOf(face([86, 0, 8], [86, 0, 8], 1))).toBe(0);
});

it('tells two outlines of different shape apart', () => {
  const picture = face([86, 0, 8], [60, 0, 8], 0.3);
  const narrow = FACE.map(([x, y]): Point => [Math.min(x, 90), y]);
  expect(
    sameFace(
      faceCells(picture, FACE),
      faceCells(
        picture,
        FACE.map(([x, y]): Point => [x * 0.95, y * 0.95]),
      ),
    ),
  ).toBe(true);
  expect(sameFace(faceCells(picture, FACE), faceCells(picture, narrow))).toBe(false);
});

it('names what is left as spots that hang together, the largest first, where they are', () => {
  const picture = face([86, 0, 8], [86, 0, 8], 1);
  const spot = (x0: number, y0: number, side: number) => {
    for (let y = y0; y < y0 + side; y++) for (let x = x0; x < x0 + side; x++) picture.data.set([90, 80, 70], 4 * (y * WIDTH + x));
  };
  spot(20, 18, 12);
  spot(150, 80, 24);
  const cells = faceCells(picture, FACE);
  const spots = leftSpots(cells, soiledShare(cells).depth);
  expect(spots.map(({ where }) => where)).toEqual(['bottom right', 'top left']);
  expect(spots[0]!.share).toBeCloseTo((24 * 24) / (180 * 100), 2);
  expect(Math.hypot(spots[0]!.middle[0] - 162, spots[0]!.middle[1] - 92)).toBeLessThan(3);
  expect(leftSpots(cells, new Float32Array(cells.lightness.length))).toEqual([]);
  expect([placeOnFace(0.5, 0.5), placeOnFace(0, 0.5), placeOnFace(0.5, 1)]).toEqual(['in the middle', 'at the left', 'at the bottom']);
});
