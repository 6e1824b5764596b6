import fc from 'fast-check';
import { agedStrength, strengthByGas } from './agedBottle';
import { oxygenRelease } from './oxygen';

it('the gas of a sample tells its strength: the way there and back', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 40, noNaN: true }),
      fc.double({ min: 1, max: 50, noNaN: true }),
      fc.double({ min: 0, max: 40, noNaN: true }),
      (percentWW, sampleMl, gasC) => {
        const gasMl = 1000 * oxygenRelease(percentWW, sampleMl / 1000, gasC, 1000);
        expect(strengthByGas({ sampleMl, gasMl, gasC, pressureHPa: 1000, overWater: false }).median).toBeCloseTo(
          percentWW,
          5,
        );
      },
    ),
  );
  // Ten volumes: a sample gives ten times its own volume, at 0 °C and 1013.25 hPa.
  expect(
    strengthByGas({ sampleMl: 10, gasMl: 100, gasC: 0, pressureHPa: 1013.25, overWater: false }).median,
  ).toBeCloseTo(3, 1);
  expect(() => strengthByGas({ sampleMl: 1, gasMl: 5000, gasC: 20, pressureHPa: 1013, overWater: true })).toThrow();
  // At 20 °C water has 23.4 hPa of its own.
  const at = (overWater: boolean) =>
    strengthByGas({ sampleMl: 5, gasMl: 200, gasC: 20, pressureHPa: 1013.25, overWater });
  expect(at(true).median / at(false).median).toBeCloseTo(1 - 23.4 / 1013.25, 2);
  expect(at(true).low).toBeLessThan(0.95 * at(true).median);
  expect(at(true).high).toBeGreaterThan(1.05 * at(true).median);
});

it('an old bottle is never stronger than its label; open and warm it loses more, and the range holds the middle', () => {
  const at = (openMonths: number, storageC = 20) => agedStrength(12, { months: 24, openMonths, storageC });
  expect(at(0).median).toBeLessThan(12);
  expect(at(12).median).toBeLessThan(at(0).median);
  expect(at(12, 30).median).toBeLessThan(at(12).median);
  for (const band of [at(0), at(12, 35)]) {
    expect(band.low).toBeLessThan(band.median);
    expect(band.median).toBeLessThan(band.high);
    expect(band.high).toBeLessThanOrEqual(12);
  }
  expect(agedStrength(12, { months: 0, openMonths: 0, storageC: 20 }).median).toBe(12);
  expect(() => agedStrength(12, { months: 3, openMonths: 5, storageC: 20 })).toThrow('open for longer than it exists');
});
