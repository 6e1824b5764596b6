import { adviseAfter } from '@/core/choice/advice';
import { doseUnit } from '@/core/fade/dose';
import type { Forecast, ForecastInput } from '@/core/fade/fade';
import { exposureForecast, fadeCurve } from '@/core/fade/forecast';
import { priorOf, SCHOOL, type School } from '@/core/session/schools';
import { PIECE_REGION } from '@/data/measurements';
import type { LearntRate, Piece, Session } from '@/data/rows';
import type { FadeView } from './past/FadePart';
import { yellowOf, type PieceHistory } from './history';
import { pooledFrom } from './pooled';
import { fadeWorking } from './workings';

/** Yellow left, forecast and advice of a piece, from its measurements and sessions. */
export function judgePiece(piece: Piece, history: PieceHistory, past: readonly LearntRate[]) {
  const treatment = history.treatments.filter(({ endedAt }) => endedAt === null).pop() ?? null;
  const school = SCHOOL[treatment?.school ?? 'cream-film-sun'];
  const yellow = yellowOf(piece, history, school);
  const pooled = pooledFrom(past, school, piece.plastic);
  const input = yellow && {
    ...yellow,
    toleranceB: treatment?.toleranceB ?? 1.5,
    prior: priorOf(school, treatment?.targetPercentWW ?? school.usualPercentWW, pooled.prior),
  };
  const forecast = input && exposureForecast(input);
  const latest = history.measurements[history.measurements.length - 1] ?? null;
  const face = latest?.result.regions.find(({ id }) => id === PIECE_REGION);
  const advice = adviseAfter({
    verdict: latest?.verdict ?? null,
    deltaB: latest?.deltaB ?? null,
    evenness: face?.evenness ?? 0,
    uneven: face?.fault !== undefined && face.fault.kind !== 'even',
    fade: input,
    session: usualSession(history, school),
  });
  return {
    treatment,
    school,
    /** The newest measurement says that nothing is to go: no dose to go stands beside that. */
    settled: advice.what === 'stop',
    forecast: advice.what === 'stop' ? null : forecast,
    latest,
    pooled,
    advice,
    fade: input && forecast && fadeView(input, forecast, doseUnit(school)),
    working: input && forecast && fadeWorking(input, forecast, doseUnit(school)),
  };
}

/** What a session of this piece has given and asked so far, at the mean. */
function usualSession(
  { sessions }: PieceHistory,
  { hands }: School,
): { dose: number; handsMin: number; waitingH: number } {
  const done = sessions.filter(({ dose }) => dose !== null);
  const mean = (of: (session: Session) => number) =>
    done.length === 0 ? 0 : done.reduce((sum, session) => sum + of(session), 0) / done.length;
  return {
    dose: mean(({ dose }) => dose!),
    handsMin: Math.round(hands.setUpMin + mean(({ turns }) => turns.length) * hands.turnMin),
    waitingH: mean(({ actualMin }) => actualMin!) / 60,
  };
}

function fadeView(input: ForecastInput, forecast: Forecast, unit: string): FadeView {
  let done = 0;
  const measured = input.sessions.flatMap(({ dose, measuredB }) => {
    done += dose;
    return measuredB === null ? [] : [{ dose: done, b: measuredB }];
  });
  return {
    curve: fadeCurve(input, forecast),
    measured: [{ dose: 0, b: input.startB }, ...measured],
    targetB: input.targetB,
    unit,
  };
}
