import fc from 'fast-check';
import { findSum, SUMS } from './catalogue';
import { sumFields } from './fields';
import { runSum } from './run';

const NAMES = [
  'colour-difference',
  'yellowness',
  'peroxide-strength',
  'peroxide-dilution',
  'oxygen-release',
  'bath-volume',
  'cream-amount',
  'percarbonate-bath',
  'turn-plan',
  'cleaning-ladder',
  'sun-and-uv',
  'exposure-forecast',
  'rebuild-order',
  'worth-it',
  'keyboard-diagnosis',
  'trace-resistance',
  'contact-limits',
  'adhesive-joint',
  'cure-time',
  'mould-and-cast',
  'dew-point',
  'paint-amount',
  'grit-ladder',
  'tint-recipe',
  'paint-match',
  'acid-bath',
  'coat-plan',
  'schedule',
];

it('refuses more steps of a schedule than a server has time for, and says how many it takes', () => {
  const tasks = Array.from({ length: 1000 }, (_, i) => ({ id: `t${i}`, duration: 1 }));
  expect(runSum(findSum('schedule')!, { resources: [], tasks, maxIterations: 1_000_000 })).toMatchObject({
    ok: false,
    errors: [{ field: 'maxIterations', message: expect.stringContaining('at most 4000') as string }],
  });
});

it('holds the sums that others rely on by name', () => {
  for (const name of NAMES) expect(findSum(name)?.name).toBe(name);
  expect(findSum('no-such-sum')).toBeUndefined();
  expect(new Set(SUMS.map(({ name }) => name)).size).toBe(SUMS.length);
});

describe.each(SUMS.map((sum) => [sum.name, sum] as const))('%s', (_, sum) => {
  it('computes its own example, with figures, working and a form', () => {
    const outcome = runSum(sum, sum.example);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.errors));
    expect(outcome.figures.length).toBeGreaterThan(0);
    expect(outcome.working.join(' ')).not.toMatch(/NaN|undefined/);
    for (const { value } of outcome.figures) if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true);
    expect(sumFields(sum).map(({ name }) => name)).toEqual(expect.arrayContaining(Object.keys(sum.example as object)));
    expect(sum.source.length).toBeGreaterThan(20);
  });

  it('answers nonsense with errors, never with an exception', () => {
    fc.assert(
      fc.property(fc.anything(), (given) => {
        const outcome = runSum(sum, given);
        expect(outcome.ok ? outcome.output : outcome.errors.length > 0).toBeTruthy();
      }),
      { numRuns: 50 },
    );
  });
});

it('names every wrong field at once', () => {
  const outcome = runSum(findSum('peroxide-dilution')!, { stockPercentWW: 0, targetPercentWW: 'much' });
  if (outcome.ok) throw new Error('should be refused');
  expect(outcome.errors.map(({ field }) => field)).toEqual(['stockPercentWW', 'targetPercentWW', 'finalVolumeL']);
  const nested = runSum(findSum('exposure-forecast')!, { startB: 20, targetB: 5, sessions: [{ dose: -1 }] });
  if (nested.ok) throw new Error('should be refused');
  expect(nested.errors[0]!.field).toBe('sessions[0].dose');
});

it('fixed outputs are where others look for them', () => {
  const output = (name: string, input: object) => {
    const outcome = runSum(findSum(name)!, input);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.errors));
    return outcome.output;
  };
  expect(output('colour-difference', { a: [50, 2.6772, -79.7751], b: [50, 0, -82.7485] })).toEqual({
    deltaE00: expect.closeTo(2.0425, 4) as number,
  });
  expect(output('oxygen-release', { percentWW: 12, volumeL: 1, temperatureC: 0, pressureHPa: 1013.25 })).toEqual({
    oxygenL: expect.closeTo(41.21, 1) as number,
  });
  expect(
    output('sun-and-uv', { latitude: 39.742476, longitude: -105.1786, time: '2003-10-17T12:30:30-07:00' }),
  ).toMatchObject({
    elevationDeg: expect.closeTo(39.89, 2) as number,
    azimuthDeg: expect.closeTo(194.34, 2) as number,
  });
  expect(output('exposure-forecast', { startB: 27, targetB: 6, toleranceB: 1.5, sessions: [] })).toHaveProperty(
    'doseToGo.median',
  );
});
