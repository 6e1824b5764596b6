import fc from 'fast-check';
import { labToSrgb, srgbToLab } from '../colour/lab';
import type { Lab } from '../colour/types';
import { gainCorrection, NO_CORRECTION } from './correction';
import type { Picture, Point } from './picture';
import { recoloured } from './recolour';

const WHOLE: Point[] = [
  [0, 0],
  [20, 0],
  [20, 20],
  [0, 20],
];

function plate(lab: Lab): Picture {
  const data = new Uint8ClampedArray(4 * 400);
  for (let i = 0; i < 400; i++) data.set([...labToSrgb(lab), 255], 4 * i);
  return { width: 20, height: 20, data };
}
const labOf = ({ data }: Picture) => srgbToLab([data[840]!, data[841]!, data[842]!]);

it('takes yellow down to a share of it, and the plastic gets lighter', () => {
  fc.assert(
    fc.property(fc.double({ min: 10, max: 30, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (b, left) => {
      const before = labOf(plate([78, 1, b]));
      const after = labOf(recoloured(plate([78, 1, b]), WHOLE, NO_CORRECTION, 6, left));
      expect(Math.abs(after[2] - (6 + left * (before[2] - 6)))).toBeLessThan(1.5);
      expect(after[0]).toBeGreaterThanOrEqual(before[0] - 0.6);
    }),
    { numRuns: 40 },
  );
});

it('leaves what is bluer than the target, dark, or outside the outline', () => {
  for (const lab of [
    [80, 0, 2],
    [20, 0, 20],
  ] as Lab[])
    expect([...recoloured(plate(lab), WHOLE, NO_CORRECTION, 6, 0).data]).toEqual([...plate(lab).data]);
  const half = recoloured(
    plate([78, 1, 24]),
    [
      [0, 0],
      [10, 0],
      [10, 20],
      [0, 20],
    ],
    NO_CORRECTION,
    6,
    0,
  );
  expect([...half.data.slice(4 * 15, 4 * 16)]).toEqual([...plate([78, 1, 24]).data.slice(4 * 15, 4 * 16)]);
  expect(half.data[2]).not.toBe(plate([78, 1, 24]).data[2]);
});

it('with all of it left nothing changes; the light of the picture stays on it', () => {
  const warm = gainCorrection([0.9, 1, 1.2]);
  const same = recoloured(plate([78, 1, 24]), WHOLE, warm, 6, 1);
  same.data.forEach((value, i) => expect(Math.abs(value - plate([78, 1, 24]).data[i]!)).toBeLessThanOrEqual(1));
});

it('takes the yellow down place by place where it is told a share for each', () => {
  const width = 40;
  const data = new Uint8ClampedArray(4 * width * 20);
  for (let p = 0; p < data.length; p += 4) data.set([222, 204, 158, 255], p);
  const picture = { width, height: 20, data };
  const outline: [number, number][] = [
    [0, 0],
    [width, 0],
    [width, 20],
    [0, 20],
  ];
  const by = (left: number | ((x: number, y: number) => number)) =>
    recoloured(picture, outline, NO_CORRECTION, 5, left).data;
  const halved = by((x) => (x < 20 ? 1 : 0.2));
  const at = (pixels: Picture['data'], x: number) => [...pixels.slice(4 * (10 * width + x), 4 * (10 * width + x) + 3)];
  expect(at(halved, 5)).toEqual(at(by(1), 5));
  expect(at(halved, 35)).toEqual(at(by(0.2), 35));
  expect(at(halved, 35)[2]!).toBeGreaterThan(at(halved, 5)[2]!);
});
