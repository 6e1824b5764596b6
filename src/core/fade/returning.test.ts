import { seededNormal } from '../session/seededNormal.testing';
import { yellowReturning } from './returning';

const year = (n: number) => new Date(Date.parse('2026-01-01T00:00:00Z') + n * 365.25 * 24 * 3_600_000).toISOString();

it('says nothing with one measurement, or one of the same week', () => {
  expect(yellowReturning([])).toBeNull();
  expect(yellowReturning([{ at: year(0), b: 7, sd: 0.6 }])).toBeNull();
  expect(
    yellowReturning([
      { at: year(0), b: 7, sd: 0.6 },
      { at: year(0.02), b: 7.4, sd: 0.6 },
    ]),
  ).toBeNull();
});

it('finds the slope of measurements without error', () => {
  const found = yellowReturning([0, 0.5, 1, 2].map((t) => ({ at: year(t), b: 7 + 1.2 * t, sd: 0.3 })))!;
  expect(found.perYear.median).toBeCloseTo(1.2, 9);
  expect(found.certain).toBe(true);
  expect(
    yellowReturning([
      { at: year(0), b: 7, sd: 0.6 },
      { at: year(0.5), b: 7.2, sd: 0.6 },
    ])!.certain,
  ).toBe(false);
});

it('its band holds the truth about nine times in ten', () => {
  const normal = seededNormal(4);
  let held = 0;
  for (let i = 0; i < 400; i++) {
    const { perYear } = yellowReturning(
      [0, 0.5, 1].map((t) => ({ at: year(t), b: 7 + 0.8 * t + 0.6 * normal(), sd: 0.6 })),
    )!;
    if (perYear.low <= 0.8 && 0.8 <= perYear.high) held++;
  }
  expect(held / 400).toBeGreaterThan(0.85);
  expect(held / 400).toBeLessThan(0.95);
});

it('tells at most one piece in twenty that stays as it is that its yellow comes back, in five yearly looks', () => {
  const normal = seededNormal(5);
  let told = 0;
  for (let i = 0; i < 400; i++) {
    const seen: { at: string; b: number; sd: number }[] = [];
    let said = false;
    for (let t = 0; t <= 5; t++) {
      const sd = t % 2 === 0 ? 0.5 : 1.1;
      seen.push({ at: year(t), b: 7 + sd * normal(), sd });
      said ||= yellowReturning(seen)?.certain ?? false;
    }
    if (said) told++;
  }
  expect(told / 400).toBeLessThan(0.05);
  expect(told).toBeGreaterThan(0);
});

it('a careless look counts for less than a careful one', () => {
  const seen = (sd: number) =>
    yellowReturning([
      { at: year(0), b: 7, sd: 0.4 },
      { at: year(1), b: 7, sd: 0.4 },
      { at: year(2), b: 10, sd },
    ])!.perYear.median;
  expect(seen(4)).toBeLessThan(seen(0.4) / 4);
});
