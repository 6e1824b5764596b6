import fc from 'fast-check';
import { agedSince, agedWords, percentOf, type Bottle } from './bottle';

const ADDED = '2026-01-01T00:00:00.000Z';
const CREAM: Bottle = {
  kind: 'peroxide cream',
  strengthValue: 40,
  strengthUnit: 'volumes',
  addedAt: ADDED,
  tested: null,
};
const after = (months: number) => new Date(Date.parse(ADDED) + (months * 365.25 * 86_400_000) / 12);

it('a bottle counts with its newest test, else with its label; what is no peroxide counts with nothing', () => {
  expect(percentOf(CREAM)).toBeCloseTo(11.66, 2);
  expect(percentOf({ ...CREAM, tested: { percentWW: 9.4, how: 'gas', at: ADDED } })).toBe(9.4);
  expect(percentOf({ ...CREAM, kind: 'oxygen-bleach powder' })).toBeNull();
  expect(percentOf({ ...CREAM, strengthValue: null })).toBeNull();
});

it('a young bottle is as its label says; an old one gets weaker by the month, and never stronger than it was', () => {
  expect(agedSince(CREAM, after(2.9))).toBeNull();
  expect(agedSince({ ...CREAM, kind: 'cleaner' }, after(40))).toBeNull();
  fc.assert(
    fc.property(
      fc.double({ min: 3, max: 60, noNaN: true }),
      fc.double({ min: 0.1, max: 12, noNaN: true }),
      (months, more) => {
        const [now, later] = [agedSince(CREAM, after(months))!, agedSince(CREAM, after(months + more))!];
        expect(later.percentWW.median).toBeLessThan(now.percentWW.median);
        expect(now.percentWW.low).toBeLessThan(now.percentWW.median);
        expect(now.percentWW.high).toBeLessThan(percentOf(CREAM)!);
      },
    ),
  );
});

it('a test begins its age anew', () => {
  const tested: Bottle = { ...CREAM, tested: { percentWW: 10, how: 'gas', at: after(12).toISOString() } };
  expect(agedSince(tested, after(14))).toBeNull();
  expect(agedSince(tested, after(24))!.percentWW.median).toBeCloseTo(10 * Math.exp(-0.15), 6);
  expect(agedWords(agedSince(tested, after(24))!)).toBe(
    'It has stood for 12 months: by its age about 8.6 % is left (6.9 to 9.4, an estimate). An opened bottle loses 0.15 a year at 20 °C (guess).',
  );
});
