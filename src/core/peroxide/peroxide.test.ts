import fc from 'fast-check';
import { Refusal } from '../refusal';
import { cautionsForPeroxide } from './cautions';
import { creamAmount } from './cream';
import { peroxideDilution } from './dilution';
import { oxygenRelease } from './oxygen';
import { peroxideDensity, peroxideStrength, STRENGTH_UNITS } from './strength';

describe('strength', () => {
  it('published values', () => {
    expect(peroxideStrength(40, 'volumes').gramsPerL).toBeCloseTo(121.4, 1);
    expect(peroxideStrength(40, 'volumes').percentWW).toBeCloseTo(11.66, 2);
    expect(peroxideStrength(35, 'percentWW').gramsPerL).toBeCloseTo(396.4, 1);
    expect(peroxideStrength(35, 'percentWW').volumes).toBeCloseTo(130.6, 1);
    expect(peroxideDensity(11)).toBeCloseTo((1.0351 + 1.0425) / 2, 6);
  });

  it('every unit comes back from every other', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        fc.constantFrom(...STRENGTH_UNITS),
        (percent, unit) => {
          const all = peroxideStrength(percent, 'percentWW');
          expect(peroxideStrength(all[unit], unit).percentWW).toBeCloseTo(percent, 6);
        },
      ),
    );
  });

  it('over 50 % is refused in whatever unit', () => {
    expect(() => peroxideStrength(50.1, 'percentWW')).toThrow(Refusal);
    expect(() => peroxideStrength(300, 'volumes')).toThrow('50 % or less');
  });
});

describe('dilution', () => {
  it('published values', () => {
    const strong = peroxideDilution(35, 12, 5);
    expect(strong.stockVolumeL).toBeCloseTo(1.578, 3);
    // 3.43153 by the same densities; the published figure is cut, not rounded.
    expect(Math.abs(strong.waterVolumeL - 3.431)).toBeLessThan(0.001);
    const weak = peroxideDilution(12, 6, 2);
    expect(weak.stockVolumeL).toBeCloseTo(0.979, 3);
    expect(weak.waterVolumeL).toBeCloseTo(1.022, 3);
  });

  it('keeps mass and peroxide in balance', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 35, noNaN: true }),
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        fc.double({ min: 0.05, max: 200, noNaN: true }),
        (stock, share, litres) => {
          const target = stock * share;
          const { stockMassKg, waterMassKg, stockVolumeL, waterVolumeL } = peroxideDilution(stock, target, litres);
          expect((stockMassKg * stock) / 100).toBeCloseTo(((stockMassKg + waterMassKg) * target) / 100, 8);
          expect(stockMassKg + waterMassKg).toBeCloseTo(litres * peroxideDensity(target), 8);
          expect(stockVolumeL).toBeGreaterThan(0);
          expect(waterVolumeL).toBeGreaterThanOrEqual(-1e-12);
        },
      ),
    );
  });

  it.each([
    [0, 6, 1, 'stockPercentWW'],
    [12, 0, 1, 'targetPercentWW'],
    [12, -1, 1, 'targetPercentWW'],
    [6, 12, 1, 'targetPercentWW'],
    [40, 12, 1, 'stockPercentWW'],
    [12, 6, 0, 'finalVolumeL'],
  ])('%d %% to %d %% in %d L is refused at %s', (stock, target, litres, field) => {
    expect(() => peroxideDilution(stock, target, litres)).toThrow(expect.objectContaining({ name: 'Refusal', field }));
  });

  it('cautions grow with strength', () => {
    expect(cautionsForPeroxide(3)[0]!.id).toBe('peroxide-mild');
    expect(cautionsForPeroxide(7)[0]!.id).toBe('peroxide-stings');
    expect(cautionsForPeroxide(8)[0]!.hazard).toMatch(/can blind/);
    expect(cautionsForPeroxide(12)[0]!.id).toBe('peroxide-eyes');
    expect(cautionsForPeroxide(12.1)[0]!.severity).toBe('strong');
    expect(peroxideDilution(35, 3, 1).cautions[0]!.id).toBe('peroxide-burns');
  });
});

describe('oxygen and cream', () => {
  it('a litre of a volume strength gives that many litres of oxygen at 0 °C', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 150, noNaN: true }), (volumes) => {
        expect(oxygenRelease(peroxideStrength(volumes, 'volumes').percentWW, 1, 0, 1013.25)).toBeCloseTo(volumes, 4);
      }),
    );
  });

  it('warm gas takes more room, and so does thin air', () => {
    expect(oxygenRelease(12, 1, 30, 1013.25)).toBeGreaterThan(oxygenRelease(12, 1, 0, 1013.25));
    expect(oxygenRelease(12, 1, 20, 900)).toBeGreaterThan(oxygenRelease(12, 1, 20, 1013.25));
  });

  it('cream fills whole tubes', () => {
    expect(creamAmount(900, 1, 1, 100)).toEqual({ creamMl: 90, tubes: 1 });
    expect(creamAmount(1000, 1, 1, 100).tubes).toBe(1);
    expect(creamAmount(1001, 1, 1, 100).tubes).toBe(2);
    expect(creamAmount(500, 2, 3, 100)).toEqual({ creamMl: 300, tubes: 3 });
  });
});
