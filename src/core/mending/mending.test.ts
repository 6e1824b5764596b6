import fc from 'fast-check';
import { mouldAndCast, type Cast } from './cast';
import { cureTime } from './cure';
import { adhesiveJoint } from './joint';

describe('a glued joint', () => {
  it('bears area times strength, over its safety factor', () => {
    expect(adhesiveJoint({ lapAreaMm2: 100, shearStrengthMPa: 5, loadN: 125, safetyFactor: 4 })).toEqual({
      capacityN: 500,
      allowableN: 125,
      requiredAreaMm2: 100,
      sufficient: true,
    });
    expect(adhesiveJoint({ lapAreaMm2: 99, shearStrengthMPa: 5, loadN: 125, safetyFactor: 4 }).sufficient).toBe(false);
  });

  it('is sufficient just where it has the area that is required', () => {
    const some = fc.double({ min: 0.5, max: 500, noNaN: true });
    fc.assert(
      fc.property(some, some, some, fc.double({ min: 1, max: 10, noNaN: true }), (area, strength, load, factor) => {
        const joint = { lapAreaMm2: area, shearStrengthMPa: strength, loadN: load, safetyFactor: factor };
        const { requiredAreaMm2 } = adhesiveJoint(joint);
        expect(adhesiveJoint({ ...joint, lapAreaMm2: 1.001 * requiredAreaMm2 }).sufficient).toBe(true);
        expect(adhesiveJoint({ ...joint, lapAreaMm2: 0.999 * requiredAreaMm2 }).sufficient).toBe(false);
      }),
    );
  });
});

describe('curing', () => {
  const sheet = { sheetMin: 60, sheetC: 20, lowestC: 5, highestC: 40 };

  it('takes as long as the sheet says at its warmth, double 10 °C colder, half 10 °C warmer', () => {
    expect([20, 10, 30].map((actualC) => cureTime({ ...sheet, actualC }).cureMin)).toEqual([60, 120, 30]);
    expect(cureTime({ ...sheet, actualC: 15 }).cureMin).toBeCloseTo(84.853, 3);
  });

  it('is refused outside of the sheet’s range, and at its ends it is not', () => {
    expect(() => cureTime({ ...sheet, actualC: 4.9 })).toThrow(/does not cure/);
    expect(() => cureTime({ ...sheet, actualC: 40.1 })).toThrow(/more than the sheet allows/);
    expect(cureTime({ ...sheet, actualC: 5 }).cureMin).toBeGreaterThan(60);
    expect(cureTime({ ...sheet, actualC: 40 }).cureMin).toBe(15);
    expect(() => cureTime({ ...sheet, actualC: 20, lowestC: 50 })).toThrow(/Swap them/);
  });
});

describe('a mould and its cast', () => {
  const cast: Cast = {
    boxMm: [60, 40, 30],
    partCm3: 12,
    siliconeGPerCm3: 1.1,
    resinGPerCm3: 1,
    siliconeMix: { partsA: 10, partsB: 1, by: 'mass' },
    resinMix: { partsA: 1, partsB: 1, by: 'volume', aGPerCm3: 1, bGPerCm3: 1.3 },
    pigmentPercent: 2,
  };

  it('takes silicone for what the part leaves, resin for the part, pigment on top', () => {
    const found = mouldAndCast(cast);
    expect(found.siliconeG).toBeCloseTo(60 * 1.1 * 1.1, 9);
    expect(found.siliconeAG).toBeCloseTo((60 * 1.1 * 1.1 * 10) / 11, 9);
    expect(found.resinG).toBeCloseTo(12 * 1.15, 9);
    expect(found.resinAG).toBeCloseTo((12 * 1.15) / 2.3, 9);
    expect(found.pigmentG).toBeCloseTo(0.276, 9);
  });

  it('loses nothing between its two parts', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 71, noNaN: true }),
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        fc.constantFrom('mass' as const, 'volume' as const),
        (partCm3, partsA, by) => {
          const found = mouldAndCast({
            ...cast,
            partCm3,
            siliconeMix: { partsA, partsB: 3, by, aGPerCm3: 1.2, bGPerCm3: 0.97 },
          });
          expect(found.siliconeAG + found.siliconeBG).toBeCloseTo(found.siliconeG, 9);
          expect(found.resinAG + found.resinBG).toBeCloseTo(found.resinG, 9);
        },
      ),
    );
  });

  it('is refused where the part does not fit its box, and where a mix by volume has no densities', () => {
    expect(() => mouldAndCast({ ...cast, partCm3: 72 })).toThrow(/does not fit a box of 72 cm³/);
    expect(() => mouldAndCast({ ...cast, resinMix: { partsA: 1, partsB: 1, by: 'volume' } })).toThrow(
      /density of both/,
    );
  });
});
