import fc from 'fast-check';
import { skyKnown } from './skyKnown';

const HOUR_MS = 3_600_000;
const T0 = Date.parse('2026-06-21T08:00:00Z');
const hour = (h: number, own?: boolean) => ({ at: new Date(T0 + h * HOUR_MS), own });
const at = (h: number) => new Date(T0 + h * HOUR_MS);

it('knows a stretch of sky only where every hour of it was looked at', () => {
  const clouds = [hour(0, true), hour(1, true), hour(2, false), hour(3)];
  expect(skyKnown(clouds, at(0), at(2))).toBe('known');
  expect(skyKnown(clouds, at(0.5), at(1.5))).toBe('known');
  expect(skyKnown(clouds, at(1), at(3))).toBe('in part');
  expect(skyKnown(clouds, at(2), at(4))).toBe('invented');
  expect(skyKnown([], at(0), at(4))).toBe('invented');
  // Beyond what the source reaches, nothing is known either.
  expect(skyKnown(clouds, at(0), at(9))).toBe('in part');
});

it('never takes a wider stretch for better known', () => {
  const rank = { invented: 0, 'in part': 1, known: 2 };
  fc.assert(
    fc.property(
      fc.array(fc.boolean(), { minLength: 1, maxLength: 24 }),
      fc.nat(20),
      fc.integer({ min: 1, max: 4 }),
      (owns, from, wide) => {
        const clouds = owns.map((own, h) => hour(h, own));
        const narrow = skyKnown(clouds, at(from), at(from + wide));
        const wider = skyKnown(clouds, at(from), at(from + wide + 1));
        if (narrow !== 'known') expect(wider).not.toBe('known');
        if (narrow === 'known') expect(rank[wider]).toBeGreaterThan(0);
      },
    ),
  );
});
