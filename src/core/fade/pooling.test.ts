import fc from 'fast-check';
import { yellowAfter } from './fade';
import { exposureForecast } from './forecast';
import { pooledPrior as pooledOf, rateWord, type PastPiece } from './pooling';
import { seededNormal } from '../session/seededNormal.testing';

const GUESS = { medianRate: 0.06, logSd: 0.6 };
const pooledPrior = (past: readonly PastPiece[], guess: typeof GUESS) =>
  pooledOf(
    past.flatMap((one) => rateWord(one, guess.medianRate) ?? []),
    guess,
  );

function piece(rate: number, normal: () => number): PastPiece {
  const at = (dose: number) => yellowAfter(26, 6, rate, dose) + 0.5 * normal();
  return {
    startB: 26,
    targetB: 6,
    measurementSd: 0.5,
    sessions: [
      { dose: 8, measuredB: at(8) },
      { dose: 8, measuredB: at(16) },
    ],
  };
}

it('is the starting guess while there is nothing to learn from', () => {
  expect(pooledPrior([], GUESS)).toEqual({ prior: GUESS, pieces: 0, before: GUESS });
  const silent: PastPiece = { startB: 26, targetB: 6, measurementSd: 0.5, sessions: [{ dose: 8, measuredB: null }] };
  expect(pooledPrior([silent], GUESS).pieces).toBe(0);
});

it('ten pieces that agree take over from the guess; one moves it, but not all the way', () => {
  const normal = seededNormal(3);
  const past = Array.from({ length: 10 }, () => piece(0.12 * Math.exp(0.15 * normal()), normal));
  const ten = pooledPrior(past, GUESS);
  expect(ten.pieces).toBe(10);
  expect(Math.abs(Math.log(ten.prior.medianRate / 0.12))).toBeLessThan(0.15);
  expect(ten.prior.logSd).toBeLessThan(0.4);
  const one = pooledPrior(past.slice(0, 1), GUESS);
  expect(one.prior.medianRate).toBeGreaterThan(GUESS.medianRate);
  expect(one.prior.medianRate).toBeLessThan(ten.prior.medianRate);
  expect(one.prior.logSd).toBeGreaterThan(ten.prior.logSd);
});

it('pieces that differ widely leave it wide', () => {
  const normal = seededNormal(4);
  const alike = pooledPrior(
    [0.1, 0.1, 0.1, 0.1, 0.1].map((rate) => piece(rate, normal)),
    GUESS,
  );
  const unlike = pooledPrior(
    [0.03, 0.3, 0.05, 0.2, 0.1].map((rate) => piece(rate, normal)),
    GUESS,
  );
  expect(unlike.prior.logSd).toBeGreaterThan(1.5 * alike.prior.logSd);
});

it('does not depend on the order of the pieces, and brings the first forecast nearer', () => {
  const rates = fc.array(fc.double({ min: 0.02, max: 0.3, noNaN: true }), { minLength: 1, maxLength: 8 });
  fc.assert(
    fc.property(rates, (given) => {
      const past = given.map((rate) => piece(rate, () => 0));
      const [there, back] = [pooledPrior(past, GUESS).prior, pooledPrior([...past].reverse(), GUESS).prior];
      expect(there.medianRate).toBeCloseTo(back.medianRate, 9);
      expect(there.logSd).toBeGreaterThan(0);
      const [low, high] = [Math.min(GUESS.medianRate, ...given), Math.max(GUESS.medianRate, ...given)];
      expect(there.medianRate).toBeGreaterThanOrEqual(0.97 * low);
      expect(there.medianRate).toBeLessThanOrEqual(1.03 * high);
    }),
    { numRuns: 25 },
  );
  const normal = seededNormal(5);
  const past = Array.from({ length: 10 }, () => piece(0.12 * Math.exp(0.2 * normal()), normal));
  const toGo = (prior: typeof GUESS) =>
    exposureForecast({ startB: 26, targetB: 6, toleranceB: 1.5, measurementSd: 0.5, sessions: [], prior }).doseToGo
      .median;
  const truth = Math.log(20 / 1.5) / 0.12;
  expect(Math.abs(toGo(pooledPrior(past, GUESS).prior) - truth)).toBeLessThan(0.4 * Math.abs(toGo(GUESS) - truth));
});
