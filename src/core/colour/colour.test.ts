import fc from 'fast-check';
import { differenceTo, LINEAR_OF_CODE, writeLab } from './bulk';
import { deltaE00, readDifference } from './difference';
import {
  labToLinear,
  labToSrgb,
  linearToLab,
  srgbToLab,
  srgbToLinear,
  yellownessIndex,
  yellownessIndexOfLab,
} from './lab';
import { labOnScale, nameOnScale, placeOnScale, scaleGradient } from './plasticScale';
import type { Lab } from './types';

const byte = fc.integer({ min: 0, max: 255 });
const srgb = fc.tuple(byte, byte, byte);
const lab = fc.tuple(
  fc.double({ min: 0, max: 100, noNaN: true }),
  fc.double({ min: -100, max: 100, noNaN: true }),
  fc.double({ min: -100, max: 100, noNaN: true }),
);

describe('published values', () => {
  it.each([
    [[236, 224, 186], [89.248, -1.886, 20.115], 35.11],
    [[225, 222, 210], [88.402, -1.061, 6.24], 11.5],
  ] as const)('sRGB %j is L*a*b* %j with YI %d', (colour, expected, yi) => {
    srgbToLab(colour).forEach((value, i) => expect(value).toBeCloseTo(expected[i]!, 2));
    expect(yellownessIndex(colour)).toBeCloseTo(yi, 2);
    expect(yellownessIndexOfLab(srgbToLab(colour))).toBeCloseTo(yi, 2);
  });

  it('ΔE00 of two plastics', () => {
    expect(deltaE00(srgbToLab([214, 196, 140]), srgbToLab([225, 222, 210]))).toBeCloseTo(14.572, 3);
  });

  // From the table of Sharma, Wu and Dalal (2005): the pairs that catch wrong hue averages and signs.
  it.each([
    [[50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425],
    [[50, 3.1571, -77.2803], [50, 0, -82.7485], 2.8615],
    [[50, -1.3802, -84.2814], [50, 0, -82.7485], 1.0],
    [[50, 2.5, 0], [50, 0, -2.5], 4.3065],
    [[50, 2.49, -0.001], [50, -2.49, 0.0011], 7.2195],
    [[50, 2.5, 0], [73, 25, -18], 27.1492],
    [[22.7233, 20.0904, -46.694], [23.0331, 14.973, -42.5619], 2.0373],
    [[90.8027, -2.0831, 1.441], [91.1528, -1.6435, 0.0447], 1.4441],
    [[2.0776, 0.0795, -1.135], [0.9033, -0.0636, -0.5514], 0.9082],
  ] as [Lab, Lab, number][])('ΔE00 of %j and %j is %d, by the library and by the hot loop', (a, b, expected) => {
    expect(deltaE00(a, b)).toBeCloseTo(expected, 4);
    expect(differenceTo(a)(...b)).toBeCloseTo(expected, 4);
  });
});

describe('laws', () => {
  it('ΔE00 is symmetric, and zero on itself', () => {
    fc.assert(
      fc.property(lab, lab, (a, b) => {
        expect(deltaE00(a, b)).toBeCloseTo(deltaE00(b, a), 9);
        expect(deltaE00(a, a)).toBe(0);
      }),
    );
  });

  it('the hot loop agrees with the library', () => {
    fc.assert(
      fc.property(lab, lab, (a, b) => {
        expect(differenceTo(a)(...b)).toBeCloseTo(deltaE00(a, b), 6);
      }),
    );
    fc.assert(
      fc.property(srgb, ([r, g, b]) => {
        const out = new Float64Array(3);
        writeLab(LINEAR_OF_CODE[r]!, LINEAR_OF_CODE[g]!, LINEAR_OF_CODE[b]!, out, 0);
        srgbToLab([r, g, b]).forEach((value, i) => expect(out[i]).toBeCloseTo(value, 6));
      }),
    );
  });

  it('colours come back from Lab and from linear light', () => {
    fc.assert(
      fc.property(srgb, (colour) => {
        expect(labToSrgb(srgbToLab(colour))).toEqual(colour);
        linearToLab(srgbToLinear(colour)).forEach((value, i) => expect(value).toBeCloseTo(srgbToLab(colour)[i]!, 6));
        labToLinear(srgbToLab(colour)).forEach((value, i) => expect(value).toBeCloseTo(srgbToLinear(colour)[i]!, 6));
      }),
    );
  });

  it('the plastic scale grows with b* and stays inside its ends', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 100, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (b, more) => {
          expect(placeOnScale(b + more)).toBeGreaterThanOrEqual(placeOnScale(b));
          expect(placeOnScale(b)).toBeGreaterThanOrEqual(0);
          expect(placeOnScale(b)).toBeLessThanOrEqual(1);
          // More yellow is darker, and between the ends a b* has its own colour.
          expect(labOnScale(b + more)[0]).toBeLessThanOrEqual(labOnScale(b)[0]);
          expect(labOnScale(b)[2]).toBe(Math.min(42, Math.max(2, b)));
        },
      ),
    );
    expect(labOnScale(19.5)).toEqual([80.5, 1, 19.5]);
    expect(nameOnScale(2)).toBe('clean bone');
    expect(nameOnScale(60)).toBe('aged amber');
    expect(scaleGradient()).toMatch(/^linear-gradient\(90deg, rgb\(/);
  });
});

it('a difference is read as the eye would', () => {
  expect([0.5, 1.5, 3, 9].map(readDifference)).toEqual([
    'cannot be told apart side by side',
    'seen only by a trained eye',
    'seen',
    'plain to anyone',
  ]);
});
