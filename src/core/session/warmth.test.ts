import fc from 'fast-check';
import { SCHOOL } from './schools';
import { sunOnGround, warmthInSun, type WarmthInput } from './warmth';

const noon: WarmthInput = {
  school: SCHOOL['cream-film-sun'],
  place: { latitude: 50, longitude: 0, altitudeM: 0 },
  shading: [],
  start: new Date('2026-06-21T10:00:00Z'),
  durationMin: 240,
  cloudFraction: 0,
  airC: 24,
};

it('the sun on the ground is a handbook’s: nearly 1 kW/m² overhead, nothing at night, a quarter under full cloud', () => {
  expect(sunOnGround(90, 0)).toBeCloseTo(1037, 0);
  expect(sunOnGround(30, 0)).toBeCloseTo(490, 0);
  expect(sunOnGround(-5, 0)).toBe(0);
  expect(sunOnGround(60, 1)).toBeCloseTo(0.25 * sunOnGround(60, 0), 6);
});

it('a film in full June sun gets hot, a bath warms slowly, and neither is colder than the air', () => {
  const film = warmthInSun(noon);
  expect(film.hottest.c.median).toBeGreaterThan(40);
  expect(film.overAt).not.toBeNull();
  const bath = warmthInSun({ ...noon, school: SCHOOL['bath-sun'] });
  expect(bath.course[12]!.c.median).toBeLessThan(film.course[12]!.c.median);
  expect(warmthInSun({ ...noon, start: new Date('2026-12-21T20:00:00Z') }).hottest.c.high).toBe(24);
});

it('more cloud or a wall in front never makes it warmer', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (a, b) => {
      const at = (cloudFraction: number) => warmthInSun({ ...noon, cloudFraction }).hottest.c.median;
      expect(at(Math.max(a, b))).toBeLessThanOrEqual(at(Math.min(a, b)) + 1e-9);
    }),
    { numRuns: 20 },
  );
  const wall = [{ fromDeg: 90, toDeg: 270, heightDeg: 80 }];
  expect(warmthInSun({ ...noon, shading: wall }).hottest.c.median).toBeLessThan(warmthInSun(noon).hottest.c.median);
});

it('a reading outweighs the estimate and narrows it', () => {
  const at = '2026-06-21T12:00:00Z';
  const plain = warmthInSun(noon);
  const read = warmthInSun({ ...noon, readings: [{ at, temperatureC: 34 }] });
  const then = read.course.find((one) => one.at === new Date(at).toISOString())!;
  expect(then.c.median).toBeCloseTo(34, 6);
  const width = ({ c }: { c: { low: number; high: number } }) => c.high - c.low;
  expect(width(then)).toBeLessThan(width(plain.course.find((one) => one.at === then.at)!));
  expect(warmthInSun({ ...noon, readings: [{ at: '2026-06-21T10:01:00Z', temperatureC: 60 }] }).read).toBe(false);
});
