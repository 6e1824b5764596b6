import fc from 'fast-check';
import { worth, type Range, type WorthInput } from './worth';

const exactly = (value: number): Range => ({ low: value, likely: value, high: value });
const SURE: WorthInput = {
  pricePaid: 20,
  parts: exactly(15),
  spent: 5,
  hours: exactly(4),
  hoursWorked: 2,
  hourlyRate: 10,
  goodOne: exactly(150),
};

const range = (most: number) =>
  fc
    .tuple(
      fc.double({ min: 0, max: most, noNaN: true }),
      fc.double({ min: 0, max: most, noNaN: true }),
      fc.double({ min: 0, max: most, noNaN: true }),
    )
    .map((values) => [...values].sort((a, b) => a - b))
    .map(([low, likely, high]) => ({ low: low!, likely: likely!, high: high! }));

it('is plain arithmetic where everything is known', () => {
  const found = worth(SURE);
  expect(found.cost).toEqual(exactly(100));
  expect(found.gain).toEqual(exactly(50));
  expect(found.cashGain).toEqual(exactly(110));
  expect(found).toMatchObject({ chanceWorth: 1, verdict: 'worth it' });
  expect(found.perHour).toBeCloseTo(110 / 6, 9);
  expect(worth({ ...SURE, goodOne: exactly(60) })).toMatchObject({ chanceWorth: 0, verdict: 'not for the money' });
  expect(worth({ ...SURE, hours: exactly(0), hoursWorked: 0 }).perHour).toBeNull();
});

it('the median of a symmetric estimate is its middle, and its spread that of a triangle', () => {
  const { cost } = worth({ ...SURE, hourlyRate: 0, parts: { low: 0, likely: 50, high: 100 } });
  expect(cost.likely).toBeCloseTo(25 + 50, 0);
  // 5 % of a triangle from 0 over 50 to 100: sqrt(0.05 × 100 × 50).
  expect(cost.low).toBeCloseTo(25 + Math.sqrt(0.05 * 100 * 50), -0.5);
});

it('keeps its order, and a dearer good one never makes it worth less', () => {
  fc.assert(
    fc.property(
      range(200),
      range(50),
      range(400),
      fc.double({ min: 0, max: 40, noNaN: true }),
      (parts, hours, goodOne, hourlyRate) => {
        const given = { ...SURE, parts, hours, goodOne, hourlyRate };
        const found = worth(given);
        for (const { low, likely, high } of [found.cost, found.gain, found.cashGain])
          expect(low <= likely && likely <= high).toBe(true);
        const dearer = worth({
          ...given,
          goodOne: { low: goodOne.low + 30, likely: goodOne.likely + 30, high: goodOne.high + 30 },
        });
        expect(dearer.chanceWorth).toBeGreaterThanOrEqual(found.chanceWorth);
      },
    ),
    { numRuns: 40 },
  );
});
