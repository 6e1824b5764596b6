import fc from 'fast-check';
import { CORNERS, feetLevel, rubberMPa, type Feet } from './feetLevel';
import { printFit } from './printFit';

const FEET: Feet = {
  ...{ heightsMm: [8, 8, 8, 8], widthMm: 300, depthMm: 200 },
  ...{ massKg: 3, diameterMm: 16, shoreA: 60 },
};
const height = fc.double({ min: 2, max: 30, noNaN: true });
const heights = fc.tuple(height, height, height, height);

describe('four feet', () => {
  it('of one height stand, and lean nowhere', () => {
    expect(feetLevel(FEET)).toMatchObject({ rockMm: 0, rocks: false, forwardDeg: 0, sidewardDeg: 0 });
  });

  it('rock by what one diagonal is higher, and a shim under the short corner ends it', () => {
    const stood = feetLevel({ ...FEET, heightsMm: [8, 7.2, 8, 8], shoreA: 90 });
    expect(stood.rockMm).toBeCloseTo(0.8, 9);
    expect(stood).toMatchObject({ rocks: true, under: 'front right' });
    fc.assert(
      fc.property(heights, (heightsMm) => {
        const { under, shimMm, rockMm } = feetLevel({ ...FEET, heightsMm });
        const at = CORNERS.indexOf(under);
        const shimmed = heightsMm.map((one, i) => (i === at ? one + shimMm : one)) as unknown as Feet['heightsMm'];
        expect(feetLevel({ ...FEET, heightsMm: shimmed }).rockMm).toBeLessThan(1e-9);
        expect(shimMm).toBe(rockMm);
      }),
    );
  });

  it('are put in the order that rocks least of all orders', () => {
    const orders = (left: number[]): number[][] =>
      left.length === 0
        ? [[]]
        : left.flatMap((one) => orders(left.filter((x) => x !== one)).map((rest) => [one, ...rest]));
    fc.assert(
      fc.property(heights, (heightsMm) => {
        const { order, orderRockMm } = feetLevel({ ...FEET, heightsMm });
        const rockOf = (by: readonly number[]) =>
          feetLevel({ ...FEET, heightsMm: by.map((i) => heightsMm[i]!) as unknown as Feet['heightsMm'] }).rockMm;
        expect(orderRockMm).toBeCloseTo(Math.min(...orders([0, 1, 2, 3]).map(rockOf)), 9);
        expect(rockOf(order.map((n) => n - 1))).toBeCloseTo(orderRockMm, 9);
      }),
    );
  });

  it('that are soft are pressed flat by a heavy case', () => {
    const uneven: Feet = { ...FEET, heightsMm: [8, 7.9, 8, 8], massKg: 8 };
    expect(feetLevel({ ...uneven, shoreA: 30 }).rocks).toBe(false);
    expect(feetLevel({ ...uneven, shoreA: 95 }).rocks).toBe(true);
    // Gent’s own table: 50 Shore A is about 2.5 MPa.
    expect(rubberMPa(50)).toBeCloseTo(2.45, 1);
  });

  it('lean by what the front stands over the back', () => {
    expect(feetLevel({ ...FEET, heightsMm: [18, 18, 8, 8] }).forwardDeg).toBeCloseTo(2.86, 2);
    expect(feetLevel({ ...FEET, heightsMm: [18, 8, 8, 18] }).sidewardDeg).toBeCloseTo(1.91, 2);
  });
});

describe('what a printer makes of sizes', () => {
  it('is found from a bar, a pin and a hole, and taken out', () => {
    const shrink = fc.double({ min: 0.97, max: 1.02, noNaN: true });
    const grow = fc.double({ min: -0.4, max: 0.4, noNaN: true });
    fc.assert(
      fc.property(shrink, grow, (s, o) => {
        const sizes = { barMm: 100 * s + o, pinMm: 10 * s + o, holeMm: 10 * s - o, intoMm: 6, clearanceMm: 0.2 };
        const found = printFit(sizes);
        expect(found.shrink).toBeCloseTo(s, 9);
        expect(found.growMm).toBeCloseTo(o, 9);
        expect(found.restMm).toBeLessThan(1e-9);
        // Printed again it comes out as it was wanted.
        expect(s * found.drawPinMm + o).toBeCloseTo(5.8, 9);
        expect(s * found.drawHoleMm - o).toBeCloseTo(6, 9);
      }),
    );
  });

  it('is refused where it is no test bar, or no pin is left', () => {
    const bar = { barMm: 99.6, pinMm: 10.1, holeMm: 9.7, intoMm: 6, clearanceMm: 0.2 };
    expect(() => printFit({ ...bar, barMm: 3.93 })).toThrow(/measure them again, in mm/);
    expect(() => printFit({ ...bar, clearanceMm: 6 })).toThrow(/leaves no pin/);
    expect(printFit(bar).scalePercent).toBeCloseTo(100.6, 1);
  });
});
