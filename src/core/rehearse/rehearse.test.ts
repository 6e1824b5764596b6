import fc from 'fast-check';
import { seededRandom } from '@/simulators/camera/random';
import { exercise, rehearse, type RehearsalInput } from './rehearse';
import { WELL_DONE } from './session';

const NOON = new Date('2026-06-21T10:00:00Z');
const SESSION: RehearsalInput = {
  startB: 24,
  targetB: 6,
  rate: 0.06,
  place: { latitude: 50, longitude: 15 },
  start: NOON,
  durationMin: 240,
  transmission: 0.9,
  percentWW: 12,
  usualPercentWW: 12,
  temperatureC: 25,
  conduct: WELL_DONE,
};
const run = (rest: Partial<RehearsalInput>) => rehearse({ ...SESSION, ...rest }, 5, seededRandom);

it('well done is even, is its own best, and has nothing against it', () => {
  const done = run({});
  expect(done).toMatchObject({ fault: { kind: 'even' }, mistakes: [] });
  expect(done.median).toBeCloseTo(done.best.median, 6);
  expect(done.spread).toBeLessThan(1.5);
});

it('each mistake leaves its fault, is named, and comes out less even than the best', () => {
  const cases = [
    [{ film: 'wrinkled' }, 'fold lines', /wrinkles/],
    [{ turned: false }, 'one side', /Never turned/],
    [{ spread: 'thick in places' }, 'thick spots', /rounded spots/],
    [{ stirred: false }, 'marbling', /marbling/],
  ] as const;
  for (const [conduct, kind, words] of cases) {
    const done = run({ conduct: { ...WELL_DONE, ...conduct } });
    expect(done.fault.kind).toBe(kind);
    expect(done.mistakes.join(' ')).toMatch(words);
    expect(done.spread).toBeGreaterThan(done.best.spread);
  }
  expect(run({ temperatureC: 55 }).mistakes[0]).toMatch(/bend/);
  expect(run({ start: new Date('2026-06-21T22:00:00Z') }).mistakes[0]).toMatch(/no ultraviolet/);
  expect(run({ durationMin: 900, rate: 0.3 }).mistakes.join()).toMatch(/Longer than it needs/);
  expect(run({ conduct: { ...WELL_DONE, froth: 0.5 } }).median).toBeGreaterThan(run({}).median);
});

it('longer, stronger and clearer never leave more yellow', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 30, max: 300 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 3, max: 12, noNaN: true }),
      (durationMin, cloud, percentWW) => {
        const conduct = { ...WELL_DONE, cloudFraction: cloud };
        const here = run({ durationMin, percentWW, conduct }).median;
        expect(run({ durationMin: durationMin + 60, percentWW, conduct }).median).toBeLessThanOrEqual(here + 1e-4);
        expect(run({ durationMin, percentWW: percentWW + 2, conduct }).median).toBeLessThanOrEqual(here + 1e-4);
        expect(
          run({ durationMin, percentWW, conduct: { ...conduct, cloudFraction: cloud / 2 } }).median,
        ).toBeLessThanOrEqual(here + 1e-4);
      },
    ),
    { numRuns: 10 },
  );
});

it('an exercise has one plain answer, the same for its seed', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 10_000 }), (seed) => {
      const asked = exercise(SESSION.place, NOON, seed, seededRandom);
      expect(asked).toEqual(exercise(SESSION.place, NOON, seed, seededRandom));
      const doses = asked.windows.map(({ dose }) => dose);
      doses.forEach((dose, i) => i !== asked.answer && expect(doses[asked.answer]!).toBeGreaterThan(1.2 * dose));
      expect(asked.why).toContain(doses[asked.answer]!.toFixed(1));
    }),
    { numRuns: 30 },
  );
});
