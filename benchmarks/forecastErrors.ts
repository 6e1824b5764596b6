import { askedBy, costsOf, leastOf, lossOfParts, partsAfter, type Choice } from '@/core/choice/decide';
import { yellowAfter, type Band } from '@/core/fade/fade';
import { exposureForecast } from '@/core/fade/forecast';
import { yellowReturning } from '@/core/fade/returning';
import { seededRandom } from '@/simulators/camera/random';
import { normal } from './forecast';

const PIECES = Number(process.env.PIECES ?? 2000);
const NEXT = 8;
const TOLERANCE_B = 1.5;
const PRIOR = { medianRate: 0.06, logSd: 0.6 };
const ERRORS = { startSd: 0.8, targetSd: 1.3, doseSdShare: 0.15, measurementSd: 0.8 };
const CHOICES = ['stop', 'go on', 'even it out'] as const;
const YEAR_MS = 365.25 * 24 * 3_600_000;

const inside = ({ low, high }: Band, value: number) => value >= low && value <= high;

/** Pieces of a world in which nothing is known exactly: what the bands hold, and what the advice costs. */
export async function forecastsWithErrors(): Promise<void> {
  const random = seededRandom(Number(process.env.SEED ?? 20_261_128));
  const draw = () => normal(random);
  console.log(
    `Forecast with errors, ${PIECES} pieces: start ${ERRORS.startSd}, where it comes to rest ${ERRORS.targetSd}, each reading ${ERRORS.measurementSd} b*, each dose ${100 * ERRORS.doseSdShare} %`,
  );
  const cost = { advised: 0, best: 0, ...Object.fromEntries(CHOICES.map((choice) => [choice, 0])) };
  for (const sessions of [0, 1, 2, 3, 6]) {
    const held = { 'dose to go': [0, 0], 'next b*': [0, 0], 'next reading': [0, 0] };
    for (let i = 0; i < PIECES; i++) {
      const rate = PRIOR.medianRate * Math.exp(PRIOR.logSd * draw());
      const [start, target] = [18 + 14 * random(), 4 + 4 * random()];
      let done = 0;
      const given = Array.from({ length: sessions }, () => {
        const dose = 4 + 8 * random();
        done += dose * (1 + ERRORS.doseSdShare * draw());
        return { dose, measuredB: yellowAfter(start, target, rate, done) + ERRORS.measurementSd * draw() };
      });
      const input = {
        ...ERRORS,
        startB: start + ERRORS.startSd * draw(),
        targetB: target + ERRORS.targetSd * draw(),
        ...{ toleranceB: TOLERANCE_B, sessions: given, prior: PRIOR },
      };
      const found = exposureForecast({ ...input, nextDose: NEXT });
      const off = 1 + ERRORS.doseSdShare * draw();
      const next = yellowAfter(start, target, rate, done + NEXT * off);
      const count = (what: keyof typeof held, holds: boolean) => {
        held[what][0]! += holds ? 1 : 0;
        held[what][1]!++;
      };
      const truth = Math.max(0, Math.log((start - target) / TOLERANCE_B) / rate - done);
      count('dose to go', inside(found.doseToGo, truth));
      count('next b*', inside(found.nextB!, next));
      count('next reading', inside(found.nextMeasuredB!, next + ERRORS.measurementSd * draw()));
      if (sessions === 0) continue;
      const session = { dose: NEXT, handsMin: 65, waitingH: 4 };
      const evenness = 6 * random();
      const nowB = yellowAfter(start, target, rate, done);
      const really = (choice: Choice) =>
        askedBy(choice, session) +
        lossOfParts(partsAfter({ rate, target, next: off }, nowB, evenness, choice, NEXT), input.targetB);
      cost.advised += really(leastOf(costsOf(input, evenness, session)));
      cost.best += Math.min(...CHOICES.map(really));
      for (const choice of CHOICES) (cost as Record<string, number>)[choice]! += really(choice);
    }
    console.log(
      `  after ${sessions} sessions the 90 % bands hold: ${Object.entries(held)
        .map(([what, [hits, all]]) => `${what} ${((100 * hits!) / all!).toFixed(1)} %`)
        .join(', ')} (aim 86 to 94)`,
    );
  }
  const over = (value: number) => `${(100 * (value / cost.best - 1)).toFixed(1)} %`;
  console.log(
    `  go on, stop or even it out: costs ${over(cost.advised)} more than the best that somebody who knew all would choose (aim 5); ${CHOICES.map((choice) => `always “${choice}” ${over((cost as Record<string, number>)[choice]!)}`).join(', ')}`,
  );
  returning(draw);
  await Promise.resolve();
}

/** Pieces that stay as they are, looked at each year for five years. */
function returning(draw: () => number): void {
  let told = 0;
  for (let i = 0; i < PIECES; i++) {
    const seen = Array.from({ length: 6 }, (_, year) => ({
      ...{ at: new Date(Date.UTC(2026, 0, 1) + year * YEAR_MS).toISOString(), sd: year % 2 === 0 ? 0.6 : 1.2 },
      b: 0,
    })).map((look) => ({ ...look, b: 7 + look.sd * draw() }));
    if (seen.some((_, last) => yellowReturning(seen.slice(0, last + 1))?.certain)) told++;
  }
  console.log(
    `  “the yellow is coming back”, said of pieces that stay as they are in five yearly looks: ${((100 * told) / PIECES).toFixed(1)} % (aim 5)`,
  );
}
