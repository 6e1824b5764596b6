import fc from 'fast-check';
import { bossAndScrew, type BossAndScrew } from './bossAndScrew';
import { boxAround, checkPot, mouldAndCast, type Cast } from './cast';
import { cureTime } from './cure';
import { adhesiveJoint } from './joint';
import { pinInStub, type StubAndPin } from './pinInStub';

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

describe('a pin in a stub', () => {
  const stub: StubAndPin = {
    ...{ stubMm: 6, deepestMm: 12, pinMm: null, loadN: 15, armMm: 0 },
    ...{ bearingMPa: 20, bendingMPa: 250, safetyFactor: 2 },
  };

  it('is the thickest usual one that leaves its wall, three times as deep as it is thick', () => {
    expect(pinInStub(stub)).toMatchObject({ pinMm: 2.5, drillMm: 2.6, depthMm: 7.5, splits: false });
    expect(pinInStub({ ...stub, pinMm: 4 })).toMatchObject({ splits: true, sufficient: false });
    expect(pinInStub({ ...stub, deepestMm: 4 }).depthMm).toBe(4);
    expect(() => pinInStub({ ...stub, stubMm: 2 })).toThrow(/too thin for a pin of 1 mm/);
    expect(() => pinInStub({ ...stub, pinMm: 6 })).toThrow(/does not go into a stub/);
  });

  it('presses as a rod does: four times the even pressure without a lever', () => {
    expect(pinInStub({ ...stub, pinMm: 2 }).pressureMPa).toBeCloseTo((4 * 15) / (2 * 6), 9);
    // 32 · 15 N · 10 mm / (π · 8 mm³)
    expect(pinInStub({ ...stub, pinMm: 2, armMm: 10 }).bentMPa).toBeCloseTo(190.986, 3);
    const short = pinInStub({ ...stub, pinMm: 2, armMm: 12, bearingMPa: 400 });
    expect(short.limit).toBe('pin');
  });

  it('carries less the further out it pulls, and never less the deeper it is', () => {
    const some = (max: number) => fc.double({ min: 0.5, max, noNaN: true });
    fc.assert(
      fc.property(some(20), some(20), some(20), (arm, more, deep) => {
        const carries = (armMm: number, deepestMm: number) => pinInStub({ ...stub, armMm, deepestMm }).allowableN;
        expect(carries(arm + more, deep)).toBeLessThanOrEqual(carries(arm, deep));
        expect(carries(arm, deep + more)).toBeGreaterThanOrEqual(carries(arm, deep) - 1e-9);
      }),
    );
  });
});

describe('a screw in a boss', () => {
  const boss: BossAndScrew = {
    ...{ bossMm: 7, holeMm: 2.4, threadMm: 3, coreMm: 2, pitchMm: 1.2, shank: 'straight' },
    ...{ engagedMm: 8, shearMPa: 12, friction: 0.25 },
  };

  it('tears out by the sheared cylinder, and strips by the law of the screw', () => {
    const found = bossAndScrew(boss);
    expect(found.bite).toBeCloseTo(0.6, 9);
    expect(found.pullOutN).toBeCloseTo(Math.PI * 3 * 8 * 12 * 0.6 * 0.6, 6);
    expect(found.stripsNcm).toBeCloseTo(
      (found.pullOutN * 1.25 * (1.2 + Math.PI * 0.25 * 2.5)) / (Math.PI * 2.5 - 0.3) / 10,
      6,
    );
    expect(found.stopNcm).toBeLessThan(found.stripsNcm);
    // Without friction a turn’s work is the pull along one pitch.
    const smooth = bossAndScrew({ ...boss, friction: 0 });
    expect(smooth.stripsNcm * 10 * 2 * Math.PI).toBeCloseTo(smooth.pullOutN * 1.2, 6);
  });

  it('spins in a hole as wide as it, bursts a thin boss, and holds straight where tapered it does less', () => {
    expect(bossAndScrew({ ...boss, holeMm: 2.95 })).toMatchObject({ verdict: 'spins' });
    expect(bossAndScrew({ ...boss, bossMm: 4 })).toMatchObject({ verdict: 'bursts' });
    expect(bossAndScrew({ ...boss, holeMm: 2.7 })).toMatchObject({ verdict: 'weak' });
    expect(bossAndScrew({ ...boss, shank: 'tapered' }).pullOutN).toBeLessThan(bossAndScrew(boss).pullOutN);
    expect(() => bossAndScrew({ ...boss, holeMm: 8 })).toThrow(/leaves nothing of a boss/);
    expect(() => bossAndScrew({ ...boss, coreMm: 3 })).toThrow(/thinner than the thread/);
  });
});

it('a pot is put under pressure only within a rating that is known', () => {
  expect(boxAround([62, 5, 2], 12)).toEqual([86, 29, 26]);
  expect(() => checkPot(0, null)).not.toThrow();
  expect(() => checkPot(4, 5)).not.toThrow();
  expect(() => checkPot(4, null)).toThrow('Without the rating');
  expect(() => checkPot(5.5, 5)).toThrow('more than the pot is rated for');
});
