import { seededNormal } from '../session/seededNormal.testing';
import { yellowReturning } from './returning';

const year = (n: number) => new Date(Date.parse('2026-01-01T00:00:00Z') + n * 365.25 * 24 * 3_600_000).toISOString();

it('says nothing with one measurement, or one of the same week', () => {
  expect(yellowReturning([], 0.6)).toBeNull();
  expect(yellowReturning([{ at: year(0), b: 7 }], 0.6)).toBeNull();
  expect(
    yellowReturning(
      [
        { at: year(0), b: 7 },
        { at: year(0.02), b: 7.4 },
      ],
      0.6,
    ),
  ).toBeNull();
});

it('finds the slope of measurements without error', () => {
  const found = yellowReturning(
    [0, 0.5, 1, 2].map((t) => ({ at: year(t), b: 7 + 1.2 * t })),
    0.3,
  )!;
  expect(found.perYear.median).toBeCloseTo(1.2, 9);
  expect(found.certain).toBe(true);
  expect(
    yellowReturning(
      [
        { at: year(0), b: 7 },
        { at: year(0.5), b: 7.2 },
      ],
      0.6,
    )!.certain,
  ).toBe(false);
});

it('its band holds the truth about nine times in ten', () => {
  const normal = seededNormal(4);
  let held = 0;
  for (let i = 0; i < 400; i++) {
    const { perYear } = yellowReturning(
      [0, 0.5, 1].map((t) => ({ at: year(t), b: 7 + 0.8 * t + 0.6 * normal() })),
      0.6,
    )!;
    if (perYear.low <= 0.8 && 0.8 <= perYear.high) held++;
  }
  expect(held / 400).toBeGreaterThan(0.85);
  expect(held / 400).toBeLessThan(0.95);
});
