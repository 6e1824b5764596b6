import fc from 'fast-check';
import { labToSrgb, srgbToLinear } from '../colour/lab';
import type { Lab } from '../colour/types';
import { checkCorners, fourCorners, refineCorners, type Corners } from './corners';
import { NO_CORRECTION } from './correction';
import { homographyThrough, project } from './homography';
import type { Picture, Point } from './picture';
import { changeBetween, likeness, onPlane, placeOnPlane, regionLight, shapeOf } from './plane';

const TRUE: Corners = [
  [40, 30],
  [250, 44],
  [240, 190],
  [52, 180],
];
const SQUARE: Point[] = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
];

/** A face in perspective on a dark bench, coloured by its place on it. */
function photograph(colour: (u: number, v: number) => Lab, gain = 1): Picture {
  const [width, height] = [300, 220];
  const back = homographyThrough(TRUE, SQUARE);
  const data = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let [r, g, b] = [0, 0, 0];
      // Four readings a pixel, so that its edges are as soft as a lens leaves them.
      for (const [dx, dy] of [
        [0.25, 0.25],
        [0.75, 0.25],
        [0.25, 0.75],
        [0.75, 0.75],
      ] as const) {
        const [u, v] = project(back, [x + dx, y + dy]);
        const [lr, lg, lb] = srgbToLinear(labToSrgb(u > 0 && u < 1 && v > 0 && v < 1 ? colour(u, v) : [30, 0, 0]));
        r += (gain * lr) / 4;
        g += (gain * lg) / 4;
        b += (gain * lb) / 4;
      }
      const code = (light: number) => 255 * (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055);
      data.set([code(r), code(g), code(b), 255], 4 * (y * width + x));
    }
  return { width, height, data };
}
const plain = () => [84, 0, 12] as Lab;

describe('corners', () => {
  it('set by an unsure hand they come to lie on the face’s own', () => {
    const picture = photograph(plain);
    const off = fc.double({ min: -6, max: 6, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(off, off), { minLength: 4, maxLength: 4 }), (moves) => {
        const hand = TRUE.map(([x, y], i): Point => [x + moves[i]![0], y + moves[i]![1]]) as unknown as Corners;
        // A pixel's light is that of its middle: half a pixel lies between the two ways to count.
        refineCorners(picture, hand, 10).forEach(([x, y], i) =>
          expect(Math.hypot(x + 0.5 - TRUE[i]![0], y + 0.5 - TRUE[i]![1])).toBeLessThan(1),
        );
      }),
      { numRuns: 25 },
    );
  });

  it('crossed, or almost in a line, they are refused with what would be right', () => {
    expect(() => checkCorners([TRUE[0], TRUE[2], TRUE[1], TRUE[3]])).toThrow(
      /crossed. Set them round the face in order/,
    );
    expect(() =>
      checkCorners([
        [0, 0],
        [100, -3],
        [200, 0],
        [100, 80],
      ]),
    ).toThrow(/nearly in a line/);
    expect(() => checkCorners(TRUE)).not.toThrow();
  });

  it('are found in an outline of any number of points', () => {
    const outline: Point[] = [TRUE[0], [150, 36], TRUE[1], [246, 120], TRUE[2], [140, 186], TRUE[3]];
    expect(fourCorners(outline)).toEqual(TRUE);
  });

  it('stay where the hand put them when there is no edge to be found', () => {
    const blank: Picture = { width: 300, height: 220, data: new Uint8ClampedArray(4 * 300 * 220).fill(128) };
    refineCorners(blank, TRUE, 10).forEach(([x, y], i) =>
      expect(Math.hypot(x - TRUE[i]![0], y - TRUE[i]![1])).toBeLessThan(1e-6),
    );
  });
});

describe('a face on its plane', () => {
  const faceOf = (picture: Picture) => onPlane(picture, TRUE, NO_CORRECTION, 60, shapeOf(TRUE));

  it('an unchanged face has not changed, in other light neither; a changed one has, where it did', () => {
    const first = photograph((u, v) => [84, 0, 12 + 4 * u - 2 * v]);
    const change = changeBetween(faceOf(first), faceOf(first));
    const spoken = [...change.deltaE].filter((value) => !Number.isNaN(value));
    expect(spoken.length).toBeGreaterThan(1000);
    expect(Math.max(...spoken)).toBeLessThan(0.01);

    const dim = photograph((u, v) => [84, 0, 12 + 4 * u - 2 * v], 0.8);
    const patch: Point[] = [
      [100, 80],
      [130, 80],
      [130, 110],
      [100, 110],
    ];
    const hidden = {
      first: regionLight(first, patch, NO_CORRECTION),
      later: regionLight(dim, patch, NO_CORRECTION),
      at: placeOnPlane(TRUE, patch),
    };
    const relit = [...changeBetween(faceOf(first), faceOf(dim), hidden).deltaE]
      .filter((value) => !Number.isNaN(value))
      .sort((a, b) => a - b);
    expect(relit[Math.floor(0.95 * relit.length)]).toBeLessThan(0.7);

    const faded = changeBetween(
      faceOf(first),
      faceOf(photograph((u, v) => [84, 0, (u < 0.5 ? 6 : 12) + 4 * u - 2 * v])),
    );
    const at = (u: number) => Math.floor(faded.rows / 2) * faded.columns + Math.floor(u * faded.columns);
    expect(faded.deltaE[at(0.25)]!).toBeGreaterThan(2);
    expect(faded.deltaE[at(0.75)]!).toBeLessThan(1);
    expect(faded.before[at(0.25)]! - faded.after[at(0.25)]!).toBeCloseTo(6, 0);
  });

  it('print and edges say nothing; another face is not alike', () => {
    const printed = photograph((u, v) =>
      Math.abs(u - 0.5) < 0.1 && Math.abs(v - 0.5) < 0.1 ? [30, 0, 0] : [84, 0, 12],
    );
    const change = changeBetween(faceOf(printed), faceOf(printed));
    const rim = Math.floor(change.rows / 2) * change.columns + Math.floor(0.4 * change.columns);
    expect(change.deltaE[rim]).toBeNaN();
    const stripes = photograph((u) => (Math.floor(8 * u) % 2 === 0 ? [84, 0, 12] : [50, 0, 3]));
    expect(likeness(faceOf(printed), faceOf(printed))).toBeCloseTo(1, 6);
    expect(likeness(faceOf(printed), faceOf(stripes))).toBeLessThan(0.5);
  });
});
