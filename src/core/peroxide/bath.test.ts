import fc from 'fast-check';
import { bathVolume, type BathPiece, type Container } from './bathVolume';
import { mixedBottles } from './mixture';
import { percarbonateBath, powderFor } from './percarbonate';
import { peroxideDensity } from './strength';

const BOX: Container = { shape: 'box', lengthMm: 500, widthMm: 400, heightMm: 150 };
const amount = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('bath volume', () => {
  it('is the box up to the cover, less what the pieces push aside; light pieces are weighed down', () => {
    const found = bathVolume(BOX, [{ massG: 510, densityGPerCm3: 1.02, heightMm: 60 }], 20);
    expect(found.displacedL).toBeCloseTo(0.5, 9);
    expect(found.fillHeightMm).toBe(80);
    expect(found.solutionL).toBeCloseTo((500 * 400 * 80) / 1e6 - 0.5, 9);
    expect(found).toMatchObject({ overflows: false, weightToHoldDownG: 0 });
    expect(
      bathVolume(BOX, [{ massG: 510, densityGPerCm3: 1.02, heightMm: 60 }], 20, 1.04).weightToHoldDownG,
    ).toBeCloseTo(10, 9);
    expect(bathVolume(BOX, [{ massG: 90, densityGPerCm3: 0.9 }], 20).weightToHoldDownG).toBeCloseTo(10, 9);
    expect(bathVolume(BOX, [], 160).overflows).toBe(true);
    expect(bathVolume({ shape: 'cylinder', diameterMm: 200, heightMm: 300 }, [], 100).solutionL).toBeCloseTo(
      Math.PI,
      9,
    );
  });

  it('what goes in and what is left up to the rim are the whole bath', () => {
    const pieces: fc.Arbitrary<BathPiece[]> = fc.array(
      fc.record({ massG: amount(1, 800), densityGPerCm3: amount(0.9, 1.4), heightMm: fc.option(amount(1, 80)) }),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(pieces, amount(1, 40), (given, cover) => {
        const found = bathVolume(BOX, given, cover);
        if (!found.overflows) expect(found.solutionL + found.displacedL + found.freeL).toBeCloseTo(30, 6);
        expect(found.solutionL).toBeGreaterThan(0);
      }),
    );
  });

  it('pieces that are more than the bath are refused', () => {
    expect(() => bathVolume(BOX, [{ massG: 40_000, densityGPerCm3: 1 }], 10)).toThrow('larger one');
  });
});

it('percarbonate: 32.5 % peroxide and 15.3 % active oxygen by mass, there and back', () => {
  expect(percarbonateBath(100, 0.5, 2).peroxidePercentWV).toBeCloseTo(0.8125, 9);
  expect(percarbonateBath(100, 0.5, 2).activeOxygenGrams).toBeCloseTo(7.65, 9);
  fc.assert(
    fc.property(amount(0.1, 3), amount(0.1, 1), amount(0.5, 50), (percent, fraction, water) => {
      expect(percarbonateBath(powderFor(percent, fraction, water), fraction, water).peroxidePercentWV).toBeCloseTo(
        percent,
        9,
      );
    }),
  );
});

it('bottles poured together keep their peroxide and their mass', () => {
  const bottle = fc.record({ percentWW: amount(0.5, 35), volumeL: amount(0.05, 5) });
  fc.assert(
    fc.property(fc.array(bottle, { minLength: 1, maxLength: 5 }), (bottles) => {
      const mixed = mixedBottles(bottles);
      const peroxide = bottles.reduce(
        (sum, { percentWW, volumeL }) => sum + percentWW * volumeL * peroxideDensity(percentWW),
        0,
      );
      expect(mixed.percentWW * mixed.massKg).toBeCloseTo(peroxide, 6);
      expect(mixed.volumeL * peroxideDensity(mixed.percentWW)).toBeCloseTo(mixed.massKg, 9);
      expect(mixed.percentWW).toBeLessThanOrEqual(Math.max(...bottles.map(({ percentWW }) => percentWW)) + 1e-9);
    }),
  );
  expect(() => mixedBottles([])).toThrow('at least one bottle');
});
