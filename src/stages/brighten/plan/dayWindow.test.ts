import fc from 'fast-check';
import { begunAt, endedAt, moved } from './dayWindow';

const window = fc.record({ from: fc.integer({ min: 0, max: 1200 }), minutes: fc.integer({ min: 30, max: 240 }) });

it('moved or drawn out, a window stays within its day, and what is held stays where it was', () => {
  fc.assert(
    fc.property(
      window,
      fc.integer({ min: -2000, max: 2000 }),
      fc.constantFrom(1380, 1440, 1500),
      (given, by, dayMin) => {
        const to = moved(given, by, dayMin);
        expect(to.minutes).toBe(given.minutes);
        expect(to.from).toBeGreaterThanOrEqual(0);
        expect(to.from + to.minutes).toBeLessThanOrEqual(Math.max(dayMin, given.minutes));
        const begun = begunAt(given, by);
        expect(begun.from + begun.minutes).toBe(given.from + given.minutes);
        expect(begun.minutes).toBeGreaterThanOrEqual(30);
        expect(begun.from).toBeGreaterThanOrEqual(0);
        const ended = endedAt(given, by, dayMin);
        expect(ended.from).toBe(given.from);
        expect(ended.minutes).toBeGreaterThanOrEqual(30);
      },
    ),
  );
});

it('goes by quarters of an hour', () => {
  expect(moved({ from: 600, minutes: 120 }, 20, 1440)).toEqual({ from: 615, minutes: 120 });
  expect(begunAt({ from: 600, minutes: 120 }, 200)).toEqual({ from: 690, minutes: 30 });
  expect(endedAt({ from: 1380, minutes: 45 }, 90, 1440)).toEqual({ from: 1380, minutes: 60 });
});
