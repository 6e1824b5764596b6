import { guessOf } from '@/core/choice/compare';
import { pooledPrior, rateWord, type Pooled } from '@/core/fade/pooling';
import { fasterBy, SCHOOL, type School } from '@/core/session/schools';
import { learnAnew, ratesBut, staleRates } from '@/data/learntRates';
import { piecesOfAll } from '@/data/pieces';
import type { LearntRate, Piece } from '@/data/rows';
import { eachAlone } from '@/edge/eachAlone';
import { historiesOf, yellowOf, type PieceHistory } from './history';

/** So many past pieces of the same plastic speak for themselves; with fewer all plastics count. */
const ENOUGH = 3;
/** So many restorations are worked out again at once. */
const AT_ONCE = 25;

/** What the sessions of a piece say of the rate of its way; `null` where they say nothing. */
function learntOf(piece: Piece, history: PieceHistory): Omit<LearntRate, 'id'> | null {
  const [first] = history.treatments;
  // A piece that went several ways does not say which of them did it.
  if (!first || history.treatments.some(({ school }) => school !== first.school)) return null;
  const school = SCHOOL[first.school];
  const yellow = yellowOf(piece, history, school);
  if (!yellow?.sessions.some(({ measuredB }) => measuredB !== null)) return null;
  const word = rateWord(yellow, guessOf(school).medianRate);
  const strength = fasterBy(school, first.targetPercentWW);
  const ended = history.sessions.flatMap(({ endedAt }) => endedAt ?? []);
  if (!word || ended.length === 0) return null;
  const { id: pieceId, restorationId, plastic } = piece;
  // What is learnt is the rate at the usual strength.
  return {
    ...word,
    mean: word.mean - Math.log(strength),
    restorationId,
    pieceId,
    plastic,
    school: school.id,
    at: ended.sort().pop()!,
  };
}

/** Works out again what was learnt of the restorations on which something changed; mostly that is the one in hand. */
async function bringUpToDate(): Promise<void> {
  for (let stale = await staleRates(AT_ONCE); stale.length > 0; stale = await staleRates(AT_ONCE)) {
    const these = stale;
    await learnAnew(these, async () => {
      const { out } = await eachAlone(these, async (some) => {
        const pieces = await piecesOfAll([...some]);
        const histories = await historiesOf(pieces);
        return pieces.flatMap((piece, i) => learntOf(piece, histories[i]!) ?? []);
      });
      return out;
    });
  }
}

/** What the workshop has learnt from its pieces, this one left out. */
export async function pastPieces(but: Piece): Promise<LearntRate[]> {
  await bringUpToDate();
  return ratesBut(but.id);
}

/** What past pieces say of the rate of a way: those of the same plastic where there are enough. */
export function pooledFrom(
  past: readonly LearntRate[],
  school: School,
  plastic: string,
): Pooled & { samePlastic: boolean } {
  const known = past.filter((one) => one.school === school.id);
  const same = known.filter((one) => one.plastic === plastic);
  const samePlastic = same.length >= ENOUGH;
  return { ...pooledPrior(samePlastic ? same : known, guessOf(school)), samePlastic };
}

/** What the workshop's past pieces say of the rate of one way, this piece left out. */
export const pooledFor = async (school: School, piece: Piece): Promise<Pooled & { samePlastic: boolean }> =>
  pooledFrom(await pastPieces(piece), school, piece.plastic);
