import fc from 'fast-check';
import { seededRandom } from '@/simulators/camera/random';
import { nameOf, yellowAfter } from './fade';
import { exposureForecast } from './forecast';
import { bAfter, bandOf, fadeSamples, normalQuantile } from './uncertain';

const normalOf = (random: () => number) => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
const inside = ({ low, high }: { low: number; high: number }, value: number) => value >= low && value <= high;

it('the bands hold what they say in a world where nothing is known exactly', () => {
  const random = seededRandom(7);
  const pieces = Number(process.env.PIECES ?? 300);
  const held: Record<string, number[]> = {};
  const [startSd, targetSd, measurementSd, doseSdShare] = [0.8, 1.3, 0.8, 0.15];
  for (let n = 0; n < pieces; n++)
    for (const sessions of [0, 1, 2, 3]) {
      const rate = 0.06 * Math.exp(0.6 * normalOf(random));
      const [start, target] = [18 + 14 * random(), 4 + 4 * random()];
      let done = 0;
      const given = Array.from({ length: sessions }, () => {
        const dose = 4 + 8 * random();
        done += dose * (1 + doseSdShare * normalOf(random));
        return { dose, measuredB: yellowAfter(start, target, rate, done) + measurementSd * normalOf(random) };
      });
      const errors = { startSd, targetSd, doseSdShare, measurementSd };
      const [startB, targetB] = [start + startSd * normalOf(random), target + targetSd * normalOf(random)];
      const prior = { medianRate: 0.06, logSd: 0.6 };
      const found = exposureForecast({
        ...errors,
        startB,
        targetB,
        toleranceB: 1.5,
        sessions: given,
        prior,
        nextDose: 8,
      });
      const toGo = Math.max(0, Math.log((start - target) / 1.5) / rate - done);
      const next = yellowAfter(start, target, rate, done + 8 * (1 + doseSdShare * normalOf(random)));
      const read = next + measurementSd * normalOf(random);
      (held[`dose to go after ${sessions}`] ??= []).push(Number(inside(found.doseToGo, toGo)));
      (held[`next b* after ${sessions}`] ??= []).push(Number(inside(found.nextB!, next)));
      (held[`next reading after ${sessions}`] ??= []).push(Number(inside(found.nextMeasuredB!, read)));
    }
  const shares = Object.entries(held).map(
    ([what, all]) => [what, all.reduce((a, b) => a + b, 0) / all.length] as const,
  );
  for (const [what, share] of shares) expect([what, Math.abs(share - 0.9) < 0.06]).toEqual([what, true]);
});

it('without errors it is the plain model', () => {
  const input = {
    ...{ startB: 27, targetB: 6, toleranceB: 1.5, prior: { medianRate: 0.06, logSd: 0.6 }, measurementSd: 0.6 },
    sessions: [
      { dose: 10, measuredB: 17.5 },
      { dose: 8, measuredB: 12.9 },
    ],
  };
  const plain = exposureForecast(input);
  const samples = fadeSamples(input);
  const [rate, current] = [bandOf(samples, (one) => one.rate), bandOf(samples, (one) => bAfter(one, 0))];
  for (const end of ['low', 'median', 'high'] as const) {
    expect(rate[end] / plain.rate[end]).toBeCloseTo(1, 1);
    expect(current[end] - plain.currentBand[end]).toBeCloseTo(0, 0);
  }
});

it('a next dose leads on along the fade, and a reading of it is less sure than it is', () => {
  const input = {
    ...{ startB: 27, targetB: 6, toleranceB: 1.5, prior: { medianRate: 0.06, logSd: 0.6 }, measurementSd: 0.6 },
    sessions: [{ dose: 10, measuredB: 17.5 }],
  };
  for (const errors of [{}, { startSd: 0.8, targetSd: 1.3, doseSdShare: 0.15 }]) {
    const { nextB, nextMeasuredB, currentBand } = exposureForecast({ ...input, ...errors, nextDose: 8 });
    expect(nextB!.median).toBeLessThan(currentBand.median - 2);
    expect(nextMeasuredB!.median).toBeCloseTo(nextB!.median, 0);
    expect(nextMeasuredB!.high - nextMeasuredB!.low).toBeGreaterThan(nextB!.high - nextB!.low);
    const none = exposureForecast({ ...input, ...errors, nextDose: 0 });
    expect(none.nextB!.median).toBeCloseTo(none.currentB, 6);
  }
  expect(exposureForecast(input)).toMatchObject({ nextB: null, nextMeasuredB: null });
});

it('the quantiles of the normal distribution are those of the tables', () => {
  for (const [p, z] of [
    [0.5, 0],
    [0.95, 1.6448536],
    [0.975, 1.959964],
    [0.01, -2.3263479],
    [0.0005, -3.2905267],
  ] as const)
    expect(normalQuantile(p)).toBeCloseTo(z, 6);
});

it('the bands are the weighted quantiles that all samples put in order give', () => {
  const sample = fc.record({
    weight: fc.double({ min: 1e-7, max: 1, noNaN: true }),
    value: fc.oneof(fc.double({ min: -1e6, max: 1e6, noNaN: true }), fc.constantFrom(0, 1, 2)),
  });
  fc.assert(
    fc.property(fc.array(sample, { minLength: 1, maxLength: 400 }), (all) => {
      const samples = all.map(({ weight, value }) => ({ weight, rate: value }) as Parameters<typeof bandOf>[0][number]);
      const band = bandOf(samples, ({ rate }) => rate);
      const ordered = [...all].sort((a, b) => a.value - b.value);
      const total = all.reduce((sum, { weight }) => sum + weight, 0);
      for (const [p, value] of [
        [0.05, band.low],
        [0.5, band.median],
        [0.95, band.high],
      ] as const) {
        const upTo = (most: number) => ordered.reduce((sum, one) => sum + (one.value <= most ? one.weight : 0), 0);
        const under = ordered.reduce((sum, one) => sum + (one.value < value ? one.weight : 0), 0);
        expect(upTo(value)).toBeGreaterThanOrEqual(p * total * (1 - 1e-9));
        expect(under).toBeLessThan(p * total * (1 + 1e-9));
      }
    }),
    {
      examples: [
        // Nearer to one another than a drawer can be narrow.
        [
          [
            { weight: 1e-7, value: 0 },
            { weight: 1e-7, value: -5e-324 },
          ],
        ],
      ],
    },
  );
});

it('what is remembered of one piece is never told of another: every number that a forecast reads is in its name', () => {
  const input = {
    ...{ startB: 24, targetB: 6, toleranceB: 1.5, measurementSd: 0.8, startSd: 0.8, targetSd: 1.3, doseSdShare: 0.15 },
    prior: { medianRate: 0.06, logSd: 0.6 },
    sessions: [
      { dose: 6, measuredB: 18 },
      { dose: 9, measuredB: null },
    ],
    nextDose: 8,
  };
  const changed = [
    ...(['startB', 'targetB', 'toleranceB', 'measurementSd', 'startSd', 'targetSd', 'doseSdShare', 'nextDose'] as const)
      // Each by a tenth.
      .map((field) => ({ ...input, [field]: input[field] * 1.1 })),
    { ...input, nextDose: undefined },
    { ...input, prior: { ...input.prior, medianRate: 0.066 } },
    { ...input, prior: { ...input.prior, logSd: 0.66 } },
    { ...input, sessions: input.sessions.map(({ dose, measuredB }) => ({ dose: dose + 0.1, measuredB })) },
    { ...input, sessions: [input.sessions[0]!, { dose: 9, measuredB: 14 }] },
    { ...input, sessions: [{ dose: 9, measuredB: null }, input.sessions[0]!] },
    { ...input, sessions: input.sessions.slice(0, 1) },
  ];
  const told = [input, ...changed].map((one) => exposureForecast(one));
  expect(new Set(told.map((one) => JSON.stringify(one))).size).toBe(told.length);
  expect(new Set([input, ...changed].map(nameOf)).size).toBe(told.length);
  expect(exposureForecast({ ...input, sessions: [...input.sessions] })).toEqual(told[0]);
});
