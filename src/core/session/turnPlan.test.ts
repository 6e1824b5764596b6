import fc from 'fast-check';
import { isShaded, skyShare, type Obstacle } from '../sun/horizon';
import { compass, doseTable, evenestPoses, evennessOf, turnPlan, turnWords, type TurnPlanInput } from './turnPlan';

const LID: TurnPlanInput = {
  place: { latitude: 50, longitude: 10 },
  start: new Date('2026-06-21T08:00:00Z'),
  durationMin: 360,
  turnEveryMin: 60,
  cloudFraction: 0,
  lengthMm: 400,
  widthMm: 300,
  heightMm: 60,
  shading: [],
  leanDeg: 60,
};

const overcastMorning = {
  place: { latitude: 34, longitude: 0 },
  start: new Date('2026-11-06T07:00:00Z'),
  durationMin: 180,
  cloudFraction: 1,
};

const anyDay: fc.Arbitrary<TurnPlanInput> = fc
  .record({
    latitude: fc.integer({ min: -60, max: 60 }),
    hour: fc.integer({ min: 0, max: 365 * 24 }),
    slots: fc.integer({ min: 2, max: 3 }),
    cloudFraction: fc.constantFrom(0, 0.3, 1),
    leanDeg: fc.constantFrom(0, 45, 70),
  })
  .map(({ latitude, hour, slots, ...rest }) => ({
    ...LID,
    ...rest,
    place: { latitude, longitude: 0 },
    start: new Date(Date.UTC(2026, 0, 1, hour)),
    turnEveryMin: 60,
    durationMin: 60 * slots,
  }));

/** The best evenness of all that could be done. */
function exhaustive({ table, poses, faces }: ReturnType<typeof doseTable>): number {
  let best = 0;
  const visit = (turn: number, sums: readonly number[]) => {
    if (turn === table.length) best = Math.max(best, evennessOf(sums));
    else
      for (let pose = 0; pose < poses.length; pose++)
        visit(
          turn + 1,
          sums.map((sum, face) => sum + table[turn]![pose]![face]!),
        );
  };
  visit(
    0,
    faces.map(() => 0),
  );
  return best;
}

it('a lid box on a clear June day at 50° north: at least twice as even as never turned', () => {
  const plan = turnPlan(LID);
  expect(plan.evenness).toBeGreaterThan(2 * plan.neverTurned.evenness);
  expect(plan.turns).toHaveLength(6);
  expect(plan.turns[5]!.to).toBe('2026-06-21T14:00:00.000Z');
  // The sum of its faces is no more than what the sky gives a surface that always faces it.
  for (const dose of Object.values(plan.doses)) expect(dose).toBeLessThan(60);
});

it('is near the best of all ways to turn', () => {
  fc.assert(
    fc.property(anyDay, (input) => {
      const known = doseTable(input);
      const chosen = evenestPoses(known);
      const ours = evennessOf(
        known.faces.map((_, face) => chosen.reduce((sum, pose, turn) => sum + known.table[turn]![pose]![face]!, 0)),
      );
      const best = exhaustive(known);
      expect(ours).toBeLessThanOrEqual(best + 1e-9);
      expect(ours).toBeGreaterThanOrEqual(0.99 * best - 1e-9);
    }),
    // Under an even sky no one or two turns gain anything: lying on its front twice and on its back once is best.
    { numRuns: 25, examples: [[{ ...LID, ...overcastMorning, leanDeg: 70 }]] },
  );
});

it('never turning is never evener, and turning the piece round with its sides changes nothing', () => {
  fc.assert(
    fc.property(anyDay, (input) => {
      const plan = turnPlan(input);
      expect(plan.evenness).toBeGreaterThanOrEqual(plan.neverTurned.evenness - 0.01);
      // Under an overcast sky every direction is the same: a flat upper face gets all of it, a side half.
      if (input.cloudFraction === 1 && input.leanDeg === 0 && plan.doses.top > 0.01)
        expect(plan.evenness).toBeCloseTo(0.5, 6);
    }),
    { numRuns: 40 },
  );
});

it('in the mirrored place at the mirrored hour the plan is as even', () => {
  const noon = Date.UTC(2026, 2, 20, 12, 7);
  const at = (minutes: number) => new Date(noon + minutes * 60_000);
  const before = turnPlan({
    ...LID,
    place: { latitude: 40, longitude: 0 },
    start: at(-120),
    durationMin: 120,
    turnEveryMin: 30,
  });
  const after = turnPlan({
    ...LID,
    place: { latitude: 40, longitude: 0 },
    start: at(0),
    durationMin: 120,
    turnEveryMin: 30,
  });
  expect(after.evenness).toBeCloseTo(before.evenness, 1);
});

describe('what stands in the way', () => {
  const wall: Obstacle = { fromDeg: 200, toDeg: 340, heightDeg: 40 };

  it('takes the beam behind it and its share of the sky', () => {
    expect(isShaded([wall], 270, 30)).toBe(true);
    expect(isShaded([wall], 270, 50)).toBe(false);
    expect(isShaded([wall], 100, 10)).toBe(false);
    expect(isShaded([{ fromDeg: 340, toDeg: 20, heightDeg: 40 }], 5, 10)).toBe(true);
    expect(skyShare([])).toBe(1);
    expect(skyShare([{ fromDeg: 0, toDeg: 180, heightDeg: 90 }])).toBeCloseTo(0.5, 6);
    expect(skyShare([wall])).toBeCloseTo(1 - (140 / 360) * Math.sin((40 * Math.PI) / 180) ** 2, 6);
    const open = turnPlan(LID);
    const walled = turnPlan({ ...LID, shading: [wall] });
    expect(walled.doses.top + walled.doses.front).toBeLessThan(open.doses.top + open.doses.front);
  });

  it('a horizon that shuts the sun out, polar night and night are said in words', () => {
    expect(turnPlan({ ...LID, shading: [{ fromDeg: 0, toDeg: 0, heightDeg: 90 }] }).notes[0]).toMatch(
      /horizon that you drew shuts it out/,
    );
    expect(
      turnPlan({ ...LID, place: { latitude: 80, longitude: 0 }, start: new Date('2026-12-21T10:00:00Z') }).notes[0],
    ).toMatch(/polar night/);
    expect(turnPlan({ ...LID, start: new Date('2026-06-21T23:00:00Z'), durationMin: 60 })).toMatchObject({
      evenness: 0,
    });
  });
});

it('a flat plate needs no turns for the light; nonsense is refused; long sessions are cut into at most 48 turns', () => {
  const plate = turnPlan({ ...LID, heightMm: 3 });
  expect(plate.faces).toEqual(['top']);
  expect(plate.notes[0]).toMatch(/only its upper face counts/);
  expect(() => turnPlan({ ...LID, durationMin: 0 })).toThrow('needs a length');
  expect(() => turnPlan({ ...LID, turnEveryMin: 1 })).toThrow('5 or more');
  expect(turnPlan({ ...LID, durationMin: 1440, turnEveryMin: 10, leanDeg: 0 }).turns).toHaveLength(48);
});

it('speaks in words of the compass', () => {
  expect([0, 44, 46, 359, -90].map(compass)).toEqual(['north', 'north-east', 'north-east', 'north', 'west']);
  expect(turnWords({ headingDeg: 135, raised: null, propMm: 0 })).toBe('Front to the south-east, flat');
  expect(turnWords({ headingDeg: 180, raised: 'back', propMm: 260 })).toBe(
    'Front to the south, back edge propped up 260 mm',
  );
});
