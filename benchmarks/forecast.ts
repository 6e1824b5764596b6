import { type ForecastInput, yellowAfter } from '../src/core/fade/fade';
import { exposureForecast } from '@/core/fade/forecast';
import { pooledPrior, rateWord, type PastPiece } from '@/core/fade/pooling';
import { seededRandom } from '@/simulators/camera/random';

const PIECES = 500;
const PAST = 10;
const GUESS = { medianRate: 0.06, logSd: 0.6 };
const MEASUREMENT_SD = 0.6;
const TOLERANCE_B = 1.5;

/** Box and Muller. */
export const normal = (random: () => number) =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** A piece of a workshop whose usual rate is not the starting guess, with sessions as people do them. */
function simulated(
  random: () => number,
  usual: number,
  spread: number,
  sessions: number,
): { rate: number; piece: PastPiece } {
  const rate = usual * Math.exp(spread * normal(random));
  const [startB, targetB] = [18 + 14 * random(), 4 + 4 * random()];
  let done = 0;
  return {
    rate,
    piece: {
      startB,
      targetB,
      measurementSd: MEASUREMENT_SD,
      sessions: Array.from({ length: sessions }, () => {
        const dose = 5 + 7 * random();
        done += dose;
        return { dose, measuredB: yellowAfter(startB, targetB, rate, done) + MEASUREMENT_SD * normal(random) };
      }),
    },
  };
}

const median = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1]!;

/** The dose that a piece really still needs. */
const truthOf = ({ startB, targetB, sessions }: PastPiece, rate: number) =>
  Math.log((startB - targetB) / TOLERANCE_B) / rate - sessions.reduce((sum, { dose }) => sum + dose, 0);

/** Forecasts of simulated pieces whose rates the starting guess does not centre on. */
export async function forecasts(): Promise<void> {
  const random = seededRandom(Number(process.env.SEED ?? 20_261_127));
  console.log(`Forecast, ${PIECES} simulated pieces, starting guess ${GUESS.medianRate} per UVI·h`);
  for (const usual of [0.035, 0.1]) {
    const off: number[] = [];
    let held = 0;
    let open = 0;
    const [plain, pooled]: [number[][], number[][]] = [
      [[], []],
      [[], []],
    ];
    for (let i = 0; i < PIECES; i++) {
      const { rate, piece } = simulated(random, usual, 0.3, 2);
      const ask = (sessions: ForecastInput['sessions'], prior = GUESS) =>
        exposureForecast({ ...piece, sessions, toleranceB: TOLERANCE_B, prior }).doseToGo;
      const truth = truthOf(piece, rate);
      const found = ask(piece.sessions);
      if (truth > 1) {
        open++;
        off.push(Math.abs(found.median - truth) / truth);
        if (truth >= found.low && truth <= found.high) held++;
      }
      const past = Array.from({ length: PAST }, () => simulated(random, usual, 0.3, 2).piece);
      const { prior } = pooledPrior(
        past.flatMap((one) => rateWord(one, GUESS.medianRate) ?? []),
        GUESS,
      );
      [0, 1].forEach((count) => {
        const sessions = piece.sessions.slice(0, count);
        const real = truthOf({ ...piece, sessions }, rate);
        if (real < 1) return;
        plain[count]!.push(Math.abs(Math.log(ask(sessions).median / real)));
        pooled[count]!.push(Math.abs(Math.log(ask(sessions, prior).median / real)));
      });
    }
    console.log(
      `  usual rate ${usual}: after two measured sessions off by ${(100 * median(off)).toFixed(0)} % at the median (aim 20), 90 % band holds ${((100 * held) / open).toFixed(0)} % of ${open} (aim 85 to 95)`,
    );
    [0, 1].forEach((count) => {
      const [alone, together] = [median(plain[count]!), median(pooled[count]!)];
      console.log(
        `    ${count === 0 ? 'before the first session' : 'after one session'}: pooling over ${PAST} past pieces brings the forecast ${(100 * (1 - together / alone)).toFixed(0)} % nearer${count === 0 ? ' (aim 30)' : ''}`,
      );
    });
  }
  await Promise.resolve();
}
